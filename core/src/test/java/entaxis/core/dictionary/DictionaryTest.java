package entaxis.core.dictionary;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.dictionary.Dictionary.AttributeEntry;
import entaxis.core.dictionary.Dictionary.EntityEntry;
import entaxis.core.random.RandomDesigns;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class DictionaryTest {
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void everyAttributeHasOneEntryAndIsCounted(long seed) {
        Design design = RandomDesigns.design(seed, 25);
        Dictionary dictionary = Dictionary.of(design, Derivation.of(design));

        assertThat(dictionary.entities().flatMap(DictionaryTest::own)).doesNotHaveDuplicates();
        MeaningCount count = MeaningCount.of(design);
        assertThat(count.attributes()).isPositive()
                .isEqualTo(dictionary.entities().flatMap(DictionaryTest::own).count());
        assertThat(count.attributes() - count.described()).isEqualTo(dictionary.entities()
                .flatMap(entity -> entity.attributes().stream()).filter(AttributeEntry::undescribed).count());
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void everyMigratedColumnTellsWhereItComesFrom(long seed) {
        Design design = RandomDesigns.design(seed, 25);

        assertThat(
                Dictionary.of(design, Derivation.of(design)).entities().flatMap(entity -> entity.attributes().stream())
                .filter(attribute -> attribute.own().isEmpty())).isNotEmpty().allSatisfy(attribute -> {
                    assertThat(attribute.marks()).contains("FK");
                    assertThat(design.entities().stream().map(entity -> entity.name()))
                            .contains(attribute.source().orElseThrow().entity());
                });
    }

    private static Stream<String> own(EntityEntry entity) {
        return entity.attributes().stream().flatMap(attribute -> attribute.own().stream())
                .map(id -> entity.owner() + "/" + id);
    }
}
