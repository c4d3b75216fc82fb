package entaxis.core.dictionary;

import entaxis.core.derive.Derivation;
import entaxis.core.derive.DerivedColumn;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.Area;
import entaxis.core.design.AreaId;
import entaxis.core.design.Assumption;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.OpaqueObject;
import entaxis.core.design.OpaqueProgram;
import entaxis.core.design.OpaqueSequence;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.SampleRow;
import entaxis.core.design.Side;
import entaxis.core.design.StatedDependencies;
import entaxis.core.dictionary.Dictionary.Assumed;
import entaxis.core.dictionary.Dictionary.AttributeEntry;
import entaxis.core.dictionary.Dictionary.EntityEntry;
import entaxis.core.dictionary.Dictionary.Part;
import entaxis.core.dictionary.Dictionary.ProgramEntry;
import entaxis.core.dictionary.Dictionary.Reading;
import entaxis.core.dictionary.Dictionary.Source;
import entaxis.core.expression.Expression;
import entaxis.core.schema.Column;
import entaxis.core.schema.Identity;
import entaxis.core.schema.ProgramHead.TriggerHead;
import entaxis.core.schema.ProgramHead;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.sentence.Sentence;
import entaxis.core.sql.Dialect;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Makes the dictionary of one design. */
final class DictionaryMaker {
    private static final String NO_AREA = "Without a subject area";
    private static final String BETWEEN = "Many-to-many relationships";

    private final Design design;
    private final Derivation derivation;
    private final Dialect dialect;
    private final AllowedValues allowed;
    private final Map<EntityId, List<Relationship>> relationships = new HashMap<>();
    private final Map<AttributeId, Attribute> attributes = new HashMap<>();
    private final Map<OwnerId, List<SampleRow>> rows;

    DictionaryMaker(Design design, Derivation derivation) {
        this.design = design;
        this.derivation = derivation.stated();
        this.dialect = Dialect.of(design.facts().target());
        this.allowed = new AllowedValues(design);
        design.relationships().forEach(relationship -> Stream
                .of(relationship.first().entity(), relationship.second().entity()).distinct()
                .forEach(entity -> relationships.computeIfAbsent(entity, any -> new ArrayList<>()).add(relationship)));
        design.entities()
                .forEach(entity -> entity.attributes().forEach(attribute -> attributes.put(attribute.id(), attribute)));
        this.rows = design.rows().stream()
                .collect(Collectors.groupingBy(SampleRow::table, LinkedHashMap::new, Collectors.toList()));
    }

    Dictionary make() {
        Map<Optional<AreaId>, List<EntityEntry>> byArea = new LinkedHashMap<>();
        design.areas().forEach(area -> byArea.put(Optional.of(area.id()), new ArrayList<>()));
        byArea.put(Optional.empty(), new ArrayList<>());
        design.entities()
                .forEach(entity -> byArea.get(entity.area().filter(design.areas()::contains)).add(entry(entity)));
        List<Part> parts = new ArrayList<>();
        byArea.forEach((id, entries) -> {
            if (!entries.isEmpty()) {
                Optional<Area> area = id.map(design.areas()::get);
                parts.add(new Part(area.map(Area::name).orElse(NO_AREA),
                        area.map(Area::hue).map(OptionalInt::of).orElse(OptionalInt.empty()), entries));
            }
        });
        List<EntityEntry> bridges = design.relationships().stream().filter(Relationship::manyToMany)
                .flatMap(relationship -> entry(relationship).stream()).toList();
        if (!bridges.isEmpty()) {
            parts.add(new Part(BETWEEN, OptionalInt.empty(), bridges));
        }
        String title = design.facts().title().isBlank() ? design.facts().name() : design.facts().title();
        return new Dictionary(title, design.facts().author(), design.facts().target().title(), parts,
                new TypeEntries(design, allowed).entries(),
                design.carried().stream().map(DictionaryMaker::program).toList());
    }

    private EntityEntry entry(Entity entity) {
        DerivedTable derived = derivation.derived(entity.id()).orElseThrow();
        Table table = derived.table();
        return new EntityEntry(entity.id(), entity.name(), table.name(), entity.meaning(),
                attributes(derived), keys(table),
                relationships.getOrDefault(entity.id(), List.of()).stream()
                        .flatMap(relationship -> readings(relationship, entity.id())).toList(),
                rules(entity, table), table.indexes().stream().map(DictionaryMaker::index).toList(),
                accepted(entity, derived));
    }

    private Optional<EntityEntry> entry(Relationship relationship) {
        return derivation.derived(relationship.id()).map(table -> new EntityEntry(relationship.id(),
                relationship.name().isBlank() ? table.name() : relationship.name(), table.name(),
                "", attributes(table), keys(table.table()),
                readings(relationship, relationship.first().entity()).toList(), List.of(), List.of(), List.of()));
    }

    private List<AttributeEntry> attributes(DerivedTable table) {
        OwnerId owner = table.element();
        List<String> key = table.table().keyColumns();
        List<AttributeEntry> entries = new ArrayList<>();
        for (DerivedColumn column : table.columns()) {
            ColumnPath path = column.path();
            int rank = key.indexOf(column.name()) + 1;
            List<String> marks = marks(table.table(), column);
            entries.add(path.migrated() ? migrated(owner, column, rank, marks)
                    : own(owner, column, design.attribute(owner, path.attribute()).orElseThrow(), rank, marks));
        }
        return entries;
    }

    private AttributeEntry own(OwnerId owner, DerivedColumn column, Attribute attribute, int rank, List<String> marks) {
        boolean typed = !attribute.example().isBlank();
        return new AttributeEntry(Optional.of(attribute.id()), attribute.name(), rank, marks,
                design.text(attribute.type()), dialect.type(column.column().type()), column.column().required(),
                given(attribute), allowed.of(attribute), attribute.meaning(), Optional.empty(),
                typed ? attribute.example() : fromRows(owner, column), typed);
    }

    private AttributeEntry migrated(OwnerId owner, DerivedColumn derived, int rank, List<String> marks) {
        Column column = derived.column();
        ColumnPath.Hop hop = derived.path().hops().getFirst();
        Relationship relationship = design.relationships().get(hop.relationship());
        Entity parent = design.entities().get(relationship.end(hop.parent()).entity());
        Optional<Attribute> source = Optional.ofNullable(attributes.get(derived.path().attribute()));
        Source from = new Source(relationship.id(), parent.name(), relationship.end(hop.parent()).verb());
        return new AttributeEntry(Optional.empty(), column.name(), rank, marks,
                source.map(attribute -> design.text(attribute.type())).orElseGet(() -> column.type().text()),
                dialect.type(column.type()), column.required(), column.defaultValue().map(Expression::text).orElse(""),
                source.map(allowed::of).orElse(""), source.map(Attribute::meaning).orElse(""),
                Optional.of(from), fromRows(owner, derived), false);
    }

    /** What an attribute is where nothing is given. */
    private static String given(Attribute attribute) {
        if (attribute.generated().isPresent()) {
            return "computed: " + attribute.generated().get();
        }
        return attribute.identity() == Identity.NONE ? attribute.defaultValue().orElse("")
                : "numbered by the engine";
    }

    private String fromRows(OwnerId owner, DerivedColumn column) {
        return rows.getOrDefault(owner, List.of()).stream()
                .map(row -> row.values().getOrDefault(column.path(), ""))
                .filter(value -> !value.isBlank()).findFirst().orElse("");
    }

    private static List<String> marks(Table table, DerivedColumn column) {
        List<String> marks = new ArrayList<>();
        if (column.migrated()) {
            marks.add("FK");
        }
        for (int i = 0; i < table.uniqueKeys().size(); i++) {
            if (table.uniqueKeys().get(i).columns().contains(column.name())) {
                marks.add("AK" + (i + 1));
            }
        }
        return marks;
    }

    private static List<String> keys(Table table) {
        List<String> keys = new ArrayList<>();
        for (int i = 0; i < table.uniqueKeys().size(); i++) {
            keys.add("AK" + (i + 1) + ": " + String.join(", ", table.uniqueKeys().get(i).columns()));
        }
        return keys;
    }

    private Stream<Reading> readings(Relationship relationship, EntityId from) {
        return Stream.of(Side.FIRST, Side.SECOND).filter(side -> relationship.end(side).entity().equals(from))
                .map(side -> {
            Sentence sentence = Sentence.of(design, relationship, side);
                    return new Reading(sentence.subject(), sentence.verb(), sentence.number(), sentence.object(),
                            assumed(relationship.id(), side.other()));
        });
    }

    private List<Assumed> assumed(RelationshipId relationship, Side side) {
        return design.assumptions().stream()
                .filter(assumption -> assumption.relationship().equals(relationship) && assumption.side() == side)
                .sorted(Comparator.comparingInt(Assumption::number))
                .map(assumption -> new Assumed(assumption.number(), assumption.text())).toList();
    }

    /** Conditions that are not those of a single attribute, which stand beside it. */
    private static List<String> rules(Entity entity, Table table) {
        List<String> single = entity.attributes().stream().flatMap(attribute -> attribute.check().stream()).toList();
        return table.checks().stream().map(rule -> rule.condition().text())
                .filter(condition -> !single.contains(condition))
                .toList();
    }

    private static String index(TableIndex index) {
        return (index.unique() ? "unique index on " : "index on ")
                + index.columns().stream().map(column -> column.name() + (column.descending() ? " (falling)" : ""))
                .collect(Collectors.joining(", "));
    }

    private List<String> accepted(Entity entity, DerivedTable table) {
        Map<ColumnPath, String> names = new HashMap<>();
        table.columns().forEach(column -> names.put(column.path(), column.name()));
        return design.dependencies().find(entity.id()).map(StatedDependencies::accepted).orElse(List.of()).stream()
                .map(accepted -> side(accepted.fault().determinant(), names)
                        + (accepted.fault().many() ? " ->> " : " -> ") + side(accepted.fault().dependent(), names)
                        + (accepted.reason().isBlank() ? "" : ": " + accepted.reason())).toList();
    }

    private static String side(List<ColumnPath> columns, Map<ColumnPath, String> names) {
        return columns.stream().map(column -> names.getOrDefault(column, "?")).collect(Collectors.joining(", "));
    }

    private static ProgramEntry program(OpaqueObject carried) {
        return switch (carried) {
            case OpaqueProgram program -> new ProgramEntry(kind(program), program.name(), program.text());
            case OpaqueSequence sequence -> new ProgramEntry("sequence", sequence.name(),
                    "from " + sequence.start() + " by " + sequence.step());
        };
    }

    /** What a program is; of a trigger or rule also which table it belongs to, and when a trigger fires. */
    private static String kind(OpaqueProgram program) {
        ProgramHead head = ProgramHead.of(program.kind(), program.text(), UnaryOperator.identity());
        String fires = head instanceof TriggerHead trigger ? " " + trigger.words() : "";
        return program.kind().word() + fires + head.belongsTo().map(table -> " on " + table.label()).orElse("");
    }
}
