package entaxis.core.reading;

/**
 * Finds the line and column of a place in a text. Places are asked for in rising order mostly, so each line is counted
 * once.
 */
final class Lines {
    private final String text;
    private int at;
    private int line = 1;
    private int lineStart;

    Lines(String text) {
        this.text = text;
    }

    /** Goes to a place. */
    private void to(int offset) {
        if (offset < at) {
            at = 0;
            line = 1;
            lineStart = 0;
        }
        while (at < offset && at < text.length()) {
            if (text.charAt(at++) == '\n') {
                line++;
                lineStart = at;
            }
        }
    }

    /** The line of a place, counted from 1. */
    int line(int offset) {
        if (offset < at && offset >= lineStart) {
            return line;
        }
        to(offset);
        return line;
    }

    /** The sign in its line, counted from 1. */
    int column(int offset) {
        line(offset);
        return offset - lineStart + 1;
    }
}
