package entaxis.core.reading;

import java.util.Arrays;
import java.util.Optional;

/** The columns that a script defined last, by the signs of their definitions with the name: columns of one name mostly say the same in all tables. */
final class ColumnsRead {
    private static final int PLACES = 1 << 10;

    /** A column, and where its definition stands. */
    private record Defined(int from, int length, Meaning.OfNamed column) { }

    private final String text;
    private final Defined[] last = new Defined[PLACES];

    ColumnsRead(String text) {
        this.text = text;
    }

    /** The column that is defined from a place on, if it was defined with the same signs before; the sum is that of its name. */
    Optional<Meaning.OfNamed> at(int from, int sum) {
        Defined before = last[place(sum)];
        if (before == null) {
            return Optional.empty();
        }
        int behind = from + before.length;
        boolean same = behind < text.length() && (text.charAt(behind) == ',' || text.charAt(behind) == ')') && text.regionMatches(from, text, before.from, before.length);
        return same ? Optional.of(before.column) : Optional.empty();
    }

    /** How many signs the definition has that a sum leads to. */
    int length(int sum) {
        return last[place(sum)].length;
    }

    void keep(int from, int behind, int sum, Meaning.OfNamed column) {
        last[place(sum)] = new Defined(from, behind - from, column);
    }

    void forget() {
        Arrays.fill(last, null);
    }

    private static int place(int sum) {
        return sum * 0x9E3779B1 >>> 16 & PLACES - 1;
    }
}
