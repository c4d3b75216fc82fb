package entaxis.drawing.scene;

import entaxis.core.design.Paper;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The pages that a sheet takes on its paper.
 *
 * @param pages      their edges, row by row
 * @param titleBlock where the title stands, if it is drawn
 * @param texts      its lines
 */
public record PaperFrame(List<Box> pages, Optional<Box> titleBlock, List<String> texts) {
    /** How many sheet units a millimetre is, at 96 units an inch. */
    private static final double MILLIMETRE = 96 / 25.4;
    private static final double LINE = 18;

    /** Copies the lists. */
    public PaperFrame {
        pages = List.copyOf(pages);
        texts = List.copyOf(texts);
    }

    /** The pages from the sheet's origin that everything within the bounds needs. */
    static PaperFrame around(Box bounds, Paper paper, boolean titled, List<String> texts, TextMeasure measure) {
        double width = paper.width() * MILLIMETRE;
        double height = paper.height() * MILLIMETRE;
        int left = (int) Math.floor(bounds.x() / width);
        int right = Math.max(left, (int) Math.ceil(bounds.right() / width) - 1);
        int top = (int) Math.floor(bounds.y() / height);
        int bottom = Math.max(top, (int) Math.ceil(bounds.bottom() / height) - 1);
        List<Box> pages = new ArrayList<>();
        for (int row = top; row <= bottom; row++) {
            for (int column = left; column <= right; column++) {
                pages.add(new Box(column * width, row * height, width, height));
            }
        }
        Box last = pages.getLast();
        double textWidth = texts.stream().mapToDouble(text -> measure.width(text, TextStyle.NAME)).max().orElse(0) + 24;
        double textHeight = texts.size() * LINE + 10;
        return new PaperFrame(pages,
                titled ? Optional.of(
                        new Box(last.right() - textWidth - 8, last.bottom() - textHeight - 8, textWidth, textHeight))
                        : Optional.empty(),
                texts);
    }
}
