package entaxis.core.derive;

import entaxis.core.design.End;
import entaxis.core.design.Naming;
import entaxis.core.design.Relationship;
import entaxis.core.design.Side;
import entaxis.core.word.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/** What the name of a key tells its reader in another table. */
public final class ForeignNames {
    private static final int ABBREVIATION = 3;
    /** Words that begin a verb phrase and say nothing by themselves. */
    private static final Set<String> AUXILIARY = Set.of("is", "are", "was", "were", "be", "been", "has", "have", "had",
            "can", "may", "must", "will", "the", "a", "an");

    private ForeignNames() { }

    /**
     * Whether the name of a key column speaks of its own table: they share a word, or the key abbreviates one (common
     * practice).
     */
    public static boolean tells(String keyColumn, String table) {
        List<String> ofTable = words(table);
        return words(keyColumn).stream()
                .anyMatch(word -> ofTable.stream().anyMatch(owner -> owner.equals(word) || abbreviates(word, owner)));
    }

    private static List<String> words(String name) {
        return Naming.words(name).stream().map(word -> Words.singular(word.toLowerCase(Locale.ROOT))).toList();
    }

    /** Whether a word is made of letters of a longer one, in their order, from its first on. */
    private static boolean abbreviates(String word, String longer) {
        if (word.length() < ABBREVIATION || word.charAt(0) != longer.charAt(0)) {
            return false;
        }
        int at = 0;
        for (int i = 0; i < longer.length() && at < word.length(); i++) {
            at += longer.charAt(i) == word.charAt(at) ? 1 : 0;
        }
        return at == word.length();
    }

    /**
     * Words by which a child tells one parent from another: of its own verb phrase, else of the parent's; empty where
     * nobody wrote either.
     */
    public static String verb(Relationship relationship, Side parent) {
        End child = relationship.end(parent.other());
        End other = relationship.end(parent);
        return !child.proposed() ? spoken(child.verb()) : !other.proposed() ? spoken(other.verb()) : "";
    }

    /** A verb phrase without its auxiliaries: “is led by” gives “led by”, a longer one its first word. */
    private static String spoken(String verb) {
        List<String> words = new ArrayList<>(Naming.words(verb.toLowerCase(Locale.ROOT)));
        while (!words.isEmpty() && AUXILIARY.contains(words.getFirst())) {
            words.removeFirst();
        }
        return words.size() <= 2 ? String.join(" ", words) : words.getFirst();
    }
}
