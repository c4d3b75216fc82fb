package entaxis.core.review.types;

import entaxis.core.design.Attribute;
import entaxis.core.design.Entity;
import entaxis.core.design.Naming;
import entaxis.core.review.Basis;
import entaxis.core.review.EntityRule;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.review.Values;
import entaxis.core.type.SqlType.DecimalType;
import entaxis.core.type.SqlType.FloatType;
import java.util.List;
import java.util.Locale;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Consumer;

/** An amount of money in an approximate type. */
public final class InexactMoney implements EntityRule {
    private static final RuleInfo INFO = new RuleInfo("inexact-money", Level.CAUTION, Basis.PRACTICE, "inexact money",
            "Sums of money in approximate numbers are off by cents.",
            "ISO/IEC 9075-2, 4.4: approximate numeric types; common practice: money is exact");
    private static final Set<String> MONEY = Set.of("price", "amount", "cost", "salary", "wage", "fee", "balance", "payment", "charge", "tax", "discount", "revenue",
            "budget", "rent");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        for (Attribute own : entity.attributes()) {
            boolean money = Naming.words(own.name()).stream().map(word -> word.toLowerCase(Locale.ROOT)).anyMatch(MONEY::contains);
            if (money && of.plain(own.type()) instanceof FloatType) {
                found.accept(new Finding(INFO.id(), INFO.level(), List.of(of.about(entity, own)), "“" + own.name() + "” of “" + entity.name()
                        + "” looks like money and is an approximate number.", List.of(of.design().text(own.type())), Values.retyped(of, entity, own,
                        new DecimalType(OptionalInt.of(12), OptionalInt.of(2)))));
            }
        }
    }
}
