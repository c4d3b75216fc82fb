package entaxis.drawing.layout;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.design.Cardinality;
import entaxis.core.design.EntityId;
import entaxis.core.design.Notation;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Place;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Edge;
import entaxis.drawing.geometry.Point;
import entaxis.drawing.scene.Card;
import entaxis.drawing.scene.Lens;
import entaxis.drawing.scene.Line;
import entaxis.drawing.scene.LineEnd;
import entaxis.drawing.scene.Scene;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Cards put in line, spread, snapped to their neighbours and moved so that a line is straight. */
class CardMovesTest {
    private static final Card A = card("a", new Box(0, 0, 100, 80));
    private static final Card B = card("b", new Box(300, 200, 60, 40));
    private static final Card C = card("c", new Box(150, 500, 200, 100));

    private static Card card(String id, Box box) {
        return new Card(id(id), box, id, OptionalInt.empty(), false, List.of(), List.of());
    }

    private static Scene scene(List<Line> lines, Card... cards) {
        return new Scene(Lens.CONCEPT, Notation.CROWS_FOOT, List.of(cards), lines, List.of(), List.of(), List.of(),
                Optional.empty());
    }

    private static Line line(String first, String second) {
        LineEnd one = new LineEnd("e" + first, Edge.RIGHT, Cardinality.EXACTLY_ONE, Cardinality.ZERO_OR_MORE, false,
                List.of(), false);
        LineEnd other = new LineEnd("e" + second, Edge.LEFT, Cardinality.ZERO_OR_MORE, Cardinality.EXACTLY_ONE, true,
                List.of(), false);
        return new Line("l", "l", true, false, false, List.of(new Point(0, 0), new Point(1, 0)), one, other, List.of(),
                Optional.empty());
    }

    private static OwnerId id(String id) {
        return new EntityId("e" + id);
    }

    /** The second card beside the first, which stays. */
    @ParameterizedTest
    @CsvSource({"LEFT, 0, 200", "CENTRE, 20, 200", "RIGHT, 40, 200", "TOP, 300, 0", "MIDDLE, 300, 20",
        "BOTTOM, 300, 40"})
    void inLineWithTheFirst(Alignment alignment, int x, int y) {
        assertThat(alignment.of(List.of(A, B))).isEqualTo(
                Map.of(id("a"), new Place(0, 0), id("b"), new Place(x, y)));
    }

    /** Between the outermost two, in whatever order the cards were chosen. */
    @Test
    void evenGaps() {
        assertThat(Alignment.DOWN.of(List.of(C, A, B))).isEqualTo(Map.of(id("a"), new Place(0, 0), id("b"),
                new Place(300, 270), id("c"), new Place(150, 500)));
        // 0 to 100, 300 to 360 and 150 to 350: more card than room, so the gaps are below nothing, but even
        Map<OwnerId, Place> across = Alignment.ACROSS.of(List.of(A, B, C));
        assertThat(across.get(id("a"))).isEqualTo(new Place(0, 0));
        assertThat(across.get(id("c"))).isEqualTo(new Place(100, 500));
        assertThat(across.get(id("b"))).isEqualTo(new Place(300, 200));
    }

    @ParameterizedTest
    @EnumSource(Alignment.class)
    void oneCardStays(Alignment alignment) {
        assertThat(alignment.of(List.of(A))).isEmpty();
        assertThat(alignment.of(List.of())).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"6, 300, 0, 300", "-8, 300, 0, 300", "9, 300, 9, 300", "300, 5, 300, 0", "300, 26, 300, 20",
        "45, 37, 40, 40", "1500, 2, 1500, 2"})
    void snapping(int x, int y, int snappedX, int snappedY) {
        assertThat(Snapping.snapped(scene(List.of(), A, B), id("b"), new Place(x, y)))
                .isEqualTo(new Place(snappedX, snappedY));
    }

    @Test
    void theNearestNeighbourWins() {
        Card near = card("n", new Box(3, 400, 100, 80));
        assertThat(Snapping.snapped(scene(List.of(), A, near, B), id("b"), new Place(2, 200)))
                .isEqualTo(new Place(3, 200));
        assertThat(Snapping.snapped(scene(List.of(), A), id("gone"), new Place(2, 200))).isEqualTo(new Place(2, 200));
    }

    /** Cards beside each other are brought to one height, cards above each other to one middle. */
    @Test
    void straightening() {
        assertThat(Straightening.of(scene(List.of(line("a", "b")), A, B), "l"))
                .isEqualTo(Map.of(id("b"), new Place(300, 20)));
        Card below = card("d", new Box(90, 200, 60, 40));
        assertThat(Straightening.of(scene(List.of(line("a", "d")), A, below), "l"))
                .isEqualTo(Map.of(id("d"), new Place(20, 200)));
    }

    @Test
    void thePinnedCardStays() {
        assertThat(Straightening.of(scene(List.of(line("a", "b")), A, B.pinned(true)), "l"))
                .isEqualTo(Map.of(id("a"), new Place(0, 180)));
        assertThat(Straightening.of(scene(List.of(line("a", "b")), A.pinned(true), B.pinned(true)), "l")).isEmpty();
    }

    @Test
    void nothingToStraighten() {
        Card beside = card("e", new Box(300, 40, 60, 40));
        assertThat(Straightening.of(scene(List.of(line("a", "e")), A, beside), "l")).isEmpty();
        assertThat(Straightening.of(scene(List.of(line("a", "a")), A), "l")).isEmpty();
        assertThat(Straightening.of(scene(List.of(), A), "l")).isEmpty();
    }
}
