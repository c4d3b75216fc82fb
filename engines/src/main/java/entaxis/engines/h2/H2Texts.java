package entaxis.engines.h2;

import entaxis.core.sql.TextLiterals;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The texts of H2's catalog, in which signs beyond ASCII stand as their numbers (H2 manual, Grammar, “Unicode String”
 * and “Quoted Name”).
 */
final class H2Texts {
    private static final Pattern NUMBER = Pattern.compile("\\\\(?:\\+([0-9a-fA-F]{6})|([0-9a-fA-F]{4})|\\\\)");

    private H2Texts() { }

    /**
     * A condition or expression with those signs as themselves; texts and names that only look so are left alone.
     * Linear.
     */
    static String plain(String text) {
        if (!text.contains("U&")) {
            return text;
        }
        StringBuilder whole = new StringBuilder(text.length());
        for (int i = 0; i < text.length();) {
            boolean marked = text.startsWith("U&'", i) || text.startsWith("U&\"", i);
            int quote = marked ? i + 2 : i;
            char c = text.charAt(quote);
            int end = c == '\'' || c == '"' ? Math.min(text.length(), TextLiterals.closing(text, quote)) : i + 1;
            String run = text.substring(quote, end);
            whole.append(!marked ? text.substring(i, end)
                    : NUMBER.matcher(run)
                            .replaceAll(number -> Matcher.quoteReplacement(sign(number.group(1), number.group(2)))));
            i = end;
        }
        return whole.toString();
    }

    private static String sign(String six, String four) {
        return six == null && four == null ? "\\" : Character.toString(Integer.parseInt(six == null ? four : six, 16));
    }
}
