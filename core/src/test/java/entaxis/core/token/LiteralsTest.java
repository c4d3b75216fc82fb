package entaxis.core.token;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Constants are told from expressions (ISO/IEC 9075-2, 5.3: literal). */
class LiteralsTest {

    @ParameterizedTest
    @ValueSource(strings = {"1", "-1", "+1.5", ".5", "1.", "6.02e23", "1e-3", "1E+3", "'a'", "''", "'it''s'", "true",
        "FALSE", "null", "x'00ff'", "B'01'", " 7 "})
    void constants(String text) {
        assertThat(Literals.isConstant(text)).isTrue();
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "a", "1 + 1", "- - 1", "'a' || 'b'", "now()", "(1)", "current_date", "\"a\"",
        "1ex", "1e", "1e+", "1.2.3", "1e2.5", "0x1F", "12abc", "'open", "n'a' x", "1 2", "-", "-'a'"})
    void expressions(String text) {
        assertThat(Literals.isConstant(text)).isFalse();
    }

    /** Time is linear in the digits. */
    @Test
    void longNumbers() {
        assertThat(Literals.isConstant("9".repeat(2_000_000))).isTrue();
        assertThat(Literals.isConstant("9".repeat(2_000_000) + "x")).isFalse();
    }

    @Test
    void numbersInQuotes() {
        assertThat(Literals.number("'12'")).contains("12");
        assertThat(Literals.number(" '-1.50' ")).contains("-1.50");
        assertThat(Literals.number("'1.2.3'")).isEmpty();
        assertThat(Literals.number("'.5'")).isEmpty();
        assertThat(Literals.number("'--1'")).isEmpty();
        assertThat(Literals.number("12")).isEmpty();
        assertThat(Literals.number("''")).isEmpty();
    }
}
