package entaxis.core.expression;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Names are what the grammar of ISO/IEC 9075-2, 6 makes columns of, and nothing else of the text is touched. */
class ExpressionTest {
    private static String renamed(String text) {
        return Expression.of(text).renamed(Map.of("weight", "mass", "date", "\"day taken\"", "value", "x")).text();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', value = {
        "weight > 0|mass > 0",
        "WEIGHT>0 and /* weight */ weight  <9|mass>0 and /* weight */ mass  <9",
        "lot.weight > 0|lot.mass > 0",
        "weight.weight > 0|weight.mass > 0",
        "\"weight\" > 0|mass > 0",
        "weight(weight) > 0|weight(mass) > 0",
        "note = 'weight'|note = 'weight'",
        "date > date '2030-01-01'|\"day taken\" > date '2030-01-01'",
        "cast(date as date) = weight::date|cast(\"day taken\" as date) = mass::date",
        "value > 0|x > 0",
        "case when weight is null then 0 else weight end|case when mass is null then 0 else mass end",
        "weight between 1 and weight + 2|mass between 1 and mass + 2",
        "(((weight)))|(((mass)))",
        "weight in (select weight from lot)|mass in (select mass from lot)",
        "extract(year from date)|extract(year from \"day taken\")",
        "weights > 0|weights > 0"})
    void onlyColumnsAreRenamed(String before, String after) {
        assertThat(renamed(before)).isEqualTo(after);
    }

    /** What the grammar does not know is renamed by its tokens. */
    @Test
    void whatIsNotReadIsRenamedByItsTokens() {
        assertThat(Expression.of("weight ?? @@ weight(1)").tree()).isEmpty();
        assertThat(renamed("weight ?? @@ weight(1)")).isEqualTo("mass ?? @@ weight(1)");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', value = {
        "a + b * c|a,b,c", "round(a, 2) > lot.b|a,b", "a is not null and a <> 'b'|a", "1 + 2|''",
        "cast(a as numeric) > interval '1' day|a", "\"A b\" = 1|a b", "value > 0|value"})
    void columnsAreThoseThatItSpeaksOf(String text, String columns) {
        assertThat(Expression.of(text).columns())
                .isEqualTo(columns.equals("''") ? Set.of() : Set.of(columns.split(",")));
    }

    @Test
    void callsAreThoseOfTheNamesAskedFor() {
        assertThat(Expression.of("weigh(lower(a), b) + Weigh (c) + weigh").calls(Set.of("weigh", "upper")))
                .containsExactly("weigh", "weigh");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', value = {
        "a > 0 and b > 0|a > 0;b > 0",
        "(a > 0) AND ((b > 0 and (c > 0)))|a > 0;b > 0;c > 0",
        "a between 1 and 2 and b > 0|a between 1 and 2;b > 0",
        "a > 0 and b > 0 or c > 0|a > 0 and b > 0 or c > 0",
        "not (a > 0 and b > 0)|not (a > 0 and b > 0)",
        "case when a > 0 and b > 0 then true else false end|case when a > 0 and b > 0 then true else false end"})
    void conjunctionsHaveParts(String condition, String parts) {
        assertThat(Conjunction.parts(Expression.of(condition))).extracting(Expression::text)
                .containsExactly(parts.split(";"));
    }

    @Test
    void conditionsAreJoinedAgain() {
        List<Expression> parts = List.of(Expression.of("a or b"), Expression.of("c"));
        assertThat(Conjunction.of(parts).text()).isEqualTo("(a or b) AND (c)");
        assertThat(Conjunction.parts(Conjunction.of(parts))).isEqualTo(parts);
        assertThat(Conjunction.of(List.of(parts.getFirst()))).isSameAs(parts.getFirst());
    }

    @Test
    void equalWordsAreEqualAndNothingIsMadeOfTheSame() {
        Expression one = Expression.of("a > 0");
        assertThat(one).isEqualTo(Expression.of("a > 0")).hasSameHashCodeAs(Expression.of("a > 0"));
        assertThat(one).isNotEqualTo(Expression.of("a  > 0")).hasToString("a > 0");
        assertThat(one.canonical()).isEqualTo(Expression.of("(a  > 0)").canonical());
        assertThat(one.worded(text -> text)).isSameAs(one);
        assertThat(one.renamed(Map.of("b", "c"))).isSameAs(one);
        assertThat(Expression.ofNonEmpty("")).isEmpty();
    }

    /** Long rows of operands are read, deep ones are given up: nothing brings the process down. */
    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {"a > 0; or b > 1;true", "a > 0; and b > 1;true", "a; || b;true",
        "a; + b;false", "a;::int;false", "a;[1];false", "-;-;false", "(;(;false", "not ; not;false"})
    void longAndDeepOnesComeToAnEnd(String begin, String more, boolean read) {
        boolean close = more.startsWith("::") || more.startsWith("[");
        Expression expression = Expression.of(begin + (close ? more : " " + more).repeat(30_000));
        assertThat(expression.tree().isPresent()).isEqualTo(read);
        assertThat(expression.canonical()).isNotNull();
        assertThat(expression.columns()).isNotNull();
        assertThat(expression.renamed(Map.of("a", "z")).text()).hasSameSizeAs(expression.text());
        assertThat(Conjunction.parts(expression)).isNotEmpty();
    }

    /** A rule that exchanges nothing gives every expression back as it was written. */
    @Test
    void aRewritingLosesNothing() {
        String[] pieces = {"a", "(", ")", " and ", " or ", "b.c", " in (1, 2)", "'x'", " = ", "::text", "f(", ", ",
            "not ", "case when ", " then ", " end", "array[", "]", " + ", "5", " is null", "cast(",
            " as int)", "/* c */"};
        Random random = new Random(11);
        int read = 0;
        for (int round = 0; round < 60_000; round++) {
            StringBuilder text = new StringBuilder();
            random.ints(1 + random.nextInt(7), 0, pieces.length).forEach(at -> text.append(pieces[at]));
            Expression expression = Expression.of(text.toString());
            read += expression.tree().isPresent() ? 1 : 0;
            assertThat(Rewriting.of(expression, (term, rewriting) -> java.util.Optional.empty()).text())
                    .isEqualTo(expression.text());
            Expression renamed = expression.renamed(Map.of("a", "zz"));
            if (expression.tree().isPresent()) {
                assertThat(renamed.tree()).as(renamed.text()).isPresent();
                assertThat(renamed.columns()).doesNotContain("a");
            }
        }
        assertThat(read).isGreaterThan(1000);
    }

    @Test
    void onlyCallsAreRenamed() {
        String sql = "length(length) > 1 AND \"length\"(x) = LENGTH (y) AND 'length(z)' <> z";
        assertThat(Expression.of(sql).callingOtherwise(Map.of("length", "char_length")).text()).isEqualTo(
                "char_length(length) > 1 AND \"length\"(x) = char_length (y) AND 'length(z)' <> z");
        String view = "CREATE VIEW v AS SELECT length(lower(length(a))) AS length FROM t WHERE length(b) > 1";
        assertThat(Expression.of(view).callingOtherwise(Map.of("length", "len")).text())
                .isEqualTo("CREATE VIEW v AS SELECT len(lower(len(a))) AS length FROM t WHERE len(b) > 1");
        assertThat(Expression.of("length(a").callingOtherwise(Map.of("length", "len")).text()).isEqualTo("length(a");
    }
}
