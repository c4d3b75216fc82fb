package entaxis.web.reading;

import entaxis.core.reading.Reading;
import entaxis.web.store.NewId;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The last few readings, each under a token, until a design is made of it. */
@Component
public class Waiting {
    private static final int KEPT = 8;

    /**
     * A reading and what it was read from.
     *
     * @param name the proposed name of the design
     */
    public record Read(String name, Reading reading) { }

    private final Map<String, Read> readings = new LinkedHashMap<>();

    /** Keeps a reading and gives the token to find it by. */
    public synchronized String keep(Read read) {
        String token = NewId.of('x');
        readings.put(token, read);
        if (readings.size() > KEPT) {
            readings.remove(readings.keySet().iterator().next());
        }
        return token;
    }

    /** The reading of a token, if it is still kept. */
    public synchronized Optional<Read> find(String token) {
        return Optional.ofNullable(readings.get(token));
    }
}
