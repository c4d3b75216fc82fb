package entaxis.core.statement;

import entaxis.core.expression.Expression;
import entaxis.core.schema.TableIndex.IndexColumn;
import java.util.List;

/**
 * A constraint of a table (ISO/IEC 9075-2, 11.6 to 11.9) or, where they stand among the columns, an index. Names are
 * empty where none is given; a place is that of the word that begins the constraint, behind its name.
 */
public sealed interface TableConstraint extends TableElement {
    /**
     * PRIMARY KEY.
     *
     * @param parts the columns with their lengths and orders, where the engine keeps those
     */
    record PrimaryKey(String name, List<String> columns, List<IndexColumn> parts, int place)
            implements TableConstraint {
        /** Copies the lists. */
        public PrimaryKey {
            columns = List.copyOf(columns);
            parts = List.copyOf(parts);
        }
    }

    /**
     * UNIQUE.
     *
     * @param parts the columns with their lengths and orders, and expressions, where the engine takes those
     */
    record Unique(String name, List<String> columns, List<IndexColumn> parts, int place) implements TableConstraint {
        /** Copies the lists. */
        public Unique {
            columns = List.copyOf(columns);
            parts = List.copyOf(parts);
        }
    }

    /** A key made of an index that is there (PostgreSQL manual, ALTER TABLE: ADD table_constraint_using_index). */
    record KeyFromIndex(boolean primary, String name, String index, int place) implements TableConstraint { }

    /** FOREIGN KEY. */
    record ForeignKey(String name, List<String> columns, Reference reference, int place) implements TableConstraint {
        /** Copies the columns. */
        public ForeignKey {
            columns = List.copyOf(columns);
        }
    }

    /** CHECK. */
    record Check(String name, Expression condition) implements TableConstraint { }

    /** KEY or INDEX. */
    record Index(IndexDefinition definition) implements TableConstraint { }

    /** EXCLUDE (PostgreSQL manual, CREATE TABLE): an index whose parts have operators. */
    record Exclusion(IndexDefinition definition) implements TableConstraint { }

    /** PERIOD FOR (MariaDB manual, “Application-Time Periods”). */
    record Period(String name, List<String> ends, int place) implements TableConstraint {
        /** Copies the columns. */
        public Period {
            ends = List.copyOf(ends);
        }
    }

    /** NOT NULL of a column. */
    record NotNull(String column) implements TableConstraint { }

    /** DEFAULT of a column (Transact-SQL Reference, ALTER TABLE). */
    record Default(String column, int place, Expression expression) implements TableConstraint { }
}
