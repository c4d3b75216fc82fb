package entaxis.core.sql;

import java.util.Set;

/** Words that an engine does not take as a name without quotes, as its manual lists them. */
public final class ReservedWords {
    private ReservedWords() { }

    /** The words of a text that are separated by blanks. */
    public static Set<String> of(String... lines) {
        return Set.of(String.join(" ", lines).split("\\s+"));
    }
}
