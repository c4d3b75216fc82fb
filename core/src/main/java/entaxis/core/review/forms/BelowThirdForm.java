package entaxis.core.review.forms;

import entaxis.core.dependency.NormalForm;
import entaxis.core.dependency.Verdict;
import entaxis.core.dependency.Violation;
import entaxis.core.design.Entity;
import entaxis.core.design.StatedDependencies;
import entaxis.core.normalize.EntityRelation;
import entaxis.core.normalize.Harm;
import entaxis.core.review.Basis;
import entaxis.core.review.EntityRule;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Stream;

/** An entity that its stated dependencies keep from third normal form. */
public final class BelowThirdForm implements EntityRule {
    private static final RuleInfo INFO =
            new RuleInfo("below-third", Family.FORMS, Level.CAUTION, Basis.THEORY, "below third normal form",
            "A fact that is stored again and again can be changed in one place and stay wrong in the others.",
            "E. F. Codd, Further Normalization of the Data Base Relational Model, 1971");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        StatedDependencies stated =
                of.design().dependencies().find(entity.id()).orElse(StatedDependencies.none(entity.id()));
        if (stated.stated().isEmpty()) {
            return;
        }
        EntityRelation about = EntityRelation.of(of.design(), of.derivation(), entity.id());
        Verdict verdict = Verdict.of(about.relation());
        for (Violation violation : verdict.violations()) {
            boolean accepted = stated.accepted().stream()
                    .anyMatch(one -> one.fault().equals(about.stated(violation.dependency())));
            if (violation.form().compareTo(NormalForm.THIRD) <= 0 && !accepted) {
                Harm harm = Harm.of(verdict, about.rows(), violation);
                List<String> evidence = new ArrayList<>(List.of(about.relation().text(violation.dependency())));
                Stream.of(harm.repeated(), harm.change()).filter(line -> !line.isEmpty()).forEach(evidence::add);
                found.accept(new Finding(INFO.id(), INFO.level(), List.of(of.about(entity)),
                        "“" + entity.name() + "” is not in " + violation.form().words() + ": "
                        + violation.why(about.relation()), evidence, List.of()));
            }
        }
    }
}
