package entaxis.web.cli;

import java.nio.file.Path;
import java.util.Optional;
import picocli.CommandLine.Option;

/** The option that names the folder with the designs and the configured databases. */
final class DataFolder {
    @Option(names = "--data", paramLabel = "FOLDER",
            description = "The folder with the designs and connections.properties; ~/.entaxis by default.")
    private Optional<Path> data;

    Path path() {
        return data.orElse(Path.of(System.getProperty("user.home"), ".entaxis"));
    }
}
