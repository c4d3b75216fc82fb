package entaxis.core.syntax;

import entaxis.core.token.Keyword;
import entaxis.core.token.Tokens;

/** A statement cut into tokens, in a row that is used again for the next one. */
final class TokenizedStatement {
    private final Tokens tokens = new Tokens();
    private int start;
    private boolean clientCommand;
    private boolean openBody;

    /** Begins the next statement at a place of the script. */
    void begin(int place) {
        tokens.clear();
        start = place;
        clientCommand = false;
        openBody = false;
    }

    /** Lets it start at a place, behind white space and comments. */
    void startAt(int place) {
        start = place;
    }

    /** Makes it a command of the engine's client rather than SQL. */
    void becomeClientCommand() {
        clientCommand = true;
    }

    /** Says whether a compound statement in it is still open where the script ends. */
    void leaveBodyOpen(boolean open) {
        openBody = open;
    }

    /** Its tokens. */
    Tokens tokens() {
        return tokens;
    }

    int count() {
        return tokens.count();
    }

    Keyword word(int token) {
        return tokens.word(token);
    }

    /** Whether a token is a sign. */
    boolean is(int token, char sign) {
        return tokens.is(token, sign);
    }

    /** Where it begins in the script. */
    int start() {
        return start;
    }

    /** Whether it is a command of the engine's client rather than SQL. */
    boolean isClientCommand() {
        return clientCommand;
    }

    /** Whether a quote or comment in it has no end. */
    boolean hasOpenQuote() {
        return tokens.unclosed();
    }

    /** Whether a compound statement is still open where the script ends. */
    boolean hasOpenBody() {
        return openBody;
    }
}
