package entaxis.drawing.paint;

import entaxis.drawing.geometry.Box;
import entaxis.drawing.scene.Card;
import entaxis.drawing.scene.Card.Row;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.util.List;

/** Draws entities and tables as cards. */
final class CardPainter {
    private static final double ROUND = 9;
    private static final double SQUARE = 1.5;
    private static final double TEXT = Card.SPINE + Card.PAD;
    private static final double FAR_GAP = 5;

    private final TextMeasure measure;

    CardPainter(TextMeasure measure) {
        this.measure = measure;
    }

    /** Paints a card, for a live drawing also its name as it is read from afar. */
    void paint(Card card, boolean live, Surface on) {
        double radius = card.rounded() ? ROUND : SQUARE;
        Box ground = new Box(0, 0, card.box().width(), card.box().height());
        on.open(ScenePainter.placed(card.owner().value(), "card", card.box(), radius, card.name()));
        on.draw(Outlines.rounded(ground, radius), Look.filled(Ink.CARD));
        on.draw(Outlines.spine(Card.SPINE, ground.height(), radius), Look.filled(Ink.hue(card.hue())).as("spine"));
        on.text(card.name(), TextStyle.NAME, TEXT, 18, Ink.INK, "");
        if (live) {
            Box room = new Box(Card.SPINE + FAR_GAP, FAR_GAP, ground.width() - Card.SPINE - 2 * FAR_GAP,
                    ground.height() - 2 * FAR_GAP);
            FarName.in(room, card.name(), measure).paint(room, "far-name", Ink.INK, measure, on);
        }
        if (card.pinned()) {
            on.open(Group.of("").titled("pinned"));
            on.draw(Outlines.circle(ground.width() - 9, 9, 3), Look.filled(Ink.SECOND).as("pin"));
            on.close();
        }
        on.open(Group.of("rows"));
        bands(card, ground.width(), on);
        on.close();
        on.draw(Outlines.rounded(ground, radius), Look.stroked(Ink.INK, 1.2).as("edge"));
        on.close();
    }

    private void bands(Card card, double width, Surface on) {
        double line = Card.HEAD - 6;
        for (String words : card.meaning()) {
            line += Card.NOTE_ROW;
            on.text(words, TextStyle.MARK, TEXT, line - 2, Ink.SECOND, "");
        }
        rule(on, card.head(), width, Ink.INK);
        double y = rows(on, card.keyRows(), card.head(), width, true);
        if (!card.keyRows().isEmpty() && !card.rows().isEmpty()) {
            rule(on, y, width, Ink.RULE);
        }
        y = rows(on, card.rows(), y, width, false);
        if (!card.indexes().isEmpty()) {
            rule(on, y, width, Ink.RULE);
            y += Card.BAND;
            for (String index : card.indexes()) {
                y += Card.NOTE_ROW;
                on.text(index, TextStyle.MARK, TEXT, y - 4, Ink.SECOND, "");
            }
        }
    }

    private double rows(Surface on, List<Row> rows, double top, double width, boolean key) {
        if (rows.isEmpty()) {
            return top;
        }
        double y = top + Card.BAND;
        for (Row row : rows) {
            row(on, row, y + 14, width, key);
            y += Card.ROW;
        }
        return y + Card.BAND;
    }

    private void row(Surface on, Row row, double baseline, double width, boolean key) {
        if (row.rank() > 0) {
            on.text(Integer.toString(row.rank()), TextStyle.RANK, row.rank() > 9 ? -1 : 1.8, baseline, Ink.NUMERAL, "");
        }
        on.text(row.name(), TextStyle.ROW, TEXT, baseline, row.optional() ? Ink.SECOND : Ink.INK, "");
        double end = TEXT + measure.width(row.name(), TextStyle.ROW);
        if (key) {
            on.draw(Outlines.across(TEXT, end, baseline + 2.5), Look.stroked(Ink.INK, 1));
        }
        if (!row.marks().isEmpty()) {
            on.text(row.marks(), TextStyle.MARK, end + 3, baseline, Ink.SECOND, "");
            end += 3 + measure.width(row.marks(), TextStyle.MARK);
        }
        if (row.optional()) {
            on.draw(Outlines.circle(end + 6.5, baseline - 4, 2), Look.stroked(Ink.SECOND, 1));
        }
        double right = width - Card.PAD;
        if (!row.comment().isEmpty()) {
            right -= measure.width(row.comment(), TextStyle.MARK);
            on.text(row.comment(), TextStyle.MARK, right, baseline, Ink.SECOND, "");
            right -= 18;
        }
        if (!row.type().isEmpty()) {
            on.text(row.type(), TextStyle.TYPE, right - measure.width(row.type(), TextStyle.TYPE), baseline, Ink.SECOND,
                    "type");
        }
    }

    private static void rule(Surface on, double y, double width, String colour) {
        on.draw(Outlines.across(Card.SPINE, width, y), Look.stroked(colour, 1));
    }
}
