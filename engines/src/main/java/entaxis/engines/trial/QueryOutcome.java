package entaxis.engines.trial;

import java.util.List;
import java.util.Optional;

/** What a query gave. */
public sealed interface QueryOutcome {
    /**
     * The rows.
     *
     * @param rows values as text; empty for no value
     * @param more whether there were more than are shown
     */
    record Rows(List<String> columns, List<List<Optional<String>>> rows, boolean more, long micros)
            implements QueryOutcome { }

    /** The engine's reason for refusing it. */
    record Failed(String reason) implements QueryOutcome { }
}
