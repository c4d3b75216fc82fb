package entaxis.engines.catalog;

/** Round brackets of an expression. */
public final class Brackets {
    private Brackets() { }

    /**
     * Whether the bracket that opens a text is closed by its last sign; brackets inside texts and quoted names do not
     * count. Linear.
     */
    public static boolean around(String text) {
        int depth = 0;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c == '\'' || c == '"' || c == '[') {
                i = text.indexOf(c == '[' ? ']' : c, i + 1);
                if (i < 0) {
                    return false;
                }
            } else if (c == '(') {
                depth++;
            } else if (c == ')' && --depth == 0) {
                return i == text.length() - 1;
            }
        }
        return false;
    }
}
