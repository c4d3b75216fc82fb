package entaxis.core.design;



/** The paper that a sheet is meant for. */
public record Paper(Size size, boolean landscape) {

    /** Sizes of ISO 216 and of ANSI/ASME Y14.1 and trade (letter, legal), in millimetres upright. */
    public enum Size {
        A4("A4", 210, 297), A3("A3", 297, 420), A2("A2", 420, 594), A1("A1", 594, 841), A0("A0", 841, 1189),
        LETTER("Letter", 215.9, 279.4), LEGAL("Legal", 215.9, 355.6);

        private final String words;
        private final double width;
        private final double height;

        Size(String words, double width, double height) {
            this.words = words;
            this.width = width;
            this.height = height;
        }

        /** As people call it. */
        public String words() {
            return words;
        }
    }

    /** What a new design gets; models run left to right. */
    public static final Paper DEFAULT = new Paper(Size.A4, true);

    /** Width in millimetres as it lies. */
    public double width() {
        return landscape ? size.height : size.width;
    }

    /** Height in millimetres as it lies. */
    public double height() {
        return landscape ? size.width : size.height;
    }

    /** In words, such as “landscape A4”. */
    public String text() {
        return (landscape ? "landscape " : "upright ") + size.words;
    }
}
