package entaxis.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.options.FilePayload;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.web.demo.SowingSheet;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** The Normalize desk, from a flat sheet to its tables. */
class NormalizeIT extends BrowserTest {
    private String design;

    private void begin() {
        design = "/designs/" + store.create(SowingSheet.design());
        go(design + "/normalize");
        assertThat(page.locator(".verdict h1")).hasText("First normal form");
    }

    private Design kept() {
        return store.open(design.substring(design.lastIndexOf('/') + 1)).design();
    }

    @Test
    void theVerdictFollowsWhatIsTypedAndIsKeptWhenOneLeaves() {
        begin();
        assertThat(page.locator(".keys-list")).containsText("tray_no, position");
        assertThat(page.locator(".flaw h2"))
                .hasText(new String[] {"Part of the key decides", "A fact by way of another"});
        assertThat(page.locator(".diagram svg")).containsText("by way of taxon_code");
        page.locator("#lines").fill("tray_no -> sown_on");
        assertThat(page.locator(".flaw h2")).hasText(new String[] {"Part of the key decides"});
        assertThat(page.locator("#kept")).hasText("All kept · revision 0");
        page.locator("#lines").press("Tab");
        kept(1);
        Assertions.assertThat(kept().dependencies().list().getFirst().stated()).hasSize(1);
        page.locator("#undo").click();
        assertThat(page.locator("#lines")).hasValue("tray_no -> sown_on, taxon_code\ntaxon_code -> taxon_name, family");
    }

    /** The remedy comes a moment after the verdict, and no other than the one of the kept lines is carried out. */
    @Test
    void theRemedyFollowsOnceOneStopsTyping() {
        begin();
        assertThat(page.locator(".pieces-table tbody tr")).hasCount(3);
        page.locator("#remedy-form input[value=\"Taxon\"]").fill("Plant");
        page.locator("#lines").fill("tray_no -> sown_on, taxon_code\ntaxon_code -> taxon_name, family ");
        assertThat(page.locator(".flaw h2")).hasCount(2);
        assertThat(page.locator("#remedy-form input[value=\"Plant\"]")).hasCount(1);
        page.locator("#lines").fill("tray_no -> sown_on");
        assertThat(page.locator(".pieces-table tbody tr")).hasCount(2);
        page.locator("#lines").fill("");
        assertThat(page.locator(".remedy .empty")).hasText("No remedy is needed.");
        assertThat(page.locator(".verdict h1")).hasText("Boyce-Codd normal form");
    }

    @Test
    void wrongLinesSayWhichAndWhyAndStay() {
        begin();
        String typed = "tray_no -> sown_on\ntaxon_code => family\nfamily -> germinted";
        page.locator("#lines").fill(typed);
        assertThat(page.locator(".remarks li.fault")).hasCount(2);
        assertThat(page.locator(".remarks"))
                .containsText("line 3 There is no attribute “germinted”. Is “germinated” meant?");
        page.locator("#lines").press("Tab");
        assertThat(page.locator("#state-form-fault")).containsText("Line 2 is not kept: An arrow is missing");
        assertThat(page.locator("#lines")).hasValue(typed);
        page.locator("#lines").fill("family -> germinated");
        assertThat(page.locator(".remarks li.contradicted")).containsText("contradicts row");
        page.locator("#lines").fill("tray_no -> sown_on\nt");
        page.locator("#lines").press("End");
        page.keyboard().type("a");
        page.locator("#completions button:text-is(\"taxon_code\")").click();
        assertThat(page.locator("#lines")).hasValue("tray_no -> sown_on\ntaxon_code");
        page.locator("#lines").fill("");
        page.locator("#lines").press("Tab");
        kept(1);
    }

    @Test
    void suggestionsAreAcceptedOrRejected() {
        begin();
        page.getByLabel("Accept taxon_name -> taxon_code").click();
        kept(1);
        assertThat(page.locator("#lines")).hasValue(Pattern.compile("[\\s\\S]*taxon_name -> taxon_code$"));
        page.getByLabel("No, not family -> taxon_code").click();
        kept(2);
        assertThat(page.locator(".suggestions")).not().containsText("family -> taxon_code");
        page.locator("#draw-open summary").click();
        page.locator("#decides-4").check();
        page.locator("#decided-5").check();
        page.locator("#draw-add").click();
        kept(3);
        assertThat(page.locator("#lines")).hasValue(Pattern.compile("[\\s\\S]*taxon_name -> family$"));
    }

    @Test
    void aFaultThatStaysKeepsItsReason() {
        begin();
        page.locator("#live-2-reason").fill("names are printed on the tray");
        page.locator("#live-2 button").click();
        kept(1);
        assertThat(page.locator(".flaw.accepted")).containsText("Accepted: names are printed on the tray");
        page.reload();
        assertThat(page.locator(".flaw.accepted")).containsText("names are printed");
        page.locator(".flaw.accepted .live button").click();
        assertThat(page.locator(".flaw.accepted")).hasCount(0);
    }

    @Test
    void theRemedyIsCarriedOutWithItsRowsAndTakenBack() {
        begin();
        assertThat(page.locator(".tally")).containsText("240 rows join back to 240");
        page.locator("#remedy-form input[value=\"Taxon\"]").fill("Plant");
        page.locator("#carry-out").focus();
        page.keyboard().press("Enter");
        page.waitForURL("**sel=**");
        ready(page);
        assertThat(page.locator("#contents")).containsText("Plant");
        Design now = kept();
        Assertions.assertThat(Derivation.of(now).tables().values())
                .extracting(table -> table.name() + " "
                        + now.rows().stream().filter(row -> row.table().equals(table.element())).count())
                .containsExactlyInAnyOrder("sowing_sheet 240", "tray 10", "plant 4");
        page.locator("#undo").click();
        kept(2);
        Assertions.assertThat(kept()).isEqualTo(SowingSheet.design());
    }

    @Test
    void aFlatSheetBecomesAnEntityAndItsKeyIsChosen() {
        newDesign("Field notes");
        design = page.url().replaceFirst(".*(/designs/\\w+).*", "$1");
        go(design + "/normalize");
        assertThat(page.locator("#result")).containsText("Nothing to normalize yet");
        page.locator("#flat-file")
                .setInputFiles(new FilePayload("bad.csv", "text/csv", "a,b\n1\n".getBytes(StandardCharsets.UTF_8)));
        assertThat(page.locator("#flat-fault")).containsText("bad.csv, line 2: there are 1 values for 2 columns");
        takeTroubles();
        page.locator("#flat-file").setInputFiles(new FilePayload("field_visits.csv", "text/csv",
                ("site,visited_on,warden,phone1,phone2\nFen,2026-04-01,Moss,1,2\n"
                        + "Fen,2026-04-02,Moss,1,2\nHeath,2026-04-01,Reed,3,4\n")
                        .getBytes(StandardCharsets.UTF_8)));
        page.waitForURL("**/normalize?sel=**");
        assertThat(page.locator("#entity-choice option:checked")).hasText("Field visits");
        assertThat(page.locator(".flaw.asks")).containsText("phone1, phone2 look like one fact repeated");
        page.locator("#lines").fill("site, visited_on -> warden\nwarden -> phone1, phone2\nsite -> warden");
        page.locator("#lines").press("Tab");
        kept(2);
        page.getByLabel("Choose site, visited_on as the key").click();
        kept(3);
        assertThat(page.locator(".keys-list")).containsText("chosen");
        Assertions.assertThat(kept().entities().list().getFirst().attributes())
                .extracting(attribute -> attribute.type().text().toLowerCase(java.util.Locale.ROOT))
                .containsExactly("varchar(5)", "date", "varchar(5)", "integer", "integer");
        page.locator("#lines").fill("site, visited_on -> warden, phone1, phone2\nsite -> warden");
        page.locator("#lines").press("Tab");
        kept(4);
    }

    @Test
    void repeatsBecomeAnEntityOfTheirOwn() {
        newDesign("Wardens");
        design = page.url().replaceFirst(".*(/designs/\\w+).*", "$1");
        go(design + "/normalize");
        page.locator("#flat-file").setInputFiles(new FilePayload("wardens.csv", "text/csv",
                "warden,phone1,phone2\nMoss,1,2\nReed,3,4\n".getBytes(StandardCharsets.UTF_8)));
        page.waitForURL("**/normalize?sel=**");
        page.locator("#sign-0").click();
        assertThat(page.locator("#sign-0-fault")).containsText("Choose a key of Wardens first");
        takeTroubles();
        page.locator("#lines").fill("warden -> phone1, phone2");
        page.locator("#lines").press("Tab");
        kept(2);
        page.getByLabel("Choose warden as the key").click();
        kept(3);
        page.locator("#sign-0").click();
        kept(4);
        Assertions.assertThat(kept().entities().stream().map(entity -> entity.name())).containsExactly("Wardens",
                "Wardens phone");
        Assertions.assertThat(kept().rows().size()).isEqualTo(6);
    }

    @Test
    void theDiagramIsSavedAsAPicture() throws IOException {
        begin();
        Download saved = page.waitForDownload(() -> page.locator("#save-png").click());
        Assertions.assertThat(saved.suggestedFilename()).endsWith("dependencies.png");
        BufferedImage image = ImageIO.read(saved.createReadStream());
        double width =
                ((Number) page.evaluate("() => document.querySelector('#dependency-diagram svg').width.baseVal.value"))
                        .doubleValue();
        Assertions.assertThat((double) image.getWidth()).isCloseTo(2 * width, Assertions.within(1.0));
    }

    /** A teacher hands it out: the diagram, the verdict, the remedy and its proof as pages. */
    @Test
    void theProofIsSavedAsPdf() throws Exception {
        begin();
        Download download = page.waitForDownload(() -> page.locator("#save-pdf").click());
        Process process = new ProcessBuilder("pdftotext", "-layout", download.path().toString(), "-").start();
        String text = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        Assertions.assertThat(text).contains("Proof by the chase", "Lossless", "by way of taxon_code", "tray_no",
                "Part of the key decides");
    }
}
