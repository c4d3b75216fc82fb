package entaxis.core.normalize;

import entaxis.core.dependency.NormalForm;
import entaxis.core.dependency.Verdict;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.StatedDependencies;
import java.util.Comparator;
import java.util.List;

/** The normal forms of all entities of a design, those that need attention first. */
public final class FormsOverview {
    private static final int MAX_KEYS = 3;

    private FormsOverview() { }

    /**
     * What is known of one entity.
     *
     * @param form      the form that it has reached as far as dependencies are stated
     * @param keys      its candidate keys, a few of them
     * @param stated    dependencies that are stated beside its keys
     * @param suggested dependencies that its rows suggest beyond those
     * @param faults    faults against the forms that are not accepted
     */
    public record Line(EntityId entity, String name, NormalForm form, List<String> keys, int stated, int suggested,
            int rows, long faults) {
        /** Whether nothing is known of its dependencies while its rows suggest some. */
        public boolean unknown() {
            return stated == 0 && suggested > 0;
        }
    }

    /** A line for each entity: faults first, then what rows suggest and nobody has stated, then the others by name. */
    public static List<Line> of(Design design, Derivation derivation) {
        return design.entities().stream().map(entity -> line(design, derivation, entity))
                .sorted(Comparator.comparingLong((Line line) -> -line.faults())
                        .thenComparing(line -> !line.unknown()).thenComparing(line -> -line.suggested())
                        .thenComparing(Line::name, String.CASE_INSENSITIVE_ORDER))
                .toList();
    }

    private static Line line(Design design, Derivation derivation, Entity entity) {
        EntityRelation about = EntityRelation.of(design, derivation, entity.id());
        StatedDependencies stated =
                design.dependencies().find(entity.id()).orElse(StatedDependencies.none(entity.id()));
        Verdict verdict = Verdict.of(about.relation());
        long faults = verdict.violations().stream().map(violation -> about.stated(violation.dependency()))
                .filter(fault -> stated.accepted().stream().noneMatch(one -> one.fault().equals(fault))).count();
        int suggested = (int) Suggestion.of(about, stated).stream().filter(Suggestion::telling).count();
        return new Line(entity.id(), entity.name(), verdict.form(),
                verdict.keys().keys().stream().limit(MAX_KEYS).map(about.relation()::text).toList(),
                stated.stated().size(), suggested, about.rows().size(), faults);
    }
}
