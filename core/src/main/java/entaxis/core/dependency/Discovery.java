package entaxis.core.dependency;

import entaxis.core.dependency.Dependency.Functional;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * The smallest dependencies and keys that rows satisfy. Sets of columns are looked at by size; partitions of the rows
 * tell what holds, and what is known to hold is not looked at again. Y. Huhtala, J. Kärkkäinen, P. Porkka and H.
 * Toivonen, “TANE: An Efficient Algorithm for Discovering Functional and Approximate Dependencies”, The Computer
 * Journal 42(2), 1999. Linear in the rows, exponential in the columns at worst.
 *
 * @param dependencies with as few determinants as possible and one dependent each
 * @param keys         sets of columns in which no two rows agree, without anything to spare
 * @param complete     whether it was not stopped before the end
 */
public record Discovery(List<Functional> dependencies, List<AttributeSet> keys, boolean complete) {
    /** Copies the lists. */
    public Discovery {
        dependencies = dependencies.stream().sorted((a, b) -> {
            int byDeterminant = a.determinant().compareTo(b.determinant());
            return byDeterminant != 0 ? byDeterminant : a.dependent().compareTo(b.dependent());
        }).toList();
        keys = keys.stream().sorted().toList();
    }

    /** Told how far the work is; says whether it should go on. */
    public interface Watch {
        /** Goes on to the end. */
        Watch NONE = (size, done, all) -> true;

        /**
         * Whether to go on.
         *
         * @param size how many columns the sets have that are looked at now
         * @param done how many of them are done
         * @param all  how many of them there are
         */
        boolean goOn(int size, int done, int all);
    }

    private record Node(Partition partition, long candidates) { }

    private static final class Run {
        private final Rows rows;
        private final Watch watch;
        private final int columns;
        private final Partition.Table table;
        private final int most;
        private final long[][] determinantsOf;
        private final int[] counts;
        private final List<Functional> found = new ArrayList<>();
        private final List<AttributeSet> keys = new ArrayList<>();

        Run(Rows rows, int most, Watch watch) {
            this.most = most;
            this.determinantsOf = new long[rows.columns().size()][16];
            this.counts = new int[rows.columns().size()];
            this.rows = rows;
            this.watch = watch;
            this.columns = rows.columns().size();
            this.table = new Partition.Table(Math.max(1, rows.size()));
        }

        Discovery run() {
            long all = columns == 0 ? 0 : -1L >>> 64 - columns;
            Map<Long, Node> before = new LinkedHashMap<>();
            before.put(0L, new Node(Partition.whole(rows.size()), all));
            if (before.get(0L).partition().key()) {
                for (int column = 0; column < columns; column++) {
                    found(0L, column);
                }
                return new Discovery(found, List.of(AttributeSet.none()), true);
            }
            Map<Long, Partition> single = new HashMap<>();
            for (int column = 0; column < columns; column++) {
                single.put(1L << column, Partition.of(rows.codes()[column]));
            }
            for (int size = 1; size <= Math.min(columns, most + 1) && !before.isEmpty(); size++) {
                List<Long> sets = size == 1 ? single.keySet().stream().sorted().toList() : next(before, size);
                Map<Long, Node> level = new LinkedHashMap<>();
                int done = 0;
                for (long set : sets) {
                    if (!watch.goOn(size, done++, sets.size())) {
                        return new Discovery(found, keys, false);
                    }
                    level.put(set, node(set, before, single, all));
                }
                before = pruned(level);
            }
            return new Discovery(found, keys, true);
        }

        private Node node(long set, Map<Long, Node> before, Map<Long, Partition> single, long all) {
            long candidates = all;
            long smallest = 0;
            for (long rest = set; rest != 0; rest &= rest - 1) {
                long without = set & ~Long.lowestOneBit(rest);
                candidates &= before.get(without).candidates();
                smallest = smallest == 0
                        || before.get(without).partition().error() < before.get(smallest).partition().error() ? without
                                : smallest;
            }
            Partition partition = Long.bitCount(set) == 1 ? single.get(set)
                    : before.get(smallest).partition().product(single.get(set & ~smallest), table);
            for (long rest = set & candidates; rest != 0; rest &= rest - 1) {
                long column = Long.lowestOneBit(rest);
                if (before.get(set & ~column).partition().error() == partition.error()) {
                    found(set & ~column, Long.numberOfTrailingZeros(column));
                    candidates &= ~column;
                    candidates &= set;
                }
            }
            return new Node(partition, candidates);
        }

        private void found(long determinant, int dependent) {
            if (counts[dependent] == determinantsOf[dependent].length) {
                determinantsOf[dependent] = Arrays.copyOf(determinantsOf[dependent], 2 * counts[dependent]);
            }
            determinantsOf[dependent][counts[dependent]++] = determinant;
            found.add(new Functional(AttributeSet.ofBits(determinant), AttributeSet.of(dependent)));
        }

        private boolean smallerKnown(long set, int column) {
            for (int i = 0; i < counts[column]; i++) {
                if ((determinantsOf[column][i] & ~set) == 0) {
                    return true;
                }
            }
            return false;
        }

        /** What need not be built upon: keys, and sets about which nothing is open. */
        private Map<Long, Node> pruned(Map<Long, Node> level) {
            Map<Long, Node> kept = new LinkedHashMap<>();
            level.forEach((set, node) -> {
                if (!node.partition().key()) {
                    if (node.candidates() != 0) {
                        kept.put(set, node);
                    }
                    return;
                }
                keys.add(AttributeSet.ofBits(set));
                for (long rest = (columns == 0 ? 0 : -1L >>> 64 - columns) & ~set; rest != 0; rest &= rest - 1) {
                    int column = Long.numberOfTrailingZeros(rest);
                    if (Long.bitCount(set) <= most && !smallerKnown(set, column)) {
                        found(set, column);
                    }
                }
            });
            return kept;
        }

        /** Sets of one column more of which every subset is still open. */
        private static List<Long> next(Map<Long, Node> before, int size) {
            Map<Long, List<Long>> byPrefix = new LinkedHashMap<>();
            before.keySet().forEach(
                    set -> byPrefix.computeIfAbsent(set & ~Long.highestOneBit(set), any -> new ArrayList<>()).add(set));
            List<Long> next = new ArrayList<>();
            for (List<Long> same : byPrefix.values()) {
                for (int i = 0; i < same.size(); i++) {
                    for (int j = i + 1; j < same.size(); j++) {
                        long set = same.get(i) | same.get(j);
                        if (Long.bitCount(set) == size && whole(set, before)) {
                            next.add(set);
                        }
                    }
                }
            }
            return next;
        }

        private static boolean whole(long set, Map<Long, Node> before) {
            for (long rest = set; rest != 0; rest &= rest - 1) {
                if (!before.containsKey(set & ~Long.lowestOneBit(rest))) {
                    return false;
                }
            }
            return true;
        }
    }

    /** Looks through rows of at most {@link Rows#MAX_COLUMNS} columns. */
    public static Discovery of(Rows rows, Watch watch) {
        return of(rows, Rows.MAX_COLUMNS, watch);
    }

    /** Looks for dependencies of at most so many determinants, and the keys that are seen on the way. */
    public static Discovery of(Rows rows, int most, Watch watch) {
        if (rows.columns().size() > Rows.MAX_COLUMNS) {
            throw new IllegalArgumentException(
                    "more than " + Rows.MAX_COLUMNS + " columns cannot be looked through; leave some out");
        }
        return new Run(rows, most, watch).run();
    }
}
