package entaxis.core.sentence;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.design.Cardinality;
import entaxis.core.design.Side;
import entaxis.core.small.Small;
import entaxis.core.word.Words;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SentenceTest {

    @Test
    void aRelationshipIsReadFromBothEnds() {
        Small small = new Small().entity("Accession", "accession_no char(9) primary key")
                .entity("DNA sample", "no integer primary key")
                .relate("Accession", "is kept as", Cardinality.EXACTLY_ONE, "DNA sample", "stems from",
                        Cardinality.ZERO_OR_MORE, false);
        var relationship = small.design().relationships().list().getFirst();
        assertThat(Sentence.of(small.design(), relationship, Side.FIRST).text())
                .isEqualTo("Each accession is kept as zero or more DNA samples.");
        assertThat(Sentence.of(small.design(), relationship, Side.SECOND).text())
                .isEqualTo("Each DNA sample stems from exactly one accession.");
    }

    /** Relationship ends are one of these four: common practice. */
    @Test
    void theFourCardinalitiesAndGivenNumbers() {
        assertThat(Sentence.words(Cardinality.EXACTLY_ONE)).isEqualTo("exactly one");
        assertThat(Sentence.words(Cardinality.ZERO_OR_ONE)).isEqualTo("zero or one");
        assertThat(Sentence.words(Cardinality.ONE_OR_MORE)).isEqualTo("one or more");
        assertThat(Sentence.words(Cardinality.ZERO_OR_MORE)).isEqualTo("zero or more");
        assertThat(Sentence.words(new Cardinality(2, 5))).isEqualTo("2 to 5");
        assertThat(Sentence.words(new Cardinality(3, 3))).isEqualTo("exactly 3");
    }

    @ParameterizedTest
    @CsvSource({"slot,slots", "taxon,taxa", "family,families", "day,days", "box,boxes",
            "germination test,germination tests", "request line,request lines", "shelf,shelves",
        "bus,buses", "match,matches", "species,species", "漢字,漢字", "x9,x9"})
    void plurals(String one, String many) {
        assertThat(Words.plural(one)).isEqualTo(many);
    }
}
