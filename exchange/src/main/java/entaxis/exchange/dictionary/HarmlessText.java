package entaxis.exchange.dictionary;

/**
 * Texts that a spreadsheet would take for formulas. In a CSV file nothing tells text from formula but its first
 * character, so such a text gets an apostrophe in front, which spreadsheets take for “this is text”; it goes when the
 * text comes back (common practice).
 */
final class HarmlessText {
    private static final String BEGINS_FORMULA = "=+-@\t\r";

    private HarmlessText() { }

    static String out(String text) {
        return !text.isEmpty() && (BEGINS_FORMULA.indexOf(text.charAt(0)) >= 0 || text.charAt(0) == '\'') ? "'" + text
                : text;
    }

    static String in(String text) {
        return text.length() > 1 && text.charAt(0) == '\''
                && (BEGINS_FORMULA.indexOf(text.charAt(1)) >= 0 || text.charAt(1) == '\'') ? text.substring(1) : text;
    }
}
