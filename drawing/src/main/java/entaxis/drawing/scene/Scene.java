package entaxis.drawing.scene;

import entaxis.core.design.Notation;
import entaxis.drawing.geometry.Box;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Everything that a sheet shows.
 *
 * @param areas the subject areas of its cards
 * @param frame the edges of its paper, where they are shown
 */
public record Scene(Lens lens, Notation notation, List<Card> cards, List<Line> lines, List<NoteBox> notes,
        List<PictureBox> pictures,
        List<AreaLabel> areas, Optional<PaperFrame> frame) {
    /** Copies the lists. */
    public Scene {
        cards = List.copyOf(cards);
        lines = List.copyOf(lines);
        notes = List.copyOf(notes);
        pictures = List.copyOf(pictures);
        areas = List.copyOf(areas);
    }

    /** The smallest box around everything; none on an empty sheet. */
    public Optional<Box> bounds() {
        return Stream.of(content(), frame.stream().flatMap(paper -> paper.pages().stream()).reduce(Box::union))
                .flatMap(Optional::stream).reduce(Box::union);
    }

    /** The smallest box around all but the paper. */
    private Optional<Box> content() {
        return Stream
                .of(cards.stream().map(Card::box),
                        lines.stream().flatMap(line -> line.points().stream())
                                .map(point -> new Box(point.x(), point.y(), 0, 0)),
                lines.stream().flatMap(line -> line.labels().stream()).map(Line.Label::box),
                        notes.stream().map(NoteBox::box), pictures.stream().map(PictureBox::box))
                .flatMap(boxes -> boxes).reduce(Box::union);
    }

    /** The same without the edges of its paper. */
    public Scene withoutFrame() {
        return new Scene(lens, notation, cards, lines, notes, pictures, areas, Optional.empty());
    }

    /** The same on paper with such edges. */
    public Scene on(PaperFrame paper) {
        return new Scene(lens, notation, cards, lines, notes, pictures, areas, Optional.of(paper));
    }

    /** Only some cards, notes and pictures, by their identities, and what joins them. */
    public Scene only(Set<String> some) {
        Set<String> shown = new HashSet<>(some);
        lines.stream().filter(line -> line.sign().isPresent() && some.contains(line.first().card()))
                .forEach(line -> shown.add(line.second().card()));
        return new Scene(lens, notation, cards.stream().filter(card -> some.contains(card.owner().value())).toList(),
                lines.stream()
                        .filter(line -> shown.contains(line.first().card()) && shown.contains(line.second().card()))
                        .toList(),
                notes.stream().filter(note -> some.contains(note.id().value())).toList(),
                pictures.stream().filter(picture -> some.contains(picture.id().value())).toList(),
                List.of(), Optional.empty());
    }
}
