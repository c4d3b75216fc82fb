package entaxis.web.store;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import javax.sql.DataSource;
import org.h2.api.ErrorCode;

/**
 * Backups of a store: a ZIP archive with its database file, as the engine makes it while the store is in use (H2
 * manual, “BACKUP TO”). A command asks a server that runs for
 * one through a file in the data folder, which nobody but its owner can write.
 */
public final class Backup {
    private static final String REQUEST = "backup.request";
    private static final String ANSWER = "backup.answer";
    private static final Duration PATIENCE = Duration.ofMinutes(10);
    private static final long LOOK_MILLIS = 100;

    private Backup() { }

    /** Says why a backup could not be made or brought back. */
    public static final class Failed extends Exception {
        private static final long serialVersionUID = 1;

        /** With what happened and what to do. */
        public Failed(String message) {
            super(message);
        }
    }

    /** Makes a backup of the store of a data folder, whether a server has it open or not. */
    public static void make(Path folder, Path target) throws Failed, IOException {
        Path file = target.toAbsolutePath();
        if (Files.exists(file)) {
            throw new Failed("There is a file “" + target + "” already; give another name.");
        }
        if (file.getParent() == null || !Files.isDirectory(file.getParent())) {
            throw new Failed("There is no folder for “" + target + "”.");
        }
        Path store = folder.resolve(StoreFiles.DATABASE);
        if (!Files.isRegularFile(store)) {
            throw new Failed("There is no store in “" + folder + "”.");
        }
        try {
            write(StoreCheck.source(store, false), file);
        } catch (SQLException e) {
            if (!inUse(e)) {
                throw new Failed("The store cannot be read: " + e.getMessage());
            }
            ask(folder, file);
        }
    }

    /** Whether another process has the store open. */
    public static boolean inUse(SQLException e) {
        return e.getErrorCode() == ErrorCode.DATABASE_ALREADY_OPEN_1;
    }

    private static void write(DataSource source, Path file) throws SQLException, IOException {
        Path part = file.resolveSibling(file.getFileName() + ".part");
        try (Connection connection = source.getConnection(); Statement statement = connection.createStatement()) {
            statement.execute("backup to '" + part.toString().replace("'", "''") + "'");
        }
        Files.move(part, file, StandardCopyOption.ATOMIC_MOVE);
    }

    private static void ask(Path folder, Path file) throws IOException, Failed {
        Path answer = folder.resolve(ANSWER);
        Files.deleteIfExists(answer);
        Path request = folder.resolve(REQUEST);
        Path fresh = folder.resolve(REQUEST + ".new");
        Files.writeString(fresh, file.toString(), StandardCharsets.UTF_8);
        Files.move(fresh, request, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        long end = System.nanoTime() + PATIENCE.toNanos();
        try {
            while (System.nanoTime() < end) {
                if (Files.exists(answer)) {
                    String words = Files.readString(answer);
                    Files.delete(answer);
                    if (words.isEmpty()) {
                        return;
                    }
                    throw new Failed("The server that has the store open could not write the backup: " + words);
                }
                Thread.sleep(LOOK_MILLIS);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        Files.deleteIfExists(request);
        throw new Failed("The server that has the store open did not make the backup within " + PATIENCE.toMinutes()
                + " minutes.");
    }

    /** Serves a request for a backup, if there is one; called by the server every now and then. */
    static void serve(Path folder, DataSource source) throws IOException {
        Path request = folder.resolve(REQUEST);
        if (Files.notExists(request)) {
            return;
        }
        Path file = Path.of(Files.readString(request, StandardCharsets.UTF_8));
        Files.delete(request);
        String words = "";
        try {
            write(source, file);
        } catch (SQLException | IOException e) {
            words = String.valueOf(e.getMessage());
        }
        Path fresh = folder.resolve(ANSWER + ".new");
        Files.writeString(fresh, words);
        Files.move(fresh, folder.resolve(ANSWER), StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    }

    /** The database file of a backup, unpacked into a folder. */
    public static Path unpacked(Path backup, Path folder) throws IOException, Failed {
        try (InputStream in = Files.newInputStream(backup); ZipInputStream zip = new ZipInputStream(in)) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                if (entry.getName().endsWith(".mv.db")) {
                    Path file = folder.resolve(StoreFiles.DATABASE);
                    Files.copy(zip, file, StandardCopyOption.REPLACE_EXISTING);
                    return file;
                }
            }
        }
        throw new Failed("“" + backup + "” is no backup of Entaxis: there is no store in it.");
    }

    /**
     * Puts an unpacked store in the place of that of a data folder.
     *
     * @return where the store that was there is now
     */
    public static Optional<Path> putBack(Path unpacked, Path folder) throws IOException, Failed {
        Path store = folder.resolve(StoreFiles.DATABASE);
        Optional<Path> aside = Optional.empty();
        if (Files.exists(store)) {
            try (Connection connection = StoreCheck.source(store, false).getConnection()) {
                connection.setReadOnly(true);
            } catch (SQLException e) {
                if (inUse(e)) {
                    throw new Failed(
                            "Entaxis is running on this data folder. Stop it first, then restore again; nothing was "
                                    + "changed.");
                }
            }
            String time = LocalDateTime.now().format(DateTimeFormatter.ofPattern("uuuuMMdd-HHmmss"));
            aside = Optional.of(folder.resolve(StoreFiles.DATABASE + ".before-" + time));
            Files.move(store, aside.get());
        }
        Files.move(unpacked, store);
        StoreFiles.own(folder);
        return aside;
    }
}
