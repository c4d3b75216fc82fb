package entaxis.core.review.forms;

import entaxis.core.change.Change;
import entaxis.core.design.Entity;
import entaxis.core.design.StatedDependencies;
import entaxis.core.normalize.DependencyLines;
import entaxis.core.normalize.EntityRelation;
import entaxis.core.normalize.Suggestion;
import entaxis.core.review.Basis;
import entaxis.core.review.EntityRule;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.word.Words;
import java.util.List;
import java.util.function.Consumer;

/** An entity whose rows suggest dependencies while none is stated. */
public final class DependenciesUnstated implements EntityRule {
    private static final RuleInfo INFO = new RuleInfo("dependencies-unstated", Family.FORMS, Level.HINT, Basis.THEORY,
            "dependencies not stated",
            "Normal forms are judged by what is stated; where nothing is, nothing is known of the form.",
            "E. F. Codd, Further Normalization of the Data Base Relational Model, 1971; rows can refute a dependency, "
                    + "never prove one");
    private static final int MAX_COUNT = 3;

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        StatedDependencies stated =
                of.design().dependencies().find(entity.id()).orElse(StatedDependencies.none(entity.id()));
        if (!stated.stated().isEmpty() || of.rows(entity.id()).size() < Suggestion.MIN_ROWS) {
            return;
        }
        EntityRelation about = EntityRelation.of(of.design(), of.derivation(), entity.id());
        List<Suggestion> suggested = Suggestion.of(about, stated).stream().filter(Suggestion::telling).toList();
        if (!suggested.isEmpty()) {
            List<SuggestedChange> remedies = suggested
                    .stream().limit(MAX_COUNT).flatMap(
                            one -> DependencyLines.read(about, one.line()).dependencies().stream()
                                    .map(dependency -> new SuggestedChange("State " + one.line(),
                                            new Change.StateDependencies(stated.stated(List.of(dependency))))))
                    .toList();
            found.accept(INFO.found(List.of(of.about(entity)),
                    "The rows of “" + entity.name() + "” suggest " + Words.counted(suggested.size(), "dependency")
                            + ", and none is stated.",
                    suggested.stream().map(one -> one.line() + ": " + one.words()).toList(), remedies));
        }
    }
}
