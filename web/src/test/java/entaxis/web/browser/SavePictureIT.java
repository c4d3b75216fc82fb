package entaxis.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Download;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** Saving sheets from the Diagram desk, by button, by key and by Ctrl+K. */
class SavePictureIT extends BrowserTest {
    private byte[] save() throws IOException {
        Download download = page.waitForDownload(() -> page.locator("#picture-save").click());
        return Files.readAllBytes(download.path());
    }

    private String begin(byte[] bytes, int count) {
        return new String(bytes, 0, count, StandardCharsets.ISO_8859_1);
    }

    private String text(byte[] pdf) throws IOException, InterruptedException {
        Path file = Files.write(Files.createTempFile(Path.of("target"), "saved", ".pdf"), pdf);
        Process process = new ProcessBuilder("pdftotext", file.toString(), "-").start();
        String text = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        Assertions.assertThat(process.waitFor(30, TimeUnit.SECONDS)).isTrue();
        return text;
    }

    @Test
    void eachFormatByKey() throws Exception {
        go(demo());
        page.keyboard().press("x");
        String text = text(save());
        store.open(page.url().replaceFirst(".*/designs/([^?]*).*", "$1")).design().entities()
                .forEach(entity -> {
                    Assertions.assertThat(text).contains(entity.name());
                    entity.attributes().forEach(attribute -> Assertions.assertThat(text).contains(attribute.name()));
                });
        page.locator("input[name=format][value=SVG]").check();
        Assertions.assertThat(begin(save(), 4)).isEqualTo("<svg");
        page.locator("input[name=format][value=PNG]").check();
        Assertions.assertThat(begin(save(), 4)).endsWith("PNG");
        page.locator("input[name=format][value=JPEG]").check();
        Assertions.assertThat(save()[0]).isEqualTo((byte) 0xFF);
    }

    @Test
    void theSelectionAndAllSheets() throws Exception {
        go(demo());
        card("Collector").click();
        page.locator("[data-do=picture]").click();
        page.locator("#picture-some").check();
        String some = text(save());
        Assertions.assertThat(some).contains("Collector", "full_name").doesNotContain("Accession");
        page.locator("input[name=part][value=ALL]").check();
        page.locator("input[name=format][value=PNG]").check();
        Assertions.assertThat(begin(save(), 2)).isEqualTo("PK");
        page.locator("#picture-close").click();
        page.keyboard().press("Control+k");
        page.locator("#find-text").fill("on paper");
        page.keyboard().press("Enter");
        assertThat(page.locator("#picture")).isVisible();
    }
}
