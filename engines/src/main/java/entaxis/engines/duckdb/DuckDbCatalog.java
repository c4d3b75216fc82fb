package entaxis.engines.duckdb;

import entaxis.core.expression.Expression;
import entaxis.core.reading.ScriptReader;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Sequence;
import entaxis.core.schema.Table;
import entaxis.core.schema.UniqueKey;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.Functions;
import entaxis.core.targets.Target;
import entaxis.core.token.SqlText;
import entaxis.engines.catalog.Catalog;
import entaxis.engines.catalog.TableParts;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Reads the tables of a DuckDB database. DuckDB documentation, “Metadata Functions”: duckdb_constraints tells keys,
 * checks and references; columns and indexes are read from the statements that duckdb_tables and duckdb_indexes give,
 * as nothing else tells which columns are computed.
 */
public final class DuckDbCatalog {
    private static final Dialect DIALECT = Dialect.of(Target.DUCKDB);
    private static final String OF_SCHEMA = " where database_name = current_database() and schema_name = ?";
    private static final String TABLES = "select table_name, sql, comment from duckdb_tables()" + OF_SCHEMA
            + " and not internal and not temporary order by table_oid";
    private static final String INDEXES = "select table_name, sql from duckdb_indexes()" + OF_SCHEMA
            + " and sql is not null order by index_oid";
    private static final String COMMENTS = "select table_name, column_name, comment from duckdb_columns()" + OF_SCHEMA
            + " and comment is not null";
    private static final String CONSTRAINTS = "select table_name, constraint_type, constraint_column_names, "
            + "expression, referenced_table, referenced_column_names from duckdb_constraints()" + OF_SCHEMA
            + " order by table_oid, constraint_index";
    private static final String SEQUENCES = "select sequence_name, start_value, increment_by, comment from "
            + "duckdb_sequences()" + OF_SCHEMA + " and not temporary order by sequence_oid";

    private final Map<String, StringBuilder> statements = new LinkedHashMap<>();
    private final Map<String, String> comments = new HashMap<>();
    private final Map<List<String>, String> columnComments = new HashMap<>();
    private final Map<String, TableParts> constraints = new HashMap<>();
    private final List<Sequence> sequences = new ArrayList<>();

    private DuckDbCatalog() { }

    /**
     * All tables and sequences of a schema.
     *
     * @throws SQLException if the database cannot be read
     */
    public static Schema read(Catalog catalog, String schema) throws SQLException {
        DuckDbCatalog said = new DuckDbCatalog();
        said.ask(catalog, schema);
        List<Table> tables = new ArrayList<>();
        said.statements.keySet().forEach(name -> said.table(name).ifPresent(tables::add));
        return new Schema(List.of(), said.sequences, tables, List.of());
    }

    private void ask(Catalog catalog, String schema) throws SQLException {
        catalog.each(TABLES, row -> {
            statements.put(row.getString(1), new StringBuilder(columnsOnly(row.getString(2))));
            comments.put(row.getString(1), Catalog.text(row, 3));
        }, schema);
        catalog.each(INDEXES, row -> {
            if (statements.containsKey(row.getString(1))) {
                statements.get(row.getString(1)).append('\n').append(row.getString(2));
            }
        }, schema);
        catalog.each(COMMENTS, row -> columnComments.put(List.of(row.getString(1), row.getString(2)),
                row.getString(3)), schema);
        catalog.each(CONSTRAINTS, row -> constraint(row, constraints.computeIfAbsent(row.getString(1),
                name -> new TableParts(name, ""))), schema);
        catalog.each(SEQUENCES, row -> sequences.add(new Sequence("", row.getString(1), row.getLong(2), row.getLong(3),
                Catalog.text(row, 4), Optional.empty())), schema);
    }

    /**
     * A table definition without its constraints: seen on DuckDB 1.5, the names of tables that are referred to stand
     * without quotes in it, whatever they are.
     */
    private static String columnsOnly(String definition) {
        SqlText text = SqlText.of(definition);
        int depth = 0;
        for (int i = 0; i < text.size(); i++) {
            depth += text.is(i, "(") ? 1 : text.is(i, ")") ? -1 : 0;
            boolean ofTable = depth == 1 && text.is(i, ",") && (text.is(i + 1, "foreign", "key")
                    || text.is(i + 1, "primary", "key") || text.is(i + 1, "unique", "(")
                    || text.is(i + 1, "check", "("));
            if (ofTable) {
                return text.before(i) + ");";
            }
        }
        return definition;
    }

    private static void constraint(ResultSet row, TableParts table) throws SQLException {
        List<String> columns = names(row, 3);
        switch (row.getString(2)) {
            case "PRIMARY KEY" -> table.setPrimaryKey(Optional.of(new PrimaryKey("", columns)));
            case "UNIQUE" -> table.uniqueKeys().add(new UniqueKey("", columns));
            case "CHECK" -> table.checks().add(new CheckRule("", DIALECT.standard(row.getString(4))));
            case "FOREIGN KEY" -> table.foreignKeys().add(ForeignKey.of("", columns,
                    QualifiedName.of(row.getString(5)), names(row, 6)));
            default -> { }   // NOT NULL stands in the column
        }
    }

    private static List<String> names(ResultSet row, int column) throws SQLException {
        return Arrays.stream((Object[]) row.getArray(column).getArray()).map(String::valueOf).toList();
    }

    private Optional<Table> table(String name) {
        TableParts known = constraints.getOrDefault(name, new TableParts(name, ""));
        return ScriptReader.read(statements.get(name).toString(), Target.DUCKDB).schema().tables().stream().findFirst()
                .map(table -> table.in("").withComment(comments.get(name)).withColumns(columns(table, known))
                        .withKeys(known.primaryKey(), known.uniqueKeys()).withChecks(known.checks())
                        .referring(known.foreignKeys()));
    }

    /** The columns with their comments, and with expressions in ISO words. */
    private List<Column> columns(Table table, TableParts known) {
        List<String> key = known.primaryKey().map(PrimaryKey::columns).orElse(List.of());
        return table.columns().stream()
                .map(column -> column.withDefault(column.defaultValue().map(DuckDbCatalog::plain))
                        .withGenerated(column.generated().map(DIALECT::standard))
                        .withRequired(column.required() || key.contains(column.name()))
                        .withComment(columnComments.getOrDefault(List.of(table.name(), column.name()), "")))
                .toList();
    }

    /** A default in ISO words, unless it asks a sequence. */
    private static Expression plain(Expression expression) {
        Expression standard = DIALECT.standard(expression);
        return Functions.drawnFrom(standard).isEmpty() ? standard : expression;
    }
}
