package entaxis.core.dictionary.reading;

import entaxis.core.change.AttributeAspect;
import entaxis.core.change.Change;
import entaxis.core.design.Area;
import entaxis.core.design.AreaId;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Fresh;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Place;
import entaxis.core.design.SqlName;
import entaxis.core.dictionary.Dictionary;
import entaxis.core.dictionary.Dictionary.AttributeEntry;
import entaxis.core.dictionary.Dictionary.EntityEntry;
import entaxis.core.dictionary.reading.ReadDictionary.ReadAttribute;
import entaxis.core.dictionary.reading.ReadDictionary.ReadEntity;
import entaxis.core.type.SqlType;
import entaxis.core.word.Words;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * What a dictionary that comes back, filled in by others, says otherwise than the design. Only what the file speaks of
 * is compared: an empty cell, a missing row, column or sheet changes nothing.
 */
public final class DictionaryUpdate {
    /**
     * One thing that is said otherwise.
     *
     * @param about   the element, such as {@code Jar.weight}
     * @param words   what would become of it
     * @param changes what carries it out; what several differences need, such as a new area, is the same in each
     */
    public record Difference(String about, String words, List<Change> changes) {
        /** Copies the changes. */
        public Difference {
            changes = List.copyOf(changes);
        }
    }

    /** The edit that carries out some differences. */
    public static Change taking(List<Difference> differences) {
        return new Change.Several(
                differences.stream().flatMap(difference -> difference.changes().stream()).distinct().toList());
    }

    private final Design design;
    private final Fresh fresh;
    private final List<Difference> differences = new ArrayList<>();
    private final Map<String, AreaId> newAreas = new LinkedHashMap<>();
    private final Map<String, EntityId> newEntities = new HashMap<>();
    private final Map<EntityId, List<Change>> making = new HashMap<>();

    private DictionaryUpdate(Design design, Fresh fresh) {
        this.design = design;
        this.fresh = fresh;
    }

    /** The differences, in the order of the file. */
    public static List<Difference> of(Design design, Dictionary now, ReadDictionary read, Fresh fresh) {
        DictionaryUpdate update = new DictionaryUpdate(design, fresh);
        Map<String, EntityEntry> known = new HashMap<>();
        now.entities().forEach(entry -> known.put(SqlName.of(entry.name()), entry));
        read.entities().forEach(entity -> Optional.ofNullable(known.get(SqlName.of(entity.name())))
                .ifPresentOrElse(entry -> update.entity(entity, entry), () -> update.added(entity)));
        DictionaryReferences references = new DictionaryReferences(design, known, update.newEntities, update.making,
                fresh);
        read.relationships().forEach(relationship -> references.of(relationship).ifPresent(update.differences::add));
        return List.copyOf(update.differences);
    }

    private void add(String about, String words, Change... changes) {
        differences.add(new Difference(about, words, List.of(changes)));
    }

    private void entity(ReadEntity read, EntityEntry entry) {
        if (entry.owner() instanceof EntityId id) {
            Entity entity = design.entities().get(id);
            if (!read.meaning().isBlank() && !read.meaning().equals(entity.meaning())) {
                add(entry.name(), "it is “" + read.meaning() + "”" + before(entity.meaning()),
                        new Change.DescribeEntity(id, read.meaning()));
            }
            boolean elsewhere = entity.area().flatMap(design.areas()::find)
                    .filter(area -> area.name().equalsIgnoreCase(read.area())).isEmpty();
            if (!read.area().isBlank() && elsewhere) {
                String was = entity.area().flatMap(design.areas()::find).map(Area::name).orElse("");
                differences.add(new Difference(entry.name(), "it belongs to “" + read.area() + "”" + before(was),
                        assigned(id, read.area())));
            }
        }
        for (ReadAttribute attribute : read.attributes()) {
            Optional<AttributeEntry> shown = entry.attributes().stream()
                    .filter(own -> SqlName.of(own.name()).equals(SqlName.of(attribute.name()))).findFirst();
            if (shown.isEmpty()) {
                newAttribute(entry, attribute);
            } else {
                shown.get().own().ifPresent(id -> attribute(entry, shown.get(), attribute,
                        design.attribute(entry.owner(), id).orElseThrow()));
            }
        }
        if (entry.owner() instanceof EntityId id) {
            differences.addAll(new DictionaryKeys(design, design.entities().get(id), entry).of(read));
        }
    }

    /** Assigns an entity to an area, which is made if there is none of this name. */
    private List<Change> assigned(EntityId entity, String name) {
        Optional<AreaId> there =
                design.areas().stream().filter(area -> area.name().equalsIgnoreCase(name)).map(Area::id).findFirst();
        AreaId area = there.orElseGet(
                () -> newAreas.computeIfAbsent(name.toLowerCase(Locale.ROOT), any -> new AreaId(fresh.id('s'))));
        Change assign = new Change.AssignArea(entity, Optional.of(area));
        int hue = (design.areas().size() + List.copyOf(newAreas.values()).indexOf(area)) % Area.HUES;
        return there.isPresent() ? List.of(assign)
                : List.of(new Change.AddArea(new Area(area, name, Math.max(0, hue))), assign);
    }

    private void attribute(EntityEntry entry, AttributeEntry shown, ReadAttribute read, Attribute own) {
        String about = entry.name() + "." + own.name();
        read.type().filter(type -> !type.text().equals(design.text(own.type())))
                .ifPresent(type -> alter(entry.owner(), own, about,
                        "its type is " + type.text() + before(design.text(own.type())),
                new AttributeAspect.Type(type)));
        named(read).filter(type -> !type.equals(own.type())).ifPresent(type -> alter(entry.owner(), own, about,
                "its type is " + read.named() + before(design.text(own.type())), new AttributeAspect.Type(type)));
        read.required().filter(required -> required != shown.required() && shown.rank() == 0 && read.rank() == 0)
                .ifPresent(required -> alter(entry.owner(), own, about,
                required ? "it is required" : "it may be empty", new AttributeAspect.Required(required)));
        Optional<String> given = DictionaryDesign.defaultOf(read);
        if (given.isPresent() && !given.equals(own.defaultValue())
                && !read.defaultValue().equals(shown.defaultValue())) {
            alter(entry.owner(), own, about, "its default is " + given.get() + before(own.defaultValue().orElse("")),
                    new AttributeAspect.Default(given));
        }
        if (!read.meaning().isBlank() && !read.meaning().equals(own.meaning())) {
            alter(entry.owner(), own, about, "it means “" + read.meaning() + "”" + before(own.meaning()),
                    new AttributeAspect.Meaning(read.meaning()));
        }
        if (!read.example().isBlank() && !read.example().equals(shown.example())) {
            alter(entry.owner(), own, about, "its example is " + read.example() + before(shown.example()),
                    new AttributeAspect.Example(read.example()));
        }
    }

    private Optional<SqlType> named(ReadAttribute read) {
        return read.type().isPresent() || read.named().isBlank() ? Optional.empty() : design.typeNamed(read.named());
    }

    private void alter(OwnerId owner, Attribute own, String about, String words, AttributeAspect aspect) {
        add(about, words, new Change.AlterAttribute(owner, own.id(), aspect));
    }

    static String before(String old) {
        return old.isBlank() ? "" : ", before “" + old + "”";
    }

    private void newAttribute(EntityEntry entry, ReadAttribute read) {
        Attribute attribute = DictionaryDesign.attribute(new AttributeId(fresh.id('a')), read,
                named(read).map(type -> Map.of(SqlName.of(read.named()), type)).orElse(Map.of()));
        add(entry.name() + "." + read.name(), "it is new, " + design.text(attribute.type()),
                new Change.AddAttributes(entry.owner(),
                List.of(new Change.NewAttribute(attribute, read.rank() > 0, read.unique() != 0))));
    }

    private void added(ReadEntity read) {
        EntityId id = new EntityId(fresh.id('e'));
        List<Change.NewAttribute> attributes = read.attributes().stream().map(attribute -> new Change.NewAttribute(
                DictionaryDesign.attribute(new AttributeId(fresh.id('a')), attribute,
                        named(attribute).map(type -> Map.of(SqlName.of(attribute.named()), type)).orElse(Map.of())),
                attribute.rank() > 0, attribute.unique() != 0)).toList();
        int bottom = design.sheet().places().values().stream().mapToInt(Place::y).max().orElse(-160) + 260;
        List<Change> changes = new ArrayList<>();
        changes.add(new Change.AddEntity(Entity.named(id, read.name()).meaning(read.meaning()), design.sheet().id(),
                new Place(60 + differences.size() % 5 * 260, bottom)));
        if (!attributes.isEmpty()) {
            changes.add(new Change.AddAttributes(id, attributes));
        }
        if (!read.area().isBlank()) {
            changes.addAll(assigned(id, read.area()));
        }
        newEntities.put(SqlName.of(read.name()), id);
        making.put(id, List.copyOf(changes));
        differences.add(new Difference(read.name(),
                "it is a new entity with " + Words.counted(attributes.size(), "attribute"), changes));
    }
}
