package entaxis.web.review;

import entaxis.core.review.About;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The lines of a script on which tables and their columns are defined. */
public final class ScriptPlaces {
    private static final Pattern TABLE = Pattern.compile(
            "(?i)^\\s*create\\s+(?:[a-z]+\\s+){0,"
                    + "3}table\\s+(?:if\\s+not\\s+exists\\s+)?(?:[\"`\\[]?[\\w$]+[\"`\\]]?\\s*\\.\\s*)*"
            + "[\"`\\[]?([\\w$ -]+?)[\"`\\]]?\\s*(?:\\(|as\\b|$)");
    private static final Pattern COLUMN = Pattern.compile("^\\s*[\"`\\[]?([\\w$]+)[\"`\\]]?\\s+\\S");
    private final Map<String, Integer> lines = new HashMap<>();

    /** The places in a script; linear in its lines. */
    public ScriptPlaces(String script) {
        List<String> all = script.lines().toList();
        String table = "";
        for (int i = 0; i < all.size(); i++) {
            Matcher begins = TABLE.matcher(all.get(i));
            Matcher column = COLUMN.matcher(all.get(i));
            if (begins.find()) {
                table = begins.group(1).strip().toLowerCase(Locale.ROOT);
                lines.putIfAbsent(table, i + 1);
            } else if (!table.isEmpty() && column.find()) {
                lines.putIfAbsent(table + "." + column.group(1).toLowerCase(Locale.ROOT), i + 1);
            }
            if (all.get(i).strip().endsWith(";")) {
                table = "";
            }
        }
    }

    /** The line of a column, or of the table that it or a relationship belongs to; none if it is not found. */
    public OptionalInt line(About about) {
        String name = about.name().toLowerCase(Locale.ROOT);
        String table = name.replaceFirst("[. ].*", "");
        Integer line = lines.getOrDefault(name,
                lines.get(about.kind() == About.Kind.RELATIONSHIP ? name.replaceFirst(".* ", "") : table));
        return line == null ? OptionalInt.empty() : OptionalInt.of(line);
    }
}
