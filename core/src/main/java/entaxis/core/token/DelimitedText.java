package entaxis.core.token;

/** Where texts and comments end that begin with a sign of their own; less than 0 where they do not. Linear. */
public final class DelimitedText {
    private DelimitedText() { }

    /** Behind a comment in slashes and stars; comments within it count where they may be nested. */
    public static int commentEnd(String text, int from, boolean nested) {
        int depth = 1;
        int at = from + 2;
        while (at < text.length() && depth > 0) {
            char inside = text.charAt(at++);
            if (inside == '*' && at < text.length() && text.charAt(at) == '/') {
                depth--;
                at++;
            } else if (nested && inside == '/' && at < text.length() && text.charAt(at) == '*') {
                depth++;
                at++;
            }
        }
        return depth > 0 ? -1 : at;
    }

    /** Behind a text in quotes of its own choice, whose quote stands at a place, such as {@code q'[...]'}. */
    static int chosenQuoteEnd(String text, int quote) {
        char open = quote + 1 < text.length() ? text.charAt(quote + 1) : 0;
        char close = switch (open) {
            case '[' -> ']';
            case '(' -> ')';
            case '{' -> '}';
            case '<' -> '>';
            default -> open;
        };
        int at = quote + 2;
        while (at + 1 < text.length() && !(text.charAt(at) == close && text.charAt(at + 1) == '\'')) {
            at++;
        }
        return at + 1 < text.length() ? at + 2 : -1;
    }

    /** Behind a text between two equal tags in dollar signs, the first of which ends at a place. */
    static int tagEnd(String text, int from, int firstEnd) {
        int length = firstEnd + 1 - from;
        for (int at = firstEnd + 1; at + length <= text.length(); at++) {
            if (text.charAt(at) == '$' && text.regionMatches(from, text, at, length)) {
                return at + length;
            }
        }
        return -1;
    }
}
