package entaxis.core.syntax;

import entaxis.core.statement.Statement;
import java.util.Optional;

/**
 * A statement as far as it was understood.
 *
 * @param error why the rest was not
 */
record ParsedStatement(Statement statement, Optional<SyntaxException> error) {
    /** A statement that was understood as a whole. */
    static ParsedStatement whole(Statement statement) {
        return new ParsedStatement(statement, Optional.empty());
    }
}
