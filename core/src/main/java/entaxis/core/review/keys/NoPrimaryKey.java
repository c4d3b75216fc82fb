package entaxis.core.review.keys;

import entaxis.core.change.Change;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Entity;
import entaxis.core.design.SqlName;
import entaxis.core.review.Basis;
import entaxis.core.review.EntityRule;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.word.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;

/** An entity whose table has no primary key. */
public final class NoPrimaryKey implements EntityRule {
    private static final RuleInfo INFO =
            new RuleInfo("no-primary-key", Family.KEYS, Level.CAUTION, Basis.THEORY, "no primary key",
            "A table without a key may hold the same row twice, and nothing can refer to its rows.",
            "E. F. Codd, A Relational Model of Data for Large Shared Data Banks, 1970, 1.3");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        if (of.table(entity.id()).primaryKey().isPresent()) {
            return;
        }
        List<SuggestedChange> remedies = new ArrayList<>();
        entity.alternateKeys()
                .forEach(key ->
                        remedies.add(new SuggestedChange("Make alternate key " + key.number() + " the primary key",
                new Change.TakeAlternateKey(entity.id(), key.number()))));
        String name = SqlName.of(entity.name()) + "_id";
        remedies.add(new SuggestedChange("Give it a generated key, " + name,
                new Change.AddSurrogateKey(entity.id(), new AttributeId(of.unused('a', "key" + entity.id().value())),
                        name)));
        String bare = of.table(entity.id()).columns().isEmpty() ? " and no attribute" : "";
        found.accept(new Finding(INFO.id(), INFO.level(), List.of(of.about(entity)), "“" + entity.name()
                + "” has no primary key" + bare
                + ": nothing tells one " + Words.inSentence(entity.name()) + " from another.", List.of(), remedies));
    }
}
