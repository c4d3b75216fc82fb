package entaxis.core.design;

/** The paper that a sheet is meant for. */
public record Paper(Size size, boolean landscape) {

    /** Sizes of ISO 216, in millimetres upright. */
    public enum Size {
        A4(210, 297), A3(297, 420), A2(420, 594), A1(594, 841), A0(841, 1189);

        private final int width;
        private final int height;

        Size(int width, int height) {
            this.width = width;
            this.height = height;
        }
    }

    /** What a new design gets; models run left to right. */
    public static final Paper USUAL = new Paper(Size.A4, true);

    /** Width in millimetres as it lies. */
    public int width() {
        return landscape ? size.height : size.width;
    }

    /** Height in millimetres as it lies. */
    public int height() {
        return landscape ? size.width : size.height;
    }

    /** In words, such as “landscape A4”. */
    public String text() {
        return (landscape ? "landscape " : "upright ") + size;
    }
}
