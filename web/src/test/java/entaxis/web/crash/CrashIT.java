package entaxis.web.crash;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** The packaged server is killed in the middle of a stream of edits, again and again; what it acknowledged is there when it comes back. */
class CrashIT {
    private static final int KILLS = 20;
    private static final String APP = "target/it/app";
    private static final Pattern TOKEN = Pattern.compile("X-XSRF-TOKEN&quot;:&quot;([^&]+)&quot;");
    private static final Pattern DESIGN = Pattern.compile("/designs/(d[0-9a-z]+)\"");
    private static final Pattern REVISION = Pattern.compile("id=\"keeping\"[^>]*data-revision=\"(\\d+)\"");

    private final HttpClient client = HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(5)).build();
    private Process server;
    private int port;
    private String cookie;
    private String token;

    @AfterEach
    void stop() {
        if (server != null) {
            server.destroyForcibly();
        }
    }

    @Test
    void everyAcknowledgedEditSurvivesTwentyKills() throws Exception {
        Files.createDirectories(Path.of("target/it"));
        prepare();
        Path data = Files.createTempDirectory(Path.of("target/it"), "crash");
        start(data);
        String design = match(DESIGN, get("/"));
        long atFirst = entries(get("/designs/" + design));
        AtomicInteger acknowledged = new AtomicInteger();
        int sent = 0;
        for (int kill = 1; kill <= KILLS; kill++) {
            openPage(design);
            Process victim = server;
            Thread killer = Thread.ofPlatform().start(killAfter(victim, acknowledged, acknowledged.get() + 4 + kill % 5, kill * 37 % 60));
            while (victim.isAlive()) {
                try {
                    sent++;
                    if (addEntity(design, acknowledged.get(), "Thing " + sent) == 200) {
                        acknowledged.incrementAndGet();
                    }
                } catch (IOException killed) {
                    break;
                }
            }
            killer.join();
            start(data);
            String page = get("/designs/" + design);
            int revision = Integer.parseInt(match(REVISION, page));
            assertThat(revision).as("kill %d", kill).isBetween(acknowledged.get(), sent);
            acknowledged.set(revision);
            sent = revision;
            assertThat(entries(page)).isEqualTo(atFirst + revision);
        }
        assertThat(acknowledged.get()).isGreaterThan(KILLS * 3);
        System.out.println("CrashIT: " + acknowledged + " edits acknowledged over " + KILLS + " kills, none lost");
    }

    private static long entries(String page) {
        return Pattern.compile("class=\"entry").matcher(page).results().count();
    }

    /** Kills when so many edits are acknowledged, and some milliseconds later: in the middle of an edit, however fast the machine. */
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

    /** Unpacks the server and lets it write down which classes it needs, so that each of the many starts is quick. */
    private static void prepare() throws Exception {
        command("-Djarmode=tools", "-jar", "target/entaxis.jar", "extract", "--destination", APP, "--force");
        command("-XX:ArchiveClassesAtExit=" + APP + "/classes.jsa", "-Djava.awt.headless=true", "-XX:+UseSerialGC", "-Dentaxis.training=server", "-jar", APP + "/entaxis.jar", "--entaxis.demo=true",
                "--entaxis.data=" + Files.createTempDirectory("training").toAbsolutePath(), "--server.port=0");
    }

    private static void command(String... words) throws Exception {
        List<String> command = new ArrayList<>(List.of(java()));
        command.addAll(List.of(words));
        Process process = new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.appendTo(new File("target/it/crash.log"))).start();
        assertThat(process.waitFor(180, TimeUnit.SECONDS)).as("it ends; see target/it/crash.log").isTrue();
    }

    private static String java() {
        return Path.of(System.getProperty("java.home"), "bin", "java").toString();
    }

    private void start(Path data) throws Exception {
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        server = new ProcessBuilder(List.of(java(), "-Djava.awt.headless=true", "-XX:TieredStopAtLevel=1",
                "-XX:+UseSerialGC", "-XX:SharedArchiveFile=" + APP + "/classes.jsa", "-jar", APP + "/entaxis.jar", "--entaxis.demo=true", "--entaxis.data=" + data.toAbsolutePath(), "--server.port=" + port))
                .redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.appendTo(new File("target/it/crash.log"))).start();
        for (int i = 0; i < 600; i++) {
            assertThat(server.isAlive()).as("the server starts; see target/it/crash.log").isTrue();
            try {
                if (get("/").contains("design-card")) {
                    return;
                }
            } catch (IOException notYet) {
                Thread.sleep(50);
            }
        }
        throw new AssertionError("the server did not start");
    }

    private void openPage(String design) throws Exception {
        HttpResponse<String> page = client.send(HttpRequest.newBuilder(uri("/designs/" + design)).build(), BodyHandlers.ofString());
        cookie = page.headers().firstValue("Set-Cookie").orElseThrow().split(";")[0];
        token = match(TOKEN, page.body());
    }

    private int addEntity(String design, int seen, String name) throws IOException, InterruptedException {
        return client.send(HttpRequest.newBuilder(uri("/designs/" + design + "/edits")).header("Content-Type", "application/x-www-form-urlencoded").header("Cookie", cookie)
                .header("X-XSRF-TOKEN", token).timeout(Duration.ofSeconds(20))
                .POST(HttpRequest.BodyPublishers.ofString("kind=entity.add&x=0&y=0&lens=concept&seen=" + seen + "&value=" + name.replace(' ', '+'))).build(), BodyHandlers.discarding()).statusCode();
    }

    private String get(String path) throws IOException, InterruptedException {
        return client.send(HttpRequest.newBuilder(uri(path)).timeout(Duration.ofSeconds(20)).build(), BodyHandlers.ofString()).body();
    }

    private URI uri(String path) {
        return URI.create("http://127.0.0.1:" + port + path);
    }

    private static String match(Pattern pattern, String text) {
        Matcher matcher = pattern.matcher(text);
        assertThat(matcher.find()).as(pattern.pattern()).isTrue();
        return matcher.group(1);
    }
}
