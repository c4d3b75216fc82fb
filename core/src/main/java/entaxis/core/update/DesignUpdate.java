package entaxis.core.update;

import entaxis.core.change.AttributeAspect;
import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.change.Outcome.Refused;
import entaxis.core.change.Problem;
import entaxis.core.change.RelationshipAspect;
import entaxis.core.derive.Derivation;
import entaxis.core.design.AlternateKey;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Cardinality;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.Domain;
import entaxis.core.design.End;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Enumeration;
import entaxis.core.design.ForeignColumns;
import entaxis.core.design.Fresh;
import entaxis.core.design.Index;
import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.KeyPart.OwnPart;
import entaxis.core.design.KeyPart;
import entaxis.core.design.Member;
import entaxis.core.design.NamedCheck;
import entaxis.core.design.NamedType;
import entaxis.core.design.ObjectComment;
import entaxis.core.design.OpaqueId;
import entaxis.core.design.OpaqueObject;
import entaxis.core.design.OpaqueProgram;
import entaxis.core.design.OpaqueSequence;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Place;
import entaxis.core.design.ProgramKind;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Sheet;
import entaxis.core.design.Side;
import entaxis.core.design.SqlName;
import entaxis.core.design.Structure;
import entaxis.core.design.TypeId;
import entaxis.core.expression.CanonicalForm;
import entaxis.core.reconcile.Aspect;
import entaxis.core.reconcile.CatalogWording;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.Difference;
import entaxis.core.reconcile.DifferenceWords;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.MergedTable;
import entaxis.core.reconcile.ProgramKeys;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.reconcile.SchemaPart;
import entaxis.core.reconcile.TableNames;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Program;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Sequence;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.schema.UniqueKey;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.token.Identifiers;
import entaxis.core.type.SqlType.DesignType;
import entaxis.core.type.SqlType.EnumType;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
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
    private final Schema database;
    private final Dialect dialect;
    private final Fresh fresh;
    private final Map<String, String> meanings = new HashMap<>();
    private final List<String> left = new ArrayList<>();
    private final Set<String> told = new HashSet<>();
    private Design design;
    private Derivation derivation;

    private DesignUpdate(Design design, Derivation derivation, Schema database, Dialect dialect, Fresh fresh) {
        this.dialect = dialect;
        this.design = design;
        this.derivation = derivation;
        this.database = database;
        this.fresh = fresh;
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
        DesignUpdate update = new DesignUpdate(design, derivation, IsoNormalizer.of(have, dialect), dialect,
                fresh);
        split.forEach(joined -> derivation.schema().table(joined.table())
                .ifPresent(table -> joined.columns().forEach((column, source) ->
                table.column(column)
                        .ifPresent(own -> update.meanings.put(joined.from() + "." + source, own.comment())))));
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
        Set<String> stays = new HashSet<>();
        apart(before, have, dialect).forEach(difference -> stays.add(difference.key()));
        taken.forEach(difference -> stays.remove(difference.key()));
        return apart(derivation, have, dialect)
                .filter(difference -> !stays.contains(difference.key()) && !told.contains(difference.key()))
                .map(difference -> words.sentence(difference) + " A design cannot say this, so it stays apart.")
                .toList();
    }

    private static Stream<Difference> apart(Derivation derivation, Schema have, Dialect dialect) {
        return Comparison.of(have, EngineSchema.ofDesign(derivation.schema(), dialect), dialect, RenameMap.NONE)
                .differences().stream();
    }

    private Updated updated(List<Difference> taken) {
        each(taken, difference -> difference.part() == SchemaPart.TYPE && !difference.added(), this::type);
        each(taken, difference -> difference.part() == SchemaPart.TABLE && difference.removed(), this::entity);
        each(taken, difference -> difference.part() == SchemaPart.COLUMN && difference.removed(), this::attribute);
        each(taken, difference -> difference.part() == SchemaPart.FOREIGN_KEY && !difference.removed()
                && difference.aspect() != Aspect.NAME, this::withoutReference);
        each(taken, difference -> difference.part() == SchemaPart.COLUMN && difference.aspect() != Aspect.PRESENCE
                && difference.aspect() != Aspect.NAME, this::column);
        each(taken, difference -> difference.part() == SchemaPart.COLUMN && difference.added(), this::withoutColumn);
        each(taken, difference -> difference.part() == SchemaPart.PRIMARY_KEY && difference.aspect() != Aspect.NAME,
                this::primaryKey);
        each(taken, difference -> difference.part() == SchemaPart.TABLE && difference.added(), this::withoutTable);
        each(taken, difference -> difference.part() == SchemaPart.TABLE && difference.removed(), this::referencesOf);
        each(taken, difference -> difference.part() == SchemaPart.FOREIGN_KEY && !difference.added()
                && difference.aspect() != Aspect.NAME, this::reference);
        each(taken, difference -> difference.part() == SchemaPart.UNIQUE, this::unique);
        each(taken, difference -> difference.part() == SchemaPart.CHECK, this::check);
        each(taken, difference -> difference.part() == SchemaPart.INDEX, this::index);
        each(taken, difference -> difference.part() == SchemaPart.TABLE
                && (difference.aspect() == Aspect.COMMENT || difference.aspect() == Aspect.ORDER), this::table);
        Map<OwnerId, Table> before = Map.copyOf(derivation.tables());
        each(taken, difference -> difference.part() == SchemaPart.COLUMN && difference.aspect() == Aspect.NAME,
                this::name);
        each(taken, difference -> difference.part() != SchemaPart.COLUMN && difference.aspect() == Aspect.NAME,
                this::name);
        namesKept(before, taken);
        each(taken, difference -> difference.part() == SchemaPart.TYPE && difference.added(), this::withoutType);
        each(taken, difference -> difference.part() == SchemaPart.SEQUENCE, this::sequence);
        each(taken, difference -> difference.part() == SchemaPart.PROGRAM, this::program);
        return new Updated(design, left);
    }

    private void each(List<Difference> differences, Predicate<Difference> which, Consumer<Difference> use) {
        differences.stream().filter(which).forEach(difference -> {
            int before = left.size();
            use.accept(difference);
            if (left.size() > before) {
                told.add(difference.key());
            }
        });
    }

    private boolean apply(Change change, String what) {
        return switch (Editor.apply(design, change)) {
            case Applied(Design next, var inverse) -> {
                put(next);
                yield true;
            }
            case Refused(List<Problem> problems) -> {
                left.add(what + ": " + problems.getFirst().message());
                yield false;
            }
        };
    }

    private void put(Design next) {
        derivation = Derivation.after(derivation, next);
        design = next;
    }

    // finding

    private Optional<Map.Entry<OwnerId, Table>> owner(String table) {
        return derivation.tables().entrySet().stream().filter(
                entry -> entry.getValue().name().equals(table) || SqlName.of(entry.getValue().name()).equals(table))
                .findFirst();
    }

    private Optional<Entity> entityOf(String table) {
        return owner(table).map(Map.Entry::getKey).filter(EntityId.class::isInstance).map(EntityId.class::cast)
                .flatMap(id -> design.entities().find(id));
    }

    private Optional<Table> there(String table) {
        return database.tables().stream().filter(own -> TableNames.of(own).equals(table)).findFirst();
    }

    private Optional<Column> derived(String table, String column) {
        return owner(table).flatMap(entry -> entry.getValue().column(column));
    }

    // types

    private void type(Difference difference) {
        database.types().stream().filter(type -> type.name().equals(difference.name())).findFirst()
                .ifPresent(definition -> {
                    Optional<NamedType> known =
                            design.types().stream().filter(type -> type.name().equals(definition.name())).findFirst();
            TypeId id = known.map(NamedType::id).orElseGet(() -> new TypeId(fresh.id('t')));
                    String comment = difference.aspect() == Aspect.COMMENT || known.isEmpty() ? definition.comment()
                            : known.get().meaning();
            apply(new Change.PutType(named(definition, id, comment)), "The type " + definition.name());
        });
    }

    private NamedType named(TypeDefinition definition, TypeId id, String comment) {
        return switch (definition) {
            case DomainDefinition domain -> new Domain(id, domain.name(), type(domain.base(), domain.name()),
                    domain.defaultValue(), domain.check().map(CheckRule::condition), comment);
            case EnumDefinition enumeration -> new Enumeration(id, enumeration.name(), enumeration.values(), comment);
            case StructureDefinition structure -> new Structure(id, structure.name(),
                    structure.fields().stream().map(field -> new Structure.Field(field.name(),
                            type(field.type(), structure.name() + "_" + field.name()))).toList(),
                    comment);
        };
    }

    private void withoutType(Difference difference) {
        design.types().stream().filter(type -> type.name().equals(difference.name())).findFirst()
                .ifPresent(type -> apply(new Change.RemoveType(type.id()), "The type " + type.name()));
    }

    // what is carried along

    private void sequence(Difference difference) {
        Optional<OpaqueSequence> known = carried(OpaqueSequence.class)
                .filter(own -> TableNames.of(own.namespace(), own.name()).equals(difference.name())).findFirst();
        if (difference.added()) {
            known.ifPresent(own -> apply(new Change.RemoveOpaque(own.id()), "The sequence " + own.name()));
            return;
        }
        Optional<Sequence> there = database.sequences().stream()
                .filter(sequence -> TableNames.of(sequence.namespace(), sequence.name()).equals(difference.name()))
                .findFirst();
        there.ifPresent(sequence -> {
            boolean whole = known.isEmpty() || difference.aspect() != Aspect.COMMENT;
            String comment = known.filter(own -> difference.aspect() == Aspect.DEFINITION)
                    .map(OpaqueSequence::comment).orElse(sequence.comment());
            apply(new Change.PutOpaque(new OpaqueSequence(
                    known.map(OpaqueSequence::id).orElseGet(() -> new OpaqueId(fresh.id('v'))), sequence.namespace(),
                    sequence.name(), whole ? sequence.start() : known.get().start(),
                    whole ? sequence.step() : known.get().step(), comment)), "The sequence " + sequence.name());
        });
    }

    private void program(Difference difference) {
        ProgramKeys keys = new ProgramKeys(database, derivation.schema(), dialect);
        Optional<OpaqueProgram> known = carried(OpaqueProgram.class)
                .filter(own -> own.target() == dialect.target()
                        && keys.label(held(own)).equals(difference.name())).findFirst();
        if (difference.aspect() == Aspect.PRIVILEGES) {
            left.add("A design does not hold who may use " + difference.name() + ".");
        } else if (difference.added()) {
            known.ifPresent(
                    own -> apply(new Change.RemoveOpaque(own.id()), "The " + own.kind().word() + " " + own.name()));
        } else {
            database.programs().stream().filter(program -> keys.label(program).equals(difference.name())).findFirst()
                    .ifPresent(program -> apply(new Change.PutOpaque(put(program, known, difference.aspect())),
                            "The " + program.kind().word() + " " + program.name()));
        }
    }

    /** What the design has of a program, with what the database says of it instead. */
    private OpaqueProgram put(Program there, Optional<OpaqueProgram> known, Aspect aspect) {
        OpaqueId id = known.map(OpaqueProgram::id).orElseGet(() -> new OpaqueId(fresh.id('v')));
        String text = known.filter(own -> aspect == Aspect.COMMENT).map(OpaqueProgram::text).orElse(there.text());
        List<ObjectComment> comments = known.filter(own -> aspect == Aspect.DEFINITION).map(OpaqueProgram::comments)
                .orElse(there.comments());
        return new OpaqueProgram(id, there.kind(), there.namespace(), there.name(), there.target(), text, comments);
    }

    private static Program held(OpaqueProgram own) {
        return new Program(own.kind(), own.namespace(), own.name(), own.target(), own.text());
    }

    private <T extends OpaqueObject> Stream<T> carried(Class<T> kind) {
        return design.carried().stream().filter(kind::isInstance).map(kind::cast);
    }

    /** A type as the design holds it; a list of values becomes an enumeration. */
    private SqlType type(SqlType type, String place) {
        return switch (type) {
            case UserType(String name) -> design.types().stream().filter(own -> own.name().equals(name)).findFirst()
                    .<SqlType>map(own -> new DesignType(own.id().value()))
                    .orElse(new SqlType.NativeType(name));
            case EnumType(List<String> values) -> {
                Optional<NamedType> same = design.types().stream()
                        .filter(own -> own instanceof Enumeration listed && listed.values().equals(values)).findFirst();
                Enumeration made =
                        new Enumeration(new TypeId(same.map(own -> own.id().value()).orElseGet(() -> fresh.id('t'))),
                                freeType(SqlName.of(place)), values, "");
                if (same.isEmpty()) {
                    apply(new Change.PutType(made), "The values of " + place);
                }
                yield new DesignType(made.id().value());
            }
            default -> type;
        };
    }

    private String freeType(String wanted) {
        String name = wanted;
        for (int number = 2; taken(name); number++) {
            name = wanted + "_" + number;
        }
        return name;
    }

    private boolean taken(String name) {
        return design.types().stream().anyMatch(type -> type.name().equals(name));
    }

    // entities and attributes

    private void entity(Difference difference) {
        there(difference.table()).ifPresent(table -> {
            List<Member> members = new ArrayList<>();
            Map<String, AttributeId> ids = new HashMap<>();
            for (Column column : table.columns()) {
                Attribute attribute = attribute(column, table.name());
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
                    table.checks().stream().map(check -> new NamedCheck(check.name(), check.condition())).toList();
            Entity entity = new Entity(new EntityId(fresh.id('e')), entityName(table.name()), table.comment(),
                    Optional.empty(), members, key, alternates, indexes, checks);
            Sheet sheet = design.sheets().stream().findFirst().orElseThrow();
            apply(new Change.AddEntity(entity, sheet.id(), freePlace(sheet)), "The table " + table.name());
        });
    }

    /** Below everything on the sheet. */
    private static Place freePlace(Sheet sheet) {
        int lowest = sheet.places().values().stream().mapToInt(place -> (int) place.y()).max().orElse(0);
        int leftmost = sheet.places().values().stream().mapToInt(place -> (int) place.x()).min().orElse(0);
        return new Place(leftmost, sheet.places().isEmpty() ? 0 : lowest + BELOW);
    }

    private static String entityName(String table) {
        String spaced = table.replace('_', ' ').strip();
        String pretty =
                spaced.isEmpty() ? table : spaced.substring(0, 1).toUpperCase(Locale.ROOT) + spaced.substring(1);
        return SqlName.of(pretty).equals(table) ? pretty : table;
    }

    private Attribute attribute(Column column, String table) {
        return new Attribute(new AttributeId(fresh.id('a')), column.name(),
                type(column.type(), table + "_" + column.name()), column.required(), column.defaultValue(),
                Optional.empty(), "",
                column.identity(), column.numbering(), column.generated(),
                column.comment().isEmpty() ? meanings.getOrDefault(table + "." + column.name(), "") : column.comment());
    }

    private void attribute(Difference difference) {
        Optional<Column> column = there(difference.table()).flatMap(table -> table.column(difference.name()));
        Optional<Map.Entry<OwnerId, Table>> owner = owner(difference.table());
        if (column.isEmpty() || owner.isEmpty()) {
            return;
        }
        Attribute attribute = attribute(column.get(), difference.table());
        boolean added = apply(new Change.AddAttributes(owner.get().getKey(),
                List.of(new Change.NewAttribute(attribute, false, false))), "The column " + difference.place());
        List<Column> columns = there(difference.table()).map(Table::columns).orElse(List.of());
        int at = columns.indexOf(column.get());
        if (added && at >= 0 && owner.get().getKey() instanceof EntityId) {
            int behind = columns.size() - 1 - at;
            if (behind > 0) {
                keep(new Change.MoveMember(owner.get().getKey(), new OwnPart(attribute.id()), -behind));
            }
        }
    }

    /** The own attribute that a column was derived from. */
    private Optional<AttributeId> own(String table, String column) {
        return derived(table, column).flatMap(Column::origin).filter(path -> !path.migrated())
                .map(ColumnPath::attribute);
    }

    private void column(Difference difference) {
        Optional<Column> column = there(difference.table()).flatMap(table -> table.column(difference.name()));
        Optional<Map.Entry<OwnerId, Table>> owner = owner(difference.table());
        if (column.isEmpty() || owner.isEmpty()) {
            return;
        }
        Optional<AttributeId> own = own(difference.table(), difference.name());
        if (own.isEmpty()) {
            migrated(difference, column.get());
            return;
        }
        Column now = column.get();
        AttributeAspect aspect = switch (difference.aspect()) {
            case TYPE -> new AttributeAspect.Type(type(now.type(), difference.table() + "_" + now.name()));
            case REQUIRED -> new AttributeAspect.Required(now.required());
            case DEFAULT -> new AttributeAspect.Default(now.defaultValue());
            case IDENTITY -> new AttributeAspect.Numbers(now.identity(), now.numbering());
            case COMPUTED -> new AttributeAspect.Generated(now.generated());
            case COMMENT -> new AttributeAspect.Meaning(now.comment());
            default -> null;
        };
        if (aspect == null) {
            left.add("Designs keep no " + difference.aspect().word() + ": " + difference.place() + ".");
        } else {
            apply(new Change.AlterAttribute(owner.get().getKey(), own.get(), aspect), difference.place());
        }
    }

    /** A column that a relationship made: that it may be empty is a matter of the parent's end. */
    private void migrated(Difference difference, Column now) {
        Optional<ColumnPath> path =
                derived(difference.table(), difference.name()).flatMap(Column::origin).filter(ColumnPath::migrated);
        if (path.isEmpty()) {
            return;
        }
        ColumnPath.Hop hop = path.get().hops().getFirst();
        if (difference.aspect() == Aspect.REQUIRED) {
            apply(new Change.AlterRelationship(hop.relationship(), new RelationshipAspect.HowMany(hop.parent(),
                    now.required() ? Cardinality.EXACTLY_ONE : Cardinality.ZERO_OR_ONE)), difference.place());
        } else {
            left.add(difference.place() + " comes over a relationship; its " + difference.aspect().word()
                    + " follows the key that it refers to.");
        }
    }

    private void withoutColumn(Difference difference) {
        Optional<Map.Entry<OwnerId, Table>> owner = owner(difference.table());
        Optional<AttributeId> own = own(difference.table(), difference.name());
        if (owner.isPresent() && own.isPresent()) {
            apply(new Change.RemoveAttribute(owner.get().getKey(), own.get()), "The column " + difference.place());
        } else if (derived(difference.table(), difference.name()).isPresent()) {
            left.add(difference.place() + " comes over a relationship, and goes with it.");
        }
    }

    private void withoutTable(Difference difference) {
        owner(difference.table()).ifPresent(owner -> apply(
                owner.getKey() instanceof EntityId entity ? new Change.RemoveEntity(entity)
                        : new Change.RemoveRelationship(derivation.stated((RelationshipId) owner.getKey())),
                "The table " + difference.table()));
    }

    private void table(Difference difference) {
        if (difference.aspect() == Aspect.ORDER) {
            left.add("The columns of " + difference.table() + " keep their order in the design; move them there.");
            return;
        }
        entityOf(difference.table()).ifPresentOrElse(
                entity -> apply(new Change.DescribeEntity(entity.id(), difference.from()), difference.table()),
                () -> left.add("The comment on " + difference.table()
                        + " follows from the relationship that it was made of."));
    }

    private void name(Difference difference) {
        switch (difference.part()) {
            case TABLE -> {
                programsFollow(difference.table(), difference.from());
                entityOf(difference.table()).ifPresentOrElse(
                        entity -> apply(new Change.RenameEntity(entity.id(), entityName(difference.from())),
                                difference.table()),
                        () -> owner(difference.table()).ifPresent(owner -> apply(
                                new Change.AlterRelationship(derivation.stated((RelationshipId) owner.getKey()),
                                new RelationshipAspect.Name(difference.from())), difference.table())));
            }
            case COLUMN -> columnName(difference);
            default -> left.add("The name of the " + difference.part().word() + " " + difference.name()
                    + " follows from the design's rules for names.");
        }
    }

    /** Views and triggers speak of a table by its new name, where the engine rewrites them so. */
    private void programsFollow(String before, String now) {
        if (!CatalogWording.of(dialect.target()).programsFollowRenames()) {
            return;
        }
        Map<String, String> names = Map.of(before.substring(before.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT),
                dialect.name(now.substring(now.lastIndexOf('.') + 1)));
        carried(OpaqueProgram.class)
                .filter(own -> own.kind() == ProgramKind.VIEW || own.kind() == ProgramKind.TRIGGER).toList()
                .forEach(own -> {
                    String text = Identifiers.exchanged(own.text(), names);
                    if (own.target() == dialect.target() && !text.equals(own.text())) {
                        apply(new Change.PutOpaque(new OpaqueProgram(own.id(), own.kind(), own.namespace(),
                                own.name(), own.target(), text, own.comments())), own.name());
                    }
                });
    }

    /** What is named after an entity or a key keeps its name in the database when those get another. */
    private void namesKept(Map<OwnerId, Table> before, List<Difference> taken) {
        Map<String, String> renamed = new HashMap<>();
        taken.stream().filter(difference -> difference.aspect() == Aspect.NAME)
                .forEach(difference -> renamed.put(difference.table() + "|" + difference.name(), difference.from()));
        for (Map.Entry<OwnerId, Table> entry : List.copyOf(derivation.tables().entrySet())) {
            Table own = before.get(entry.getKey());
            if (own == null) {
                continue;
            }
            String called = renamed.getOrDefault(own.name() + "|", own.name());
            if (entry.getKey() instanceof RelationshipId && !called.equals(entry.getValue().name())) {
                keep(new Change.AlterRelationship(derivation.stated((RelationshipId) entry.getKey()),
                        new RelationshipAspect.Name(called)));
            }
            for (Column column : own.columns()) {
                Optional<ColumnPath> path = column.origin().filter(ColumnPath::migrated);
                Optional<Column> now = path.flatMap(origin -> derivation.table(entry.getKey()).flatMap(table -> table
                        .columns().stream().filter(other -> other.origin().equals(Optional.of(origin))).findFirst()));
                String wanted = renamed.getOrDefault(own.name() + "|" + column.name(), column.name());
                if (now.isPresent() && !now.get().name().equals(wanted)) {
                    ColumnPath.Hop hop = path.get().hops().getFirst();
                    ColumnPath key = new ColumnPath(path.get().hops().subList(1, path.get().hops().size()),
                            path.get().attribute());
                    keep(new Change.AlterRelationship(derivation.stated(hop.relationship()),
                            new RelationshipAspect.ColumnName(hop.parent(), key, wanted)));
                }
            }
        }
    }

    /** Applies what is only wished for; a refusal is no loss. */
    private void keep(Change change) {
        if (Editor.apply(design, change) instanceof Applied(Design next, var inverse)) {
            put(next);
        }
    }

    private void columnName(Difference difference) {
        Optional<Map.Entry<OwnerId, Table>> owner = owner(difference.table());
        Optional<ColumnPath> path = derived(difference.table(), difference.name()).flatMap(Column::origin);
        if (owner.isEmpty() || path.isEmpty()) {
            return;
        }
        if (!path.get().migrated()) {
            apply(new Change.AlterAttribute(owner.get().getKey(), path.get().attribute(),
                    new AttributeAspect.Name(difference.from())), difference.place());
            return;
        }
        ColumnPath.Hop hop = path.get().hops().getFirst();
        ColumnPath key = new ColumnPath(path.get().hops().subList(1, path.get().hops().size()), path.get().attribute());
        apply(new Change.AlterRelationship(hop.relationship(),
                new RelationshipAspect.ColumnName(hop.parent(), key, difference.from())), difference.place());
    }

    // keys

    /** Columns of a table as parts of its keys; none if a relationship's columns are not all among them. */
    private Optional<List<KeyPart>> parts(String table, List<String> columns) {
        Optional<Table> own = owner(table).map(Map.Entry::getValue);
        if (own.isEmpty()) {
            return Optional.empty();
        }
        List<KeyPart> parts = new ArrayList<>();
        for (String name : columns) {
            Optional<ColumnPath> path = own.get().column(name).flatMap(Column::origin);
            if (path.isEmpty()) {
                return Optional.empty();
            }
            KeyPart part = path.get().migrated() ? new InheritedPart(path.get().hops().getFirst().relationship())
                    : new OwnPart(path.get().attribute());
            if (!parts.contains(part)) {
                parts.add(part);
            }
        }
        Set<String> wanted = new HashSet<>(columns);
        boolean whole = own.get().columns().stream().filter(column -> column.origin()
                .filter(path -> path.migrated()
                        && parts.contains(new InheritedPart(path.hops().getFirst().relationship())))
                .isPresent())
                .allMatch(column -> wanted.contains(column.name()));
        return whole ? Optional.of(parts) : Optional.empty();
    }

    private void primaryKey(Difference difference) {
        List<String> columns = there(difference.table()).map(Table::keyColumns).orElse(List.of());
        Optional<Entity> entity = entityOf(difference.table());
        Optional<List<KeyPart>> parts = parts(difference.table(), columns);
        if (entity.isEmpty() || parts.isEmpty()) {
            left.add("The primary key of " + difference.table()
                    + " takes columns that the design keeps together otherwise.");
            return;
        }
        for (KeyPart part : entity.get().primaryKey()) {
            if (!parts.get().contains(part)) {
                setKey(entity.get().id(), part, OptionalInt.empty(), difference.table());
            }
        }
        for (int i = 0; i < parts.get().size(); i++) {
            setKey(entity.get().id(), parts.get().get(i), OptionalInt.of(i + 1), difference.table());
        }
    }

    private void setKey(EntityId id, KeyPart part, OptionalInt rank, String table) {
        Set<Integer> alternates = new HashSet<>();
        design.entities().find(id).ifPresent(entity -> entity.alternateKeys().stream()
                .filter(key -> key.parts().contains(part)).forEach(key -> alternates.add(key.number())));
        apply(new Change.SetKeys(id, part, rank, alternates), "The primary key of " + table);
    }

    private void unique(Difference difference) {
        Optional<Entity> found = entityOf(difference.table());
        if (found.isEmpty() || difference.aspect() == Aspect.NAME) {
            return;
        }
        Entity entity = found.get();
        Optional<UniqueKey> before = owner(difference.table()).map(Map.Entry::getValue)
                .flatMap(table -> table.uniqueKeys().stream().filter(key -> labelled(key, difference)).findFirst());
        if (!difference.removed() && before.isPresent()) {
            Optional<List<KeyPart>> parts = parts(difference.table(), before.get().columns());
            List<AlternateKey> rest = entity.alternateKeys().stream()
                    .filter(key -> parts.isEmpty() || !new HashSet<>(key.parts()).equals(new HashSet<>(parts.get())))
                    .toList();
            boolean ofOneToOne = rest.size() == entity.alternateKeys().size() && parts.isPresent()
                    && parts.get().size() == 1 && parts.get().getFirst() instanceof InheritedPart;
            if (ofOneToOne) {
                howMany(((InheritedPart) parts.get().getFirst()).relationship(), Cardinality.ZERO_OR_MORE, difference);
            } else {
                put(design.with(entity.withAlternateKeys(rest)));
            }
        }
        if (!difference.added()) {
            Optional<UniqueKey> now = there(difference.table())
                    .flatMap(table -> table.uniqueKeys().stream().filter(key -> labelled(key, difference)).findFirst()
                            .or(() -> table.uniqueKeys().stream()
                                    .filter(key -> difference.from().endsWith(brackets(key))).findFirst()));
            now.flatMap(key -> parts(difference.table(), key.columns())).ifPresentOrElse(parts -> {
                if (parts.size() == 1 && parts.getFirst() instanceof InheritedPart(RelationshipId relationship)) {
                    howMany(relationship, Cardinality.ZERO_OR_ONE, difference);
                } else {
                    Entity own = design.entities().find(entity.id()).orElseThrow();
                    int number = own.alternateKeys().stream().mapToInt(AlternateKey::number).max().orElse(0) + 1;
                    List<AlternateKey> more = new ArrayList<>(own.alternateKeys());
                    more.add(new AlternateKey(number, parts));
                    put(design.with(own.withAlternateKeys(more)));
                }
            }, () -> left.add("The unique key " + difference.name() + " of " + difference.table()
                    + " takes columns that the design keeps together otherwise."));
        }
    }

    private static String brackets(UniqueKey key) {
        return "(" + String.join(", ", key.columns()) + ")";
    }

    private static boolean labelled(UniqueKey key, Difference difference) {
        return key.name().equals(difference.name()) || difference.name().endsWith(brackets(key))
                || difference.to().endsWith(brackets(key)) && !difference.removed();
    }

    private void howMany(RelationshipId id, Cardinality cardinality, Difference difference) {
        design.relationships().find(id).flatMap(Relationship::child)
                .ifPresent(child -> apply(
                        new Change.AlterRelationship(id, new RelationshipAspect.HowMany(child, cardinality)),
                        difference.place()));
    }

    // checks and indexes

    private void check(Difference difference) {
        Optional<Entity> found = entityOf(difference.table());
        if (found.isEmpty() || difference.aspect() == Aspect.NAME) {
            return;
        }
        Entity entity = found.get();
        if (!difference.removed()) {
            String sense = CanonicalForm.of(difference.to().replaceFirst("^check \\((.*)\\)$", "$1"));
            List<NamedCheck> rest = entity.checks().stream()
                    .filter(check -> !CanonicalForm.of(check.condition()).equals(sense)).toList();
            List<Member> members = entity.members().stream()
                    .map(member -> member instanceof Attribute attribute
                            && attribute.check().filter(text -> CanonicalForm.of(text).equals(sense)).isPresent()
                    ? attribute.withCheck(Optional.empty()) : member).toList();
            boolean stays = rest.size() == entity.checks().size() && members.equals(entity.members());
            if (stays) {
                left.add("The check " + difference.name() + " of " + difference.table()
                        + " follows from a type or a rule of the design.");
            }
            entity = entity.withChecks(rest).withMembers(members);
        }
        if (!difference.added()) {
            List<NamedCheck> more = new ArrayList<>(entity.checks());
            there(difference.table())
                    .flatMap(table -> table.checks().stream().filter(check -> check.name().equals(difference.name())
                            || difference.from().equals("check (" + check.condition() + ")")).findFirst())
                    .ifPresent(check -> more.add(new NamedCheck(check.name(), check.condition())));
            entity = entity.withChecks(more);
        }
        put(design.with(entity));
    }

    private void index(Difference difference) {
        Optional<Entity> found = entityOf(difference.table());
        if (found.isEmpty()) {
            return;
        }
        List<Index> indexes = new ArrayList<>(found.get().indexes());
        Optional<Table> own = owner(difference.table()).map(Map.Entry::getValue);
        if (!difference.removed() && own.isPresent()) {
            int at = own.get().indexes().stream().map(TableIndex::name).toList().indexOf(difference.name());
            if (at >= 0 && at < indexes.size()) {
                indexes.remove(at);
            }
        }
        if (!difference.added()) {
            String name = difference.aspect() == Aspect.NAME ? difference.from() : difference.name();
            Optional<TableIndex> wanted = there(difference.table()).flatMap(table -> table.indexes().stream()
                    .filter(index -> index.name().equals(name) || index.name().equals(difference.from())).findFirst());
            boolean plain = wanted.isPresent() && wanted.get().predicate().isEmpty()
                    && wanted.get().columns().stream()
                            .noneMatch(part -> part.expression() || part.prefix().isPresent());
            Optional<List<KeyPart>> parts = plain
                    ? parts(difference.table(),
                            wanted.get().columns().stream().map(TableIndex.IndexColumn::name).toList())
                    : Optional.empty();
            if (parts.isEmpty()) {
                left.add("The index " + name + " of " + difference.table() + " is one that designs do not keep.");
                return;
            }
            boolean falling = wanted.get().columns().getFirst().descending();
            indexes.add(new Index(wanted.get().name(), wanted.get().unique(),
                    parts.get().stream().map(part -> new Index.IndexPart(part, falling)).toList()));
        }
        apply(new Change.SetIndexes(found.get().id(), indexes), "The index " + difference.name());
    }

    // relationships

    private void withoutReference(Difference difference) {
        Optional<ForeignKey> key = owner(difference.table()).map(Map.Entry::getValue)
                .flatMap(table -> table.foreignKeys().stream().filter(own -> own.name().equals(difference.name())
                || difference.name().contains("(" + String.join(", ", own.columns()) + ") references")).findFirst());
        Optional<RelationshipId> origin = key.flatMap(ForeignKey::origin).map(derivation::stated);
        if (origin.isEmpty()) {
            return;
        }
        boolean actionsOnly =
                difference.aspect() == Aspect.DEFINITION && difference.from().split(" on (delete|update)")[0]
                        .equals(difference.to().split(" on (delete|update)")[0]);
        if (actionsOnly) {
            there(difference.table()).flatMap(table -> table.foreignKeys().stream()
                    .filter(own -> own.name().equals(difference.name())).findFirst()).ifPresent(now -> {
                        apply(new Change.AlterRelationship(origin.get(),
                                new RelationshipAspect.OnDelete(now.onDelete())), difference.place());
                        apply(new Change.AlterRelationship(origin.get(),
                                new RelationshipAspect.OnUpdate(now.onUpdate())), difference.place());
            });
            return;
        }
        Optional<Relationship> relationship = design.relationships().find(origin.get());
        if (relationship.isEmpty() || relationship.get().manyToMany()) {
            left.add("The foreign key " + difference.name() + " belongs to a many-to-many, and goes with it.");
            return;
        }
        List<Column> columns =
                key.get().columns().stream().flatMap(name -> derived(difference.table(), name).stream()).toList();
        boolean removed = apply(new Change.RemoveRelationship(origin.get()), "The foreign key " + difference.name());
        Set<String> stay = new HashSet<>(there(difference.table())
                .map(table -> table.columns().stream().map(Column::name).toList()).orElse(List.of()));
        Optional<OwnerId> owner = owner(difference.table()).map(Map.Entry::getKey);
        if (removed && owner.isPresent()) {
            columns.stream().filter(column -> stay.contains(column.name())).forEach(column -> apply(
                    new Change.AddAttributes(owner.get(), List.of(new Change.NewAttribute(
                            attribute(new Column(Optional.empty(), column.name(), column.type(), column.required(),
                                    column.defaultValue(), Attribute.Identity.NONE, ""), difference.table()),
                            false, false))),
                    difference.place()));
        }
    }

    private void referencesOf(Difference difference) {
        there(difference.table()).ifPresent(table -> table.foreignKeys().forEach(key -> refer(table, key)));
    }

    private void reference(Difference difference) {
        boolean again = difference.aspect() == Aspect.DEFINITION && difference.from().split(" on (delete|update)")[0]
                .equals(difference.to().split(" on (delete|update)")[0]);
        if (!again) {
            there(difference.table()).ifPresent(table -> table.foreignKeys().stream()
                    .filter(key -> key.name().equals(difference.name())
                            || difference.name().contains("(" + String.join(", ", key.columns()) + ") references"))
                    .findFirst().ifPresent(key -> refer(table, key)));
        }
    }

    /** Makes a relationship of a foreign key; its columns, which are attributes so far, become the relationship's. */
    private void refer(Table table, ForeignKey key) {
        String what = "The foreign key " + key.name() + " of " + table.name();
        Optional<Entity> child = entityOf(TableNames.of(table));
        Optional<Entity> parent = entityOf(TableNames.of(key.referencedNamespace(), key.referencedTable()));
        Optional<Table> parentTable = parent.flatMap(entity -> derivation.table(entity.id()));
        boolean byKey = parentTable.isPresent()
                && new HashSet<>(parentTable.get().keyColumns()).equals(new HashSet<>(key.referencedColumns()));
        List<Optional<AttributeId>> own =
                key.columns().stream().map(column -> own(TableNames.of(table), column)).toList();
        if (child.isEmpty() || !byKey || own.stream().anyMatch(Optional::isEmpty)) {
            left.add(what
                    + " refers by something that designs do not refer by; "
                    + "the columns stay, the reference is left out.");
            return;
        }
        List<KeyPart> gone = own.stream().map(Optional::get).<KeyPart>map(OwnPart::new).toList();
        Relationship relationship = relationship(table, key, parentTable.get(), parent.get(), child.get());
        boolean identifying = table.keyColumns().containsAll(key.columns()) && !relationship.first().cardinality()
                .optional() && !child.get().id().equals(parent.get().id());
        exchange(child.get(), gone, relationship, identifying, what);
    }

    private Relationship relationship(Table table, ForeignKey key, Table parentTable, Entity parent, Entity child) {
        boolean required =
                key.columns().stream().allMatch(name -> table.column(name).map(Column::required).orElse(false));
        Set<String> columns = new HashSet<>(key.columns());
        boolean unique = columns.equals(new HashSet<>(table.keyColumns()))
                || table.uniqueKeys().stream().anyMatch(other -> columns.equals(new HashSet<>(other.columns())));
        Map<ColumnPath, String> names = new HashMap<>();
        for (int i = 0; i < key.columns().size(); i++) {
            String column = key.columns().get(i);
            parentTable.column(key.referencedColumns().get(i)).flatMap(Column::origin)
                    .ifPresent(path -> names.put(path, column));
        }
        End first = End.of(parent.id(), required ? Cardinality.EXACTLY_ONE : Cardinality.ZERO_OR_ONE, End.HAS)
                .columnNames(names);
        End second = End.of(child.id(), unique ? Cardinality.ZERO_OR_ONE : Cardinality.ZERO_OR_MORE, End.BELONGS_TO);
        return new Relationship(new RelationshipId(fresh.id('r')), "", first, second, Side.SECOND, key.onDelete(),
                key.onUpdate(), List.of());
    }

    /** Puts the columns of a relationship in the place of attributes. */
    private void exchange(Entity entity, List<KeyPart> gone, Relationship relationship, boolean identifying,
            String what) {
        RelationshipId id = relationship.id();
        Design before = design;
        List<Member> members = new ArrayList<>();
        boolean placed = false;
        for (Member member : entity.members()) {
            boolean goes = member instanceof Attribute attribute && gone.contains(new OwnPart(attribute.id()));
            if (!goes) {
                members.add(member);
            } else if (!placed) {
                members.add(new ForeignColumns(id));
                placed = true;
            }
        }
        List<KeyPart> primary = exchanged(entity.primaryKey(), gone, new InheritedPart(id), identifying);
        List<AlternateKey> alternates = entity.alternateKeys().stream()
                .filter(alternate -> !new HashSet<>(alternate.parts()).equals(new HashSet<>(gone)))
                .map(alternate -> new AlternateKey(alternate.number(),
                        exchanged(alternate.parts(), gone, new InheritedPart(id), true)))
                .toList();
        List<Index> indexes = entity.indexes().stream()
                .filter(index -> index.parts().stream().noneMatch(part -> gone.contains(part.part()))).toList();
        put(design.with(new Entity(entity.id(), entity.name(), entity.meaning(), entity.area(),
                entity.members().stream().filter(members::contains).toList(),
                entity.primaryKey().stream().filter(part -> !gone.contains(part)).toList(), List.of(), indexes,
                entity.checks())));
        if (!apply(new Change.AddRelationship(relationship, identifying), what)) {
            put(before);
            return;
        }
        Entity now = design.entities().find(entity.id()).orElseThrow();
        put(design.with(new Entity(now.id(), now.name(), now.meaning(), now.area(), members, primary, alternates,
                indexes, now.checks())));
    }

    private static List<KeyPart> exchanged(List<KeyPart> parts, List<KeyPart> gone, KeyPart one, boolean takes) {
        List<KeyPart> result = new ArrayList<>();
        for (KeyPart part : parts) {
            if (!gone.contains(part)) {
                result.add(part);
            } else if (takes && !result.contains(one)) {
                result.add(one);
            }
        }
        return result;
    }
}
