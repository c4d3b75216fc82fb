package entaxis.core.review.relationships;

import entaxis.core.change.Change;
import entaxis.core.change.RelationshipAspect;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Reviewed;
import entaxis.core.review.Rule;
import entaxis.core.review.RuleInfo;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.sql.CascadePaths;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;

/** Actions that reach one table by several ways, where the engine refuses that. */
public final class SeveralCascades implements Rule {
    private static final RuleInfo INFO = new RuleInfo("cascade-paths", Family.RELATIONSHIPS, Level.CAUTION,
            Basis.MANUAL,
            "several ways of carrying a deletion on",
            "The engine refuses a second way to the same table, so that the script refuses the deletion there instead "
                    + "of carrying it on.",
            "SQL Server documentation, “Primary and foreign key constraints”, cascading referential integrity");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Reviewed of, Consumer<Finding> found) {
        if (!of.dialect().refusesSecondCascade()) {
            return;
        }
        Set<ForeignKey> refused = CascadePaths.refused(of.derivation().stated().schema().tables());
        of.derivation().stated().tables().values().forEach(table -> table.table().foreignKeys().stream()
                .filter(refused::contains).forEach(key -> table.relationship(key)
                .flatMap(of.design().relationships()::find)
                .ifPresent(reference -> found.accept(INFO.found(List.of(of.about(reference)),
                        "A deletion or change reaches “" + of.name(reference.childEntity().orElseThrow())
                                + "” by several ways; " + of.dialect().target()
                                        .title()
                                + " allows one, and refuses this one.",
                        List.of("from " + key.referencedTable()),
                        List.of(new SuggestedChange("Refuse the deletion here", new Change.Several(List.of(
                                new Change.AlterRelationship(reference.id(),
                                        new RelationshipAspect.OnDelete(ReferentialAction.NO_ACTION)),
                                new Change.AlterRelationship(reference.id(),
                                        new RelationshipAspect.OnUpdate(ReferentialAction.NO_ACTION)))))))))));
    }
}
