package entaxis.core.design;

import entaxis.core.word.Words;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * How a design makes names.
 *
 * @param entities      whether entities are named in the singular or plural
 * @param tables        whether tables are
 * @param letters       how the words of a name are written
 * @param separator     what stands between the words of a name in lower or upper case
 * @param tablePrefix   what every table's name begins with; may be empty
 * @param templates     what names are made of, where it is not the usual
 */
public record Naming(Grammar entities, Grammar tables, Letters letters, String separator, String tablePrefix,
        Map<Template, String> templates) {
    private static final String SEPARATORS = "-/‐–—_";

    /** What names were before anybody decided. */
    public static final Naming DEFAULT =
            new Naming(Grammar.AS_TYPED, Grammar.AS_TYPED, Letters.LOWER, "_", "", Map.of());

    /**
     * What names are in a design that is begun now: foreign-key columns tell whose key they are where the key's own
     * name does not.
     */
    public static final Naming BEGUN = DEFAULT.with(Template.FOREIGN_COLUMN, "{parent?}_{key}");

    /** Copies the templates. */
    public Naming {
        templates = Map.copyOf(templates);
    }

    /**
     * What is named after a template. Its words in braces are replaced: {@code {table}}, {@code {parent}} (the table
     * referred to, or the role it plays), {@code {key}} (the key column referred to), {@code {part}} (the columns, or
     * the number of the key). {@code {parent?}} is the same as {@code {parent}} where the key's own name does not tell
     * whose key it is, and nothing where it does.
     */
    public enum Template {
        FOREIGN_COLUMN("foreign-key columns", ""), PRIMARY_KEY("primary keys", "pk_{table}"),
        UNIQUE("alternate keys", "uq_{table}_{part}"),
        FOREIGN_KEY("foreign keys", "fk_{table}_{parent}"), CHECK("checks", "ck_{table}_{part}"),
        INDEX("indexes", "ix_{table}_{part}");

        private final String words;
        private final String usual;

        Template(String words, String usual) {
            this.words = words;
            this.usual = usual;
        }

        /** What it names, in plain words. */
        public String words() {
            return words;
        }

        /**
         * The template that is taken when none is given; for foreign-key columns none: the key column's own name, with
         * the table before it where that says too little.
         */
        public String usual() {
            return usual;
        }
    }

    /** The template for something. */
    public String template(Template of) {
        return templates.getOrDefault(of, of.usual());
    }

    /** The same with another template; an empty one is the usual one again. */
    public Naming with(Template of, String text) {
        Map<Template, String> next = new HashMap<>(templates);
        next.put(of, text);
        next.values().removeIf(String::isBlank);
        return new Naming(entities, tables, letters, separator, tablePrefix, next);
    }

    /** The same for entities or tables in another number, or other letters. */
    public Naming with(Grammar ofEntities, Grammar ofTables, Letters other) {
        return new Naming(ofEntities, ofTables, other, separator, tablePrefix, templates);
    }

    /** The same with another separator and prefix. */
    public Naming with(String otherSeparator, String otherPrefix) {
        return new Naming(entities, tables, letters, otherSeparator, otherPrefix, templates);
    }

    /** Singular or plural. */
    public enum Grammar {
        AS_TYPED("as typed"), SINGULAR("singular"), PLURAL("plural");

        private final String words;

        Grammar(String words) {
            this.words = words;
        }

        /** In plain words. */
        public String words() {
            return words;
        }

        /** A name in this number. */
        public String of(String name) {
            return switch (this) {
                case AS_TYPED -> name;
                case SINGULAR -> Words.singular(name);
                case PLURAL -> Words.plural(Words.singular(name));
            };
        }
    }

    /** How the words of a name are written. */
    public enum Letters {
        LOWER("lower case"), UPPER("UPPER CASE"), CAMEL("firstSmall"), PASCAL("EachLarge"), AS_NAMED("as named");

        private final String words;

        Letters(String words) {
            this.words = words;
        }

        /** In plain words. */
        public String words() {
            return words;
        }
    }

    /** A table's name for the name of an entity or many-to-many. */
    public String table(String name) {
        return tablePrefix + written(tables.of(name.strip()));
    }

    /** A table's name without the prefix, as it stands in other names. */
    public String bare(String table) {
        return table.startsWith(tablePrefix) ? table.substring(tablePrefix.length()) : table;
    }

    /** A column's name for the name of an attribute. */
    public String column(String name) {
        return written(name);
    }

    /**
     * The words of a name, written as the policy wants them; every character that is no separator stays, to be quoted
     * where SQL asks for it.
     */
    public String written(String name) {
        if (letters == Letters.LOWER && separator.equals("_")) {
            return SqlName.of(name);
        }
        List<String> words = words(name);
        return switch (letters) {
            case AS_NAMED -> name.strip();
            case LOWER ->
                    words.stream().map(word -> word.toLowerCase(Locale.ROOT)).collect(Collectors.joining(separator));
            case UPPER ->
                    words.stream().map(word -> word.toUpperCase(Locale.ROOT)).collect(Collectors.joining(separator));
            case CAMEL -> words.isEmpty() ? "" : words.getFirst().toLowerCase(Locale.ROOT)
                    + words.stream().skip(1).map(Naming::capital).collect(Collectors.joining());
            case PASCAL -> words.stream().map(Naming::capital).collect(Collectors.joining());
        };
    }

    /** A template with its words filled in. */
    public static String filled(String template, Map<String, String> values) {
        String text = template;
        for (Map.Entry<String, String> value : values.entrySet()) {
            text = text.replace("{" + value.getKey() + "}", value.getValue());
        }
        return text;
    }

    /**
     * The words of a name: cut at white space, hyphens, slashes and underscores, and where a capital follows a small
     * letter. Linear in the name.
     */
    public static List<String> words(String name) {
        List<String> words = new ArrayList<>();
        int begin = 0;
        for (int i = 0; i <= name.length(); i++) {
            boolean end = i == name.length() || separates(name.charAt(i));
            boolean hump = !end && i > begin && capital(name.charAt(i)) && small(name.charAt(i - 1));
            if ((end || hump) && i > begin) {
                words.add(name.substring(begin, i));
            }
            begin = end ? i + 1 : hump ? i : begin;
        }
        return words;
    }

    private static boolean separates(char letter) {
        return !small(letter) && !capital(letter)
                && (Character.isWhitespace(letter) || SEPARATORS.indexOf(letter) >= 0);
    }

    private static boolean capital(char letter) {
        return letter >= 'A' && letter <= 'Z';
    }

    private static boolean small(char letter) {
        return letter >= 'a' && letter <= 'z' || letter >= '0' && letter <= '9';
    }

    private static String capital(String word) {
        int first = word.offsetByCodePoints(0, 1);
        return word.substring(0, first).toUpperCase(Locale.ROOT) + word.substring(first).toLowerCase(Locale.ROOT);
    }
}
