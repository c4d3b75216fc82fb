package entaxis.drawing.paint;

import entaxis.core.design.Area;
import java.util.List;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** The colours of a drawing. */
public final class Ink {
    /** The ground of a sheet. */
    public static final String PAPER = Colours.light("paper");
    /** The ground of a note. */
    public static final String NOTE = Colours.light("note");
    /** The ground of a card. */
    public static final String CARD = Colours.light("card");
    /** Text and the edges of cards. */
    public static final String INK = Colours.light("ink");
    /** Secondary text. */
    public static final String SECOND = Colours.light("ink-2");
    /** Hairlines. */
    public static final String RULE = Colours.light("rule");
    /** What is to be careful about. */
    public static final String FAULT = Colours.light("madder");
    /** Numbers on coloured ground. */
    static final String NUMERAL = Colours.light("numeral");
    /** What is to be looked at. */
    public static final String CAUTION = Colours.light("ochre");

    /** Muted, told apart by colour-blind readers too by lightness, and each 4.5:1 or better under white numerals. */
    private static final List<String> HUES =
            IntStream.range(0, Area.HUES).mapToObj(hue -> Colours.light("hue-" + hue)).toList();
    private static final String NO_HUE = Colours.light("hue-none");

    private Ink() { }

    /**
     * A style sheet that makes drawings dark on a page: they carry plain attributes, which its rules outrank.
     *
     * @param drawings a selector of the drawings on the page
     */
    public static String dark(String drawings) {
        return Stream.of(dark(drawings, "fill", PAPER, "paper"), dark(drawings, "fill", CARD, "card"),
                dark(drawings, "fill", NOTE, "note"), dark(drawings, "fill", INK, "ink"),
                dark(drawings, "stroke", INK, "ink-line"), dark(drawings, "fill", SECOND, "ink-2"),
                dark(drawings, "stroke", SECOND, "ink-2"), dark(drawings, "stroke", RULE, "rule-line"),
                dark(drawings, "fill", CAUTION, "ochre"), dark(drawings, "stroke", CAUTION, "ochre"),
                dark(drawings, "fill", FAULT, "madder"), dark(drawings, "stroke", FAULT, "madder"))
                .collect(Collectors.joining());
    }

    private static String dark(String drawings, String attribute, String light, String name) {
        return drawings + " [" + attribute + "=\"" + light + "\"] { " + attribute + ": var(--" + name + "); }\n";
    }

    /** The colour of a subject area, by its number. */
    public static String hue(OptionalInt hue) {
        return hue.isPresent() ? HUES.get(Math.floorMod(hue.getAsInt(), Area.HUES)) : NO_HUE;
    }
}
