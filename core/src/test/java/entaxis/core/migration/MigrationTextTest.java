package entaxis.core.migration;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.Difference;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.reconcile.Risk;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class MigrationTextTest {
    private static Schema read(String script, Target engine) {
        return EngineSchema.of(ScriptReader.read(script, engine).schema(), engine, Dialect.of(engine));
    }

    private static List<Difference> differences(String from, String to) {
        return Comparison.of(read(from, Target.POSTGRESQL), read(to, Target.POSTGRESQL), Dialect.of(Target.POSTGRESQL),
                RenameMap.NONE).differences();
    }

    @Test
    void aLineBreakInANameDoesNotEndAComment() {
        Schema from = read(
                "create table \"old\nDROP TABLE kept;\" (id int primary key); create table kept (id int primary key);",
                Target.POSTGRESQL);
        Schema to = read("create table kept (id int primary key);", Target.POSTGRESQL);
        Migration migration = Migration.of(from, to, Dialect.of(Target.POSTGRESQL), RenameMap.NONE, Fills.NONE);
        assertThat(migration.statements()).contains("DROP TABLE \"old\nDROP TABLE kept;\"");
        List<String> comments =
                migration.text("title\nDROP TABLE kept;").lines().filter(line -> line.startsWith("--")).toList();
        assertThat(comments).anyMatch(line -> line.contains("Drop the table old DROP TABLE kept;"));
        assertThat(ScriptReader.read("create table \"old\nDROP TABLE kept;\" (id int); create table kept (id int);"
                + migration.text("title\nDROP TABLE kept;"), Target.POSTGRESQL).schema().tables())
                .extracting(table -> table.name()).containsExactly("kept");
    }

    @Test
    void anEnumerationInsideAStructureLosesValuesUnlessItIsOnlyExtended() {
        String rest =
                " create type spot as (lat numeric, state state); create table t (id int primary key, place spot);";
        assertThat(differences("create type state as enum ('dry', 'cold');" + rest,
                "create type state as enum ('dry', 'wet', 'cold');" + rest)).extracting(Difference::risk)
                .containsExactly(Risk.SAFE);
        assertThat(differences("create type state as enum ('dry', 'cold');" + rest,
                "create type state as enum ('cold', 'dry');" + rest)).extracting(Difference::risk)
                .containsExactly(Risk.LOSES_DATA);
        assertThat(differences("create type state as enum ('dry', 'cold'); create table t (s state);",
                "create type state as enum ('dry'); create table t (s state);")).extracting(Difference::risk)
                .containsExactly(Risk.MAY_FAIL);
    }

    @Test
    void aPlainColumnThatBecomesComputedLosesItsValuesWhicheverPartOfItIsTaken() {
        assertThat(differences("create table t (d date);",
                "create table t (d uuid generated always as (null::uuid) stored);")).extracting(Difference::risk)
                .containsOnly(Risk.LOSES_DATA);
    }

    /** PostgreSQL manual, ALTER DOMAIN: refusing null is set and dropped in its own words; the rule beside it stays. */
    @Test
    void aDomainRefusesNullInItsOwnWords() {
        String free = "create domain code as varchar(9) check (value <> ''); create table t (c code);";
        String refuses = "create domain code as varchar(9) not null check (value <> ''); create table t (c code);";
        assertThat(statements(free, refuses)).containsExactly("ALTER DOMAIN code SET NOT NULL");
        assertThat(statements(refuses, free)).containsExactly("ALTER DOMAIN code DROP NOT NULL");
        assertThat(statements("create domain code as varchar(9) not null; create table t (c code);", refuses))
                .containsExactly("ALTER DOMAIN code ADD CONSTRAINT code_check CHECK (value <> '')");
        assertThat(differences(refuses,
                "create domain code as varchar(9) check (value <> '') check (value is not null); create table t (c "
                        + "code);"))
                .isEmpty();
    }

    private static List<String> statements(String from, String to) {
        return Migration
                .of(read(from, Target.POSTGRESQL), read(to, Target.POSTGRESQL), Dialect.of(Target.POSTGRESQL),
                        RenameMap.NONE, Fills.NONE)
                .statements().stream()
                .filter(statement -> statement.startsWith("ALTER")).toList();
    }

    @ParameterizedTest
    @EnumSource(Target.class)
    void aTextKeepsAllItsBlanks(Target engine) {
        Schema from = read("create table lot (id int primary key);", engine);
        Schema to = read("create table lot (id int primary key, label varchar(20) default 'two  blanks');", engine);
        Migration migration = Migration.of(from, to, Dialect.of(engine), RenameMap.NONE, Fills.NONE);
        assertThat(migration.statements()).anyMatch(statement -> statement.contains("'two  blanks'"));
    }
}
