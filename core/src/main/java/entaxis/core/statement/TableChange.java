package entaxis.core.statement;

import entaxis.core.schema.Deferral;
import java.util.List;
import java.util.Optional;

/** One change of a table. A place is that of the name that is spoken of. */
public sealed interface TableChange permits TableChange.AddColumn, TableChange.AddConstraint, TableChange.DropColumn,
        TableChange.DropConstraint, TableChange.DropPrimaryKey, TableChange.DropUnique, TableChange.DropIndex,
        TableChange.DropForeignKey, TableChange.DropPeriod, TableChange.AlterColumn, TableChange.AlterConstraint,
        TableChange.ModifyColumn, TableChange.ChangeColumn, TableChange.RenameTo, TableChange.RenameColumn,
        TableChange.RenameConstraint, TableChange.RenameIndex, TableChange.SetSchema, TableChange.Inherit,
        TableChange.NoInherit, TableChange.AttachPartition, TableChange.DetachPartition, TableChange.SetComment,
        TableChange.SetFirstNumber, TableChange.OwnerTo, Skipped {

    /** Where a column comes to stand: first, or before or behind another. */
    sealed interface Position {
        /** FIRST. */
        record First() implements Position { }

        /** AFTER or BEFORE a column. */
        record Beside(String column, int place, boolean behind) implements Position { }
    }

    /** ADD COLUMN. */
    record AddColumn(ColumnDefinition column, Optional<Position> position, boolean onlyIfAbsent)
            implements TableChange {
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
    record AddConstraint(TableConstraint constraint, String name, boolean onlyIfAbsent) implements TableChange { }

    /**
     * DROP COLUMN.
     *
     * @param orConstraint whether a constraint of the name is meant where there is no such column
     */
    record DropColumn(String name, int place, boolean ifExists, boolean orConstraint, boolean cascade)
            implements TableChange { }

    /** DROP CONSTRAINT. */
    record DropConstraint(String name, int place, boolean ifExists, boolean cascade) implements TableChange { }

    /** DROP PRIMARY KEY. */
    record DropPrimaryKey() implements TableChange { }

    /** DROP UNIQUE with the columns of the key. */
    record DropUnique(List<String> columns) implements TableChange {
        /** Copies the columns. */
        public DropUnique {
            columns = List.copyOf(columns);
        }
    }

    /** DROP INDEX. */
    record DropIndex(String name, int place, boolean ifExists) implements TableChange { }

    /** DROP FOREIGN KEY. */
    record DropForeignKey(String name, int place, boolean ifExists) implements TableChange { }

    /** DROP PERIOD. */
    record DropPeriod(String name) implements TableChange { }

    /** ALTER COLUMN. */
    record AlterColumn(String name, int place, boolean ifExists, ColumnChange change) implements TableChange { }

    /** ALTER CONSTRAINT: when a reference is checked. */
    record AlterConstraint(String name, int place, Optional<Deferral> deferral) implements TableChange { }

    /**
     * MODIFY, which changes only what it says.
     *
     * @param type left out where it stays
     */
    record ModifyColumn(String name, int place, Optional<TypeName> type, List<ColumnClause> clauses)
            implements TableChange {
        /** Copies the clauses. */
        public ModifyColumn {
            clauses = List.copyOf(clauses);
        }
    }

    /** CHANGE and MODIFY, which define a column anew: what is not said again is gone. */
    record ChangeColumn(String name, int place, ColumnDefinition definition, Optional<Position> position)
            implements TableChange {
        /** The same at a place among the other columns. */
        public ChangeColumn at(Position newPosition) {
            return new ChangeColumn(name, place, definition, Optional.of(newPosition));
        }
    }

    /** RENAME TO. */
    record RenameTo(QualifiedName name) implements TableChange { }

    /** RENAME COLUMN. */
    record RenameColumn(String before, int place, String now) implements TableChange { }

    /** RENAME CONSTRAINT. */
    record RenameConstraint(String before, int place, String now) implements TableChange { }

    /** RENAME INDEX. */
    record RenameIndex(String before, String now) implements TableChange { }

    /** SET SCHEMA. */
    record SetSchema(String namespace) implements TableChange { }

    /** INHERIT. */
    record Inherit(QualifiedName parent) implements TableChange { }

    /** NO INHERIT. */
    record NoInherit(QualifiedName parent) implements TableChange { }

    /** ATTACH PARTITION. */
    record AttachPartition(PlacedName part) implements TableChange { }

    /** DETACH PARTITION. */
    record DetachPartition(QualifiedName part) implements TableChange { }

    /** COMMENT. */
    record SetComment(String text) implements TableChange { }

    /** AUTO_INCREMENT. */
    record SetFirstNumber(long first) implements TableChange { }

    /** OWNER TO. */
    record OwnerTo(String role) implements TableChange { }
}
