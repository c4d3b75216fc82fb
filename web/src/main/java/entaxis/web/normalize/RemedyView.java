package entaxis.web.normalize;

import entaxis.core.dependency.Chase;
import entaxis.core.dependency.Decomposition.Split;
import entaxis.core.dependency.NormalForm;
import entaxis.core.dependency.Relation;
import entaxis.core.dependency.Verdict;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.EntityId;
import entaxis.core.design.Place;
import entaxis.core.design.Sheet;
import entaxis.core.normalize.ApplyDecomposition;
import entaxis.core.normalize.EntityRelation;
import entaxis.core.normalize.Remedy;
import entaxis.core.sql.Dialect;
import entaxis.drawing.scene.Card;
import entaxis.drawing.scene.Lens;
import entaxis.drawing.scene.Scene;
import entaxis.drawing.scene.SceneMaker;
import entaxis.drawing.svg.SvgWriter;
import entaxis.drawing.text.TextMeasure;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * What is proposed in the place of an entity.
 *
 * @param forms     the normal forms to choose from
 * @param why       what the chosen form asks
 * @param signature tells this set of pieces from others, so that names typed for others are not taken for theirs, and
 *                  no other than the one that was seen is carried out
 * @param drawing   the new entities as they would be, as SVG; empty if it cannot be carried out
 * @param obstacle  why it cannot be carried out; empty if it can
 * @param remarks   what the new entities cannot say of each other
 * @param proof     the chased tableau, one line a row
 */
public record RemedyView(List<NormalForm> forms, NormalForm form, String why, List<PieceView> pieces, String signature,
        String drawing, boolean lossless, List<String> lost,
        int rows, int saved, List<String> steps, List<String> proof, String obstacle, List<String> remarks) {

    /** One of the entities. */
    public record PieceView(int number, String name, boolean stays, String columns, String key, int rows) { }

    private static final TextMeasure MEASURE = new TextMeasure();
    private static final int BETWEEN_CARDS = 64;

    /** What is proposed where there are faults; names typed for a remedy of the same signature are taken. */
    public static Optional<RemedyView> of(Judged judged, Optional<NormalForm> wanted, String named,
            Map<Integer, String> names) {
        EntityRelation about = judged.about();
        Verdict verdict = judged.verdict();
        List<NormalForm> forms = new ArrayList<>();
        for (NormalForm form : NormalForm.values()) {
            boolean many = form == NormalForm.FOURTH && about.relation().multivalued().isEmpty();
            if (form.compareTo(verdict.form()) > 0 && !many) {
                forms.add(form);
            }
        }
        if (forms.isEmpty() || verdict.violations().isEmpty()) {
            return Optional.empty();
        }
        NormalForm form = wanted.filter(forms::contains)
                .orElse(forms.contains(NormalForm.THIRD) ? NormalForm.THIRD : forms.getFirst());
        Remedy proposed = Remedy.of(about, form);
        Remedy remedy = proposed.signature().equals(named) ? proposed.named(names) : proposed;
        Relation relation = about.relation();
        List<PieceView> pieces = new ArrayList<>();
        for (int i = 0; i < remedy.pieces().size(); i++) {
            Remedy.Piece piece = remedy.pieces().get(i);
            pieces.add(new PieceView(i, piece.name(), i == remedy.keeper(), relation.text(piece.attributes()),
                    relation.text(piece.key()), remedy.rows(i)));
        }
        int[] next = {0};
        String drawing = "";
        String obstacle = "";
        List<String> remarks = List.of();
        switch (ApplyDecomposition.of(judged.standing().open().design(), remedy,
                kind -> kind + "0preview" + next[0]++)) {
            case ApplyDecomposition.Result.Refused refused -> obstacle = refused.problem().message();
            case ApplyDecomposition.Result.Ready ready -> {
                List<EntityId> shown = new ArrayList<>(ready.made());
                shown.add(about.entity().id());
                drawing = drawing(ready.after(), shown);
                remarks = ready.remarks();
            }
        }
        Chase chase = Chase.of(relation, remedy.decomposition().sets());
        return Optional.of(new RemedyView(forms, form, why(form), pieces, remedy.signature(), drawing, chase.lossless(),
                remedy.decomposition().lost().stream().map(relation::text).toList(), about.rows().size(),
                remedy.saved(),
                remedy.decomposition().steps().stream().map(split -> step(relation, split)).toList(),
                proof(relation, chase), obstacle, remarks));
    }

    private static String step(Relation relation, Split split) {
        return "{" + relation.text(split.from()) + "} falls into {" + relation.text(split.first()) + "} and {"
                + relation.text(split.second()) + "} because of " + relation.text(split.because());
    }

    private static String why(NormalForm form) {
        return switch (form) {
            case FIRST, SECOND -> "Second: what depends on a part of the key goes to an entity of its own.";
            case THIRD -> "Third: every fact is about the key, the whole key, and not by way of another attribute.";
            case BOYCE_CODD -> "Boyce-Codd: whatever decides anything is a key.";
            case FOURTH -> "Fourth: independent many-valued facts stand in tables of their own.";
        };
    }

    private static List<String> proof(Relation relation, Chase chase) {
        List<String> lines = new ArrayList<>();
        lines.add("One row for each piece; the same letter stands for the same value, a numbered one for any value.");
        chase.start().forEach(row -> lines.add(row(relation, row)));
        for (Chase.Step step : chase.steps()) {
            lines.add(switch (step) {
                case Chase.Step.Equated equated -> relation.text(equated.because()) + ": rows "
                        + (equated.firstRow() + 1) + " and " + (equated.secondRow() + 1) + " agree, so "
                        + symbol(relation, equated.column(), equated.was()) + " is "
                        + symbol(relation, equated.column(), equated.becomes()) + ".";
                case Chase.Step.Added added -> relation.text(added.because()) + ": rows " + (added.firstRow() + 1)
                        + " and " + (added.secondRow() + 1) + " ask for row " + (added.row() + 1) + ".";
            });
        }
        chase.end().stream().filter(row -> java.util.Arrays.stream(row).allMatch(symbol -> symbol == 0)).findFirst()
                .ifPresentOrElse(
                        row -> lines
                                .add(row(relation, row) + " is there: every row that the join makes was there before."),
                        () -> lines.add("No row becomes the sought one: the join may make rows that were not there."));
        return lines;
    }

    private static String row(Relation relation, int[] row) {
        List<String> cells = new ArrayList<>();
        for (int column = 0; column < row.length; column++) {
            cells.add(symbol(relation, column, row[column]));
        }
        return "(" + String.join(", ", cells) + ")";
    }

    private static String symbol(Relation relation, int column, int symbol) {
        return relation.attributes().get(column) + (symbol == 0 ? "" : "·" + symbol);
    }

    /** The entities side by side, those that are referred to first. */
    private static String drawing(Design design, List<EntityId> shown) {
        Sheet plain = new Sheet(design.sheet().id(), "", design.sheet().paper(), Map.of());
        Derivation derivation = Derivation.of(design);
        Map<entaxis.core.design.OwnerId, Place> places = new HashMap<>();
        shown.forEach(id -> places.put(id, new Place(0, 0)));
        SceneMaker maker = new SceneMaker(Lens.TABLES, MEASURE);
        Dialect dialect = Dialect.of(design.facts().target());
        Map<String, Card> cards = maker.make(design, derivation, plain.withPlaces(places), dialect).cards().stream()
                .collect(Collectors.toMap(card -> card.owner().value(), card -> card));
        int x = 0;
        for (EntityId id : parentsFirst(design, shown)) {
            places.put(id, new Place(x, 0));
            x += (int) Math.ceil(cards.get(id.value()).box().width()) + BETWEEN_CARDS;
        }
        Scene scene = maker.make(design, derivation, plain.withPlaces(places), dialect);
        return new SvgWriter(MEASURE).document(scene, any -> "").replace(" id=\"", " data-id=\"").replaceFirst("<svg ",
                "<svg class=\"drawn\" role=\"img\" aria-label=\"The new entities\" ");
    }

    private static List<EntityId> parentsFirst(Design design, List<EntityId> shown) {
        List<EntityId> order = new ArrayList<>();
        List<EntityId> open = new ArrayList<>(shown);
        while (!open.isEmpty()) {
            EntityId next = open.stream()
                    .filter(id -> design.relationships().stream()
                            .noneMatch(relationship -> relationship.childEntity().equals(Optional.of(id))
                                    && relationship.parentEntity()
                                            .filter(parent -> open.contains(parent) && !parent.equals(id)).isPresent()))
                    .findFirst().orElse(open.getFirst());
            open.remove(next);
            order.add(next);
        }
        return order;
    }
}
