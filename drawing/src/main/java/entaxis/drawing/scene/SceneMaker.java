package entaxis.drawing.scene;

import entaxis.core.derive.Derivation;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.AreaId;
import entaxis.core.design.Attribute;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Category;
import entaxis.core.design.Design;
import entaxis.core.design.DesignProperties;
import entaxis.core.design.End;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Notation;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetView;
import entaxis.core.design.Side;
import entaxis.core.sql.Dialect;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Edge;
import entaxis.drawing.geometry.Point;
import entaxis.drawing.geometry.SpatialIndex;
import entaxis.drawing.route.Link;
import entaxis.drawing.route.Route;
import entaxis.drawing.route.Router;
import entaxis.drawing.scene.Line.Sign;
import entaxis.drawing.text.TextMeasure;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Makes the scene of one sheet under one lens. It remembers cards and ways from one design to the next, so that after
 * an edit it recomputes what the edit touched. Not safe for use by several threads at once.
 */
public final class SceneMaker {
    private static final double BRIDGE_STEP = 30;
    private static final double SIGN = 22;
    private static final double SIGN_AWAY = 30;
    private static final double SIGN_ROOM = 26;

    private record CardSource(Object stated, DerivedTable derived, OptionalInt hue, Dialect dialect, SheetView view,
            Object types) { }

    private record Known(CardSource source, Card card) { }

    /** A line before it has a way. */
    private record Draft(Link link, String stated, boolean solid, boolean plain, Ending first, Ending second,
            String text) { }

    /** What the lines of a scene were drawn from; the ways are those among the cards where they lay. */
    private record Drawn(List<Draft> drafts, List<Line> toSigns, Map<String, Route> routes, Notation notation) {
        boolean sameAs(Drawn other) {
            return routes == other.routes && notation == other.notation && drafts.equals(other.drafts)
                    && toSigns.equals(other.toSigns);
        }
    }

    /** The sign at which the lines of a category meet. */
    private record SignAt(String category, Box box) { }

    /** What is known of an end before it has a place. */
    private record Ending(Cardinality cardinality, boolean child, List<Integer> assumptions, boolean alternative) {
        static final Ending PLAIN = new Ending(Cardinality.EXACTLY_ONE, false, List.of(), false);
    }

    private final Lens lens;
    private final TextMeasure measure;
    private final CardMaker cards;
    private final Router router = new Router();
    private Map<OwnerId, Known> known = new HashMap<>();
    private Drawn drawn = new Drawn(List.of(), List.of(), Map.of(), Notation.CROWS_FOOT);
    private List<Line> lines = List.of();
    private Map<String, List<Integer>> assumptions = Map.of();
    private Set<RelationshipId> excluding = Set.of();

    /** A maker for one lens. */
    public SceneMaker(Lens lens, TextMeasure measure) {
        this.lens = lens;
        this.measure = measure;
        this.cards = new CardMaker(measure);
    }

    /** The scene of a sheet. */
    public Scene make(Design stated, Derivation derivation, Sheet sheet, Dialect dialect) {
        return make(stated, derivation, sheet, dialect, true);
    }

    /** The scene of a sheet that is still to be laid out: its lines go straight from card to card and have no texts. */
    public Scene unrouted(Design stated, Derivation derivation, Sheet sheet, Dialect dialect) {
        return make(stated, derivation, sheet, dialect, false);
    }

    private Scene make(Design stated, Derivation derivation, Sheet sheet, Dialect dialect, boolean routed) {
        Design design = lens == Lens.TABLES ? derivation.design() : stated;
        Map<OwnerId, Card> laid = layCards(design, derivation, sheet, dialect);
        Map<String, Box> boxes = new LinkedHashMap<>();
        laid.forEach((owner, card) -> boxes.put(owner.value(), card.box()));
        marks(design);
        List<Draft> drafts = new ArrayList<>();
        Map<RelationshipId, SignAt> signs = new HashMap<>();
        List<Line> toSigns = new ArrayList<>();
        design.categories().forEach(category -> category(design, category, laid, signs, toSigns));
        design.relationships()
                .forEach(relationship -> drafts.addAll(drafts(design, derivation, relationship, laid, sheet, signs)));
        toSigns.forEach(line -> boxes.put(line.id(), line.sign().orElseThrow().box()));
        Map<String, Route> routes =
                routed ? router.route(boxes, drafts.stream().map(Draft::link).toList()) : straight(drafts);
        List<Card> all = List.copyOf(laid.values());
        Drawn now = new Drawn(drafts, toSigns, routes, sheet.shows().notation());
        if (!now.sameAs(drawn)) {
            lines = labelled(drafts, routes, toSigns, all, sheet.shows().notation());
            drawn = now;
        }
        List<NoteBox> notes = sheet.notes().stream().map(new NoteLayout(measure)::lay).toList();
        List<PictureBox> pictures = sheet.pictures().stream().map(picture -> new PictureBox(picture.id(),
                new Box(picture.place().x(), picture.place().y(), picture.width(), picture.height()), picture.content(),
                picture.title())).toList();
        Scene scene = new Scene(lens, sheet.shows().notation(), all, lines, notes, pictures, areas(design, all),
                Optional.empty());
        return sheet.shows().frame() ? scene.on(PaperFrame.around(scene.bounds().orElse(new Box(0, 0, 10, 10)),
                sheet.paper(), sheet.shows().titleBlock(),
                titles(stated, sheet), measure)) : scene;
    }

    /** The boxes that the cards of each subject area take together. */
    private static List<AreaLabel> areas(Design design, List<Card> cards) {
        Map<AreaId, Box> boxes = new HashMap<>();
        for (Card card : cards) {
            if (card.owner() instanceof EntityId id) {
                design.entities().get(id).area().ifPresent(area -> boxes.merge(area, card.box(), Box::union));
            }
        }
        return design.areas().stream().filter(area -> boxes.containsKey(area.id()))
                .map(area -> new AreaLabel(area.name(), area.hue(), boxes.get(area.id()))).toList();
    }

    private static Point middle(Box box) {
        return new Point(box.centreX(), box.centreY());
    }

    private static Map<String, Route> straight(List<Draft> drafts) {
        Map<String, Route> routes = new HashMap<>();
        drafts.forEach(draft -> routes.put(draft.link().id(), new Route(
                List.of(middle(draft.link().first()), middle(draft.link().second())), Edge.RIGHT, Edge.LEFT)));
        return routes;
    }

    /** What is marked at the ends of lines, found once for all of them. */
    private void marks(Design design) {
        assumptions = new HashMap<>();
        design.assumptions()
                .forEach(assumption -> assumptions
                        .computeIfAbsent(assumption.relationship() + " " + assumption.side(), any -> new ArrayList<>())
                        .add(assumption.number()));
        excluding = new HashSet<>();
        design.exclusions().forEach(exclusion -> excluding.addAll(exclusion.alternatives()));
    }

    private static List<String> titles(Design design, Sheet sheet) {
        DesignProperties facts = design.facts();
        return Stream.of(facts.title().isBlank() ? facts.name() : facts.title(), facts.author(),
                sheet.name() + " · " + sheet.paper().text()).filter(text -> !text.isBlank()).toList();
    }

    private Map<OwnerId, Card> layCards(Design design, Derivation derivation, Sheet sheet, Dialect dialect) {
        Map<OwnerId, Known> next = new HashMap<>();
        Map<OwnerId, Card> laid = new LinkedHashMap<>();
        SpatialIndex taken = new SpatialIndex();
        for (Entity entity : design.entities()) {
            sheet.place(entity.id()).ifPresent(place -> {
                Card card = sized(design, entity.id(), entity, derivation, dialect, sheet.shows(), next)
                        .at(place.x(), place.y())
                        .pinned(sheet.pinned().contains(entity.id()));
                laid.put(entity.id(), card);
                taken.add(card.box().grown(BRIDGE_STEP));
            });
        }
        if (lens == Lens.TABLES) {
            for (Relationship relationship : design.relationships()) {
                Card first = laid.get(relationship.first().entity());
                Card second = laid.get(relationship.second().entity());
                if (relationship.manyToMany() && first != null && second != null
                        && !sheet.hidden().contains(relationship.id())) {
                    Card card =
                            sized(design, relationship.id(), relationship, derivation, dialect, sheet.shows(), next);
                    Card placed = sheet.place(relationship.id()).map(place -> card.at(place.x(), place.y()))
                            .orElseGet(() -> between(card, first, second, taken));
                    laid.put(relationship.id(), placed);
                    taken.add(placed.box().grown(BRIDGE_STEP));
                }
            }
        }
        known = next;
        return laid;
    }

    private Card sized(Design design, OwnerId owner, Object stated, Derivation derivation, Dialect dialect,
            SheetView view, Map<OwnerId, Known> next) {
        OptionalInt hue = stated instanceof Entity entity
                ? entity.area().flatMap(design.areas()::find).map(area -> OptionalInt.of(area.hue()))
                        .orElse(OptionalInt.empty())
                : OptionalInt.empty();
        DerivedTable derived = (lens == Lens.TABLES ? derivation : derivation.stated()).derived(owner).orElseThrow();
        Known old = known.get(owner);
        boolean same = old != null && old.source().stated() == stated && old.source().derived() == derived
                && old.source().hue().equals(hue)
                && old.source().dialect().target() == dialect.target() && old.source().view().equals(view)
                && old.source().types() == design.types();
        Known now = same ? old : new Known(new CardSource(stated, derived, hue, dialect, view, design.types()),
                lens == Lens.TABLES ? cards.table(design, derived, dialect, view)
                        : cards.concept(design, (Entity) stated, derived, view));
        next.put(owner, now);
        return now.card();
    }

    /** A free place for a bridge table, as near as possible to the middle between its two cards. */
    private static Card between(Card card, Card first, Card second, SpatialIndex taken) {
        double x = (first.box().centreX() + second.box().centreX() - card.box().width()) / 2;
        double y = (first.box().centreY() + second.box().centreY() - card.box().height()) / 2;
        for (int ring = 0; ring < 40; ring++) {
            for (int[] way : new int[][] {{0, 1}, {0, -1}, {1, 0}, {-1, 0}, {1, 1}, {-1, -1}, {1, -1}, {-1, 1}}) {
                Card at = card.at(Math.round(x + way[0] * ring * BRIDGE_STEP),
                        Math.round(y + way[1] * ring * BRIDGE_STEP));
                if (taken.free(at.box())) {
                    return at;
                }
            }
        }
        return card.at(Math.round(x), Math.round(y));
    }

    /** The sign of a category beside its general entity, towards the kinds, and the line that leads to it. */
    private static void category(Design design, Category category, Map<OwnerId, Card> laid,
            Map<RelationshipId, SignAt> signs, List<Line> lines) {
        Card general = laid.get(category.general());
        List<Box> kinds = category.kinds().stream().flatMap(kind -> Category.kind(design, kind).stream())
                .filter(laid::containsKey).map(kind -> laid.get(kind).box()).toList();
        if (general == null || kinds.isEmpty()) {
            return;
        }
        Box box = signAt(general.box(), kinds, laid);
        String words = (category.disjoint() ? "" : "overlapping") + (category.discriminator().isEmpty() ? ""
                : (category.disjoint() ? "" : ", ") + category.discriminator());
        category.kinds().forEach(kind -> signs.put(kind, new SignAt(category.id().value(), box)));
        lines.add(toSign(category, general, new Sign(box, category.complete(), words)));
    }

    /** The straight line from a general entity to the sign of its kinds. */
    private static Line toSign(Category category, Card general, Sign sign) {
        Box own = general.box();
        Box box = sign.box();
        boolean sideways = box.x() >= own.right() || box.right() <= own.x();
        Edge side = sideways ? box.x() >= own.right() ? Edge.RIGHT : Edge.LEFT : box.y() >= own.bottom() ? Edge.BOTTOM
                : Edge.TOP;
        Point from = sideways ? new Point(side == Edge.RIGHT ? own.right() : own.x(), box.centreY())
                : new Point(box.centreX(), side == Edge.BOTTOM ? own.bottom() : own.y());
        Point to = sideways ? new Point(side == Edge.RIGHT ? box.x() : box.right(), box.centreY())
                : new Point(box.centreX(), side == Edge.BOTTOM ? box.y() : box.bottom());
        String id = category.id().value();
        return new Line(id, id, true, true, false, List.of(from, to),
                end(general.owner().value(), side, Ending.PLAIN, Ending.PLAIN),
                end(id, side, Ending.PLAIN, Ending.PLAIN),
                List.of(), Optional.of(sign));
    }

    /** A place for the sign beside its entity: towards the kinds if there is room, else at a side where there is. */
    private static Box signAt(Box own, List<Box> kinds, Map<OwnerId, Card> laid) {
        double dx = kinds.stream().mapToDouble(Box::centreX).average().orElse(0) - own.centreX();
        double dy = kinds.stream().mapToDouble(Box::centreY).average().orElse(0) - own.centreY();
        boolean sideways = Math.abs(dx) - own.width() / 2 > Math.abs(dy) - own.height() / 2;
        Edge across = dx > 0 ? Edge.RIGHT : Edge.LEFT;
        Edge along = dy > 0 ? Edge.BOTTOM : Edge.TOP;
        List<Edge> sides = new ArrayList<>(sideways ? List.of(across, along) : List.of(along, across));
        Stream.of(Edge.values()).filter(edge -> !sides.contains(edge)).forEach(sides::add);
        List<Box> places = sides.stream().map(edge -> new Box(
                Math.round(edge == Edge.RIGHT ? own.right() + SIGN_AWAY : edge == Edge.LEFT ? own.x() - SIGN_AWAY - SIGN
                        : own.centreX() - SIGN / 2),
                Math.round(edge == Edge.BOTTOM ? own.bottom() + SIGN_AWAY
                        : edge == Edge.TOP ? own.y() - SIGN_AWAY - SIGN : own.centreY() - SIGN / 2),
                SIGN, SIGN)).toList();
        return places.stream()
                .filter(place -> laid.values().stream()
                        .noneMatch(card -> card.box().overlaps(place.grown(SIGN_ROOM)) && !card.box().equals(own)))
                .findFirst().orElse(places.getFirst());
    }

    private List<Draft> drafts(Design design, Derivation derivation, Relationship relationship, Map<OwnerId, Card> laid,
            Sheet sheet, Map<RelationshipId, SignAt> signs) {
        Card first = laid.get(relationship.first().entity());
        Card second = laid.get(relationship.second().entity());
        if (first == null || second == null) {
            return List.of();
        }
        String id = relationship.id().value();
        String stated = derivation.stated(relationship.id()).value();
        if (signs.containsKey(relationship.id())) {
            SignAt sign = signs.get(relationship.id());
            return List
                    .of(new Draft(
                            new Link(id, sign.category(), sign.box(), second.owner().value(), second.box(),
                                    sheet.line(id)),
                            stated, true, true,
                    Ending.PLAIN, Ending.PLAIN, ""));
        }
        Optional<Card> bridge = Optional.ofNullable(laid.get(relationship.id()));
        if (bridge.isPresent()) {
            return List.of(half(relationship, Side.FIRST, first, bridge.get(), sheet),
                    half(relationship, Side.SECOND, second, bridge.get(), sheet));
        }
        Side reader = relationship.parent().orElse(Side.FIRST);
        String own = relationship.attributes().isEmpty() ? ""
                : " (" + String.join(", ", relationship.attributes().stream().map(Attribute::name).toList()) + ")";
        return List.of(new Draft(
                new Link(id, first.owner().value(), first.box(), second.owner().value(), second.box(), sheet.line(id)),
                stated,
                design.identifying(relationship), false, ending(relationship, Side.FIRST),
                ending(relationship, Side.SECOND),
                ((unsaid(relationship.end(reader), sheet) ? "" : relationship.end(reader).verb()) + own).strip()));
    }

    /**
     * A verb phrase that nobody wrote says nothing, save where the notation draws the relationship as a sign with its
     * name (Chen 1976).
     */
    private static boolean unsaid(End end, Sheet sheet) {
        return end.proposed() && sheet.shows().notation() != Notation.CHEN;
    }

    private Ending ending(Relationship relationship, Side side) {
        boolean child = relationship.child().equals(Optional.of(side));
        return new Ending(relationship.end(side).cardinality(), child,
                assumptions.getOrDefault(relationship.id() + " " + side, List.of()),
                child && excluding.contains(relationship.id()));
    }

    /**
     * One of the two one-to-many lines at a bridge table: the outer end is exactly one, the inner keeps the minimum of
     * the many-to-many.
     */
    private static Draft half(Relationship relationship, Side side, Card parent, Card bridge, Sheet sheet) {
        Cardinality inner = new Cardinality(relationship.end(side.other()).cardinality().min(), Cardinality.MANY);
        String id = relationship.id() + (side == Side.FIRST ? "-first" : "-second");
        return new Draft(
                new Link(id, parent.owner().value(), parent.box(), bridge.owner().value(), bridge.box(),
                        sheet.line(id)),
                relationship.id().value(), true, false,
                new Ending(Cardinality.EXACTLY_ONE, false, List.of(), false), new Ending(inner, true, List.of(), false),
                "");
    }

    private List<Line> labelled(List<Draft> drafts, Map<String, Route> routes, List<Line> toSigns, List<Card> all,
            Notation notation) {
        List<Line> bare = new ArrayList<>(toSigns);
        drafts.forEach(draft -> bare.add(line(draft, routes.get(draft.link().id()))));
        LabelPlacer labels = new LabelPlacer(measure, all, bare, notation);
        for (int i = 0; i < drafts.size(); i++) {
            String text = drafts.get(i).text();
            Line line = bare.get(toSigns.size() + i);
            if (!text.isEmpty()) {
                bare.set(toSigns.size() + i, line.with(labels.place(text, line.points())));
            }
        }
        return bare;
    }

    private static Line line(Draft draft, Route route) {
        return new Line(draft.link().id(), draft.stated(), draft.solid(), draft.plain(),
                !draft.link().shape().bends().isEmpty() && !draft.link().shape().found(), route.points(),
                end(draft.link().firstCard(), route.firstSide(), draft.first(), draft.second()),
                end(draft.link().secondCard(), route.secondSide(), draft.second(), draft.first()),
                List.of(), Optional.empty());
    }

    private static LineEnd end(String card, Edge side, Ending own, Ending other) {
        return new LineEnd(card, side, own.cardinality(), other.cardinality(), own.child(), own.assumptions(),
                own.alternative());
    }
}
