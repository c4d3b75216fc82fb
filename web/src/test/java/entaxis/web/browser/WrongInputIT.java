package entaxis.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import org.junit.jupiter.api.Test;

/** What is typed wrongly gets a message beside it that says what to do, and stays. */
class WrongInputIT extends BrowserTest {

    @Test
    void namesThatAreEmptyOrTaken() {
        go(demo());
        page.locator("[data-do=entity]").click();
        page.locator("#namer-name").press("Enter");
        assertThat(page.locator("#namer-fault")).containsText("is empty. Type a name");
        page.locator("#namer-name").fill("collecting-TRIP");
        page.locator("#namer-name").press("Enter");
        assertThat(page.locator("#namer-fault")).containsText("There is an entity “Collecting trip” already");
        assertThat(page.locator("#namer-name")).hasValue("collecting-TRIP");
        assertThat(page.locator("#namer")).isVisible();
        kept(0);
    }

    @Test
    void attributeLinesThatDoNotParse() {
        go(demo());
        choose("Taxon");
        wrongLine("authority varchr(40)", "Character 11: “varchr” is not a type known here; did you mean varchar?");
        wrongLine("name text", "There is an attribute “name” here already");
        wrongLine("parent integer references taxon", "draw a relationship");
        wrongLine("note varchar(40", "The bracket after the size is not closed");
        wrongLine("x integer default", "is followed by a value");
        page.locator("#add-line").fill("one integer\ntwo wrong");
        page.locator("#add-line").press("Enter");
        assertThat(page.locator("#add-line-fault")).containsText("Line 2, character 5");
        kept(0);
    }

    @Test
    void typesAndKeysInTheLedgerAndTheTextStaysWhileOtherFieldsAreKept() {
        go(demo());
        choose("Collector");
        page.locator("input[aria-label='Type of full_name']").fill("numeric(3,9)");
        page.locator("input[aria-label='Type of full_name']").press("Tab");
        assertThat(page.locator("#ledger")).containsText("more decimals than digits");
        page.locator("input[aria-label='Meaning of full_name']").fill("as on the badge");
        page.locator("input[aria-label='Meaning of full_name']").press("Tab");
        kept(1);
        assertThat(page.locator("input[aria-label='Type of full_name']")).hasValue("numeric(3,9)");
        assertThat(page.locator("#ledger")).containsText("more decimals than digits");
        page.locator("input[aria-label='Place of e_mail in keys']").fill("first");
        page.locator("input[aria-label='Place of e_mail in keys']").press("Tab");
        assertThat(page.locator("#ledger")).containsText("“first” is no place in a key");
        page.locator("select[aria-label='Whether collector_no must have a value']").selectOption("false");
        assertThat(page.locator("#ledger")).containsText("part of the primary key, which always has a value");
    }

    @Test
    void relationshipsThatCannotBe() {
        go(demo());
        choose("Accession");
        page.locator("#relate-to").fill("Nowhere");
        page.locator("#relate-to").press("Enter");
        assertThat(page.locator("#relate-fault")).containsText("There is no entity “Nowhere”");
        assertThat(page.locator("#relate-to")).hasValue("Nowhere");
        page.locator("#ledger tr.foreign .name input").first().fill("seed_count");
        page.locator("#ledger tr.foreign .name input").first().press("Tab");
        assertThat(page.locator("#ledger tr.foreign").first())
                .containsText("There is an attribute “seed_count” in this table already");
        choose("Daily count");
        page.locator("#relate-to").fill("Accession");
        page.locator("#relate-to").press("Enter");
        assertThat(page.locator("#about-relationship")).isVisible();
        page.locator("#identifying").selectOption("true");
        assertThat(page.locator("#identifying-fault")).containsText("Accession → ");
        assertThat(page.locator("#identifying-fault")).containsText("Make one of these relationships non-identifying");
        page.locator("#on-delete").selectOption("SET_NULL");
        assertThat(page.locator("#on-delete-fault")).containsText("cannot be set to no value");
    }

    /** Answers come late; what is typed meanwhile belongs to its own line and its own field all the same. */
    @Test
    void typingFasterThanTheServerAnswers() {
        go(demo());
        choose("Collector");
        page.route("**/edits", route -> {
            page.waitForTimeout(150);
            route.resume();
        });
        page.locator("#add-line").focus();
        for (int i = 1; i <= 5; i++) {
            page.keyboard().type("quick_" + i + " integer");
            page.keyboard().press("Enter");
        }
        page.keyboard().type("half a li");
        kept(5);
        assertThat(page.locator("#add-line")).hasValue("half a li");
        for (int i = 1; i <= 5; i++) {
            assertThat(card("Collector")).containsText("quick_" + i);
        }
        page.locator("#add-line").fill("");
        page.locator("input[aria-label='Meaning of quick_1']").fill("one");
        page.locator("input[aria-label='Meaning of quick_2']").fill("two");
        page.locator("select[aria-label='Whether quick_3 must have a value']").selectOption("true");
        page.locator("select[aria-label='Whether quick_4 must have a value']").selectOption("true");
        page.locator("input[aria-label='Type of quick_5']").fill("bigint");
        page.locator("input[aria-label='Type of quick_5']").press("Tab");
        kept(10);
        page.reload();
        page.locator("#about-entity").waitFor();
        assertThat(page.locator("input[aria-label='Meaning of quick_1']")).hasValue("one");
        assertThat(page.locator("input[aria-label='Meaning of quick_2']")).hasValue("two");
        assertThat(page.locator("select[aria-label='Whether quick_3 must have a value']")).hasValue("true");
        assertThat(page.locator("select[aria-label='Whether quick_4 must have a value']")).hasValue("true");
        assertThat(page.locator("input[aria-label='Type of quick_5']")).hasValue("bigint");
        page.locator("#undo").click();
        assertThat(page.locator("input[aria-label='Type of quick_5']")).hasValue("integer");
        page.locator("#undo").click();
        assertThat(page.locator("input[aria-label='Meaning of quick_2']")).hasValue("");
        page.locator("#undo").click();
        assertThat(page.locator("select[aria-label='Whether quick_4 must have a value']")).hasValue("false");
    }

    @Test
    void aDesignWithoutAName() {
        go("/");
        page.locator("#create-design").click();
        assertThat(page.locator("#new-name-fault")).containsText("is empty. Type a name");
    }

    @Test
    void aServerThatDoesNotAnswer() {
        go(demo());
        choose("Site");
        page.route("**/edits", route -> route.abort());
        page.locator("#entity-meaning").fill("typed while the server was away");
        page.locator("#entity-meaning").press("Tab");
        assertThat(page.locator("#kept")).hasText("Not kept: the server does not answer");
        assertThat(page.locator("#entity-meaning")).hasValue("typed while the server was away");
        page.unroute("**/edits");
        page.locator("#entity-meaning").fill("typed while the server was away.");
        page.locator("#entity-meaning").press("Tab");
        kept(1);
        takeTroubles();
    }

    private void choose(String entity) {
        page.locator("#contents .entry", new Page.LocatorOptions().setHasText(entity)).first().click();
        assertThat(page.locator("#entity-name")).hasValue(entity);
    }

    private void wrongLine(String line, String message) {
        page.locator("#add-line").fill(line);
        page.locator("#add-line").press("Enter");
        assertThat(page.locator("#add-line-fault")).containsText(message);
        assertThat(page.locator("#add-line")).hasValue(line);
    }
}
