package entaxis.core.token;

import entaxis.core.token.Token.Kind;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;

/**
 * Cuts SQL text into tokens (ISO/IEC 9075-2, 5.2). Runs in linear time and never fails: what is not closed becomes
 * {@link Kind#UNCLOSED}.
 */
public final class Lexer {
    private final String text;
    private int at;

    private Lexer(String text) {
        this.text = text;
    }

    /** All tokens in order, white space and comments included; their texts joined are the input again. */
    public static List<Token> tokens(String text) {
        return tokens(text, token -> false);
    }

    /** The tokens up to the first one that is the last to be asked for; what is behind it is not looked at. */
    public static List<Token> tokens(String text, Predicate<Token> last) {
        Lexer lexer = new Lexer(text);
        List<Token> tokens = new ArrayList<>();
        boolean more = true;
        while (more && lexer.at < text.length()) {
            Token token = lexer.next();
            tokens.add(token);
            more = !last.test(token);
        }
        return List.copyOf(tokens);
    }

    private Token next() {
        int start = at;
        char c = text.charAt(at);
        Kind kind;
        if (Character.isWhitespace(c)) {
            kind = Kind.SPACE;
            skipWhile(Character::isWhitespace);
        } else if (isWordStart(text.codePointAt(at))) {
            kind = Kind.WORD;
            skipWord();
        } else if (isDigit(c) || c == '.' && at + 1 < text.length() && isDigit(text.charAt(at + 1))) {
            kind = Kind.NUMBER;
            skipWhile(p -> isDigit(p) || p == '.');
        } else if (c == '\'') {
            kind = quoted('\'') ? Kind.STRING : Kind.UNCLOSED;
        } else if (c == '"') {
            kind = quoted('"') && at - start > 2 ? Kind.QUOTED_NAME : Kind.UNCLOSED;
        } else if (text.startsWith("--", at)) {
            kind = Kind.COMMENT;
            skipWhile(p -> p != '\n');
        } else if (text.startsWith("/*", at)) {
            int end = text.indexOf("*/", at + 2);
            at = end < 0 ? text.length() : end + 2;
            kind = end < 0 ? Kind.UNCLOSED : Kind.COMMENT;
        } else {
            kind = Kind.SYMBOL;
            at += Character.charCount(text.codePointAt(at));
        }
        return new Token(kind, text.substring(start, at), start);
    }

    /** Skips a quoted run in which a doubled quote stands for one; false when it is not closed. */
    private boolean quoted(char quote) {
        at++;
        while (at < text.length()) {
            if (text.charAt(at++) != quote) {
                continue;
            }
            if (at == text.length() || text.charAt(at) != quote) {
                return true;
            }
            at++;
        }
        return false;
    }

    private void skipWhile(java.util.function.IntPredicate holds) {
        while (at < text.length() && holds.test(text.codePointAt(at))) {
            at += Character.charCount(text.codePointAt(at));
        }
    }

    private void skipWord() {
        while (at < text.length()) {
            char c = text.charAt(at);
            boolean plain = c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z' || c == '_' || c >= '0' && c <= '9';
            if (!plain && !isWordPart(text.codePointAt(at))) {
                return;
            }
            at += plain ? 1 : Character.charCount(text.codePointAt(at));
        }
    }

    private static boolean isWordStart(int point) {
        return Character.isLetter(point) || point == '_';
    }

    private static boolean isWordPart(int point) {
        return Character.isLetterOrDigit(point) || point == '_' || point == '$'
                || Character.getType(point) == Character.NON_SPACING_MARK
                || Character.getType(point) == Character.COMBINING_SPACING_MARK;
    }

    private static boolean isDigit(int point) {
        return point >= '0' && point <= '9';
    }
}
