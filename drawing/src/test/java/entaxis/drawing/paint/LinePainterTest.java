package entaxis.drawing.paint;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.design.Cardinality;
import entaxis.core.design.Notation;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Edge;
import entaxis.drawing.geometry.Point;
import entaxis.drawing.paint.Recorded.Drawn;
import entaxis.drawing.scene.Line;
import entaxis.drawing.scene.LineEnd;
import entaxis.drawing.text.TextMeasure;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class LinePainterTest {
    private static final Point FROM = new Point(100, 50);
    private static final Point TO = new Point(300, 50);
    /** Where the signs of the second end stand. */
    private static final Box AT_SECOND = new Box(250, 30, 51, 40);
    private static final Box AT_FIRST = new Box(99, 30, 50, 40);

    private static LineEnd end(Edge side, Cardinality own, Cardinality opposite, List<Integer> assumptions,
            boolean alternative) {
        return new LineEnd("card", side, own, opposite, own.many(), assumptions, alternative);
    }

    private static Line line(Cardinality first, Cardinality second) {
        return new Line("r1", "r1", false, false, false, List.of(FROM, TO),
                end(Edge.RIGHT, first, second, List.of(), false), end(Edge.LEFT, second, first, List.of(), false),
                List.of(), Optional.empty());
    }

    private static Recorded drawn(Line line, Notation notation) {
        Recorded on = new Recorded();
        new LinePainter(new TextMeasure()).paint(line, notation, on);
        assertThat(on.open()).as("groups left open").isZero();
        return on;
    }

    private static long circles(List<Drawn> drawn) {
        return drawn.stream().filter(Drawn::circle).count();
    }

    /** A bar is an upright stroke over a level line. */
    private static long bars(List<Drawn> drawn) {
        return drawn.stream().filter(one -> !one.circle() && one.box().width() == 0 && one.box().height() == 12)
                .count();
    }

    private static long feet(List<Drawn> drawn) {
        return drawn.stream().filter(one -> !one.circle() && one.box().width() == 12 && one.box().height() == 12)
                .count();
    }

    /** Common practice: outwards from the card the maximum (foot or bar), then the minimum (circle or bar). */
    @ParameterizedTest
    @CsvSource({"1, 1, 0, 2, 0", "0, 1, 1, 1, 0", "1, -1, 0, 1, 1", "0, -1, 1, 0, 1", "2, 5, 0, 1, 1"})
    void crowsFeet(int min, int max, long circles, long bars, long feet) {
        Cardinality cardinality = new Cardinality(min, max < 0 ? Cardinality.MANY : max);
        List<Drawn> signs = drawn(line(Cardinality.EXACTLY_ONE, cardinality), Notation.CROWS_FOOT).within(AT_SECOND);
        assertThat(circles(signs)).isEqualTo(circles);
        assertThat(bars(signs)).isEqualTo(bars);
        assertThat(feet(signs)).isEqualTo(feet);
    }

    @Test
    void theFootOpensTowardsTheCard() {
        List<Drawn> signs = drawn(line(Cardinality.EXACTLY_ONE, Cardinality.ZERO_OR_MORE), Notation.CROWS_FOOT)
                .within(AT_SECOND);
        Box foot = signs.stream().filter(one -> one.box().width() == 12).findFirst().orElseThrow().box();
        Box circle = signs.stream().filter(Drawn::circle).findFirst().orElseThrow().box();
        assertThat(foot.right()).isEqualTo(TO.x());
        assertThat(circle.right()).as("the circle lies behind the heel").isLessThanOrEqualTo(foot.x());
    }

    /** The same signs whichever side of the card they stand at: turned, not drawn otherwise. */
    @ParameterizedTest
    @EnumSource(Edge.class)
    void signsTurnWithTheSide(Edge side) {
        Point at = new Point(0, 0);
        Point away = at.plus(side.dx() * 200, side.dy() * 200);
        Line line = new Line("r1", "r1", true, false, false, List.of(at, away),
                end(side, Cardinality.ZERO_OR_MORE, Cardinality.EXACTLY_ONE, List.of(), false),
                end(side, Cardinality.EXACTLY_ONE, Cardinality.ZERO_OR_MORE, List.of(), false), List.of(),
                Optional.empty());
        List<Drawn> near = drawn(line, Notation.CROWS_FOOT).within(new Box(-21, -21, 42, 42));
        assertThat(near).hasSize(2);
        Box all = near.stream().map(Drawn::box).reduce(Box::union).orElseThrow();
        assertThat(side.horizontal() ? all.width() : all.height()).isEqualTo(20);
        assertThat(side.horizontal() ? all.height() : all.width()).isEqualTo(12);
        assertThat((side.dx() + side.dy()) * (side.horizontal() ? all.centreX() : all.centreY())).isPositive();
    }

    /** FIPS PUB 184 (from memory): a dot at the child, an open diamond at a parent that may be missing. */
    @Test
    void idef1x() {
        Recorded on = drawn(line(Cardinality.ZERO_OR_ONE, Cardinality.ONE_OR_MORE), Notation.IDEF1X);
        List<Drawn> child = on.within(AT_SECOND);
        assertThat(child).hasSize(1);
        assertThat(child.getFirst().circle()).isTrue();
        assertThat(child.getFirst().look().fill()).isEqualTo(Ink.INK);
        assertThat(on.words()).containsExactly("P");
        List<Drawn> parent = on.within(AT_FIRST);
        assertThat(parent).hasSize(1);
        assertThat(parent.getFirst().look().fill()).isEqualTo(Ink.PAPER);
        assertThat(parent.getFirst().box()).isEqualTo(new Box(100, 45, 14, 10));
    }

    @Test
    void onlyNonIdentifyingLinesAreDashedAndOnlyWhereThatMeansSomething() {
        for (Notation notation : Notation.values()) {
            Line dashed = line(Cardinality.EXACTLY_ONE, Cardinality.ZERO_OR_MORE);
            Line solid = new Line(dashed.id(), dashed.stated(), true, false, false, dashed.points(), dashed.first(),
                    dashed.second(), List.of(), Optional.empty());
            boolean means = notation == Notation.CROWS_FOOT || notation == Notation.IDEF1X;
            assertThat(way(drawn(dashed, notation)).dashes().isEmpty()).as("%s", notation).isEqualTo(!means);
            assertThat(way(drawn(solid, notation)).dashes()).as("%s", notation).isEmpty();
        }
    }

    private static Look way(Recorded on) {
        return on.drawn().stream().map(Drawn::look).filter(look -> look.role().equals("way")).findFirst().orElseThrow();
    }

    @Test
    void assumptionsAndAlternativesStandBesideTheLine() {
        Line plain = line(Cardinality.EXACTLY_ONE, Cardinality.ZERO_OR_MORE);
        Line line = new Line("r1", "r1", true, false, false, plain.points(), plain.first(),
                end(Edge.LEFT, Cardinality.ZERO_OR_MORE, Cardinality.EXACTLY_ONE, List.of(3, 12), true), List.of(),
                Optional.empty());
        Recorded on = drawn(line, Notation.CROWS_FOOT);
        assertThat(on.words()).containsExactly("3", "12", "or");
        List<Drawn> numbers = on.drawn().stream().filter(one -> one.look().role().equals("assumption")).toList();
        assertThat(numbers).hasSize(2);
        assertThat(numbers.get(0).box().overlaps(numbers.get(1).box())).isFalse();
        assertThat(on.drawn().stream().filter(one -> one.look().role().equals("alternative"))).hasSize(1);
    }

    @Test
    void aLineWithoutSignsHasNone() {
        Line line = line(Cardinality.EXACTLY_ONE, Cardinality.ZERO_OR_MORE);
        Line plain = new Line("r1", "r1", true, true, false, line.points(), line.first(), line.second(), List.of(),
                Optional.of(new Line.Sign(new Box(180, 40, 22, 20), true, "vault kind")));
        Recorded on = drawn(plain, Notation.CROWS_FOOT);
        assertThat(on.within(AT_FIRST)).isEmpty();
        assertThat(on.within(AT_SECOND)).isEmpty();
        assertThat(on.words()).containsExactly("vault kind");
        // a circle over two lines: the kinds are all there are
        assertThat(on.within(new Box(179, 30, 30, 40))).hasSize(3);
    }

    /** What the mouse catches is wider than what is seen. */
    @Test
    void theGripIsUnseenAndWide() {
        Look grip = drawn(line(Cardinality.EXACTLY_ONE, Cardinality.EXACTLY_ONE), Notation.UML).drawn().stream()
                .map(Drawn::look).filter(look -> look.role().equals("grip")).findFirst().orElseThrow();
        assertThat(grip.seen()).isFalse();
        assertThat(grip.width()).isGreaterThanOrEqualTo(12);
    }
}
