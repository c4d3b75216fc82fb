package entaxis.core.dictionary;

import entaxis.core.design.Attribute;
import entaxis.core.design.Design;
import entaxis.core.design.Domain;
import entaxis.core.design.Enumeration;
import entaxis.core.design.NamedType;
import entaxis.core.design.Structure;
import entaxis.core.dictionary.Dictionary.TypeEntry;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** The part of a dictionary about types. */
record TypeEntries(Design design, AllowedValues allowed) {
    List<TypeEntry> entries() {
        Map<NamedType,
                Long> uses = Stream.concat(design.entities().stream().flatMap(entity -> entity.attributes().stream()),
                        design.relationships().stream().flatMap(relationship -> relationship.attributes().stream()))
                        .map(Attribute::type).flatMap(type -> design.definition(type).stream())
                        .collect(Collectors.groupingBy(Function.identity(), Collectors.counting()));
        return design.types().stream().map(type -> new TypeEntry(kind(type), type instanceof Structure, type.name(),
                allowed.of(type), type.meaning(), uses.getOrDefault(type, 0L).intValue())).toList();
    }

    private static String kind(NamedType type) {
        return switch (type) {
            case Domain domain -> "domain";
            case Enumeration enumeration -> "enumeration";
            case Structure structure -> "structured type";
        };
    }
}
