package entaxis.web;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.web.demo.SeedVault;
import entaxis.web.store.DesignStore;
import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Bad input over HTTP is refused with a plain word and changes nothing. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = "spring.datasource.url=jdbc:h2:mem:refusal;DB_CLOSE_DELAY=-1")
class RefusalTest {
    private static final Pattern TOKEN = Pattern.compile("X-XSRF-TOKEN&quot;:&quot;([^&]+)&quot;");

    private static final List<String> FIELDS = List.of("area", "beside", "by", "card", "cards", "chosen", "choice",
            "dots", "engine", "finding", "format", "from", "group", "ids", "key", "kind", "leaf", "lens", "level",
            "line",
            "lines", "name", "path", "paper", "q", "question", "remedy", "row", "script", "seen", "sel", "sheet",
            "show",
            "shown", "side", "size", "steps", "table", "target", "text", "to", "value", "version", "what", "words", "x",
            "y");

    @LocalServerPort
    private int port;
    @Autowired
    private DesignStore store;
    @Autowired
    private RequestMappingHandlerMapping mappings;

    private final HttpClient client = HttpClient.newHttpClient();
    private String id;
    private String cookie;
    private String token;

    @BeforeEach
    void openPage() throws Exception {
        id = store.create(SeedVault.design());
        HttpResponse<String> page =
                client.send(HttpRequest.newBuilder(uri("/designs/" + id)).build(), BodyHandlers.ofString());
        cookie = page.headers().firstValue("Set-Cookie").orElseThrow().split(";")[0];
        Matcher matcher = TOKEN.matcher(page.body());
        assertThat(matcher.find()).isTrue();
        token = matcher.group(1);
    }

    private URI uri(String path) {
        return URI.create("http://127.0.0.1:" + port + path);
    }

    private HttpResponse<String> post(String path, String body) throws IOException, InterruptedException {
        return client.send(HttpRequest.newBuilder(uri(path)).header("Content-Type", "application/x-www-form-urlencoded")
                .header("Cookie", cookie)
                .header("X-XSRF-TOKEN", token).header("HX-Request", "true")
                .POST(HttpRequest.BodyPublishers.ofString(body)).build(), BodyHandlers.ofString());
    }

    private static String form(String... fields) {
        StringBuilder body = new StringBuilder();
        for (int i = 0; i < fields.length; i += 2) {
            body.append(i == 0 ? "" : "&").append(fields[i]).append('=')
                    .append(URLEncoder.encode(fields[i + 1], StandardCharsets.UTF_8));
        }
        return body.toString();
    }

    private void refused(HttpResponse<String> response, int status) {
        assertThat(response.statusCode()).isEqualTo(status);
        assertThat(response.body()).doesNotContain("Exception").doesNotContain("at entaxis");
        assertThat(store.open(id).revision()).isZero();
    }

    /** Whatever a parameter holds, wherever it is sent: no request makes a fault of the application. */
    @ParameterizedTest
    @ValueSource(strings = {"", "e99", "NaN"})
    void noRequestIsAFault(String value) throws Exception {
        List<String> faults = new ArrayList<>();
        for (RequestMappingInfo mapping : mappings.getHandlerMethods().keySet()) {
            for (String pattern : mapping.getPatternValues()) {
                boolean post = mapping.getMethodsCondition().getMethods().contains(RequestMethod.POST);
                if (pattern.endsWith("/events") || pattern.equals("/error")) {
                    continue;
                }
                String path = pattern.replace("{id}", id).replaceAll("\\{[^}]*}", "x1");
                String fields = form(FIELDS.stream().flatMap(name -> Stream.of(name, value)).toArray(String[]::new));
                HttpResponse<String> answer = post ? post(path, fields)
                        : client.send(HttpRequest.newBuilder(uri(path + "?" + fields)).build(),
                                BodyHandlers.ofString());
                if (answer.statusCode() == 500) {
                    faults.add((post ? "POST " : "GET ") + path);
                }
                if (post) {
                    openPage();
                }
            }
        }
        assertThat(faults).isEmpty();
    }

    @Test
    void aPlainEditIsKept() throws Exception {
        assertThat(post("/designs/" + id + "/edits",
                form("kind", "entity.name", "entity", "e2", "value", "Plant", "seen", "0")).statusCode())
                .isEqualTo(200);
        assertThat(store.open(id).revision()).isEqualTo(1);
    }

    @ParameterizedTest
    @CsvSource({"entity.name,e999999,0,422", "entity.name,nonsense!,0,400", "no.such.kind,e2,0,400",
            "entity.name,e2,5,400", "entity.name,e2,-1,400", "entity.name,e2,x,400",
            "relationship.many,e2,0,422", "sheet.notation,e2,0,400", "category.complete,e2,0,400",
            "cards.place,e2,0,400", "facts.target,e2,0,400", "attribute.key,e2,0,422", "relationship.column,e2,0,400"})
    void unknownIdentitiesKindsAndRevisions(String kind, String entity, String seen, int status) throws Exception {
        refused(post("/designs/" + id + "/edits", form("kind", kind, "entity", entity, "value", "Plant", "seen", seen)),
                status);
    }

    @Test
    void anEditOfAnOlderRevisionIsAppliedIfItCanBeAndElseSaysWhatHappened() throws Exception {
        post("/designs/" + id + "/edits", form("kind", "entity.remove", "entity", "e2", "seen", "0"));
        HttpResponse<String> late = post("/designs/" + id + "/edits",
                form("kind", "entity.name", "entity", "e2", "value", "Plant", "seen", "0"));
        assertThat(late.statusCode()).isEqualTo(422);
        assertThat(late.body()).contains("no longer there").contains("moved on meanwhile, to revision 1");
        HttpResponse<String> other = post("/designs/" + id + "/edits",
                form("kind", "entity.name", "entity", "e7", "value", "Gatherer", "seen", "0"));
        assertThat(other.statusCode()).isEqualTo(200);
        assertThat(store.open(id).revision()).isEqualTo(2);
    }

    @Test
    void hugeBodies() throws Exception {
        HttpResponse<String> response = post("/designs/" + id + "/edits",
                form("kind", "attribute.add", "owner", "e2", "seen", "0", "value", "x".repeat(5_000_000)));
        assertThat(response.statusCode()).isBetween(400, 499);
        assertThat(store.open(id).revision()).isZero();
        refused(post("/designs/" + id + "/edits",
                form("kind", "entity.meaning", "entity", "e2", "seen", "0", "value", "x".repeat(100_000))), 422);
        refused(post("/designs/" + id + "/edits",
                form("kind", "attribute.add", "owner", "e2", "seen", "0", "value", "a ".repeat(300_000))), 422);
    }

    @Test
    void scriptInANameIsText() throws Exception {
        String name = "<script>alert(1)</script><img src=x onerror=alert(1)>";
        HttpResponse<String> response = post("/designs/" + id + "/edits", form("kind", "entity.name", "entity", "e2",
                "value", name, "seen", "0", "sel", "e2", "lens", "concept"));
        assertThat(response.statusCode()).isEqualTo(200);
        assertThat(response.body()).contains("&lt;script&gt;").doesNotContain("<script>alert")
                .doesNotContain("<img src=x");
        String selected = client.send(HttpRequest
                .newBuilder(uri("/designs/" + id + "?sel=%22%3E%3Cscript%3Ealert(1)%3C/script%3E&lens=%3Cscript%3E"))
                .build(), BodyHandlers.ofString()).body();
        assertThat(selected).doesNotContain("<script>alert");
    }

    @Test
    void aRequestWithoutTheTokenOrUnderAnotherNameOrFromNowhere() throws Exception {
        HttpResponse<String> forged = client.send(
                HttpRequest.newBuilder(uri("/designs/" + id + "/edits"))
                        .header("Content-Type", "application/x-www-form-urlencoded")
                        .header("Cookie", cookie)
                        .POST(HttpRequest.BodyPublishers
                                .ofString(form("kind", "entity.remove", "entity", "e2", "seen", "0")))
                        .build(),
                BodyHandlers.ofString());
        refused(forged, 403);
        try (Socket socket = new Socket("127.0.0.1", port)) {
            socket.getOutputStream().write("GET / HTTP/1.1\r\nHost: elsewhere.example\r\nConnection: close\r\n\r\n"
                    .getBytes(StandardCharsets.US_ASCII));
            assertThat(new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8))
                    .startsWith("HTTP/1.1 400").doesNotContain("Designs");
        }
        assertThat(client.send(HttpRequest.newBuilder(uri("/designs/dnothing")).build(), BodyHandlers.ofString())
                .statusCode()).isEqualTo(404);
        assertThat(client.send(HttpRequest.newBuilder(uri("/nothing")).build(), BodyHandlers.ofString()).statusCode())
                .isEqualTo(404);
    }

    @Test
    void everyPageForbidsScriptsFromElsewhere() throws Exception {
        for (String path : new String[] {"/", "/designs/" + id, "/designs/" + id + "/sql",
                "/designs/" + id + "/trial"}) {
            HttpResponse<String> page = client.send(HttpRequest.newBuilder(uri(path)).build(), BodyHandlers.ofString());
            assertThat(page.headers().firstValue("Content-Security-Policy")).hasValueSatisfying(
                    policy -> assertThat(policy).contains("script-src 'self'").doesNotContain("unsafe"));
            assertThat(page.body()).doesNotContainPattern("(src|href)=\"https?:").doesNotContain(" style=\"");
        }
    }
}
