package entaxis.core.reading;

import entaxis.core.schema.CheckRule;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.SecuredObject;
import entaxis.core.schema.UniqueKey;
import entaxis.core.statement.AlterTable;
import entaxis.core.statement.ColumnDefinition;
import entaxis.core.statement.PlacedName;
import entaxis.core.schema.QualifiedName;
import entaxis.core.statement.RenameTables;
import entaxis.core.statement.ScriptStatement;
import entaxis.core.statement.SecuredObjects;
import entaxis.core.statement.AlterTableAction;
import entaxis.core.statement.TableConstraint;
import java.util.List;
import java.util.Optional;

/** Carries out ALTER TABLE and RENAME TABLE. */
final class TableAlteration {
    private final SchemaBuilder builder;
    private final ImpliedNames implied;
    private final Columns columns;
    private final Constraints constraints;
    private final ColumnAlteration columnAlteration;
    private final TableDrops drops;
    private final Partitions partitions;
    private final PrivilegeChanges privileges;
    private final ReadingLog log;

    TableAlteration(SchemaBuilder builder, TypeResolver types, ImpliedNames implied, Columns columns,
            Constraints constraints, ColumnDefaults defaults, Indexes indexes, PrivilegeChanges privileges,
            ReadingLog log) {
        this.builder = builder;
        this.implied = implied;
        this.columns = columns;
        this.constraints = constraints;
        this.columnAlteration = new ColumnAlteration(builder, types, columns, defaults);
        this.drops = new TableDrops(builder);
        this.partitions = new Partitions(constraints, indexes);
        this.privileges = privileges;
        this.log = log;
    }

    /** Carries out ALTER TABLE; false if it is stepped over, be it from some change on. */
    boolean alter(AlterTable altered, ScriptStatement statement) {
        QualifiedName name = altered.name().name();
        altered.actions().stream().filter(AlterTableAction.OwnerTo.class::isInstance)
                .map(AlterTableAction.OwnerTo.class::cast)
                .forEach(owner -> privileges.own(new SecuredObjects.Named(SecuredObject.TABLE, List.of(name)),
                        owner.role()));
        Optional<TableBuilder> found = builder.table(name);
        if (found.isEmpty()) {
            if (altered.ifExists() || name.name().startsWith("#") || builder.passing.contains(builder.key(name))) {
                log.steppedOver(statement.start(), "change of a table that is not kept");
                return false;
            }
            if (!altered.actions().isEmpty() && altered.actions().getFirst() instanceof AlterTableAction.OwnerTo) {
                log.steppedOver(statement.start(), "owner");
                return false;
            }
            throw ConflictException.noTable(altered.name());
        }
        TableBuilder table = found.get();
        for (AlterTableAction change : altered.actions()) {
            if (change instanceof AlterTableAction.Skip(String kind)) {
                log.steppedOver(statement.start(), kind);
                return false;
            }
            if (change instanceof AlterTableAction.AlterColumn column && column.ifExists()
                    && !table.has(column.name())) {
                log.steppedOver(statement.start(), "change of what is not there");
                return false;
            }
            List<TableBuilder> heirs = altered.only() ? List.of() : table.descendants();
            Partitions.Parts before = Partitions.Parts.of(table);
            apply(table, change, heirs);
            if (!heirs.isEmpty()) {
                partitions.follow(table, before);
            }
        }
        return true;
    }

    /**
     * Carries out one change.
     *
     * @param heirs the tables that inherit it, as far as they change with it
     */
    private void apply(TableBuilder table, AlterTableAction change, List<TableBuilder> heirs) {
        switch (change) {
            case AlterTableAction.AddColumn added -> addColumn(table, added);
            case AlterTableAction.AddConstraint(var constraint, String name, boolean onlyIfAbsent) -> {
                if (!onlyIfAbsent || !table.hasConstraint(name)) {
                    addConstraint(table, constraint, heirs);
                }
            }
            case AlterTableAction.AlterColumn(String name, int place, boolean ifExists, var what) ->
                    columnAlteration.alter(table, heirs, table.existing(name, place), what);
            case AlterTableAction.AlterConstraint altered -> alterConstraint(table, altered);
            case AlterTableAction.ModifyColumn(String name, int place, var type, var clauses) ->
                    columnAlteration.modify(table, table.existing(name, place), type, clauses);
            case AlterTableAction.ChangeColumn changed -> redefine(table, changed);
            case AlterTableAction.RenameTo(QualifiedName now) -> builder.rename(table, nameOf(table), now);
            case AlterTableAction.RenameColumn(String before, int place, String now) ->
                    builder.rename(table, table.existing(before, place), now);
            case AlterTableAction.RenameConstraint renamed -> renameConstraint(table, renamed);
            case AlterTableAction.RenameIndex(String before, String now) -> renameIndex(table, before, now);
            case AlterTableAction.SetSchema(String namespace) ->
                    builder.rename(table, nameOf(table), new QualifiedName(namespace, table.name));
            case AlterTableAction.Inherit(QualifiedName parent) ->
                    builder.table(parent).ifPresent(table::inherit);
            case AlterTableAction.NoInherit(QualifiedName parent) ->
                    builder.table(parent).ifPresent(table::leave);
            case AlterTableAction.AttachPartition(PlacedName part, var bound) ->
                    partitions.attach(table, builder.existing(part), bound);
            case AlterTableAction.DetachPartition(QualifiedName part) ->
                    builder.table(part).ifPresent(own -> own.leave(table));
            case AlterTableAction.SetComment(String text) -> table.comment = text;
            case AlterTableAction.SetFirstNumber(long first) -> table.numberFrom(first);
            case AlterTableAction.OwnerTo owner -> { }
            case AlterTableAction.Skip skipped -> { }
            default -> drops.drop(table, heirs, change);
        }
    }

    private static QualifiedName nameOf(TableBuilder table) {
        return new QualifiedName(table.namespace, table.name);
    }

    private void addColumn(TableBuilder table, AlterTableAction.AddColumn added) {
        ColumnDefinition definition = added.column();
        if (added.onlyIfAbsent() && table.has(definition.name())) {
            return;
        }
        ColumnBuilder column = columns.add(table, definition);
        added.position().ifPresent(position -> place(table, column, position));
        table.descendants().stream().filter(heir -> !heir.has(column.name))
                .forEach(heir -> heir.add(column.handedDown()));
    }

    private static void place(TableBuilder table, ColumnBuilder column, AlterTableAction.Position position) {
        switch (position) {
            case AlterTableAction.Position.First() -> {
                table.columns.remove(column);
                table.columns.addFirst(column);
            }
            case AlterTableAction.Position.Beside(String name, int place, boolean behind) -> {
                ColumnBuilder neighbour = table.columns.size() == 1 ? column : table.existing(name, place);
                table.columns.remove(column);
                table.columns.add(
                        Math.min(table.columns.size(), table.columns.indexOf(neighbour) + (behind ? 1 : 0)), column);
            }
        }
    }

    private void addConstraint(TableBuilder table, TableConstraint constraint, List<TableBuilder> heirs) {
        int checks = table.checks.size();
        constraints.add(table, constraint);
        if (table.checks.size() > checks) {
            CheckRule check = table.checks.getLast();
            heirs.stream().filter(heir -> !heir.checks.contains(check)).forEach(heir -> heir.checks.add(check));
        }
    }

    /** PostgreSQL manual, ALTER TABLE ... ALTER CONSTRAINT: when a reference is checked. */
    private static void alterConstraint(TableBuilder table, AlterTableAction.AlterConstraint altered) {
        String name = altered.name();
        if (table.foreignKeys.stream().noneMatch(key -> table.same(key.name(), name))) {
            throw new ConflictException(altered.place(), "the table " + table.name + " has no foreign key " + name);
        }
        altered.deferral().ifPresent(
                when -> table.foreignKeys.replaceAll(key -> table.same(key.name(), name) ? key.with(when) : key));
    }

    /**
     * Gives a column another definition: everything that it does not say again is gone (MySQL manual, ALTER TABLE).
     */
    private void redefine(TableBuilder table, AlterTableAction.ChangeColumn changed) {
        ColumnBuilder column = table.existing(changed.name(), changed.place());
        ColumnBuilder now = columns.typed(changed.definition());
        boolean inKey = table.primaryKey
                .filter(key -> key.columns().stream().anyMatch(name -> table.same(name, column.name))).isPresent();
        if (!table.same(column.name, now.name) && table.has(now.name)) {
            throw new ConflictException(changed.definition().place(),
                    "the table " + table.name + " already has a column " + now.name);
        }
        if (!column.name.equals(now.name)) {
            builder.rename(table, column, now.name);
        }
        Optional<PrimaryKey> before = table.primaryKey;
        table.columns.set(table.columns.indexOf(column), now);
        table.touched();
        columns.clauses(table, now, changed.definition().clauses());
        now.required |= inKey
                || before.isEmpty() && table.primaryKey.filter(key -> key.columns().contains(now.name)).isPresent();
        changed.position().ifPresent(position -> place(table, now, position));
    }

    private void renameConstraint(TableBuilder table, AlterTableAction.RenameConstraint renamed) {
        if (!table.hasConstraint(renamed.before()) && !renamed.before().endsWith("_not_null")) {
            throw new ConflictException(renamed.place(),
                    "the table " + table.name + " has no constraint " + renamed.before());
        }
        implied.given(table, renamed.now());
        table.renameConstraint(renamed.before(), renamed.now());
    }

    private void renameIndex(TableBuilder table, String before, String now) {
        table.indexes.replaceAll(index -> index.name().equalsIgnoreCase(before) ? index.named(now) : index);
        table.uniqueKeys
                .replaceAll(key -> key.name().equalsIgnoreCase(before) ? new UniqueKey(now, key.columns()) : key);
        table.indexRenames++;
        builder.index(now, table);
    }

    /** Carries out RENAME TABLE. */
    void rename(RenameTables renamed) {
        for (RenameTables.Renaming each : renamed.renamings()) {
            QualifiedName before = each.before().name();
            builder.table(before).ifPresentOrElse(table -> builder.rename(table, before, each.now()), () -> {
                if (!builder.passing.contains(builder.key(before))) {
                    throw ConflictException.noTable(each.before());
                }
            });
        }
    }
}
