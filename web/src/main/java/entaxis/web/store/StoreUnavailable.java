package entaxis.web.store;

/** The store cannot take an edit at this moment; the message says why and what to do, for people. */
public final class StoreUnavailable extends RuntimeException {
    private static final long serialVersionUID = 1;

    /** With what happened and what to do. */
    public StoreUnavailable(String message) {
        super(message);
    }
}
