package entaxis.core.dependency;

import entaxis.core.dependency.Dependency.Functional;
import java.util.ArrayList;
import java.util.List;

/**
 * Relations in the place of one.
 *
 * @param of    the relation that is taken apart; parts speak of its attributes
 * @param steps how it was come by, for those who follow it by hand; empty where it is made at once
 */
public record Decomposition(Relation of, List<Part> parts, List<Split> steps) {
    /** Copies the lists. */
    public Decomposition {
        parts = List.copyOf(parts);
        steps = List.copyOf(steps);
    }

    /**
     * One of the relations.
     *
     * @param key          the key that the algorithm meant it to have; others may be keys too
     * @param dependencies a minimal cover of what holds within it
     */
    public record Part(AttributeSet attributes, AttributeSet key, List<AttributeSet> keys,
            List<Functional> dependencies) {
        /** A part with the keys and dependencies that follow from those of the whole. */
        static Part of(AttributeSet attributes, AttributeSet key, Relation whole) {
            List<Functional> dependencies = Projection.onto(attributes, whole.attributes().size(), whole.functional());
            List<AttributeSet> keys = within(attributes, whole.attributes().size(), dependencies);
            return new Part(attributes, keys.contains(key) ? key : keys.getFirst(), keys, dependencies);
        }

        private static List<AttributeSet> within(AttributeSet part, int attributes, List<Functional> dependencies) {
            // everything outside is taken as given, so that the keys are those of the part
            List<Functional> known = new ArrayList<>(dependencies);
            known.add(new Functional(AttributeSet.none(), AttributeSet.first(attributes).minus(part)));
            return CandidateKeys.of(attributes, known, CandidateKeys.MAX_COUNT).keys();
        }
    }

    /** One relation taken into two because of a dependency. */
    public record Split(AttributeSet from, Dependency because, AttributeSet first, AttributeSet second) { }

    /** The attributes of the parts. */
    public List<AttributeSet> sets() {
        return parts.stream().map(Part::attributes).toList();
    }

    /** Whether the parts join back to exactly the rows of the whole, by the chase. */
    public boolean lossless() {
        return Chase.of(of, sets()).lossless();
    }

    /** The dependencies of a minimal cover that the parts together no longer hold. */
    public List<Functional> lost() {
        return Preservation.lost(of.attributes().size(), of.functional(), sets());
    }
}
