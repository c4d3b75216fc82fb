package entaxis.drawing.svg;

import static entaxis.drawing.geometry.Numbers.number;

import entaxis.core.design.Notation;
import entaxis.core.design.OwnerId;
import entaxis.drawing.dependency.DependencyDiagram;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.paint.Drawing;
import entaxis.drawing.paint.Ink;
import entaxis.drawing.paint.Look;
import entaxis.drawing.paint.Mark;
import entaxis.drawing.paint.PictureSource;
import entaxis.drawing.paint.ScenePainter;
import entaxis.drawing.paint.Surface;
import entaxis.drawing.scene.Card;
import entaxis.drawing.scene.Line;
import entaxis.drawing.scene.NoteBox;
import entaxis.drawing.scene.PaperFrame;
import entaxis.drawing.scene.PictureBox;
import entaxis.drawing.scene.Scene;
import entaxis.drawing.text.TextMeasure;
import java.awt.geom.Rectangle2D;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;

/** Scenes, their parts and dependency diagrams as SVG. */
public final class SvgWriter {
    private static final UnaryOperator<String> NO_ADDRESS = content -> "";

    private final TextMeasure measure;
    private final ScenePainter painter;

    /** A writer that pins the width of texts the bundled fonts do not cover. */
    public SvgWriter(TextMeasure measure) {
        this.measure = measure;
        this.painter = new ScenePainter(measure);
    }

    /** A whole document for a page, as large as the scene; the address tells where the bytes of a picture are. */
    public String document(Scene scene, UnaryOperator<String> address) {
        return document(Drawing.around(scene), "", Optional.of(Ink.PAPER), address, true,
                on -> painter.paint(scene, on));
    }

    /** A whole document with a frame around some cards and a number at its corner. */
    public String marked(Scene scene, UnaryOperator<String> address, Map<OwnerId, Mark> marks) {
        return document(Drawing.around(scene), "", Optional.of(Ink.PAPER), address, true, on -> {
            painter.paint(scene, on);
            painter.mark(scene, marks, on);
        });
    }

    /** A small picture without texts: what lies where, in which area, joined by what. */
    public String miniature(Scene scene) {
        Box box = scene.bounds().orElse(new Box(0, 0, 300, 200)).grown(Drawing.MARGIN);
        StringBuilder svg = new StringBuilder("<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"").append(view(box))
                .append("\">");
        painter.miniature(scene, Math.max(1.5, box.width() / 400), surface(svg, NO_ADDRESS, true));
        return svg.append("</svg>").toString();
    }

    /** A dependency diagram for a page. */
    public String document(DependencyDiagram diagram) {
        Drawing drawing = Drawing.of(diagram, measure);
        return document(drawing.box(), " class=\"drawn\" role=\"img\" aria-label=\"Dependency diagram\"",
                Optional.of(Ink.PAPER), NO_ADDRESS, true,
                drawing.paint());
    }

    /** A file of its own, its pictures in it, on paper or on nothing. */
    public String file(Drawing drawing, boolean transparent, PictureSource pictures) {
        return file(drawing, transparent, pictures, group -> "");
    }

    /** The same with links: where a group leads, by its identity; nowhere if empty. */
    public String file(Drawing drawing, boolean transparent, PictureSource pictures, UnaryOperator<String> links) {
        StringBuilder svg = new StringBuilder();
        return whole(drawing.box(), "", transparent ? Optional.empty() : Optional.of(Ink.PAPER),
                new SvgSurface(svg, measure, pictures::inline, false, links), svg, drawing.paint());
    }

    private String document(Box box, String attributes, Optional<String> ground, UnaryOperator<String> address,
            boolean live, Consumer<Surface> paint) {
        StringBuilder svg = new StringBuilder(8192);
        return whole(box, attributes, ground, surface(svg, address, live), svg, paint);
    }

    private String whole(Box box, String attributes, Optional<String> ground, SvgSurface on, StringBuilder svg,
            Consumer<Surface> paint) {
        svg.append("<svg xmlns=\"http://www.w3.org/2000/svg\"").append(attributes).append(" viewBox=\"")
                .append(view(box))
                .append("\" width=\"").append(number(box.width())).append("\" height=\"").append(number(box.height()))
                .append("\">");
        int head = svg.length();
        ground.ifPresent(colour -> on.draw(new Rectangle2D.Double(box.x(), box.y(), box.width(), box.height()),
                Look.filled(colour)));
        paint.accept(on);
        return svg.insert(head, on.styleSheet()).append("</svg>").toString();
    }

    private static String view(Box box) {
        return number(box.x()) + " " + number(box.y()) + " " + number(box.width()) + " " + number(box.height());
    }

    private SvgSurface surface(StringBuilder svg, UnaryOperator<String> address, boolean live) {
        return new SvgSurface(svg, measure, address, live, group -> "");
    }

    private String part(Consumer<Surface> paint, UnaryOperator<String> address) {
        StringBuilder svg = new StringBuilder(1024);
        paint.accept(surface(svg, address, true));
        return svg.toString();
    }

    /** The group of a card, {@code id="c-" + owner}, with its name for looking from afar. */
    public String card(Card card) {
        return part(on -> painter.paintLive(card, on), NO_ADDRESS);
    }

    /** The group of a line, {@code id="l-" + line}. */
    public String line(Line line, Notation notation) {
        return part(on -> painter.paint(line, notation, on), NO_ADDRESS);
    }

    /** The group of a note, {@code id="c-" + note}. */
    public String note(NoteBox note) {
        return part(on -> painter.paint(note, on), NO_ADDRESS);
    }

    /** The group of a picture, {@code id="c-" + picture}; the address tells where its bytes are. */
    public String picture(PictureBox picture, UnaryOperator<String> address) {
        return part(on -> painter.paint(picture, on), address);
    }

    /** The names of a sheet's subject areas, to be shown from far off. */
    public String areas(Scene scene) {
        return part(on -> painter.paintAreas(scene, on), NO_ADDRESS);
    }

    /** The paper below everything: the edges of its pages and the title. */
    public String paper(Optional<PaperFrame> frame) {
        return part(on -> frame.ifPresent(paper -> painter.paint(paper, on)), NO_ADDRESS);
    }
}
