package entaxis.drawing.geometry;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.random.Rounds;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** What the index finds is what looking at each box finds. */
class SpatialIndexTest {

    private static Box box(Random random, double most) {
        return new Box(random.nextInt(8000) - 4000, random.nextInt(8000) - 4000, 1 + random.nextDouble() * most,
                1 + random.nextDouble() * most);
    }

    @Test
    void windowsAreSearchedAsByLookingAtEach() {
        for (int seed = 0; seed < Rounds.of(20); seed++) {
            Random random = new Random(seed);
            SpatialIndex index = new SpatialIndex();
            Set<Box> all = new HashSet<>();
            for (int i = 0; i < 300; i++) {
                Box box = box(random, 700);
                all.add(box);
                index.add(box);
            }
            for (int i = 0; i < 100; i++) {
                Box window = box(random, 1500);
                Set<Box> there = all.stream().filter(window::overlaps).collect(Collectors.toSet());
                assertThat(index.within(window)).isEqualTo(there);
                assertThat(index.free(window)).isEqualTo(there.isEmpty());
            }
        }
    }

    @Test
    void boxesThatShareAnEdgeDoNotOverlap() {
        SpatialIndex index = new SpatialIndex();
        Box box = new Box(0, 0, 300, 300);
        index.add(box);
        for (Box beside : List.of(new Box(300, 0, 10, 10), new Box(0, 300, 10, 10), new Box(-10, 0, 10, 300),
                new Box(0, -10, 300, 10))) {
            assertThat(index.free(beside)).as("%s", beside).isTrue();
        }
        assertThat(index.within(new Box(299.9, 299.9, 1, 1))).containsExactly(box);
    }

    @Test
    void boxesGrowAndUnite() {
        Box box = new Box(10, 20, 30, 40);
        assertThat(box.grown(5)).isEqualTo(new Box(5, 15, 40, 50));
        assertThat(box.union(new Box(-10, 30, 5, 100))).isEqualTo(new Box(-10, 20, 50, 110));
        assertThat(box.union(box)).isEqualTo(box);
        assertThat(box.centreX()).isEqualTo(25);
        assertThat(box.centreY()).isEqualTo(40);
    }
}
