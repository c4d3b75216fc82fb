package entaxis.core.dependency;

import entaxis.core.dependency.Dependency.Functional;
import entaxis.core.dependency.Dependency.Multivalued;
import entaxis.core.dependency.Violation.Kind;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * The keys of a relation, the highest normal form that it is in, and what keeps it from the next ones. Second and third
 * form as in E. F. Codd, “Further Normalization of the Data Base Relational Model”, 1971, for all candidate keys;
 * Boyce-Codd as in “Recent Investigations into Relational Data Base Systems”, 1974; fourth as in R. Fagin, “Multivalued
 * Dependencies and a New Normal Form for Relational Databases”, ACM TODS 2(3), 1977. First normal form is taken for
 * granted: see {@link FirstFormSigns}. Beyond the keys it takes one closure for each dependency and each attribute of a
 * key.
 *
 * @param keys       where there are more than were looked for, prime attributes and violations are those that the found
 *                   ones show
 * @param cover      a minimal cover of the functional dependencies
 * @param violations lowest form first, functional ones with one determinant joined
 */
public record Verdict(Relation relation, CandidateKeys keys, NormalForm form, List<Functional> cover,
        List<Violation> violations) {
    /** Judges a relation; looks for as many keys at most. */
    public static Verdict of(Relation relation, int mostKeys) {
        CandidateKeys keys = CandidateKeys.of(relation, mostKeys);
        List<Functional> cover = MinimalCover.of(relation.attributes().size(), known(relation));
        Set<Violation> found = new LinkedHashSet<>();
        partial(relation, keys, cover, found);
        for (Functional dependency : MinimalCover.joined(cover)) {
            if (!superkey(relation, keys, dependency.determinant())) {
                classify(keys, dependency, found);
            }
        }
        DependencyBasis basis = new DependencyBasis(relation);
        for (Multivalued dependency : relation.multivalued()) {
            Multivalued wanted =
                    new Multivalued(dependency.determinant(), dependency.dependent().minus(dependency.determinant()));
            if (!wanted.trivial(relation.all()) && !superkey(relation, keys, wanted.determinant())
                    && !basis.closure(wanted.determinant()).containsAll(wanted.dependent())) {
                found.add(new Violation(NormalForm.FOURTH, Kind.INDEPENDENT, wanted));
            }
        }
        List<Violation> violations = new ArrayList<>(found);
        violations.sort((a, b) -> a.form().compareTo(b.form()));
        return new Verdict(relation, keys, form(relation, violations), cover, violations);
    }

    /** Judges a relation. */
    public static Verdict of(Relation relation) {
        return of(relation, CandidateKeys.MAX_COUNT);
    }

    /** The functional dependencies, also those that follow only together with many-valued ones. */
    private static List<Functional> known(Relation relation) {
        if (relation.multivalued().isEmpty()) {
            return relation.functional();
        }
        DependencyBasis basis = new DependencyBasis(relation);
        List<Functional> known = new ArrayList<>(relation.functional());
        Set<AttributeSet> determinants = new LinkedHashSet<>();
        relation.functional().forEach(dependency -> determinants.add(dependency.determinant()));
        relation.multivalued().forEach(dependency -> determinants.add(dependency.determinant()));
        determinants.forEach(determinant -> known.add(new Functional(determinant, basis.closure(determinant))));
        return known;
    }

    private static boolean superkey(Relation relation, CandidateKeys keys, AttributeSet set) {
        return keys.superkey(set) || keys.more() && closure(relation).apply(set).containsAll(relation.all());
    }

    private static UnaryOperator<AttributeSet> closure(Relation relation) {
        return relation.multivalued().isEmpty() ? new Closure(relation.attributes().size(), relation.functional())::of
                : new DependencyBasis(relation)::closure;
    }

    private static void classify(CandidateKeys keys, Functional dependency, Set<Violation> found) {
        AttributeSet determinant = dependency.determinant();
        AttributeSet others = dependency.dependent().minus(keys.prime());
        AttributeSet prime = dependency.dependent().intersection(keys.prime());
        if (!others.isEmpty()) {
            boolean part = keys.keys().stream().anyMatch(key -> key.containsAll(determinant));
            found.add(new Violation(part ? NormalForm.SECOND : NormalForm.THIRD, part ? Kind.PARTIAL : Kind.TRANSITIVE,
                    new Functional(determinant, others)));
        }
        if (!prime.isEmpty()) {
            found.add(new Violation(NormalForm.BOYCE_CODD, Kind.PART_OF_KEY, new Functional(determinant, prime)));
        }
    }

    /** Parts of keys that decide attributes outside all keys, where no dependency of the cover says so by itself. */
    private static void partial(Relation relation, CandidateKeys keys, List<Functional> cover, Set<Violation> found) {
        boolean said = cover.stream().anyMatch(dependency -> !dependency.dependent().meets(keys.prime())
                && keys.keys().stream().anyMatch(
                        key -> key.containsAll(dependency.determinant()) && !key.equals(dependency.determinant())));
        if (said) {
            return;
        }
        UnaryOperator<AttributeSet> closure = closure(relation);
        for (AttributeSet key : keys.keys()) {
            for (int place : key.places()) {
                AttributeSet decided = closure.apply(key.without(place)).minus(keys.prime());
                if (!decided.isEmpty()) {
                    AttributeSet determinant = key.without(place);
                    for (int other : determinant.places()) {
                        AttributeSet fewer = determinant.without(other);
                        determinant = closure.apply(fewer).containsAll(decided) ? fewer : determinant;
                    }
                    found.add(new Violation(NormalForm.SECOND, Kind.PARTIAL, new Functional(determinant, decided)));
                }
            }
        }
    }

    private static NormalForm form(Relation relation, List<Violation> violations) {
        if (violations.isEmpty()) {
            return relation.multivalued().isEmpty() ? NormalForm.BOYCE_CODD : NormalForm.FOURTH;
        }
        return NormalForm.values()[violations.getFirst().form().ordinal() - 1];
    }
}
