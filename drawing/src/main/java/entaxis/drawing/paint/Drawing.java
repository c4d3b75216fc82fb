package entaxis.drawing.paint;

import entaxis.drawing.dependency.DependencyDiagram;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.scene.Scene;
import entaxis.drawing.text.TextMeasure;
import java.util.function.Consumer;

/**
 * Something that can be painted on any surface, and how much room it takes.
 *
 * @param box   all that it takes, in sheet units
 * @param paint how it is painted; may be called any number of times
 */
public record Drawing(Box box, Consumer<Surface> paint) {
    /** Room around a sheet. */
    public static final double MARGIN = 24;

    /** A scene with room around it. */
    public static Drawing of(Scene scene, TextMeasure measure) {
        ScenePainter painter = new ScenePainter(measure);
        return new Drawing(around(scene), on -> painter.paint(scene, on));
    }

    /** A dependency diagram. */
    public static Drawing of(DependencyDiagram diagram, TextMeasure measure) {
        return new Drawing(new Box(0, 0, diagram.width(), diagram.height()),
                on -> new DependencyPainter(measure).paint(diagram, on));
    }

    /** The box around a scene, with room around it. */
    public static Box around(Scene scene) {
        return scene.bounds().orElse(new Box(0, 0, 200, 120)).grown(MARGIN);
    }

    /** This with another drawing below it. */
    public Drawing above(Drawing below) {
        double dx = box.x() - below.box.x();
        double dy = box.bottom() - below.box.y();
        return new Drawing(
                new Box(box.x(), box.y(), Math.max(box.width(), below.box.width()), box.height() + below.box.height()),
                on -> {
            paint.accept(on);
            on.open(Group.of("").at(dx, dy));
            below.paint.accept(on);
            on.close();
        });
    }
}
