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
import entaxis.core.type.SqlType;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Consumer;

/** A name or description with a fixed length. */
public final class FixedForVarying implements EntityRule {
    private static final RuleInfo INFO = new RuleInfo("fixed-for-varying", Family.TYPES, Level.CAUTION, Basis.PRACTICE,
            "fixed length for text that varies",
            "Fixed-length text is filled up with spaces, which comparisons and programs stumble over.",
            "common practice: CHAR for codes of one length, VARCHAR for text");
    private static final Set<String> TEXTS = Set.of("name", "title", "description", "address", "street", "city", "town",
            "remark", "note", "comment", "mail", "email", "url", "label");
    private static final int MIN_LENGTH = 5;

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        for (Attribute own : entity.attributes()) {
            if (of.plain(own.type()) instanceof CharacterType(Form form, OptionalInt length) && form == Form.FIXED
                    && length.orElse(1) >= MIN_LENGTH && Values.named(own, TEXTS)) {
                found.accept(Values.mistyped(INFO, of, entity, own,
                        "varies in length and is filled up to " + length.orElse(1) + " characters",
                        SqlType.varchar(length.orElse(1))));
            }
        }
    }
}
