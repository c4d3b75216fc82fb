package entaxis.core.reconcile;

import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Program;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.Neutral;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/** What a change of a table or column touches: keys, references both ways, indexes, checks, computed columns, and the views and routines that speak of it. Linear in the schema. */
public final class Touches {
    private Touches() { }

    /** What depends on a column of a table; on the whole table, if the column is empty. Each as a short phrase. */
    public static List<String> of(Schema schema, String table, String column, Dialect dialect) {
        List<String> touched = new ArrayList<>();
        schema.tables().stream().filter(own -> Names.of(own).equals(table)).findFirst().ifPresent(own -> within(own, column, dialect, touched));
        for (Table other : schema.tables()) {
            for (ForeignKey key : other.foreignKeys()) {
                boolean refers = Names.of(key.referencedNamespace(), key.referencedTable()).equals(table) && (column.isEmpty() || key.referencedColumns().contains(column));
                if (refers) {
                    touched.add("referred to by " + Names.of(other) + " (" + String.join(", ", key.columns()) + ")");
                }
            }
        }
        String bare = table.substring(table.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
        for (Program program : schema.programs()) {
            Set<String> names = Neutral.names(program.text(), dialect);
            if (names.contains(bare) && (column.isEmpty() || names.contains(column.toLowerCase(Locale.ROOT)) || program.text().contains("*"))) {
                touched.add("the " + program.kind().word() + " " + program.name());
            }
        }
        return touched;
    }

    private static void within(Table table, String column, Dialect dialect, List<String> touched) {
        String small = column.toLowerCase(Locale.ROOT);
        table.primaryKey().filter(key -> !column.isEmpty() && key.columns().contains(column)).ifPresent(key -> touched.add("the primary key (" + String.join(", ", key.columns()) + ")"));
        table.uniqueKeys().stream().filter(key -> !column.isEmpty() && key.columns().contains(column)).forEach(key -> touched.add("the unique key (" + String.join(", ", key.columns()) + ")"));
        table.foreignKeys().stream().filter(key -> column.isEmpty() || key.columns().contains(column)).forEach(key -> touched.add("the reference to " + key.referencedTable()));
        table.indexes().stream().filter(index -> column.isEmpty() ? !index.name().isEmpty() : index.columns().stream().anyMatch(part -> part.expression()
                ? Neutral.names(part.name(), dialect).contains(small) : part.name().equals(column))).forEach(index -> touched.add("the index " + index.name()));
        table.checks().stream().filter(check -> !column.isEmpty() && Neutral.names(check.condition(), dialect).contains(small)).forEach(check -> touched.add("the check " + check.name()));
        for (Column other : table.columns()) {
            if (!column.isEmpty() && other.generated().filter(text -> Neutral.names(text, dialect).contains(small)).isPresent()) {
                touched.add("the computed column " + other.name());
            }
        }
    }
}
