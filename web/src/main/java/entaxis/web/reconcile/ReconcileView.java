package entaxis.web.reconcile;

import entaxis.core.migration.Migration;
import entaxis.core.reconcile.Answer;
import entaxis.core.reconcile.Aspect;
import entaxis.core.reconcile.Difference;
import entaxis.core.reconcile.MatchSuggestion;
import entaxis.core.reconcile.Merge;
import entaxis.core.reconcile.SchemaPart;
import entaxis.core.update.Updated;
import entaxis.core.word.Words;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Supplier;
import java.util.stream.Collectors;

/**
 * What the desk shows.
 *
 * @param side      the other side
 * @param groups    the differences by table, the gravest group first
 * @param offers    what may have been renamed, or have moved into a new table
 * @param merge     the other side as it would become
 * @param migration what the other side has to be changed by
 * @param stop      where that would stop half-way, and why
 * @param reverse   the way back
 * @param update    the design as it would be brought up to date
 * @param changes   what that changes in the design, as sentences
 * @param agreed    whether there is a state that both sides once agreed on
 * @param compared  how much of each kind was compared
 * @param unread    what was not compared, with the reason, as sentences
 */
public record ReconcileView(OtherSide side, List<Group> groups, List<Offer> offers, Merge merge, Migration migration,
        Optional<String> stop, Supplier<Migration> reverse, Updated update, List<String> changes, List<String> remarks,
        boolean agreed, String compared, List<String> unread) {

    /** The differences of one table, or of what belongs to none. */
    public record Group(String name, List<Row> rows) { }

    /** Differences of one kind among those that are shown: which, what they are called, and how many. */
    public record Kind(SchemaPart part, String words, long count) {
        /** The kinds among some groups, in the order in which an engine makes such things. */
        public static List<Kind> of(List<Group> groups) {
            Map<SchemaPart, Long> counts = groups.stream().flatMap(group -> group.rows().stream()).collect(
                    Collectors.groupingBy(row -> row.difference().part(), TreeMap::new, Collectors.counting()));
            return counts.entrySet().stream().map(entry -> new Kind(entry.getKey(),
                    Words.counted(entry.getValue(), entry.getKey().word()), entry.getValue())).toList();
        }
    }

    /**
     * A difference with what was decided.
     *
     * @param choice    what was decided, or follows from who changed it; none if that is open
     * @param decided   whether it was said, and does not only follow
     * @param reason    why it is kept as it is
     * @param origin    who changed it
     * @param fill      the value that rows get which have none
     * @param confirmed whether the loss of values was confirmed
     * @param touches   what depends on it
     */
    public record Row(Difference difference, String sentence, Optional<Answer> choice, boolean decided, String reason,
            String origin, String fill, boolean confirmed,
            List<String> touches) {
        /** Whether values are lost when the database follows the design here. */
        public boolean loses() {
            return difference.risk() == entaxis.core.reconcile.Risk.LOSES_DATA;
        }

        /** The texts of both sides line by line, where they have several lines and both are there. */
        public List<LinePair> lines() {
            return difference.aspect() == Aspect.DEFINITION
                    ? TextComparison.of(difference.from(), difference.to()) : List.of();
        }

        /** Whether a choice is the one that stands. */
        public boolean chose(Answer other) {
            return choice.filter(other::equals).isPresent();
        }
    }

    /** What may have been renamed, and what was said to it. */
    public record Offer(MatchSuggestion offered, boolean same) { }

    /** What the other side is called in a sentence. */
    public String sideWord() {
        return side.called();
    }

    /** What an answer is called on its button. */
    public String title(Answer answer) {
        return switch (answer) {
            case WANTED -> "Take the design's side";
            case HAVE -> "Take " + side.called() + "'s side";
            case KEEP -> "Keep as it is";
        };
    }

    /** What an answer is called on the button that gives it for many at once. */
    public String all(Answer answer) {
        return "all: " + switch (answer) {
            case WANTED -> "design";
            case HAVE -> side.noun();
            case KEEP -> "keep";
        };
    }

    /** What a script is about, in a few words: the tables that it changes. */
    public String about() {
        List<String> tables = migration.steps().stream().map(step -> step.table()).filter(table -> !table.isEmpty())
                .distinct().toList();
        return tables.isEmpty() ? "nothing" : tables.size() > 3 ? "changes_to_" + tables.size() + "_tables"
                : "change_" + String.join("_and_", tables);
    }

    /** Tells one script from another. */
    public int fingerprint() {
        return migration.statements().hashCode();
    }

    /** How many differences there are, and how many of them are decided how: {@code 3 differences: 1 open, 2 kept}. */
    public String counted() {
        long all = count();
        if (all == 0) {
            return "No differences";
        }
        Map<String, Long> counts = new LinkedHashMap<>();
        counts.put("open", open());
        counts.put("by the design", count(Answer.WANTED));
        counts.put("by " + sideWord(), count(Answer.HAVE));
        counts.put("kept", count(Answer.KEEP));
        List<String> parts = counts.entrySet().stream().filter(part -> part.getValue() > 0)
                .map(part -> (all > 1 && part.getValue() == all ? "all" : part.getValue()) + " " + part.getKey())
                .toList();
        return Words.counted(all, "difference") + ": " + String.join(", ", parts);
    }

    /** How many differences there are. */
    public long count() {
        return groups.stream().mapToLong(group -> group.rows().size()).sum();
    }

    /** How many of them were decided for a side, or follow it. */
    public long count(Answer choice) {
        return groups.stream().flatMap(group -> group.rows().stream()).filter(row -> row.chose(choice)).count();
    }

    /** How many of them are open. */
    public long open() {
        return groups.stream().flatMap(group -> group.rows().stream()).filter(row -> row.choice().isEmpty()).count();
    }
}
