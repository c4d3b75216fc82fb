package entaxis.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.reading.ScriptReader;
import entaxis.core.targets.Target;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What `read --json` says. */
class ReadingJsonTest {

    private static JsonNode read(Target engine, String script) {
        return JsonMapper.shared().readTree(ReadingJson.of(ScriptReader.read(script, engine)));
    }

    @Test
    void tablesWithTheirColumnsAndKeys() {
        JsonNode table = read(Target.POSTGRESQL, """
                CREATE TABLE store.jar (jar_no integer GENERATED ALWAYS AS IDENTITY, lot_no integer DEFAULT 7,
                  label varchar(9) NOT NULL, CONSTRAINT jar_pk PRIMARY KEY (jar_no), UNIQUE (label, lot_no),
                  CONSTRAINT low CHECK (lot_no > 0),
                  FOREIGN KEY (lot_no) REFERENCES store.lot (lot_no) ON DELETE CASCADE);
                CREATE TABLE store.lot (lot_no integer PRIMARY KEY);
                CREATE INDEX jar_label ON store.jar (lower(label), lot_no);
                """).get("tables").get(0);
        assertThat(table.get("schema").asString()).isEqualTo("store");
        assertThat(table.get("name").asString()).isEqualTo("jar");
        JsonNode lot = table.get("columns").get(1);
        assertThat(lot.get("type").asString()).isEqualTo("integer");
        assertThat(lot.get("nullable").asBoolean()).isTrue();
        assertThat(lot.get("default").asString()).isEqualTo("7");
        assertThat(table.get("columns").get(0).get("identity").asBoolean()).isTrue();
        assertThat(table.get("columns").get(0).get("default").isNull()).isTrue();
        assertThat(table.get("primaryKey").toString()).isEqualTo("{\"name\":\"jar_pk\",\"columns\":[\"jar_no\"]}");
        assertThat(table.get("uniques").get(0).get("columns").toString()).isEqualTo("[\"label\",\"lot_no\"]");
        JsonNode key = table.get("foreignKeys").get(0);
        assertThat(key.get("refSchema").asString()).isEqualTo("store");
        assertThat(key.get("refTable").asString()).isEqualTo("lot");
        assertThat(key.get("onDelete").asString()).isEqualTo("CASCADE");
        assertThat(table.get("checks").get(0).toString()).isEqualTo("{\"name\":\"low\",\"condition\":\"lot_no > 0\"}");
        assertThat(table.get("indexes").get(0).get("expressions").toString()).isEqualTo("[\"lower(label)\"]");
    }

    @Test
    void tablesTellTheirParentsAndPartitions() {
        JsonNode tables = read(Target.POSTGRESQL, """
                CREATE TABLE lot (id int, region text) PARTITION BY LIST (region);
                CREATE TABLE lot_n PARTITION OF lot FOR VALUES IN ('north');
                CREATE TABLE note (body text);
                CREATE TABLE long_note (pages int) INHERITS (note);
                """).get("tables");
        assertThat(tables.get(0).get("partitionedBy").asString()).isEqualTo("LIST (region)");
        assertThat(tables.get(1).get("partitionOf").asString()).isEqualTo("lot");
        assertThat(tables.get(1).get("bound").asString()).isEqualTo("FOR VALUES IN ('north')");
        assertThat(tables.get(2).has("inherits")).isFalse();
        assertThat(tables.get(3).get("inherits").toString()).isEqualTo("[\"note\"]");
    }

    @Test
    void triggersTellTheirTableAndWhenTheyFire() {
        JsonNode programs = read(Target.POSTGRESQL, """
                CREATE VIEW seen AS SELECT 1;
                CREATE TRIGGER counted AFTER INSERT OR DELETE ON Store."Jar" FOR EACH ROW EXECUTE FUNCTION counted();
                """).get("programs");
        assertThat(programs.get(0).toString()).isEqualTo("{\"kind\":\"view\",\"name\":\"seen\"}");
        assertThat(programs.get(1).toString()).isEqualTo("{\"kind\":\"trigger\",\"name\":\"counted\","
                + "\"table\":\"store.Jar\",\"fires\":\"after insert or delete\"}");
    }

    @Test
    void whatWasSteppedOverOrNotUnderstoodHasItsPlace() {
        JsonNode all = read(Target.POSTGRESQL, "VACUUM;\n\nCREATE TABLE t (a integer, CHECK (a >)) ;\nCREATE TABLE (;");
        assertThat(all.get("steppedOver").get(0).get("line").asInt()).isEqualTo(1);
        JsonNode missed = all.get("notUnderstood");
        assertThat(missed.get(missed.size() - 1).get("line").asInt()).isEqualTo(4);
    }
}
