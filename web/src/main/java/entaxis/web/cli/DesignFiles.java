package entaxis.web.cli;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.schema.Schema;
import entaxis.exchange.DesignFile;
import entaxis.exchange.UnreadableJson;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;

/** Saved designs as files. */
final class DesignFiles {
    private final PrintStream err;

    DesignFiles(PrintStream err) {
        this.err = err;
    }

    /** The schema that follows from a saved design; none if it cannot be read, which is said. */
    Optional<Schema> schema(String file) {
        try {
            return design(file).map(design -> Derivation.of(design).schema());
        } catch (RuntimeException e) {
            // every part of it can be read, but not all of them fit together
            err.println(file + ": this design does not hold together: "
                    + (e instanceof NullPointerException || e.getMessage() == null
                            || e.getMessage().equals("No value present")
                                    ? "one of its parts speaks of another that is not in it" : e.getMessage()));
            return Optional.empty();
        }
    }

    Optional<Design> design(String file) {
        return opened(file).map(DesignFile.Opened::design);
    }

    /** A saved design with its pictures; none if it cannot be read, which is said. */
    Optional<DesignFile.Opened> opened(String file) {
        try {
            return Optional.of(DesignFile.read(Files.readString(Path.of(file))));
        } catch (IOException e) {
            err.println(file + ": the file cannot be read: "
                    + (Files.exists(Path.of(file)) ? e.getMessage() : "there is no such file"));
        } catch (UnreadableJson | IllegalArgumentException e) {
            err.println(file + ": " + e.getMessage());
        }
        return Optional.empty();
    }
}
