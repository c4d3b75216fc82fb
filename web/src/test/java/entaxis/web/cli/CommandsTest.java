package entaxis.web.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class CommandsTest {
    private final ByteArrayOutputStream out = new ByteArrayOutputStream();
    private final ByteArrayOutputStream err = new ByteArrayOutputStream();

    @TempDir
    private Path folder;

    private OptionalInt run(String command, String text, String... more) throws IOException {
        out.reset();
        err.reset();
        Path file = Files.writeString(folder.resolve("input"), text);
        String[] arguments = new String[more.length + 2];
        arguments[0] = command;
        arguments[1] = file.toString();
        System.arraycopy(more, 0, arguments, 2, more.length);
        return new Commands(new PrintStream(out, true, StandardCharsets.UTF_8),
                new PrintStream(err, true, StandardCharsets.UTF_8)).run(arguments);
    }

    private JsonNode json() {
        return JsonMapper.builder().build().readTree(out.toString(StandardCharsets.UTF_8));
    }

    @Test
    void normalizeAsJson() throws IOException {
        assertThat(run("normalize",
                "# sowing\nCell(tray_no, position, sown_on, taxon_code, family, germinated)\ntray_no, position -> "
                        + "germinated\ntray_no -> sown_on, taxon_code\n"
                + "taxon_code -> family\n\nPlain(a, b)\na -> b\n", "--json")).hasValue(0);
        JsonNode cell = json().get(0);
        assertThat(cell.path("name").asString()).isEqualTo("Cell");
        assertThat(cell.path("candidateKeys").toString()).isEqualTo("[[\"tray_no\",\"position\"]]");
        assertThat(cell.path("normalForm").asString()).isEqualTo("1NF");
        assertThat(cell.path("minimalCover").toString()).contains("taxon_code -> family");
        assertThat(cell.path("violations").get(0).path("kind").asString()).isEqualTo("partial");
        assertThat(cell.path("violations").get(1).path("dependency").asString()).isEqualTo("taxon_code -> family");
        assertThat(
                cell.path("synthesis").path("relations").valueStream().map(one -> one.path("name").asString()).toList())
                .containsExactly("Cell", "tray", "taxon");
        assertThat(cell.path("synthesis").path("lossless").asBoolean()).isTrue();
        assertThat(cell.path("bcnf").path("lost").isEmpty()).isTrue();
        assertThat(json().get(1).path("normalForm").asString()).isEqualTo("BCNF");
    }

    @Test
    void normalizeToRead() throws IOException {
        assertThat(run("normalize", "T(student, course, teacher)\nstudent, course -> teacher\nteacher -> course\n"))
                .hasValue(0);
        assertThat(out.toString(StandardCharsets.UTF_8)).contains("third normal form (3NF)",
                "{student, course} {student, teacher}", "lost: student, course -> teacher");
    }

    @Test
    void discoverAsJson() throws IOException {
        assertThat(run("discover", "tray,taxon,family\nT1,b,P\nT2,b,P\nT3,l,L\n", "--json")).hasValue(0);
        assertThat(json().path("keys").toString()).isEqualTo("[[\"tray\"]]");
        assertThat(json().path("dependencies").toString())
                .contains("{\"determinant\":[\"taxon\"],\"dependent\":\"family\"}");
    }

    @Test
    void badInputIsNamedWithItsLine() throws IOException {
        assertThat(run("normalize", "R(a, b)\na -> c\n")).hasValue(2);
        assertThat(err.toString(StandardCharsets.UTF_8))
                .startsWith(folder.resolve("input") + ":2: column 6: There is no attribute “c”.");
        assertThat(run("discover", "a,b\n1\n")).hasValue(2);
        assertThat(err.toString(StandardCharsets.UTF_8))
                .startsWith(folder.resolve("input") + ":2: there are 1 values for 2 columns");
        assertThat(run("normalize", "R(a)", "--jsn")).hasValue(2);
        assertThat(err.toString(StandardCharsets.UTF_8)).startsWith("Unknown option: '--jsn'")
                .contains("--json", "Usage: ./entaxis normalize FILE [--json]");
        assertThat(new Commands(new PrintStream(out), new PrintStream(err)).run("normalize",
                folder.resolve("none").toString())).hasValue(2);
        assertThat(err.toString(StandardCharsets.UTF_8)).contains("there is no such file");
        assertThat(new Commands(new PrintStream(out), new PrintStream(err)).run("--server.port=0")).isEmpty();
    }

    /** The run that records what a start needs leaves nothing behind. */
    @Test
    void theTrainingRunCleansUp() throws IOException {
        Set<Path> before = trainingFolders();
        CommandTraining.run();
        assertThat(trainingFolders()).isEqualTo(before);
    }

    private static Set<Path> trainingFolders() throws IOException {
        try (Stream<Path> files = Files.list(Path.of(System.getProperty("java.io.tmpdir")))) {
            return files.filter(path -> path.getFileName().toString().startsWith("entaxis-training"))
                    .collect(Collectors.toSet());
        }
    }
}
