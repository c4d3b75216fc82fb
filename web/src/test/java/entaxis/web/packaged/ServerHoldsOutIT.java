package entaxis.web.packaged;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.net.Socket;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Requests that are meant to do harm, or come in numbers that do. */
class ServerHoldsOutIT {
    private static PackagedServer server;
    private static String design;
    private static String entity;

    @BeforeAll
    static void start() throws Exception {
        server = PackagedServer.start(
                Files.createTempDirectory(Files.createDirectories(Path.of("target/it")), "holds").toAbsolutePath());
        design = first(server.page("/"), "/designs/(d[0-9a-z]+)\"");
        entity = first(server.page("/designs/" + design), "data-select=\"(e[0-9a-z]+)");
    }

    @AfterAll
    static void stop() {
        server.close();
    }

    private static String first(String page, String pattern) {
        Matcher matcher = Pattern.compile(pattern).matcher(page);
        assertThat(matcher.find()).as(pattern).isTrue();
        return matcher.group(1);
    }

    private static long millis(String path) throws Exception {
        long start = System.nanoTime();
        assertThat(server.get(path).statusCode()).isEqualTo(200);
        return Duration.ofNanos(System.nanoTime() - start).toMillis();
    }

    private static Socket announcing(String head) throws IOException {
        Socket socket = new Socket("127.0.0.1", server.port());
        socket.getOutputStream().write(head.getBytes(StandardCharsets.US_ASCII));
        socket.getOutputStream().flush();
        return socket;
    }

    /** Bodies that are announced and never sent. */
    @Test
    @Timeout(60)
    void connectionsThatSendNothingStopNobody() throws Exception {
        List<Socket> silent = new ArrayList<>();
        try {
            for (int i = 0; i < 300; i++) {
                silent.add(announcing("POST /designs/" + design + "/edits HTTP/1.1\r\nHost: 127.0.0.1:" + server.port()
                        + "\r\nContent-Type: application/x-www-form-urlencoded\r\nContent-Length: 100000\r\n\r\n"
                        + "kind=entity.add"));
            }
            for (int i = 0; i < 5; i++) {
                assertThat(millis("/designs/" + design)).isLessThan(10_000);
            }
            InputStream answer = silent.getFirst().getInputStream();
            silent.getFirst().setSoTimeout(40_000);
            byte[] head = answer.readNBytes(12);
            assertThat(new String(head, StandardCharsets.US_ASCII)).as("it is given up after a while").satisfiesAnyOf(
                    text -> assertThat(text).isEmpty(), text -> assertThat(text).startsWith("HTTP/1.1 4"));
        } finally {
            for (Socket socket : silent) {
                socket.close();
            }
        }
    }

    /** More streams than there may be windows, all closed without a word; another window still hears of edits. */
    @Test
    @Timeout(90)
    void eventStreamsThatAreClosedMakeRoom() throws Exception {
        for (int round = 0; round < 2; round++) {
            List<Socket> streams = new ArrayList<>();
            for (int i = 0; i < 400; i++) {
                streams.add(announcing("GET /designs/" + design + "/events HTTP/1.1\r\nHost: 127.0.0.1:" + server.port()
                        + "\r\n\r\n"));
            }
            Thread.sleep(500);
            for (Socket stream : streams) {
                stream.close();
            }
        }
        Thread.sleep(11_000);
        try (Socket window = announcing(
                "GET /designs/" + design + "/events HTTP/1.1\r\nHost: 127.0.0.1:" + server.port() + "\r\n\r\n")) {
            window.setSoTimeout(5_000);
            StringBuilder heard = new StringBuilder();
            InputStream in = window.getInputStream();
            while (!heard.toString().contains("data:")) {
                heard.append((char) in.read());
            }
            heard.setLength(0);
            assertThat(server.post("/designs/" + design + "/edits", "kind", "entity.meaning", "entity", entity, "value",
                    "told", "seen", "0", "lens", "concept").statusCode()).isEqualTo(200);
            while (!heard.toString().contains("data:")) {
                int sign = in.read();
                assertThat(sign).isNotNegative();
                heard.append((char) sign);
            }
        }
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|',
            value = {"/designs/%s/edits | application/x-www-form-urlencoded | kind=%%zz&seen=x | 400",
                    "/designs/%s/edits | application/json | {\"kind\": | 400",
                    "/designs/%s/edits | text/plain | kind=entity.add | 400",
                    "/designs/%s/pictures | multipart/form-data | no boundary | 400",
                    "/designs/%s/pictures | multipart/form-data; boundary=x | --x | 400",
                    "/read | multipart/form-data; boundary=x | --x--garbage | 400",
                    "/designs/%s/edits | application/x-www-form-urlencoded | kind=no.such.kind&seen=0 | 400",
                    "/designs/%s/edits | application/x-www-form-urlencoded | kind=cards.place&seen=0&value=zz | 400",
            "/designs/nosuch/edits | application/x-www-form-urlencoded | kind=entity.add&seen=0 | 404"})
    void malformedBodiesAreTheSendersFault(String path, String type, String body, int status) throws Exception {
        HttpResponse<
                String> answer =
                        HttpClient.newHttpClient()
                                .send(server.request(path.formatted(design)).header("Content-Type", type)
                                        .POST(HttpRequest.BodyPublishers.ofString(body)).build(),
                                        BodyHandlers.ofString());
        assertThat(answer.statusCode()).as(answer.body()).isBetween(400, 499);
        assertThat(answer.statusCode()).as(answer.body()).isIn(status, 415, 413);
        assertThat(answer.body()).doesNotContain("Exception").doesNotContain("\"timestamp\"");
    }

    /** From a page of another port of this machine, of another site, and with a cookie that such a page has set. */
    @Test
    void otherOriginsChangeNothing() throws Exception {
        HttpClient client = HttpClient.newHttpClient();
        String form = "kind=entity.meaning&entity=" + entity + "&value=from+elsewhere&seen=0&lens=concept";
        for (String[] header : new String[][] {{"Origin", "http://127.0.0.1:9"},
                {"Origin", "http://localhost:" + server.port()}, {"Origin", "null"},
                {"Origin", "https://127.0.0.1:" + server.port()},
            {"Sec-Fetch-Site", "cross-site"}, {"Sec-Fetch-Site", "same-site"}}) {
            HttpResponse<String> answer = client.send(server.request("/designs/" + design + "/edits")
                    .header(header[0], header[1]).header("Content-Type", "application/x-www-form-urlencoded")
                    .POST(HttpRequest.BodyPublishers.ofString(form)).build(), BodyHandlers.ofString());
            assertThat(answer.statusCode()).as("%s: %s", header[0], header[1]).isEqualTo(403);
        }
        HttpResponse<String> own = client.send(server.request("/designs/" + design + "/edits")
                .header("Origin", server.address()).header("Sec-Fetch-Site", "same-origin")
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(form)).build(), BodyHandlers.ofString());
        assertThat(own.statusCode()).isEqualTo(200);
        HttpRequest planted =
                HttpRequest.newBuilder(java.net.URI.create(server.address() + "/designs/" + design + "/edits"))
                        .header("Content-Type", "application/x-www-form-urlencoded")
                        .header("Cookie", "XSRF-TOKEN=a; entaxis-session=" + "A".repeat(43)).header("X-XSRF-TOKEN", "a")
                        .POST(HttpRequest.BodyPublishers.ofString(form)).build();
        assertThat(client.send(planted, BodyHandlers.ofString()).statusCode()).isEqualTo(403);
        assertThat(client.send(HttpRequest.newBuilder(java.net.URI.create(server.address() + "/")).build(),
                BodyHandlers.ofString()).headers().firstValue("Set-Cookie").orElseThrow())
                .contains("HttpOnly", "SameSite=Lax");
    }

    /** Two windows change one field from the same revision: the second is told, and may still do it. */
    @Test
    void theSecondOfTwoEditsOfOneFieldIsTold() throws Exception {
        String page = server.page("/designs/" + design);
        String seen = first(page, "data-revision=\"(\\d+)");
        String[] fields = {"kind", "entity.meaning", "entity", entity, "seen", seen, "lens", "concept"};
        assertThat(server.post("/designs/" + design + "/edits", with(fields, "value", "of the first", "window", "one"))
                .statusCode()).isEqualTo(200);
        HttpResponse<String> second =
                server.post("/designs/" + design + "/edits", with(fields, "value", "of the second", "window", "two"));
        assertThat(second.statusCode()).isEqualTo(422);
        assertThat(second.body()).contains("of the first", "Send yours again");
        assertThat(server
                .post("/designs/" + design + "/edits", with(fields, "value", "of the first, again", "window", "one"))
                .statusCode()).as("its own edit is in nobody's way").isEqualTo(200);
        fields[5] = first(server.page("/designs/" + design), "data-revision=\"(\\d+)");
        assertThat(server.post("/designs/" + design + "/edits", with(fields, "value", "of the second", "window", "two"))
                .statusCode()).isEqualTo(200);
        String name = first(server.page("/designs/" + design), "data-revision=\"(\\d+)");
        fields[5] = name;
        assertThat(server.post("/designs/" + design + "/edits",
                with(new String[] {"kind", "entity.name", "entity", entity, "seen", name, "lens", "concept"}, "value",
                        "Renamed", "window", "one"))
                .statusCode()).isEqualTo(200);
        assertThat(server.post("/designs/" + design + "/edits", with(fields, "value", "another field", "window", "two"))
                .statusCode()).as("another field of the same entity").isEqualTo(200);
    }

    private static String[] with(String[] fields, String... more) {
        return java.util.stream.Stream.concat(java.util.Arrays.stream(fields), java.util.Arrays.stream(more))
                .toArray(String[]::new);
    }
}
