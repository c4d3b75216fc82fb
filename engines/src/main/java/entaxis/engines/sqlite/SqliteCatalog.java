package entaxis.engines.sqlite;

import entaxis.core.expression.Expression;
import entaxis.core.reading.Reading;
import entaxis.core.reading.ScriptReader;
import entaxis.core.schema.Column;
import entaxis.core.schema.ColumnDetails;
import entaxis.core.schema.Deferral;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Identity;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.UniqueKey;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.SpelledTypes;
import entaxis.core.targets.Target;
import entaxis.engines.catalog.Catalog;
import entaxis.engines.catalog.TableParts;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * Reads the tables of an SQLite database. SQLite documentation, “PRAGMA Statements”: table_xinfo, index_list,
 * index_xinfo, foreign_key_list. What these do not say (names of constraints, conditions, expressions, which numbers
 * count by themselves) stands in the statements that the database keeps in sqlite_schema.
 */
public final class SqliteCatalog {
    private static final Dialect DIALECT = Dialect.of(Target.SQLITE);
    private static final String TABLES =
            "select name, sql from sqlite_schema where type = 'table' and name not like 'sqlite\\_%' escape '\\' order "
                    + "by rowid";
    /** SQLite documentation, PRAGMA table_list: tables that the engine keeps for a virtual table. */
    private static final String SHADOWS =
            "select name from pragma_table_list where schema = 'main' and type = 'shadow'";
    private static final String INDEXES =
            "select sql from sqlite_schema where type = 'index' and sql is not null order by rowid";

    private SqliteCatalog() { }

    /**
     * All tables.
     *
     * @throws SQLException if the database cannot be read
     */
    public static Schema read(Catalog catalog) throws SQLException {
        Map<String, String> kept = new LinkedHashMap<>();
        catalog.each(TABLES, row -> kept.put(row.getString(1), Catalog.text(row, 2)));
        catalog.each(SHADOWS, row -> kept.remove(row.getString(1)));
        StringBuilder script = new StringBuilder();
        kept.values().stream().filter(sql -> sql.regionMatches(true, 0, "create table", 0, 12))
                .forEach(sql -> script.append(sql).append(";\n"));
        catalog.each(INDEXES, row -> script.append(row.getString(1)).append(";\n"));
        Reading reading = ScriptReader.read(script.toString(), Target.SQLITE);
        List<Table> tables = new ArrayList<>();
        for (Map.Entry<String, String> table : kept.entrySet()) {
            if (table.getValue().regionMatches(true, 0, "create table", 0, 12)) {
                Optional<Table> said = reading.schema().tables().stream()
                        .filter(other -> other.name().equalsIgnoreCase(table.getKey())).findFirst();
                tables.add(table(catalog, table.getKey(), said));
            }
        }
        return new Schema(tables);
    }

    private static Table table(Catalog catalog, String name, Optional<Table> said) throws SQLException {
        TableParts parts = new TableParts(name, "");
        TreeMap<Integer, String> key = new TreeMap<>();
        catalog.each(
                "select name, type, \"notnull\", dflt_value, pk, hidden from pragma_table_xinfo(?) where hidden <> 1 "
                        + "order by cid",
                row -> {
            parts.columns().add(column(row, said));
            if (row.getInt(5) > 0) {
                key.put(row.getInt(5), row.getString(1));
            }
        }, name);
        if (!key.isEmpty()) {
            parts.setPrimaryKey(
                    Optional.of(new PrimaryKey(said.flatMap(Table::primaryKey).map(PrimaryKey::name).orElse(""),
                            List.copyOf(key.values()))));
        }
        references(catalog, name, parts, said);
        indexes(catalog, name, parts, said);
        said.ifPresent(table -> parts.checks().addAll(table.checks()));
        return parts.table();
    }

    private static Column column(ResultSet row, Optional<Table> said) throws SQLException {
        String name = row.getString(1);
        Optional<Column> spoken = said.flatMap(
                table -> table.columns().stream().filter(column -> column.name().equalsIgnoreCase(name)).findFirst());
        String spelled = Catalog.text(row, 2).replaceFirst("(?i)\\s*generated always$", "");
        return Column.of(name, DIALECT.read(SpelledTypes.cut(spelled))).withRequired(row.getBoolean(3))
                .withDefault(spoken.map(Column::defaultValue).orElse(
                        Optional.ofNullable(row.getString(4)).filter(text -> !text.equalsIgnoreCase("null"))
                                .map(Expression::of)))
                .withIdentity(spoken.map(Column::identity).orElse(Identity.NONE), Optional.empty())
                .withGenerated(spoken.flatMap(Column::generated))
                .with(spoken.map(Column::details).orElse(ColumnDetails.NONE));
    }

    private static void references(Catalog catalog, String name, TableParts parts, Optional<Table> said)
            throws SQLException {
        TreeMap<Integer, ForeignKey> keys = new TreeMap<>();
        catalog.each(
                "select id, \"table\", \"from\", \"to\", on_update, on_delete from pragma_foreign_key_list(?) order by "
                        + "id, seq",
                row -> {
            ForeignKey before = keys.get(row.getInt(1));
            List<String> columns = new ArrayList<>(before == null ? List.of() : before.columns());
            List<String> referenced = new ArrayList<>(before == null ? List.of() : before.referencedColumns());
            columns.add(row.getString(3));
            if (row.getString(4) != null) {
                referenced.add(row.getString(4));
            }
            keys.put(row.getInt(1), ForeignKey.of("", columns, QualifiedName.of(row.getString(2)), referenced)
                    .withActions(action(row.getString(6)), action(row.getString(5))));
        }, name);
        for (ForeignKey key : keys.descendingMap().values()) {
            Optional<ForeignKey> spoken = said
                    .flatMap(table -> table.foreignKeys().stream().filter(other -> other.columns().equals(key.columns())
                    && other.referencedTable().equalsIgnoreCase(key.referencedTable())).findFirst());
            List<String> referenced = key.referencedColumns().isEmpty()
                    ? spoken.map(ForeignKey::referencedColumns).orElse(List.of()) : key.referencedColumns();
            parts.foreignKeys().add(key.named(spoken.map(ForeignKey::name).orElse(""))
                    .to(key.referenced(), referenced)
                    .with(spoken.map(ForeignKey::deferral).orElse(Deferral.NOT_DEFERRABLE)));
        }
    }

    private static ReferentialAction action(String words) {
        return switch (words.toUpperCase(java.util.Locale.ROOT)) {
            case "CASCADE" -> ReferentialAction.CASCADE;
            case "SET NULL" -> ReferentialAction.SET_NULL;
            case "SET DEFAULT" -> ReferentialAction.SET_DEFAULT;
            case "RESTRICT" -> ReferentialAction.RESTRICT;
            default -> ReferentialAction.NO_ACTION;
        };
    }

    private record Listed(String name, boolean unique, String origin) { }

    private static void indexes(Catalog catalog, String name, TableParts parts, Optional<Table> said)
            throws SQLException {
        List<Listed> listed = new ArrayList<>();
        catalog.each("select name, \"unique\", origin from pragma_index_list(?) order by seq desc", row ->
                listed.add(new Listed(row.getString(1), row.getBoolean(2), row.getString(3))), name);
        for (Listed index : listed) {
            List<IndexColumn> columns = new ArrayList<>();
            List<TableIndex> spoken = said.map(Table::indexes).orElse(List.of()).stream()
                    .filter(other -> other.name().equalsIgnoreCase(index.name())).toList();
            catalog.each(
                    "select seqno, name, \"desc\", cid from pragma_index_xinfo(?) where \"key\" = 1 order by seqno",
                    row -> {
                boolean expression = row.getInt(4) == -2;
                        IndexColumn part = expression && !spoken.isEmpty()
                                ? spoken.getFirst().columns().get(row.getInt(1))
                                : new IndexColumn(Catalog.text(row, 2), false);
                        columns.add(part.falling(row.getBoolean(3)));
            }, index.name());
            switch (index.origin()) {
                case "u" -> {
                    List<String> names = columns.stream().map(IndexColumn::name).toList();
                    parts.uniqueKeys().add(new UniqueKey(said
                            .flatMap(table -> table.uniqueKeys().stream().filter(key -> key.columns().equals(names))
                                    .map(UniqueKey::name).findFirst())
                            .orElse(""), names));
                }
                case "c" -> parts.indexes().add(new TableIndex(index.name(), index.unique(), columns, "",
                        spoken.stream().findFirst().flatMap(TableIndex::predicate)));
                default -> { }
            }
        }
    }
}
