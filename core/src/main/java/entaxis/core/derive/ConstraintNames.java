package entaxis.core.derive;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Hands out constraint names, each once: some engines want them unique in the whole schema. */
final class ConstraintNames {

    /** A name as it was asked for and as it was given. */
    record Given(String wanted, String name) { }

    private final Set<String> taken = new HashSet<>();
    private List<Given> given = new ArrayList<>();

    String free(String wanted) {
        String name = ProposedNames.free(wanted, taken);
        given.add(new Given(wanted, name));
        return name;
    }

    /** What was given since this was asked last. */
    List<Given> given() {
        List<Given> now = given;
        given = new ArrayList<>();
        return now;
    }

    /** Gives the same names again, in their order, if the same would be given; else none of them. */
    boolean again(List<Given> before) {
        for (int i = 0; i < before.size(); i++) {
            String name = ProposedNames.free(before.get(i).wanted(), taken);
            if (!name.equals(before.get(i).name())) {
                taken.remove(name);
                before.subList(0, i).forEach(one -> taken.remove(one.name()));
                return false;
            }
        }
        return true;
    }
}
