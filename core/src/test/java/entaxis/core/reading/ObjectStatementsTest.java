package entaxis.core.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import entaxis.core.schema.Grant;
import entaxis.core.schema.ObjectComment;
import entaxis.core.schema.Program;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What scripts say about views, routines, triggers and sequences beside creating them. */
class ObjectStatementsTest {
    private static final String VAULT = """
            create table lot (lot_no integer primary key, weight numeric(8,2));
            create view heavy as select lot_no, weight from lot where weight > 100;
            create view heaviest as select * from heavy where weight > 900;
            create function twice(w numeric) returns numeric language sql as 'select w * 2';
            create function twice(w integer, more text default 'a, b') returns integer language sql as 'select w * 2';
            create function mark() returns trigger language plpgsql as $$ begin return new; end $$;
            create trigger lot_mark before insert on lot for each row execute function mark();
            create sequence lot_numbers;
            """;

    private static Schema read(String more) {
        Reading reading = ScriptReader.read(VAULT + more, Target.POSTGRESQL);
        assertThat(reading.notUnderstood()).isEmpty();
        return reading.schema();
    }

    private static Program program(Schema schema, String name) {
        return schema.programs().stream().filter(program -> program.name().equals(name)).findFirst().orElseThrow();
    }

    private static List<String> names(Schema schema) {
        return schema.programs().stream().map(Program::name).toList();
    }

    @Test
    void commentsBelongToWhatTheyAreAbout() {
        Schema schema = read("""
                comment on view heavy is 'Over 100 grams';
                comment on column heavy.weight is 'In grams';
                comment on column heavy.lot_no is 'One';
                comment on column heavy.lot_no is null;
                comment on function twice(integer, text) is 'Of whole grams';
                comment on trigger lot_mark on lot is 'Marks';
                comment on sequence lot_numbers is 'Numbers of lots';
                """);
        assertThat(program(schema, "heavy").comments()).containsExactly(new ObjectComment("", "Over 100 grams"),
                new ObjectComment("weight", "In grams"));
        assertThat(schema.programs().stream().filter(one -> one.name().equals("twice")).map(Program::comments))
                .containsExactly(List.of(), List.of(new ObjectComment("", "Of whole grams")));
        assertThat(program(schema, "lot_mark").comments()).containsExactly(new ObjectComment("", "Marks"));
        assertThat(schema.sequences()).singleElement()
                .satisfies(sequence -> assertThat(sequence.comment()).isEqualTo("Numbers of lots"));
    }

    /** PostgreSQL manual, GRANT and REVOKE; “Privileges”: everybody may call a new routine. */
    @Test
    void privilegesAreAddedUp() {
        Schema schema = read("""
                grant select, insert on heavy to reader, writer;
                grant all privileges on table heaviest to reader;
                revoke insert on heavy from reader;
                grant update on heavy to writer with grant option;
                revoke execute on function twice(numeric) from public;
                grant select on lot to reader;
                """);
        assertThat(program(schema, "heavy").grants()).hasValue(List.of(new Grant("SELECT", "reader", false),
                new Grant("INSERT", "writer", false), new Grant("SELECT", "writer", false),
                new Grant("UPDATE", "writer", true)));
        assertThat(program(schema, "heaviest").grants()).hasValue(List.of(new Grant("ALL", "reader", false)));
        assertThat(program(schema, "twice").grants()).hasValue(List.of());
        assertThat(program(schema, "mark").grants()).hasValue(List.of(new Grant("EXECUTE", "PUBLIC", false)));
        assertThat(read("").programs()).allMatch(program -> program.grants().equals(Optional.empty()));
    }

    /** PostgreSQL manual, GRANT: tables, sequences and types; “Privileges”: everybody may use a new type. */
    @Test
    void tablesSequencesAndTypesHavePrivilegesToo() {
        Schema schema = read("""
                create type kind as enum ('a', 'b');
                create domain grams as numeric(8,2);
                grant select on table lot to reader with grant option;
                grant usage, select on sequence lot_numbers to reader;
                revoke usage on type kind from public;
                grant all on domain grams to reader;
                """);
        assertThat(schema.table("lot").orElseThrow().grants()).hasValue(List.of(new Grant("SELECT", "reader", true)));
        assertThat(schema.sequences().getFirst().grants())
                .hasValue(List.of(new Grant("SELECT", "reader", false), new Grant("USAGE", "reader", false)));
        assertThat(schema.types()).extracting(TypeDefinition::grants).containsExactly(Optional.of(List.of()),
                Optional.of(List.of(new Grant("USAGE", "PUBLIC", false), new Grant("USAGE", "reader", false))));
        assertThat(read("").tables()).allMatch(table -> table.grants().isEmpty());
    }

    /** PostgreSQL manual, GRANT: ALL ... IN SCHEMA is what there is by then. */
    @Test
    void allInASchemaIsWhatThereIsByThen() {
        Schema schema = read("""
                create schema other; create table other.lot (n int);
                grant select on all tables in schema public to reader;
                grant usage on all sequences in schema public to reader;
                revoke all on all functions in schema public from public;
                create table later (n int);
                """);
        assertThat(schema.tables()).filteredOn(table -> !table.grants().equals(Optional.of(List.of())))
                .extracting(Table::name, Table::namespace).containsExactly(tuple("lot", ""));
        assertThat(program(schema, "heavy").grants()).hasValue(List.of(new Grant("SELECT", "reader", false)));
        assertThat(program(schema, "mark").grants()).hasValue(List.of());
        assertThat(schema.sequences().getFirst().grants()).hasValue(List.of(new Grant("USAGE", "reader", false)));
    }

    /** PostgreSQL manual, “Privileges”: the owner has all of them, granted or not; older dumps grant them to it. */
    @Test
    void whatTheOwnerMayIsNotTold() {
        Schema schema = read("""
                alter table lot owner to keeper;
                alter function twice(numeric) owner to keeper;
                revoke all on table lot from public; revoke all on table lot from keeper;
                grant all on table lot to keeper; grant select on table lot to reader;
                grant all on function twice(numeric) to keeper;
                """);
        assertThat(schema.table("lot").orElseThrow().grants())
                .hasValue(List.of(new Grant("SELECT", "reader", false)));
        assertThat(program(schema, "twice").grants()).hasValue(List.of(new Grant("EXECUTE", "PUBLIC", false)));
    }

    /** PostgreSQL manual, ALTER DEFAULT PRIVILEGES: who runs the script decides what follows, so it is not known. */
    @Test
    void afterOtherDefaultsItIsNotKnownWhoMayUseWhatIsNew() {
        Schema schema = read("""
                alter default privileges in schema public grant select on tables to reader;
                create table later (n int); grant insert on later, lot to reader;
                """);
        assertThat(schema.table("later").orElseThrow().grants()).isEmpty();
        assertThat(schema.table("lot").orElseThrow().grants())
                .hasValue(List.of(new Grant("INSERT", "reader", false)));
    }

    /** Revoking one of all privileges leaves the others. */
    @Test
    void oneOfAllPrivilegesIsTakenAway() {
        Schema schema = read("grant all on heavy to reader; revoke delete, truncate on heavy from reader;");
        assertThat(program(schema, "heavy").grants().orElseThrow()).extracting(Grant::privilege)
                .containsExactly("INSERT", "REFERENCES", "SELECT", "TRIGGER", "UPDATE");
    }

    /** What is written again says the same. */
    @Test
    void theyAreWrittenAgain() {
        Schema schema = read("""
                comment on view heavy is 'It''s heavy';
                comment on function twice(numeric) is 'Twice';
                comment on trigger lot_mark on lot is 'Marks';
                comment on sequence lot_numbers is 'Numbers';
                grant select on heavy to reader with grant option;
                revoke all on function twice(integer, text) from public;
                grant execute on function twice(integer, text) to "Odd Role";
                create type kind as enum ('a'); revoke usage on type kind from public;
                grant select, insert on lot to reader; grant usage on sequence lot_numbers to reader;
                """);
        String text = new ScriptWriter(Dialect.of(Target.POSTGRESQL), ScriptOptions.DEFAULT)
                .writeAgain(schema, "again").text();
        Reading again = ScriptReader.read(text, Target.POSTGRESQL);
        assertThat(again.notUnderstood()).as(text).isEmpty();
        assertThat(again.schema().programs()).containsExactlyInAnyOrderElementsOf(schema.programs());
        assertThat(again.schema().sequences()).isEqualTo(schema.sequences());
        assertThat(again.schema().types()).isEqualTo(schema.types());
        assertThat(again.schema().tables()).extracting(Table::grants)
                .isEqualTo(schema.tables().stream().map(Table::grants).toList());
        assertThat(text).contains("COMMENT ON FUNCTION twice(w numeric) IS 'Twice'")
                .contains("GRANT EXECUTE ON FUNCTION twice(w integer, more text) TO \"Odd Role\"");
    }

    /** ISO/IEC 9075-2, 5.4: views are tables, so the two share their names. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"create table a (n int); create view a as select 1 as n|a table a is there",
        "create view a as select 1 as n; create table a (n int)|a view a is there"})
    void aViewAndATableCannotHaveOneName(String script, String why) {
        assertThat(ScriptReader.read(script, Target.POSTGRESQL).notUnderstood()).singleElement()
                .satisfies(missed -> assertThat(missed.reason()).contains(why));
        String ifAbsent = script.replace("create table a (n int)", "create table if not exists a (n int)");
        assertThat(ScriptReader.read(ifAbsent, Target.POSTGRESQL).notUnderstood()).hasSizeLessThan(2);
    }

    /** PostgreSQL manual, DROP TABLE, DROP VIEW and DROP FUNCTION, CASCADE. */
    @Test
    void dropsTakeAlongWhatStandsOnThem() {
        assertThat(names(read("drop table lot cascade;"))).containsExactly("twice", "twice", "mark");
        assertThat(names(read("drop view heavy cascade;"))).containsExactly("twice", "twice", "mark", "lot_mark");
        assertThat(names(read("drop function mark() cascade;"))).containsExactly("heavy", "heaviest", "twice", "twice");
        assertThat(names(read("drop table lot;"))).contains("heavy", "heaviest");
    }

    /** A column that is called like the dropped table is not that table. */
    @Test
    void onlyWhatReadsATableGoesWithIt() {
        Schema schema = read("""
                create table weight (grams integer);
                create view light as select lot_no, weight, extract(year from weight) from lot, (select 1) as w;
                create view distinctly as select lot_no from lot where lot_no is distinct from weight;
                create view scale as select l.lot_no from lot l, public.weight where l.lot_no = grams;
                create view joined as select 1 from lot left join only weight on true;
                create view nested as select (select count(*) from weight) as n;
                drop table weight cascade;
                """);
        assertThat(names(schema)).contains("light", "distinctly").doesNotContain("scale", "joined", "nested");
    }

    @Test
    void oneRoutineOfANameIsDropped() {
        Schema schema = read("drop function twice(integer, text);");
        assertThat(schema.programs().stream().filter(one -> one.name().equals("twice"))).singleElement()
                .satisfies(one -> assertThat(one.text()).contains("numeric"));
        assertThat(names(read("drop function twice;"))).doesNotContain("twice");
    }

    /** PostgreSQL manual, CREATE INDEX: what goes without saying is not kept. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "weight desc nulls first | ''", "weight nulls first | NULLS FIRST", "weight desc nulls last | NULLS LAST",
        "note text_ops | ''", "note text_pattern_ops | text_pattern_ops",
        "note collate \"C\" varchar_pattern_ops desc nulls last | COLLATE \"C\" varchar_pattern_ops NULLS LAST",
            "note public.gin_trgm_ops | gin_trgm_ops", "note gist_trgm_ops (siglen = 32) | gist_trgm_ops(siglen=32)",
            "lower(note) text_pattern_ops | text_pattern_ops",
        "(lower(note)) collate pg_catalog.\"de_DE\" | COLLATE \"de_DE\""})
    void anIndexSaysHowItIsOrdered(String part, String ordering) {
        Reading reading = ScriptReader.read("create table lot (weight integer, note text); create index ix on lot ("
                + part + ") include (weight);", Target.POSTGRESQL);
        assertThat(reading.notUnderstood()).isEmpty();
        TableIndex index = reading.schema().tables().getFirst().indexes().getFirst();
        assertThat(index.columns().getFirst().ordering().text()).isEqualTo(ordering);
        assertThat(index.included()).containsExactly("weight");
        String text = new ScriptWriter(Dialect.of(Target.POSTGRESQL), ScriptOptions.DEFAULT)
                .writeAgain(reading.schema(), "again").text();
        assertThat(ScriptReader.read(text, Target.POSTGRESQL).schema().tables().getFirst().indexes())
                .as(text).containsExactly(index);
    }
}
