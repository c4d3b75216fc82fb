package entaxis.web.packaged;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The application as it is packaged, in a process of its own, and a window at it. */
public final class PackagedServer implements AutoCloseable {
    /** Where the packaged application is unpacked. */
    public static final Path APP = Path.of("target/it/app");
    /** What servers and commands say. */
    public static final Path LOG = Path.of("target/it/packaged.log");
    private static final Path CLASSES = APP.resolve("classes.jsa");
    private static final Pattern TOKEN = Pattern.compile("X-XSRF-TOKEN&quot;:&quot;([^&]+)&quot;");

    private final HttpClient client = HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(5)).build();
    private final Path data;
    private final int port;
    private final Process process;
    private String cookie = "";
    private String token = "";

    private PackagedServer(Path data, int port, Process process) {
        this.data = data;
        this.port = port;
        this.process = process;
    }

    /** Starts it as a demo and waits until it serves. */
    public static PackagedServer start(Path data, String... options) throws IOException, InterruptedException {
        return start(data, Map.of(), options);
    }

    /** The same with more in its environment. */
    public static PackagedServer start(Path data, Map<String, String> environment, String... options)
            throws IOException, InterruptedException {
        prepare();
        int port;
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        List<String> command = new ArrayList<>(List.of(java(), "-Djava.awt.headless=true", "-XX:TieredStopAtLevel=1",
                "-XX:+UseSerialGC", "-XX:SharedArchiveFile=" + CLASSES,
                "-Djava.io.tmpdir=" + Files.createDirectories(data.toAbsolutePath().resolve("temporary")), "-jar",
                APP.resolve("entaxis.jar").toString(), "--entaxis.demo=true", "--entaxis.data=" + data.toAbsolutePath(),
                "--server.port=" + port));
        command.addAll(List.of(options));
        ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.appendTo(LOG.toFile()));
        builder.environment().putAll(environment);
        PackagedServer server = new PackagedServer(data, port, builder.start());
        for (int i = 0; i < 600; i++) {
            assertThat(server.process.isAlive()).as("the server starts; see %s", LOG).isTrue();
            try {
                // both designs of the demo; they are stored a moment after the first page can be had
                if (server.get("/").body().split("design-card", -1).length > 2) {
                    return server;
                }
            } catch (IOException notYet) {
                Thread.sleep(50);
            }
        }
        throw new AssertionError("the server did not start");
    }

    /**
     * Unpacks the application once, and lets it write down which classes it needs, so that each of the many starts is
     * quick. Tests in another process wait until that is done.
     */
    public static synchronized void prepare() throws IOException, InterruptedException {
        Files.createDirectories(Path.of("target/it"));
        try (FileChannel file =
                FileChannel.open(Path.of("target/it/preparing"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
                FileLock lock = file.lock()) {
            prepareOnce();
        }
    }

    private static void prepareOnce() throws IOException, InterruptedException {
        Path jar = Path.of("target/entaxis.jar");
        if (Files.exists(CLASSES) && Files.getLastModifiedTime(CLASSES).compareTo(Files.getLastModifiedTime(jar)) > 0) {
            return;
        }
        ended(new ProcessBuilder(java(), "-Djarmode=tools", "-jar", jar.toString(), "extract", "--destination",
                APP.toString(), "--force"));
        ended(new ProcessBuilder(java(), "-XX:ArchiveClassesAtExit=" + CLASSES, "-Djava.awt.headless=true",
                "-XX:+UseSerialGC", "-Dentaxis.training=server", "-jar", APP.resolve("entaxis.jar").toString(),
                "--entaxis.demo=true", "--entaxis.data=" + Files.createTempDirectory("training").toAbsolutePath(),
                "--server.port=0"));
    }

    private static void ended(ProcessBuilder builder) throws IOException, InterruptedException {
        Process process = builder.redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.appendTo(LOG.toFile())).start();
        assertThat(process.waitFor(180, TimeUnit.SECONDS)).as("it ends; see %s", LOG).isTrue();
    }

    /** The option that makes a start quick. */
    static String sharedClasses() {
        return "-XX:SharedArchiveFile=" + CLASSES;
    }

    /** What a command of the packaged application came to. */
    public record Ended(int code, String out, String err) { }

    /** Runs a command of the packaged application. */
    public static Ended command(String... words) throws IOException, InterruptedException {
        prepare();
        List<String> command = new ArrayList<>(List.of(java(), "-Djava.awt.headless=true", "-XX:TieredStopAtLevel=1",
                "-XX:+UseSerialGC", sharedClasses(), "-jar", APP.resolve("entaxis.jar").toString()));
        command.addAll(List.of(words));
        File out = File.createTempFile("out", ".txt", new File("target/it"));
        File err = File.createTempFile("err", ".txt", new File("target/it"));
        Process process = new ProcessBuilder(command).redirectOutput(out).redirectError(err).start();
        assertThat(process.waitFor(120, TimeUnit.SECONDS)).as("the command ends").isTrue();
        return new Ended(process.exitValue(), Files.readString(out.toPath()), Files.readString(err.toPath()));
    }

    private static String java() {
        return Path.of(System.getProperty("java.home"), "bin", "java").toString();
    }

    /** Its process. */
    public Process process() {
        return process;
    }

    /** Its data folder. */
    public Path data() {
        return data;
    }

    /** Its address. */
    public String address() {
        return "http://127.0.0.1:" + port;
    }

    /** The port that it serves. */
    public int port() {
        return port;
    }

    /** Opens a page and remembers what its forms carry. */
    public String page(String path) throws IOException, InterruptedException {
        HttpResponse<String> page = get(path);
        page.headers().firstValue("Set-Cookie").ifPresent(set -> cookie = set.split(";")[0]);
        Matcher found = TOKEN.matcher(page.body());
        if (found.find()) {
            token = found.group(1);
        }
        return page.body();
    }

    /** Gets a page. */
    public HttpResponse<String> get(String path) throws IOException, InterruptedException {
        return client.send(request(path).build(), BodyHandlers.ofString());
    }

    /** Posts a form: names and values in turn. */
    public HttpResponse<String> post(String path, String... fields) throws IOException, InterruptedException {
        StringBuilder form = new StringBuilder();
        for (int i = 0; i < fields.length; i += 2) {
            form.append(i == 0 ? "" : "&").append(URLEncoder.encode(fields[i], StandardCharsets.UTF_8)).append('=')
                    .append(URLEncoder.encode(fields[i + 1], StandardCharsets.UTF_8));
        }
        return client.send(
                request(path).header("Content-Type", "application/x-www-form-urlencoded").header("HX-Request", "true")
                        .POST(HttpRequest.BodyPublishers.ofString(form.toString())).build(),
                BodyHandlers.ofString());
    }

    /** A request with what a window of this server carries. */
    public HttpRequest.Builder request(String path) {
        HttpRequest.Builder builder = HttpRequest.newBuilder(URI.create(address() + path))
                .timeout(Duration.ofSeconds(60)).header("X-XSRF-TOKEN", token);
        return cookie.isEmpty() ? builder : builder.header("Cookie", cookie);
    }

    /** Follows to the page that a job leads to, and gives it. */
    public String followed(HttpResponse<String> answer) throws IOException, InterruptedException {
        String next = answer.headers().firstValue("Location")
                .orElseThrow(() -> new AssertionError(answer.statusCode() + " " + answer.body()))
                .replaceFirst("^https?://[^/]+", "");
        for (int i = 0; i < 300 && next.startsWith("/jobs/"); i++) {
            HttpResponse<String> page = get(next);
            if (page.headers().firstValue("Location").isEmpty()) {
                Thread.sleep(100);
            } else {
                next = page.headers().firstValue("Location").get().replaceFirst("^https?://[^/]+", "");
            }
        }
        return page(next);
    }

    /** Sends it away as Ctrl+C does, and waits for its end. */
    public void stop() throws InterruptedException {
        process.destroy();
        assertThat(process.waitFor(20, TimeUnit.SECONDS)).as("it ends when it is asked to").isTrue();
    }

    /** Kills it, and waits for its end. */
    public void kill() throws InterruptedException {
        process.destroyForcibly().waitFor(10, TimeUnit.SECONDS);
    }

    @Override
    public void close() {
        process.destroyForcibly();
    }
}
