package entaxis.drawing.file;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FormatTest {

    @ParameterizedTest
    @CsvSource({"vault.svg, SVG", "vault.PNG, PNG", "vault.jpg, JPEG", "vault.jpeg, JPEG", "a.b.pdf, PDF"})
    void theEndOfAFileNameTells(String name, Format format) {
        assertThat(Format.ofFile(name)).contains(format);
    }

    @Test
    void otherEndsTellNothing() {
        assertThat(Format.ofFile("vault")).isEmpty();
        assertThat(Format.ofFile("vault.svgz")).isEmpty();
        assertThat(Format.ofFile("svg.txt")).isEmpty();
    }
}
