package entaxis.drawing.route;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.derive.Derivation;
import entaxis.core.design.CardSide;
import entaxis.core.design.Design;
import entaxis.core.design.LineShape;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Place;
import entaxis.core.design.Side;
import entaxis.core.random.RandomDesigns;
import entaxis.core.random.Rounds;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Edge;
import entaxis.drawing.geometry.Point;
import entaxis.drawing.layout.AutoLayout;
import entaxis.drawing.quality.Quality;
import entaxis.drawing.scene.Card;
import entaxis.drawing.scene.Lens;
import entaxis.drawing.scene.Scene;
import entaxis.drawing.scene.SceneMaker;
import entaxis.drawing.text.TextMeasure;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

class RouterTest {

    private static Link link(String id, Map<String, Box> boxes, String first, String second) {
        return new Link(id, first, boxes.get(first), second, boxes.get(second));
    }

    private static boolean crosses(Box box, Point a, Point b) {
        return Math.min(a.x(), b.x()) < box.right() && Math.max(a.x(), b.x()) > box.x()
                && Math.min(a.y(), b.y()) < box.bottom() && Math.max(a.y(), b.y()) > box.y();
    }

    private static boolean onEdge(Box box, Point point, Edge side) {
        return switch (side) {
            case LEFT -> point.x() == box.x() && point.y() >= box.y() && point.y() <= box.bottom();
            case RIGHT -> point.x() == box.right() && point.y() >= box.y() && point.y() <= box.bottom();
            case TOP -> point.y() == box.y() && point.x() >= box.x() && point.x() <= box.right();
            case BOTTOM -> point.y() == box.bottom() && point.x() >= box.x() && point.x() <= box.right();
        };
    }

    @Test
    void cardsThatFaceEachOtherAreJoinedByAStraightLine() {
        Map<String, Box> boxes = Map.of("a", new Box(0, 0, 100, 80), "b", new Box(300, 20, 100, 80));
        Route route = new Router().route(boxes, List.of(link("l", boxes, "a", "b"))).get("l");
        assertThat(route.points()).containsExactly(new Point(100, 50), new Point(300, 50));
    }

    @Test
    void aCardInBetweenIsGoneAround() {
        Map<String, Box> boxes =
                Map.of("a", new Box(0, 0, 100, 80), "b", new Box(500, 0, 100, 80), "c", new Box(250, -40, 100, 160));
        Route route = new Router().route(boxes, List.of(link("l", boxes, "a", "b"))).get("l");
        assertThat(route.points()).hasSizeGreaterThan(2);
        for (int i = 0; i + 1 < route.points().size(); i++) {
            assertThat(crosses(boxes.get("c"), route.points().get(i), route.points().get(i + 1))).isFalse();
        }
    }

    @Test
    void aLineBackToItsCardLeavesAndComesBackOutside() {
        Map<String, Box> boxes = Map.of("a", new Box(0, 0, 150, 120));
        Route route = new Router().route(boxes, List.of(link("l", boxes, "a", "a"))).get("l");
        assertThat(route.firstSide()).isNotEqualTo(route.secondSide());
        for (int i = 0; i + 1 < route.points().size(); i++) {
            assertThat(crosses(boxes.get("a"), route.points().get(i), route.points().get(i + 1))).isFalse();
        }
    }

    @Test
    void linesBetweenOnePairLieApart() {
        Map<String, Box> boxes = Map.of("a", new Box(0, 0, 100, 100), "b", new Box(300, 0, 100, 100));
        Map<String, Route> routes = new Router().route(boxes,
                List.of(link("l", boxes, "a", "b"), link("m", boxes, "a", "b"), link("n", boxes, "b", "a")));
        assertThat(routes.values().stream().map(route -> route.points().getFirst().y()).distinct()).hasSize(3);
    }

    /**
     * On scattered cards with room between them: every line is orthogonal, ends on its cards' edges, and goes through
     * no card.
     */
    @Test
    void rulesThatHoldForEverySheet() {
        for (int seed = 0; seed < Rounds.of(16); seed++) {
            Random random = new Random(seed);
            Map<String, Box> boxes = scattered(random, 30);
            List<Link> links = links(random, boxes, 40);
            Map<String, Route> routes = new Router().route(boxes, links);
            for (Link link : links) {
                Route route = routes.get(link.id());
                List<Point> points = route.points();
                assertThat(onEdge(link.first(), points.getFirst(), route.firstSide())).isTrue();
                assertThat(onEdge(link.second(), points.getLast(), route.secondSide())).isTrue();
                for (int i = 0; i + 1 < points.size(); i++) {
                    Point a = points.get(i);
                    Point b = points.get(i + 1);
                    assertThat(a.x() == b.x() || a.y() == b.y()).as("orthogonal: %s", points).isTrue();
                    assertThat(boxes.values().stream().filter(box -> crosses(box, a, b)))
                            .as("seed %d line %s", seed, link.id()).isEmpty();
                }
            }
        }
    }

    @Test
    void whatNothingTouchedKeepsItsWay() {
        Random random = new Random(5);
        Map<String, Box> boxes = scattered(random, 40);
        List<Link> links = links(random, boxes, 40);
        Router router = new Router();
        Map<String, Route> before = router.route(boxes, links);
        assertThat(router.route(boxes, links)).isEqualTo(before);
        Map<String, Box> moved = new LinkedHashMap<>(boxes);
        Box box = boxes.get("c0");
        moved.put("c0", new Box(box.x() - 30, box.y() - 20, box.width(), box.height()));
        Map<String, Route> after = router.route(moved,
                links.stream().map(link -> link(link.id(), moved, link.firstCard(), link.secondCard())).toList());
        Box near = box.union(moved.get("c0")).grown(400);
        long kept =
                links.stream().filter(link -> !link.first().overlaps(near) && !link.second().overlaps(near)).count();
        assertThat(kept).isPositive();
        assertThat(links.stream().filter(link -> after.get(link.id()).equals(before.get(link.id()))).count())
                .isGreaterThanOrEqualTo(links.size() / 2);
    }

    @Test
    void cardsThatOverlapStillGetALine() {
        Map<String, Box> boxes = Map.of("a", new Box(0, 0, 100, 100), "b", new Box(20, 20, 100, 100));
        assertThat(new Router().route(boxes, List.of(link("l", boxes, "a", "b"))).get("l").points())
                .hasSizeGreaterThanOrEqualTo(2);
    }

    private static Map<String, Box> scattered(Random random, int count) {
        Map<String, Box> boxes = new LinkedHashMap<>();
        for (int i = 0; i < count; i++) {
            boxes.put("c" + i, new Box(i % 6 * 340 + random.nextInt(80), i / 6 * 300 + random.nextInt(60),
                    130 + random.nextInt(90), 60 + random.nextInt(120)));
        }
        return boxes;
    }

    private static List<Link> links(Random random, Map<String, Box> boxes, int count) {
        List<Link> links = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            links.add(link("l" + i, boxes, "c" + random.nextInt(boxes.size()), "c" + random.nextInt(boxes.size())));
        }
        return links;
    }

    @Test
    void aLineLeavesFromTheSideThatWasChosen() {
        Map<String, Box> boxes = Map.of("a", new Box(0, 0, 100, 80), "b", new Box(300, 20, 100, 80));
        LineShape shape = LineShape.FREE.leaving(Side.FIRST, Optional.of(CardSide.BOTTOM)).leaving(Side.SECOND,
                Optional.of(CardSide.TOP));
        Route route = new Router().route(boxes, List.of(new Link("l", "a", boxes.get("a"), "b", boxes.get("b"), shape)))
                .get("l");
        assertThat(route.firstSide()).isEqualTo(Edge.BOTTOM);
        assertThat(onEdge(boxes.get("b"), route.points().getLast(), Edge.TOP)).isTrue();
    }

    /** Corners set by hand stay where they are; the outer stretches follow the cards. */
    @Test
    void cornersSetByHandStayWhenACardMoves() {
        LineShape shape = new LineShape(Optional.of(CardSide.RIGHT), Optional.of(CardSide.LEFT),
                List.of(new Place(140, 40), new Place(140, 400), new Place(260, 400), new Place(260, 60)));
        Router router = new Router();
        for (int y : new int[] {20, 90, -40}) {
            Map<String, Box> boxes = Map.of("a", new Box(0, 0, 100, 80), "b", new Box(300, y, 100, 80));
            Route route = router.route(boxes, List.of(new Link("l", "a", boxes.get("a"), "b", boxes.get("b"), shape)))
                    .get("l");
            assertThat(route.points()).contains(new Point(140, 400), new Point(260, 400)).hasSize(6);
            assertThat(onEdge(boxes.get("b"), route.points().getLast(), Edge.LEFT)).isTrue();
        }
    }

    /** Corners that no longer fit the sides are not drawn askew: the router finds a way of its own. */
    @Test
    void cornersThatDoNotFitAreLeftOut() {
        Map<String, Box> boxes = Map.of("a", new Box(0, 0, 100, 80), "b", new Box(300, 20, 100, 80));
        LineShape shape = new LineShape(Optional.of(CardSide.RIGHT), Optional.of(CardSide.LEFT),
                List.of(new Place(-200, 40), new Place(-200, 70)));
        Route route = new Router().route(boxes, List.of(new Link("l", "a", boxes.get("a"), "b", boxes.get("b"), shape)))
                .get("l");
        assertThat(route.points()).doesNotContain(new Point(-200, 40));
    }

    /** An inner stretch gives way to one that touches a card. */
    @Test
    void linesDoNotLieOnTheEndsOfOthers() {
        for (int seed = 0; seed < 12; seed++) {
            Design design = RandomDesigns.design(seed, 16);
            for (Lens lens : Lens.values()) {
                Scene scene = new SceneMaker(lens, new TextMeasure()).make(design, Derivation.of(design),
                        design.sheet(), Dialect.of(Target.POSTGRESQL));
                Map<OwnerId, Place> places = AutoLayout.arrange(scene);
                Design arranged = design.with(design.sheet().withPlaces(places));
                Scene after = new SceneMaker(lens, new TextMeasure()).make(arranged, Derivation.of(arranged),
                        arranged.sheet(), Dialect.of(Target.POSTGRESQL));
                Map<String, List<Point>> ways = new LinkedHashMap<>();
                after.lines().forEach(line -> ways.put(line.id(), line.points()));
                Quality quality = Quality.of(after.cards().stream().map(Card::box).toList(), ways);
                assertThat(quality.through()).as("seed %d, %s: through cards", seed, lens).isZero();
                assertThat(quality.shared()).as("seed %d, %s: on each other", seed, lens).isZero();
            }
        }
    }
}
