package entaxis.core.expression;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.reading.ScriptReader;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Casts as PostgreSQL writes them, in scripts and in its catalog, for other engines. */
class CastOperatorTest {
    private static final Set<String> TEXTS = Set.of("name", "state");

    /** PostgreSQL manual, 4.2.9 (casts), 4.2.12 (array constructors), 8.5.1.4 (special values), 9.24 (IN). */
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', value = {
            "weight::integer > 1|CAST(weight AS integer) > 1",
            "(name)::text = lower((name)::text)|name = lower(name)",
            "(weight)::text <> 'x'::text|CAST(weight AS text) <> 'x'",
            "round(weight)::numeric(8,2) > 0|CAST(round(weight) AS numeric(8,2)) > 0",
            "a.b::timestamp with time zone IS NULL|CAST(a.b AS timestamp with time zone) IS NULL",
            "5::double precision / 2|CAST(5 AS double precision) / 2",
            "x::a::b|CAST(CAST(x AS a) AS b)",
            "(a + b)::bigint IN (1::int)|CAST(a + b AS bigint) IN (CAST(1 AS int))",
            "('now'::text)::date|current_date",
            "NOT (a)::boolean|NOT CAST(a AS boolean)",
            "(state)::text = ANY ((ARRAY['a'::character varying, 'b'::character varying])::text[])|state IN ('a', 'b')",
            "weight <> ALL (ARRAY[1, 2])|weight NOT IN (1, 2)",
            "'a::b' <> name|'a::b' <> name",
            "::|::", "a::|a::", "::int|::int", "(a::int|(a::int", "no = ANY (ARRAY[1, 2]::integer[])|no IN (1, 2)",
            "upper(name::text) = ANY (ARRAY[b::text])|upper(name) IN (CAST(b AS text))"})
    void castsAndListsAreThoseOfTheStandard(String written, String iso) {
        assertThat(CastOperator.asIso(Expression.of(written), TEXTS::contains).text()).isEqualTo(iso);
    }

    /** MySQL manual, “Cast Functions and Operators”; Oracle SQL Language Reference, CAST; Transact-SQL, CAST. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"MYSQL|CAST(weight AS char)|CAST(no AS signed)",
        "ORACLE|CAST(weight AS varchar2(4000))|CAST(no AS bigint)",
        "SQLSERVER|CAST(weight AS nvarchar(max))|CAST(no AS bigint)",
        "SQLITE|CAST(weight AS text)|CAST(no AS bigint)"})
    void eachEngineCallsTheTypesInCastItsOwnWay(Target engine, String text, String number) {
        Schema schema = ScriptReader.read("create table lot (no numeric, weight numeric, check (weight::text <> 'x'), "
                + "check (no::bigint > 1))", Target.POSTGRESQL).schema();
        String script = new ScriptWriter(Dialect.of(engine), ScriptOptions.DEFAULT)
                .write(IsoNormalizer.of(schema, Dialect.of(Target.POSTGRESQL)), "lots").text();
        assertThat(script).contains(text, number);
    }

    /** What an engine's own script says stays as it was written. */
    @Test
    void theEnginesOwnCastsStay() {
        Schema schema = ScriptReader.read("create table lot (no int, check (cast(no as unsigned) > 1))",
                Target.MYSQL).schema();
        assertThat(new ScriptWriter(Dialect.of(Target.MYSQL), ScriptOptions.DEFAULT).writeAgain(schema, "lots").text())
                .containsIgnoringCase("cast(no as unsigned) > 1");
    }

    /** PostgreSQL manual, 8.6: truth values by their texts. */
    @Test
    void truthValuesInQuotesAreTruthValues() {
        Schema schema = ScriptReader.read("create table lot (a bool default 'f', b boolean default 'yes', c text "
                + "default 'f')", Target.POSTGRESQL).schema();
        assertThat(IsoNormalizer.of(schema, Dialect.of(Target.POSTGRESQL)).tables().getFirst().columns())
                .extracting(column -> column.defaultValue().map(Expression::text).orElse(""))
                .containsExactly("false", "true", "'f'");
    }
}
