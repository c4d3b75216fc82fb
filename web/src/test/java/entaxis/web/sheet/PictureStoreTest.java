package entaxis.web.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PictureStoreTest {
    private final Map<String, PictureMapper.PictureRow> kept = new HashMap<>();
    private final PictureStore store = new PictureStore(new PictureMapper() {
        @Override
        public Optional<PictureRow> picture(String content) {
            return Optional.ofNullable(kept.get(content));
        }

        @Override
        public void insertPicture(String content, String type, byte[] bytes) {
            kept.put(content, new PictureRow(type, bytes));
        }
    });

    private String cleaned(String svg) {
        return new String(kept.get(store.keep(svg.getBytes(StandardCharsets.UTF_8)).content()).bytes(),
                StandardCharsets.UTF_8);
    }

    @ParameterizedTest
    @ValueSource(strings = {"<script>alert(1)</script>", "<foreignObject><b/></foreignObject>",
            "<image href='http://elsewhere.example/x.png'/>",
            "<a href='javascript:alert(1)'><rect/></a>", "<style>@import url(http://elsewhere.example)</style>",
            "<rect onload='x()'/>", "<rect fill='url(http://elsewhere.example#a)'/>",
            "<use href='other.svg#a'/>", "<animate attributeName='href' values='javascript:alert(1)'/>",
            "<rect style=\"fill:image-set('http://elsewhere.example/a.png' 1x)\"/>",
            "<rect fill=\"\\75rl(http://elsewhere.example/a)\"/>",
            "<rect style=\"background:u\\rl(//elsewhere.example)\"/>",
            "<rect style='fill:url(#a);cursor:url(http://elsewhere.example/c.cur),auto'/>",
            "<rect fill='src(\"http://elsewhere.example\")'/>",
            "<rect style='mask-image:-webkit-image-set(url(//elsewhere.example) 1x)'/>",
            "<rect filter='url(http://elsewhere.example#f)'/>",
            "<text style='font-family:x;src:url(//elsewhere.example/f.woff)'>t</text>",
            "<rect fill='element(#x) url(&#x2F;&#x2F;elsewhere.example)'/>",
            "<rect style='--x:url(//elsewhere.example);fill:var(--x)'/>",
            "<rect style='/**/fill:ur/**/l(//elsewhere.example)'/>",
            "<rect width='attr(x url, \"//elsewhere.example\")'/>",
            "<use xlink:href='http://elsewhere.example/x.svg#a' xmlns:xlink='http://www.w3.org/1999/xlink'/>",
        "<rect data-x='//elsewhere.example' class='elsewhere'/>", "<g xmlns:e='http://elsewhere.example'><e:x/></g>"})
    void nothingActiveAndNothingFromElsewhereIsLeft(String inside) {
        String clean = cleaned(
                "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 30 20'>" + inside + "<circle r='4'/></svg>");
        assertThat(clean).contains("<circle").doesNotContain("elsewhere").doesNotContain("alert")
                .doesNotContain("onload").doesNotContain("foreignObject").doesNotContain("other.svg");
    }

    /** A picture that comes back with a saved design is found under the key that its sheet has. */
    @Test
    void whatWasCleanedOnceKeepsItsKey() {
        String svg =
                "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 30 20'><g id='a' style='fill:#abc'><rect "
                        + "width='3' height='4'/></g>\n<text>a &amp; b</text></svg>";
        String key = store.keep(svg.getBytes(StandardCharsets.UTF_8)).content();
        assertThat(store.keep(kept.get(key).bytes()).content()).isEqualTo(key);
    }

    /** What drawings are made of stays as it is. */
    @Test
    void shapesPaintAndReferencesInsideStay() {
        String inside =
                "<defs><linearGradient id=\"g\" gradientTransform=\"rotate(45)\"><stop offset=\"0\" stop-color=\"rgb(1,"
                        + " 2, 3)\"/></linearGradient></defs>"
                        + "<rect x=\"1\" fill=\"url(#g)\" style=\"stroke:#abc;stroke-width:2px\" "
                        + "transform=\"translate(3 4) scale(.5)\"/><use href=\"#g\"/><path d=\"M0 0L1-1.5e3z\"/>";
        String clean = cleaned("<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 30 20'>" + inside + "</svg>");
        assertThat(clean).contains("fill=\"url(#g)\"", "style=\"stroke:#abc;stroke-width:2px\"",
                "transform=\"translate(3 4) scale(.5)\"", "gradientTransform=\"rotate(45)\"",
                "stop-color=\"rgb(1, 2, 3)\"",
                "href=\"#g\"", "d=\"M0 0L1-1.5e3z\"", "viewBox=\"0 0 30 20\"");
    }

    @Test
    void entitiesAreNotRead() {
        assertThatThrownBy(() -> store.keep(
                ("<!DOCTYPE svg [<!ENTITY x SYSTEM 'file:///etc/passwd'>]><svg "
                        + "xmlns='http://www.w3.org/2000/svg'>&x;</svg>")
                        .getBytes(StandardCharsets.UTF_8)))
                .isInstanceOf(PictureStore.NoPicture.class);
    }

    @Test
    void theSamePictureIsKeptOnceAndItsSizeIsKnown() throws IOException {
        BufferedImage image = new BufferedImage(50, 30, BufferedImage.TYPE_INT_RGB);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        PictureStore.Kept first = store.keep(out.toByteArray());
        assertThat(first).isEqualTo(store.keep(out.toByteArray()));
        assertThat(List.of(first.width(), first.height())).isEqualTo(List.of(50, 30));
        assertThat(kept).hasSize(1);
        assertThat(store.inline(first.content())).startsWith("data:image/png;base64,");
    }

    @Test
    void otherFilesAreRefused() {
        assertThatThrownBy(() -> store.keep("GIF89a".getBytes(StandardCharsets.UTF_8)))
                .isInstanceOf(PictureStore.NoPicture.class).hasMessageContaining("PNG, JPEG or SVG");
        assertThatThrownBy(() -> store.keep(new byte[3_000_000])).isInstanceOf(PictureStore.NoPicture.class)
                .hasMessageContaining("2000 kB is the most");
    }
}
