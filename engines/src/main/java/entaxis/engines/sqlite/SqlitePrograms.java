package entaxis.engines.sqlite;

import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.engines.catalog.Catalog;
import entaxis.engines.catalog.CatalogReader;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;

/** Views and triggers, whose very statements are kept (SQLite documentation, “The Schema Table”). */
final class SqlitePrograms {
    private static final String STATEMENTS =
            "select type, name, sql from sqlite_schema where type in ('view', 'trigger') and sql is not null order by "
                    + "rowid";

    private final CatalogReader reader;
    private final List<Program> programs = new ArrayList<>();

    SqlitePrograms(CatalogReader reader) {
        this.reader = reader;
    }

    private void add(ProgramKind kind, String name, String text) {
        programs.add(reader.program(kind, name, text));
    }

    List<Program> read(Catalog catalog) throws SQLException {
        catalog.each(STATEMENTS, row -> add(row.getString(1).equals("view") ? ProgramKind.VIEW : ProgramKind.TRIGGER,
                row.getString(2), row.getString(3)));
        return programs;
    }
}
