package entaxis.drawing.file;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Area;
import entaxis.core.design.Design;
import entaxis.core.design.EntityId;
import entaxis.core.design.Notation;
import entaxis.core.design.Sheet;
import entaxis.core.sql.Dialect;
import entaxis.drawing.scene.Lens;
import entaxis.drawing.scene.Scene;
import entaxis.drawing.scene.SceneMaker;
import entaxis.drawing.text.TextMeasure;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Makes the pictures of a design's sheets. */
public final class SheetPictures {
    private SheetPictures() { }

    /**
     * A sheet as a picture.
     *
     * @param notation the notation, if it is not the sheet's own
     * @param some     identities of the only cards, notes and pictures that are shown; everything if there are none
     */
    public static SheetPicture of(Design design, Derivation derivation, Sheet sheet, Lens lens,
            Optional<Notation> notation, Set<String> some, TextMeasure measure) {
        Sheet shown = notation.map(other -> sheet.showing(sheet.shows().with(other))).orElse(sheet);
        Scene whole =
                new SceneMaker(lens, measure).make(design, derivation, shown, Dialect.of(design.facts().target()));
        Scene scene = some.isEmpty() ? whole : whole.only(some);
        Set<Area> areas = scene.cards().stream().flatMap(
                card -> card.owner() instanceof EntityId id ? design.entities().find(id).stream() : Stream.empty())
                .flatMap(entity -> entity.area().flatMap(design.areas()::find).stream()).collect(Collectors.toSet());
        List<Area> named = design.areas().stream().filter(areas::contains).toList();
        return new SheetPicture(sheet.name(), scene, sheet.paper(), named);
    }
}
