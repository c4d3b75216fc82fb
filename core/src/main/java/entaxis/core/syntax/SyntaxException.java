package entaxis.core.syntax;

import entaxis.core.statement.SyntaxError;

/**
 * Says that a statement, or a clause of it, is not understood from some token on. Carries no stack: it is part of
 * ordinary reading.
 */
final class SyntaxException extends RuntimeException {
    private static final long serialVersionUID = 1;
    private final int token;
    private final transient SyntaxError error;

    SyntaxException(int token, SyntaxError error) {
        super(error.reason(), null, false, false);
        this.token = token;
        this.error = error;
    }

    /** Which token of the statement. */
    int token() {
        return token;
    }

    /** What is told of it. */
    SyntaxError error() {
        return error;
    }
}
