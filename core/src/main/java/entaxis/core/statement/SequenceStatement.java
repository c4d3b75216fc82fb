package entaxis.core.statement;

import entaxis.core.schema.Numbering;
import entaxis.core.schema.QualifiedName;
import java.util.List;
import java.util.Optional;

/** Statements on sequences (ISO/IEC 9075-2, 11.72 to 11.74). */
public sealed interface SequenceStatement extends Statement {
    /** A column of a table. */
    record OwningColumn(QualifiedName table, String column) { }

    /** CREATE SEQUENCE. */
    record CreateSequence(PlacedName name, boolean onlyIfAbsent, boolean temporary, Numbering numbering,
            Optional<OwningColumn> owner) implements SequenceStatement { }

    /**
     * ALTER SEQUENCE.
     *
     * @param newName the name that it gets, if another
     */
    record AlterSequence(QualifiedName name, Optional<OwningColumn> owner, Optional<String> newName)
            implements SequenceStatement { }

    /** DROP SEQUENCE. */
    record DropSequences(List<QualifiedName> names) implements SequenceStatement {
        /** Copies the names. */
        public DropSequences {
            names = List.copyOf(names);
        }
    }
}
