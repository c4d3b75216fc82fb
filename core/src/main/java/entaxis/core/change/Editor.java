package entaxis.core.change;

import entaxis.core.change.Outcome.Applied;
import entaxis.core.change.Outcome.Refused;
import entaxis.core.design.Design;

/** Applies edits to designs. */
public final class Editor {
    private Editor() { }

    /**
     * The design after an edit with the change that takes it back, or why it was refused. The given design stays as it
     * is.
     */
    public static Outcome apply(Design design, Change change) {
        EditStep step = step(design, change);
        return step.ok() ? new Applied(step.design(), Patch.between(step.design(), design))
                : new Refused(step.problems());
    }

    private static EditStep step(Design design, Change change) {
        return switch (change) {
            case Change.SetFacts edit -> SheetEdits.facts(design, edit);
            case Change.SetPaper edit -> SheetEdits.paper(design, edit);
            case Change.PlaceCards edit -> SheetEdits.place(design, edit);
            case Change.AddArea edit -> EntityEdits.area(design, edit.area(), true);
            case Change.AlterArea edit -> EntityEdits.area(design, edit.area(), false);
            case Change.RemoveArea edit -> EntityEdits.removeArea(design, edit.area());
            case Change.AddEntity edit -> EntityEdits.add(design, edit);
            case Change.RenameEntity edit -> EntityEdits.rename(design, edit);
            case Change.DescribeEntity edit -> EntityEdits.describe(design, edit);
            case Change.AssignArea edit -> EntityEdits.assign(design, edit);
            case Change.RemoveEntity edit -> EntityEdits.remove(design, edit.entity());
            case Change.AddAttributes edit -> AttributeEdits.add(design, edit);
            case Change.AlterAttribute edit -> AttributeEdits.alter(design, edit);
            case Change.RemoveAttribute edit -> AttributeEdits.remove(design, edit);
            case Change.SetKeys edit -> KeyEdits.set(design, edit);
            case Change.MoveMember edit -> KeyEdits.move(design, edit);
            case Change.AddRelationship edit -> RelationshipEdits.add(design, edit);
            case Change.AlterRelationship edit -> RelationshipEdits.alter(design, edit);
            case Change.SwapEnds edit -> RelationshipEdits.turn(design, edit.relationship());
            case Change.RemoveRelationship edit -> RelationshipEdits.remove(design, edit.relationship());
            case Change.AddRow edit -> RowEdits.add(design, edit.row());
            case Change.PutRow edit -> RowEdits.put(design, edit.row());
            case Change.Decide edit -> DecisionEdits.decide(design, edit.decision());
            case Change.Withdraw edit -> DecisionEdits.withdraw(design, edit.decision());
            case Change.RemoveRow edit -> RowEdits.remove(design, edit.row());
            case Change.PutType edit -> TypeEdits.put(design, edit.type());
            case Change.RemoveType edit -> TypeEdits.remove(design, edit.type());
            case Change.SetIndexes edit -> TableEdits.indexes(design, edit);
            case Change.SetChecks edit -> TableEdits.checks(design, edit);
            case Change.SetPartitions edit -> TableEdits.partitions(design, edit);
            case Change.AddSurrogateKey edit -> SurrogateEdits.give(design, edit);
            case Change.TakeAlternateKey edit -> SurrogateEdits.take(design, edit);
            case Change.MoveAttributes edit -> AttributeEdits.move(design, edit);
            case Change.Resolve edit -> ResolveEdits.resolve(design, edit);
            case Change.Dissolve edit -> ResolveEdits.dissolve(design, edit);
            case Change.PutCategory edit -> CategoryEdits.put(design, edit.category());
            case Change.RemoveCategory edit -> CategoryEdits.remove(design, edit.category());
            case Change.PutExclusion edit -> ExclusionEdits.put(design, edit.exclusion());
            case Change.RemoveExclusion edit -> ExclusionEdits.remove(design, edit.exclusion());
            case Change.PutAssumption edit -> AssumptionEdits.put(design, edit.assumption());
            case Change.RemoveAssumption edit -> AssumptionEdits.remove(design, edit.assumption());
            case Change.AddSheet edit -> SheetEdits.add(design, edit.sheet());
            case Change.AlterSheet edit -> SheetEdits.alter(design, edit);
            case Change.RemoveSheet edit -> SheetEdits.remove(design, edit.sheet());
            case Change.StateDependencies edit -> DependencyEdits.state(design, edit.dependencies());
            case Change.PutOpaque edit -> OpaqueEdits.put(design, edit.carried());
            case Change.RemoveOpaque edit -> OpaqueEdits.remove(design, edit.carried());
            case Change.Several edit -> {
                EditStep step = EditStep.done(design);
                for (Change part : edit.changes()) {
                    step = step.ok() ? step(step.design(), part) : step;
                }
                yield step;
            }
            case Patch patch -> patch.applyTo(design);
        };
    }
}
