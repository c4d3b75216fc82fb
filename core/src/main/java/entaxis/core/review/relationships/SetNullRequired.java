package entaxis.core.review.relationships;

import entaxis.core.change.Change;
import entaxis.core.change.RelationshipAspect;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Entity;
import entaxis.core.design.Relationship;
import entaxis.core.design.Side;
import entaxis.core.review.Basis;
import entaxis.core.review.EntityRule;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.sentence.Sentence;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;

/** An action that sets a required reference to nothing. */
public final class SetNullRequired implements EntityRule {
    private static final RuleInfo INFO = new RuleInfo("set-null-required", Family.RELATIONSHIPS, Level.FAULT,
            Basis.MANUAL, "set to nothing where required",
            "The action would empty a column that must have a value, so that the deletion fails, or the engine refuses "
                    + "the table.",
            "ISO/IEC 9075-2, 11.8; MySQL manual, FOREIGN KEY constraints: SET NULL needs columns that may be null");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        for (Relationship one : of.begun(entity.id())) {
            boolean empties =
                    one.onDelete() == ReferentialAction.SET_NULL || one.onUpdate() == ReferentialAction.SET_NULL;
            boolean required =
                    one.manyToMany() || one.parent().filter(side -> !one.end(side).cardinality().optional()).isPresent()
                            || of.design().identifying(one);
            if (empties && required) {
                List<SuggestedChange> remedies = new ArrayList<>();
                one.parent().filter(side -> !of.design().identifying(one))
                        .ifPresent(side -> remedies.add(new SuggestedChange("Let it be without one",
                                new Change.AlterRelationship(one.id(),
                                        new RelationshipAspect.HowMany(side, Cardinality.ZERO_OR_ONE)))));
                remedies.add(new SuggestedChange("Refuse the deletion instead", new Change.Several(List.of(
                        new Change.AlterRelationship(one.id(),
                                new RelationshipAspect.OnDelete(refusing(one.onDelete()))),
                        new Change.AlterRelationship(one.id(),
                                new RelationshipAspect.OnUpdate(refusing(one.onUpdate())))))));
                found.accept(new Finding(INFO.id(), INFO.level(), List.of(of.about(one)),
                        "When “" + of.name(one.end(one.parent().orElse(Side.FIRST)).entity())
                                + "” goes, the reference to it is to be emptied, but it must have a value.",
                        List.of(Sentence.of(of.design(), one, one.parent().orElse(Side.FIRST).other()).text()),
                        remedies));
            }
        }
    }

    private static ReferentialAction refusing(ReferentialAction action) {
        return action == ReferentialAction.SET_NULL ? ReferentialAction.NO_ACTION : action;
    }
}
