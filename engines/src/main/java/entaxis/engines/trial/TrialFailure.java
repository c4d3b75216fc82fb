package entaxis.engines.trial;

/** The built-in engine itself does not work. */
public final class TrialFailure extends RuntimeException {
    /** With what was being done. */
    public TrialFailure(String message, Throwable cause) {
        super(message, cause);
    }
}
