package entaxis.web.ledger;

import entaxis.core.design.Area;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The design as an outline: entities by subject area, those without one last. */
public record Contents(List<Group> groups) {
    /**
     * One subject area.
     *
     * @param id  identity of the area; empty for none
     * @param hue number of its colour, -1 for none
     */
    public record Group(String id, String name, int hue, List<Entry> entries) { }

    /** One entity. */
    public record Entry(String id, String name) { }

    /** The outline of a design. */
    public static Contents of(Design design) {
        List<Group> groups = new ArrayList<>();
        for (Area area : design.areas()) {
            add(groups, area.id().value(), area.name(), area.hue(), entries(design, Optional.of(area)));
        }
        add(groups, "", groups.isEmpty() ? "Entities" : "Other", -1, entries(design, Optional.empty()));
        return new Contents(groups);
    }

    private static void add(List<Group> groups, String id, String name, int hue, List<Entry> entries) {
        if (!entries.isEmpty()) {
            groups.add(new Group(id, name, hue, entries));
        }
    }

    private static List<Entry> entries(Design design, Optional<Area> area) {
        return design.entities().stream().filter(entity -> entity.area().equals(area.map(Area::id)))
                .map(Contents::entry).toList();
    }

    private static Entry entry(Entity entity) {
        return new Entry(entity.id().value(), entity.name());
    }
}
