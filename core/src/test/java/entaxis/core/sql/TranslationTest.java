package entaxis.core.sql;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.reading.ScriptReader;
import entaxis.core.targets.Target;
import org.junit.jupiter.api.Test;

/** Scripts of one engine, written for another: what real scripts taught. */
class TranslationTest {
    private static Script translated(String script, Target from, Target to) {
        return new ScriptWriter(Dialect.of(to), ScriptOptions.DEFAULT)
                .write(IsoNormalizer.of(ScriptReader.read(script, from).schema(), Dialect.of(from)), "t");
    }

    private static String again(String script, Target engine) {
        return new ScriptWriter(Dialect.of(engine), ScriptOptions.DEFAULT)
                .writeAgain(ScriptReader.read(script, engine).schema(), "t").text();
    }

    @Test
    void aLengthInAKeyIsKept() {
        String script =
                "create table host (pid text, name blob, primary key (pid(75))); create index ix on host (name(20));";
        assertThat(again(script, Target.MARIADB)).contains("PRIMARY KEY (pid(75))", "(name(20))");
        assertThat(translated(script, Target.MARIADB, Target.H2).text()).contains("PRIMARY KEY (pid)", "ON host (name)",
                "name  varbinary");
    }

    @Test
    void aFunctionThatStaysBehindIsCalledByNothing() {
        String script = """
                create function bits(t text) returns integer language sql as 'select 1';
                create table lot (no integer primary key, mask integer default bits('x'), c integer,
                    check (bits('y') > c));
                """;
        Script h2 = translated(script, Target.POSTGRESQL, Target.H2);
        assertThat(h2.text()).doesNotContain("bits");
        assertThat(h2.findings()).extracting(AdaptationNote::sentence)
                .filteredOn(note -> note.contains("it calls bits, which is written for another engine")).hasSize(2);
    }

    /** PostgreSQL manual, CREATE FUNCTION: a function has to be there before what calls it. */
    @Test
    void aFunctionThatDefinitionsCallComesFirst() {
        String again = again("""
                create function outer_mask() returns integer language sql as 'select inner_mask()';
                create function inner_mask() returns integer language sql as 'select 1';
                create function later() returns integer language sql as 'select count(*)::int from lot';
                create table lot (no integer primary key, mask integer default outer_mask());
                """, Target.POSTGRESQL);
        assertThat(again.indexOf("outer_mask()")).isLessThan(again.indexOf("CREATE TABLE lot"));
        assertThat(again.indexOf("inner_mask() returns")).isLessThan(again.indexOf("CREATE TABLE lot"));
        assertThat(again.indexOf("later()")).isGreaterThan(again.indexOf("CREATE TABLE lot"));
    }

    @Test
    void extensionsAreAddedFirst() {
        assertThat(again("create extension if not exists citext; create table t (a citext);", Target.POSTGRESQL))
                .containsSubsequence("CREATE EXTENSION IF NOT EXISTS citext;", "CREATE TABLE t");
    }

    /** SQLite documentation, “Double-quoted String Literals Are Accepted” and “Datatypes In SQLite”. */
    @Test
    void whatOnlySqliteSaysGoesOverToo() {
        String script =
                "create table lot (Size integer unsigned default \"x\", made datetime default (datetime('now')), "
                + "check (size > 0));";
        assertThat(again(script, Target.SQLITE)).contains("integer unsigned", "DEFAULT 'x'", "datetime('now')");
        assertThat(translated(script, Target.SQLITE, Target.POSTGRESQL).text()).contains("DEFAULT 'x'",
                "DEFAULT current_timestamp", "CHECK (\"Size\" > 0)");
    }

    @Test
    void aReferenceIntoTheUsualSchemaNamesNone() {
        assertThat(translated("create table dbo.a (id int primary key); create table dbo.b (a int, "
                + "foreign key (a) references dbo.a (id));", Target.SQLSERVER, Target.H2).text()).doesNotContain("dbo");
    }

    @Test
    void aDomainOfAKeyCanBeIndexed() {
        assertThat(translated("create domain id as bytea; create table t (no id primary key);", Target.POSTGRESQL,
                Target.H2).text()).contains("CREATE DOMAIN id AS varbinary");
    }

    @Test
    void aSequenceOfAnyNameIsAsked() {
        assertThat(translated("create sequence \"lot-no\"; create table t (a bigint default nextval('\"lot-no\"'));",
                Target.POSTGRESQL, Target.H2).text()).contains("next value for \"lot-no\"");
    }

    /** MySQL manual, “Numeric Type Syntax”: BOOL is TINYINT(1). */
    @Test
    void aTruthValueThatRefersToANumberIsOne() {
        assertThat(translated("create table kind (id tinyint primary key); create table lot (k tinyint(1), "
                + "foreign key (k) references kind (id));", Target.MYSQL, Target.H2).text()).contains("k  tinyint");
    }
}
