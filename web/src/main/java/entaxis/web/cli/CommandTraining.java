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
    private static final String SCRIPT = "CREATE TABLE tray (no integer PRIMARY KEY, sown_on date);\n"
            + "CREATE TABLE seed (tray_no integer NOT NULL REFERENCES tray, position integer, PRIMARY KEY (tray_no, "
            + "position));\n";
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
        String relation = Files.writeString(folder.resolve("tray.txt"), RELATION).toString();
        String rows = Files.writeString(folder.resolve("tray.csv"), "tray,position\n1,1\n1,2\n").toString();
        PrintStream nowhere = new PrintStream(OutputStream.nullOutputStream(), false, StandardCharsets.UTF_8);
        CommandLine commands = new CommandLine(nowhere, nowhere);
        commands.run("read", script, "--engine", "postgresql", "--json");
        commands.run("sql", script, "--from", "postgresql", "--to", "mysql");
        commands.run("draw", script, "--engine", "postgresql", folder.resolve("tray.svg").toString());
        commands.run("reconcile", script, script, "--engine", "postgresql");
        commands.run("check", script, "--engine", "postgresql");
        commands.run("check", script, "--engine", "mysql", "--sarif");
        commands.run("dictionary", script, "--engine", "postgresql", folder.resolve("tray.html").toString());
        commands.run("normalize", relation, "--json");
        commands.run("discover", rows, "--json");
        FileSystemUtils.deleteRecursively(folder);
    }
}
