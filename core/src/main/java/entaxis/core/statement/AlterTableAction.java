package entaxis.core.statement;

import entaxis.core.schema.Deferral;
import entaxis.core.schema.PartitionBound;
import entaxis.core.schema.QualifiedName;
import java.util.List;
import java.util.Optional;

/** One action of ALTER TABLE (ISO/IEC 9075-2, 11.10). A place is that of the name that is spoken of. */
public sealed interface AlterTableAction {

    /** Where a column comes to stand: first, or before or behind another. */
    sealed interface Position {
        /** FIRST. */
        record First() implements Position { }

        /** AFTER or BEFORE a column. */
        record Beside(String column, int place, boolean behind) implements Position { }
    }

    /** ADD COLUMN. */
    record AddColumn(ColumnDefinition column, Optional<Position> position, boolean onlyIfAbsent)
            implements AlterTableAction {
        /** The same at a place among the other columns. */
        public AddColumn at(Position newPosition) {
            return new AddColumn(column, Optional.of(newPosition), onlyIfAbsent);
        }
    }

    /**
     * ADD of a constraint.
     *
     * @param onlyIfAbsent whether nothing is to be done where there is one of its name
     */
    record AddConstraint(TableConstraint constraint, String name, boolean onlyIfAbsent) implements AlterTableAction { }

    /**
     * DROP COLUMN.
     *
     * @param orConstraint whether a constraint of the name is meant where there is no such column
     */
    record DropColumn(String name, int place, boolean ifExists, boolean orConstraint, boolean cascade)
            implements AlterTableAction { }

    /** DROP CONSTRAINT. */
    record DropConstraint(String name, int place, boolean ifExists, boolean cascade) implements AlterTableAction { }

    /** DROP PRIMARY KEY. */
    record DropPrimaryKey() implements AlterTableAction { }

    /** DROP UNIQUE with the columns of the key. */
    record DropUnique(List<String> columns) implements AlterTableAction {
        /** Copies the columns. */
        public DropUnique {
            columns = List.copyOf(columns);
        }
    }

    /** DROP INDEX. */
    record DropIndex(String name, int place, boolean ifExists) implements AlterTableAction { }

    /** DROP FOREIGN KEY. */
    record DropForeignKey(String name, int place, boolean ifExists) implements AlterTableAction { }

    /** DROP PERIOD. */
    record DropPeriod(String name) implements AlterTableAction { }

    /** ALTER COLUMN. */
    record AlterColumn(String name, int place, boolean ifExists, AlterColumnAction action)
            implements AlterTableAction { }

    /** ALTER CONSTRAINT: when a reference is checked. */
    record AlterConstraint(String name, int place, Optional<Deferral> deferral) implements AlterTableAction { }

    /**
     * MODIFY, which changes only what it says.
     *
     * @param type left out where it stays
     */
    record ModifyColumn(String name, int place, Optional<TypeName> type, List<ColumnClause> clauses)
            implements AlterTableAction {
        /** Copies the clauses. */
        public ModifyColumn {
            clauses = List.copyOf(clauses);
        }
    }

    /** CHANGE and MODIFY give a column a new definition. The column loses what the new definition leaves out. */
    record ChangeColumn(String name, int place, ColumnDefinition definition, Optional<Position> position)
            implements AlterTableAction {
        /** The same at a place among the other columns. */
        public ChangeColumn at(Position newPosition) {
            return new ChangeColumn(name, place, definition, Optional.of(newPosition));
        }
    }

    /** RENAME TO. */
    record RenameTo(QualifiedName name) implements AlterTableAction { }

    /** RENAME COLUMN. */
    record RenameColumn(String before, int place, String now) implements AlterTableAction { }

    /** RENAME CONSTRAINT. */
    record RenameConstraint(String before, int place, String now) implements AlterTableAction { }

    /** RENAME INDEX. */
    record RenameIndex(String before, String now) implements AlterTableAction { }

    /** SET SCHEMA. */
    record SetSchema(String namespace) implements AlterTableAction { }

    /** INHERIT. */
    record Inherit(QualifiedName parent) implements AlterTableAction { }

    /** NO INHERIT. */
    record NoInherit(QualifiedName parent) implements AlterTableAction { }

    /** ATTACH PARTITION. */
    record AttachPartition(PlacedName part, PartitionBound bound) implements AlterTableAction { }

    /** DETACH PARTITION. */
    record DetachPartition(QualifiedName part) implements AlterTableAction { }

    /** COMMENT. */
    record SetComment(String text) implements AlterTableAction { }

    /** AUTO_INCREMENT. */
    record SetFirstNumber(long first) implements AlterTableAction { }

    /** OWNER TO. */
    record OwnerTo(String role) implements AlterTableAction { }

    /**
     * An action that says nothing about what tables are, with all that stands behind it.
     *
     * @param kind what it is
     */
    record Skip(String kind) implements AlterTableAction { }
}
