package entaxis.core.sentence;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.Relationship;
import entaxis.core.design.Side;
import entaxis.core.random.RandomDesigns;
import entaxis.core.small.Small;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class SentenceReaderTest {
    private static final List<String> KNOWN = List.of("Collector", "Collecting trip", "Site", "DNA sample");

    private static SentenceReader.ReadSentence one(String text) {
        SentenceReader.Reading reading = SentenceReader.read(text, KNOWN);
        assertThat(reading.faults()).isEmpty();
        return reading.pairs().getFirst().there();
    }

    @Test
    void twoDirectionsBecomeOneRelationship() {
        SentenceReader.Reading reading = SentenceReader.read(
                "each collector takes part in zero or more collecting trips / each collecting trip is made by one or "
                        + "more collectors",
                KNOWN);
        assertThat(reading.pairs()).hasSize(1);
        SentenceReader.Pair pair = reading.pairs().getFirst();
        assertThat(pair.there().verb()).isEqualTo("takes part in");
        assertThat(pair.there().object()).isEqualTo("Collecting trip");
        assertThat(pair.there().cardinality()).isEqualTo(Cardinality.ZERO_OR_MORE);
        assertThat(pair.back().orElseThrow().cardinality()).isEqualTo(Cardinality.ONE_OR_MORE);
    }

    @Test
    void unknownEntitiesAreTakenAsTheyAreInTheSingular() {
        SentenceReader.ReadSentence said = one("Every site is watched by 2 to 5 wardens.");
        assertThat(said.object()).isEqualTo("warden");
        assertThat(said.cardinality()).isEqualTo(new Cardinality(2, 5));
    }

    @Test
    void manyAtATimeAndWhatIsNotUnderstoodIsMarked() {
        SentenceReader.Reading reading = SentenceReader
                .read("Each site has one or more DNA samples.\nSites are nice.\nEach collector has samples.", KNOWN);
        assertThat(reading.faults()).extracting(SentenceReader.NotUnderstood::line).containsExactly(2, 3);
        assertThat(reading.faults().getFirst().column()).isEqualTo(1);
        assertThat(reading.faults().getLast().message()).startsWith("How many is missing");
    }

    /** Whatever a sentence card reads aloud is read back as the same relationship. */
    @Test
    void whatIsReadAloudIsUnderstood() {
        for (int seed = 0; seed < 40; seed++) {
            Design design = RandomDesigns.design(seed, 9);
            List<String> names = design.entities().stream().map(Entity::name).toList();
            for (Relationship relationship : design.relationships()) {
                boolean plain = names.stream().allMatch(name -> name.matches("[A-Za-z0-9 ]+"));
                if (plain) {
                    SentenceReader.Reading reading =
                            SentenceReader.read(Sentence.of(design, relationship, Side.FIRST).text(), names);
                    assertThat(reading.faults()).isEmpty();
                    assertThat(reading.pairs().getFirst().there().cardinality())
                            .isEqualTo(relationship.second().cardinality());
                    assertThat(reading.pairs().getFirst().there().verb()).isEqualTo(relationship.first().verb());
                }
            }
        }
    }

    @Test
    void sentencesMakeEntitiesAndRelationshipsAtOnce() {
        Design empty = new Small().design();
        int[] next = {0};
        Change change = NewRelationships.of(empty, SentenceReader.read(
                "Each vault holds one or more shelves. Each shelf stands in exactly one vault. Each shelf has zero or "
                        + "more slots.",
                List.of()).pairs(), empty.sheet(), kind -> kind + "new" + ++next[0]);
        Design made = ((Applied) Editor.apply(empty, change)).design();
        assertThat(made.entities()).extracting(Entity::name).containsExactly("Vault", "Shelf", "Slot");
        assertThat(
                made.relationships().stream().map(relationship -> Sentence.of(made, relationship, Side.SECOND).text()))
                .containsExactly("Each shelf stands in exactly one vault.", "Each slot belongs to exactly one shelf.");
    }

    @ParameterizedTest
    @CsvSource({"exactly one,1,1", "one and only one,1,1", "zero or one,0,1", "at most one,0,1", "one or more,1,0",
            "zero or more,0,0", "2 to 5,2,5", "exactly three,3,3", "2 or more,2,0",
        "at least two,2,0", "at most 4,0,4", "between 2 and 3,2,3"})
    void numbersAsPeopleSayThem(String words, int min, int max) {
        assertThat(Counts.read(words)).contains(new Cardinality(min, max == 0 ? Cardinality.MANY : max));
        assertThat(Counts.read(Sentence.words(new Cardinality(min, max == 0 ? Cardinality.MANY : max))))
                .contains(new Cardinality(min, max == 0 ? Cardinality.MANY : max));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "lots", "5 to 2", "zero", "one or"})
    void whatIsNoNumber(String words) {
        assertThat(Counts.read(words)).isEmpty();
    }
}
