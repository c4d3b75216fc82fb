package entaxis.core.review.types;

import entaxis.core.design.Attribute;
import entaxis.core.design.Entity;
import entaxis.core.review.Basis;
import entaxis.core.review.EntityRule;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.review.Values;
import entaxis.core.type.SqlType.DecimalType;
import entaxis.core.type.SqlType.FloatType;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Consumer;

/** An amount of money in an approximate type. */
public final class InexactMoney implements EntityRule {
    private static final RuleInfo INFO =
            new RuleInfo("inexact-money", Family.TYPES, Level.CAUTION, Basis.PRACTICE, "inexact money",
            "Sums of money in approximate numbers are off by cents.",
            "ISO/IEC 9075-2, 4.4: approximate numeric types; common practice: money is exact");
    private static final Set<String> MONEY = Set.of("price", "amount", "cost", "salary", "wage", "fee", "balance",
            "payment", "charge", "tax", "discount", "revenue",
            "budget", "rent");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        for (Attribute own : entity.attributes()) {
            if (of.plain(own.type()) instanceof FloatType && Values.named(own, MONEY)) {
                found.accept(Values.mistyped(INFO, of, entity, own, "looks like money and is an approximate number",
                        new DecimalType(OptionalInt.of(12), OptionalInt.of(2))));
            }
        }
    }
}
