package entaxis.web;

import entaxis.web.cli.CommandLine;
import java.io.IOException;
import java.io.OutputStream;
import java.io.PrintStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.util.FileSystemUtils;

/** One short run before the first real one: every desk is asked for and every command carried out once, and the server stops, so that the JVM can record what a start needs. */
@Component
@ConditionalOnProperty("entaxis.training")
class Training {
    private static final String SCRIPT = "CREATE TABLE tray (no integer PRIMARY KEY, sown_on date);\nCREATE TABLE seed (tray_no integer NOT NULL REFERENCES tray, position integer, PRIMARY KEY (tray_no, position));\n";
    private static final Pattern DESIGN = Pattern.compile("href=\"(/designs/d[0-9a-z]+)\"");

    @EventListener
    void ready(ApplicationReadyEvent event) throws IOException, InterruptedException {
        try (HttpClient client = HttpClient.newHttpClient()) {
            String base = "http://127.0.0.1:" + ((WebServerApplicationContext) event.getApplicationContext()).getWebServer().getPort();
            Matcher design = DESIGN.matcher(get(client, base + "/"));
            if (design.find()) {
                for (String page : List.of("", "?lens=tables", "/normalize", "/sentences", "/sql", "/trial", "/reconcile", "/picture.svg", "/sheet.svg", "/ledger?sel=e2")) {
                    get(client, base + design.group(1) + page);
                }
            }
        }
        commands();
        System.exit(SpringApplication.exit(event.getApplicationContext(), () -> 0));
    }

    private static void commands() throws IOException {
        Path folder = Files.createTempDirectory("entaxis-training");
        Path script = Files.writeString(folder.resolve("tray.sql"), SCRIPT);
        Path relation = Files.writeString(folder.resolve("tray.txt"), "Sowing(tray, position, sown)\ntray -> sown\n");
        PrintStream nowhere = new PrintStream(OutputStream.nullOutputStream(), false, StandardCharsets.UTF_8);
        CommandLine commands = new CommandLine(nowhere, nowhere);
        commands.run("read", script.toString(), "--engine", "postgresql", "--json");
        commands.run("sql", script.toString(), "--from", "postgresql", "--to", "mysql");
        commands.run("draw", script.toString(), "--engine", "postgresql", folder.resolve("tray.svg").toString());
        commands.run("reconcile", script.toString(), script.toString(), "--engine", "postgresql");
        commands.run("normalize", relation.toString(), "--json");
        FileSystemUtils.deleteRecursively(folder);
    }

    private static String get(HttpClient client, String address) throws IOException, InterruptedException {
        return client.send(HttpRequest.newBuilder(URI.create(address)).build(), BodyHandlers.ofString()).body();
    }
}
