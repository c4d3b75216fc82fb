package entaxis.web.edit;

import entaxis.core.change.AttributeAspect;
import entaxis.core.change.Change;
import entaxis.core.design.AttributeId;
import entaxis.core.design.EntityId;
import entaxis.core.design.OwnerId;
import entaxis.core.word.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads what was written into cells of the dictionary: the first line into the first cell, each further line into the
 * next one. All of them are one edit. Lines beyond the last cell are refused, so that nothing of a paste is lost.
 */
final class DictionaryEditReader {
    private static final Pattern CELL = Pattern
            .compile("(?:(entity)-(e[0-9a-z]{1,24}))|(?:(meaning|example)-([er][0-9a-z]{1,24})-([0-9a-z]{1,24}))");
    private final EditForm form;

    DictionaryEditReader(EditForm form) {
        this.form = form;
    }

    EditReading read() {
        List<String> cells = List.of(form.text("cells").split(","));
        List<String> lines = cells.size() == 1 ? List.of(form.value().replaceAll("\\s*\\R\\s*", " "))
                : form.value().stripTrailing().lines().toList();
        if (lines.size() > cells.size()) {
            return EditReading.Faulty.of("value",
                    Words.counted(lines.size(), "line") + " were pasted, and there are only "
                            + Words.counted(cells.size(), "cell")
                            + " from here on. Paste fewer lines, or begin further up.");
        }
        List<Change> changes = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            changes.add(change(cells.get(i), lines.get(i)));
        }
        return EditReader.plain(changes.size() == 1 ? changes.getFirst() : new Change.Several(changes));
    }

    private static Change change(String cell, String text) {
        Matcher matcher = CELL.matcher(cell);
        if (!matcher.matches()) {
            throw new WrongRequest("no such cell");
        }
        if (matcher.group(1) != null) {
            return new Change.DescribeEntity(new EntityId(matcher.group(2)), text);
        }
        AttributeAspect aspect = matcher.group(3).equals("meaning") ? new AttributeAspect.Meaning(text)
                : new AttributeAspect.Example(text);
        return new Change.AlterAttribute(OwnerId.of(matcher.group(4)), new AttributeId(matcher.group(5)), aspect);
    }
}
