package entaxis.core.syntax;

import java.util.Arrays;

/**
 * Cuts a script into statements and each statement into tokens, which it keeps in arrays that are used again for the
 * next statement: a script of any length takes the memory of its longest statement. Every sign is looked at a bounded
 * number of times, so it runs in linear time whatever it is given.
 */
final class ScriptLexer {
    private static final byte SPACE = 1;
    private static final byte LETTER = 2;
    private static final byte DIGIT = 4;
    private static final byte CAPITAL = 8;

    private final String text;
    private final ScriptSyntax syntax;
    private final LexicalRules lexical;
    private final boolean dollarTexts;
    private final byte[] classes = new byte[128];
    private int at;
    private String delimiter = ";";
    private boolean semicolon = true;
    /** Signs that begin what ends a statement, a comment or a line of its own rather than a token. */
    private final boolean[] special = new boolean[128];
    private boolean backslash;
    private boolean doubleIsText;
    private int executed;
    private final StatementBody body;

    /** The statement that is being cut. */
    private TokenizedStatement cut = new TokenizedStatement(new TokenArray());
    private boolean ended;
    private final NamePool names;

    ScriptLexer(String text, ScriptSyntax syntax) {
        this.text = text;
        this.syntax = syntax;
        this.lexical = syntax.lexicalRules();
        this.body = new StatementBody(text, syntax);
        this.names = new NamePool(text.length(), lexical.has(LexicalRule.NAMES_FOLD_DOWN));
        this.backslash = lexical.has(LexicalRule.BACKSLASH_ESCAPES);
        this.doubleIsText = lexical.has(LexicalRule.DOUBLE_QUOTED_TEXTS);
        this.dollarTexts = lexical.has(LexicalRule.DOLLAR_TEXTS);
        for (char c = 0; c < 128; c++) {
            classes[c] = c <= ' ' ? SPACE : c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z' || c == '_' ? LETTER
                    : c >= '0' && c <= '9' ? DIGIT : 0;
        }
        for (char c = 'A'; c <= 'Z'; c++) {
            classes[c] |= CAPITAL;
        }
        lexical.signs().chars().forEach(c -> classes[c] = LETTER);
        if (dollarTexts) {
            classes['$'] = 0;
        }
        specialSigns();
        if (text.length() > 0 && text.charAt(0) == '\uFEFF') {
            at = 1;
        }
    }

    private void specialSigns() {
        Arrays.fill(special, false);
        (syntax.separatorSigns() + "-/#*").chars().forEach(c -> special[c] = true);
        if (delimiter.charAt(0) < 128) {
            special[delimiter.charAt(0)] = true;
        }
    }

    /**
     * Makes backslashes escape in texts, or not: PostgreSQL manual, standard_conforming_strings; MySQL manual,
     * NO_BACKSLASH_ESCAPES.
     */
    void backslashEscapes(boolean now) {
        backslash = now;
    }

    /**
     * Whether backslashes escape in texts, for the statements cut last: a statement that changes it is read before the
     * next is cut.
     */
    boolean escapes() {
        return backslash;
    }

    /** Makes double quotes stand around names: MySQL manual, ANSI_QUOTES. */
    void doubleQuotesName() {
        doubleIsText = false;
    }

    /** The names of the script. */
    NamePool names() {
        return names;
    }

    /** Where the script has been read to. */
    int position() {
        return at;
    }

    char signAt(int offset) {
        return text.charAt(offset);
    }

    String between(int from, int to) {
        int end = to > from && text.charAt(to - 1) == '\r' ? to - 1 : to;
        return text.substring(from, end);
    }

    /** Cuts the next statement that is not empty; false at the end of the script. */
    boolean next(TokenizedStatement into) {
        cut = into;
        do {
            if (!statement()) {
                return false;
            }
        } while (cut.count == 0 && !cut.client);
        cut.unclosed = !ended && body.isUnclosed(cut);
        return true;
    }

    private boolean statement() {
        ended = false;
        body.begin();
        cut.begin(at);
        skipSpace();
        if (at >= text.length()) {
            return false;
        }
        cut.start = at;
        if (clientCommand()) {
            cut.client = true;
            ended = true;
            return true;
        }
        while (at < text.length()) {
            char c = text.charAt(at);
            if (c < 128 && classes[c] == SPACE) {
                at++;
                continue;
            }
            if (c < 128 && !special[c]) {
                token(c);
                continue;
            }
            if (c == '-' || c == '/' || c == '#' || c == '*') {
                if (comment(c)) {
                    continue;
                }
            }
            if (atDelimiter(c)) {
                if (semicolon && !ends()) {
                    continue;
                }
                at += delimiter.length();
                ended = true;
                return true;
            }
            if (lineOfItsOwn()) {
                ended = true;
                return true;
            }
            token(c);
        }
        return true;
    }

    private boolean atDelimiter(char c) {
        return c == delimiter.charAt(0) && delimiterAt(at);
    }

    /**
     * Whether what ends statements stands at a place; the client looks for it also inside words, as in {@code END$$}
     * (MySQL manual, “Defining Stored Programs”).
     */
    private boolean delimiterAt(int place) {
        for (int i = 0; i < delimiter.length(); i++) {
            if (place + i >= text.length() || text.charAt(place + i) != delimiter.charAt(i)) {
                return false;
            }
        }
        return true;
    }

    private void skipSpace() {
        while (at < text.length()) {
            char c = text.charAt(at);
            if (c < 128 ? classes[c] == SPACE : Character.isWhitespace(c) || c == '\uFEFF') {
                at++;
            } else if (c == '-' || c == '/' || c == '#' || c == '*') {
                if (!comment(c)) {
                    return;
                }
            } else {
                return;
            }
        }
    }

    /**
     * Passes a comment, if one begins here. Comments of MySQL that its server runs are entered rather than passed
     * (MySQL manual, “Comments”).
     */
    private boolean comment(char c) {
        char second = at + 1 < text.length() ? text.charAt(at + 1) : 0;
        if (c == '-' && second == '-') {
            if (lexical.has(LexicalRule.STRICT_DASHES) && at + 2 < text.length() && text.charAt(at + 2) > ' ') {
                return false;
            }
            toLineEnd();
            return true;
        }
        if (c == '#' && lexical.has(LexicalRule.HASH_COMMENTS)) {
            toLineEnd();
            return true;
        }
        if (c == '*' && second == '/' && executed > 0) {
            executed--;
            at += 2;
            return true;
        }
        if (c != '/' || second != '*') {
            return false;
        }
        if (lexical.has(LexicalRule.VERSION_COMMENTS) && entersExecuted()) {
            return true;
        }
        int end = DelimitedText.commentEnd(text, at, lexical.has(LexicalRule.NESTED_COMMENTS));
        if (end < 0) {
            broken(at);
        } else {
            at = end;
        }
        return true;
    }

    private boolean entersExecuted() {
        int body = VersionComment.body(text, at, lexical.has(LexicalRule.FAMILY_VERSION_COMMENTS));
        if (body < 0) {
            return false;
        }
        executed++;
        at = body;
        return true;
    }

    private void toLineEnd() {
        while (at < text.length() && text.charAt(at) != '\n') {
            at++;
        }
    }

    /** Whether the semicolon here ends the statement, rather than a statement inside its body. */
    private boolean ends() {
        boolean inside = body.isOpen(cut, at);
        if (inside) {
            sign();
        }
        return !inside;
    }

    /** Ends a statement at a line of its own that says so. */
    private boolean lineOfItsOwn() {
        return syntax.separates(text, at) && passLine();
    }

    private boolean passLine() {
        toLineEnd();
        return true;
    }

    private byte classOf(char c) {
        return c < 128 ? (byte) (classes[c] & ~CAPITAL)
                : Character.isLetterOrDigit(c) || Character.isSurrogate(c) ? LETTER : Character.isWhitespace(c) ? SPACE
                : 0;
    }

    /**
     * Takes a command of the engine's client where a statement could begin; the script's own statements never begin so.
     */
    private boolean clientCommand() {
        return syntax.isClientLine(text, at) && passLine() || delimiterCommand();
    }

    /** MySQL manual, “mysql Client Commands”: DELIMITER. */
    private boolean delimiterCommand() {
        if (!lexical.has(LexicalRule.DELIMITER_COMMAND) || !ScriptSyntax.begins(text, at, "delimiter ")) {
            return false;
        }
        int from = at + "delimiter".length();
        toLineEnd();
        String sign = text.substring(from, at).strip();
        int blank = sign.indexOf(' ');
        delimiter = sign.isEmpty() ? ";" : blank < 0 ? sign : sign.substring(0, blank);
        semicolon = delimiter.equals(";");
        specialSigns();
        return true;
    }

    /**
     * Passes the lines that follow COPY ... FROM STDIN up to the one that ends them; gives the place where that one
     * begins. PostgreSQL manual, COPY.
     */
    int data() {
        toLineEnd();
        while (at < text.length()) {
            at++;
            int line = at;
            toLineEnd();
            int length = at - line - (at > line && text.charAt(at - 1) == '\r' ? 1 : 0);
            if (length == 2 && text.charAt(line) == '\\' && text.charAt(line + 1) == '.') {
                return line;
            }
        }
        return text.length();
    }

    private void token(char c) {
        int from = at;
        byte sort = classOf(c);
        if (sort == LETTER) {
            word(from);
        } else if (sort == DIGIT
                || c == '.' && at + 1 < text.length() && text.charAt(at + 1) >= '0' && text.charAt(at + 1) <= '9') {
            number(from);
        } else if (c == '\'') {
            quoted(from, from, '\'', TokenizedStatement.STRING, backslash);
        } else if (c == '"') {
            quoted(from, from, '"', doubleIsText ? TokenizedStatement.STRING : TokenizedStatement.NAME,
                    doubleIsText && backslash);
        } else if (c == '`' && lexical.has(LexicalRule.BACKTICKED_NAMES)) {
            quoted(from, from, '`', TokenizedStatement.NAME, false);
        } else if (c == '[' && lexical.has(LexicalRule.BRACKETED_NAMES)) {
            quoted(from, from, ']', TokenizedStatement.NAME, false);
        } else if (c == '$' && dollarTexts && dollar(from)
                || c == '@' && dollarTexts && placeholder(from)) {
            return;
        } else if (sort == SPACE) {
            at++;
        } else {
            sign();
        }
    }

    /**
     * A name still to be filled in, such as that of an extension's schema: {@code @extschema@} (PostgreSQL manual,
     * Packaging Related Objects into an Extension).
     */
    private boolean placeholder(int from) {
        int i = from + 1;
        while (i < text.length() && (classOf(text.charAt(i)) == LETTER || classOf(text.charAt(i)) == DIGIT
                || text.charAt(i) == ':' && i > from + 1)) {
            i++;
        }
        if (i == from + 1 || i >= text.length() || text.charAt(i) != '@') {
            return false;
        }
        at = i + 1;
        add(TokenizedStatement.WORD, Keyword.NONE, from, at);
        return true;
    }

    private void word(int from) {
        int sum = 0;
        int sorts = 0;
        int i = from;
        int last = text.length();
        char stop = semicolon ? '\0' : delimiter.charAt(0);
        while (i < last) {
            char c = text.charAt(i);
            if (c == stop && i > from && delimiterAt(i)) {
                break;
            }
            if (c < 128) {
                byte sort = classes[c];
                if ((sort & (LETTER | DIGIT)) == 0 && !(c == '$' && dollarTexts)) {
                    break;
                }
                sorts |= sort;
                sum = Keyword.added(sum, c);
            } else if (Character.isLetterOrDigit(c) || Character.isSurrogate(c)
                    || Character.getType(c) == Character.NON_SPACING_MARK) {
                sum = sum * 31 + c;
            } else {
                break;
            }
            i++;
        }
        at = i;
        if (i < text.length() && text.charAt(i) == '\'' && i - from <= 2 && prefix(from, i)) {
            return;
        }
        // no word of SQL that is known here has a digit in it
        Keyword word = (sorts & DIGIT) != 0 ? Keyword.NONE : Keyword.at(text, from, i, sum);
        cut.addWord(word, from, i, sum << 1 | sorts / CAPITAL & 1);
    }

    /** A text marked by letters before its quote: {@code N'', E'', B'', X'', q'[]'}. */
    private boolean prefix(int from, int quote) {
        char mark = Character.toLowerCase(text.charAt(quote - 1));
        char first = Character.toLowerCase(text.charAt(from));
        if (quote - from == 2 && !(first == 'n' && mark == 'q')) {
            return false;
        }
        if (mark == 'q' && lexical.has(LexicalRule.CHOSEN_QUOTES)) {
            oracleQuoted(from, quote);
            return true;
        }
        if (quote - from == 2 || "nbxe".indexOf(mark) < 0) {
            return false;
        }
        quoted(from, quote, '\'', TokenizedStatement.STRING,
                backslash || mark == 'e' && lexical.has(LexicalRule.ESCAPE_TEXTS));
        return true;
    }

    /** Oracle Database SQL Language Reference, “Text Literals”: {@code q'[...]'}. */
    private void oracleQuoted(int from, int quote) {
        int end = DelimitedText.chosenQuoteEnd(text, quote);
        if (end < 0) {
            broken(from);
        } else {
            at = end;
            add(TokenizedStatement.STRING, Keyword.NONE, from, at);
        }
    }

    private void number(int from) {
        while (at < text.length()) {
            char c = text.charAt(at);
            boolean sign = (c == '+' || c == '-') && at > from && (text.charAt(at - 1) & ~0x20) == 'E'
                    && !(from + 1 < text.length() && (text.charAt(from + 1) & ~0x20) == 'X');
            if (c != '.' && !sign && (c >= 128 || (classes[c] & (LETTER | DIGIT)) == 0)) {
                break;
            }
            at++;
        }
        add(TokenizedStatement.NUMBER, Keyword.NONE, from, at);
    }

    private void quoted(int from, int quote, char close, byte kind, boolean escapes) {
        int i = quote + 1;
        while (i < text.length()) {
            char c = text.charAt(i++);
            if (c == '\\' && escapes) {
                i++;
            } else if (c == close) {
                if (i >= text.length() || text.charAt(i) != close) {
                    at = i;
                    add(kind, Keyword.NONE, from, i);
                    return;
                }
                i++;
            }
        }
        broken(from);
    }

    private boolean dollar(int from) {
        int tagEnd = from + 1;
        while (tagEnd < text.length() && text.charAt(tagEnd) != '$'
                && (classOf(text.charAt(tagEnd)) == LETTER || classOf(text.charAt(tagEnd)) == DIGIT)) {
            tagEnd++;
        }
        if (tagEnd >= text.length() || text.charAt(tagEnd) != '$') {
            return false;
        }
        int end = DelimitedText.tagEnd(text, from, tagEnd);
        if (end < 0) {
            broken(from);
        } else {
            at = end;
            add(TokenizedStatement.STRING, Keyword.NONE, from, at);
        }
        return true;
    }

    /** Adds the sign that stands here. */
    private void sign() {
        cut.addSign(text.charAt(at), at);
        at++;
    }

    private void broken(int from) {
        at = text.length();
        cut.broken = true;
        cut.add(TokenizedStatement.BROKEN, Keyword.NONE, from, at);
    }

    private void add(byte kind, Keyword word, int from, int to) {
        cut.add(kind, word, from, to);
    }
}
