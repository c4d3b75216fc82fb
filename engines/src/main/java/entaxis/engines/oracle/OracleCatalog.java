package entaxis.engines.oracle;

import entaxis.core.expression.Expression;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ColumnDetails;
import entaxis.core.schema.Deferral;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Numbering;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Sequence;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.schema.TableIndex;
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
import entaxis.engines.catalog.Grouped;
import entaxis.engines.catalog.TableParts;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads the tables of an Oracle schema. Oracle Database Reference, “Static Data Dictionary Views”: ALL_TABLES,
 * ALL_TAB_COLS, ALL_TAB_IDENTITY_COLS, ALL_CONSTRAINTS, ALL_CONS_COLUMNS, ALL_INDEXES, ALL_IND_COLUMNS,
 * ALL_IND_EXPRESSIONS, ALL_SEQUENCES, ALL_TYPES, ALL_TYPE_ATTRS. Columns of the type LONG come last in a query and are
 * asked for last, as the driver streams them (Oracle Database JDBC Developer's Guide, “Streaming LONG Columns”). The
 * dictionary does not keep where a sequence began: its bound stands for it.
 */
public final class OracleCatalog {
    private static final Dialect DIALECT = Dialect.of(Target.ORACLE);
    private static final Pattern NOT_NULL = Pattern.compile("\"((?:[^\"]|\"\")+)\" IS NOT NULL");
    private static final Pattern OPTION = Pattern.compile("(START WITH|INCREMENT BY): (-?\\d+)");
    private static final String TABLES = """
            select t.table_name, m.comments
            from all_tables t join all_objects o on o.owner = t.owner and o.object_name = t.table_name and \
            o.object_type = 'TABLE'
            left join all_tab_comments m on m.owner = t.owner and m.table_name = t.table_name
            where t.owner = ? and t.temporary = 'N' and t.nested = 'NO' and t.secondary = 'N' and t.dropped = 'NO' \
            and (t.iot_type is null or t.iot_type = 'IOT')
                  and not exists (select 1 from all_mviews v where v.owner = t.owner and v.mview_name = t.table_name) \
                  order by o.object_id""";
    private static final String TYPES = """
            select y.type_name, a.attr_name, a.attr_type_owner, a.attr_type_name, a.length, a.precision, a.scale, \
            a.char_used
            from all_types y join all_type_attrs a on a.owner = y.owner and a.type_name = y.type_name
            where y.owner = ? and y.typecode = 'OBJECT' order by y.type_name, a.attr_no""";
    private static final String COLUMNS = """
            select c.table_name, c.column_name, c.data_type_owner, c.data_type, c.data_length, c.char_length, \
            c.data_precision, c.data_scale, c.char_used, c.nullable, c.virtual_column,
                   i.generation_type, i.identity_options, m.comments, c.data_default
            from all_tab_cols c
            left join all_tab_identity_cols i on i.owner = c.owner and i.table_name = c.table_name and i.column_name \
            = c.column_name
            left join all_col_comments m on m.owner = c.owner and m.table_name = c.table_name and m.column_name = \
            c.column_name
            where c.owner = ? and c.hidden_column = 'NO' order by c.table_name, c.column_id""";
    private static final String KEYS = """
            select k.table_name, k.constraint_name, k.constraint_type, k.generated, c.column_name, r.owner, \
            r.table_name, r.column_name, k.delete_rule, k.deferrable, k.deferred
            from all_constraints k join all_cons_columns c on c.owner = k.owner and c.constraint_name = \
            k.constraint_name
            left join all_cons_columns r on r.owner = k.r_owner and r.constraint_name = k.r_constraint_name and \
            r.position = c.position
            where k.owner = ? and k.constraint_type in ('P', 'U', 'R') order by k.table_name, k.constraint_name, \
            c.position""";
    private static final String CHECKS = """
            select k.table_name, k.constraint_name, k.generated, k.search_condition_vc
            from all_constraints k where k.owner = ? and k.constraint_type = 'C' order by k.table_name, \
            k.constraint_name""";
    private static final String INDEXES = """
            select i.table_name, i.index_name, i.uniqueness, c.column_name, c.descend, e.column_expression
            from all_indexes i join all_ind_columns c on c.index_owner = i.owner and c.index_name = i.index_name
            left join all_ind_expressions e on e.index_owner = c.index_owner and e.index_name = c.index_name and \
            e.column_position = c.column_position
            where i.table_owner = ? and i.index_type in ('NORMAL', 'NORMAL/REV', 'BITMAP', 'FUNCTION-BASED NORMAL', \
            'FUNCTION-BASED NORMAL/REV', 'FUNCTION-BASED BITMAP', 'DOMAIN')
                  and not exists (select 1 from all_constraints k where k.owner = i.table_owner and k.table_name = \
                  i.table_name and k.index_name = i.index_name and k.constraint_type in ('P', 'U'))
            order by i.table_name, i.index_name, c.column_position""";
    private static final String SEQUENCES = """
            select s.sequence_name, s.min_value, s.max_value, s.increment_by from all_sequences s where \
            s.sequence_owner = ? and s.sequence_name not like 'ISEQ$$%' order by s.sequence_name""";

    private OracleCatalog() { }

    /**
     * All tables of a schema, in the order in which they were created.
     *
     * @throws SQLException if the catalog cannot be read
     */
    public static Schema read(Catalog catalog, String owner) throws SQLException {
        Map<String, TableParts> tables = new LinkedHashMap<>();
        catalog.each(TABLES, row -> tables.put(row.getString(1),
                new TableParts(FoldedName.of(row.getString(1)), Catalog.text(row, 2))), owner);
        Set<List<String>> required = new HashSet<>();
        catalog.each(COLUMNS, row -> {
            if ("N".equals(row.getString(10))) {
                required.add(List.of(row.getString(1), row.getString(2)));
            }
            TableParts.of(tables, row.getString(1)).columns().add(column(row, owner));
        }, owner);
        keys(catalog, owner, tables);
        catalog.each(CHECKS, row -> {
            String condition = row.getString(4).strip();
            Matcher notNull = NOT_NULL.matcher(condition);
            boolean said = notNull.matches()
                    && required.contains(List.of(row.getString(1), notNull.group(1).replace("\"\"", "\"")));
            if (!said) {
                TableParts.of(tables, row.getString(1)).checks()
                        .add(new CheckRule(named(row.getString(3), row.getString(2)), condition));
            }
        }, owner);
        indexes(catalog, owner, tables);
        List<Sequence> sequences = new ArrayList<>();
        catalog.each(SEQUENCES, row -> {
            long step = row.getLong(4);
            sequences.add(new Sequence("", FoldedName.of(row.getString(1)), step > 0 ? row.getLong(2) : row.getLong(3),
                    step));
        }, owner);
        return new Schema(types(catalog, owner), sequences, tables.values().stream().map(TableParts::table).toList(),
                List.of());
    }

    /** A name that the engine made up is none. */
    private static String named(String generated, String name) {
        return generated.equals("GENERATED NAME") ? "" : FoldedName.of(name);
    }

    private static List<TypeDefinition> types(Catalog catalog, String owner) throws SQLException {
        Map<String, List<FieldDefinition>> fields = new LinkedHashMap<>();
        catalog.each(TYPES, row -> {
            SqlType type = owner.equals(row.getString(3)) ? UserType.of(FoldedName.of(row.getString(4)))
                    : type(row.getString(4), row.getInt(5), row.getInt(5), whole(row, 6), whole(row, 7),
                            Catalog.text(row, 8));
            fields.computeIfAbsent(row.getString(1), any -> new ArrayList<>())
                    .add(new FieldDefinition(FoldedName.of(row.getString(2)), type));
        }, owner);
        return fields.entrySet().stream().map(
                type -> (TypeDefinition) new StructureDefinition(
                        QualifiedName.of(FoldedName.of(type.getKey())), type.getValue(), ""))
                .toList();
    }

    private static OptionalInt whole(ResultSet row, int column) throws SQLException {
        int number = row.getInt(column);
        return row.wasNull() ? OptionalInt.empty() : OptionalInt.of(number);
    }

    private static Column column(ResultSet row, String owner) throws SQLException {
        String name = FoldedName.of(row.getString(2));
        SqlType type = owner.equals(row.getString(3)) ? UserType.of(FoldedName.of(row.getString(4)))
                : type(row.getString(4), row.getInt(5), row.getInt(6), whole(row, 7), whole(row, 8),
                        Catalog.text(row, 9));
        boolean required = "N".equals(row.getString(10));
        boolean virtual = "YES".equals(row.getString(11));
        String generation = Catalog.text(row, 12);
        Identity identity = generation.isEmpty() ? Identity.NONE : generation.equals("ALWAYS") ? Identity.ALWAYS
                : Identity.BY_DEFAULT;
        Numbering numbers = numbering(Catalog.text(row, 13));
        String comment = Catalog.text(row, 14);
        Optional<Expression> expression = Optional.of(Catalog.text(row, 15).strip())
                .filter(text -> !text.isEmpty() && !text.equalsIgnoreCase("null")).map(Expression::of);
        return Column.of(name, type).withRequired(required)
                .withDefault(virtual || identity != Identity.NONE ? Optional.empty() : expression)
                .withIdentity(identity, identity == Identity.NONE || numbers.equals(Numbering.DEFAULT)
                        ? Optional.empty() : Optional.of(numbers))
                .withGenerated(virtual ? expression : Optional.empty())
                .with(ColumnDetails.NONE.computedAtReading(virtual)).withComment(comment);
    }

    /**
     * Oracle Database Reference, ALL_TAB_IDENTITY_COLS: IDENTITY_OPTIONS is a text such as {@code START WITH: 1,
     * INCREMENT BY: 1, MAX_VALUE: ...}.
     */
    private static Numbering numbering(String options) {
        long start = Numbering.DEFAULT.start();
        long step = Numbering.DEFAULT.step();
        Matcher matcher = OPTION.matcher(options);
        while (matcher.find()) {
            long number = Long.parseLong(matcher.group(2));
            start = matcher.group(1).startsWith("START") ? number : start;
            step = matcher.group(1).startsWith("START") ? step : number;
        }
        return new Numbering(start, step);
    }

    /**
     * Oracle Database Reference, ALL_TAB_COLS: texts have a length in bytes and one in characters; CHAR_USED tells
     * which was said.
     */
    private static SqlType type(String name, int bytes, int characters, OptionalInt precision, OptionalInt scale,
            String used) {
        String spelled = switch (name) {
            case "VARCHAR2", "CHAR" ->
                    name + "(" + (used.equals("C") ? characters + " char" : String.valueOf(bytes)) + ")";
            case "NVARCHAR2", "NCHAR" -> name + "(" + characters + ")";
            case "RAW" -> "RAW(" + bytes + ")";
            case "FLOAT" -> "FLOAT(" + precision.orElse(126) + ")";
            case "NUMBER" -> precision.isPresent() ? "NUMBER(" + precision.getAsInt() + "," + scale.orElse(0) + ")"
                    : scale.isPresent() ? "NUMBER(38," + scale.getAsInt() + ")" : "NUMBER";
            default -> name.startsWith("INTERVAL") ? name.replaceAll("\\(\\d+\\)", "") : name;
        };
        return DIALECT.read(SpelledTypes.cut(spelled.toLowerCase(Locale.ROOT)));
    }

    private static void keys(Catalog catalog, String owner, Map<String, TableParts> tables) throws SQLException {
        Grouped<UniqueKey> keys = new Grouped<>();
        Grouped<ForeignKey> references = new Grouped<>();
        catalog.each(KEYS, row -> {
            String table = row.getString(1);
            String held = row.getString(2);
            String kind = row.getString(3);
            String name = named(row.getString(4), held);
            String column = FoldedName.of(row.getString(5));
            if (kind.equals("R")) {
                ForeignKey one = reference(row, name, column, owner);
                references.put(table, held, before -> before.map(key -> joined(key, one)).orElse(one));
                return;
            }
            keys.put(table, held, before -> new UniqueKey(name, Grouped.more(before.map(UniqueKey::columns), column)));
            if (kind.equals("P")) {
                keys.mark(table, held);
            }
        }, owner);
        keys.each((table, key, primary) -> TableParts.of(tables, table).key(key, primary));
        references.each((table, key, marked) -> TableParts.of(tables, table).foreignKeys().add(key));
    }

    private static ForeignKey reference(ResultSet row, String name, String column, String owner) throws SQLException {
        String namespace = Catalog.text(row, 6).equals(owner) ? "" : FoldedName.of(Catalog.text(row, 6));
        ReferentialAction onDelete = switch (Catalog.text(row, 9)) {
            case "CASCADE" -> ReferentialAction.CASCADE;
            case "SET NULL" -> ReferentialAction.SET_NULL;
            default -> ReferentialAction.NO_ACTION;
        };
        Deferral deferral = !"DEFERRABLE".equals(row.getString(10)) ? Deferral.NOT_DEFERRABLE
                : "DEFERRED".equals(row.getString(11)) ? Deferral.INITIALLY_DEFERRED : Deferral.INITIALLY_IMMEDIATE;
        return ForeignKey.of(name, List.of(column), new QualifiedName(namespace, FoldedName.of(Catalog.text(row, 7))),
                List.of(FoldedName.of(Catalog.text(row, 8)))).withActions(onDelete, ReferentialAction.NO_ACTION)
                .with(deferral);
    }

    private static ForeignKey joined(ForeignKey before, ForeignKey next) {
        return before.over(Grouped.more(Optional.of(before.columns()), next.columns().getFirst()))
                .to(before.referenced(),
                        Grouped.more(Optional.of(before.referencedColumns()), next.referencedColumns().getFirst()));
    }

    private static void indexes(Catalog catalog, String owner, Map<String, TableParts> tables) throws SQLException {
        Grouped<TableIndex> found = new Grouped<>();
        catalog.each(INDEXES, row -> {
            String table = row.getString(1);
            String name = row.getString(2);
            boolean unique = "UNIQUE".equals(row.getString(3));
            String column = row.getString(4);
            boolean falling = "DESC".equals(row.getString(5));
            IndexColumn part = part(column, falling, Catalog.text(row, 6).strip());
            found.put(table, name, before -> new TableIndex(FoldedName.of(name), unique,
                    Grouped.more(before.map(TableIndex::columns), part), "", Optional.empty()));
        }, owner);
        found.each((table, index, marked) -> TableParts.of(tables, table).indexes().add(index));
    }

    /**
     * Oracle Database SQL Language Reference, CREATE INDEX: a falling column is held as an expression that is nothing
     * but its name.
     */
    private static IndexColumn part(String column, boolean falling, String expression) {
        if (expression.isEmpty()) {
            return new IndexColumn(FoldedName.of(column), falling);
        }
        return expression.matches("\"[^\"]+\"")
                ? new IndexColumn(FoldedName.of(expression.substring(1, expression.length() - 1)), falling)
                : IndexColumn.of(Expression.of(expression)).falling(falling);
    }
}
