package entaxis.engines.h2;

import entaxis.core.schema.ObjectComment;
import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.core.sql.Dialect;
import entaxis.engines.catalog.Catalog;
import entaxis.engines.catalog.CatalogReader;
import entaxis.engines.catalog.FoldedName;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Views; routines and triggers are Java and are left where they are (H2 manual, “Information Schema”). */
final class H2Programs {
    private static final String VIEWS =
            "select v.table_name, v.view_definition, t.remarks from information_schema.views v join "
                    + "information_schema.tables t on t.table_schema = v.table_schema and t.table_name = v.table_name "
                    + "where v.table_schema = ? order by v.table_name";
    private static final String COLUMNS =
            "select c.table_name, c.column_name, c.remarks from information_schema.columns c join "
                    + "information_schema.views v on v.table_schema = c.table_schema and v.table_name = c.table_name "
                    + "where c.table_schema = ? and c.remarks is not null order by c.table_name, c.ordinal_position";

    private final CatalogReader reader;
    private final Dialect dialect;
    private final List<Program> programs = new ArrayList<>();

    H2Programs(CatalogReader reader) {
        this.reader = reader;
        this.dialect = Dialect.of(reader.engine());
    }

    List<Program> read(Catalog catalog, String schema) throws SQLException {
        Map<String, List<ObjectComment>> ofColumns = new HashMap<>();
        catalog.each(COLUMNS, row -> ofColumns.computeIfAbsent(row.getString(1), any -> new ArrayList<>())
                .add(new ObjectComment(FoldedName.of(row.getString(2)), row.getString(3))), schema);
        catalog.each(VIEWS, row -> {
            String name = FoldedName.of(row.getString(1));
            List<ObjectComment> comments = new ArrayList<>();
            if (row.getString(3) != null) {
                comments.add(new ObjectComment("", row.getString(3)));
            }
            comments.addAll(ofColumns.getOrDefault(row.getString(1), List.of()));
            programs.add(reader.program(ProgramKind.VIEW, name, "CREATE VIEW " + dialect.name(name) + " AS "
                    + row.getString(2).replace("\"" + schema + "\".", "")).withComments(comments));
        }, schema);
        return programs;
    }
}
