package entaxis.core.dependency;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.dependency.Dependency.Functional;
import java.util.HashSet;
import java.util.Set;

/** What rows satisfy, by the definition. */
public final class DiscoveryOracle {
    private DiscoveryOracle() { }

    private static boolean holds(Rows rows, AttributeSet determinant, int dependent) {
        return rows.projected(determinant).size() == rows.projected(determinant.with(dependent)).size();
    }

    /** All smallest dependencies and keys by the definition, over every set of columns. */
    public static void same(Rows rows) {
        Set<Functional> smallest = new HashSet<>();
        Set<AttributeSet> keys = new HashSet<>();
        AttributeSet all = AttributeSet.first(rows.columns().size());
        for (AttributeSet set : Brute.subsets(all)) {
            boolean key = rows.projected(set).size() == rows.size();
            if (key && set.members().stream()
                    .noneMatch(place -> rows.projected(set.without(place)).size() == rows.size())) {
                keys.add(set);
            }
            all.minus(set).forEach(dependent -> {
                if (holds(rows, set, dependent)
                        && set.members().stream().noneMatch(place -> holds(rows, set.without(place), dependent))) {
                    smallest.add(new Functional(set, AttributeSet.of(dependent)));
                }
            });
        }
        Discovery found = Discovery.of(rows, Discovery.Watch.NONE);
        assertThat(found.dependencies()).doesNotHaveDuplicates();
        assertThat(new HashSet<>(found.dependencies())).isEqualTo(smallest);
        assertThat(new HashSet<>(found.keys())).isEqualTo(keys);
        assertThat(found.complete()).isTrue();
    }
}
