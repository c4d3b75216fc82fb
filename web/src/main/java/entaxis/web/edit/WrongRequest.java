package entaxis.web.edit;

import java.util.NoSuchElementException;
import java.util.function.Function;
import java.util.function.Supplier;

/**
 * A request that no page of this application sends: an unknown word, an identity that is none, an element that is not
 * there. The sender reads that; every other exception is a fault of the application.
 */
public final class WrongRequest extends RuntimeException {
    private static final long serialVersionUID = 1;

    /** A request that is wrong for this reason. */
    public WrongRequest(String reason) {
        super(reason);
    }

    private WrongRequest(String reason, RuntimeException cause) {
        super(reason, cause);
    }

    /**
     * What a parameter says.
     *
     * @param reader refuses what it does not know by an {@link IllegalArgumentException}
     * @throws WrongRequest if it says nothing that is known
     */
    public static <T> T unlessRead(String parameter, String text, Function<String, T> reader) {
        return unlessRead(parameter, () -> reader.apply(text));
    }

    /**
     * What is read from a request; only for reading it, not for anything that is done then.
     *
     * @throws WrongRequest if it cannot be read
     */
    public static <T> T unlessRead(String part, Supplier<T> reading) {
        try {
            return reading.get();
        } catch (IllegalArgumentException | NoSuchElementException e) {
            throw new WrongRequest("the " + part + " of the request is none that a page sends: " + e.getMessage(), e);
        }
    }
}
