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
import entaxis.core.type.SqlType.CharacterType;
import entaxis.core.type.SqlType.Form;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Consumer;

/** A short code that may be of any length. */
public final class VaryingForFixed implements EntityRule {
    private static final RuleInfo INFO = new RuleInfo("varying-for-fixed", Family.TYPES, Level.HINT, Basis.PRACTICE,
            "varying length for a fixed code",
            "A code of one length is best held to it: then half of a code is refused.",
            "common practice: two-letter codes are CHAR(2)");
    private static final Set<String> CODES = Set.of("code", "country", "currency", "language", "iso");
    private static final int MAX_LENGTH = 3;

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        for (Attribute own : entity.attributes()) {
            if (of.plain(own.type()) instanceof CharacterType(Form form, OptionalInt length) && form == Form.VARYING
                    && length.isPresent() && length.getAsInt() <= MAX_LENGTH
                    && Values.named(own, CODES)) {
                found.accept(Values.mistyped(INFO, of, entity, own,
                        "looks like a code of " + length.getAsInt() + " letters and may be shorter",
                        new CharacterType(Form.FIXED, length)));
            }
        }
    }
}
