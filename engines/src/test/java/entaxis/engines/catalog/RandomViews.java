package entaxis.engines.catalog;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Makes queries on two tables at random. What could be written otherwise with another meaning stands as {@code
 * {this|that}} in them.
 */
final class RandomViews {
    private static final Pattern CHOICE = Pattern.compile("\\{([^{}|]*)\\|([^{}|]*)}");
    private final Random random;
    private final Set<Integer> used = new HashSet<>();

    RandomViews(long seed) {
        this.random = new Random(seed);
    }

    /**
     * A query and another one.
     *
     * @param change what makes the difference
     */
    record Pair(String query, String other, String change) { }

    /** A query with each of its changes. */
    List<Pair> next() {
        String pattern = query();
        String query = chosen(pattern, -1);
        List<Pair> pairs = new ArrayList<>();
        Matcher choice = CHOICE.matcher(pattern);
        for (int i = 0; choice.find(); i++) {
            pairs.add(new Pair(query, chosen(pattern, i), choice.group()));
        }
        return pairs;
    }

    private static String chosen(String pattern, int changed) {
        int[] place = {0};
        return CHOICE.matcher(pattern)
                .replaceAll(found -> Matcher.quoteReplacement(found.group(place[0]++ == changed ? 2 : 1)));
    }

    private String one(String... of) {
        return of[random.nextInt(of.length)];
    }

    private boolean chance(int percent) {
        return random.nextInt(100) < percent;
    }

    private String query() {
        used.clear();
        return switch (random.nextInt(16)) {
            case 0 -> "SELECT accession_no FROM accession WHERE " + condition(1)
                    + " {UNION|UNION ALL} SELECT accession_no + 1 FROM accession WHERE " + condition(0);
            case 1, 2 -> "SELECT taxon_code, "
                    + one("{count(*)|count(weight)}", "{max|min}(weight)", "{sum|avg}(amount)",
                            "count({|DISTINCT }amount)")
                    + " AS figure FROM accession WHERE " + condition(0)
                    + " GROUP BY taxon_code{|, amount}" + (chance(50) ? " HAVING count(*) {>|>=} 2" : "");
            case 3 -> "SELECT a.accession_no, t.name FROM accession a {"
                    + one("LEFT JOIN|JOIN", "JOIN|LEFT JOIN", "RIGHT JOIN|LEFT JOIN")
                    + "} taxon t ON t.code {=|<>} a.taxon_code WHERE a.weight {>|<} 3" + ordered("a.accession_no");
            case 4 -> "SELECT a.accession_no, b.accession_no AS other FROM accession a " + one("JOIN", "LEFT JOIN")
                    + " accession b ON {a.weight|b.weight} {<|<=} b.amount AND a.taxon_code = b.taxon_code JOIN taxon "
                    + "t ON t.code = a.taxon_code";
            case 5 -> "SELECT code FROM taxon WHERE {|NOT }EXISTS (SELECT 1 FROM accession WHERE taxon_code = code AND "
                    + condition(0) + ")";
            case 6 -> "SELECT code, name FROM taxon WHERE code {IN|NOT IN} (SELECT taxon_code FROM accession WHERE "
                    + condition(1) + ")";
            case 7 ->
                    "SELECT d.taxon_code, d.most FROM (SELECT taxon_code, {max|min}(weight) AS most FROM accession "
                            + "GROUP BY taxon_code) d WHERE d.most {>|<} 4";
            case 8 -> "WITH heavy AS (SELECT accession_no, taxon_code FROM accession WHERE " + condition(0)
                    + ") SELECT t.name, {h.accession_no|h.taxon_code} AS known FROM taxon t {JOIN|LEFT JOIN} heavy h "
                    + "ON h.taxon_code = t.code";
            case 9 ->
                    "SELECT accession_no, {row_number|rank}() OVER (PARTITION BY {taxon_code|amount} ORDER BY weight "
                            + "{ASC|DESC}) AS place FROM accession";
            case 10 ->
                    "SELECT t.name, (SELECT {count(*)|max(weight)} FROM accession a WHERE a.taxon_code = t.code AND "
                            + "a.amount {>|>=} 1) AS many FROM taxon t";
            case 11 -> "SELECT t.name, a.weight FROM taxon t, accession a WHERE t.code = a.taxon_code AND "
                    + condition(1) + " ORDER BY {1|2}, a.weight {DESC|ASC} LIMIT {5|6}";
            default -> "SELECT {|DISTINCT }accession_no, " + value() + " AS figure{|, weight} FROM accession WHERE "
                    + condition(2) + ordered("accession_no");
        };
    }

    private String ordered(String column) {
        return chance(30) ? " ORDER BY " + column + " {ASC|DESC}" : "";
    }

    private String value() {
        return switch (random.nextInt(20)) {
            case 0 -> "amount {+|-} " + one("1", "accession_no", "2 * amount");
            case 1 -> "CASE WHEN " + condition(0) + " THEN 'light' ELSE 'heavy' END";
            case 2 -> "coalesce(weight, {0|1})";
            case 3 -> "{upper|lower}(taxon_code)";
            case 4 -> "(amount + 1) {*|-} amount";
            case 5 -> "substring(taxon_code, {1|2}, 2)";
            case 6 -> "trim(taxon_code)";
            case 7 -> "round(weight, {1|2})";
            case 8 -> "extract({year|month} FROM taken)";
            case 9 -> "cast(weight AS decimal(7,1))";
            case 10 -> "nullif(amount, {0|1})";
            case 11 -> "abs(amount {-|+} 3)";
            case 12 -> "CASE taxon_code WHEN 'A' THEN {1|2} WHEN 'B' THEN 3 ELSE 0 END";
            case 13 -> "concat(taxon_code, {'-'|'+'}, amount)";
            case 14 -> "mod(amount, {2|3})";
            case 15 -> "{-amount|amount}";
            case 16 -> "{greatest|least}(amount, accession_no)";
            case 17 -> "char_length(taxon_code)";
            case 18 -> "amount {* |/ }2 + {weight|accession_no}";
            default -> "{weight|amount}";
        };
    }

    /** A condition says nothing new where it stands twice. */
    private int unused() {
        int kind = random.nextInt(12);
        while (!used.add(kind)) {
            kind = random.nextInt(12);
        }
        return kind;
    }

    private String condition(int depth) {
        if (depth > 0 && chance(60)) {
            String both = condition(depth - 1) + " {" + one("AND|OR", "OR|AND") + "} " + condition(depth - 1);
            return chance(30) ? "{NOT |}(" + both + ")" : "(" + both + ")";
        }
        return switch (unused()) {
            case 0 -> "weight {" + one("<|<=", ">|>=", "<=|<", ">=|>", "<|>", "=|<>", "<>|=") + "} "
                    + one("10", "2.5", "amount");
            case 1 -> "amount {BETWEEN|NOT BETWEEN} 1 AND 5";
            case 2 -> "taxon_code {LIKE|NOT LIKE} 'A%'";
            case 3 -> "weight IS {|NOT }NULL";
            case 4 -> "amount {IN|NOT IN} (1, 2, 3)";
            case 5 -> "taken {<|>=} DATE '2026-03-01'";
            case 6 -> "{|NOT }(amount {<|<=} 7)";
            case 7 -> "taken {>|>=} current_date";
            case 8 -> "taxon_code {IS|IS NOT} NULL";
            case 9 -> "amount * 2 {>|<} accession_no + {1|2}";
            case 10 -> "{upper|lower}(taxon_code) = 'ABC'";
            default -> "5 {<|<=} amount";
        };
    }
}
