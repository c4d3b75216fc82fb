package entaxis.engines.catalog;

import entaxis.core.design.ProgramKind;
import entaxis.core.design.Target;
import entaxis.core.schema.Program;
import entaxis.core.sql.Dialect;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;

/**
 * Reads views, routines and triggers as the engine words them, in the order in which they were made. PostgreSQL manual,
 * “System Information Functions”: pg_get_viewdef, pg_get_functiondef, pg_get_triggerdef, pg_get_ruledef, without those
 * of extensions; MariaDB manual, “Information Schema Tables”: VIEWS, ROUTINES, TRIGGERS, and SHOW CREATE; SQLite keeps
 * the very statements; SQL Server documentation, sys.sql_modules: so does SQL Server; Oracle Database Reference,
 * ALL_VIEWS, ALL_MVIEWS, ALL_SOURCE; H2 manual, “Information Schema”: VIEWS, its routines are Java and are left where
 * they are.
 */
final class LivePrograms {
    private static final String OF_EXTENSION =
            " and not exists (select 1 from pg_depend e where e.objid = %s and e.deptype = 'e')";
    private static final String POSTGRES_VIEWS =
            "select c.relkind::text, c.relname, pg_get_viewdef(c.oid, true) from pg_class c join pg_namespace n on "
                    + "n.oid = c.relnamespace"
                    + " where n.nspname = ? and c.relkind in ('v', 'm') and c.relpersistence <> 't'"
                    + OF_EXTENSION.formatted("c.oid") + " order by c.oid";
    private static final String POSTGRES_ROUTINES =
            "select p.prokind::text, p.proname, pg_get_functiondef(p.oid) from pg_proc p join pg_namespace n on n.oid "
                    + "= p.pronamespace"
                    + " where n.nspname = ? and p.prokind in ('f', 'p', 'w')" + OF_EXTENSION.formatted("p.oid")
                    + " order by p.oid";
    private static final String POSTGRES_TRIGGERS =
            "select 't', t.tgname, pg_get_triggerdef(t.oid, true) from pg_trigger t join pg_class c on c.oid = "
                    + "t.tgrelid join pg_namespace n on n.oid = c.relnamespace"
            + " where n.nspname = ? and not t.tgisinternal order by t.oid";
    private static final String POSTGRES_RULES =
            "select 'r', r.rulename, pg_get_ruledef(r.oid, true) from pg_rewrite r join pg_class c on c.oid = "
                    + "r.ev_class join pg_namespace n on n.oid = c.relnamespace"
            + " where n.nspname = ? and r.rulename <> '_RETURN' order by r.oid";
    private static final String MARIADB_VIEWS =
            "select table_name, view_definition from information_schema.views where table_schema = ? order by "
                    + "table_name";
    private static final String MARIADB_ROUTINES =
            "select routine_type, routine_name from information_schema.routines where routine_schema = ? order by "
                    + "created, routine_name";
    private static final String MARIADB_TRIGGERS =
            "select trigger_name, action_timing, event_manipulation, event_object_table, action_statement from "
                    + "information_schema.triggers"
            + " where trigger_schema = ? order by created, trigger_name";
    private static final String SQLITE =
            "select type, name, sql from sqlite_schema where type in ('view', 'trigger') and sql is not null order by "
                    + "rowid";
    private static final String H2_VIEWS =
            "select table_name, view_definition from information_schema.views where table_schema = ? order by "
                    + "table_name";

    private static final String SQL_SERVER =
            "select o.type_desc, o.name, m.definition from sys.sql_modules m join sys.objects o on o.object_id = "
                    + "m.object_id join sys.schemas s on s.schema_id = o.schema_id"
                    + " where s.name = ? and o.type_desc in ('VIEW', 'SQL_STORED_PROCEDURE', 'SQL_SCALAR_FUNCTION', "
                    + "'SQL_INLINE_TABLE_VALUED_FUNCTION', 'SQL_TABLE_VALUED_FUNCTION', 'SQL_TRIGGER') and "
                    + "o.is_ms_shipped = 0 and m.definition is not null order by o.create_date, o.object_id";
    private static final String ORACLE_VIEWS =
            "select v.view_name, v.text from all_views v where v.owner = ? order by v.view_name";
    private static final String ORACLE_STORED_VIEWS =
            "select v.mview_name, v.query from all_mviews v where v.owner = ? order by v.mview_name";
    private static final String ORACLE_SOURCES =
            "select s.type, s.name, s.text from all_source s where s.owner = ? and s.type in ('FUNCTION', 'PROCEDURE', "
                    + "'PACKAGE', 'PACKAGE BODY', 'TRIGGER')"
            + " order by s.type, s.name, s.line";

    private final Target engine;
    private final Dialect dialect;
    private final List<Program> programs = new ArrayList<>();

    private LivePrograms(Target engine) {
        this.engine = engine;
        this.dialect = Dialect.of(engine);
    }

    /**
     * All of a schema.
     *
     * @throws SQLException if the catalog cannot be read
     */
    static List<Program> read(Catalog catalog, Target engine, String schema) throws SQLException {
        LivePrograms live = new LivePrograms(engine);
        switch (engine) {
            case POSTGRESQL -> live.postgreSql(catalog, schema);
            case MYSQL, MARIADB -> live.mariaDb(catalog, schema);
            case SQLITE -> catalog.each(SQLITE,
                    row -> live.add(row.getString(1).equals("view") ? ProgramKind.VIEW : ProgramKind.TRIGGER,
                            row.getString(2), row.getString(3)));
            case H2 -> catalog.each(H2_VIEWS, row -> live.add(ProgramKind.VIEW, FoldedName.of(row.getString(1)),
                    "CREATE VIEW " + live.dialect.name(FoldedName.of(row.getString(1))) + " AS "
                            + row.getString(2).replace("\"" + schema + "\".", "")),
                    schema);
            case SQLSERVER -> catalog.each(SQL_SERVER,
                    row -> live.add(kind(row.getString(1)), row.getString(2), row.getString(3)), schema);
            case ORACLE -> live.oracle(catalog, schema);
            case ISO -> { }
        }
        return live.programs;
    }

    private void add(ProgramKind kind, String name, String text) {
        programs.add(new Program(kind, "", name, engine, text.strip().replaceFirst(";$", "")));
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

    /** What is kept of a source begins with its kind; the lines come one by one. */
    private void oracle(Catalog catalog, String owner) throws SQLException {
        Map<List<String>, StringBuilder> sources = new LinkedHashMap<>();
        catalog.each(ORACLE_SOURCES, row -> sources
                .computeIfAbsent(List.of(row.getString(1), row.getString(2)), any -> new StringBuilder("CREATE "))
                .append(Catalog.text(row, 3)), owner);
        catalog.each(ORACLE_VIEWS, row -> {
            String name = FoldedName.of(row.getString(1));
            add(ProgramKind.VIEW, name, "CREATE VIEW " + dialect.name(name) + " AS " + row.getString(2));
        }, owner);
        catalog.each(ORACLE_STORED_VIEWS, row -> {
            String name = FoldedName.of(row.getString(1));
            add(ProgramKind.VIEW, name, "CREATE MATERIALIZED VIEW " + dialect.name(name) + " AS " + row.getString(2));
        }, owner);
        sources.forEach((id, text) -> programs.add(new Program(ProgramKind.valueOf(id.getFirst().split(" ")[0]), "",
                FoldedName.of(id.getLast()), engine, text.toString().strip())));
    }

    private void postgreSql(Catalog catalog, String schema) throws SQLException {
        for (String query : List.of(POSTGRES_ROUTINES, POSTGRES_VIEWS, POSTGRES_RULES, POSTGRES_TRIGGERS)) {
            catalog.each(query, row -> {
                String name = row.getString(2);
                String text = row.getString(3);
                switch (row.getString(1)) {
                    case "v" -> add(ProgramKind.VIEW, name, "CREATE VIEW " + dialect.name(name) + " AS\n" + text);
                    case "m" -> add(ProgramKind.VIEW, name,
                            "CREATE MATERIALIZED VIEW " + dialect.name(name) + " AS\n" + text);
                    case "p" -> add(ProgramKind.PROCEDURE, name, unqualified(text, schema));
                    case "t" -> add(ProgramKind.TRIGGER, name, text);
                    case "r" -> add(ProgramKind.RULE, name, text);
                    default -> add(ProgramKind.FUNCTION, name, unqualified(text, schema));
                }
            }, schema);
        }
    }

    /** The engine names the schema of a routine always; what is carried along can be made in another one. */
    private String unqualified(String text, String schema) {
        return text.replaceFirst(Pattern.quote(dialect.name(schema) + "."), "");
    }

    private void mariaDb(Catalog catalog, String database) throws SQLException {
        List<String[]> routines = new ArrayList<>();
        catalog.each(MARIADB_ROUTINES, row -> routines.add(new String[] {row.getString(1), row.getString(2)}),
                database);
        for (String[] routine : routines) {
            ProgramKind kind = routine[0].equalsIgnoreCase("FUNCTION") ? ProgramKind.FUNCTION
                    : routine[0].equalsIgnoreCase("PROCEDURE") ? ProgramKind.PROCEDURE : ProgramKind.PACKAGE;
            if (kind != ProgramKind.PACKAGE) {
                catalog.each("SHOW CREATE " + kind.word().toUpperCase(Locale.ROOT) + " " + dialect.quoted(database)
                        + "." + dialect.quoted(routine[1]), row -> mariaDbRoutine(kind, routine[1], row));
            }
        }
        catalog.each(MARIADB_VIEWS, row -> add(ProgramKind.VIEW, row.getString(1),
                "CREATE VIEW " + dialect.name(row.getString(1)) + " AS "
                        + row.getString(2).replace(dialect.quoted(database) + ".", "")),
                database);
        catalog.each(MARIADB_TRIGGERS,
                row -> add(ProgramKind.TRIGGER, row.getString(1), "CREATE TRIGGER " + dialect.name(row.getString(1))
                        + " " + row.getString(2) + " " + row.getString(3)
                + " ON " + dialect.name(row.getString(4)) + " FOR EACH ROW " + row.getString(5)), database);
    }

    /**
     * Without the account that made it, which need not exist elsewhere; the text is empty for those who may not see it.
     */
    private void mariaDbRoutine(ProgramKind kind, String name, ResultSet row) throws SQLException {
        String text = Catalog.text(row, 3).replaceFirst("(?i)^CREATE DEFINER=`[^`]*`@`[^`]*` ", "CREATE ");
        if (!text.isEmpty()) {
            add(kind, name, text);
        }
    }
}
