package entaxis.drawing.pdf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import entaxis.drawing.text.TextMeasure;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

class BorrowedLettersTest {
    private static final BorrowedLetters LETTERS = new BorrowedLetters(new TextMeasure());

    private static List<String> objects(Document document) {
        List<String> objects = new ArrayList<>();
        var found = document.getElementsByTagName("object");
        for (int i = 0; i < found.getLength(); i++) {
            objects.add(((Element) found.item(i)).getAttribute("data"));
        }
        return objects;
    }

    @Test
    void textThatTheBundledFontsCoverStays() {
        Document document = LETTERS.in("<html><body><p>Größe, naïve — “seed” lot</p></body></html>");
        assertThat(objects(document)).isEmpty();
        assertThat(document.getDocumentElement().getTextContent()).isEqualTo("Größe, naïve — “seed” lot");
    }

    /** Lines may break between ideographs, so each is an object by itself; other letters stay together. */
    @Test
    void otherLettersBecomeObjects() {
        Document document = LETTERS.in("<html><body><p>seed 種子 or बीज bank</p></body></html>");
        assertThat(objects(document)).containsExactly("種", "子", "बीज");
        assertThat(document.getElementsByTagName("p").item(0).getTextContent()).isEqualTo("seed  or  bank");
    }

    @Test
    void objectsAreAsWideAsTheirLetters() {
        Document document = LETTERS.in("<html><body>बीजबीज <b>बीज</b></body></html>");
        var found = document.getElementsByTagName("object");
        double[] widths = new double[2];
        for (int i = 0; i < 2; i++) {
            Element object = (Element) found.item(i);
            assertThat(object.getAttribute("type")).isEqualTo(BorrowedLetters.TYPE);
            widths[i] = Double.parseDouble(
                    object.getAttribute("style").replaceFirst("(?s).*width: ([0-9.]+)em.*", "$1"));
        }
        assertThat(widths[1]).isPositive();
        assertThat(widths[0]).isEqualTo(2 * widths[1], within(0.2 * widths[0]));
    }

    @Test
    void styleSheetsStay() {
        Document document = LETTERS.in("<html><head><style>p::before { content: '種'; }</style></head><body/></html>");
        assertThat(objects(document)).isEmpty();
    }

    @Test
    void pagesThatAreNotWellFormedAreAFaultOfOurs() {
        assertThatThrownBy(() -> LETTERS.in("<html><p></html>")).isInstanceOf(IllegalStateException.class);
    }
}
