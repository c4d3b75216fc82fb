package entaxis.web.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class SqlCommandsTest extends CommandTest {
    private static final String SCRIPT = """
            CREATE TYPE state AS ENUM ('dry', 'wet');
            CREATE TABLE lot (lot_id serial PRIMARY KEY, code varchar(9) NOT NULL UNIQUE, s state DEFAULT 'dry', made \
            timestamptz DEFAULT now());
            CREATE TABLE run (lot_id int REFERENCES lot ON DELETE CASCADE, no smallint, rate numeric(4,1) CHECK (rate \
            >= 0), PRIMARY KEY (lot_id, no));
            CREATE INDEX run_rate ON run (rate);
            GRANT reader TO writer;
            """;

    private static List<String> texts(JsonNode array) {
        return array.valueStream().map(JsonNode::asString).toList();
    }

    @Test
    void readAsJson() throws IOException {
        assertThat(run("read", file("a.sql", SCRIPT), "--engine", "postgresql", "--json")).isZero();
        JsonNode all = JsonMapper.builder().build().readTree(written());
        JsonNode lot = all.path("tables").get(0);
        assertThat(lot.path("name").asString()).isEqualTo("lot");
        assertThat(lot.path("schema").isNull()).isTrue();
        assertThat(lot.path("columns").valueStream().map(column -> column.path("name").asString()).toList())
                .containsExactly("lot_id", "code", "s", "made");
        assertThat(lot.path("columns").get(0).path("identity").asBoolean()).isTrue();
        assertThat(lot.path("columns").get(1).path("nullable").asBoolean()).isFalse();
        assertThat(lot.path("columns").get(3).path("default").asString()).isEqualTo("now()");
        assertThat(texts(lot.path("primaryKey").path("columns"))).containsExactly("lot_id");
        assertThat(lot.path("uniques").get(0).path("name").asString()).isEqualTo("lot_code_key");
        JsonNode run = all.path("tables").get(1);
        JsonNode key = run.path("foreignKeys").get(0);
        assertThat(key.path("refTable").asString()).isEqualTo("lot");
        assertThat(texts(key.path("refColumns"))).containsExactly("lot_id");
        assertThat(key.path("onDelete").asString()).isEqualTo("CASCADE");
        assertThat(run.path("indexes").get(0).path("unique").asBoolean()).isFalse();
        assertThat(run.path("checks").get(0).path("condition").asString()).isEqualTo("rate >= 0");
        assertThat(all.path("steppedOver").get(0).path("kind").asString()).isEqualTo("permission");
        assertThat(all.path("steppedOver").get(0).path("line").asInt()).isEqualTo(5);
        assertThat(all.path("notUnderstood").isEmpty()).isTrue();
    }

    @Test
    void readTellsWhatAnIndexCovers() throws IOException {
        run("read", file("a.sql", SCRIPT + "CREATE INDEX few ON lot (lower(code), made) WHERE lot_id > 3;"), "--engine",
                "postgresql", "--json");
        JsonNode index = JsonMapper.builder().build().readTree(written()).path("tables").get(0).path("indexes").get(0);
        assertThat(texts(index.path("columns"))).containsExactly("lower(code)", "made");
        assertThat(texts(index.path("expressions"))).containsExactly("lower(code)");
        assertThat(index.path("where").asString()).isEqualTo("lot_id > 3");
        run("read", file("b.sql", "CREATE TABLE t (a varchar(300), KEY k (a(20)));"), "--engine", "mariadb", "--json");
        assertThat(JsonMapper.builder().build().readTree(written()).path("tables").get(0).path("indexes").get(0)
                .path("prefixes").path("a").asInt()).isEqualTo(20);
    }

    /** What an engine has is not lost when it is written for the same engine. */
    @Test
    void nothingIsLostOnTheWayToTheSameEngine() throws IOException {
        String script = file("t.sql", "CREATE TABLE t (a timestamp NOT NULL DEFAULT current_timestamp);");
        assertThat(run("sql", script, "--from", "mariadb", "--to", "mariadb")).isZero();
        assertThat(errors()).doesNotContain("lost");
        run("sql", file("p.sql", "CREATE TABLE t (a timestamptz);"), "--from", "postgresql", "--to", "mariadb");
        assertThat(errors()).contains("limit: t.a: timestamp ends in 2038");
    }

    @Test
    void severalFilesAreOneScript() throws IOException {
        String first = file("1.sql", SCRIPT);
        String second = file("2.sql", "ALTER TABLE lot ADD weight numeric(9,2);\n\nALTER TABLE lost ADD x int;\n");
        assertThat(run("read", first, second, "--engine", "postgresql")).isEqualTo(1);
        assertThat(written()).contains("2 tables, 1 foreign key from 7 statements", "weight  numeric(9,2)",
                second + ":3:13: not understood: lost ADD x int (no table lost is known here)");
    }

    @Test
    void wrongWordsAreExplained() throws IOException {
        String script = file("a.sql", SCRIPT);
        assertThat(run("read", script, "--engine", "abacus")).isEqualTo(2);
        assertThat(errors()).contains("There is no engine “abacus” here.",
                "postgresql mysql mariadb sqlite sqlserver oracle duckdb h2 iso");
        assertThat(run("read", "--engine", "h2")).isEqualTo(2);
        assertThat(run("read", folder.resolve("none.sql").toString(), "--engine", "h2")).isEqualTo(2);
        assertThat(errors()).contains("there is no such file");
        assertThat(run("sql", script, "--to", "h2")).isEqualTo(2);
        assertThat(run("draw", script, "--engine", "h2")).isEqualTo(2);
    }

    @Test
    void aScriptForAnotherEngineAndWhatItLoses() throws IOException {
        assertThat(run("sql", file("a.sql", SCRIPT), "--from", "postgresql", "--to", "sqlserver")).isZero();
        assertThat(written()).contains("lot_id  int                IDENTITY(1, 1) NOT NULL",
                "CONSTRAINT ck_lot_s_values CHECK (s in ('dry', 'wet'))", "datetimeoffset(6)", "ON DELETE CASCADE");
        assertThat(errors()).contains("done another way: lot.s: a check lists the values");
        assertThat(run("sql",
                file("b.sql",
                        "CREATE TABLE LOT (ID NUMBER(9) PRIMARY KEY, NOTE VARCHAR2(20), MADE DATE DEFAULT SYSDATE);"),
                "--from", "oracle", "--to", "postgresql", "--quote")).isZero();
        assertThat(written()).contains("CREATE TABLE \"lot\"", "\"id\"    integer", "\"note\"  varchar(20)",
                "current_timestamp");
    }

    @Test
    void aDrawingOfAScript() throws IOException {
        Path picture = folder.resolve("out.svg");
        assertThat(run("draw", file("a.sql", SCRIPT), "--engine", "postgresql", picture.toString())).isZero();
        assertThat(Files.readString(picture)).startsWith("<svg").contains(">lot<", ">run<", "numeric(4,1)");
    }
}
