package entaxis.core.expression;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.expression.SqlValue.Numeric;
import java.math.BigDecimal;
import java.util.List;
import java.util.Random;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ConditionTest {
    /** The truth tables of ISO/IEC 9075-2, 6.39, and predicates of clause 8; the value is x. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', nullValues = "-", value = {
            "x > 5 | 6 | TRUE", "x > 5 | 5 | FALSE", "x > 5 | - | UNKNOWN", "not x > 5 | - | UNKNOWN",
            "x > 5 or true | - | TRUE",
            "x > 5 and false | - | FALSE", "x > 5 and true | - | UNKNOWN", "x > 5 or false | - | UNKNOWN",
            "x is null | - | TRUE",
            "x is not null | 3 | TRUE", "x is not null | - | FALSE", "x in (1, 2, null) | 2 | TRUE",
            "x in (1, 2, null) | 3 | UNKNOWN",
            "x not in (1, 2, null) | 3 | UNKNOWN", "x not in (1, 2) | 1 | FALSE", "x between 1 and 3 | 3 | TRUE",
            "x between 3 and 1 | 2 | FALSE",
            "x not between 1 and 3 | 4 | TRUE", "x * 2 - 1 = 9 | 5 | TRUE", "-x < 0 | 5 | TRUE", "x <> 5 | 5 | FALSE",
            "x != 5 | 4 | TRUE",
            "abs(x) <= 3 | -3 | TRUE", "coalesce(x, 9) = 9 | - | TRUE", "x / 2 = 1 | 3 | UNCLEAR",
            "some_function(x) > 1 | 3 | UNCLEAR",
            "some_function(x) > 1 and x < 0 | 3 | FALSE", "some_function(x) > 1 or x > 0 | 3 | TRUE",
            "x = '5' | 5 | TRUE", "x > y | 5 | UNCLEAR",
            "(x > 5)::boolean | 6 | UNCLEAR", "case when x > 1 then true else false end | 6 | UNCLEAR"})
    void numbersByThreeValuedLogic(String condition, String value, Truth truth) {
        SqlValue x = value == null ? SqlValue.MISSING : new Numeric(new BigDecimal(value));
        assertThat(Condition.read(condition).orElseThrow().truth(name -> name.equals("x") ? x : SqlValue.UNCLEAR))
                .isEqualTo(truth);
    }

    /** What depends on a collation, or on padding, is left to the engine. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', value = {
            "x = 'red' | red | TRUE", "x = 'red' | green | FALSE", "x = 'red' | RED | UNCLEAR",
            "x = 'red' | réd | UNCLEAR", "x < 'red' | green | UNCLEAR",
            "x in ('red', 'green') | green | TRUE", "x in ('red', 'green') | blue | FALSE", "x like 'r%d' | red | TRUE",
            "x like 'r_d' | reed | FALSE",
            "x like 'R%' | red | UNCLEAR", "x like '%e%e_' | reed | TRUE", "x like '%' | anything | TRUE",
            "x not like 'r%' | blue | TRUE",
            "x = '' | red | UNCLEAR", "length(x) = 3 | red | TRUE", "upper(x) = 'RED' | red | TRUE",
            "x::text = 'red'::text | red | TRUE"})
    void texts(String condition, String value, Truth truth) {
        assertThat(Condition.read(condition).orElseThrow().truth(name -> new SqlValue.Text(value))).isEqualTo(truth);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', value = {
            "x > '2031-05-01' | 2031-05-02 | TRUE", "x >= date '2031-05-01' | 2031-05-01 | TRUE",
            "x < '2031-05-01 08:30' | 2031-05-01 08:29:59 | TRUE",
            "x = '2032-02-30' | 2032-02-29 | UNCLEAR", "x > 'yesterday' | 2031-05-01 | UNCLEAR"})
    void moments(String condition, String value, Truth truth) {
        assertThat(Condition.read(condition).orElseThrow().truth(name -> SqlValue.moment(value))).isEqualTo(truth);
    }

    /** What is kept of a condition about one column never contradicts the whole. */
    @Test
    void theConditionAboutOneColumnIsNeverMoreThanTheWhole() {
        Random random = new Random(5);
        for (int i = 0; i < 2000; i++) {
            Condition whole = Condition.read(condition(random, 3)).orElseThrow();
            Condition part = whole.about("x");
            for (int x = -2; x <= 6; x++) {
                SqlValue value = new Numeric(BigDecimal.valueOf(x));
                for (int y = -2; y <= 6; y += 2) {
                    SqlValue other = new Numeric(BigDecimal.valueOf(y));
                    Function<String, SqlValue> row = name -> name.equals("x") ? value : other;
                    Truth said = part.truth(row);
                    assertThat(said == Truth.UNCLEAR || said == whole.truth(row)).as("%s at %s, %s", whole, x, y)
                            .isTrue();
                }
            }
        }
    }

    /** A random condition on x and y with small constants. */
    static String condition(Random random, int depth) {
        String name = random.nextInt(4) == 0 ? "y" : "x";
        int constant = random.nextInt(6);
        return switch (depth == 0 ? random.nextInt(5) : random.nextInt(9)) {
            case 0 -> name + " " + List.of("=", "<>", "<", ">", "<=", ">=").get(random.nextInt(6)) + " " + constant;
            case 1 -> name + " between " + constant + " and " + (constant + random.nextInt(3) - 1);
            case 2 -> name + (random.nextBoolean() ? " in (" : " not in (")
                    + IntStream.range(0, 1 + random.nextInt(3)).mapToObj(any -> "" + random.nextInt(6)).toList()
                    .toString().replaceAll("[\\[\\]]", "") + ")";
            case 3 -> name + (random.nextBoolean() ? " is null" : " is not null");
            case 4 -> name + " + 1 > " + constant;
            case 5 -> "not (" + condition(random, depth - 1) + ")";
            case 6 -> "(" + condition(random, depth - 1) + " or " + condition(random, depth - 1) + ")";
            default -> "(" + condition(random, depth - 1) + " and " + condition(random, depth - 1) + ")";
        };
    }
}
