package entaxis.web.normalize;

import entaxis.core.dependency.AttributeSet;
import entaxis.core.dependency.Dependency;
import entaxis.core.dependency.MinimalCover;
import entaxis.core.dependency.Relation;
import entaxis.core.dependency.Verdict;
import entaxis.core.dependency.Violation;
import entaxis.core.normalize.EntityRelation;
import entaxis.drawing.dependency.DependencyDiagram;
import entaxis.drawing.dependency.DependencyDiagram.Drawn;
import entaxis.drawing.dependency.DependencyDiagram.Pattern;
import entaxis.drawing.paint.Drawing;
import entaxis.drawing.paint.PictureSource;
import entaxis.drawing.picture.Pixels;
import entaxis.drawing.svg.SvgWriter;
import entaxis.drawing.text.TextMeasure;
import java.util.ArrayList;
import java.util.List;

/** The dependency diagram of an entity: a minimal cover, faults below the row. */
public record DependencyPicture(DependencyDiagram diagram) {
    private static final TextMeasure MEASURE = new TextMeasure();
    private static final double PIXELS_A_UNIT = 2;

    /** The picture of what was found about an entity's table. */
    public static DependencyPicture of(EntityRelation about, Verdict verdict) {
        Relation relation = about.relation();
        AttributeSet key = about.key().isEmpty() ? verdict.keys().keys().getFirst() : about.key();
        List<Drawn> drawn = new ArrayList<>();
        for (Dependency dependency : MinimalCover.joined(verdict.cover())) {
            if (verdict.keys().superkey(dependency.determinant())) {
                drawn.add(drawn(dependency, Pattern.FULL,
                        dependency.determinant().equals(key) ? "whole key" : "another key"));
            }
        }
        for (Violation violation : verdict.violations()) {
            Pattern pattern = switch (violation.kind()) {
                case PARTIAL -> Pattern.PARTIAL;
                case TRANSITIVE -> Pattern.TRANSITIVE;
                case PART_OF_KEY -> Pattern.PART_OF_KEY;
                case INDEPENDENT -> Pattern.MANY;
            };
            drawn.add(drawn(violation.dependency(), pattern, violation.kind() == Violation.Kind.TRANSITIVE
                    ? "by way of " + relation.text(violation.dependency().determinant()) : violation.kind().label()));
        }
        return new DependencyPicture(DependencyDiagram.of(relation.attributes(), key.members(), drawn, MEASURE));
    }

    private static Drawn drawn(Dependency dependency, Pattern pattern, String label) {
        return new Drawn(dependency.determinant().members(), dependency.dependent().members(), pattern, label);
    }

    /** As an SVG document. */
    public String svg() {
        return new SvgWriter(MEASURE).document(diagram);
    }

    /** As a PNG file. */
    public byte[] png() {
        return new Pixels(MEASURE, PictureSource.NONE).png(Drawing.of(diagram, MEASURE), PIXELS_A_UNIT, false);
    }
}
