package entaxis.core.change;

import entaxis.core.change.Patch.EntitySwap;
import entaxis.core.change.Patch.TypeSwap;
import entaxis.core.design.Attribute;
import entaxis.core.design.Domain;
import entaxis.core.design.Entity;
import entaxis.core.design.NamedCheck;
import entaxis.core.design.NamedType;
import entaxis.core.expression.SingleExpression;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * That defaults, conditions and computations which an edit brings are single expressions. Asked when an edit comes in,
 * not when a journal is replayed: what was once
 * accepted stays readable.
 */
public final class ExpressionRules {
    private ExpressionRules() { }

    /** What is wrong with an expression that an edit brings, if anything. */
    public static Optional<Problem> fault(Change change) {
        return switch (change) {
            case Change.AlterAttribute edit -> fault(edit.aspect());
            case Change.AddAttributes edit -> first(edit.attributes().stream().map(added -> fault(added.attribute())));
            case Change.AddEntity edit -> fault(edit.entity());
            case Change.SetChecks edit -> first(edit.checks().stream().map(ExpressionRules::fault));
            case Change.PutType edit -> fault(edit.type());
            case Change.Several edit -> first(edit.changes().stream().map(ExpressionRules::fault));
            case Patch patch -> first(patch.swaps().stream().map(swap -> switch (swap) {
                case EntitySwap entity -> entity.becomes().flatMap(ExpressionRules::fault);
                case TypeSwap type -> type.becomes().flatMap(ExpressionRules::fault);
                default -> Optional.empty();
            }));
            default -> Optional.empty();
        };
    }

    private static Optional<Problem> first(Stream<Optional<Problem>> problems) {
        return problems.flatMap(Optional::stream).findFirst();
    }

    private static Optional<Problem> fault(AttributeAspect aspect) {
        return switch (aspect) {
            case AttributeAspect.Default(Optional<String> expression) -> fault(expression, "default", "The default");
            case AttributeAspect.Check(Optional<String> condition) -> fault(condition, "check", "The condition");
            case AttributeAspect.CheckAs(String name, Optional<String> condition) ->
                    fault(condition, "check", "The condition");
            case AttributeAspect.Generated(Optional<String> expression) ->
                    fault(expression, "default", "The computation");
            default -> Optional.empty();
        };
    }

    private static Optional<Problem> fault(Entity entity) {
        return first(Stream.concat(entity.attributes().stream().map(ExpressionRules::fault),
                entity.checks().stream().map(ExpressionRules::fault)));
    }

    private static Optional<Problem> fault(Attribute attribute) {
        return first(Stream.of(fault(attribute.defaultValue(), "value", "The default of “" + attribute.name() + "”"),
                fault(attribute.check(), "value", "The condition of “" + attribute.name() + "”"),
                fault(attribute.generated(), "value", "The computation of “" + attribute.name() + "”")));
    }

    private static Optional<Problem> fault(NamedCheck check) {
        return check.condition().isBlank() ? Optional.empty()
                : fault(Optional.of(check.condition()), "check", "The condition");
    }

    private static Optional<Problem> fault(NamedType type) {
        return type instanceof Domain domain ? first(List.of(fault(domain.defaultValue(), "value", "The default"),
                fault(domain.check(), "value", "The condition")).stream()) : Optional.empty();
    }

    private static Optional<Problem> fault(Optional<String> expression, String field, String what) {
        return expression.flatMap(SingleExpression::fault)
                .map(words -> new Problem(field, what + " is no single expression. " + words));
    }
}
