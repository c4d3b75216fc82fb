package entaxis.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The whole road with the mouse: from an empty sheet to rows in tables. */
class RoadIT extends BrowserTest {

    @Test
    void fromTypedEntitiesToTablesThatHoldTheirRules() {
        newDesign("Meadow survey");
        assertThat(page.locator("#empty-sheet")).isVisible();

        makeEntity(300, 200, "Site");
        lines("site_code char(6) primary key -- two letters, four digits", "description varchar(20) not null");
        assertThat(card("Site")).containsText("site_code");
        makeEntity(700, 300, "Visit");
        page.locator("#add-line").evaluate(
                "(field, text) => { const data = new DataTransfer(); data.setData('text/plain', text); field.focus();"
                        + " if (field.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, "
                        + "cancelable: true }))) field.value = text; }",
                "visit_no integer primary key,\nvisited_on date not null default current_date,\nremark text");
        assertThat(page.locator("#ledger table.rows tbody tr")).hasCount(3);
        kept(5);

        relateByDragging("Site", "Visit");
        page.locator("#verb-FIRST").fill("is seen on");
        page.locator("#verb-FIRST").press("Enter");
        page.locator("#verb-SECOND").fill("goes to");
        page.locator("#verb-SECOND").press("Enter");
        assertThat(page.locator("#lines text.verb")).hasText("is seen on");
        page.locator("#many-SECOND").fill("one or more");
        page.locator("#many-SECOND").press("Enter");
        page.locator("[data-lens=tables]").click();
        assertThat(card("visit")).containsText("site_code(FK)");

        to("sql");
        assertThat(page.locator("#script-text")).containsText("FOREIGN KEY (site_code) REFERENCES site (site_code)");
        page.locator("#options input[name=drop]").check();
        assertThat(page.locator("#script-text")).containsText("DROP TABLE IF EXISTS visit");
        page.locator("#schema").fill("field work");
        assertThat(page.locator("#script-text")).containsText("CREATE TABLE \"field work\".site");
        page.locator("#options input[name=comments]").uncheck();
        assertThat(page.locator("#script-text")).not().containsText("COMMENT ON");
        String script = page.waitForDownload(() -> page.locator("#download-script").click()).suggestedFilename();
        org.assertj.core.api.Assertions.assertThat(script).isEqualTo("meadow_survey.sql");

        tryIt();
    }

    private void tryIt() {
        to("trial");
        page.locator("#run-script").click();
        assertThat(page.locator("#run-summary")).containsText("all accepted");
        insert("site_code", "FM0001", "description", "wet meadow");
        assertThat(page.locator("#inserted"))
                .containsText("INSERT INTO site (site_code, description) VALUES ('FM0001', 'wet meadow')");
        assertThat(page.locator("#inserted .good")).isVisible();
        insert("site_code", "FM0001", "description", "again");
        assertThat(page.locator("#inserted .why")).containsText("primary key violation");
        assertThat(page.locator("#cell-description")).hasValue("again");
        insert("site_code", "FM0002", "description", "");
        assertThat(page.locator("#inserted .why")).containsText("NULL not allowed");
        insert("site_code", "FM0002", "description", "123456789012345678901");
        assertThat(page.locator("#inserted .why")).containsText("Value too long");
        page.locator("#trial-table")
                .selectOption(new com.microsoft.playwright.options.SelectOption().setLabel("visit"));
        insert("visit_no", "1", "site_code", "ZZ9999");
        assertThat(page.locator("#inserted .why")).containsText("Referential integrity");
        insert("visit_no", "1", "site_code", "FM0001");
        assertThat(page.locator("#inserted .good")).isVisible();
        page.locator("#run-question").click();
        assertThat(page.locator("#answer tbody tr")).hasCount(1);
        assertThat(page.locator("#answer")).containsText("wet meadow");
        page.locator("#question").fill("drop table visit");
        page.locator("#question").press("Control+Enter");
        assertThat(page.locator("#answer .fault")).containsText("Only queries run here");
        page.reload();
        assertThat(page.locator("#kept-rows li")).hasCount(1);
    }

    @Test
    void aCardIsDraggedAndItsLinesComeAlong() {
        go(demo());
        String before = page.locator("#lines .line .way").first().getAttribute("d");
        String transform = card("Taxon").getAttribute("transform");
        drag(card("Taxon"), 60, 14, 120, 150);
        kept(1);
        assertThat(card("Taxon")).not().hasAttribute("transform", transform);
        assertThat(page.locator("#lines .line .way").first()).not().hasAttribute("d", before);
        page.locator("#undo").click();
        kept(2);
        assertThat(card("Taxon")).hasAttribute("transform", transform);
        assertThat(page.locator("#lines .line .way").first()).hasAttribute("d", before);
        page.reload();
        page.locator("#redo").click();
        kept(3);
        assertThat(card("Taxon")).not().hasAttribute("transform", transform);
    }

    @Test
    void aManyToManyBecomesABridgeTableAndTurnsRoundInOneGo() {
        go(demo() + "?lens=tables");
        assertThat(card("trip_member")).containsText("task");
        page.locator("#contents .entry", new Page.LocatorOptions().setHasText("Collector")).first().click();
        page.locator("#ledger .sentence", new Page.LocatorOptions().setHasText("takes part in")).click();
        assertThat(page.locator("#about-relationship")).containsText("becomes the table trip_member");
        page.locator("#ledger input[value=days]").fill("day_count");
        page.locator("#ledger input[value=days]").press("Tab");
        assertThat(card("trip_member")).containsText("day_count");
        page.locator("#contents .entry", new Page.LocatorOptions().setHasText("Site")).click();
        page.locator("#ledger .sentence", new Page.LocatorOptions().setHasText("is visited on")).click();
        page.locator("#turn-round").click();
        assertThat(card("site")).containsText("trip_no(FK)");
        assertThat(card("collecting_trip")).not().containsText("site_code");
    }

    @Test
    void aKeyThatChangesIsFollowedThroughAllGenerations() {
        go(demo() + "?lens=tables");
        page.locator("#contents .entry", new Page.LocatorOptions().setHasText("Accession")).click();
        Locator type = page.locator("#ledger table.rows tbody tr").first().locator("input[list=types]");
        type.fill("varchar(14)");
        type.press("Tab");
        for (String table : new String[] {"accession", "germination_test", "daily_count", "duplicate",
                "request_line"}) {
            assertThat(card(table)).containsText("varchar(14)");
        }
    }

    @Test
    void arrangingMovesCardsApartAndCanBeUndone() {
        go(demo());
        String before = card("Shipment").getAttribute("transform");
        page.locator("[data-do=arrange]").click();
        kept(1);
        assertThat(card("Shipment")).not().hasAttribute("transform", before);
        page.keyboard().press("Control+z");
        kept(2);
        assertThat(card("Shipment")).hasAttribute("transform", before);
    }

    /**
     * In a large design cards outside the window are not painted; they are when one goes there, and an edit breaks no
     * rule of the page's policy.
     */
    @Test
    void aLargeDesignPaintsWhatIsInTheWindow() {
        go("/designs/" + store.create(entaxis.core.random.RandomDesigns.design(4, 260)) + "?lens=tables");
        for (int i = 0; i < 9; i++) {
            page.keyboard().press("+");
        }
        assertThat(page.locator("#cards .card").first()).isAttached();
        page.waitForFunction(
                "() => [...document.querySelectorAll('#cards .card')].filter(card => card.style.display === "
                        + "'none').length > 100");
        page.locator("#contents .entry").first().click();
        assertThat(page.locator("#about-entity")).isVisible();
        String chosen = page.locator("#desk").getAttribute("data-selected");
        assertThat(page.locator("#c-" + chosen)).isVisible();
        page.locator("#entity-meaning").fill("one of many");
        page.locator("#entity-meaning").press("Tab");
        kept(1);
        assertThat(page.locator("#c-" + chosen)).isVisible();
        page.locator("[data-do=fit]").click();
        page.waitForFunction(
                "() => [...document.querySelectorAll('#cards .card')].every(card => card.style.display !== 'none')");
    }

    @Test
    void theWheelMovesAndTheWheelWithControlZooms() {
        go(demo());
        String before = page.locator("#view").getAttribute("style");
        page.mouse().move(700, 300);
        page.mouse().wheel(0, 120);
        assertThat(page.locator("#view")).not().hasAttribute("style", before);
        page.keyboard().down("Control");
        page.mouse().wheel(0, -300);
        page.keyboard().up("Control");
        assertThat(page.locator("#view")).hasAttribute("style", Pattern.compile("scale\\((0\\.[6-9]|[1-9]).*"));
        page.locator("[data-do=fit]").click();
        assertThat(page.locator("#view")).hasAttribute("style", before);
    }

    private void makeEntity(int x, int y, String name) {
        BoundingBox sheet = page.locator("#sheet").boundingBox();
        page.mouse().dblclick(sheet.x + x, sheet.y + y);
        page.locator("#namer-name").fill(name);
        page.locator("#namer-name").press("Enter");
        assertThat(page.locator("#entity-name")).hasValue(name);
        assertThat(page.locator("#add-line")).isFocused();
    }

    private void lines(String... lines) {
        for (String line : lines) {
            page.keyboard().type(line);
            page.keyboard().press("Enter");
            assertThat(page.locator("#add-line")).hasValue("");
        }
    }

    private void relateByDragging(String from, String to) {
        BoundingBox spine = card(from).locator(".spine").boundingBox();
        BoundingBox target = card(to).boundingBox();
        page.mouse().move(spine.x + 3, spine.y + spine.height / 2);
        page.mouse().down();
        page.mouse().move(spine.x + 60, spine.y + 30);
        page.mouse().move(target.x + target.width / 2, target.y + target.height / 2,
                new com.microsoft.playwright.Mouse.MoveOptions().setSteps(4));
        page.mouse().up();
        assertThat(page.locator("#about-relationship")).isVisible();
    }

    private void drag(Locator card, double fromX, double fromY, double dx, double dy) {
        BoundingBox box = card.boundingBox();
        page.mouse().move(box.x + fromX, box.y + fromY);
        page.mouse().down();
        page.mouse().move(box.x + fromX + dx / 2, box.y + fromY + dy / 2);
        page.mouse().move(box.x + fromX + dx, box.y + fromY + dy,
                new com.microsoft.playwright.Mouse.MoveOptions().setSteps(5));
        page.mouse().up();
    }

    private void insert(String... fields) {
        for (int i = 0; i < fields.length; i += 2) {
            page.locator("#cell-" + fields[i]).fill(fields[i + 1]);
        }
        page.waitForResponse(response -> response.url().endsWith("/trial/rows"),
                () -> page.locator("#insert-row").click());
    }
}
