package entaxis.core.update;

import entaxis.core.change.AttributeAspect;
import entaxis.core.change.Change;
import entaxis.core.change.RelationshipAspect;
import entaxis.core.derive.Derivation;
import entaxis.core.derive.DerivedColumn;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.AlternateKey;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Cardinality;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Fresh;
import entaxis.core.design.Index;
import entaxis.core.design.KeyPart.OwnPart;
import entaxis.core.design.KeyPart;
import entaxis.core.design.Member;
import entaxis.core.design.NamedCheck;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Place;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Sheet;
import entaxis.core.design.SqlName;
import entaxis.core.expression.Expression;
import entaxis.core.reconcile.Aspect;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.Difference;
import entaxis.core.reconcile.DifferenceWords;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.MergedTable;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.reconcile.SchemaPart;
import entaxis.core.reconcile.SchemaRenaming;
import entaxis.core.schema.Column;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.sql.Dialect;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.stream.Stream;

/**
 * Takes the database's side of differences over into a design, through the same edits that a designer makes, so that
 * meanings, layout, sentences and dependencies of what stays are kept. What a design cannot say is left and told.
 */
public final class DesignUpdate {
    private static final int BELOW = 240;
    private final DesignInProgress state;
    private final OpaqueUpdate opaque;
    private final KeyUpdate keys;
    private final ReferenceUpdate references;
    private final PartitionUpdate partitions;
    private final Set<Difference> told = new HashSet<>();

    private DesignUpdate(DesignInProgress state) {
        this.state = state;
        this.opaque = new OpaqueUpdate(state);
        this.keys = new KeyUpdate(state);
        this.references = new ReferenceUpdate(state);
        this.partitions = new PartitionUpdate(state);
    }

    /**
     * Takes differences over.
     *
     * @param derivation what follows from the design
     * @param have    the database's schema as its engine holds it, under the design's names
     * @param dialect that engine
     * @param taken   differences from the database to the design, whose database's side is right
     * @param words   what the two sides are called
     * @param fresh   gives the identities of new elements
     */
    public static Updated of(Design design, Derivation derivation, Schema have, Dialect dialect, List<Difference> taken,
            DifferenceWords words, Fresh fresh) {
        return of(design, derivation, have, dialect, taken, words, fresh, List.of());
    }

    /** The same; columns that came out of a table of the design keep their meanings. */
    public static Updated of(Design design, Derivation derivation, Schema have, Dialect dialect, List<Difference> taken,
            DifferenceWords words, Fresh fresh, List<MergedTable> split) {
        Map<String, String> meanings = new HashMap<>();
        split.forEach(joined -> derivation.schema().table(joined.table())
                .ifPresent(table -> joined.columns().forEach((column, source) ->
                table.column(column)
                        .ifPresent(own -> meanings.put(joined.from() + "." + source, own.comment())))));
        DesignUpdate update = new DesignUpdate(new DesignInProgress(design, derivation,
                have, dialect, fresh, meanings));
        Updated updated = update.updated(taken);
        List<String> left = new ArrayList<>(updated.left());
        left.addAll(update.untold(derivation, have, dialect, taken, words));
        return new Updated(updated.design(), left);
    }

    /**
     * What is apart after all, of what was taken or came with it, and has not been told yet: a design cannot say it as
     * the database has it.
     */
    private List<String> untold(Derivation before, Schema have, Dialect dialect, List<Difference> taken,
            DifferenceWords words) {
        RenameMap renamed = renamed(taken);
        Set<String> stays = new HashSet<>();
        apart(before, have, dialect).forEach(difference -> stays.add(key(difference, renamed)));
        taken.forEach(difference -> stays.remove(key(difference, renamed)));
        told.forEach(difference -> stays.add(key(difference, renamed)));
        return apart(state.derivation(), SchemaRenaming.apply(have, renamed, dialect), dialect)
                .filter(difference -> !stays.contains(difference.key()))
                .map(difference -> words.sentence(difference) + " A design cannot say this, so it stays apart.")
                .toList();
    }

    /** The names of the database that tables and columns of the design have now, by those that they had. */
    private RenameMap renamed(List<Difference> taken) {
        RenameMap renamed = RenameMap.NONE;
        for (Difference difference : taken) {
            boolean table = difference.part() == SchemaPart.TABLE && difference.aspect() == Aspect.NAME;
            if (table && state.owner(difference.from()).isPresent()) {
                renamed = renamed.withTable(difference.table(), difference.from());
            }
        }
        for (Difference difference : taken) {
            String table = renamed.table(difference.table());
            boolean column = difference.part() == SchemaPart.COLUMN && difference.aspect() == Aspect.NAME;
            if (column && state.derived(table, difference.from()).isPresent()) {
                renamed = renamed.withColumn(table, difference.name(), difference.from());
            }
        }
        return renamed;
    }

    /** What tells a difference from all others once tables and columns have other names. */
    private static String key(Difference difference, RenameMap renamed) {
        String table = renamed.table(difference.table());
        String name = difference.part() == SchemaPart.COLUMN ? renamed.column(table, difference.name())
                : difference.name();
        return Difference.key(difference.part(), table, name, difference.aspect());
    }

    private static Stream<Difference> apart(Derivation derivation, Schema have, Dialect dialect) {
        return Comparison.of(have, EngineSchema.ofDesign(derivation.schema(), dialect), dialect, RenameMap.NONE)
                .differences().stream();
    }

    private Updated updated(List<Difference> all) {
        Predicate<Difference> ofPartition = difference -> difference.part() == SchemaPart.TABLE
                && (difference.aspect() == Aspect.PRESENCE || difference.aspect() == Aspect.HIERARCHY)
                && partitions.concerns(difference);
        List<Difference> taken = all.stream().filter(ofPartition.negate()).toList();
        List<Difference> parts = all.stream().filter(ofPartition).toList();
        each(taken, difference -> difference.part() == SchemaPart.TYPE && !difference.added(), opaque::type);
        each(taken, difference -> difference.part() == SchemaPart.TABLE && difference.removed(), this::entity);
        each(taken, difference -> difference.part() == SchemaPart.COLUMN && difference.removed(), this::attribute);
        each(parts.reversed(), Difference::added, partitions::take);
        each(parts, difference -> !difference.added(), partitions::take);
        each(taken, difference -> difference.part() == SchemaPart.FOREIGN_KEY && !difference.removed()
                && difference.aspect() != Aspect.NAME, references::withoutReference);
        each(taken, difference -> difference.part() == SchemaPart.COLUMN && difference.aspect() != Aspect.PRESENCE
                && difference.aspect() != Aspect.NAME, this::column);
        each(taken, difference -> difference.part() == SchemaPart.COLUMN && difference.added(), this::withoutColumn);
        each(taken, difference -> difference.part() == SchemaPart.PRIMARY_KEY && difference.aspect() != Aspect.NAME,
                keys::primaryKey);
        each(taken, difference -> difference.part() == SchemaPart.TABLE && difference.added(), this::withoutTable);
        each(taken, difference -> difference.part() == SchemaPart.TABLE && difference.removed(),
                references::referencesOf);
        each(taken, difference -> difference.part() == SchemaPart.FOREIGN_KEY && !difference.added()
                && difference.aspect() != Aspect.NAME, references::reference);
        each(taken, difference -> difference.part() == SchemaPart.UNIQUE, keys::unique);
        each(taken, difference -> difference.part() == SchemaPart.CHECK, keys::check);
        each(taken, difference -> difference.part() == SchemaPart.INDEX, keys::index);
        each(taken, difference -> difference.part() == SchemaPart.TABLE
                && (difference.aspect() == Aspect.COMMENT || difference.aspect() == Aspect.ORDER), this::table);
        Map<OwnerId, DerivedTable> before = Map.copyOf(state.derivation().tables());
        each(taken, difference -> difference.part() == SchemaPart.COLUMN && difference.aspect() == Aspect.NAME,
                this::name);
        each(taken, difference -> difference.part() != SchemaPart.COLUMN && difference.aspect() == Aspect.NAME,
                this::name);
        namesKept(before, taken);
        each(taken, difference -> difference.part() == SchemaPart.TYPE && difference.added(), opaque::withoutType);
        each(taken, difference -> difference.part() == SchemaPart.SEQUENCE, opaque::sequence);
        each(taken, difference -> difference.part() == SchemaPart.PROGRAM, opaque::program);
        return new Updated(state.design(), state.left());
    }

    private void each(List<Difference> differences, Predicate<Difference> which, Consumer<Difference> use) {
        differences.stream().filter(which).forEach(difference -> {
            int before = state.left().size();
            use.accept(difference);
            if (state.left().size() > before) {
                told.add(difference);
            }
        });
    }

    // entities and attributes

    private void entity(Difference difference) {
        state.there(difference.table()).ifPresent(table -> {
            List<Member> members = new ArrayList<>();
            Map<String, AttributeId> ids = new HashMap<>();
            for (Column column : table.columns()) {
                Attribute attribute = state.attribute(column, table.name());
                ids.put(column.name(), attribute.id());
                members.add(attribute);
            }
            List<KeyPart> key = table.keyColumns().stream().map(ids::get).<KeyPart>map(OwnPart::new).toList();
            List<AlternateKey> alternates = new ArrayList<>();
            table.uniqueKeys().forEach(unique -> alternates.add(new AlternateKey(alternates.size() + 1,
                    unique.columns().stream().map(ids::get).<KeyPart>map(OwnPart::new).toList())));
            List<Index> indexes = table.indexes().stream()
                    .filter(index -> index.predicate().isEmpty()
                            && index.columns().stream().noneMatch(TableIndex.IndexColumn::expression))
                    .map(index -> new Index(index.name(), index.unique(),
                            index.columns().stream().map(
                                    part -> new Index.IndexPart(new OwnPart(ids.get(part.name())), part.descending()))
                                    .toList()))
                    .toList();
            List<NamedCheck> checks =
                    table.checks().stream().map(check -> new NamedCheck(check.name(), check.condition().text()))
                            .toList();
            Entity entity = new Entity(new EntityId(state.fresh().id('e')), entityName(table.name()), table.comment(),
                    Optional.empty(), members, key, alternates, indexes, checks, partitions.split(difference.table()));
            Sheet sheet = state.design().sheets().stream().findFirst().orElseThrow();
            state.apply(new Change.AddEntity(entity, sheet.id(), freePlace(sheet)), "The table " + table.name());
        });
    }

    /** Below everything on the sheet. */
    private static Place freePlace(Sheet sheet) {
        int lowest = sheet.places().values().stream().mapToInt(place -> (int) place.y()).max().orElse(0);
        int leftmost = sheet.places().values().stream().mapToInt(place -> (int) place.x()).min().orElse(0);
        return new Place(leftmost, sheet.places().isEmpty() ? 0 : lowest + BELOW);
    }

    /** What the database calls a table or a part of one; a table of another schema keeps that before its name. */
    private static String newName(Difference difference) {
        QualifiedName name = QualifiedName.ofLabel(difference.from());
        return difference.part() == SchemaPart.TABLE && name.namespace().isEmpty() ? name.name() : difference.from();
    }

    private static String entityName(String table) {
        String spaced = table.replace('_', ' ').strip();
        String pretty =
                spaced.isEmpty() ? table : spaced.substring(0, 1).toUpperCase(Locale.ROOT) + spaced.substring(1);
        return SqlName.of(pretty).equals(table) ? pretty : table;
    }

    private void attribute(Difference difference) {
        Optional<Column> column = state.there(difference.table()).flatMap(table -> table.column(difference.name()));
        Optional<DerivedTable> owner = state.owner(difference.table());
        if (column.isEmpty() || owner.isEmpty()) {
            return;
        }
        Attribute attribute = state.attribute(column.get(), difference.table());
        boolean added = state.apply(new Change.AddAttributes(owner.get().element(),
                List.of(new Change.NewAttribute(attribute, false, false))), "The column " + difference.place());
        List<Column> columns = state.there(difference.table()).map(Table::columns).orElse(List.of());
        int at = columns.indexOf(column.get());
        if (added && at >= 0 && owner.get().element() instanceof EntityId) {
            int behind = columns.size() - 1 - at;
            if (behind > 0) {
                state.keep(new Change.MoveMember(owner.get().element(), new OwnPart(attribute.id()), -behind));
            }
        }
    }

    private void column(Difference difference) {
        Optional<Column> column = state.there(difference.table()).flatMap(table -> table.column(difference.name()));
        Optional<DerivedTable> owner = state.owner(difference.table());
        if (column.isEmpty() || owner.isEmpty()) {
            return;
        }
        Optional<AttributeId> own = state.own(difference.table(), difference.name());
        if (own.isEmpty()) {
            migrated(difference, column.get());
            return;
        }
        Column now = column.get();
        AttributeAspect aspect = switch (difference.aspect()) {
            case TYPE -> new AttributeAspect.Type(state.type(now.type(), difference.table() + "_" + now.name()));
            case REQUIRED -> new AttributeAspect.Required(now.required());
            case DEFAULT -> new AttributeAspect.Default(now.defaultValue().map(Expression::text));
            case IDENTITY -> new AttributeAspect.Numbers(now.identity(), now.numbering());
            case COMPUTED -> new AttributeAspect.Generated(now.generated().map(Expression::text));
            case COMMENT -> new AttributeAspect.Meaning(now.comment());
            default -> null;
        };
        if (aspect == null) {
            state.leave("Designs keep no " + difference.aspect().word() + ": " + difference.place() + ".");
        } else {
            state.apply(new Change.AlterAttribute(owner.get().element(), own.get(), aspect), difference.place());
        }
    }

    /** A column that a relationship made: that it may be empty is a matter of the parent's end. */
    private void migrated(Difference difference, Column now) {
        Optional<ColumnPath> path =
                state.derived(difference.table(), difference.name()).map(DerivedColumn::path)
                        .filter(ColumnPath::migrated);
        if (path.isEmpty()) {
            return;
        }
        ColumnPath.Hop hop = path.get().hops().getFirst();
        if (difference.aspect() == Aspect.REQUIRED) {
            state.apply(new Change.AlterRelationship(hop.relationship(), new RelationshipAspect.HowMany(hop.parent(),
                    now.required() ? Cardinality.EXACTLY_ONE : Cardinality.ZERO_OR_ONE)), difference.place());
        } else {
            state.leave(difference.place() + " comes over a relationship; its " + difference.aspect().word()
                    + " follows the key that it refers to.");
        }
    }

    private void withoutColumn(Difference difference) {
        Optional<DerivedTable> owner = state.owner(difference.table());
        Optional<AttributeId> own = state.own(difference.table(), difference.name());
        if (owner.isPresent() && own.isPresent()) {
            state.apply(new Change.RemoveAttribute(owner.get().element(), own.get()),
                    "The column " + difference.place());
        } else if (state.derived(difference.table(), difference.name()).isPresent()) {
            state.leave(difference.place() + " comes over a relationship, and goes with it.");
        }
    }

    private void withoutTable(Difference difference) {
        state.owner(difference.table()).ifPresent(owner -> state.apply(
                owner.element() instanceof EntityId entity ? new Change.RemoveEntity(entity)
                        : new Change.RemoveRelationship(state.derivation().stated((RelationshipId) owner.element())),
                "The table " + difference.table()));
    }

    private void table(Difference difference) {
        if (difference.aspect() == Aspect.ORDER) {
            state.leave("The columns of " + difference.table() + " keep their order in the design; move them there.");
            return;
        }
        state.entityOf(difference.table()).ifPresentOrElse(
                entity -> state.apply(new Change.DescribeEntity(entity.id(), difference.from()), difference.table()),
                () -> state.leave("The comment on " + difference.table()
                        + " follows from the relationship that it was made of."));
    }

    private void name(Difference difference) {
        switch (difference.part()) {
            case TABLE -> {
                opaque.programsFollow(difference.table(), difference.from());
                state.entityOf(difference.table()).ifPresentOrElse(
                        entity -> state.apply(new Change.RenameEntity(entity.id(), entityName(newName(difference))),
                                difference.table()),
                        () -> state.owner(difference.table()).ifPresent(owner -> state.apply(
                                new Change.AlterRelationship(
                                        state.derivation().stated((RelationshipId) owner.element()),
                                new RelationshipAspect.Name(newName(difference))), difference.table())));
            }
            case COLUMN -> columnName(difference);
            default -> state.leave("The name of the " + difference.part().word() + " " + difference.name()
                    + " follows from the design's rules for names.");
        }
    }

    /** What is named after an entity or a key keeps its name in the database when those get another. */
    private void namesKept(Map<OwnerId, DerivedTable> before, List<Difference> taken) {
        Map<String, String> renamed = new HashMap<>();
        taken.stream().filter(difference -> difference.aspect() == Aspect.NAME)
                .forEach(difference -> renamed.put(difference.table() + "|" + difference.name(), newName(difference)));
        for (DerivedTable entry : List.copyOf(state.derivation().tables().values())) {
            DerivedTable own = before.get(entry.element());
            if (own == null) {
                continue;
            }
            String table = state.dialect().stored(own.table().qualifiedName()).label() + "|";
            String called = renamed.getOrDefault(table, own.name());
            if (entry.element() instanceof RelationshipId id && !called.equals(entry.name())) {
                state.keep(new Change.AlterRelationship(state.derivation().stated(id),
                        new RelationshipAspect.Name(called)));
            }
            for (DerivedColumn column : own.columns()) {
                Optional<DerivedColumn> now = !column.migrated() ? Optional.empty()
                        : state.derivation().derived(entry.element()).flatMap(made -> made.column(column.path()));
                String wanted = renamed.getOrDefault(table + state.dialect().stored(column.name()), column.name());
                if (now.isPresent() && !now.get().name().equals(wanted)) {
                    ColumnPath.Hop hop = column.path().hops().getFirst();
                    state.keep(new Change.AlterRelationship(state.derivation().stated(hop.relationship()),
                            new RelationshipAspect.ColumnName(hop.parent(), column.path().inParent(), wanted)));
                }
            }
        }
    }

    private void columnName(Difference difference) {
        Optional<DerivedTable> owner = state.owner(difference.table());
        Optional<ColumnPath> path = state.derived(difference.table(), difference.name()).map(DerivedColumn::path);
        if (owner.isEmpty() || path.isEmpty()) {
            return;
        }
        if (!path.get().migrated()) {
            state.apply(new Change.AlterAttribute(owner.get().element(), path.get().attribute(),
                    new AttributeAspect.Name(difference.from())), difference.place());
            return;
        }
        ColumnPath.Hop hop = path.get().hops().getFirst();
        state.apply(new Change.AlterRelationship(hop.relationship(),
                new RelationshipAspect.ColumnName(hop.parent(), path.get().inParent(), difference.from())),
                difference.place());
    }

}
