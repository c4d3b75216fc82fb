package entaxis.core.syntax;

import entaxis.core.statement.SyntaxError;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** The tokens of the statement that a {@link ScriptLexer} stands at, read one after the other. */
final class TokenCursor {
    private static final int MAX_SHOWN = 80;
    private final ScriptLexer lexer;
    private TokenizedStatement cut = new TokenizedStatement(new TokenArray());
    private final String text;
    private final ScriptSyntax syntax;
    private final LexicalRules lexical;
    private final boolean lower;
    private final NamePool names;
    private int at;
    private int limit;

    TokenCursor(ScriptLexer lexer, String text, ScriptSyntax syntax) {
        this.lexer = lexer;
        this.text = text;
        this.syntax = syntax;
        this.lexical = syntax.lexicalRules();
        this.lower = lexical.has(LexicalRule.NAMES_FOLD_DOWN);
        this.names = lexer.names();
    }

    /** Goes to the first token of a statement. */
    void read(TokenizedStatement statement) {
        cut = statement;
        at = 0;
        limit = statement.count;
    }

    /** The token that is a quote or comment without an end, which is the last one there is. */
    int broken() {
        return limit - 1;
    }

    boolean atEnd() {
        return at >= limit;
    }

    /** The token that it stands at. */
    int at() {
        return at;
    }

    /** Goes to a token. */
    void goTo(int token) {
        at = token;
    }

    /** Passes a token. */
    void advance() {
        at++;
    }

    /** Passes some tokens. */
    void advance(int tokens) {
        at += tokens;
    }

    /** Passes all tokens. */
    void toEnd() {
        at = limit;
    }

    /** Where the statement ends: behind its last token. */
    int limit() {
        return limit;
    }

    /** Lets the statement end at a token. */
    void limitTo(int token) {
        limit = token;
    }

    /** Where the token that it stands at begins in the script. */
    int place() {
        return offset(at);
    }

    byte kind(int token) {
        return token < limit ? cut.kind(token) : TokenizedStatement.END;
    }

    Keyword word() {
        return word(at);
    }

    Keyword word(int token) {
        return token < limit ? cut.word(token) : Keyword.NONE;
    }

    /** The word so many tokens further on. */
    Keyword ahead(int tokens) {
        return word(at + tokens);
    }

    boolean is(Keyword word) {
        return at < limit && cut.word(at) == word;
    }

    boolean is(Keyword first, Keyword second) {
        return is(first) && word(at + 1) == second;
    }

    boolean accept(Keyword word) {
        if (at < limit && cut.word(at) == word) {
            at++;
            return true;
        }
        return false;
    }

    boolean accept(Keyword first, Keyword second) {
        if (is(first, second)) {
            at += 2;
            return true;
        }
        return false;
    }

    boolean accept(Keyword first, Keyword second, Keyword third) {
        if (is(first, second) && word(at + 2) == third) {
            at += 3;
            return true;
        }
        return false;
    }

    void expect(Keyword word) {
        if (!accept(word)) {
            throw unreadable(word.name() + " is expected here");
        }
    }

    /** Whether the token at a place is this sign. */
    boolean sign(int token, char c) {
        return token < limit && cut.is(token, c);
    }

    boolean sign(char c) {
        return sign(at, c);
    }

    boolean acceptSign(char c) {
        if (sign(at, c)) {
            at++;
            return true;
        }
        return false;
    }

    void expectSign(char c) {
        if (!acceptSign(c)) {
            throw unreadable("“" + c + "” is expected here");
        }
    }

    /**
     * Whether the token at a place is a word that reads so, in any case of letters; for words too rare to be a {@link
     * Keyword}.
     */
    boolean reads(int token, String word) {
        if (token >= limit || cut.kind(token) != TokenizedStatement.WORD
                || cut.to(token) - cut.from(token) != word.length()) {
            return false;
        }
        for (int i = 0; i < word.length(); i++) {
            if (Character.toUpperCase(text.charAt(cut.from(token) + i)) != word.charAt(i)) {
                return false;
            }
        }
        return true;
    }

    boolean reads(String word) {
        return reads(at, word);
    }

    boolean acceptReading(String word) {
        if (reads(at, word)) {
            at++;
            return true;
        }
        return false;
    }

    /** Whether a name can stand at a place. */
    boolean isName(int token) {
        byte kind = kind(token);
        return kind == TokenizedStatement.WORD || kind == TokenizedStatement.NAME
                || kind == TokenizedStatement.STRING
                        && (text.charAt(cut.from(token)) == '"' || lexical.has(LexicalRule.TEXTS_AS_NAMES))
                || kind == TokenizedStatement.NUMBER && lexical.has(LexicalRule.DIGITS_BEGIN_NAMES)
                        && !sign(token - 1, '-')
                        && Character.isLetter(text.charAt(cut.to(token) - 1));
    }

    /** The name that stands here, as the engine holds it; passes it. */
    String name() {
        if (!isName(at)) {
            throw unreadable(atEnd() ? "a name is expected, but the statement ends" : "a name is expected here");
        }
        return nameAt(at++);
    }

    /** The name at a place, which is given to something here rather than known before. */
    String newNameAt(int token) {
        return cut.kind(token) == TokenizedStatement.WORD
                ? names.given(text, cut.from(token), cut.to(token), cut.sum(token)) : nameAt(token);
    }

    /** The name at a place. */
    String nameAt(int token) {
        int from = cut.from(token);
        int to = cut.to(token);
        byte kind = cut.kind(token);
        if (kind == TokenizedStatement.WORD) {
            return names.at(text, from, to, cut.sum(token));
        }
        if (kind == TokenizedStatement.NUMBER) {
            String name = text.substring(from, to);
            return lower ? NamePool.folded(name) : name;
        }
        char close = text.charAt(to - 1);
        String inside = text.substring(from + 1, to - 1);
        String name = inside.indexOf(close) < 0 ? inside : inside.replace("" + close + close, "" + close);
        return lower ? NamePool.cut(name) : name;
    }

    /** Whether the token is a name in quotes. */
    boolean quoted(int token) {
        return kind(token) == TokenizedStatement.NAME;
    }

    /** Names in brackets, with commas between. */
    List<String> names() {
        expectSign('(');
        List<String> names = new ArrayList<>(2);
        do {
            names.add(name());
        } while (acceptSign(','));
        expectSign(')');
        return names;
    }

    /** The text of a quoted literal, passed; escapes are undone. */
    String string() {
        if (kind(at) != TokenizedStatement.STRING) {
            throw unreadable("a text in quotes is expected here");
        }
        return stringAt(at++);
    }

    String stringAt(int token) {
        int from = cut.from(token);
        int to = cut.to(token);
        if (text.charAt(from) == '$') {
            int tag = from + 1;
            while (text.charAt(tag) != '$') {
                tag++;
            }
            int length = tag + 1 - from;
            return text.substring(from + length, Math.max(from + length, to - length));
        }
        int quote = from;
        while (text.charAt(quote) != '\'' && text.charAt(quote) != '"') {
            quote++;
        }
        if (lexical.has(LexicalRule.CHOSEN_QUOTES) && quote > from && (text.charAt(quote - 1) & ~0x20) == 'Q'
                && to - quote >= 4) {
            return text.substring(quote + 2, to - 2);
        }
        char close = text.charAt(quote);
        boolean escapes = lexer.escapes() || quote > from && (text.charAt(quote - 1) & ~0x20) == 'E';
        String inside = text.substring(quote + 1, Math.max(quote + 1, to - 1));
        if (inside.indexOf(close) >= 0) {
            inside = inside.replace("" + close + close, "" + close);
        }
        return escapes && inside.indexOf('\\') >= 0 ? syntax.unescaped(inside) : inside;
    }

    /** Passes a bracketed run; the cursor stands before its opening bracket. */
    void skipRound() {
        skip('(', ')');
    }

    /** The same in square brackets. */
    void skipSquare() {
        skip('[', ']');
    }

    private void skip(char opening, char closing) {
        int open = at;
        int depth = 0;
        do {
            if (sign(at, opening)) {
                depth++;
            } else if (sign(at, closing)) {
                depth--;
            }
            at++;
            if (at > limit) {
                at = open;
                throw unreadable("the bracket that opens here is not closed");
            }
        } while (depth > 0);
    }

    /**
     * The text from one token to another, as written, with comments left out and white space drawn together; {@code to}
     * is not part of it.
     */
    String text(int from, int to) {
        if (from >= to) {
            return "";
        }
        boolean tidy = !markedTexts(from, to);
        for (int i = cut.from(from); tidy && i + 1 < cut.to(to - 1); i++) {
            char c = text.charAt(i);
            tidy = c != '\n' && c != '\r' && c != '\t' && !(c == ' ' && text.charAt(i + 1) == ' ')
                    && !(c == '-' && text.charAt(i + 1) == '-') && !(c == '/' && text.charAt(i + 1) == '*')
                    && !(c == '*' && text.charAt(i + 1) == '/') && c != '#';
        }
        if (tidy) {
            return text.substring(cut.from(from), cut.to(to - 1));
        }
        StringBuilder words = new StringBuilder();
        for (int i = from; i < to; i++) {
            if (i > from && cut.from(i) > cut.to(i - 1)) {
                words.append(' ');
            }
            if (markedText(i)) {
                words.append(introducer(i)).append('\'').append(stringAt(i).replace("'", "''")).append('\'');
            } else {
                words.append(text, cut.from(i), cut.to(i));
            }
        }
        return words.toString();
    }

    /** What stands before the quote of a text of MySQL and says which characters it is made of. */
    private String introducer(int token) {
        int quote = cut.from(token);
        while (lexical.has(LexicalRule.TEXT_INTRODUCERS) && text.charAt(quote) != '\'' && text.charAt(quote) != '"') {
            quote++;
        }
        return text.substring(cut.from(token), quote);
    }

    private boolean markedTexts(int from, int to) {
        boolean marked = false;
        for (int i = from; i < to && !marked; i++) {
            marked = markedText(i);
        }
        return marked;
    }

    /**
     * A text that only this engine writes so: between dollars, with escapes, in Oracle's quotes. What it says can be
     * written in plain quotes too.
     */
    private boolean markedText(int token) {
        return cut.kind(token) == TokenizedStatement.STRING
                && syntax.isMarked(text, cut.from(token), cut.to(token), lexer.escapes());
    }

    /** The text from one token to another just as it stands, comments and lines included. */
    String verbatim(int from, int to) {
        if (from >= to) {
            return "";
        }
        String whole = text.substring(cut.from(from), cut.to(to - 1));
        return lexical.has(LexicalRule.VERSION_COMMENTS) && whole.contains("*/") ? withoutVersions(from, to) : whole;
    }

    /**
     * The same without the marks of comments that the server runs, which belong to the dump and not to the statement
     * (MySQL manual, “Comments”).
     */
    private String withoutVersions(int from, int to) {
        StringBuilder plain = new StringBuilder();
        for (int i = from; i < to; i++) {
            if (i > from) {
                VersionComments.append(plain, text, cut.to(i - 1), cut.from(i));
            }
            plain.append(text, cut.from(i), cut.to(i));
        }
        return plain.toString();
    }

    /** A condition or expression in round brackets, without them; passes both. */
    String inRound() {
        int open = at;
        if (!sign('(')) {
            throw unreadable("a bracket is expected here");
        }
        skipRound();
        return text(open + 1, at - 1);
    }

    /** Where a token begins in the script; behind the last one, where the statement ends. */
    int offset(int token) {
        return token < limit ? cut.from(token) : limit > 0 ? cut.to(limit - 1) : cut.start;
    }

    /** What follows from a token on in its line, to show where reading stopped. */
    String excerpt(int token) {
        if (token >= limit) {
            return limit == 0 ? "" : verbatim(limit - 1, limit);
        }
        int from = cut.from(token);
        int to = Math.min(cut.to(limit - 1), from + MAX_SHOWN);
        return text.substring(from, to).lines().findFirst().orElse("").strip();
    }

    /** Whether the next statement begins here, where none needs a sign between (Transact-SQL Reference). */
    boolean startsStatement() {
        return switch (word()) {
            case CREATE, ALTER, DROP, INSERT, EXEC, EXECUTE, IF, SET, USE, PRINT, DECLARE, GRANT, COMMIT, END, SELECT,
                    UPDATE, DELETE, BEGIN -> true;
            default -> false;
        };
    }

    /** The word at a place in capital letters; empty where none stands. */
    String capitals(int token) {
        return kind(token) == TokenizedStatement.WORD ? text(token, token + 1).toUpperCase(Locale.ROOT) : "";
    }

    /** Passes whatever stands before the comma or bracket that ends an element of a list. */
    void skipElement() {
        while (!atEnd() && !sign(',') && !sign(')')) {
            skipToken();
        }
    }

    /** Passes a token, or all that stands in the brackets that open here. */
    void skipToken() {
        if (sign('(')) {
            skipRound();
        } else {
            advance();
        }
    }

    SyntaxException unreadable(String reason) {
        return unreadable(Math.min(at, limit), reason);
    }

    SyntaxException unreadable(int token, String reason) {
        return new SyntaxException(token, new SyntaxError(offset(token), excerpt(token), reason));
    }
}
