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
import entaxis.core.type.SqlType;
import entaxis.core.type.SqlType.CharacterType;
import entaxis.core.type.SqlType.Form;
import java.util.List;
import java.util.Locale;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Consumer;

/** A name or description with a fixed length. */
public final class FixedForVarying implements EntityRule {
    private static final RuleInfo INFO = new RuleInfo("fixed-for-varying", Level.CAUTION, Basis.PRACTICE, "fixed length for text that varies",
            "Fixed-length text is filled up with spaces, which comparisons and programs stumble over.",
            "common practice: CHAR for codes of one length, VARCHAR for text");
    private static final Set<String> TEXTS = Set.of("name", "title", "description", "address", "street", "city", "town", "remark", "note", "comment", "mail", "email", "url", "label");
    private static final int SHORTEST = 5;

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        for (Attribute own : entity.attributes()) {
            boolean varies = Naming.words(own.name()).stream().map(word -> word.toLowerCase(Locale.ROOT)).anyMatch(TEXTS::contains);
            if (varies && of.plain(own.type()) instanceof CharacterType(Form form, OptionalInt length) && form == Form.FIXED && length.orElse(1) >= SHORTEST) {
                found.accept(new Finding(INFO.id(), INFO.level(), List.of(of.about(entity, own)), "“" + own.name() + "” of “" + entity.name()
                        + "” varies in length and is filled up to " + length.orElse(1) + " characters.", List.of(of.design().text(own.type())), Values.retyped(of, entity, own,
                        SqlType.varchar(length.orElse(1)))));
            }
        }
    }
}
