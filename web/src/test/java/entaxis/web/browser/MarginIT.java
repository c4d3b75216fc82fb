package entaxis.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** Findings in the margin of the Diagram desk, and their remedies. */
class MarginIT extends BrowserTest {
    private Locator note(String words) {
        return page.locator("#margin .note").filter(new Locator.FilterOptions().setHasText(words));
    }

    @Test
    void findingsAreReadAndSetRightByKeyboard() {
        go(demo());
        assertThat(page.locator("#findings-count")).hasText("9 hints");
        page.keyboard().press("f");
        assertThat(page.locator("#margin .note")).hasCount(9);
        assertThat(page.locator("#margin .note").first()).isFocused();
        page.keyboard().press("ArrowDown");
        assertThat(page.locator("#margin .note").nth(1)).isFocused();
        Locator index = note("9 references have no index");
        index.locator(".preview").click();
        assertThat(index.locator(".foreseen"))
                .containsText(Pattern.compile("CREATE INDEX \\w+ ON accession \\(trip_no\\)"));
        index.focus();
        page.keyboard().press("Enter");
        kept(1);
        assertThat(index).hasCount(0);
        assertThat(page.locator("#findings-count")).hasText("8 hints");
        page.locator("#undo").click();
        kept(2);
        assertThat(index).hasCount(1);
        page.locator("#margin-level").selectOption("fault");
        assertThat(page.locator("#margin .empty")).hasText("Nothing of this level is found.");
        page.locator(".margin-close").click();
        assertThat(page.locator("#margin")).isHidden();
    }

    @Test
    void anEntityWithoutAKeyIsFoundWhileItIsMade() {
        newDesign("Glasshouse");
        page.locator("#sheet").focus();
        page.keyboard().press("f");
        assertThat(page.locator("#margin .empty")).containsText("Nothing is found");
        page.locator("#sheet").focus();
        page.keyboard().press("e");
        page.locator("#namer-name").fill("Bench");
        page.locator("#namer-name").press("Enter");
        kept(1);
        assertThat(note("has no primary key and no attribute")).hasCount(1);
        assertThat(page.locator("#findings-count")).hasText("1 caution");
        assertThat(page.locator("#contents .entry[data-mark=caution]")).hasText("Bench");
        note("has no primary key").locator(".remedy").first().click();
        kept(2);
        assertThat(card("Bench")).containsText("bench_id");
        assertThat(note("has no primary key")).hasCount(0);
        assertThat(page.locator("#contents .entry[data-mark]")).hasCount(0);
    }

    /** What another window has set right meanwhile is said, and nothing else is done instead. */
    @Test
    void aRemedyThatIsStaleIsRefused() {
        go(demo());
        page.keyboard().press("f");
        Locator index = note("9 references have no index");
        index.waitFor();
        page.route("**/events", route -> route.abort());
        String id = page.url().replaceFirst(".*/designs/(\\w+).*", "$1");
        store.edit(id, new entaxis.core.change.Change.SetFacts(
                store.open(id).design().facts().on(entaxis.core.targets.Target.MYSQL)));
        page.evaluate("() => document.querySelector('#margin .note .remedy[id$=\"-0\"]') !== null");
        Locator stale = index.locator(".remedy");
        if (stale.count() > 0) {
            stale.click();
            page.waitForTimeout(300);
        }
        assertThat(index).hasCount(0);
        Assertions.assertThat(store.open(id).design().entities().stream().flatMap(entity -> entity.indexes().stream()))
                .hasSize(1);
    }
}
