package entaxis.core.engine.duckdb;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Expressions as duckdb_constraints() and duckdb_columns() of DuckDB 1.5 give them, in ISO words. */
class DuckDbExpressionTest {

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '@', value = {
        "(a ~~ 'x%') | a like 'x%'",
        "((a ~~ 'x%') OR (b IS NOT NULL)) | (a like 'x%') OR (b IS NOT NULL)",
        "(a !~~ 'z%') | a not like 'z%'",
        "(a ~~* 'x') | a ilike 'x'",
        "(a !~~* 'x') | a not ilike 'x'",
        "CAST('t' AS BOOLEAN) | true",
        "(b = CAST('f' AS BOOLEAN)) | b = false",
        "CAST('2026-01-31' AS \"DATE\") | '2026-01-31'",
        "(CAST(b AS VARCHAR) = 'a') | CAST(b AS VARCHAR) = 'a'",
        "(main.\"trim\"(a) != '') | trim(a) != ''",
        "(\"nullif\"(b, 1) > 2) | nullif(b, 1) > 2",
        "(\"Weight\" > 2) | \"Weight\" > 2",
        "(\"Weight\" IN (2)) | \"Weight\" IN (2)",
        "nextval('lot_seq') | next value for lot_seq",
        "((nextval('vault.lot_seq'))) | next value for vault.lot_seq",
        "(a) + (b) | (a) + (b)",
        "(b > CAST('5' AS INTEGER)) | b > 5",
        "(\"my own\"(a) > 1) | \"my own\"(a) > 1",
        "'~~' | '~~'",
        "count_star() | count(*)"})
    void inIsoWords(String catalog, String iso) {
        assertThat(DuckDbExpression.standard(catalog)).isEqualTo(iso);
    }

    @ParameterizedTest
    @CsvSource(value = {"t, true", "true, true", "f, false", "FALSE, false"})
    void textsAreTruthValues(String text, boolean truth) {
        assertThat(DuckDbExpression.truth("'" + text + "'")).contains(truth);
        assertThat(DuckDbExpression.truth("'maybe'")).isEmpty();
    }
}
