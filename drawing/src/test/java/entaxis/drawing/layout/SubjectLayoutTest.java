package entaxis.drawing.layout;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.derive.Derivation;
import entaxis.core.design.AreaId;
import entaxis.core.design.Design;
import entaxis.core.design.EntityId;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Place;
import entaxis.core.random.RandomDesigns;
import entaxis.core.reverse.Subjects;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.scene.Card;
import entaxis.drawing.scene.Lens;
import entaxis.drawing.scene.Scene;
import entaxis.drawing.scene.SceneMaker;
import entaxis.drawing.text.TextMeasure;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

class SubjectLayoutTest {
    private static final TextMeasure MEASURE = new TextMeasure();

    private static Design design(int seed, int size) {
        AtomicInteger count = new AtomicInteger(100_000);
        Design random = RandomDesigns.design(seed, size);
        Map<OwnerId, Place> places = new HashMap<>();
        random.entities().forEach(entity -> places.put(entity.id(), new Place(0, 0)));
        Design plain = random.withAreas(entaxis.core.design.Elements.none()).withEntities(entaxis.core.design.Elements
                .of(random.entities().stream().map(entity -> entity.in(java.util.Optional.empty())).toList()));
        return Subjects.assigned(plain.with(plain.sheet().withPlaces(places)),
                kind -> kind + Integer.toString(count.incrementAndGet(), 36));
    }

    private static Scene unrouted(Design design) {
        return new SceneMaker(Lens.TABLES, MEASURE).unrouted(design, Derivation.of(design), design.sheet(),
                Dialect.of(Target.POSTGRESQL));
    }

    private static Box box(Card card, Laid laid) {
        Place place = laid.places().get(card.owner());
        return new Box(place.x(), place.y(), card.box().width(), card.box().height());
    }

    @Test
    void subjectsOfALargeSheetDoNotMix() {
        for (int seed = 1; seed <= 5; seed++) {
            Design design = design(seed, 150);
            Scene scene = unrouted(design);
            Laid laid = SubjectLayout.arrange(design, scene);
            Map<AreaId, Box> areas = new HashMap<>();
            List<Box> boxes = new ArrayList<>();
            for (Card card : scene.cards()) {
                Box box = box(card, laid);
                assertThat(boxes).noneMatch(box::overlaps);
                boxes.add(box);
                if (card.owner() instanceof EntityId entity) {
                    areas.merge(design.entities().get(entity).area().orElseThrow(), box, Box::union);
                }
            }
            assertThat(areas.size()).isGreaterThan(2);
            List<Box> blocks = List.copyOf(areas.values());
            for (int i = 0; i < blocks.size(); i++) {
                assertThat(blocks.subList(i + 1, blocks.size())).noneMatch(blocks.get(i)::overlaps);
            }
            assertThat(laid.ways()).isNotEmpty();
            assertThat(SubjectLayout.arrange(design, unrouted(design))).isEqualTo(laid);
        }
    }

    @Test
    void aSheetThatCanBeOverlookedIsLaidOutAsAWhole() {
        Design design = design(3, 20);
        Scene scene = unrouted(design);
        assertThat(SubjectLayout.arrange(design, scene)).isEqualTo(AutoLayout.laid(scene.cards(), scene.lines()));
    }

    @Test
    void theSkylineFillsGapsBeforeItGoesDown() {
        Skyline skyline = new Skyline(100);
        assertThat(skyline.take(60, 50)).isEqualTo(new Skyline.Spot(0, 0));
        assertThat(skyline.take(40, 20)).isEqualTo(new Skyline.Spot(60, 0));
        assertThat(skyline.take(40, 20)).isEqualTo(new Skyline.Spot(60, 20));
        assertThat(skyline.take(100, 10)).isEqualTo(new Skyline.Spot(0, 50));
        assertThat(skyline.take(150, 10)).as("wider than the strip").isEqualTo(new Skyline.Spot(0, 60));
    }
}
