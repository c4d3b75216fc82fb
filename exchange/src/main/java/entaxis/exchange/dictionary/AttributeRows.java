package entaxis.exchange.dictionary;

import entaxis.core.dictionary.Dictionary;
import entaxis.core.dictionary.Dictionary.AttributeEntry;
import entaxis.core.dictionary.Dictionary.EntityEntry;
import entaxis.core.dictionary.Dictionary.Part;
import entaxis.core.dictionary.Dictionary.TypeEntry;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/**
 * The attributes of a dictionary as one list, a row each, under headings that are understood when the list comes back.
 */
final class AttributeRows {
    static final List<String> HEADINGS = List.of("Area", "Entity", "Entity meaning", "Attribute", "Key", "Type",
            "Engine type", "Required", "Default", "Allowed values", "References",
            "Relationship", "Meaning", "Example");

    private AttributeRows() { }

    /**
     * The whole list with its headings; below it the types, where there are structured ones, which a row each cannot
     * tell. All rows are equally long.
     */
    static List<List<String>> list(Dictionary dictionary) {
        List<List<String>> rows = new ArrayList<>(List.of(HEADINGS));
        rows.addAll(of(dictionary));
        if (dictionary.types().stream().anyMatch(TypeEntry::structured)) {
            rows.add(padded(List.of()));
            rows.add(padded(TypeEntry.HEADINGS));
            dictionary.types().forEach(type -> rows.add(padded(type.cells())));
        }
        return rows;
    }

    private static List<String> padded(List<String> cells) {
        return Stream.concat(cells.stream(), Stream.generate(() -> "")).limit(HEADINGS.size()).toList();
    }

    static List<List<String>> of(Dictionary dictionary) {
        List<List<String>> rows = new ArrayList<>();
        for (Part part : dictionary.parts()) {
            for (EntityEntry entity : part.entities()) {
                String area = part.hue().isPresent() ? part.name() : "";
                if (entity.attributes().isEmpty()) {
                    rows.add(
                            List.of(area, entity.name(), entity.meaning(), "", "", "", "", "", "", "", "", "", "", ""));
                }
                entity.attributes().forEach(attribute -> rows.add(row(area, entity, attribute)));
            }
        }
        return rows;
    }

    private static List<String> row(String area, EntityEntry entity, AttributeEntry attribute) {
        return List.of(area, entity.name(), entity.meaning(), attribute.name(), key(attribute), attribute.type(),
                attribute.targetType(), attribute.required() ? "yes" : "no",
                attribute.defaultValue(), attribute.values(),
                attribute.source().map(Dictionary.Source::entity).orElse(""),
                attribute.source().map(Dictionary.Source::verb).orElse(""),
                attribute.source().isPresent() ? "" : attribute.meaning(), attribute.example());
    }

    /** Such as {@code PK 1 FK AK1}. */
    private static String key(AttributeEntry attribute) {
        List<String> marks = new ArrayList<>();
        if (attribute.rank() > 0) {
            marks.add("PK " + attribute.rank());
        }
        marks.addAll(attribute.marks());
        return String.join(" ", marks);
    }
}
