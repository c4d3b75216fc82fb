package entaxis.core.reconcile;

import entaxis.core.expression.Expression;
import entaxis.core.reconcile.Matching.Pair;
import entaxis.core.schema.Column;
import entaxis.core.schema.Grant;
import entaxis.core.schema.Program;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Sequence;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.TablePart;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.sql.Dialect;
import entaxis.core.token.SqlText;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Everything in which a schema is apart from the one that is wanted; both are held by the same engine. Linear in the
 * size of both.
 *
 * @param differences what is apart, in the order of the wanted schema, what has to go behind it
 * @param remarks     what is apart but cannot be told or put right in this engine
 */
public record Comparison(List<Difference> differences, List<String> remarks) {
    /** Copies the lists. */
    public Comparison {
        differences = List.copyOf(differences);
        remarks = List.copyOf(remarks);
    }

    /** Compares two schemas that an engine holds; the pairing says what has a new name on the wanted side. */
    public static Comparison of(Schema from, Schema to, Dialect dialect, RenameMap pairing) {
        RenameMap all = pairing.withInherited(from);
        return new Run(dialect, all).compare(SchemaRenaming.apply(from, all, dialect), to);
    }

    /** Whether nothing is apart. */
    public boolean alike() {
        return differences.isEmpty();
    }

    /** The text of a view or routine but for blanks and the semicolon behind it, which engines keep or not. */
    static String text(Program program) {
        SqlText beginning = SqlText.beginning(program.text(), 4);
        boolean again = beginning.is(0, "create", "or", "replace") || beginning.is(0, "create", "or", "alter");
        String text = again ? "create " + beginning.from(3) : program.text();
        return ProgramParts.drawnTogether(text, " ;");
    }

    /** One comparison on its way. */
    private static final class Run {
        private final EngineWordingRules words;
        private final HierarchyRules hierarchies;
        private final Dialect dialect;
        private final RenameMap pairing;
        private final RenameMap back;
        private final List<Difference> differences = new ArrayList<>();
        private final List<String> remarks = new ArrayList<>();
        private List<TypeDefinition> typesBefore = List.of();
        private List<TypeDefinition> typesWanted = List.of();
        private List<TypeDefinition> allTypes = List.of();
        private Map<SqlType, String> defaultsBefore = Map.of();
        private Map<SqlType, String> defaultsWanted = Map.of();

        Run(Dialect dialect, RenameMap pairing) {
            this.words = new EngineWordingRules(dialect);
            this.hierarchies = new HierarchyRules(words);
            this.dialect = dialect;
            this.pairing = pairing;
            this.back = pairing.reversed();
        }

        private void say(SchemaPart part, String table, String name, Aspect aspect, String from, String to, Risk risk) {
            say(part, table, name, aspect, from, to, risk, Optional.empty(), Optional.empty());
        }

        private void say(SchemaPart part, String table, String name, Aspect aspect, String from, String to, Risk risk,
                Optional<TablePart> have, Optional<TablePart> want) {
            differences.add(new Difference(part, table, name, aspect, from, to, risk, have, want));
        }

        private void unlessSame(SchemaPart part, String table, String name, Aspect aspect, String from, String to,
                Risk risk) {
            if (!from.equals(to)) {
                say(part, table, name, aspect, from, to, risk);
            }
        }

        Comparison compare(Schema from, Schema to) {
            typesBefore = from.types();
            typesWanted = to.types();
            defaultsBefore = defaults(from.types());
            defaultsWanted = defaults(to.types());
            allTypes = Stream.concat(from.types().stream(), to.types().stream()).toList();
            types(from.types(), to.types());
            sequences(from.sequences(), to.sequences());
            ComparableTables tables = ComparableTables.of(from.tables(), to.tables(), words);
            remarks.addAll(tables.kept());
            tables(tables.from(), tables.to());
            programs(from, to);
            return new Comparison(differences, remarks);
        }

        private void tables(List<Table> from, List<Table> to) {
            Map<String, Table> known = words.byName(from);
            Map<String, Table> wanted = words.byName(to);
            for (Table table : to) {
                Table own = known.get(words.folded(table.label()));
                if (own == null) {
                    say(SchemaPart.TABLE, table.label(), "", Aspect.PRESENCE, "",
                            words.writer().create(table, table.foreignKeys()), Risk.SAFE);
                } else {
                    table(own, table, known, wanted);
                }
            }
            for (Table table : from) {
                if (!wanted.containsKey(words.folded(table.label()))) {
                    say(SchemaPart.TABLE, table.label(), "", Aspect.PRESENCE,
                            words.writer().create(table, table.foreignKeys()), "", Risk.LOSES_DATA);
                }
            }
        }

        private <T> void each(List<T> from, List<T> to, Function<T, String> name,
                java.util.function.BiConsumer<T, T> both, java.util.function.Consumer<T> gone,
                java.util.function.Consumer<T> fresh) {
            Matching<T> pairs = Matching.of(from, to, item -> words.folded(name.apply(item)), item -> "");
            pairs.pairs().forEach(pair -> both.accept(pair.from(), pair.to()));
            pairs.fresh().forEach(fresh);
            pairs.gone().forEach(gone);
        }

        // types, sequences, programs

        private void types(List<TypeDefinition> from, List<TypeDefinition> to) {
            each(from, to, TypeDefinition::label, this::type,
                    gone -> say(SchemaPart.TYPE, "", gone.label(), Aspect.PRESENCE, words.wording(gone), "", Risk.SAFE),
                    fresh -> say(SchemaPart.TYPE, "", fresh.label(), Aspect.PRESENCE, "", words.wording(fresh),
                            Risk.SAFE));
        }

        private void type(TypeDefinition from, TypeDefinition to) {
            String name = to.label();
            if (!words.sense(from).equals(words.sense(to))) {
                say(SchemaPart.TYPE, "", name, Aspect.DEFINITION, words.wording(from), words.wording(to),
                        risk(from, to));
            }
            if (words.commented() && dialect.commentsOnTypes()) {
                unlessSame(SchemaPart.TYPE, "", name, Aspect.COMMENT, from.comment(), to.comment(), Risk.SAFE);
            }
            privileges(SchemaPart.TYPE, "", name, from.grants(), to.grants());
        }

        private Risk risk(TypeDefinition from, TypeDefinition to) {
            boolean values = from instanceof EnumDefinition && to instanceof EnumDefinition
                    || from instanceof DomainDefinition && to instanceof DomainDefinition;
            boolean carried = !TypeChange.inPlace(from, to, words) && TypeChange.inStructure(to.type(), allTypes);
            if (!values || carried) {
                return Risk.LOSES_DATA;
            }
            return from instanceof EnumDefinition one && to instanceof EnumDefinition other
                    && other.values().containsAll(one.values()) ? Risk.SAFE : Risk.MAY_FAIL;
        }

        private void sequences(List<Sequence> from, List<Sequence> to) {
            Function<Sequence, String> wording = sequence -> "from " + sequence.start() + " by " + sequence.step();
            each(from, to, sequence -> sequence.qualifiedName().label(),
                    (one, other) -> {
                        String name = other.qualifiedName().label();
                        unlessSame(SchemaPart.SEQUENCE, "", name, Aspect.DEFINITION, wording.apply(one),
                                wording.apply(other), Risk.SAFE);
                        if (dialect.commentsOnSequences()) {
                            unlessSame(SchemaPart.SEQUENCE, "", name, Aspect.COMMENT, one.comment(), other.comment(),
                                    Risk.SAFE);
                        }
                        privileges(SchemaPart.SEQUENCE, "", name, one.grants(), other.grants());
                    },
                    gone -> say(SchemaPart.SEQUENCE, "", gone.qualifiedName().label(), Aspect.PRESENCE,
                            wording.apply(gone), "", Risk.SAFE),
                    fresh -> say(SchemaPart.SEQUENCE, "", fresh.qualifiedName().label(),
                            Aspect.PRESENCE, "", wording.apply(fresh), Risk.SAFE));
        }

        private void programs(Schema from, Schema to) {
            ProgramKeys keys = new ProgramKeys(from, to, dialect);
            Matching<Program> pairs = keys.pairs(from, to);
            pairs.pairs().forEach(pair -> program(keys.label(pair.to()), pair.from(), pair.to()));
            pairs.fresh().forEach(fresh -> say(SchemaPart.PROGRAM, "", keys.label(fresh), Aspect.PRESENCE, "",
                    fresh.text(), Risk.SAFE));
            pairs.gone().forEach(gone -> say(SchemaPart.PROGRAM, "", keys.label(gone), Aspect.PRESENCE, gone.text(),
                    "", Risk.SAFE));
        }

        private void program(String label, Program from, Program to) {
            if (!text(from).equals(text(to))) {
                say(SchemaPart.PROGRAM, "", label, Aspect.DEFINITION, from.text(), to.text(), Risk.SAFE);
            }
            if (CatalogWording.of(dialect.target()).tellsProgramComments()) {
                unlessSame(SchemaPart.PROGRAM, "", label, Aspect.COMMENT, comments(from), comments(to), Risk.SAFE);
            }
            privileges(SchemaPart.PROGRAM, "", label, from.grants(), to.grants());
        }

        private static String comments(Program program) {
            return program.comments().stream()
                    .map(comment -> (comment.column().isEmpty() ? "" : comment.column() + ": ") + comment.text())
                    .sorted().collect(Collectors.joining("\n"));
        }

        /** Who may use something, where both sides tell it. */
        private void privileges(SchemaPart part, String table, String name, Optional<List<Grant>> from,
                Optional<List<Grant>> to) {
            if (from.isPresent() && to.isPresent()) {
                unlessSame(part, table, name, Aspect.PRIVILEGES, granted(from.get()), granted(to.get()), Risk.SAFE);
            }
        }

        private static String granted(List<Grant> grants) {
            return grants.stream().map(grant -> grant.privilege().toLowerCase(Locale.ROOT)
                    + " to " + grant.grantee() + (grant.grantable() ? ", who may hand it on" : ""))
                    .collect(Collectors.joining("; "));
        }

        // tables

        private void table(Table from, Table to, Map<String, Table> known, Map<String, Table> wanted) {
            String name = to.label();
            String before = back.table(name);
            if (!before.equals(name)) {
                say(SchemaPart.TABLE, name, "", Aspect.NAME, before, name, Risk.SAFE);
            }
            if (words.commented()) {
                unlessSame(SchemaPart.TABLE, name, "", Aspect.COMMENT, from.comment(), to.comment(), Risk.SAFE);
            }
            privileges(SchemaPart.TABLE, name, "", from.grants(), to.grants());
            if (from.hierarchy().isPresent() && to.hierarchy().isPresent()) {
                hierarchy(from, to, wanted);
            }
            columns(name, from, to);
            constraints(ConstraintKind.primaryKey(words), name, from.primaryKey().stream().toList(),
                    to.primaryKey().stream().toList());
            constraints(ConstraintKind.unique(words), name, words.uniques(from), words.uniques(to));
            constraints(ConstraintKind.check(words), name, from.checks(), to.checks());
            constraints(ConstraintKind.index(words), name, indexes(from), indexes(to));
            constraints(ConstraintKind.reference(words, from, known, to, wanted), name, from.foreignKeys(),
                    to.foreignKeys());
        }

        private void hierarchy(Table from, Table to, Map<String, Table> wanted) {
            if (!hierarchies.same(from, to, ComparableTables.whole(to, wanted, words))) {
                say(SchemaPart.TABLE, to.label(), "", Aspect.HIERARCHY, hierarchies.wording(from.knownHierarchy()),
                        hierarchies.wording(to.knownHierarchy()),
                        to.knownHierarchy().isPartition() ? Risk.MAY_FAIL : Risk.SAFE);
            }
        }

        /** An index that a reference made for itself goes without saying. */
        private List<TableIndex> indexes(Table table) {
            return !CatalogWording.of(dialect.target()).showsSupportingIndexes() ? table.indexes()
                    : table.indexes().stream().filter(index -> !SupportingIndex.isHelping(index, table)).toList();
        }

        private void columns(String table, Table from, Table to) {
            Map<String, Column> known = new HashMap<>();
            from.columns().forEach(column -> known.putIfAbsent(words.folded(column.name()), column));
            List<String> order = new ArrayList<>();
            for (Column column : to.columns()) {
                Column own = known.remove(words.folded(column.name()));
                if (own == null) {
                    boolean asked = column.required() && column.defaultValue().isEmpty() && column.generated().isEmpty()
                            && column.identity() == entaxis.core.schema.Identity.NONE;
                    say(SchemaPart.COLUMN, table, column.name(), Aspect.PRESENCE, "", words.writer().column(to, column),
                            asked ? Risk.MAY_FAIL : Risk.SAFE, Optional.empty(), Optional.of(column));
                } else {
                    order.add(words.folded(column.name()));
                    column(table, own, column);
                }
            }
            for (Column column : from.columns()) {
                if (known.containsKey(words.folded(column.name()))) {
                    say(SchemaPart.COLUMN, table, column.name(), Aspect.PRESENCE, words.writer().column(from, column),
                            "", column.generated().isPresent() || pairing.moved(table, column.name()).isPresent()
                                    ? Risk.SAFE : Risk.LOSES_DATA, Optional.of(column), Optional.empty());
                }
            }
            List<String> present =
                    from.columns().stream().map(column -> words.folded(column.name())).filter(order::contains).toList();
            if (!present.equals(order)) {
                if (dialect.ordersColumns()) {
                    say(SchemaPart.TABLE, table, "", Aspect.ORDER, String.join(", ", present), String.join(", ", order),
                            Risk.SLOW);
                } else {
                    remarks.add("The columns of " + table + " stand in another order; " + dialect.target().title()
                            + " can only change that by rebuilding the table, so it is left.");
                }
            }
        }

        private void column(String table, Column from, Column to) {
            String name = to.name();
            String before = back.column(back.table(table), name);
            if (!before.equals(name)) {
                differs(table, from, to, Aspect.NAME, before, name, Risk.SAFE);
            }
            String type = words.type(from.type());
            String wantedType = words.type(to.type());
            boolean unsaid = from.generated().isPresent() && to.generated().isPresent()
                    && (type.isEmpty() || wantedType.isEmpty());
            if (!unsaid && !words.folded(type).equalsIgnoreCase(words.folded(wantedType))) {
                differs(table, from, to, Aspect.TYPE, type, wantedType,
                        from.generated().isPresent() && to.generated().isPresent() ? Risk.SLOW
                        : Conversion.of(from.type(), typesBefore, to.type(), typesWanted, dialect).risk());
            }
            if (from.required() != to.required()) {
                differs(table, from, to, Aspect.REQUIRED, from.required() ? "not null" : "null",
                        to.required() ? "not null" : "null", to.required() ? Risk.MAY_FAIL : Risk.SAFE);
            }
            if (!ownDefault(from, defaultsBefore).equals(ownDefault(to, defaultsWanted))) {
                differs(table, from, to, Aspect.DEFAULT, from.defaultValue().map(Expression::text).orElse(""),
                        to.defaultValue().map(Expression::text).orElse(""), Risk.SAFE);
            }
            if (!words.identity(from).equals(words.identity(to))) {
                differs(table, from, to, Aspect.IDENTITY, words.identity(from), words.identity(to), Risk.SAFE);
            }
            if (!words.computedSense(from).equals(words.computedSense(to))) {
                differs(table, from, to, Aspect.COMPUTED, words.computed(from), words.computed(to),
                        to.generated().isPresent() && from.generated().isEmpty() ? Risk.LOSES_DATA : Risk.SLOW);
            }
            Optional<String> change = from.details().onUpdate().map(words::sense);
            if (!change.equals(to.details().onUpdate().map(words::sense))) {
                differs(table, from, to, Aspect.ON_CHANGE, from.details().onUpdate().map(Expression::text).orElse(""),
                        to.details().onUpdate().map(Expression::text).orElse(""), Risk.SAFE);
            }
            Optional<String> order = from.details().collation();
            Optional<String> wantedOrder = to.details().collation();
            if (order.isPresent() && wantedOrder.isPresent() && !order.get().equalsIgnoreCase(wantedOrder.get())) {
                differs(table, from, to, Aspect.COLLATION, order.get(), wantedOrder.get(), Risk.SLOW);
            }
            if (words.commented() && !from.comment().equals(to.comment())) {
                differs(table, from, to, Aspect.COMMENT, from.comment(), to.comment(), Risk.SAFE);
            }
        }

        private void differs(String table, Column from, Column to, Aspect aspect, String one, String other, Risk risk) {
            say(SchemaPart.COLUMN, table, to.name(), aspect, one, other, risk, Optional.of(from), Optional.of(to));
        }

        /** What a default means; nothing if it only says again what the column's domain says. */
        private String ownDefault(Column column, Map<SqlType, String> domains) {
            String sense = words.defaultSense(column);
            return column.type() instanceof SqlType.UserType domain
                    && sense.equals(domains.getOrDefault(domain, "")) ? "" : sense;
        }

        private Map<SqlType, String> defaults(List<TypeDefinition> types) {
            Map<SqlType, String> defaults = new HashMap<>();
            for (TypeDefinition type : types) {
                if (type instanceof DomainDefinition domain && domain.defaultValue().isPresent()) {
                    defaults.put(domain.type(), words.defaultSense(
                            Column.of("", domain.base()).withDefault(domain.defaultValue())));
                }
            }
            return defaults;
        }

        private <T extends TablePart> void constraints(ConstraintKind<T> kind, String table, List<T> from, List<T> to) {
            Matching<T> pairs = kind.pairs(from, to);
            for (Pair<T> pair : pairs.pairs()) {
                if (!kind.sense().apply(pair.from()).equals(kind.sense().apply(pair.to()))) {
                    say(kind.part(), table, kind.label(pair.to()), Aspect.DEFINITION, kind.wording().apply(pair.from()),
                            kind.wording().apply(pair.to()), kind.risk(pair.from(), pair.to()),
                            Optional.of(pair.from()), Optional.of(pair.to()));
                }
                if (kind.renamed(pair.from(), pair.to())) {
                    say(kind.part(), table, kind.label(pair.to()), Aspect.NAME, kind.name().apply(pair.from()),
                            kind.name().apply(pair.to()), Risk.SAFE, Optional.of(pair.from()),
                            Optional.of(pair.to()));
                }
            }
            pairs.fresh().forEach(item -> say(kind.part(), table, kind.label(item), Aspect.PRESENCE, "",
                    kind.wording().apply(item), kind.risk(item), Optional.empty(), Optional.of(item)));
            pairs.gone().forEach(item -> say(kind.part(), table, kind.label(item), Aspect.PRESENCE,
                    kind.wording().apply(item), "", Risk.SAFE, Optional.of(item), Optional.empty()));
        }
    }
}
