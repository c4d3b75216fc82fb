package entaxis.core.review.keys;

import entaxis.core.change.Change;
import entaxis.core.design.Entity;
import entaxis.core.design.Index.IndexPart;
import entaxis.core.design.Index;
import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.Relationship;
import entaxis.core.review.Basis;
import entaxis.core.review.EntityRule;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.review.indexes.ServedColumns;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Table;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/** A composite key or index that holds the columns of a reference behind others, where nothing serves them. */
public final class KeyOrder implements EntityRule {
    private static final RuleInfo INFO = new RuleInfo("key-order", Family.KEYS, Level.HINT, Basis.PRACTICE,
            "key in the wrong order for a reference",
            "An index on (a, b) finds rows by a, and not by b alone: each search by the reference reads the whole "
                    + "table.",
            "common practice; PostgreSQL manual, 11.3: multicolumn indexes serve conditions on their leading columns");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        Table table = of.table(entity.id());
        if (table.foreignKeys().isEmpty() || of.dialect().indexesReferences()) {
            return;
        }
        List<List<String>> orders = ServedColumns.orders(table);
        for (ForeignKey key : table.foreignKeys()) {
            Optional<List<String>> behind =
                    ServedColumns.served(orders, key.columns()) ? Optional.empty()
                            : orders.stream().filter(
                                    order -> order.size() > key.columns().size() && order.containsAll(key.columns()))
                                    .findFirst();
            Optional<Relationship> reference = of.reference(entity.id(), key);
            if (behind.isPresent() && reference.isPresent()) {
                List<Index> indexes = new ArrayList<>(entity.indexes());
                indexes.add(
                        new Index("", false, List.of(new IndexPart(new InheritedPart(reference.get().id()), false))));
                found.accept(INFO.found(List.of(of.about(reference.get()), of.about(entity)),
                        "“" + entity.name() + "” is searched by "
                                + String.join(", ", key.columns())
                                + ", which stands behind other columns in its key or index ("
                                + String.join(", ", behind.get()) + ").",
                        List.of("nothing begins with " + String.join(", ", key.columns())),
                        List.of(new SuggestedChange("Index " + String.join(", ", key.columns()),
                                new Change.SetIndexes(entity.id(), indexes)))));
            }
        }
    }
}
