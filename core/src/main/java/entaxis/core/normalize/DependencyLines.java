package entaxis.core.normalize;

import entaxis.core.dependency.Closure;
import entaxis.core.dependency.Dependency;
import entaxis.core.dependency.Dependency.Functional;
import entaxis.core.dependency.Dependency.Multivalued;
import entaxis.core.dependency.DependencyReader;
import entaxis.core.dependency.DependencyReader.Line;
import entaxis.core.dependency.Evidence;
import entaxis.core.dependency.ManyValuedDiscovery;
import entaxis.core.dependency.Relation;
import entaxis.core.design.StatedDependencies.Stated;
import java.util.ArrayList;
import java.util.List;

/**
 * Dependencies as they are typed, one a line, and what is to be said of each line.
 *
 * @param dependencies those that are understood, in order
 */
public record DependencyLines(List<Stated> dependencies, List<Remark> remarks) {
    /** What is said of a line: a fault, a contradiction by rows, or only a hint. */
    public enum Weight { FAULT, CONTRADICTED, HINT }

    /** A remark on a line, numbered from 1. */
    public record Remark(int line, Weight weight, String text) { }

    /** Reads typed lines about an entity's columns. */
    public static DependencyLines read(EntityRelation about, String text) {
        Relation relation = about.relation();
        DependencyReader reader = new DependencyReader(relation.attributes());
        List<Stated> dependencies = new ArrayList<>();
        List<Remark> remarks = new ArrayList<>();
        List<Functional> known = new ArrayList<>(relation.functional().subList(0, about.byKeys()));
        List<String> lines = text.lines().toList();
        for (int i = 0; i < lines.size(); i++) {
            int number = i + 1;
            switch (reader.line(lines.get(i))) {
                case Line.Empty() -> { }
                case Line.Fault(int at, String message) -> remarks.add(new Remark(number, Weight.FAULT, message));
                case Line.ReadDependency(Dependency dependency) -> {
                    dependencies.add(about.stated(dependency));
                    remarks.addAll(remarks(about, dependency, known, number));
                    if (dependency instanceof Functional functional) {
                        known.add(functional);
                    }
                }
            }
        }
        return new DependencyLines(dependencies, remarks);
    }

    private static List<Remark> remarks(EntityRelation about, Dependency dependency, List<Functional> known, int line) {
        List<Remark> remarks = new ArrayList<>();
        Relation relation = about.relation();
        switch (dependency) {
            case Functional functional -> {
                if (functional.trivial()) {
                    remarks.add(new Remark(line, Weight.HINT,
                            "says nothing: " + relation.text(functional.dependent()) + " is on both sides"));
                } else if (new Closure(relation.attributes().size(), known).implies(functional)) {
                    remarks.add(new Remark(line, Weight.HINT, "follows already from the keys and the lines above"));
                }
                Evidence evidence = Evidence.of(about.rows(), functional);
                if (!evidence.agrees()) {
                    Evidence.Contradiction first = evidence.breaking().getFirst();
                    remarks.add(new Remark(line, Weight.CONTRADICTED,
                            "holds in " + evidence.holds() + " of " + evidence.rows() + " rows; row "
                                    + (first.other() + 1)
                            + " contradicts row " + (first.usual() + 1)));
                }
            }
            case Multivalued many -> {
                if (many.trivial(relation.all())) {
                    remarks.add(new Remark(line, Weight.HINT, "says nothing: it holds whatever the rows are"));
                } else if (!ManyValuedDiscovery.holds(about.rows(), many)) {
                    remarks.add(new Remark(line, Weight.CONTRADICTED,
                            "some combination that it asks for is missing in the rows"));
                }
            }
        }
        return remarks;
    }

    /** Whether every line is understood. */
    public boolean understood() {
        return remarks.stream().noneMatch(remark -> remark.weight() == Weight.FAULT);
    }
}
