package entaxis.web.browser;

import com.microsoft.playwright.Page;
import entaxis.web.demo.SowingSheet;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

/**
 * Takes the pictures of the main views for the README, from the demo design, when asked to: {@code
 * -Dentaxis.screenshots=../docs/screenshots}.
 */
@EnabledIfSystemProperty(named = "entaxis.screenshots", matches = ".+")
class ScreenshotsIT extends BrowserTest {

    @Test
    void mainViews() {
        // other tests of the same run leave designs behind; the pictures show the demo alone
        store.list().forEach(row -> store.delete(row.id()));
        String design = demo();
        go("/");
        page.waitForTimeout(800);
        picture("home");
        go(design);
        page.locator("#contents .entry", new Page.LocatorOptions().setHasText("Collecting trip")).click();
        page.locator("#about-entity").waitFor();
        page.waitForTimeout(300);
        picture("diagram-concept");
        go(design + "?lens=tables");
        page.locator("#contents .entry", new Page.LocatorOptions().setHasText("Accession")).click();
        page.locator("#about-entity").waitFor();
        page.mouse().move(560, 200);
        page.keyboard().down("Control");
        page.mouse().wheel(0, -110);
        page.mouse().wheel(0, -110);
        page.keyboard().up("Control");
        page.mouse().wheel(0, -60);
        page.waitForTimeout(400);
        picture("diagram-tables");
        go(design);
        page.locator("#contents .entry", new Page.LocatorOptions().setHasText("Slot")).click();
        page.locator("#ledger .sentence", new Page.LocatorOptions().setHasText("accession")).click();
        page.locator("#about-relationship").waitFor();
        page.waitForTimeout(300);
        picture("diagram-relationship");
        page.locator("#sheet-tabs button", new Page.LocatorOptions().setHasText("Store")).click();
        page.locator("#contents .entry", new Page.LocatorOptions().setHasText("Slot")).click();
        page.locator("#about-entity").waitFor();
        page.locator("#sheet").focus();
        page.keyboard().press("0");
        page.waitForTimeout(400);
        picture("sheet-idef1x");
        page.locator("#sheet").focus();
        page.keyboard().press("x");
        page.waitForTimeout(300);
        picture("save-picture");
        findingsAndDictionary(design);
        desks(design);
    }

    private void findingsAndDictionary(String design) {
        go(design);
        page.keyboard().press("f");
        page.locator("#margin .note").first().waitFor();
        page.locator("#margin .preview").first().click();
        page.locator("#margin .foreseen").waitFor();
        picture("findings");
        page.locator(".margin-close").click();
        go(design + "/findings?by=rule");
        page.waitForTimeout(300);
        picture("findings-list");
        go(design + "/dictionary");
        page.locator("#book h3", new Page.LocatorOptions().setHasText("Accession")).scrollIntoViewIfNeeded();
        page.locator("#book").evaluate("book => book.scrollBy(0, 420)");
        page.waitForTimeout(300);
        picture("dictionary");
        page.evaluate("() => localStorage.setItem('entaxis.theme', 'dark')");
        go(design);
        page.locator("#contents .entry", new Page.LocatorOptions().setHasText("Accession")).click();
        page.locator("#about-entity").waitFor();
        page.locator("#ledger .leaves [data-leaf=keys]").click();
        page.locator("#index-new").waitFor();
        picture("keys-dark");
        String sheet = "/designs/" + store.create(SowingSheet.design());
        go(sheet + "/normalize");
        page.waitForTimeout(300);
        picture("normalize-dark");
        page.evaluate("() => localStorage.setItem('entaxis.theme', 'light')");
        go(sheet + "/normalize");
        page.waitForTimeout(300);
        picture("normalize");
    }

    private void desks(String design) {
        go(design + "/sentences");
        picture("read-aloud");
        go(design + "/sql?target=MYSQL&beside=POSTGRESQL&chosen=true&comments=true");
        page.locator("#findings summary").click();
        picture("sql");
        String script = page.request().get(address(design + "/script.sql?target=POSTGRESQL&chosen=true")).text();
        go("/read");
        page.locator("#read-script")
                .fill(script.replaceFirst("(?s)ALTER TABLE accession ADD CONSTRAINT fk_accession_taxon.*?;",
                        "CREATE TABEL shelf (shelf_no integer);"));
        page.locator("#read-go").click();
        page.locator("#reverse-form").waitFor();
        picture("read");
        go(design + "/trial");
        page.locator("#run-script").click();
        page.locator("#run-summary").waitFor();
        page.locator("#trial-table")
                .selectOption(new com.microsoft.playwright.options.SelectOption().setLabel("accession"));
        page.locator("#cell-accession_no").waitFor();
        page.locator("#cell-accession_no").fill("AK-002042");
        page.locator("#cell-taxon_id").fill("99");
        page.locator("#insert-row").click();
        page.locator("#inserted").waitFor();
        page.locator("#run-question").click();
        page.locator("#answer table").waitFor();
        picture("trial");
    }

    private void picture(String name) {
        page.screenshot(new Page.ScreenshotOptions()
                .setPath(Path.of(System.getProperty("entaxis.screenshots"), name + ".png")));
    }
}
