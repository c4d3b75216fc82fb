package entaxis.core.engine.postgresql;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Expressions as PostgreSQL's pg_get_expr gives them, in ISO words (PostgreSQL manual, 9.27 and 9.17). */
class CatalogExpressionTest {

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', value = {
        "'species'::character varying | 'species'",
        "'species'::character varying(20) | 'species'",
        "'a'::text = ANY (ARRAY['b'::text, 'c'::text]) | 'a' = ANY (ARRAY['b', 'c'])",
        "'-5'::integer | -5",
        "'1.50'::numeric(9,2) | 1.50",
        "'1.2.3'::numeric | '1.2.3'",
        "'5'::text | '5'",
        "'2026-01-01'::date | '2026-01-01'",
        "'2026-01-01 10:00:00+00'::timestamp with time zone | '2026-01-01 10:00:00+00'",
        "'2026-01-01'::timestamp(3) without time zone | '2026-01-01'",
        "'{}'::integer[] | '{}'",
        "NULL::character varying | NULL",
        "'low'::vault.level | 'low'",
        "'low'::\"Level\" | 'low'",
        "(a)::text | (a)::text",
        "lower(a)::citext | lower(a)::citext",
        "nextval('lot_id_seq'::regclass) | next value for lot_id_seq",
        "nextval('vault.lot_id_seq') | next value for vault.lot_id_seq",
        "pg_catalog.nextval('\"Lot_seq\"'::regclass) | next value for \"Lot_seq\"",
        "nextval('lot seq'::regclass) | next value for \"lot seq\"",
        "a > 0 | a > 0",
        "'it''s'::text <> b | 'it''s' <> b",
        "'a::b' | 'a::b'",
        "((seeds >= 0) AND (seeds <= '100'::smallint)) | ((seeds >= 0) AND (seeds <= 100))"})
    void inIsoWords(String catalog, String iso) {
        assertThat(CatalogExpression.standard(catalog)).isEqualTo(iso);
    }
}
