package entaxis.drawing.quality;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Point;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Crossings, corners and lengths counted by hand. */
class QualityTest {
    private static final Box CARD = new Box(100, 100, 50, 40);

    private static List<Point> way(double... coordinates) {
        return java.util.stream.IntStream.range(0, coordinates.length / 2)
                .mapToObj(i -> new Point(coordinates[2 * i], coordinates[2 * i + 1])).toList();
    }

    private static Quality of(Map<String, List<Point>> ways) {
        return Quality.of(List.of(CARD), ways);
    }

    @Test
    void cornersAndLengthOfOneLine() {
        Quality quality = of(Map.of("a", way(0, 0, 30, 0, 30, 40, 60, 40)));
        assertThat(quality.bends()).isEqualTo(2);
        assertThat(quality.length()).isEqualTo(100);
        assertThat(quality.crossings()).isZero();
        assertThat(quality.area()).isEqualTo(50 * 40);
    }

    @Test
    void linesThatCrossAndLinesThatOnlyTouch() {
        assertThat(of(Map.of("a", way(0, 10, 40, 10), "b", way(20, 0, 20, 20))).crossings()).isEqualTo(1);
        assertThat(of(Map.of("a", way(0, 10, 40, 10), "b", way(20, 10, 20, 30))).crossings()).as("a T").isZero();
        assertThat(of(Map.of("a", way(0, 0, 0, 20, 20, 20, 20, 10, -10, 10))).crossings()).as("a line with itself")
                .isZero();
    }

    @Test
    void linesThatLieOnEachOther() {
        assertThat(of(Map.of("a", way(0, 10, 40, 10), "b", way(30, 10, 60, 10))).shared()).isEqualTo(1);
        assertThat(of(Map.of("a", way(0, 10, 40, 10), "b", way(40, 10, 60, 10))).shared()).as("end to end").isZero();
        assertThat(of(Map.of("a", way(0, 10, 40, 10), "b", way(0, 12, 40, 12))).shared()).as("side by side").isZero();
    }

    @Test
    void linesThatRunThroughACard() {
        assertThat(of(Map.of("a", way(90, 120, 160, 120))).through()).isEqualTo(1);
        assertThat(of(Map.of("a", way(90, 100, 160, 100))).through()).as("along its edge").isZero();
        assertThat(of(Map.of("a", way(90, 120, 100, 120))).through()).as("up to its edge").isZero();
    }
}
