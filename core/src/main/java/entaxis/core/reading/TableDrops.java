package entaxis.core.reading;

import entaxis.core.statement.AlterTableAction;
import entaxis.core.syntax.SyntaxRule;
import java.util.List;
import java.util.Optional;

/** Carries out DROP of ALTER TABLE. */
final class TableDrops {
    private final SchemaBuilder builder;

    TableDrops(SchemaBuilder builder) {
        this.builder = builder;
    }

    /**
     * Carries out a change that drops something; others are none of its concern.
     *
     * @param heirs the tables that inherit it, as far as they change with it
     */
    void drop(TableBuilder table, List<TableBuilder> heirs, AlterTableAction change) {
        switch (change) {
            case AlterTableAction.DropColumn dropped -> dropColumn(table, heirs, dropped);
            case AlterTableAction.DropConstraint dropped -> dropConstraint(table, heirs, dropped);
            case AlterTableAction.DropPrimaryKey() -> table.primaryKey = Optional.empty();
            case AlterTableAction.DropUnique(List<String> columns) ->
                    table.uniqueKeys.removeIf(key -> key.columns().size() == columns.size() && columns.stream()
                            .allMatch(name -> key.columns().stream().anyMatch(own -> table.same(own, name))));
            case AlterTableAction.DropIndex dropped -> dropIndex(table, dropped);
            case AlterTableAction.DropForeignKey(String name, int place, boolean ifExists) -> {
                boolean gone = table.foreignKeys.removeIf(key -> key.name().equalsIgnoreCase(name));
                if (!gone && !ifExists) {
                    throw new ConflictException(place, "the table " + table.name + " has no foreign key " + name);
                }
                table.leaveBehind(name);
            }
            case AlterTableAction.DropPeriod(String name) ->
                    table.checks.removeIf(check -> table.same(check.name(), name));
            default -> { }
        }
    }

    private void dropColumn(TableBuilder table, List<TableBuilder> heirs, AlterTableAction.DropColumn dropped) {
        Optional<ColumnBuilder> column = table.column(dropped.name());
        if (column.isPresent()) {
            dropColumn(table, column.get(), !heirs.isEmpty());
        } else if (dropped.orConstraint()) {
            dropConstraint(table, heirs, new AlterTableAction.DropConstraint(dropped.name(), dropped.place(),
                    dropped.ifExists(), dropped.cascade()));
        } else if (!dropped.ifExists()) {
            throw ConflictException.noColumn(table, dropped.name(), dropped.place());
        }
    }

    /**
     * PostgreSQL manual, ALTER TABLE ... DROP COLUMN: it goes from a table that only inherits it too; where that is not
     * wanted, it becomes that table's own.
     */
    private void dropColumn(TableBuilder table, ColumnBuilder column, boolean fromHeirs) {
        builder.dropReferences(table, List.of(column.name));
        table.drop(column, builder.takes(SyntaxRule.DROPPED_COLUMN_LEAVES_INDEX));
        for (TableBuilder heir : table.heirs) {
            Optional<ColumnBuilder> inherited = heir.column(column.name).filter(heir::onlyInherits);
            if (fromHeirs) {
                inherited.ifPresent(own -> dropColumn(heir, own, true));
            } else {
                inherited.ifPresent(own -> own.inherited = false);
            }
        }
    }

    private void dropConstraint(TableBuilder table, List<TableBuilder> heirs,
            AlterTableAction.DropConstraint dropped) {
        String name = dropped.name();
        if (table.primaryKey.filter(key -> table.same(key.name(), name)).isPresent()) {
            if (dropped.cascade()) {
                builder.dropReferencesTo(table, table.primaryKey.get().columns());
            }
            table.primaryKey = Optional.empty();
            return;
        }
        if (dropped.cascade()) {
            table.uniqueKeys.stream().filter(key -> table.same(key.name(), name))
                    .forEach(key -> builder.dropReferencesTo(table, key.columns()));
        }
        boolean gone = table.uniqueKeys.removeIf(key -> table.same(key.name(), name))
                | table.foreignKeys.removeIf(key -> table.same(key.name(), name))
                | table.checks.removeIf(check -> table.same(check.name(), name))
                | table.indexes.removeIf(index -> index.excludes() && table.same(index.name(), name));
        if (gone) {
            heirs.forEach(heir -> heir.checks.removeIf(check -> heir.same(check.name(), name)));
            return;
        }
        boolean namesDefault = builder.takes(SyntaxRule.NAMED_DEFAULTS) || name.endsWith("_not_null");
        if (!dropped.ifExists() && !namesDefault) {
            throw new ConflictException(dropped.place(), "the table " + table.name + " has no constraint " + name);
        }
    }

    private static void dropIndex(TableBuilder table, AlterTableAction.DropIndex dropped) {
        String name = dropped.name();
        if (name.equalsIgnoreCase("primary")) {
            table.primaryKey = Optional.empty();
            return;
        }
        boolean gone = table.indexes.removeIf(index -> index.name().equalsIgnoreCase(name))
                | table.uniqueKeys.removeIf(key -> key.name().equalsIgnoreCase(name));
        boolean ofReference = table.foreignKeys.stream()
                .anyMatch(key -> key.name().equalsIgnoreCase(name) || key.columns().getFirst().equalsIgnoreCase(name));
        if (!gone && !dropped.ifExists() && !ofReference && !table.takeLeftBehind(name)) {
            throw new ConflictException(dropped.place(), "the table " + table.name + " has no index " + name);
        }
    }
}
