package entaxis.core.derive;

import java.util.HashSet;
import java.util.Set;

/** Hands out constraint names, each once: some engines want them unique in the whole schema. */
final class ConstraintNames {
    private final Set<String> taken = new HashSet<>();

    String free(String wanted) {
        return Names.free(wanted, taken);
    }
}
