package entaxis.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Value;

/** Work that takes longer shows how far it is, can be stopped, and leads on by itself. */
class LongWorkIT extends BrowserTest {
    /** A database that is slow to answer. */
    private static final String SLOW =
            "jdbc:h2:mem:slow_%d;INIT=CREATE ALIAS IF NOT EXISTS PAUSE FOR \"java.lang.Thread.sleep(long)\"\\\\;CALL "
                    + "PAUSE(%d)\\\\;CREATE TABLE IF NOT EXISTS TRAY(TRAY_NO INT PRIMARY KEY)";
    @Value("${entaxis.data}")
    private String data;

    private void slow(int number, int millis) throws IOException {
        Files.writeString(Path.of(data, "connections.properties"),
                "Outpost.url=" + SLOW.formatted(number, millis) + "\nOutpost.engine=h2\n");
    }

    @AfterEach
    void away() throws IOException {
        Files.deleteIfExists(Path.of(data, "connections.properties"));
    }

    @Test
    void workCanBeStopped() throws IOException {
        slow(2, 3000);
        go("/read");
        page.locator("#read-database").click();
        page.waitForURL("**/jobs/*");
        page.locator("#work-stop").click();
        assertThat(page.locator("#work-fault")).hasText("Reading was stopped; nothing was made of it.");
    }

    @Test
    void aSlowDatabaseIsWaitedForAndThenShown() throws IOException {
        slow(1, 2500);
        go("/read");
        page.locator("#read-connection").selectOption("Outpost");
        page.locator("#read-database").click();
        assertThat(page.locator("#work-words")).hasText("Connecting …");
        assertThat(page.locator("#reverse-form")).containsText("tray");
        page.locator("#reverse-go").click();
        assertThat(card("Tray")).isVisible();
        page.locator("#to-reconcile").click();
        assertThat(page.locator("h1")).hasText("Reading the catalog of Outpost");
        assertThat(page.locator("#counted")).hasText("No differences");
        page.locator("#read-again").click();
        assertThat(page.locator("#work-words")).hasText("Connecting …");
        assertThat(page.locator("#counted")).hasText("No differences");
    }

    @Test
    void workThatIsOverOrUnknownSaysSo() {
        go("/jobs/nothing");
        assertThat(page.locator("h1")).hasText("Nothing is going on here");
        assertThat(page.locator("#work-step")).containsText("This work is over");
    }
}
