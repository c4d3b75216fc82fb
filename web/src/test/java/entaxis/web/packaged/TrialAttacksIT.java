package entaxis.web.packaged;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.Timeout;

/**
 * SQL of users that is meant to run programs, read files or take all there is, through every door by which SQL comes
 * in; with the packaged application.
 */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class TrialAttacksIT {
    private static final String RUNS_AWAY = "select regexp_like(repeat('a', 60) || '!', '^(a+)+\\1$')";
    private static PackagedServer server;
    private static Path canary;
    private static String vault;
    private static String sheet;

    @BeforeAll
    static void start() throws Exception {
        Path data =
                Files.createTempDirectory(Files.createDirectories(Path.of("target/it")), "attacks").toAbsolutePath();
        canary = data.resolve("canary");
        server = PackagedServer.start(data, "--entaxis.trial.statement-time=1s");
        Matcher designs = Pattern.compile("id=\"card-(d[0-9a-z]+)\"").matcher(server.page("/"));
        assertThat(designs.find()).isTrue();
        vault = designs.group(1);
        assertThat(designs.find()).isTrue();
        sheet = designs.group(1);
        server.page("/designs/" + vault);
    }

    @AfterAll
    static void stop() {
        server.close();
    }

    private static String ask(String design, String question) throws Exception {
        return server.post("/designs/" + design + "/trial/query", "question", question).body();
    }

    private static String first(String page, String pattern) {
        Matcher matcher = Pattern.compile(pattern).matcher(page);
        assertThat(matcher.find()).as("%s in %s", pattern, page.substring(0, Math.min(2000, page.length()))).isTrue();
        return matcher.group(1);
    }

    @Test
    @Order(1)
    void questionsMeetTheirLimitsAndSayWhich() throws Exception {
        assertThat(ask(vault, RUNS_AWAY)).contains("longer than the one second");
        assertThat(ask(vault, "select length(repeat('a', 1000000000))")).contains("128 MB of memory");
        assertThat(ask(vault, "select rpad('a', 2000000000, 'b')")).containsAnyOf("128 MB of memory", "longer than");
        assertThat(ask(vault, "select cast(1e99999999 as numeric(100000))")).containsAnyOf("longer than",
                "MB of memory");
        String large = ask(vault, "select repeat('ab', 900) from system_range(1, 100000)");
        assertThat(large).hasSizeLessThan(4_000_000).contains("at most 500 rows or 1 MB");
        assertThat(ask(vault, "select file_write('x', '" + canary + "')")).contains("rights");
        assertThat(ask(vault, "select count(*) from taxon")).contains("1 row");
    }

    /**
     * One design's trial runs away again and again; other designs and all pages are served meanwhile, and 200 who wait
     * stop nobody.
     */
    @Test
    @Order(2)
    @Timeout(120)
    void oneRunawayStopsNobodyElse() throws Exception {
        AtomicInteger served = new AtomicInteger();
        List<Thread> crowd = new ArrayList<>();
        for (int i = 0; i < 200; i++) {
            crowd.add(Thread.ofVirtual().start(() -> {
                try {
                    if (server.post("/designs/" + vault + "/trial/query", "question", RUNS_AWAY).statusCode() == 200) {
                        served.incrementAndGet();
                    }
                } catch (Exception e) {
                    Thread.currentThread().interrupt();
                }
            }));
        }
        Thread.sleep(500);
        for (int i = 0; i < 3; i++) {
            long start = System.nanoTime();
            assertThat(server.get("/designs/" + vault).statusCode()).isEqualTo(200);
            assertThat(ask(sheet, "select 1 + 1 as two")).contains("TWO");
            assertThat(Duration.ofNanos(System.nanoTime() - start)).isLessThan(Duration.ofSeconds(12));
        }
        for (Thread one : crowd) {
            one.join();
        }
        assertThat(served).hasValue(200);
    }

    /**
     * Scripts that are read in, with expressions that would run a program where the engine has rights: nothing is
     * made, nothing runs.
     */
    @Test
    @Order(3)
    void importedScriptsRunNothing() throws Exception {
        String script = """
                CREATE TABLE bait (id integer PRIMARY KEY,
                  a integer DEFAULT (SELECT count(*) FROM LINK_SCHEMA('A', 'org.h2.Driver', \
                  'jdbc:h2:mem:zz;INIT=CREATE ALIAS RUN AS ''int run() throws Exception { \
                  Runtime.getRuntime().exec("touch %1$s"); return 1; }''\\;CALL RUN()', 'sa', '', 'PUBLIC')),
                  b varchar(20) DEFAULT FILE_WRITE('x', '%1$s'),
                  c integer CHECK (c < (SELECT length(FILE_READ('/etc/passwd')))));
                """.formatted(canary);
        HttpResponse<String> read = server.post("/read", "engine", "H2", "script", script);
        String kept = read.statusCode() == 302 ? server.followed(read) : upload(script);
        String token = first(kept, "action=\"(/read/x[0-9a-z]+)\"");
        String desk = server.followed(server.post(token, "name", "Bait", "tables", "bait"));
        String design = first(desk, "data-design=\"(d[0-9a-z]+)\"");
        server.post("/designs/" + design + "/trial/run");
        String answered = server
                .post("/designs/" + design + "/trial/rows", "table",
                        first(server.get("/designs/" + design + "/trial").body(), "value=\"(e[0-9a-z]+)\""), "v.x", "1")
                .body();
        assertThat(answered).doesNotContain("Whitelabel");
        ask(design, "insert into bait (id) values (1)");
        String rehearsed =
                server.post("/designs/" + design + "/reconcile/rehearse", "side", "database:Fenmoor site").body();
        assertThat(rehearsed).doesNotContain("root:x:");
        server.post("/designs/" + design + "/reconcile/fill", "side", "database:Fenmoor site", "key", "taxon.code",
                "value", "1; CREATE ALIAS X AS 'int x() { return 1; }'");
        assertThat(canary).doesNotExist();
        savedDesignsRunNothing(server.get("/designs/" + design + "/design.json").body());
    }

    /** The same design as a saved file, in which moreover one expression goes on with statements of its own. */
    private static void savedDesignsRunNothing(String saved) throws Exception {
        assertThat(saved).contains("FILE_WRITE");
        String onward = saved.replaceFirst("FILE_WRITE\\('x', '[^']*'\\)", Matcher.quoteReplacement(
                "1); CREATE ALIAS X AS 'int x() { return 1; }'; SELECT FILE_WRITE('x', '" + canary + "'"));
        assertThat(onward).isNotEqualTo(saved);
        for (String file : List.of(saved, onward)) {
            HttpResponse<String> opened =
                    file("/open", "bait.json", file.getBytes(java.nio.charset.StandardCharsets.UTF_8));
            if (opened.statusCode() == 302) {
                String design = first(server.followed(opened), "data-design=\"(d[0-9a-z]+)\"");
                assertThat(server.post("/designs/" + design + "/trial/run").statusCode()).isEqualTo(200);
                ask(design, "insert into bait (id) values (1)");
                assertThat(server.post("/designs/" + design + "/reconcile/rehearse", "side", "database:Fenmoor site")
                        .body()).doesNotContain("root:x:");
            } else {
                assertThat(opened.body()).contains("bait.json");
            }
            assertThat(canary).doesNotExist();
        }
    }

    private static String upload(String script) throws Exception {
        String body =
                "--x\r\nContent-Disposition: form-data; name=\"engine\"\r\n\r\nH2\r\n--x\r\nContent-Disposition: "
                        + "form-data; name=\"file\"; filename=\"bait.sql\"\r\n\r\n"
                        + script + "\r\n--x--\r\n";
        return server.followed(java.net.http.HttpClient.newHttpClient()
                .send(server.request("/read").header("Content-Type", "multipart/form-data; boundary=x")
                        .POST(java.net.http.HttpRequest.BodyPublishers.ofString(body)).build(),
                        java.net.http.HttpResponse.BodyHandlers.ofString()));
    }

    /** Cells of a sheet that look like SQL are texts in the rows that they become. */
    @Test
    @Order(4)
    void sheetsThatAreBroughtInRunNothing() throws Exception {
        String csv = "name,note\r\n\"'||FILE_WRITE('x','" + canary
                + "')||'\",\"row(1); CREATE ALIAS X AS 'int x() { return 1; }'\"\r\n=cmd|' /C calc'!A0,\"\\'); DROP "
                + "TABLE z; --\"\r\n";
        HttpResponse<String> brought =
                file("/designs/" + sheet + "/flat", "bait.csv", csv.getBytes(java.nio.charset.StandardCharsets.UTF_8));
        assertThat(brought.headers().firstValue("HX-Redirect")).as(brought.body()).isPresent();
        java.io.ByteArrayOutputStream book = new java.io.ByteArrayOutputStream();
        try (var workbook = new org.apache.poi.xssf.usermodel.XSSFWorkbook()) {
            var rows = workbook.createSheet("bait 2");
            rows.createRow(0).createCell(0).setCellValue("label");
            rows.createRow(1).createCell(0).setCellValue("'||FILE_WRITE('x','" + canary + "')||'");
            workbook.write(book);
        }
        HttpResponse<String> second = file("/designs/" + sheet + "/flat", "bait2.xlsx", book.toByteArray());
        assertThat(second.headers().firstValue("HX-Redirect")).as(second.body()).isPresent();
        server.page("/designs/" + sheet);
        assertThat(server.post("/designs/" + sheet + "/trial/run").statusCode()).isEqualTo(200);
        assertThat(ask(sheet, "select label from bait2")).contains("FILE_WRITE");
        server.post("/designs/" + sheet + "/reconcile/rehearse", "side", "database:Fenmoor site");
        assertThat(canary).doesNotExist();
    }

    private static HttpResponse<String> file(String path, String name, byte[] content) throws Exception {
        byte[] head =
                ("--x\r\nContent-Disposition: form-data; name=\"x\"\r\n\r\n10\r\n--x\r\nContent-Disposition: form-data;"
                        + " name=\"y\"\r\n\r\n10\r\n--x\r\nContent-Disposition: form-data; name=\"seen\"\r\n\r\n0\r\n"
                        + "--x\r\nContent-Disposition: form-data; name=\"file\"; filename=\"" + name + "\"\r\n\r\n")
                        .getBytes(java.nio.charset.StandardCharsets.UTF_8);
        return java.net.http.HttpClient.newHttpClient().send(
                server.request(path).header("Content-Type", "multipart/form-data; boundary=x")
                        .header("HX-Request", "true")
                        .POST(java.net.http.HttpRequest.BodyPublishers.ofByteArrays(List.of(head, content,
                                "\r\n--x--\r\n".getBytes(java.nio.charset.StandardCharsets.UTF_8))))
                        .build(),
                java.net.http.HttpResponse.BodyHandlers.ofString());
    }

    /** Defaults and conditions that end a statement are refused where they are typed. */
    @Test
    @Order(4)
    void typedExpressionsAreSingleOnes() throws Exception {
        String page = server.page("/designs/" + vault);
        String entity = first(page, "data-select=\"(e[0-9a-z]+)");
        String seen = first(page, "data-revision=\"(\\d+)");
        for (String line : List.of("x integer default 1; drop table taxon",
                "x integer check (1 = 1)); drop table taxon; --",
                "x varchar(20) default 'a' || (select 'b'; select 'c')")) {
            HttpResponse<String> answer = server.post("/designs/" + vault + "/edits", "kind", "attribute.add", "owner",
                    entity, "value", line, "seen", seen, "lens", "concept");
            assertThat(answer.statusCode()).as(line).isEqualTo(422);
        }
        HttpResponse<String> fill = server.post("/designs/" + vault + "/reconcile/fill", "side",
                "database:Fenmoor site", "key", "taxon.code", "value", "1; DROP TABLE taxon");
        assertThat(fill.body()).contains("is no single expression");
    }

    /** Processes of trials that are killed from outside: told, made again, and nothing is lost of the design. */
    @Test
    @Order(5)
    @Timeout(200)
    void killedTrialsAreMadeAgain() throws Exception {
        String revision = first(server.page("/designs/" + vault), "data-revision=\"(\\d+)");
        int kills = Integer.getInteger("entaxis.trial.kills", 8);
        for (int i = 0; i < kills; i++) {
            Thread asking = Thread.ofVirtual().start(() -> {
                try {
                    ask(vault, "select count(*) from system_range(1, 200000000)");
                } catch (Exception e) {
                    Thread.currentThread().interrupt();
                }
            });
            Thread.sleep(150 + i * 37 % 300);
            server.process().descendants().forEach(ProcessHandle::destroyForcibly);
            asking.join();
            assertThat(ask(vault, "select count(*) from taxon")).contains("1 row");
        }
        assertThat(first(server.page("/designs/" + vault), "data-revision=\"(\\d+)")).isEqualTo(revision);
    }

    /** A crowd at a runaway trial does not keep the server from ending when it is asked to. */
    @Test
    @Order(6)
    @Timeout(60)
    void itEndsWhenItIsAskedTo() throws Exception {
        for (int i = 0; i < 200; i++) {
            Thread.ofVirtual().start(() -> {
                try {
                    ask(vault, RUNS_AWAY);
                } catch (Exception ended) {
                    Thread.currentThread().interrupt();
                }
            });
        }
        Thread.sleep(700);
        List<ProcessHandle> children = server.process().descendants().toList();
        server.stop();
        TimeUnit.SECONDS.sleep(1);
        assertThat(children.stream().filter(ProcessHandle::isAlive)).isEmpty();
        assertThat(canary).doesNotExist();
    }
}
