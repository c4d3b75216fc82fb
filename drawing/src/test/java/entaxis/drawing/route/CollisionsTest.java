package entaxis.drawing.route;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Point;
import entaxis.drawing.geometry.SpatialIndex;
import entaxis.drawing.quality.Quality;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

class CollisionsTest {
    private static final Box LEFT = new Box(0, 0, 100, 100);
    private static final Box RIGHT = new Box(300, 0, 100, 100);
    private static final Box BELOW = new Box(300, 200, 100, 100);

    private static SpatialIndex cards(Box... boxes) {
        SpatialIndex cards = new SpatialIndex();
        List.of(boxes).forEach(cards::add);
        return cards;
    }

    private static Link link(String id, Box first, Box second) {
        return new Link(id, "c" + first, first, "c" + second, second);
    }

    private static int shared(Map<String, List<Point>> ways) {
        return Quality.of(List.of(), ways).shared();
    }

    /** The end of one line and the inner stretch of the other lie on each other from 180 to 260. */
    @Test
    void aLineThatLiesOnAnotherMovesAsideAndKeepsItsCorners() {
        Map<String,
                List<Point>> ways = Map.of("a",
                        List.of(new Point(100, 50), new Point(260, 50), new Point(260, 40), new Point(300, 40)),
                        "b", List.of(new Point(100, 80), new Point(180, 80), new Point(180, 50), new Point(280, 50),
                                new Point(280, 250), new Point(300, 250)));
        assertThat(shared(ways)).isPositive();
        Map<String, List<Point>> settled = new Collisions(List.of(link("a", LEFT, RIGHT), link("b", LEFT, BELOW)), ways,
                ways, Set.of(), cards(LEFT, RIGHT, BELOW)).freed();
        assertThat(shared(settled)).isZero();
        assertThat(settled.get("b")).hasSize(6);
        settled.values().forEach(way -> {
            for (int i = 0; i + 1 < way.size(); i++) {
                assertThat(way.get(i).x() == way.get(i + 1).x() || way.get(i).y() == way.get(i + 1).y()).isTrue();
            }
        });
        assertThat(settled.get("b").getFirst().x()).isEqualTo(LEFT.right());
        assertThat(settled.get("b").getLast().x()).isEqualTo(BELOW.x());
    }

    @Test
    void aStretchThatWasPushedIntoACardComesOutOfIt() {
        Box between = new Box(150, 20, 60, 40);
        Map<String, List<Point>> spread = Map.of("a", List.of(new Point(100, 80), new Point(130, 80),
                new Point(130, 58), new Point(240, 58), new Point(240, 80), new Point(300, 80)));
        Map<String, List<Point>> settled =
                new Collisions(List.of(link("a", LEFT, RIGHT)), spread, spread, Set.of(), cards(LEFT, RIGHT, between))
                        .freed();
        assertThat(Quality.of(List.of(between), settled).through()).isZero();
    }

    @Test
    void whatWasSetByHandStays() {
        Map<String,
                List<Point>> ways = Map.of("a", List.of(new Point(100, 50), new Point(300, 50)), "b",
                        List.of(new Point(100, 80), new Point(180, 80), new Point(180, 50), new Point(280, 50),
                new Point(280, 250), new Point(300, 250)));
        Map<String, List<Point>> settled = new Collisions(List.of(link("a", LEFT, RIGHT), link("b", LEFT, BELOW)), ways,
                ways, Set.of("b", "a"), cards(LEFT, RIGHT, BELOW)).freed();
        assertThat(settled).isEqualTo(ways);
    }

    @Test
    void waysThatTouchNothingAreLeftAsTheyAre() {
        Map<String, List<Point>> ways = Map.of("a", List.of(new Point(100, 50), new Point(300, 50)), "b",
                List.of(new Point(100, 80), new Point(200, 80), new Point(200, 250), new Point(300, 250)));
        assertThat(new Collisions(List.of(link("a", LEFT, RIGHT), link("b", LEFT, BELOW)), ways, ways, Set.of(),
                cards(LEFT, RIGHT, BELOW)).freed()).isEqualTo(ways);
    }
}
