package entaxis.core.reading;

import java.util.List;

/** What a definition says apart from the name that it defines. */
sealed interface Meaning {

    /** A column's type and clauses, behind whatever name; taken from a column that is shared from now on. */
    record OfColumn(ColumnDraft model) implements Meaning {
        /** Shares the column. */
        public OfColumn {
            model.shared = true;
        }

        /** The column that means this under a name. */
        OfNamed named(String name) {
            ColumnDraft column = model.copy();
            column.name = name;
            column.shared = true;
            return new OfNamed(column);
        }
    }

    /** A column of a certain name, shared by all tables that have it so until one changes its own. */
    record OfNamed(ColumnDraft column) implements Meaning { }

    /** The columns of a primary or unique key. */
    record OfKey(boolean primary, List<String> columns) implements Meaning {
        /** Copies the names. */
        public OfKey {
            columns = List.copyOf(columns);
        }
    }

    /** A condition on each row. */
    record OfCheck(String condition) implements Meaning { }
}
