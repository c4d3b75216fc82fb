package entaxis.core.schema;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.expression.Expression;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.type.SqlType;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DomainDefinitionTest {
    private static final CheckRule POSITIVE = new CheckRule("positive", "VALUE > 0");
    private static final DomainDefinition FREE = DomainDefinition.of("weight", SqlType.integer());

    @Test
    void refusingNullIsARuleWhereTheEngineHasNoOtherWords() {
        assertThat(FREE.checkOfAll()).isEmpty();
        assertThat(FREE.withRequired(true).checkOfAll()).contains(new CheckRule("", "VALUE IS NOT NULL"));
        assertThat(FREE.withCheck(Optional.of(POSITIVE)).checkOfAll()).contains(POSITIVE);
        assertThat(FREE.withCheck(Optional.of(POSITIVE)).withRequired(true).checkOfAll())
                .contains(new CheckRule("positive", "(VALUE > 0) AND (VALUE IS NOT NULL)"));
    }

    /** However it is said: what is left is the rule beside it. */
    @ParameterizedTest
    @CsvSource(delimiter = ';', nullValues = "-", value = {
        "VALUE IS NOT NULL;                                        -",
        "(value is not null);                                      -",
        "(VALUE > 0) AND (VALUE IS NOT NULL);                      VALUE > 0",
        "value is not null and value > 0;                          value > 0",
        "VALUE > 0 AND VALUE < 9 AND VALUE IS NOT NULL;            (VALUE > 0) AND (VALUE < 9)",
        "VALUE BETWEEN 1 AND 9 AND VALUE IS NOT NULL;              VALUE BETWEEN 1 AND 9",
        "NOT VALUE IS NULL AND (VALUE < 1 OR VALUE > 9);           VALUE < 1 OR VALUE > 9"})
    void refusingNullIsFoundInARule(String condition, String rest) {
        DomainDefinition ruled = FREE.ruled(Optional.of(new CheckRule("r", condition)));
        assertThat(ruled.required()).isTrue();
        assertThat(ruled.check().map(check -> check.condition().text())).isEqualTo(Optional.ofNullable(rest));
        assertThat(FREE.ruled(ruled.checkOfAll())).isEqualTo(ruled.check().isPresent() ? ruled
                : FREE.withRequired(true));
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {"VALUE IS NOT NULL OR VALUE > 0", "VALUE > 0", "other IS NOT NULL",
        "VALUE IS NULL", "VALUE > 0 AND (VALUE IS NOT NULL OR VALUE < 5)",
        "CASE WHEN VALUE > 0 AND VALUE IS NOT NULL THEN TRUE ELSE FALSE END"})
    void aRuleThatLetsNullPassStaysAsItIs(String condition) {
        DomainDefinition ruled = FREE.ruled(Optional.of(new CheckRule("r", condition)));
        assertThat(ruled.required()).isFalse();
        assertThat(ruled.check()).contains(new CheckRule("r", condition));
    }

    @Test
    void eachPropertyIsExchangedAlone() {
        DomainDefinition refuses = FREE.withRequired(true);
        assertThat(refuses.withCheck(Optional.of(POSITIVE)).required()).isTrue();
        assertThat(refuses.withCheck(Optional.of(POSITIVE)).withCheck(Optional.empty())).isEqualTo(refuses);
        assertThat(refuses.withDefault(Optional.of(Expression.of("1"))).over(SqlType.varchar(3)).required()).isTrue();
        assertThat(refuses.withRequired(false)).isEqualTo(FREE);
        assertThat(refuses.in("seed").type()).isEqualTo(new SqlType.UserType("seed", "weight"));
    }
}
