package entaxis.web.packaged;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/** A data folder on a small file system of its own, which only root may make; elsewhere these tests are left out. */
class DiskFullIT {
    private static boolean ran(String... command) throws Exception {
        return new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start().waitFor() == 0;
    }

    /** A folder with 8 MB of room. */
    private static Path small() throws Exception {
        Path data = Files.createTempDirectory(Files.createDirectories(Path.of("target/it")), "small").toAbsolutePath();
        Assumptions.assumeTrue(ran("mount", "-t", "tmpfs", "-o", "size=8m", "tmpfs", data.toString()),
                "no file system can be mounted here");
        return data;
    }

    private static String meaning(Random random) {
        StringBuilder meaning = new StringBuilder();
        random.ints(1500, 'a', 'z').forEach(meaning::appendCodePoint);
        return meaning.toString();
    }

    private static String first(String page, String pattern) {
        Matcher matcher = Pattern.compile(pattern).matcher(page);
        assertThat(matcher.find()).as(pattern).isTrue();
        return matcher.group(1);
    }

    /** With the room that is kept free by default: the engine never meets the end of the disk. */
    @Test
    @Timeout(180)
    void editsAreRefusedReadingGoesOnAndItRecovers() throws Exception {
        Path data = small();
        try (PackagedServer server = PackagedServer.start(data)) {
            String design = first(server.page("/"), "/designs/(d[0-9a-z]+)\"");
            String page = server.page("/designs/" + design);
            String entity = first(page, "data-select=\"(e[0-9a-z]+)");
            String edits = "/designs/" + design + "/edits";
            Random random = new Random(4);
            assertThat(server.post(edits, "kind", "entity.meaning", "entity", entity, "value", "the first", "seen", "0",
                    "lens", "concept").statusCode()).isEqualTo(200);
            Path ballast = data.resolve("ballast");
            fill(ballast);
            // there may be room inside of the store's own file for some more
            HttpResponse<String> refused = server.get("/");
            for (int i = 0; i < 400 && refused.statusCode() == 200; i++) {
                refused = server.post(edits, "kind", "entity.meaning", "entity", entity, "value", meaning(random),
                        "seen", "1", "lens", "concept");
            }
            long revision = Long.parseLong(first(server.page("/designs/" + design), "data-revision=\"(\\d+)"));
            assertThat(refused.statusCode()).isEqualTo(503);
            assertThat(refused.body()).contains("could not be kept").doesNotContain("{\"").doesNotContain("Exception");
            for (String path : new String[] {"/", "/designs/" + design, "/designs/" + design + "/sql",
                    "/designs/" + design + "/normalize"}) {
                HttpResponse<String> read = server.get(path);
                assertThat(read.statusCode()).as(path).isEqualTo(200);
                assertThat(read.body()).as("%s says it at its top", path).contains("All that was kept");
            }
            for (int i = 0; i < 5; i++) {
                assertThat(server.post(edits, "kind", "entity.meaning", "entity", entity, "value", "again " + i,
                        "seen", "1", "lens", "concept").statusCode()).isEqualTo(503);
            }
            Files.delete(ballast);
            HttpResponse<String> again = refused;
            for (int i = 0; i < 40 && again.statusCode() != 200; i++) {
                TimeUnit.MILLISECONDS.sleep(250);
                again = server.post(edits, "kind", "entity.meaning", "entity", entity, "value", "room again", "seen",
                        "1", "lens", "concept");
            }
            assertThat(again.statusCode()).isEqualTo(200);
            assertThat(server.get("/designs/" + design).body()).doesNotContain("All that was kept")
                    .contains("data-revision=\"" + (revision + 1) + "\"");
            server.stop();
        } finally {
            ran("umount", "-l", data.toString());
        }
    }

    /**
     * Another program takes the last room while an edit is written, so that the engine itself meets the end of the
     * disk and closes its file: the request is answered, nothing that was acknowledged is lost, and edits are taken
     * again when there is room.
     */
    @Test
    @Timeout(180)
    void theEngineMeetsTheEndOfTheDisk() throws Exception {
        Path data = small();
        try (PackagedServer server = PackagedServer.start(data, "--entaxis.store.least-free-kilobytes=0")) {
            String design = first(server.page("/"), "/designs/(d[0-9a-z]+)\"");
            String entity = first(server.page("/designs/" + design), "data-select=\"(e[0-9a-z]+)");
            String edits = "/designs/" + design + "/edits";
            Path ballast = data.resolve("ballast");
            fill(ballast);
            Random random = new Random(4);
            long acknowledged = 0;
            int status = 200;
            while (status == 200) {
                status = server.post(edits, "kind", "entity.meaning", "entity", entity, "value", meaning(random),
                        "seen", "" + acknowledged, "lens", "concept").statusCode();
                acknowledged += status == 200 ? 1 : 0;
            }
            assertThat(status).isEqualTo(503);
            Files.delete(ballast);
            HttpResponse<String> read = server.get("/designs/" + design);
            for (int i = 0; i < 40 && read.statusCode() != 200; i++) {
                TimeUnit.MILLISECONDS.sleep(250);
                read = server.get("/designs/" + design);
            }
            long revision = Long.parseLong(first(read.body(), "data-revision=\"(\\d+)"));
            assertThat(revision).as("all that was acknowledged").isGreaterThanOrEqualTo(acknowledged);
            HttpResponse<String> again = read;
            for (int i = 0; i < 40 && (i == 0 || again.statusCode() != 200); i++) {
                TimeUnit.MILLISECONDS.sleep(250);
                again = server.post(edits, "kind", "entity.meaning", "entity", entity, "value", "room again", "seen",
                        "" + revision, "lens", "concept");
            }
            assertThat(again.statusCode()).isEqualTo(200);
            server.stop();
        } finally {
            ran("umount", "-l", data.toString());
        }
    }

    private static void fill(Path file) throws Exception {
        try (var out = Files.newOutputStream(file)) {
            byte[] some = new byte[4096];
            while (true) {
                out.write(some);
            }
        } catch (java.io.IOException full) {
            assertThat(Files.getFileStore(file.getParent()).getUsableSpace()).isLessThan(8192);
        }
    }

    /** After a kill nothing is left in the system's temporary folder. */
    @Test
    void aKillLeavesNothingInTheTemporaryFolder() throws Exception {
        Path data = Files.createTempDirectory(Files.createDirectories(Path.of("target/it")), "kill").toAbsolutePath();
        Path[] left = new Path[1];
        try (PackagedServer server = PackagedServer.start(data)) {
            String design = first(server.page("/"), "/designs/(d[0-9a-z]+)\"");
            server.get("/designs/" + design + "/dependencies.png");
            server.post("/designs/" + design + "/trial/run");
            server.kill();
            left[0] = fonts(data).findFirst().orElseThrow();
        }
        try (PackagedServer server = PackagedServer.start(data)) {
            assertThat(server.get("/").statusCode()).isEqualTo(200);
            assertThat(left[0]).as("gone with the next start").doesNotExist();
        }
    }

    /** Copies of fonts as Java's window toolkit makes them. */
    private static java.util.stream.Stream<Path> fonts(Path data) throws java.io.IOException {
        return Files.list(data.resolve("temporary")).filter(file -> file.getFileName().toString().startsWith("+~JF"));
    }
}
