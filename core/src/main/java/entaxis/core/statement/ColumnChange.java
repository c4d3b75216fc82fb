package entaxis.core.statement;

import entaxis.core.design.Attribute.Identity;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;

/** What ALTER COLUMN makes of a column. */
public sealed interface ColumnChange {
    /** TYPE. */
    record Retype(TypeName type, Optional<String> collation) implements ColumnChange { }

    /** SET DEFAULT. */
    record SetDefault(String expression) implements ColumnChange { }

    /** DROP DEFAULT. */
    record DropDefault() implements ColumnChange { }

    /** SET NOT NULL. */
    record SetNotNull() implements ColumnChange { }

    /** SET NULL. */
    record SetNull() implements ColumnChange { }

    /** DROP NOT NULL. */
    record DropNotNull() implements ColumnChange { }

    /** SET GENERATED, SET START and SET INCREMENT (ISO/IEC 9075-2, 11.20). */
    record SetNumbering(Optional<Identity> kind, OptionalLong start, OptionalLong step) implements ColumnChange { }

    /** DROP IDENTITY. */
    record DropIdentity() implements ColumnChange { }

    /** SET EXPRESSION. */
    record SetExpression(String expression) implements ColumnChange { }

    /** DROP EXPRESSION. */
    record DropExpression() implements ColumnChange { }

    /** RENAME TO. */
    record RenameTo(String name) implements ColumnChange { }

    /** Clauses beside those that the column has. */
    record AddClauses(List<ColumnClause> clauses) implements ColumnChange {
        /** Copies the clauses. */
        public AddClauses {
            clauses = List.copyOf(clauses);
        }
    }

    /**
     * A type with its clauses; whether the column may be empty is said again.
     *
     * @param keepsNumbering whether a column that counts goes on from the number that it is at
     */
    record Redefine(TypeName type, boolean keepsNumbering, List<ColumnClause> clauses) implements ColumnChange {
        /** Copies the clauses. */
        public Redefine {
            clauses = List.copyOf(clauses);
        }
    }

    /** ADD or DROP PERSISTED (Transact-SQL Reference, ALTER TABLE). */
    record TogglePersisted() implements ColumnChange { }

    /** Something that is not kept. */
    record None() implements ColumnChange { }
}
