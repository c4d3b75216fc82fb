package entaxis.drawing.text;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Widths of texts in the bundled fonts; that a browser draws them so is checked there. */
class TextMeasureTest {
    private static final TextMeasure MEASURE = new TextMeasure();

    @ParameterizedTest
    @EnumSource(TextStyle.class)
    void moreLettersAreWider(TextStyle style) {
        assertThat(MEASURE.width("", style)).isZero();
        String text = "";
        double before = 0;
        for (String letter : "Accession 42".split("")) {
            text += letter;
            assertThat(MEASURE.width(text, style)).isGreaterThan(before);
            before = MEASURE.width(text, style);
        }
    }

    /** OpenType specification, GPOS: the letters of some pairs stand closer. */
    @Test
    void pairsOfLettersAreKerned() {
        TextStyle style = java.util.Arrays.stream(TextStyle.values())
                .filter(own -> own.family().equals("Source Sans 3")).findFirst().orElseThrow();
        assertThat(MEASURE.width("AV", style)).isLessThan(MEASURE.width("A", style) + MEASURE.width("V", style));
    }

    /** A square for each ideograph, no room for marks: Unicode Standard Annex 11, East Asian Width. */
    @Test
    void lettersThatTheFontLacksHaveTheWidthThatAnotherFontGives() {
        TextStyle style = TextStyle.values()[0];
        assertThat(MEASURE.covers("漢字", style)).isFalse();
        assertThat(MEASURE.width("漢字", style)).isCloseTo(2 * style.size(), within(0.01));
        assertThat(MEASURE.width("漢\u20DD", style)).as("an enclosing mark").isCloseTo(style.size(), within(0.01));
        assertThat(MEASURE.covers("größe", style)).isTrue();
    }
}
