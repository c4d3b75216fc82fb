package entaxis.core.design;



/**
 * What a sheet shows of the entities on it.
 *
 * @param comments   whether meanings stand below the names
 * @param frame      whether the edges of its paper are drawn
 * @param titleBlock whether title, author and paper stand in a corner of the paper
 */
public record SheetView(Notation notation, Detail detail, Types types, boolean comments, boolean indexes, boolean frame,
        boolean titleBlock) {
    /** Crow's feet, all attributes, no paper. */
    public static final SheetView DEFAULT =
            new SheetView(Notation.CROWS_FOOT, Detail.ALL, Types.IN_TABLES, false, false, false, true);

    /** How much of each entity. */
    public enum Detail {
        NAMES("names only"), KEYS("keys"), ALL("all attributes");

        private final String words;

        Detail(String words) {
            this.words = words;
        }

        /** In plain words. */
        public String words() {
            return words;
        }
    }

    /** Where data types are shown. */
    public enum Types {
        NEVER("never"), IN_TABLES("in the tables lens"), ALWAYS("always");

        private final String words;

        Types(String words) {
            this.words = words;
        }

        /** In plain words. */
        public String words() {
            return words;
        }
    }

    public SheetView with(Notation other) {
        return new SheetView(other, detail, types, comments, indexes, frame, titleBlock);
    }

    public SheetView with(Detail other) {
        return new SheetView(notation, other, types, comments, indexes, frame, titleBlock);
    }

    public SheetView with(Types other) {
        return new SheetView(notation, detail, other, comments, indexes, frame, titleBlock);
    }

    public SheetView withComments(boolean shown) {
        return new SheetView(notation, detail, types, shown, indexes, frame, titleBlock);
    }

    public SheetView withIndexes(boolean shown) {
        return new SheetView(notation, detail, types, comments, shown, frame, titleBlock);
    }

    public SheetView withFrame(boolean shown) {
        return new SheetView(notation, detail, types, comments, indexes, shown, titleBlock);
    }

    public SheetView withTitleBlock(boolean shown) {
        return new SheetView(notation, detail, types, comments, indexes, frame, shown);
    }
}
