package entaxis.drawing.pdf;

import entaxis.drawing.geometry.Box;
import entaxis.drawing.paint.Ink;
import entaxis.drawing.paint.Look;
import entaxis.drawing.paint.Surface;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.awt.geom.Line2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Draws the foot of a page: title, facts, page number and, of several pages, a small map that tells which one this is.
 * In sheet units.
 */
final class PageFoot {
    /** Height of a foot. */
    static final double HEIGHT = 48;
    private static final double PAD = 10;
    private static final double MAP = 34;
    private static final double NAME = 17;
    private static final double VALUE = 36;

    private final TextMeasure measure;

    PageFoot(TextMeasure measure) {
        this.measure = measure;
    }

    void paint(Surface on, Box box, Optional<TitleBlock> title, String page, Tiling tiling, int number) {
        double right = box.right() - PAD;
        if (tiling.windows().size() > 1) {
            map(on, tiling, number, box.x(), box.y() + (HEIGHT - MAP) / 2);
        }
        List<TitleBlock.Fact> facts = new ArrayList<>(title.map(TitleBlock::facts).orElse(List.of()));
        facts.add(new TitleBlock.Fact("Page", page));
        double left = right;
        List<Double> places = new ArrayList<>();
        for (TitleBlock.Fact fact : facts.reversed()) {
            left -= Math.max(measure.width(fact.name(), TextStyle.MARK), measure.width(fact.value(), TextStyle.ROW));
            places.addFirst(left);
            left -= 2 * PAD;
        }
        for (int i = 0; i < facts.size(); i++) {
            on.text(facts.get(i).name(), TextStyle.MARK, places.get(i), box.y() + NAME, Ink.SECOND, "");
            on.text(facts.get(i).value(), TextStyle.ROW, places.get(i), box.y() + VALUE, Ink.INK, "");
        }
        if (title.isPresent()) {
            double start = left - measure.width(title.get().title(), TextStyle.NAME);
            on.text(title.get().title(), TextStyle.NAME, start, box.y() + VALUE, Ink.INK, "");
            on.draw(new Rectangle2D.Double(start - PAD, box.y(), box.right() - start + PAD, HEIGHT),
                    Look.stroked(Ink.SECOND, 1));
            places.forEach(place -> on.draw(new Line2D.Double(place - PAD, box.y(), place - PAD, box.y() + HEIGHT),
                    Look.stroked(Ink.RULE, 1)));
        }
    }

    private static void map(Surface on, Tiling tiling, int number, double x, double y) {
        double cell = Math.min(14, MAP / tiling.rows());
        for (int i = 0; i < tiling.windows().size(); i++) {
            Rectangle2D box = new Rectangle2D.Double(x + i % tiling.columns() * cell, y + i / tiling.columns() * cell,
                    cell, cell);
            on.draw(box, Look.stroked(Ink.SECOND, 0.8).on(i == number ? Ink.SECOND : Ink.PAPER));
        }
    }
}
