package entaxis.web.cli;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.design.Design;
import entaxis.core.design.Picture;
import entaxis.core.design.PictureId;
import entaxis.core.design.Place;
import entaxis.core.design.Sheet;
import entaxis.exchange.DesignFile;
import entaxis.web.demo.SeedVault;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.Optional;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The commands {@code draw}, {@code dictionary} and {@code import}. */
class HandOverCommandsTest extends CommandTest {

    private String at(String name) {
        return folder.resolve(name).toString();
    }

    private String demo() throws IOException {
        return Files.writeString(folder.resolve("vault.json"),
                DesignFile.write(SeedVault.design(), content -> Optional.empty())).toString();
    }

    private String begin(String name, int length) throws IOException {
        byte[] bytes = Files.readAllBytes(folder.resolve(name));
        return new String(bytes, 0, Math.min(length, bytes.length), StandardCharsets.ISO_8859_1);
    }

    @Test
    void aSavedDesignIsDrawnInEachFormat() throws IOException {
        String vault = demo();
        assertThat(run("draw", vault, at("a.svg"), "--lens", "concept", "--notation", "uml")).as(errors()).isZero();
        assertThat(Files.readString(folder.resolve("a.svg"))).contains("Accession", "1..*");
        assertThat(run("draw", vault, at("a.png"), "--scale", "2", "--transparent", "--sheet", "Store")).isZero();
        assertThat(begin("a.png", 4)).endsWith("PNG");
        assertThat(run("draw", vault, at("a.jpg"), "--legend")).isZero();
        assertThat(begin("a.jpg", 2)).isEqualTo("\u00FF\u00D8");
        assertThat(run("draw", vault, at("a.pdf"), "--paper", "A4", "--upright", "--tiles", "--title-block")).isZero();
        try (PDDocument document = Loader.loadPDF(folder.resolve("a.pdf").toFile())) {
            assertThat(document.getNumberOfPages()).isGreaterThan(3);
            assertThat(new PDFTextStripper().getText(document)).contains("germination_test", "Fenmoor seed vault",
                    "Store");
        }
    }

    /** The pictures of a saved design are drawn with it. */
    @Test
    void picturesInTheFileAreDrawn() throws IOException {
        Design design = SeedVault.design();
        Sheet sheet = design.sheet();
        Picture picture = new Picture(new PictureId("i1"), "mark", "mark", new Place(320, 20), 40, 30);
        byte[] svg =
                ("<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 40 30'><rect width='40' "
                        + "height='30' fill='#123456'/></svg>")
                        .getBytes(StandardCharsets.UTF_8);
        String saved = DesignFile.write(design.with(sheet.withPictures(sheet.pictures().with(picture))),
                content -> Optional.of(new DesignFile.PictureBytes("image/svg+xml", svg)));
        Files.writeString(folder.resolve("p.json"), saved);
        assertThat(run("draw", at("p.json"), at("p.svg"))).as(errors()).isZero();
        assertThat(Files.readString(folder.resolve("p.svg"))).contains("data:image/svg+xml;base64,");
        assertThat(run("draw", at("p.json"), at("p.png"))).isZero();
        BufferedImage image = ImageIO.read(folder.resolve("p.png").toFile());
        assertThat(IntStream.range(0, image.getWidth() * Math.min(200, image.getHeight()))
                .filter(i -> (image.getRGB(i % image.getWidth(), i / image.getWidth()) & 0xFFFFFF) == 0x123456).count())
                .isGreaterThan(1000);
    }

    @Test
    void wrongWordsAreNamed() throws IOException {
        String vault = demo();
        for (String[] wrong : new String[][] {{"draw", vault, at("a.gif")}, {"draw", vault},
                {"draw", vault, at("a.svg"), "--sheet", "Nowhere"}, {"draw", vault, at("a.svg"), "--paper", "B7"},
                {"draw", vault, at("a.svg"), "--notation", "runes"},
                {"draw", at("missing.sql"), at("a.svg"), "--engine", "postgresql"},
                {"draw", at("missing"), at("a.svg")},
                {"dictionary", vault, at("a.odt")}, {"dictionary", vault}, {"import", at("missing.csv"), at("b.json")},
                {"import", vault}}) {
            assertThat(run(wrong)).as(String.join(" ", wrong)).isEqualTo(2);
            assertThat(errors()).as(String.join(" ", wrong)).isNotBlank().doesNotContain("Exception");
        }
    }

    @Test
    void theDictionaryInEachFormat() throws IOException {
        String vault = demo();
        for (String format : new String[] {"html", "pdf", "docx", "xlsx", "md", "csv"}) {
            assertThat(run("dictionary", vault, at("d." + format))).as(format + errors()).isZero();
            assertThat(Files.size(folder.resolve("d." + format))).as(format).isGreaterThan(2000);
        }
        assertThat(begin("d.pdf", 5)).isEqualTo("%PDF-");
        assertThat(Files.readString(folder.resolve("d.md"))).contains("### Accession");
        Files.writeString(folder.resolve("s.sql"), "create table jar (jar_no int primary key); squeak;");
        assertThat(run("dictionary", at("s.sql"), at("s.csv"), "--engine", "postgresql")).isEqualTo(1);
        assertThat(errors()).contains("squeak");
    }

    /** A dictionary that was handed out is taken in again, and says the same. */
    @Test
    void whatWasHandedOutComesInAgain() throws IOException {
        assertThat(run("dictionary", demo(), at("d.xlsx"))).isZero();
        assertThat(run("import", at("d.xlsx"), at("again.json"), "--json")).as(errors()).isZero();
        JsonNode read = JsonMapper.builder().build().readTree(written());
        assertThat(read.path("entities").size()).isEqualTo(19);
        assertThat(read.path("notUnderstood").isEmpty()).isTrue();
        JsonNode accession = read.path("entities").valueStream()
                .filter(entity -> entity.path("name").asString().equals("Accession")).findFirst().orElseThrow();
        assertThat(accession.path("attributes").get(0).path("key").asString()).isEqualTo("primary");
        assertThat(read.path("relationships").valueStream()
                .map(one -> one.path("from").asString() + " " + one.path("to").asString() + " "
                        + one.path("required").asBoolean()))
                .contains("Accession Taxon true", "Accession Slot false");
        assertThat(run("draw", at("again.json"), at("again.svg"))).isZero();
        Files.writeString(folder.resolve("odd.csv"), "Table,Field,Type\nJar,jar_no,squiggle\n");
        assertThat(run("import", at("odd.csv"), at("odd.json"), "--json")).isEqualTo(1);
        assertThat(errors()).contains("odd, row 2, column C").contains("squiggle");
    }
}
