package entaxis.web.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/**
 * A process that writes edits of all kinds, undoes and redoes them, is killed at any moment, again and again: in the
 * middle of a commit, of bringing it to the disk, of tidying the file. What it acknowledged is there afterwards, the
 * same to the letter.
 */
class StoreKillsTest {
    private static final int KILLS = Integer.getInteger("entaxis.store.kills", 2);
    private static final long MOST_MILLIS = 400;

    /**
     * What a process has said.
     *
     * @param found what was there when it came: revision, and whether it was damaged
     * @param last  the last revision that it had acknowledged, or found
     * @param kept  how many writes it had acknowledged
     */
    private record Outcome(String[] found, long last, int kept) { }

    @Test
    @Timeout(7200)
    void acknowledgedWritesAreThereAfterKills() throws Exception {
        Path data = Files.createTempDirectory(Files.createDirectories(Path.of("target/it")), "killed").toAbsolutePath();
        Random random = new Random(11);
        long revision = 0;
        int writes = 0;
        for (int kill = 0; kill <= KILLS; kill++) {
            Outcome said = killed(data, kill, 1 + random.nextInt(12), random.nextLong(MOST_MILLIS * 1000));
            long found = Long.parseLong(said.found()[1]);
            assertThat(found).as("kill %d", kill).isBetween(revision, revision + 1);
            if (kill > 0 && found == revision) {
                assertThat(data.resolve("found-" + found + ".json")).as("the design after kill %d", kill)
                        .hasSameTextualContentAs(data.resolve("kept-" + found + ".json"));
            }
            assertThat(said.found()[2]).as("damaged after kill %d", kill).isEqualTo("false");
            revision = said.last();
            writes += said.kept();
        }
        assertThat(writes).isGreaterThan(KILLS * 3);
        assertThat(StoreCheck.of(data.resolve(StoreFiles.DATABASE))).singleElement()
                .satisfies(finding -> assertThat(finding.faults()).isEmpty());
        System.out.println("StoreKillsTest: " + writes + " writes acknowledged over " + KILLS + " kills, none lost");
    }

    /** Starts a process and kills it some microseconds after so many acknowledged writes. */
    private static Outcome killed(Path data, int seed, int writes, long micros)
            throws IOException, InterruptedException {
        Process process = new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1", "-XX:+UseSerialGC", "-Xshare:auto", "-cp",
                System.getProperty("java.class.path"), StoreWriter.class.getName(), data.toString(), "" + seed)
                .redirectError(data.resolve("errors.log").toFile()).start();
        String[] found = {};
        long last = 0;
        int kept = 0;
        try (BufferedReader out =
                new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
            for (String line = out.readLine(); line != null; line = out.readLine()) {
                String[] words = line.split(" ");
                if (words[0].equals("found") && words.length == 3) {
                    found = words;
                    last = Long.parseLong(words[1]);
                } else if (words[0].equals("kept") && words.length == 2) {
                    last = Long.parseLong(words[1]);
                    if (++kept == writes) {
                        Thread.ofPlatform().start(() -> {
                            try {
                                TimeUnit.MICROSECONDS.sleep(micros);
                            } catch (InterruptedException e) {
                                Thread.currentThread().interrupt();
                            }
                            process.toHandle().destroyForcibly();   // its output can be read to the end
                        });
                    }
                }
            }
        }
        process.waitFor();
        assertThat(found).as("what it found; %s", Files.readAllLines(data.resolve("errors.log"))).hasSize(3);
        assertThat(process.exitValue()).as("killed, not ended").isNotIn(List.of(0, 1));
        return new Outcome(found, last, kept);
    }
}
