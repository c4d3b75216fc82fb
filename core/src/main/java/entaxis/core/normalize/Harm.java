package entaxis.core.normalize;

import entaxis.core.dependency.AttributeSet;
import entaxis.core.dependency.Closure;
import entaxis.core.dependency.Relation;
import entaxis.core.dependency.Rows;
import entaxis.core.dependency.Verdict;
import entaxis.core.dependency.Violation.Kind;
import entaxis.core.dependency.Violation;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * The harm that a fault does, shown by rows: the user's own where some repeat the fact, else two that are made up.
 *
 * @param made  whether the rows are made up
 * @param marks for each column whether it holds the repeated fact
 */
public record Harm(boolean made, List<String> columns, List<Boolean> marks, List<List<String>> rows, String repeated,
        String change, String insertion, String deletion) {
    private static final int MAX_SHOWN = 3;

    /** The harm of one fault. */
    public static Harm of(Verdict verdict, Rows rows, Violation violation) {
        Relation relation = verdict.relation();
        AttributeSet determinant = violation.dependency().determinant();
        AttributeSet dependent = violation.dependency().dependent();
        AttributeSet key = verdict.keys().keys().getFirst();
        AttributeSet shown = key.union(determinant).union(dependent);
        Optional<List<Integer>> group = rows.groups(determinant).stream().filter(rowsOfOne -> rowsOfOne.size() > 1)
                .max(Comparator.comparingInt(List::size));
        List<Integer> places = shown.members();
        List<String> columns = new ArrayList<>(List.of("row"));
        List<Boolean> marks = new ArrayList<>(List.of(false));
        places.forEach(place -> {
            columns.add(relation.attributes().get(place));
            marks.add(dependent.contains(place));
        });
        List<List<String>> examples = new ArrayList<>();
        group.ifPresentOrElse(found -> found.stream().limit(MAX_SHOWN).forEach(row -> {
            List<String> line = new ArrayList<>(List.of(String.valueOf(row + 1)));
            places.forEach(place -> line.add(rows.value(row, place)));
            examples.add(line);
        }), () -> examples.addAll(madeUp(relation, determinant, places)));
        String x = relation.text(determinant);
        String y = relation.text(dependent);
        String others = relation.text(key.minus(determinant));
        String repeated =
                group.map(found -> violation.kind() == Kind.INDEPENDENT ? found.size() + " rows speak of one " + x + "."
                        : "The same " + y + " is written in " + found.size() + " rows"
                                + (determinant.isEmpty() ? "." : " of one " + x + "."))
                        .orElse("");
        if (violation.kind() == Kind.INDEPENDENT) {
            return new Harm(group.isEmpty(), columns, marks, examples, repeated,
                    "Change: one " + y + " has to be changed in several rows.",
                    "Insertion: one more " + y + " needs a row for each of the others.",
                    "Deletion: taking out one " + y + " takes out several rows.");
        }
        return new Harm(group.isEmpty(), columns, marks, examples, repeated,
                "Change: another " + y + " has to be written in every such row; where one is missed, they disagree.",
                others.isEmpty() ? "Insertion: it cannot be stored by itself."
                        : "Insertion: the " + y + " of a new " + x + " cannot be stored until there is a " + others
                                + ".",
                "Deletion: when the last row with a " + x + " goes, its " + y + " is forgotten.");
    }

    private static List<List<String>> madeUp(Relation relation, AttributeSet determinant, List<Integer> places) {
        AttributeSet same = new Closure(relation.attributes().size(), relation.functional()).of(determinant);
        List<List<String>> rows = new ArrayList<>();
        for (int row = 1; row <= 2; row++) {
            List<String> line = new ArrayList<>(List.of("e.g."));
            for (int place : places) {
                line.add(relation.attributes().get(place).charAt(0) + String.valueOf(same.contains(place) ? 1 : row));
            }
            rows.add(line);
        }
        return rows;
    }
}
