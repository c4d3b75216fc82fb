package entaxis.web.store;

/** A design that was asked for is not there. */
public final class NoSuchDesign extends RuntimeException {
    /** With the identity that was asked for. */
    public NoSuchDesign(String id) {
        super("There is no design " + id);
    }
}
