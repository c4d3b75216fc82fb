package entaxis.core.dependency;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.dependency.Dependency.Functional;
import entaxis.core.dependency.Dependency.Multivalued;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class DiscoveryTest {
    static Rows random(Random random, int columns, int rows) {
        List<String> names = new ArrayList<>();
        for (int i = 0; i < columns; i++) {
            names.add("c" + i);
        }
        int values = 1 + random.nextInt(6);
        List<List<String>> all = new ArrayList<>();
        for (int i = 0; i < rows; i++) {
            List<String> row = new ArrayList<>();
            for (int j = 0; j < columns; j++) {
                row.add(j > 1 && random.nextInt(columns) < 2 && random.nextInt(8) > 0 ? row.get(j - 1) + row.get(j - 2)
                        : String.valueOf(random.nextInt(values)));
            }
            all.add(row);
        }
        return Rows.of(names, all);
    }

    @Test
    void findsExactlyTheSmallestDependenciesAndKeys() {
        for (int seed = 0; seed < 1500; seed++) {
            Random random = new Random(seed);
            DiscoveryOracle.same(random(random, 1 + random.nextInt(6), random.nextInt(random.nextBoolean() ? 6 : 40)));
        }
    }

    @Test
    void stopsWhenAskedTo() {
        Rows rows = random(new Random(3), 8, 200);
        int[] asked = {0};
        Discovery found = Discovery.of(rows, (size, done, all) -> ++asked[0] < 20);
        assertThat(found.complete()).isFalse();
        assertThat(asked[0]).isEqualTo(20);
    }

    @Test
    void evidenceNamesTheRowsThatContradict() {
        Rows rows = Rows.of(List.of("tray", "taxon", "family"),
                List.of(List.of("T1", "briza", "Poa"), List.of("T2", "briza", "Poa"), List.of("T3", "briza", "Rosa"),
                List.of("T4", "linum", "Lin")));
        Evidence evidence = Evidence.of(rows, new Functional(AttributeSet.of(1), AttributeSet.of(2)));
        assertThat(evidence.holds()).isEqualTo(3);
        assertThat(evidence.tested()).isEqualTo(3);
        assertThat(evidence.breaking()).containsExactly(new Evidence.Contradiction(0, 2));
        assertThat(evidence.agrees()).isFalse();
        assertThat(Evidence.of(rows, new Functional(AttributeSet.of(0), AttributeSet.of(1, 2))).agrees()).isTrue();
    }

    @Test
    void theFewestRowsToTakeOutByTryingAll() {
        for (int seed = 0; seed < 300; seed++) {
            Random random = new Random(seed);
            Rows rows = random(random, 3, random.nextInt(9));
            Functional dependency = new Functional(AttributeSet.of(0), AttributeSet.of(1, 2));
            int best = 0;
            for (AttributeSet kept : Brute.subsets(AttributeSet.first(rows.size()))) {
                Rows some = Rows.of(rows.columns(), kept.members().stream().map(rows.values()::get).toList());
                best = some.projected(AttributeSet.of(0)).size() == some.projected(AttributeSet.first(3)).size()
                        ? Math.max(best, kept.size()) : best;
            }
            assertThat(Evidence.of(rows, dependency).holds()).isEqualTo(best);
        }
    }

    /**
     * W. Kent, “A Simple Guide to Five Normal Forms”, CACM 26(2), 1983, section 4.1: independent skills and languages
     * of an employee (from memory).
     */
    @Test
    void manyValuedFactsAreSeenInRows() {
        Rows rows = Rows.of(List.of("employee", "skill", "language"),
                List.of(List.of("Smith", "cook", "French"), List.of("Smith", "cook", "German"),
                        List.of("Smith", "type", "French"), List.of("Smith", "type", "German"),
                        List.of("Jones", "type", "Greek")));
        assertThat(ManyValuedDiscovery.of(rows, 2)).contains(new Multivalued(AttributeSet.of(0), AttributeSet.of(1)));
        Rows broken = Rows.of(rows.columns(), rows.values().subList(1, 5));
        assertThat(ManyValuedDiscovery.of(broken, 2)).isEmpty();
        assertThat(ManyValuedDiscovery.holds(rows, new Multivalued(AttributeSet.of(0), AttributeSet.of(2)))).isTrue();
        assertThat(ManyValuedDiscovery.holds(broken, new Multivalued(AttributeSet.of(0), AttributeSet.of(2))))
                .isFalse();
    }

    /** A many-valued dependency holds just where its two sides join back to the same rows (Fagin 1977, theorem 1). */
    @Test
    void manyValuedFactsAreThoseWhoseSidesJoinBack() {
        int[] both = new int[2];
        for (int seed = 0; seed < 800; seed++) {
            Random random = new Random(seed);
            Rows rows = random(random, 2 + random.nextInt(4), random.nextInt(9));
            AttributeSet all = AttributeSet.first(rows.columns().size());
            Multivalued dependency = new Multivalued(Brute.some(random, rows.columns().size(), 2),
                    Brute.some(random, rows.columns().size(), 3));
            AttributeSet first = dependency.determinant().union(dependency.dependent());
            boolean joins = Join.restores(rows,
                    List.of(first, all.minus(dependency.dependent()).union(dependency.determinant())));
            both[joins ? 1 : 0]++;
            assertThat(ManyValuedDiscovery.holds(rows, dependency)).as("seed %d", seed).isEqualTo(joins);
        }
        assertThat(Math.min(both[0], both[1])).isGreaterThan(80);
    }

    @Test
    void signsOfMoreThanOneValueAreQuestions() {
        Rows rows = Rows.of(List.of("phone1", "phone2", "full_name", "tags", "home_address", "position", "noted_on"),
                List.of(
                List.of("1", "2", "Ada Moss", "dry; cold; dark", "1 Fen Lane, Fenmoor", "3", "2026-01-02")));
        assertThat(FirstFormSigns.of(rows)).extracting(FirstFormSigns::kind).containsExactly(
                FirstFormSigns.Kind.NUMBERED, FirstFormSigns.Kind.NAME,
                FirstFormSigns.Kind.LIST, FirstFormSigns.Kind.ADDRESS);
        assertThat(FirstFormSigns.of(rows).getFirst().question(rows.columns()))
                .startsWith("phone1, phone2 look like one fact repeated");
    }
}
