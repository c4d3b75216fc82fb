package entaxis.engines.postgresql;

import entaxis.core.schema.Grant;
import entaxis.core.schema.Privileges;
import entaxis.core.schema.Schema;
import entaxis.core.schema.SecuredObject;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import entaxis.engines.catalog.Catalog;
import java.sql.Array;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Reads who may use what beside its owner. PostgreSQL manual, “Privileges” and “System Information Functions”:
 * aclexplode and acldefault.
 */
final class PostgreSqlGrants {
    private static final Dialect DIALECT = Dialect.of(Target.POSTGRESQL);
    /** Each privilege as its word, with a star if it may be handed on, and the role. */
    private static final String GRANTS =
            "array(select x.privilege_type || case when x.is_grantable then '* ' else ' ' end || case when "
                    + "x.grantee = 0 then 'PUBLIC' else pg_get_userbyid(x.grantee)::text end from aclexplode("
                    + "coalesce(%1$sacl, acldefault('%2$s', %1$sowner))) x where x.grantee <> %1$sowner)";
    private static final String RELATIONS = "select c.relname, %s from pg_class c join pg_namespace n on n.oid = "
            + "c.relnamespace where n.nspname = ? and c.relkind in (%s) and c.relpersistence <> 't' order by c.oid";
    private static final String TYPES = "select t.typname, " + query("t.typ", "T") + " from pg_type t join "
            + "pg_namespace n on n.oid = t.typnamespace left join pg_class c on c.oid = t.typrelid where n.nspname = ? "
            + "and (t.typtype in ('d', 'e') or t.typtype = 'c' and c.relkind = 'c') order by t.oid";

    private final Map<SecuredObject, Map<String, List<Grant>>> told = new EnumMap<>(SecuredObject.class);

    private PostgreSqlGrants() { }

    /**
     * What a query says of who may use an object.
     *
     * @param columns what the columns for its owner and its privileges begin with, such as {@code c.rel}
     * @param kind    the letter that acldefault takes
     */
    static String query(String columns, String kind) {
        return GRANTS.formatted(columns, kind);
    }

    /** What such a query gave. */
    static List<Grant> of(SecuredObject kind, Array told) throws SQLException {
        List<String> known = DIALECT.privileges(kind);
        List<Grant> grants = new ArrayList<>();
        for (String grant : (String[]) told.getArray()) {
            int end = grant.indexOf(' ');
            boolean option = grant.charAt(end - 1) == '*';
            String privilege = grant.substring(0, option ? end - 1 : end);
            if (known.contains(privilege)) {
                grants.add(new Grant(privilege, grant.substring(end + 1), option));
            }
        }
        return new Privileges(known, grants).grants();
    }

    /** A schema as it was read, with those who may use its tables, sequences and types. */
    static Schema told(Schema schema, Catalog catalog, String name) throws SQLException {
        PostgreSqlGrants grants = new PostgreSqlGrants();
        grants.read(catalog, SecuredObject.TABLE, RELATIONS.formatted(query("c.rel", "r"), "'r', 'p'"), name);
        grants.read(catalog, SecuredObject.SEQUENCE, RELATIONS.formatted(query("c.rel", "s"), "'S'"), name);
        grants.read(catalog, SecuredObject.TYPE, TYPES, name);
        return new Schema(
                schema.types().stream().map(type -> type.withGrants(grants.of(SecuredObject.TYPE, type.name())))
                        .toList(),
                schema.sequences().stream().map(own -> own.withGrants(grants.of(SecuredObject.SEQUENCE, own.name())))
                        .toList(),
                schema.tables().stream().map(table -> table.withGrants(grants.of(SecuredObject.TABLE, table.name())))
                        .toList(),
                schema.programs(), schema.extensions());
    }

    private void read(Catalog catalog, SecuredObject kind, String query, String schema) throws SQLException {
        Map<String, List<Grant>> byName = told.computeIfAbsent(kind, any -> new HashMap<>());
        catalog.each(query, row -> byName.put(row.getString(1), of(kind, row.getArray(2))), schema);
    }

    private Optional<List<Grant>> of(SecuredObject kind, String name) {
        return Optional.ofNullable(told.get(kind).get(name));
    }
}
