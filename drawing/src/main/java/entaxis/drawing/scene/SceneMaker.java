package entaxis.drawing.scene;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Relationship;
import entaxis.core.design.Sheet;
import entaxis.core.design.Side;
import entaxis.core.sql.Dialect;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.SpatialIndex;
import entaxis.drawing.route.Link;
import entaxis.drawing.route.Route;
import entaxis.drawing.route.Router;
import entaxis.drawing.scene.Line.Label;
import entaxis.drawing.text.TextMeasure;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * Makes the scene of one sheet under one lens. It remembers cards and ways from one design to the next, so that after an edit it recomputes what the edit touched.
 * Not safe for use by several threads at once.
 */
public final class SceneMaker {
    private static final double BRIDGE_STEP = 30;

    private record CardSource(Object stated, Object derived, OptionalInt hue, Dialect dialect) { }

    private record Known(CardSource source, Card card) { }

    /** A line before it has a way. */
    private record Draft(Link link, Relationship relationship, boolean solid, Cardinality first, Cardinality second, String text) { }

    private final Lens lens;
    private final TextMeasure measure;
    private final CardMaker cards;
    private final Router router = new Router();
    private Map<OwnerId, Known> known = new HashMap<>();

    /** A maker for one lens. */
    public SceneMaker(Lens lens, TextMeasure measure) {
        this.lens = lens;
        this.measure = measure;
        this.cards = new CardMaker(measure);
    }

    /** The scene of a sheet. */
    public Scene make(Design design, Derivation derivation, Sheet sheet, Dialect dialect) {
        Map<OwnerId, Card> laid = layCards(design, derivation, sheet, dialect);
        Map<String, Box> boxes = new LinkedHashMap<>();
        laid.forEach((owner, card) -> boxes.put(owner.value(), card.box()));
        List<Draft> drafts = new ArrayList<>();
        design.relationships().forEach(relationship -> drafts.addAll(drafts(design, relationship, laid)));
        Map<String, Route> routes = router.route(boxes, drafts.stream().map(Draft::link).toList());
        List<Card> all = List.copyOf(laid.values());
        LabelPlacer labels = new LabelPlacer(measure, all);
        return new Scene(lens, all, drafts.stream().map(draft -> line(draft, routes.get(draft.link().id()), labels)).toList());
    }

    private Map<OwnerId, Card> layCards(Design design, Derivation derivation, Sheet sheet, Dialect dialect) {
        Map<OwnerId, Known> next = new HashMap<>();
        Map<OwnerId, Card> laid = new LinkedHashMap<>();
        SpatialIndex taken = new SpatialIndex();
        for (Entity entity : design.entities()) {
            sheet.place(entity.id()).ifPresent(place -> {
                Card card = sized(design, entity.id(), entity, derivation, dialect, next).at(place.x(), place.y());
                laid.put(entity.id(), card);
                taken.add(card.box().grown(BRIDGE_STEP));
            });
        }
        if (lens == Lens.TABLES) {
            for (Relationship relationship : design.relationships()) {
                Card first = laid.get(relationship.first().entity());
                Card second = laid.get(relationship.second().entity());
                if (relationship.manyToMany() && first != null && second != null) {
                    Card card = sized(design, relationship.id(), relationship, derivation, dialect, next);
                    Card placed = sheet.place(relationship.id()).map(place -> card.at(place.x(), place.y())).orElseGet(() -> between(card, first, second, taken));
                    laid.put(relationship.id(), placed);
                    taken.add(placed.box().grown(BRIDGE_STEP));
                }
            }
        }
        known = next;
        return laid;
    }

    private Card sized(Design design, OwnerId owner, Object stated, Derivation derivation, Dialect dialect, Map<OwnerId, Known> next) {
        OptionalInt hue = stated instanceof Entity entity
                ? entity.area().flatMap(design.areas()::find).map(area -> OptionalInt.of(area.hue())).orElse(OptionalInt.empty()) : OptionalInt.empty();
        Object derived = lens == Lens.TABLES ? derivation.table(owner).orElseThrow() : "";
        Known old = known.get(owner);
        boolean same = old != null && old.source().stated() == stated && old.source().derived() == derived && old.source().hue().equals(hue)
                && old.source().dialect().target() == dialect.target();
        Known now = same ? old : new Known(new CardSource(stated, derived, hue, dialect),
                lens == Lens.TABLES ? cards.table(design, owner, derivation.table(owner).orElseThrow(), dialect) : cards.concept(design, (Entity) stated));
        next.put(owner, now);
        return now.card();
    }

    /** A free place for a bridge table, as near as possible to the middle between its two cards. */
    private static Card between(Card card, Card first, Card second, SpatialIndex taken) {
        double x = (first.box().centreX() + second.box().centreX() - card.box().width()) / 2;
        double y = (first.box().centreY() + second.box().centreY() - card.box().height()) / 2;
        for (int ring = 0; ring < 40; ring++) {
            for (int[] way : new int[][] {{0, 1}, {0, -1}, {1, 0}, {-1, 0}, {1, 1}, {-1, -1}, {1, -1}, {-1, 1}}) {
                Card at = card.at(Math.round(x + way[0] * ring * BRIDGE_STEP), Math.round(y + way[1] * ring * BRIDGE_STEP));
                if (taken.free(at.box())) {
                    return at;
                }
            }
        }
        return card.at(Math.round(x), Math.round(y));
    }

    private List<Draft> drafts(Design design, Relationship relationship, Map<OwnerId, Card> laid) {
        Card first = laid.get(relationship.first().entity());
        Card second = laid.get(relationship.second().entity());
        if (first == null || second == null) {
            return List.of();
        }
        String id = relationship.id().value();
        Optional<Card> bridge = Optional.ofNullable(laid.get(relationship.id()));
        if (bridge.isPresent()) {
            return List.of(half(relationship, Side.FIRST, first, bridge.get()), half(relationship, Side.SECOND, second, bridge.get()));
        }
        Side reader = relationship.parent().orElse(Side.FIRST);
        String own = relationship.attributes().isEmpty() ? "" : " (" + String.join(", ", relationship.attributes().stream().map(attribute -> attribute.name()).toList()) + ")";
        return List.of(new Draft(new Link(id, first.owner().value(), first.box(), second.owner().value(), second.box()), relationship,
                design.identifying(relationship), relationship.first().cardinality(), relationship.second().cardinality(), relationship.end(reader).verb() + own));
    }

    /** One of the two one-to-many lines at a bridge table: the outer end is exactly one, the inner keeps the minimum of the many-to-many. */
    private static Draft half(Relationship relationship, Side side, Card parent, Card bridge) {
        Cardinality inner = new Cardinality(relationship.end(side.other()).cardinality().min(), Cardinality.MANY);
        return new Draft(new Link(relationship.id() + (side == Side.FIRST ? "-first" : "-second"), parent.owner().value(), parent.box(), bridge.owner().value(),
                bridge.box()), relationship, true, Cardinality.EXACTLY_ONE, inner, "");
    }

    private static Line line(Draft draft, Route route, LabelPlacer labels) {
        List<Label> texts = draft.text().isEmpty() ? List.of() : List.of(labels.place(draft.text(), route.points()));
        return new Line(draft.link().id(), draft.relationship().id().value(), draft.solid(), route.points(),
                new LineEnd(draft.link().firstCard(), route.firstSide(), draft.first().optional(), draft.first().many()),
                new LineEnd(draft.link().secondCard(), route.secondSide(), draft.second().optional(), draft.second().many()), texts);
    }
}
