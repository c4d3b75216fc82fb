package entaxis.core.statement;

import entaxis.core.schema.PartitionBound;
import java.util.List;
import java.util.Optional;

/**
 * CREATE TABLE (ISO/IEC 9075-2, 11.3).
 *
 * @param onlyIfAbsent whether nothing is to be done where there is such a table
 * @param replaces     whether a table that is there goes before (MariaDB manual, CREATE OR REPLACE TABLE)
 * @param temporary    whether it goes with the session
 */
public record CreateTable(PlacedName name, boolean onlyIfAbsent, boolean replaces, boolean temporary,
        Source source, TableOptions options) implements Statement {
    /** Where the columns of a new table come from. */
    public sealed interface Source { }

    /** They are defined one by one, beside those of tables that are inherited. */
    public record Elements(List<TableElement> elements, List<PlacedName> inherited) implements Source {
        /** Copies the lists. */
        public Elements {
            elements = List.copyOf(elements);
            inherited = List.copyOf(inherited);
        }
    }

    /** All of them are those of another table, with its keys and indexes (MySQL manual, CREATE TABLE ... LIKE). */
    public record CopyOf(PlacedName model) implements Source { }

    /**
     * They are those of the whole that the table is a partition of (PostgreSQL manual, PARTITION OF).
     *
     * @param bound which rows it holds; empty where that was not understood
     */
    public record PartitionOf(PlacedName whole, List<TableElement> elements, Optional<PartitionBound> bound)
            implements Source {
        /** Copies the list. */
        public PartitionOf {
            elements = List.copyOf(elements);
        }
    }

    /** They are the fields of a type (PostgreSQL manual, CREATE TABLE ... OF). */
    public record OfType(PlacedName type, List<TableElement> elements) implements Source {
        /** Copies the list. */
        public OfType {
            elements = List.copyOf(elements);
        }
    }

    /** They are those of another table with their types, without any rules, as all of its rows are copied. */
    public record RowsOf(PlacedName model) implements Source { }

    /** They come from a query, so that they are not known. */
    public record OfQuery() implements Source { }
}
