package entaxis.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PhrasesTest {
    private static final Meaning SOMETHING = new Meaning.OfCheck("something");

    /** Whether what stands first in a script is found where it stands again, with the same end behind it. */
    private static boolean foundAgain(String phrase, String end, String again) {
        String text = phrase + end + again + end;
        Phrases phrases = new Phrases(text);
        phrases.remember(0, phrase.length(), SOMETHING);
        boolean found = phrases.at(phrase.length() + end.length(), 1).isPresent();
        assertThat(!found || phrases.end() == phrase.length() + end.length() + again.length()).isTrue();
        return found;
    }

    @ParameterizedTest
    @ValueSource(strings = {" int", " bigint NOT NULL", " numeric(9, 2) DEFAULT (1 + 2)", " varchar(9) DEFAULT 'a, b)' NOT NULL", " varchar(9) DEFAULT 'it''s'", "\n  date", " text DEFAULT 'é'"})
    void whatIsPlainIsFoundAgain(String phrase) {
        assertThat(foundAgain(phrase, ",", phrase)).isTrue();
        assertThat(foundAgain(phrase, ")", phrase)).isTrue();
        assertThat(foundAgain(phrase, ",", phrase + " ")).isFalse();
        assertThat(foundAgain(phrase, ",", phrase.toUpperCase(java.util.Locale.ROOT) + "x")).isFalse();
    }

    @ParameterizedTest
    @ValueSource(strings = {" int -- a", " int /* a */", " \"int\"", " varchar(9) DEFAULT 'a\\'", " int # a", " int $1", " int[3]", " x int; y"})
    void whatMayHideItsEndIsNot(String phrase) {
        assertThat(foundAgain(phrase, ",", phrase)).isFalse();
    }

    @Test
    void whatIsTooLongIsNot() {
        assertThat(foundAgain(" int DEFAULT " + "1 + ".repeat(40) + "1", ",", " int DEFAULT " + "1 + ".repeat(40) + "1")).isTrue();
        assertThat(foundAgain(" int DEFAULT " + "1 + ".repeat(80) + "1", ",", " int DEFAULT " + "1 + ".repeat(80) + "1")).isFalse();
    }

    @Test
    void noMoreThanSomeThousandsAreKeptAndNoneAfterForgetting() {
        List<String> said = IntStream.range(0, 5000).mapToObj(i -> " numeric(" + i + "),").toList();
        String text = String.join("", said);
        Phrases phrases = new Phrases(text);
        List<Integer> places = new ArrayList<>();
        int from = 0;
        for (String phrase : said) {
            places.add(from);
            phrases.remember(from, from + phrase.length() - 1, SOMETHING);
            from += phrase.length();
        }
        assertThat(phrases.hasRoom()).isFalse();
        assertThat(places.stream().filter(place -> phrases.at(place, place).isPresent()).count()).isEqualTo(4096);
        phrases.forget();
        assertThat(phrases.hasRoom()).isTrue();
        assertThat(places).allSatisfy(place -> assertThat(phrases.at(place, place)).isEmpty());
    }
}
