package entaxis.core.dependency;

import entaxis.core.dependency.Dependency.Functional;
import entaxis.core.dependency.Dependency.Multivalued;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Whether parts join back to the whole. One row for each part, equal to the sought row where the part has the
 * attribute; dependencies make symbols equal, many-valued ones add rows, until the sought row is there or nothing more
 * follows. A. Aho, C. Beeri and J. Ullman, “The Theory of Joins in Relational Databases”, ACM TODS 4(3), 1979.
 * Polynomial with functional dependencies; exponential at worst with many-valued ones.
 *
 * @param start the tableau at first; symbol 0 is the sought one, others are numbered apart in each column
 * @param end   the tableau when nothing more follows, or the sought row is there
 */
public record Chase(Relation relation, List<AttributeSet> parts, List<int[]> start, List<Step> steps, List<int[]> end) {
    private static final int MAX_ROWS = 4096;

    /** What a dependency did: it made two symbols of a column equal, or it added a row. */
    public sealed interface Step {
        /** The dependency that was used. */
        Dependency because();

        /** In a column one symbol became another, because two rows agree in the determinant. */
        record Equated(Dependency because, int firstRow, int secondRow, int column, int was, int becomes)
                implements Step { }

        /** A row was added. */
        record Added(Dependency because, int firstRow, int secondRow, int row) implements Step { }
    }

    /** Chases the tableau of a decomposition. */
    public static Chase of(Relation relation, List<AttributeSet> parts) {
        int width = relation.attributes().size();
        List<int[]> rows = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            int[] row = new int[width];
            for (int column = 0; column < width; column++) {
                row[column] = parts.get(i).contains(column) ? 0 : i + 1;
            }
            rows.add(row);
        }
        List<int[]> start = rows.stream().map(int[]::clone).toList();
        List<Step> steps = new ArrayList<>();
        while (!sought(rows) && (equated(relation.functional(), rows, steps) || added(relation, rows, steps))) {
            // goes on until the sought row is there or nothing more follows
        }
        return new Chase(relation, parts, start, steps, rows.stream().map(int[]::clone).toList());
    }

    /** Whether the sought row was found: the parts lose nothing and add nothing when they are joined. */
    public boolean lossless() {
        return sought(end);
    }

    private static boolean sought(List<int[]> rows) {
        return rows.stream().anyMatch(row -> java.util.Arrays.stream(row).allMatch(symbol -> symbol == 0));
    }

    private static boolean equated(List<Functional> dependencies, List<int[]> rows, List<Step> steps) {
        boolean any = false;
        for (Functional dependency : dependencies) {
            int[] determinant = dependency.determinant().places();
            int[] dependent = dependency.dependent().places();
            for (int i = 0; i < rows.size(); i++) {
                for (int j = i + 1; j < rows.size(); j++) {
                    if (!agree(rows.get(i), rows.get(j), determinant)) {
                        continue;
                    }
                    for (int column : dependent) {
                        int first = rows.get(i)[column];
                        int second = rows.get(j)[column];
                        if (first != second) {
                            int becomes = Math.min(first, second);
                            int was = Math.max(first, second);
                            rows.forEach(row -> row[column] = row[column] == was ? becomes : row[column]);
                            steps.add(new Step.Equated(dependency, i, j, column, was, becomes));
                            any = true;
                        }
                    }
                }
            }
        }
        return any;
    }

    private static boolean added(Relation relation, List<int[]> rows, List<Step> steps) {
        Set<List<Integer>> there = new HashSet<>();
        rows.forEach(row -> there.add(listed(row)));
        for (Multivalued dependency : relation.multivalued()) {
            int[] determinant = dependency.determinant().places();
            for (int i = 0; i < rows.size(); i++) {
                for (int j = 0; j < rows.size(); j++) {
                    if (i == j || !agree(rows.get(i), rows.get(j), determinant) || rows.size() >= MAX_ROWS) {
                        continue;
                    }
                    int[] row = rows.get(j).clone();
                    for (int column : dependency.dependent().places()) {
                        row[column] = rows.get(i)[column];
                    }
                    if (there.add(listed(row))) {
                        rows.add(row);
                        steps.add(new Step.Added(dependency, i, j, rows.size() - 1));
                        return true;
                    }
                }
            }
        }
        return false;
    }

    private static List<Integer> listed(int[] row) {
        return java.util.Arrays.stream(row).boxed().toList();
    }

    private static boolean agree(int[] first, int[] second, int[] columns) {
        for (int column : columns) {
            if (first[column] != second[column]) {
                return false;
            }
        }
        return true;
    }
}
