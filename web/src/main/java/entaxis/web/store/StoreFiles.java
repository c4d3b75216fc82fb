package entaxis.web.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/** The data folder: what it holds, and that nobody but its owner reads it. */
public final class StoreFiles {
    /** The file that holds all designs. */
    public static final String DATABASE = "entaxis.mv.db";

    private static final String TEMPORARY = "temporary";

    private StoreFiles() { }

    /**
     * Makes the data folder if it is not there, and takes the rights of others to it away, where the file system knows
     * such rights.
     *
     * @throws IOException if it cannot be made or changed
     */
    public static void own(Path folder) throws IOException {
        Files.createDirectories(folder);
        allow(folder, "rwx------");
        try (Stream<Path> files = Files.list(folder)) {
            List<Path> ours = files.filter(Files::isRegularFile).toList();
            for (Path file : ours) {
                allow(file, "rw-------");
            }
        }
    }

    /**
     * Takes away what a server that was killed has left in the temporary folder of a data folder: fonts, uploads,
     * libraries. Only to be called by who has the store open.
     *
     * @param before what is younger stays
     */
    public static void tidyTemporary(Path folder, Instant before) throws IOException {
        Path temporary = folder.resolve(TEMPORARY);
        if (Files.isDirectory(temporary)) {
            try (Stream<Path> files = Files.walk(temporary)) {
                for (Path file : files.sorted(Comparator.reverseOrder()).filter(one -> !one.equals(temporary))
                        .toList()) {
                    boolean emptyFolder = Files.isDirectory(file) && file.toFile().list().length == 0;
                    if (Files.getLastModifiedTime(file).toInstant().isBefore(before)
                            && (emptyFolder || Files.isRegularFile(file))) {
                        Files.deleteIfExists(file);
                    }
                }
            }
        }
    }

    private static void allow(Path file, String rights) throws IOException {
        PosixFileAttributeView view = Files.getFileAttributeView(file, PosixFileAttributeView.class);
        if (view != null && !PosixFilePermissions.toString(view.readAttributes().permissions()).equals(rights)) {
            view.setPermissions(PosixFilePermissions.fromString(rights));
        }
    }
}
