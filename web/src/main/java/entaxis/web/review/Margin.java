package entaxis.web.review;

import entaxis.core.design.Design;
import entaxis.core.design.Sheet;
import entaxis.core.review.Level;
import entaxis.core.review.Review;
import entaxis.core.word.Words;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * The notes beside a sheet, in the order in which what they are about lies on it.
 *
 * @param count  how many there are of each level, in words
 * @param graver the same without hints, for a short place; empty if there are none
 * @param more   how many are not shown
 */
public record Margin(String count, String graver, List<MarginNote> notes, int more) {
    private static final int MAX_COUNT = 120;

    /** The margin of a sheet; of one level only, if one is given. */
    public static Margin of(Review review, Design design, Sheet sheet, Optional<Level> level) {
        List<MarginNote> notes =
                review.findings().stream().filter(finding -> level.isEmpty() || finding.level() == level.get())
                        .map(finding -> MarginNote.of(finding, design, sheet))
                        .sorted(Comparator.comparing((MarginNote note) -> note.level() == Level.HINT)
                                .thenComparing(MarginNote::height).thenComparing(MarginNote::level))
                        .toList();
        return new Margin(counted(review, List.of(Level.values())),
                counted(review, List.of(Level.FAULT, Level.CAUTION)), notes.stream().limit(MAX_COUNT).toList(),
                Math.max(0, notes.size() - MAX_COUNT));
    }

    private static String counted(Review review, List<Level> levels) {
        List<String> parts = new ArrayList<>();
        levels.stream().filter(level -> review.count(level) > 0)
                .forEach(level -> parts.add(Words.counted(review.count(level), level.word())));
        return String.join(", ", parts);
    }
}
