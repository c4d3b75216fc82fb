package entaxis.web.cli;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** A command on one text in UTF-8. */
abstract class TextCommand extends Subcommand {
    private static final long MAX_BYTES = 400_000_000;

    @Parameters(paramLabel = "FILE", description = "A text in UTF-8.")
    private String file;

    @Option(names = "--json", description = "Write JSON.")
    private boolean json;

    TextCommand(PrintStream out, PrintStream err) {
        super(out, err);
    }

    /** Carries it out on the text and gives the exit code. */
    abstract int run(String text);

    final String file() {
        return file;
    }

    final boolean json() {
        return json;
    }

    /** Says what is wrong in a line of the file. */
    final int wrong(long line, String message) {
        err.println(file + ":" + line + ": " + message);
        return WRONG;
    }

    @Override
    public Integer call() {
        try {
            Path path = Path.of(file);
            if (Files.isRegularFile(path) && Files.size(path) > MAX_BYTES) {
                return wrong(1, "the file is larger than " + MAX_BYTES / 1_000_000 + " MB; take a part of it");
            }
            return run(Files.readString(path, StandardCharsets.UTF_8));
        } catch (CharacterCodingException e) {
            return wrong(1, "the file is not text in UTF-8; save it so");
        } catch (IOException | InvalidPathException e) {
            return wrong(1, "the file cannot be read: "
                    + (ScriptFiles.exists(file) ? e.getMessage() : "there is no such file"));
        }
    }
}
