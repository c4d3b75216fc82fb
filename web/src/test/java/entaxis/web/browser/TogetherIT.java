package entaxis.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import entaxis.core.change.Change;
import entaxis.core.design.EntityId;
import java.util.Map;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** Two windows on one design. */
class TogetherIT extends BrowserTest {
    /**
     * Milliseconds, on a machine that runs other tests too; how soon it really is, is measured by {@code bench/run
     * together}.
     */
    private static final long SOON = 4000;
    private static final int MAX_TRIES = 20;

    @Test
    void anEditIsSeenInTheOtherWindowWithinASecond() {
        String design = demo();
        go(design);
        Page other = page.context().newPage();
        other.navigate(address(design));
        ready(other);
        other.waitForTimeout(400);
        page.locator("#contents .entry:text-is(\"Vault\")").click();
        page.locator("#entity-name").waitFor();
        other.evaluate(
                "() => { window.seenAt = 0; new MutationObserver(() => { if (!window.seenAt && "
                        + "document.getElementById('cards').textContent.includes('Cold room')) window.seenAt = "
                        + "Date.now(); })"
                + ".observe(document.getElementById('cards'), { childList: true, subtree: true }); }");
        page.locator("#entity-name").fill("Cold room");
        page.locator("#entity-name").press("Tab");
        kept(1);
        double acknowledged = ((Number) page.evaluate("() => Date.now()")).doubleValue();
        assertThat(other.locator("#kept")).hasText("All kept · revision 1");
        assertThat(other.locator("#contents .entry:text-is(\"Cold room\")")).isVisible();
        double seen = ((Number) other.evaluate("() => window.seenAt")).doubleValue();
        Assertions.assertThat(seen - acknowledged).isLessThan(SOON);
    }

    @Test
    void anEditOfSomethingDeletedMeanwhileIsRefusedWithTheReason() {
        String design = demo();
        go(design);
        page.locator("#contents .entry:text-is(\"Vault\")").click();
        page.locator("#entity-meaning").waitFor();
        page.route("**/since", route -> route.fulfill(new Route.FulfillOptions().setStatus(204)));
        String id = design.substring(design.lastIndexOf('/') + 1);
        EntityId vault = store.open(id).design().entities().stream().filter(entity -> entity.name().equals("Vault"))
                .findFirst().orElseThrow().id();
        store.edit(id, new Change.RemoveEntity(vault));
        page.locator("#entity-meaning").fill("a room below ground");
        page.locator("#entity-meaning").press("Tab");
        assertThat(page.locator("#entity-meaning-fault")).containsText("it was deleted meanwhile");
        assertThat(page.locator("#entity-meaning")).hasValue("a room below ground");
    }

    @Test
    void whatIsBeingTypedStaysWhileOthersEdit() {
        String design = demo();
        go(design);
        page.locator("#contents .entry:text-is(\"Accession\")").click();
        page.locator("#add-line").click();
        page.keyboard().type("half a li");
        String id = design.substring(design.lastIndexOf('/') + 1);
        for (int i = 0; i < MAX_TRIES; i++) {
            EntityId any = store.open(id).design().entities().list().get(i % 5).id();
            store.edit(id, new Change.DescribeEntity(any, "seen by others " + i));
        }
        kept(MAX_TRIES);
        assertThat(page.locator("#add-line")).isFocused();
        page.keyboard().type("ne text");
        page.keyboard().press("Control+a");
        assertThat(page.locator("#add-line")).hasValue("half a line text");
    }

    @Test
    void otherDesksShowEditsOfOthersSoonAndKeepWhatIsBeingTyped() {
        String design = demo();
        String id = design.substring(design.lastIndexOf('/') + 1);
        EntityId vault = store.open(id).design().entities().stream().filter(entity -> entity.name().equals("Vault"))
                .findFirst().orElseThrow().id();
        Map<String, String> places =
                Map.of("/normalize?sel=" + vault, "#entity-choice", "/sentences", "#list", "/sql", "#script-text");
        int edits = 0;
        for (Map.Entry<String, String> desk : places.entrySet()) {
            go(design + desk.getKey());
            page.waitForTimeout(300);
            String name = "Vault " + ++edits;
            long start = System.nanoTime();
            store.edit(id, new Change.RenameEntity(vault, name));
            assertThat(page.locator(desk.getValue()))
                    .containsText(Pattern.compile("vault[ _]" + edits, Pattern.CASE_INSENSITIVE));
            Assertions.assertThat((System.nanoTime() - start) / 1_000_000).as(desk.getKey()).isLessThan(SOON);
            assertThat(page.locator("#kept")).hasText("All kept · revision " + edits);
        }
        go(design + "/normalize?sel=" + vault);
        page.waitForTimeout(300);
        page.route("**/normalize/check", route -> route.fulfill(new Route.FulfillOptions().setStatus(204)));
        page.locator("#lines").fill("vault_code -> half");
        store.edit(id, new Change.RenameEntity(vault, "Cold room"));
        assertThat(page.locator("#notice")).containsText("Another window has changed this design");
        assertThat(page.locator("#lines")).hasValue("vault_code -> half");
        go(design + "/normalize?sel=" + vault);
        page.locator(".verdict h1").click();
        page.keyboard().press("Control+z");
        assertThat(page.locator("#entity-choice option:checked")).hasText("Vault " + edits);
        Assertions.assertThat(store.open(id).design().entities().get(vault).name()).isEqualTo("Vault " + edits);
    }
}
