package entaxis.core.migration;

import entaxis.core.reconcile.CatalogWording;
import entaxis.core.reconcile.ComparableTables;
import entaxis.core.reconcile.EngineWordingRules;
import entaxis.core.reconcile.Matching.Pair;
import entaxis.core.reconcile.Matching;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.reconcile.Risk;
import entaxis.core.reconcile.SchemaRenaming;
import entaxis.core.reconcile.Split;
import entaxis.core.reconcile.SupportingIndex;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Identity;
import entaxis.core.schema.OwnParts;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.UniqueKey;
import entaxis.core.sql.CreationOrder;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.TableFeatures.Numbered;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** Works out the steps: what depends on a change is taken off before it and put on again behind it. */
final class Planner {
    private final Schema from;
    private final Schema renamed;
    private final Schema to;
    /** The wanted schema with what its tables inherit. */
    private final Schema described;
    private final Dialect dialect;
    private final RenameMap pairing;
    private final Fills fills;
    private final EngineWordingRules words;
    private final Alterations engine;
    private final TypePlan types;
    private final Questions questions;
    private final Map<String, TableChange> changes = new LinkedHashMap<>();
    private final List<Table> gone = new ArrayList<>();
    private final List<Table> fresh = new ArrayList<>();
    private final List<Step> steps = new ArrayList<>();
    private final RemovedConstraints removed;
    private final CopyNames copies;
    private RebuildGroup group;

    Planner(Schema have, Schema want, Dialect dialect, RenameMap names, Fills fills) {
        this.dialect = dialect;
        this.pairing = names.withInherited(have);
        this.fills = fills;
        this.words = new EngineWordingRules(dialect);
        this.engine = Alterations.of(dialect.target());
        Schema whole = SchemaRenaming.apply(have, pairing, dialect);
        ComparableTables tables = ComparableTables.ofChange(whole.tables(), want.tables(), words);
        this.renamed = whole.over(InheritedChanges.applied(tables, whole.tables(), words));
        this.to = want.over(tables.to());
        this.described = want.over(tables.all());
        this.from = have.over(IntStream.range(0, whole.tables().size())
                .mapToObj(i -> OwnParts.alongside(have.tables().get(i), whole.tables().get(i), tables.from().get(i)))
                .toList());
        this.types = new TypePlan(from, to, dialect, words, engine);
        this.questions = new Questions(changes, from, to, words, engine);
        this.copies = new CopyNames(from, to, words);
        this.removed = new RemovedConstraints(changes, renamed, to, words, engine);
    }

    private void add(Step step) {
        if (!step.statements().isEmpty()) {
            steps.add(step);
        }
    }

    private void safe(Stage stage, Table table, String what, List<String> statements) {
        add(Step.safe(stage, table.label(), what, statements));
    }

    List<Step> steps() {
        pairTables();
        SequencePlan sequences = new SequencePlan(from, to, dialect, words, engine);
        group = RebuildGroup.of(changes.values(), sequences.madeAgain(), copies, words, engine);
        schemas();
        extensions();
        types.steps(steps);
        HierarchyPlan hierarchies = new HierarchyPlan(Table.byName(to.tables()), words, engine);
        hierarchies.leave(changes.values(), steps);
        new ProgramPlan(renamed, to, dialect, engine).steps(touchedTables(), steps);
        removed.keysDropped();
        changes.values().forEach(this::takeOff);
        goneTables();
        changes.values().forEach(this::rename);
        sequences.steps(steps);
        freshTables();
        List<Moves> moves = moves();
        for (Table table : group.creationOrder(fresh)) {
            group.ofResult(table).ifPresent(change -> bringBack(change, moves));
            moves.stream().filter(move -> move.into() == table)
                    .forEach(move -> add(move.step(engine, types.replacedTypes())));
        }
        changes.values().forEach(change -> columns(change, moves).steps(steps));
        RulesInForce inForce = new RulesInForce(changes, renamed, to, words, moves);
        steps.addAll(new AddedConstraints(changes, to, words, engine, questions, removed, inForce).steps());
        hierarchies.join(changes.values(), steps);
        new CommentPlan(from, commented(), words, engine, changes).steps(steps);
        if (words.commented()) {
            types.comments(steps);
        }
        new GrantPlan(to, dialect).steps(this::before, types::before, steps);
        steps.sort(Comparator.comparing(Step::stage));
        return engine.oneStatement() ? new OneStatement(steps).joined() : List.copyOf(steps);
    }

    /** The wanted schema with new tables as a whole: what is said about inherited columns is said of each table. */
    private Schema commented() {
        return to.over(IntStream.range(0, to.tables().size())
                .mapToObj(i -> changes.containsKey(words.folded(to.tables().get(i).label())) ? to.tables().get(i)
                        : described.tables().get(i))
                .toList());
    }

    private ColumnPlan columns(TableChange change, List<Moves> moves) {
        return new ColumnPlan(change, words, engine, fills, questions, copies,
                moves.stream().filter(move -> move.change() == change).flatMap(move -> move.split().moved().stream())
                        .collect(Collectors.toSet()));
    }

    private void bringBack(TableChange change, List<Moves> moves) {
        Table aside = change.aside().orElseThrow();
        add(columns(change, moves).bringBack(aside));
        safe(Stage.REMOVALS, change.after, "Drop the copy of " + change.name(), engine.dropTable(aside));
    }

    private void pairTables() {
        Map<String, Table> originals = new HashMap<>();
        for (int i = 0; i < from.tables().size(); i++) {
            originals.put(words.folded(renamed.tables().get(i).label()), from.tables().get(i));
        }
        Matching<Table> pairs =
                Matching.of(renamed.tables(), to.tables(), table -> words.folded(table.label()), table -> "");
        for (Pair<Table> pair : pairs.pairs()) {
            String name = pair.to().label();
            changes.put(words.folded(name),
                    new TableChange(originals.get(words.folded(name)), pair.from(), pair.to(),
                            renamedColumns(name, originals.get(words.folded(name))), words,
                            types.replacedTypes(), types.changedStructures(), questions::conversion));
        }
        Map<String, TableChange> parentsFirst = new LinkedHashMap<>();
        new CreationOrder(pairs.pairs().stream().map(Pair::to).toList()).parentsFirst().stream()
                .map(table -> words.folded(table.label())).forEach(name -> parentsFirst.put(name, changes.get(name)));
        changes.clear();
        changes.putAll(parentsFirst);
        renamed.tables().stream().map(Table::knownHierarchy).filter(hierarchy -> !hierarchy.isPartition())
                .flatMap(hierarchy -> hierarchy.parents().stream())
                .map(parent -> changes.get(words.folded(parent.label())))
                .filter(Objects::nonNull).forEach(parent -> parent.keptByHeirs = true);
        gone.addAll(new CreationOrder(pairs.gone()).heirsFirst());
        fresh.addAll(new CreationOrder(pairs.fresh()).parentsFirst());
    }

    /** Columns that get another name, without those that are renamed with the table that they are inherited from. */
    private Map<String, String> renamedColumns(String name, Table original) {
        Map<String, String> own = new HashMap<>(pairing.columns().getOrDefault(name, Map.of()));
        if (!original.knownHierarchy().parents().isEmpty()) {
            own.keySet().removeIf(column -> original.column(column).isEmpty());
        }
        return own;
    }

    /** Tables that get another form or name, or go, in small letters: views and triggers may stand in the way. */
    private Set<String> touchedTables() {
        Set<String> touched = new HashSet<>();
        changes.values().stream().filter(TableChange::touchesColumns)
                .forEach(change -> touched.add(change.original.name().toLowerCase(Locale.ROOT)));
        boolean follow = CatalogWording.of(dialect.target()).programsFollowRenames();
        pairing.tables().keySet().stream().filter(name -> !follow)
                .forEach(name -> touched.add(QualifiedName.ofLabel(name).name().toLowerCase(Locale.ROOT)));
        gone.forEach(table -> touched.add(table.name().toLowerCase(Locale.ROOT)));
        return touched;
    }

    /** Schemas that only tables are in that are made now. */
    private void schemas() {
        Set<String> there = from.tables().stream().map(Table::namespace).collect(Collectors.toSet());
        to.tables().stream().map(Table::namespace).filter(name -> !name.isEmpty() && !there.contains(name)).distinct()
                .filter(name -> dialect.schemas())
                .forEach(name -> add(Step.safe(Stage.TYPES, "", "Create the schema " + name,
                        List.of(engine.scripts.createSchema(name)))));
    }

    private void extensions() {
        to.extensions().stream().filter(name -> !from.extensions().contains(name))
                .forEach(name -> add(Step.safe(Stage.TYPES, "", "Add the extension " + name,
                        dialect.createExtension(name).stream().toList())));
    }

    // tables

    private void goneTables() {
        Set<String> names = new HashSet<>();
        fresh.forEach(table -> names.addAll(ownNames(table)));
        changes.values().forEach(change -> names.addAll(ownNames(change.after)));
        for (Table table : group.dropOrder(gone)) {
            Optional<TableChange> again = group.ofOriginal(table);
            if (again.isPresent()) {
                List<String> statements = new ArrayList<>(engine.copy(table, again.get().aside().orElseThrow()));
                statements.addAll(engine.dropTable(table));
                safe(Stage.IN_THE_WAY, table, "Copy " + table.label() + " and drop it, to rebuild it",
                        statements);
                continue;
            }
            boolean inTheWay = !group.isEmpty()
                    || engine.namesSpanTables() && ownNames(table).stream().anyMatch(names::contains);
            if (dialect.addsForeignKeys()) {
                List<String> keys = table.foreignKeys().stream().filter(key -> !key.name().isEmpty())
                        .map(key -> engine.dropForeignKey(table, key)).toList();
                safe(Stage.REFERENCES_OUT, table, "Take the foreign keys of " + table.label() + " off", keys);
            }
            add(Step.of(inTheWay ? Stage.IN_THE_WAY : Stage.REMOVALS, table.label(), Risk.LOSES_DATA,
                    "Drop the table " + table.label() + " with all its rows", engine.dropTable(table),
                    Optional.of("SELECT count(*) FROM " + engine.writer.name(table)), "", false));
        }
    }

    /** Names of constraints and indexes, which share one space of names in most engines. */
    private Set<String> ownNames(Table table) {
        Set<String> names = new HashSet<>();
        table.primaryKey().ifPresent(key -> names.add(words.folded(key.name())));
        table.uniqueKeys().forEach(key -> names.add(words.folded(key.name())));
        table.indexes().forEach(index -> names.add(words.folded(index.name())));
        table.checks().forEach(check -> names.add(words.folded(check.name())));
        table.foreignKeys().forEach(key -> names.add(words.folded(key.name())));
        names.remove("");
        return names;
    }

    private void freshTables() {
        Set<QualifiedName> late = new HashSet<>();
        changes.values().forEach(change -> late.add(change.after.qualifiedName()));
        for (Table table : group.creationOrder(fresh)) {
            List<ForeignKey> inside = dialect.addsForeignKeys() ? List.of() : table.foreignKeys();
            // what inherits is created once its parents have their columns, or their changes would reach it too
            boolean inherits = table.knownHierarchy().parents().stream().anyMatch(late::contains)
                    && late.add(table.qualifiedName());
            safe(inherits ? Stage.REMOVALS : Stage.TABLES, table, "Create the table " + table.label(),
                    List.of(engine.writer.create(table, inside)));
            if (group.ofResult(table).isPresent()) {
                continue;
            }
            table.indexes().stream().filter(index -> engine.writer.numbering(table).filter(index::equals).isEmpty())
                    .forEach(index -> safe(Stage.INDEXES, table, "Create the index " + index.name(),
                            List.of(engine.writer.createIndex(table, index))));
        }
    }

    /**
     * What moves out of a table that stays into one that is new; a table that others refer to is filled before them.
     */
    private List<Moves> moves() {
        List<Moves> moves = new ArrayList<>();
        for (Table table : new CreationOrder(fresh).tables()) {
            for (Split split : pairing.splits()) {
                TableChange change = changes.get(words.folded(split.table()));
                if (change != null && words.folded(table.label()).equals(words.folded(split.into()))) {
                    moves.add(new Moves(split, change, table));
                }
            }
        }
        return moves;
    }

    // keys and references

    /** The constraint of the original table, with the name it still has at that time. */
    private ForeignKey originalKey(TableChange change, ForeignKey key) {
        int at = change.before.foreignKeys().indexOf(key);
        return change.original.foreignKeys().get(at);
    }

    /** Takes constraints and indexes off that go, or stand in the way of a change. */
    private void takeOff(TableChange change) {
        if (!engine.altersColumns()) {
            change.indexes.gone().forEach(index -> dropIndex(change, index));
            change.indexes.pairs().stream().filter(
                    pair -> !change.rebuilt && (!words.indexSense(pair.from()).equals(words.indexSense(pair.to()))
                            || !pair.from().name().equals(pair.to().name())))
                    .forEach(pair -> dropIndex(change, pair.from()));
            return;
        }
        Table table = change.original;
        Matching<ForeignKey> references = removed.pairs(change);
        List<ForeignKey> out = new ArrayList<>(references.gone());
        references.pairs().stream().filter(pair -> removed.referenceGoes(change, pair)).forEach(pair ->
                out.add(pair.from()));
        out.forEach(key -> {
            List<String> statements = new ArrayList<>(List.of(engine.dropForeignKey(table, originalKey(change, key))));
            safe(Stage.REFERENCES_OUT, table, "Take the foreign key " + key.name() + " off " + table.label(),
                    statements);
        });
        if (engine.leavesSupportingIndexes()) {
            helpers(change, out);
        }
        if (change.rebuilt) {
            return;
        }
        change.checks.gone()
                .forEach(check -> safe(Stage.CONSTRAINTS_OUT, table,
                        "Take the check " + check.name() + " off " + table.label(),
                        List.of(engine.dropCheck(table, check))));
        change.checks.pairs().stream().filter(pair -> removed.checkGoes(change, pair))
                .forEach(pair -> safe(Stage.CONSTRAINTS_OUT, table,
                        "Take the check " + pair.from().name() + " off " + table.label(),
                        List.of(engine.dropCheck(table, pair.from()))));
        change.indexes.gone().stream()
                .filter(index -> !(engine.leavesSupportingIndexes() && SupportingIndex.isHelping(index, change.after)))
                .forEach(index -> dropIndex(change, index));
        change.indexes.pairs().stream().filter(pair -> removed.indexGoes(change, pair))
                .forEach(pair -> dropIndex(change, pair.from()));
        change.uniques.gone().forEach(key -> dropUnique(change, key));
        change.uniques.pairs().stream().filter(pair -> removed.uniqueGoes(change, pair))
                .forEach(pair -> dropUnique(change, pair.from()));
        if (removed.keyGoes(change)) {
            boolean late = numbers(change, change.before.keyColumns());
            Table now = late ? change.after : table;
            safe(late ? Stage.COLUMNS : Stage.CONSTRAINTS_OUT, now, "Take the primary key off " + table.label(),
                    List.of(engine.dropPrimaryKey(now, change.before.primaryKey().orElseThrow())));
        }
    }

    /**
     * MySQL manual, “Using AUTO_INCREMENT”: the column that numbers itself is in a key at every moment, so its key goes
     * in the statement that changes the column.
     */
    private boolean numbers(TableChange change, List<String> columns) {
        return dialect.numbered() == Numbered.ONE_INDEXED_COLUMN && columns.stream().anyMatch(
                name -> change.before.column(name).map(column -> column.identity() != Identity.NONE).orElse(false));
    }

    private void dropUnique(TableChange change, UniqueKey key) {
        boolean late = numbers(change, key.columns());
        Table table = late ? change.after : change.original;
        safe(late ? Stage.COLUMNS : Stage.CONSTRAINTS_OUT, table,
                "Take the unique key " + key.name() + " off " + change.original.label(),
                List.of(engine.dropUnique(table, key)));
    }

    private void dropIndex(TableChange change, TableIndex index) {
        boolean late = numbers(change, index.columnNames());
        Table table = late ? change.after : change.original;
        safe(late ? Stage.COLUMNS : Stage.CONSTRAINTS_OUT, table,
                "Drop the index " + index.name() + " on " + change.original.label(),
                List.of(engine.dropIndex(table, index)));
    }

    /**
     * MySQL manual, FOREIGN KEY Constraints: the index that a reference made for itself stays behind when the reference
     * goes.
     */
    private void helpers(TableChange change, List<ForeignKey> out) {
        for (ForeignKey key : out) {
            boolean served = leads(change.after.keyColumns(), key.columns())
                    || change.after.uniqueKeys().stream().anyMatch(own -> leads(own.columns(), key.columns()))
                    || change.after.indexes().stream().anyMatch(own -> leads(own.columnNames(), key.columns()))
                    || change.after.foreignKeys().stream().anyMatch(own -> own.columns().equals(key.columns()));
            boolean ownIndex = change.before.indexes().stream().anyMatch(own -> own.columnNames()
                    .equals(key.columns()));
            boolean made = !leads(change.before.keyColumns(), key.columns())
                    && change.before.uniqueKeys().stream().noneMatch(own -> leads(own.columns(), key.columns()))
                    && change.before.indexes().stream().noneMatch(own -> leads(own.columnNames(), key.columns()));
            boolean shared = change.before.foreignKeys().stream()
                    .anyMatch(own -> own != key && leads(own.columns(), key.columns()));
            String ifThere = engine.dropsIndexIfThere() ? "IF EXISTS " : "";
            boolean loses = key.columns().stream().anyMatch(change.dropped()::contains);
            if ((!served || loses) && made && !ownIndex && (engine.dropsIndexIfThere() || !shared)) {
                safe(Stage.CONSTRAINTS_OUT, change.original, "Drop the index that served " + key.name(),
                        List.of(engine.alter(change.original, "DROP INDEX " + ifThere
                        + engine.name(originalKey(change, key).name()))));
            }
        }
    }

    private static boolean leads(List<String> columns, List<String> first) {
        return columns.size() >= first.size() && columns.subList(0, first.size()).equals(first);
    }

    private void rename(TableChange change) {
        if (change.aside().isPresent()) {
            return;
        }
        if (!change.original.label().equals(change.before.label())) {
            safe(Stage.NAMES, change.original,
                    "Rename the table " + change.original.label() + " to " + change.after.name(),
                    engine.renameTable(change.original, change.after));
        }
        change.renamed.forEach((before, now) -> safe(Stage.NAMES, change.after,
                "Rename the column " + before + " of " + change.name() + " to " + now,
                engine.renameColumn(change.after, before, now)));
        if (change.rebuilt || !engine.altersColumns()) {
            return;
        }
        if (engine.renamesConstraints()) {
            removed.pairs(change).pairs().stream().filter(pair -> !removed.referenceGoes(change, pair))
                    .forEach(pair -> rename(change, pair.from().name(), pair.to().name()));
            change.checks.pairs().stream().filter(pair -> !removed.checkGoes(change, pair))
                    .forEach(pair -> rename(change, pair.from().name(), pair.to().name()));
            change.uniques.pairs().stream().filter(pair -> !removed.uniqueGoes(change, pair))
                    .forEach(pair -> rename(change, pair.from().name(), pair.to().name()));
            if (!removed.keyGoes(change) && change.before.primaryKey().isPresent() && change.after.primaryKey()
                    .isPresent()) {
                rename(change, change.before.primaryKey().get().name(), change.after.primaryKey().get().name());
            }
        }
        if (dialect.uniqueIndexesAreKeys()) {
            change.uniques.pairs().stream().filter(pair -> !removed.uniqueGoes(change, pair))
                    .forEach(pair -> renameIndex(change, pair.from().name(), pair.to().name()));
        }
        if (engine.renamesIndexes()) {
            change.indexes.pairs().stream().filter(pair -> !removed.indexGoes(change, pair))
                    .forEach(pair -> renameIndex(change, pair.from().name(), pair.to().name()));
        }
    }

    private void rename(TableChange change, String before, String now) {
        if (!words.folded(before).equals(words.folded(now)) && !words.madeUp(now) && !words.madeUp(before)) {
            safe(Stage.NAMES, change.after, "Rename the constraint " + before + " to " + now,
                    engine.renameConstraint(change.after, before, now));
        }
    }

    private void renameIndex(TableChange change, String before, String now) {
        if (!words.folded(before).equals(words.folded(now)) && !now.isEmpty() && !before.isEmpty()) {
            safe(Stage.NAMES, change.after, "Rename the index " + before + " to " + now,
                    engine.renameIndex(change.after, before, now));
        }
    }

    /** A table before; empty where it is made now. */
    private Optional<Table> before(Table table) {
        TableChange change = changes.get(words.folded(table.label()));
        return Optional.ofNullable(change).filter(known -> !known.rebuilt).map(known -> known.before);
    }
}
