package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.targets.Target;
import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/**
 * Table definitions that real applications ship, taken from Debian packages at test time. {@code
 * -Dreal.scripts=FOLDER} takes other scripts, laid out as {@code FOLDER/application/engine/*.sql} with a file {@code
 * ORDER} that names them in the order to load.
 */
final class RealScripts {
    static final String OTHERS = System.getProperty("real.scripts", "");
    static final Path FOLDER = Path.of(OTHERS.isEmpty() ? "target/real-scripts" : OTHERS).toAbsolutePath();

    /** Takes the scripts from their packages, if they are not here yet. */
    static void fetch() throws IOException, InterruptedException {
        if (Files.isDirectory(FOLDER)) {
            return;
        }
        Process process = new ProcessBuilder("bash", "src/test/scripts/fetch-real-scripts", FOLDER.toString())
                .redirectErrorStream(true).redirectOutput(new File("target/fetch.log")).start();
        assertThat(process.waitFor(5, TimeUnit.MINUTES)).as("fetching the scripts of the packages took too long")
                .isTrue();
    }

    /** What one application ships for an engine. */
    record Application(String name, Target engine, List<Path> files) {
        String text() throws IOException {
            StringBuilder text = new StringBuilder();
            for (Path file : files) {
                text.append(new String(Files.readAllBytes(file), StandardCharsets.UTF_8)).append('\n');
            }
            return text.toString();
        }
    }

    /** What is shipped for an engine, under the name of its folder, to be read as a script of one. */
    static List<Application> applications(String engine, Target read) throws IOException {
        List<Application> found = new ArrayList<>();
        try (Stream<Path> files = Files.walk(FOLDER)) {
            for (Path order : files.filter(file -> file.getFileName().toString().equals("ORDER")
                    && file.getParent().getFileName().toString().equals(engine)).sorted().toList()) {
                List<Path> scripts = Files.readAllLines(order).stream().map(order::resolveSibling).toList();
                found.add(new Application(order.getParent().getParent().getFileName().toString(), read, scripts));
            }
        }
        return found;
    }

    /** The scripts are those of Debian 12's packages; of another system those are read that it has. */
    static boolean allToBeHad() {
        try {
            return Files.readString(Path.of("/etc/os-release")).contains("VERSION_ID=\"12\"");
        } catch (IOException other) {
            return false;
        }
    }

    /** Checks that there are as many as there were. */
    static void enough(List<Application> applications, int wanted) {
        assertThat(applications.size()).isGreaterThanOrEqualTo(OTHERS.isEmpty() && allToBeHad() ? wanted : 0);
    }

    private RealScripts() { }
}
