package entaxis.web.store;

import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;

/**
 * Which revisions can be taken back and done again; an immutable pair of stacks. A revision on either is undone by
 * applying its inverse from the journal.
 *
 * @param done   revisions that undo takes back, the last one first in turn
 * @param undone revisions, themselves made by undo, that redo takes back
 */
public record UndoHistory(Link done, Link undone) {
    /** One revision on a stack; an empty rest ends it. */
    public record Link(long revision, Optional<Link> rest) { }

    private static final Link BOTTOM = new Link(-1, Optional.empty());
    /** Nothing to take back. */
    public static final UndoHistory NONE = new UndoHistory(BOTTOM, BOTTOM);

    /** The history that a journal amounts to, as far as its kinds are known. */
    public static UndoHistory of(List<JournalStep> journal) {
        UndoHistory history = NONE;
        for (JournalStep step : journal) {
            Optional<JournalRow.Kind> kind = JournalRow.Kind.of(step.kind());
            if (kind.isEmpty()) {
                return history;
            }
            history = history.after(step.revision(), kind.get());
        }
        return history;
    }

    /** The history after one more revision. */
    public UndoHistory after(long revision, JournalRow.Kind kind) {
        return switch (kind) {
            case EDIT -> new UndoHistory(push(done, revision), BOTTOM);
            case UNDO -> new UndoHistory(pop(done), push(undone, revision));
            case REDO -> new UndoHistory(push(done, revision), pop(undone));
        };
    }

    /** The revision that undo would take back next. */
    public OptionalLong next(JournalRow.Kind kind) {
        Link top = kind == JournalRow.Kind.REDO ? undone : done;
        return top.rest().isPresent() ? OptionalLong.of(top.revision()) : OptionalLong.empty();
    }

    /** Whether there is anything to take back. */
    public boolean canUndo() {
        return done.rest().isPresent();
    }

    /** Whether there is anything to do again. */
    public boolean canRedo() {
        return undone.rest().isPresent();
    }

    private static Link push(Link stack, long revision) {
        return new Link(revision, Optional.of(stack));
    }

    private static Link pop(Link stack) {
        return stack.rest().orElse(stack);
    }
}
