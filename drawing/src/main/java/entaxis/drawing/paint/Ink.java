package entaxis.drawing.paint;

import entaxis.core.design.Area;
import java.util.List;
import java.util.OptionalInt;

/** The colours of a drawing. */
public final class Ink {
    /** The ground of a sheet. */
    public static final String PAPER = "#FBF9F4";
    /** The ground of a note. */
    public static final String NOTE = "#FFF9E3";
    /** The ground of a card. */
    public static final String CARD = "#FFFEFB";
    /** Text and the edges of cards. */
    public static final String INK = "#20242B";
    /** Secondary text. */
    public static final String SECOND = "#59606B";
    /** Hairlines. */
    public static final String RULE = "#D6CFBF";
    /** What is to be careful about. */
    public static final String FAULT = "#A32D43";
    /** What is to be looked at. */
    public static final String CAUTION = "#8A5A00";

    /** Muted, told apart by colour-blind readers too by lightness, and each 4.5:1 or better under white numerals. */
    private static final List<String> HUES =
            List.of("#5B7726", "#3B6C99", "#9C5722", "#6D5896", "#2C7571", "#7E6516", "#8F3F5A", "#5E5A50");
    private static final String NO_HUE = "#77726A";

    private Ink() { }

    /** The colour of a subject area, by its number. */
    public static String hue(OptionalInt hue) {
        return hue.isPresent() ? HUES.get(Math.floorMod(hue.getAsInt(), Area.HUES)) : NO_HUE;
    }
}
