package entaxis.engines.sqlserver;

import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.engines.catalog.Catalog;
import entaxis.engines.catalog.CatalogReader;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;

/** Views, routines and triggers (SQL Server documentation, sys.sql_modules). */
final class SqlServerPrograms {
    private static final String MODULES =
            "select o.type_desc, o.name, m.definition from sys.sql_modules m join sys.objects o on o.object_id = "
                    + "m.object_id join sys.schemas s on s.schema_id = o.schema_id"
                    + " where s.name = ? and o.type_desc in ('VIEW', 'SQL_STORED_PROCEDURE', 'SQL_SCALAR_FUNCTION', "
                    + "'SQL_INLINE_TABLE_VALUED_FUNCTION', 'SQL_TABLE_VALUED_FUNCTION', 'SQL_TRIGGER') and "
                    + "o.is_ms_shipped = 0 and m.definition is not null order by o.create_date, o.object_id";

    private final CatalogReader reader;
    private final List<Program> programs = new ArrayList<>();

    SqlServerPrograms(CatalogReader reader) {
        this.reader = reader;
    }

    private void add(ProgramKind kind, String name, String text) {
        programs.add(reader.program(kind, name, text));
    }

    List<Program> read(Catalog catalog, String schema) throws SQLException {
        catalog.each(MODULES, row -> add(kind(row.getString(1)), row.getString(2), row.getString(3)), schema);
        return programs;
    }

    /** SQL Server documentation, sys.objects: the kinds of module. */
    private static ProgramKind kind(String description) {
        return switch (description) {
            case "VIEW" -> ProgramKind.VIEW;
            case "SQL_STORED_PROCEDURE" -> ProgramKind.PROCEDURE;
            case "SQL_TRIGGER" -> ProgramKind.TRIGGER;
            default -> ProgramKind.FUNCTION;
        };
    }
}
