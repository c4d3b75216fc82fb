package entaxis.core.syntax;

/** Comments of MySQL that its server runs: {@code /*!50003 ... *}{@code /} (MySQL manual, “Comments”). */
final class VersionComments {
    private VersionComments() { }

    /**
     * Appends what stands between two tokens, without the marks of such comments; plain comments stay, and so does one
     * for a server that is not this one: nothing of it was cut into tokens, so that it ends here too. Linear.
     *
     * @param from where it begins in the text
     * @param to   where it ends
     */
    static void append(StringBuilder plain, String text, int from, int to) {
        int at = from;
        while (at < to) {
            int mark = text.startsWith("/*!", at) ? 3 : text.startsWith("/*M!", at) ? 4 : 0;
            int inside = at + mark;
            while (mark > 0 && inside < to && Character.isDigit(text.charAt(inside))) {
                inside++;
            }
            if (mark > 0 && !closes(text, inside, to)) {
                at = inside;
            } else if (text.startsWith("*/", at)) {
                at += 2;
            } else {
                int end = comment(text, at, to);
                plain.append(text, at, end);
                at = end;
            }
        }
    }

    /** Whether a comment that has something in it ends before the next token. */
    private static boolean closes(String text, int from, int to) {
        int end = text.indexOf("*/", from);
        return end >= 0 && end < to && !text.substring(from, end).isBlank();
    }

    /** Where the plain comment ends that begins at a place, or the sign there. */
    private static int comment(String text, int at, int to) {
        boolean block = text.startsWith("/*", at);
        if (!block && !text.startsWith("--", at) && text.charAt(at) != '#') {
            return at + 1;
        }
        int end = text.indexOf(block ? "*/" : "\n", at + 1);
        return Math.min(end < 0 ? to : end + (block ? 2 : 1), to);
    }
}
