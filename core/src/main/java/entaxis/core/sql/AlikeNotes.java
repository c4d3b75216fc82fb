package entaxis.core.sql;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Notes that say the same of several tables, columns or constraints, as one.
 *
 * @param places where it is so, in the order of the schema
 */
public record AlikeNotes(AdaptationNote.Kind kind, String words, List<String> places) {
    /** Copies the places. */
    public AlikeNotes {
        places = List.copyOf(places);
    }

    /** Notes with those that are alike as one, in the order in which each is said first. Linear. */
    public static List<AlikeNotes> of(List<AdaptationNote> notes) {
        Map<List<Object>, AlikeNotes> first = new LinkedHashMap<>();
        Map<List<Object>, List<String>> places = new LinkedHashMap<>();
        for (AdaptationNote note : notes) {
            List<Object> said = List.of(note.kind(), note.words());
            first.putIfAbsent(said, new AlikeNotes(note.kind(), note.words(), List.of()));
            places.computeIfAbsent(said, any -> new ArrayList<>()).add(note.place());
        }
        return first.entrySet().stream().map(entry -> new AlikeNotes(entry.getValue().kind(),
                entry.getValue().words(), places.get(entry.getKey()))).toList();
    }

    /** The whole as one sentence: of one place as the note says it, of several with all of them behind it. */
    public String sentence() {
        boolean one = places.size() == 1;
        String place = one && !places.getFirst().isEmpty() ? places.getFirst() + ": " : "";
        return one ? place + words : words + " (" + places.size() + "): " + String.join(", ", places);
    }
}
