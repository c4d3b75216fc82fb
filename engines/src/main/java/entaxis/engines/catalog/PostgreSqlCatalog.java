package entaxis.engines.catalog;

import entaxis.core.design.Attribute.Identity;
import entaxis.core.design.Attribute.Numbering;
import entaxis.core.design.ReferentialAction;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.schema.TypeDefinition.FieldDefinition;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import entaxis.core.schema.UniqueKey;
import entaxis.core.type.SqlType;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.TypeReader;
import entaxis.core.type.TypeReading.Known;
import java.sql.Array;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

/** Reads the tables of a PostgreSQL schema. PostgreSQL manual, chapter “System Catalogs”: pg_class, pg_attribute, pg_constraint. */
public final class PostgreSqlCatalog {
    private static final String TABLES = """
            select c.relname, coalesce(obj_description(c.oid, 'pg_class'), '')
            from pg_class c join pg_namespace n on n.oid = c.relnamespace
            where n.nspname = ? and c.relkind in ('r', 'p') order by c.oid""";
    private static final String COLUMNS = """
            select c.relname, a.attname, format_type(a.atttypid, a.atttypmod), a.attnotnull, pg_get_expr(d.adbin, d.adrelid), a.attidentity::text,
                   coalesce(col_description(c.oid, a.attnum), ''), s.seqstart, s.seqincrement, pg_get_expr(g.adbin, g.adrelid), t.typnamespace = n.oid, t.typname
            from pg_attribute a join pg_class c on c.oid = a.attrelid join pg_namespace n on n.oid = c.relnamespace
            left join pg_attrdef d on d.adrelid = a.attrelid and d.adnum = a.attnum and a.attgenerated = ''
            left join pg_attrdef g on g.adrelid = a.attrelid and g.adnum = a.attnum and a.attgenerated <> ''
            left join pg_depend p on p.refobjid = c.oid and p.refobjsubid = a.attnum and p.classid = 'pg_class'::regclass and p.deptype = 'i' and a.attidentity <> ''
            left join pg_sequence s on s.seqrelid = p.objid
            join pg_type t on t.oid = a.atttypid
            where n.nspname = ? and c.relkind in ('r', 'p') and a.attnum > 0 and not a.attisdropped order by c.oid, a.attnum""";
    private static final String CONSTRAINTS = """
            select c.relname, k.conname, k.contype::text, pg_get_constraintdef(k.oid), r.relname,
                   array(select a.attname::text from unnest(k.conkey) with ordinality u(num, ord) join pg_attribute a on a.attrelid = k.conrelid and a.attnum = u.num order by u.ord),
                   array(select a.attname::text from unnest(k.confkey) with ordinality u(num, ord) join pg_attribute a on a.attrelid = k.confrelid and a.attnum = u.num order by u.ord),
                   k.confdeltype::text, k.confupdtype::text
            from pg_constraint k join pg_class c on c.oid = k.conrelid join pg_namespace n on n.oid = c.relnamespace
            left join pg_class r on r.oid = k.confrelid
            where n.nspname = ? and k.contype in ('p', 'u', 'f', 'c') order by c.oid, k.oid""";

    private static final String INDEXES = """
            select c.relname, i.relname, x.indisunique,
                   array(select a.attname::text from unnest(x.indkey) with ordinality u(num, ord) join pg_attribute a on a.attrelid = c.oid and a.attnum = u.num order by u.ord),
                   array(select (u.opt & 1)::int from unnest(x.indoption) with ordinality u(opt, ord) order by u.ord)
            from pg_index x join pg_class c on c.oid = x.indrelid join pg_class i on i.oid = x.indexrelid join pg_namespace n on n.oid = c.relnamespace
            where n.nspname = ? and not exists (select 1 from pg_constraint k where k.conindid = x.indexrelid) order by x.indexrelid""";
    private static final String TYPES = """
            select t.typname, t.typtype::text, format_type(t.typbasetype, t.typtypmod), t.typdefault, coalesce(obj_description(t.oid, 'pg_type'), ''),
                   array(select e.enumlabel::text from pg_enum e where e.enumtypid = t.oid order by e.enumsortorder), k.conname, pg_get_constraintdef(k.oid),
                   array(select a.attname::text from pg_attribute a where a.attrelid = t.typrelid and a.attnum > 0 order by a.attnum),
                   array(select format_type(a.atttypid, a.atttypmod) from pg_attribute a where a.attrelid = t.typrelid and a.attnum > 0 order by a.attnum)
            from pg_type t join pg_namespace n on n.oid = t.typnamespace left join pg_class c on c.oid = t.typrelid
            left join pg_constraint k on k.contypid = t.oid and k.contype = 'c'
            where n.nspname = ? and (t.typtype in ('d', 'e') or t.typtype = 'c' and c.relkind = 'c') order by t.oid""";

    private PostgreSqlCatalog() { }

    /** A table while its parts come in. */
    private static final class Draft {
        private final String comment;
        private final List<Column> columns = new ArrayList<>();
        private Optional<PrimaryKey> primaryKey = Optional.empty();
        private final List<UniqueKey> uniqueKeys = new ArrayList<>();
        private final List<CheckRule> checks = new ArrayList<>();
        private final List<ForeignKey> foreignKeys = new ArrayList<>();
        private final List<TableIndex> indexes = new ArrayList<>();

        Draft(String comment) {
            this.comment = comment;
        }
    }

    /**
     * All tables of a schema, in the order in which they were created.
     *
     * @throws SQLException if the catalog cannot be read
     */
    public static Schema read(Connection connection, String schema) throws SQLException {
        Map<String, Draft> drafts = new LinkedHashMap<>();
        each(connection, TABLES, schema, row -> drafts.put(row.getString(1), new Draft(row.getString(2))));
        each(connection, COLUMNS, schema, row -> drafts.get(row.getString(1)).columns.add(new Column(Optional.empty(), row.getString(2),
                row.getBoolean(11) ? new UserType(row.getString(12)) : type(row.getString(3)), row.getBoolean(4), Optional.ofNullable(row.getString(5)), identity(row.getString(6)),
                numbering(row), Optional.ofNullable(row.getString(10)), row.getString(7))));
        each(connection, CONSTRAINTS, schema, row -> constraint(drafts.get(row.getString(1)), row));
        each(connection, INDEXES, schema, row -> drafts.get(row.getString(1)).indexes.add(index(row)));
        List<TypeDefinition> types = new ArrayList<>();
        each(connection, TYPES, schema, row -> types.add(definition(row, schema)));
        List<Table> tables = new ArrayList<>();
        drafts.forEach((name, draft) -> tables.add(new Table(Optional.empty(), name, draft.columns, draft.primaryKey, draft.uniqueKeys, draft.checks,
                draft.foreignKeys, draft.indexes, draft.comment)));
        return new Schema(types, tables);
    }

    private static Optional<Numbering> numbering(ResultSet row) throws SQLException {
        Numbering numbers = new Numbering(row.getLong(8), row.getLong(9));
        return row.getString(6).isEmpty() || numbers.equals(Numbering.USUAL) ? Optional.empty() : Optional.of(numbers);
    }

    private static TableIndex index(ResultSet row) throws SQLException {
        List<String> names = names(row.getArray(4));
        Integer[] falling = (Integer[]) row.getArray(5).getArray();
        return new TableIndex(row.getString(2), row.getBoolean(3), IntStream.range(0, names.size()).mapToObj(i -> new IndexColumn(names.get(i), falling[i] == 1)).toList());
    }

    private static TypeDefinition definition(ResultSet row, String schema) throws SQLException {
        String name = row.getString(1);
        String comment = row.getString(5);
        return switch (row.getString(2)) {
            case "d" -> new DomainDefinition(name, type(row.getString(3)), Optional.ofNullable(row.getString(4)),
                    Optional.ofNullable(row.getString(7)).map(rule -> new CheckRule(rule, condition(row))), comment);
            case "e" -> new EnumDefinition(name, names(row.getArray(6)), comment);
            default -> {
                List<String> fields = names(row.getArray(9));
                List<String> fieldTypes = names(row.getArray(10));
                yield new StructureDefinition(name, IntStream.range(0, fields.size()).mapToObj(i -> new FieldDefinition(fields.get(i), used(fieldTypes.get(i), schema))).toList(),
                        comment);
            }
        };
    }

    private static String condition(ResultSet row) {
        try {
            return row.getString(8).replaceFirst("^CHECK \\((.*)\\)$", "$1");
        } catch (SQLException e) {
            throw new IllegalStateException("the catalog's answer cannot be read", e);
        }
    }

    private static SqlType used(String text, String schema) {
        return text.startsWith(schema + ".") ? new UserType(text.substring(schema.length() + 1)) : type(text);
    }

    private static void constraint(Draft draft, ResultSet row) throws SQLException {
        String name = row.getString(2);
        List<String> columns = names(row.getArray(6));
        switch (row.getString(3)) {
            case "p" -> draft.primaryKey = Optional.of(new PrimaryKey(name, columns));
            case "u" -> draft.uniqueKeys.add(new UniqueKey(name, columns));
            case "f" -> draft.foreignKeys.add(new ForeignKey(Optional.empty(), name, columns, row.getString(5), names(row.getArray(7)),
                    action(row.getString(8)), action(row.getString(9))));
            default -> draft.checks.add(new CheckRule(name, row.getString(4).replaceFirst("^CHECK \\((.*)\\)$", "$1")));
        }
    }

    private static List<String> names(Array array) throws SQLException {
        return List.of((String[]) array.getArray());
    }

    private static SqlType type(String text) {
        return TypeReader.read(text) instanceof Known(SqlType type) ? type : new SqlType.NativeType(text);
    }

    private static Identity identity(String letter) {
        return switch (letter) {
            case "a" -> Identity.ALWAYS;
            case "d" -> Identity.BY_DEFAULT;
            default -> Identity.NONE;
        };
    }

    private static ReferentialAction action(String letter) {
        return switch (letter) {
            case "r" -> ReferentialAction.RESTRICT;
            case "c" -> ReferentialAction.CASCADE;
            case "n" -> ReferentialAction.SET_NULL;
            case "d" -> ReferentialAction.SET_DEFAULT;
            default -> ReferentialAction.NO_ACTION;
        };
    }

    private interface RowUse {
        void use(ResultSet row) throws SQLException;
    }

    private static void each(Connection connection, String query, String schema, RowUse use) throws SQLException {
        try (PreparedStatement statement = connection.prepareStatement(query)) {
            statement.setString(1, schema);
            try (ResultSet rows = statement.executeQuery()) {
                while (rows.next()) {
                    use.use(rows);
                }
            }
        }
    }
}
