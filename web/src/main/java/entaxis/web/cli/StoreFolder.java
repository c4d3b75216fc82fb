package entaxis.web.cli;

import entaxis.core.word.Words;
import entaxis.web.store.Backup;
import entaxis.web.store.StoreCheck;
import entaxis.web.store.StoreFiles;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** What the commands on the kept designs do, in one data folder. */
final class StoreFolder {
    private static final int NOT_WHOLE = 1;
    private final Path folder;
    private final PrintStream out;
    private final PrintStream err;

    StoreFolder(Path folder, PrintStream out, PrintStream err) {
        this.folder = folder;
        this.out = out;
        this.err = err;
    }

    /** Copies all designs with their history into a file. */
    int backup(Path file) throws Backup.Failed, IOException {
        Backup.make(folder, file);
        out.println("The backup is " + file + " (" + Files.size(file) / 1024 + " kB).");
        return 0;
    }

    /** Brings a backup back; what was there is kept beside it. */
    int restore(Path file) throws Backup.Failed, IOException {
        Files.createDirectories(folder);
        Path scratch = Files.createTempDirectory(folder, "restore");
        try {
            Path unpacked = Backup.unpacked(existing(file), scratch);
            int whole = told(unpacked, file.toString());
            if (whole != 0) {
                err.println("Nothing was restored.");
                return whole;
            }
            Optional<Path> aside = Backup.putBack(unpacked, folder);
            out.println("Restored."
                    + aside.map(path -> " What was there before is kept as " + path.getFileName() + ".").orElse(""));
            return 0;
        } finally {
            removed(scratch);
        }
    }

    /** Tells whether all in a backup is whole. */
    int verifyBackup(Path file) throws Backup.Failed, IOException {
        Path scratch = Files.createTempDirectory("entaxis-verify");
        try {
            return told(Backup.unpacked(existing(file), scratch), file.toString());
        } finally {
            removed(scratch);
        }
    }

    private static Path existing(Path file) throws Backup.Failed {
        if (!Files.isRegularFile(file)) {
            throw new Backup.Failed(file + ": there is no such file");
        }
        return file;
    }

    /** Tells whether all is whole. A store that a server has open is looked at through a backup of it. */
    int verify() throws Backup.Failed, IOException {
        Path store = folder.resolve(StoreFiles.DATABASE);
        if (!Files.isRegularFile(store)) {
            throw new Backup.Failed("There is no store in “" + folder + "”.");
        }
        try {
            return told(StoreCheck.of(store));
        } catch (SQLException e) {
            if (!Backup.inUse(e)) {
                return damaged(store.toString(), e);
            }
        }
        Path scratch = Files.createTempDirectory(folder, "verify");
        try {
            Path copy = scratch.resolve("copy.zip");
            Backup.make(folder, copy);
            return told(Backup.unpacked(copy, scratch), store.toString());
        } finally {
            removed(scratch);
        }
    }

    private int told(Path store, String name) {
        try {
            return told(StoreCheck.of(store));
        } catch (SQLException e) {
            return damaged(name, e);
        }
    }

    private int damaged(String name, SQLException e) {
        err.println(name + " is damaged, or no store of Entaxis: "
                + String.valueOf(e.getMessage()).lines().findFirst().orElse(""));
        return NOT_WHOLE;
    }

    private int told(List<StoreCheck.Finding> findings) {
        boolean whole = true;
        for (StoreCheck.Finding finding : findings) {
            whole &= finding.faults().isEmpty();
            out.println(finding.name() + " (" + finding.id() + "): " + Words.counted(finding.edits(), "edit")
                    + (finding.faults().isEmpty() ? ", whole" : ""));
            finding.faults().forEach(fault -> out.println("    " + fault));
        }
        out.println(whole ? "All is whole."
                : "Something is not whole. A design opens at its last good revision and can be copied there; a backup "
                + "may have more.");
        return whole ? 0 : NOT_WHOLE;
    }

    private static void removed(Path folder) throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            for (Path file : files.toList()) {
                Files.delete(file);
            }
        }
        Files.delete(folder);
    }
}
