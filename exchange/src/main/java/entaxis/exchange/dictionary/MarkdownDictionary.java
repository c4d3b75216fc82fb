package entaxis.exchange.dictionary;

import entaxis.core.dictionary.Dictionary.AttributeEntry;
import entaxis.core.dictionary.Dictionary.EntityEntry;
import entaxis.core.dictionary.Dictionary.TypeEntry;
import entaxis.core.dictionary.Dictionary;
import java.util.List;
import java.util.stream.Collectors;

/** A dictionary as Markdown (CommonMark with the tables of GitHub Flavored Markdown). */
public final class MarkdownDictionary {
    private MarkdownDictionary() { }

    /** The text of the file. */
    public static String write(Dictionary dictionary) {
        StringBuilder text = new StringBuilder("# ").append(plain(dictionary.title())).append("\n\n");
        text.append(dictionary.author().isBlank() ? "" : plain(dictionary.author()) + ". ").append("For ")
                .append(dictionary.target()).append(".\n");
        dictionary.parts().forEach(part -> {
            text.append("\n## ").append(plain(part.name())).append('\n');
            part.entities().forEach(entity -> entity(text, entity));
        });
        if (!dictionary.types().isEmpty()) {
            text.append("\n## Types\n\n");
            table(text, TypeEntry.HEADINGS, dictionary.types().stream().map(TypeEntry::cells).toList());
        }
        if (!dictionary.programs().isEmpty()) {
            text.append("\n## Views, routines and sequences\n");
            dictionary.programs()
                    .forEach(program -> text.append("\n### ").append(plain(program.name())).append(" (")
                            .append(program.kind()).append(")\n\n```sql\n")
                    .append(program.text().replace("```", "` ` `")).append("\n```\n"));
        }
        return text.toString();
    }

    private static void entity(StringBuilder text, EntityEntry entity) {
        text.append("\n### ").append(plain(entity.name())).append("\n\n");
        if (!entity.meaning().isBlank()) {
            text.append(plain(entity.meaning())).append("\n\n");
        }
        if (!entity.attributes().isEmpty()) {
            table(text, List.of("Key", "Attribute", "Type", "Value", "Default", "Allowed", "Meaning", "Example"),
                    entity.attributes().stream().map(AttributeEntry::cells).toList());
        }
        if (!entity.readings().isEmpty()) {
            text.append('\n');
        }
        entity.readings().forEach(reading -> {
            text.append("- ").append(plain(reading.sentence()));
            reading.assumptions().forEach(
                    assumed -> text.append(" (").append(assumed.number()).append(") ").append(plain(assumed.text())));
            text.append('\n');
        });
        entity.keys().forEach(key -> text.append("- ").append(plain(key)).append('\n'));
        entity.rules().forEach(rule -> text.append("- condition: ").append(plain(rule)).append('\n'));
        entity.indexes().forEach(index -> text.append("- ").append(plain(index)).append('\n'));
        entity.accepted().forEach(fault -> text.append("- accepted: ").append(plain(fault)).append('\n'));
    }

    private static void table(StringBuilder text, List<String> headings, List<List<String>> rows) {
        line(text, headings);
        line(text, headings.stream().map(any -> "---").toList());
        rows.forEach(row -> line(text, row.stream().map(MarkdownDictionary::plain).toList()));
    }

    private static void line(StringBuilder text, List<String> cells) {
        text.append(cells.stream().collect(Collectors.joining(" | ", "| ", " |"))).append('\n');
    }

    /** Text that stays what it is: on one line, with every sign that Markdown reads escaped (CommonMark 2.4). */
    static String plain(String text) {
        return text.strip().replaceAll("\\s+", " ").replaceAll("([\\\\`*_{}\\[\\]<>|#~])", "\\\\$1");
    }
}
