package entaxis.core.reading;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** What a definition says apart from the name that it defines. */
sealed interface Meaning {

    /** A column's type and clauses, behind whatever name. */
    final class OfColumn implements Meaning {
        private final ColumnDraft model;
        private final Map<String, OfNamed> byName = new HashMap<>();

        OfColumn(ColumnDraft model) {
            this.model = model.copy();
        }

        /** The column that means this under a name. */
        OfNamed named(String name) {
            return byName.computeIfAbsent(name, own -> {
                ColumnDraft column = model.copy();
                column.name = own;
                column.shared = true;
                return new OfNamed(column);
            });
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
