package entaxis.drawing.scene;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.design.Cardinality;
import entaxis.core.design.EntityId;
import entaxis.core.design.Notation;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Edge;
import entaxis.drawing.geometry.Point;
import entaxis.drawing.scene.Line.Label;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;

class LabelPlacerTest {
    private static final TextMeasure MEASURE = new TextMeasure();
    private static final Card LEFT = card("a", new Box(0, 0, 100, 100));
    private static final Card RIGHT = card("b", new Box(400, 0, 100, 100));

    private static Card card(String id, Box box) {
        return new Card(new EntityId("e" + id), box, id, OptionalInt.empty(), false, List.of(), List.of());
    }

    private static Line line(Point... points) {
        LineEnd one = new LineEnd("a", Edge.RIGHT, Cardinality.EXACTLY_ONE, Cardinality.ZERO_OR_MORE, false, List.of(),
                false);
        LineEnd other = new LineEnd("b", Edge.LEFT, Cardinality.ZERO_OR_MORE, Cardinality.EXACTLY_ONE, true, List.of(),
                false);
        return new Line("l", "l", true, false, false, List.of(points), one, other, List.of(), Optional.empty());
    }

    private static LabelPlacer placer(List<Card> cards, Line... lines) {
        return new LabelPlacer(MEASURE, cards, List.of(lines), Notation.CROWS_FOOT);
    }

    @Test
    void inTheMiddleAboveALevelLine() {
        Line line = line(new Point(100, 50), new Point(400, 50));
        Label label = placer(List.of(LEFT, RIGHT), line).place("stores", line.points());
        assertThat(label.box().centreX()).isEqualTo(250);
        assertThat(label.box().bottom()).isBetween(45.0, 50.0);
        assertThat(label.box().width()).isGreaterThan(MEASURE.width("stores", TextStyle.VERB));
    }

    @Test
    void besideTheLongestStretch() {
        Line line = line(new Point(100, 50), new Point(140, 50), new Point(140, 400), new Point(180, 400));
        Label label = placer(List.of(LEFT), line).place("stores", line.points());
        assertThat(label.box().centreY()).isEqualTo(225);
        assertThat(label.box().x()).isGreaterThan(140);
    }

    @Test
    void clearOfCardsOfOtherTextsAndOfOtherLines() {
        Line line = line(new Point(100, 50), new Point(400, 50));
        Card above = card("c", new Box(200, 10, 100, 38));
        Label below = placer(List.of(LEFT, RIGHT, above), line).place("stores", line.points());
        assertThat(below.box().y()).as("a card stands above").isGreaterThan(50);

        LabelPlacer placer = placer(List.of(LEFT, RIGHT), line);
        Label first = placer.place("stores", line.points());
        Label second = placer.place("is stored in", line.points());
        assertThat(first.box().overlaps(second.box())).isFalse();

        Line crossing = line(new Point(250, 0), new Point(250, 49));
        Label aside = placer(List.of(LEFT, RIGHT), line, crossing).place("stores", line.points());
        assertThat(aside.box().overlaps(new Box(249, 0, 2, 49))).isFalse();
    }

    /** Where there is no room at all, the text stands on the line rather than nowhere. */
    @Test
    void withoutRoomItStandsAllTheSame() {
        Line line = line(new Point(100, 50), new Point(110, 50));
        Card all = card("c", new Box(-500, -500, 2000, 2000));
        Label label = placer(List.of(all), line).place("stores", line.points());
        assertThat(label.text()).isEqualTo("stores");
        assertThat(label.box().centreX()).isEqualTo(105);
    }
}
