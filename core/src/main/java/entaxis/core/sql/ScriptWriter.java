package entaxis.core.sql;

import entaxis.core.design.Attribute.Identity;
import entaxis.core.design.ReferentialAction;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.UniqueKey;
import entaxis.core.sql.Script.Kind;
import entaxis.core.sql.Script.Statement;
import entaxis.core.type.SqlType.IntegerType;
import java.util.ArrayList;
import java.util.List;
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
            drops(tables, statements);
        }
        options.schema().ifPresent(name -> statements.add(new Statement(Kind.SCHEMA, Optional.empty(), "CREATE SCHEMA IF NOT EXISTS " + dialect.name(name))));
        tables.forEach(table -> statements.add(new Statement(Kind.TABLE, table.origin(), createTable(table))));
        tables.forEach(table -> table.foreignKeys().forEach(key -> statements.add(new Statement(Kind.FOREIGN_KEY, table.origin(), addForeignKey(table, key)))));
        if (options.comments()) {
            tables.forEach(table -> comments(table, statements));
        }
        return new Script(head(schema, title), statements);
    }

    private String head(Schema schema, String title) {
        String left = schema.tables().stream().filter(table -> table.columns().isEmpty()).map(Table::name).collect(Collectors.joining(", "));
        return "-- " + title + "\n-- Table definitions for " + dialect.target().title() + "\n"
                + (left.isEmpty() ? "" : "-- Left out, having no attributes yet: " + left + "\n");
    }

    private void drops(List<Table> tables, List<Statement> statements) {
        for (Table table : tables) {
            for (ForeignKey key : table.foreignKeys()) {
                statements.add(new Statement(Kind.DROP, table.origin(),
                        "ALTER TABLE IF EXISTS " + qualified(table.name()) + " DROP CONSTRAINT IF EXISTS " + dialect.name(key.name())));
            }
        }
        tables.reversed().forEach(table -> statements.add(new Statement(Kind.DROP, table.origin(), "DROP TABLE IF EXISTS " + qualified(table.name()))));
    }

    private String createTable(Table table) {
        int nameWidth = table.columns().stream().mapToInt(column -> dialect.name(column.name()).length()).max().orElse(0);
        int typeWidth = table.columns().stream().filter(column -> !suffix(column).isEmpty()).mapToInt(column -> dialect.type(column.type()).length()).max().orElse(0);
        List<String> lines = new ArrayList<>();
        for (Column column : table.columns()) {
            String suffix = suffix(column);
            String type = dialect.type(column.type());
            lines.add(padded(dialect.name(column.name()), nameWidth) + "  " + (suffix.isEmpty() ? type : padded(type, typeWidth) + "  " + suffix));
        }
        table.primaryKey().ifPresent(key -> lines.add("CONSTRAINT " + dialect.name(key.name()) + " PRIMARY KEY " + list(key.columns())));
        for (UniqueKey key : table.uniqueKeys()) {
            lines.add("CONSTRAINT " + dialect.name(key.name()) + " UNIQUE " + list(key.columns()));
        }
        for (CheckRule check : table.checks()) {
            lines.add("CONSTRAINT " + dialect.name(check.name()) + " CHECK (" + check.condition() + ")");
        }
        return "CREATE TABLE " + qualified(table.name()) + " (\n    " + String.join(",\n    ", lines) + "\n)";
    }

    private String suffix(Column column) {
        List<String> parts = new ArrayList<>();
        column.defaultValue().ifPresent(expression -> parts.add("DEFAULT " + dialect.expression(expression)));
        if (column.identity() != Identity.NONE) {
            parts.add("GENERATED " + (column.identity() == Identity.ALWAYS ? "ALWAYS" : "BY DEFAULT") + " AS IDENTITY");
        }
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
