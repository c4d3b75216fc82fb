package entaxis.web.trial;

/** A trial cannot be served at this moment; the message says why and what to do. */
public final class TrialBusy extends RuntimeException {
    private static final long serialVersionUID = 1;

    /** With what happened and what to do. */
    public TrialBusy(String message) {
        super(message);
    }
}
