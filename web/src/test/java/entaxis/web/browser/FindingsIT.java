package entaxis.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import entaxis.core.change.Change;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Entity;
import entaxis.core.design.SampleRow;
import entaxis.web.demo.SowingSheet;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The list of all findings, what is lived with, and the same findings where the work is. */
class FindingsIT extends BrowserTest {
    private Locator note(String words) {
        return page.locator(".note").filter(new Locator.FilterOptions().setHasText(words));
    }

    private String sheet() {
        return "/designs/" + store.create(SowingSheet.design());
    }

    private void select(String entity) {
        page.locator("#contents .entry")
                .filter(new Locator.FilterOptions().setHasText(Pattern.compile("^" + entity + "$"))).click();
    }

    private String entity(String design, String name) {
        return store.open(design.substring(design.lastIndexOf('/') + 1)).design().entities().stream()
                .filter(one -> one.name().equals(name)).findFirst().orElseThrow().id().value();
    }

    @Test
    void aGroupIsSetRightAtOnce() {
        String design = demo();
        go(design + "/findings?by=rule");
        assertThat(note("stands behind other columns")).hasCount(2);
        page.locator("#group-key-order").click();
        kept(1);
        assertThat(note("stands behind other columns")).hasCount(0);
        page.locator("#undo").click();
        kept(2);
        assertThat(note("stands behind other columns")).hasCount(2);
        page.locator("#options [name=words]").fill("key-order received_on");
        assertThat(page.locator(".note")).hasCount(1);
        page.locator("#options [name=words]").fill("nothing like this");
        assertThat(page.locator("#finding-list .empty")).hasText("Nothing that is found contains this.");
    }

    @Test
    void aFindingIsLivedWithByKeyboardUntilItsEvidenceChanges() {
        String design = demo();
        go(design + "/findings?by=entity");
        Locator mail = note("“e_mail” of “Collector” may be empty");
        mail.focus();
        page.keyboard().press("l");
        page.keyboard().type("some collectors have none");
        page.keyboard().press("Enter");
        kept(1);
        assertThat(mail).hasCount(0);
        assertThat(page.locator(".lived")).containsText("some collectors have none");
        page.locator("#reopen-0").click();
        kept(2);
        assertThat(mail).hasCount(1);
    }

    @Test
    void aRuleIsSwitchedOffInThisDesignAndOnAgain() {
        go(demo() + "/findings?by=rule");
        page.locator("#level-not-first-form").selectOption("off");
        kept(1);
        assertThat(note("may hold a whole name")).hasCount(0);
        page.locator("#on-not-first-form").click();
        kept(2);
        assertThat(note("may hold a whole name")).hasCount(2);
        page.locator("#level-not-first-form").selectOption("caution");
        kept(3);
        assertThat(page.locator(".note.level-caution")).hasCount(2);
        assertThat(page.locator("#findings-count")).hasText("2 cautions");
    }

    @Test
    void theDemoShowsFindingsOfEachLevel() {
        go(sheet() + "/findings");
        assertThat(page.locator("#all-count")).containsText("2 faults, 2 cautions");
        go(sheet() + "/sql");
        assertThat(page.locator("#script-text .line[data-note*='there is no 2026-02-30']")).hasCount(1);
    }

    @Test
    void theLedgerTellsWhatIsFoundAboutIt() {
        go(demo());
        select("Collector");
        assertThat(page.locator("#ledger-notes")).containsText("may hold a whole name");
        assertThat(page.locator("#ledger tr[data-mark=hint]").first()).isVisible();
        page.locator("#ledger-notes button").first().click();
        assertThat(page.locator("#margin .note:focus")).containsText("“e_mail” of “Collector”");
        assertThat(page.locator("#hairline")).not().hasAttribute("hidden", "");
    }

    /** Rows are corrected where they stand; a value that does not fit is refused, and stays. */
    @Test
    void rowsAreCorrectedCellByCell() {
        String design = demo();
        go(design + "/trial?sel=" + entity(design, "Collector"));
        page.locator(".correct-rows summary").click();
        Locator number = page.locator(".rows-grid input[aria-label='collector_no of row 2']");
        number.fill("two");
        number.press("Tab");
        assertThat(page.locator(".rows-grid .fault:not(:empty)")).containsText("“two” is no whole number that fits");
        assertThat(number).hasValue("two");
        number.fill("1");
        number.press("Tab");
        kept(1);
        assertThat(page.locator(".row-notes")).containsText("row 1 has the same key 1");
        page.locator("#undo").click();
        kept(2);
    }

    /** The note about a row holds its values; with the right one the note is gone. */
    @Test
    void aRowIsCorrectedInItsNote() {
        String design = demo();
        String id = design.substring("/designs/".length());
        Entity collector = store.open(id).design().entities().stream().filter(one -> one.name().equals("Collector"))
                .findFirst().orElseThrow();
        SampleRow second = store.open(id).design().rows().stream().filter(row -> row.table().equals(collector.id()))
                .skip(1).findFirst().orElseThrow();
        ColumnPath number = ColumnPath.own(collector.attributes().getFirst().id());
        store.edit(id, new Change.PutRow(second.with(number, "1")));
        go(design);
        page.keyboard().press("f");
        Locator note = note("has the same key 1");
        note.locator(".note-rows summary").focus();
        page.keyboard().press("Enter");
        Locator cell = note.locator(".note-rows input").first();
        cell.focus();
        page.keyboard().press("Control+A");
        page.keyboard().type("two");
        page.keyboard().press("Enter");
        assertThat(note.locator(".note-rows .fault:not(:empty)")).containsText("“two” is no whole number that fits");
        assertThat(cell).hasValue("two");
        page.keyboard().press("Control+A");
        page.keyboard().type(second.values().get(number));
        page.keyboard().press("Enter");
        kept(2);
        assertThat(note).hasCount(0);
        page.locator("#undo").click();
        kept(3);
        assertThat(note).hasCount(1);
    }

    @Test
    void theNormalizeDeskOpensWithTheWholeDesign() {
        go(demo() + "/normalize");
        assertThat(page.locator(".overview tbody tr")).hasCount(17);
        page.locator(".overview a").filter(new Locator.FilterOptions().setHasText("Taxon")).first().click();
        assertThat(page.locator("#entity-choice")).isVisible();
        page.locator("#all-forms").click();
        assertThat(page.locator(".overview h1")).hasText("Normal forms");
    }
}
