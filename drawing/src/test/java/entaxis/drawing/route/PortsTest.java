package entaxis.drawing.route;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.design.CardSide;
import entaxis.core.design.LineShape;
import entaxis.core.design.Place;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Edge;
import entaxis.drawing.geometry.Point;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PortsTest {
    private static final Box A = new Box(0, 0, 100, 100);

    private static Link link(String id, Box first, Box second) {
        return new Link(id, "a", first, "b" + id, second);
    }

    /** The sides that face each other, for a card beside, above or below with room for the signs between. */
    @ParameterizedTest
    @CsvSource({"300, 0, RIGHT, LEFT", "-300, 0, LEFT, RIGHT", "0, 300, BOTTOM, TOP", "0, -300, TOP, BOTTOM",
        "300, 300, RIGHT, LEFT", "120, 300, BOTTOM, TOP"})
    void facingSides(double x, double y, Edge first, Edge second) {
        Link link = link("l", A, new Box(x, y, 100, 100));
        Ports ports = new Ports(List.of(link));
        assertThat(ports.first(link).side()).isEqualTo(first);
        assertThat(ports.second(link).side()).isEqualTo(second);
    }

    @Test
    void theSidesThatWereChosenByHand() {
        LineShape shape = new LineShape(Optional.of(CardSide.TOP), Optional.of(CardSide.BOTTOM), List.of(), false);
        Link link = new Link("l", "a", A, "b", new Box(300, 0, 100, 100), shape);
        Ports ports = new Ports(List.of(link));
        assertThat(ports.first(link).side()).isEqualTo(Edge.TOP);
        assertThat(ports.second(link).side()).isEqualTo(Edge.BOTTOM);
    }

    @Test
    void oneLineIsStraightWhereTheCardsFaceEachOther() {
        Link link = link("l", A, new Box(300, 60, 100, 100));
        Ports ports = new Ports(List.of(link));
        assertThat(ports.first(link).point()).isEqualTo(new Point(100, 80));
        assertThat(ports.second(link).point()).isEqualTo(new Point(300, 80));
    }

    /** Ends on one side keep their distance, stay off the corners and come in the order of what they lead to. */
    @ParameterizedTest
    @CsvSource({"2", "3", "4", "8"})
    void manyLinesOnOneSide(int count) {
        List<Link> links = IntStream.range(0, count)
                .mapToObj(i -> link("l" + i, A, new Box(400, 400 - 150 * i, 80, 60))).toList();
        Ports ports = new Ports(links);
        List<Double> places = links.stream().map(link -> ports.first(link).point().y()).toList();
        for (int i = 0; i + 1 < count; i++) {
            assertThat(places.get(i) - places.get(i + 1)).as("distance in the order of the cards")
                    .isGreaterThanOrEqualTo(Math.min(22, 76.0 / (count - 1)) - 1e-9);
        }
        assertThat(places).allMatch(y -> y >= 12 - 1e-9 && y <= 88 + 1e-9);
    }

    @Test
    void aLoopLeavesByOneSideAndComesBackByAnother() {
        Link loop = new Link("l", "a", A, "a", A);
        Ports ports = new Ports(List.of(loop));
        assertThat(Stream.of(ports.first(loop), ports.second(loop)).map(Port::side)).containsExactly(Edge.TOP,
                Edge.LEFT);
    }

    /** An end is level with the corner that was set by hand. */
    @Test
    void cornersSetByHand() {
        LineShape shape = new LineShape(Optional.empty(), Optional.empty(),
                List.of(new Place(200, 30), new Place(200, 360)), false);
        Link link = new Link("l", "a", A, "b", new Box(300, 300, 100, 100), shape);
        Ports ports = new Ports(List.of(link));
        assertThat(ports.first(link).point()).isEqualTo(new Point(100, 30));
        assertThat(ports.second(link).point()).isEqualTo(new Point(300, 360));
    }

    @Test
    void anEndMovesAlongItsSideWhereThereIsRoom() {
        Link one = link("l", A, new Box(300, 0, 100, 100));
        Link other = link("m", A, new Box(300, 200, 100, 100));
        Ports ports = new Ports(List.of(one, other));
        Port port = ports.first(one);
        double apart = ports.first(other).point().y() - port.point().y();
        assertThat(ports.along(one, true, port, apart - 4)).as("too near to the other line").isEmpty();
        assertThat(ports.along(one, true, port, -100)).as("off the side").isEmpty();
        assertThat(ports.along(one, true, port, -6)).contains(new Port(port.point().plus(0, -6), Edge.RIGHT));
        assertThat(ports.first(one).point()).as("it is remembered").isEqualTo(port.point().plus(0, -6));
    }
}
