package entaxis.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import entaxis.core.change.Change;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.OpaqueId;
import entaxis.core.design.OpaqueProgram;
import entaxis.core.schema.ProgramKind;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import entaxis.web.demo.SeedVault;
import entaxis.web.demo.SowingSheet;
import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Value;

/** A design and a database that have both moved on, brought to the same state again in the browser. */
class ReconcileIT extends BrowserTest {
    private static final String URL = "jdbc:h2:mem:reconcile_it";
    @Value("${entaxis.data}")
    private String data;
    private Connection connection;

    @BeforeEach
    void database() throws SQLException, IOException {
        Files.writeString(Path.of(data, "connections.properties"), "Outpost.url=" + URL + "\nOutpost.engine=h2\n");
        connection = DriverManager.getConnection(URL);
        for (Script.Statement one : new ScriptWriter(Dialect.of(Target.H2), ScriptOptions.DEFAULT)
                .write(Derivation.of(SeedVault.design()).schema(), "outpost").statements()) {
            execute(one.text());
        }
    }

    @AfterEach
    void away() throws SQLException, IOException {
        connection.close();
        Files.delete(Path.of(data, "connections.properties"));
    }

    private void execute(String sql) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            statement.execute(sql);
        }
    }

    private Locator difference(String words) {
        return page.locator(".difference", new Page.LocatorOptions().setHasText(words));
    }

    private void answer(String words, String answer) {
        difference(words).locator("[data-answer=" + answer + "]").click();
        assertThat(difference(words).locator("label.chosen:not(.by-itself) [data-answer=" + answer + "]")).isVisible();
    }

    private void open(String design) {
        go(design);
        to("reconcile");
    }

    @Test
    void aDatabaseMadeOfTheDesignTellsTheSameStory() {
        open(demo());
        assertThat(page.locator("#counted")).hasText("No differences");
    }

    @Test
    void bothSidesAreBroughtTogether() throws SQLException {
        String design = demo();
        open(design);
        page.locator("#agree").click();
        assertThat(page.locator("#said")).containsText("Remembered");
        execute("ALTER TABLE accession ADD COLUMN barcode varchar(20)");
        execute("ALTER TABLE collector ALTER COLUMN full_name RENAME TO name");
        execute("ALTER TABLE taxon ALTER COLUMN common_name SET DATA TYPE varchar(120)");
        execute("CREATE TABLE freezer_log (log_id integer PRIMARY KEY, celsius numeric(4,1))");
        page.locator("#read-again").click();
        assertThat(page.locator("#counted")).containsText("5 differences");
        assertThat(page.locator("#not-compared li")).containsText("Not read from the catalog of H2: privileges");
        page.locator(".offer input").click();
        assertThat(page.locator("#counted"))
                .containsText("4 differences: all by the database");
        assertThat(difference("The database calls the column “name”")).containsText("changed in the database");

        answer("common_name", "WANTED");
        answer("freezer_log", "WANTED");
        assertThat(page.locator("#change-script"))
                .containsText("ALTER TABLE taxon ALTER COLUMN common_name SET DATA TYPE varchar(80);");
        assertThat(page.locator("#change-script")).not().containsText("DROP TABLE");
        difference("freezer_log").locator("input[name=meant]").click();
        assertThat(page.locator("#change-script")).containsText("DROP TABLE freezer_log;");
        page.locator("#rehearse").click();
        assertThat(page.locator("#rehearsed")).containsText("The rehearsal went well: nothing is left.");

        page.locator("#update-design").click();
        assertThat(page.locator("#said")).containsText("The design is brought up to date");
        assertThat(page.locator("#counted")).containsText("2 differences");
        page.locator(".running summary").click();
        assertThat(page.locator("#locks")).containsText("longer than 10 seconds for a lock");
        page.locator("#run-script").click();
        assertThat(page.locator("#executed")).containsText("Done: every statement was carried out");
        assertThat(page.locator("#counted")).hasText("No differences");
        page.locator("#undo").click();
        kept(2);
        page.reload();
        assertThat(page.locator("#counted")).containsText("2 differences");
    }

    @Test
    void whatIsKeptIsRememberedWithItsReasonAndNotAskedAgain() throws SQLException {
        execute("ALTER TABLE accession ADD COLUMN barcode varchar(20)");
        open(demo());
        assertThat(difference("accession.barcode")).hasClass(java.util.regex.Pattern.compile("undecided"));
        difference("accession.barcode").locator("[data-answer=WANTED]").focus();
        page.keyboard().press("3");
        assertThat(page.locator("#counted")).containsText("1 kept");
        difference("accession.barcode").locator("input[name=reason]").fill("the label printer needs it");
        page.keyboard().press("Enter");
        page.reload();
        assertThat(page.locator(".difference-group h2").first()).containsText("Kept as they are");
        page.locator("#show").selectOption("open");
        assertThat(page.locator("#differences")).containsText("No difference is shown by this filter.");
        page.locator("#show").selectOption("kept");
        assertThat(difference("accession.barcode").locator("input[name=reason]"))
                .hasValue("the label printer needs it");
        Assertions.assertThat(page.locator("#change-script").count()).isZero();
    }

    @Test
    void valuesOfATableThatWasSplitInTheDatabaseComeBack() throws SQLException {
        execute("INSERT INTO taxon (taxon_id, name, common_name) VALUES (900, 'Brizella minor', 'small quill')");
        execute("CREATE TABLE naming AS SELECT taxon_id, common_name FROM taxon");
        execute("ALTER TABLE naming ALTER COLUMN taxon_id SET NOT NULL");
        execute("ALTER TABLE naming ADD PRIMARY KEY (taxon_id)");
        execute("ALTER TABLE naming ADD FOREIGN KEY (taxon_id) REFERENCES taxon (taxon_id)");
        execute("ALTER TABLE taxon DROP COLUMN common_name");
        open(demo());
        Locator offer = page.locator(".offer",
                new Page.LocatorOptions().setHasText("naming: common_name may have come out of taxon"));
        offer.locator("input").check();
        assertThat(offer.locator("input")).isChecked();
        answer("taxon.common_name", "WANTED");
        assertThat(page.locator("#change-script")).containsText(
                "UPDATE taxon SET common_name = (SELECT own.common_name FROM naming own WHERE own.taxon_id = "
                        + "taxon.taxon_id);");
        page.locator(".running summary").click();
        page.locator("#run-script").click();
        assertThat(page.locator("#executed")).containsText("Done");
        try (Statement statement = connection.createStatement();
                java.sql.ResultSet row = statement.executeQuery("SELECT common_name FROM taxon WHERE taxon_id = 900")) {
            row.next();
            Assertions.assertThat(row.getString(1)).isEqualTo("small quill");
        }
    }

    private static Change view(String query) {
        return new Change.PutOpaque(new OpaqueProgram(new OpaqueId("v9"), ProgramKind.VIEW, "", "species", Target.H2,
                "CREATE VIEW species AS " + query));
    }

    @Test
    void aViewThatWasChangedOnEitherSideIsTold() throws SQLException {
        execute("CREATE VIEW species AS SELECT common_name FROM taxon WHERE rank = 'species'");
        String design = demo();
        String id = design.substring(design.lastIndexOf('/') + 1);
        store.edit(id, view("SELECT common_name FROM taxon WHERE rank = 'species'"));
        open(design);
        assertThat(page.locator("#counted")).hasText("No differences");
        page.locator("#agree").click();
        assertThat(page.locator("#said")).containsText("Remembered");
        execute("CREATE OR REPLACE VIEW species AS SELECT common_name FROM taxon WHERE rank <> 'species'");
        page.reload();
        assertThat(page.locator("#counted")).containsText("1 difference");
        assertThat(difference("species")).containsText("changed in the database");
        answer("species", "WANTED");
        assertThat(page.locator("#change-script")).containsText("rank = 'species'");
        page.locator(".running summary").click();
        page.locator("#run-script").click();
        assertThat(page.locator("#executed")).containsText("Done");
        assertThat(page.locator("#counted")).hasText("No differences");
        store.edit(id, view("SELECT common_name FROM taxon WHERE rank = 'genus'"));
        page.reload();
        assertThat(difference("species")).containsText("changed in the design");
    }

    /** A view cannot come where a table of its name stays: the script is shown, and neither run nor handed out. */
    @Test
    void aScriptThatWouldStopHalfWayIsNeitherRunNorHandedOut() throws SQLException {
        execute("CREATE TABLE species (name varchar(40))");
        String design = demo();
        String id = design.substring(design.lastIndexOf('/') + 1);
        store.edit(id, view("SELECT common_name FROM taxon"));
        open(design);
        answer("The view or routine species is only in the design", "WANTED");
        assertThat(page.locator("#stops")).containsText("CREATE VIEW species");
        assertThat(page.locator("#stops")).containsText("a table species is there already");
        assertThat(page.locator("#run-script")).hasCount(0);
        assertThat(page.locator("#download-change")).hasCount(0);
        Assertions.assertThat(page.request().get(page.url().replaceAll("/reconcile.*", "/reconcile.sql?side=")
                + URLEncoder.encode(page.locator("#side").inputValue(), StandardCharsets.UTF_8)).status())
                .isEqualTo(409);
        answer("The table species is only in the database", "WANTED");
        difference("The table species is only in the database").locator("input[name=meant]").click();
        assertThat(page.locator("#stops")).hasCount(0);
        page.locator(".running summary").click();
        page.locator("#run-script").click();
        assertThat(page.locator("#executed")).containsText("Done");
        assertThat(page.locator("#counted")).hasText("No differences");
    }

    /** Before both sides ever agreed, a view is told by its query. */
    @Test
    void aViewThatDiffersInAnOperatorIsToldAtOnce() throws SQLException {
        execute("CREATE VIEW species AS SELECT vault, shelf FROM slot WHERE capacity < 10");
        String design = demo();
        String id = design.substring(design.lastIndexOf('/') + 1);
        store.edit(id, view("SELECT vault, shelf FROM slot WHERE capacity < 10"));
        open(design);
        assertThat(page.locator("#counted")).hasText("No differences");
        store.edit(id, view("SELECT vault, shelf FROM slot WHERE capacity <= 10"));
        page.reload();
        assertThat(page.locator("#counted")).containsText("1 difference");
        assertThat(difference("species")).isVisible();
        store.edit(id, view("SELECT vault,\n  shelf\nFROM slot\nWHERE capacity <= 10"));
        page.reload();
        assertThat(difference("species").locator(".lines thead")).containsText("in the design");
        assertThat(difference("species").locator(".lines tbody")).containsText("WHERE capacity <= 10");
        store.edit(id, view("SELECT vault, shelf FROM slot NATURAL JOIN vault WHERE capacity <= 10"));
        page.reload();
        assertThat(
                page.locator("#reconcile .note-line")
                        .filter(new Locator.FilterOptions()
                                .setHasText("species was compared only by the tables, columns and constants")))
                .hasCount(1);
    }

    @Test
    void aRequiredColumnAsksForAValue() throws SQLException {
        execute("ALTER TABLE taxon ALTER COLUMN rank DROP NOT NULL");
        open(demo());
        answer("taxon.rank", "WANTED");
        assertThat(page.locator("#change-script")).containsText("SET NOT NULL");
        difference("taxon.rank").locator("input[name=value]").fill("'species'");
        page.keyboard().press("Enter");
        assertThat(page.locator("#change-script"))
                .containsText("UPDATE taxon SET rank = 'species' WHERE rank IS NULL;");
    }

    @Test
    void aScriptIsASideToo() {
        newDesign("Small");
        to("reconcile");
        page.locator(".give-script summary").click();
        page.locator(".give-script textarea").fill("nothing at all");
        page.locator(".give-script button").click();
        assertThat(page.locator("#reconcile .fault")).containsText("No table was found");
        page.locator(".give-script summary").click();
        page.locator(".give-script textarea").fill("create table bench (id int primary key, label varchar(9));");
        page.locator(".give-script button").click();
        assertThat(difference("The table bench is only in the script.")).isVisible();
        answer("bench", "HAVE");
        page.locator("#update-design").click();
        assertThat(page.locator("#counted")).hasText("No differences");
        to("diagram");
        assertThat(card("Bench")).isVisible();
    }

    @Test
    void aNamedVersionIsASideAndCanBeReturnedTo() {
        String design = demo();
        go(design + "/reconcile");
        page.locator("#version").fill("handed over");
        page.locator("#name-version button").click();
        assertThat(page.locator("#side")).containsText("its version handed over (revision 0)");
        page.locator("#version").fill("Handed over");
        page.locator("#name-version button").click();
        assertThat(page.locator("#version-fault")).containsText("Revision 0 is already called “handed over”");
        go(design);
        page.locator("#contents .entry:text-is(\"Permit\")").click();
        page.locator("#add-line").fill("stamped_on date");
        page.locator("#add-line").press("Enter");
        kept(1);
        go(design + "/reconcile");
        page.locator("#side").selectOption("version:0:handed over");
        page.locator("#compare").click();
        assertThat(page.locator(".difference")).hasCount(1);
        assertThat(page.locator(".difference")).containsText("stamped_on");
        answer("stamped_on", "HAVE");
        assertThat(page.locator("#by-kind")).hasCount(0);
        assertThat(page.locator("#update-design")).isEnabled();
        page.locator("#update-design").click();
        kept(2);
        assertThat(page.locator(".difference")).hasCount(0);
    }

    @Test
    void allDifferencesOfAKindAreDecidedAtOnce() throws SQLException {
        execute("ALTER TABLE taxon ADD COLUMN author varchar(40)");
        execute("ALTER TABLE site ADD COLUMN altitude integer");
        execute("CREATE INDEX ix_site_described ON site (description)");
        go(demo() + "/reconcile");
        page.locator("#side").selectOption("database:Outpost");
        page.locator("#compare").click();
        assertThat(page.locator(".difference")).hasCount(3);
        page.locator("#by-kind summary").click();
        page.getByLabel("Take the database's side: 2 columns").click();
        assertThat(page.locator("#counted")).containsText("2 by the database");
        assertThat(page.getByLabel("Take the database's side: 2 columns")).isVisible();
        Assertions.assertThat(page.locator(".difference:has([data-answer=HAVE]:checked)").allTextContents()).hasSize(2)
                .allMatch(text -> text.contains("The column"));
    }

    @Test
    void manyDifferencesAreShownAPageAtATimeAndDecidedTogether() throws SQLException {
        for (int i = 0; i < 130; i++) {
            execute("CREATE TABLE old_" + i + " (no integer PRIMARY KEY)");
        }
        execute("CREATE TABLE spare (no integer PRIMARY KEY)");
        go(demo() + "/reconcile");
        page.locator("#side").selectOption("database:Outpost");
        page.locator("#compare").click();
        assertThat(page.locator(".difference")).hasCount(50);
        assertThat(page.locator("#show-more")).hasText("Show more: 81 further differences");
        page.locator("#find-difference").fill("old_");
        assertThat(page.locator("#show-more")).hasText("Show more: 80 further differences");
        page.locator(".difference [data-answer=KEEP]").first().click();
        assertThat(page.locator("#counted")).containsText("1 kept");
        assertThat(page.locator(".difference")).hasCount(50);
        page.locator("#show-more").click();
        assertThat(page.locator(".difference")).hasCount(130);
        assertThat(page.locator("#show-more")).hasCount(0);
    }

    /** A flat sheet is normalized; the database that holds it follows, and its rows are spread over the new tables. */
    @Test
    void whatWasSplitInTheDesignMovesInTheDatabaseWithItsValues() throws SQLException {
        Design flat = SowingSheet.design();
        execute("drop all objects");
        for (Script.Statement one : new ScriptWriter(Dialect.of(Target.H2), ScriptOptions.DEFAULT)
                .write(Derivation.of(flat).schema(), "sheet").statements()) {
            execute(one.text());
        }
        execute("insert into sowing_sheet (tray_no, position, sown_on, taxon_code, taxon_name, family, germinated) "
                + "values ('T-01', 1, date '2026-03-02', 'CAR', 'Silverthorn', 'Thornworts', 'yes'),"
                + " ('T-01', 2, date '2026-03-02', 'CAR', 'Silverthorn', 'Thornworts', 'no'), ('T-02', 1, date "
                + "'2026-03-04', 'MOR', 'Moonreed', 'Reeds', 'yes')");
        String design = "/designs/" + store.create(flat);
        go(design + "/normalize");
        page.locator("#carry-out").click();
        page.waitForURL("**sel=**");
        to("reconcile");
        Locator offers = page.locator(".offer");
        assertThat(offers).hasCount(2);
        assertThat(offers.filter(new Locator.FilterOptions().setHasText("may have moved to taxon")))
                .containsText("taxon_name, family");
        for (int i = 0; i < 2; i++) {
            offers.nth(i).locator("input").click();
            assertThat(page.locator(".offer input:checked")).hasCount(i + 1);
        }
        assertThat(page.locator(".difference .risk.loses_data")).hasCount(0);
        Locator groups = page.locator(".difference-group");
        for (int i = groups.count() - 1; i >= 0; i--) {
            groups.nth(i).locator("h2 button:text-is('all: design')").click();
            assertThat(groups.nth(i).locator(".undecided")).hasCount(0);
        }
        assertThat(page.locator("#change-script")).containsText("SELECT DISTINCT");
        page.locator("#rehearse").click();
        assertThat(page.locator("#rehearsed")).containsText("The rehearsal went well: nothing is left.");
        page.locator(".running summary").click();
        page.locator("#run-script").click();
        assertThat(page.locator("#executed")).containsText("Done: every statement was carried out");
        assertThat(page.locator("#counted")).hasText("No differences");
        try (Statement statement = connection.createStatement();
                ResultSet row = statement.executeQuery(
                        "select count(*), max(t.family) from sowing_sheet s join tray y on y.tray_no = s.tray_no"
                + " join taxon t on t.taxon_code = y.taxon_code where s.germinated = 'yes'")) {
            row.next();
            Assertions.assertThat(row.getInt(1)).isEqualTo(2);
            Assertions.assertThat(row.getString(2)).isEqualTo("Thornworts");
        }
    }

    /** A statement that takes its time is shown while it runs. */
    @Test
    void theStatementThatRunsIsShown() throws SQLException {
        execute("ALTER TABLE taxon ADD COLUMN barcode varchar(20)");
        execute("SET DEFAULT_LOCK_TIMEOUT 20000");
        open(demo());
        difference("taxon.barcode").locator("[data-answer=WANTED]").click();
        difference("taxon.barcode").locator("input[name=meant]").click();
        assertThat(page.locator("#change-script")).containsText("DROP COLUMN");
        try (Connection holds = DriverManager.getConnection(URL); Statement statement = holds.createStatement()) {
            holds.setAutoCommit(false);
            statement.execute("update taxon set barcode = 'held'");
            page.locator(".running summary").click();
            page.locator("#run-script").click();
            assertThat(page.locator("#run-progress")).containsText(Pattern.compile("Statement 1 of \\d+ runs now\\."));
            assertThat(page.locator("#run-progress pre")).containsText("DROP COLUMN");
            holds.rollback();
        }
        assertThat(page.locator("#executed")).containsText("Done: every statement was carried out");
    }

    /**
     * A view that only the database has comes into the design, as the engine words it; one that only the design has is
     * made in the database.
     */
    @Test
    void viewsAreBroughtTogether() throws SQLException {
        execute("CREATE VIEW full_slots AS SELECT vault, shelf, slot_no FROM slot WHERE capacity = 0");
        String design = demo();
        open(design);
        assertThat(page.locator("#counted")).containsText("1 difference");
        answer("full_slots", "HAVE");
        page.locator("#update-design").click();
        assertThat(page.locator("#said")).containsText("The design is brought up to date");
        assertThat(page.locator("#counted")).hasText("No differences");
        execute("DROP VIEW full_slots");
        page.locator("#read-again").click();
        answer("full_slots", "WANTED");
        assertThat(page.locator("#change-script")).containsText("CREATE VIEW full_slots");
        page.locator(".running summary").click();
        page.locator("#run-script").click();
        assertThat(page.locator("#executed")).containsText("Done: every statement was carried out");
        assertThat(page.locator("#counted")).hasText("No differences");
    }
}
