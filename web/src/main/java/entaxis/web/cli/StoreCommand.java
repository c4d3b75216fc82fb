package entaxis.web.cli;

import entaxis.web.store.Backup;
import java.io.IOException;
import java.io.PrintStream;
import picocli.CommandLine.Mixin;

/** A command on the kept designs. Exit 0; 1 if something kept is not whole; 2 for wrong input. */
abstract class StoreCommand extends Subcommand {
    @Mixin
    private DataFolder data;

    StoreCommand(PrintStream out, PrintStream err) {
        super(out, err);
    }

    /** Carries it out and gives the exit code. */
    abstract int run(StoreFolder folder) throws Backup.Failed, IOException;

    @Override
    public Integer call() {
        try {
            return run(new StoreFolder(data.path(), out, err));
        } catch (Backup.Failed e) {
            err.println(e.getMessage());
        } catch (IOException e) {
            err.println("This did not work: " + e.getMessage());
        }
        return WRONG;
    }
}
