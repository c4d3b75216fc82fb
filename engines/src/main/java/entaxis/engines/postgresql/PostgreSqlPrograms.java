package entaxis.engines.postgresql;

import entaxis.core.schema.ObjectComment;
import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.SecuredObject;
import entaxis.core.sql.Dialect;
import entaxis.engines.catalog.Catalog;
import entaxis.engines.catalog.CatalogReader;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/** Views, routines, triggers and rules, not of extensions (PostgreSQL manual, “System Information Functions”). */
final class PostgreSqlPrograms {
    private static final String OF_EXTENSION =
            " and not exists (select 1 from pg_depend e where e.objid = %s and e.deptype = 'e')";
    private static final String NO_GRANTS = "array[]::text[]";
    private static final String VIEWS =
            "select c.relkind::text, c.relname, pg_get_viewdef(c.oid, true), obj_description(c.oid, 'pg_class'), "
                    + PostgreSqlGrants.query("c.rel", "r")
                    + ", array(select a.attname::text || E'\\n' || col_description("
                    + "c.oid, a.attnum) from pg_attribute a where a.attrelid = c.oid and a.attnum > 0 and "
                    + "col_description(c.oid, a.attnum) is not null order by a.attnum) from pg_class c join "
                    + "pg_namespace n on n.oid = c.relnamespace"
                    + " where n.nspname = ? and c.relkind in ('v', 'm') and c.relpersistence <> 't'"
                    + OF_EXTENSION.formatted("c.oid") + " order by c.oid";
    private static final String ROUTINES =
            "select p.prokind::text, p.proname, pg_get_functiondef(p.oid), obj_description(p.oid, 'pg_proc'), "
                    + PostgreSqlGrants.query("p.pro", "f")
                    + ", array[]::text[] from pg_proc p join pg_namespace n on n.oid "
                    + "= p.pronamespace"
                    + " where n.nspname = ? and p.prokind in ('f', 'p', 'w')" + OF_EXTENSION.formatted("p.oid")
                    + " order by p.oid";
    private static final String TRIGGERS =
            "select 't', t.tgname, pg_get_triggerdef(t.oid, true), obj_description(t.oid, 'pg_trigger'), " + NO_GRANTS
                    + ", array[]::text[] from pg_trigger t join pg_class c on c.oid = "
                    + "t.tgrelid join pg_namespace n on n.oid = c.relnamespace"
            + " where n.nspname = ? and not t.tgisinternal order by t.oid";
    private static final String RULES =
            "select 'r', r.rulename, pg_get_ruledef(r.oid, true), obj_description(r.oid, 'pg_rewrite'), " + NO_GRANTS
                    + ", array[]::text[] from pg_rewrite r join pg_class c on c.oid = "
                    + "r.ev_class join pg_namespace n on n.oid = c.relnamespace"
            + " where n.nspname = ? and r.rulename <> '_RETURN' order by r.oid";

    private final CatalogReader reader;
    private final Dialect dialect;
    private final List<Program> programs = new ArrayList<>();

    PostgreSqlPrograms(CatalogReader reader) {
        this.reader = reader;
        this.dialect = Dialect.of(reader.engine());
    }

    List<Program> read(Catalog catalog, String schema) throws SQLException {
        for (String query : List.of(ROUTINES, VIEWS, RULES, TRIGGERS)) {
            catalog.each(query, row -> add(row, schema), schema);
        }
        return programs;
    }

    private void add(ResultSet row, String schema) throws SQLException {
        String name = row.getString(2);
        String text = row.getString(3);
        Program program = switch (row.getString(1)) {
            case "v" -> reader.program(ProgramKind.VIEW, name, "CREATE VIEW " + dialect.name(name) + " AS\n" + text);
            case "m" -> reader.program(ProgramKind.VIEW, name,
                    "CREATE MATERIALIZED VIEW " + dialect.name(name) + " AS\n" + text);
            case "p" -> reader.program(ProgramKind.PROCEDURE, name, unqualified(text, schema));
            case "t" -> reader.program(ProgramKind.TRIGGER, name, text);
            case "r" -> reader.program(ProgramKind.RULE, name, text);
            default -> reader.program(ProgramKind.FUNCTION, name, unqualified(text, schema));
        };
        List<ObjectComment> comments = new ArrayList<>();
        if (row.getString(4) != null) {
            comments.add(new ObjectComment("", row.getString(4)));
        }
        for (String column : (String[]) row.getArray(6).getArray()) {
            int end = column.indexOf('\n');
            comments.add(new ObjectComment(column.substring(0, end), column.substring(end + 1)));
        }
        programs.add(program.withComments(comments)
                .withGrants(Optional.of(PostgreSqlGrants.of(SecuredObject.of(program.kind()), row.getArray(5)))));
    }

    /** The engine names the schema of a routine always; what is carried along can be made in another one. */
    private String unqualified(String text, String schema) {
        return text.replaceFirst(Pattern.quote(dialect.name(schema) + "."), "");
    }
}
