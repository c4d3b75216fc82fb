package entaxis.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.KeyboardModifier;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** What a designer does all day on a design of some size, driven in the browser. */
class DeskIT extends BrowserTest {
    /** Selects, by the module of the page that does it. */
    private static final String SELECT = "return import(document.querySelector('script[src$=\"/diagram.js\"]').src"
            + ".replace('diagram.js', 'desk/selection.js')).then(desk => desk.select";

    private String design;

    private void begin() {
        design = demo();
        go(design);
    }

    private void choose(String entity) {
        page.locator("#contents .entry:text-is(\"" + entity + "\")").click();
        assertThat(page.locator("#entity-name")).hasValue(entity);
    }

    private void leaf(String name) {
        page.locator("#ledger .leaves [data-leaf=\"" + name + "\"]").click();
        assertThat(page.locator("#ledger .leaves [data-leaf=\"" + name + "\"]")).hasAttribute("aria-pressed", "true");
    }

    @Test
    void aSurrogateKeyAndBackAreOneStepEach() {
        startAt("Collector");
        leaf("keys");
        page.locator("#surrogate-name").fill("id");
        page.locator("#surrogate-name").press("Enter");
        kept(1);
        assertThat(page.locator("#about-entity")).containsText("AK2");
        page.locator("[data-lens=tables]").click();
        assertThat(card("collecting_trip")).containsText("leader_id");
        page.locator("#take-2").click();
        kept(2);
        assertThat(card("collecting_trip")).containsText("leader_collector_no");
        page.keyboard().press("Escape");
        page.keyboard().press("Control+z");
        kept(3);
        assertThat(card("collecting_trip")).containsText("leader_id");
    }

    private void startAt(String entity) {
        begin();
        choose(entity);
    }

    @Test
    void fallingInLineCanBeSwitchedOff() {
        begin();
        assertThat(page.locator("[data-do=snap]")).hasAttribute("aria-pressed", "true");
        page.locator("#sheet").focus();
        page.keyboard().press("i");
        assertThat(page.locator("[data-do=snap]")).hasAttribute("aria-pressed", "false");
        page.reload();
        assertThat(page.locator("[data-do=snap]")).hasAttribute("aria-pressed", "false");
        page.locator("[data-do=snap]").click();
        assertThat(page.locator("[data-do=snap]")).hasAttribute("aria-pressed", "true");
    }

    @Test
    void indexesAndConditionsAreLinesAndWrongOnesSayWhy() {
        startAt("Accession");
        leaf("keys");
        page.locator("#index-new").fill("(received_on desc, colour)");
        page.locator("#index-new").press("Enter");
        assertThat(page.locator("#index-new-fault")).containsText("There is no column “colour” in accession");
        page.locator("#index-new").fill("(received_on desc)");
        page.locator("#index-new").press("Enter");
        assertThat(page.locator("#index-1")).hasValue("(received_on desc)");
        page.locator("#rule-new").fill("constraint some_seed check (seed_count > 0 or donor_note is not null)");
        page.locator("#rule-new").press("Enter");
        kept(2);
        to("sql");
        assertThat(page.locator("#script-text")).containsText(
                "CREATE INDEX ix_accession_received_on_taxon_id ON accession (received_on DESC, taxon_id);");
        assertThat(page.locator("#script-text"))
                .containsText("CONSTRAINT some_seed CHECK (seed_count > 0 or donor_note is not null)");
    }

    @Test
    void partitionsAreLinesAndWrongOnesSayWhy() {
        startAt("Permit");
        leaf("keys");
        assertThat(page.locator("#partition-new")).hasCount(0);
        page.locator("#split").fill("the year");
        page.locator("#split").press("Enter");
        assertThat(page.locator("#split-fault")).containsText("as in: range (received_on)");
        page.locator("#split").fill("hash (permit_no)");
        page.locator("#split").press("Enter");
        kept(1);
        page.locator("#partition-new").fill("permit_0 for values below 7");
        page.locator("#partition-new").press("Enter");
        assertThat(page.locator("#partition-new-fault")).containsText("Of permit_0: ");
        page.locator("#partition-new").fill("permit_0 for values with (modulus 1, remainder 0)");
        page.locator("#partition-new").press("Enter");
        assertThat(page.locator("#partition-0"))
                .hasValue("permit_0 FOR VALUES WITH (MODULUS 1, REMAINDER 0)");
        assertThat(page.locator("#partition-new")).hasValue("");
        assertThat(page.locator("#split")).hasValue("HASH (permit_no)");
        kept(2);
        to("sql");
        assertThat(page.locator("#script-text")).containsText("PARTITION BY HASH (permit_no)");
        assertThat(page.locator("#script-text")).containsText("CREATE TABLE permit_0 PARTITION OF permit");
        to("trial");
        page.locator("#run-script").click();
        assertThat(page.locator("#run-summary")).containsText("all accepted");
    }

    @Test
    void aTypeIsDefinedOnceAndEveryColumnFollows() {
        begin();
        leaf("types");
        page.locator("#type-new")
                .fill("domain seed_amount as integer default 0 check (value >= 0) -- counted, never weighed");
        page.locator("#type-new").press("Enter");
        assertThat(page.locator("table.types tbody tr")).hasCount(3);
        choose("Accession");
        Locator type = page.locator("input[aria-label='Type of seed_count']");
        type.fill("seed_amount");
        type.press("Tab");
        kept(2);
        page.keyboard().press("Escape");
        page.keyboard().press("Escape");
        leaf("types");
        assertThat(page.locator("table.types")).containsText("1 attribute");
        Locator definition = page.locator("table.types input[aria-label='Definition of seed_amount']");
        definition.fill("domain seed_tally as bigint check (value >= 0)");
        definition.press("Enter");
        kept(3);
        to("sql");
        assertThat(page.locator("#script-text")).containsText("CREATE DOMAIN seed_tally AS bigint");
        assertThat(page.locator("#script-text")).containsText("seed_tally");
        to("trial");
        page.locator("#run-script").click();
        assertThat(page.locator("#run-summary")).containsText("all accepted");
    }

    @Test
    void typesAreOfferedWhileALineIsTyped() {
        startAt("Vault");
        page.locator("#add-line").click();
        page.keyboard().type("warmest ce");
        assertThat(page.locator("#completions button")).hasText(new String[] {"celsius"});
        page.keyboard().press("ArrowDown");
        page.keyboard().press("Enter");
        assertThat(page.locator("#add-line")).hasValue("warmest celsius");
        page.keyboard().press("Enter");
        kept(1);
        assertThat(page.locator("input[aria-label='Type of warmest']")).hasValue("celsius");
        assertThat(page.locator("#add-line")).isFocused();
    }

    @Test
    void focusIsSomewhereAfterTheButtonThatWasPressedIsGone() {
        startAt("Collector");
        leaf("keys");
        page.locator("#take-1").click();
        kept(1);
        page.locator("#surrogate button").click();
        kept(2);
        Assertions.assertThat(page.evaluate("() => document.activeElement === document.body")).isEqualTo(false);
    }

    @Test
    void aManyToManyIsResolvedAskedAboutAndItsRowsStillRun() {
        begin();
        page.evaluate(
                "() => { const line = [...document.querySelectorAll('.line')].find(one => "
                        + "one.textContent.includes('takes part in')); "
                        + SELECT + "(line.dataset.r)); }");
        page.locator("#resolve-name").waitFor();
        page.locator("#sheet").focus();
        page.keyboard().press("m");
        assertThat(page.locator("#resolve-name")).isFocused();
        page.locator("#resolve-name").fill("Participation");
        page.locator("#resolve-attributes").fill("paid boolean not null default false");
        page.locator("#resolve-name").press("Enter");
        assertThat(page.locator("#entity-name")).hasValue("Participation");
        assertThat(page.locator(".look-again")).containsText("Could one participation ever need two collectors?");
        page.locator(".look-again button:text-is(\"It is right\")").first().click();
        kept(2);
        assertThat(page.locator(".look-again p")).hasCount(1);
        to("trial");
        page.locator("#run-script").click();
        assertThat(page.locator("#run-summary")).containsText("all accepted");
    }

    @Test
    void typedSentencesMakeRelationshipsOrSayWhereTheyFail() {
        begin();
        leaf("say");
        page.locator("#say-text").fill("Each vault is guarded by zero or more wardens.\nVaults are cold.");
        page.locator("#say button").click();
        assertThat(page.locator("#say-fault")).containsText("Line 2, character 1");
        Assertions.assertThat(page.evaluate(
                "() => { const field = document.getElementById('say-text'); return "
                        + "field.value.slice(field.selectionStart, field.selectionEnd); }"))
                .isEqualTo("Vaults are cold");
        assertThat(page.locator("#kept")).hasText("All kept · revision 0");
        page.locator("#say-text")
                .fill("Each vault is guarded by 1 to 3 wardens. Each warden guards exactly one vault.");
        page.locator("#say button").click();
        kept(1);
        assertThat(card("Warden")).isVisible();
        to("sentences");
        assertThat(page.locator("#list")).containsText("0 of 42");
        page.locator("#list .relationships > li").last().locator("input[type=checkbox]").first().check();
        assertThat(page.locator("#list")).containsText("1 of 42");
        Locator verb = page.locator("#list .relationships > li").last().locator(".verb").first();
        verb.fill("is watched by");
        verb.press("Tab");
        assertThat(page.locator("#list")).containsText("0 of 42");
    }

    @Test
    void sheetsShowPartsInOtherNotations() {
        startAt("Accession");
        page.keyboard().press("Escape");
        page.locator("#sheet-add").click();
        kept(1);
        page.locator("#sheet-tabs button:text-is(\"Sheet 3\")").click();
        assertThat(page.locator("#cards .card")).hasCount(0);
        page.locator("#contents .entry:text-is(\"Accession\")").click();
        page.locator("#about-entity").waitFor();
        page.locator("#sheet").focus();
        page.keyboard().press("b");
        kept(2);
        assertThat(card("Taxon")).isVisible();
        assertThat(card("Vault")).hasCount(0);
        page.keyboard().press("Escape");
        leaf("sheet");
        page.locator("#sheet-notation").selectOption("UML");
        kept(3);
        assertThat(page.locator("#lines")).containsText("0..*");
        page.locator("#sheet-detail").selectOption("NAMES");
        kept(4);
        assertThat(card("Accession")).not().containsText("accession_no");
        page.locator("#sheet-tabs button:text-is(\"Sheet 1\")").click();
        assertThat(card("Vault")).isVisible();
        assertThat(page.locator("#lines")).not().containsText("0..*");
    }

    @Test
    void severalCardsAreSelectedMovedAlignedPinnedAndHidden() {
        begin();
        page.locator("#contents .entry:text-is(\"Vault\")").click();
        page.locator("#about-entity").waitFor();
        page.locator("#contents .entry:text-is(\"Shelf\")")
                .click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.SHIFT)));
        assertThat(page.locator("#about-selection")).containsText("2 selected");
        page.locator("[data-align=LEFT]").click();
        kept(1);
        Assertions.assertThat(card("Vault").getAttribute("data-x")).isEqualTo(card("Shelf").getAttribute("data-x"));
        double before = Double.parseDouble(card("Vault").getAttribute("data-y"));
        page.locator("#sheet").focus();
        page.keyboard().press("ArrowDown");
        page.keyboard().press("ArrowDown");
        kept(2);
        Assertions.assertThat(Double.parseDouble(card("Vault").getAttribute("data-y"))).isEqualTo(before + 20);
        page.keyboard().press("p");
        kept(3);
        assertThat(page.locator("#cards .pin")).hasCount(2);
        page.keyboard().press("g");
        page.keyboard().press("h");
        assertThat(card("Vault")).hasCount(0);
        assertThat(page.locator("#sheet-tabs")).containsText("2 hidden");
        page.keyboard().press("Control+z");
        assertThat(card("Vault")).isVisible();
    }

    @Test
    void aFrameSelectsAndCopiesGoIntoAnotherDesign() {
        begin();
        BoundingBox box = page.locator("#sheet").boundingBox();
        page.keyboard().down("Shift");
        page.mouse().move(box.x + 8, box.y + 60);
        page.mouse().down();
        page.mouse().move(box.x + 200, box.y + box.height * 0.7,
                new com.microsoft.playwright.Mouse.MoveOptions().setSteps(5));
        page.mouse().up();
        page.keyboard().up("Shift");
        assertThat(page.locator("#about-selection")).containsText("3 selected");
        page.locator("#sheet").focus();
        page.keyboard().press("Control+c");
        newDesign("Copies");
        page.locator("#sheet").focus();
        page.keyboard().press("Control+v");
        kept(1);
        assertThat(page.locator("#cards .card")).hasCount(3);
        assertThat(card("Taxon")).isVisible();
    }

    @Test
    void attributesMoveToAnotherEntity() {
        startAt("Site");
        page.locator("button[aria-label='Choose latitude to move or copy it']").click();
        page.locator("button[aria-label='Choose longitude to move or copy it']").click();
        page.locator("#move-to").fill("Vault");
        page.locator("#move-attributes [data-how=copy]").click();
        kept(1);
        assertThat(card("Vault")).containsText("latitude");
        assertThat(card("Site")).containsText("latitude");
    }

    @Test
    void findGoesToAnyElementAndRunsAnyAction() {
        begin();
        page.keyboard().press("Control+k");
        page.keyboard().type("germinated");
        assertThat(page.locator("#found button")).hasCount(1);
        page.keyboard().press("Enter");
        assertThat(page.locator("#entity-name")).hasValue("Daily count");
        page.keyboard().press("Control+k");
        page.keyboard().type("change the lens");
        page.keyboard().press("Enter");
        assertThat(card("daily_count")).isVisible();
        page.locator("#filter").fill("sh");
        assertThat(page.locator("#contents .entry:visible")).hasText(new String[] {"Shelf", "Shipment"});
    }

    @Test
    void kindsAndAlternatives() {
        startAt("Accession");
        leaf("kinds");
        page.locator("#kind-new").fill("Bulk lot");
        page.locator("#kind-new").press("Enter");
        kept(1);
        assertThat(page.locator("#lines .sign")).hasCount(1);
        page.locator("select[id^=mapping-]").selectOption("ONE_FOR_ALL");
        kept(2);
        page.locator("[data-lens=tables]").click();
        assertThat(card("accession")).containsText("kind");
        assertThat(card("bulk_lot")).hasCount(0);
        page.locator("select[id^=mapping-]").selectOption("ONLY_KINDS");
        assertThat(page.locator("[id^=mapping-][id$=-fault]")).containsText("would have no place");
    }

    @Test
    void namesFollowThePolicyAndExistingOnesAreOffered() {
        begin();
        leaf("names");
        page.locator("#naming-tables").selectOption("PLURAL");
        kept(1);
        page.locator("#naming-entities").selectOption("PLURAL");
        kept(2);
        assertThat(page.locator(".proposals li").first()).containsText("Taxa");
        page.locator("#naming-apply").click();
        kept(3);
        assertThat(page.locator("#contents .entry:text-is(\"Shelves\")")).isVisible();
        page.locator("[data-lens=tables]").click();
        assertThat(card("shelves")).isVisible();
    }

    @Test
    void notesAndPicturesLieOnTheSheet() {
        begin();
        page.keyboard().press("w");
        page.locator("#note-text").waitFor();
        page.locator("#note-text").fill("# To ask\n\n- who *pays*?");
        page.locator("#note-text").press("Tab");
        kept(2);
        assertThat(page.locator("#cards .note")).containsText("pays");
        page.keyboard().press("Escape");
        page.keyboard().press("Escape");
        leaf("sheet");
        page.locator("#picture-file").setInputFiles(new FilePayload("mark.svg", "image/svg+xml",
                ("<svg xmlns='http://www.w3.org/2000/svg' width='60' "
                        + "height='40'><script>alert(1)</script>"
                        + "<rect onclick='x()' width='60' height='40' fill='#3B6C99'/></svg>")
                        .getBytes(StandardCharsets.UTF_8)));
        page.locator("#picture-add button").click();
        assertThat(page.locator("#cards .picture image")).hasCount(1);
        String kept = (String) page.evaluate(
                "async () => (await fetch(document.querySelector('.picture image').getAttribute('href'))).text()");
        Assertions.assertThat(kept).contains("<rect").doesNotContain("script").doesNotContain("onclick");
    }

    @Test
    void aLineLeavesFromTheSideThatWasChosenAndUndoesLikeAnyEdit() {
        begin();
        page.evaluate(
                "() => { const line = [...document.querySelectorAll('.line')].find(one => one.textContent.includes('is "
                        + "tested in')); "
                        + SELECT + "(line.dataset.r)); }");
        page.locator("#line-first").selectOption("TOP");
        kept(1);
        assertThat(page.locator(".line.chosen")).hasAttribute("data-as", "TOP");
        page.locator("#line-corners").fill("here");
        page.locator("#line-corners").press("Enter");
        assertThat(page.locator("#line-corners-fault")).containsText("is no corner");
        page.locator("[data-do=straighten]").click();
        kept(2);
        assertThat(page.locator(".line.chosen")).hasAttribute("data-as", "RIGHT");
    }

    @Test
    void whatAChangeTouchesIsToldBeforeItIsMade() {
        startAt("Slot");
        page.locator("#ledger .ledger-head [data-leaf=reach]").click();
        assertThat(page.locator(".reach")).containsText("referred to by accession");
        page.locator(".reach-columns button:text-is(\"shelf\")").click();
        assertThat(page.locator(".reach-columns button:text-is(\"shelf\")")).hasAttribute("aria-pressed", "true");
        assertThat(page.locator(".reach")).containsText("This column follows from a relationship");
        page.locator(".reach-columns button:text-is(\"slot_no\")").press("Enter");
        assertThat(page.locator(".reach")).containsText("the primary key (vault, shelf, slot_no)");
        Locator longer = page.locator(".reach details", new Page.LocatorOptions().setHasText("make it bigint"));
        longer.locator("summary").click();
        assertThat(longer.locator("pre")).containsText("ALTER TABLE accession");
        Locator gone = page.locator(".reach details", new Page.LocatorOptions().setHasText("delete it"));
        assertThat(gone.locator(".risk")).hasText("loses data");
        kept(0);
    }
}
