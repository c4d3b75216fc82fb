package entaxis.core.token;

import static entaxis.core.token.LexicalRules.CAPITAL;
import static entaxis.core.token.LexicalRules.DIGIT;
import static entaxis.core.token.LexicalRules.INSIDE_WORD;
import static entaxis.core.token.LexicalRules.LETTER;

import entaxis.core.token.Token.Kind;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;

/**
 * Cuts SQL text into tokens (ISO/IEC 9075-2, 5.2) by an engine's lexical rules. Every sign is looked at a bounded
 * number of times, so it runs in linear time whatever it is given. It never fails: what is not closed becomes {@link
 * Kind#UNCLOSED}.
 */
public final class Lexer {
    private final String text;
    private final LexicalRules rules;
    private final boolean dollarTexts;
    private int at;
    private boolean backslash;
    private boolean doubleIsText;
    /** What ends statements also where it stands inside a word; empty if nothing does. */
    private String delimiter = "";
    /** How many comments have been entered whose inside the server runs. */
    private int entered;

    /** A lexer at the beginning of a text. */
    public Lexer(String text, LexicalRules rules) {
        this.text = text;
        this.rules = rules;
        this.backslash = rules.has(LexicalRule.BACKSLASH_ESCAPES);
        this.doubleIsText = rules.has(LexicalRule.DOUBLE_QUOTED_TEXTS);
        this.dollarTexts = rules.has(LexicalRule.DOLLAR_TEXTS);
    }

    /** The tokens of a text in order, without white space and comments, by the rules of the standard. */
    public static List<Token> tokens(String text) {
        return tokens(text, LexicalRules.STANDARD);
    }

    /** The same by the rules of an engine. */
    public static List<Token> tokens(String text, LexicalRules rules) {
        return pieces(text, rules, piece -> false).stream().filter(Token::matters).toList();
    }

    /** The same with white space and comments; their texts joined are the input again. */
    public static List<Token> pieces(String text) {
        return pieces(text, piece -> false);
    }

    /** The same up to the first one that is the last to be asked for; what is behind it is not looked at. */
    public static List<Token> pieces(String text, Predicate<Token> last) {
        return pieces(text, LexicalRules.STANDARD, last);
    }

    private static List<Token> pieces(String text, LexicalRules rules, Predicate<Token> last) {
        Lexer lexer = new Lexer(text, rules);
        Tokens row = Tokens.ofSnippet("");
        List<Token> pieces = new ArrayList<>();
        boolean more = true;
        while (more && !lexer.atEnd()) {
            Token piece = lexer.piece(row);
            pieces.add(piece);
            more = !last.test(piece);
        }
        return List.copyOf(pieces);
    }

    /** The tokens of a text in a row, with its comments among them or not. */
    static Tokens row(String text, LexicalRules rules, boolean comments) {
        Lexer lexer = new Lexer(text, rules);
        Tokens row = Tokens.ofSnippet(text);
        while (!lexer.atEnd()) {
            int begin = lexer.at;
            if (lexer.passSpace()) {
                continue;
            }
            if (!lexer.comment(row)) {
                lexer.token(row);
            } else if (comments && !row.unclosed()) {
                row.add(Kind.COMMENT, begin, lexer.at);
            }
        }
        return row;
    }

    private Token piece(Tokens row) {
        row.clear();
        int begin = at;
        boolean space = passSpace();
        boolean comment = !space && comment(row);
        if (!space && !comment) {
            token(row);
        }
        return Token.of(space ? Kind.SPACE : comment && !row.unclosed() ? Kind.COMMENT : row.kind(0), text, begin, at);
    }

    /**
     * Makes backslashes escape in texts, or not: PostgreSQL manual, standard_conforming_strings; MySQL manual,
     * NO_BACKSLASH_ESCAPES.
     */
    public void backslashEscapes(boolean now) {
        backslash = now;
    }

    /** Whether backslashes escape in texts at present. */
    public boolean escapes() {
        return backslash;
    }

    /** Makes double quotes stand around names: MySQL manual, ANSI_QUOTES. */
    public void doubleQuotesName() {
        doubleIsText = false;
    }

    /**
     * Lets words end where what ends statements begins, as in {@code END$$} (MySQL manual, “Defining Stored Programs”).
     */
    public void endWordsAt(String sign) {
        delimiter = sign;
    }

    /** Where it stands in the text. */
    public int position() {
        return at;
    }

    /** Goes to a place of the text. */
    public void goTo(int place) {
        at = place;
    }

    /** Whether the whole text has been cut. */
    public boolean atEnd() {
        return at >= text.length();
    }

    /** The sign that it stands at. */
    public char sign() {
        return text.charAt(at);
    }

    /** Passes the white space that begins here, if any does. */
    public boolean passSpace() {
        int i = at;
        while (i < text.length() && isSpace(text.charAt(i))) {
            i++;
        }
        boolean passed = i > at;
        at = i;
        return passed;
    }

    private static boolean isSpace(char c) {
        return c <= ' ' || c >= 128 && Character.isWhitespace(c);
    }

    /** Goes to the end of the line. */
    public void toLineEnd() {
        while (at < text.length() && text.charAt(at) != '\n') {
            at++;
        }
    }

    /**
     * Passes the comment that begins here, if any does. Comments of MySQL that its server runs are entered rather than
     * passed (MySQL manual, “Comments”).
     */
    public boolean comment(Tokens into) {
        char c = text.charAt(at);
        char second = at + 1 < text.length() ? text.charAt(at + 1) : 0;
        if (c == '-' && second == '-') {
            if (rules.has(LexicalRule.STRICT_DASHES) && at + 2 < text.length() && text.charAt(at + 2) > ' ') {
                return false;
            }
            toLineEnd();
            return true;
        }
        if (c == '#' && rules.has(LexicalRule.HASH_COMMENTS)) {
            toLineEnd();
            return true;
        }
        if (c == '*' && second == '/' && entered > 0) {
            entered--;
            at += 2;
            return true;
        }
        if (c != '/' || second != '*') {
            return false;
        }
        if (rules.has(LexicalRule.VERSION_COMMENTS) && entersComment()) {
            return true;
        }
        int end = DelimitedText.commentEnd(text, at, rules.has(LexicalRule.NESTED_COMMENTS));
        if (end < 0) {
            unclosed(into, at);
        } else {
            at = end;
        }
        return true;
    }

    private boolean entersComment() {
        int body = VersionComment.body(text, at, rules.has(LexicalRule.FAMILY_VERSION_COMMENTS));
        if (body < 0) {
            return false;
        }
        entered++;
        at = body;
        return true;
    }

    /** Cuts the token that begins here, which is neither white space nor a comment. */
    public void token(Tokens into) {
        int from = at;
        char c = text.charAt(at);
        int kind = rules.kindOf(c) & ~CAPITAL;
        if (kind == LETTER) {
            word(into, from);
        } else if (kind == DIGIT
                || c == '.' && at + 1 < text.length() && text.charAt(at + 1) >= '0' && text.charAt(at + 1) <= '9') {
            number(into, from);
        } else if (c == '\'') {
            quoted(into, from, '\'', Kind.STRING, backslash);
        } else if (c == '"') {
            quoted(into, from, '"', doubleIsText ? Kind.STRING : Kind.QUOTED_NAME, doubleIsText && backslash);
        } else if (c == '`' && rules.has(LexicalRule.BACKTICKED_NAMES)) {
            quoted(into, from, '`', Kind.QUOTED_NAME, false);
        } else if (c == '[' && rules.has(LexicalRule.BRACKETED_NAMES)) {
            quoted(into, from, ']', Kind.QUOTED_NAME, false);
        } else if (!(dollarTexts && (c == '$' && dollarText(into, from) || c == '@' && placeholder(into, from)))) {
            symbol(into);
        }
    }

    /** Takes the sign that stands here as a token of its own. */
    public void symbol(Tokens into) {
        into.add(Kind.SYMBOL, Keyword.NONE, at, at + 1, text.charAt(at));
        at++;
    }

    /**
     * A name still to be filled in, such as that of an extension's schema: {@code @extschema@} (PostgreSQL manual,
     * Packaging Related Objects into an Extension).
     */
    private boolean placeholder(Tokens into, int from) {
        int i = from + 1;
        while (i < text.length() && ((rules.kindOf(text.charAt(i)) & (LETTER | DIGIT)) != 0
                || text.charAt(i) == ':' && i > from + 1)) {
            i++;
        }
        if (i == from + 1 || i >= text.length() || text.charAt(i) != '@') {
            return false;
        }
        at = i + 1;
        into.add(Kind.WORD, from, at);
        return true;
    }

    private void word(Tokens into, int from) {
        int sum = 0;
        int kinds = 0;
        int i = from;
        int last = text.length();
        char stop = delimiter.isEmpty() ? '\0' : delimiter.charAt(0);
        byte[] signs = rules.signs();
        while (i < last) {
            char c = text.charAt(i);
            if (c == stop && i > from && text.startsWith(delimiter, i)) {
                break;
            }
            byte kind = c < 128 ? signs[c] : rules.kindOf(c);
            if ((kind & (LETTER | DIGIT | INSIDE_WORD)) == 0) {
                break;
            }
            kinds |= kind;
            sum = c < 128 ? Keyword.added(sum, c) : sum * 31 + c;
            i++;
        }
        at = i;
        if (i < text.length() && text.charAt(i) == '\'' && i - from <= 2 && marked(into, from, i)) {
            return;
        }
        // no word of SQL that is known here has a digit in it
        Keyword word = (kinds & DIGIT) != 0 ? Keyword.NONE : Keyword.at(text, from, i, sum);
        into.add(Kind.WORD, word, from, i, sum << 1 | kinds / CAPITAL & 1);
    }

    /** A text marked by letters before its quote: {@code N'', E'', B'', X'', q'[]'}. */
    private boolean marked(Tokens into, int from, int quote) {
        char mark = Character.toLowerCase(text.charAt(quote - 1));
        char first = Character.toLowerCase(text.charAt(from));
        if (quote - from == 2 && !(first == 'n' && mark == 'q')) {
            return false;
        }
        if (mark == 'q' && rules.has(LexicalRule.CHOSEN_QUOTES)) {
            end(into, from, DelimitedText.chosenQuoteEnd(text, quote));
            return true;
        }
        if (quote - from == 2 || "nbxe".indexOf(mark) < 0) {
            return false;
        }
        at = quote;
        quoted(into, from, '\'', Kind.STRING, backslash || mark == 'e' && rules.has(LexicalRule.ESCAPE_TEXTS));
        return true;
    }

    /** Takes a text up to its end, if it has one. */
    private void end(Tokens into, int from, int end) {
        if (end < 0) {
            unclosed(into, from);
        } else {
            at = end;
            into.add(Kind.STRING, from, at);
        }
    }

    private void number(Tokens into, int from) {
        while (at < text.length()) {
            char c = text.charAt(at);
            boolean sign = (c == '+' || c == '-') && at > from && (text.charAt(at - 1) & ~0x20) == 'E'
                    && !(from + 1 < text.length() && (text.charAt(from + 1) & ~0x20) == 'X');
            if (c != '.' && !sign && (c >= 128 || (rules.kindOf(c) & (LETTER | DIGIT)) == 0)) {
                break;
            }
            at++;
        }
        into.add(Kind.NUMBER, from, at);
    }

    /** What stands in quotes from here on, in which a doubled quote stands for one; it begins at a mark before them. */
    private void quoted(Tokens into, int from, char close, Kind kind, boolean escapes) {
        int i = at + 1;
        while (i < text.length()) {
            char c = text.charAt(i++);
            if (c == '\\' && escapes) {
                i++;
            } else if (c == close) {
                if (i >= text.length() || text.charAt(i) != close) {
                    at = i;
                    into.add(kind, from, i);
                    return;
                }
                i++;
            }
        }
        unclosed(into, from);
    }

    private boolean dollarText(Tokens into, int from) {
        int tagEnd = from + 1;
        while (tagEnd < text.length() && (rules.kindOf(text.charAt(tagEnd)) & (LETTER | DIGIT)) != 0) {
            tagEnd++;
        }
        if (tagEnd >= text.length() || text.charAt(tagEnd) != '$') {
            return false;
        }
        end(into, from, DelimitedText.tagEnd(text, from, tagEnd));
        return true;
    }

    private void unclosed(Tokens into, int from) {
        at = text.length();
        into.addUnclosed(from, at);
    }
}
