package entaxis.core.migration;

import entaxis.core.design.Attribute.Identity;
import entaxis.core.design.Attribute.Numbering;
import entaxis.core.reconcile.Conversion;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.schema.UniqueKey;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.sql.TableWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** How an engine changes what is there: ISO/IEC 9075-2, 11.10 to 11.30 unless a subclass says otherwise. Immutable. */
abstract sealed class Alterations permits IsoAlterations, PostgreSqlAlterations, H2Alterations, MySqlAlterations,
        SqlServerAlterations, OracleAlterations, SqliteAlterations {
    final Dialect dialect;
    final TableWriter writer;
    final ScriptWriter scripts;

    Alterations(Dialect dialect) {
        this.dialect = dialect;
        this.writer = new TableWriter(dialect, ScriptOptions.DEFAULT);
        this.scripts = new ScriptWriter(dialect, ScriptOptions.DEFAULT);
    }

    static Alterations of(Dialect dialect) {
        return switch (dialect.target()) {
            case POSTGRESQL -> new PostgreSqlAlterations(dialect);
            case MYSQL, MARIADB -> new MySqlAlterations(dialect);
            case SQLITE -> new SqliteAlterations(dialect);
            case SQLSERVER -> new SqlServerAlterations(dialect);
            case ORACLE -> new OracleAlterations(dialect);
            case H2 -> new H2Alterations(dialect);
            case ISO -> new IsoAlterations(dialect);
        };
    }

    // what the engine can do

    /** Whether the statements of a table are written as one, because the engine rewrites the table at each. */
    boolean oneStatement() {
        return false;
    }

    /** Whether constraints and indexes can get another name. */
    boolean renamesConstraints() {
        return false;
    }

    boolean renamesIndexes() {
        return renamesConstraints();
    }

    /** Whether a script is undone as a whole if a statement of it fails. */
    boolean transactional() {
        return false;
    }

    /** Whether views have to be taken away before a table that they read changes. */
    boolean viewsBind() {
        return false;
    }

    // statements

    String alter(Table table) {
        return "ALTER TABLE " + writer.name(table) + " ";
    }

    String alter(Table table, String clause) {
        return alter(table) + clause;
    }

    String name(String name) {
        return writer.name(name);
    }

    String dropForeignKey(Table table, ForeignKey key) {
        return alter(table, "DROP CONSTRAINT " + name(key.name()));
    }

    String dropCheck(Table table, CheckRule check) {
        return alter(table, "DROP CONSTRAINT " + name(check.name()));
    }

    String dropUnique(Table table, UniqueKey key) {
        return alter(table, "DROP CONSTRAINT " + name(key.name()));
    }

    String dropPrimaryKey(Table table, PrimaryKey key) {
        return alter(table, "DROP CONSTRAINT " + name(key.name()));
    }

    String dropIndex(Table table, TableIndex index) {
        return index.method().equals("exclude") ? alter(table, "DROP CONSTRAINT " + name(index.name()))
                : "DROP INDEX " + (table.namespace().isEmpty() ? name(index.name())
                        : writer.qualified(table.namespace(), index.name()));
    }

    String add(Table table, String clause) {
        return alter(table, "ADD " + clause);
    }

    String addForeignKey(Table table, ForeignKey key) {
        return writer.addForeignKey(table, key);
    }

    List<String> renameTable(Table before, Table after) {
        return List.of(alter(before, "RENAME TO " + name(after.name())));
    }

    List<String> renameColumn(Table table, String from, String to) {
        return List.of(alter(table, "RENAME COLUMN " + name(from) + " TO " + name(to)));
    }

    List<String> renameConstraint(Table table, String from, String to) {
        return List.of(alter(table, "RENAME CONSTRAINT " + name(from) + " TO " + name(to)));
    }

    List<String> renameIndex(Table table, String from, String to) {
        return List.of("ALTER INDEX " + writer.qualified(table.namespace(), from) + " RENAME TO " + name(to));
    }

    List<String> addColumn(Table table, Column column, Optional<String> behind) {
        return List.of(add(table, "COLUMN " + writer.column(table, column)));
    }

    List<String> dropColumn(Table table, Column column) {
        return List.of(alter(table, "DROP COLUMN " + name(column.name())));
    }

    List<String> dropTable(Table table) {
        return List.of("DROP TABLE " + writer.name(table));
    }

    /** Changes a column where it is. */
    List<String> alterColumn(Table table, Column from, Column to, boolean retyped) {
        List<String> statements = new ArrayList<>();
        String column = "ALTER COLUMN " + name(to.name()) + " ";
        boolean other = retyped && !Conversion.alike(from.type(), to.type());
        boolean defaultChanges = !from.defaultValue().equals(to.defaultValue()) || other;
        if (from.identity() != Identity.NONE && to.identity() == Identity.NONE) {
            statements.addAll(dropIdentity(table, to));
        }
        if (defaultChanges && from.defaultValue().isPresent() && (other || to.defaultValue().isEmpty())) {
            statements.add(alter(table, column + "DROP DEFAULT"));
        }
        if (retyped) {
            statements.add(retype(table, from, to));
        }
        if (from.required() && !to.required()) {
            statements.add(alter(table, column + "DROP NOT NULL"));
        }
        if (!from.required() && to.required()) {
            statements.add(alter(table, column + "SET NOT NULL"));
        }
        if (defaultChanges && to.defaultValue().isPresent()) {
            statements.add(alter(table, column + "SET DEFAULT " + dialect.written(to.defaultValue().get())));
        }
        if (to.identity() != Identity.NONE
                && !(from.identity() == to.identity() && from.numbering().equals(to.numbering()))) {
            statements.addAll(number(table, from, to));
        }
        return statements;
    }

    String retype(Table table, Column from, Column to) {
        return alter(table, "ALTER COLUMN " + name(to.name()) + " SET DATA TYPE " + writer.type(to.type()));
    }

    List<String> dropIdentity(Table table, Column column) {
        return List.of(alter(table, "ALTER COLUMN " + name(column.name()) + " DROP IDENTITY"));
    }

    /** Makes a column number itself, or do so in another way (ISO/IEC 9075-2, 11.20). */
    List<String> number(Table table, Column from, Column to) {
        if (from.identity() != Identity.NONE) {
            return List.of(alter(table, "ALTER COLUMN " + name(to.name()) + " " + numbering(to)));
        }
        return List.of(alter(table, "ALTER COLUMN " + name(to.name()) + " ADD " + writer.numbers(to)));
    }

    /** What an identity becomes, with its numbers spelled out. */
    static String numbering(Column column) {
        Numbering numbers = column.numbering().orElse(Numbering.DEFAULT);
        return "SET GENERATED " + (column.identity() == Identity.ALWAYS ? "ALWAYS" : "BY DEFAULT") + " SET START WITH "
                + numbers.start() + " SET INCREMENT BY " + numbers.step();
    }

    /** A value turned into the type of a column, where that does not happen by itself when it is stored. */
    String converted(String value, Column from, Column to) {
        return value;
    }

    // types

    List<String> renameType(TypeDefinition type, String to) {
        return List
                .of("ALTER " + scripts.kind(type) + " " + writer.qualified("", type.name()) + " RENAME TO " + name(to));
    }

    List<String> dropType(TypeDefinition type, String name) {
        return List.of("DROP " + scripts.kind(type) + " " + writer.qualified("", name));
    }

    // comments

    List<String> tableComment(Table table) {
        return List.of("COMMENT ON TABLE " + writer.name(table) + " IS " + dialect.literal(table.comment()));
    }

    List<String> columnComment(Table table, Column column, boolean first) {
        return List.of("COMMENT ON COLUMN " + writer.name(table) + "." + name(column.name()) + " IS "
                + dialect.literal(column.comment()));
    }
}
