package entaxis.core.engine.postgresql;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.reading.Reading;
import entaxis.core.reading.ScriptReader;
import entaxis.core.targets.Target;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RoutineSignatureTest {
    /** PostgreSQL manual, CREATE FUNCTION: names, lengths, defaults and results tell no routines apart. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"a varchar(32) | character varying", "INT4, TEXT | n integer, t text",
            "IN a int DEFAULT f(1, 2), OUT b text | integer",
            "a timestamp without time zone, b timestamptz | timestamp, timestamp with time zone",
            "a public.citext, numeric(9,2) = 0 | citext, numeric", "VARIADIC parts int[] | integer[]",
            "double precision, x float8 | double precision, double precision",
            "b bool, char(3) | boolean, c character"})
    void typesAlone(String arguments, String same) {
        assertThat(RoutineSignature.of(arguments)).isEqualTo(RoutineSignature.of(same)).isNotEmpty();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"a int | a bigint", "a int | a int, b int", "a timestamp | a timestamptz",
            "int[] | int", "a text | a varchar"})
    void otherTypesAreAnotherRoutine(String one, String other) {
        assertThat(RoutineSignature.of(one)).isNotEqualTo(RoutineSignature.of(other));
    }

    @Test
    void aRoutineThatIsReplacedIsThereOnce() {
        Reading reading = ScriptReader.read("""
                CREATE FUNCTION weighed(a varchar(32)) RETURNS int LANGUAGE sql AS $$ SELECT 1 $$;
                CREATE OR REPLACE FUNCTION weighed(b varchar(64)) RETURNS int LANGUAGE sql AS $$ SELECT 2 $$;
                CREATE FUNCTION weighed(a int) RETURNS int LANGUAGE sql AS $$ SELECT 3 $$;
                CREATE SEQUENCE low MINVALUE 1000 MAXVALUE 2147483647;
                CREATE SEQUENCE falling INCREMENT -2 MAXVALUE 50;
                CREATE SEQUENCE begun MINVALUE 5 START 7;
                """, Target.POSTGRESQL);
        assertThat(reading.schema().programs()).hasSize(2).anyMatch(one -> one.text().contains("SELECT 2"));
        assertThat(reading.schema().sequences()).extracting(sequence -> sequence.start())
                .containsExactly(1000L, 50L, 7L);
    }
}
