package entaxis.engines.postgresql;

import entaxis.core.design.ProgramKind;
import entaxis.core.schema.Program;
import entaxis.core.sql.Dialect;
import entaxis.engines.catalog.Catalog;
import entaxis.engines.catalog.CatalogReader;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;

/** Views, routines, triggers and rules, not of extensions (PostgreSQL manual, “System Information Functions”). */
final class PostgreSqlPrograms {
    private static final String OF_EXTENSION =
            " and not exists (select 1 from pg_depend e where e.objid = %s and e.deptype = 'e')";
    private static final String VIEWS =
            "select c.relkind::text, c.relname, pg_get_viewdef(c.oid, true) from pg_class c join pg_namespace n on "
                    + "n.oid = c.relnamespace"
                    + " where n.nspname = ? and c.relkind in ('v', 'm') and c.relpersistence <> 't'"
                    + OF_EXTENSION.formatted("c.oid") + " order by c.oid";
    private static final String ROUTINES =
            "select p.prokind::text, p.proname, pg_get_functiondef(p.oid) from pg_proc p join pg_namespace n on n.oid "
                    + "= p.pronamespace"
                    + " where n.nspname = ? and p.prokind in ('f', 'p', 'w')" + OF_EXTENSION.formatted("p.oid")
                    + " order by p.oid";
    private static final String TRIGGERS =
            "select 't', t.tgname, pg_get_triggerdef(t.oid, true) from pg_trigger t join pg_class c on c.oid = "
                    + "t.tgrelid join pg_namespace n on n.oid = c.relnamespace"
            + " where n.nspname = ? and not t.tgisinternal order by t.oid";
    private static final String RULES =
            "select 'r', r.rulename, pg_get_ruledef(r.oid, true) from pg_rewrite r join pg_class c on c.oid = "
                    + "r.ev_class join pg_namespace n on n.oid = c.relnamespace"
            + " where n.nspname = ? and r.rulename <> '_RETURN' order by r.oid";

    private final CatalogReader reader;
    private final Dialect dialect;
    private final List<Program> programs = new ArrayList<>();

    PostgreSqlPrograms(CatalogReader reader) {
        this.reader = reader;
        this.dialect = Dialect.of(reader.engine());
    }

    private void add(ProgramKind kind, String name, String text) {
        programs.add(reader.program(kind, name, text));
    }

    List<Program> read(Catalog catalog, String schema) throws SQLException {
        for (String query : List.of(ROUTINES, VIEWS, RULES, TRIGGERS)) {
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
        return programs;
    }

    /** The engine names the schema of a routine always; what is carried along can be made in another one. */
    private String unqualified(String text, String schema) {
        return text.replaceFirst(Pattern.quote(dialect.name(schema) + "."), "");
    }
}
