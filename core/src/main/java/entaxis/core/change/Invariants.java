package entaxis.core.change;

import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Relationship;
import entaxis.core.design.SqlName;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Conditions that every design meets, checked where an edit could break them. */
final class Invariants {
    static final int MAX_NAME = 120;
    static final int MAX_TEXT = 4000;
    /** More columns than any target takes (PostgreSQL manual, appendix K: 1600). */
    static final int MAX_ATTRIBUTES = 1600;
    static final int MAX_ENTITIES = 5000;

    private Invariants() { }

    /** What is wrong with a name by itself, if anything. */
    static Optional<String> name(String name, String of) {
        if (name.isBlank()) {
            return Optional.of("The name of " + of + " is empty. Type a name.");
        }
        if (name.length() > MAX_NAME) {
            return Optional.of("The name of " + of + " has " + name.length() + " characters; " + MAX_NAME
                    + " is the most. Shorten it.");
        }
        if (name.chars().anyMatch(Character::isISOControl)) {
            return Optional.of("The name of " + of + " holds a line break or another control character. Remove it.");
        }
        return Optional.empty();
    }

    /** What is wrong with a describing text, if anything. */
    static Optional<String> text(String text, String what) {
        return text.length() <= MAX_TEXT ? Optional.empty()
                : Optional
                        .of(what + " has " + text.length() + " characters; " + MAX_TEXT + " is the most. Shorten it.");
    }

    /** What already has the table name that this name would become, if anything. */
    static Optional<String> tableNameTaken(Design design, OwnerId self, String name) {
        String wanted = SqlName.of(name);
        for (Entity entity : design.entities()) {
            if (!entity.id().equals(self) && SqlName.of(entity.name()).equals(wanted)) {
                return Optional.of("There is an entity “" + entity.name() + "” already. Choose another name.");
            }
        }
        for (Relationship relationship : design.relationships()) {
            if (!relationship.id().equals(self) && relationship.manyToMany()
                    && SqlName.of(relationship.name()).equals(wanted)) {
                return Optional
                        .of("There is a many-to-many “" + relationship.name() + "” already. Choose another name.");
            }
        }
        return design.types().stream().filter(type -> type.name().equals(wanted)).findFirst()
                .map(type -> "There is a type “" + type.name()
                        + "” already, and a table cannot be called like a type. Choose another name.");
    }

    /** What already has this name as its table name, if anything: in a schema, types and tables share their names. */
    static Optional<String> relationNameTaken(Design design, String name) {
        return design.entities().stream().filter(entity -> SqlName.of(entity.name()).equals(name)).findFirst()
                .map(entity -> "There is an entity “" + entity.name()
                        + "” already, and a type cannot be called like a table. Choose another name.");
    }

    /**
     * The entities on a cycle of identifying relationships through one entity, from it back to it; empty if there is
     * none. Depth-first over parents, linear in their relationships.
     */
    static List<String> identifyingCycle(Design design, EntityId start) {
        Map<EntityId, EntityId> cameFrom = new HashMap<>();
        List<EntityId> open = new ArrayList<>(List.of(start));
        while (!open.isEmpty()) {
            EntityId child = open.removeLast();
            for (EntityId parent : identifyingParents(design, child)) {
                if (parent.equals(start)) {
                    return path(design, start, child, cameFrom);
                }
                if (cameFrom.putIfAbsent(parent, child) == null) {
                    open.add(parent);
                }
            }
        }
        return List.of();
    }

    private static List<EntityId> identifyingParents(Design design, EntityId child) {
        return design.entities().find(child).stream().flatMap(entity -> entity.primaryKey().stream())
                .filter(InheritedPart.class::isInstance)
                .map(InheritedPart.class::cast)
                .flatMap(part -> design.relationships().find(part.relationship()).stream())
                .flatMap(relationship -> relationship.parentEntity().stream()).toList();
    }

    private static List<String> path(Design design, EntityId start, EntityId last, Map<EntityId, EntityId> cameFrom) {
        List<String> names = new ArrayList<>();
        names.add(design.entities().get(start).name());
        for (EntityId at = last; at != null && !at.equals(start); at = cameFrom.get(at)) {
            names.add(design.entities().get(at).name());
        }
        names.add(design.entities().get(start).name());
        return names;
    }
}
