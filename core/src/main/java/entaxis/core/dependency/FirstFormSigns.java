package entaxis.core.dependency;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Predicate;
import java.util.regex.Pattern;

/**
 * Signs that a relation may not be in first normal form (common practice): questions, not verdicts, since what counts
 * as one value depends on its use.
 *
 * @param kind       what is asked
 * @param attributes which attributes it is about
 * @param example    a value that shows it; empty where the names alone do
 */
public record FirstFormSigns(Kind kind, AttributeSet attributes, String example) {
    private static final Pattern LIST = Pattern.compile("[^;|]+([;|][^;|]+)+|[^,]{1,40}(,\\s*[^,]{1,40}){2,}");
    private static final Pattern ADDRESS = Pattern.compile("(?i)(.*[_ -])?(address|anschrift)|.*location_text.*");
    /** Addresses of machines, letters and numbers rather than of people and places. */
    private static final Pattern OTHER_ADDRESS =
            Pattern.compile(
                    "(?i)(ip|ipv4|ipv6|mac|hw|net|mail|e_mail|email|web|url|host|start|end|"
                            + "lease|memory|peer|remote|source|dest|local|physical)[_ -]?address");
    private static final Pattern WHOLE_NAME =
            Pattern.compile("(?i)(full|whole|contact|customer|person|collector|author|donor|researcher)[_ ]?name");
    /** What names of an address or a name contain, in lower case. */
    private static final List<String> NAMING = List.of("name", "address", "location_text", "anschrift");
    private static final Pattern TWO_WORDS = Pattern.compile("\\p{Lu}[\\p{L}.'-]*(,)? \\p{Lu}[\\p{L}.' -]*");
    private static final int SHARE = 3;
    private static final int LOOKED_AT = 100;
    /** Longer values are texts. */
    private static final int MAX_LENGTH = 400;

    /** What is asked. */
    public enum Kind {
        NUMBERED("numbered repeats"), LIST("several values in one"), ADDRESS("a whole address"), NAME("a whole name");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        /** In a few words. */
        public String words() {
            return words;
        }
    }

    /** The signs that names and rows show; rows may be empty. */
    public static List<FirstFormSigns> of(Rows rows) {
        return of(rows.columns(), rows.values());
    }

    /**
     * The signs that names and rows show.
     *
     * @param columns the names of the columns
     * @param rows    a list of values for each row, in the order of the columns; may be empty
     */
    public static List<FirstFormSigns> of(List<String> columns, List<List<String>> rows) {
        List<FirstFormSigns> signs = new ArrayList<>();
        numbered(columns).stream().filter(set -> set.size() > 1)
                .forEach(set -> signs.add(new FirstFormSigns(Kind.NUMBERED, set, "")));
        for (int i = 0; i < columns.size(); i++) {
            String name = columns.get(i);
            String lower = name.toLowerCase(Locale.ROOT);
            List<String> lists = shown(rows, i, FirstFormSigns::list);
            boolean naming = NAMING.stream().anyMatch(lower::contains);
            List<String> names = naming ? shown(rows, i, FirstFormSigns::twoWords) : List.of();
            if (naming && ADDRESS.matcher(name).matches() && !OTHER_ADDRESS.matcher(name).find()) {
                signs.add(
                        new FirstFormSigns(Kind.ADDRESS, AttributeSet.of(i), lists.isEmpty() ? "" : lists.getFirst()));
            } else if (lists.size() * SHARE > Math.min(LOOKED_AT, rows.size()) && !lists.isEmpty()) {
                signs.add(new FirstFormSigns(Kind.LIST, AttributeSet.of(i), lists.getFirst()));
            } else if (naming && WHOLE_NAME.matcher(name).find()
                    && (rows.size() == 0 || names.size() * SHARE > Math.min(LOOKED_AT, rows.size()))) {
                signs.add(new FirstFormSigns(Kind.NAME, AttributeSet.of(i), names.isEmpty() ? "" : names.getFirst()));
            }
        }
        return signs;
    }

    /** Names that end in a number, by what stands before it. */
    private static Collection<AttributeSet> numbered(List<String> columns) {
        Map<String, AttributeSet> numbered = new LinkedHashMap<>();
        for (int i = 0; i < columns.size(); i++) {
            String stem = stem(columns.get(i));
            if (!stem.isEmpty()) {
                numbered.merge(stem.toLowerCase(Locale.ROOT), AttributeSet.of(i), AttributeSet::union);
            }
        }
        return numbered.values();
    }

    /**
     * What stands before a number of one or two digits at the end of a name, without the underscore between the two;
     * nothing where there is no such number.
     */
    private static String stem(String name) {
        int end = name.length();
        while (end > 0 && name.length() - end < 2 && Character.isDigit(name.charAt(end - 1))) {
            end--;
        }
        boolean underscored = end > 1 && name.charAt(end - 1) == '_' && joins(name.charAt(end - 2));
        return end == name.length() || end == 0 || !joins(name.charAt(end - 1)) ? ""
                : name.substring(0, underscored ? end - 1 : end);
    }

    private static boolean joins(char before) {
        return Character.isLetter(before) || before == '_' || before == ' ' || before == '-';
    }

    private static boolean list(String value) {
        boolean separated = value.indexOf(',') >= 0 || value.indexOf(';') >= 0 || value.indexOf('|') >= 0;
        return separated && LIST.matcher(value).matches();
    }

    private static boolean twoWords(String value) {
        return value.indexOf(' ') >= 0 && TWO_WORDS.matcher(value).matches();
    }

    private static List<String> shown(List<List<String>> rows, int column, Predicate<String> sign) {
        return rows.stream().limit(LOOKED_AT).map(row -> row.get(column))
                .filter(value -> value.length() < MAX_LENGTH && sign.test(value)).toList();
    }

    /** The question in words. */
    public String question(List<String> names) {
        List<String> said = attributes.members().stream().map(names::get).toList();
        String shown = example.isEmpty() ? "" : " (“" + example + "”)";
        return switch (kind) {
            case NUMBERED -> String.join(", ", said)
                    + " look like one fact repeated. Does it deserve an entity of its own, with a row for each?";
            case LIST -> said.getFirst() + " seems to hold several values in one" + shown
                    + ". Should each be a row of an entity of its own?";
            case ADDRESS -> said.getFirst() + " seems to hold a whole address" + shown
                    + ". Will anyone ask for the town or the postal code alone?";
            case NAME -> said.getFirst() + " seems to hold a whole name" + shown
                    + ". Will anyone sort or search by the family name?";
        };
    }
}
