package entaxis.web.packaged;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.web.packaged.PackagedServer.Ended;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/**
 * Backups, looking through a store, and what is said of stores that cannot be opened; all with the packaged
 * application.
 */
class StoreCommandsIT {
    private static Path fresh(String name) throws Exception {
        return Files.createTempDirectory(Files.createDirectories(Path.of("target/it")), name).toAbsolutePath();
    }

    private static String first(String page, String pattern) {
        var matcher = java.util.regex.Pattern.compile(pattern).matcher(page);
        assertThat(matcher.find()).as(pattern).isTrue();
        return matcher.group(1);
    }

    @Test
    void aBackupOfARunningStoreIsWholeAndComesBack() throws Exception {
        Path data = fresh("backup");
        Path backup = fresh("kept").resolve("vault's.zip");
        String design;
        long revision;
        try (PackagedServer server = PackagedServer.start(data)) {
            design = first(server.page("/"), "/designs/(d[0-9a-z]+)\"");
            String page = server.page("/designs/" + design);
            String entity = first(page, "data-select=\"(e[0-9a-z]+)");
            for (int i = 0; i < 12; i++) {
                assertThat(server.post("/designs/" + design + "/edits", "kind", "entity.meaning", "entity", entity,
                        "value", "Meaning " + i, "seen", "" + i, "lens", "concept").statusCode()).isEqualTo(200);
            }
            Ended made = PackagedServer.command("backup", backup.toString(), "--data", data.toString());
            assertThat(made.code()).as(made.err()).isZero();
            assertThat(PackagedServer.command("backup", backup.toString(), "--data", data.toString()).err())
                    .contains("already");
            assertThat(PackagedServer.command("verify", "--data", data.toString())).satisfies(ended -> {
                assertThat(ended.code()).as(ended.err()).isZero();
                assertThat(ended.out()).contains("12 edits, whole", "All is whole.");
            });
            assertThat(PackagedServer.command("restore", backup.toString(), "--data", data.toString()).err())
                    .contains("Stop it first");
            server.post("/designs/" + design + "/edits", "kind", "entity.meaning", "entity", entity, "value",
                    "After the backup", "seen", "12", "lens", "concept");
            revision = Long.parseLong(first(server.page("/designs/" + design), "data-revision=\"(\\d+)"));
            assertThat(revision).isEqualTo(13);
            for (String file : List.of("entaxis.mv.db", "secret.key")) {
                assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(data.resolve(file)))).as(file)
                        .isEqualTo("rw-------");
            }
            assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(data))).isEqualTo("rwx------");
            server.stop();
        }
        assertThat(PackagedServer.command("verify", backup.toString()).out()).contains("12 edits, whole");
        assertThat(PackagedServer.command("restore", backup.toString(), "--data", data.toString())).satisfies(ended -> {
            assertThat(ended.code()).as(ended.err()).isZero();
            assertThat(ended.out()).contains("Restored. What was there before is kept as entaxis.mv.db.before-");
        });
        try (PackagedServer server = PackagedServer.start(data)) {
            assertThat(first(server.page("/designs/" + design), "data-revision=\"(\\d+)")).isEqualTo("12");
            server.kill();
        }
        assertThat(PackagedServer.command("verify", "--data", data.toString()).code()).as("after a kill").isZero();
        Path other = Files.writeString(data.resolveSibling("no-backup.zip"), "not a zip");
        assertThat(PackagedServer.command("restore", other.toString(), "--data", data.toString())).satisfies(ended -> {
            assertThat(ended.code()).isEqualTo(2);
            assertThat(ended.err()).contains("is no backup of Entaxis").doesNotContain("at entaxis");
        });
    }

    /** What a start says that cannot be made; it leaves the store as it is. */
    private static String refusal(Path data, String... options) throws Exception {
        PackagedServer.prepare();
        Path said = Files.createTempFile(Path.of("target/it"), "refusal", ".log");
        List<String> command = Stream.concat(Stream.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-Djava.awt.headless=true",
                "-XX:TieredStopAtLevel=1", "-XX:+UseSerialGC", PackagedServer.sharedClasses(), "-jar",
                PackagedServer.APP.resolve("entaxis.jar").toString(), "--entaxis.data=" + data, "--server.port=0"),
                Stream.of(options)).toList();
        Process process = new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(said.toFile()).start();
        assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
        assertThat(process.exitValue()).isNotZero();
        return Files.readString(said);
    }

    @Test
    void storesThatCannotBeOpenedAreToldInPlainWords() throws Exception {
        Path data = fresh("broken");
        try (PackagedServer server = PackagedServer.start(data)) {
            server.stop();
        }
        Path store = data.resolve("entaxis.mv.db");
        byte[] whole = Files.readAllBytes(store);

        try (Connection connection =
                DriverManager.getConnection("jdbc:h2:file:" + data.resolve("entaxis"), "entaxis", "");
                Statement statement = connection.createStatement()) {
            statement.execute(
                    "insert into \"flyway_schema_history\" select 999, '999', 'of later', \"type\", "
                            + "'V999__of_later.sql', 1, \"installed_by\", \"installed_on\", 1, true from "
                            + "\"flyway_schema_history\" "
                    + "where \"version\" = '1'");
        }
        assertThat(refusal(data)).contains("newer version of Entaxis", "999", "Nothing was changed")
                .doesNotContain("\tat ");

        try (RandomAccessFile file = new RandomAccessFile(store.toFile(), "rw")) {
            file.write(new byte[8192]);
        }
        assertThat(refusal(data)).contains("damaged and cannot be opened", "./entaxis restore FILE")
                .doesNotContain("\tat ");
        assertThat(PackagedServer.command("verify", "--data", data.toString())).satisfies(ended -> {
            assertThat(ended.code()).isEqualTo(1);
            assertThat(ended.err()).contains("damaged").doesNotContain("\tat ");
        });

        Files.write(store, new byte[0]);
        assertThat(refusal(data)).contains("is empty", "restore").doesNotContain("\tat ");
        Files.write(store, whole);
        assertThat(refusal(data, "--server.address=0.0.0.0")).contains("has no sign-in yet", "0.0.0.0")
                .doesNotContain("\tat ");
        try (PackagedServer server = PackagedServer.start(data)) {
            assertThat(refusal(data)).contains("in use by another Entaxis");
            assertThat(server.get("/").statusCode()).isEqualTo(200);
        }
    }
}
