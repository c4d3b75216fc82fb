package entaxis.core.sql;

/**
 * What an engine does not take as it is.
 *
 * @param kind    what becomes of it
 * @param table   the table that it belongs to; empty for what belongs to the whole schema
 * @param element the column, constraint or other element; empty for the table itself
 * @param words   what happens, in words that can follow the name
 */
public record AdaptationNote(Kind kind, String table, String element, String words) {

    /** What becomes of it. */
    public enum Kind {
        /** Something else does the same. */
        WORKED_AROUND("done another way"),
        /** Part of it is not kept. */
        LOST("lost"),
        /** It is kept, within limits of the engine. */
        LIMITED("limit"),
        /** It stands in quotes. */
        QUOTED("quoted"),
        /** Two elements have one name here. */
        CLASH("clash of names");

        private final String title;

        Kind(String title) {
            this.title = title;
        }

        /** What it is called. */
        public String title() {
            return title;
        }
    }

    /** Where it is so: the table and the element in it; empty where it is about neither. */
    public String place() {
        return table.isEmpty() ? element : element.isEmpty() ? table : table + "." + element;
    }

    /** The whole as one sentence. */
    public String sentence() {
        return (place().isEmpty() ? "" : place() + ": ") + words;
    }
}
