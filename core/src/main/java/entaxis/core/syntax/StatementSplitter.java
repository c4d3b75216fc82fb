package entaxis.core.syntax;

import entaxis.core.token.Lexer;
import entaxis.core.token.LexicalRules;
import entaxis.core.token.LexicalRule;
import java.util.Arrays;

/**
 * Splits a script into statements and cuts each into tokens. The tokens of a statement replace those of the one before,
 * so a script of any length takes the memory of its longest statement. Runs in linear time whatever it is given.
 */
final class StatementSplitter {
    private static final char BYTE_ORDER_MARK = '\uFEFF';

    private final String text;
    private final ScriptSyntax syntax;
    private final LexicalRules lexical;
    private final Lexer lexer;
    private String delimiter = ";";
    private boolean semicolon = true;
    /** Signs that begin what ends a statement, a comment or a line of its own rather than a token. */
    private final boolean[] special = new boolean[128];
    private final StatementBody body;
    private boolean ended;
    private final NamePool names;

    StatementSplitter(String text, ScriptSyntax syntax) {
        this.text = text;
        this.syntax = syntax;
        this.lexical = syntax.lexicalRules();
        this.lexer = new Lexer(text, lexical);
        this.body = new StatementBody(text, syntax);
        this.names = new NamePool(text.length(), lexical.has(LexicalRule.NAMES_FOLD_DOWN));
        specialSigns();
    }

    private void specialSigns() {
        Arrays.fill(special, false);
        (syntax.separatorSigns() + "-/#*").chars().forEach(c -> special[c] = true);
        if (delimiter.charAt(0) < 128) {
            special[delimiter.charAt(0)] = true;
        }
    }

    /**
     * What cuts the tokens; a statement that changes how it cuts is read before the next is cut.
     */
    Lexer lexer() {
        return lexer;
    }

    /** The names of the script. */
    NamePool names() {
        return names;
    }

    /** Where the script has been read to. */
    int position() {
        return lexer.position();
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
        do {
            if (!statement(into)) {
                return false;
            }
        } while (into.count() == 0 && !into.isClientCommand());
        into.leaveBodyOpen(!ended && body.isUnclosed(into));
        return true;
    }

    private boolean statement(TokenizedStatement cut) {
        ended = false;
        body.begin();
        cut.begin(lexer.position());
        skipSpace(cut);
        if (lexer.atEnd()) {
            return false;
        }
        cut.startAt(lexer.position());
        if (clientCommand()) {
            cut.becomeClientCommand();
            ended = true;
            return true;
        }
        while (!lexer.atEnd() && !ended) {
            ended = token(cut, lexer.sign());
            if (!ended) {
                lexer.passSpace();
            }
        }
        return true;
    }

    /** Cuts the next token, or passes what stands in its place; true if that ends the statement. */
    private boolean token(TokenizedStatement cut, char c) {
        if (c >= 128 || special[c]) {
            if (lexer.comment(cut.tokens())) {
                return false;
            }
            if (atDelimiter(c)) {
                return atStatementEnd(cut);
            }
            if (lineOfItsOwn()) {
                return true;
            }
        }
        lexer.token(cut.tokens());
        return false;
    }

    /** Passes what ends statements; false if it only ends one inside the body of this one. */
    private boolean atStatementEnd(TokenizedStatement cut) {
        if (semicolon && body.isOpen(cut, lexer.position())) {
            lexer.symbol(cut.tokens());
            return false;
        }
        lexer.goTo(lexer.position() + delimiter.length());
        return true;
    }

    /**
     * Whether what ends statements stands here; the client looks for it also inside words, as in {@code END$$} (MySQL
     * manual, “Defining Stored Programs”).
     */
    private boolean atDelimiter(char c) {
        return c == delimiter.charAt(0) && text.startsWith(delimiter, lexer.position());
    }

    private void skipSpace(TokenizedStatement cut) {
        boolean more = true;
        while (more && !lexer.atEnd()) {
            more = lexer.passSpace() || lexer.comment(cut.tokens());
            if (!more && lexer.sign() == BYTE_ORDER_MARK) {
                lexer.goTo(lexer.position() + 1);
                more = true;
            }
        }
    }

    /** Ends a statement at a line of its own that says so. */
    private boolean lineOfItsOwn() {
        return syntax.separates(text, lexer.position()) && passLine();
    }

    private boolean passLine() {
        lexer.toLineEnd();
        return true;
    }

    /**
     * Takes a command of the engine's client where a statement could begin; the script's own statements never begin so.
     */
    private boolean clientCommand() {
        return syntax.isClientLine(text, lexer.position()) && passLine() || delimiterCommand();
    }

    /** MySQL manual, “mysql Client Commands”: DELIMITER. */
    private boolean delimiterCommand() {
        int begin = lexer.position();
        if (!lexical.has(LexicalRule.DELIMITER_COMMAND) || !ScriptSyntax.begins(text, begin, "delimiter ")) {
            return false;
        }
        lexer.toLineEnd();
        String sign = text.substring(begin + "delimiter".length(), lexer.position()).strip();
        int blank = sign.indexOf(' ');
        delimiter = sign.isEmpty() ? ";" : blank < 0 ? sign : sign.substring(0, blank);
        semicolon = delimiter.equals(";");
        lexer.endWordsAt(semicolon ? "" : delimiter);
        specialSigns();
        return true;
    }

    /**
     * Passes the lines that follow COPY ... FROM STDIN up to the one that ends them; gives the place where that one
     * begins. PostgreSQL manual, COPY.
     */
    int data() {
        lexer.toLineEnd();
        while (!lexer.atEnd()) {
            int line = lexer.position() + 1;
            lexer.goTo(line);
            lexer.toLineEnd();
            int end = lexer.position();
            int length = end - line - (end > line && text.charAt(end - 1) == '\r' ? 1 : 0);
            if (length == 2 && text.charAt(line) == '\\' && text.charAt(line + 1) == '.') {
                return line;
            }
        }
        return text.length();
    }
}
