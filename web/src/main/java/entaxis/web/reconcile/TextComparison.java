package entaxis.web.reconcile;

import com.github.difflib.text.DiffRow;
import com.github.difflib.text.DiffRowGenerator;
import entaxis.core.word.Words;
import entaxis.web.reconcile.LinePair.Kind;
import java.util.ArrayList;
import java.util.List;

/** Two texts line by line, such as a routine in a database and in a design. */
final class TextComparison {
    /** So many lines that are the same are shown around others. */
    private static final int CONTEXT = 2;

    private TextComparison() { }

    /**
     * The lines side by side; lines that are the same and far from any other are left out. Nothing where a text is
     * missing or neither has more than one line. Takes time in the lines times the differing ones (E. W. Myers, An
     * O(ND) Difference Algorithm and Its Variations, 1986).
     */
    static List<LinePair> of(String from, String to) {
        boolean several = from.strip().contains("\n") || to.strip().contains("\n");
        if (from.isBlank() || to.isBlank() || !several) {
            return List.of();
        }
        List<DiffRow> rows = DiffRowGenerator.create().lineNormalizer(line -> line).build()
                .generateDiffRows(from.strip().lines().toList(), to.strip().lines().toList());
        List<LinePair> shown = new ArrayList<>();
        int skipped = 0;
        for (int i = 0; i < rows.size(); i++) {
            if (changesNear(rows, i) || alone(rows, i)) {
                skipped = skip(shown, skipped);
                DiffRow row = rows.get(i);
                shown.add(new LinePair(kind(row), row.getOldLine(), row.getNewLine()));
            } else {
                skipped++;
            }
        }
        skip(shown, skipped);
        return shown;
    }

    private static int skip(List<LinePair> shown, int skipped) {
        if (skipped > 0) {
            shown.add(new LinePair(Kind.SKIPPED, Words.counted(skipped, "line") + " alike", ""));
        }
        return 0;
    }

    /** Whether a line would be the only one to be left out, which takes as much room as the line. */
    private static boolean alone(List<DiffRow> rows, int place) {
        return (place == 0 || changesNear(rows, place - 1))
                && (place == rows.size() - 1 || changesNear(rows, place + 1));
    }

    private static boolean changesNear(List<DiffRow> rows, int place) {
        return rows.subList(Math.max(0, place - CONTEXT), Math.min(rows.size(), place + CONTEXT + 1)).stream()
                .anyMatch(row -> row.getTag() != DiffRow.Tag.EQUAL);
    }

    private static Kind kind(DiffRow row) {
        return switch (row.getTag()) {
            case EQUAL -> Kind.SAME;
            case CHANGE -> Kind.CHANGED;
            case INSERT -> Kind.ADDED;
            case DELETE -> Kind.REMOVED;
        };
    }
}
