package entaxis.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** From a script to a design, and from a design to the scripts of two engines. */
class ReadIT extends BrowserTest {
    private static final String SCRIPT = """
            CREATE TABLE taxon (taxon_id integer PRIMARY KEY, name varchar(120) NOT NULL UNIQUE);
            CREATE TABLE trip (trip_id integer PRIMARY KEY, started_on date NOT NULL);
            CREATE TABLE sighting (taxon_id integer REFERENCES taxon, trip_id integer REFERENCES trip, PRIMARY KEY \
            (taxon_id, trip_id));
            CREATE TABLE photo (photo_id integer PRIMARY KEY, taxon_id integer);
            CREATE TABEL wrong (x int);
            INSERT INTO taxon VALUES (1, 'Brizella ostra');
            """;

    @Test
    void whatWasReadIsShownBeforeADesignIsMadeOfIt() {
        go("/");
        page.locator("#to-read").click();
        page.locator("#read-go").click();
        assertThat(page.locator("#read-fault")).containsText("choose a file, or paste a script");
        page.locator("#read-script").fill("select 1");
        page.locator("#read-go").click();
        assertThat(page.locator("#read-fault")).containsText("No table was found");
        assertThat(page.locator("#read-script")).hasValue("select 1");
        page.locator("#read-script").fill(SCRIPT);
        page.locator("#read-go").click();
        assertThat(page.locator("#missed")).containsText("5:8");
        page.locator("input[name=bridges][value=sighting]").check();
        page.locator("input[name=proposals]").check();
        page.locator("#reverse-name").fill("");
        page.locator("#reverse-go").click();
        assertThat(page.locator("#reverse-fault")).containsText("needs a name");
        page.locator("input[name=bridges][value=sighting]").check();
        page.locator("input[name=proposals]").check();
        page.locator("#reverse-name").fill("Field notes");
        page.locator("#reverse-go").click();
        assertThat(card("Taxon")).isVisible();
        assertThat(page.locator("#cards .card")).hasCount(3);
        assertThat(page.locator("#lines > g")).hasCount(2);

        to("sql");
        page.locator("#target").selectOption("ORACLE");
        assertThat(page.locator("#script-text")).containsText("varchar2(120 char)");
        page.locator("#beside").selectOption("MYSQL");
        assertThat(page.locator("#script-beside")).containsText("PRIMARY KEY (taxon_id)");
        assertThat(page.locator("#script-text .line.other").first()).isVisible();
        page.locator("input[name=rows]").check();
        assertThat(page.locator("#script-text"))
                .containsText("INSERT INTO taxon (taxon_id, name) VALUES (1, 'Brizella ostra');");
        page.locator("input[name=quote]").check();
        assertThat(page.locator("#script-beside")).containsText("CREATE TABLE `taxon`");
    }

    @Test
    void manyTablesAreFilteredAndTickedTogether() {
        StringBuilder script = new StringBuilder();
        for (int i = 0; i < 20; i++) {
            script.append("CREATE TABLE ").append(i < 15 ? "tray_" : "rack_").append(i)
                    .append(" (no integer PRIMARY KEY);\n");
        }
        go("/read");
        page.locator("#read-script").fill(script.toString());
        page.locator("#read-go").click();
        assertThat(page.locator("#choose-count")).hasText("20 of 20 chosen");
        page.locator("#choose-filter").fill("tray");
        assertThat(page.locator("#choose-tables .tick:visible")).hasCount(15);
        page.locator("[data-choose=none]").click();
        assertThat(page.locator("#choose-count")).hasText("5 of 20 chosen");
        page.locator("#choose-filter").fill("");
        page.locator("input[name=tables][value=tray_3]").check();
        assertThat(page.locator("#choose-count")).hasText("6 of 20 chosen");
        page.locator("#reverse-go").click();
        assertThat(page.locator("#cards .card")).hasCount(6);
    }

    @Test
    void theDesignFollowsItsScriptWhenThatIsEdited() {
        go(demo());
        to("sql");
        page.locator("#edit-script").click();
        String text = page.locator("#typed-text").inputValue();
        page.locator("#typed-text").fill(text.replace("CREATE TABLE collector", "CREATE TABEL collector"));
        page.locator("#follow-script").click();
        assertThat(page.locator("#text-faults")).containsText("nothing was changed");
        org.assertj.core.api.Assertions.assertThat(page.evaluate(
                "() => { const t = document.getElementById('typed-text'); return t.value.slice(t.selectionStart, "
                        + "t.selectionEnd); }"))
                .isEqualTo("TABEL");
        page.locator("#typed-text").fill(text.replace("full_name", "whole_name")
                + "CREATE TABLE freezer (freezer_no integer PRIMARY KEY, vault_code char(2) NOT NULL);\n");
        page.keyboard().press("Control+Enter");
        assertThat(page.locator("#text-said")).containsText("The design follows, as revision 1.");
        assertThat(page.locator("#typed-text")).hasValue(java.util.regex.Pattern.compile("whole_name"));
        page.locator("#typed-text").fill("-- nothing");
        page.locator("#follow-script").click();
        assertThat(page.locator("#text-fault")).containsText("There is no table in this text");
        to("diagram");
        assertThat(card("Freezer")).isVisible();
        page.locator("#undo").click();
        kept(2);
        assertThat(card("Freezer")).hasCount(0);
    }

    /**
     * A view that is typed into the script stays with the design, to the letter; another engine's script leaves it out
     * and says so.
     */
    @Test
    void aViewTypedIntoTheScriptStaysWithTheDesign() {
        go(demo());
        to("sql");
        page.locator("#edit-script").click();
        String view = "CREATE VIEW deep AS SELECT slot_no FROM slot WHERE capacity > 40;";
        page.locator("#typed-text").fill(page.locator("#typed-text").inputValue() + "\n" + view + "\n");
        page.keyboard().press("Control+Enter");
        assertThat(page.locator("#text-said")).containsText("The design follows, as revision 1.");
        page.reload();
        to("sql");
        assertThat(page.locator("#script-text")).containsText(view);
        page.locator("#target").selectOption("SQLITE");
        assertThat(page.locator("#findings")).containsText("the view is written for PostgreSQL");
        assertThat(page.locator("#script-text")).not().containsText("CREATE VIEW deep");
        page.locator("#undo").click();
        kept(2);
        page.locator("#target").selectOption("POSTGRESQL");
        assertThat(page.locator("#script-text")).not().containsText("CREATE VIEW deep");
    }

    @Test
    void aFileIsReadToo(@TempDir Path folder) throws java.io.IOException {
        Path file = Files.writeString(folder.resolve("green_house.sql"),
                "CREATE TABLE `bench` (`id` int unsigned NOT NULL AUTO_INCREMENT, `label` varchar(9), PRIMARY KEY "
                        + "(`id`)) ENGINE=InnoDB;");
        go("/read");
        page.locator("#read-engine").selectOption("MYSQL");
        page.locator("#read-file").setInputFiles(file);
        page.locator("#read-go").click();
        assertThat(page.locator("#reverse-name")).hasValue("Green house");
        page.locator("#reverse-go").click();
        assertThat(card("Bench")).isVisible();
    }
}
