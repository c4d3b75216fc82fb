package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.reading.Reading;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.AgreedPrograms;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.DifferenceWords;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.Reconciliation;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.schema.Column;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.DialectAdapter;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import entaxis.engines.mariadb.MariaDbCatalog;
import entaxis.engines.postgresql.PostgreSqlCatalog;
import entaxis.engines.sqlite.SqliteCatalog;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.DisabledIfSystemProperty;

/**
 * Table definitions that real applications ship, taken from Debian packages at test time. Our reading of each is held
 * against the catalog of the engine that ran the same script; where no such server runs here, it must be read without
 * anything left over. {@code -Dreal.scripts=FOLDER} takes other scripts, laid out as {@code
 * FOLDER/application/engine/*.sql} with a file {@code ORDER} that names them in the order to load.
 */
class RealScriptsTest {
    @BeforeAll
    static void fetch() throws IOException, InterruptedException {
        RealScripts.fetch();
    }

    /** Columns in order with nullability, keys, references, indexes; by name of the table. */
    private static Map<String, List<String>> facts(Schema schema, Target engine) {
        Map<String, List<String>> facts = new TreeMap<>();
        boolean merged = engine == Target.MARIADB;
        for (Table table : schema.tables()) {
            List<String> lines = new ArrayList<>();
            for (Column column : table.columns()) {
                lines.add(column.name() + " " + Dialect.of(engine).type(column.type())
                        + (column.required() ? " not null" : ""));
            }
            table.primaryKey().ifPresent(key -> lines.add("primary key " + key.columns()));
            List<String> rest = new ArrayList<>();
            table.uniqueKeys().forEach(key -> rest.add("unique " + key.columns()));
            table.foreignKeys()
                    .forEach(key -> rest.add("reference " + key.columns() + " "
                            + key.referencedTable().toLowerCase(Locale.ROOT) + " " + key.referencedColumns() + " "
                    + plain(key.onDelete().sql(), engine) + " " + plain(key.onUpdate().sql(), engine)));
            table.indexes().forEach(index -> {
                List<String> names = index.columns().stream().map(IndexColumn::name).toList();
                boolean forReference = merged && !index.unique()
                        && table.foreignKeys().stream().anyMatch(key -> key.columns().equals(names));
                if (forReference) {
                    return;
                }
                List<String> columns = index.columns().stream()
                        .map(part -> (part.expression() ? plainText(part.name()) : part.name())
                                + (part.descending() ? " desc" : "")
                        + (part.prefix().isPresent() ? "(" + part.prefix().getAsInt() + ")" : "")).toList();
                boolean key = merged && index.unique()
                        && index.columns().stream().noneMatch(part -> part.prefix().isPresent() || part.descending());
                rest.add(key ? "unique " + index.columns().stream().map(IndexColumn::name).toList()
                        : "index " + (engine == Target.SQLITE ? "" : index.name() + " ") + columns
                                + (index.unique() ? " unique" : "") + " " + index.method());
            });
            rest.sort(Comparator.naturalOrder());
            lines.addAll(rest);
            facts.put(table.name().toLowerCase(Locale.ROOT), lines);
        }
        return facts;
    }

    private static String plain(String action, Target engine) {
        return engine == Target.MARIADB && action.equals("RESTRICT") ? "NO ACTION" : action;
    }

    private static String plainText(String expression) {
        return expression.toLowerCase(Locale.ROOT).replaceAll("[()\\s\"]|::[a-z]+", "");
    }

    private static void same(RealScripts.Application application, Reading reading, Schema catalog, SoftAssertions all) {
        all.assertThat(reading.notUnderstood()).as("%s on %s", application.name(), application.engine()).isEmpty();
        Map<String, List<String>> wanted = facts(catalog, application.engine());
        Map<String, List<String>> found = facts(reading.schema(), application.engine());
        all.assertThat(found.keySet()).as("%s on %s", application.name(), application.engine())
                .isEqualTo(wanted.keySet());
        wanted.forEach((table, lines) -> all.assertThat(found.getOrDefault(table, List.of()))
                .as("%s on %s: %s", application.name(), application.engine(), table).containsExactlyElementsOf(lines));
    }

    @Test
    @DisabledIfSystemProperty(named = "real.scripts", matches = ".+")
    void allOfThemAreHere() throws IOException {
        Assumptions.assumeTrue(RealScripts.allToBeHad(), "the scripts are those of Debian 12");
        try (Stream<Path> files = Files.walk(RealScripts.FOLDER)) {
            assertThat(files.filter(file -> file.toString().endsWith(".sql")).count())
                    .as("scripts fetched; see target/fetch.log").isEqualTo(38);
        }
    }

    @Test
    void postgreSql() throws Exception {
        try (EmbeddedPostgres server = EmbeddedPostgres.builder()
                .setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile()).start()) {
            postgreSql(server, false);
        }
    }

    /** An older server, of which the client of this system makes dumps. */
    @Test
    void olderPostgreSql() throws Exception {
        try (EmbeddedPostgres server = OlderPostgreSql.start()) {
            postgreSql(server, true);
        }
    }

    private static void postgreSql(EmbeddedPostgres server, boolean dumps) throws Exception {
        SoftAssertions all = new SoftAssertions();
        List<RealScripts.Application> applications = RealScripts.applications("postgresql", Target.POSTGRESQL);
        RealScripts.enough(applications, 12);
        for (RealScripts.Application application : applications) {
            String database = "app_" + application.name().replaceAll("[^a-z0-9]", "_");
            try (Connection connection = server.getPostgresDatabase().getConnection();
                    Statement statement = connection.createStatement()) {
                statement.execute("create database " + database);
            }
            for (Path file : application.files()) {
                written(List.of("psql", "--quiet", "--no-psqlrc", "--host=127.0.0.1", "--port=" + server.getPort(),
                        "--username=postgres", "--file=" + file, database));
            }
            try (Connection connection = server.getDatabase("postgres", database).getConnection()) {
                same(application, ScriptReader.read(application.text(), Target.POSTGRESQL),
                        PostgreSqlCatalog.read(Catalog.of(connection), "public"), all);
                catalogIsAlike(application, live(connection, Dialect.of(Target.POSTGRESQL)), all);
                if (dumps) {
                    dumpIsAlike(application, OlderPostgreSql.dump(server, database), true, all);
                    continue;
                }
                try (Statement third = server.getPostgresDatabase().getConnection().createStatement()) {
                    third.execute("create database " + database + "_design");
                }
                try (Connection third = server.getDatabase("postgres", database + "_design").getConnection()) {
                    throughADesign(application, live(connection, Dialect.of(Target.POSTGRESQL)), third, all);
                }
                try (Statement again = server.getPostgresDatabase().getConnection().createStatement()) {
                    again.execute("create database " + database + "_again");
                }
                try (Connection second = server.getDatabase("postgres", database + "_again").getConnection()) {
                    writtenAgain(application, connection, second, all);
                }
            }
        }
        all.assertAll();
    }

    /** A client goes on when a statement fails, such as the drop of what is not there; so do we. */
    private static void run(Statement statement, RealScripts.Application application) throws IOException {
        for (String one : StatementTexts.of(application.text(), application.engine())) {
            try {
                statement.execute(one);
            } catch (SQLException refused) {
                if (!RealScripts.OTHERS.isEmpty()) {
                    System.out.println(application.name() + " on " + application.engine() + " refuses "
                            + one.strip().lines().findFirst().orElse("") + ": "
                            + refused.getMessage().lines().findFirst().orElse(""));
                    continue;
                }
                assertThat(one.stripLeading().toLowerCase(Locale.ROOT))
                        .as("%s refuses: %s", application.engine(), refused.getMessage())
                        .matches(
                                "(?s)(drop|insert|grant|create language|create procedural "
                                        + "language|select|update|revoke|alter user|create user|set|use|create "
                                        + "database).*");
            }
        }
    }

    /** Routines whose script has a backslash at the end of a line, which only the server's own client swallows. */
    private static final Set<String> BROKEN_LINES = Set.of("createAuditEntryDHCP4", "createAuditEntryDHCP6",
            "createOptionAuditDHCP4", "createOptionAuditDHCP6");

    private static boolean isBroken(String told) {
        return BROKEN_LINES.stream().anyMatch(told::contains);
    }

    /** The script that was run and the catalog of the engine that ran it have nothing apart. */
    private static void catalogIsAlike(RealScripts.Application application, Schema live,
            SoftAssertions all) throws IOException {
        Dialect dialect = Dialect.of(application.engine());
        Reconciliation sides = Reconciliation.of(new Reconciliation.Side(live, true),
                new Reconciliation.Side(whole(application.text(), dialect), false), dialect, AgreedPrograms.NONE,
                offered -> false);
        all.assertThat(sides.comparison().differences().stream()
                .map(new DifferenceWords("the catalog", "the script")::sentence).filter(told -> !isBroken(told)))
                .as("%s on %s and its catalog", application.name(), application.engine()).isEmpty();
    }

    /** A design holds what the database has, or says what it cannot hold; what follows from it is accepted. */
    private static void throughADesign(RealScripts.Application application, Schema live, Connection empty,
            SoftAssertions all)
            throws SQLException {
        ThroughDesign design = ThroughDesign.of(live, Dialect.of(application.engine()));
        all.assertThat(design.lost()).as("%s on %s through a design", application.name(), application.engine())
                .isEmpty();
        all.assertThat(design.untold()).as("%s on %s not told of a design", application.name(), application.engine())
                .isEmpty();
        all.assertThat(refused(empty, design.again()))
                .as("%s on %s refused of a design", application.name(), application.engine())
                .isEmpty();
    }

    /** The script that was run and what the engine's own client dumps of it have nothing apart. */
    private static void dumpIsAlike(RealScripts.Application application, String dump, boolean routines,
            SoftAssertions all)
            throws IOException {
        Dialect dialect = Dialect.of(application.engine());
        Schema script = routines ? whole(application.text(), dialect) : held(application.text(), dialect);
        Schema dumped = routines ? whole(dump, dialect) : held(dump, dialect);
        List<String> apart = Comparison
                .of(EngineSchema.aligned(script, dumped, dialect), dumped, dialect, RenameMap.NONE).differences()
                .stream().map(new DifferenceWords("the script", "the dump")::sentence).toList();
        all.assertThat(apart).as("%s on %s and its dump", application.name(), application.engine()).isEmpty();
    }

    /**
     * What was read is written again and run in a database of its own; the engine refuses nothing, and its catalog says
     * the same as that of the first.
     */
    private static void writtenAgain(RealScripts.Application application, Connection first, Connection second,
            SoftAssertions all)
            throws IOException, SQLException {
        Dialect dialect = Dialect.of(application.engine());
        Schema read = ScriptReader.read(application.text(), application.engine()).schema();
        List<String> apart = new ArrayList<>(
                refused(second, new ScriptWriter(dialect, ScriptOptions.DEFAULT).writeAgain(read, "again")));
        Schema there = live(first, dialect);
        Schema here = live(second, dialect);
        Comparison.of(EngineSchema.aligned(there, here, dialect), here, dialect, RenameMap.NONE)
                .differences().stream().map(new DifferenceWords("the script", "the one written again")::sentence)
                .forEach(apart::add);
        apart.removeIf(RealScriptsTest::isBroken);
        all.assertThat(apart).as("%s on %s written again", application.name(), application.engine()).isEmpty();
    }

    private static Schema live(Connection connection, Dialect dialect) throws SQLException {
        return EngineSchema.of(LiveCatalog.read(connection, dialect.target(), Optional.empty()), dialect.target(),
                dialect);
    }

    private static Schema whole(String text, Dialect dialect) {
        return EngineSchema.of(ScriptReader.read(text, dialect.target()).schema(), dialect.target(), dialect);
    }

    private static Schema held(String text, Dialect dialect) {
        Schema schema = whole(text, dialect);
        return new Schema(schema.types(), schema.sequences(), schema.tables(), schema.programs().stream()
                .filter(one -> one.kind() == ProgramKind.VIEW || one.kind() == ProgramKind.TRIGGER).toList());
    }

    @Test
    void mariaDb() throws Exception {
        SoftAssertions all = new SoftAssertions();
        try (RealMariaDb server = new RealMariaDb("maria-real")) {
            List<RealScripts.Application> applications = RealScripts.applications("mysql", Target.MARIADB);
            RealScripts.enough(applications, 14);
            for (RealScripts.Application application : applications) {
                try (Connection connection = server.fresh("app"); Statement statement = connection.createStatement()) {
                    run(statement, application);
                    same(application, ScriptReader.read(application.text(), Target.MARIADB),
                            MariaDbCatalog.read(Catalog.of(connection), connection.getCatalog()), all);
                    catalogIsAlike(application, live(connection, Dialect.of(Target.MARIADB)), all);
                    try (Connection third = server.fresh("design")) {
                        throughADesign(application, live(connection, Dialect.of(Target.MARIADB)), third, all);
                    }
                    dumpIsAlike(application, server.dump(connection.getCatalog()), false, all);
                    try (Connection second = server.fresh("again")) {
                        writtenAgain(application, connection, second, all);
                    }
                }
            }
        }
        all.assertAll();
    }

    @Test
    void sqlite() throws Exception {
        SoftAssertions all = new SoftAssertions();
        List<RealScripts.Application> applications = RealScripts.applications("sqlite", Target.SQLITE);
        RealScripts.enough(applications, 7);
        for (RealScripts.Application application : applications) {
            Path file = Files.createTempFile("real", ".sqlite");
            for (Path script : application.files()) {
                written(List.of("sqlite3", file.toString(), ".read " + script));
            }
            try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file)) {
                same(application, ScriptReader.read(application.text(), Target.SQLITE),
                        SqliteCatalog.read(Catalog.of(connection)), all);
                catalogIsAlike(application, live(connection, Dialect.of(Target.SQLITE)), all);
                try (Connection third = DriverManager.getConnection("jdbc:sqlite::memory:")) {
                    throughADesign(application, live(connection, Dialect.of(Target.SQLITE)), third, all);
                }
                dumpIsAlike(application, written(List.of("sqlite3", file.toString(), ".dump")), true, all);
                try (Connection second = DriverManager.getConnection("jdbc:sqlite::memory:")) {
                    writtenAgain(application, connection, second, all);
                }
            } finally {
                Files.delete(file);
            }
        }
        all.assertAll();
    }

    /** What a program writes out. */
    static String written(List<String> command) throws IOException {
        Process process = new ProcessBuilder(command).redirectError(ProcessBuilder.Redirect.DISCARD).start();
        return new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    }

    /** What the built-in engine refuses, and why. */
    private static final Map<String, String> NOT_ON_H2 = Map.of("tmp_password", "a moment and a text are added up",
            "LocationLog", "the script refers to a table that it does not make", "mt_cds_object",
            "the script refers to tables by other names");

    /** Every script as one for another engine: it runs there, and its catalog and its own dump say the same. */
    @Test
    void allOfThemRunOnH2() throws Exception {
        SoftAssertions all = new SoftAssertions();
        Dialect h2 = Dialect.of(Target.H2);
        for (Map.Entry<String, Target> kind : Map.of("postgresql", Target.POSTGRESQL, "mysql", Target.MARIADB, "sqlite",
                Target.SQLITE, "sqlserver", Target.SQLSERVER, "oracle", Target.ORACLE).entrySet()) {
            for (RealScripts.Application application : RealScripts.applications(kind.getKey(), kind.getValue())) {
                Schema read = ScriptReader.read(application.text(), kind.getValue()).schema();
                Script script = new ScriptWriter(h2, ScriptOptions.DEFAULT)
                        .write(IsoNormalizer.of(read, Dialect.of(kind.getValue())), "for another engine");
                try (Connection connection = DriverManager.getConnection("jdbc:h2:mem:" + System.nanoTime());
                        Statement statement = connection.createStatement()) {
                    List<String> refused = refused(connection, script).stream()
                            .filter(told -> NOT_ON_H2.keySet().stream().noneMatch(told::contains)).toList();
                    all.assertThat(refused).as("%s of %s on H2", application.name(), kind.getKey()).isEmpty();
                    StringBuilder dump = new StringBuilder();
                    try (ResultSet lines = statement.executeQuery("SCRIPT NODATA")) {
                        while (lines.next()) {
                            dump.append(lines.getString(1)).append('\n');
                        }
                    }
                    Schema dumped = held(dump.toString(), h2);
                    all.assertThat(Comparison.of(live(connection, h2), dumped, h2, RenameMap.NONE).differences())
                            .as("%s of %s, catalog and dump", application.name(), kind.getKey()).isEmpty();
                }
            }
        }
        all.assertAll();
    }

    /** What an engine refuses of a script, each with its reason. */
    static List<String> refused(Connection connection, Script script) throws SQLException {
        List<String> refused = new ArrayList<>();
        for (Script.Statement one : script.statements()) {
            try (Statement statement = connection.createStatement()) {
                statement.execute(one.text());
            } catch (SQLException reason) {
                refused.add("refused: " + one.text().strip().lines().findFirst().orElse("") + ": "
                        + reason.getMessage());
            }
        }
        return refused;
    }

    @Test
    void sqlServerAndOracleAreReadWhole() throws Exception {
        List<RealScripts.Application> applications = new ArrayList<>(RealScripts.applications("sqlserver",
            Target.SQLSERVER));
        applications.addAll(RealScripts.applications("oracle", Target.ORACLE));
        RealScripts.enough(applications, 4);
        for (RealScripts.Application application : applications) {
            Reading reading = ScriptReader.read(application.text(), application.engine());
            assertThat(reading.notUnderstood()).as("%s on %s", application.name(), application.engine()).isEmpty();
            int created = application.text().toLowerCase(Locale.ROOT).split("create\\s+table\\s").length - 1;
            assertThat(reading.schema().tables()).hasSize(created);
            Reading again = ScriptReader.read(
                    new ScriptWriter(Dialect.of(application.engine()),
                            ScriptOptions.DEFAULT).write(reading.schema(), "again").text(),
                    application.engine());
            assertThat(again.notUnderstood()).isEmpty();
            assertThat(facts(again.schema(), application.engine()))
                    .isEqualTo(facts(DialectAdapter.fit(reading.schema(), Dialect.of(application.engine())).schema(),
                            application.engine()));
        }
    }
}
