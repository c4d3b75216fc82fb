package entaxis.drawing.svg;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.drawing.geometry.Box;
import entaxis.drawing.paint.Group;
import entaxis.drawing.paint.Look;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.awt.geom.CubicCurve2D;
import java.awt.geom.Ellipse2D;
import java.awt.geom.QuadCurve2D;
import java.awt.geom.Rectangle2D;
import java.awt.geom.RoundRectangle2D;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Elements of SVG 1.1 (W3C Recommendation, 9 and 10). */
class SvgSurfaceTest {
    private static final TextMeasure MEASURE = new TextMeasure();

    private static String drawn(boolean live, Consumer<SvgSurface> draws) {
        StringBuilder svg = new StringBuilder();
        draws.accept(new SvgSurface(svg, MEASURE, content -> "/pictures/" + content, live,
                id -> id.equals("c-led") ? "#dictionary-\"led\"" : ""));
        return svg.toString();
    }

    @Test
    void shapes() {
        Look look = Look.stroked("#102030", 1);
        assertThat(drawn(true, on -> on.draw(new Rectangle2D.Double(0, 0, 10, 20.5), look)))
                .isEqualTo("<rect width=\"10\" height=\"20.5\" fill=\"none\" stroke=\"#102030\"/>");
        assertThat(drawn(true, on -> on.draw(new RoundRectangle2D.Double(1, 2, 10, 20, 8, 8), look.on("#ffffff"))))
                .isEqualTo("<rect x=\"1\" y=\"2\" width=\"10\" height=\"20\" rx=\"4\" fill=\"#ffffff\" "
                        + "stroke=\"#102030\"/>");
        assertThat(drawn(true, on -> on.draw(new Ellipse2D.Double(0, 0, 9, 9), Look.filled("#000000").as("dot"))))
                .isEqualTo("<circle class=\"dot\" cx=\"4.5\" cy=\"4.5\" r=\"4.5\" fill=\"#000000\"/>");
        assertThat(drawn(true, on -> on.draw(new CubicCurve2D.Double(0, 1, 2, 3, 4, 5, 6, 7), look)))
                .contains("d=\"M0 1C2 3 4 5 6 7\"");
        assertThat(drawn(true, on -> on.draw(new QuadCurve2D.Double(0, 1, 2, 3, 4, 5), look)))
                .contains("d=\"M0 1Q2 3 4 5\"");
    }

    @Test
    void strokes() {
        assertThat(drawn(true, on -> on.draw(new Rectangle2D.Double(0, 0, 1, 1),
                Look.stroked("#000000", 1.2).dashed(List.of(6, 4)))))
                .endsWith("stroke=\"#000000\" stroke-width=\"1.2\" stroke-dasharray=\"6 4\"/>");
    }

    /** What is only there to be caught with the mouse is not in a file. */
    @Test
    void theUnseen() {
        Consumer<SvgSurface> grip = on -> on.draw(new Rectangle2D.Double(0, 0, 1, 1), Look.unseen(12));
        assertThat(drawn(true, grip)).contains("stroke-opacity=\"0\"");
        assertThat(drawn(false, grip)).isEmpty();
    }

    @Test
    void groups() {
        assertThat(drawn(true, on -> {
            on.open(Group.of("c-1", "card").with("r", "a<b").at(3, 4.25).titled("Jars & lots"));
            on.open(Group.of(""));
            on.close();
            on.close();
        })).isEqualTo("<g id=\"c-1\" class=\"card\" data-r=\"a&lt;b\" transform=\"translate(3 4.25)\">"
                + "<title>Jars &amp; lots</title><g></g></g>");
        assertThat(drawn(true, on -> {
            on.open(Group.of("c-led", "card").at(1, 2).scaled(0.5));
            on.close();
        })).isEqualTo("<a href=\"#dictionary-&quot;led&quot;\"><g id=\"c-led\" class=\"card\" "
                + "transform=\"translate(1 2) scale(0.5)\"></g></a>");
    }

    /** Letters that XML forbids are left out; a text that the bundled fonts do not cover is given its width. */
    @Test
    void texts() {
        assertThat(drawn(true, on -> on.text("a < b & \"c\"", TextStyle.ROW, 1, 2, "#000000", "name")))
                .contains("class=\"name\"").endsWith(">a &lt; b &amp; &quot;c&quot;</text>")
                .doesNotContain("textLength");
        assertThat(drawn(true, on -> on.text("a\u0000\u0008b\uFFFE", TextStyle.ROW, 1, 2, "#000000", "")))
                .endsWith(">ab</text>");
        assertThat(drawn(true, on -> on.text("種子", TextStyle.ROW, 1, 2, "#000000", ""))).contains("textLength=\"");
        assertThat(drawn(false, on -> on.text("seed", TextStyle.ROW, 1, 2, "#000000", ""))).contains("textLength=\"");
    }

    @Test
    void pictures() {
        assertThat(drawn(true, on -> on.picture("p1", new Box(0, 0, 40, 30)))).isEqualTo(
                "<image width=\"40\" height=\"30\" preserveAspectRatio=\"xMidYMid meet\" href=\"/pictures/p1\"/>");
    }

    /** A file carries the letters that stand in it along; a live drawing does not. */
    @Test
    void fonts() {
        List<String> sheets = Stream.of(true, false).map(live -> {
            StringBuilder svg = new StringBuilder();
            SvgSurface on = new SvgSurface(svg, MEASURE, content -> "", live, id -> "");
            on.text("seed", TextStyle.ROW, 1, 2, "#000000", "");
            return on.styleSheet();
        }).toList();
        assertThat(sheets.get(0)).isEmpty();
        assertThat(sheets.get(1)).contains("@font-face").contains("base64");
    }
}
