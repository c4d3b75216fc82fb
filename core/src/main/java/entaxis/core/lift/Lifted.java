package entaxis.core.lift;

import entaxis.core.design.Design;
import java.util.List;

/**
 * A design that was lifted from tables.
 *
 * @param remarks what the design cannot say as the tables do, and what was done about it
 */
public record Lifted(Design design, List<String> remarks) {
    /** Copies the remarks. */
    public Lifted {
        remarks = List.copyOf(remarks);
    }
}
