package entaxis.drawing.dependency;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.drawing.dependency.DependencyDiagram.Drawn;
import entaxis.drawing.dependency.DependencyDiagram.Pattern;
import entaxis.drawing.paint.Drawing;
import entaxis.drawing.paint.PatternLook;
import entaxis.drawing.paint.PictureSource;
import entaxis.drawing.picture.Pixels;
import entaxis.drawing.svg.SvgWriter;
import entaxis.drawing.text.TextMeasure;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.List;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;

class DependencyDiagramTest {
    private final TextMeasure measure = new TextMeasure();
    private final DependencyDiagram diagram =
            DependencyDiagram.of(List.of("sown_on", "tray_no", "position", "taxon <b>", "family"), List.of(1, 2),
                    List.of(
                            new Drawn(List.of(1, 2), List.of(0), Pattern.FULL, "whole key"),
                            new Drawn(List.of(1), List.of(0, 3), Pattern.PARTIAL, "part of the key"),
            new Drawn(List.of(3), List.of(4), Pattern.TRANSITIVE, "by way of taxon")), measure);

    @Test
    void keyFirstFullAboveTheOthersBelow() {
        assertThat(diagram.boxes()).extracting(DependencyDiagram.Attribute::name).containsExactly("tray_no", "position",
                "sown_on", "taxon <b>", "family");
        assertThat(diagram.boxes()).extracting(DependencyDiagram.Attribute::key).containsExactly(true, true, false,
                false, false);
        double row = diagram.boxes().getFirst().y();
        assertThat(diagram.arrows())
                .allSatisfy(arrow -> assertThat(arrow.above()).isEqualTo(arrow.pattern() == Pattern.FULL));
        assertThat(diagram.arrows()).allSatisfy(arrow -> assertThat(arrow.bar() < row).isEqualTo(arrow.above()));
    }

    @Test
    void boxesAndBarsStayApart() {
        for (int i = 1; i < diagram.boxes().size(); i++) {
            DependencyDiagram.Attribute before = diagram.boxes().get(i - 1);
            assertThat(diagram.boxes().get(i).x()).isGreaterThan(before.x() + before.width());
        }
        List<DependencyDiagram.Arrow> below = diagram.arrows().stream().filter(arrow -> !arrow.above()).toList();
        assertThat(below.get(0).bar()).isNotEqualTo(below.get(1).bar());
        assertThat(diagram.arrows()).allSatisfy(arrow -> assertThat(arrow.bar()).isBetween(0.0, diagram.height()));
    }

    @Test
    void everyPatternIsToldApartByItsDashesAndNamesAreEscaped() {
        String svg = new SvgWriter(measure).document(diagram);
        assertThat(svg).contains("stroke-dasharray=\"8 4\"", "stroke-dasharray=\"2 3\"", "taxon &lt;b&gt;", "whole key",
                "part of the key", "by way of taxon").doesNotContain("<b>");
    }

    @Test
    void inPixelsItIsTheSamePicture() throws IOException {
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(png(diagram, 2)));
        assertThat(image.getWidth()).isEqualTo((int) Math.ceil(diagram.width() * 2));
        assertThat(image.getHeight()).isEqualTo((int) Math.ceil(diagram.height() * 2));
        for (DependencyDiagram.Arrow arrow : diagram.arrows()) {
            Color dot = new Color(
                    image.getRGB((int) Math.round(arrow.from().getFirst() * 2), (int) Math.round(arrow.row() * 2)));
            assertThat(dot).as(arrow.label()).isEqualTo(Color.decode(PatternLook.of(arrow.pattern()).colour()));
        }
        DependencyDiagram wide = DependencyDiagram.of(IntStream.range(0, 400).mapToObj(i -> "attribute_" + i).toList(),
                List.of(0), List.of(new Drawn(List.of(0), List.of(399), Pattern.FULL, "all")), measure);
        BufferedImage limited = ImageIO.read(new ByteArrayInputStream(png(wide, 20)));
        assertThat((double) limited.getWidth() * limited.getHeight()).isLessThan(41_000_000);
    }

    private byte[] png(DependencyDiagram of, double scale) {
        return new Pixels(measure, PictureSource.NONE).png(Drawing.of(of, measure), scale, false);
    }
}
