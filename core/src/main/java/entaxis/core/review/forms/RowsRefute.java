package entaxis.core.review.forms;

import entaxis.core.change.Change;
import entaxis.core.dependency.Dependency.Functional;
import entaxis.core.dependency.Evidence;
import entaxis.core.design.Entity;
import entaxis.core.design.SampleRow;
import entaxis.core.design.StatedDependencies.Stated;
import entaxis.core.design.StatedDependencies;
import entaxis.core.normalize.EntityRelation;
import entaxis.core.review.About;
import entaxis.core.review.Basis;
import entaxis.core.review.EntityRule;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.word.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/** A stated dependency that sample rows contradict. */
public final class RowsRefute implements EntityRule {
    private static final RuleInfo INFO = new RuleInfo("rows-refute", Family.FORMS, Level.CAUTION, Basis.THEORY,
            "dependency that rows contradict",
            "Either the dependency does not hold, or the rows are wrong; what is decided on it is wrong in the first "
                    + "case.",
            "J. Kivinen, H. Mannila, Approximate Inference of Functional Dependencies from Relations, 1995: the "
                    + "measure g3");
    private static final int MAX_SHOWN = 5;

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        Optional<StatedDependencies> stated =
                of.design().dependencies().find(entity.id()).filter(one -> !one.stated().isEmpty());
        if (stated.isEmpty() || of.rows(entity.id()).isEmpty()) {
            return;
        }
        EntityRelation about = EntityRelation.of(of.design(), of.derivation(), entity.id());
        for (Stated one : stated.get().stated()) {
            if (about.of(one).orElse(null) instanceof Functional dependency) {
                Evidence evidence = Evidence.of(about.rows(), dependency);
                if (!evidence.agrees()) {
                    found.accept(finding(of, entity, about, stated.get(), one, dependency, evidence));
                }
            }
        }
    }

    private static Finding finding(Reviewed of, Entity entity, EntityRelation about, StatedDependencies stated,
            Stated one, Functional dependency, Evidence evidence) {
        List<About> where = new ArrayList<>(List.of(of.about(entity)));
        List<String> lines = new ArrayList<>(List.of(about.relation().text(dependency)));
        evidence.breaking().stream().limit(MAX_SHOWN).forEach(pair -> {
            where.add(new About(About.Kind.ROW, entity.id().value(),
                    of.table(entity.id()).name() + " row " + (pair.other() + 1)));
            lines.add("rows " + (pair.usual() + 1) + " and " + (pair.other() + 1) + " have "
                    + about.rows().text(pair.usual(), dependency.determinant()) + ", and "
                    + about.rows().text(pair.usual(), dependency.dependent()) + " against "
                    + about.rows().text(pair.other(), dependency.dependent()));
        });
        int wrong = evidence.breaking().size();
        List<SuggestedChange> remedies = new ArrayList<>();
        if (wrong * 2 < evidence.rows()
                && rows(about, dependency, evidence) instanceof Change.Several(List<Change> changes)
                && !changes.isEmpty()) {
            remedies.add(new SuggestedChange("Correct " + Words.counted(wrong, "row") + " after the others",
                    new Change.Several(changes)));
        }
        remedies.add(new SuggestedChange("No longer state it", new Change.StateDependencies(
                stated.stated(stated.stated().stream().filter(other -> !other.equals(one)).toList()))));
        return INFO.found(where,
                Words.counted(wrong, "row") + " of “" + entity.name() + "” "
                        + (wrong == 1 ? "contradicts" : "contradict") + " the dependency that is stated.",
                lines, remedies);
    }

    /** Each row that would have to go takes over what the usual row has. */
    private static Change rows(EntityRelation about, Functional dependency, Evidence evidence) {
        List<Change> changes = new ArrayList<>();
        for (Evidence.Contradiction pair : evidence.breaking()) {
            SampleRow corrected = about.samples().get(pair.other());
            for (int column : dependency.dependent().minus(dependency.determinant()).places()) {
                corrected = corrected.with(about.paths().get(column),
                        about.samples().get(pair.usual()).values().getOrDefault(about.paths().get(column), ""));
            }
            changes.add(new Change.PutRow(corrected));
        }
        return new Change.Several(changes);
    }
}
