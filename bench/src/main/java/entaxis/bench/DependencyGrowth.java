package entaxis.bench;

import entaxis.core.dependency.AttributeSet;
import entaxis.core.dependency.CandidateKeys;
import entaxis.core.dependency.Closure;
import entaxis.core.dependency.Dependency.Functional;
import entaxis.core.dependency.Discovery;
import entaxis.core.dependency.MinimalCover;
import entaxis.core.dependency.Rows;
import entaxis.core.dependency.Verdict;
import entaxis.core.dependency.Relation;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.stream.IntStream;

/**
 * How the algorithms of dependency theory grow with their input: the median of several runs after warming up, as a
 * table.
 */
public final class DependencyGrowth {
    private static final int RUNS = 7;

    private DependencyGrowth() { }

    public static void main(String[] arguments) {
        System.out.println("| what | input | median |\n|---|---|---|");
        for (int count : new int[] {1000, 2500, 5000, 10_000}) {
            List<Functional> dependencies = dependencies(200, count, 3);
            Closure closure = new Closure(200, dependencies);
            row("closure", count + " dependencies, 200 attributes", 200, () -> closure.of(AttributeSet.of(0, 1, 2)));
            row("closure, with its preparation", count + " dependencies, 200 attributes", 50,
                    () -> new Closure(200, dependencies).of(AttributeSet.of(0, 1, 2)));
        }
        for (int count : new int[] {125, 250, 500, 1000}) {
            List<Functional> dependencies = dependencies(100, count, 3);
            row("minimal cover", count + " dependencies, 100 attributes", 10, () -> MinimalCover.of(100, dependencies));
        }
        for (int pairs : new int[] {6, 8, 10, 12}) {
            List<Functional> family = pairs(pairs);
            keys("all keys, pairs that decide each other", 2 * pairs, family, 1 << pairs);
        }
        List<Functional> halves = new ArrayList<>();
        for (long bits = 0; bits < 1 << 12; bits++) {
            if (Long.bitCount(bits) == 6) {
                halves.add(new Functional(AttributeSet.ofBits(bits), AttributeSet.first(12)));
            }
        }
        keys("all keys, every half is one", 12, halves, 1000);
        keys("the first thousand, pairs that decide each other", 24, pairs(12), 1000);
        Relation thirty = new Relation("R", IntStream.range(0, 30).mapToObj(i -> "a" + i).toList(),
                dependencies(30, 20, 2), List.of());
        row("verdict", "20 dependencies, 30 attributes", 5, () -> Verdict.of(thirty));
        for (int[] size : new int[][] {{1000, 15}, {10_000, 10}, {10_000, 15}, {50_000, 12}, {100_000, 12}}) {
            Rows rows = rows(size[0], size[1]);
            row("discovery",
                    size[0] + " rows, " + size[1] + " columns, "
                            + Discovery.of(rows, Discovery.Watch.NONE).dependencies().size() + " found",
                    1,
                    () -> Discovery.of(rows, Discovery.Watch.NONE));
        }
    }

    private static void keys(String what, int attributes, List<Functional> family, int most) {
        int found = CandidateKeys.of(attributes, family, most).keys().size();
        double time = median(1, () -> CandidateKeys.of(attributes, family, most));
        System.out.printf(Locale.ROOT, "| %s | %d attributes, %d keys | %.1f ms, %.1f µs a key |%n", what, attributes,
                found, time, time * 1000 / found);
    }

    private static void row(String what, String input, int times, Runnable work) {
        System.out.printf(Locale.ROOT, "| %s | %s | %.3f ms |%n", what, input, median(times, work));
    }

    private static double median(int times, Runnable work) {
        double[] taken = new double[RUNS];
        for (int run = -3; run < RUNS; run++) {
            long start = System.nanoTime();
            for (int i = 0; i < times; i++) {
                work.run();
            }
            if (run >= 0) {
                taken[run] = (System.nanoTime() - start) / 1e6 / times;
            }
        }
        Arrays.sort(taken);
        return taken[RUNS / 2];
    }

    private static List<Functional> pairs(int pairs) {
        return IntStream.range(0, 2 * pairs).mapToObj(i -> new Functional(AttributeSet.of(i), AttributeSet.of(i ^ 1)))
                .toList();
    }

    private static List<Functional> dependencies(int attributes, int count, int most) {
        Random random = new Random(11);
        List<Functional> dependencies = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            dependencies
                    .add(new Functional(AttributeSet.of(random.ints(1 + random.nextInt(most), 0, attributes).toArray()),
                            AttributeSet.of(random.nextInt(attributes))));
        }
        return dependencies;
    }

    /**
     * Rows as lists of measurements have them: some columns with few values, some with many, some that follow from
     * others.
     */
    private static Rows rows(int count, int columns) {
        Random random = new Random(3);
        List<List<String>> rows = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            List<String> row = new ArrayList<>();
            for (int column = 0; column < columns; column++) {
                row.add(column % 5 == 4 ? String.valueOf((row.get(column - 1) + row.get(column - 2)).hashCode() % 97)
                        : String.valueOf(random.nextInt(column % 3 == 0 ? 8 : column % 3 == 1 ? 40 : 300)));
            }
            rows.add(row);
        }
        return Rows.of(IntStream.range(0, columns).mapToObj(i -> "c" + i).toList(), rows);
    }
}
