package entaxis.core.reading;

import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Identity;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import entaxis.core.statement.ColumnDefinition;
import entaxis.core.statement.ColumnRefinement;
import entaxis.core.statement.CreateTable;
import entaxis.core.statement.DropTables;
import entaxis.core.statement.LikeTable;
import entaxis.core.statement.PlacedName;
import entaxis.core.schema.QualifiedName;
import entaxis.core.statement.ScriptStatement;
import entaxis.core.statement.SyntaxError;
import entaxis.core.statement.TableConstraint;
import entaxis.core.statement.TableElement;
import entaxis.core.statement.TableOptions;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Carries out CREATE TABLE and DROP TABLE. */
final class TableCreation {
    /** What a partition has of the columns of the whole. */
    private static final Set<String> OF_WHOLE = Set.of("DEFAULTS", "GENERATED", "IDENTITY");
    private final SchemaBuilder builder;
    private final Columns columns;
    private final Constraints constraints;
    private final Indexes indexes;
    private final ReadingLog log;

    TableCreation(SchemaBuilder builder, Columns columns, Constraints constraints,
            Indexes indexes, ReadingLog log) {
        this.builder = builder;
        this.columns = columns;
        this.constraints = constraints;
        this.indexes = indexes;
        this.log = log;
    }

    /** Carries out CREATE TABLE; false if it is stepped over. */
    boolean create(CreateTable created, ScriptStatement statement) {
        QualifiedName name = created.name().name();
        String key = builder.key(name);
        if (created.temporary() || name.name().startsWith("#") || name.namespace().equalsIgnoreCase("temp")
                || name.namespace().equalsIgnoreCase("tempdb")) {
            builder.passing.add(key);
            log.steppedOver(statement.start(), "temporary table");
            return false;
        }
        if (created.replaces()) {
            builder.remove(name, false);
        }
        boolean taken = builder.table(name).isPresent();
        if (taken || builder.programs.containsKey(key)) {
            if (created.onlyIfAbsent()) {
                log.steppedOver(statement.start(), "table that is there already");
                return false;
            }
            throw new ConflictException(created.name().place(),
                    "a " + (taken ? "table " : "view ") + name.name() + " is there already");
        }
        switch (created.source()) {
            case CreateTable.OfQuery() -> builder.passing.add(key);
            case CreateTable.RowsOf(PlacedName model) -> {
                if (builder.table(model.name()).isEmpty()) {
                    builder.passing.add(key);
                    log.steppedOver(statement.start(), "table made of a query");
                    return false;
                }
                copyRows(builder.existing(model), builder.create(name));
            }
            case CreateTable.CopyOf(PlacedName model) -> copy(builder.existing(model), builder.create(name));
            case CreateTable.PartitionOf partition -> partition(partition, name, created.options(), statement);
            case CreateTable.OfType(PlacedName type, var elements) ->
                    ofType(type, name, elements, created.options(), statement);
            case CreateTable.Elements elements -> define(name, elements, created.options(), statement);
        }
        return true;
    }

    /** Where a part cannot be, the others are carried out none the less. */
    private void define(QualifiedName name, CreateTable.Elements elements, TableOptions options,
            ScriptStatement statement) {
        TableBuilder table = builder.create(name);
        for (TableElement element : elements.elements()) {
            try {
                element(table, element);
            } catch (ConflictException conflict) {
                log.conflict(conflict, statement.end());
            }
        }
        if (statement.error().isPresent() && table.columns.isEmpty()) {
            builder.remove(name, false);
            builder.passing.add(builder.key(name));
            return;
        }
        List<TableBuilder> parents = elements.inherited().stream().map(builder::existing).toList();
        parents.forEach(table::inherit);
        parents.reversed().forEach(parent -> inherit(parent, table));
        options(table, options, statement);
        for (TableElement element : elements.elements()) {
            if (element instanceof TableConstraint constraint) {
                try {
                    constraints.add(table, constraint);
                } catch (ConflictException conflict) {
                    log.conflict(conflict, statement.end());
                }
            }
        }
        if (table.passedReferences) {
            log.steppedOver(statement.start(), "references that the storage engine does not keep");
            table.passedReferences = false;
        }
        constraints.mergeEqualKeys(table);
    }

    /** Constraints wait: they may speak of columns that stand behind them or are inherited. */
    private void element(TableBuilder table, TableElement element) {
        switch (element) {
            case ColumnDefinition column -> columns.add(table, column);
            case LikeTable like -> like(table, like);
            case SyntaxError error -> log.notUnderstood(error);
            case ColumnRefinement refinement -> refine(table, refinement);
            case TableConstraint later -> { }
        }
    }

    private void like(TableBuilder table, LikeTable like) {
        TableBuilder source = builder.existing(like.model());
        copyColumns(source, table, like.including());
        if (like.including().contains("CONSTRAINTS")) {
            table.checks.addAll(source.checks);
        }
        if (like.including().contains("INDEXES")) {
            copyKeys(source, table);
        }
    }

    /** PostgreSQL manual, CREATE TABLE ... LIKE: what may be taken along beside the columns. */
    private static void copyColumns(TableBuilder source, TableBuilder table, Set<String> including) {
        for (ColumnBuilder column : source.columns) {
            ColumnBuilder copy = column.copy();
            copy.defaultValue = including.contains("DEFAULTS") ? copy.defaultValue : Optional.empty();
            copy.generated = including.contains("GENERATED") ? copy.generated : Optional.empty();
            copy.identity = including.contains("IDENTITY") ? copy.identity : Identity.NONE;
            copy.comment = including.contains("COMMENTS") ? copy.comment : "";
            table.add(copy);
        }
    }

    /** PostgreSQL manual and DuckDB documentation, CREATE TABLE AS: names and types. */
    private static void copyRows(TableBuilder source, TableBuilder table) {
        for (ColumnBuilder column : source.columns) {
            table.add(new ColumnBuilder(column.name, column.type));
        }
    }

    private void copyKeys(TableBuilder source, TableBuilder table) {
        source.primaryKey.ifPresent(key -> {
            if (table.primaryKey.isEmpty()) {
                constraints.setPrimaryKey(table, "", key.columns(), 0);
            }
        });
        source.uniqueKeys.forEach(key -> constraints.addUnique(table, "", key.columns(), 0));
        source.indexes.forEach(index -> indexes.copy(table, index));
    }

    /** MySQL manual, CREATE TABLE ... LIKE: columns, keys and indexes, but no foreign keys. */
    private static void copy(TableBuilder source, TableBuilder table) {
        copyColumns(source, table, LikeTable.ALL);
        table.primaryKey = source.primaryKey;
        table.uniqueKeys.addAll(source.uniqueKeys);
        table.checks.addAll(source.checks);
        table.indexes.addAll(source.indexes);
        table.comment = source.comment;
    }

    /** PostgreSQL manual, CREATE TABLE ... PARTITION OF: a partition has what the whole has. */
    private void partition(CreateTable.PartitionOf partition, QualifiedName name, TableOptions options,
            ScriptStatement statement) {
        TableBuilder whole = builder.existing(partition.whole());
        TableBuilder table = builder.create(name);
        copyColumns(whole, table, OF_WHOLE);
        refinements(table, partition.elements());
        table.checks.addAll(whole.checks);
        copyKeys(whole, table);
        table.foreignKeys.addAll(whole.foreignKeys);
        table.join(whole, partition.bound());
        options(table, options, statement);
    }

    /**
     * PostgreSQL manual, CREATE TABLE ... OF; Oracle Database SQL Language Reference, object tables: the columns are
     * the fields of a type.
     */
    private void ofType(PlacedName type, QualifiedName name, List<TableElement> elements, TableOptions options,
            ScriptStatement statement) {
        if (!(builder.types.get(builder.key(type.name())) instanceof StructureDefinition structure)) {
            builder.passing.add(builder.key(name));
            throw new ConflictException(type.place(),
                    "no type " + type.name().name() + " with fields is known here");
        }
        TableBuilder table = builder.create(name);
        structure.fields().forEach(field -> table.add(new ColumnBuilder(field.name(), field.type())));
        refinements(table, elements);
        options(table, options, statement);
    }

    private void refinements(TableBuilder table, List<TableElement> elements) {
        for (TableElement element : elements) {
            if (element instanceof TableConstraint constraint) {
                constraints.add(table, constraint);
            } else {
                element(table, element);
            }
        }
    }

    private void refine(TableBuilder table, ColumnRefinement refinement) {
        columns.clauses(table, table.existing(refinement.name(), refinement.place()), refinement.clauses());
    }

    /** How rows are stored is stepped over; what says something about the table is taken. */
    private void options(TableBuilder table, TableOptions options, ScriptStatement statement) {
        table.comment = options.comment().orElse(table.comment);
        table.partitioning = options.partitioning();
        options.firstNumber().ifPresent(table::numberFrom);
        options.withoutReferences().ifPresent(place -> {
            table.keepsReferences = false;
            if (!table.foreignKeys.isEmpty()) {
                log.steppedOver(place, "references that the storage engine does not keep");
                table.foreignKeys.clear();
            }
        });
        if (options.storage()) {
            log.steppedOver(statement.start(), "storage options");
        }
    }

    /**
     * Gives a table the columns and conditions of one that it inherits (PostgreSQL manual, 5.11): its own columns come
     * behind, same ones become one.
     */
    private static void inherit(TableBuilder parent, TableBuilder table) {
        int place = 0;
        for (ColumnBuilder column : parent.columns) {
            int own = indexOf(table, column.name);
            if (own < 0) {
                ColumnBuilder copy = column.handedDown();
                copy.identity = Identity.NONE;
                table.columns.add(place++, copy);
            } else {
                ColumnBuilder both = table.columns.remove(own);
                both.required |= column.required;
                both.defaultValue = both.defaultValue.or(() -> column.defaultValue);
                table.columns.add(own < place ? own : place, both);
                place = own < place ? place : place + 1;
            }
        }
        table.touched();
        for (CheckRule check : parent.checks) {
            if (table.checks.stream().noneMatch(other -> other.name().equals(check.name()))) {
                table.checks.add(check);
            }
        }
    }

    private static int indexOf(TableBuilder table, String name) {
        for (int i = 0; i < table.columns.size(); i++) {
            if (table.same(table.columns.get(i).name, name)) {
                return i;
            }
        }
        return -1;
    }

    /** Carries out DROP TABLE. */
    void drop(DropTables dropped, ScriptStatement statement) {
        boolean any = false;
        for (QualifiedName name : dropped.names()) {
            any |= builder.table(name).isPresent();
            builder.remove(name, dropped.cascade());
            builder.passing.remove(builder.key(name));
        }
        if (!any || dropped.temporary()) {
            log.steppedOver(statement.start(), "drop of what is not there");
        }
    }
}
