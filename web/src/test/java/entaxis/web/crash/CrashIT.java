package entaxis.web.crash;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.web.packaged.PackagedServer;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/**
 * The packaged server is killed in the middle of a stream of edits, again and again; what it acknowledged is there when
 * it comes back, and none of its processes stays.
 */
class CrashIT {
    private static final int KILLS = Integer.getInteger("entaxis.kills", 3);
    private static final Pattern DESIGN = Pattern.compile("/designs/(d[0-9a-z]+)\"");
    private static final Pattern REVISION = Pattern.compile("id=\"keeping\"[^>]*data-revision=\"(\\d+)\"");

    private PackagedServer server;

    @AfterEach
    void stop() {
        if (server != null) {
            server.close();
        }
    }

    @Test
    void everyAcknowledgedEditSurvivesKills() throws Exception {
        Path data = Files.createTempDirectory(Files.createDirectories(Path.of("target/it")), "crash");
        server = PackagedServer.start(data);
        String design = match(DESIGN, server.get("/").body());
        long atFirst = entries(server.get("/designs/" + design).body());
        AtomicInteger acknowledged = new AtomicInteger();
        int sent = 0;
        for (int kill = 1; kill <= KILLS; kill++) {
            server.page("/designs/" + design);
            Process victim = server.process();
            Thread killer = Thread.ofPlatform()
                    .start(killAfter(victim, acknowledged, acknowledged.get() + 4 + kill % 5, kill * 37 % 60));
            while (victim.isAlive()) {
                try {
                    sent++;
                    if (server
                            .post("/designs/" + design + "/edits", "kind", "entity.add", "x", "0", "y", "0", "lens",
                                    "concept", "seen", "" + acknowledged.get(), "value", "Thing " + sent)
                            .statusCode() == 200) {
                        acknowledged.incrementAndGet();
                    }
                } catch (IOException killed) {
                    break;
                }
            }
            killer.join();
            server = PackagedServer.start(data);
            String page = server.get("/designs/" + design).body();
            int revision = Integer.parseInt(match(REVISION, page));
            assertThat(revision).as("kill %d", kill).isBetween(acknowledged.get(), sent);
            acknowledged.set(revision);
            sent = revision;
            assertThat(entries(page)).isEqualTo(atFirst + revision);
        }
        assertThat(acknowledged.get()).isGreaterThan(KILLS * 3);
        server.kill();
        TimeUnit.SECONDS.sleep(1);
        assertThat(ProcessHandle.allProcesses()
                .filter(process -> process.info().commandLine().orElse("").contains(data.getFileName().toString())))
                .as("no process is left behind").isEmpty();
        System.out.println("CrashIT: " + acknowledged + " edits acknowledged over " + KILLS + " kills, none lost");
    }

    private static long entries(String page) {
        return Pattern.compile("class=\"entry").matcher(page).results().count();
    }

    /**
     * Kills when so many edits are acknowledged, and some milliseconds later: in the middle of an edit, however fast
     * the machine.
     */
    private static Runnable killAfter(Process victim, AtomicInteger acknowledged, int edits, long millis) {
        return () -> {
            try {
                for (int i = 0; i < 30_000 && acknowledged.get() < edits; i++) {
                    Thread.sleep(1);
                }
                Thread.sleep(millis);
                victim.destroyForcibly().waitFor(10, TimeUnit.SECONDS);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        };
    }

    private static String match(Pattern pattern, String text) {
        Matcher matcher = pattern.matcher(text);
        assertThat(matcher.find()).as(pattern.pattern()).isTrue();
        return matcher.group(1);
    }
}
