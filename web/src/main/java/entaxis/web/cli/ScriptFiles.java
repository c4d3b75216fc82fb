package entaxis.web.cli;

import entaxis.core.reading.NotUnderstood;
import entaxis.core.reading.Reading;
import entaxis.core.reading.ScriptReader;
import entaxis.core.targets.Target;
import entaxis.exchange.ScriptText;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/** Scripts as files. */
final class ScriptFiles {
    private final PrintStream err;

    ScriptFiles(PrintStream err) {
        this.err = err;
    }

    /** Reads files as one script; none if one of them cannot be had, which is said. */
    Optional<Reading> reading(List<String> files, Target engine) {
        ScriptReader reader = new ScriptReader(engine);
        for (String file : files) {
            try {
                reader.add(files.size() == 1 ? "" : file, ScriptText.of(Files.readAllBytes(Path.of(file))));
            } catch (IOException | InvalidPathException e) {
                err.println(file + ": the file cannot be read: "
                        + (exists(file) ? e.getMessage() : "there is no such file"));
                return Optional.empty();
            }
        }
        return Optional.of(reader.done());
    }

    /** Whether there is a file of this name; a name that no file can have is none. */
    static boolean exists(String file) {
        try {
            return Files.exists(Path.of(file));
        } catch (InvalidPathException e) {
            return false;
        }
    }

    /** Says what was not understood, and where; gives the exit code. */
    int missed(List<NotUnderstood> missed) {
        missed.forEach(one -> err.println(place(one)));
        return missed.isEmpty() ? 0 : Subcommand.INCOMPLETE;
    }

    static String place(NotUnderstood missed) {
        return (missed.file().isEmpty() ? "line " : missed.file() + ":") + missed.line() + ":" + missed.column()
                + ": not understood: " + missed.text() + " (" + missed.reason() + ")";
    }
}
