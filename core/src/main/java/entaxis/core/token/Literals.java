package entaxis.core.token;

import entaxis.core.token.Token.Kind;
import java.util.Optional;
import java.util.Set;

/** Constants as SQL writes them (ISO/IEC 9075-2, 5.3). */
public final class Literals {
    private static final Set<String> WORDS = Set.of("true", "false", "null");
    /** What stands before the quote of bytes and bits. */
    private static final Set<String> MARKS = Set.of("x", "b");

    private Literals() { }

    /** Whether a text is a constant: a number, a text, bytes, bits, TRUE, FALSE or NULL. */
    public static boolean isConstant(String text) {
        SqlText sql = SqlText.of(text);
        boolean signed = sql.is(0, "-") || sql.is(0, "+");
        boolean marked = sql.size() == 2 && sql.isString(1) && MARKS.stream().anyMatch(mark -> sql.is(0, mark));
        boolean word = sql.size() == 1 && WORDS.stream().anyMatch(name -> sql.is(0, name));
        return marked || word || sql.size() == 1 && sql.isString(0) || isNumber(sql, signed ? 1 : 0);
    }

    /** A number, perhaps with an exponent, which is a word of its own here. */
    private static boolean isNumber(SqlText text, int at) {
        if (text.at(at).kind() != Kind.NUMBER) {
            return false;
        }
        String exponent = text.at(at + 1).text();
        boolean hasExponent = !exponent.isEmpty() && (exponent.charAt(0) | ' ') == 'e'
                && exponent.chars().skip(1).allMatch(c -> c >= '0' && c <= '9');
        boolean signed = hasExponent && exponent.length() == 1 && (text.is(at + 2, "-") || text.is(at + 2, "+"));
        return text.size() == at + (signed ? 4 : hasExponent ? 2 : 1);
    }

    /** The number that a text in quotes spells, without them; nothing if it spells none. */
    public static Optional<String> number(String text) {
        SqlText sql = SqlText.of(text);
        String written = sql.size() == 1 && sql.isString(0) ? sql.at(0).text() : "''";
        String inside = written.substring(1, written.length() - 1);
        String digits = inside.startsWith("-") ? inside.substring(1) : inside;
        boolean plain = digits.chars().allMatch(c -> c >= '0' && c <= '9' || c == '.')
                && digits.indexOf('.') == digits.lastIndexOf('.') && !digits.startsWith(".") && !digits.endsWith(".");
        return plain && !digits.isEmpty() ? Optional.of(inside) : Optional.empty();
    }
}
