package entaxis.web.store;

import entaxis.core.change.Problem;
import java.util.List;

/** What came of an edit. */
public sealed interface EditResult {
    /** It is kept; the design before and after it. */
    record Kept(OpenDesign before, OpenDesign after) implements EditResult { }

    /** Nothing changed, for these reasons. */
    record Refused(List<Problem> problems, OpenDesign now) implements EditResult { }
}
