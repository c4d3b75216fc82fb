package entaxis.core.word;

import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;

/** English words as entity names use them. */
public final class Words {
    private static final Map<String,
            String> IRREGULAR = Map.ofEntries(Map.entry("person", "people"), Map.entry("child", "children"),
                    Map.entry("man", "men"),
                    Map.entry("woman", "women"), Map.entry("taxon", "taxa"), Map.entry("datum", "data"),
                    Map.entry("index", "indexes"), Map.entry("series", "series"),
                    Map.entry("species", "species"), Map.entry("shelf", "shelves"), Map.entry("half", "halves"),
                    Map.entry("leaf", "leaves"), Map.entry("genus", "genera"),
                    Map.entry("equipment", "equipment"), Map.entry("foot", "feet"), Map.entry("tooth", "teeth"),
                    Map.entry("life", "lives"), Map.entry("knife", "knives"));

    /** The odd plurals, each with its singular. */
    private static final Map<String, String> SINGULARS =
            IRREGULAR.entrySet().stream().collect(Collectors.toMap(Map.Entry::getValue, Map.Entry::getKey));

    private Words() { }

    private static boolean ends(String word, String... ends) {
        for (String end : ends) {
            if (word.endsWith(end)) {
                return true;
            }
        }
        return false;
    }

    /** A name as it stands inside a sentence: begun in lower case unless it is an abbreviation. */
    public static String inSentence(String name) {
        boolean ordinary =
                name.length() > 1 && Character.isUpperCase(name.charAt(0)) && !Character.isUpperCase(name.charAt(1));
        return ordinary || name.length() == 1 ? name.substring(0, 1).toLowerCase(Locale.ROOT) + name.substring(1)
                : name;
    }

    /** The singular of the last word of a name; a name that is singular already stays. */
    public static String singular(String name) {
        int cut = lastWord(name);
        String last = name.substring(cut);
        String lower = last.toLowerCase(Locale.ROOT);
        if (SINGULARS.containsKey(lower)) {
            return name.substring(0, cut) + cased(last, SINGULARS.get(lower));
        }
        if (IRREGULAR.containsKey(lower) || lower.length() < 4 || !lower.endsWith("s")
                || ends(lower, "ss", "us", "is", "news")) {
            return name;
        }
        if (lower.endsWith("ies") && lower.length() > 4) {
            return name.substring(0, name.length() - 3)
                    + (Character.isUpperCase(last.charAt(last.length() - 1)) ? "Y" : "y");
        }
        return name.substring(0, name.length() - (ends(lower, "sses", "xes", "zes", "ches", "shes", "uses") ? 2 : 1));
    }

    /** Where the last word of a name begins: behind the last space, hyphen or underscore. */
    private static int lastWord(String name) {
        return Math.max(name.lastIndexOf(' '), Math.max(name.lastIndexOf('_'), name.lastIndexOf('-'))) + 1;
    }

    private static String cased(String like, String word) {
        return Character.isUpperCase(like.charAt(0)) ? word.substring(0, 1).toUpperCase(Locale.ROOT) + word.substring(1)
                : word;
    }

    /** A count with its noun: “1 entity”, “2 entities”. */
    public static String counted(long count, String noun) {
        return count + " " + (count == 1 ? noun : plural(noun));
    }

    /** The plural of the last word of a name. */
    public static String plural(String name) {
        int cut = lastWord(name);
        String last = name.substring(cut);
        String lower = last.toLowerCase(Locale.ROOT);
        if (IRREGULAR.containsKey(lower)) {
            return name.substring(0, cut) + cased(last, IRREGULAR.get(lower));
        }
        if (lower.isEmpty() || !Character.isLetter(lower.charAt(lower.length() - 1))
                || lower.charAt(lower.length() - 1) > 'z') {
            return name;
        }
        if (lower.matches(".*[^aeiou]y")) {
            return name.substring(0, name.length() - 1) + "ies";
        }
        return name + (ends(lower, "s", "x", "z", "ch", "sh") ? "es" : "s");
    }
}
