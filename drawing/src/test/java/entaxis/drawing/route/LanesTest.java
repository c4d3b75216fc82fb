package entaxis.drawing.route;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.drawing.geometry.Point;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

class LanesTest {

    private static List<Point> way(double... coordinates) {
        List<Point> points = new ArrayList<>();
        for (int i = 0; i < coordinates.length; i += 2) {
            points.add(new Point(coordinates[i], coordinates[i + 1]));
        }
        return points;
    }

    private static Map<String, List<Point>> spread(Map<String, List<Point>> ways, String... byHand) {
        return new Lanes(new LinkedHashMap<>(ways), Set.of(byHand)).spread();
    }

    @Test
    void twoLinesOnOneLaneArePartedEvenly() {
        Map<String, List<Point>> apart = spread(Map.of("l", way(0, 0, 50, 0, 50, 100, 100, 100),
                "m", way(0, 40, 50, 40, 50, 140, 100, 140)));
        double l = apart.get("l").get(1).x();
        double m = apart.get("m").get(1).x();
        assertThat(Math.abs(l - m)).isEqualTo(8);
        assertThat((l + m) / 2).isEqualTo(50);
    }

    /** The line that turns off upwards lies on that side, so that the two do not cross. */
    @Test
    void partedLinesDoNotCross() {
        Map<String, List<Point>> apart = spread(Map.of("l", way(0, 0, 50, 0, 50, 100, 0, 100),
                "m", way(100, 40, 50, 40, 50, 140, 100, 140)));
        assertThat(apart.get("l").get(1).x()).isLessThan(apart.get("m").get(1).x());
    }

    @Test
    void linesThatOnlyFollowEachOtherStay() {
        Map<String, List<Point>> ways = Map.of("l", way(0, 0, 50, 0, 50, 100, 100, 100),
                "m", way(0, 200, 50, 200, 50, 300, 100, 300));
        assertThat(spread(ways)).isEqualTo(ways);
    }

    @Test
    void whatTouchesCardsOrWasDrawnByHandStays() {
        Map<String, List<Point>> touching = Map.of("l", way(0, 0, 100, 0), "m", way(20, 0, 80, 0));
        assertThat(spread(touching)).isEqualTo(touching);
        List<Point> hand = way(0, 0, 50, 0, 50, 100, 100, 100);
        Map<String, List<Point>> apart =
                spread(Map.of("l", hand, "m", way(0, 40, 50, 40, 50, 140, 100, 140)), "l");
        assertThat(apart.get("l")).isEqualTo(hand);
        assertThat(apart.get("m").get(1).x()).isNotEqualTo(50);
    }

    /** However many share a lane, they stay within the room that lines keep from cards. */
    @Test
    void manyLinesStayTogether() {
        Map<String, List<Point>> ways = new LinkedHashMap<>();
        for (int i = 0; i < 12; i++) {
            ways.put("l" + i, way(0, 4 * i, 50, 4 * i, 50, 200 + 4 * i, 100, 200 + 4 * i));
        }
        List<Double> lanes = spread(ways).values().stream().map(points -> points.get(1).x()).toList();
        assertThat(lanes).doesNotHaveDuplicates().allMatch(x -> Math.abs(x - 50) <= 18);
    }

    /** Ends stay where they are, and each stretch stays level or upright, for any lines. */
    @Test
    void waysStayWays() {
        Random random = new Random(5);
        for (int round = 0; round < 300; round++) {
            Map<String, List<Point>> ways = new LinkedHashMap<>();
            for (int i = 0; i < 2 + random.nextInt(6); i++) {
                List<Point> points = way(random.nextInt(9) * 20, random.nextInt(9) * 20);
                boolean level = random.nextBoolean();
                for (int corner = 0; corner < 2 + random.nextInt(4); corner++, level = !level) {
                    Point last = points.getLast();
                    double by = 20 * (1 + random.nextInt(5)) * (random.nextBoolean() ? 1 : -1);
                    points.add(level ? last.plus(by, 0) : last.plus(0, by));
                }
                ways.put("l" + i, points);
            }
            spread(ways).forEach((id, points) -> {
                List<Point> before = ways.get(id);
                assertThat(points).hasSameSizeAs(before);
                assertThat(points.getFirst()).isEqualTo(before.getFirst());
                assertThat(points.getLast()).isEqualTo(before.getLast());
                for (int i = 0; i + 1 < points.size(); i++) {
                    assertThat(points.get(i).x() == points.get(i + 1).x() || points.get(i).y() == points.get(i + 1).y())
                            .as("%s", points).isTrue();
                }
            });
        }
    }
}
