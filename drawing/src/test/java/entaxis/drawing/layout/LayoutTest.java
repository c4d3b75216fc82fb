package entaxis.drawing.layout;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.change.SheetAspect;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Design;
import entaxis.core.design.EntityId;
import entaxis.core.design.LineShape;
import entaxis.core.design.Notation;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Place;
import entaxis.core.random.RandomDesigns;
import entaxis.core.small.Small;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Point;
import entaxis.drawing.quality.Quality;
import entaxis.drawing.route.Link;
import entaxis.drawing.route.Router;
import entaxis.drawing.scene.Card;
import entaxis.drawing.scene.Lens;
import entaxis.drawing.scene.Scene;
import entaxis.drawing.scene.SceneMaker;
import entaxis.drawing.text.TextMeasure;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.junit.jupiter.api.Test;

class LayoutTest {
    private static Card card(String id, double x, double y, double width, double height) {
        return new Card(new EntityId(id), new Box(x, y, width, height), id, OptionalInt.empty(), false, List.of(),
                List.of());
    }

    private static Scene scene(Card... cards) {
        return new Scene(Lens.CONCEPT, Notation.CROWS_FOOT, List.of(cards), List.of(), List.of(), List.of(), List.of(),
                Optional.empty());
    }

    @Test
    void cardsAreAlignedWithTheFirst() {
        List<Card> cards = List.of(card("e1", 10, 20, 100, 40), card("e2", 55, 90, 60, 80));
        assertThat(Alignment.LEFT.of(cards)).containsEntry(new EntityId("e2"), new Place(10, 90));
        assertThat(Alignment.RIGHT.of(cards)).containsEntry(new EntityId("e2"), new Place(50, 90));
        assertThat(Alignment.MIDDLE.of(cards)).containsEntry(new EntityId("e2"), new Place(55, 0));
        assertThat(Alignment.TOP.of(cards.subList(0, 1))).isEmpty();
    }

    @Test
    void distributedCardsHaveEvenGaps() {
        List<Card> cards = List.of(card("e3", 400, 0, 50, 10), card("e1", 0, 5, 100, 10), card("e2", 110, 9, 60, 10));
        Map<OwnerId, Place> places = Alignment.ACROSS.of(cards);
        assertThat(places.get(new EntityId("e1"))).isEqualTo(new Place(0, 5));
        assertThat(places.get(new EntityId("e2"))).isEqualTo(new Place(220, 9));
        assertThat(places.get(new EntityId("e3"))).isEqualTo(new Place(400, 0));
    }

    @Test
    void aDroppedCardSnapsToANeighbourThatIsNearlyInLine() {
        Scene scene = scene(card("e1", 0, 0, 100, 40), card("e2", 300, 300, 100, 40));
        assertThat(Snapping.snapped(scene, new EntityId("e2"), new Place(6, 120))).isEqualTo(new Place(0, 120));
        assertThat(Snapping.snapped(scene, new EntityId("e2"), new Place(40, 120))).isEqualTo(new Place(40, 120));
    }

    @Test
    void pinnedCardsStayAndNothingIsLaidOnThem() {
        for (int seed = 0; seed < 10; seed++) {
            Design design = RandomDesigns.design(seed, 14);
            Set<OwnerId> pinned = Set.of(design.entities().list().get(2).id(), design.entities().list().get(5).id());
            Design with = ((Applied) Editor.apply(design,
                    new Change.AlterSheet(design.sheet().id(), new SheetAspect.Pinned(pinned, true)))).design();
            Scene scene = new SceneMaker(Lens.CONCEPT, new TextMeasure()).make(with, Derivation.of(with), with.sheet(),
                    Dialect.of(Target.POSTGRESQL));
            Map<OwnerId, Place> places = AutoLayout.arrange(scene);
            assertThat(places).doesNotContainKeys(pinned.toArray(OwnerId[]::new)).hasSize(scene.cards().size() - 2);
            List<Card> laid =
                    scene.cards().stream()
                            .map(card -> places.containsKey(card.owner())
                                    ? card.at(places.get(card.owner()).x(), places.get(card.owner()).y()) : card)
                            .toList();
            for (Card one : laid) {
                assertThat(laid.stream().filter(other -> other != one && other.box().overlaps(one.box()))).isEmpty();
            }
        }
    }

    @Test
    void straighteningMovesTheCardLevelWithTheOther() {
        Small small = new Small().entity("A", "a integer primary key").entity("B", "b integer primary key").relate("A",
                "has", Cardinality.EXACTLY_ONE, "B", "of", Cardinality.ZERO_OR_MORE, false);
        small.done(new Change.PlaceCards(small.design().sheet().id(),
                Map.of(small.id("A"), new Place(0, 0), small.id("B"), new Place(400, 300))));
        Scene scene = new SceneMaker(Lens.CONCEPT, new TextMeasure()).make(small.design(),
                Derivation.of(small.design()), small.design().sheet(), Dialect.of(Target.POSTGRESQL));
        small.done(new Change.PlaceCards(small.design().sheet().id(), Straightening.of(scene, "r1")));
        Scene after = new SceneMaker(Lens.CONCEPT, new TextMeasure()).make(small.design(),
                Derivation.of(small.design()), small.design().sheet(), Dialect.of(Target.POSTGRESQL));
        assertThat(after.lines().getFirst().points()).hasSize(2);
    }

    @Test
    void asArrangedLinesCrossAndBendAsSeldomAsTheLibraryHadThem() {
        int library = 0;
        int ours = 0;
        for (int seed = 0; seed < 12; seed++) {
            Design design = RandomDesigns.design(seed, 24);
            Scene scene = new SceneMaker(Lens.TABLES, new TextMeasure()).make(design, Derivation.of(design),
                    design.sheet(), Dialect.of(Target.POSTGRESQL));
            ElkGraph graph = ElkGraph.of(scene.cards(), scene.lines());
            graph.layOut();
            Map<String, Box> boxes = new LinkedHashMap<>();
            scene.cards().forEach(card -> boxes.put(card.owner().value(),
                    card.at(graph.place(card).x(), graph.place(card).y()).box()));
            Map<String, LineShape> ways = AutoLayout.ways(scene);
            List<Link> links = scene.lines().stream().filter(line -> ways.containsKey(line.id()))
                    .map(line -> new Link(line.id(), line.first().card(), boxes.get(line.first().card()),
                    line.second().card(), boxes.get(line.second().card()), ways.get(line.id()))).toList();
            Map<String, List<Point>> routed = new LinkedHashMap<>();
            new Router().route(boxes, links).forEach((id, route) -> routed.put(id, route.points()));
            Map<String, List<Point>> theirs = graph.ways();
            theirs.keySet().retainAll(routed.keySet());
            Quality is = Quality.of(List.copyOf(boxes.values()), routed);
            Quality was = Quality.of(List.copyOf(boxes.values()), theirs);
            assertThat(is.through()).isZero();
            library += was.crossings() + was.bends();
            ours += is.crossings() + is.bends();
        }
        assertThat(library).isPositive();
        assertThat(ours).isLessThanOrEqualTo(library * 101 / 100);
    }

    /**
     * Where the layout's own ways are not kept, and after cards were moved to where there is room, no line runs over
     * another's ends or along it.
     */
    @Test
    void linesKeepApartOnLargeSheetsWhereTheRouterIsOnItsOwn() {
        for (int seed = 0; seed < 10; seed++) {
            Design design = RandomDesigns.design(seed, 40 + 12 * seed);
            Scene scene = new SceneMaker(Lens.TABLES, new TextMeasure()).make(design, Derivation.of(design),
                    design.sheet(), Dialect.of(Target.POSTGRESQL));
            Map<OwnerId, Place> places = AutoLayout.arrange(scene);
            Map<String, Box> boxes = new LinkedHashMap<>();
            scene.cards().forEach(card -> boxes.put(card.owner().value(),
                    card.at(places.get(card.owner()).x(), places.get(card.owner()).y()).box()));
            Random random = new Random(seed);
            Router router = new Router();
            for (int moves = 0; moves < 4; moves++) {
                List<Link> links = scene.lines().stream().filter(
                        line -> boxes.containsKey(line.first().card()) && boxes.containsKey(line.second().card()))
                        .map(line -> new Link(line.id(), line.first().card(), boxes.get(line.first().card()),
                                line.second().card(), boxes.get(line.second().card())))
                        .toList();
                Map<String, List<Point>> ways = new LinkedHashMap<>();
                router.route(boxes, links).forEach((id, route) -> ways.put(id, route.points()));
                Quality quality = Quality.of(List.copyOf(boxes.values()), ways);
                assertThat(quality.through()).as("seed %d, moved %d times: through cards", seed, moves).isZero();
                assertThat(quality.shared()).as("seed %d, moved %d times: on each other", seed, moves).isZero();
                for (String card : List.copyOf(boxes.keySet())) {
                    Box box = boxes.get(card);
                    Box there = new Box(box.x() + random.nextInt(-300, 300), box.y() + random.nextInt(-300, 300),
                            box.width(), box.height());
                    if (random.nextInt(6) == 0 && boxes.entrySet().stream().noneMatch(
                            other -> !other.getKey().equals(card) && other.getValue().overlaps(there.grown(60)))) {
                        boxes.put(card, there);
                    }
                }
            }
        }
    }
}
