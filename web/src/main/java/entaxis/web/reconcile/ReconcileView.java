package entaxis.web.reconcile;

import entaxis.core.migration.Migration;
import entaxis.core.reconcile.Difference;
import entaxis.core.reconcile.Rename;
import entaxis.core.update.Updated;
import java.util.List;
import java.util.Optional;

/**
 * What the desk shows.
 *
 * @param side      the other side
 * @param groups    the differences by table, the gravest group first
 * @param renames   what may have been renamed
 * @param migration what the other side has to be changed by
 * @param reverse   the way back
 * @param update    the design as it would be brought up to date
 * @param changes   what that changes in the design, as sentences
 * @param left      what cannot be taken over as decided
 * @param agreed    whether there is a state that both sides once agreed on
 */
public record ReconcileView(Side side, List<Group> groups, List<Offer> renames, Migration migration, Migration reverse, Updated update, List<String> changes, List<String> left,
        List<String> remarks, boolean agreed) {

    /** Whose side of a difference is right. */
    public enum Choice {
        DESIGN("Take the design's side"), SIDE("Take the database's side"), KEEP("Keep as it is");

        private final String title;

        Choice(String title) {
            this.title = title;
        }

        /** What it is called. */
        public String title() {
            return title;
        }
    }

    /** The differences of one table, or of what belongs to none. */
    public record Group(String name, List<Row> rows) { }

    /**
     * A difference with what was decided.
     *
     * @param choice    what was decided, or follows from who changed it; none if that is open
     * @param decided   whether it was said, and does not only follow
     * @param reason    why it is kept as it is
     * @param origin    who changed it
     * @param asksValue whether rows that are there need a value
     * @param fill      that value
     * @param confirmed whether the loss of values was confirmed
     * @param touches   what depends on it
     */
    public record Row(Difference difference, String sentence, Optional<Choice> choice, boolean decided, String reason, String origin, boolean asksValue, String fill, boolean confirmed,
            List<String> touches) {
        /** Whether values are lost when the database follows the design here. */
        public boolean loses() {
            return difference.risk() == entaxis.core.reconcile.Risk.LOSES_DATA;
        }

        /** Whether a choice is the one that stands. */
        public boolean chose(Choice other) {
            return choice.filter(other::equals).isPresent();
        }
    }

    /** What may have been renamed, and what was said to it. */
    public record Offer(Rename rename, boolean same) { }

    /** How many differences there are. */
    public long count() {
        return groups.stream().mapToLong(group -> group.rows().size()).sum();
    }

    /** How many of them were decided for a side, or follow it. */
    public long count(Choice choice) {
        return groups.stream().flatMap(group -> group.rows().stream()).filter(row -> row.chose(choice)).count();
    }

    /** How many of them are open. */
    public long open() {
        return groups.stream().flatMap(group -> group.rows().stream()).filter(row -> row.choice().isEmpty()).count();
    }
}
