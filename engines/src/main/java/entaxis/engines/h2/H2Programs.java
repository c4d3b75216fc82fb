package entaxis.engines.h2;

import entaxis.core.design.ProgramKind;
import entaxis.core.schema.Program;
import entaxis.core.sql.Dialect;
import entaxis.engines.catalog.Catalog;
import entaxis.engines.catalog.CatalogReader;
import entaxis.engines.catalog.FoldedName;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;

/** Views; routines and triggers are Java and are left where they are (H2 manual, “Information Schema”). */
final class H2Programs {
    private static final String VIEWS =
            "select table_name, view_definition from information_schema.views where table_schema = ? order by "
                    + "table_name";

    private final CatalogReader reader;
    private final Dialect dialect;
    private final List<Program> programs = new ArrayList<>();

    H2Programs(CatalogReader reader) {
        this.reader = reader;
        this.dialect = Dialect.of(reader.engine());
    }

    private void add(ProgramKind kind, String name, String text) {
        programs.add(reader.program(kind, name, text));
    }

    List<Program> read(Catalog catalog, String schema) throws SQLException {
        catalog.each(VIEWS, row -> add(ProgramKind.VIEW, FoldedName.of(row.getString(1)),
                "CREATE VIEW " + dialect.name(FoldedName.of(row.getString(1))) + " AS "
                        + row.getString(2).replace("\"" + schema + "\".", "")),
                schema);
        return programs;
    }
}
