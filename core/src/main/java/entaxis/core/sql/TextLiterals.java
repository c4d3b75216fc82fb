package entaxis.core.sql;

import java.util.function.UnaryOperator;

/**
 * The texts in an expression. A schema holds them as ISO SQL writes them, whatever its engine: in single quotes, in
 * which only a quote is doubled (ISO/IEC 9075-2, 5.3). What
 * an engine gives otherwise is turned into that when it is read, and into the engine's own when it is written, so that
 * a text means the same in every engine.
 */
public final class TextLiterals {
    private static final String NAME_QUOTES = "`\"";

    private TextLiterals() { }

    /**
     * The expression with each of its texts rewritten; names in double quotes, brackets after them and all else
     * stay. Linear.
     */
    public static String respelled(String expression, UnaryOperator<String> literal) {
        StringBuilder whole = new StringBuilder(expression.length() + 8);
        for (int i = 0; i < expression.length();) {
            char c = expression.charAt(i);
            int end = c == '\'' || NAME_QUOTES.indexOf(c) >= 0 ? closing(expression, i) : i + 1;
            boolean text = c == '\'' && end <= expression.length() && end - i >= 2;
            if (text) {
                String spelled = literal.apply(expression.substring(i + 1, end - 1).replace("''", "'"));
                boolean marked = i > 0 && Character.isLetterOrDigit(expression.charAt(i - 1));
                whole.append(marked && !spelled.startsWith("'") ? spelled.substring(spelled.indexOf('\'')) : spelled);
            } else {
                whole.append(expression, i, Math.min(end, expression.length()));
            }
            i = Math.min(end, expression.length());
        }
        return whole.toString();
    }

    /** The place behind the quote that closes the run that begins here; beyond the end where none does. */
    public static int closing(String text, int from) {
        char quote = text.charAt(from);
        for (int i = from + 1; i < text.length(); i++) {
            if (text.charAt(i) == quote) {
                if (i + 1 == text.length() || text.charAt(i + 1) != quote) {
                    return i + 1;
                }
                i++;
            }
        }
        return text.length() + 1;
    }

    /**
     * An expression of MySQL or MariaDB, in whose texts backslashes escape, with its texts as ISO SQL writes them
     * (MySQL manual, “String Literals”). Linear.
     */
    public static String ofMySql(String expression) {
        if (expression.indexOf('\\') < 0 && expression.indexOf('"') < 0) {
            return expression;
        }
        StringBuilder whole = new StringBuilder(expression.length());
        for (int i = 0; i < expression.length();) {
            char c = expression.charAt(i);
            if (c == '`') {
                int end = Math.min(expression.length(), closing(expression, i));
                whole.append(expression, i, end);
                i = end;
            } else if (c == '\'' || c == '"') {
                StringBuilder inside = new StringBuilder();
                i = inside(expression, i, inside);
                whole.append(Dialect.quotedText(inside.toString()));
            } else {
                whole.append(c);
                i++;
            }
        }
        return whole.toString();
    }

    private static int inside(String expression, int from, StringBuilder inside) {
        char quote = expression.charAt(from);
        int i = from + 1;
        while (i < expression.length()) {
            char c = expression.charAt(i++);
            if (c == '\\' && i < expression.length()) {
                inside.append(escapedInMySql(expression.charAt(i++)));
            } else if (c != quote) {
                inside.append(c);
            } else if (i < expression.length() && expression.charAt(i) == quote) {
                inside.append(c);
                i++;
            } else {
                return i;
            }
        }
        return i;
    }

    /**
     * What a sign behind a backslash stands for; before those that patterns know, the backslash stays (MySQL manual,
     * “String Literals”, Table 11.1).
     */
    public static String escapedInMySql(char sign) {
        return switch (sign) {
            case 'n' -> "\n";
            case 't' -> "\t";
            case 'r' -> "\r";
            case '0' -> "\0";
            case 'b' -> "\b";
            case 'Z' -> "\u001A";
            case '%' -> "\\%";
            case '_' -> "\\_";
            default -> String.valueOf(sign);
        };
    }
}
