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
import entaxis.core.schema.Identity;
import entaxis.core.type.SqlType.DecimalType;
import entaxis.core.type.SqlType.IntegerSize;
import entaxis.core.type.SqlType.IntegerType;
import entaxis.core.type.SqlType;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Consumer;

/** A phone, postal or serial number that is stored as a number. */
public final class NumberForCode implements EntityRule {
    private static final RuleInfo INFO =
            new RuleInfo("number-for-code", Family.TYPES, Level.HINT, Basis.PRACTICE, "number for a code",
            "A number loses leading zeros, plus signs and hyphens, and nobody adds codes up.",
            "common practice: codes with leading zeros and phone numbers are character strings");
    private static final Set<String> CODES = Set.of("phone", "telephone", "tel", "fax", "mobile", "zip", "postcode",
            "postal", "isbn", "issn", "iban", "ean", "vat", "barcode");
    private static final Set<String> SERIAL = Set.of("serial");
    private static final Set<String> NUMBER = Set.of("number", "no");
    private static final int LENGTH = 20;

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        for (Attribute own : entity.attributes()) {
            boolean number = switch (of.plain(own.type())) {
                case IntegerType(IntegerSize size, boolean unsigned) -> size.bytes() >= IntegerSize.INTEGER.bytes();
                case DecimalType(OptionalInt precision, OptionalInt scale) -> scale.orElse(0) == 0;
                default -> false;
            };
            if (number && own.identity() == Identity.NONE && code(own)) {
                found.accept(Values.mistyped(INFO, of, entity, own,
                        "is a code and is stored as a number: leading zeros and signs in it are lost",
                        SqlType.varchar(LENGTH)));
            }
        }
    }

    /** Whether it is called like a code. A serial alone counts changes; a serial number is painted on something. */
    private static boolean code(Attribute own) {
        return Values.named(own, CODES) || Values.named(own, SERIAL) && Values.named(own, NUMBER);
    }
}
