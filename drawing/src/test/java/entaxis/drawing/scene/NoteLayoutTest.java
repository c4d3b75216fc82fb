package entaxis.drawing.scene;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.design.Note;
import entaxis.core.design.NoteId;
import entaxis.core.design.Place;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** Markdown as CommonMark reads it (the specification's examples, version 0.31, from memory), laid out in lines. */
class NoteLayoutTest {
    private static final TextMeasure MEASURE = new TextMeasure();

    private static List<String> lines(String text, int width) {
        return new NoteLayout(MEASURE).lay(new Note(new NoteId("n1"), text, new Place(0, 0), width)).lines().stream()
                .map(line -> line.runs().stream().map(NoteBox.Run::text).collect(Collectors.joining(" "))).toList();
    }

    @Test
    void headingsListsAndParagraphs() {
        assertThat(lines("# Store\n\nFirst line\nstill first.\n\n- one\n- two\n\n3. three\n4. four", 300))
                .containsExactly("Store", "First line still first.", "• one", "• two", "3. three", "4. four");
    }

    @Test
    void stylesAreTold() {
        NoteBox box = new NoteLayout(MEASURE)
                .lay(new Note(new NoteId("n1"), "a *slanted* **strong** `code`", new Place(0, 0), 300));
        assertThat(box.lines().getFirst().runs()).extracting(NoteBox.Run::style).containsExactly(TextStyle.ROW,
                TextStyle.VERB, TextStyle.NAME, TextStyle.TYPE);
    }

    @Test
    void noLineIsWiderThanTheNoteUnlessAWordIs() {
        String text =
                "The quick brown seed jumps over the lazy shelf and lies down in the ninth slot of the second row. "
                        .repeat(5);
        NoteBox box = new NoteLayout(MEASURE).lay(new Note(new NoteId("n1"), text, new Place(0, 0), 220));
        assertThat(box.lines()).hasSizeGreaterThan(5).allSatisfy(line -> {
            NoteBox.Run last = line.runs().getLast();
            assertThat(last.x() + MEASURE.width(last.text(), last.style()))
                    .isLessThanOrEqualTo(220 - NoteLayout.PAD + 0.5);
        });
        assertThat(box.box().height()).isGreaterThan(box.lines().getLast().baseline());
    }

    @Test
    void markupIsTextAndNothingElse() {
        assertThat(lines("<b onclick='x()'>bold</b>", 300)).containsExactly("<b onclick='x()'> bold </b>");
    }
}
