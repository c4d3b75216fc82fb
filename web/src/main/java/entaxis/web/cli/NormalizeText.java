package entaxis.web.cli;

import entaxis.core.dependency.BoyceCoddDecomposition;
import entaxis.core.dependency.Decomposition;
import entaxis.core.dependency.MinimalCover;
import entaxis.core.dependency.PartNames;
import entaxis.core.dependency.Relation;
import entaxis.core.dependency.Synthesis;
import entaxis.core.dependency.Verdict;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** The verdict on a relation as lines to read. */
final class NormalizeText {
    private NormalizeText() { }

    static List<String> lines(Relation relation) {
        Verdict verdict = Verdict.of(relation);
        List<String> lines = new ArrayList<>();
        lines.add(relation.name() + "(" + String.join(", ", relation.attributes()) + ")");
        lines.add("  " + verdict.form().words() + " (" + verdict.form().sign() + ")");
        lines.add("  candidate keys   "
                + verdict.keys().keys().stream().map(key -> "{" + relation.text(key) + "}")
                        .collect(Collectors.joining(" "))
                + (verdict.keys().more() ? " and more" : ""));
        lines.add("  minimal cover    "
                + MinimalCover.joined(verdict.cover()).stream().map(relation::text).collect(Collectors.joining("; ")));
        verdict.violations().forEach(violation -> lines.add("  not " + violation.form().sign() + "   "
                + relation.text(violation.dependency()) + ": " + violation.why(relation)));
        if (!verdict.violations().isEmpty()) {
            parts("third normal form", Synthesis.of(relation), lines);
            parts("Boyce-Codd", BoyceCoddDecomposition.of(relation), lines);
        }
        lines.add("");
        return lines;
    }

    private static void parts(String title, Decomposition decomposition, List<String> lines) {
        Relation relation = decomposition.of();
        List<String> names = PartNames.of(decomposition);
        lines.add("  " + title + ", " + (decomposition.lossless() ? "lossless" : "not lossless")
                + (decomposition.lost().isEmpty() ? ", all dependencies kept" : ", lost: "
                        + decomposition.lost().stream().map(relation::text).collect(Collectors.joining("; "))));
        for (int i = 0; i < names.size(); i++) {
            lines.add("    " + names.get(i) + "(" + relation.text(decomposition.parts().get(i).attributes()) + "), key "
                    + decomposition.parts().get(i).keys().stream().map(key -> "{" + relation.text(key) + "}")
                            .collect(Collectors.joining(" ")));
        }
    }
}
