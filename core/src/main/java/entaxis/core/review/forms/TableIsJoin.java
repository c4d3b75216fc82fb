package entaxis.core.review.forms;

import entaxis.core.normalize.AcrossEntities;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.NamesRule;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import java.util.List;
import java.util.function.Consumer;

/** An entity all of whose columns stand in two others that share some. */
public final class TableIsJoin implements NamesRule {
    private static final RuleInfo INFO = new RuleInfo("table-is-join", Family.FORMS, Level.HINT, Basis.THEORY,
            "table that is a join of others",
            "A table that says what two others say together can disagree with them; a view cannot.",
            "R. Fagin, Multivalued Dependencies and a New Normal Form for Relational Databases, 1977");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Reviewed of, Consumer<Finding> found) {
        AcrossEntities.joins(of.design(), of.derivation()).forEach((id, one) -> found.accept(INFO.found(
                List.of(of.about(of.design().entities().get(id)), of.about(of.design().entities().get(one.other()))),
                one.question(), List.of(), List.of())));
    }
}
