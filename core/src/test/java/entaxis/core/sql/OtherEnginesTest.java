package entaxis.core.sql;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.expression.Expression;
import entaxis.core.reading.ScriptReader;
import entaxis.core.schema.Column;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.targets.Target;
import entaxis.core.type.SqlType;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What a schema of one engine becomes where another engine does not take it as it is. */
class OtherEnginesTest {
    private static AdaptedSchema written(String script, Target from, Target to) {
        return DialectAdapter.fit(IsoNormalizer.of(ScriptReader.read(script, from).schema(), Dialect.of(from)),
                Dialect.of(to));
    }

    private static List<String> told(AdaptedSchema adapted) {
        return adapted.findings().stream().map(AdaptationNote::sentence).toList();
    }

    private static Column column(AdaptedSchema adapted, String table, String column) {
        return adapted.schema().table(table).flatMap(own -> own.column(column)).orElseThrow();
    }

    /** MySQL manual, “FOREIGN KEY Constraints”: numbers of one size and sign. */
    @Test
    void referencesHaveTheTypeOfWhatTheyReferTo() {
        AdaptedSchema adapted = written("""
                create table vault (id bigint primary key);
                create table shelf (id integer primary key references vault (id));
                create table box (id integer primary key, shelf integer references shelf (id), name varchar(10));
                """, Target.POSTGRESQL, Target.MYSQL);
        SqlType wide = new SqlType.IntegerType(SqlType.IntegerSize.BIGINT, false);
        assertThat(column(adapted, "shelf", "id").type()).isEqualTo(wide);
        assertThat(column(adapted, "box", "shelf").type()).as("which refers to one that refers on").isEqualTo(wide);
        assertThat(column(adapted, "box", "id").type()).isEqualTo(SqlType.integer());
        assertThat(told(adapted)).contains("box.shelf: its type is bigint, as that of shelf.id, which it refers to");
    }

    /** PostgreSQL manual, CREATE TABLE: an identity is a smallint, integer or bigint, and so is what refers to it. */
    @Test
    void aColumnThatNumbersItselfIsWhatTheEngineCanCount() {
        AdaptedSchema adapted = written("""
                create table lot (id bigint unsigned auto_increment primary key);
                create table sample (id int primary key, lot bigint unsigned, foreign key (lot) references lot (id));
                """, Target.MARIADB, Target.POSTGRESQL);
        assertThat(column(adapted, "lot", "id").type())
                .isEqualTo(new SqlType.IntegerType(SqlType.IntegerSize.BIGINT, false));
        assertThat(column(adapted, "sample", "lot").type()).isEqualTo(column(adapted, "lot", "id").type());
        assertThat(told(adapted)).contains("lot.id: a column that numbers itself is a bigint at most");
    }

    /** MySQL manual, “The DATE, DATETIME, and TIMESTAMP Types”: the year 0; SQLite takes any default. */
    @Test
    void defaultsOfAnotherKindAreLeftOut() {
        AdaptedSchema dates = written("create table lot (id int primary key, taken datetime default '0000-00-00 "
                + "00:00:00', seen datetime default '2026-01-31 00:00:00')", Target.MYSQL, Target.POSTGRESQL);
        assertThat(column(dates, "lot", "taken").defaultValue()).isEmpty();
        assertThat(column(dates, "lot", "seen").defaultValue()).hasValue(Expression.of("'2026-01-31 00:00:00'"));
        assertThat(told(dates))
                .contains("lot.taken: its default '0000-00-00 00:00:00' is no such moment; it is left out");
        AdaptedSchema numbers = written("create table lot (id int primary key, made numeric default "
                + "current_timestamp, at timestamp default 0)", Target.SQLITE, Target.POSTGRESQL);
        assertThat(numbers.schema().tables().getFirst().columns()).extracting(Column::defaultValue)
                .allMatch(java.util.Optional::isEmpty);
        AdaptedSchema kept = written("create table lot (id int primary key, at timestamp default 0)", Target.SQLITE,
                Target.SQLITE);
        assertThat(column(kept, "lot", "at").defaultValue()).hasValue(Expression.of("0"));
    }

    /** MySQL manual, “InnoDB Limits”: 3072 bytes in an index; one that refuses equal rows has to hold them whole. */
    @Test
    void longIndexesLookAtBeginnings() {
        String table = "create table note (id int primary key, a varchar(255), b varchar(255), c varchar(255), "
                + "d varchar(255), e varchar(20));";
        AdaptedSchema adapted = written(table + "create index long on note (a, b, c, d); create index short on note "
                + "(a, b); create index mixed on note (a, b, c, e); create unique index one on note (a, b, c, d);",
                Target.POSTGRESQL, Target.MYSQL);
        Table note = adapted.schema().table("note").orElseThrow();
        assertThat(note.indexes()).extracting(index -> index.name() + " " + index.columns().stream()
                .map(part -> part.prefix().isPresent() ? "" + part.prefix().getAsInt() : "all").toList())
                .containsExactly("long [192, 192, 192, 192]", "short [all, all]", "mixed [192, 192, 192, all]");
        assertThat(note.uniqueKeys()).singleElement()
                .satisfies(key -> assertThat(key.columns()).containsExactly("a", "b", "c", "d"));
    }

    /** MySQL manual, “CHECK Constraints”: not on a column that numbers itself. */
    @Test
    void aColumnThatNumbersItselfIsNotChecked() {
        AdaptedSchema adapted = written("create domain small as integer check (value > 0); create table lot (id serial "
                + "primary key, n small, constraint positive check (id > 0), constraint high check (n > 5))",
                Target.POSTGRESQL, Target.MYSQL);
        assertThat(adapted.schema().tables().getFirst().checks()).extracting(check -> check.name())
                .contains("high").doesNotContain("positive");
        assertThat(told(adapted)).contains("lot.positive: a column that numbers itself is not checked; it is left out");
    }

    /** MySQL manual, “The DATE, DATETIME, and TIMESTAMP Types”: what is there is kept; there is no later one. */
    @Test
    void aLimitIsNoLoss() {
        Schema schema = ScriptReader.read("create table lot (id int primary key, at timestamptz)", Target.POSTGRESQL)
                .schema();
        Script script = new ScriptWriter(Dialect.of(Target.MARIADB), ScriptOptions.DEFAULT).write(schema, "lots");
        assertThat(script.findings()).singleElement().satisfies(note -> {
            assertThat(note.kind()).isEqualTo(AdaptationNote.Kind.LIMITED);
            assertThat(note.sentence()).contains("2038");
        });
    }
}
