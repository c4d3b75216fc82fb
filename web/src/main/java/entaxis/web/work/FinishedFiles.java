package entaxis.web.work;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The files that were made last, until they are fetched; the oldest go when they are many or large together. */
@Component
public class FinishedFiles {
    private static final int MAX_COUNT = 32;
    private static final long MAX_BYTES = 120_000_000;

    private record Kept(String token, FinishedFile file) { }

    private final Deque<Kept> kept = new ArrayDeque<>();

    /** Keeps a file and gives the page where it is fetched. */
    public synchronized String keep(String token, FinishedFile file) {
        kept.addFirst(new Kept(token, file));
        while (kept.size() > 1 && (kept.size() > MAX_COUNT
                || kept.stream().mapToLong(one -> one.file().bytes().length).sum() > MAX_BYTES)) {
            kept.removeLast();
        }
        return "/files/" + token + "/content";
    }

    /** The file of a token, if it is still kept. */
    public synchronized Optional<FinishedFile> find(String token) {
        return kept.stream().filter(one -> one.token().equals(token)).map(Kept::file).findFirst();
    }
}
