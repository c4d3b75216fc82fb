package entaxis.web.cli;

import entaxis.web.store.Backup;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Path;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** The command {@code restore}. */
@Command(name = "restore", customSynopsis = "./entaxis restore FILE [--data FOLDER]",
        description = "Bring a backup back; what was there is kept beside it.")
final class RestoreCommand extends StoreCommand {
    @Parameters(paramLabel = "FILE", description = "The backup.")
    private Path file;

    RestoreCommand(PrintStream out, PrintStream err) {
        super(out, err);
    }

    @Override
    int run(StoreFolder folder) throws Backup.Failed, IOException {
        return folder.restore(file);
    }
}
