package entaxis.engines.postgresql;

import entaxis.core.expression.Expression;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ColumnDetails;
import entaxis.core.schema.Deferral;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Identity;
import entaxis.core.schema.IndexOrdering;
import entaxis.core.schema.Numbering;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Sequence;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.schema.TypeDefinition.FieldDefinition;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.schema.UniqueKey;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.SpelledTypes;
import entaxis.core.statement.CreateIndex;
import entaxis.core.statement.IndexDefinition;
import entaxis.core.statement.ScriptStatement;
import entaxis.core.syntax.ScriptParser;
import entaxis.core.syntax.ScriptSyntax;
import entaxis.core.targets.Target;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.SqlType;
import entaxis.engines.catalog.Catalog;
import entaxis.engines.catalog.TableParts;
import java.sql.Array;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * Reads the tables of a PostgreSQL schema. PostgreSQL manual, chapter “System Catalogs”: pg_class, pg_attribute,
 * pg_constraint, pg_index, pg_type, pg_sequence.
 */
public final class PostgreSqlCatalog {
    private static final Dialect DIALECT = Dialect.of(Target.POSTGRESQL);
    private static final String TABLES = """
            select c.relname, coalesce(obj_description(c.oid, 'pg_class'), '')
            from pg_class c join pg_namespace n on n.oid = c.relnamespace
            where n.nspname = ? and c.relkind in ('r', 'p') and c.relpersistence <> 't' order by c.oid""";
    private static final String COLUMNS = """
            select c.relname, a.attname, format_type(a.atttypid, a.atttypmod), a.attnotnull, pg_get_expr(d.adbin, \
            d.adrelid), a.attidentity::text,
                   coalesce(col_description(c.oid, a.attnum), ''), s.seqstart, s.seqincrement, pg_get_expr(g.adbin, \
                   g.adrelid), t.typnamespace = n.oid, t.typname,
                   o.seqstart, o.seqincrement, coalesce(e.typnamespace = n.oid, false), e.typname, a.attgenerated::text
            from pg_attribute a join pg_class c on c.oid = a.attrelid join pg_namespace n on n.oid = c.relnamespace
            left join pg_attrdef d on d.adrelid = a.attrelid and d.adnum = a.attnum and a.attgenerated = ''
            left join pg_attrdef g on g.adrelid = a.attrelid and g.adnum = a.attnum and a.attgenerated <> ''
            left join pg_depend p on p.refobjid = c.oid and p.refobjsubid = a.attnum and p.classid = \
            'pg_class'::regclass and p.deptype = 'i' and a.attidentity <> ''
            left join pg_sequence s on s.seqrelid = p.objid
            left join pg_depend q on q.refobjid = c.oid and q.refobjsubid = a.attnum and q.classid = \
            'pg_class'::regclass and q.deptype = 'a'
                 and exists (select 1 from pg_class w where w.oid = q.objid and w.relkind = 'S')
            left join pg_sequence o on o.seqrelid = q.objid and pg_get_expr(d.adbin, d.adrelid) like 'nextval(%'
            join pg_type t on t.oid = a.atttypid left join pg_type e on e.oid = t.typelem and t.typcategory = 'A'
            where n.nspname = ? and c.relkind in ('r', 'p') and c.relpersistence <> 't' and a.attnum > 0 and not \
            a.attisdropped order by c.oid, a.attnum""";
    private static final String CONSTRAINTS = """
            select c.relname, k.conname, k.contype::text, pg_get_constraintdef(k.oid), r.relname,
                   array(select a.attname::text from unnest(k.conkey) with ordinality u(num, ord) join pg_attribute a \
                   on a.attrelid = k.conrelid and a.attnum = u.num order by u.ord),
                   array(select a.attname::text from unnest(k.confkey) with ordinality u(num, ord) join pg_attribute \
                   a on a.attrelid = k.confrelid and a.attnum = u.num order by u.ord),
                   k.confdeltype::text, k.confupdtype::text, k.condeferrable, k.condeferred, m.nspname = n.nspname, \
                   m.nspname
            from pg_constraint k join pg_class c on c.oid = k.conrelid join pg_namespace n on n.oid = c.relnamespace
            left join pg_class r on r.oid = k.confrelid left join pg_namespace m on m.oid = r.relnamespace
            where n.nspname = ? and k.contype in ('p', 'u', 'f', 'c', 'x') and c.relpersistence <> 't' order by \
            c.oid, k.oid""";
    private static final String INDEXES = """
            select c.relname, i.relname, x.indisunique,
                   array(select pg_get_indexdef(x.indexrelid, k, true) from generate_series(1, x.indnkeyatts) k),
                   array(select (u.opt & 1)::int from unnest(x.indoption) with ordinality u(opt, ord) order by u.ord),
                   array(select coalesce(a.attname::text, '') from unnest(x.indkey) with ordinality u(num, ord) left \
                   join pg_attribute a on a.attrelid = c.oid and a.attnum = u.num
                         where u.ord <= x.indnkeyatts order by u.ord),
                   pg_get_expr(x.indpred, x.indrelid), m.amname, pg_get_indexdef(x.indexrelid),
                   array(select a.attname::text from unnest(x.indkey) with ordinality u(num, ord) join \
                   pg_attribute a on a.attrelid = c.oid and a.attnum = u.num \
                   where u.ord > x.indnkeyatts order by u.ord),
                   array(select case when pg_operator_is_visible(o.oid) then o.oprname::text else \
                   'OPERATOR(' || quote_ident(s.nspname) || '.' || o.oprname || ')' end \
                   from pg_constraint k, unnest(k.conexclop) with ordinality u(op, ord) join pg_operator o on \
                   o.oid = u.op join pg_namespace s on s.oid = o.oprnamespace \
                   where k.conindid = x.indexrelid and k.contype = 'x' order by u.ord)
            from pg_index x join pg_class c on c.oid = x.indrelid join pg_class i on i.oid = x.indexrelid join \
            pg_namespace n on n.oid = c.relnamespace join pg_am m on m.oid = i.relam
            where n.nspname = ? and c.relkind in ('r', 'p') and c.relpersistence <> 't'
                  and not exists (select 1 from pg_constraint k where k.conindid = x.indexrelid and k.contype in \
                  ('p', 'u')) order by x.indexrelid""";
    private static final String TYPES = """
            select t.typname, t.typtype::text,
                   case when f.typnamespace = n.oid then '"' || f.typname || '[]' when b.typnamespace = n.oid then \
                   '"' || b.typname else format_type(t.typbasetype, t.typtypmod) end, t.typdefault, \
                   coalesce(obj_description(t.oid, 'pg_type'), ''),
                   array(select e.enumlabel::text from pg_enum e where e.enumtypid = t.oid order by e.enumsortorder), \
                   k.conname,
                   array(select pg_get_constraintdef(d.oid) from pg_constraint d where d.contypid = t.oid and \
                   d.contype = 'c' order by d.oid),
                   array(select a.attname::text from pg_attribute a where a.attrelid = t.typrelid and a.attnum > 0 \
                   and not a.attisdropped order by a.attnum),
                   array(select case when z.typnamespace = n.oid then '"' || z.typname || '[]' when y.typnamespace = \
                   n.oid then '"' || y.typname else format_type(a.atttypid, a.atttypmod) end
                         from pg_attribute a join pg_type y on y.oid = a.atttypid left join pg_type z on z.oid = \
                         y.typelem and y.typcategory = 'A' where a.attrelid = t.typrelid and a.attnum > 0 and not \
                         a.attisdropped order by a.attnum),
                   t.typnotnull
            from pg_type t join pg_namespace n on n.oid = t.typnamespace left join pg_class c on c.oid = t.typrelid \
            left join pg_type b on b.oid = t.typbasetype
            left join pg_type f on f.oid = b.typelem and b.typcategory = 'A'
            left join lateral (select * from pg_constraint k where k.contypid = t.oid and k.contype = 'c' order by \
            k.oid limit 1) k on true
            where n.nspname = ? and (t.typtype in ('d', 'e') or t.typtype = 'c' and c.relkind = 'c') order by t.oid""";
    private static final String EXTENSIONS = "select extname from pg_extension where extname <> 'plpgsql' order by oid";
    private static final String SEQUENCES = """
            select c.relname, s.seqstart, s.seqincrement, coalesce(obj_description(c.oid, 'pg_class'), '') from \
            pg_sequence s join pg_class c on c.oid = s.seqrelid \
            join pg_namespace n on n.oid = c.relnamespace
            where n.nspname = ? and c.relpersistence <> 't'
                  and not exists (select 1 from pg_depend d where d.objid = c.oid and d.classid = \
                  'pg_class'::regclass and d.deptype in ('a', 'i') and d.refobjsubid > 0) order by c.oid""";

    private PostgreSqlCatalog() { }

    /**
     * All tables of a schema, in the order in which they were created.
     *
     * @throws SQLException if the catalog cannot be read
     */
    public static Schema read(Catalog catalog, String schema) throws SQLException {
        Map<String, TableParts> tables = new LinkedHashMap<>();
        catalog.each(TABLES, row -> tables.put(row.getString(1), new TableParts(row.getString(1), row.getString(2))),
                schema);
        catalog.each(COLUMNS, row -> tables.get(row.getString(1)).columns().add(column(row)), schema);
        catalog.each(CONSTRAINTS, row -> constraint(tables.get(row.getString(1)), row), schema);
        catalog.each(INDEXES, row -> tables.get(row.getString(1)).indexes().add(index(row)), schema);
        List<TypeDefinition> types = new ArrayList<>();
        catalog.each(TYPES, row -> types.add(definition(row)), schema);
        List<Sequence> sequences = new ArrayList<>();
        catalog.each(SEQUENCES,
                row -> sequences.add(new Sequence("", row.getString(1), row.getLong(2), row.getLong(3),
                        row.getString(4))), schema);
        List<String> extensions = new ArrayList<>();
        catalog.each(EXTENSIONS, row -> extensions.add(row.getString(1)));
        Schema read = new Schema(types, sequences, tables.values().stream().map(TableParts::table).toList(), List.of(),
                extensions);
        return PostgreSqlGrants.told(PostgreSqlHierarchies.told(read, catalog, schema), catalog, schema);
    }

    private static Column column(ResultSet row) throws SQLException {
        SqlType type = row.getBoolean(15) ? SpelledTypes.array(UserType.of(row.getString(16)), 1)
                : row.getBoolean(11) ? UserType.of(row.getString(12)) : type(row.getString(3));
        boolean counted = row.getObject(13) != null;
        Identity identity = counted ? Identity.BY_DEFAULT : identity(row.getString(6));
        Numbering numbers = counted ? new Numbering(row.getLong(13), row.getLong(14))
                : row.getObject(8) == null ? Numbering.DEFAULT : new Numbering(row.getLong(8), row.getLong(9));
        Optional<Numbering> numbering = identity == Identity.NONE || numbers.equals(Numbering.DEFAULT)
                ? Optional.empty() : Optional.of(numbers);
        boolean virtual = row.getString(17).equals("v");
        return Column.of(row.getString(2), type).withRequired(row.getBoolean(4))
                .withDefault(counted ? Optional.empty() : defaultValue(row.getString(5)).map(Expression::of))
                .withIdentity(identity, numbering)
                .withGenerated(Optional.ofNullable(row.getString(10)).map(Expression::of))
                .with(ColumnDetails.NONE.computedAtReading(virtual)).withComment(row.getString(7));
    }

    /** A default of no value is none. */
    private static Optional<String> defaultValue(String expression) {
        return Optional.ofNullable(expression)
                .filter(text -> !text.toLowerCase(java.util.Locale.ROOT).matches("null(::.*)?"));
    }

    private static TableIndex index(ResultSet row) throws SQLException {
        List<String> spelled = names(row.getArray(4));
        Integer[] falling = (Integer[]) row.getArray(5).getArray();
        List<String> columns = names(row.getArray(6));
        String method = row.getString(8);
        List<IndexColumn> defined = defined(row.getString(9));
        List<String> operators = names(row.getArray(11));
        List<IndexColumn> parts = IntStream.range(0, columns.size())
                .mapToObj(i -> (columns.get(i).isEmpty() ? IndexColumn.of(Expression.of(spelled.get(i)))
                        : new IndexColumn(columns.get(i), false)).falling(falling[i] == 1)
                        .ordered(i < defined.size() ? defined.get(i).ordering() : IndexOrdering.DEFAULT)
                        .excluding(operators.isEmpty() ? "" : operators.get(i)))
                .toList();
        return new TableIndex(row.getString(2), row.getBoolean(3), parts, method.equals("btree") ? "" : method,
                Optional.ofNullable(row.getString(7)).map(Expression::of), names(row.getArray(10)));
    }

    /** The parts of an index by the statement that defines it; none if something in it is not understood. */
    private static List<IndexColumn> defined(String statement) {
        ScriptParser parser = new ScriptParser(statement, ScriptSyntax.of(Target.POSTGRESQL));
        boolean more = parser.next();
        return (more ? parser.statements() : List.<ScriptStatement>of()).stream().map(ScriptStatement::statement)
                .filter(CreateIndex.class::isInstance).map(CreateIndex.class::cast)
                .flatMap(create -> create.definition().stream()).findFirst().map(IndexDefinition::columns)
                .orElse(List.of());
    }

    private static TypeDefinition definition(ResultSet row) throws SQLException {
        QualifiedName name = QualifiedName.of(row.getString(1));
        String comment = row.getString(5);
        return switch (row.getString(2)) {
            case "d" -> {
                Optional<CheckRule> check = row.getString(7) == null ? Optional.empty()
                        : Optional.of(new CheckRule(row.getString(7), all(names(row.getArray(8)))));
                yield DomainDefinition.of(name, used(row.getString(3)))
                        .withDefault(Optional.ofNullable(row.getString(4)).map(Expression::of))
                        .withRequired(row.getBoolean(11)).ruled(check).withComment(comment);
            }
            case "e" -> new EnumDefinition(name, names(row.getArray(6)), comment);
            default -> {
                List<String> fields = names(row.getArray(9));
                List<String> fieldTypes = names(row.getArray(10));
                yield new StructureDefinition(name,
                        IntStream.range(0, fields.size())
                                .mapToObj(i -> new FieldDefinition(fields.get(i), used(fieldTypes.get(i)))).toList(),
                        comment);
            }
        };
    }

    private static String condition(String definition) {
        return definition.replaceFirst("(?s)^CHECK \\((.*)\\)(?: NOT VALID| NO INHERIT| NOT ENFORCED)*$", "$1");
    }

    /** A domain may have several conditions; all of them hold. */
    private static String all(List<String> definitions) {
        List<String> conditions = definitions.stream().map(PostgreSqlCatalog::condition).toList();
        return conditions.size() == 1 ? conditions.getFirst()
                : conditions.stream().map(condition -> "(" + condition + ")").collect(Collectors.joining(" AND "));
    }

    /** A type of the schema's own comes marked by a quote in front. */
    private static SqlType used(String text) {
        if (text.startsWith("\"") && text.endsWith("[]")) {
            return SpelledTypes.array(UserType.of(text.substring(1, text.length() - 2)), 1);
        }
        return text.startsWith("\"") ? UserType.of(text.substring(1)) : type(text);
    }

    private static void constraint(TableParts table, ResultSet row) throws SQLException {
        String name = row.getString(2);
        List<String> columns = names(row.getArray(6));
        switch (row.getString(3)) {
            case "p" -> table.setPrimaryKey(Optional.of(new PrimaryKey(name, columns)));
            case "u" -> table.uniqueKeys().add(new UniqueKey(name, columns));
            case "f" -> table.foreignKeys().add(ForeignKey.of(name, columns,
                    new QualifiedName(row.getBoolean(12) ? "" : row.getString(13), row.getString(5)),
                    names(row.getArray(7))).withActions(action(row.getString(8)), action(row.getString(9)))
                    .with(row.getBoolean(11) ? Deferral.INITIALLY_DEFERRED
                            : row.getBoolean(10) ? Deferral.INITIALLY_IMMEDIATE : Deferral.NOT_DEFERRABLE));
            case "x" -> { }   // stands among the indexes
            default -> table.checks().add(new CheckRule(name, condition(row.getString(4))));
        }
    }

    static List<String> names(Array array) throws SQLException {
        return List.of((String[]) array.getArray());
    }

    private static SqlType type(String text) {
        int dimensions = 0;
        String element = text;
        while (element.endsWith("[]")) {
            element = element.substring(0, element.length() - 2);
            dimensions++;
        }
        return SpelledTypes.array(DIALECT.read(SpelledTypes.cut(element)), dimensions);
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
}
