package entaxis.core.review.indexes;

import entaxis.core.change.Change;
import entaxis.core.design.Entity;
import entaxis.core.design.Index;
import entaxis.core.design.Index.IndexPart;
import entaxis.core.design.KeyPart;
import entaxis.core.review.Basis;
import entaxis.core.review.EntityRule;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.schema.TableIndex;
import entaxis.core.word.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/** An index with the columns of another index or key, or with the first of them. */
public final class IndexTwice implements EntityRule {
    private static final RuleInfo INFO = new RuleInfo("index-twice", Family.INDEXES, Level.HINT, Basis.PRACTICE,
            "index that another one covers",
            "An index on the first columns of another one finds nothing that the other does not, and each write keeps "
                    + "both.",
            "common practice: an index on (a, b) serves searches on a");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        for (Index index : entity.indexes()) {
            List<KeyPart> parts = parts(index);
            List<List<KeyPart>> orders = new ArrayList<>(List.of(entity.primaryKey()));
            entity.alternateKeys().forEach(key -> orders.add(key.parts()));
            entity.indexes().stream()
                    .filter(other -> other != index && (parts(other).size() > parts.size()
                            || entity.indexes().indexOf(other) < entity.indexes().indexOf(index)))
                    .map(IndexTwice::parts).forEach(orders::add);
            boolean covered = orders.stream()
                    .anyMatch(order -> order.size() >= parts.size() && order.subList(0, parts.size()).equals(parts));
            if (covered && !index.unique()) {
                String columns = of.table(entity.id()).indexes().stream()
                        .filter(made -> made.name().equals(index.name())).findFirst()
                        .map(made -> made.columns().stream().map(TableIndex.IndexColumn::name)
                                .collect(Collectors.joining(", ")))
                        .orElse(Words.counted(parts.size(), "part"));
                found.accept(new Finding(INFO.id(), INFO.level(), List.of(of.about(entity)),
                        "An index of “" + entity.name() + "” (" + columns
                                + ") is covered by another index or key that begins with the same columns.",
                        List.of(), List.of(new SuggestedChange("Remove the index",
                                new Change.SetIndexes(entity.id(),
                                        entity.indexes().stream().filter(other -> other != index).toList())))));
            }
        }
    }

    private static List<KeyPart> parts(Index index) {
        return index.parts().stream().map(IndexPart::part).toList();
    }
}
