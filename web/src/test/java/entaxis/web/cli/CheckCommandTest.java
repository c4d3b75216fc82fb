package entaxis.web.cli;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.exchange.DesignFile;
import entaxis.web.demo.SeedVault;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The command {@code check}. */
class CheckCommandTest extends CommandTest {
    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    private String script() throws IOException {
        return file("jars.sql", """
                CREATE TABLE shelf (
                  shelf_no integer PRIMARY KEY,
                  room varchar(20) NOT NULL
                );

                CREATE TABLE jar (
                  weight integer,
                  shelf_no integer,
                  colour varchar(3) DEFAULT 'green'
                );
                """);
    }

    @Test
    void theDemoHasNoFaultAndNoCaution() throws IOException {
        String vault = file("vault.json", DesignFile.write(SeedVault.design(), content -> Optional.empty()));
        assertThat(run("check", vault)).isZero();
        assertThat(written()).contains("0 faults, 0 cautions, 9 hints");
        assertThat(run("check", vault, "--level", "hint")).isEqualTo(1);
        assertThat(written()).contains("-> Index them all");
    }

    @Test
    void findingsAsJson() throws IOException {
        assertThat(run("check", script(), "--engine", "postgresql", "--json")).isEqualTo(1);
        JsonNode all = MAPPER.readTree(written());
        assertThat(all.valueStream().map(one -> one.path("rule").asString())).contains("no-primary-key",
                "reference-by-name", "default-unfit");
        JsonNode unfit = all.valueStream().filter(one -> one.path("rule").asString().equals("default-unfit"))
                .findFirst().orElseThrow();
        assertThat(unfit.path("level").asString()).isEqualTo("fault");
        assertThat(unfit.path("about").get(0).path("kind").asString()).isEqualTo("attribute");
        assertThat(unfit.path("about").get(0).path("name").asString()).isEqualTo("jar.colour");
        assertThat(unfit.path("sentence").asString()).contains("has 5 characters, of which 3 fit");
        assertThat(unfit.path("remedies").get(0).asString()).isEqualTo("Leave the default away");
        assertThat(run("check", script(), "--engine", "postgresql", "--json", "--level", "fault")).isEqualTo(1);
        assertThat(MAPPER.readTree(written()).size()).isEqualTo(1);
    }

    /** The parts that SARIF 2.1.0 requires (3.13, 3.14, 3.27), and lines of the script. */
    @Test
    void findingsAsSarif() throws IOException {
        assertThat(run("check", script(), "--engine", "postgresql", "--sarif")).isEqualTo(1);
        JsonNode log = MAPPER.readTree(written());
        assertThat(log.path("version").asString()).isEqualTo("2.1.0");
        JsonNode run = log.path("runs").get(0);
        assertThat(run.path("tool").path("driver").path("name").asString()).isEqualTo("entaxis");
        JsonNode unfit = run.path("results").valueStream()
                .filter(one -> one.path("ruleId").asString().equals("default-unfit")).findFirst().orElseThrow();
        assertThat(unfit.path("level").asString()).isEqualTo("error");
        assertThat(run.path("tool").path("driver").path("rules").get(unfit.path("ruleIndex").asInt()).path("id")
                .asString()).isEqualTo("default-unfit");
        JsonNode place = unfit.path("locations").get(0).path("physicalLocation");
        assertThat(place.path("artifactLocation").path("uri").asString()).endsWith("jars.sql");
        assertThat(place.path("region").path("startLine").asInt()).isEqualTo(9);
        JsonNode bare = run.path("results").valueStream()
                .filter(one -> one.path("ruleId").asString().equals("no-primary-key")).findFirst().orElseThrow();
        assertThat(bare.path("locations").get(0).path("physicalLocation").path("region").path("startLine").asInt())
                .isEqualTo(6);
    }

    @Test
    void aPolicyIsFollowedOrRefused() throws IOException {
        String policy = file("policy.json",
                "{\"rules\": {\"no-primary-key\": \"off\", \"reference-by-name\": \"hint\", \"default-unfit\": "
                        + "\"hint\"}}");
        assertThat(run("check", script(), "--engine", "postgresql", "--policy", policy)).isZero();
        assertThat(run("check", script(), "--engine", "postgresql", "--policy",
                file("wrong.json", "{\"rules\": {\"no-key\": \"off\"}}"))).isEqualTo(2);
        assertThat(errors()).contains("wrong.json: rules.no-key: there is no such rule").contains("no-primary-key");
        assertThat(run("check", script(), "--engine", "postgresql", "--policy",
                file("level.json", "{\"rules\": {\"unconnected\": \"loud\"}}"))).isEqualTo(2);
        assertThat(errors()).contains("rules.unconnected: expected");
        assertThat(run("check", script(), "--engine", "postgresql", "--policy", file("none.json", "{"))).isEqualTo(2);
        assertThat(errors()).contains("this is no JSON");
    }

    @Test
    void wrongInputSaysWhat() throws IOException {
        for (List<String> words : List.of(List.of("check"), List.of("check", script()),
                List.of("check", "nowhere.json"), List.of("check", script(), "--engine", "dbase"),
                List.of("check", script(), "--engine", "h2", "--level", "grave"),
                List.of("check", script(), "--engine", "h2", "--json", "--sarif"),
                List.of("check", script(), "--engine", "h2", "--policy", "nowhere.json"))) {
            assertThat(run(words.toArray(String[]::new))).as(words.toString()).isEqualTo(2);
            assertThat(errors()).as(words.toString()).isNotBlank();
        }
    }
}
