package entaxis.core.reading;

import java.util.Arrays;
import java.util.Optional;

/**
 * The columns that a script defined last, by the signs of their definitions with the name: columns of one name mostly say the same in all tables, and mostly the same one follows.
 * What is found is compared sign by sign, so a wrong guess costs time only.
 */
final class ColumnsRead {
    private static final int PLACES = 1 << 10;
    private static final int WIDEST = 40;

    /** A column, and where its definition stands. */
    static final class Defined {
        private final int gap;
        private final int from;
        private final int length;
        private final Meaning.OfNamed column;
        private Optional<Defined> next = Optional.empty();

        private Defined(int gap, int from, int length, Meaning.OfNamed column) {
            this.gap = gap;
            this.from = from;
            this.length = length;
            this.column = column;
        }

        /** How much white space stood before it. */
        int gap() {
            return gap;
        }

        int length() {
            return length;
        }

        Meaning.OfNamed column() {
            return column;
        }
    }

    private final String text;
    private final Defined[] last = new Defined[PLACES];
    private Optional<Defined> before = Optional.empty();

    ColumnsRead(String text) {
        this.text = text;
    }

    /** Begins a table. */
    void begin() {
        before = Optional.empty();
    }

    /** What is defined from a place on, if it is what followed last time, with the same white space before it. */
    Optional<Defined> next(int from) {
        if (before.isPresent() && before.get().next.isPresent() && stands(before.get().next.get(), before.get().next.get().gap, from)) {
            before = before.get().next;
            return before;
        }
        return Optional.empty();
    }

    /** What is defined from a place on, if it was defined with the same signs before; the sum is that of its name. */
    Optional<Defined> at(int from, int sum) {
        Defined guess = last[place(sum)];
        if (guess == null || !stands(guess, 0, from)) {
            return Optional.empty();
        }
        return Optional.of(follows(guess));
    }

    private boolean stands(Defined guess, int gap, int from) {
        int length = gap + guess.length;
        int behind = from + length;
        return behind < text.length() && (text.charAt(behind) == ',' || text.charAt(behind) == ')') && text.regionMatches(from, text, guess.from - gap, length);
    }

    private Defined follows(Defined now) {
        Optional<Defined> found = Optional.of(now);
        before.ifPresent(earlier -> earlier.next = found);
        before = found;
        return now;
    }

    void keep(int from, int behind, int sum, Meaning.OfNamed column) {
        int gap = 0;
        while (gap < from && gap < WIDEST && text.charAt(from - gap - 1) <= ' ') {
            gap++;
        }
        last[place(sum)] = follows(new Defined(gap, from, behind - from, column));
    }

    void forget() {
        Arrays.fill(last, null);
        begin();
    }

    private static int place(int sum) {
        return sum * 0x9E3779B1 >>> 16 & PLACES - 1;
    }
}
