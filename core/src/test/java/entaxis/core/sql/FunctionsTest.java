package entaxis.core.sql;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.expression.Expression;
import entaxis.core.sql.Functions.Kind;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Moments, random identifiers and sequences as the engines' manuals write them. */
class FunctionsTest {

    private static Kind kind(String expression) {
        return Functions.kind(Expression.of(expression));
    }

    @ParameterizedTest
    @ValueSource(strings = {"now()", "CURRENT_TIMESTAMP", "current_timestamp(6)", "current_timestamp()", "(getdate())",
        "((sysdatetime()))", "SYSDATE", "systimestamp", "localtimestamp(3)", " transaction_timestamp( ) "})
    void moments(String expression) {
        assertThat(kind(expression)).isEqualTo(Kind.NOW);
    }

    @ParameterizedTest
    @ValueSource(strings = {"gen_random_uuid()", "UUID()", "(newid())", "sys_guid()", "newsequentialid()"})
    void randomIdentifiers(String expression) {
        assertThat(kind(expression)).isEqualTo(Kind.RANDOM_UUID);
    }

    @ParameterizedTest
    @ValueSource(strings = {"now() + 1", "getdate(1)", "now", "'now()'", "current_date", "uuid('a')", "next value",
        "upper(now())", "current_timestamp(a)", "(now()", ""})
    void others(String expression) {
        assertThat(kind(expression)).isEqualTo(Kind.OTHER);
    }

    /** ISO/IEC 9075-2, 6.14; MariaDB manual, NEXT VALUE for sequence_name. */
    @Test
    void sequences() {
        assertThat(kind("NEXT VALUE FOR store.\"Lot seq\"")).isEqualTo(Kind.NEXT_VALUE);
        assertThat(Functions.drawnFrom(Expression.of("NEXT VALUE FOR store.\"Lot seq\"")))
                .isEqualTo(List.of("store", "Lot seq"));
        assertThat(Functions.drawnFrom(Expression.of("(next value for lot_seq)"))).isEqualTo(List.of("lot_seq"));
        assertThat(Functions.drawnFrom(Expression.of("nextval(\"store\".\"lot_seq\")")))
                .isEqualTo(List.of("store", "lot_seq"));
        assertThat(Functions.drawnFrom(Expression.of("nextval(lot_seq) + 1"))).isEmpty();
        assertThat(Functions.drawnFrom(Expression.of("next_value"))).isEmpty();
        assertThat(Functions.sequence(Expression.of("((next  value for store.\"Lot seq\"))")))
                .isEqualTo("store.\"Lot seq\"");
    }
}
