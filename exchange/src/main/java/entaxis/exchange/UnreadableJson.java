package entaxis.exchange;

/** JSON text that does not hold what it should. */
public final class UnreadableJson extends RuntimeException {
    /** With what was wrong, for people to read. */
    public UnreadableJson(String message, Throwable cause) {
        super(message, cause);
    }
}
