package entaxis.web.store;

/**
 * Where an edit comes from.
 *
 * @param window the window that sent it; empty if none did
 * @param seen   the revision that the window showed; -1 if it showed none
 */
public record EditOrigin(String window, long seen) {
    /** No window. */
    public static final EditOrigin NONE = new EditOrigin("", -1);
}
