package entaxis.core.change;

import entaxis.core.change.Change.AssociativeKey;
import entaxis.core.design.AlternateKey;
import entaxis.core.design.Assumption;
import entaxis.core.design.Attribute;
import entaxis.core.design.Cardinality;
import entaxis.core.design.ColumnPath.Hop;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.Elements;
import entaxis.core.design.End;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.KeyPart.OwnPart;
import entaxis.core.design.KeyPart;
import entaxis.core.design.Member;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Place;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Sheet;
import entaxis.core.design.Side;
import entaxis.core.schema.Identity;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Edits that make an associative entity of a many-to-many, and the other way round. */
final class ResolveEdits {
    private ResolveEdits() { }

    static EditStep resolve(Design design, Change.Resolve edit) {
        Optional<Relationship> found =
                design.relationships().find(edit.relationship()).filter(Relationship::manyToMany);
        if (found.isEmpty()) {
            return EditStep.refused(design, "", "This many-to-many is no longer there.");
        }
        Relationship was = found.get();
        String name = edit.name().strip();
        Optional<String> fault = Invariants.name(name, "the entity").or(() -> Invariants.tableNameTaken(design,
                was.id(), name));
        if (fault.isPresent()) {
            return EditStep.refused(design, "name", fault.get());
        }
        List<Member> members = new ArrayList<>(was.attributes());
        List<KeyPart> parents = List.of(new InheritedPart(edit.first()), new InheritedPart(edit.second()));
        Attribute number =
                Attribute.of(edit.attribute(), edit.key() == AssociativeKey.OWN ? "id" : "line_no", SqlType.integer())
                        .required(true);
        Entity entity = switch (edit.key()) {
            case PARENTS -> new Entity(edit.entity(), name, "", Optional.empty(), members, parents, List.of());
            case OWN -> {
                members.addFirst(number.numbered(Identity.BY_DEFAULT));
                yield new Entity(edit.entity(), name, "", Optional.empty(), members, List.of(new OwnPart(number.id())),
                        List.of(new AlternateKey(1, parents)));
            }
            case LINE_NUMBER -> {
                members.addFirst(number);
                yield new Entity(edit.entity(), name, "", Optional.empty(), members,
                        List.of(parents.getFirst(), new OwnPart(number.id())), List.of());
            }
        };
        Design next = design.with(entity.in(design.entities().get(was.first().entity()).area()))
                .with(half(was, Side.FIRST, edit.first(), entity.id()))
                .with(half(was, Side.SECOND, edit.second(), entity.id()));
        next = placed(next, was, entity.id());
        next = RowEdits.moved(next, was.id(), entity.id(),
                path -> resolved(path, was.id(), edit.first(), edit.second()));
        next = edit.key() == AssociativeKey.LINE_NUMBER
                ? RowEdits.lineNumbers(next, entity.id(), edit.first(), number.id()) : next;
        next = next.withAssumptions(Elements.of(next.assumptions().stream()
                .map(assumption -> !assumption.relationship().equals(was.id()) ? assumption
                        : new Assumption(assumption.id(), assumption.number(),
                                assumption.side() == Side.FIRST ? edit.second() : edit.first(), Side.SECOND,
                                assumption.text()))
                .toList()));
        next = RelationshipEdits.without(next, was.id());
        return AttributeEdits.add(next, new Change.AddAttributes(entity.id(), edit.attributes()));
    }

    /**
     * From a parent to the associative entity: each row belongs to exactly one parent; the other end keeps the minimum
     * that the many-to-many had.
     */
    private static Relationship half(Relationship was, Side side, RelationshipId id, EntityId associative) {
        return new Relationship(id, "", was.end(side).with(Cardinality.EXACTLY_ONE).agreed(""),
                End.of(associative, many(was.end(side.other()).cardinality()), End.BELONGS_TO), Side.SECOND,
                was.onDelete(), was.onUpdate(), List.of());
    }

    private static Cardinality many(Cardinality cardinality) {
        return cardinality.many() ? cardinality : new Cardinality(cardinality.min(), Cardinality.MANY);
    }

    private static ColumnPath resolved(ColumnPath path, RelationshipId was, RelationshipId first,
            RelationshipId second) {
        if (!path.migrated() || !path.hops().getFirst().relationship().equals(was)) {
            return path;
        }
        List<Hop> hops = new ArrayList<>(path.hops());
        hops.set(0, new Hop(hops.getFirst().parent() == Side.FIRST ? first : second, Side.FIRST));
        return new ColumnPath(hops, path.attribute());
    }

    /**
     * The design with the new card where that of the many-to-many lay, or else between its parents, on each sheet that
     * shows both.
     */
    private static Design placed(Design design, Relationship was, EntityId entity) {
        Design next = design;
        for (Sheet sheet : design.sheets()) {
            Place own = sheet.places().get(was.id());
            Place first = sheet.places().get(was.first().entity());
            Place second = sheet.places().get(was.second().entity());
            if (own != null || first != null && second != null) {
                Place place = own != null ? own : was.recursive() ? new Place(first.x() + 260, first.y() + 60)
                        : new Place((first.x() + second.x()) / 2, (first.y() + second.y()) / 2 + 30);
                Map<OwnerId, Place> places = new HashMap<>(sheet.places());
                places.put(entity, place);
                next = next.with(sheet.withPlaces(places));
            }
        }
        return next;
    }

    static EditStep dissolve(Design design, Change.Dissolve edit) {
        Optional<Entity> found = design.entities().find(edit.entity());
        if (found.isEmpty()) {
            return EntityEdits.gone(design);
        }
        Entity entity = found.get();
        Optional<String> why = whyNotDissolved(design, entity);
        if (why.isPresent()) {
            return EditStep.refused(design, "", why.get());
        }
        List<Relationship> parents = design.relationshipsOf(entity.id()).sorted(Comparator.comparingInt(relationship ->
                entity.primaryKey().indexOf(new InheritedPart(relationship.id())))).toList();
        Relationship first = parents.get(0);
        Relationship second = parents.get(1);
        Relationship back = new Relationship(edit.relationship(), entity.name(),
                outer(first).with(inner(second).cardinality()).agreed(""),
                outer(second).with(inner(first).cardinality()).agreed(""), Side.SECOND, first.onDelete(),
                first.onUpdate(), List.of());
        Design next = design.with(back);
        for (Sheet sheet : design.sheets()) {
            if (sheet.places().containsKey(entity.id())) {
                Map<OwnerId, Place> places = new HashMap<>(sheet.places());
                places.put(back.id(), places.get(entity.id()));
                next = next.with(sheet.withPlaces(places));
            }
        }
        next = RowEdits.moved(next, entity.id(), back.id(), path -> dissolved(path, back.id(), first, second));
        next = next.withAssumptions(Elements.of(next.assumptions().stream().map(assumption ->
        assumption.relationship().equals(first.id()) ? new Assumption(assumption.id(), assumption.number(), back.id(),
                Side.SECOND, assumption.text())
                : assumption.relationship().equals(second.id())
                        ? new Assumption(assumption.id(), assumption.number(), back.id(), Side.FIRST, assumption.text())
                : assumption).toList()));
        return EntityEdits.remove(next, entity.id());
    }

    /** Why an entity cannot become a many-to-many, if it cannot. */
    static Optional<String> whyNotDissolved(Design design, Entity entity) {
        if (!entity.attributes().isEmpty()) {
            return Optional.of("“" + entity.name() + "” has attributes of its own ("
                    + entity.attributes().getFirst().name() + (entity.attributes().size() > 1 ? ", ..." : "")
                    + "). Delete or move them first.");
        }
        List<Relationship> all = design.relationshipsOf(entity.id()).toList();
        boolean child = all.size() == 2 && all.stream().allMatch(relationship -> relationship.childEntity()
                .equals(Optional.of(entity.id()))
                && relationship.mayIdentify() && !relationship.oneToOne() && entity.identifiedBy(relationship.id()));
        return child && entity.primaryKey().size() == 2 ? Optional.empty()
                : Optional.of(
                        "Only an entity whose key is that of its two parents, and to which nothing else is related, "
                                + "can become a many-to-many.");
    }

    private static End outer(Relationship relationship) {
        return relationship.end(relationship.parent().orElseThrow());
    }

    private static End inner(Relationship relationship) {
        return relationship.end(relationship.child().orElseThrow());
    }

    private static ColumnPath dissolved(ColumnPath path, RelationshipId back, Relationship first, Relationship second) {
        if (!path.migrated()) {
            return path;
        }
        List<Hop> hops = new ArrayList<>(path.hops());
        RelationshipId over = hops.getFirst().relationship();
        if (over.equals(first.id()) || over.equals(second.id())) {
            hops.set(0, new Hop(back, over.equals(first.id()) ? Side.FIRST : Side.SECOND));
        }
        return new ColumnPath(hops, path.attribute());
    }
}
