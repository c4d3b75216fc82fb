package entaxis.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import org.junit.jupiter.api.Test;

/** The same road with the keyboard alone. */
class KeyboardRoadIT extends BrowserTest {

    @Test
    void fromTypedEntitiesToTablesWithoutTheMouse() {
        go("/");
        page.locator("#new-name").focus();
        type("Herbarium", "Enter");
        ready(page);

        press("e");
        type("Sheet", "Enter");
        assertThat(page.locator("#add-line")).isFocused();
        type("sheet_no integer primary key", "Enter");
        assertThat(page.locator("#add-line")).hasValue("");
        type("pressed_on date not null default current_date -- day it was pressed", "Enter");
        assertThat(page.locator("#ledger table.rows tbody tr")).hasCount(2);
        press("Escape", "e");
        type("Drawer", "Enter");
        assertThat(page.locator("#entity-name")).hasValue("Drawer");
        assertThat(page.locator("#add-line")).isFocused();
        type("drawer char(3) primary key", "Enter");
        assertThat(page.locator("#add-line")).hasValue("");
        type("room varchar(20)", "Enter");
        assertThat(page.locator("#ledger table.rows tbody tr")).hasCount(2);

        editInTheLedger();
        relate();
        press("Escape", "l");
        assertThat(card("sheet")).containsText("drawer(FK)");
        undoAndRedo();
        sqlAndTrial();
    }

    private void editInTheLedger() {
        press("Shift+Tab", "Shift+Tab");
        assertThat(page.locator("input[aria-label='Meaning of room']")).isFocused();
        type("where it stands", "Tab");
        assertThat(page.locator("#kept")).containsText("revision 7");
        press("Shift+Tab", "Alt+ArrowUp");
        assertThat(page.locator("input[aria-label='Meaning of room']")).isFocused();
        page.locator("input[aria-label='Place of room in keys']").focus();
        type("AK1", "Enter");
        assertThat(card("Drawer")).containsText("room(AK1)");
    }

    private void relate() {
        press("Escape", "r");
        assertThat(page.locator("#relate-to")).isFocused();
        type("Sheet", "Enter");
        assertThat(page.locator("#verb-FIRST")).isFocused();
        type("holds", "Tab");
        press("ArrowUp");
        assertThat(page.locator("#many-SECOND")).hasValue("one or more");
        press("Tab", "Tab", "Tab");
        assertThat(page.locator("#verb-SECOND")).isFocused();
        type("lies in", "Tab");
        assertThat(page.locator("#lines text.verb")).hasText("holds");
        press("ArrowDown");
        assertThat(page.locator("#many-FIRST")).hasValue("zero or one");
        assertThat(page.locator("#about-relationship")).containsText("non-identifying");
    }

    private void undoAndRedo() {
        String kept = page.locator("#kept").textContent();
        press("Control+z");
        assertThat(page.locator("#kept")).not().hasText(kept);
        press("Control+z", "Control+z", "Control+z", "Control+z");
        assertThat(card("sheet")).not().containsText("(FK)");
        page.reload();
        ready(page);
        for (int i = 0; i < 5; i++) {
            press("Control+Shift+z");
        }
        assertThat(card("sheet")).containsText("drawer(FK)");
        assertThat(page.locator("#redo")).isDisabled();
    }

    private void sqlAndTrial() {
        page.locator("#to-sql").focus();
        press("Enter");
        page.waitForURL("**/sql?*");
        assertThat(page.locator("#script-text")).containsText("REFERENCES drawer (drawer)");
        page.locator("#to-trial").focus();
        press("Enter");
        page.waitForURL("**/trial?*");   // a button does nothing before the scripts of its page have run
        page.locator("#run-script").focus();
        press("Enter");
        assertThat(page.locator("#run-summary")).containsText("all accepted");
        page.locator("#cell-sheet_no").focus();
        type("1", "Enter");
        assertThat(page.locator("#inserted .good")).isVisible();
        assertThat(page.locator("#cell-sheet_no")).isFocused();
        page.locator("#question").focus();
        press("Control+a");
        type("select pressed_on = current_date as today from sheet", "Control+Enter");
        assertThat(page.locator("#answer td")).hasText("TRUE");
    }

    private void type(String text, String then) {
        page.keyboard().type(text);
        page.keyboard().press(then);
    }

    private void press(String... keys) {
        for (String key : keys) {
            page.keyboard().press(key);
            page.waitForFunction("() => !document.querySelector('.htmx-request')");
        }
    }
}
