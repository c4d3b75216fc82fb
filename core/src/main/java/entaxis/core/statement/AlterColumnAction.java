package entaxis.core.statement;

import entaxis.core.expression.Expression;
import entaxis.core.schema.Identity;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;

/** What ALTER COLUMN makes of a column (ISO/IEC 9075-2, 11.12). */
public sealed interface AlterColumnAction {
    /** TYPE. */
    record Retype(TypeName type, Optional<String> collation) implements AlterColumnAction { }

    /** SET DEFAULT. */
    record SetDefault(Expression expression) implements AlterColumnAction { }

    /** DROP DEFAULT. */
    record DropDefault() implements AlterColumnAction { }

    /** SET NOT NULL. */
    record SetNotNull() implements AlterColumnAction { }

    /** SET NULL. */
    record SetNull() implements AlterColumnAction { }

    /** DROP NOT NULL. */
    record DropNotNull() implements AlterColumnAction { }

    /** SET GENERATED, SET START and SET INCREMENT (ISO/IEC 9075-2, 11.20). */
    record SetNumbering(Optional<Identity> kind, OptionalLong start, OptionalLong step) implements AlterColumnAction { }

    /** DROP IDENTITY. */
    record DropIdentity() implements AlterColumnAction { }

    /** SET EXPRESSION. */
    record SetExpression(Expression expression) implements AlterColumnAction { }

    /** DROP EXPRESSION. */
    record DropExpression() implements AlterColumnAction { }

    /** RENAME TO. */
    record RenameTo(String name) implements AlterColumnAction { }

    /** Clauses beside those that the column has. */
    record AddClauses(List<ColumnClause> clauses) implements AlterColumnAction {
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
    record Redefine(TypeName type, boolean keepsNumbering, List<ColumnClause> clauses) implements AlterColumnAction {
        /** Copies the clauses. */
        public Redefine {
            clauses = List.copyOf(clauses);
        }
    }

    /** ADD or DROP PERSISTED (Transact-SQL Reference, ALTER TABLE). */
    record TogglePersisted() implements AlterColumnAction { }

    /** Something that is not kept. */
    record None() implements AlterColumnAction { }
}
