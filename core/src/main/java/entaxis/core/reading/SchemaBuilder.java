package entaxis.core.reading;

import entaxis.core.expression.ViewQuery;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Grant;
import entaxis.core.schema.ObjectComment;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramHead.TriggerHead;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.Schema;
import entaxis.core.schema.SecuredObject;
import entaxis.core.schema.Sequence;
import entaxis.core.schema.Table;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.sql.Dialect;

import entaxis.core.statement.PlacedName;
import entaxis.core.schema.QualifiedName;
import entaxis.core.syntax.ScriptSyntax;
import entaxis.core.syntax.SyntaxRule;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.stream.Stream;

/** What the statements read so far have made. */
final class SchemaBuilder {
    private static final int ROOM = 1 << 10;
    private static final Set<String> SHADOWS = Set.of("data", "idx", "content", "docsize", "config", "segments",
            "segdir", "stat", "node", "rowid", "parent");

    private record NewIndex(String name, TableBuilder table) { }

    /** A sequence, and the column that it counts for. */
    record ReadSequence(QualifiedName name, long start, long step, Optional<TableBuilder> table,
            Optional<ColumnBuilder> column, String comment, Optional<List<Grant>> grants) {
        ReadSequence granted(Optional<List<Grant>> newGrants) {
            return new ReadSequence(name, start, step, table, column, comment, newGrants);
        }

        ReadSequence ownedBy(TableBuilder newTable, ColumnBuilder newColumn) {
            return new ReadSequence(name, start, step, Optional.of(newTable), Optional.of(newColumn), comment, grants);
        }

        ReadSequence named(QualifiedName newName) {
            return new ReadSequence(newName, start, step, table, column, comment, grants);
        }

        ReadSequence commented(String newComment) {
            return new ReadSequence(name, start, step, table, column, newComment, grants);
        }
    }

    /** What views read, by their texts, once it was asked for. */
    private final Map<String, Optional<ViewQuery>> queries = new HashMap<>();
    final ScriptSyntax syntax;
    final Dialect dialect;
    final boolean exact;
    private final String usual;
    /** The schema that names without one belong to at present; empty for the usual one. */
    private String current = "";
    private String first = "";
    private final Map<String, TableBuilder> tables = new LinkedHashMap<>(ROOM);
    /** Indexes by their name, with the table that they are on. */
    private final Map<String, TableBuilder> indexed = new HashMap<>();
    /** Indexes that nothing asked for by name yet. */
    private final List<NewIndex> newIndexes = new ArrayList<>();
    final Map<String, TypeDefinition> types = new LinkedHashMap<>();
    /** Types whose columns refuse null where nothing else is said (Transact-SQL Reference, CREATE TYPE). */
    final Set<String> requiredTypes = new HashSet<>();
    final DomainRules domainRules;
    final Map<String, ReadSequence> sequences = new LinkedHashMap<>();
    final Map<String, Program> programs = new LinkedHashMap<>();
    /** The key of the table or view that a trigger or rule belongs to, by its own key. */
    final Map<String, String> belongsTo = new HashMap<>();
    final GrantBook grants = new GrantBook(this);
    /** Names of extensions, in the order in which they are added. */
    final Set<String> extensions = new LinkedHashSet<>();
    /**
     * Names of temporary tables, and of tables that are known not to be known: what is said of them later is stepped
     * over.
     */
    final Set<String> passing = new HashSet<>();
    /** Names of virtual tables of SQLite, in lower case. */
    private final Set<String> virtualTables = new HashSet<>();

    SchemaBuilder(ScriptSyntax syntax) {
        this.syntax = syntax;
        this.dialect = Dialect.of(syntax.engine());
        this.exact = takes(SyntaxRule.EXACT_NAMES);
        this.domainRules = new DomainRules(exact);
        this.usual = syntax.defaultSchema();
    }

    /** Makes a schema the one that names without one belong to. */
    void use(String namespace) {
        if (first.isEmpty() && tables.isEmpty() && takes(SyntaxRule.SCHEMA_IS_DATABASE)) {
            first = namespace;
        }
        current = namespace.equalsIgnoreCase(usual) || namespace.equalsIgnoreCase(first) ? "" : namespace;
    }

    /** The schema that a name belongs to: empty for the usual one. */
    String home(String said) {
        return said.isEmpty() ? current : said.equalsIgnoreCase(usual) || said.equalsIgnoreCase(first) ? "" : said;
    }

    /** What identifies a name. */
    String key(QualifiedName name) {
        String home = home(name.namespace());
        String joined = home.isEmpty() ? name.name() : home + "\u0000" + name.name();
        return exact ? joined : joined.toLowerCase(Locale.ROOT);
    }

    /** The schema that something is put into: as said, else the present one. */
    String placed(QualifiedName name) {
        return name.namespace().isEmpty() ? current : name.namespace();
    }

    Optional<TableBuilder> table(QualifiedName name) {
        return Optional.ofNullable(tables.get(key(name)));
    }

    /**
     * The table of a name.
     *
     * @throws ConflictException if there is none
     */
    TableBuilder existing(PlacedName name) {
        return table(name.name()).orElseThrow(() -> ConflictException.noTable(name));
    }

    Optional<TableBuilder> tableOf(String key) {
        return Optional.ofNullable(tables.get(key));
    }

    /** The keys of the tables in a schema. */
    Stream<String> tablesIn(String namespace) {
        return tables.entrySet().stream().filter(entry -> home(entry.getValue().namespace).equals(namespace))
                .map(Map.Entry::getKey);
    }

    TableBuilder create(QualifiedName name) {
        TableBuilder table = new TableBuilder(placed(name), name.name(), exact);
        table.grants = grants.usual(SecuredObject.TABLE);
        String key = key(name);
        tables.put(key, table);
        if (!passing.isEmpty()) {
            passing.remove(key);
        }
        return table;
    }

    void remove(QualifiedName name, boolean cascade) {
        TableBuilder gone = tables.remove(key(name));
        if (gone == null) {
            return;
        }
        indexed().values().removeIf(owner -> owner == gone);
        List<TableBuilder> heirs = List.copyOf(gone.heirs);
        List<TableBuilder> partitions = gone.partitions();
        gone.leaveAll();
        sequences.values().removeIf(sequence -> sequence.table().filter(owner -> owner == gone).isPresent());
        String key = key(name);
        programs.keySet().removeIf(program -> isOn(program, key));
        if (cascade) {
            removeReaders(key, gone.name);
            tables.values().forEach(other -> other.foreignKeys.removeIf(own -> refersTo(own, other, name)));
        }
        (cascade ? heirs : partitions)
                .forEach(heir -> remove(new QualifiedName(heir.namespace, heir.name), cascade));
    }

    /** Whether a trigger or rule belongs to the table or view of a key. */
    private boolean isOn(String program, String table) {
        return table.equals(belongsTo.get(program));
    }

    /** Takes away what stands on a view or routine that was dropped with all that depends on it. */
    void removeDependents(Program gone) {
        if (gone.kind() == ProgramKind.VIEW) {
            removeReaders(key(gone.qualifiedName()), gone.name());
        } else if (gone.kind() == ProgramKind.FUNCTION) {
            removeWhere((key, program) -> calls(program, gone.name()));
        }
    }

    /** Takes away the views that read a table or view, what reads these, and what belongs to them. */
    private void removeReaders(String table, String name) {
        removeWhere((key, program) -> isOn(key, table)
                || query(program).filter(query -> query.reads(name)).isPresent());
    }

    /** Whether a view's query calls a function, or a trigger does nothing else. */
    private boolean calls(Program program, String function) {
        return query(program).filter(query -> query.functions().contains(function.toLowerCase(Locale.ROOT))).isPresent()
                || program.head(dialect::unquoted) instanceof TriggerHead trigger
                        && trigger.routine().filter(name -> name.name().equalsIgnoreCase(function)).isPresent();
    }

    /** What a view reads; nothing for other programs, and where that is not understood. */
    private Optional<ViewQuery> query(Program program) {
        return queries.computeIfAbsent(program.text(), text -> syntax.query(program.kind(), text));
    }

    private void removeWhere(BiPredicate<String, Program> goes) {
        if (takes(SyntaxRule.DROP_TAKES_VIEWS)) {
            Map<String, Program> gone = new LinkedHashMap<>(programs);
            gone.entrySet().removeIf(entry -> !goes.test(entry.getKey(), entry.getValue()));
            programs.keySet().removeAll(gone.keySet());
            gone.values().forEach(this::removeDependents);
        }
    }

    /** Gives a view, routine or trigger a comment, or takes it; of a column, if one is named. */
    void comment(String key, String column, String text) {
        programs.computeIfPresent(key, (any, program) -> {
            List<ObjectComment> comments = new ArrayList<>(program.comments());
            comments.removeIf(comment -> comment.column().equals(column));
            if (!text.isEmpty()) {
                comments.add(new ObjectComment(column, text));
            }
            return program.withComments(comments);
        });
    }

    /** Whether a reference of a table leads to the table of a name. */
    boolean refersTo(ForeignKey reference, TableBuilder from, QualifiedName to) {
        QualifiedName said = reference.referenced();
        boolean beside = said.namespace().isEmpty() && key(said.in(from.namespace)).equals(key(to));
        return beside || key(said).equals(key(to));
    }

    /** Gives a table another name, also in the references of others. */
    void rename(TableBuilder table, QualifiedName before, QualifiedName now) {
        tables.values()
                .forEach(other -> other.foreignKeys.replaceAll(
                        key -> refersTo(key, other, before)
                                ? key.to(now.namespace().isEmpty() ? key.referenced().named(now.name()) : now)
                                : key));
        String old = key(before);
        tables.remove(old);
        table.name = now.name();
        if (!now.namespace().isEmpty()) {
            table.namespace = now.namespace();
        }
        String current = key(new QualifiedName(table.namespace, table.name));
        tables.put(current, table);
        belongsTo.replaceAll((program, owner) -> owner.equals(old) ? current : owner);
    }

    /** Names a column otherwise, also in the references of other tables and in the tables that inherit it. */
    void rename(TableBuilder table, ColumnBuilder column, String now) {
        String before = column.name;
        table.rename(column, now);
        QualifiedName self = new QualifiedName(table.namespace, table.name);
        tables.values()
                .forEach(other -> other.foreignKeys.replaceAll(key -> !refersTo(key, other, self) ? key
                        : key.to(key.referenced(), key.referencedColumns().stream()
                                .map(name -> table.same(name, before) ? now : name).toList())));
        table.heirs.forEach(heir -> heir.column(before).ifPresent(inherited -> rename(heir, inherited, now)));
    }

    /** Takes away the references of other tables to columns of a table that are no longer a key. */
    void dropReferences(TableBuilder table, List<String> columns) {
        QualifiedName self = new QualifiedName(table.namespace, table.name);
        List<String> own = table.primaryKey.map(PrimaryKey::columns).orElse(List.of());
        tables.values()
                .forEach(other -> other.foreignKeys.removeIf(key -> refersTo(key, other, self)
                        && (key.referencedColumns().isEmpty() ? own : key.referencedColumns()).stream()
                .anyMatch(name -> columns.stream().anyMatch(column -> table.same(column, name)))));
    }

    /** Takes away the references of tables to a key that goes. */
    void dropReferencesTo(TableBuilder table, List<String> columns) {
        QualifiedName self = new QualifiedName(table.namespace, table.name);
        List<String> own = table.primaryKey.map(PrimaryKey::columns).orElse(List.of());
        tables.values().forEach(other -> other.foreignKeys.removeIf(key -> refersTo(key, other, self)
                && Set.copyOf(key.referencedColumns().isEmpty() ? own : key.referencedColumns())
                        .equals(Set.copyOf(columns))));
    }

    void index(String name, TableBuilder table) {
        if (!name.isEmpty()) {
            newIndexes.add(new NewIndex(name, table));
        }
    }

    private Map<String, TableBuilder> indexed() {
        newIndexes.forEach(index -> indexed.put(index.name().toLowerCase(Locale.ROOT), index.table()));
        newIndexes.clear();
        return indexed;
    }

    Optional<TableBuilder> tableOfIndex(String name) {
        return Optional.ofNullable(indexed().get(name.toLowerCase(Locale.ROOT)));
    }

    void forgetIndex(String name) {
        indexed().remove(name.toLowerCase(Locale.ROOT));
    }

    Optional<ReadSequence> sequence(QualifiedName name) {
        return Optional.ofNullable(sequences.get(key(name)));
    }

    Iterable<TableBuilder> tables() {
        return tables.values();
    }

    /** The schema as it now is; references that name no columns refer to the key of their table. */
    Schema done() {
        List<Table> done = tables.values().stream().filter(table -> !isShadow(table.name)).map(this::done).toList();
        List<Sequence> free = sequences.values().stream().filter(sequence -> sequence.column().isEmpty())
                .map(sequence -> grants.told(new Sequence(sequence.name().namespace(), sequence.name().name(),
                        sequence.start(), sequence.step(), sequence.comment(), sequence.grants())))
                .toList();
        return new Schema(types.values().stream().map(grants::told).toList(), free, done,
                programs.values().stream().map(grants::told).toList(), List.copyOf(extensions));
    }

    /** Takes note of a virtual table, whose rows stand in tables that the engine keeps for it. */
    void virtual(String name) {
        virtualTables.add(name.toLowerCase(Locale.ROOT));
    }

    /**
     * Whether a table is one that the engine keeps for a virtual table (SQLite documentation, “The Virtual Table
     * Mechanism Of SQLite”, 2.19; “FTS3 and FTS4”, 9; “FTS5”, 9; “The SQLite R*Tree Module”, 7).
     */
    private boolean isShadow(String name) {
        int end = virtualTables.isEmpty() ? -1 : name.lastIndexOf('_');
        return end > 0 && SHADOWS.contains(name.substring(end + 1).toLowerCase(Locale.ROOT))
                && virtualTables.contains(name.substring(0, end).toLowerCase(Locale.ROOT));
    }

    private Table done(TableBuilder table) {
        table.foreignKeys.replaceAll(key -> completed(table, key));
        return grants.told(table.done(syntax.takes(SyntaxRule.TABLE_HIERARCHIES)));
    }

    /** A reference by the name that its table has here; one that names no columns leads to the key of that table. */
    private ForeignKey completed(TableBuilder table, ForeignKey key) {
        QualifiedName said = key.referenced();
        Optional<TableBuilder> parent = said.namespace().isEmpty() && !table.namespace.isEmpty()
                ? table(said.in(table.namespace)).or(() -> table(said)) : table(said);
        if (parent.isEmpty()) {
            return key;
        }
        boolean sameName = parent.get().namespace.equals(said.namespace());
        ForeignKey named = sameName ? key : key.to(said.in(parent.get().namespace));
        List<String> columns = parent.get().primaryKey.map(PrimaryKey::columns).orElse(List.of());
        boolean bare = key.referencedColumns().isEmpty() && columns.size() == key.columns().size();
        return bare ? named.to(named.referenced(), columns) : named;
    }

    /** Whether scripts of the engine may say something that ISO SQL does not. */
    boolean takes(SyntaxRule rule) {
        return syntax.takes(rule);
    }
}
