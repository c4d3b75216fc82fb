package entaxis.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.google.gson.JsonArray;
import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Designs on their cards, and what the sheet does for a finger and for a second window. */
class HomeIT extends BrowserTest {

    private Locator cardOf(String id) {
        return page.locator("#card-" + id);
    }

    @Test
    void designsAreRenamedCopiedDeletedAndBroughtBack() {
        String id = demo().substring("/designs/".length());
        go("/");
        assertThat(cardOf(id)).containsText("17 entities, 20 relationships");
        assertThat(cardOf(id)).containsText("changed just now");
        assertThat(cardOf(id).locator("img")).hasJSProperty("complete", true);
        cardOf(id).locator("input.design-name").fill("  ");
        cardOf(id).locator("input.design-name").press("Enter");
        assertThat(cardOf(id).locator(".fault")).containsText("is empty. Type a name");
        cardOf(id).locator("input.design-name").fill("Heath seed vault");
        cardOf(id).locator("input.design-name").press("Enter");
        assertThat(cardOf(id).locator(".fault")).hasCount(0);
        cardOf(id).locator("button", new Locator.LocatorOptions().setHasText("Duplicate")).click();
        assertThat(page.locator("input[value='Copy of Heath seed vault']")).isVisible();
        cardOf(id).locator("button", new Locator.LocatorOptions().setHasText("Delete")).click();
        assertThat(page.locator(".undo-note")).containsText("“Heath seed vault” is deleted.");
        assertThat(cardOf(id)).hasCount(0);
        page.locator("#undo-delete").click();
        assertThat(cardOf(id)).isVisible();
        cardOf(id).locator(".picture").click();
        ready(page);
        assertThat(page.locator("#design-name")).hasValue("Heath seed vault");
        kept(1);
    }

    @Test
    void aNewDesignHasTheEngineTheTitleAndThePaperThatWereChosen() {
        go("/");
        page.locator("#new-name").fill("Orchard");
        page.locator("#new-design select[name=target]").selectOption("H2");
        page.locator("#new-design input[name=title]").fill("Orchard of the mill");
        page.locator("#new-design select[name=size]").selectOption("A2");
        page.locator("#new-design select[name=landscape]").selectOption("false");
        page.locator("#create-design").click();
        ready(page);
        assertThat(page.locator("#design-target")).hasValue("H2");
        assertThat(page.locator("#title-block")).hasText("Orchard of the mill · Sheet 1 · upright A2");
        page.locator(".leaves [data-leaf=facts]").click();
        page.locator("#facts-title").fill("Orchard behind the mill");
        page.locator("#facts-title").press("Tab");
        page.locator(".leaves [data-leaf=sheet]").click();
        page.locator("#paper-way").selectOption("landscape");
        assertThat(page.locator("#title-block")).hasText("Orchard behind the mill · Sheet 1 · landscape A2");
    }

    @Test
    void twoFingersZoom() {
        go(demo());
        String before = page.locator("#view").getAttribute("style");
        BoundingBox sheet = page.locator("#sheet").boundingBox();
        CDPSession device = page.context().newCDPSession(page);
        double x = sheet.x + sheet.width / 2;
        double y = sheet.y + sheet.height / 2;
        touch(device, "touchStart", x - 20, x + 20, y);
        for (int spread = 30; spread <= 80; spread += 10) {
            touch(device, "touchMove", x - spread, x + spread, y);
        }
        JsonObject up = new JsonObject();
        up.addProperty("type", "touchEnd");
        up.add("touchPoints", new JsonArray());
        device.send("Input.dispatchTouchEvent", up);
        assertThat(page.locator("#view")).not().hasAttribute("style", before);
        assertThat(page.locator("#view")).hasAttribute("style", Pattern.compile(".*scale\\((1\\.[5-9]|2).*"));
    }

    private static void touch(CDPSession device, String type, double left, double right, double y) {
        JsonArray points = new JsonArray();
        for (double x : new double[] {left, right}) {
            JsonObject point = new JsonObject();
            point.addProperty("x", x);
            point.addProperty("y", y);
            point.addProperty("id", points.size());
            points.add(point);
        }
        JsonObject event = new JsonObject();
        event.addProperty("type", type);
        event.add("touchPoints", points);
        device.send("Input.dispatchTouchEvent", event);
    }

    @Test
    void aSecondWindowIsBroughtUpToDateByItsNextEdit() {
        String design = demo();
        go(design);
        Page other = page.context().newPage();
        other.navigate(address(design));
        ready(other);
        page.locator("#contents .entry", new Page.LocatorOptions().setHasText("Shipment")).click();
        page.locator("#entity-name").fill("Parcel");
        page.locator("#entity-name").press("Tab");
        kept(1);
        other.locator("#contents .entry", new Page.LocatorOptions().setHasText("Site")).click();
        other.locator("#entity-meaning").fill("a place");
        other.locator("#entity-meaning").press("Tab");
        assertThat(other.locator("#kept")).hasText("All kept · revision 2");
        assertThat(other.locator("#contents .entry", new Page.LocatorOptions().setHasText("Parcel"))).isVisible();
        assertThat(other.locator("#cards .card:has(> text:text-is('Parcel'))")).hasCount(1);
        other.close();
    }
}
