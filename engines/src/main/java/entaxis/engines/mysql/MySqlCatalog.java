package entaxis.engines.mysql;

import entaxis.core.expression.Expression;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ColumnDetails;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Identity;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Sequence;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.UniqueKey;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.SpelledTypes;
import entaxis.core.sql.TextLiterals;
import entaxis.core.targets.Target;
import entaxis.core.type.SqlType;
import entaxis.engines.catalog.Catalog;
import entaxis.engines.catalog.TableParts;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Reads the tables of a MariaDB or MySQL database. MariaDB manual, “Information Schema Tables”: TABLES, COLUMNS,
 * STATISTICS, KEY_COLUMN_USAGE, REFERENTIAL_CONSTRAINTS, CHECK_CONSTRAINTS. JSON is a checked text there; the indexes
 * that the engine adds for references are left out.
 */
public class MySqlCatalog {
    private static final Pattern ESCAPED = Pattern.compile("\\\\(['\\\\])");
    private static final String TABLES = """
            select table_name, table_comment from information_schema.tables where table_schema = ? and table_type in \
            ('BASE TABLE', 'SYSTEM VERSIONED') order by create_time, table_name""";
    private static final String SEQUENCES =
            "select table_name from information_schema.tables where table_schema = ? and table_type = 'SEQUENCE' order "
                    + "by table_name";
    private static final String COLUMNS = """
            select table_name, column_name, column_type, is_nullable, column_default, extra, column_comment, \
            generation_expression
            from information_schema.columns where table_schema = ? order by table_name, ordinal_position""";
    private static final String INDEXES = """
            select table_name, index_name, non_unique, column_name, sub_part, collation, index_type%s
            from information_schema.statistics where table_schema = ? order by table_name, index_name, seq_in_index""";
    private static final String REFERENCES = """
            select k.table_name, k.constraint_name, k.column_name, k.referenced_table_schema, \
            k.referenced_table_name, k.referenced_column_name, r.delete_rule, r.update_rule
            from information_schema.key_column_usage k join information_schema.referential_constraints r
                 on r.constraint_schema = k.constraint_schema and r.constraint_name = k.constraint_name and \
                 r.table_name = k.table_name
            where k.table_schema = ? and k.referenced_table_name is not null order by k.table_name, \
            k.constraint_name, k.ordinal_position""";
    private static final String CHECKS = """
            select table_name, constraint_name, check_clause from information_schema.check_constraints where \
            constraint_schema = ? order by table_name, constraint_name""";

    /**
     * MySQL manual, “The INFORMATION_SCHEMA CHECK_CONSTRAINTS Table”: names of checks are those of the schema there,
     * and there are none before 8.0.16.
     */
    private static final String MYSQL_CHECKS = """
            select t.table_name, c.constraint_name, c.check_clause from information_schema.check_constraints c
            join information_schema.table_constraints t on t.constraint_schema = c.constraint_schema and \
            t.constraint_name = c.constraint_name and t.constraint_type = 'CHECK'
            where c.constraint_schema = ? order by t.table_name, c.constraint_name""";
    private static final String MYSQL_NEW = """
            select table_name, column_name from information_schema.columns
            where table_schema = 'information_schema' and upper(table_name) in ('CHECK_CONSTRAINTS', 'STATISTICS') \
            and upper(column_name) in ('CHECK_CLAUSE', 'EXPRESSION')""";

    private final Dialect dialect;
    private final boolean mariaDb;
    private boolean expressions;
    private final Set<String> documents = new HashSet<>();

    /**
     * A reader of one of the two.
     *
     * @param mariaDb whether it is MariaDB, whose catalog has other columns
     */
    protected MySqlCatalog(Target engine, boolean mariaDb) {
        this.dialect = Dialect.of(engine);
        this.mariaDb = mariaDb;
    }

    /**
     * All tables of a database.
     *
     * @throws SQLException if the catalog cannot be read
     */
    public static Schema read(Catalog catalog, String database) throws SQLException {
        return new MySqlCatalog(Target.MYSQL, false).schema(catalog, database);
    }

    /** All of a database. */
    protected Schema schema(Catalog catalog, String database) throws SQLException {
        Map<String, TableParts> tables = new LinkedHashMap<>();
        catalog.each(TABLES, row -> tables.put(row.getString(1), new TableParts(row.getString(1), row.getString(2))),
                database);
        Set<String> told = new HashSet<>();
        if (!mariaDb) {
            catalog.each(MYSQL_NEW, row -> told.add(row.getString(2).toUpperCase(Locale.ROOT)));
        }
        expressions = told.contains("EXPRESSION");
        if (mariaDb || told.contains("CHECK_CLAUSE")) {
            catalog.each(mariaDb ? CHECKS : MYSQL_CHECKS, row -> check(tables, row), database);
        }
        catalog.each(COLUMNS, row -> {
            if (tables.containsKey(row.getString(1))) {
                tables.get(row.getString(1)).columns().add(column(row));
            }
        }, database);
        references(catalog, database, tables);
        indexes(catalog, database, tables);
        List<Table> done = tables.values().stream().map(TableParts::table).toList();
        return new Schema(List.of(), mariaDb ? sequences(catalog, database) : List.of(), done, List.of());
    }

    /** MariaDB manual, “CREATE SEQUENCE”: a sequence can be asked like a table of one row. */
    private static List<Sequence> sequences(Catalog catalog, String database) throws SQLException {
        List<String> names = new ArrayList<>();
        catalog.each(SEQUENCES, row -> names.add(row.getString(1)), database);
        List<Sequence> sequences = new ArrayList<>();
        for (String name : names) {
            catalog.each("select start_value, increment from `" + database.replace("`", "``") + "`.`"
                    + name.replace("`", "``") + "`", row ->
                    sequences.add(new Sequence("", name, row.getLong(1), row.getLong(2))));
        }
        return sequences;
    }

    private void check(Map<String, TableParts> tables, ResultSet row) throws SQLException {
        String table = row.getString(1);
        String clause = plain(row.getString(3));
        if (clause.equalsIgnoreCase("json_valid(`" + row.getString(2) + "`)")) {
            documents.add(table + "\u0000" + row.getString(2));
        } else {
            TableParts.of(tables, table).checks().add(new CheckRule(row.getString(2), clause));
        }
    }

    /**
     * MySQL gives expressions with the character set before each text, and the quotes of texts escaped (MySQL manual,
     * “Character Set Introducers”).
     */
    private String plain(String expression) {
        return TextLiterals.ofMySql(
                mariaDb ? expression : ESCAPED.matcher(expression).replaceAll("$1").replaceAll("\\b_[a-z0-9]+'", "'"));
    }

    private Column column(ResultSet row) throws SQLException {
        String extra = Catalog.text(row, 6).toLowerCase(Locale.ROOT);
        String given = row.getString(3);
        String spelled =
                given.indexOf('\'') >= 0 ? TextLiterals.ofMySql(given) : given.replaceAll("\\s*/\\*.*?\\*/", "");
        SqlType type = documents.contains(row.getString(1) + "\u0000" + row.getString(2)) ? new SqlType.JsonType()
                : dialect.read(SpelledTypes.cut(spelled));
        String generated = plain(Catalog.text(row, 8));
        Optional<String> held = generated.isEmpty() ? defaultValue(row.getString(5), extra, spelled) : Optional.empty();
        Optional<String> defaultValue = type instanceof SqlType.BooleanType
                ? held.map(digit -> digit.equals("1") ? "true" : digit.equals("0") ? "false" : digit) : held;
        int update = extra.indexOf("on update ");
        Optional<String> onUpdate =
                update < 0 ? Optional.empty() : Optional.of(extra.substring(update + "on update ".length()));
        boolean virtual = !generated.isEmpty() && extra.contains("virtual");
        ColumnDetails details = virtual || onUpdate.isPresent() ? ColumnDetails.NONE.computedAtReading(virtual)
                .withOnUpdate(onUpdate.map(Expression::of)) : ColumnDetails.NONE;
        return Column.of(row.getString(2), type).withRequired(row.getString(4).equals("NO"))
                .withDefault(defaultValue.map(Expression::of))
                .withIdentity(extra.contains("auto_increment") ? Identity.BY_DEFAULT : Identity.NONE, Optional.empty())
                .withGenerated(Expression.ofNonEmpty(generated)).with(details)
                .withComment(row.getString(7));
    }

    /** MariaDB gives the expression, the word NULL for none; MySQL gives the bare value. */
    private Optional<String> defaultValue(String given, String extra, String type) {
        if (given == null || given.equalsIgnoreCase("null")) {
            return Optional.empty();
        }
        boolean number = type.matches("(?i)(tinyint|smallint|mediumint|int|bigint|decimal|float|double|bit).*");
        return Optional.of(mariaDb || number ? plain(given).replaceAll("(?i)\\bnextval\\(`[^`]+`\\.`", "nextval(`")
                : extra.contains("default_generated") ? plain(given) : "'" + given.replace("'", "''") + "'");
    }

    private void references(Catalog catalog, String database, Map<String, TableParts> tables) throws SQLException {
        Map<String, ForeignKey> keys = new LinkedHashMap<>();
        Map<String, String> owners = new HashMap<>();
        catalog.each(REFERENCES, row -> {
            String id = row.getString(1) + "\u0000" + row.getString(2);
            owners.put(id, row.getString(1));
            ForeignKey before = keys.get(id);
            List<String> columns = new ArrayList<>(before == null ? List.of() : before.columns());
            List<String> referenced = new ArrayList<>(before == null ? List.of() : before.referencedColumns());
            columns.add(row.getString(3));
            referenced.add(row.getString(6));
            String namespace = row.getString(4).equalsIgnoreCase(database) ? "" : row.getString(4);
            keys.put(id, ForeignKey.of(row.getString(2), columns, new QualifiedName(namespace, row.getString(5)),
                    referenced).withActions(action(row.getString(7)), action(row.getString(8))));
        }, database);
        keys.forEach((id, key) -> tables.get(owners.get(id)).foreignKeys().add(key));
    }

    private static ReferentialAction action(String words) {
        return switch (words) {
            case "CASCADE" -> ReferentialAction.CASCADE;
            case "SET NULL" -> ReferentialAction.SET_NULL;
            case "SET DEFAULT" -> ReferentialAction.SET_DEFAULT;
            default -> ReferentialAction.NO_ACTION;
        };
    }

    /**
     * MySQL manual, “FOREIGN KEY Constraints”: an index that the engine adds has the name of the constraint, or of its
     * first column where the constraint was given none.
     */
    private static boolean madeFor(ForeignKey key, TableIndex index) {
        String column = key.columns().getFirst();
        return index.name().equals(key.name()) || index.name().equals(column)
                || index.name().startsWith(column + "_") && index.name().substring(column.length() + 1).matches("\\d+");
    }

    private void indexes(Catalog catalog, String database, Map<String, TableParts> tables) throws SQLException {
        Map<String, TableIndex> found = new LinkedHashMap<>();
        Map<String, String> owners = new HashMap<>();
        catalog.each(INDEXES.formatted(expressions ? ", expression" : ""), row -> {
            String id = row.getString(1) + "\u0000" + row.getString(2);
            owners.put(id, row.getString(1));
            List<IndexColumn> columns = new ArrayList<>(found.containsKey(id) ? found.get(id).columns() : List.of());
            String method = row.getString(7).toLowerCase(Locale.ROOT);
            boolean usual = method.equals("btree") || method.equals("hash");
            OptionalInt prefix =
                    row.getObject(5) == null || !usual ? OptionalInt.empty() : OptionalInt.of(row.getInt(5));
            String expression = expressions ? Catalog.text(row, 8) : "";
            IndexColumn part = expression.isEmpty() ? new IndexColumn(row.getString(4), false).beginning(prefix)
                    : IndexColumn.of(Expression.of(plain(expression)));
            columns.add(part.falling("D".equals(row.getString(6))));
            found.put(id, new TableIndex(row.getString(2), row.getInt(3) == 0, columns, usual ? "" : method,
                    Optional.empty()));
        }, database);
        found.forEach((id, index) -> {
            TableParts table = tables.get(owners.get(id));
            List<String> columns = index.columns().stream().map(IndexColumn::name).toList();
            boolean plain = index.columns().stream()
                    .allMatch(column -> column.prefix().isEmpty() && !column.descending() && !column.expression());
            if (table == null) {
                return;
            }
            if (index.name().equals("PRIMARY")) {
                table.setPrimaryKey(Optional.of(new PrimaryKey("PRIMARY", columns, prefixes(index))));
            } else if (index.unique() && plain) {
                table.uniqueKeys().add(new UniqueKey(index.name(), columns));
            } else if (table.foreignKeys().stream()
                    .noneMatch(key -> key.columns().equals(columns) && madeFor(key, index))) {
                table.indexes().add(index);
            }
        });
    }

    private static Map<String, Integer> prefixes(TableIndex index) {
        return index.columns().stream().filter(column -> column.prefix().isPresent())
                .collect(Collectors.toMap(IndexColumn::name, column -> column.prefix().getAsInt()));
    }
}
