package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.Target;
import entaxis.core.random.RandomDesigns;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.UniqueKey;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeReader;
import entaxis.core.type.TypeReading.Known;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.File;
import java.io.IOException;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** The generated script run on a real PostgreSQL, and what its catalog then says held against the derived schema. */
class PostgreSqlCatalogTest {
    private static final Dialect DIALECT = Dialect.of(Target.POSTGRESQL);
    private static EmbeddedPostgres server;

    @BeforeAll
    static void start() throws IOException {
        server = EmbeddedPostgres.builder().setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile()).start();
    }

    @AfterAll
    static void stop() throws IOException {
        server.close();
    }

    @Test
    void twoHundredRandomDesignsArriveWhole() throws SQLException {
        try (Connection connection = server.getPostgresDatabase().getConnection()) {
            for (int seed = 1000; seed < 1200; seed++) {
                arrivesWhole(connection, RandomDesigns.design(seed, 4 + seed % 17), "seed_" + seed);
            }
        }
    }

    @Test
    void droppingFirstLetsAScriptRunTwice() throws SQLException {
        try (Connection connection = server.getPostgresDatabase().getConnection(); Statement statement = connection.createStatement()) {
            Schema schema = Derivation.of(RandomDesigns.design(5, 15)).schema();
            Script script = new ScriptWriter(DIALECT, new ScriptOptions(true, true, Optional.of("twice"))).write(schema, "twice");
            for (int run = 0; run < 2; run++) {
                statement.execute("create schema if not exists twice");
                for (Script.Statement part : script.statements()) {
                    statement.execute(part.text());
                }
            }
            assertThat(PostgreSqlCatalog.read(connection, "twice").tables()).isNotEmpty();
        }
    }

    /** The word list comes from the server itself: every word that it reserves must come out quoted, so that it can be a column. */
    @Test
    void everyKeyWordCanBeAColumn() throws SQLException {
        try (Connection connection = server.getPostgresDatabase().getConnection(); Statement statement = connection.createStatement()) {
            List<String> words = new ArrayList<>();
            try (ResultSet rows = statement.executeQuery("select word from pg_get_keywords()")) {
                while (rows.next()) {
                    words.add(rows.getString(1));
                }
            }
            assertThat(words).hasSizeGreaterThan(400);
            statement.execute("create schema words");
            for (String word : words) {
                statement.execute("create table words." + DIALECT.name("t_" + word) + " (" + DIALECT.name(word) + " integer)");
                statement.execute("create table words." + DIALECT.name(word) + " (a integer)");
            }
        }
    }

    static void arrivesWhole(Connection connection, Design design, String name) throws SQLException {
        Schema derived = Derivation.of(design).schema();
        Script script = new ScriptWriter(DIALECT, new ScriptOptions(false, true, Optional.of(name))).write(derived, name);
        try (Statement statement = connection.createStatement()) {
            statement.execute(script.text());
        }
        Schema read = PostgreSqlCatalog.read(connection, name);
        List<Table> expected = derived.tables().stream().filter(table -> !table.columns().isEmpty()).map(PostgreSqlCatalogTest::stored).toList();
        assertThat(read.tables().stream().map(PostgreSqlCatalogTest::comparable).toList()).as(name).isEqualTo(expected);
    }

    /** A derived table as PostgreSQL holds it: names cut to its length, types of its own, and without what only the design knows. */
    private static Table stored(Table table) {
        List<Column> columns = table.columns().stream().map(column -> new Column(Optional.empty(), DIALECT.stored(column.name()), storedType(column.type()),
                column.required(), column.defaultValue().map(PostgreSqlCatalogTest::storedDefault), column.identity(), column.comment())).toList();
        return comparable(new Table(Optional.empty(), DIALECT.stored(table.name()), columns,
                table.primaryKey().map(key -> new PrimaryKey(DIALECT.stored(key.name()), stored(key.columns()))),
                table.uniqueKeys().stream().map(key -> new UniqueKey(DIALECT.stored(key.name()), stored(key.columns()))).toList(),
                table.checks().stream().map(check -> new CheckRule(DIALECT.stored(check.name()), "")).toList(),
                table.foreignKeys().stream().map(key -> new ForeignKey(Optional.empty(), DIALECT.stored(key.name()), stored(key.columns()),
                        DIALECT.stored(key.referencedTable()), stored(key.referencedColumns()), key.onDelete(), key.onUpdate())).toList(), table.comment()));
    }

    /** Constraints in the order of their names, checks by name only: the engine rewrites their text, and adds its own for unsigned numbers. */
    private static Table comparable(Table table) {
        return new Table(Optional.empty(), table.name(), table.columns(), table.primaryKey(),
                table.uniqueKeys().stream().sorted(Comparator.comparing(UniqueKey::name)).toList(),
                table.checks().stream().filter(check -> check.name().startsWith("ck_")).map(check -> new CheckRule(check.name(), ""))
                        .sorted(Comparator.comparing(CheckRule::name)).toList(),
                table.foreignKeys().stream().sorted(Comparator.comparing(ForeignKey::name)).toList(), table.comment());
    }

    private static List<String> stored(List<String> names) {
        return names.stream().map(DIALECT::stored).toList();
    }

    /** What format_type says of a type written by the dialect (PostgreSQL manual, table 8.1, aliases): char is char(1), numeric(6) is numeric(6,0). */
    private static SqlType storedType(SqlType type) {
        String spelled = DIALECT.type(type).replaceFirst("^numeric\\((\\d+)\\)$", "numeric($1,0)");
        return ((Known) TypeReader.read(spelled)).type();
    }

    private static String storedDefault(String expression) {
        return expression.equals("current_date") ? "CURRENT_DATE" : expression;
    }
}
