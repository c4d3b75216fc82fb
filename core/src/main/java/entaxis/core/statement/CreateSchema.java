package entaxis.core.statement;

import java.util.List;
import java.util.Optional;

/**
 * CREATE SCHEMA with what is made in it (ISO/IEC 9075-2, 11.1).
 *
 * @param name left out where it is that of a user
 */
public record CreateSchema(Optional<String> name, List<ScriptStatement> statements) implements Statement {
    /** Copies the statements. */
    public CreateSchema {
        statements = List.copyOf(statements);
    }
}
