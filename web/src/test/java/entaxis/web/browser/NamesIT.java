package entaxis.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** Awkward names show as they were typed, everywhere, and fit the boxes that the server measured for them. */
class NamesIT extends BrowserTest {

    @Test
    void markupLongAndForeignNamesShowLiterally() {
        newDesign("<i>\"Names\"</i> & 'more'");
        assertThat(page.locator("#design-name")).hasValue("<i>\"Names\"</i> & 'more'");
        for (String name : new String[] {"<b>\"'", "<script>alert(1)</script>", "漢字の表", "Ред книга вида",
                "W".repeat(100), "ÆØÅ fi ffl Tä AV"}) {
            page.locator("#sheet").focus();
            page.keyboard().press("e");
            page.locator("#namer-name").fill(name);
            page.locator("#namer-name").press("Enter");
            assertThat(page.locator("#entity-name")).hasValue(name);
            page.locator("#add-line").fill("\"" + name.replace("\"", "\"\"") + "\" varchar(9) -- " + name);
            page.locator("#add-line").press("Enter");
            assertThat(page.locator("#add-line")).hasValue("");
        }
        assertThat(page.locator("#contents .entry").first()).hasText("<b>\"'");
        assertThat(page.locator("#cards b, #cards script, #contents b")).hasCount(0);
        for (Locator card : page.locator("#cards .card").all()) {
            double room = Double.parseDouble(card.getAttribute("data-w"));
            for (Locator text : card.locator("text").all()) {
                double end = (double) text.evaluate("t => { const b = t.getBBox(); return (b.x + b.width) + 0.0001; }");
                Assertions.assertThat(end).as(text.textContent()).isLessThanOrEqualTo(room - 4);
            }
        }
        to("sql");
        assertThat(page.locator("#script-text")).containsText("\"<b>\"\"'\"");
        to("trial");
        page.locator("#run-script").click();
        assertThat(page.locator("#run-summary")).containsText("all accepted");
    }

    /** The browser is the outside measure: what it draws in the bundled fonts is as wide as the server said. */
    @Test
    void measuredWidthsAreThoseOfTheBrowser() {
        go(demo() + "?lens=tables");
        TextMeasure measure = new TextMeasure();
        for (TextStyle style : TextStyle.values()) {
            for (String text : new String[] {"germination_test", "AVATAR Tofu WAVE", "fi ffl office",
                    "timestamp with time zone", "ÆØÅ ñ ž", "(FK)(AK1)"}) {
                double drawn = (double) page.evaluate(
                        "([text, size, family, weight, italic]) => { const t = "
                                + "document.createElementNS('http://www.w3.org/2000/svg', 'text');"
                                + " t.textContent = text; t.setAttribute('font-size', size); "
                                + "t.setAttribute('font-family', family); t.setAttribute('font-weight', weight);"
                                + " if (italic) t.setAttribute('font-style', 'italic'); const at100 = "
                                + "document.createElementNS('http://www.w3.org/2000/svg', 'svg');"
                        + " document.body.appendChild(at100).appendChild(t);"
                        + " const width = t.getComputedTextLength(); at100.remove(); return width + 0.000001; }",
                        new Object[] {text, style.size(), style.family(), style.weight(), style.italic()});
                Assertions.assertThat(measure.width(text, style)).as("%s in %s", text, style).isCloseTo(drawn,
                        within(0.1));
            }
        }
    }
}
