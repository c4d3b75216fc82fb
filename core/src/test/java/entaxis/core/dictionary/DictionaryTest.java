package entaxis.core.dictionary;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.change.Change;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.OpaqueId;
import entaxis.core.design.OpaqueProgram;
import entaxis.core.dictionary.Dictionary.AttributeEntry;
import entaxis.core.dictionary.Dictionary.EntityEntry;
import entaxis.core.dictionary.Dictionary.ProgramEntry;
import entaxis.core.random.RandomDesigns;
import entaxis.core.schema.ProgramKind;
import entaxis.core.small.Small;
import entaxis.core.targets.Target;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
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

    /** Triggers and rules tell what they belong to, whatever quotes their engine uses. */
    @Test
    void programsTellWhatTheyAre() {
        Design design = new Small().entity("Jar", "jar_no integer primary key")
                .done(program("v1", ProgramKind.TRIGGER,
                        "CREATE TRIGGER p AFTER INSERT OR UPDATE ON `jar` FOR EACH ROW SET @n = 1"))
                .done(program("v2", ProgramKind.RULE, "CREATE RULE p AS ON DELETE TO store.jar DO INSTEAD NOTHING"))
                .done(program("v3", ProgramKind.VIEW, "CREATE VIEW p AS SELECT jar_no FROM jar"))
                .done(program("v4", ProgramKind.TRIGGER, "CREATE TRIGGER p that nobody can read")).design();
        assertThat(Dictionary.of(design, Derivation.of(design)).programs()).extracting(ProgramEntry::kind)
                .containsExactly("trigger after insert or update on jar", "rule on store.jar", "view", "trigger");
    }

    private static Change program(String id, ProgramKind kind, String text) {
        return new Change.PutOpaque(new OpaqueProgram(new OpaqueId(id), kind, "", "p" + id, Target.MYSQL, text));
    }

    private static Stream<String> own(EntityEntry entity) {
        return entity.attributes().stream().flatMap(attribute -> attribute.own().stream())
                .map(id -> entity.owner() + "/" + id);
    }
}
