package entaxis.core.sql;

import entaxis.core.design.Attribute.Identity;
import entaxis.core.design.ReferentialAction;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.UniqueKey;
import entaxis.core.sql.Script.Kind;
import entaxis.core.sql.Script.Statement;
import entaxis.core.token.Identifiers;
import entaxis.core.type.SqlType;
import entaxis.core.type.SqlType.IntegerType;
import entaxis.core.type.SqlType.UserType;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** Writes the table definitions of a schema: drops where asked, tables, foreign keys, comments, so that no order of tables matters. Linear in the columns. */
public final class ScriptWriter {
    private final Dialect dialect;
    private final ScriptOptions options;

    /** A writer for one engine. */
    public ScriptWriter(Dialect dialect, ScriptOptions options) {
        this.dialect = dialect;
        this.options = options;
    }

    /** The script for a schema; tables without columns are left out and named in the head. */
    public Script write(Schema schema, String title) {
        List<Table> tables = schema.tables().stream().filter(table -> !table.columns().isEmpty()).toList();
        List<Statement> statements = new ArrayList<>();
        if (options.dropFirst()) {
            drops(schema, tables, statements);
        }
        options.schema().ifPresent(name -> statements.add(new Statement(Kind.SCHEMA, Optional.empty(), "CREATE SCHEMA IF NOT EXISTS " + dialect.name(name))));
        schema.types().forEach(type -> statements.add(new Statement(Kind.TYPE, Optional.empty(), dialect.create(type, qualified(type.name()), schema, this::type))));
        tables.forEach(table -> statements.add(new Statement(Kind.TABLE, table.origin(), createTable(table))));
        tables.forEach(table -> table.foreignKeys().forEach(key -> statements.add(new Statement(Kind.FOREIGN_KEY, table.origin(), addForeignKey(table, key)))));
        tables.forEach(table -> table.indexes().forEach(index -> statements.add(new Statement(Kind.INDEX, table.origin(), createIndex(table, index)))));
        if (options.comments()) {
            schema.types().stream().filter(type -> !type.comment().isEmpty()).forEach(type -> statements.add(new Statement(Kind.COMMENT, Optional.empty(),
                    "COMMENT ON " + dialect.kind(type) + " " + qualified(type.name()) + " IS " + Dialect.literal(type.comment()))));
            tables.forEach(table -> comments(table, statements));
        }
        return new Script(head(schema, title), statements);
    }

    private String head(Schema schema, String title) {
        String left = schema.tables().stream().filter(table -> table.columns().isEmpty()).map(Table::name).collect(Collectors.joining(", "));
        return "-- " + title + "\n-- Table definitions for " + dialect.target().title() + "\n"
                + (left.isEmpty() ? "" : "-- Left out, having no attributes yet: " + left + "\n");
    }

    private void drops(Schema schema, List<Table> tables, List<Statement> statements) {
        for (Table table : tables) {
            for (ForeignKey key : table.foreignKeys()) {
                statements.add(new Statement(Kind.DROP, table.origin(),
                        "ALTER TABLE IF EXISTS " + qualified(table.name()) + " DROP CONSTRAINT IF EXISTS " + dialect.name(key.name())));
            }
        }
        tables.reversed().forEach(table -> statements.add(new Statement(Kind.DROP, table.origin(), "DROP TABLE IF EXISTS " + qualified(table.name()))));
        schema.types().reversed().forEach(type -> statements.add(new Statement(Kind.DROP, Optional.empty(),
                "DROP " + dialect.kind(type) + " IF EXISTS " + qualified(type.name()))));
    }

    private String createIndex(Table table, TableIndex index) {
        String columns = index.columns().stream().map(column -> dialect.name(column.name()) + (column.descending() ? " DESC" : "")).collect(Collectors.joining(", "));
        return "CREATE " + (index.unique() ? "UNIQUE " : "") + "INDEX " + (dialect.qualifiesIndexes() ? qualified(index.name()) : dialect.name(index.name()))
                + " ON " + qualified(table.name()) + " (" + columns + ")";
    }

    private String type(SqlType type) {
        return type instanceof UserType(String name) ? qualified(name) : dialect.type(type);
    }

    private String createTable(Table table) {
        int nameWidth = table.columns().stream().mapToInt(column -> dialect.name(column.name()).length()).max().orElse(0);
        int typeWidth = table.columns().stream().filter(column -> !suffix(column, Map.of()).isEmpty()).mapToInt(column -> type(column.type()).length()).max().orElse(0);
        Map<String, String> cut = cut(table);
        List<String> lines = new ArrayList<>();
        for (Column column : table.columns()) {
            String suffix = suffix(column, cut);
            String type = type(column.type());
            lines.add(padded(dialect.name(column.name()), nameWidth) + "  " + (suffix.isEmpty() ? type : padded(type, typeWidth) + "  " + suffix));
        }
        table.primaryKey().ifPresent(key -> lines.add("CONSTRAINT " + dialect.name(key.name()) + " PRIMARY KEY " + list(key.columns())));
        for (UniqueKey key : table.uniqueKeys()) {
            lines.add("CONSTRAINT " + dialect.name(key.name()) + " UNIQUE " + list(key.columns()));
        }
        for (CheckRule check : table.checks()) {
            lines.add("CONSTRAINT " + dialect.name(check.name()) + " CHECK (" + Identifiers.exchanged(check.condition(), cut) + ")");
        }
        return "CREATE TABLE " + qualified(table.name()) + " (\n    " + String.join(",\n    ", lines) + "\n)";
    }

    /** How expressions must speak of columns whose names the engine cuts. */
    private Map<String, String> cut(Table table) {
        Map<String, String> cut = new HashMap<>();
        table.columns().stream().filter(column -> !dialect.stored(column.name()).equals(column.name()))
                .forEach(column -> cut.put(column.name().toLowerCase(Locale.ROOT), dialect.name(column.name())));
        return cut;
    }

    private String suffix(Column column, Map<String, String> cut) {
        List<String> parts = new ArrayList<>();
        column.defaultValue().ifPresent(expression -> parts.add("DEFAULT " + dialect.expression(expression)));
        if (column.identity() != Identity.NONE) {
            parts.add("GENERATED " + (column.identity() == Identity.ALWAYS ? "ALWAYS" : "BY DEFAULT") + " AS IDENTITY"
                    + column.numbering().map(numbers -> " (START WITH " + numbers.start() + " INCREMENT BY " + numbers.step() + ")").orElse(""));
        }
        column.generated().ifPresent(expression -> parts.add("GENERATED ALWAYS AS (" + Identifiers.exchanged(expression, cut) + ")" + dialect.computed()));
        if (column.required()) {
            parts.add("NOT NULL");
        }
        if (column.type() instanceof IntegerType integer && integer.unsigned() && !dialect.hasUnsigned()) {
            parts.add("CHECK (" + dialect.name(column.name()) + " >= 0)");
        }
        return String.join(" ", parts);
    }

    private String addForeignKey(Table table, ForeignKey key) {
        return "ALTER TABLE " + qualified(table.name()) + " ADD CONSTRAINT " + dialect.name(key.name()) + "\n    FOREIGN KEY " + list(key.columns())
                + " REFERENCES " + qualified(key.referencedTable()) + " " + list(key.referencedColumns())
                + action(" ON DELETE ", key.onDelete()) + action(" ON UPDATE ", key.onUpdate());
    }

    private static String action(String when, ReferentialAction action) {
        return action == ReferentialAction.NO_ACTION ? "" : when + action.sql();
    }

    private void comments(Table table, List<Statement> statements) {
        if (!table.comment().isEmpty()) {
            statements.add(new Statement(Kind.COMMENT, table.origin(), "COMMENT ON TABLE " + qualified(table.name()) + " IS " + Dialect.literal(table.comment())));
        }
        table.columns().stream().filter(column -> !column.comment().isEmpty()).forEach(column -> statements.add(new Statement(Kind.COMMENT, table.origin(),
                "COMMENT ON COLUMN " + qualified(table.name()) + "." + dialect.name(column.name()) + " IS " + Dialect.literal(column.comment()))));
    }

    private String qualified(String table) {
        return options.schema().map(schema -> dialect.name(schema) + ".").orElse("") + dialect.name(table);
    }

    private String list(List<String> columns) {
        return columns.stream().map(dialect::name).collect(Collectors.joining(", ", "(", ")"));
    }

    private static String padded(String text, int width) {
        return text + " ".repeat(Math.max(0, width - text.length()));
    }
}
