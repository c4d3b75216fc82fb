package entaxis.core.dependency;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
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
    private static final Pattern NUMBERED = Pattern.compile("(.*?[\\p{L}_ -])_?(\\d{1,2})");
    private static final Pattern LIST = Pattern.compile("[^;|]+([;|][^;|]+)+|[^,]{1,40}(,\\s*[^,]{1,40}){2,}");
    private static final Pattern ADDRESS = Pattern.compile("(?i)(.*[_ -])?(address|anschrift)|.*location_text.*");
    /** Addresses of machines, letters and numbers rather than of people and places. */
    private static final Pattern OTHER_ADDRESS =
            Pattern.compile(
                    "(?i)(ip|ipv4|ipv6|mac|hw|net|mail|e_mail|email|web|url|host|start|end|"
                            + "lease|memory|peer|remote|source|dest|local|physical)[_ -]?address");
    private static final Pattern WHOLE_NAME =
            Pattern.compile("(?i)(full|whole|contact|customer|person|collector|author|donor|researcher)[_ ]?name");
    /** What names of an address or a name contain, in any case. */
    private static final Pattern NAMING = Pattern.compile("(?i)address|anschrift|location_text|name");
    private static final Pattern TWO_WORDS = Pattern.compile("\\p{Lu}[\\p{L}.'-]*(,)? \\p{Lu}[\\p{L}.' -]*");
    private static final int SHARE = 3;
    private static final int LOOKED_AT = 100;

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
        List<FirstFormSigns> signs = new ArrayList<>();
        Map<String, AttributeSet> numbered = new LinkedHashMap<>();
        for (int i = 0; i < rows.columns().size(); i++) {
            String name = rows.columns().get(i);
            boolean numberBehind = !name.isEmpty() && Character.isDigit(name.charAt(name.length() - 1));
            Matcher matcher = NUMBERED.matcher(name);
            if (numberBehind && matcher.matches()) {
                int place = i;
                numbered.merge(matcher.group(1).toLowerCase(Locale.ROOT), AttributeSet.of(place), AttributeSet::union);
            }
        }
        numbered.values().stream().filter(set -> set.size() > 1)
                .forEach(set -> signs.add(new FirstFormSigns(Kind.NUMBERED, set, "")));
        for (int i = 0; i < rows.columns().size(); i++) {
            String name = rows.columns().get(i);
            List<String> lists = shown(rows, i, LIST);
            List<String> names = shown(rows, i, TWO_WORDS);
            boolean naming = NAMING.matcher(name).find();
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

    private static List<String> shown(Rows rows, int column, Pattern pattern) {
        return rows.values().stream().limit(LOOKED_AT).map(row -> row.get(column))
                .filter(value -> value.length() < 400 && pattern.matcher(value).matches()).toList();
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
