package entaxis.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import entaxis.web.store.StoreHealth;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.util.ReflectionTestUtils;

/** A store that takes no edits for a while, as somebody at the page sees it. */
class StoreTroubleIT extends BrowserTest {
    private static final long DEFAULT = 2048 * 1024L;
    @Autowired
    private StoreHealth health;

    private void leastFree(long bytes) {
        ReflectionTestUtils.setField(health, "leastFree", bytes);
    }

    private void choose() {
        // the answer puts a new ledger in the place of one that may show the same entity already
        page.waitForResponse(answer -> answer.url().contains("/ledger"), () -> page
                .locator("#contents .entry", new Page.LocatorOptions().setHasText("Collector")).first().click());
        page.waitForTimeout(200);
        assertThat(page.locator("#entity-name")).hasValue("Collector");
    }

    @AfterEach
    void room() {
        leastFree(DEFAULT);
    }

    @Test
    void whatWasTypedStaysAndIsKeptOnceThereIsRoom() {
        mayReport("503");
        go(demo());
        choose();
        leastFree(Long.MAX_VALUE);
        page.locator("input[aria-label='Meaning of full_name']").fill("as on the badge");
        page.locator("input[aria-label='Meaning of full_name']").press("Tab");
        assertThat(page.locator("#notice")).containsText("The disk that holds the data folder is full");
        assertThat(page.locator("#kept")).containsText("Not kept");
        assertThat(page.locator("input[aria-label='Meaning of full_name']")).hasValue("as on the badge");
        page.reload();
        assertThat(page.locator("#trouble")).containsText("Make room on it");
        choose();
        leastFree(DEFAULT);
        page.locator("input[aria-label='Meaning of full_name']").fill("as on the new badge");
        page.locator("input[aria-label='Meaning of full_name']").press("Tab");
        kept(1);
        page.reload();
        assertThat(page.locator("#trouble")).not().containsText("full");
    }
}
