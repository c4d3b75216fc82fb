package entaxis.core.statement;

import entaxis.core.schema.QualifiedName;
import java.util.Optional;

/**
 * How a statement names a view, routine or trigger.
 *
 * @param parameters what stands in the brackets behind the name of a routine
 * @param table      the table that a trigger or rule belongs to
 */
public record ProgramName(QualifiedName name, Optional<String> parameters, Optional<QualifiedName> table) { }
