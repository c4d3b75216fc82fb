package entaxis.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.google.gson.JsonArray;
import com.google.gson.JsonObject;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import java.util.List;
import java.util.Map;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** How the sheet and the ledger share the window, what is shown from near and far, and the sheet under a finger. */
class SheetViewIT extends BrowserTest {
    /** The module of the page that holds the view. */
    private static final String SHEET = "async () => (await import("
            + "document.querySelector('script[src$=\"/diagram.js\"]').src.replace('diagram.js', 'sheet.js')))";

    private double scale() {
        return ((Number) page.evaluate(SHEET + ".state().scale")).doubleValue();
    }

    /** Asks until it holds: a wait of the browser could take the promise of an answer for the answer. */
    private void awaitOnSheet(String condition) {
        for (int i = 0; i < 200 && !(Boolean) page.evaluate(SHEET + condition); i++) {
            page.waitForTimeout(50);
        }
        Assertions.assertThat((Boolean) page.evaluate(SHEET + condition)).as(condition).isTrue();
    }

    private double ledger() {
        return page.locator(".ledger").boundingBox().height;
    }

    private void choose(String entity) {
        page.locator("#contents .entry:text-is(\"" + entity + "\")").click();
        assertThat(page.locator("#entity-name")).hasValue(entity);
    }

    @Test
    void withoutASelectionTheLedgerIsOneLine() {
        go(demo());
        Assertions.assertThat(ledger()).isLessThan(45);
        assertThat(page.locator("#about-design .counts")).hasText("17 entities, 20 relationships, 19 tables");
        page.locator("#about-design [data-leaf=facts]").click();
        assertThat(page.locator("#facts-title")).isVisible();
        Assertions.assertThat(ledger()).isGreaterThan(200);
        page.locator("#about-design [data-leaf=facts]").click();
        assertThat(page.locator("#facts-title")).hasCount(0);
        Assertions.assertThat(ledger()).isLessThan(45);
        page.locator("#about-design [data-leaf=types]").click();
        assertThat(page.locator(".types-leaf")).isVisible();
        page.locator("#about-design [data-do=fold]").click();
        assertThat(page.locator(".types-leaf")).hasCount(0);
        Assertions.assertThat(ledger()).isLessThan(45);
    }

    @Test
    void theHeightIsKeptForEachKindOfThing() {
        String design = demo();
        go(design);
        choose("Site");
        double usual = ledger();
        page.locator("#sash").focus();
        page.keyboard().press("ArrowUp");
        page.keyboard().press("ArrowUp");
        Assertions.assertThat(ledger()).isCloseTo(usual + 40, within(1.0));
        page.locator("#ledger .readings .sentence").first().click();
        page.locator("#about-relationship").waitFor();
        Assertions.assertThat(ledger()).isCloseTo(usual, within(1.0));
        choose("Vault");
        Assertions.assertThat(ledger()).isCloseTo(usual + 40, within(1.0));
        go(design);
        Assertions.assertThat(ledger()).isLessThan(45);
        choose("Slot");
        Assertions.assertThat(ledger()).isCloseTo(usual + 40, within(1.0));
    }

    /** In either lens the rows can be read, and neither tools nor tabs nor the paper's label cover a card. */
    @Test
    void theDemoIsReadableWhole() {
        String design = demo();
        for (String lens : List.of("concept", "tables")) {
            go(design + "?lens=" + lens);
            Assertions.assertThat(scale() * 13).as("height of row text in the lens %s", lens).isGreaterThanOrEqualTo(9);
            assertThat(page.locator("#cards .rows").first()).isVisible();
            for (String over : List.of(".sheet-tools", ".lens", "#sheet-tabs", "#title-block")) {
                BoundingBox box = page.locator(over).boundingBox();
                for (Locator card : page.locator("#cards .card > .edge").all()) {
                    BoundingBox at = card.boundingBox();
                    boolean apart = at.x + at.width <= box.x || box.x + box.width <= at.x || at.y + at.height <= box.y
                            || box.y + box.height <= at.y;
                    Assertions.assertThat(apart).as("%s over a card at %s,%s", over, at.x, at.y).isTrue();
                }
            }
        }
    }

    @Test
    void fromFarOnlyNamesAndFromFartherAreasAreShown() {
        go(demo());
        Locator name = page.locator("#cards .card").filter(new Locator.FilterOptions().setHasText("Accession"))
                .locator(".far-name").first();
        assertThat(name).isHidden();
        page.keyboard().press("-");
        page.keyboard().press("-");
        assertThat(name).isVisible();
        assertThat(page.locator("#cards .rows").first()).isHidden();
        Assertions.assertThat(name.boundingBox().height).isGreaterThan(14);
        assertThat(page.locator("#areas")).isHidden();
        for (int i = 0; i < 5; i++) {
            page.keyboard().press("-");
        }
        assertThat(page.locator("#areas")).isVisible();
        assertThat(page.locator("#areas .area-name")).hasCount(5);
    }

    @Test
    void theSheetIsWholeAgainWhenTheOtherLensNeedsMoreRoom() {
        go(demo());
        page.setViewportSize(1040, 800);
        page.keyboard().press("0");
        double before = scale();
        page.keyboard().press("l");
        assertThat(page.locator("[data-lens=tables][aria-pressed=true]")).isVisible();
        awaitOnSheet(".wholeSeen() && document.querySelectorAll('#cards .card').length === 19");
        Assertions.assertThat(scale()).isLessThan(before);
    }

    /**
     * What is selected low on the sheet comes out from behind the ledger; when nothing is, the sheet is seen whole as
     * before.
     */
    @Test
    void whatIsSelectedIsNotBehindTheLedger() {
        go(demo());
        double before = scale();
        Locator edge = page.locator("#cards .card").filter(new Locator.FilterOptions().setHasText("Shipment"))
                .locator("> .edge");
        BoundingBox at = edge.boundingBox();
        page.mouse().click(at.x + at.width / 2, at.y + at.height - 4);
        assertThat(page.locator("#entity-name")).hasValue("Shipment");
        page.waitForFunction(
                "() => { const card = [...document.querySelectorAll('.card')].find(one => "
                        + "one.textContent.startsWith('Shipment')).getBoundingClientRect();"
                + " return card.bottom < document.getElementById('sheet').getBoundingClientRect().bottom; }");
        page.keyboard().press("Escape");
        page.keyboard().press("Escape");
        awaitOnSheet(".wholeSeen()");
        Assertions.assertThat(scale()).isCloseTo(before, within(0.001));
    }

    /** Tap, drag and pinch, as a tablet sends them. */
    @Test
    void theSheetFollowsFingers() {
        try (BrowserContext tablet =
                browser.newContext(new Browser.NewContextOptions().setViewportSize(768, 1024).setHasTouch(true))) {
            Page touched = tablet.newPage();
            touched.navigate(address(demo()));
            ready(touched);
            CDPSession fingers = tablet.newCDPSession(touched);
            Locator edge = touched.locator("#cards .card").filter(new Locator.FilterOptions().setHasText("Taxon"))
                    .locator("> .edge").first();
            BoundingBox card = edge.boundingBox();
            touched.touchscreen().tap(card.x + card.width / 2, card.y + card.height / 2);
            assertThat(touched.locator("#entity-name")).hasValue("Taxon");
            touched.waitForTimeout(500);
            BoundingBox before = edge.boundingBox();
            double x = before.x + before.width / 2;
            double y = before.y + before.height / 2;
            touch(fingers, "touchStart", x, y);
            touch(fingers, "touchMove", x + 30, y + 40);
            touch(fingers, "touchMove", x + 60, y + 80);
            touch(fingers, "touchEnd");
            assertThat(touched.locator("#kept")).hasText("All kept · revision 1");
            Assertions.assertThat(edge.boundingBox().y).isGreaterThan(before.y + 40);
            BoundingBox sheet = touched.locator("#sheet").boundingBox();
            double empty = sheet.y + sheet.height - 60;
            double scale = ((Number) touched.evaluate(SHEET + ".state().scale")).doubleValue();
            touch(fingers, "touchStart", 500, empty, 560, empty);
            touch(fingers, "touchMove", 440, empty, 620, empty);
            touch(fingers, "touchMove", 380, empty, 680, empty);
            touch(fingers, "touchEnd");
            Assertions.assertThat(((Number) touched.evaluate(SHEET + ".state().scale")).doubleValue())
                    .isGreaterThan(scale * 2);
            Map<?, ?> still = (Map<?, ?>) touched.evaluate(SHEET + ".state()");
            touch(fingers, "touchStart", 600, empty);
            touch(fingers, "touchMove", 560, empty - 20);
            touch(fingers, "touchMove", 500, empty - 50);
            touch(fingers, "touchEnd");
            Map<?, ?> panned = (Map<?, ?>) touched.evaluate(SHEET + ".state()");
            Assertions.assertThat(((Number) panned.get("x")).doubleValue())
                    .isLessThan(((Number) still.get("x")).doubleValue() - 50);
            assertThat(touched.locator("#kept")).hasText("All kept · revision 1");
        }
    }

    private static void touch(CDPSession fingers, String type, double... places) {
        JsonArray points = new JsonArray();
        for (int i = 0; i < places.length; i += 2) {
            JsonObject point = new JsonObject();
            point.addProperty("x", places[i]);
            point.addProperty("y", places[i + 1]);
            point.addProperty("id", i / 2);
            points.add(point);
        }
        JsonObject event = new JsonObject();
        event.addProperty("type", type);
        event.add("touchPoints", points);
        fingers.send("Input.dispatchTouchEvent", event);
    }
}
