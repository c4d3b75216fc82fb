package entaxis.core.reading;

import java.util.Optional;

/**
 * A statement with its names left out: the signs between them, and what it does. Where the same signs stand again around other names, the same is done to what those name, and
 * nothing needs to be cut up and read.
 */
final class StatementForm {
    private final int[] starts;
    private final int[] lengths;
    /** What opens each name; 0 where it stands without quotes. */
    private final char[] quotes;
    private final Optional<Deed> deed;

    /**
     * A form that is met for the first time.
     *
     * @param names the names in order: where each begins, and where it ends
     * @param from  where the statement begins, and {@code to} where it ends, behind its semicolon
     */
    StatementForm(String text, int from, int to, int[][] names, Deed deed) {
        this.starts = new int[names.length + 1];
        this.lengths = new int[names.length + 1];
        this.quotes = new char[names.length];
        this.deed = Optional.of(deed);
        starts[0] = from;
        for (int i = 0; i < names.length; i++) {
            char first = text.charAt(names[i][0]);
            quotes[i] = letter(first) ? 0 : first;
            lengths[i] = names[i][0] - starts[i];
            starts[i + 1] = names[i][1];
        }
        lengths[names.length] = to - starts[names.length];
    }

    /** Where it was met first. */
    int from() {
        return starts[0];
    }

    /**
     * Cuts a statement of this form into its names. Looks at each sign a few times at most.
     *
     * @return where it ends, or a negative number if none of this form stands there; the statement is empty then
     */
    int cut(String text, int from, CutStatement into) {
        int at = from;
        for (int i = 0; i < quotes.length; i++) {
            if (!text.regionMatches(at, text, starts[i], lengths[i])) {
                into.drop();
                return -1;
            }
            at += lengths[i];
            int end = quotes[i] == 0 ? word(text, at, into) : quoted(text, at, quotes[i], into);
            if (end == at) {
                into.drop();
                return -1;
            }
            at = end;
        }
        if (!text.regionMatches(at, text, starts[quotes.length], lengths[quotes.length])) {
            into.drop();
            return -1;
        }
        into.deed = deed;
        return at + lengths[quotes.length];
    }

    private static boolean letter(char c) {
        return c >= 'a' && c <= 'z' || c == '_' || c >= 'A' && c <= 'Z';
    }

    /** Takes a name without quotes that is no word of SQL; gives where it ends, which is where it begins if there is none. */
    private static int word(String text, int from, CutStatement into) {
        int sum = 0;
        int capital = 0;
        boolean digits = false;
        int i = from;
        while (i < text.length()) {
            char c = text.charAt(i);
            boolean digit = c >= '0' && c <= '9' && i > from;
            if (!letter(c) && !digit) {
                break;
            }
            digits |= digit;
            capital |= c >= 'A' && c <= 'Z' ? 1 : 0;
            sum = Word.added(sum, c);
            i++;
        }
        if (i == from || !digits && Word.at(text, from, i, sum) != Word.NONE) {
            return from;
        }
        into.addWord(Word.NONE, from, i, sum << 1 | capital);
        return i;
    }

    private static int quoted(String text, int from, char quote, CutStatement into) {
        int close = from < text.length() && text.charAt(from) == quote ? text.indexOf(quote == '[' ? ']' : quote, from + 1) : -1;
        if (close <= from + 1) {
            return from;
        }
        into.add(CutStatement.NAME, Word.NONE, from, close + 1);
        return close + 1;
    }
}
