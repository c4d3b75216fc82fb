package entaxis.core.sql;

import entaxis.core.expression.Expression;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.ColumnDetails;
import entaxis.core.schema.Column;
import entaxis.core.schema.Deferral;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Identity;
import entaxis.core.schema.IndexOrdering;
import entaxis.core.schema.Numbering;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.schema.Sequence;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.Table;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.sql.AdaptationNote.Kind;
import entaxis.core.sql.TableFeatures.Home;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * One table as an engine can hold it: its columns with the numbers that they give themselves, its checks, keys,
 * references and indexes. What has to change is noted. Linear in the table.
 */
final class TableAdapter {
    private final DialectAdapter schema;
    private final Dialect dialect;
    private final Map<UserType, TypeDefinition> types;
    private final Set<String> leftBehind;
    private final boolean own;
    private final List<AdaptationNote> notes = new ArrayList<>();
    /** Sequences that number rows where a column cannot do so by itself. */
    private final List<Sequence> counting = new ArrayList<>();
    private final Table table;

    TableAdapter(DialectAdapter schema, Table given) {
        this.schema = schema;
        this.dialect = schema.dialect;
        this.types = schema.types;
        this.leftBehind = schema.leftBehind;
        this.own = schema.own;
        this.table = adapted(given);
    }

    /** The table as the engine can hold it. */
    Table table() {
        return table;
    }

    /** What had to change. */
    List<AdaptationNote> notes() {
        return notes;
    }

    /** Sequences that number its rows. */
    List<Sequence> counting() {
        return counting;
    }

    private void say(Kind kind, String where, String element, String words) {
        notes.add(new AdaptationNote(kind, where, element, words));
    }

    /** Columns of keys, references and indexes, as far as all of their values count. */
    static Set<String> keyed(Table table, Dialect dialect) {
        Set<String> keyed = new HashSet<>(table.keyColumns());
        table.uniqueKeys().forEach(key -> keyed.addAll(key.columns()));
        table.foreignKeys().forEach(key -> keyed.addAll(key.columns()));
        table.indexes()
                .forEach(index -> index.columns().stream()
                        .filter(part -> (part.prefix().isEmpty() || !dialect.prefixIndexes())
                                && index.method().isEmpty())
                        .forEach(part -> keyed.add(part.name())));
        return keyed;
    }

    private Table adapted(Table given) {
        Table table = new ComputedColumns(dialect.uniqueIndexesAreKeys() ? UniqueIndexes.asKeys(given) : given,
                dialect, notes).constrained();
        Set<String> keyed = keyed(table, dialect);
        List<CheckRule> checks = new ArrayList<>();
        Numbered numbered = new Numbered(table);
        List<Column> columns = new ArrayList<>();
        for (Column column : table.columns()) {
            columns.add(column(table, column, keyed.contains(column.name()), numbered, checks));
        }
        List<CheckRule> ordered = new ArrayList<>(table.checks().stream()
                .filter(check -> callable(table, check.name(), check.condition()) && takes(table, check))
                .map(check -> check.with(dialect.expression(check.condition()))).toList());
        checks.stream().filter(extra -> takes(table, extra))
                .filter(new ComputedColumns(table, dialect, notes)::takes)
                .filter(extra -> ordered.stream().noneMatch(own -> own.name().equals(extra.name())))
                .forEach(ordered::add);
        List<TableIndex> indexes = new ArrayList<>();
        table.indexes().forEach(index -> index(table, index).ifPresent(indexes::add));
        numbered.helping.ifPresent(helping -> {
            indexes.remove(helping);
            indexes.addFirst(helping);
        });
        Set<String> required = columns.stream().filter(Column::required).map(Column::name).collect(Collectors.toSet());
        Set<String> checked = dialect.changesCheckedColumns() ? Set.of() : named(ordered, columns);
        List<ForeignKey> foreignKeys = table.foreignKeys().stream()
                .map(key -> unchecked(table, foreignKey(table, key, required), checked)).toList();
        return table.in(dialect.schemas() ? table.namespace() : "").withColumns(columns)
                .withKeys(dialect.prefixIndexes() ? table.primaryKey()
                        : table.primaryKey().map(PrimaryKey::withoutPrefixes), table.uniqueKeys())
                .withChecks(ordered).referring(foreignKeys).withIndexes(indexes)
                .withHierarchy(table.hierarchy().map(hierarchy -> hierarchy.worded(dialect::expression)));
    }

    private Column column(Table table, Column column, boolean keyed, Numbered numbered, List<CheckRule> checks) {
        LossReport loss = new ElementLosses(notes, table.label(), column.name());
        SqlType type = !dialect.typesComputedColumns() && withoutType(column) ? column.type()
                : schema.held(column.type(), keyed, loss);
        Column fitted = numbered.number(column.withType(numberedType(column, type, loss)));
        fitted = computed(table, fitted);
        Optional<Expression> standing = fitted.defaultValue().or(() -> domainDefault(column.type()));
        SqlType plain = fitted.type();
        Optional<Expression> defaultValue = fitted.identity() != Identity.NONE ? Optional.empty()
                : standing.filter(expression -> callable(table, column.name(), expression))
                        .filter(expression -> own || dialect.fitsAsDefault(expression, plain, loss))
                        .map(expression -> dialect.columnDefault(dialect.expression(expression), plain));
        ColumnDetails details = fitted.details();
        if (details.onUpdate().isPresent() && !dialect.setsOnUpdate()) {
            loss.say("nothing sets it when a row is changed; a trigger would have to");
            details = details.withOnUpdate(Optional.empty());
        }
        if (!own) {
            checks.addAll(new StandInChecks(dialect, types, notes).of(table, column, fitted));
        }
        boolean required = fitted.required() || spelledOutRequires(column.type())
                || !own && table.keyColumns().contains(column.name());
        Column said = inheritsComment(column) ? fitted.withComment("") : fitted;
        return said.withDefault(defaultValue).with(details)
                .withRequired(required
                        && (fitted.generated().isEmpty() || dialect.requiresComputed(fitted.details().virtual())));
    }

    /** The type of a column that numbers its rows, which not all that hold its numbers can. */
    private SqlType numberedType(Column column, SqlType type, LossReport loss) {
        SqlType numbered = own || column.identity() == Identity.NONE ? type : dialect.numberedType(type);
        if (!numbered.equals(type)) {
            loss.limit("a column that numbers itself is a " + dialect.type(numbered) + " at most");
        }
        return numbered;
    }

    /** Whether the engine takes a check: some refuse one on a column that numbers itself. */
    private boolean takes(Table table, CheckRule check) {
        Set<String> numbered = own || dialect.checksNumberedColumns() ? Set.of()
                : table.columns().stream().filter(column -> column.identity() != Identity.NONE)
                        .map(column -> column.name().toLowerCase(Locale.ROOT)).collect(Collectors.toSet());
        boolean refused = !numbered.isEmpty()
                && IsoNormalizer.names(check.condition(), dialect).stream().anyMatch(numbered::contains);
        if (refused) {
            say(Kind.LOST, table.label(), check.name(), "a column that numbers itself is not checked; it is left out");
        }
        return !refused;
    }

    /** Whether an expression calls no function that stays behind, and no sequence where none are; says so otherwise. */
    private boolean callable(Table table, String element, Expression expression) {
        if (Functions.kind(expression) == Functions.Kind.NEXT_VALUE && !dialect.sequences()) {
            say(Kind.LOST, table.label(), element, "there are no sequences to take its number from; it is left out");
            return false;
        }
        Optional<String> called = leftBehind.isEmpty() ? Optional.empty()
                : expression.calls(leftBehind).stream().findFirst();
        called.ifPresent(name -> say(Kind.LOST, table.label(), element,
                "it calls " + name + ", which is written for another engine; the expression is left out"));
        return called.isEmpty();
    }

    /** Whether a column has its comment from its type, so that it says nothing of its own. */
    private boolean inheritsComment(Column column) {
        return dialect.columnsShowTypeComments() && column.type() instanceof UserType type
                && types.containsKey(type) && types.get(type).comment().equals(column.comment());
    }

    private Optional<Expression> domainDefault(SqlType type) {
        return type instanceof UserType user && types.get(user) instanceof DomainDefinition domain
                && dialect.domains() == Home.NONE ? domain.defaultValue() : Optional.empty();
    }

    /** Whether a type is a domain that refuses null and that the engine does not have. */
    private boolean spelledOutRequires(SqlType type) {
        return type instanceof UserType user && types.get(user) instanceof DomainDefinition domain && domain.required()
                && dialect.home(domain) != Home.SCHEMA;
    }

    /** Whether a computed column was given no type, so that the engine takes that of its expression. */
    private static boolean withoutType(Column column) {
        return column.generated().isPresent() && column.type() instanceof SqlType.NativeType(String spelled)
                && spelled.isEmpty();
    }

    private Column computed(Table table, Column column) {
        if (column.generated().isEmpty()) {
            return column.details().virtual()
                    ? column.with(column.details().computedAtReading(false))
                    : column;
        }
        boolean virtual = column.details().virtual() ? dialect.computedVirtual() : !dialect.computedStored();
        Expression expression = dialect.expression(column.generated().get());
        if (!dialect.typesComputedColumns() && !withoutType(column)
                && !expression.text().toLowerCase(Locale.ROOT).startsWith("cast(")) {
            expression = expression.worded(words -> "cast(" + words + " as " + dialect.type(column.type()) + ")");
        }
        if (virtual != column.details().virtual()) {
            say(Kind.WORKED_AROUND, table.label(), column.name(),
                    virtual ? "it is computed at each reading instead of being stored"
                            : "it is stored instead of being computed at each reading");
        }
        return column.withGenerated(Optional.of(expression))
                .with(column.details().computedAtReading(virtual));
    }

    private Optional<TableIndex> index(Table table, TableIndex index) {
        if (index.columns().stream().anyMatch(IndexColumn::expression) && !dialect.expressionIndexes()) {
            say(Kind.LOST, table.label(), index.name(), "an index on an expression is not possible; it is left out");
            return Optional.empty();
        }
        boolean partial = index.predicate().isPresent() && !dialect.partialIndexes();
        if (partial) {
            say(Kind.LOST, table.label(), index.name(),
                    index.unique() ? "an index over some rows only is not possible; it no longer refuses equal rows"
                    : "an index over some rows only is not possible; it covers all rows");
        }
        boolean prefixes =
                dialect.prefixIndexes() || index.columns().stream().allMatch(part -> part.prefix().isEmpty());
        List<IndexColumn> columns = index.columns().stream()
                .map(part -> part.worded(UnaryOperator.identity(), dialect::expression)
                        .falling(part.descending() && dialect.fallingIndexes())
                        .beginning(prefixes ? part.prefix() : OptionalInt.empty())
                        .ordered(own ? part.ordering() : IndexOrdering.DEFAULT))
                .toList();
        boolean includes = index.included().isEmpty() || dialect.includesColumns();
        if (!includes) {
            say(Kind.LOST, table.label(), index.name(), "an index cannot hold columns that it is not ordered by; "
                    + String.join(", ", index.included()) + " is left out of it");
        }
        return Optional.of(new TableIndex(index.name(), index.unique() && !partial, columns, index.method(),
                partial ? Optional.empty() : index.predicate().map(dialect::expression),
                includes ? index.included() : List.of()));
    }

    private ForeignKey foreignKey(Table table, ForeignKey key, Set<String> required) {
        ReferentialAction onDelete = action(table, key, key.onDelete(), dialect.deleteActions(), "deleting", required);
        ReferentialAction onUpdate =
                action(table, key, key.onUpdate(), dialect.updateActions(), "changing the key of", required);
        Deferral deferral = key.deferral();
        if (deferral != Deferral.NOT_DEFERRABLE && !dialect.deferrable()) {
            say(Kind.LOST, table.label(), key.name(),
                    "it is checked after each statement, not at the end of the transaction");
            deferral = Deferral.NOT_DEFERRABLE;
        }
        return key.withActions(onDelete, onUpdate).with(deferral);
    }

    /** The words of all conditions and expressions of a table, in small letters. */
    private Set<String> named(List<CheckRule> checks, List<Column> columns) {
        Stream<Expression> expressions = Stream.concat(checks.stream().map(CheckRule::condition),
                columns.stream().flatMap(column -> column.generated().stream()));
        return expressions.flatMap(one -> IsoNormalizer.names(one, dialect).stream()).collect(Collectors.toSet());
    }

    /** A reference without the actions that would change columns of conditions. */
    private ForeignKey unchecked(Table table, ForeignKey key, Set<String> checked) {
        boolean changes = key.onDelete() == ReferentialAction.SET_NULL || key.onUpdate() != ReferentialAction.NO_ACTION;
        if (!changes || key.columns().stream().noneMatch(column -> checked.contains(column.toLowerCase(Locale.ROOT)))) {
            return key;
        }
        say(Kind.LOST, table.label(), key.name(),
                "its columns are not changed along, because a condition of the table speaks of them; the change is "
                        + "refused");
        return key.withActions(
                key.onDelete() == ReferentialAction.SET_NULL ? ReferentialAction.NO_ACTION : key.onDelete(),
                ReferentialAction.NO_ACTION);
    }

    private ReferentialAction action(Table table, ForeignKey key, ReferentialAction asked,
            Set<ReferentialAction> possible, String doing, Set<String> required) {
        if (asked == ReferentialAction.RESTRICT && !dialect.tellsRestrict()) {
            return ReferentialAction.NO_ACTION;
        }
        boolean nullsRefused = asked == ReferentialAction.SET_NULL && !dialect.takesSetNullOfRequired()
                && required.containsAll(key.columns());
        if (possible.contains(asked) && !nullsRefused) {
            return asked;
        }
        if (asked != ReferentialAction.NO_ACTION) {
            say(Kind.LOST, table.label(), key.name(),
                    doing + " a referred-to row is refused; “" + asked.words() + "” is not possible here");
        }
        return ReferentialAction.NO_ACTION;
    }

    /** Which columns of a table may number their rows. */
    private final class Numbered {
        private final Table table;
        private boolean taken;
        /**
         * The index that lets a column number itself where no key begins with it (MySQL manual, “Using
         * AUTO_INCREMENT”); it comes first.
         */
        private Optional<TableIndex> helping = Optional.empty();

        Numbered(Table table) {
            this.table = table;
        }

        Column number(Column column) {
            if (column.identity() == Identity.NONE) {
                return column;
            }
            if (!dialect.numbers(column.type())) {
                return bySequence(column);
            }
            Optional<Numbering> numbers = column.numbering().filter(numbering -> !numbering.equals(Numbering.DEFAULT));
            Identity identity = dialect.identity(column.identity());
            boolean several = taken && (dialect.numbered() == TableFeatures.Numbered.ONE_COLUMN
                    || dialect.numbered() == TableFeatures.Numbered.ONE_INDEXED_COLUMN);
            Column numbered = several ? without(column, "a table numbers one column only")
                    : switch (dialect.numbered()) {
                        case ANY_COLUMN, ONE_COLUMN -> column.withIdentity(identity, numbers);
                        case ONE_INDEXED_COLUMN -> autoIncrement(column, numbers);
                        case PRIMARY_KEY ->
                                table.keyColumns().equals(List.of(column.name())) ? rowNumber(column, numbers)
                                : without(column, "only a primary key of one column is numbered");
                    };
            taken |= numbered.identity() != Identity.NONE;
            return numbered.identity() == Identity.NONE || own ? numbered : numbered.withRequired(true);
        }

        /** A column that counts by asking a sequence, because its type cannot do so by itself. */
        private Column bySequence(Column column) {
            Numbering numbers = column.numbering().orElse(Numbering.DEFAULT);
            String name = dialect.countingSequence(table.name(), column.name());
            counting.add(new Sequence(table.namespace(), name, numbers.start(), numbers.step()));
            String home = table.namespace().isEmpty() ? "" : dialect.name(table.namespace()) + ".";
            return column.withIdentity(Identity.NONE, Optional.empty())
                    .withDefault(Optional.of(Expression.of(
                            "nextval(" + Dialect.quotedText(home + dialect.name(name)) + ")")));
        }

        private Column without(Column column, String why) {
            say(Kind.LOST, table.label(), column.name(), "it is not numbered by itself: " + why);
            return column.withIdentity(Identity.NONE, Optional.empty());
        }

        private Column autoIncrement(Column column, Optional<Numbering> numbers) {
            boolean leads = !table.keyColumns().isEmpty() && table.keyColumns().getFirst().equals(column.name())
                    || table.uniqueKeys().stream().anyMatch(key -> key.columns().getFirst().equals(column.name()));
            Optional<TableIndex> own = table.indexes().stream()
                    .filter(index -> index.columns().getFirst().name().equals(column.name())).findFirst();
            if (!leads && own.isPresent()) {
                helping = index(table, own.get());
            } else if (!leads) {
                helping = Optional.of(new TableIndex("ix_" + table.name() + "_" + column.name(), false,
                        List.of(new IndexColumn(column.name(), false))));
                say(Kind.WORKED_AROUND, table.label(), column.name(),
                        "a column that numbers itself needs an index, which is added");
            }
            if (numbers.filter(numbering -> numbering.step() != 1).isPresent()) {
                say(Kind.LOST, table.label(), column.name(), "it counts by 1; the step is a setting of the server");
            }
            Optional<Numbering> start = numbers.filter(numbering -> numbering.start() > 1)
                    .map(numbering -> new Numbering(numbering.start(), 1));
            return column.withIdentity(Identity.BY_DEFAULT, start);
        }

        private Column rowNumber(Column column, Optional<Numbering> numbers) {
            if (numbers.isPresent()) {
                say(Kind.LOST, table.label(), column.name(), "it counts from 1 by 1");
            }
            return column.withType(SqlType.integer()).withIdentity(Identity.BY_DEFAULT, Optional.empty());
        }
    }
}
