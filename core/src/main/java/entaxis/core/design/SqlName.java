package entaxis.core.design;

import java.util.Locale;
import java.util.regex.Pattern;

/** How the name of an element becomes the name of a table or column. */
public final class SqlName {
    private static final String SEPARATORS = " \t\n\u000b\f\r-/‐–—";

    private static final Pattern PLAIN = Pattern.compile("[a-z_][a-z0-9_]*");

    private SqlName() { }

    /**
     * Lower case, with an underscore for each run of white space, hyphens or slashes; every other character stays, to
     * be quoted where SQL asks for it.
     */
    public static String of(String name) {
        if (plain(name)) {
            return name;
        }
        String text = name.strip().toLowerCase(Locale.ROOT);
        StringBuilder written = new StringBuilder(text.length());
        boolean separated = false;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            boolean separator = !(c >= 'a' && c <= 'z') && SEPARATORS.indexOf(c) >= 0;
            if (!separator) {
                written.append(c);
            } else if (!separated) {
                written.append('_');
            }
            separated = separator;
        }
        return written.toString();
    }

    /** A column's name as an expression holds it: in quotes only where it needs them (ISO/IEC 9075-2, 5.4). */
    public static String quoted(String column) {
        return PLAIN.matcher(column).matches() ? column : "\"" + column.replace("\"", "\"\"") + "\"";
    }

    /** Whether a name is written already as most are: this is asked for every column at every edit. */
    private static boolean plain(String name) {
        for (int i = 0; i < name.length(); i++) {
            char c = name.charAt(i);
            if (!(c >= 'a' && c <= 'z' || c == '_' || c >= '0' && c <= '9')) {
                return false;
            }
        }
        return true;
    }
}
