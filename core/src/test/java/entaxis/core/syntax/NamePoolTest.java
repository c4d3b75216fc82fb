package entaxis.core.syntax;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.token.Keyword;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Names as they are held: folded and cut where the engine does so, one string for all places where a name stands. */
class NamePoolTest {
    private static final int LENGTH = 4000;

    private static int sum(String name) {
        int sum = 0;
        for (char c : name.toCharArray()) {
            sum = Keyword.added(sum, c);
        }
        return sum << 1 | (name.chars().anyMatch(Character::isUpperCase) ? 1 : 0);
    }

    private static String at(NamePool names, String name) {
        return names.at("(" + name + ")", 1, name.length() + 1, sum(name));
    }

    /** PostgreSQL manual, 4.1.1: names without quotes are folded to lower case. */
    @ParameterizedTest
    @CsvSource({"Lot, lot, Lot", "LOT_NO, lot_no, LOT_NO", "lot, lot, lot", "Größe, größe, Größe"})
    void namesWithoutQuotes(String name, String lower, String kept) {
        assertThat(at(new NamePool(LENGTH, true), name)).isEqualTo(lower);
        assertThat(at(new NamePool(LENGTH, false), name)).isEqualTo(kept);
        assertThat(new NamePool(LENGTH, true).given(name, 0, name.length(), sum(name))).isEqualTo(lower);
        assertThat(new NamePool(LENGTH, false).given(name, 0, name.length(), sum(name))).isEqualTo(kept);
    }

    @Test
    void oneStringForAllPlaces() {
        NamePool names = new NamePool(LENGTH, true);
        String first = at(names, "lot_no");
        at(names, "taxon");
        assertThat(at(names, "lot_no")).isSameAs(first);
        assertThat(names.quoted("\"lot_no\"", 1, 7)).isEqualTo("lot_no");
    }

    /** A sum may be the same for two names: the sign for a letter in either case is one. */
    @Test
    void whatHasTheSameSumIsStillAnother() {
        NamePool names = new NamePool(LENGTH, false);
        assertThat(at(names, "Lot")).isEqualTo("Lot");
        assertThat(at(names, "lOT")).isEqualTo("lOT");
        assertThat(at(names, "Lot")).isEqualTo("Lot");
    }

    @Test
    void aQuoteInANameIsNotTakenHere() {
        assertThat(new NamePool(LENGTH, false).quoted("\"a\"\"b\"", 1, 5)).isEmpty();
    }

    /**
     * PostgreSQL manual, 4.1.1: “identifiers longer than 63 bytes are truncated”; a letter is not cut in two
     * (PostgreSQL source, truncate_identifier).
     */
    @ParameterizedTest
    @CsvSource({"a, 63", "ä, 62", "€, 63", "\uD83C\uDF31, 60"})
    void longNamesAreCutAt63Bytes(String sign, int bytes) {
        String name = sign.repeat(70);
        assertThat(NamePool.cut(name).getBytes(StandardCharsets.UTF_8)).hasSize(bytes);
        assertThat(name).startsWith(NamePool.cut(name));
        assertThat(at(new NamePool(LENGTH, true), name)).isEqualTo(NamePool.cut(name));
        assertThat(at(new NamePool(LENGTH, false), name)).isEqualTo(name);
    }
}
