package entaxis.drawing.layout;

import entaxis.core.design.AreaId;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.LineShape;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Place;
import entaxis.core.design.RelationshipId;
import entaxis.core.reverse.Subjects;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.scene.Card;
import entaxis.drawing.scene.Line;
import entaxis.drawing.scene.Scene;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Arranges a sheet. One that can be overlooked is laid out as a whole; a large one subject by subject, each laid out on
 * its own and put beside those that it has most to do with, so that what belongs together stands together and the
 * effort grows with the number of cards. Subjects are the subject areas of the design, or what its relationships show.
 */
public final class SubjectLayout {
    private static final int OVERLOOKED = 60;
    private static final double BETWEEN = 180;
    private static final double ASPECT = 1.5;

    /** A subject that is laid out, with its upper left corner at the origin. */
    private record Block(Laid laid, double width, double height) { }

    private SubjectLayout() { }

    /**
     * Places for all cards of a scene of a design, and the ways of lines where the layout found them. Deterministic.
     */
    public static Laid arrange(Design design, Scene scene) {
        List<List<Card>> subjects =
                scene.cards().size() <= OVERLOOKED ? List.of(scene.cards()) : subjects(design, scene.cards());
        if (subjects.size() < 2) {
            return AutoLayout.laid(scene.cards(), scene.lines());
        }
        Map<String, Integer> home = new HashMap<>();
        for (int i = 0; i < subjects.size(); i++) {
            for (Card card : subjects.get(i)) {
                home.put(card.owner().value(), i);
            }
        }
        List<List<Line>> inside = new ArrayList<>();
        subjects.forEach(subject -> inside.add(new ArrayList<>()));
        int[][] ties = new int[subjects.size()][subjects.size()];
        for (Line line : scene.lines()) {
            Optional<Integer> first = Optional.ofNullable(home.get(line.first().card()));
            Optional<Integer> second = Optional.ofNullable(home.get(line.second().card()));
            if (first.isPresent() && first.equals(second)) {
                inside.get(first.get()).add(line);
            } else if (first.isPresent() && second.isPresent()) {
                ties[first.get()][second.get()]++;
                ties[second.get()][first.get()]++;
            }
        }
        List<Block> blocks = new ArrayList<>();
        for (int i = 0; i < subjects.size(); i++) {
            blocks.add(block(subjects.get(i), inside.get(i)));
        }
        return packed(blocks, order(subjects, ties));
    }

    /** The cards of each subject; a card of a many-to-many stands with its first entity. */
    private static List<List<Card>> subjects(Design design, List<Card> cards) {
        Map<EntityId, Integer> numbers = numbers(design);
        Map<Integer, List<Card>> found = new LinkedHashMap<>();
        for (Card card : cards) {
            int subject = switch (card.owner()) {
                case EntityId entity -> numbers.getOrDefault(entity, -1);
                case RelationshipId relationship -> design.relationships().find(relationship)
                        .map(own -> numbers.getOrDefault(own.first().entity(), -1)).orElse(-1);
            };
            found.computeIfAbsent(subject, any -> new ArrayList<>()).add(card);
        }
        return new ArrayList<>(found.values());
    }

    private static Map<EntityId, Integer> numbers(Design design) {
        Map<EntityId, Integer> numbers = new HashMap<>();
        long assigned = design.entities().stream().filter(entity -> entity.area().isPresent()).count();
        if (assigned * 2 >= design.entities().size()) {
            Map<AreaId, Integer> areas = new HashMap<>();
            design.areas().forEach(area -> areas.put(area.id(), areas.size()));
            for (Entity entity : design.entities()) {
                entity.area().map(areas::get).ifPresent(number -> numbers.put(entity.id(), number));
            }
            return numbers;
        }
        List<Subjects.Subject> subjects = Subjects.of(design);
        for (int i = 0; i < subjects.size(); i++) {
            for (EntityId entity : subjects.get(i).entities()) {
                numbers.put(entity, i);
            }
        }
        return numbers;
    }

    private static Block block(List<Card> cards, List<Line> lines) {
        Laid laid = AutoLayout.laid(cards, lines);
        Box bounds = cards.stream().map(card -> new Box(laid.places().get(card.owner()).x(),
                laid.places().get(card.owner()).y(), card.box().width(), card.box().height())).reduce(Box::union)
                .orElseThrow();
        return new Block(laid.moved((int) -Math.round(bounds.x()), (int) -Math.round(bounds.y())), bounds.width(),
                bounds.height());
    }

    /** The largest subject first, then always the one that has most to do with those that are placed. */
    private static List<Integer> order(List<List<Card>> subjects, int[][] ties) {
        List<Integer> order = new ArrayList<>();
        double[] pull = new double[subjects.size()];
        boolean[] placed = new boolean[subjects.size()];
        for (int step = 0; step < subjects.size(); step++) {
            int next = -1;
            for (int i = 0; i < subjects.size(); i++) {
                if (!placed[i] && (next < 0 || pull[i] > pull[next]
                        || pull[i] == pull[next] && subjects.get(i).size() > subjects.get(next).size())) {
                    next = i;
                }
            }
            placed[next] = true;
            order.add(next);
            for (int i = 0; i < subjects.size(); i++) {
                pull[i] = pull[i] / 2 + ties[next][i];
            }
        }
        return order;
    }

    private static Laid packed(List<Block> blocks, List<Integer> order) {
        double area =
                blocks.stream().mapToDouble(block -> (block.width() + BETWEEN) * (block.height() + BETWEEN)).sum();
        double widest = blocks.stream().mapToDouble(Block::width).max().orElse(0) + BETWEEN;
        Skyline skyline = new Skyline(Math.max(widest, Math.sqrt(area * ASPECT)));
        Map<OwnerId, Place> places = new LinkedHashMap<>();
        Map<String, LineShape> ways = new LinkedHashMap<>();
        for (int number : order) {
            Block block = blocks.get(number);
            Skyline.Spot spot = skyline.take(block.width() + BETWEEN, block.height() + BETWEEN);
            Laid there = block.laid().moved((int) Math.round(spot.x() + AutoLayout.MARGIN),
                    (int) Math.round(spot.y() + AutoLayout.MARGIN));
            places.putAll(there.places());
            ways.putAll(there.ways());
        }
        return new Laid(places, ways);
    }
}
