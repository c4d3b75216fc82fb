package entaxis.core.token;

import entaxis.core.token.Token.Kind;
import java.math.BigDecimal;
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

    /** Whether a token that begins with a digit is a number, perhaps with an exponent. */
    private static boolean isNumber(Token token) {
        try {
            return token.kind() == Kind.NUMBER && new BigDecimal(token.text()).signum() >= 0;
        } catch (NumberFormatException e) {
            return false;
        }
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
