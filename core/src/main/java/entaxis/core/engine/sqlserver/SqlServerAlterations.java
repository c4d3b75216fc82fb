package entaxis.core.engine.sqlserver;

import entaxis.core.migration.Alterations;
import entaxis.core.schema.Column;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.targets.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** SQL Server documentation, ALTER TABLE, sp_rename, sys.default_constraints. */
public final class SqlServerAlterations extends Alterations {
    /** Registered as a service. */
    public SqlServerAlterations() {
        super(Target.SQLSERVER);
    }

    @Override
    public boolean renamesConstraints() {
        return true;
    }

    @Override
    public boolean transactional() {
        return true;
    }

    private String schema(Table table) {
        return table.namespace().isEmpty() ? "dbo" : table.namespace();
    }

    private String text(String text) {
        return dialect.literal(text);
    }

    private String path(String... names) {
        return text(java.util.Arrays.stream(names).map(writer::name).collect(java.util.stream.Collectors.joining(".")));
    }

    @Override
    public String dropIndex(Table table, TableIndex index) {
        return "DROP INDEX " + name(index.name()) + " ON " + writer.name(table);
    }

    @Override
    public String dropPrimaryKey(Table table, PrimaryKey key) {
        return key.name().isEmpty()
                ? byName(table,
                        "SELECT name FROM sys.key_constraints WHERE parent_object_id = OBJECT_ID("
                                + text(writer.name(table)) + ") AND type = 'PK'",
                        "DROP CONSTRAINT ")
                : super.dropPrimaryKey(table, key);
    }

    /** Carries out a change on a constraint whose name the server made up. */
    private String byName(Table table, String query, String clause) {
        return "DECLARE @name sysname = (" + query + ");\nIF @name IS NOT NULL EXEC(N'ALTER TABLE "
                + writer.name(table).replace("'", "''") + " " + clause + "' + @name)";
    }

    private String dropDefault(Table table, Column column) {
        return byName(table,
                "SELECT QUOTENAME(d.name) FROM sys.default_constraints d JOIN sys.columns c ON c.default_object_id = "
                        + "d.object_id WHERE c.object_id = OBJECT_ID("
                        + text(writer.name(table))
                + ") AND c.name = " + text(column.name()), "DROP CONSTRAINT ");
    }

    @Override
    public List<String> renameTable(Table before, Table after) {
        return List.of("EXEC sp_rename " + path(schema(before), before.name()) + ", " + text(after.name()));
    }

    @Override
    public List<String> renameColumn(Table table, String from, String to) {
        return List.of("EXEC sp_rename " + path(schema(table), table.name(), from) + ", " + text(to) + ", N'COLUMN'");
    }

    @Override
    public List<String> renameConstraint(Table table, String from, String to) {
        return List.of("EXEC sp_rename " + path(schema(table), from) + ", " + text(to) + ", N'OBJECT'");
    }

    @Override
    public List<String> renameIndex(Table table, String from, String to) {
        return List.of("EXEC sp_rename " + path(schema(table), table.name(), from) + ", " + text(to) + ", N'INDEX'");
    }

    @Override
    public List<String> addColumn(Table table, Column column, Optional<String> behind) {
        return List.of(add(table, writer.column(table, column)));
    }

    @Override
    public List<String> dropColumn(Table table, Column column) {
        List<String> statements = new ArrayList<>();
        if (column.defaultValue().isPresent()) {
            statements.add(dropDefault(table, column));
        }
        statements.addAll(super.dropColumn(table, column));
        return statements;
    }

    @Override
    public List<String> alterColumn(Table table, Column from, Column to, boolean retyped) {
        List<String> statements = new ArrayList<>();
        boolean shape = retyped || from.required() != to.required();
        boolean defaultChanges = !from.defaultValue().equals(to.defaultValue());
        if (from.defaultValue().isPresent() && (defaultChanges || shape)) {
            statements.add(dropDefault(table, to));
        }
        if (shape) {
            statements.add(alter(table, "ALTER COLUMN " + name(to.name()) + " " + writer.type(to.type())
                    + (to.required() ? " NOT NULL" : " NULL")));
        }
        if (to.defaultValue().isPresent() && (defaultChanges || shape)) {
            statements
                    .add(add(table, "DEFAULT " + dialect.written(to.defaultValue().get()) + " FOR " + name(to.name())));
        }
        return statements;
    }

    @Override
    public String converted(String value, Column from, Column to) {
        return from.type().equals(to.type()) ? value : "CAST(" + value + " AS " + writer.type(to.type()) + ")";
    }

    private String property(String procedure, Table table, String comment) {
        return "EXEC " + procedure + " N'MS_Description', "
                + (procedure.equals("sp_dropextendedproperty") ? "" : text(comment) + ", ") + "N'SCHEMA', "
                + text(schema(table)) + ", N'TABLE', "
                + text(table.name());
    }

    @Override
    public List<String> tableComment(Table table) {
        String drop = guarded(table, "", property("sp_dropextendedproperty", table, ""));
        return table.comment().isEmpty() ? List.of(drop)
                : List.of(drop, property("sp_addextendedproperty", table, table.comment()));
    }

    @Override
    public List<String> columnComment(Table table, Column column, boolean first) {
        String place = ", N'COLUMN', " + text(column.name());
        String add = property("sp_addextendedproperty", table, column.comment()) + place;
        String drop = guarded(table, column.name(), property("sp_dropextendedproperty", table, "") + place);
        return first ? List.of(add) : column.comment().isEmpty() ? List.of(drop) : List.of(drop, add);
    }

    private String guarded(Table table, String column, String statement) {
        String at = column.isEmpty() ? "NULL, NULL" : "N'COLUMN', " + text(column);
        return "IF EXISTS (SELECT 1 FROM fn_listextendedproperty(N'MS_Description', N'SCHEMA', " + text(schema(table))
                + ", N'TABLE', " + text(table.name()) + ", " + at + ")) " + statement;
    }

    /** Transact-SQL reference, ALTER TABLE: IDENTITY cannot be added to a column, nor taken off. */
    @Override
    public boolean altersNumbering() {
        return false;
    }

    @Override
    public boolean altersNumbers() {
        return false;
    }

    @Override
    public boolean retypesUnderKeys() {
        return false;
    }

    /** Transact-SQL reference, sp_rename: checks that speak of the column stand in the way. */
    @Override
    public boolean conditionsFollowRenames() {
        return false;
    }

    /** Transact-SQL reference, SET IDENTITY_INSERT. */
    @Override
    public Optional<String> takeNumbers(Table table, boolean taken) {
        return Optional.of("SET IDENTITY_INSERT " + writer.name(table) + (taken ? " ON" : " OFF"));
    }

    @Override
    public String begin() {
        return "BEGIN TRANSACTION";
    }

    /** SQL Server documentation, “Batches”: a statement does not see a column that its own batch adds. */
    @Override
    public boolean stepsInBatches() {
        return true;
    }

    /** Transact-SQL Reference, SET LOCK_TIMEOUT. */
    @Override
    public Optional<String> lockLimit(long seconds) {
        return Optional.of("SET LOCK_TIMEOUT " + seconds * 1000);
    }
}
