package entaxis.drawing.paint;

import entaxis.core.design.Area;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Notation;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Point;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.function.BiConsumer;

/** What the signs of a drawing mean, to stand below it. */
public final class Legend {
    private static final double SAMPLE = 64;
    private static final double ROW = 26;
    private static final double GAP = 28;
    private static final double PAD = 12;

    /** One sign with its words; it is drawn to the right of a point at its middle height. */
    private record Entry(String words, BiConsumer<Surface, Point> sample) { }

    private final TextMeasure measure;
    private final LinePainter lines;

    /** A maker that measures with the bundled fonts. */
    public Legend(TextMeasure measure) {
        this.measure = measure;
        this.lines = new LinePainter(measure);
    }

    /** The legend of a notation and of subject areas, in rows no wider than asked for where that is possible. */
    public Drawing of(Notation notation, List<Area> areas, double width) {
        List<Entry> entries = new ArrayList<>(ends(notation));
        if (notation == Notation.CROWS_FOOT || notation == Notation.IDEF1X) {
            entries.add(new Entry("identifying: the parent's key is part of the child's",
                    (on, at) -> line(on, at, List.of())));
            entries.add(new Entry("non-identifying", (on, at) -> line(on, at, LinePainter.DASHES)));
        }
        entries.add(new Entry("part of the primary key", (on, at) -> {
            on.text("name", TextStyle.ROW, at.x(), at.y() + 4, Ink.INK, "");
            on.draw(Outlines.across(at.x(), at.x() + measure.width("name", TextStyle.ROW), at.y() + 6.5),
                    Look.stroked(Ink.INK, 1));
        }));
        entries.add(new Entry("may be without a value", (on, at) -> {
            on.text("name", TextStyle.ROW, at.x(), at.y() + 4, Ink.SECOND, "");
            on.draw(Outlines.circle(at.x() + measure.width("name", TextStyle.ROW) + 6.5, at.y(), 2),
                    Look.stroked(Ink.SECOND, 1));
        }));
        entries.add(new Entry("dependent: needs a parent to be identified", (on, at) ->
        on.draw(Outlines.rounded(new Box(at.x(), at.y() - 8, 40, 16), 7), Look.stroked(Ink.INK, 1.2).on(Ink.CARD))));
        areas.forEach(area -> entries.add(new Entry(area.name(), (on, at) ->
        on.draw(Outlines.rectangle(new Box(at.x(), at.y() - 8, 10, 16)),
                Look.filled(Ink.hue(OptionalInt.of(area.hue())))))));
        return laid(entries, width);
    }

    private List<Entry> ends(Notation notation) {
        if (notation == Notation.CHEN) {
            return List.of(end("one", Cardinality.EXACTLY_ONE, notation),
                    end("many", Cardinality.ZERO_OR_MORE, notation));
        }
        return List.of(end("exactly one", Cardinality.EXACTLY_ONE, notation),
                end("zero or one", Cardinality.ZERO_OR_ONE, notation),
                end("one or more", Cardinality.ONE_OR_MORE, notation),
                end("zero or more", Cardinality.ZERO_OR_MORE, notation));
    }

    private Entry end(String words, Cardinality cardinality, Notation notation) {
        return new Entry(words,
                (on, at) -> lines.sample(cardinality, notation, at, new Point(at.x() + SAMPLE - 8, at.y()), on));
    }

    private static void line(Surface on, Point at, List<Integer> dashes) {
        on.draw(Outlines.across(at.x(), at.x() + SAMPLE - 8, at.y()), Look.stroked(Ink.INK, 1.2).dashed(dashes));
    }

    private Drawing laid(List<Entry> entries, double width) {
        double widest =
                entries.stream().mapToDouble(entry -> measure.width(entry.words(), TextStyle.ROW)).max().orElse(0);
        double column = SAMPLE + widest + GAP;
        int columns = Math.max(1, (int) ((width - 2 * PAD) / column));
        int rows = (entries.size() + columns - 1) / columns;
        Box box = new Box(0, 0, columns * column + 2 * PAD, rows * ROW + 2 * PAD);
        return new Drawing(box, on -> {
            on.draw(Outlines.across(PAD, box.width() - PAD, 0), Look.stroked(Ink.RULE, 1));
            for (int i = 0; i < entries.size(); i++) {
                Entry entry = entries.get(i);
                Point at = new Point(PAD + i / rows * column, PAD + i % rows * ROW + ROW / 2);
                entry.sample().accept(on, at);
                on.text(entry.words(), TextStyle.ROW, at.x() + SAMPLE, at.y() + 4, Ink.INK, "");
            }
        });
    }
}
