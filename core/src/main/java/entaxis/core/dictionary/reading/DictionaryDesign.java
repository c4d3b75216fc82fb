package entaxis.core.dictionary.reading;

import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.change.Outcome.Refused;
import entaxis.core.change.Problem;
import entaxis.core.change.RelationshipAspect;
import entaxis.core.derive.Derivation;
import entaxis.core.derive.DerivedColumn;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.AlternateKey;
import entaxis.core.design.Area;
import entaxis.core.design.AreaId;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Cardinality;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.End;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Fresh;
import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.KeyPart.OwnPart;
import entaxis.core.design.KeyPart;
import entaxis.core.design.Member;
import entaxis.core.design.NamedType;
import entaxis.core.design.Place;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Side;
import entaxis.core.design.SqlName;
import entaxis.core.design.TypeId;
import entaxis.core.dictionary.reading.ReadDictionary.ReadAttribute;
import entaxis.core.dictionary.reading.ReadDictionary.ReadEntity;
import entaxis.core.dictionary.reading.ReadDictionary.ReadRelationship;
import entaxis.core.dictionary.reading.ReadDictionary.ReadType;
import entaxis.core.schema.Identity;
import entaxis.core.type.SqlType.CharacterType;
import entaxis.core.type.SqlType.DesignType;
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeReader;
import entaxis.core.type.TypeReading.Known;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.BiPredicate;

/**
 * Makes a design of what a dictionary says: every step is an edit like any other, so that nothing comes about that
 * could not be drawn.
 */
public final class DictionaryDesign {
    private static final SqlType UNKNOWN = ((Known) TypeReader.read("text")).type();
    /** What a dictionary of ours writes before the expression that a value is computed from. */
    private static final String COMPUTED = "computed: ";
    private static final int MAX_WORD_LENGTH = 40;

    /**
     * What came of it.
     *
     * @param problems what could not be made as the dictionary says, and why
     */
    public record Made(Design design, List<String> problems) { }

    private final ReadDictionary read;
    private final Fresh fresh;
    private final List<String> problems = new ArrayList<>();
    private final Map<String, EntityId> entities = new HashMap<>();
    private final Map<String, AttributeId> attributes = new HashMap<>();
    private Design design;

    private DictionaryDesign(ReadDictionary read, Design start, Fresh fresh) {
        this.read = read;
        this.design = start;
        this.fresh = fresh;
    }

    /** The design of a dictionary, begun on an empty one. */
    public static Made of(ReadDictionary read, Design empty, Fresh fresh) {
        DictionaryDesign maker = new DictionaryDesign(read, empty, fresh);
        Map<String, AreaId> areas = maker.areas();
        Map<String, SqlType> types = maker.types();
        read.entities().forEach(entity -> maker.entity(entity, areas, types));
        Map<RelationshipId, ReadRelationship> made = new LinkedHashMap<>();
        read.relationships()
                .forEach(relationship -> maker.relationship(relationship).ifPresent(id -> made.put(id, relationship)));
        maker.keys(made);
        maker.alternates(made);
        maker.columns(made);
        return new Made(maker.design, maker.problems);
    }

    private boolean apply(Change change) {
        return switch (Editor.apply(design, change)) {
            case Applied applied -> {
                design = applied.design();
                yield true;
            }
            case Refused refused -> {
                refused.problems().stream().map(Problem::message).forEach(problems::add);
                yield false;
            }
        };
    }

    private Map<String, AreaId> areas() {
        Map<String, AreaId> areas = new LinkedHashMap<>();
        read.entities().stream().map(ReadEntity::area).filter(area -> !area.isBlank()).distinct().forEach(name -> {
            AreaId id = new AreaId(fresh.id('s'));
            if (apply(new Change.AddArea(new Area(id, name, areas.size() % Area.HUES)))) {
                areas.put(name, id);
            }
        });
        return areas;
    }

    private Map<String, SqlType> types() {
        Map<String, SqlType> types = new HashMap<>();
        List<ReadType> waiting = new ArrayList<>(read.types());
        while (!waiting.isEmpty()) {
            // a structure may have fields of types that are defined further down
            List<ReadType> made = waiting.stream().filter(type -> type(type, types)).toList();
            waiting.removeAll(made);
            if (made.isEmpty()) {
                waiting.forEach(type -> problems.add("The type “" + type.name() + "” is made of “" + type.definition()
                        + "”, which is not understood; its attributes become text."));
                waiting.clear();
            }
        }
        return types;
    }

    private boolean type(ReadType type, Map<String, SqlType> types) {
        TypeId id = new TypeId(fresh.id('t'));
        Optional<NamedType> named =
                DictionaryType.read(type, id, name -> Optional.ofNullable(types.get(SqlName.of(name))));
        named.filter(known -> apply(new Change.PutType(known)))
                .ifPresent(known -> types.put(SqlName.of(type.name()), new DesignType(id.value())));
        return named.isPresent();
    }

    private void entity(ReadEntity entity, Map<String, AreaId> areas, Map<String, SqlType> types) {
        EntityId id = new EntityId(fresh.id('e'));
        List<Member> members = new ArrayList<>();
        Map<Integer, List<KeyPart>> alternates = new TreeMap<>();
        int free = 1 + entity.attributes().stream().mapToInt(ReadAttribute::unique).max().orElse(0);
        for (ReadAttribute attribute : entity.attributes()) {
            AttributeId own = new AttributeId(fresh.id('a'));
            attributes.put(key(entity.name(), attribute.name()), own);
            members.add(attribute(own, attribute, types));
            if (attribute.unique() != 0) {
                alternates
                        .computeIfAbsent(attribute.unique() > 0 ? attribute.unique() : free++, any -> new ArrayList<>())
                        .add(new OwnPart(own));
            }
        }
        List<KeyPart> primary = entity.attributes().stream().filter(attribute -> attribute.rank() > 0)
                .sorted(Comparator.comparingInt(ReadAttribute::rank))
                .<KeyPart>map(attribute -> new OwnPart(attributes.get(key(entity.name(), attribute.name())))).toList();
        List<AlternateKey> keys = new ArrayList<>();
        alternates.forEach((number, parts) -> keys.add(new AlternateKey(number, parts)));
        int count = entities.size();
        Place place = new Place(40 + count % 8 * 300, 40 + count / 8 * 320);
        Entity made = new Entity(id, entity.name(), entity.meaning(), Optional.ofNullable(areas.get(entity.area())),
                members, primary, keys);
        if (apply(new Change.AddEntity(made, design.sheet().id(), place))) {
            entities.put(SqlName.of(entity.name()), id);
        }
    }

    static Attribute attribute(AttributeId id, ReadAttribute read, Map<String, SqlType> types) {
        SqlType type = read.type().or(() -> Optional.ofNullable(types.get(SqlName.of(read.named())))).orElse(UNKNOWN);
        boolean required = read.rank() > 0 || read.required().orElse(false);
        return new Attribute(id, read.name(), type, required, defaultOf(read), Optional.empty(),
                read.numbered() ? Identity.BY_DEFAULT : Identity.NONE, read.meaning())
                .computed(Optional.of(read.defaultValue()).filter(text -> text.startsWith(COMPUTED))
                        .map(text -> text.substring(COMPUTED.length())))
                .example(read.example());
    }

    /** A default is an expression; what is plainly a word stands in quotes in SQL, whatever people write. */
    static Optional<String> defaultOf(ReadAttribute read) {
        String text = read.defaultValue();
        if (text.isEmpty() || text.equalsIgnoreCase("none") || text.startsWith(COMPUTED)) {
            return Optional.empty();
        }
        boolean character = read.type().orElse(UNKNOWN) instanceof CharacterType;
        return Optional.of(character && text.matches("[\\p{L}\\p{N} _/-]{1," + MAX_WORD_LENGTH + "}")
                && !text.matches("(?i)null|current_\\w+|session_user|user") ? "'" + text + "'" : text);
    }

    private static String key(String entity, String attribute) {
        return SqlName.of(entity) + "\n" + SqlName.of(attribute);
    }

    private Optional<RelationshipId> relationship(ReadRelationship read) {
        EntityId parent = entities.get(SqlName.of(read.to()));
        EntityId child = entities.get(SqlName.of(read.from()));
        if (parent == null || child == null) {
            return Optional.empty();
        }
        boolean identifying = read.rank() > 0 && !parent.equals(child);
        Cardinality one = read.required() || identifying ? Cardinality.EXACTLY_ONE : Cardinality.ZERO_OR_ONE;
        RelationshipId id = new RelationshipId(fresh.id('r'));
        Relationship relationship = Relationship.between(id,
                End.of(parent, one, read.verb().isBlank() ? End.HAS : read.verb()),
                End.of(child, read.unique() ? Cardinality.ZERO_OR_ONE : Cardinality.ZERO_OR_MORE, End.BELONGS_TO));
        return apply(new Change.AddRelationship(relationship, identifying)) ? Optional.of(id) : Optional.empty();
    }

    /** Primary keys in the order of the dictionary: relationships stand where their columns stood. */
    private void keys(Map<RelationshipId, ReadRelationship> made) {
        Map<EntityId, Map<KeyPart, Integer>> ranks = new LinkedHashMap<>();
        made.forEach((id, relationship) -> {
            if (relationship.rank() > 0) {
                ranks.computeIfAbsent(entities.get(SqlName.of(relationship.from())), any -> new LinkedHashMap<>())
                        .put(new InheritedPart(id), relationship.rank());
            }
        });
        read.entities().stream().filter(entity -> ranks.containsKey(entities.get(SqlName.of(entity.name()))))
                .forEach(entity -> entity.attributes().stream()
                        .filter(attribute -> attribute.rank() > 0)
                        .forEach(attribute -> ranks.get(entities.get(SqlName.of(entity.name())))
                        .put(new OwnPart(attributes.get(key(entity.name(), attribute.name()))), attribute.rank())));
        ranks.forEach((entity, parts) -> {
            List<KeyPart> now = design.entities().get(entity).primaryKey();
            List<KeyPart> wanted = parts.entrySet().stream().sorted(Map.Entry.comparingByValue()).map(Map.Entry::getKey)
                    .filter(now::contains).toList();
            for (int i = 0; i < wanted.size() && !design.entities().get(entity).primaryKey().equals(wanted); i++) {
                apply(new Change.SetKeys(entity, wanted.get(i), OptionalInt.of(i + 1), Set.of()));
            }
        });
    }

    /** Alternate keys of which the columns of a relationship are a part. */
    private void alternates(Map<RelationshipId, ReadRelationship> made) {
        made.forEach((id, relationship) -> {
            if (relationship.alternate() > 0) {
                EntityId child = entities.get(SqlName.of(relationship.from()));
                InheritedPart part = new InheritedPart(id);
                int rank = design.entities().get(child).primaryKey().indexOf(part) + 1;
                apply(new Change.SetKeys(child, part, rank > 0 ? OptionalInt.of(rank) : OptionalInt.empty(),
                        Set.of(relationship.alternate())));
            }
        });
    }

    /**
     * Foreign-key columns are called as in the dictionary; parents before their children, whose columns are called
     * after them.
     */
    private void columns(Map<RelationshipId, ReadRelationship> made) {
        Map<RelationshipId, ReadRelationship> pending = new LinkedHashMap<>(made);
        while (!pending.isEmpty()) {
            Derivation derivation = Derivation.of(design);
            List<RelationshipId> ready = pending.keySet().stream()
                    .filter(id -> design.entities().get(entities.get(SqlName.of(pending.get(id).to()))).primaryKey()
                            .stream()
                            .noneMatch(part -> part instanceof InheritedPart(RelationshipId above)
                                    && pending.containsKey(above) && !above.equals(id)))
                    .toList();
            ready.forEach(id -> columns(id, pending.get(id), derivation));
            pending.keySet().removeAll(ready.isEmpty() ? List.copyOf(pending.keySet()) : ready);
        }
    }

    private void columns(RelationshipId id, ReadRelationship relationship, Derivation derivation) {
        DerivedTable parent = derivation.stated().derived(entities.get(SqlName.of(relationship.to()))).orElseThrow();
        List<DerivedColumn> key = parent.key();
        List<ReadAttribute> left = new ArrayList<>(relationship.columns());
        Map<ColumnPath, String> named = new LinkedHashMap<>();
        // a column is that of the key which has its name and type; failing that its type; failing that the next one
        List<BiPredicate<DerivedColumn, ReadAttribute>> ways =
                List.of((column, own) -> alike(column, own) && column.name().equals(own.name()),
                        DictionaryDesign::alike, (column, own) -> true);
        for (BiPredicate<DerivedColumn, ReadAttribute> way : ways) {
            for (DerivedColumn column : key) {
                ColumnPath path = column.path();
                left.stream().filter(own -> !named.containsKey(path) && way.test(column, own)).findFirst()
                        .ifPresent(own -> {
                    named.put(path, own.name());
                    left.remove(own);
                });
            }
        }
        named.forEach((path, name) -> apply(
                new Change.AlterRelationship(id, new RelationshipAspect.ColumnName(Side.FIRST, path, name))));
    }

    private static boolean alike(DerivedColumn column, ReadAttribute own) {
        return own.type().map(column.column().type()::equals).orElse(false);
    }
}
