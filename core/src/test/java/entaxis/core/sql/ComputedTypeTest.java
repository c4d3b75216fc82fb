package entaxis.core.sql;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.expression.Expression;
import entaxis.core.reading.ScriptReader;
import entaxis.core.schema.Table;
import entaxis.core.targets.Target;
import java.util.function.UnaryOperator;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** ISO/IEC 9075-2, 6.27: what arithmetic over numbers gives. */
class ComputedTypeTest {
    private static final Table LOT = ScriptReader.read("CREATE TABLE lot (n integer, m bigint, weight numeric(9, 2), "
            + "share double precision, label varchar(9), since date, any_type)", Target.SQLITE).schema().tables()
            .getFirst();

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"n | integer", "(since) | date", "label | varchar(9)", "n + m * 2 | bigint",
        "-n | bigint", "n % 2 | bigint", "n / m | numeric", "n + 0.5 | numeric", "weight * n | numeric",
        "n * share | double precision", "(weight - n) / share | double precision", 
        "n + label | text", "upper(label) | text", "1 + 2 | text", "n + unknown | text", "any_type + 1 | text",
        "n > 0 | text", "label < n | text", "n + since | text"})
    void types(String expression, String type) {
        assertThat(ComputedType.of(Expression.of(expression), LOT, UnaryOperator.identity()).text()).isEqualTo(type);
    }
}
