package entaxis.core.token;

import entaxis.core.token.Token.Kind;
import java.util.ArrayList;
import java.util.List;

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
        Lexer lexer = new Lexer(text);
        List<Token> tokens = new ArrayList<>();
        while (lexer.at < text.length()) {
            tokens.add(lexer.next());
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
            skipWhile(Lexer::isWordPart);
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
