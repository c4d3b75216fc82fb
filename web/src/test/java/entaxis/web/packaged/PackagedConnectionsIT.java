package entaxis.web.packaged;

import static org.assertj.core.api.Assertions.assertThat;

import ch.vorburger.exec.ManagedProcessException;
import entaxis.engines.catalog.RealMariaDb;
import entaxis.web.packaged.PackagedServer.Ended;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.File;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Live databases, as the packaged application reaches them: with its own drivers and nothing of the tests' class path.
 */
class PackagedConnectionsIT {
    private static final String PASSWORD = "bell-heather-93";
    private static final Pattern FINGERPRINT = Pattern.compile("&quot;shown&quot;:&quot;(-?\\d+)&quot;");
    private static EmbeddedPostgres postgres;
    private static RealMariaDb mariadb;
    private static PackagedServer server;
    private static Path data;

    @BeforeAll
    static void start() throws Exception {
        data = Files.createTempDirectory(Files.createDirectories(Path.of("target/it")), "connections").toAbsolutePath();
        postgres =
                EmbeddedPostgres.builder().setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile()).start();
        mariadb = new RealMariaDb("mariadb-packaged");
        String address = "jdbc:postgresql://127.0.0.1:" + postgres.getPort() + "/vault";
        try (Connection connection = postgres.getPostgresDatabase().getConnection();
                Statement statement = connection.createStatement()) {
            statement.execute("create role keeper login password '" + PASSWORD + "'");
            statement.execute("create database vault owner keeper");
        }
        tables(DriverManager.getConnection(address, "keeper", PASSWORD));
        tables(mariadb.fresh("vault"));
        tables(DriverManager.getConnection("jdbc:sqlite:" + data.resolve("field.db")));
        tables(DriverManager.getConnection("jdbc:h2:" + data.resolve("site"), "keeper", PASSWORD));
        tables(DriverManager.getConnection("jdbc:duckdb:" + data.resolve("lab.duckdb")));
        Files.writeString(data.resolve("connections.properties"), """
                vault.url = %s
                vault.user = keeper
                vault.password-variable = VAULT_PASSWORD
                greenhouse.url = jdbc:mysql://127.0.0.1:%d/vault
                greenhouse.engine = mariadb
                greenhouse.user = root
                field.url = jdbc:sqlite:%s
                lab.url = jdbc:duckdb:%s
                site.url = jdbc:h2:%s
                site.user = keeper
                site.password = %s
                lost.url = jdbc:h2:%s
                lost.user = keeper
                lost.password = wrong-%s
                """.formatted(address, mariadb.port(), data.resolve("field.db"), data.resolve("lab.duckdb"),
                data.resolve("site"), PASSWORD,
                data.resolve("site"), PASSWORD));
        Files.setPosixFilePermissions(data.resolve("connections.properties"),
                PosixFilePermissions.fromString("rw-------"));
        server = PackagedServer.start(data, Map.of("VAULT_PASSWORD", PASSWORD));
        server.page("/");
    }

    private static void tables(Connection opened) throws SQLException {
        try (Connection connection = opened; Statement statement = connection.createStatement()) {
            statement.execute("create table shelf (code char(2) not null primary key, label varchar(30) not null)");
            statement.execute(
                    "create table slot (slot_no integer not null primary key, code char(2) not null references shelf "
                            + "(code))");
            statement.execute("insert into shelf values ('A1', 'cold')");
        }
    }

    @AfterAll
    static void stop() throws IOException, ManagedProcessException {
        server.close();
        mariadb.close();
        postgres.close();
    }

    @ParameterizedTest
    @ValueSource(strings = {"vault", "greenhouse", "field", "lab", "site"})
    void aDatabaseIsReadComparedChangedAndComparedAgain(String name) throws Exception {
        String tried = server.post("/read/database/try", "connection", name).body();
        assertThat(tried).contains("Catalog", "2 tables can be read").doesNotContain("✗");
        String read = server.followed(server.post("/read/database", "connection", name));
        assertThat(read).contains("shelf", "slot");
        String token = found(Pattern.compile("action=\"(/read/x[0-9a-z]+)\""), read);
        HttpResponse<String> made = server.post(token, "name", "Read of " + name, "tables", "shelf", "tables", "slot");
        String desk = server.followed(made);
        String design = found(Pattern.compile("data-design=\"(d[0-9a-z]+)\""), desk);
        String side = "database:" + name;
        String base = "/designs/" + design + "/reconcile";
        assertThat(compared(base, side)).contains("all alike");

        String shelf = found(Pattern.compile("data-select=\"(e[0-9a-z]+)\"[^>]*>(?i:shelf)"), desk);
        HttpResponse<String> added = server.post("/designs/" + design + "/edits", "kind", "attribute.add", "owner",
                shelf, "value", "cooled_to integer not null default 4", "seen", "0", "lens", "concept");
        assertThat(added.statusCode()).isEqualTo(200);
        assertThat(compared(base, side)).contains("cooled_to");
        String decided = server.post(base + "/decide", "side", side, "choice", "WANTED").body();
        HttpResponse<String> run = server.post(base + "/run", "side", side, "shown", found(FINGERPRINT, decided));
        assertThat(run.statusCode()).isEqualTo(200);
        assertThat(compared(base, side)).contains("all alike");

        Path script = Files.writeString(data.resolve(name + ".sql"),
                "create table shelf (code char(2) not null primary key, label varchar(30) not null);");
        Ended check = PackagedServer.command("reconcile", name, script.toString(), "--engine",
                name.equals("vault") ? "postgresql" : name.equals("greenhouse") ? "mariadb"
                        : name.equals("field") ? "sqlite" : name.equals("lab") ? "duckdb" : "h2",
                "--check", "--data", data.toString());
        assertThat(check.code()).as(check.err()).isEqualTo(1);
        assertThat(check.out()).contains("cooled_to").contains("slot");
        assertThat(check.out() + check.err() + tried + read + decided + run.body()).doesNotContain(PASSWORD);
    }

    private static String compared(String base, String side) throws Exception {
        HttpResponse<String> answer = server.get(base + "?side=" + side.replace(" ", "+") + "&again=true");
        return answer.headers().firstValue("Location").isPresent() ? server.followed(answer) : answer.body();
    }

    @Test
    void aWrongPasswordIsToldAsSuchAndNeverShown() throws Exception {
        String tried = server.post("/read/database/try", "connection", "lost").body();
        assertThat(tried).contains("Sign-in", "Check the account").doesNotContain(PASSWORD);
        assertThat(server.get("/read").body()).contains("lost").doesNotContain(PASSWORD);
        assertThat(Files.readString(PackagedServer.LOG)).doesNotContain(PASSWORD);
    }

    /** The driver of every engine comes along in the package. */
    @Test
    void aDriverOfEveryEngineIsInThePackage() {
        assertThat(PackagedServer.APP.resolve("lib").toFile().list())
                .extracting(file -> file.replaceFirst("-[0-9].*", ""))
                .contains("postgresql", "mariadb-java-client", "sqlite-jdbc", "h2", "mssql-jdbc", "ojdbc11");
    }

    private static String found(Pattern pattern, String text) {
        Matcher matcher = pattern.matcher(text);
        assertThat(matcher.find()).as("%s in %s", pattern, text.substring(0, Math.min(3000, text.length()))).isTrue();
        return matcher.group(1);
    }
}
