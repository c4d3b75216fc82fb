package entaxis.drawing.scene;

import entaxis.drawing.geometry.Box;
import java.util.List;
import java.util.Optional;

/** Everything that a sheet shows. */
public record Scene(Lens lens, List<Card> cards, List<Line> lines) {
    /** Copies the lists. */
    public Scene {
        cards = List.copyOf(cards);
        lines = List.copyOf(lines);
    }

    /** The smallest box around everything; none on an empty sheet. */
    public Optional<Box> bounds() {
        Optional<Box> cardBounds = cards.stream().map(Card::box).reduce(Box::union);
        Optional<Box> lineBounds = lines.stream().flatMap(line -> line.points().stream()).map(point -> new Box(point.x(), point.y(), 0, 0)).reduce(Box::union);
        return cardBounds.map(box -> lineBounds.map(box::union).orElse(box));
    }
}
