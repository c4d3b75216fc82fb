package entaxis.core.engine;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.reconcile.CatalogWording;
import entaxis.core.reconcile.ProgramParts;
import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.core.targets.Target;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What each engine keeps letter by letter of a routine, trigger or view, and what it rewords, by its manual. */
class WordingTest {

    private static ProgramParts parts(Target engine, ProgramKind kind, String text) {
        return CatalogWording.of(engine).parts(new Program(kind, "", "p", engine, text));
    }

    /** PostgreSQL manual, CREATE FUNCTION and pg_proc: prosrc holds what stands between the dollars or quotes. */
    @Test
    void bodiesOfPostgreSql() {
        ProgramParts dollars = parts(Target.POSTGRESQL, ProgramKind.FUNCTION, """
                CREATE FUNCTION p(n integer DEFAULT CAST('1' AS integer)) RETURNS timestamp with time zone
                LANGUAGE 'plpgsql' STABLE RETURNS NULL ON NULL INPUT SECURITY DEFINER AS $body$
                BEGIN  RETURN now(); END $body$;""");
        assertThat(dollars.kept()).contains("BEGIN RETURN now(); END");
        assertThat(dollars.words()).containsExactlyInAnyOrder("int", "timestamptz", "stable", "strict", "definer");
        assertThat(dollars.head()).contains("LANGUAGE plpgsql").doesNotContain("BEGIN");
        ProgramParts quotes = parts(Target.POSTGRESQL, ProgramKind.FUNCTION,
                "CREATE FUNCTION p() RETURNS text LANGUAGE sql AS 'SELECT ''it''''s''' IMMUTABLE");
        assertThat(quotes.kept()).contains("SELECT 'it''s'");
        assertThat(quotes.words()).containsExactlyInAnyOrder("text", "immutable");
    }

    /** PostgreSQL manual, pg_get_triggerdef: the condition is reworded. */
    @Test
    void conditionsOfTriggersOfPostgreSql() {
        ProgramParts one = parts(Target.POSTGRESQL, ProgramKind.TRIGGER, "CREATE TRIGGER p BEFORE UPDATE ON lot "
                + "FOR EACH ROW WHEN (NEW.seeds <> OLD.seeds) EXECUTE FUNCTION f()");
        ProgramParts other = parts(Target.POSTGRESQL, ProgramKind.TRIGGER, "CREATE TRIGGER p BEFORE UPDATE ON lot "
                + "FOR EACH ROW WHEN ((new.seeds <> old.seeds)) EXECUTE FUNCTION f()");
        assertThat(one.words()).isEqualTo(other.words()).contains("before", "update", "row");
    }

    /** MySQL manual, SHOW CREATE TRIGGER: the definer is put in, the body is kept. */
    @Test
    void bodiesOfMySql() {
        ProgramParts trigger = parts(Target.MYSQL, ProgramKind.TRIGGER, "CREATE DEFINER=`keeper`@`localhost` TRIGGER p "
                + "AFTER INSERT ON lot FOR EACH ROW BEGIN /* note */ SET @a = 1; END");
        assertThat(trigger.kept()).contains("BEGIN SET @a = 1; END");
        assertThat(trigger.words()).contains("after", "insert").doesNotContain("keeper");
        ProgramParts routine = parts(Target.MYSQL, ProgramKind.FUNCTION, "CREATE FUNCTION p ( a  INT , b VARCHAR (9) ) "
                + "RETURNS VARCHAR(9) CHARSET utf8mb4 DETERMINISTIC READS SQL DATA RETURN CONCAT(a, b)");
        assertThat(routine.kept()).contains("RETURN CONCAT(a, b)");
        assertThat(routine.words()).contains("deterministic", "reads", "(a int,b varchar(9))");
    }

    /** Oracle Database Reference, ALL_SOURCE: the text is kept from the name of the kind on. */
    @Test
    void textsOfOracle() {
        assertThat(parts(Target.ORACLE, ProgramKind.PROCEDURE,
                "CREATE OR REPLACE EDITIONABLE PROCEDURE vault.p#1 (n NUMBER) AS BEGIN NULL; END;").kept())
                .contains("(n NUMBER) AS BEGIN NULL; END");
        assertThat(parts(Target.ORACLE, ProgramKind.PACKAGE, "CREATE PACKAGE BODY \"Vault\".\"P\" IS END;").kept())
                .contains("IS END");
        assertThat(parts(Target.ORACLE, ProgramKind.VIEW, "CREATE VIEW p AS SELECT 1 AS n FROM dual;").kept())
                .contains("SELECT 1 AS n FROM dual");
        assertThat(parts(Target.ORACLE, ProgramKind.VIEW, "CREATE VIEW p").kept()).isEqualTo(Optional.empty());
    }

    /** MariaDB manual, LENGTH; H2 manual, LENGTH: each keeps one function under another name. */
    @Test
    void functionsUnderAnotherName() {
        assertThat(CatalogWording.of(Target.MARIADB).neutral("octet_length(\"a\") > 1"))
                .isEqualTo("length(\"a\") > 1");
        assertThat(CatalogWording.of(Target.H2).neutral("LENGTH(a) > length")).isEqualTo("char_length(a) > length");
    }
}
