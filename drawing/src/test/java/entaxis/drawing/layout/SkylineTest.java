package entaxis.drawing.layout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import entaxis.core.random.Rounds;
import entaxis.drawing.geometry.Box;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Blocks packed into a strip by the skyline bottom-left rule: none on another, each as high as it goes. */
class SkylineTest {
    private static final double WIDTH = 1000;

    private static Box take(Skyline skyline, double wide, double high) {
        Skyline.Spot spot = skyline.take(wide, high);
        return new Box(spot.x(), spot.y(), wide, high);
    }

    @Test
    void blocksStandSideBySideAndThenBelowTheLowest() {
        Skyline skyline = new Skyline(WIDTH);
        assertThat(take(skyline, 600, 100)).isEqualTo(new Box(0, 0, 600, 100));
        assertThat(take(skyline, 400, 50)).isEqualTo(new Box(600, 0, 400, 50));
        assertThat(take(skyline, 300, 70)).as("below the lower of the two").isEqualTo(new Box(600, 50, 300, 70));
        assertThat(take(skyline, 500, 10)).as("it does not fit beside").isEqualTo(new Box(0, 100, 500, 10));
    }

    @Test
    void aBlockWiderThanTheStripLiesBelowAll() {
        Skyline skyline = new Skyline(WIDTH);
        take(skyline, 200, 30);
        take(skyline, 700, 80);
        assertThat(take(skyline, 1500, 20)).isEqualTo(new Box(0, 80, 1500, 20));
        assertThat(take(skyline, 100, 5)).isEqualTo(new Box(0, 100, 100, 5));
    }

    @Test
    void noBlockLiesOnAnotherNorBesideTheStrip() {
        for (int seed = 0; seed < Rounds.of(50); seed++) {
            Random random = new Random(seed);
            Skyline skyline = new Skyline(WIDTH);
            List<Box> placed = new ArrayList<>();
            double filled = 0;
            for (int i = 0; i < 60; i++) {
                Box box = take(skyline, 50 + random.nextInt(400), 20 + random.nextInt(200));
                assertThat(placed).as("%d: %s", seed, box).noneMatch(box::overlaps);
                assertThat(box.x()).isNotNegative();
                assertThat(box.right()).isLessThanOrEqualTo(WIDTH);
                assertThat(box.y() == 0 || placed.stream().anyMatch(other -> Math.abs(other.bottom() - box.y()) < 1e-9
                        && other.x() < box.right() && box.x() < other.right())).as("it stands on something").isTrue();
                placed.add(box);
                filled += box.width() * box.height();
            }
            double depth = placed.stream().mapToDouble(Box::bottom).max().orElseThrow();
            assertThat(filled / (depth * WIDTH)).as("share of the strip that is filled").isCloseTo(1, within(0.5));
        }
    }
}
