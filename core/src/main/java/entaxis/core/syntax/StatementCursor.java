package entaxis.core.syntax;

import entaxis.core.statement.SyntaxError;
import entaxis.core.token.Keyword;
import entaxis.core.token.LexicalRules;
import entaxis.core.token.LexicalRule;
import entaxis.core.token.Token.Kind;
import entaxis.core.token.TokenCursor;
import entaxis.core.token.Tokens;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Reads the tokens of one statement of a script, one after the other. */
final class StatementCursor extends TokenCursor {
    private static final int MAX_SHOWN = 80;
    private final StatementSplitter splitter;
    private final String text;
    private final ScriptSyntax syntax;
    private final LexicalRules lexical;
    private final boolean lower;
    private final NamePool names;
    private TokenizedStatement cut = new TokenizedStatement();

    StatementCursor(StatementSplitter splitter, String text, ScriptSyntax syntax) {
        super(text, new Tokens());
        this.splitter = splitter;
        this.text = text;
        this.syntax = syntax;
        this.lexical = syntax.lexicalRules();
        this.lower = lexical.has(LexicalRule.NAMES_FOLD_DOWN);
        this.names = splitter.names();
    }

    /** Goes to the first token of a statement. */
    void read(TokenizedStatement statement) {
        cut = statement;
        read(statement.tokens());
    }

    /** The token that is a quote or comment without an end, which is the last one there is. */
    int unclosed() {
        return limit() - 1;
    }

    /** Where the token that it stands at begins in the script. */
    int place() {
        return offset(at());
    }

    /** Passes the next token and gives its number. */
    private int nextToken() {
        advance();
        return at() - 1;
    }

    Keyword word() {
        return word(at());
    }

    Keyword word(int token) {
        return token < limit() ? tokens().word(token) : Keyword.NONE;
    }

    /** The word so many tokens further on. */
    Keyword ahead(int further) {
        return word(at() + further);
    }

    boolean is(Keyword word) {
        return is(at(), word);
    }

    boolean is(int token, Keyword word) {
        return token < limit() && tokens().is(token, word);
    }

    boolean is(Keyword first, Keyword second) {
        return is(first) && is(at() + 1, second);
    }

    boolean accept(Keyword word) {
        boolean found = is(word);
        if (found) {
            advance();
        }
        return found;
    }

    boolean accept(Keyword first, Keyword second) {
        boolean found = is(first, second);
        if (found) {
            advance(2);
        }
        return found;
    }

    boolean accept(Keyword first, Keyword second, Keyword third) {
        boolean found = is(first, second) && is(at() + 2, third);
        if (found) {
            advance(3);
        }
        return found;
    }

    void expect(Keyword word) {
        if (!accept(word)) {
            throw unreadable(word.name() + " is expected here");
        }
    }

    void expectSign(char c) {
        if (!acceptSign(c)) {
            throw unreadable("“" + c + "” is expected here");
        }
    }

    /** Whether a name can stand at a place. */
    boolean isName(int token) {
        Kind kind = kind(token);
        return kind == Kind.WORD || kind == Kind.QUOTED_NAME
                || kind == Kind.STRING
                        && (text.charAt(tokens().from(token)) == '"' || lexical.has(LexicalRule.TEXTS_AS_NAMES))
                || kind == Kind.NUMBER && lexical.has(LexicalRule.DIGITS_BEGIN_NAMES)
                        && !sign(token - 1, '-')
                        && Character.isLetter(text.charAt(tokens().to(token) - 1));
    }

    /** The name that stands here, as the engine holds it; passes it. */
    String name() {
        if (!isName(at())) {
            throw unreadable(atEnd() ? "a name is expected, but the statement ends" : "a name is expected here");
        }
        return nameAt(nextToken());
    }

    /** The name at a place, which is given to something here rather than known before. */
    String newNameAt(int token) {
        return tokens().kind(token) == Kind.WORD
                ? names.given(text, tokens().from(token), tokens().to(token), tokens().sum(token)) : nameAt(token);
    }

    /** The name at a place. */
    String nameAt(int token) {
        int from = tokens().from(token);
        int to = tokens().to(token);
        Kind kind = tokens().kind(token);
        if (kind == Kind.WORD) {
            return names.at(text, from, to, tokens().sum(token));
        }
        if (kind == Kind.NUMBER) {
            return unquoted(text.substring(from, to));
        }
        char close = text.charAt(to - 1);
        String inside = text.substring(from + 1, to - 1);
        String name = inside.indexOf(close) < 0 ? inside : inside.replace("" + close + close, "" + close);
        return lower ? NamePool.cut(name) : name;
    }

    /** A name without quotes, as the engine holds it. */
    String unquoted(String name) {
        return lower ? NamePool.folded(name) : name;
    }

    /** Whether the token is a name in quotes. */
    boolean quoted(int token) {
        return kind(token) == Kind.QUOTED_NAME;
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
        if (kind() != Kind.STRING) {
            throw unreadable("a text in quotes is expected here");
        }
        return stringAt(nextToken());
    }

    String stringAt(int token) {
        int from = tokens().from(token);
        int to = tokens().to(token);
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
        boolean escapes = splitter.lexer().escapes() || quote > from && (text.charAt(quote - 1) & ~0x20) == 'E';
        String inside = text.substring(quote + 1, Math.max(quote + 1, to - 1));
        if (inside.indexOf(close) >= 0) {
            inside = inside.replace("" + close + close, "" + close);
        }
        return escapes && inside.indexOf('\\') >= 0 ? syntax.unescaped(inside) : inside;
    }

    /** Passes what stands in brackets, with these; a single token where none opens. */
    void skipRound() {
        skip('(', ')');
    }

    /** The same in square brackets. */
    void skipSquare() {
        skip('[', ']');
    }

    private void skip(char opening, char closing) {
        int close = sign(opening) || atEnd() ? closing(opening, closing) : at();
        if (close < 0) {
            throw unreadable("the bracket that opens here is not closed");
        }
        goTo(close + 1);
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
        for (int i = tokens().from(from); tidy && i + 1 < tokens().to(to - 1); i++) {
            char c = text.charAt(i);
            tidy = c != '\n' && c != '\r' && c != '\t' && !(c == ' ' && text.charAt(i + 1) == ' ')
                    && !(c == '-' && text.charAt(i + 1) == '-') && !(c == '/' && text.charAt(i + 1) == '*')
                    && !(c == '*' && text.charAt(i + 1) == '/') && c != '#';
        }
        if (tidy) {
            return text.substring(tokens().from(from), tokens().to(to - 1));
        }
        StringBuilder words = new StringBuilder();
        for (int i = from; i < to; i++) {
            if (i > from && tokens().from(i) > tokens().to(i - 1)) {
                words.append(' ');
            }
            if (markedText(i)) {
                words.append(introducer(i)).append('\'').append(stringAt(i).replace("'", "''")).append('\'');
            } else {
                words.append(text, tokens().from(i), tokens().to(i));
            }
        }
        return words.toString();
    }

    /** What stands before the quote of a text of MySQL and says which characters it is made of. */
    private String introducer(int token) {
        int quote = tokens().from(token);
        while (lexical.has(LexicalRule.TEXT_INTRODUCERS) && text.charAt(quote) != '\'' && text.charAt(quote) != '"') {
            quote++;
        }
        return text.substring(tokens().from(token), quote);
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
        return tokens().kind(token) == Kind.STRING
                && syntax.isMarked(text, tokens().from(token), tokens().to(token), splitter.lexer().escapes());
    }

    /** The text from one token to another just as it stands, comments and lines included. */
    String verbatim(int from, int to) {
        if (from >= to) {
            return "";
        }
        String whole = text.substring(tokens().from(from), tokens().to(to - 1));
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
                VersionComments.append(plain, text, tokens().to(i - 1), tokens().from(i));
            }
            plain.append(text, tokens().from(i), tokens().to(i));
        }
        return plain.toString();
    }

    /** A condition or expression in round brackets, without them; passes both. */
    String inRound() {
        int open = at();
        if (!sign('(')) {
            throw unreadable("a bracket is expected here");
        }
        skipRound();
        return text(open + 1, at() - 1);
    }

    /** Where a token begins in the script; behind the last one, where the statement ends. */
    int offset(int token) {
        return token < limit() ? tokens().from(token) : limit() > 0 ? tokens().to(limit() - 1) : cut.start();
    }

    /** What follows from a token on in its line, to show where reading stopped. */
    String excerpt(int token) {
        if (token >= limit()) {
            return limit() == 0 ? "" : verbatim(limit() - 1, limit());
        }
        int from = tokens().from(token);
        int to = Math.min(tokens().to(limit() - 1), from + MAX_SHOWN);
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
        return kind(token) == Kind.WORD ? text(token, token + 1).toUpperCase(Locale.ROOT) : "";
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
        return unreadable(Math.min(at(), limit()), reason);
    }

    SyntaxException unreadable(int token, String reason) {
        return new SyntaxException(token, new SyntaxError(offset(token), excerpt(token), reason));
    }
}
