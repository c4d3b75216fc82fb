package entaxis.core.sql;

import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Table;
import entaxis.core.sql.AdaptationNote.Kind;
import entaxis.core.type.SqlType;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Columns of references get the type of the columns that they refer to, for engines that take no other (MySQL manual,
 * “FOREIGN KEY Constraints”; Transact-SQL reference, error 1753); a column that refers to one that refers on has the
 * type of the last one. Linear in the columns for each reference on the way.
 */
final class ReferenceTypes {
    private static final int MAX_STEPS = 16;

    private final Dialect dialect;
    private final Map<QualifiedName, Table> tables = new HashMap<>();
    private final List<AdaptationNote> notes;

    private ReferenceTypes(Dialect dialect, List<AdaptationNote> notes) {
        this.dialect = dialect;
        this.notes = notes;
    }

    /** The tables with fitting references; what is changed is noted. */
    static List<Table> alike(List<Table> given, Dialect dialect, List<AdaptationNote> notes) {
        ReferenceTypes types = new ReferenceTypes(dialect, notes);
        List<Table> now = given;
        boolean more = true;
        for (int step = 0; more && step < MAX_STEPS; step++) {
            types.tables.clear();
            now.forEach(table -> types.tables.put(table.qualifiedName(), table));
            List<Table> next = now.stream().map(types::fitted).toList();
            more = !next.equals(now);
            now = next;
        }
        return now;
    }

    private Table fitted(Table table) {
        Map<String, SqlType> wanted = new HashMap<>();
        for (ForeignKey key : table.foreignKeys()) {
            Optional<Table> other = Optional.ofNullable(tables.get(key.referenced()));
            for (int i = 0; i < Math.min(key.columns().size(), key.referencedColumns().size()); i++) {
                String own = key.columns().get(i);
                String referenced = key.referencedColumns().get(i);
                Optional<Column> column = column(table, own);
                Optional<SqlType> there = other.flatMap(parent -> column(parent, referenced)).map(Column::type);
                if (column.isPresent() && there.isPresent() && !wanted.containsKey(column.get().name())
                        && !dialect.refersTo(column.get().type(), there.get())) {
                    wanted.put(column.get().name(), there.get());
                    notes.add(new AdaptationNote(Kind.WORKED_AROUND, table.label(), own, "its type is "
                            + dialect.type(there.get()) + ", as that of " + key.referencedTable() + "." + referenced
                            + ", which it refers to"));
                }
            }
        }
        return wanted.isEmpty() ? table : table.withColumns(table.columns().stream()
                .map(column -> wanted.containsKey(column.name()) ? column.withType(wanted.get(column.name())) : column)
                .toList());
    }

    private static Optional<Column> column(Table table, String name) {
        return table.columns().stream().filter(column -> column.name().equalsIgnoreCase(name)).findFirst();
    }
}
