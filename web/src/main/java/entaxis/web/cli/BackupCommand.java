package entaxis.web.cli;

import entaxis.web.store.Backup;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Path;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** The command {@code backup}. */
@Command(name = "backup", customSynopsis = "./entaxis backup FILE [--data FOLDER]",
        description = "Copy all designs with their history into a file, while Entaxis runs or not.")
final class BackupCommand extends StoreCommand {
    @Parameters(paramLabel = "FILE", description = "The backup to write.")
    private Path file;

    BackupCommand(PrintStream out, PrintStream err) {
        super(out, err);
    }

    @Override
    int run(StoreFolder folder) throws Backup.Failed, IOException {
        return folder.backup(file);
    }
}
