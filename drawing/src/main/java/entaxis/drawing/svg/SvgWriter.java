package entaxis.drawing.svg;

import static entaxis.drawing.svg.SvgText.number;

import entaxis.core.design.Notation;
import entaxis.core.design.OwnerId;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.scene.Card;
import entaxis.drawing.scene.Card.Row;
import entaxis.drawing.scene.Line;
import entaxis.drawing.scene.NoteBox;
import entaxis.drawing.scene.PaperFrame;
import entaxis.drawing.scene.PictureBox;
import entaxis.drawing.scene.Scene;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** Writes scenes and their parts as SVG 1.1. All text is escaped; all looks are plain attributes. */
public final class SvgWriter {
    private static final double MARGIN = 24;
    private static final int MARK_GAP = 5;
    private static final int MARK_ROUND = 13;

    private final SvgText texts;
    private final LinePen pen;

    /** A writer that pins the width of texts the bundled fonts do not cover. */
    public SvgWriter(TextMeasure measure) {
        this.texts = new SvgText(measure);
        this.pen = new LinePen(texts);
    }

    /** A whole document, as large as the scene; the address tells where the bytes of a picture are. */
    public String document(Scene scene, UnaryOperator<String> address) {
        Box box = scene.bounds().orElse(new Box(0, 0, 200, 120)).grown(MARGIN);
        StringBuilder svg = new StringBuilder("<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"").append(number(box.x())).append(' ').append(number(box.y())).append(' ')
                .append(number(box.width())).append(' ').append(number(box.height())).append("\" width=\"").append(number(box.width())).append("\" height=\"")
                .append(number(box.height())).append("\">");
        svg.append("<rect x=\"").append(number(box.x())).append("\" y=\"").append(number(box.y())).append("\" width=\"").append(number(box.width()))
                .append("\" height=\"").append(number(box.height())).append("\" fill=\"").append(Ink.PAPER).append("\"/>");
        svg.append(paper(scene.frame()));
        scene.pictures().forEach(picture -> svg.append(picture(picture, address)));
        scene.lines().forEach(line -> svg.append(line(line, scene.notation())));
        scene.notes().forEach(note -> svg.append(note(note)));
        scene.cards().forEach(card -> svg.append(card(card)));
        return svg.append("</svg>").toString();
    }

    /** A whole document with a frame around some cards and a number at its corner. */
    public String marked(Scene scene, UnaryOperator<String> address, Map<OwnerId, Mark> marks) {
        StringBuilder svg = new StringBuilder(document(scene, address));
        svg.setLength(svg.length() - "</svg>".length());
        for (Card card : scene.cards()) {
            Mark mark = marks.get(card.owner());
            if (mark != null) {
                Box at = card.box().grown(MARK_GAP);
                String ink = mark.grave() ? Ink.FAULT : Ink.CAUTION;
                svg.append("<g class=\"mark\"><rect x=\"").append(number(at.x())).append("\" y=\"").append(number(at.y())).append("\" width=\"").append(number(at.width())).append("\" height=\"")
                        .append(number(at.height())).append("\" rx=\"4\" fill=\"none\" stroke=\"").append(ink).append("\" stroke-width=\"3\"/><circle cx=\"").append(number(at.x() + at.width()))
                        .append("\" cy=\"").append(number(at.y())).append("\" r=\"").append(MARK_ROUND).append("\" fill=\"").append(ink).append("\"/><text x=\"").append(number(at.x() + at.width()))
                        .append("\" y=\"").append(number(at.y() + MARK_ROUND / 2.0 - 1)).append("\" text-anchor=\"middle\" font-family=\"sans-serif\" font-size=\"15\" font-weight=\"bold\" fill=\"").append(Ink.PAPER)
                        .append("\">").append(mark.count()).append("</text></g>");
            }
        }
        return svg.append("</svg>").toString();
    }

    /** A small picture without texts: what lies where, in which area, joined by what. */
    public String miniature(Scene scene) {
        Box box = scene.bounds().orElse(new Box(0, 0, 300, 200)).grown(MARGIN);
        StringBuilder svg = new StringBuilder("<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"").append(number(box.x())).append(' ').append(number(box.y())).append(' ')
                .append(number(box.width())).append(' ').append(number(box.height())).append("\">");
        double stroke = Math.max(1.5, box.width() / 400);
        svg.append("<g fill=\"none\" stroke=\"").append(Ink.SECOND).append("\" stroke-width=\"").append(number(stroke)).append("\">");
        scene.lines().forEach(line -> svg.append("<path d=\"").append(LinePen.path(line.points())).append("\"/>"));
        svg.append("</g><g stroke=\"").append(Ink.INK).append("\" stroke-width=\"").append(number(stroke)).append("\">");
        for (Card card : scene.cards()) {
            Box at = card.box();
            svg.append("<rect x=\"").append(number(at.x())).append("\" y=\"").append(number(at.y())).append("\" width=\"").append(number(at.width()))
                    .append("\" height=\"").append(number(at.height())).append("\" rx=\"").append(card.rounded() ? 9 : 1).append("\" fill=\"").append(Ink.CARD).append("\"/>");
            svg.append("<rect x=\"").append(number(at.x())).append("\" y=\"").append(number(at.y())).append("\" width=\"").append(Card.SPINE * 2)
                    .append("\" height=\"").append(number(at.height())).append("\" stroke=\"none\" fill=\"").append(Ink.hue(card.hue())).append("\"/>");
        }
        return svg.append("</g></svg>").toString();
    }

    /** The group of a card, {@code id="c-" + owner}. */
    public String card(Card card) {
        Box box = card.box();
        double radius = card.rounded() ? 9 : 1.5;
        StringBuilder svg = new StringBuilder(1024);
        svg.append("<g id=\"c-").append(card.owner().value()).append("\" class=\"card\" data-x=\"").append(number(box.x())).append("\" data-y=\"").append(number(box.y()))
                .append("\" data-w=\"").append(number(box.width())).append("\" data-h=\"").append(number(box.height())).append("\" data-r=\"").append(number(radius))
                .append("\" transform=\"translate(").append(number(box.x())).append(' ').append(number(box.y())).append(")\">");
        svg.append("<title>").append(SvgText.escaped(card.name())).append("</title>");
        svg.append("<rect width=\"").append(number(box.width())).append("\" height=\"").append(number(box.height())).append("\" rx=\"").append(number(radius))
                .append("\" fill=\"").append(Ink.CARD).append("\"/>");
        svg.append("<path class=\"spine\" d=\"").append(spine(box.height(), radius)).append("\" fill=\"").append(Ink.hue(card.hue())).append("\"/>");
        texts.text(svg, card.name(), TextStyle.NAME, Card.SPINE + Card.PAD, 18, Ink.INK, "");
        if (card.pinned()) {
            svg.append("<circle class=\"pin\" cx=\"").append(number(box.width() - 9)).append("\" cy=\"9\" r=\"3\" fill=\"").append(Ink.SECOND).append("\"><title>pinned</title></circle>");
        }
        svg.append("<g class=\"rows\">");
        double line = Card.HEAD - 6;
        for (String words : card.meaning()) {
            line += Card.NOTE_ROW;
            texts.text(svg, words, TextStyle.MARK, Card.SPINE + Card.PAD, line - 2, Ink.SECOND, "");
        }
        rule(svg, card.head(), box.width(), Ink.INK);
        double y = rows(svg, card.keyRows(), card.head(), box.width(), true);
        if (!card.keyRows().isEmpty() && !card.rows().isEmpty()) {
            rule(svg, y, box.width(), Ink.RULE);
        }
        y = rows(svg, card.rows(), y, box.width(), false);
        if (!card.indexes().isEmpty()) {
            rule(svg, y, box.width(), Ink.RULE);
            y += Card.BAND;
            for (String index : card.indexes()) {
                y += Card.NOTE_ROW;
                texts.text(svg, index, TextStyle.MARK, Card.SPINE + Card.PAD, y - 4, Ink.SECOND, "");
            }
        }
        svg.append("</g><rect class=\"edge\" width=\"").append(number(box.width())).append("\" height=\"").append(number(box.height())).append("\" rx=\"")
                .append(number(radius)).append("\" fill=\"none\" stroke=\"").append(Ink.INK).append("\" stroke-width=\"1.2\"/></g>");
        return svg.toString();
    }

    private static String spine(double height, double radius) {
        String r = number(radius);
        String width = number(Card.SPINE - radius);
        return "M" + Card.SPINE + " 0h-" + width + "a" + r + " " + r + " 0 0 0 -" + r + " " + r + "v" + number(height - 2 * radius) + "a" + r + " " + r + " 0 0 0 "
                + r + " " + r + "h" + width + "z";
    }

    private double rows(StringBuilder svg, List<Row> rows, double top, double width, boolean key) {
        if (rows.isEmpty()) {
            return top;
        }
        double y = top + Card.BAND;
        for (Row row : rows) {
            row(svg, row, y + 14, width, key);
            y += Card.ROW;
        }
        return y + Card.BAND;
    }

    private void row(StringBuilder svg, Row row, double baseline, double width, boolean key) {
        double x = Card.SPINE + Card.PAD;
        if (row.rank() > 0) {
            texts.text(svg, Integer.toString(row.rank()), TextStyle.RANK, row.rank() > 9 ? -1 : 1.8, baseline, "#FFFFFF", "");
        }
        texts.text(svg, row.name(), TextStyle.ROW, x, baseline, row.optional() ? Ink.SECOND : Ink.INK, "");
        double end = x + texts.width(row.name(), TextStyle.ROW);
        if (key) {
            svg.append("<path d=\"M").append(number(x)).append(' ').append(number(baseline + 2.5)).append('H').append(number(end)).append("\" stroke=\"").append(Ink.INK)
                    .append("\"/>");
        }
        if (!row.marks().isEmpty()) {
            texts.text(svg, row.marks(), TextStyle.MARK, end + 3, baseline, Ink.SECOND, "");
            end += 3 + texts.width(row.marks(), TextStyle.MARK);
        }
        if (row.optional()) {
            svg.append("<circle cx=\"").append(number(end + 6.5)).append("\" cy=\"").append(number(baseline - 4)).append("\" r=\"2\" fill=\"none\" stroke=\"")
                    .append(Ink.SECOND).append("\"/>");
        }
        double right = width - Card.PAD;
        if (!row.comment().isEmpty()) {
            right -= texts.width(row.comment(), TextStyle.MARK);
            texts.text(svg, row.comment(), TextStyle.MARK, right, baseline, Ink.SECOND, "");
            right -= 18;
        }
        if (!row.type().isEmpty()) {
            texts.text(svg, row.type(), TextStyle.TYPE, right - texts.width(row.type(), TextStyle.TYPE), baseline, Ink.SECOND, "type");
        }
    }

    private static void rule(StringBuilder svg, double y, double width, String colour) {
        svg.append("<path d=\"M").append(Card.SPINE).append(' ').append(number(y)).append('H').append(number(width)).append("\" stroke=\"").append(colour).append("\"/>");
    }

    /** The group of a line, {@code id="l-" + line}; it tells its two ends' cards and sides, so that it can follow while one is dragged. */
    public String line(Line line, Notation notation) {
        return pen.line(line, notation);
    }

    /** The group of a note, {@code id="c-" + note}. */
    public String note(NoteBox note) {
        StringBuilder svg = group(note.id().value(), "card note", note.box(), "note");
        svg.append("<rect width=\"").append(number(note.box().width())).append("\" height=\"").append(number(note.box().height())).append("\" fill=\"").append(Ink.NOTE)
                .append("\" stroke=\"").append(Ink.RULE).append("\"/>");
        for (NoteBox.TextLine line : note.lines()) {
            line.runs().forEach(run -> texts.text(svg, run.text(), run.style(), run.x(), line.baseline(), Ink.INK, ""));
        }
        return svg.append("</g>").toString();
    }

    /** The group of a picture, {@code id="c-" + picture}; the address tells where its bytes are. */
    public String picture(PictureBox picture, UnaryOperator<String> address) {
        StringBuilder svg = group(picture.id().value(), "card picture", picture.box(), picture.title());
        return svg.append("<image width=\"").append(number(picture.box().width())).append("\" height=\"").append(number(picture.box().height()))
                .append("\" preserveAspectRatio=\"xMidYMid meet\" href=\"").append(SvgText.escaped(address.apply(picture.content()))).append("\"/><rect class=\"edge\" width=\"")
                .append(number(picture.box().width())).append("\" height=\"").append(number(picture.box().height())).append("\" fill=\"none\" stroke=\"none\"/></g>").toString();
    }

    private static StringBuilder group(String id, String kind, Box box, String title) {
        return new StringBuilder(512).append("<g id=\"c-").append(id).append("\" class=\"").append(kind).append("\" data-x=\"").append(number(box.x())).append("\" data-y=\"")
                .append(number(box.y())).append("\" data-w=\"").append(number(box.width())).append("\" data-h=\"").append(number(box.height()))
                .append("\" data-r=\"0\" transform=\"translate(").append(number(box.x())).append(' ').append(number(box.y())).append(")\"><title>")
                .append(SvgText.escaped(title)).append("</title>");
    }

    /** The paper below everything: the edges of its pages and the title. */
    public String paper(Optional<PaperFrame> frame) {
        StringBuilder svg = new StringBuilder(256);
        frame.ifPresent(paper -> {
            for (Box page : paper.pages()) {
                svg.append("<rect x=\"").append(number(page.x())).append("\" y=\"").append(number(page.y())).append("\" width=\"").append(number(page.width()))
                        .append("\" height=\"").append(number(page.height())).append("\" fill=\"none\" stroke=\"").append(Ink.RULE).append("\" stroke-width=\"1.5\"/>");
            }
            paper.titleBlock().ifPresent(block -> {
                svg.append("<rect x=\"").append(number(block.x())).append("\" y=\"").append(number(block.y())).append("\" width=\"").append(number(block.width()))
                        .append("\" height=\"").append(number(block.height())).append("\" fill=\"").append(Ink.PAPER).append("\" stroke=\"").append(Ink.SECOND).append("\"/>");
                double y = block.y() + 19;
                for (String text : paper.texts()) {
                    texts.text(svg, text, y == block.y() + 19 ? TextStyle.NAME : TextStyle.ROW, block.x() + 12, y, Ink.INK, "");
                    y += 18;
                }
            });
        });
        return svg.toString();
    }
}
