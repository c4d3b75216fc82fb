package entaxis.drawing.paint;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.drawing.geometry.Box;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class FarNameTest {
    private static final TextMeasure MEASURE = new TextMeasure();

    @Test
    void aNameIsBrokenWhereThatMakesItLarger() {
        assertThat(FarName.in(new Box(0, 0, 130, 100), "Germination test", MEASURE).lines())
                .containsExactly("Germination", "test");
        assertThat(FarName.in(new Box(0, 0, 300, 20), "Germination test", MEASURE).lines())
                .containsExactly("Germination test");
        assertThat(FarName.in(new Box(0, 0, 130, 100), "germination_test", MEASURE).lines())
                .containsExactly("germination", "test");
    }

    @ParameterizedTest
    @ValueSource(strings = {"Slot", "Germination test", "a b c d e f g h", "Partner of the partner of the vault",
            "Pneumonoultramicroscopicsilicovolcanoconiosis", "種子庫", "x"})
    void itStaysInItsRoom(String name) {
        for (Box room : new Box[] {new Box(0, 0, 100, 60), new Box(5, 5, 220, 180), new Box(0, 0, 400, 90)}) {
            FarName far = FarName.in(room, name, MEASURE);
            assertThat(String.join(" ", far.lines())).isEqualTo(name);
            boolean smallest = far.scale() == 0.5;
            assertThat(far.lines()).allSatisfy(line -> assertThat(MEASURE.width(line, TextStyle.NAME) * far.scale())
                    .matches(width -> smallest || width <= room.width() + 0.01));
            assertThat(far.lines().size() * 17 * far.scale()).isLessThanOrEqualTo(room.height() + 0.01);
        }
    }
}
