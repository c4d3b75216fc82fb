package entaxis.bench;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.options.BoundingBox;
import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;

/**
 * Edits at a running server: how long until the answer is whole, over HTTP on loopback and as a browser sees it, and
 * how evenly a card is dragged. Arguments: the server's address, then sizes in entities; or {@code verdicts} for the
 * Normalize desk.
 */
public final class EditLoad {
    private static final Pattern TOKEN = Pattern.compile("X-XSRF-TOKEN&quot;:&quot;([^&]+)&quot;");
    private static final Pattern SELECTED = Pattern.compile("([er][0-9a-z]{10})");
    private static final int EDITS = 300;
    private static final int EDITED = 60;

    private final HttpClient client = HttpClient.newHttpClient();
    private final String base;
    private String cookie = "";
    private String token = "";
    private String design = "";
    private int revision;

    private EditLoad(String base) {
        this.base = base;
    }

    public static void main(String[] arguments) throws IOException, InterruptedException {
        if (arguments.length > 1 && arguments[1].equals("verdicts")) {
            new EditLoad(arguments[0]).verdicts();
            return;
        }
        System.out.println(
                "| entities | HTTP p50 | p95 | max | browser p50 | p95 | with the margin open p50 | p95 | drag: frames "
                        + "over 20 ms | longest frame | pan: frames a second | zoom: frames a second | open |");
        System.out.println("|---|---|---|---|---|---|---|---|---|---|---|---|---|");
        for (int size : Arrays.stream(arguments).skip(1).mapToInt(Integer::parseInt).toArray()) {
            new EditLoad(arguments[0]).measure(size);
        }
    }

    private void measure(int size) throws IOException, InterruptedException {
        List<String> entities = make(size);
        Random random = new Random(1);
        double[] http = new double[EDITS];
        for (int i = -50; i < EDITS; i++) {
            String entity = entities.get(random.nextInt(size));
            String[] edit = switch (Math.floorMod(i, 3)) {
                case 0 -> new String[] {"kind", "entity.name", "entity", entity, "value", "Renamed " + (i + 50)};
                case 1 -> new String[] {"kind", "attribute.add", "owner", entity, "value",
                        "added_" + (i + 50) + " varchar(20) not null"};
                default -> new String[] {"kind", "cards.place", "value",
                        entity + ":" + (entities.indexOf(entity) % 25 * 330 + random.nextInt(80)) + ","
                                + (entities.indexOf(entity) / 25 * 300 + random.nextInt(60))};
            };
            long start = System.nanoTime();
            post("edits", entity, edit);
            if (i >= 0) {
                http[i] = (System.nanoTime() - start) / 1e6;
            }
        }
        post("arrange", "");
        Arrays.sort(http);
        System.out.printf("| %d | %.1f ms | %.1f ms | %.1f ms | %s%n", size, http[EDITS / 2], http[EDITS * 95 / 100],
                http[EDITS - 1], browser());
    }

    /** A design of entities with eight attributes each, every one after the first related to one before it. */
    private List<String> make(int size) throws IOException, InterruptedException {
        page("/");
        HttpResponse<String> created = send("/designs",
                form("name", "Load of " + size, "target", "POSTGRESQL", "size", "A0", "landscape", "true"));
        design = created.headers().firstValue("Location").orElseThrow().replaceFirst(".*/designs/", "");
        page("/designs/" + design);
        List<String> entities = new ArrayList<>();
        Random random = new Random(7);
        for (int i = 0; i < size; i++) {
            HttpResponse<String> added = post("edits", "", "kind", "entity.add", "value", "Entity " + i, "x",
                    String.valueOf(i % 25 * 330), "y", String.valueOf(i / 25 * 300));
            Matcher id = SELECTED.matcher(added.headers().firstValue("HX-Trigger-After-Settle").orElseThrow());
            id.find();
            entities.add(id.group(1));
            post("edits", "", "kind", "attribute.add", "owner", id.group(1), "value",
                    "id_" + i
                            + " integer primary key\nname varchar(60) not null\nmade_on date\nweight numeric(9,2)\n"
                            + "note text\nstate char(2)\nseen boolean");
            if (i > 0) {
                post("edits", "", "kind", "relationship.add", "first",
                        entities.get(Math.max(0, i - 1 - random.nextInt(20))), "second", id.group(1));
            }
        }
        return entities;
    }

    /** How long the verdict on typed dependencies takes, for an entity of 30 attributes with 200 sample rows. */
    private void verdicts() throws IOException, InterruptedException {
        page("/");
        design = send("/designs", form("name", "Verdicts", "target", "POSTGRESQL", "size", "A4", "landscape", "true"))
                .headers().firstValue("Location").orElseThrow().replaceFirst(".*/designs/", "");
        page("/designs/" + design);
        revision = 0;
        Random random = new Random(5);
        StringBuilder sheet =
                new StringBuilder(String.join(",", IntStream.range(0, 30).mapToObj(i -> "a" + i).toList()))
                        .append('\n');
        for (int row = 0; row < 200; row++) {
            int seed = row;
            sheet.append(String.join(",", IntStream.range(0, 30)
                    .mapToObj(i -> String.valueOf(i % 4 == 0 ? seed % (7 + i) : random.nextInt(20 + i))).toList()))
                    .append('\n');
        }
        String boundary = "entaxis-bench";
        HttpResponse<String> brought = client.send(HttpRequest
                .newBuilder(URI.create(base + "/designs/" + design + "/flat"))
                .header("Content-Type", "multipart/form-data; boundary=" + boundary)
                .header("Cookie", cookie).header("X-XSRF-TOKEN", token)
                .POST(HttpRequest.BodyPublishers.ofString("--" + boundary
                        + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\"wide.csv\"\r\nContent-Type: "
                        + "text/csv\r\n\r\n"
                        + sheet + "\r\n--" + boundary + "--\r\n"))
                .build(), BodyHandlers.ofString());
        String entity = brought.headers().firstValue("HX-Redirect").orElseThrow().replaceFirst(".*sel=", "");
        double[] times = new double[EDITS];
        StringBuilder lines = new StringBuilder();
        for (int i = -60; i < EDITS; i++) {
            if (Math.floorMod(i, 20) == 0) {
                lines.setLength(0);
                lines.append("a0, a1 -> a2");
            }
            lines.append("\na").append(random.nextInt(30))
                    .append(random.nextBoolean() ? "" : ", a" + random.nextInt(30)).append(" -> a")
                    .append(random.nextInt(30));
            long start = System.nanoTime();
            HttpResponse<String> answer = send("/designs/" + design + "/normalize/check",
                    form("sel", entity, "lines", lines.toString(), "seen", "1", "reach", "THIRD"));
            if (answer.statusCode() != 200) {
                throw new IllegalStateException(answer.statusCode() + " " + answer.body());
            }
            if (i >= 0) {
                times[i] = (System.nanoTime() - start) / 1e6;
            }
        }
        Arrays.sort(times);
        System.out.printf(
                "verdict, 30 attributes, up to 21 dependencies, 200 rows: p50 %.1f ms, p95 %.1f ms, max %.1f ms%n",
                times[EDITS / 2], times[EDITS * 95 / 100], times[EDITS - 1]);
        System.out.println(
                "the same as a browser shows it, from the keystroke to the next frame: " + shownVerdicts(entity));
    }

    /**
     * Lines typed on the Normalize desk, from the keystroke to the next frame after the verdict; the first twenty warm
     * the browser up.
     */
    private String shownVerdicts(String entity) {
        return inBrowser(page -> {
            page.navigate(base + "/designs/" + design + "/normalize?sel=" + entity);
            page.locator(".verdict").waitFor();
            double[] times = new double[60];
            Random random = new Random(6);
            StringBuilder lines = new StringBuilder("a0, a1 -> a2");
            for (int i = -20; i < times.length; i++) {
                lines.append("\na").append(random.nextInt(30)).append(", a").append(random.nextInt(30)).append(" -> a")
                        .append(random.nextInt(30));
                if (Math.floorMod(i, 20) == 19) {
                    lines.setLength(12);
                }
                double time = ((Number) page.evaluate("""
                        text => new Promise(done => {
                          const field = document.getElementById('lines');
                          const start = performance.now();
                          const settled = event => {
                            if (event.detail.target?.id !== 'verdict') return;
                            document.removeEventListener('htmx:afterSettle', settled);
                            requestAnimationFrame(() => done(performance.now() - start));
                          };
                          document.addEventListener('htmx:afterSettle', settled);
                          field.value = text;
                          field.dispatchEvent(new Event('input', { bubbles: true }));
                        })""", lines.toString())).doubleValue();
                if (i >= 0) {
                    times[i] = time;
                }
            }
            Arrays.sort(times);
            return String.format("p50 %.1f ms, p95 %.1f ms", times[30], times[57]);
        });
    }

    private static String inBrowser(Function<Page, String> work) {
        try (Playwright playwright = Playwright
                .create(new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
                Browser browser = playwright.chromium()
                        .launch(new BrowserType.LaunchOptions().setExecutablePath(Path.of("/usr/bin/chromium"))
                                .setHeadless(true)
                                .setArgs(List.of("--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run",
                                        "--disable-background-networking", "--disable-component-update",
                                        "--disable-sync")))) {
            Page page = browser.newPage(new Browser.NewPageOptions().setViewportSize(1280, 800));
            page.setDefaultTimeout(60_000);
            return work.apply(page);
        }
    }

    private String browser() {
        return inBrowser(page -> {
            long opened = System.nanoTime();
            page.navigate(base + "/designs/" + design + "?lens=tables");
            page.locator("body[data-ready]").waitFor();
            double firstPaint = (System.nanoTime() - opened) / 1e6;
            double[] closed = {};
            double[] open = {};
            // in turn and in both orders, so that a browser and a server that grow warm favour neither
            for (boolean margin : new boolean[] {false, true, true, false}) {
                double[] times = edited(page, margin);
                if (margin) {
                    open = DoubleStream.concat(DoubleStream.of(open), DoubleStream.of(times)).sorted().toArray();
                } else {
                    closed = DoubleStream.concat(DoubleStream.of(closed), DoubleStream.of(times)).sorted().toArray();
                }
            }
            page.evaluate("() => { localStorage.setItem('entaxis.margin', 'closed'); }");
            page.reload();
            page.locator("body[data-ready]").waitFor();
            String drag = drag(page);
            String moving = frames(page, false) + " | " + frames(page, true);
            return String.format("%.1f ms | %.1f ms | %.1f ms | %.1f ms | %s | %s | %.0f ms |", closed[EDITED],
                    closed[2 * EDITED * 95 / 100], open[EDITED], open[2 * EDITED * 95 / 100], drag, moving,
                    firstPaint);
        });
    }

    /**
     * How long sixty renamings of a column take until the next frame, with the margin of findings open or closed;
     * twenty more before them are left out.
     */
    private static double[] edited(Page page, boolean margin) {
        page.evaluate("margin => localStorage.setItem('entaxis.margin', margin)", margin ? "open" : "closed");
        page.reload();
        page.locator("body[data-ready]").waitFor();
        page.locator("#contents .entry").first().click();
        page.locator("#entity-meaning").waitFor();
        if (margin) {
            page.locator("#margin-notes .note").first().waitFor();
        }
        String name = "edited_" + System.nanoTime() % 100_000 + "_";
        double[] times = new double[EDITED];
        for (int i = -20; i < times.length; i++) {
            double time = ((Number) page.evaluate("""
                    text => new Promise(done => {
                      const field = document.getElementById('f-' + document.querySelector('#ledger \
                      tr[data-part]').dataset.part + '-name');
                      const start = performance.now();
                      const settled = event => {
                        document.removeEventListener('htmx:afterSettle', settled);
                        requestAnimationFrame(() => done(performance.now() - start));
                      };
                      document.addEventListener('htmx:afterSettle', settled);
                      field.value = text;
                      field.dispatchEvent(new Event('change', { bubbles: true }));
                    })""", name + (i + 20))).doubleValue();
            if (i >= 0) {
                times[i] = time;
            }
        }
        return times;
    }

    /**
     * Drags a card in the middle of the window at working size for a second and a half, and counts the frames that came
     * late.
     */
    private static String drag(Page page) {
        page.evaluate(
                "async () => { const sheet = await import(document.querySelector('script[src$=\"/diagram.js\"]')"
                        + ".src.replace('diagram.js', 'sheet.js')), s = sheet.state(), c = sheet.centre(); "
                        + "sheet.zoom(0.8 / s.scale, c.x, c.y);"
                        + " const card = sheet.cards.get([...sheet.cards.keys()][Math.floor(sheet.cards.size / 2)]); "
                        + "sheet.pan(0, 0); sheet.reveal(card.id.slice(2)); }");
        page.waitForTimeout(500);
        String id = (String) page.evaluate("() => { const r = document.getElementById('sheet').getBoundingClientRect();"
                + " const c = [...document.querySelectorAll('#cards .card')].find(k => { const b = "
                + "k.getBoundingClientRect(); return b.left > r.left + 200 && b.right < r.right - 250 && b.top > r.top "
                + "+ 60 && b.bottom < r.bottom - 60; });"
                + " const seen = [...document.querySelectorAll('#cards .card')].map(k => [k, "
                + "k.getBoundingClientRect()]).filter(([k, b]) => b.width > 0);"
                + " const off = b => Math.hypot(b.left + b.width / 2 - (r.left + r.right) / 2, b.top + b.height / 2 - "
                + "(r.top + r.bottom) / 2);"
                + " return c ? c.id : seen.sort(([, a], [, b]) => off(a) - off(b))[0][0].id; }");
        BoundingBox box = page.locator("#" + id).boundingBox();
        page.mouse().move(box.x + 60, box.y + 10);
        page.mouse().down();
        page.evaluate(
                "() => { window.frames_ = []; let last = performance.now(); const tick = now => { "
                        + "window.frames_.push(now - last); last = now; window.ticking = requestAnimationFrame(tick); "
                        + "}; requestAnimationFrame(tick); }");
        for (int i = 1; i <= 90; i++) {
            page.mouse().move(box.x + 60 + 70 * Math.sin(i / 9.0), box.y + 10 + 50 * Math.cos(i / 7.0));
            page.waitForTimeout(12);
        }
        @SuppressWarnings("unchecked")
        List<Number> frames = (List<Number>) page.evaluate(
                "() => { cancelAnimationFrame(window.ticking); return window.frames_.slice(2).map(f => f + 0.0001); }");
        page.mouse().up();
        long late = frames.stream().filter(frame -> frame.doubleValue() > 20).count();
        double longest = frames.stream().mapToDouble(Number::doubleValue).max().orElse(0);
        return String.format("%d of %d | %.0f ms", late, frames.size(), longest);
    }

    /** Frames a second while the wheel pans, or zooms out to the whole sheet and in again, for about two seconds. */
    private static String frames(Page page, boolean zoom) {
        page.mouse().move(640, 300);
        page.evaluate(
                "() => { window.frames_ = []; let last = performance.now(); const tick = now => { "
                        + "window.frames_.push(now - last); last = now; window.ticking = requestAnimationFrame(tick); "
                        + "}; requestAnimationFrame(tick); }");
        if (zoom) {
            page.keyboard().down("Control");
        }
        for (int i = 0; i < 120; i++) {
            page.mouse().wheel(zoom || i % 2 == 0 ? 0 : 30, zoom ? i < 60 ? 40 : -40 : i < 60 ? 40 : -40);
            page.waitForTimeout(14);
        }
        if (zoom) {
            page.keyboard().up("Control");
        }
        @SuppressWarnings("unchecked")
        List<Number> frames = (List<Number>) page.evaluate(
                "() => { cancelAnimationFrame(window.ticking); return window.frames_.slice(2).map(f => f + 0.0001); }");
        double mean = frames.stream().mapToDouble(Number::doubleValue).average().orElse(0);
        return String.format("%.0f", 1000 / mean);
    }

    private void page(String path) throws IOException, InterruptedException {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(base + path));
        if (!cookie.isEmpty()) {
            request.header("Cookie", cookie);
        }
        HttpResponse<String> page = client.send(request.build(), BodyHandlers.ofString());
        page.headers().firstValue("Set-Cookie").ifPresent(value -> cookie = value.split(";")[0]);
        Matcher matcher = TOKEN.matcher(page.body());
        matcher.find();
        token = matcher.group(1);
    }

    private HttpResponse<String> post(String what, String selected, String... fields)
            throws IOException, InterruptedException {
        List<String> all = new ArrayList<>(List.of(fields));
        all.addAll(List.of("seen", String.valueOf(revision), "lens", "tables", "sel", selected));
        HttpResponse<String> answer = send("/designs/" + design + "/" + what, form(all.toArray(String[]::new)));
        if (answer.statusCode() != 200) {
            throw new IllegalStateException(answer.statusCode() + " " + answer.body());
        }
        revision++;
        return answer;
    }

    private HttpResponse<String> send(String path, String body) throws IOException, InterruptedException {
        return client.send(
                HttpRequest.newBuilder(URI.create(base + path))
                        .header("Content-Type", "application/x-www-form-urlencoded").header("Cookie", cookie)
                        .header("X-XSRF-TOKEN", token).POST(HttpRequest.BodyPublishers.ofString(body)).build(),
                BodyHandlers.ofString());
    }

    private static String form(String... fields) {
        StringBuilder body = new StringBuilder();
        for (int i = 0; i < fields.length; i += 2) {
            body.append(i == 0 ? "" : "&").append(fields[i]).append('=')
                    .append(URLEncoder.encode(fields[i + 1], StandardCharsets.UTF_8));
        }
        return body.toString();
    }
}
