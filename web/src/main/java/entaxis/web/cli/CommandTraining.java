package entaxis.web.cli;

import java.io.IOException;
import java.io.OutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.util.FileSystemUtils;

/**
 * One short run before the first real one: every command is carried out once, so that the JVM can record what the
 * commands need.
 */
public final class CommandTraining {
    private static final String SCRIPT = """
            CREATE TYPE state AS ENUM ('sown', 'up');
            CREATE DOMAIN grams AS numeric(8,2) CHECK (VALUE >= 0);
            CREATE SEQUENCE labels START WITH 5;
            CREATE TABLE tray (no serial PRIMARY KEY, sown_on date DEFAULT current_date, label varchar(20) UNIQUE);
            CREATE TABLE seed (tray_no integer NOT NULL REFERENCES tray ON DELETE CASCADE, position integer,
              now state DEFAULT 'sown', weight grams, CHECK (position > 0), PRIMARY KEY (tray_no, position));
            CREATE INDEX seed_now ON seed (now, weight DESC) WHERE weight > 1;
            CREATE VIEW heavy AS SELECT tray_no, weight FROM seed WHERE weight > 100;
            CREATE FUNCTION twice(w numeric, n integer DEFAULT 2) RETURNS numeric LANGUAGE sql AS 'SELECT w * n';
            CREATE FUNCTION mark() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN NEW.now := 'up'; RETURN NEW; END $$;
            CREATE TRIGGER marked BEFORE INSERT ON seed FOR EACH ROW EXECUTE FUNCTION mark();
            COMMENT ON TABLE tray IS 'A tray';
            GRANT SELECT ON tray TO reader;
            """;
    /** The same in the words of a dump, and further on. */
    private static final String DUMP = SCRIPT.replace("TABLE tray", "TABLE public.tray").replace("$$", "$_$")
            .replace("NEW.now", "  NEW.now").replace("varchar(20)", "character varying(40)")
            .replace("CREATE INDEX", "ALTER TABLE ONLY seed ADD COLUMN note text;\nCREATE INDEX");
    private static final String RELATION = "Sowing(tray, position, sown)\ntray -> sown\n";

    private CommandTraining() { }

    /**
     * Carries all commands out on small files of its own.
     *
     * @throws IOException if the temporary folder cannot be written
     */
    public static void run() throws IOException {
        Path folder = Files.createTempDirectory("entaxis-training");
        String script = Files.writeString(folder.resolve("tray.sql"), SCRIPT).toString();
        String dump = Files.writeString(folder.resolve("dump.sql"), DUMP).toString();
        String relation = Files.writeString(folder.resolve("tray.txt"), RELATION).toString();
        String rows = Files.writeString(folder.resolve("tray.csv"), "tray,position\n1,1\n1,2\n").toString();
        PrintStream nowhere = new PrintStream(OutputStream.nullOutputStream(), false, StandardCharsets.UTF_8);
        Commands commands = new Commands(nowhere, nowhere);
        commands.run("read", script, "--engine", "postgresql", "--json");
        commands.run("sql", script, "--from", "postgresql", "--to", "mysql");
        commands.run("draw", script, "--engine", "postgresql", folder.resolve("tray.svg").toString());
        commands.run("reconcile", script, dump, "--engine", "postgresql");
        commands.run("reconcile", dump, script, "--engine", "postgresql", "--json");
        commands.run("check", script, "--engine", "postgresql");
        commands.run("check", script, "--engine", "mysql", "--sarif");
        commands.run("dictionary", script, "--engine", "postgresql", folder.resolve("tray.html").toString());
        commands.run("normalize", relation, "--json");
        commands.run("discover", rows, "--json");
        FileSystemUtils.deleteRecursively(folder);
    }
}
