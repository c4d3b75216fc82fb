package entaxis.core.dependency;

import java.util.Arrays;

/**
 * Rows in classes that agree in some columns; classes of one row are left out. Y. Huhtala et al., “TANE”, The Computer
 * Journal 42(2), 1999, section 5: the product of two takes time linear in their rows.
 */
final class Partition {
    private final int[] rows;
    private final int[] ends;
    private final int classes;

    private Partition(int[] rows, int[] ends, int classes) {
        this.rows = rows;
        this.ends = ends;
        this.classes = classes;
    }

    /** All rows in one class. */
    static Partition whole(int size) {
        int[] rows = new int[size];
        Arrays.setAll(rows, row -> row);
        return size < 2 ? new Partition(new int[0], new int[0], 0) : new Partition(rows, new int[] {size}, 1);
    }

    /** The classes of one column. */
    static Partition of(int[] codes) {
        int highest = Arrays.stream(codes).max().orElse(-1) + 1;
        int[] counts = new int[highest];
        for (int code : codes) {
            counts[code]++;
        }
        int kept = 0;
        int classes = 0;
        int[] starts = new int[highest];
        for (int code = 0; code < highest; code++) {
            starts[code] = counts[code] > 1 ? kept : -1;
            kept += counts[code] > 1 ? counts[code] : 0;
            classes += counts[code] > 1 ? 1 : 0;
        }
        int[] rows = new int[kept];
        int[] ends = new int[classes];
        int next = 0;
        for (int code = 0; code < highest; code++) {
            if (counts[code] > 1) {
                ends[next++] = starts[code] + counts[code];
            }
        }
        for (int row = 0; row < codes.length; row++) {
            if (starts[codes[row]] >= 0) {
                rows[starts[codes[row]]++] = row;
            }
        }
        return new Partition(rows, ends, classes);
    }

    /** How many rows would have to go so that no two agree. */
    int error() {
        return rows.length - classes;
    }

    /** Whether no two rows agree. */
    boolean key() {
        return classes == 0;
    }

    /** Working memory for products, used again and again. */
    static final class Table {
        private final int[] classOf;
        private final int[] counts;
        private final int[] touched;

        Table(int size) {
            classOf = new int[size];
            counts = new int[size + 1];
            touched = new int[size + 1];
        }
    }

    /** The rows in classes that agree in the columns of both. */
    Partition product(Partition other, Table table) {
        int start = 0;
        for (int c = 0; c < classes; c++) {
            for (int i = start; i < ends[c]; i++) {
                table.classOf[rows[i]] = c + 1;
            }
            start = ends[c];
        }
        int[] newRows = new int[Math.min(rows.length, other.rows.length)];
        int[] newEnds = new int[newRows.length / 2];
        int filled = 0;
        int made = 0;
        start = 0;
        for (int c = 0; c < other.classes; c++) {
            int end = other.ends[c];
            int kinds = 0;
            for (int i = start; i < end; i++) {
                int mine = table.classOf[other.rows[i]];
                if (mine != 0 && table.counts[mine]++ == 0) {
                    table.touched[kinds++] = mine;
                }
            }
            int at = filled;
            for (int k = 0; k < kinds; k++) {
                int mine = table.touched[k];
                if (table.counts[mine] > 1) {
                    int size = table.counts[mine];
                    table.counts[mine] = at;
                    at += size;
                    newEnds[made++] = at;
                } else {
                    table.counts[mine] = -1;
                }
            }
            for (int i = start; i < end; i++) {
                int mine = table.classOf[other.rows[i]];
                if (mine != 0 && table.counts[mine] >= 0) {
                    newRows[table.counts[mine]++] = other.rows[i];
                }
            }
            for (int k = 0; k < kinds; k++) {
                table.counts[table.touched[k]] = 0;
            }
            filled = at;
            start = end;
        }
        for (int row : rows) {
            table.classOf[row] = 0;
        }
        return new Partition(filled == newRows.length ? newRows : Arrays.copyOf(newRows, filled),
                Arrays.copyOf(newEnds, made), made);
    }
}
