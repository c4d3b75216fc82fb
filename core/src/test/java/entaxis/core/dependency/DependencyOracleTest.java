package entaxis.core.dependency;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.dependency.Dependency.Functional;
import entaxis.core.dependency.Dependency.Multivalued;
import entaxis.core.random.Rounds;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Every algorithm against its definition, on thousands of random relations small enough to look at every set. */
class DependencyOracleTest {
    private static final int CASES = Rounds.of(1500);

    private interface Case {
        void check(Random random, int attributes, List<Functional> dependencies);
    }

    private static void each(int cases, int mostAttributes, Case check) {
        for (int seed = 0; seed < cases; seed++) {
            Random random = new Random(seed);
            int attributes = 1 + random.nextInt(mostAttributes);
            List<Functional> dependencies = Brute.functional(random, attributes, 7);
            try {
                check.check(random, attributes, dependencies);
            } catch (AssertionError | RuntimeException e) {
                throw new AssertionError("seed " + seed + ": " + Brute.relation(attributes, dependencies, List.of()),
                        e);
            }
        }
    }

    @Test
    void closures() {
        each(CASES, 8, (random, attributes, dependencies) -> {
            Closure closure = new Closure(attributes, dependencies);
            AttributeSet start = Brute.some(random, attributes, attributes);
            assertThat(closure.of(start)).isEqualTo(Brute.closure(start, dependencies));
            List<Closure.Step> steps = closure.steps(start);
            assertThat(steps.isEmpty() ? start : steps.getLast().reached()).isEqualTo(closure.of(start));
        });
    }

    @Test
    void closuresBeyondOneWord() {
        Random random = new Random(5);
        for (int i = 0; i < 200; i++) {
            List<Functional> dependencies = Brute.functional(random, 150, 200);
            AttributeSet start = Brute.some(random, 150, 40);
            assertThat(new Closure(150, dependencies).of(start)).isEqualTo(Brute.closure(start, dependencies));
        }
    }

    @Test
    void coversSayTheSameWithNothingToSpare() {
        each(CASES, 7, (random, attributes, dependencies) -> {
            List<Functional> cover = MinimalCover.of(attributes, dependencies);
            assertThat(Brute.equivalent(cover, dependencies)).isTrue();
            for (Functional one : cover) {
                List<Functional> others = new ArrayList<>(cover);
                others.remove(one);
                assertThat(Brute.equivalent(others, dependencies)).as("without %s", one).isFalse();
                assertThat(one.dependent().size()).isEqualTo(1);
                one.determinant().forEach(place -> assertThat(
                        Brute.closure(one.determinant().without(place), dependencies).containsAll(one.dependent()))
                        .isFalse());
            }
            assertThat(Brute.equivalent(MinimalCover.joined(cover), dependencies)).isTrue();
        });
    }

    @Test
    void candidateKeys() {
        each(CASES, 8, (random, attributes, dependencies) -> {
            CandidateKeys keys = CandidateKeys.of(attributes, dependencies, CandidateKeys.MAX_COUNT);
            assertThat(new HashSet<>(keys.keys())).isEqualTo(Brute.keys(AttributeSet.first(attributes), dependencies));
            assertThat(keys.keys()).doesNotHaveDuplicates();
            assertThat(keys.more()).isFalse();
            CandidateKeys one = CandidateKeys.of(attributes, dependencies, 1);
            assertThat(one.more()).isEqualTo(keys.keys().size() > 1);
        });
    }

    @Test
    void projections() {
        each(CASES, 7, (random, attributes, dependencies) -> {
            AttributeSet part = Brute.some(random, attributes, attributes);
            List<Functional> projected = Projection.onto(part, attributes, dependencies);
            assertThat(projected)
                    .allMatch(one -> part.containsAll(one.determinant()) && part.containsAll(one.dependent()));
            assertThat(Brute.equivalent(projected, Brute.within(part, dependencies))).isTrue();
        });
    }

    @Test
    void normalForms() {
        each(CASES, 6, (random, attributes, dependencies) -> {
            Verdict verdict = Verdict.of(Brute.relation(attributes, dependencies, List.of()));
            assertThat(verdict.form()).isEqualTo(Brute.form(AttributeSet.first(attributes), dependencies));
            for (Violation violation : verdict.violations()) {
                AttributeSet determinant = violation.dependency().determinant();
                AttributeSet dependent = violation.dependency().dependent();
                assertThat(Brute.closure(determinant, dependencies).containsAll(dependent)).isTrue();
                assertThat(verdict.keys().superkey(determinant)).isFalse();
                assertThat(determinant.meets(dependent)).isFalse();
                switch (violation.kind()) {
                    case PARTIAL -> assertThat(verdict.keys().keys())
                            .anyMatch(key -> key.containsAll(determinant) && !key.equals(determinant));
                    case TRANSITIVE -> assertThat(verdict.keys().keys()).noneMatch(key -> key.containsAll(determinant));
                    case PART_OF_KEY -> assertThat(verdict.keys().prime().containsAll(dependent)).isTrue();
                    case INDEPENDENT -> throw new AssertionError("no many-valued dependency was stated");
                }
            }
        });
    }

    @Test
    void synthesisLosesNothingAndReachesThirdForm() {
        each(CASES, 7, (random, attributes, dependencies) -> {
            Decomposition synthesis = Synthesis.of(Brute.relation(attributes, dependencies, List.of()));
            assertThat(synthesis.lossless()).isTrue();
            assertThat(synthesis.lost()).isEmpty();
            List<Functional> held =
                    synthesis.sets().stream().flatMap(part -> Brute.within(part, dependencies).stream()).toList();
            assertThat(Brute.equivalent(held, dependencies)).isTrue();
            assertThat(synthesis.parts()).allSatisfy(part -> {
                assertThat(Brute.form(part.attributes(), dependencies)).isGreaterThanOrEqualTo(NormalForm.THIRD);
                assertThat(new HashSet<>(part.keys()))
                        .isEqualTo(Brute.keys(part.attributes(), Brute.within(part.attributes(), dependencies)));
            });
            assertThat(synthesis.sets()).noneMatch(
                    part -> synthesis.sets().stream().anyMatch(other -> other != part && other.containsAll(part)));
        });
    }

    @Test
    void takingOutPartsOfKeysReachesSecondForm() {
        each(CASES / 2, 6, (random, attributes, dependencies) -> {
            Decomposition parts = SecondFormDecomposition.of(Brute.relation(attributes, dependencies, List.of()));
            assertThat(parts.lossless()).isTrue();
            assertThat(parts.sets()).allMatch(part -> Brute.form(part, dependencies).compareTo(NormalForm.SECOND) >= 0);
        });
    }

    @Test
    void boyceCoddDecompositionsAreLosslessAndNameWhatTheyLose() {
        each(CASES / 2, 6, (random, attributes, dependencies) -> {
            Decomposition parts = BoyceCoddDecomposition.of(Brute.relation(attributes, dependencies, List.of()));
            assertThat(parts.lossless()).isTrue();
            assertThat(parts.sets()).allMatch(part -> Brute.form(part, dependencies) == NormalForm.BOYCE_CODD);
            List<Functional> held =
                    parts.sets().stream().flatMap(part -> Brute.within(part, dependencies).stream()).toList();
            List<Functional> lost = parts.lost();
            assertThat(lost.isEmpty()).isEqualTo(Brute.equivalent(held, dependencies));
            List<Functional> together = new ArrayList<>(held);
            together.addAll(lost);
            assertThat(Brute.equivalent(together, dependencies)).isTrue();
        });
    }

    /**
     * A lossless split restores any rows that satisfy the dependencies; of a lossy one the chased tableau is itself a
     * counterexample.
     */
    @Test
    void theChaseTellsWhetherRowsComeBack() {
        int[] both = new int[2];
        each(CASES, 6, (random, attributes, dependencies) -> {
            Relation relation = Brute.relation(attributes, dependencies, List.of());
            List<AttributeSet> parts = new ArrayList<>();
            AttributeSet left = relation.all();
            while (!left.isEmpty()) {
                AttributeSet part = Brute.some(random, attributes, 4).union(AttributeSet.of(left.smallest()));
                parts.add(part);
                left = left.minus(part);
            }
            Chase chase = Chase.of(relation, parts);
            both[chase.lossless() ? 1 : 0]++;
            List<int[]> sample = chase.lossless() ? Armstrong.rows(attributes, dependencies) : chase.end();
            Rows rows = rows(relation, sample);
            dependencies.forEach(dependency -> assertThat(Evidence.of(rows, dependency).agrees()).isTrue());
            assertThat(Join.restores(rows, parts)).isEqualTo(chase.lossless());
        });
        assertThat(Math.min(both[0], both[1])).isGreaterThan(CASES / 10);
    }

    @Test
    void armstrongRelationsSatisfyExactlyWhatFollows() {
        each(CASES / 3, 6, (random, attributes, dependencies) -> {
            Rows rows =
                    rows(Brute.relation(attributes, dependencies, List.of()), Armstrong.rows(attributes, dependencies));
            for (AttributeSet set : Brute.subsets(AttributeSet.first(attributes))) {
                AttributeSet determined = Brute.closure(set, dependencies);
                for (int place = 0; place < attributes; place++) {
                    assertThat(Evidence.of(rows, new Functional(set, AttributeSet.of(place))).agrees())
                            .isEqualTo(determined.contains(place));
                }
            }
        });
    }

    private static Rows rows(Relation relation, List<int[]> numbers) {
        return Rows.of(relation.attributes(),
                numbers.stream().map(row -> java.util.Arrays.stream(row).mapToObj(String::valueOf).toList()).toList());
    }

    private static Relation mixed(Random random, int attributes, List<Functional> functional) {
        List<Multivalued> multivalued = new ArrayList<>();
        int count = 1 + random.nextInt(3);
        for (int i = 0; i < count; i++) {
            multivalued.add(new Multivalued(Brute.some(random, attributes, 2), Brute.some(random, attributes, 3)));
        }
        return Brute.relation(attributes, functional.subList(0, Math.min(3, functional.size())), multivalued);
    }

    @Test
    void basesTellWhatFollowsFromBothKinds() {
        each(CASES / 3, 5, (random, attributes, dependencies) -> {
            Relation relation = mixed(random, attributes, dependencies);
            DependencyBasis basis = new DependencyBasis(relation);
            for (int i = 0; i < 6; i++) {
                Dependency functional =
                        new Functional(Brute.some(random, attributes, 3), Brute.some(random, attributes, 2));
                Dependency multivalued =
                        new Multivalued(Brute.some(random, attributes, 3), Brute.some(random, attributes, 3));
                assertThat(basis.implies(functional)).as("%s", functional)
                        .isEqualTo(Brute.implies(relation, functional));
                assertThat(basis.implies(multivalued)).as("%s", multivalued)
                        .isEqualTo(Brute.implies(relation, multivalued));
            }
        });
    }

    @Test
    void keysAndFourthFormWithBothKinds() {
        int[] forms = new int[NormalForm.values().length];
        each(CASES / 3, 4, (random, attributes, dependencies) -> {
            Relation relation = mixed(random, attributes, dependencies);
            List<AttributeSet> superkeys = Brute.subsets(relation.all()).stream()
                    .filter(set -> Brute.implies(relation, new Functional(set, relation.all()))).toList();
            Verdict verdict = Verdict.of(relation);
            assertThat(verdict.keys().keys()).containsExactlyInAnyOrderElementsOf(
                    superkeys.stream().filter(
                            set -> superkeys.stream().noneMatch(other -> !other.equals(set) && set.containsAll(other)))
                            .toList());
            assertThat(verdict.form() == NormalForm.FOURTH).isEqualTo(fourth(relation, relation.all(), superkeys));
            forms[verdict.form().ordinal()]++;
            Decomposition parts = FourthFormDecomposition.of(relation);
            assertThat(parts.lossless()).isTrue();
            parts.sets().forEach(part -> assertThat(fourth(relation, part,
                    Brute.subsets(part).stream().filter(set -> Brute.implies(relation, new Functional(set, part)))
                            .toList()))
                    .isTrue());
        });
        assertThat(forms[NormalForm.FOURTH.ordinal()]).isPositive();
        assertThat(forms[NormalForm.BOYCE_CODD.ordinal()]).isPositive();
    }

    /**
     * Fourth form by its definition: every many-valued fact within the part that is not trivial there is about a
     * superkey.
     */
    private static boolean fourth(Relation relation, AttributeSet part, List<AttributeSet> superkeys) {
        for (AttributeSet determinant : Brute.subsets(part)) {
            if (superkeys.contains(determinant)) {
                continue;
            }
            for (AttributeSet dependent : Brute.subsets(part.minus(determinant))) {
                boolean trivial = dependent.isEmpty() || determinant.union(dependent).equals(part);
                // a many-valued fact of the part is one of the whole with any of the attributes outside
                if (!trivial && Brute.subsets(relation.all().minus(part)).stream().anyMatch(
                        outside -> Brute.implies(relation, new Multivalued(determinant, dependent.union(outside))))) {
                    return false;
                }
            }
        }
        return true;
    }
}
