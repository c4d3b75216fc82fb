package entaxis.core.change;

import entaxis.core.design.Attribute;
import entaxis.core.design.Design;
import entaxis.core.design.Domain;
import entaxis.core.design.Entity;
import entaxis.core.design.Enumeration;
import entaxis.core.design.NamedType;
import entaxis.core.design.Relationship;
import entaxis.core.design.SqlName;
import entaxis.core.design.Structure.Field;
import entaxis.core.design.Structure;
import entaxis.core.design.TypeId;
import entaxis.core.expression.Expression;
import entaxis.core.type.SqlType.DesignType;
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeReader;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Edits of the types that a design defines. */
final class TypeEdits {
    private static final int MAX_PARTS = 1000;

    private TypeEdits() { }

    static EditStep put(Design design, NamedType type) {
        Optional<Problem> fault = fault(design, type);
        return fault.map(problem -> new EditStep(design, List.of(problem)))
                .orElseGet(() -> EditStep.done(design.withTypes(design.types().with(type))));
    }

    private static Optional<Problem> fault(Design design, NamedType type) {
        Optional<String> name = Invariants.name(type.name(), "the type").or(() -> nameTaken(design, type));
        if (name.isPresent()) {
            return Optional.of(new Problem("name", name.get()));
        }
        boolean otherKind = design.types().find(type.id()).map(old -> old.getClass() != type.getClass()).orElse(false);
        if (otherKind) {
            return Optional.of(new Problem("",
                    "A type cannot become one of another kind. Define a new one and give it to the attributes."));
        }
        Optional<String> rest = Invariants.text(type.meaning(), "The meaning").or(() -> switch (type) {
            case Domain domain -> domain.base() instanceof DesignType
                    ? Optional.of("A domain is made of a predefined type, such as integer or varchar(60).")
                    : Optional.empty();
            case Enumeration enumeration -> valuesFault(enumeration.values());
            case Structure structure -> fieldsFault(design, structure);
        });
        return rest.map(message -> new Problem("value", message));
    }

    private static Optional<String> nameTaken(Design design, NamedType type) {
        if (TypeReader.taken(type.name())) {
            return Optional.of("“" + type.name() + "” is the name of a predefined type. Choose another name.");
        }
        if (!SqlName.of(type.name()).equals(type.name())) {
            return Optional.of("A type's name is one word as SQL writes it: “" + SqlName.of(type.name()) + "”.");
        }
        return design.types().stream()
                .anyMatch(other -> !other.id().equals(type.id()) && other.name().equals(type.name()))
                        ? Optional.of("There is a type “" + type.name() + "” already. Choose another name.")
                        : Invariants.relationNameTaken(design, type.name());
    }

    private static Optional<String> valuesFault(List<String> values) {
        if (values.isEmpty()) {
            return Optional.of("An enumeration lists at least one value, as in: 'dry', 'cold', 'frozen'");
        }
        if (values.size() > MAX_PARTS) {
            return Optional.of("An enumeration lists " + MAX_PARTS + " values at most; a table of its own holds more.");
        }
        // PostgreSQL manual, 8.7.4: a label is at most 63 bytes
        Optional<String> bad =
                values.stream().filter(value -> value.isBlank() || value.getBytes(StandardCharsets.UTF_8).length > 63
                || value.chars().anyMatch(Character::isISOControl)).findFirst();
        if (bad.isPresent()) {
            return Optional.of("“" + bad.get() + "” is no value: a value has 1 to 63 characters.");
        }
        Set<String> seen = new HashSet<>();
        return values.stream().filter(value -> !seen.add(value)).findFirst()
                .map(value -> "“" + value + "” is listed twice. Leave one of them out.");
    }

    private static Optional<String> fieldsFault(Design design, Structure structure) {
        if (structure.fields().isEmpty()) {
            return Optional.of("A structured type has at least one field, as in: street varchar(60), town varchar(40)");
        }
        if (structure.fields().size() > MAX_PARTS) {
            return Optional.of("A structured type has " + MAX_PARTS + " fields at most.");
        }
        Set<String> seen = new HashSet<>();
        for (Field field : structure.fields()) {
            Optional<String> fault = Invariants.name(field.name(), "a field");
            if (fault.isPresent() || !seen.add(SqlName.of(field.name()))) {
                return Optional.of(fault.orElse("There are two fields “" + field.name() + "”. Rename one of them."));
            }
            if (design.definition(field.type()) instanceof Optional<NamedType> inner && inner.isPresent()
                    && inner.get() instanceof Structure) {
                return Optional.of("The field “" + field.name()
                        + "” is itself of a structured type; name a predefined type, a domain or an enumeration.");
            }
        }
        return Optional.empty();
    }

    static EditStep remove(Design design, TypeId id) {
        Optional<NamedType> found = design.types().find(id);
        if (found.isEmpty()) {
            return EditStep.refused(design, "", "This type is no longer there.");
        }
        DesignType used = new DesignType(id.value());
        List<String> users = new ArrayList<>();
        design.entities()
                .forEach(entity -> entity.attributes().stream().filter(attribute -> attribute.type().equals(used))
                .forEach(attribute -> users.add(entity.name() + "." + attribute.name())));
        List<String> structures = design.types().stream().filter(Structure.class::isInstance).map(Structure.class::cast)
                .filter(structure -> structure.fields().stream().anyMatch(field -> field.type().equals(used)))
                .map(Structure::name).toList();
        if (!structures.isEmpty()) {
            return EditStep.refused(design, "", "“" + found.get().name() + "” is the type of a field of "
                    + String.join(", ", structures) + ". Change that first.");
        }
        if (found.get() instanceof Structure && !users.isEmpty()) {
            return EditStep.refused(design, "", "“" + found.get().name() + "” is the type of "
                    + String.join(", ", users) + ", which would have none. Give them another type first.");
        }
        Design next = design;
        for (Entity entity : design.entities()) {
            Entity plain = entity;
            for (Attribute attribute : entity.attributes()) {
                plain = attribute.type().equals(used) ? plain.withAttribute(plain(attribute, found.get())) : plain;
            }
            next = plain == entity ? next : next.with(plain);
        }
        for (Relationship relationship : design.relationships()) {
            if (relationship.attributes().stream().anyMatch(attribute -> attribute.type().equals(used))) {
                next = next.with(relationship.withAttributes(relationship.attributes().stream()
                        .map(attribute -> attribute.type().equals(used) ? plain(attribute, found.get()) : attribute)
                        .toList()));
            }
        }
        return EditStep.done(next.withTypes(next.types().without(id)));
    }

    /** The attribute with what the type was made of, and with the rules that came with it. */
    private static Attribute plain(Attribute attribute, NamedType type) {
        String column = "\"" + SqlName.of(attribute.name()).replace("\"", "\"\"") + "\"";
        return switch (type) {
            case Domain domain -> {
                Optional<String> rule =
                        domain.check().map(check -> Expression.of(check).renamed(Map.of("value", column)).text());
                Optional<String> both = attribute.check().isPresent() && rule.isPresent()
                        ? Optional.of("(" + attribute.check().get() + ") and (" + rule.get() + ")")
                        : attribute.check().or(() -> rule);
                yield attribute.typed(domain.base()).withDefault(attribute.defaultValue().or(domain::defaultValue))
                        .withCheck(both, attribute.checkName());
            }
            case Enumeration enumeration -> {
                int longest = enumeration.values().stream().mapToInt(String::length).max().orElse(1);
                String listed = column + " in (" + enumeration.values().stream()
                        .map(value -> "'" + value.replace("'", "''") + "'").collect(Collectors.joining(", ")) + ")";
                yield attribute.typed(SqlType.varchar(longest)).withCheck(
                        Optional.of(attribute.check().map(own -> "(" + own + ") and " + listed).orElse(listed)),
                        attribute.checkName());
            }
            case Structure structure -> attribute;
        };
    }
}
