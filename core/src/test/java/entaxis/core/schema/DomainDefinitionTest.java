package entaxis.core.schema;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.type.SqlType;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class DomainDefinitionTest {
    private static final CheckRule POSITIVE = new CheckRule("positive", "VALUE > 0");
    private static final DomainDefinition FREE =
            new DomainDefinition("weight", SqlType.integer(), Optional.empty(), Optional.empty(), "");

    @Test
    void refusingNullIsARuleLikeAnyOther() {
        assertThat(FREE.withRequired(true).check()).contains(new CheckRule("", "VALUE IS NOT NULL"));
        assertThat(FREE.withRule(Optional.of(POSITIVE)).withRequired(true).check())
                .contains(new CheckRule("positive", "(VALUE > 0) AND (VALUE IS NOT NULL)"));
    }

    @Test
    void theRuleBesideItStaysAsItIs() {
        for (DomainDefinition domain : new DomainDefinition[] {FREE, FREE.withRule(Optional.of(POSITIVE)),
                FREE.withDefault(Optional.of("5"))}) {
            assertThat(domain.required()).isFalse();
            assertThat(domain.withRequired(true).required()).isTrue();
            assertThat(domain.withRequired(true).rule()).isEqualTo(domain.check());
            assertThat(domain.withRequired(true).withRequired(true)).isEqualTo(domain.withRequired(true));
            assertThat(domain.withRequired(true).withRequired(false)).isEqualTo(domain);
        }
    }

    @Test
    void anotherRuleLeavesItRefusingNull() {
        DomainDefinition refuses = FREE.withRequired(true);
        assertThat(refuses.withRule(Optional.of(POSITIVE)).required()).isTrue();
        assertThat(refuses.withRule(Optional.of(POSITIVE)).rule()).contains(POSITIVE);
        assertThat(refuses.withRule(Optional.of(POSITIVE)).withRule(Optional.empty())).isEqualTo(refuses);
        assertThat(refuses.withDefault(Optional.of("1")).required()).isTrue();
    }
}
