package entaxis.core.token;

import entaxis.core.token.Token.Kind;
import java.util.Optional;
import java.util.Set;

/** Constants as SQL writes them (ISO/IEC 9075-2, 5.3). */
public final class Literals {
    private static final Set<String> WORDS = Set.of("true", "false", "null");

    private Literals() { }

    /** Whether a text is a constant: a number, a text, bytes, bits, TRUE, FALSE or NULL. */
    public static boolean isConstant(String text) {
        SqlText sql = SqlText.of(text);
        boolean signed = sql.is(0, "-") || sql.is(0, "+");
        boolean word = sql.size() == 1 && WORDS.stream().anyMatch(name -> sql.is(0, name));
        return word || sql.size() == 1 && sql.isString(0)
                || sql.size() == (signed ? 2 : 1) && isNumber(sql.at(signed ? 1 : 0));
    }

    /** Whether a token is a number as 5.3 has it: digits with a point among them or not, and perhaps an exponent. */
    private static boolean isNumber(Token token) {
        if (token.kind() != Kind.NUMBER) {
            return false;
        }
        String text = token.text();
        int end = behindDigits(text, 0);
        int fraction = end < text.length() && text.charAt(end) == '.' ? behindDigits(text, end + 1) : end;
        if (fraction == text.length() || (text.charAt(fraction) | ' ') != 'e') {
            return fraction == text.length();
        }
        boolean signed = fraction + 1 < text.length()
                && (text.charAt(fraction + 1) == '-' || text.charAt(fraction + 1) == '+');
        int exponent = fraction + (signed ? 2 : 1);
        return exponent < text.length() && behindDigits(text, exponent) == text.length();
    }

    private static int behindDigits(String text, int from) {
        int at = from;
        while (at < text.length() && text.charAt(at) >= '0' && text.charAt(at) <= '9') {
            at++;
        }
        return at;
    }

    /** The number that a text in quotes spells, without them; nothing if it spells none. */
    public static Optional<String> number(String text) {
        SqlText sql = SqlText.of(text);
        String inside = sql.size() == 1 && sql.isString(0) && sql.at(0).mark().isEmpty() ? sql.at(0).string() : "";
        String digits = inside.startsWith("-") ? inside.substring(1) : inside;
        boolean plain = digits.chars().allMatch(c -> c >= '0' && c <= '9' || c == '.')
                && digits.indexOf('.') == digits.lastIndexOf('.') && !digits.startsWith(".") && !digits.endsWith(".");
        return plain && !digits.isEmpty() ? Optional.of(inside) : Optional.empty();
    }
}
