package entaxis.engines.h2;

import entaxis.core.expression.Expression;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Identity;
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
import entaxis.core.targets.Target;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.SqlType;
import entaxis.engines.catalog.Catalog;
import entaxis.engines.catalog.FoldedName;
import entaxis.engines.catalog.TableParts;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * Reads the tables of an H2 schema. H2 manual, “Information Schema”. Names that it folded are given in small letters.
 */
public final class H2Catalog {
    private static final Dialect DIALECT = Dialect.of(Target.H2);
    private static final int UNLIMITED = 1_000_000_000;
    private static final String TYPE = """
            c.data_type, c.character_maximum_length, c.numeric_precision, c.numeric_scale, c.datetime_precision, \
            c.interval_type, c.dtd_identifier, c.declared_data_type""";
    private static final String TABLES =
            "select table_name, coalesce(remarks, '') from information_schema.tables where table_schema = ? and "
                    + "table_type = 'BASE TABLE' order by table_name";
    private static final String COLUMNS = "select " + TYPE + """
            , c.table_name, c.column_name, c.is_nullable, c.column_default, c.is_identity, c.identity_generation, \
            c.identity_start, c.identity_increment, c.is_generated,
            c.generation_expression, coalesce(c.remarks, ''), c.domain_name, c.domain_schema
            from information_schema.columns c join information_schema.tables t on t.table_schema = c.table_schema and \
            t.table_name = c.table_name
            where c.table_schema = ? and t.table_type = 'BASE TABLE' order by c.table_name, c.ordinal_position""";
    private static final String KEYS = """
            select t.table_name, t.constraint_name, t.constraint_type, k.column_name from \
            information_schema.table_constraints t
            join information_schema.key_column_usage k on k.constraint_schema = t.constraint_schema and \
            k.constraint_name = t.constraint_name
            where t.table_schema = ? and t.constraint_type in ('PRIMARY KEY', 'UNIQUE') order by t.constraint_name, \
            k.ordinal_position""";
    private static final String REFERENCES = """
            select k.table_name, k.constraint_name, k.column_name, p.table_schema, p.table_name, p.column_name, \
            r.delete_rule, r.update_rule
            from information_schema.referential_constraints r
            join information_schema.key_column_usage k on k.constraint_schema = r.constraint_schema and \
            k.constraint_name = r.constraint_name
            join information_schema.key_column_usage p on p.constraint_schema = r.unique_constraint_schema and \
            p.constraint_name = r.unique_constraint_name
                 and p.ordinal_position = k.position_in_unique_constraint
            where k.table_schema = ? order by k.constraint_name, k.ordinal_position""";
    private static final String CHECKS = """
            select t.table_name, t.constraint_name, c.check_clause from information_schema.table_constraints t
            join information_schema.check_constraints c on c.constraint_schema = t.constraint_schema and \
            c.constraint_name = t.constraint_name
            where t.table_schema = ? and t.constraint_type = 'CHECK' order by t.constraint_name""";
    private static final String INDEXES = """
            select i.table_name, i.index_name, i.index_type_name, c.column_name, c.ordering_specification from \
            information_schema.indexes i
            join information_schema.index_columns c on c.index_schema = i.index_schema and c.index_name = i.index_name
            where i.table_schema = ? and not i.is_generated order by i.index_name, c.ordinal_position""";
    private static final String DOMAINS = "select " + TYPE.replace("c.declared_data_type", "''") + """
            , c.domain_name, c.domain_default, coalesce(c.remarks, ''), d.constraint_name, k.check_clause from \
            information_schema.domains c
            left join information_schema.domain_constraints d on d.domain_schema = c.domain_schema and d.domain_name \
            = c.domain_name
            left join information_schema.check_constraints k on k.constraint_schema = d.constraint_schema and \
            k.constraint_name = d.constraint_name
            where c.domain_schema = ? order by c.domain_name""";
    private static final String VALUES =
            "select object_name, object_type, enum_identifier, value_name from information_schema.enum_values where "
                    + "object_schema = ? "
            + "order by object_name, enum_identifier, cast(value_ordinal as integer)";
    private static final String FIELDS = "select f.object_name, f.field_name, "
            + TYPE.replace("c.declared_data_type", "''").replace("c.", "f.")
            + " from information_schema.fields f where f.object_schema = ? and f.object_type = 'DOMAIN' order by "
            + "f.object_name, f.ordinal_position";
    private static final String ELEMENTS = "select e.object_name, e.collection_type_identifier, "
            + TYPE.replace("c.declared_data_type", "''").replace("c.", "e.")
            + " from information_schema.element_types e where e.object_schema = ? and e.object_type = 'TABLE'";
    private static final String SEQUENCES =
            "select sequence_name, start_value, increment, coalesce(remarks, '') from information_schema.sequences "
                    + "where sequence_schema = ? order by sequence_name";

    private final String schema;
    private final Map<String, List<String>> values = new HashMap<>();
    private final Map<String, SqlType> elements = new HashMap<>();

    private H2Catalog(String schema) {
        this.schema = schema;
    }

    /**
     * All tables of a schema, by name.
     *
     * @throws SQLException if the catalog cannot be read
     */
    public static Schema read(Catalog catalog, String schema) throws SQLException {
        return new H2Catalog(schema).read(catalog);
    }

    private Schema read(Catalog catalog) throws SQLException {
        Map<String, TableParts> tables = new LinkedHashMap<>();
        catalog.each(VALUES,
                row -> values.computeIfAbsent(row.getString(1) + "\u0000" + row.getString(3), any -> new ArrayList<>())
                        .add(row.getString(4)),
                schema);
        catalog.each(ELEMENTS,
                row -> elements.put(row.getString(1) + "\u0000" + row.getString(2), type(row, 3, row.getString(1))),
                schema);
        catalog.each(TABLES,
                row -> tables.put(row.getString(1), new TableParts(FoldedName.of(row.getString(1)), row.getString(2))),
                schema);
        catalog.each(COLUMNS, row -> tables.get(row.getString(9)).columns().add(column(row)), schema);
        catalog.each(KEYS, row -> key(tables.get(row.getString(1)), row), schema);
        catalog.each(CHECKS, row -> tables.get(row.getString(1)).checks()
                .add(new CheckRule(FoldedName.of(row.getString(2)), H2Texts.plain(row.getString(3)))), schema);
        references(catalog, tables);
        indexes(catalog, tables);
        List<Sequence> sequences = new ArrayList<>();
        catalog.each(SEQUENCES,
                row -> sequences.add(new Sequence("", FoldedName.of(row.getString(1)), row.getLong(2), row.getLong(3),
                        row.getString(4))),
                schema);
        sequences.removeIf(sequence -> sequence.name().startsWith("system_sequence"));
        return new Schema(types(catalog), sequences, tables.values().stream().map(TableParts::table).toList(),
                List.of());
    }

    private SqlType type(ResultSet row, int from, String owner) throws SQLException {
        String data = row.getString(from).toLowerCase(Locale.ROOT);
        String dtd = Catalog.text(row, from + 6);
        OptionalInt length = row.getLong(from + 1) == 0 || row.getLong(from + 1) == UNLIMITED ? OptionalInt.empty()
                : OptionalInt.of((int) Math.min(Integer.MAX_VALUE, row.getLong(from + 1)));
        String fraction = row.getObject(from + 4) == null ? "" : "(" + row.getInt(from + 4) + ")";
        String spelled = switch (data) {
            case "character varying", "binary varying", "varchar_ignorecase" ->
                    data + (length.isPresent() ? "(" + length.getAsInt() + ")" : "");
            case "character", "binary" -> data + "(" + length.orElse(1) + ")";
            case "decfloat" -> data + "(" + row.getInt(from + 2) + ")";
            case "numeric", "decimal" -> "numeric(" + row.getInt(from + 2) + "," + row.getInt(from + 3) + ")";
            case "time", "timestamp", "time with time zone", "timestamp with time zone" ->
                    data.replaceFirst("^(time(?:stamp)?)", "$1" + fraction);
            case "interval" ->
                    "interval " + Catalog.text(row, from + 5).toLowerCase(Locale.ROOT).replaceAll("\\([0-9]+\\)", "");
            default -> data;
        };
        return switch (data) {
            case "enum" -> new SqlType.EnumType(values.getOrDefault(owner + "\u0000" + dtd, List.of()));
            case "array" -> new SqlType.ArrayType(elements.getOrDefault(owner + "\u0000" + dtd, SqlType.largeText()));
            default -> DIALECT.read(SpelledTypes.cut(spelled));
        };
    }

    private Column column(ResultSet row) throws SQLException {
        boolean own = row.getString(20) != null;
        SqlType type = own ? UserType.of(FoldedName.of(row.getString(20))) : type(row, 1, row.getString(9));
        boolean identity = "YES".equals(row.getString(13));
        Numbering numbers = identity ? new Numbering(row.getLong(15), row.getLong(16)) : Numbering.DEFAULT;
        boolean generated = "ALWAYS".equals(row.getString(17));
        Optional<Expression> expression =
                Optional.ofNullable(row.getString(generated ? 18 : 12)).map(H2Texts::plain).map(Expression::of);
        Column column = Column.of(FoldedName.of(row.getString(10)), type)
                .withRequired("NO".equals(row.getString(11)))
                .withIdentity(!identity ? Identity.NONE
                        : "ALWAYS".equals(row.getString(14)) ? Identity.ALWAYS : Identity.BY_DEFAULT,
                        numbers.equals(Numbering.DEFAULT) ? Optional.empty() : Optional.of(numbers))
                .withComment(row.getString(19));
        return generated ? column.withGenerated(expression) : column.withDefault(expression);
    }

    private static void key(TableParts table, ResultSet row) throws SQLException {
        String name = FoldedName.of(row.getString(2));
        String column = FoldedName.of(row.getString(4));
        if (row.getString(3).equals("PRIMARY KEY")) {
            List<String> columns = new ArrayList<>(table.primaryKey().map(PrimaryKey::columns).orElse(List.of()));
            columns.add(column);
            table.setPrimaryKey(Optional.of(new PrimaryKey(name, columns)));
        } else if (!table.uniqueKeys().isEmpty() && table.uniqueKeys().getLast().name().equals(name)) {
            List<String> columns = new ArrayList<>(table.uniqueKeys().removeLast().columns());
            columns.add(column);
            table.uniqueKeys().add(new UniqueKey(name, columns));
        } else {
            table.uniqueKeys().add(new UniqueKey(name, List.of(column)));
        }
    }

    private void references(Catalog catalog, Map<String, TableParts> tables) throws SQLException {
        Map<String, ForeignKey> keys = new LinkedHashMap<>();
        Map<String, String> owners = new HashMap<>();
        catalog.each(REFERENCES, row -> {
            String id = row.getString(2);
            owners.put(id, row.getString(1));
            ForeignKey before = keys.get(id);
            List<String> columns = new ArrayList<>(before == null ? List.of() : before.columns());
            List<String> referenced = new ArrayList<>(before == null ? List.of() : before.referencedColumns());
            columns.add(FoldedName.of(row.getString(3)));
            referenced.add(FoldedName.of(row.getString(6)));
            String namespace = row.getString(4).equals(schema) ? "" : FoldedName.of(row.getString(4));
            keys.put(id, ForeignKey.of(FoldedName.of(id), columns,
                    new QualifiedName(namespace, FoldedName.of(row.getString(5))), referenced)
                    .withActions(ReferentialAction.valueOf(row.getString(7).replace(' ', '_')),
                            ReferentialAction.valueOf(row.getString(8).replace(' ', '_'))));
        }, schema);
        keys.forEach((id, key) -> tables.get(owners.get(id)).foreignKeys().add(key));
    }

    private void indexes(Catalog catalog, Map<String, TableParts> tables) throws SQLException {
        catalog.each(INDEXES, row -> {
            List<TableIndex> indexes = tables.get(row.getString(1)).indexes();
            String name = FoldedName.of(row.getString(2));
            List<IndexColumn> columns = new ArrayList<>();
            if (!indexes.isEmpty() && indexes.getLast().name().equals(name)) {
                columns.addAll(indexes.removeLast().columns());
            }
            columns.add(new IndexColumn(FoldedName.of(row.getString(4)), "DESC".equals(row.getString(5))));
            indexes.add(new TableIndex(name, row.getString(3).contains("UNIQUE"), columns));
        }, schema);
    }

    private List<TypeDefinition> types(Catalog catalog) throws SQLException {
        Map<String, List<FieldDefinition>> fields = new HashMap<>();
        catalog.each(FIELDS,
                row -> fields.computeIfAbsent(row.getString(1), any -> new ArrayList<>())
                        .add(new FieldDefinition(FoldedName.of(row.getString(2)),
                type(row, 3, row.getString(1)))), schema);
        List<TypeDefinition> types = new ArrayList<>();
        catalog.each(DOMAINS, row -> {
            String held = row.getString(9);
            String kind = row.getString(1);
            Optional<CheckRule> check = row.getString(12) == null ? Optional.empty()
                    : Optional.of(new CheckRule(FoldedName.of(row.getString(12)), H2Texts.plain(row.getString(13))));
            QualifiedName name = QualifiedName.of(FoldedName.of(held));
            types.add(switch (kind) {
                case "ENUM" -> new EnumDefinition(name, ((SqlType.EnumType) type(row, 1, held)).values(),
                        row.getString(11));
                case "ROW" -> new StructureDefinition(name, fields.getOrDefault(held, List.of()),
                        row.getString(11));
                default -> DomainDefinition.of(name, type(row, 1, held))
                        .withDefault(Optional.ofNullable(row.getString(10)).map(H2Texts::plain)
                                .map(Expression::of))
                        .ruled(check).withComment(row.getString(11));
            });
        }, schema);
        return types;
    }
}
