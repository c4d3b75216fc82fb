package entaxis.bench;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.options.FilePayload;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.dictionary.Dictionary;
import entaxis.core.random.RandomDesigns;
import entaxis.drawing.layout.FirstSheet;
import entaxis.drawing.text.TextMeasure;
import entaxis.exchange.DesignFile;
import entaxis.exchange.dictionary.HtmlDictionary;
import entaxis.exchange.dictionary.WritingProgress;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * Dictionaries as a browser sees them: the desk with more than 2000 attributes (opened, a meaning written and the next
 * cell open, scrolled), and the page of 1000 entities that is opened from a disk. Argument: the server's address.
 */
public final class DictionaryDesk {
    private static final int EDITS = 20;

    private DictionaryDesk() { }

    /** Prints the table. */
    public static void main(String[] arguments) throws IOException {
        try (Playwright playwright = Playwright
                .create(new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")))) {
            Browser browser = playwright.chromium()
                    .launch(new BrowserType.LaunchOptions().setExecutablePath(Path.of("/usr/bin/chromium"))
                            .setHeadless(true)
                    .setArgs(List.of("--no-sandbox", "--disable-gpu")));
            Page page = browser.newPage();
            System.out.println("| what | aim | measured |");
            System.out.println("|---|---|---|");
            desk(page, arguments[0]);
            file(page);
        }
    }

    private static void desk(Page page, String server) {
        Design design = FirstSheet.arranged(RandomDesigns.design(2, 250), new TextMeasure());
        long attributes = Dictionary.of(design, Derivation.of(design)).entities()
                .mapToLong(entity -> entity.attributes().size()).sum();
        page.navigate(server + "/");
        page.locator("#open-file").setInputFiles(new FilePayload("bench.json", "application/json",
                DesignFile.write(design, content -> Optional.empty()).getBytes(StandardCharsets.UTF_8)));
        page.locator("body[data-ready]").waitFor();
        String address = page.url().replaceFirst("(/designs/\\w+).*", "$1/dictionary");
        long begin = System.nanoTime();
        page.navigate(address);
        page.locator("#book .cell").first().waitFor();
        told("Dictionary desk of " + attributes + " attributes, opened", "", (System.nanoTime() - begin) / 1_000_000);
        page.locator("#next-undescribed").click();
        long[] times = new long[EDITS];
        for (int i = 0; i < EDITS; i++) {
            page.locator(".cell-field").fill("what it means " + i);
            begin = System.nanoTime();
            page.keyboard().press("Enter");
            page.waitForFunction(
                    "() => document.querySelector('.cell-field') && "
                            + "!document.querySelector('.cell-field').value.startsWith('what it means')");
            times[i] = (System.nanoTime() - begin) / 1_000_000;
        }
        Arrays.sort(times);
        told("a meaning written, the next cell open (median of " + EDITS + ")", "100 ms", times[EDITS / 2]);
        page.keyboard().press("Escape");
        Object frames = page.evaluate(
                "() => new Promise(done => { const book = document.getElementById('book'), times = []; let last = "
                        + "performance.now();"
                        + " const step = now => { times.push(now - last); last = now; book.scrollTop += 120; if "
                        + "(times.length < 180) requestAnimationFrame(step); else { times.sort((a, b) => a - b); "
                        + "done(times[171]); } };"
                + " requestAnimationFrame(step); })");
        System.out.printf(Locale.ROOT, "| scrolling it: a frame, at the 95th percentile | 20 ms | %.1f ms |%n",
                ((Number) frames).doubleValue());
    }

    private static void file(Page page) throws IOException {
        Design design = RandomDesigns.design(1, 1000);
        Path file = Files.createTempFile("dictionary", ".html");
        Files.writeString(file, HtmlDictionary.write(Dictionary.of(design, Derivation.of(design)), List.of(), "bench",
                WritingProgress.UNWATCHED));
        long[] times = new long[5];
        for (int i = 0; i < times.length; i++) {
            long begin = System.nanoTime();
            page.navigate(file.toUri().toString());
            page.evaluate("() => new Promise(done => requestAnimationFrame(() => requestAnimationFrame(done)))");
            times[i] = (System.nanoTime() - begin) / 1_000_000;
        }
        Arrays.sort(times);
        told("page of 1000 entities opened from a disk (median of 5)", "1000 ms", times[2]);
        Files.delete(file);
    }

    private static void told(String what, String aim, long millis) {
        System.out.println("| " + what + " | " + aim + " | " + millis + " ms |");
    }
}
