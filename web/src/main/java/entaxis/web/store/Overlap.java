package entaxis.web.store;

import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.change.Patch;
import entaxis.core.design.Design;
import entaxis.exchange.ChangedFields;
import java.util.Map;
import java.util.Optional;

/**
 * Whether an edit would undo what somebody else has made of the very same field since the page that sent it was shown.
 */
final class Overlap {
    private Overlap() { }

    /** What to tell the second of two people, if both changed one field; nothing where both made the same of it. */
    static Optional<String> of(Design seen, Design now, Change change) {
        if (!(Editor.apply(seen, change) instanceof Applied(Design wanted, var inverse))) {
            return Optional.empty();
        }
        Map<String, ChangedFields.Value> mine = ChangedFields.of(Patch.between(seen, wanted));
        Map<String, ChangedFields.Value> theirs = ChangedFields.of(Patch.between(seen, now));
        return mine.entrySet().stream().filter(
                field -> theirs.containsKey(field.getKey()) && !theirs.get(field.getKey()).equals(field.getValue()))
                .findFirst()
                .map(field -> "Somebody else has changed this meanwhile: it is now "
                        + theirs.get(field.getKey()).words() + ". Send yours again to make it "
                        + field.getValue().words() + " after all.");
    }
}
