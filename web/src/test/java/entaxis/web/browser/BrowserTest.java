package entaxis.web.browser;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import entaxis.web.demo.SeedVault;
import entaxis.web.store.DesignStore;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** A real browser at the running application. A page that reports an error of its own fails the test that opened it. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
abstract class BrowserTest {
    /** The data folder of the application that all these tests share. */
    private static final String DATA = folder();
    protected static Browser browser;

    @LocalServerPort
    private int port;

    @Autowired
    protected DesignStore store;

    private BrowserContext context;
    private final List<String> troubles = new ArrayList<>();
    private String expected = "";
    protected Page page;

    @DynamicPropertySource
    static void dataFolder(DynamicPropertyRegistry registry) {
        registry.add("entaxis.data", () -> DATA);
    }

    private static String folder() {
        try {
            return Files.createTempDirectory(Files.createDirectories(Path.of("target/it")), "data").toAbsolutePath()
                    .toString();
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    /** One browser for all tests of a process, which ends with it; each test has a window of its own. */
    @BeforeAll
    static void launch() {
        if (browser != null) {
            return;
        }
        Path chromium = Stream.of("/usr/bin/chromium", "/usr/bin/chromium-browser").map(Path::of)
                .filter(Files::isExecutable).findFirst()
                .orElseThrow(() -> new IllegalStateException("Chromium is not installed; ./entaxis test installs it"));
        Playwright playwright = Playwright
                .create(new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        browser = playwright.chromium()
                .launch(new BrowserType.LaunchOptions().setExecutablePath(chromium).setHeadless(true)
                        .setArgs(List.of("--no-sandbox",
                                "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking",
                                "--disable-component-update", "--disable-sync")));
        PlaywrightAssertions.setDefaultAssertionTimeout(40_000);
    }

    @BeforeEach
    void open() {
        context = browser.newContext(new Browser.NewContextOptions().setViewportSize(1280, 800));
        context.setDefaultTimeout(40_000);
        context.setDefaultNavigationTimeout(60_000);
        page = context.newPage();
        page.onPageError(troubles::add);
        page.onConsoleMessage(message -> {
            if (message.type().equals("error") && !message.text().contains("422") && !abandoned(message.text())
                    && (expected.isEmpty() || !message.text().contains(expected))) {
                troubles.add(message.text());
            }
        });
    }

    /**
     * Whether a page tells that it was left while an answer was on its way, as people do; an answer that failed is told
     * in other words.
     */
    private static boolean abandoned(String message) {
        return message.startsWith("htmx:sendAbort") || message.startsWith("htmx:afterRequest");
    }

    /** Lets the browser report answers of this status. */
    protected void mayReport(String status) {
        expected = status;
    }

    @AfterEach
    void close() {
        context.pages().forEach(Page::unrouteAll);
        context.close();
        Assertions.assertThat(troubles).as("errors on the page").isEmpty();
    }

    /** The address of a path of the application. */
    protected String address(String path) {
        return "http://localhost:" + port + path;
    }

    /** Opens a page and, where it has a sheet, waits until that can be used. */
    protected void go(String path) {
        page.navigate(address(path));
        if (page.locator("#sheet").count() > 0) {
            ready(page);
        }
    }

    /**
     * Waits until the sheet of a window can be used: a minute, as the first page of a server and a browser that have
     * just started takes long on a busy machine. A failure tells where the page and the server stand.
     */
    protected void ready(Page window) {
        try {
            window.locator("body[data-ready]").waitFor(new Locator.WaitForOptions().setTimeout(60_000));
        } catch (TimeoutError e) {
            throw new AssertionError("No sheet at " + window.url() + ", " + troubles + "\n" + threads(), e);
        }
    }

    /** What the threads of the server are doing, idle ones left out. */
    private static String threads() {
        return Thread.getAllStackTraces().entrySet().stream()
                .filter(thread -> Stream.of(thread.getValue()).anyMatch(at -> at.getClassName().contains("entaxis")))
                .map(thread -> thread.getKey() + "\n    "
                        + Stream.of(thread.getValue()).map(Object::toString).collect(Collectors.joining("\n    ")))
                .collect(Collectors.joining("\n"));
    }

    /** Goes to another desk by its link in the strip, and waits until that desk's scripts have taken hold of it. */
    protected void to(String desk) {
        page.locator("#to-" + desk).click();
        page.waitForFunction(
                "desk => document.readyState === 'complete' && document.querySelector('#to-' + desk + "
                        + "'[aria-current=page]') !== null",
                desk);
    }

    /** Keeps the demo design and returns its address. */
    protected String demo() {
        return "/designs/" + store.create(SeedVault.design());
    }

    /**
     * Starts a design through the form on the first page. A click that a machine too busy for it has lost is made once
     * more, as people do.
     */
    protected void newDesign(String name) {
        go("/");
        page.locator("#new-name").fill(name);
        page.locator("#create-design").click();
        try {
            page.waitForURL("**/designs/**", new Page.WaitForURLOptions().setTimeout(20_000));
        } catch (TimeoutError lost) {
            page.locator("#create-design").click();
        }
        ready(page);
    }

    /** The card with this name on the sheet. */
    protected Locator card(String name) {
        return page.locator("#cards .card:has(> text:text-is(\"" + name + "\"))");
    }

    /** Waits until the strip says that this revision is kept. */
    protected void kept(int revision) {
        PlaywrightAssertions.assertThat(page.locator("#kept")).hasText("All kept · revision " + revision);
    }

    /** What errors the page has reported so far; cleared by reading. */
    protected List<String> takeTroubles() {
        List<String> taken = List.copyOf(troubles);
        troubles.clear();
        return taken;
    }
}
