package entaxis.engines.sandbox;

/** A sandbox could not be started, or has ended; the message says why, for people. */
public final class SandboxFailure extends RuntimeException {
    private static final long serialVersionUID = 1;

    /** With what happened. */
    public SandboxFailure(String message) {
        super(message);
    }

    /** With what happened and its cause. */
    public SandboxFailure(String message, Throwable cause) {
        super(message, cause);
    }
}
