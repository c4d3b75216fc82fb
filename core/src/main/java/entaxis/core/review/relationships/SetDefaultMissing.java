package entaxis.core.review.relationships;

import entaxis.core.change.Change;
import entaxis.core.change.RelationshipAspect;
import entaxis.core.derive.DerivedColumn;
import entaxis.core.design.Entity;
import entaxis.core.design.Relationship;
import entaxis.core.review.Basis;
import entaxis.core.review.EntityRule;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.schema.Column;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.word.Words;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/** A reference that is set to its default when the parent is deleted, without a default that could be taken. */
public final class SetDefaultMissing implements EntityRule {
    private static final RuleInfo INFO =
            new RuleInfo("set-default-missing", Family.RELATIONSHIPS, Level.CAUTION, Basis.MANUAL,
            "set to a default that is missing",
            "Without a default the columns become empty, or the deletion is refused where they are required.",
                    "ISO/IEC 9075-2, 11.8: SET DEFAULT puts the default of each referencing column, which is null if "
                            + "none is stated");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        for (Relationship reference : of.references(entity.id())) {
            List<Column> bare = reference.onDelete() != ReferentialAction.SET_DEFAULT ? List.of()
                    : of.columns(reference).stream().map(DerivedColumn::column)
                            .filter(column -> column.defaultValue().isEmpty()).toList();
            if (!bare.isEmpty()) {
                boolean refused = bare.stream().anyMatch(Column::required);
                found.accept(INFO.found(List.of(of.about(reference)),
                        "Deleting one " + Words.inSentence(of.name(reference.parentEntity().orElseThrow()))
                                + " sets " + bare.stream().map(Column::name).collect(Collectors.joining(", ")) + " of “"
                                + entity.name() + "” to a default that is not there"
                                + (refused ? "; as a value is required, the deletion is refused."
                                        : "; they become empty."),
                        List.of(),
                        List.of(new SuggestedChange("Refuse the deletion", new Change.AlterRelationship(reference.id(),
                                new RelationshipAspect.OnDelete(ReferentialAction.NO_ACTION))))));
            }
        }
    }
}
