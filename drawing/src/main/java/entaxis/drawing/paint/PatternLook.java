package entaxis.drawing.paint;

import entaxis.drawing.dependency.DependencyDiagram.Pattern;
import java.util.List;

/**
 * How the line of a pattern looks, in every kind of picture.
 *
 * @param colour as #RRGGBB
 * @param dashes lengths of strokes and gaps in turn; none for a whole line
 */
public record PatternLook(String colour, List<Integer> dashes) {
    /** The look of a pattern. */
    public static PatternLook of(Pattern pattern) {
        return switch (pattern) {
            case FULL -> new PatternLook(Ink.INK, List.of());
            case PARTIAL -> new PatternLook(Ink.CAUTION, List.of(8, 4));
            case TRANSITIVE -> new PatternLook(Ink.FAULT, List.of(2, 3));
            case PART_OF_KEY -> new PatternLook(Ink.FAULT, List.of(9, 3, 2, 3));
            case MANY -> new PatternLook(Ink.INK, List.of(1, 2));
        };
    }
}
