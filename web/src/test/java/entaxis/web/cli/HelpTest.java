package entaxis.web.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.OutputStream;
import java.io.PrintStream;
import java.lang.ProcessBuilder.Redirect;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import picocli.CommandLine.Model.CommandSpec;

/** What the commands tell of themselves, to people and to a shell. */
class HelpTest extends CommandTest {
    private static Stream<String> names() {
        PrintStream nowhere = new PrintStream(OutputStream.nullOutputStream());
        return new Commands(nowhere, nowhere).lines().keySet().stream();
    }

    private static CommandSpec spec(String name) {
        PrintStream nowhere = new PrintStream(OutputStream.nullOutputStream());
        return new Commands(nowhere, nowhere).lines().get(name).getCommandSpec();
    }

    @ParameterizedTest
    @MethodSource("names")
    void eachCommandTellsItsOptions(String name) {
        assertThat(run(name, "--help")).isZero();
        assertThat(written()).startsWith("Usage: ./entaxis " + name).contains("Show this text.");
        spec(name).options().stream().filter(option -> !option.hidden()).forEach(option -> {
            assertThat(written()).contains(option.longestName());
            assertThat(option.description()).as(name + " " + option.longestName()).isNotEmpty();
        });
        assertThat(written().lines()).allMatch(line -> line.length() <= 120);
        assertThat(errors()).isEmpty();
    }

    @ParameterizedTest
    @MethodSource("names")
    void theSynopsisNamesEachOption(String name) {
        String synopsis = String.join("", spec(name).usageMessage().customSynopsis());
        assertThat(spec(name).options().stream()
                .filter(option -> !option.hidden() && !option.usageHelp()).map(option -> option.longestName()))
                .allMatch(synopsis::contains);
    }

    @Test
    void theScriptShowsEachCommand() throws IOException {
        String script = Files.readString(Path.of("../entaxis"));
        assertThat(names()).allMatch(name -> script.contains("./entaxis " + name))
                .allMatch(name -> script.matches("(?s).*[|]" + name + "[|)].*") || script.contains("  " + name + "|"));
    }

    @Test
    void aSlipIsAnsweredWithWhatIsLikelyMeant() throws IOException {
        String script = file("a.sql", "CREATE TABLE jar (jar_no int PRIMARY KEY);");
        assertThat(run("check", script, "--engin", "h2")).isEqualTo(2);
        assertThat(errors()).contains("--engin", "--engine", "Usage: ./entaxis check SOURCE", "--help");
        assertThat(run("reconcile", script, script)).isEqualTo(2);
        assertThat(errors()).contains("Missing required option: '--engine=E'");
        assertThat(run("read", script, "--engine=h2")).isZero();
        assertThat(run("draw", script, file("a.svg", ""), "--engine", "h2", "--lens", "sky")).isEqualTo(2);
        assertThat(errors()).contains("--lens", "sky");
    }

    @Test
    void aShellCompletesOptionsAndEngines() throws IOException, InterruptedException {
        assertThat(run("completion")).isZero();
        String script = file("entaxis.bash", written());
        assertThat(completed(script, "entaxis", "re")).contains("read", "reconcile", "restore");
        assertThat(completed(script, "entaxis", "check", "a.json", "--le")).containsExactly("--level");
        assertThat(completed(script, "entaxis", "read", "--engine", "ma")).containsExactly("mariadb");
        assertThat(completed(script, "entaxis", "draw", "--lens", "c")).containsExactly("concept");
        assertThat(completed(script, "entaxis", "st")).containsExactly("start");
    }

    /** What bash offers when the last of these words is completed. */
    private static Stream<String> completed(String script, String... words) throws IOException, InterruptedException {
        String typed = "source " + script + "; COMP_WORDS=(" + String.join(" ", words) + "); COMP_CWORD="
                + (words.length - 1) + "; _complete_entaxis; printf '%s\\n' \"${COMPREPLY[@]}\"";
        Process shell = new ProcessBuilder("bash", "-c", typed).redirectError(Redirect.DISCARD).start();
        String answer = new String(shell.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        shell.waitFor();
        return answer.lines().map(String::strip);
    }
}
