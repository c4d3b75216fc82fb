package entaxis.exchange.dictionary;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.dictionary.Dictionary;
import entaxis.core.dictionary.reading.DictionaryReader;
import entaxis.core.dictionary.reading.DictionaryUpdate;
import entaxis.core.dictionary.reading.ReadDictionary;
import entaxis.core.random.RandomDesigns;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Dictionaries through a real office suite, where one is installed: what it opens and saves says the same as before.
 */
class OfficeSuiteTest {
    private static final int DESIGNS = Integer.getInteger("entaxis.office", 3);

    @TempDir
    private static Path folder;

    @BeforeAll
    static void installed() throws Exception {
        Assumptions.assumeTrue(Files.isExecutable(Path.of("/usr/bin/soffice")), "no office suite is installed here");
    }

    private static Path saved(Path file, String format, String end) throws Exception {
        Process suite =
                new ProcessBuilder("/usr/bin/soffice", "-env:UserInstallation=" + folder.resolve("profile").toUri(),
                        "--headless", "--convert-to", format, "--outdir",
                        folder.resolve("out").toString(), file.toString()).redirectErrorStream(true)
                        .redirectOutput(folder.resolve("suite.log").toFile()).start();
        assertThat(suite.waitFor(120, TimeUnit.SECONDS)).as("the office suite ends").isTrue();
        return folder.resolve("out").resolve(file.getFileName().toString().replaceFirst("[^.]*$", end));
    }

    @Test
    void aWorkbookComesBackAsOpenDocument() throws Exception {
        for (int seed = 0; seed < DESIGNS; seed++) {
            Design design = RandomDesigns.design(seed, 12);
            Dictionary now = Dictionary.of(design, Derivation.of(design));
            Path book = Files.write(folder.resolve("d" + seed + ".xlsx"),
                    XlsxDictionary.write(now, WritingProgress.UNWATCHED));
            for (String end : List.of("ods", "xlsx")) {
                Path again = saved(book, end, end);
                ReadDictionary read = DictionaryReader
                        .read(DictionaryTables.read(again.getFileName().toString(), Files.readAllBytes(again)));
                assertThat(read.missed()).as("seed %d, %s", seed, end).isEmpty();
                assertThat(read.entities()).hasSize((int) now.entities().count());
                assertThat(DictionaryUpdate.of(design, now, read, kind -> kind + "x")).as("seed %d, %s", seed, end)
                        .isEmpty();
            }
        }
    }

    @Test
    void aDocumentIsReadWithItsHeadingsAndTables() throws Exception {
        Design design = RandomDesigns.design(5, 8);
        Dictionary now = Dictionary.of(design, Derivation.of(design));
        Path document = Files.write(folder.resolve("d.docx"),
                DocxDictionary.write(now, List.of(), "1", WritingProgress.UNWATCHED));
        String text = Files.readString(saved(document, "txt:Text (encoded):UTF8", "txt"));
        assertThat(now.entities().map(entity -> entity.name().replaceAll("\\s+", " ").strip()))
                .allSatisfy(name -> assertThat(text.replaceAll("\\s+", " ")).contains(name));
        assertThat(now.entities().flatMap(entity -> entity.attributes().stream()).map(attribute -> attribute.name()))
                .allSatisfy(name -> assertThat(text).contains(name));
    }
}
