package entaxis.core.syntax;

import entaxis.core.sql.Script;
import entaxis.core.syntax.Highlight.Run;
import entaxis.core.targets.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** The lines of a script, those marked that another script does not have. */
public final class ScriptLines {
    private ScriptLines() { }

    /**
     * One line.
     *
     * @param runs  its text in one ink each
     * @param other whether the other script does not have it
     */
    public record Line(List<Run> runs, boolean other) {
        /** Copies the runs. */
        public Line {
            runs = List.copyOf(runs);
        }
    }

    /** The lines of a script on its own. */
    public static List<Line> of(Script script) {
        return of(script.text(), script.engine());
    }

    /** The lines of a script of an engine as text. */
    public static List<Line> of(String script, Target engine) {
        return lines(script, engine).stream().map(runs -> new Line(runs, false)).toList();
    }

    /** The lines of a script beside another; spaces that only align a line do not make it differ. Linear. */
    public static List<Line> beside(Script script, Script other) {
        Set<String> same = other.text().lines().map(ScriptLines::bare).collect(Collectors.toSet());
        return lines(script.text(), script.engine()).stream().map(runs -> {
            String text = bare(runs.stream().map(Run::text).collect(Collectors.joining()));
            return new Line(runs, !text.isEmpty() && !same.contains(text));
        }).toList();
    }

    private static List<List<Run>> lines(String script, Target engine) {
        List<List<Run>> lines = new ArrayList<>();
        List<Run> line = new ArrayList<>();
        for (Run run : Highlight.runs(script, engine)) {
            String[] parts = run.text().split("\n", -1);
            for (int i = 0; i < parts.length; i++) {
                if (i > 0) {
                    lines.add(line);
                    line = new ArrayList<>();
                }
                if (!parts[i].isEmpty()) {
                    line.add(new Run(run.ink(), parts[i]));
                }
            }
        }
        return lines;
    }

    private static String bare(String line) {
        return line.strip().replaceAll("\\s+", " ");
    }
}
