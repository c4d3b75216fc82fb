package entaxis.web.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class ReconcileCommandTest {
    @TempDir
    private Path folder;
    private String from;
    private String to;
    private String out;
    private String err;

    @BeforeEach
    void scripts() throws IOException {
        from = file("from.sql",
                "create table taxon (id int primary key, name varchar(40) not null, note text);\ncreate table slot "
                        + "(vault char(2), slot_no int, cap int, primary key (vault, slot_no));");
        to = file("to.sql",
                "create table taxon (id bigint primary key, name varchar(60) not null unique);\ncreate table slot "
                        + "(vault char(2), slot_no int4, capacity integer, primary key (vault, slot_no));");
    }

    private String file(String name, String text) throws IOException {
        return Files.writeString(folder.resolve(name), text).toString();
    }

    private int run(String... words) {
        ByteArrayOutputStream output = new ByteArrayOutputStream();
        ByteArrayOutputStream errors = new ByteArrayOutputStream();
        int exit = new Commands(new PrintStream(output, true, StandardCharsets.UTF_8),
                new PrintStream(errors, true, StandardCharsets.UTF_8)).run(words).orElseThrow();
        out = output.toString(StandardCharsets.UTF_8);
        err = errors.toString(StandardCharsets.UTF_8);
        return exit;
    }

    @Test
    void theScriptGoesToTheOutputAndWhatIsLeftOutToTheOtherStream() {
        assertThat(run("reconcile", from, to, "--engine", "postgresql", "--renames", "likely")).isEqualTo(1);
        assertThat(out)
                .contains("ALTER TABLE slot RENAME COLUMN cap TO capacity;",
                        "ALTER TABLE taxon ALTER COLUMN id TYPE bigint;",
                        "ADD CONSTRAINT taxon_name_key UNIQUE (name);", "BEGIN;", "COMMIT;")
                .doesNotContain("DROP COLUMN");
        assertThat(err).contains("Left out, because it loses data", "taxon.note",
                "May fail: Require name of taxon to be unique");
    }

    /** As pg_dump writes it, against what was typed (PostgreSQL manual, pg_dump). */
    @Test
    void aDumpSaysTheSameInOtherWords() throws IOException {
        String typed = file("typed.sql", """
                CREATE TABLE shelf (id int PRIMARY KEY);
                CREATE TABLE jar (id int PRIMARY KEY, shelf_id int REFERENCES shelf, label citext);
                CREATE FUNCTION weighed(a varchar(32)) RETURNS int LANGUAGE sql IMMUTABLE STRICT AS $$ SELECT 1 $$;
                CREATE VIEW full_jars AS SELECT id FROM jar WHERE shelf_id IS NOT NULL;
                CREATE FUNCTION noted() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN RETURN NEW; END $$;
                CREATE TRIGGER told BEFORE INSERT OR UPDATE ON jar FOR EACH ROW EXECUTE PROCEDURE noted();
                """);
        String dumped = """
                CREATE TABLE public.shelf (id integer NOT NULL, CONSTRAINT shelf_pkey PRIMARY KEY (id));
                CREATE TABLE public.jar (id integer NOT NULL, shelf_id integer, label public.citext);
                ALTER TABLE ONLY public.jar ADD CONSTRAINT jar_pkey PRIMARY KEY (id);
                CREATE FUNCTION public.weighed(a character varying) RETURNS integer LANGUAGE sql STRICT IMMUTABLE
                    AS $_$ SELECT 1 $_$;
                CREATE VIEW public.full_jars AS SELECT jar.id FROM public.jar WHERE (jar.shelf_id IS NOT NULL);
                CREATE FUNCTION public.noted() RETURNS trigger LANGUAGE plpgsql AS ' BEGIN RETURN NEW; END ';
                CREATE TRIGGER told BEFORE INSERT OR UPDATE ON public.jar FOR EACH ROW
                    EXECUTE FUNCTION public.noted();
                ALTER TABLE ONLY public.jar ADD CONSTRAINT jar_shelf_id_fkey FOREIGN KEY (shelf_id)
                    REFERENCES public.shelf(id);
                """;
        assertThat(run("reconcile", typed, file("dumped.sql", dumped), "--engine", "postgresql", "--check")).isZero();
        assertThat(out).isEmpty();
        String drifted = dumped.replace("REFERENCES public.shelf(id)", "REFERENCES public.shelf(id) ON DELETE CASCADE")
                .replace("RETURN NEW", "RETURN OLD").replace("IS NOT NULL)", "IS NULL)")
                .replace("SELECT 1 $", "SELECT 2 $");
        assertThat(run("reconcile", typed, file("drifted.sql", drifted), "--engine", "postgresql", "--check")).isOne();
        assertThat(out.lines()).hasSize(4).anyMatch(line -> line.contains("jar_shelf_id_fkey"))
                .anyMatch(line -> line.contains("weighed")).anyMatch(line -> line.contains("full_jars"))
                .anyMatch(line -> line.contains("noted"));
    }

    /** As mariadb-dump writes it, against what was typed and loaded by the client, which leaves comments out. */
    @Test
    void aDumpOfMariaDbSaysTheSame() throws IOException {
        String typed = file("typed.sql", """
                CREATE TABLE jar (id int PRIMARY KEY, filled datetime NOT NULL DEFAULT 0);
                DELIMITER //
                CREATE FUNCTION weighed( a decimal(7, 4) ) RETURNS decimal(7, 4) READS SQL DATA
                BEGIN
                  -- twice
                  RETURN a * 2;
                END//
                CREATE TRIGGER told BEFORE INSERT ON jar FOR EACH ROW SET NEW.id = 1//
                """);
        String dumped = file("dumped.sql", """
                CREATE TABLE `jar` (`id` int(11) NOT NULL, `filled` datetime NOT NULL DEFAULT '0000-00-00 00:00:00',
                  PRIMARY KEY (`id`)) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;
                DELIMITER ;;
                CREATE DEFINER=`root`@`localhost` FUNCTION `weighed`(a decimal(7,4)) RETURNS decimal(7,4)
                    READS SQL DATA
                BEGIN

                  RETURN a * 2;
                END ;;
                /*!50003 CREATE*/ /*!50017 DEFINER=`root`@`localhost`*/ /*!50003 TRIGGER told BEFORE INSERT ON jar
                FOR EACH ROW SET NEW.id = 1 */;;
                """);
        assertThat(run("reconcile", typed, dumped, "--engine", "mariadb", "--check")).as(out).isZero();
    }

    @Test
    void whatWasComparedIsCounted() {
        assertThat(run("reconcile", from, from, "--engine", "postgresql")).isZero();
        assertThat(err).contains("Compared: 2 tables, 6 columns, 2 keys: all alike.");
        run("reconcile", from, to, "--engine", "postgresql", "--renames", "none");
        assertThat(err).contains("Compared: 2 tables, 6 and 5 columns, 2 and 3 keys: 6 differences.");
    }

    /** Views and tables share their names: the view cannot come while the table stays. */
    @Test
    void aScriptThatWouldStopHalfWayIsNotWritten() throws IOException {
        String table = file("table.sql", "CREATE TABLE jar (id int); CREATE TABLE full_jar (id int);");
        String view = file("view.sql", "CREATE TABLE jar (id int); CREATE VIEW full_jar AS SELECT id FROM jar;");
        assertThat(run("reconcile", table, view, "--engine", "postgresql")).isEqualTo(2);
        assertThat(out).isEmpty();
        assertThat(err).contains("No script is written, because it would stop half-way at “CREATE VIEW full_jar",
                "a table full_jar is there already");
        assertThat(run("reconcile", table, view, "--engine", "postgresql", "--allow-loss")).isEqualTo(1);
        assertThat(out).containsSubsequence("DROP TABLE full_jar;", "CREATE VIEW full_jar");
    }

    @Test
    void lossIsTakenInOnlyWhenAsked() {
        run("reconcile", from, to, "--engine", "postgresql", "--renames", "none", "--allow-loss");
        assertThat(out).contains("ALTER TABLE taxon DROP COLUMN note;", "ALTER TABLE slot DROP COLUMN cap;");
    }

    @Test
    void differencesAsJson() {
        assertThat(run("reconcile", from, to, "--engine", "postgresql", "--renames", "none", "--json")).isEqualTo(1);
        JsonNode differences = JsonMapper.builder().build().readTree(out);
        assertThat(differences).hasSize(6);
        JsonNode first = differences.get(0);
        assertThat(first.get("object").asString()).isEqualTo("column");
        assertThat(first.get("name").asString()).isEqualTo("taxon.id");
        assertThat(first.get("what").asString()).isEqualTo("type");
        assertThat(first.get("from").asString()).isEqualTo("integer");
        assertThat(first.get("to").asString()).isEqualTo("bigint");
        assertThat(first.get("risk").asString()).isEqualTo("slow");
        assertThat(first.get("id").asString()).isEqualTo("COLUMN|taxon|id|TYPE");
        assertThat(first.get("statements").get(0).asString())
                .isEqualTo("ALTER TABLE taxon ALTER COLUMN id TYPE bigint");
    }

    @Test
    void scriptsAreWrittenToFiles() throws IOException {
        String script = file("V7__there.sql", "as before");
        String undo = script.replace("V7", "U7");
        assertThat(run("reconcile", from, to, "--engine", "postgresql", "--renames", "none", "--out", script, "--undo",
                undo)).isEqualTo(1);
        assertThat(out).isEmpty();
        assertThat(err).contains("Wrote " + script, "Wrote " + undo);
        assertThat(Files.readString(Path.of(script))).contains("ALTER TABLE taxon ALTER COLUMN id TYPE bigint;");
        assertThat(Files.readString(Path.of(undo))).contains("ALTER TABLE taxon ALTER COLUMN id TYPE integer");
        assertThat(run("reconcile", from, to, "--engine", "postgresql", "--renames", "none", "--out",
                script + "/no/such.sql")).isEqualTo(2);
        assertThat(err).contains("The file cannot be written: ");
        assertThat(run("reconcile", from, to, "--engine", "postgresql", "--renames", "none", "--undo", "\0.sql"))
                .isEqualTo(2);
    }

    @Test
    void alikeIsNothing() {
        assertThat(run("reconcile", from, from, "--engine", "mysql")).isZero();
        assertThat(run("reconcile", from, from, "--engine", "mysql", "--check")).isZero();
        assertThat(out).isEmpty();
        assertThat(run("reconcile", from, to, "--engine", "mysql", "--check")).isEqualTo(1);
        assertThat(out).contains("The column taxon.id is int in ");
    }

    @Test
    void aRequiredColumnIsAddedFilledAndRequired() throws IOException {
        String wanted = file("wanted.sql",
                "create table taxon (id int primary key, name varchar(40) not null, note text, code char(5) not null);"
                        + "\n"
                + "create table slot (vault char(2), slot_no int, cap int not null, primary key (vault, slot_no));");
        run("reconcile", from, wanted, "--engine", "postgresql", "--fill", "taxon.code='-----'", "--fill",
                "slot.cap=0");
        assertThat(out)
                .containsSubsequence("ADD COLUMN code char(5);", "UPDATE taxon SET code = '-----';",
                        "ALTER COLUMN code SET NOT NULL;")
                .containsSubsequence("UPDATE slot SET cap = 0 WHERE cap IS NULL;", "ALTER COLUMN cap SET NOT NULL;");
        assertThat(err).doesNotContain("May fail");
    }

    @Test
    void valuesOfATableThatWasSplitComeBack() throws IOException {
        String split = file("split.sql", "create table slot (slot_no int primary key);\n"
                + "create table slot_detail (slot_no int primary key references slot (slot_no), capacity int, label "
                + "varchar(20));");
        String whole =
                file("whole.sql", "create table slot (slot_no int primary key, capacity int, label varchar(20));");
        assertThat(run("reconcile", split, whole, "--engine", "postgresql", "--renames", "likely", "--allow-loss"))
                .isEqualTo(1);
        assertThat(out).containsSubsequence("ADD COLUMN capacity integer;",
                "UPDATE slot SET capacity = (SELECT own.capacity FROM slot_detail own WHERE own.slot_no = "
                        + "slot.slot_no);",
                "DROP TABLE slot_detail;");
        run("reconcile", split, whole, "--engine", "postgresql", "--renames", "none", "--allow-loss");
        assertThat(out).doesNotContain("UPDATE slot");
    }

    @Test
    void theWayBackNamesWhatCannotBeUndone() {
        run("reconcile", from, to, "--engine", "postgresql", "--renames", "likely", "--allow-loss", "--reverse");
        assertThat(out).contains("ALTER TABLE slot RENAME COLUMN capacity TO cap;",
                "ALTER TABLE taxon ADD COLUMN note text;");
        assertThat(err).contains("No way back: Drop taxon.note with its values");
    }

    @Test
    void whatIsNotUnderstoodIsNeverCalledAlike() throws IOException {
        String odd = file("odd.sql", "create table taxon (id int primary key);\ncreate tabel slot (x int);");
        assertThat(run("reconcile", odd, odd, "--engine", "postgresql", "--check")).isEqualTo(2);
        assertThat(err).contains("line 2:8: not understood", "What was not understood could not be compared.");
    }

    @Test
    void wrongInputIsTold() {
        assertThat(run("reconcile", from)).isEqualTo(2);
        assertThat(err).contains("Usage: ./entaxis reconcile FROM TO");
        assertThat(run("reconcile", from, "nowhere.sql", "--engine", "postgresql", "--data", folder.toString()))
                .isEqualTo(2);
        assertThat(err).contains("nowhere.sql: there is no such file, and no database of this name");
        assertThat(run("reconcile", from, to, "--engine", "abacus")).isEqualTo(2);
        assertThat(err).contains("There is no engine “abacus” here.");
        assertThat(run("reconcile", from, to, "--engine", "h2", "--fill", "code")).isEqualTo(2);
        assertThat(err).contains("--fill is followed by TABLE.COLUMN=EXPRESSION");
    }

    @Test
    void aConfiguredDatabaseIsASide() throws IOException {
        Files.writeString(folder.resolve("connections.properties"),
                "memory.url=jdbc:h2:mem:reconcile_side;INIT=CREATE TABLE IF NOT EXISTS TAXON(ID INT PRIMARY KEY)\n"
                        + "memory.engine=h2\n");
        String one = file("one.sql", "create table taxon (id int primary key, note varchar(20));");
        assertThat(run("reconcile", "memory", one, "--engine", "h2", "--data", folder.toString())).isEqualTo(1);
        assertThat(out).contains("ALTER TABLE taxon ADD COLUMN note varchar(20);");
    }
}
