package entaxis.core.reading;

/**
 * Says that a statement, or a clause of it, is not understood from some token on. Carries no stack: it is part of
 * ordinary reading.
 */
final class StatementException extends RuntimeException {
    private static final long serialVersionUID = 1;
    private final int token;
    private final boolean isConflict;

    StatementException(int token, String reason) {
        this(token, reason, false);
    }

    private StatementException(int token, String reason, boolean isConflict) {
        super(reason, null, false, false);
        this.token = token;
        this.isConflict = isConflict;
    }

    /** Says that a statement is well formed but speaks of what is not there, or makes what is there already. */
    static StatementException conflict(int token, String reason) {
        return new StatementException(token, reason, true);
    }

    /** Whether the statement is well formed and only what is there does not fit it. */
    boolean isConflict() {
        return isConflict;
    }

    /** Which token of the statement. */
    int token() {
        return token;
    }
}
