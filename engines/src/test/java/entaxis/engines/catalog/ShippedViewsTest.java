package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.AgreedPrograms;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/**
 * Views that nobody here wrote: those that PostgreSQL and MariaDB ship as scripts and make in each new server, held
 * against what the same server gives back of them.
 */
class ShippedViewsTest {
    private static Path shipped(String folder, String file) throws IOException {
        try (Stream<Path> files = Files.walk(Path.of("target", folder))) {
            return files.filter(path -> path.getFileName().toString().equals(file)).findFirst().orElseThrow();
        }
    }

    private static boolean apart(Program wanted, Program live) {
        Dialect dialect = Dialect.of(wanted.target());
        Schema there = new Schema(List.of(), List.of(), List.of(), List.of(live));
        Schema asked = new Schema(List.of(), List.of(), List.of(), List.of(wanted));
        return !Comparison
                .of(there, EngineSchema.against(asked, there, dialect, AgreedPrograms.NONE), dialect, RenameMap.NONE)
                .differences().isEmpty();
    }

    /** Two give a whole row to a function, as {@code a}; it comes back as {@code a.*}. */
    private static final Set<String> WITH_ROWS = Set.of("attributes", "columns");

    /** PostgreSQL manual, “Object Identifier Types”: what is on the search path comes back without its schema. */
    private static String unqualified(String text) {
        return text.replaceAll("'pg_catalog\\.(\\w+)'::(pg_catalog\\.)?regclass", "'$1'::regclass");
    }

    private static void check(Path script, Target engine, Map<String, String> live, int atLeast) throws IOException {
        Map<String,
                Program> asked = ScriptReader.read(Files.readString(script), engine).schema().programs().stream()
                        .filter(program -> program.kind() == ProgramKind.VIEW)
                        .collect(Collectors.toMap(program -> program.name().toLowerCase(Locale.ROOT),
                                program -> program, (first, last) -> last));
        List<String> wrong = new ArrayList<>();
        int seen = 0;
        Optional<String> before = Optional.empty();
        for (Map.Entry<String, Program> view : asked.entrySet()) {
            Optional<String> text = Optional.ofNullable(live.get(view.getKey()));
            if (text.isPresent() && !WITH_ROWS.contains(view.getKey())) {
                seen++;
                Program own = new Program(ProgramKind.VIEW, "", view.getValue().name(), engine,
                        "CREATE VIEW " + view.getKey() + " AS " + text.get());
                Program wanted = new Program(ProgramKind.VIEW, "", view.getValue().name(), engine,
                        unqualified(view.getValue().text()));
                if (apart(wanted, own)) {
                    wrong.add(wanted.text() + "\n     is " + own.text());
                }
                before.ifPresent(other -> assertThat(apart(wanted, own.worded(other)))
                        .as("%s is the view before it", wanted.text()).isTrue());
                before = Optional.of(own.text());
            }
        }
        assertThat(seen).isGreaterThanOrEqualTo(atLeast);
        assertThat(wrong).isEmpty();
    }

    private static Map<String, String> texts(Connection connection, String query) throws SQLException {
        Map<String, String> texts = new HashMap<>();
        Catalog.of(connection).each(query, row -> texts.put(row.getString(1).toLowerCase(Locale.ROOT),
                row.getString(2).replaceFirst(";\\s*$", "")));
        return texts;
    }

    @Test
    void postgreSql() throws Exception {
        try (EmbeddedPostgres server =
                EmbeddedPostgres.builder().setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile()).start();
                Connection connection = server.getPostgresDatabase().getConnection()) {
            check(shipped("pg", "information_schema.sql"), Target.POSTGRESQL, texts(connection,
                    "select viewname, definition from pg_views where schemaname = 'information_schema'"), 60);
            check(shipped("pg", "system_views.sql"), Target.POSTGRESQL,
                    texts(connection, "select viewname, definition from pg_views where schemaname = 'pg_catalog'"), 60);
        }
    }

    @Test
    void mariaDb() throws Exception {
        try (RealMariaDb server = new RealMariaDb("maria-shipped").withAccounts();
                Connection connection = server.fresh("shipped")) {
            check(shipped("mariadb", "mariadb_sys_schema.sql"), Target.MARIADB, texts(connection,
                    "select table_name, replace(view_definition, '`sys`.', '') from information_schema.views where "
                            + "table_schema = 'sys'"),
                    90);
        }
    }
}
