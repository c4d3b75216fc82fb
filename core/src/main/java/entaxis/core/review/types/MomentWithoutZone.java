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
import entaxis.core.type.SqlType.TimestampType;
import java.util.OptionalInt;
import java.util.function.Consumer;

/** A date and time without time zone. */
public final class MomentWithoutZone implements EntityRule {
    private static final RuleInfo INFO = new RuleInfo("moment-without-zone", Family.TYPES, Level.HINT, Basis.PRACTICE,
            "moment without a time zone",
            "A moment without its zone means another moment wherever the clock is set otherwise, and twice a year is "
                    + "not told apart.",
            "common practice; ISO/IEC 9075-2, 4.6.2");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        for (Attribute own : entity.attributes()) {
            if (of.plain(own.type()) instanceof TimestampType(OptionalInt precision, boolean zoned) && !zoned
                    && own.type() instanceof TimestampType) {
                found.accept(Values.mistyped(INFO, of, entity, own,
                        "is a date and time without a time zone, so that it is not told when exactly it was",
                        new TimestampType(precision, true)));
            }
        }
    }
}
