package entaxis.drawing.paint;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.design.Area;
import entaxis.core.design.AreaId;
import entaxis.core.design.Notation;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.text.TextMeasure;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class LegendTest {
    private static final TextMeasure MEASURE = new TextMeasure();
    private static final List<Area> AREAS = List.of(new Area(new AreaId("s1"), "Collecting", 2),
            new Area(new AreaId("s2"), "Storing in the cold vaults", 5));

    private static Recorded painted(Drawing legend) {
        Recorded on = new Recorded();
        legend.paint().accept(on);
        return on;
    }

    @ParameterizedTest
    @EnumSource(Notation.class)
    void everySignHasItsWordsWithinTheBox(Notation notation) {
        for (double width : new double[] {100, 480, 1200}) {
            Drawing legend = new Legend(MEASURE).of(notation, AREAS, width);
            Recorded on = painted(legend);
            assertThat(on.words()).contains("Collecting", "Storing in the cold vaults", "part of the primary key");
            Box box = legend.box().grown(1);
            on.written().forEach(text -> {
                assertThat(text.x() + MEASURE.width(text.text(), text.style())).as(text.text())
                        .isLessThanOrEqualTo(box.right());
                assertThat(text.baseline()).as(text.text()).isBetween(box.y(), box.bottom());
            });
            on.drawn().forEach(drawn -> assertThat(drawn.box().union(box)).isEqualTo(box));
        }
    }

    @Test
    void onlyWhatTheNotationTellsApartIsExplained() {
        assertThat(painted(new Legend(MEASURE).of(Notation.CROWS_FOOT, List.of(), 900)).words())
                .contains("non-identifying", "zero or more", "exactly one");
        assertThat(painted(new Legend(MEASURE).of(Notation.CHEN, List.of(), 900)).words())
                .contains("one", "many").doesNotContain("non-identifying", "zero or more");
        assertThat(painted(new Legend(MEASURE).of(Notation.UML, List.of(), 900)).words())
                .doesNotContain("non-identifying").contains("0..*", "1..*", "0..1", "1");
    }

    @Test
    void itIsNoWiderThanAskedForWhereThatIsPossible() {
        Drawing wide = new Legend(MEASURE).of(Notation.CROWS_FOOT, AREAS, 1200);
        Drawing narrow = new Legend(MEASURE).of(Notation.CROWS_FOOT, AREAS, 10);
        assertThat(wide.box().width()).isLessThanOrEqualTo(1200);
        assertThat(narrow.box().height()).isGreaterThan(wide.box().height());
        assertThat(painted(narrow).words()).isEqualTo(painted(wide).words());
    }
}
