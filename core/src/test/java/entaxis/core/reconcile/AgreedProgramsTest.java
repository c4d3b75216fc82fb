package entaxis.core.reconcile;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class AgreedProgramsTest {
    private static boolean apart(Target engine, ProgramKind kind, String wanted, String live) {
        Program program = new Program(kind, "", "p", engine, wanted);
        return AgreedPrograms.NONE.apart(program, program.worded(live), Dialect.of(engine));
    }

    private static Schema only(Target engine, String text) {
        return new Schema(List.of(), List.of(), List.of(),
                List.of(new Program(ProgramKind.VIEW, "", "p", engine, text)));
    }

    /** Oracle Database Reference, ALL_VIEWS and ALL_SOURCE: the text of a view and of a routine is kept. */
    @Test
    void oracleKeepsTexts() {
        assertThat(apart(Target.ORACLE, ProgramKind.VIEW, "CREATE OR REPLACE FORCE VIEW p AS SELECT a\n FROM t",
                "CREATE VIEW p AS SELECT a FROM t")).isFalse();
        assertThat(apart(Target.ORACLE, ProgramKind.VIEW, "CREATE VIEW p AS SELECT a FROM t WHERE a < 1",
                "CREATE VIEW p AS SELECT a FROM t WHERE a <= 1")).isTrue();
        assertThat(apart(Target.ORACLE, ProgramKind.FUNCTION,
                "CREATE OR REPLACE FUNCTION vault.p (n NUMBER) RETURN NUMBER IS BEGIN RETURN n; END;",
                "CREATE FUNCTION p (n NUMBER) RETURN NUMBER IS BEGIN RETURN n; END;")).isFalse();
        assertThat(apart(Target.ORACLE, ProgramKind.FUNCTION,
                "CREATE FUNCTION p (n NUMBER) RETURN NUMBER IS BEGIN RETURN n + 1; END;",
                "CREATE FUNCTION p (n NUMBER) RETURN NUMBER IS BEGIN RETURN n - 1; END;")).isTrue();
    }

    /** PostgreSQL manual, CREATE FUNCTION: the words of the head may stand before and behind the body. */
    @Test
    void theHeadOfARoutineMayStandAnywhere() {
        String kept =
                "CREATE OR REPLACE FUNCTION p(n integer)\n RETURNS bigint\n LANGUAGE sql\n STABLE STRICT\nAS "
                        + "$function$ SELECT n $function$";
        assertThat(apart(Target.POSTGRESQL, ProgramKind.FUNCTION,
                "CREATE FUNCTION p(n int4) RETURNS int8 AS $$ SELECT n $$ LANGUAGE sql STABLE RETURNS NULL ON NULL "
                        + "INPUT",
                kept)).isFalse();
        assertThat(apart(Target.POSTGRESQL, ProgramKind.FUNCTION,
                "CREATE FUNCTION p(n int4) RETURNS int8 AS $$ SELECT n $$ LANGUAGE sql STABLE", kept)).isTrue();
        assertThat(apart(Target.POSTGRESQL, ProgramKind.FUNCTION,
                "CREATE FUNCTION p(n int4) RETURNS int8 AS $$ SELECT -n $$ LANGUAGE sql STABLE STRICT", kept)).isTrue();
        assertThat(apart(Target.POSTGRESQL, ProgramKind.FUNCTION,
                "CREATE FUNCTION p(n int4) RETURNS int8 AS $$ SELECT n $$ LANGUAGE sql STABLE STRICT SECURITY DEFINER",
                kept)).isTrue();
    }

    /** A query that is not read is compared by what it speaks of, and that is said. */
    @Test
    void whatCouldOnlyBeComparedRoughlyIsSaid() {
        Dialect dialect = Dialect.of(Target.POSTGRESQL);
        Schema wanted = only(Target.POSTGRESQL, "CREATE VIEW p AS SELECT a FROM t NATURAL JOIN u WHERE a < 1");
        Schema live = only(Target.POSTGRESQL, "CREATE VIEW p AS SELECT t.a FROM t NATURAL JOIN u WHERE t.a <= 1");
        assertThat(AgreedPrograms.NONE.apart(wanted.programs().getFirst(), live.programs().getFirst(), dialect))
                .isFalse();
        assertThat(AgreedPrograms.NONE.vague(wanted, live, dialect)).get().asString()
                .startsWith("p was compared only by").contains("PostgreSQL");
        assertThat(new AgreedPrograms(live.programs(), Map.of()).vague(wanted, live, dialect)).isEmpty();
        assertThat(AgreedPrograms.NONE.vague(only(Target.POSTGRESQL, "CREATE VIEW p AS SELECT a FROM t"),
                only(Target.POSTGRESQL, "CREATE VIEW p AS SELECT b FROM t"), dialect)).isEmpty();
        assertThat(AgreedPrograms.NONE.vague(wanted, live, Dialect.of(Target.SQLITE))).isEmpty();
    }
}
