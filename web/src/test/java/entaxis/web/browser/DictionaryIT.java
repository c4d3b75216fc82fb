package entaxis.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.dictionary.Dictionary;
import entaxis.core.random.RandomDesigns;
import entaxis.exchange.dictionary.HtmlDictionary;
import entaxis.exchange.dictionary.WritingProgress;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** The Dictionary desk, dictionaries as files, and files that are opened on the first page. */
class DictionaryIT extends BrowserTest {
    private byte[] saved(String format) throws IOException {
        page.locator("#dictionary-save select").selectOption(format);
        Download download = page.waitForDownload(() -> page.locator("#dictionary-save button").click());
        return Files.readAllBytes(download.path());
    }

    @Test
    void meaningsAreWrittenByKeyboardOneAfterTheOther() {
        go(demo() + "/dictionary");
        page.keyboard().press("Alt+n");
        page.keyboard().type("what it is called by us");
        page.keyboard().press("Enter");
        kept(1);
        assertThat(page.locator("#dictionary-progress")).containsText("9 of 56");
        page.keyboard().press("Escape");
        page.keyboard().press("Alt+n");
        page.keyboard().type("a rank");
        page.keyboard().press("Enter");
        kept(2);
        page.reload();
        assertThat(page.locator("#book")).containsText("what it is called by us");
        page.keyboard().press("Control+z");
        assertThat(page.locator("#dictionary-progress")).containsText("9 of 56");
    }

    @Test
    void severalPastedLinesFillSeveralCellsAsOneEdit() {
        go(demo() + "/dictionary");
        page.locator(".c-meaning .cell").first().click();
        page.evaluate("""
                const data = new DataTransfer();
                data.setData('text', 'first\\nsecond\\nthird');
                document.querySelector('.cell-field').dispatchEvent(new ClipboardEvent('paste', { clipboardData: \
                data, bubbles: true, cancelable: true }))""");
        kept(1);
        assertThat(page.locator(".c-meaning .cell").nth(2)).hasText("third");
        page.locator("#undo").click();
        assertThat(page.locator(".c-meaning .cell").nth(2)).not().hasText("third");
    }

    @Test
    void whatIsShownCanBeChosen() {
        go(demo() + "/dictionary");
        page.locator("#options [name=undescribed]").check();
        assertThat(page.locator("#book")).not().containsText("scientific name");
        page.locator("#options [name=words]").fill("slot");
        assertThat(page.locator("#book h3").first()).hasText("Slot");
        assertThat(page.locator("td.c-target").first()).isHidden();
        page.locator("#show-target").check();
        assertThat(page.locator("td.c-target").first()).isVisible();
    }

    /** The page of its own is opened without any network; axe (WCAG) finds nothing serious in it. */
    @Test
    void theHtmlFileStandsAlone() throws IOException {
        go(demo() + "/dictionary");
        Path file = Files.write(Files.createTempFile(Path.of("target"), "dictionary", ".html"), saved("HTML"));
        page.context().setOffline(true);
        page.context().route(url -> url.startsWith("http"), route -> {
            throw new AssertionError("it asks for " + route.request().url());
        });
        page.navigate(file.toUri().toString());
        assertThat(page.locator("#accession h3")).hasText("Accession");
        page.locator(".drawing a[href='#slot']").first().click();
        Assertions.assertThat(page.url()).endsWith("#slot");
        page.locator("#search").fill("partner");
        assertThat(page.locator("#vault")).isHidden();
        assertThat(page.locator("#found")).containsText("of 19");
        Assertions.assertThat(new AxeBuilder(page).analyze().getViolations().stream()
                .filter(violation -> List.of("serious", "critical").contains(violation.getImpact()))
                .map(violation -> violation.getId() + " " + violation.getNodes().getFirst().getHtml())).isEmpty();
    }

    /** Most entities of a large page come in after it is on the screen; nobody has to know. */
    @Test
    void aLargeHtmlFileFillsItselfIn() throws IOException {
        Design design = RandomDesigns.design(3, 140);
        Dictionary dictionary = Dictionary.of(design, Derivation.of(design));
        int entities = (int) dictionary.entities().count();
        Path file = Files.createTempFile(Path.of("target"), "large", ".html");
        Files.writeString(file, HtmlDictionary.write(dictionary, List.of(), "1", WritingProgress.UNWATCHED));
        String last = dictionary.entities().toList().getLast().name();
        page.navigate(file.toUri().toString());
        page.locator("nav a").last().click();
        assertThat(page.locator(".entity:target h3")).hasText(last);
        String address = page.url();
        page.navigate("about:blank");
        page.navigate(address);
        assertThat(page.locator(".entity:target h3")).isInViewport();
        page.locator("#search").fill(last);
        assertThat(page.locator("#found")).containsText("of " + entities);
        assertThat(page.locator("noscript")).hasCount(0);
        try (BrowserContext plain =
                page.context().browser().newContext(new Browser.NewContextOptions().setJavaScriptEnabled(false))) {
            Page still = plain.newPage();
            still.navigate(file.toUri().toString());
            assertThat(still.locator(".entity")).hasCount(entities);
        }
    }

    @Test
    void aDictionaryGoesOutAndComesBackWithMeanings() throws IOException {
        go(demo() + "/dictionary");
        String csv = new String(saved("CSV"), StandardCharsets.UTF_8);
        String filled = csv.replaceFirst("(Requests,Researcher,[^\\r\\n]*,full_name,[^\\r\\n]*,),([^,\\r\\n]*\\r\\n)",
                "$1called so in letters,$2");
        Assertions.assertThat(filled).isNotEqualTo(csv);
        page.locator("#back-file")
                .setInputFiles(new FilePayload("filled.csv", "text/csv", filled.getBytes(StandardCharsets.UTF_8)));
        page.locator("#back-go").click();
        assertThat(page.locator(".differences-in li")).hasCount(1);
        assertThat(page.locator(".differences-in li")).containsText("called so in letters");
        page.locator("#take-differences").click();
        assertThat(page.locator("#book")).containsText("called so in letters");
        kept(1);
    }

    @Test
    void aSpreadsheetOfSomebodyElseBecomesADesign() {
        go("/");
        page.locator("#open-file").setInputFiles(new FilePayload("client.csv", "text/csv", """
                Table;Field;Data type;Primary key;Mandatory;Refers to;Explanation
                Jar;jar_no;Char 6;x;x;;painted on the lid
                Jar;shelf_no;whole number;;x;Shelf;
                Shelf;shelf_no;whole number;x;x;;
                Shelf;colour;squiggle;;;;
                """.getBytes(StandardCharsets.UTF_8)));
        assertThat(page.locator("#import-counts")).hasText("2 entities, 1 relationship");
        assertThat(page.locator(".missed")).containsText("client, C5: “squiggle”");
        page.locator("select[name=role-0-6]").selectOption("EXAMPLE");
        page.locator("#import-again").click();
        assertThat(page.locator("select[name=role-0-6]")).hasValue("EXAMPLE");
        page.locator("#import-go").click();
        ready(page);
        assertThat(card("Jar")).isVisible();
    }

    /** Saved, opened and saved again, it is the same file to the byte. */
    @Test
    void aDesignIsSavedAndOpened() throws IOException {
        go(demo());
        byte[] file = Files.readAllBytes(page.waitForDownload(() -> page.locator("#save-design").click()).path());
        go("/");
        page.locator("#open-file").setInputFiles(new FilePayload("mine.json", "application/json", file));
        ready(page);
        assertThat(card("Accession")).isVisible();
        byte[] again = Files.readAllBytes(page.waitForDownload(() -> page.locator("#save-design").click()).path());
        Assertions.assertThat(again).isEqualTo(file);
        go("/");
        page.locator("#open-file").setInputFiles(new FilePayload("broken.json", "application/json",
                "{\"entities\": 3}".getBytes(StandardCharsets.UTF_8)));
        assertThat(page.locator(".open-faults")).containsText("broken.json");
        assertThat(page.locator(".open-faults")).containsText("entities");
        page.locator("#open-file").setInputFiles(new FilePayload("script.sql", "text/plain",
                "create table t (id int auto_increment primary key) engine=innodb;".getBytes(StandardCharsets.UTF_8)));
        page.locator("textarea[name=script]").waitFor();
        Assertions.assertThat(page.locator("textarea[name=script]").inputValue()).contains("auto_increment");
        assertThat(page.locator("select[name=engine]")).hasValue("MYSQL");
    }
}
