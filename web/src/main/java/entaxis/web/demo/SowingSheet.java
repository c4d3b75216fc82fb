package entaxis.web.demo;

import entaxis.core.change.AttributeAspect;
import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.dependency.Dependency;
import entaxis.core.dependency.DependencyReader.Line.ReadDependency;
import entaxis.core.dependency.DependencyReader;
import entaxis.core.dependency.Rows;
import entaxis.core.derive.Derivation;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Design;
import entaxis.core.design.DesignProperties;
import entaxis.core.design.EntityId;
import entaxis.core.design.KeyPart;
import entaxis.core.design.Paper;
import entaxis.core.design.Place;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.design.StatedDependencies.Stated;
import entaxis.core.design.StatedDependencies;
import entaxis.core.normalize.EntityRelation;
import entaxis.core.normalize.FlatSheet;
import entaxis.core.targets.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;

/** The made-up flat sheet of the seed vault's glasshouse: ten trays of 24 cells, written down by hand in one table. */
public final class SowingSheet {
    private static final List<String> COLUMNS =
            List.of("tray_no", "position", "sown_on", "taxon_code", "taxon_name", "family", "germinated");
    private static final List<List<String>> TAXA =
            List.of(List.of("BRI", "Briza ostra", "Brizaceae"), List.of("LIN", "Linum fenmorense", "Linaceae"),
            List.of("SIL", "Silene vallis", "Silenaceae"), List.of("CAR", "Carex ombra", "Caricaceae"));
    private static final int TRAYS = 10;
    private static final int CELLS = 24;

    private SowingSheet() { }

    /** A design that holds the sheet, with what the gardener says of it. */
    public static Design design() {
        List<List<String>> rows = new ArrayList<>();
        for (int tray = 1; tray <= TRAYS; tray++) {
            List<String> taxon = TAXA.get(tray * 3 % TAXA.size());
            for (int cell = 1; cell <= CELLS; cell++) {
                rows.add(List.of(String.format("T-%02d", tray), String.valueOf(cell),
                        String.format("2026-03-%02d", 1 + (tray + 1) / 2), taxon.get(0), taxon.get(1), taxon.get(2),
                        (tray * 7 + cell * 5) % 3 == 0 ? "no" : "yes"));
            }
        }
        int[] next = {0};
        EntityId sheet = new EntityId("e1");
        Design design = Design.empty(DesignProperties.begun("Glasshouse sheet", Target.DEFAULT, "", ""),
                new Sheet(new SheetId("p1"), "Sheet 1", Paper.DEFAULT, Map.of()));
        design = applied(design, FlatSheet.change("Sowing sheet", Rows.of(COLUMNS, rows), new SheetId("p1"),
                new Place(700, 120), sheet, kind -> kind + String.valueOf(++next[0])));
        List<AttributeId> attributes =
                design.entities().get(sheet).attributes().stream().map(attribute -> attribute.id()).toList();
        design = applied(design,
                new Change.SetKeys(sheet, new KeyPart.OwnPart(attributes.get(0)), OptionalInt.of(1), Set.of()));
        design = applied(design,
                new Change.SetKeys(sheet, new KeyPart.OwnPart(attributes.get(1)), OptionalInt.of(2), Set.of()));
        // as the gardener wrote them above the columns: a day that is not there, and a code that is too long
        design = applied(design, new Change.AlterAttribute(sheet, attributes.get(2),
                new AttributeAspect.Default(Optional.of("'2026-02-30'"))));
        design = applied(design, new Change.AlterAttribute(sheet, attributes.get(3),
                new AttributeAspect.Default(Optional.of("'unknown'"))));
        EntityRelation about = EntityRelation.of(design, Derivation.of(design), sheet);
        DependencyReader reader = new DependencyReader(COLUMNS);
        List<Stated> stated = new ArrayList<>();
        for (String line : List.of("tray_no -> sown_on, taxon_code", "taxon_code -> taxon_name, family")) {
            if (reader.line(line) instanceof ReadDependency(Dependency dependency)) {
                stated.add(about.stated(dependency));
            }
        }
        return applied(design, new Change.StateDependencies(StatedDependencies.none(sheet).stated(stated)));
    }

    private static Design applied(Design design, Change change) {
        return switch (Editor.apply(design, change)) {
            case Applied(Design next, var inverse) -> next;
            case entaxis.core.change.Outcome.Refused refused ->
                    throw new IllegalStateException(refused.problems().toString());
        };
    }
}
