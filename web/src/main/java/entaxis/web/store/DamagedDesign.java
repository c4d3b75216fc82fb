package entaxis.web.store;

/** Nothing of a design can be read any more; the message says why. Other designs are not touched by it. */
public final class DamagedDesign extends RuntimeException {
    private static final long serialVersionUID = 1;

    /** With what is wrong. */
    public DamagedDesign(String message) {
        super(message);
    }
}
