package entaxis.core.sql;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.reading.ScriptReader;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.UniqueKey;
import entaxis.core.targets.Target;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Two tables that call their constraints and indexes alike: which names an engine lets stand, by the manuals that
 * {@link NameSpaces} names.
 */
class NamesOfConstraintsTest {
    private static final String SCRIPT = """
            CREATE TABLE a (id integer NOT NULL, up integer, CONSTRAINT k PRIMARY KEY (id), CONSTRAINT u UNIQUE (up), \
            CONSTRAINT c CHECK (up > 0), CONSTRAINT f FOREIGN KEY (up) REFERENCES a (id));
            CREATE TABLE b (id integer NOT NULL, up integer, CONSTRAINT k PRIMARY KEY (id), CONSTRAINT u UNIQUE (up), \
            CONSTRAINT c CHECK (up > 0), CONSTRAINT f FOREIGN KEY (up) REFERENCES a (id));
            CREATE INDEX i ON a (id, up);
            CREATE INDEX i ON b (id, up);
            """;

    private static Table second(Target engine) {
        Schema schema = ScriptReader.read(SCRIPT, Target.ISO).schema();
        return DialectAdapter.fit(schema, Dialect.of(engine)).schema().tables().getLast();
    }

    private static <T> Stream<String> names(List<T> parts, Function<T, String> name) {
        return parts.stream().map(name);
    }

    @ParameterizedTest
    @CsvSource({"POSTGRESQL, b_k b_u c f b_i", "MYSQL, PRIMARY u b_c b_f i", "MARIADB, PRIMARY u c b_f i",
            "SQLITE, k u c f b_i", "SQLSERVER, b_k b_u b_c b_f i", "ORACLE, b_k b_u b_c b_f b_i",
            "H2, b_k b_u b_c b_f b_i", "ISO, b_k b_u b_c b_f b_i"})
    void onlyNamesThatAreInTheWayBecomeOthers(Target engine, String names) {
        Table table = second(engine);
        Stream<String> found = Stream
                .of(Stream.of(table.primaryKey().orElseThrow().name()), names(table.uniqueKeys(), UniqueKey::name),
                        names(table.checks(), CheckRule::name),
                        names(table.foreignKeys(), ForeignKey::name), names(table.indexes(), TableIndex::name))
                .flatMap(part -> part);
        assertThat(String.join(" ", found.toList())).isEqualTo(names);
    }

    @Test
    void whatIsPutIntoAnotherSchemaIsNotInTheWay() {
        Schema schema = ScriptReader.read(
                "CREATE TABLE x.a (id integer CONSTRAINT c CHECK (id > 0)); CREATE TABLE y.b (id integer CONSTRAINT c "
                        + "CHECK (id > 0));",
                Target.ORACLE).schema();
        assertThat(DialectAdapter.fit(schema, Dialect.of(Target.ORACLE)).schema().tables().getLast().checks().getFirst()
                .name()).isEqualTo("c");
    }

    /** PostgreSQL manual, CREATE INDEX: an index is a relation as a table is. */
    @Test
    void anIndexMayNotBeCalledAsATableIs() {
        Schema schema =
                ScriptReader.read("CREATE TABLE a (id integer); CREATE INDEX a ON a (id);", Target.ISO).schema();
        assertThat(DialectAdapter.fit(schema, Dialect.of(Target.POSTGRESQL)).schema().tables().getFirst().indexes()
                .getFirst().name()).isEqualTo("a_a");
        assertThat(DialectAdapter.fit(schema, Dialect.of(Target.MARIADB)).schema().tables().getFirst().indexes()
                .getFirst().name()).isEqualTo("a");
    }
}
