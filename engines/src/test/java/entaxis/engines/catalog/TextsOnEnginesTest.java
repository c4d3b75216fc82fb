package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import entaxis.core.design.SqlName;
import entaxis.core.expression.Expression;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.SqlType;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

/**
 * Texts that would end a quote, a comment or a statement in some engine, in every place of a schema that takes a text:
 * the script runs, makes what was meant and nothing else, and
 * each text comes back as it was typed. PostgreSQL manual 4.1.2, MySQL manual “String Literals” and “Server SQL
 * Modes”, SQLite documentation “Literal Values”, H2 manual “String”.
 */
class TextsOnEnginesTest {
    private static final List<String> TEXTS = List.of("C:\\new\\' -- x'); DROP TABLE z; --", "C:\\new", "\\", "\\\\",
            "'", "''", "\\'", "\"", "`", "``;`", "[]]", "$$", "$a$;", "-- x", "/* x", "*/",
            "x'); DROP TABLE z; --", "x\\'); DROP TABLE z; --", "\\n\\t\\0\\Z\\%\\_", "%s%n", "?", ":name", "${x}",
            "{fn now()}", "\\u0041", "&amp;<b>", "U&'x'", "E'x'", "N'x'", "😀 ж ע", "#", ";", "a;b",
            "\\\" OR 1=1", "trailing\\", " lead and trail ", "NULL", "now()", "0x41", "\\x41");
    private static final List<String> BROKEN = List.of("line\nbreak", "\r\nDROP TABLE z;\n--", "tab\tx", "\\\n'");
    private static final String SIGNS = "\\'\"`;-/*$%?{}[]()#&|ab é\n\t";

    private static List<String> texts() {
        List<String> all = new ArrayList<>(TEXTS);
        all.addAll(BROKEN);
        Random random = new Random(17);
        for (int i = 0; i < 60; i++) {
            StringBuilder text = new StringBuilder();
            for (int j = random.nextInt(10) + 1; j > 0; j--) {
                text.append(SIGNS.charAt(random.nextInt(SIGNS.length())));
            }
            all.add(text.toString().isBlank() ? "x" : text.toString());
        }
        return all;
    }

    private static String literal(String text) {
        return "'" + text.replace("'", "''") + "'";
    }

    private static Column column(String name, SqlType type, boolean required, Optional<String> defaultValue,
            Optional<String> generated, String comment) {
        return Column.of(name, type).withRequired(required).withDefault(defaultValue.map(Expression::of))
                .withGenerated(generated.map(Expression::of))
                .withComment(comment);
    }

    private static Table table(int number, String text, Dialect dialect, boolean enumerated) {
        SqlType words = SqlType.varchar(300);
        List<Column> columns = new ArrayList<>(List.of(
                column("id", new SqlType.IntegerType(SqlType.IntegerSize.INTEGER, false), true, Optional.empty(),
                        Optional.empty(), ""),
                column("a", words, true, Optional.of(literal(text)), Optional.empty(), text), column("b", words, false,
                        Optional.empty(), Optional.of("replace(a, 'zzz', " + literal(text) + ")"), "")));
        if (enumerated) {
            columns.add(column("e", UserType.of("mood"), false, Optional.of(literal(text)), Optional.empty(), ""));
        }
        List<TableIndex> indexes = dialect.target() == Target.POSTGRESQL || dialect.target() == Target.SQLITE
                ? List.of(new TableIndex("i" + number, false, List.of(new TableIndex.IndexColumn("a", false)), "",
                        Optional.of(Expression.of("a <> " + literal(text)))))
                : List.of();
        return Table.of("t" + number).withColumns(columns)
                .withPrimaryKey(Optional.of(new PrimaryKey("pk_t" + number, List.of("id"))))
                .withChecks(List.of(new CheckRule("c" + number, "a <> " + literal(text + "x")))).withIndexes(indexes)
                .withComment(text);
    }

    /** Values of an enumeration: at most 63 bytes, no line breaks, each once. */
    private static boolean listed(String text, List<String> before) {
        return !text.isBlank() && text.getBytes(java.nio.charset.StandardCharsets.UTF_8).length < 60
                && text.chars().noneMatch(Character::isISOControl) && text.equals(text.strip())
                && before.stream().noneMatch(text::equalsIgnoreCase) && text.chars().noneMatch(c -> c > 127);
    }

    private interface Opening {
        Connection open() throws SQLException;
    }

    private static void comeBack(Target target, Opening opening, Optional<String> home) throws SQLException {
        Dialect dialect = Dialect.of(target);
        // MariaDB keeps definitions in utf8mb3, without signs beyond the basic plane (MariaDB documentation, “Unicode”)
        List<String> texts = texts().stream().filter(
                text -> target != Target.MARIADB || text.chars().noneMatch(c -> Character.isSurrogate((char) c)))
                .toList();
        List<String> values = new ArrayList<>();
        texts.stream().filter(text -> listed(text, values)).forEach(values::add);
        List<Table> tables = new ArrayList<>();
        for (int i = 0; i < texts.size(); i++) {
            tables.add(table(i, texts.get(i), dialect, values.contains(texts.get(i))));
        }
        List<TypeDefinition> types = List.of(new EnumDefinition(QualifiedName.of("mood"), values, ""));
        Schema schema = new Schema(types, List.of(), tables, List.of());
        Script script = new ScriptWriter(dialect, ScriptOptions.DEFAULT).write(schema, "texts");
        try (Connection connection = opening.open(); Statement statement = connection.createStatement()) {
            statement.setEscapeProcessing(false);
            statement.execute("CREATE TABLE z (id integer)");
            for (Script.Statement one : script.statements()) {
                try {
                    statement.execute(one.text());
                } catch (SQLException e) {
                    throw new AssertionError(one.text(), e);
                }
            }
        }
        try (Connection connection = opening.open()) {
            Schema held = LiveCatalog.read(connection, target, home);
            assertThat(held.tables()).hasSize(tables.size() + 1).anyMatch(table -> table.name().equals("z"));
            Schema wanted = EngineSchema.ofDesign(schema, dialect);
            Schema there = new Schema(held.types(), held.sequences(),
                    held.tables().stream().filter(table -> !table.name().equals("z")).toList(), List.of());
            assertThat(Comparison.of(there, wanted, dialect, RenameMap.NONE).differences()).as("%s", target).isEmpty();
            for (int i = 0; i < texts.size(); i++) {
                rows(connection, dialect, i, texts.get(i), values);
            }
        }
        Schema read = ScriptReader.read(script.text(), target).schema();
        assertThat(Comparison.of(EngineSchema.of(read, target, dialect), EngineSchema.ofDesign(schema, dialect),
                dialect, RenameMap.NONE).differences()).as("%s, its script read", target).isEmpty();
    }

    private static void rows(Connection connection, Dialect dialect, int number, String text, List<String> values)
            throws SQLException {
        boolean enumerated = values.contains(text);
        try (Statement statement = connection.createStatement()) {
            statement.execute("INSERT INTO t" + number + " (id) VALUES (1)");
            try (ResultSet row =
                    statement.executeQuery("SELECT a, b" + (enumerated ? ", e" : "") + " FROM t" + number)) {
                assertThat(row.next()).isTrue();
                assertThat(row.getString(1)).as("default in %s", dialect.target()).isEqualTo(text);
                assertThat(row.getString(2)).as("computed in %s", dialect.target())
                        .isEqualTo(text.replace("zzz", text));
                if (enumerated) {
                    assertThat(row.getString(3)).isEqualTo(text);
                }
            }
        }
        try (PreparedStatement bad = connection.prepareStatement("INSERT INTO t" + number + " (id, a) VALUES (2, ?)")) {
            bad.setString(1, text + "x");
            assertThatThrownBy(bad::execute).as("check of “%s” in %s", text, dialect.target())
                    .isInstanceOf(SQLException.class);
        }
    }

    @Test
    void postgreSql() throws IOException, SQLException {
        try (EmbeddedPostgres server = EmbeddedPostgres.builder()
                .setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile()).start()) {
            comeBack(Target.POSTGRESQL, () -> server.getPostgresDatabase().getConnection(), Optional.empty());
        }
    }

    @Test
    void mariaDbInBothModes() throws Exception {
        try (RealMariaDb server = new RealMariaDb("mariadb-texts")) {
            server.fresh("texts").close();
            comeBack(Target.MARIADB, () -> server.connect("texts"), Optional.of("texts"));
            server.fresh("plain").close();
            comeBack(Target.MARIADB, () -> {
                Connection connection = server.connect("plain");
                try (Statement statement = connection.createStatement()) {
                    statement.execute("SET SESSION sql_mode = concat(@@sql_mode, ',NO_BACKSLASH_ESCAPES')");
                }
                return connection;
            }, Optional.of("plain"));
        }
    }

    @Test
    void sqlite() throws SQLException, IOException {
        File file = File.createTempFile("texts", ".db", new File("target"));
        comeBack(Target.SQLITE, () -> DriverManager.getConnection("jdbc:sqlite:" + file), Optional.empty());
    }

    @Test
    void h2() throws SQLException {
        try (Connection keeps = DriverManager.getConnection("jdbc:h2:mem:texts")) {
            comeBack(Target.H2, () -> DriverManager.getConnection("jdbc:h2:mem:texts"), Optional.empty());
        }
    }

    @Test
    void duckDb() throws SQLException, IOException {
        File folder = Files.createTempDirectory(Path.of("target"), "texts").toFile();
        comeBack(Target.DUCKDB, () -> DriverManager.getConnection("jdbc:duckdb:" + new File(folder, "texts.duckdb")),
                Optional.empty());
    }

    /** A text that stands in a name is a name and nothing more. */
    @Test
    void namesAreQuoted() {
        for (Target target : Target.values()) {
            assertThat(Dialect.of(target).name(SqlName.of("x\"; DROP TABLE z; --"))).as("%s", target)
                    .matches("[a-z0-9_]+|[\"`\\[].*[\"`\\]]");
        }
    }
}
