package entaxis.web.browser;

import com.deque.html.axecore.args.AxeRunOnlyOptions;
import com.deque.html.axecore.args.AxeRunOptions;
import com.deque.html.axecore.playwright.AxeBuilder;
import com.deque.html.axecore.results.Rule;
import com.microsoft.playwright.Page;
import entaxis.web.demo.SowingSheet;
import java.util.List;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** No page breaks a rule of WCAG 2.2 AA that axe-core can check. */
class AccessibilityIT extends BrowserTest {

    @Test
    void everyPage() {
        String design = demo();
        String sheet = "/designs/" + store.create(SowingSheet.design());
        for (String path : List.of("/", design, design + "?lens=tables", sheet + "/normalize", design + "/normalize",
                design + "/sentences", design + "/sql", design + "/trial",
                design + "/reconcile?side=design:" + sheet.substring("/designs/".length()), "/nothing/here")) {
            go(path);
            check(path);
        }
        takeTroubles();
    }

    @Test
    void theLedgerOfAnEntityAndOfARelationshipAndTheTrialAfterARun() {
        String design = demo();
        go(design);
        page.locator("#contents .entry", new Page.LocatorOptions().setHasText("Accession")).click();
        page.locator("#about-entity").waitFor();
        checkBesideSheet("entity");
        page.locator("#ledger .sentence", new Page.LocatorOptions().setHasText("is tested in")).click();
        page.locator("#about-relationship").waitFor();
        checkBesideSheet("relationship");
        page.locator("[data-do=keys]").click();
        checkBesideSheet("keys");
        go(design + "/trial");
        page.locator("#run-script").click();
        page.locator("#run-summary").waitFor();
        page.locator("#run-question").click();
        page.locator("#answer table").waitFor();
        check("trial");
    }

    @Test
    void everyPartOfTheLedgerLightAndDark() {
        String design = demo();
        String sheet = "/designs/" + store.create(SowingSheet.design());
        for (String theme : List.of("light", "dark")) {
            go(design);
            page.evaluate("theme => localStorage.setItem('entaxis.theme', theme)", theme);
            go(design);
            if (theme.equals("dark")) {
                check(theme + " desk");   // everyPage checks the light one
            }
            for (String leaf : theme.equals("light") ? List.of("facts", "say", "sheet", "types", "names")
                    : List.of("facts", "names")) {
                page.locator("#ledger .leaves [data-leaf=" + leaf + "]").click();
                page.locator("#ledger .leaves [data-leaf=" + leaf + "][aria-pressed=true]").waitFor();
                checkPart("#ledger", theme + " " + leaf);
            }
            page.keyboard().press("f");
            page.locator("#margin .note").first().waitFor();
            checkPart("#margin", theme + " margin");
            page.locator(".margin-close").click();
            page.locator("#contents .entry", new Page.LocatorOptions().setHasText("Accession")).click();
            page.locator("#about-entity").waitFor();
            for (String leaf : List.of("keys", "kinds")) {
                page.locator("#ledger .leaves [data-leaf=" + leaf + "]").click();
                page.locator("#ledger .leaves [data-leaf=" + leaf + "][aria-pressed=true]").waitFor();
                checkPart("#ledger", theme + " " + leaf);
            }
            page.locator("#ledger .ledger-head [data-leaf=reach]").click();
            page.locator(".reach details summary").first().click();
            checkPart("#ledger", theme + " touches");
            page.keyboard().press("Escape");
            page.keyboard().press("Control+a");
            page.locator("#about-selection").waitFor();
            checkBesideSheet(theme + " selection");
            page.keyboard().press("Control+k");
            page.keyboard().type("a");
            page.locator("#found button").first().waitFor();
            checkBesideSheet(theme + " find");
            if (theme.equals("dark")) {
                go(design + "/sentences");
                check(theme + " sentences");
                go(design + "/sql");
                check(theme + " sql");
            }
            go(sheet + "/normalize");
            page.locator("#draw-open summary").click();
            page.locator(".closures summary").click();
            check(theme + " normalize");
        }
    }

    /**
     * A window of 1280 by 800 at 200 %, and a tablet held upright: the page is no wider than the window, and the sheet
     * has room (WCAG 2.2, 1.4.4 and 1.4.10).
     */
    @Test
    void narrowWindows() {
        String design = demo();
        String sheet = "/designs/" + store.create(SowingSheet.design());
        for (int[] size : new int[][] {{640, 400}, {768, 1024}}) {
            page.setViewportSize(size[0], size[1]);
            for (String path : size[0] > 700 ? List.of(design, design + "/dictionary")
                    : List.of("/", design, sheet + "/normalize", design + "/sentences", design + "/dictionary",
                            design + "/sql", design + "/trial", design + "/reconcile")) {
                go(path);
                int over = (int) page.evaluate("() => document.documentElement.scrollWidth - innerWidth");
                Assertions.assertThat(over).as("%s at %d", path, size[0]).isLessThanOrEqualTo(0);
            }
            go(design);
            Assertions.assertThat((int) page.evaluate("() => document.getElementById('sheet').offsetHeight"))
                    .isGreaterThan(size[1] * 2 / 5);
            page.locator("#desks-button").click();
            page.locator("#to-dictionary").click();
            page.locator("#book").waitFor();
        }
        page.locator("#options [name=words]").fill("slot");
        page.waitForFunction("() => document.querySelectorAll('#book .entry-of').length < 8");
        check("dictionary");
    }

    private void check(String what) {
        check(what, new AxeBuilder(page));
    }

    /** For what changes beside a sheet that has been checked; its many texts take the most time. */
    private void checkBesideSheet(String what) {
        check(what, new AxeBuilder(page).exclude("#drawing"));
    }

    /** For a part of a page that has been checked. */
    private void checkPart(String part, String what) {
        check(what, new AxeBuilder(page).include(part));
    }

    private static void check(String what, AxeBuilder checker) {
        AxeRunOnlyOptions rules = new AxeRunOnlyOptions();
        rules.setType("tag");
        rules.setValues(List.of("wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"));
        AxeRunOptions options = new AxeRunOptions();
        options.setRunOnly(rules);
        options.setResultTypes(List.of("violations"));   // of the others, one place is enough: nobody reads them
        List<Rule> violations = checker.options(options).analyze().getViolations();
        Assertions.assertThat(violations).as(what).extracting(rule -> rule.getId() + ": " + rule.getHelp() + " "
                + rule.getNodes().stream().map(node -> node.getHtml()).limit(4).toList()).isEmpty();
    }
}
