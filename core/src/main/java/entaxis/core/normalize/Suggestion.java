package entaxis.core.normalize;

import entaxis.core.dependency.AttributeSet;
import entaxis.core.dependency.Closure;
import entaxis.core.dependency.Dependency.Functional;
import entaxis.core.dependency.Dependency.Multivalued;
import entaxis.core.dependency.Dependency;
import entaxis.core.dependency.DependencyBasis;
import entaxis.core.dependency.Discovery;
import entaxis.core.dependency.Evidence;
import entaxis.core.dependency.ManyValuedDiscovery;
import entaxis.core.dependency.Rows;
import entaxis.core.design.StatedDependencies;
import java.util.ArrayList;
import java.util.List;

/**
 * What sample rows suggest beyond what is stated; rows can refute a dependency, never prove it.
 *
 * @param line  the dependency in textbook notation
 * @param words what the rows say of it
 * @param holds whether no row breaks it
 * @param key   whether what decides would be a key
 */
public record Suggestion(String line, String words, boolean holds, boolean key) {
    private static final int MAX_COUNT = 6;
    private static final int MAX_DETERMINANTS = 2;
    private static final int MAX_LOOKED_AT = 200;
    /** With fewer rows nothing is suggested. */
    public static final int MIN_ROWS = 3;
    private static final int NEARLY = 20;
    private static final int ENOUGH_FOR_A_KEY = 8;
    private static final int MAX_KEYS = 2;
    private static final int MAX_NEARLY = 24;

    /**
     * Whether all rows agree with it and it says more than a key would: enough to ask for it before a form is judged.
     */
    public boolean telling() {
        return holds && !key;
    }

    /**
     * At most eight suggestions for an entity, smallest determinants first; none where there are too few rows to tell.
     */
    public static List<Suggestion> of(EntityRelation about, StatedDependencies stated) {
        Rows rows = about.rows();
        if (rows.size() < MIN_ROWS || rows.columns().size() > Rows.MAX_COLUMNS) {
            return List.of();
        }
        List<Suggestion> found = new ArrayList<>();
        List<Functional> known = new ArrayList<>(about.relation().functional());
        int columns = rows.columns().size();
        Discovery discovery = Discovery.of(rows, MAX_DETERMINANTS, Discovery.Watch.NONE);
        discovery.dependencies().stream()
                .filter(dependency -> !dependency.determinant().isEmpty()).limit(MAX_LOOKED_AT).forEach(dependency -> {
                    if (found.size() >= MAX_COUNT || rejected(about, stated, dependency)
                            || new Closure(columns, known).implies(dependency)) {
                        return;
                    }
                    Evidence evidence = Evidence.of(rows, dependency);
                    if (evidence.tested() > 1) {
                        known.add(dependency);
                        found.add(new Suggestion(about.relation().text(dependency), "holds in all " + rows.size()
                                + " rows; " + evidence.tested() + " could have refuted it", true, false));
                    }
                });
        if (columns <= 8) {
            DependencyBasis basis = new DependencyBasis(about.relation());
            for (Multivalued dependency : ManyValuedDiscovery.of(rows, 1)) {
                if (found.size() < MAX_COUNT && dependency.determinant().size() == 1 && !basis.implies(dependency)
                        && !rejected(about, stated, dependency)) {
                    found.add(new Suggestion(about.relation().text(dependency),
                            "every combination is there, in all " + rows.size() + " rows", true, false));
                }
            }
        }
        keys(about, stated, discovery.keys(), known, found);
        nearly(about, stated, known, found);
        return found;
    }

    /** Keys that rows suggest: columns that no two of enough rows share. */
    private static void keys(EntityRelation about, StatedDependencies stated, List<AttributeSet> keys,
            List<Functional> known, List<Suggestion> found) {
        Rows rows = about.rows();
        AttributeSet all = AttributeSet.first(rows.columns().size());
        if (rows.size() < ENOUGH_FOR_A_KEY) {
            return;
        }
        int before = found.size();
        for (AttributeSet key : keys) {
            Functional dependency = new Functional(key, all.minus(key));
            boolean told = key.isEmpty() || key.size() > MAX_DETERMINANTS || rejected(about, stated, dependency)
                    || new Closure(rows.columns().size(), known).implies(dependency);
            if (!told && found.size() < before + MAX_KEYS) {
                found.add(new Suggestion(about.relation().text(dependency),
                        "no two of " + rows.size() + " rows agree: is it a key?", true, true));
            }
        }
    }

    /** Dependencies on one column that only a few rows break. */
    private static void nearly(EntityRelation about, StatedDependencies stated, List<Functional> known,
            List<Suggestion> found) {
        Rows rows = about.rows();
        int columns = Math.min(MAX_NEARLY, rows.columns().size());
        Closure implied = new Closure(rows.columns().size(), known);
        for (int left = 0; left < columns; left++) {
            for (int right = 0; right < columns; right++) {
                Functional dependency = new Functional(AttributeSet.of(left), AttributeSet.of(right));
                if (left == right || found.size() >= MAX_COUNT + MAX_KEYS + 2 || rejected(about, stated, dependency)
                        || implied.implies(dependency)) {
                    continue;
                }
                Evidence evidence = Evidence.of(rows, dependency);
                if (!evidence.agrees() && (rows.size() - evidence.holds()) * NEARLY <= evidence.tested()) {
                    Evidence.Contradiction first = evidence.breaking().getFirst();
                    found.add(new Suggestion(about.relation().text(dependency),
                            "holds in " + evidence.holds() + " of " + rows.size() + " rows; broken by rows "
                                    + (first.usual() + 1)
                            + " and " + (first.other() + 1), false, false));
                }
            }
        }
    }

    private static boolean rejected(EntityRelation about, StatedDependencies stated, Dependency dependency) {
        return stated.rejected().contains(about.stated(dependency));
    }
}
