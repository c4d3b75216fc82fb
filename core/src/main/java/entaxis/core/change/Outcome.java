package entaxis.core.change;

import entaxis.core.design.Design;
import java.util.List;

/** What came of an edit. */
public sealed interface Outcome {
    /** The new design, and the change that makes the old one of it again. */
    record Applied(Design design, Patch inverse) implements Outcome { }

    /** Nothing changed, for these reasons. */
    record Refused(List<Problem> problems) implements Outcome {
        /** Copies the problems. */
        public Refused {
            problems = List.copyOf(problems);
        }
    }
}
