package entaxis.core.sql;

import entaxis.core.targets.Target;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/**
 * From which version on an engine reserves a word that it did not reserve before. Scripts quote a word that any version
 * reserves; this says what queries that were written earlier meet. Words that were reserved all along are not listed.
 */
public final class ReservedSince {
    private ReservedSince() { }

    /** Words by line, each line beginning with the version. */
    public static Map<String, String> of(String... lines) {
        Map<String, String> versions = new HashMap<>();
        for (String line : lines) {
            String[] words = line.split(" ");
            for (int i = 1; i < words.length; i++) {
                versions.put(words[i], words[0]);
            }
        }
        return Map.copyOf(versions);
    }

    /** The version from which on an engine reserves a word, in small letters; none if it always did, or never. */
    static Optional<String> version(Target engine, String word) {
        return Optional.ofNullable(Dialect.of(engine).reservedSince().get(word));
    }
}
