package entaxis.engines.sqlserver;

import entaxis.core.expression.Expression;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ColumnDetails;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Numbering;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Sequence;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.schema.UniqueKey;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.SpelledTypes;
import entaxis.core.targets.Target;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.SqlType;
import entaxis.engines.catalog.Brackets;
import entaxis.engines.catalog.Catalog;
import entaxis.engines.catalog.Grouped;
import entaxis.engines.catalog.TableParts;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Reads the tables of a SQL Server schema. SQL Server documentation, “Object Catalog Views” and “Extended Properties
 * Catalog Views”: sys.tables, sys.columns, sys.types, sys.default_constraints, sys.identity_columns,
 * sys.computed_columns, sys.key_constraints, sys.check_constraints, sys.foreign_keys, sys.indexes, sys.sequences. Names
 * that the server made up (is_system_named) are left out; history tables of system versioning belong to their tables.
 */
public final class SqlServerCatalog {
    private static final Dialect DIALECT = Dialect.of(Target.SQLSERVER);
    private static final String COMMENT = "cast(p.value as nvarchar(4000))";
    private static final String TABLES = "select t.name, " + COMMENT + """
             from sys.tables t join sys.schemas s on s.schema_id = t.schema_id
            left join sys.extended_properties p on p.class = 1 and p.major_id = t.object_id and p.minor_id = 0 and \
            p.name = 'MS_Description'
            where s.name = ? and t.is_ms_shipped = 0 and t.temporal_type <> 1 order by t.create_date, t.object_id""";
    private static final String TYPES = """
            select y.name, b.name, y.max_length, y.precision, y.scale
            from sys.types y join sys.schemas s on s.schema_id = y.schema_id join sys.types b on b.user_type_id = \
            y.system_type_id
            where s.name = ? and y.is_user_defined = 1 and y.is_table_type = 0 and y.is_assembly_type = 0 order by \
            y.user_type_id""";
    private static final String COLUMNS =
            "select t.name, c.name, y.name, c.max_length, c.precision, c.scale, y.is_user_defined, c.is_nullable, "
                    + "d.definition, c.is_identity,"
                    + " cast(i.seed_value as bigint), cast(i.increment_value as bigint), g.definition, g.is_persisted, "
                    + COMMENT
                    + """
            , case when c.collation_name <> b.collation_name then c.collation_name end
                                                            from sys.columns c join sys.tables t on t.object_id = \
                                                            c.object_id join sys.schemas s on s.schema_id = \
                                                            t.schema_id join sys.types y on y.user_type_id = \
                                                            c.user_type_id
            left join sys.default_constraints d on d.object_id = c.default_object_id
            left join sys.identity_columns i on i.object_id = c.object_id and i.column_id = c.column_id
            left join sys.computed_columns g on g.object_id = c.object_id and g.column_id = c.column_id
                                                            left join sys.extended_properties p on p.class = 1 and \
                                                            p.major_id = c.object_id and p.minor_id = c.column_id and \
                                                            p.name = 'MS_Description'
            left join sys.databases b on b.name = ?
            where s.name = ? order by t.object_id, c.column_id""";
    private static final String KEYS = """
            select t.name, k.name, k.type, k.is_system_named, c.name
            from sys.key_constraints k join sys.tables t on t.object_id = k.parent_object_id join sys.schemas s on \
            s.schema_id = t.schema_id
            join sys.index_columns x on x.object_id = k.parent_object_id and x.index_id = k.unique_index_id
            join sys.columns c on c.object_id = x.object_id and c.column_id = x.column_id
            where s.name = ? and x.key_ordinal > 0 order by t.object_id, k.object_id, x.key_ordinal""";
    private static final String CHECKS = """
            select t.name, k.name, k.is_system_named, k.definition
            from sys.check_constraints k join sys.tables t on t.object_id = k.parent_object_id join sys.schemas s on \
            s.schema_id = t.schema_id
            where s.name = ? order by t.object_id, k.object_id""";
    private static final String REFERENCES = """
            select t.name, f.name, f.is_system_named, c.name, w.name, r.name, rc.name, \
            f.delete_referential_action_desc, f.update_referential_action_desc
            from sys.foreign_keys f join sys.tables t on t.object_id = f.parent_object_id join sys.schemas s on \
            s.schema_id = t.schema_id
            join sys.tables r on r.object_id = f.referenced_object_id join sys.schemas w on w.schema_id = r.schema_id
            join sys.foreign_key_columns x on x.constraint_object_id = f.object_id
            join sys.columns c on c.object_id = x.parent_object_id and c.column_id = x.parent_column_id
            join sys.columns rc on rc.object_id = x.referenced_object_id and rc.column_id = x.referenced_column_id
            where s.name = ? order by t.object_id, f.object_id, x.constraint_column_id""";
    private static final String INDEXES = """
            select t.name, i.name, i.is_unique, c.name, x.is_descending_key, i.filter_definition
            from sys.indexes i join sys.tables t on t.object_id = i.object_id join sys.schemas s on s.schema_id = \
            t.schema_id
            join sys.index_columns x on x.object_id = i.object_id and x.index_id = i.index_id
            join sys.columns c on c.object_id = x.object_id and c.column_id = x.column_id
            where s.name = ? and i.type in (1, 2) and i.is_primary_key = 0 and i.is_unique_constraint = 0 and \
            i.is_hypothetical = 0 and x.key_ordinal > 0
            order by t.object_id, i.index_id, x.key_ordinal""";
    private static final String SEQUENCES = """
            select q.name, cast(q.start_value as bigint), cast(q.increment as bigint)
            from sys.sequences q join sys.schemas s on s.schema_id = q.schema_id where s.name = ? order by \
            q.object_id""";

    private SqlServerCatalog() { }

    /**
     * All tables of a schema, in the order in which they were created.
     *
     * @throws SQLException if the catalog cannot be read
     */
    public static Schema read(Catalog catalog, String schema) throws SQLException {
        Map<String, TableParts> tables = new LinkedHashMap<>();
        catalog.each(TABLES,
                row -> tables.put(row.getString(1), new TableParts(row.getString(1), Catalog.text(row, 2))), schema);
        List<TypeDefinition> types = new ArrayList<>();
        catalog.each(TYPES, row -> types.add(DomainDefinition.of(row.getString(1),
                type(row.getString(2), row, 3))), schema);
        catalog.each(COLUMNS, row -> TableParts.of(tables, row.getString(1)).columns().add(column(row)),
                catalog.database(), schema);
        keys(catalog, schema, tables);
        catalog.each(CHECKS, row -> TableParts.of(tables, row.getString(1)).checks()
                .add(new CheckRule(row.getBoolean(3) ? "" : row.getString(2), bare(row.getString(4)))), schema);
        references(catalog, schema, tables);
        indexes(catalog, schema, tables);
        List<Sequence> sequences = new ArrayList<>();
        catalog.each(SEQUENCES,
                row -> sequences.add(new Sequence("", row.getString(1), row.getLong(2), row.getLong(3))), schema);
        return new Schema(types, sequences, tables.values().stream().map(TableParts::table).toList(), List.of());
    }

    private static Column column(ResultSet row) throws SQLException {
        String generated = Catalog.text(row, 13);
        boolean own = row.getBoolean(7);
        SqlType type = own ? UserType.of(row.getString(3)) : type(row.getString(3), row, 4);
        boolean counts = row.getBoolean(10);
        Numbering numbers = new Numbering(row.getLong(11), row.getLong(12));
        Optional<String> defaultValue = Optional.ofNullable(row.getString(9)).map(SqlServerCatalog::bare)
                .filter(text -> !text.equalsIgnoreCase("null"));
        boolean virtual = !generated.isEmpty() && !row.getBoolean(14);
        Optional<String> collation = Optional.ofNullable(row.getString(16));
        ColumnDetails details = virtual || collation.isPresent()
                ? new ColumnDetails(virtual, Optional.empty(), collation) : ColumnDetails.NONE;
        return Column.of(row.getString(2), type).withRequired(!row.getBoolean(8))
                .withDefault(defaultValue.map(Expression::of))
                .withIdentity(counts ? Identity.ALWAYS : Identity.NONE,
                        counts && !numbers.equals(Numbering.DEFAULT) ? Optional.of(numbers) : Optional.empty())
                .withGenerated(Expression.ofNonEmpty(generated).map(one -> one.worded(SqlServerCatalog::bare)))
                .with(details)
                .withComment(Catalog.text(row, 15));
    }

    /** SQL Server documentation, sys.columns: lengths are in bytes, -1 says max. */
    private static SqlType type(String name, ResultSet row, int from) throws SQLException {
        int length = row.getInt(from);
        String spelled = switch (name) {
            case "nvarchar", "nchar" -> name + "(" + (length < 0 ? "max" : length / 2) + ")";
            case "varchar", "char", "varbinary", "binary" -> name + "(" + (length < 0 ? "max" : length) + ")";
            case "decimal", "numeric" -> name + "(" + row.getInt(from + 1) + "," + row.getInt(from + 2) + ")";
            case "datetime2", "datetimeoffset", "time" -> name + "(" + row.getInt(from + 2) + ")";
            case "float" -> name + "(" + row.getInt(from + 1) + ")";
            default -> name;
        };
        return DIALECT.read(SpelledTypes.cut(spelled));
    }

    /** Without the brackets that the server puts around what it keeps. */
    private static String bare(String definition) {
        String text = definition.strip();
        while (text.startsWith("(") && text.endsWith(")") && Brackets.around(text)) {
            text = text.substring(1, text.length() - 1).strip();
        }
        return text;
    }

    private static void keys(Catalog catalog, String schema, Map<String, TableParts> tables) throws SQLException {
        Grouped<UniqueKey> found = new Grouped<>();
        catalog.each(KEYS, row -> {
            String name = row.getBoolean(4) ? "" : row.getString(2);
            String column = row.getString(5);
            boolean primary = row.getString(3).strip().equals("PK");
            found.put(row.getString(1), row.getString(2),
                    before -> new UniqueKey(name, Grouped.more(before.map(UniqueKey::columns), column)));
            if (primary) {
                found.mark(row.getString(1), row.getString(2));
            }
        }, schema);
        found.each((table, key, primary) -> TableParts.of(tables, table).key(key, primary));
    }

    private static void references(Catalog catalog, String schema, Map<String, TableParts> tables) throws SQLException {
        Grouped<ForeignKey> found = new Grouped<>();
        catalog.each(REFERENCES, row -> {
            String name = row.getBoolean(3) ? "" : row.getString(2);
            String column = row.getString(4);
            QualifiedName table =
                    new QualifiedName(row.getString(5).equals(schema) ? "" : row.getString(5), row.getString(6));
            String referenced = row.getString(7);
            ReferentialAction onDelete = action(row.getString(8));
            ReferentialAction onUpdate = action(row.getString(9));
            found.put(row.getString(1), row.getString(2),
                    before -> ForeignKey.of(name, Grouped.more(before.map(ForeignKey::columns), column), table,
                            Grouped.more(before.map(ForeignKey::referencedColumns), referenced))
                            .withActions(onDelete, onUpdate));
        }, schema);
        found.each((table, key, marked) -> TableParts.of(tables, table).foreignKeys().add(key));
    }

    private static void indexes(Catalog catalog, String schema, Map<String, TableParts> tables) throws SQLException {
        Grouped<TableIndex> found = new Grouped<>();
        catalog.each(INDEXES, row -> {
            String name = row.getString(2);
            boolean unique = row.getBoolean(3);
            IndexColumn column = new IndexColumn(row.getString(4), row.getBoolean(5));
            Optional<Expression> rows =
                    Optional.ofNullable(row.getString(6)).map(SqlServerCatalog::bare).map(Expression::of);
            found.put(row.getString(1), name, before -> new TableIndex(name, unique,
                    Grouped.more(before.map(TableIndex::columns), column), "", rows));
        }, schema);
        found.each((table, index, marked) -> TableParts.of(tables, table).indexes().add(index));
    }

    private static ReferentialAction action(String words) {
        return switch (words) {
            case "CASCADE" -> ReferentialAction.CASCADE;
            case "SET_NULL" -> ReferentialAction.SET_NULL;
            case "SET_DEFAULT" -> ReferentialAction.SET_DEFAULT;
            default -> ReferentialAction.NO_ACTION;
        };
    }
}
