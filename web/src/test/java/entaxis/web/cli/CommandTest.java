package entaxis.web.cli;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.io.TempDir;

/** Runs commands and keeps what they write and say. */
abstract class CommandTest {
    private final ByteArrayOutputStream out = new ByteArrayOutputStream();
    private final ByteArrayOutputStream err = new ByteArrayOutputStream();

    @TempDir
    protected Path folder;

    /** Runs a command and gives its exit code. */
    protected int run(String... arguments) {
        out.reset();
        err.reset();
        return new Commands(new PrintStream(out, true, StandardCharsets.UTF_8),
                new PrintStream(err, true, StandardCharsets.UTF_8)).run(arguments).orElseThrow();
    }

    /** What the last command wrote. */
    protected String written() {
        return out.toString(StandardCharsets.UTF_8);
    }

    /** What the last command found wrong. */
    protected String errors() {
        return err.toString(StandardCharsets.UTF_8);
    }

    /** Writes a file and gives its path. */
    protected String file(String name, String text) throws IOException {
        return Files.writeString(folder.resolve(name), text).toString();
    }
}
