package entaxis.drawing.layout;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Place;
import entaxis.core.design.Sheet;
import entaxis.core.sql.Dialect;
import entaxis.drawing.scene.Lens;
import entaxis.drawing.scene.Scene;
import entaxis.drawing.scene.SceneMaker;
import entaxis.drawing.text.TextMeasure;
import java.util.HashMap;
import java.util.Map;

/** Lays out the first sheet of a design that has no places yet, such as one that was read in. */
public final class FirstSheet {
    private FirstSheet() { }

    /** The design with every card on its sheet, in rows: for what is not looked at. */
    public static Design spread(Design design) {
        Map<OwnerId, Place> spread = new HashMap<>();
        design.entities().forEach(entity -> spread.put(entity.id(),
                new Place(40 + 300 * (spread.size() % 12), 40 + 400 * (spread.size() / 12))));
        design.relationships().stream().filter(relationship -> relationship.manyToMany())
                .forEach(relationship -> spread.put(relationship.id(),
                new Place(40 + 300 * (spread.size() % 12), 40 + 400 * (spread.size() / 12))));
        return design.with(design.sheet().withPlaces(spread));
    }

    /** The design with every card placed and every line on its way. */
    public static Design arranged(Design design, TextMeasure measure) {
        Sheet sheet = design.sheet();
        Design placed = spread(design);
        Scene scene = new SceneMaker(Lens.TABLES, measure).unrouted(placed, Derivation.of(placed), placed.sheet(),
                Dialect.of(placed.facts().target()));
        Laid laid = SubjectLayout.arrange(design, scene);
        return design.with(sheet.withPlaces(laid.places()).withLines(laid.ways()));
    }

    /** The first sheet as a scene. */
    public static Scene scene(Design design, Lens lens, TextMeasure measure) {
        return new SceneMaker(lens, measure).make(design, Derivation.of(design), design.sheet(),
                Dialect.of(design.facts().target()));
    }
}
