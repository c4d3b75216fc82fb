package entaxis.core.expression;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CanonicalFormTest {
    private static boolean same(String one, String other) {
        return Expression.of(one).canonical().equals(Expression.of(other).canonical());
    }


    /** Left as it is typed, right as catalogs give it back (seen on PostgreSQL 17, MariaDB 11.4 and H2 2.4). */
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', textBlock = """
            x in ('a', 'b')                | ((x)::text = ANY ((ARRAY['a'::character varying, 'b'::character \
            varying])::text[]))
            x between 1 and 2              | ((x >= 1) AND (x <= 2))
            x not in (1, 2)                | (x <> ALL (ARRAY[1, 2]))
            x in ('a')                     | ((x)::text = 'a'::text)
            x like 'a%'                    | ((x)::text ~~ 'a%'::text)
            x not like 'a%'                | ((x)::text !~~ 'a%'::text)
            not (x > 1)                    | "X" <= 1
            0 < x                          | "X" > 0
            not a or b is not null         | ("A" = FALSE) OR ("B" IS NOT NULL)
            x > -5                         | (x > '-5'::integer)
            x > -5                         | (x > (-5))
            char_length(x) > 3             | CHARACTER_LENGTH("X") > 3
            substring(x from 1 for 2) = 'a'| ("substring"((x)::text, 1, 2) = 'a'::text)
            trim(both from x) = ''         | (btrim((x)::text) = ''::text)
            now()                          | current_timestamp()
            d > date '2020-01-01'          | (d > '2020-01-01'::date)
            x >= 0.50                      | (x >= 0.5)
            1 + 2                          | 3
            a and b and c                  | ((a AND b) AND c)
            case when x > 0 then 1 else 0 end = 1 | (CASE WHEN (x > 0) THEN 1 ELSE 0 END = 1)
            position('a' in x) > 0         | (POSITION(('a'::text) IN (x)) > 0)
            """)
    void sayTheSame(String typed, String kept) {
        assertThat(CanonicalForm.of(kept)).isEqualTo(CanonicalForm.of(typed));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', textBlock = """
            x in ('a', 'b')   | x in ('a', 'c')
            x > 1             | x >= 1
            x between 1 and 2 | x between 1 and 3
            a or b and c      | (a or b) and c
            x - (y - z) > 0   | x - y - z > 0
            x = 'A'           | x = 'a'
            x::date > y       | x > y
            x = 5             | y = 5
            not (a and b)     | not a and b
            lower(x) = x      | upper(x) = x
            """)
    void sayDifferentThings(String one, String other) {
        assertThat(same(one, other)).isFalse();
    }

    @Test
    void whatCannotBeReadIsComparedByItsWords() {
        assertThat(same("exists (select 1 from t)", "EXISTS(SELECT  1 FROM t)")).isTrue();
        assertThat(same("exists (select 1 from t)", "exists (select 1 from u)")).isFalse();
    }

    @Test
    void deepNestingEnds() {
        String deep = "(".repeat(100_000) + "x" + ")".repeat(100_000);
        assertThat(CanonicalForm.of(deep)).isEqualTo("x");
        assertThat(CanonicalForm.of("- ".repeat(50_000) + "x")).isNotEmpty();
    }

    @Test
    void numbersAsTruth() {
        assertThat(Expression.of("a or not b").canonicalOfNumericTruth())
                .isEqualTo(Expression.of("\"a\" <> 0 or \"b\" = 0").canonicalOfNumericTruth());
    }

    @Test
    void namesAreFound() {
        assertThat(CanonicalForm.names("lower(\"Full Name\") = x and y > 'z'")).contains("full name", "x", "y")
                .doesNotContain("z");
    }

    /** Numbers in one spelling; one whose digits would fill the memory stays as it is. */
    @Test
    void numbers() {
        assertThat(Expression.of("1.50e2").canonical()).isEqualTo(Expression.of("150").canonical());
        assertThat(Expression.of("0x1F").canonical()).isEqualTo("0x1F");
        assertThat(Expression.of("1e999999999").canonical()).hasSizeLessThan(20);
        assertThat(Expression.of("1e-999999999").canonical()).hasSizeLessThan(20);
        String digits = "7".repeat(1_000_000);
        assertThat(Expression.of(digits).canonical()).isEqualTo(digits);
    }
}
