package entaxis.web;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * One short run before the first real one: every desk is asked for once and the server stops, so that the JVM can
 * record what a start needs.
 */
@Component
@ConditionalOnProperty(name = "entaxis.training", havingValue = "server")
class Training {
    private static final Pattern DESIGN = Pattern.compile("href=\"(/designs/d[0-9a-z]+)\"");

    @EventListener
    void ready(ApplicationReadyEvent event) throws IOException, InterruptedException {
        try (HttpClient client = HttpClient.newHttpClient()) {
            String base = "http://127.0.0.1:"
                    + ((WebServerApplicationContext) event.getApplicationContext()).getWebServer().getPort();
            Matcher design = DESIGN.matcher(get(client, base + "/"));
            if (design.find()) {
                for (String page : List.of("", "?lens=tables", "/normalize", "/sentences", "/sql", "/trial",
                        "/reconcile", "/picture.svg", "/sheet.svg", "/ledger?sel=e2")) {
                    get(client, base + design.group(1) + page);
                }
            }
        }
        System.exit(SpringApplication.exit(event.getApplicationContext(), () -> 0));
    }

    private static String get(HttpClient client, String address) throws IOException, InterruptedException {
        return client.send(HttpRequest.newBuilder(URI.create(address)).build(), BodyHandlers.ofString()).body();
    }
}
