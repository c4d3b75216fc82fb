package entaxis.engines.catalog;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The texts of H2's catalog, in which signs beyond ASCII stand as their numbers (H2 manual, Grammar, “Unicode String” and “Quoted Name”). */
final class H2Texts {
    private static final Pattern UNICODE = Pattern.compile("U&('(?:[^']|'')*'|\"(?:[^\"]|\"\")*\")");
    private static final Pattern NUMBER = Pattern.compile("\\\\(?:\\+([0-9a-fA-F]{6})|([0-9a-fA-F]{4})|\\\\)");

    private H2Texts() { }

    /** A condition or expression with those signs as themselves. Linear. */
    static String plain(String text) {
        return !text.contains("U&") ? text : UNICODE.matcher(text).replaceAll(found -> Matcher.quoteReplacement(NUMBER.matcher(found.group(1)).replaceAll(number -> Matcher.quoteReplacement(sign(number.group(1), number.group(2))))));
    }

    private static String sign(String six, String four) {
        return six == null && four == null ? "\\" : Character.toString(Integer.parseInt(six == null ? four : six, 16));
    }
}
