package entaxis.core.normalize;

import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome;
import entaxis.core.change.Patch;
import entaxis.core.change.Problem;
import entaxis.core.dependency.FirstFormSigns;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Cardinality;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.Elements;
import entaxis.core.design.End;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Fresh;
import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.KeyPart.OwnPart;
import entaxis.core.design.KeyPart;
import entaxis.core.design.Member;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.RowId;
import entaxis.core.design.SampleRow;
import entaxis.core.design.Side;
import entaxis.core.schema.Identity;
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeReader;
import entaxis.core.type.TypeReading;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Remedies for what may keep a table from first normal form (common practice), rows included: several values go to an
 * entity of their own with a row for each; a whole name or address is split into attributes.
 */
public final class FirstForm {
    private FirstForm() { }

    /** The edit, or why there is none. */
    public static ApplyDecomposition.Result of(Design design, EntityRelation about, FirstFormSigns sign, Fresh fresh) {
        List<Attribute> attributes =
                sign.attributes().members().stream().map(about.paths()::get).filter(path -> !path.migrated())
                .flatMap(path -> about.entity().attribute(path.attribute()).stream()).toList();
        if (attributes.size() < sign.attributes().size()) {
            return refused("Foreign-key columns cannot be taken apart. Take the relationship apart instead.");
        }
        if (attributes.stream().anyMatch(attribute -> used(about.entity(), attribute.id()))) {
            return refused("An attribute of this kind is part of a key or an index. Take it out of there first.");
        }
        return switch (sign.kind()) {
            case NUMBERED,
                    LIST -> about.entity().primaryKey().isEmpty()
                            ? refused("Choose a key of " + about.entity().name()
                                    + " first: the rows of the new entity refer to it.")
                    : ownEntity(design, about, sign.kind() == FirstFormSigns.Kind.LIST, attributes, fresh);
            case NAME -> split(design, about, attributes.getFirst(), List.of("given_name", "family_name"), fresh);
            case ADDRESS ->
                    split(design, about, attributes.getFirst(), List.of("street", "town", "postal_code"), fresh);
        };
    }

    private static ApplyDecomposition.Result refused(String message) {
        return new ApplyDecomposition.Result.Refused(new Problem("", message));
    }

    private static boolean used(Entity entity, AttributeId attribute) {
        KeyPart part = new OwnPart(attribute);
        return entity.primaryKey().contains(part)
                || entity.alternateKeys().stream().anyMatch(key -> key.parts().contains(part))
                || entity.indexes().stream()
                        .anyMatch(index -> index.parts().stream().anyMatch(indexed -> indexed.part().equals(part)));
    }

    private static SqlType type(String text) {
        return ((TypeReading.Known) TypeReader.read(text)).type();
    }

    private static ApplyDecomposition.Result ownEntity(Design design, EntityRelation about, boolean list,
            List<Attribute> attributes, Fresh fresh) {
        Entity entity = about.entity();
        String base =
                list ? attributes.getFirst().name() : attributes.getFirst().name().replaceFirst("[_ -]?\\d+$", "");
        EntityId id = new EntityId(fresh.id('e'));
        RelationshipId relationship = new RelationshipId(fresh.id('r'));
        Attribute line = new Attribute(new AttributeId(fresh.id('a')), "line_no", type("integer"), true,
                Optional.empty(), Optional.empty(), Identity.NONE, "");
        Attribute first = attributes.getFirst();
        Attribute value = new Attribute(new AttributeId(fresh.id('a')), base, first.type(), true, Optional.empty(),
                Optional.empty(), Identity.NONE, first.meaning());
        Entity made = Entity.named(id, entity.name() + " " + base.replace('_', ' ')).in(entity.area())
                .withMembers(List.of(line, value))
                .withPrimaryKey(List.of(new InheritedPart(relationship), new OwnPart(line.id())));
        Map<RowId, List<String>> values = new HashMap<>();
        about.samples().forEach(row -> values.put(row.id(), attributes.stream()
                .flatMap(attribute -> Optional.ofNullable(row.values().get(ColumnPath.own(attribute.id()))).stream())
                .flatMap(text -> list ? List.of(text.split("\\s*[;|,]\\s*")).stream() : List.of(text).stream())
                .filter(text -> !text.isBlank()).toList()));
        Design next = without(design, entity, attributes);
        next = next.withEntities(next.entities().with(made))
                .withRelationships(next.relationships().with(Relationship.between(relationship,
                        End.of(entity.id(), Cardinality.EXACTLY_ONE, End.HAS),
                        End.of(id, Cardinality.ZERO_OR_MORE, End.BELONGS_TO))));
        List<SampleRow> rows = new ArrayList<>(next.rows().list());
        for (SampleRow row : about.samples()) {
            List<String> here = values.get(row.id());
            for (int i = 0; i < here.size(); i++) {
                Map<ColumnPath, String> typed = new HashMap<>(Map.of(ColumnPath.own(line.id()), String.valueOf(i + 1),
                        ColumnPath.own(value.id()), here.get(i)));
                about.key().forEach(column -> Optional.ofNullable(row.values().get(about.paths().get(column)))
                        .ifPresent(key -> typed.put(about.paths().get(column).over(relationship, Side.FIRST), key)));
                rows.add(new SampleRow(new RowId(fresh.id('w')), id, typed));
            }
        }
        return ready(design, Beside.lay(next.withRows(Elements.of(rows)), entity.id(), List.of(id)), List.of(id));
    }

    /** The entity and its rows without some attributes. */
    private static Design without(Design design, Entity entity, List<Attribute> attributes) {
        Entity rest = entity;
        for (Attribute attribute : attributes) {
            rest = rest.withoutAttribute(attribute.id());
        }
        List<SampleRow> rows = design.rows().stream().map(row -> {
            Map<ColumnPath, String> left = new HashMap<>(row.values());
            left.keySet().removeAll(attributes.stream().map(attribute -> ColumnPath.own(attribute.id())).toList());
            return row.table().equals(entity.id()) && left.size() < row.values().size()
                    ? new SampleRow(row.id(), row.table(), left) : row;
        }).toList();
        return design.with(rest).withRows(Elements.of(rows));
    }

    private static ApplyDecomposition.Result split(Design design, EntityRelation about, Attribute whole,
            List<String> names, Fresh fresh) {
        Entity entity = about.entity();
        Set<String> taken = new java.util.HashSet<>();
        entity.attributes().forEach(attribute -> taken.add(attribute.name().toLowerCase(Locale.ROOT)));
        if (names.stream().anyMatch(taken::contains)) {
            return refused(entity.name() + " has an attribute "
                    + names.stream().filter(taken::contains).findFirst().orElseThrow() + " already. Rename it first.");
        }
        List<Attribute> parts =
                names.stream().map(name -> Attribute.of(new AttributeId(fresh.id('a')), name, whole.type())).toList();
        List<Member> members = new ArrayList<>();
        entity.members().forEach(member -> {
            if (member.equals(whole)) {
                members.addAll(parts);
            } else {
                members.add(member);
            }
        });
        List<SampleRow> rows = design.rows().stream().map(row -> {
            String text = row.values().get(ColumnPath.own(whole.id()));
            if (!row.table().equals(entity.id()) || text == null) {
                return row;
            }
            Map<ColumnPath, String> values = new HashMap<>(row.values());
            values.remove(ColumnPath.own(whole.id()));
            List<String> pieces = names.size() == 2 ? name(text) : address(text);
            for (int i = 0; i < parts.size(); i++) {
                if (!pieces.get(i).isEmpty()) {
                    values.put(ColumnPath.own(parts.get(i).id()), pieces.get(i));
                }
            }
            return new SampleRow(row.id(), row.table(), values);
        }).toList();
        return ready(design, design.with(entity.withMembers(members)).withRows(Elements.of(rows)), List.of());
    }

    /** Given and family name: the last word is the family's, or what stands before a comma. */
    static List<String> name(String text) {
        int comma = text.indexOf(',');
        int space = text.strip().lastIndexOf(' ');
        return comma > 0 ? List.of(text.substring(comma + 1).strip(), text.substring(0, comma).strip())
                : space < 0 ? List.of("", text.strip())
                : List.of(text.strip().substring(0, space).strip(), text.strip().substring(space + 1));
    }

    /** Street, town and postal code: parts between commas; a code is one with digits behind the first part. */
    static List<String> address(String text) {
        String street = "";
        List<String> town = new ArrayList<>();
        String code = "";
        for (String part : text.split("\\s*,\\s*")) {
            if (street.isEmpty()) {
                street = part.strip();
            } else if (part.chars().anyMatch(Character::isDigit) && code.isEmpty()) {
                code = part.strip();
            } else {
                town.add(part.strip());
            }
        }
        return List.of(street, String.join(", ", town), code);
    }

    private static ApplyDecomposition.Result ready(Design design, Design next, List<EntityId> made) {
        for (EntityId id : made) {
            if (Editor.apply(next,
                    new Change.RenameEntity(id, next.entities().get(id).name())) instanceof Outcome.Refused refused) {
                return new ApplyDecomposition.Result.Refused(refused.problems().getFirst());
            }
        }
        return new ApplyDecomposition.Result.Ready(next, Patch.between(design, next), made);
    }
}
