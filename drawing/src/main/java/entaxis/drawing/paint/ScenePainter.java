package entaxis.drawing.paint;

import static entaxis.drawing.geometry.Numbers.number;

import entaxis.core.design.Notation;
import entaxis.core.design.OwnerId;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.scene.AreaLabel;
import entaxis.drawing.scene.Card;
import entaxis.drawing.scene.Line;
import entaxis.drawing.scene.NoteBox;
import entaxis.drawing.scene.PaperFrame;
import entaxis.drawing.scene.PictureBox;
import entaxis.drawing.scene.Scene;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;

/** Paints scenes, whole or part by part, on any surface. */
public final class ScenePainter {
    private static final int MARK_GAP = 5;
    private static final int MARK_ROUND = 13;
    private static final double TITLE_LINE = 18;

    private final TextMeasure measure;
    private final CardPainter cards;
    private final LinePainter lines;

    /** A painter that measures with the bundled fonts. */
    public ScenePainter(TextMeasure measure) {
        this.measure = measure;
        this.cards = new CardPainter(measure);
        this.lines = new LinePainter(measure);
    }

    /** Everything of a scene, from the paper up. */
    public void paint(Scene scene, Surface on) {
        scene.frame().ifPresent(frame -> paint(frame, on));
        scene.pictures().forEach(picture -> paint(picture, on));
        scene.lines().forEach(line -> paint(line, scene.notation(), on));
        scene.notes().forEach(note -> paint(note, on));
        scene.cards().forEach(card -> paint(card, on));
    }

    /** A card, in a group {@code c-} and its owner. */
    public void paint(Card card, Surface on) {
        cards.paint(card, false, on);
    }

    /** The same for a drawing that is looked at from near and far: with its name in a group {@code far-name}. */
    public void paintLive(Card card, Surface on) {
        cards.paint(card, true, on);
    }

    /** The names of the subject areas over their cards, for a drawing that is looked at from far off. */
    public void paintAreas(Scene scene, Surface on) {
        for (AreaLabel area : scene.areas()) {
            FarName.in(area.box(), area.name(), measure).paint(area.box(), "area-name",
                    Ink.hue(OptionalInt.of(area.hue())), measure, on);
        }
    }

    /**
     * A line, in a group {@code l-} and its identity; it tells its two ends' cards and sides, so that it can follow
     * while one is dragged.
     */
    public void paint(Line line, Notation notation, Surface on) {
        lines.paint(line, notation, on);
    }

    /** A note, in a group {@code c-} and its identity. */
    public void paint(NoteBox note, Surface on) {
        on.open(placed(note.id().value(), "card note", note.box(), 0, "note"));
        on.draw(Outlines.rectangle(new Box(0, 0, note.box().width(), note.box().height())),
                Look.stroked(Ink.RULE, 1).on(Ink.NOTE));
        for (NoteBox.TextLine line : note.lines()) {
            line.runs().forEach(run -> on.text(run.text(), run.style(), run.x(), line.baseline(), Ink.INK, ""));
        }
        on.close();
    }

    /** A picture, in a group {@code c-} and its identity. */
    public void paint(PictureBox picture, Surface on) {
        Box ground = new Box(0, 0, picture.box().width(), picture.box().height());
        on.open(placed(picture.id().value(), "card picture", picture.box(), 0, picture.title()));
        on.picture(picture.content(), ground);
        on.draw(Outlines.rectangle(ground), new Look("edge", "", "", 0, List.of(), true));
        on.close();
    }

    /** The paper below everything: the edges of its pages and the title. */
    public void paint(PaperFrame frame, Surface on) {
        for (Box page : frame.pages()) {
            on.draw(Outlines.rectangle(page), Look.stroked(Ink.RULE, 1.5));
        }
        frame.titleBlock().ifPresent(block -> {
            on.draw(Outlines.rectangle(block), Look.stroked(Ink.SECOND, 1).on(Ink.PAPER));
            TextStyle style = TextStyle.NAME;
            double y = block.y() + TITLE_LINE + 1;
            for (String text : frame.texts()) {
                on.text(text, style, block.x() + 12, y, Ink.INK, "");
                style = TextStyle.ROW;
                y += TITLE_LINE;
            }
        });
    }

    /** Frames around some cards, with a number at their corner. */
    public void mark(Scene scene, Map<OwnerId, Mark> marks, Surface on) {
        for (Card card : scene.cards()) {
            Mark mark = marks.get(card.owner());
            if (mark != null) {
                Box at = card.box().grown(MARK_GAP);
                String ink = mark.grave() ? Ink.FAULT : Ink.CAUTION;
                String count = Integer.toString(mark.count());
                on.open(Group.of("mark"));
                on.draw(Outlines.rounded(at, 4), Look.stroked(ink, 3));
                on.draw(Outlines.circle(at.right(), at.y(), MARK_ROUND), Look.filled(ink));
                on.text(count, TextStyle.NAME, at.right() - measure.width(count, TextStyle.NAME) / 2,
                        at.y() + MARK_ROUND / 2.0 - 1, Ink.PAPER, "");
                on.close();
            }
        }
    }

    /** What lies where, in which area, joined by what, without texts. */
    public void miniature(Scene scene, double stroke, Surface on) {
        scene.lines().forEach(line -> on.draw(Outlines.way(line.points()), Look.stroked(Ink.SECOND, stroke)));
        for (Card card : scene.cards()) {
            Box box = card.box();
            on.draw(Outlines.rounded(box, card.rounded() ? 9 : 1), Look.stroked(Ink.INK, stroke).on(Ink.CARD));
            on.draw(Outlines.rectangle(new Box(box.x(), box.y(), Card.SPINE * 2, box.height())),
                    Look.filled(Ink.hue(card.hue())));
        }
    }

    /** The group of something that can be moved: it tells where it lies and how round its corners are. */
    static Group placed(String id, String kind, Box box, double radius, String title) {
        return Group.of("c-" + id, kind).with("x", number(box.x())).with("y", number(box.y()))
                .with("w", number(box.width())).with("h", number(box.height()))
                .with("r", number(radius)).at(box.x(), box.y()).titled(title);
    }
}
