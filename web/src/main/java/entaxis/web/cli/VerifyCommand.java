package entaxis.web.cli;

import entaxis.web.store.Backup;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Path;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** The command {@code verify}. */
@Command(name = "verify", customSynopsis = "./entaxis verify [BACKUP] [--data FOLDER]",
        description = "Tell whether all that is kept is whole; of a backup, if one is named.")
final class VerifyCommand extends StoreCommand {
    @Parameters(paramLabel = "BACKUP", arity = "0..1", description = "A backup to look at instead.")
    private Optional<Path> file;

    VerifyCommand(PrintStream out, PrintStream err) {
        super(out, err);
    }

    @Override
    int run(StoreFolder folder) throws Backup.Failed, IOException {
        return file.isPresent() ? folder.verifyBackup(file.get()) : folder.verify();
    }
}
