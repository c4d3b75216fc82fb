package entaxis.bench;

import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** One window at a running server, as far as requests go: its cookie, its token, the revision that it shows. */
final class Visitor {
    private static final Pattern TOKEN = Pattern.compile("X-XSRF-TOKEN&quot;:&quot;([^&]+)&quot;");
    private static final Pattern REVISION = Pattern.compile("data-revision=\"(\\d+)\"");

    private final HttpClient client;
    private final String base;
    private final String window = UUID.randomUUID().toString().substring(0, 12);
    private String cookie = "";
    private String token = "";
    private int revision;

    Visitor(HttpClient client, String base) {
        this.client = client;
        this.base = base;
    }

    /** Opens a page and remembers what its forms carry. */
    HttpResponse<String> page(String path) throws IOException, InterruptedException {
        HttpResponse<String> page = get(path);
        page.headers().firstValue("Set-Cookie").ifPresent(set -> cookie = set.split(";")[0]);
        Matcher found = TOKEN.matcher(page.body());
        if (found.find()) {
            token = found.group(1);
        }
        seen(page.body());
        return page;
    }

    HttpResponse<String> get(String path) throws IOException, InterruptedException {
        return client.send(HttpRequest.newBuilder(URI.create(base + path)).header("Cookie", cookie)
                .timeout(Duration.ofSeconds(60)).build(), BodyHandlers.ofString());
    }

    /** Posts a form: names and values in turn. */
    HttpResponse<String> post(String path, String... fields) throws IOException, InterruptedException {
        List<String> all = new ArrayList<>(List.of(fields));
        all.addAll(List.of("seen", Integer.toString(revision), "lens", "concept", "window", window));
        StringBuilder form = new StringBuilder();
        for (int i = 0; i < all.size(); i += 2) {
            form.append(i == 0 ? "" : "&").append(encoded(all.get(i))).append('=').append(encoded(all.get(i + 1)));
        }
        HttpResponse<String> answer = client.send(
                HttpRequest.newBuilder(URI.create(base + path))
                        .header("Content-Type", "application/x-www-form-urlencoded").header("Cookie", cookie)
                        .header("X-XSRF-TOKEN", token).header("HX-Request", "true").timeout(Duration.ofSeconds(60))
                        .POST(HttpRequest.BodyPublishers.ofString(form.toString())).build(),
                BodyHandlers.ofString());
        seen(answer.body());
        return answer;
    }

    /** Posts a file in the field {@code file}, with other fields. */
    HttpResponse<String> upload(String path, String name, byte[] content, String... fields)
            throws IOException, InterruptedException {
        String boundary = "entaxis-bench-" + window;
        StringBuilder head = new StringBuilder();
        for (int i = 0; i < fields.length; i += 2) {
            head.append("--").append(boundary).append("\r\nContent-Disposition: form-data; name=\"").append(fields[i])
                    .append("\"\r\n\r\n").append(fields[i + 1]).append("\r\n");
        }
        head.append("--").append(boundary).append("\r\nContent-Disposition: form-data; name=\"file\"; filename=\"")
                .append(name).append("\"\r\n\r\n");
        List<byte[]> parts = List.of(head.toString().getBytes(StandardCharsets.UTF_8), content,
                ("\r\n--" + boundary + "--\r\n").getBytes(StandardCharsets.UTF_8));
        return client.send(HttpRequest.newBuilder(URI.create(base + path))
                .header("Content-Type", "multipart/form-data; boundary=" + boundary).header("Cookie", cookie)
                .header("X-XSRF-TOKEN", token).header("HX-Request", "true").timeout(Duration.ofSeconds(120))
                .POST(HttpRequest.BodyPublishers.ofByteArrays(parts)).build(), BodyHandlers.ofString());
    }

    /** The revision that the window shows. */
    int revision() {
        return revision;
    }

    private void seen(String body) {
        Matcher found = REVISION.matcher(body);
        if (found.find()) {
            revision = Integer.parseInt(found.group(1));
        }
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }
}
