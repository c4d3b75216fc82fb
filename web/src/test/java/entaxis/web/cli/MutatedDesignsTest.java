package entaxis.web.cli;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.exchange.DesignJson;
import entaxis.web.demo.SeedVault;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Saved designs in which something was changed by accident or on purpose: a command says what is wrong, and never
 * shows the inside of the program.
 */
class MutatedDesignsTest {
    private static final List<String> PIECES = List.of("null", "[]", "{}", "\"\"", "-1", "99999999999999999999", "true",
            "\"e1\"", "\"@t9\"", "\"varchar(\"", "\"nosuchtype\"", "\u0000", "\"is\"", ",", "]", "}");
    @TempDir
    private Path folder;

    @Test
    void commandsSayWhatIsWrong() throws IOException {
        String whole = DesignJson.write(SeedVault.design());
        Random random = new Random(11);
        int refused = 0;
        for (int i = 0; i < 400; i++) {
            Path file = Files.writeString(folder.resolve("mutated.json"), mutated(whole, random));
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            ByteArrayOutputStream err = new ByteArrayOutputStream();
            int code = new Commands(new PrintStream(out, true, StandardCharsets.UTF_8),
                    new PrintStream(err, true, StandardCharsets.UTF_8))
                    .run("sql", file.toString(), "--to", "postgresql").orElseThrow();
            String said = err.toString(StandardCharsets.UTF_8);
            assertThat(code).isIn(0, 2);
            assertThat(said).doesNotContain("\tat ").doesNotContain("NullPointerException");
            if (code == 2) {
                refused++;
                assertThat(said).contains("mutated.json: ");
            }
        }
        assertThat(refused).isBetween(100, 400);
    }

    private static String mutated(String whole, Random random) {
        int at = random.nextInt(whole.length());
        int to = Math.min(whole.length(), at + random.nextInt(12));
        return switch (random.nextInt(4)) {
            case 0 -> whole.substring(0, at) + whole.substring(to);
            case 1 -> whole.substring(0, at) + PIECES.get(random.nextInt(PIECES.size())) + whole.substring(to);
            case 2 -> value(whole, at, PIECES.get(random.nextInt(12)));
            default -> whole.substring(0, at);
        };
    }

    /** The next value in the text exchanged for another, so that it stays JSON. */
    private static String value(String whole, int from, String other) {
        int colon = whole.indexOf(":\"", from);
        int end = colon < 0 ? -1 : whole.indexOf('"', colon + 2);
        return end < 0 ? whole : whole.substring(0, colon + 1) + other + whole.substring(end + 1);
    }
}
