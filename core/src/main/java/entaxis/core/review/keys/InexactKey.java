package entaxis.core.review.keys;

import entaxis.core.design.AttributeId;
import entaxis.core.design.Entity;
import entaxis.core.design.KeyPart.OwnPart;
import entaxis.core.design.KeyPart;
import entaxis.core.review.Basis;
import entaxis.core.review.EntityRule;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.sql.LossReport;
import entaxis.core.type.SqlType.BinaryType;
import entaxis.core.type.SqlType.CharacterType;
import entaxis.core.type.SqlType.FloatType;
import entaxis.core.type.SqlType.Form;
import entaxis.core.type.SqlType.JsonType;
import entaxis.core.type.SqlType.TimestampType;
import entaxis.core.type.SqlType;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Consumer;

/** A key that is made of approximate numbers, moments or unbounded text. */
public final class InexactKey implements EntityRule {
    private static final RuleInfo INFO = new RuleInfo("inexact-key", Family.KEYS, Level.CAUTION, Basis.PRACTICE,
            "inexact key",
            "Approximate numbers and moments are hardly ever equal to what was meant, and long texts are refused or "
                    + "cut in an index.",
            "common practice");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        Set<KeyPart> parts = new LinkedHashSet<>(entity.primaryKey());
        entity.alternateKeys().forEach(key -> parts.addAll(key.parts()));
        for (KeyPart part : parts) {
            if (part instanceof OwnPart(AttributeId id)) {
                entity.attribute(id).ifPresent(own -> inexact(of, of.plain(own.type()))
                        .ifPresent(what -> found.accept(new Finding(INFO.id(), INFO.level(),
                                List.of(of.about(entity, own)),
                                "“" + own.name() + "” is part of a key of “" + entity.name() + "” and is " + what + ".",
                        List.of(of.design().text(own.type())), List.of()))));
            }
        }
    }

    private static Optional<String> inexact(Reviewed of, SqlType type) {
        // engines that index long texts whole have them in keys as a matter of course
        boolean cut = of.design().definition(type).isEmpty() && !of.dialect().held(type, true, LossReport.IGNORED)
                .equals(of.dialect().held(type, false, LossReport.IGNORED));
        return switch (type) {
            case FloatType any -> Optional.of("an approximate number, which is hardly ever equal to another");
            case TimestampType any -> Optional.of("a moment, which is hardly ever equal to another");
            case CharacterType(Form form, OptionalInt length) when form == Form.LARGE && cut ->
                    Optional.of("text without a limit, which engines do not index whole");
            case BinaryType(Form form, OptionalInt length) when form == Form.LARGE && cut ->
                    Optional.of("binary data without a limit");
            case JsonType any -> Optional.of("a document");
            default -> Optional.empty();
        };
    }
}
