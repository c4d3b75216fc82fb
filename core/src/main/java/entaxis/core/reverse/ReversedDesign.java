package entaxis.core.reverse;

import entaxis.core.design.Design;
import java.util.List;

/**
 * A design that was reversed from tables.
 *
 * @param remarks what the design cannot say as the tables do, and what was done about it
 */
public record ReversedDesign(Design design, List<String> remarks) {
    /** Copies the remarks. */
    public ReversedDesign {
        remarks = List.copyOf(remarks);
    }
}
