package entaxis.core.dependency;

import entaxis.core.dependency.Decomposition.Part;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Names proposed for the parts of a decomposition: the part that holds a key of the whole keeps its name, the others
 * are named after what identifies them.
 */
public final class PartNames {
    private static final List<String> ENDINGS =
            List.of("_code", "_id", "_no", "_nr", "_number", "_key", " code", " id", " no", " number");

    private PartNames() { }

    /** A name for each part, in their order, all different. */
    public static List<String> of(Decomposition decomposition) {
        Relation whole = decomposition.of();
        Closure closure = new Closure(whole.attributes().size(), whole.functional());
        Set<String> taken = new HashSet<>(Set.of(whole.name()));
        boolean kept = false;
        List<String> names = new ArrayList<>();
        for (Part part : decomposition.parts()) {
            if (!kept && closure.of(part.attributes()).containsAll(whole.all())) {
                names.add(whole.name());
                kept = true;
                continue;
            }
            String wanted = wanted(whole, part);
            String name = wanted;
            for (int number = 2; !taken.add(name); number++) {
                name = wanted + "_" + number;
            }
            names.add(name);
        }
        return names;
    }

    private static String wanted(Relation whole, Part part) {
        if (part.key().isEmpty()) {
            return whole.name() + "_common";
        }
        List<String> words = part.key().members().stream().map(whole.attributes()::get).map(PartNames::bare).toList();
        return words.size() > 1 ? whole.name() + "_" + String.join("_", words) : words.getFirst();
    }

    private static String bare(String attribute) {
        return ENDINGS.stream()
                .filter(ending -> attribute.toLowerCase(java.util.Locale.ROOT).endsWith(ending)
                        && attribute.length() > ending.length())
                .findFirst().map(ending -> attribute.substring(0, attribute.length() - ending.length()))
                .orElse(attribute);
    }
}
