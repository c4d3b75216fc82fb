package entaxis.engines.mysql;

import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.core.sql.Dialect;
import entaxis.engines.catalog.Catalog;
import entaxis.engines.catalog.CatalogReader;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Views, routines and triggers (MySQL and MariaDB manuals, “INFORMATION_SCHEMA Tables” and SHOW CREATE). */
final class MySqlPrograms {
    private static final String VIEWS =
            "select table_name, view_definition from information_schema.views where table_schema = ? order by "
                    + "table_name";
    private static final String ROUTINES =
            "select routine_type, routine_name from information_schema.routines where routine_schema = ? order by "
                    + "created, routine_name";
    private static final String TRIGGERS =
            "select trigger_name, action_timing, event_manipulation, event_object_table, action_statement from "
                    + "information_schema.triggers"
            + " where trigger_schema = ? order by created, trigger_name";

    private final CatalogReader reader;
    private final Dialect dialect;
    private final List<Program> programs = new ArrayList<>();

    MySqlPrograms(CatalogReader reader) {
        this.reader = reader;
        this.dialect = Dialect.of(reader.engine());
    }

    private void add(ProgramKind kind, String name, String text) {
        programs.add(reader.program(kind, name, text));
    }

    List<Program> read(Catalog catalog, String database) throws SQLException {
        List<String[]> routines = new ArrayList<>();
        catalog.each(ROUTINES, row -> routines.add(new String[] {row.getString(1), row.getString(2)}),
                database);
        for (String[] routine : routines) {
            ProgramKind kind = routine[0].equalsIgnoreCase("FUNCTION") ? ProgramKind.FUNCTION
                    : routine[0].equalsIgnoreCase("PROCEDURE") ? ProgramKind.PROCEDURE : ProgramKind.PACKAGE;
            if (kind != ProgramKind.PACKAGE) {
                catalog.each("SHOW CREATE " + kind.word().toUpperCase(Locale.ROOT) + " " + dialect.quoted(database)
                        + "." + dialect.quoted(routine[1]), row -> routine(kind, routine[1], row));
            }
        }
        catalog.each(VIEWS, row -> add(ProgramKind.VIEW, row.getString(1),
                "CREATE VIEW " + dialect.name(row.getString(1)) + " AS "
                        + row.getString(2).replace(dialect.quoted(database) + ".", "")),
                database);
        catalog.each(TRIGGERS,
                row -> add(ProgramKind.TRIGGER, row.getString(1), "CREATE TRIGGER " + dialect.name(row.getString(1))
                        + " " + row.getString(2) + " " + row.getString(3)
                + " ON " + dialect.name(row.getString(4)) + " FOR EACH ROW " + row.getString(5)), database);
        return programs;
    }

    /**
     * Without the account that made it, which need not exist elsewhere; the text is empty for those who may not see it.
     */
    private void routine(ProgramKind kind, String name, ResultSet row) throws SQLException {
        String text = Catalog.text(row, 3).replaceFirst("(?i)^CREATE DEFINER=`[^`]*`(@`[^`]*`)? ", "CREATE ");
        if (!text.isEmpty()) {
            add(kind, name, text);
        }
    }
}
