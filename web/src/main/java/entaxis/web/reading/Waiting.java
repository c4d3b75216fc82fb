package entaxis.web.reading;

import entaxis.core.reading.Reading;
import java.util.LinkedHashMap;
import java.util.List;
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

    /**
     * A design that was made of a reading.
     *
     * @param remarks what it does not say as the tables do
     */
    public record Made(String design, String name, List<String> remarks) {
        /** Copies the list. */
        public Made {
            remarks = List.copyOf(remarks);
        }
    }

    private final Map<String, Made> made = new LinkedHashMap<>();

    /** Keeps a reading under a token. */
    public synchronized void keep(String token, Read read) {
        put(readings, token, read);
    }

    /** Keeps what was made of the reading of a token. */
    public synchronized void keep(String token, Made design) {
        put(made, token, design);
    }

    private static <T> void put(Map<String, T> all, String token, T one) {
        all.put(token, one);
        if (all.size() > KEPT) {
            all.remove(all.keySet().iterator().next());
        }
    }

    /** What was made of the reading of a token. */
    public synchronized Optional<Made> made(String token) {
        return Optional.ofNullable(made.get(token));
    }

    /** The reading of a token, if it is still kept. */
    public synchronized Optional<Read> find(String token) {
        return Optional.ofNullable(readings.get(token));
    }
}
