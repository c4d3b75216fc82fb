package entaxis.web.dictionary;

import entaxis.core.dictionary.reading.SheetTable;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Dictionaries that were uploaded and are looked at before anything is made of them; the last few. */
@Component
public class WaitingTables {
    private static final int KEPT = 16;
    private final Map<String, Waiting> waiting = new LinkedHashMap<>();

    /** The sheets of a dictionary, and what it is called. */
    public record Waiting(String name, List<SheetTable> tables) { }

    /** Keeps a dictionary. */
    public synchronized void keep(String token, Waiting one) {
        waiting.put(token, one);
        if (waiting.size() > KEPT) {
            waiting.remove(waiting.keySet().iterator().next());
        }
    }

    /** A dictionary, if it is still kept. */
    public synchronized Optional<Waiting> find(String token) {
        return Optional.ofNullable(waiting.get(token));
    }
}
