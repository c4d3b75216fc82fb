package entaxis.core.dictionary;

import entaxis.core.design.Attribute;
import entaxis.core.design.Design;
import entaxis.core.design.Domain;
import entaxis.core.design.Enumeration;
import entaxis.core.design.NamedType;
import entaxis.core.design.Structure;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** Says which values are allowed: enumerations and domains spelled out, conditions as they were written. */
final class AllowedValues {
    private final Design design;

    AllowedValues(Design design) {
        this.design = design;
    }

    /** The values that an attribute may have; empty where its type says all. */
    String of(Attribute attribute) {
        List<String> rules = new ArrayList<>();
        design.definition(attribute.type()).map(this::of).filter(words -> !words.isBlank()).ifPresent(rules::add);
        attribute.check().ifPresent(rules::add);
        return String.join("; ", rules);
    }

    /** What a type is made of. */
    String of(NamedType type) {
        return switch (type) {
            case Enumeration enumeration -> "one of: " + String.join(", ", enumeration.values());
            case Domain domain -> domain.base().text() + domain.check().map(check -> ", " + check).orElse("")
                    + (domain.meaning().isBlank() ? "" : " (" + domain.meaning() + ")");
            case Structure structure -> structure.fields().stream()
                    .map(field -> field.name() + " " + design.text(field.type())).collect(Collectors.joining(", "));
        };
    }
}
