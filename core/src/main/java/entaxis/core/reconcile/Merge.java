package entaxis.core.reconcile;

import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ColumnDetails;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Hierarchy;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.Program;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Sequence;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.TablePart;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.schema.UniqueKey;
import entaxis.core.sql.Dialect;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;

/**
 * A schema into which some of the differences to another one are taken over. What cannot stand without a part that was
 * not taken is left out, and said. Linear in the size of both.
 *
 * @param schema  what follows
 * @param pairing what has a new name in it
 * @param left    what could not be taken over, each as a sentence
 */
public record Merge(Schema schema, RenameMap pairing, List<String> left) {
    /** Copies what was left. */
    public Merge {
        left = List.copyOf(left);
    }

    /**
     * Takes differences over.
     *
     * @param from    the schema that changes
     * @param to      the schema that parts are taken from
     * @param pairing what has a new name there
     * @param taken   which differences of {@link Comparison#of} are taken over
     */
    public static Merge of(Schema from, Schema to, Dialect dialect, RenameMap pairing, Predicate<Difference> taken) {
        return of(from, to, dialect, pairing, Comparison.of(from, to, dialect, pairing), taken);
    }

    /** The same where the comparison of the two has been made already. */
    public static Merge of(Schema from, Schema to, Dialect dialect, RenameMap pairing, Comparison comparison,
            Predicate<Difference> taken) {
        Set<Place> places = new HashSet<>();
        comparison.differences().stream().filter(taken).forEach(difference -> places
                .add(new Place(difference.part(), difference.table(), difference.name(), difference.aspect())));
        RenameMap all = pairing.withInherited(from);
        return new Run(dialect, all, places).merge(SchemaRenaming.apply(from, all, dialect), to);
    }

    /** What a difference is about. */
    private record Place(SchemaPart part, String table, String name, Aspect aspect) { }

    /** One merge on its way; all in wanted names until the end. */
    private static final class Run {
        private final EngineWordingRules words;
        private final Dialect dialect;
        private final RenameMap pairing;
        private final Set<Place> taken;
        private final List<String> left = new ArrayList<>();
        /** The tables that others inherit from, by wanted names. */
        private final Map<String, List<String>> parents = new HashMap<>();

        Run(Dialect dialect, RenameMap pairing, Set<Place> taken) {
            this.words = new EngineWordingRules(dialect);
            this.dialect = dialect;
            this.pairing = pairing;
            this.taken = taken;
        }

        private boolean takes(SchemaPart part, String table, String name, Aspect aspect) {
            return !taken.isEmpty() && (taken.contains(new Place(part, table, name, aspect)) || !name.isEmpty()
                    && parents.getOrDefault(table, List.of()).stream()
                            .anyMatch(parent -> takes(part, parent, name, aspect)));
        }

        /** What is taken over of a table is taken over of those that inherit it. */
        private void inherits(List<Table> tables) {
            tables.forEach(table -> {
                List<QualifiedName> of = table.knownHierarchy().parents();
                if (!of.isEmpty()) {
                    parents.put(table.label(), of.stream().map(QualifiedName::label).toList());
                }
            });
        }

        Merge merge(Schema from, Schema to) {
            inherits(from.tables());
            inherits(to.tables());
            List<TypeDefinition> types = each(from.types(), to.types(), TypeDefinition::label, this::type,
                    gone -> takes(SchemaPart.TYPE, "", gone.label(), Aspect.PRESENCE),
                    fresh -> takes(SchemaPart.TYPE, "", fresh.label(), Aspect.PRESENCE));
            List<Sequence> sequences = each(from.sequences(), to.sequences(),
                    sequence -> sequence.qualifiedName().label(),
                    this::sequence,
                    gone -> takes(SchemaPart.SEQUENCE, "", gone.qualifiedName().label(),
                            Aspect.PRESENCE),
                    fresh -> takes(SchemaPart.SEQUENCE, "", fresh.qualifiedName().label(),
                            Aspect.PRESENCE));
            List<Program> programs = programs(from, to);
            Map<String, Table> known = words.byName(from.tables());
            Map<String, Table> wanted = words.byName(to.tables());
            List<Table> tables =
                    each(from.tables(), to.tables(), Table::label, (one, other) -> table(one, other, known, wanted),
                            gone -> takes(SchemaPart.TABLE, gone.label(), "", Aspect.PRESENCE),
                    fresh -> takes(SchemaPart.TABLE, fresh.label(), "", Aspect.PRESENCE));
            Set<String> extensions = new LinkedHashSet<>(from.extensions());
            if (!taken.isEmpty()) {
                extensions.addAll(to.extensions());
            }
            Schema whole = standing(new Schema(withUsed(types, tables, from.types(), to.types()), sequences, tables,
                    programs, List.copyOf(extensions)));
            return named(whole);
        }

        private Sequence sequence(Sequence from, Sequence to) {
            String name = to.qualifiedName().label();
            Sequence shape = takes(SchemaPart.SEQUENCE, "", name, Aspect.DEFINITION) ? to : from;
            return shape.withComment(takes(SchemaPart.SEQUENCE, "", name, Aspect.COMMENT) ? to.comment()
                    : from.comment())
                    .withGrants((takes(SchemaPart.SEQUENCE, "", name, Aspect.PRIVILEGES) ? to : from).grants());
        }

        private List<Program> programs(Schema from, Schema to) {
            ProgramKeys keys = new ProgramKeys(from, to, dialect);
            Predicate<Program> presence =
                    program -> takes(SchemaPart.PROGRAM, "", keys.label(program), Aspect.PRESENCE);
            return each(from.programs(), keys.pairs(from, to),
                    (one, other) -> program(keys.label(other), one, other), presence, presence);
        }

        private Program program(String label, Program from, Program to) {
            boolean other = takes(SchemaPart.PROGRAM, "", label, Aspect.DEFINITION);
            boolean told = CatalogWording.of(dialect.target()).tellsProgramComments();
            boolean commented = told ? takes(SchemaPart.PROGRAM, "", label, Aspect.COMMENT) : other;
            return (other ? to : from).withComments((commented ? to : from).comments())
                    .withGrants((takes(SchemaPart.PROGRAM, "", label, Aspect.PRIVILEGES) ? to : from).grants());
        }

        /** Those of the first list in their order, changed or dropped as was decided, then the new ones. */
        private <T> List<T> each(List<T> from, List<T> to, Function<T, String> name,
                java.util.function.BinaryOperator<T> both, Predicate<T> drops, Predicate<T> adds) {
            return each(from, Matching.of(from, to, item -> words.folded(name.apply(item)), item -> ""), both, drops,
                    adds);
        }

        private <T> List<T> each(List<T> from, Matching<T> pairs, java.util.function.BinaryOperator<T> both,
                Predicate<T> drops, Predicate<T> adds) {
            Map<T, T> partner = new IdentityHashMap<>();
            pairs.pairs().forEach(pair -> partner.put(pair.from(), pair.to()));
            List<T> result = new ArrayList<>();
            for (T item : from) {
                T other = partner.get(item);
                if (other != null) {
                    result.add(both.apply(item, other));
                } else if (!drops.test(item)) {
                    result.add(item);
                }
            }
            pairs.fresh().stream().filter(adds).forEach(result::add);
            return result;
        }

        private TypeDefinition type(TypeDefinition from, TypeDefinition to) {
            TypeDefinition shape = takes(SchemaPart.TYPE, "", to.label(), Aspect.DEFINITION) ? to : from;
            String comment = takes(SchemaPart.TYPE, "", to.label(), Aspect.COMMENT) ? to.comment() : from.comment();
            return shape.withComment(comment).withGrants(
                    (takes(SchemaPart.TYPE, "", to.label(), Aspect.PRIVILEGES) ? to : from).grants());
        }

        /** A type stays, or comes along, while a column has it. */
        private List<TypeDefinition> withUsed(List<TypeDefinition> types, List<Table> tables, List<TypeDefinition> from,
                List<TypeDefinition> to) {
            Set<UserType> used = new HashSet<>();
            tables.forEach(table -> table.columns().forEach(column -> named(column.type()).ifPresent(used::add)));
            List<TypeDefinition> result = new ArrayList<>(types);
            for (List<TypeDefinition> source : List.of(from, to)) {
                for (TypeDefinition type : source) {
                    if (used.contains(type.type())
                            && result.stream().noneMatch(own -> own.type().equals(type.type()))) {
                        left.add("The type " + type.label() + " stays, because a column has it.");
                        result.add(type);
                    }
                }
            }
            return result;
        }

        private static Optional<UserType> named(SqlType type) {
            return type instanceof UserType user ? Optional.of(user) : Optional.empty();
        }

        private Table table(Table from, Table to, Map<String, Table> known, Map<String, Table> wanted) {
            String name = to.label();
            List<Column> columns = columns(name, from, to);
            Optional<PrimaryKey> key =
                    constraints(ConstraintKind.primaryKey(words), name, from, to).stream().findFirst();
            List<UniqueKey> uniques = constraints(ConstraintKind.unique(words), name, from, to);
            List<CheckRule> checks = constraints(ConstraintKind.check(words), name, from, to);
            List<TableIndex> indexes = constraints(ConstraintKind.index(words), name, from, to);
            List<ForeignKey> references =
                    constraints(ConstraintKind.reference(words, from, known, to, wanted), name, from, to);
            String comment = takes(SchemaPart.TABLE, name, "", Aspect.COMMENT) ? to.comment() : from.comment();
            return Table.of(to.qualifiedName()).withColumns(columns)
                    .withKeys(key, uniques).withChecks(checks).referring(references).withIndexes(indexes)
                    .withComment(comment)
                    .withGrants((takes(SchemaPart.TABLE, name, "", Aspect.PRIVILEGES) ? to : from).grants())
                    .withHierarchy((takes(SchemaPart.TABLE, name, "", Aspect.HIERARCHY) ? to : from).hierarchy());
        }

        private List<Column> columns(String table, Table from, Table to) {
            Map<String, Column> wanted = new HashMap<>();
            to.columns().forEach(column -> wanted.put(words.folded(column.name()), column));
            List<Column> result = new ArrayList<>();
            for (Column column : from.columns()) {
                Column other = wanted.remove(words.folded(column.name()));
                if (other != null) {
                    result.add(column(table, column, other));
                } else if (!takes(SchemaPart.COLUMN, table, column.name(), Aspect.PRESENCE)) {
                    result.add(column);
                } else if (pairing.moved(table, column.name())
                        .filter(split -> !takes(SchemaPart.TABLE, split.into(), "", Aspect.PRESENCE)).isPresent()) {
                    left.add(table + "." + column.name()
                            + " stays, because the table that its values move to is not taken over.");
                    result.add(column);
                }
            }
            String before = "";
            Set<String> there = new HashSet<>(words.folded(result.stream().map(Column::name).toList()));
            for (Column column : to.columns()) {
                if (wanted.containsKey(words.folded(column.name()))
                        && takes(SchemaPart.COLUMN, table, column.name(), Aspect.PRESENCE)) {
                    String neighbour = before;
                    int at = 0;
                    for (int i = 0; i < result.size(); i++) {
                        at = words.folded(result.get(i).name()).equals(neighbour) ? i + 1 : at;
                    }
                    result.add(at, column);
                    there.add(words.folded(column.name()));
                }
                before = there.contains(words.folded(column.name())) ? words.folded(column.name()) : before;
            }
            return takes(SchemaPart.TABLE, table, "", Aspect.ORDER) ? ordered(result, to.columns()) : result;
        }

        private List<Column> ordered(List<Column> columns, List<Column> as) {
            List<Column> result = new ArrayList<>();
            Map<String, Column> open = new java.util.LinkedHashMap<>();
            columns.forEach(column -> open.put(words.folded(column.name()), column));
            as.forEach(column -> Optional.ofNullable(open.remove(words.folded(column.name()))).ifPresent(result::add));
            result.addAll(open.values());
            return result;
        }

        private Column column(String table, Column from, Column to) {
            String name = to.name();
            Function<Aspect, Column> source = aspect -> takes(SchemaPart.COLUMN, table, name, aspect) ? to : from;
            Column numbered = source.apply(Aspect.IDENTITY);
            Column computed = source.apply(Aspect.COMPUTED);
            ColumnDetails details =
                    new ColumnDetails(computed.details().virtual(), source.apply(Aspect.ON_CHANGE).details().onUpdate(),
                            source.apply(Aspect.COLLATION).details().collation());
            return new Column(to.name(), source.apply(Aspect.TYPE).type(),
                    source.apply(Aspect.REQUIRED).required(),
                    source.apply(Aspect.DEFAULT).defaultValue(), numbered.identity(), numbered.numbering(),
                    computed.generated(), details, source.apply(Aspect.COMMENT).comment());
        }

        private <T extends TablePart> List<T> constraints(ConstraintKind<T> kind, String table, Table from, Table to) {
            Matching<T> pairs = kind.pairs(kind.of().apply(from), kind.of().apply(to));
            Map<T, T> partner = new IdentityHashMap<>();
            pairs.pairs().forEach(pair -> partner.put(pair.from(), pair.to()));
            List<T> result = new ArrayList<>();
            for (T item : kind.of().apply(from)) {
                T other = partner.get(item);
                if (other != null) {
                    T shape = takes(kind.part(), table, kind.label(other), Aspect.DEFINITION) ? other : item;
                    result.add(kind.called().apply(shape,
                            takes(kind.part(), table, kind.label(other), Aspect.NAME) ? other : item));
                } else if (!takes(kind.part(), table, kind.label(item), Aspect.PRESENCE)) {
                    result.add(item);
                }
            }
            pairs.fresh().stream().filter(item -> takes(kind.part(), table, kind.label(item), Aspect.PRESENCE))
                    .forEach(result::add);
            return result;
        }

        /** Leaves out what speaks of columns and keys that are not there. */
        private Schema standing(Schema schema) {
            List<Table> kept = schema.tables().stream().map(this::within).toList();
            Map<String, Table> tables = words.byName(kept);
            return schema.over(kept.stream().map(table -> withStandingReferences(table, tables))
                    .map(table -> withStandingParents(table, tables)).toList());
        }

        private Table withStandingParents(Table table, Map<String, Table> tables) {
            Optional<QualifiedName> missing = table.knownHierarchy().parents().stream()
                    .filter(parent -> !tables.containsKey(words.folded(parent.label()))).findFirst();
            missing.ifPresent(parent -> left.add(table.label() + " becomes a table of its own, because "
                    + parent.label() + " is not there."));
            return missing.isEmpty() ? table : table.withHierarchy(Optional.of(Hierarchy.NONE));
        }

        private Table within(Table table) {
            Set<String> columns = new HashSet<>(words.folded(table.columns().stream().map(Column::name).toList()));
            Predicate<List<String>> there = names -> columns.containsAll(words.folded(names));
            Optional<PrimaryKey> key =
                    table.primaryKey().filter(own -> kept(there.test(own.columns()), table, "the primary key"));
            List<UniqueKey> uniques = table.uniqueKeys().stream()
                    .filter(own -> kept(there.test(own.columns()), table, "the unique key " + own.name())).toList();
            List<TableIndex> indexes = table.indexes().stream()
                    .filter(own -> kept(
                            there.test(own.columns().stream().filter(part -> !part.expression())
                                    .map(TableIndex.IndexColumn::name).toList()),
                    table, "the index " + own.name())).toList();
            List<ForeignKey> references = table.foreignKeys().stream()
                    .filter(own -> kept(there.test(own.columns()), table, "the foreign key " + own.name())).toList();
            return table.withKeys(key, uniques).referring(references).withIndexes(indexes);
        }

        private boolean kept(boolean stands, Table table, String what) {
            if (!stands) {
                left.add(
                        table.label() + ": " + what + " is left out, because a column of it is not taken over.");
            }
            return stands;
        }

        private Table withStandingReferences(Table table, Map<String, Table> tables) {
            List<ForeignKey> references = table.foreignKeys().stream().filter(key -> {
                Table there = tables.get(words.folded(key.referenced().label()));
                boolean stands =
                        there != null && (key.referencedColumns().isEmpty() || isKey(there, key.referencedColumns()));
                if (!stands) {
                    left.add(table.label() + ": the foreign key " + key.name() + " is left out, because "
                            + key.referenced().label() + (there == null ? " is not there." : " has no such key."));
                }
                return stands;
            }).toList();
            return references.size() == table.foreignKeys().size() ? table : table.referring(references);
        }

        private boolean isKey(Table table, List<String> columns) {
            Set<String> asked = new HashSet<>(words.folded(columns));
            return asked.equals(new HashSet<>(words.folded(table.keyColumns())))
                    || table.uniqueKeys().stream()
                            .anyMatch(key -> asked.equals(new HashSet<>(words.folded(key.columns()))))
                    || table.indexes().stream()
                            .anyMatch(index -> index.unique() && asked.equals(new HashSet<>(
                                    words.folded(index.columns().stream().map(TableIndex.IndexColumn::name).toList()))))
                    || words.dialect().referencesAnyIndex();
        }

        /** Gives back the old names that were not taken. */
        private Merge named(Schema schema) {
            RenameMap kept = RenameMap.NONE;
            RenameMap undone = RenameMap.NONE;
            for (Map.Entry<String, String> table : pairing.tables().entrySet()) {
                if (takes(SchemaPart.TABLE, table.getValue(), "", Aspect.NAME)) {
                    kept = kept.withTable(table.getKey(), table.getValue());
                } else {
                    undone = undone.withTable(table.getValue(), table.getKey());
                }
            }
            for (Map.Entry<String, Map<String, String>> table : pairing.columns().entrySet()) {
                String name = undone.table(table.getKey());
                for (Map.Entry<String, String> column : table.getValue().entrySet()) {
                    if (takes(SchemaPart.COLUMN, table.getKey(), column.getValue(), Aspect.NAME)) {
                        kept = kept.withColumn(name, column.getKey(), column.getValue());
                    } else {
                        undone = undone.withColumn(name, column.getValue(), column.getKey());
                    }
                }
            }
            for (Split split : pairing.splits()) {
                if (takes(SchemaPart.TABLE, split.into(), "", Aspect.PRESENCE)) {
                    kept = kept.withSplit(underNames(split, undone));
                }
            }
            return new Merge(SchemaRenaming.apply(schema, undone, dialect), kept, left);
        }

        private static Split underNames(Split split, RenameMap undone) {
            String table = undone.table(split.table());
            Map<String, String> columns = new HashMap<>();
            split.columns().forEach((to, from) -> columns.put(to, undone.column(table, from)));
            return new Split(table, split.into(), split.moved(), columns, split.once(), split.reasons());
        }
    }
}
