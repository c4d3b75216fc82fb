package entaxis.core.review.indexes;

import entaxis.core.change.Change;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Index;
import entaxis.core.design.Index.IndexPart;
import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.Relationship;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.Remedy;
import entaxis.core.review.Reviewed;
import entaxis.core.review.Rule;
import entaxis.core.review.RuleInfo;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.word.Words;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** References that no key or index serves, on an engine that makes none by itself. */
public final class ReferenceWithoutIndex implements Rule {
    private static final RuleInfo INFO = new RuleInfo("reference-without-index", Family.INDEXES, Level.HINT, Basis.MANUAL, "reference without an index",
            "Without an index each deletion of a parent looks through the whole child table, and so does each join.",
            "PostgreSQL manual, 5.5.5: declaring a foreign key does not create an index on the referencing columns");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Reviewed of, Consumer<Finding> found) {
        if (of.dialect().indexesReferences()) {
            return;
        }
        Map<EntityId, List<Relationship>> bare = new LinkedHashMap<>();
        for (Entity entity : of.design().entities()) {
            Table table = of.table(entity.id());
            for (ForeignKey key : table.foreignKeys()) {
                if (!served(table, key.columns())) {
                    key.origin().flatMap(of.design().relationships()::find).ifPresent(reference -> bare.computeIfAbsent(entity.id(), any -> new ArrayList<>()).add(reference));
                }
            }
        }
        List<Relationship> all = bare.values().stream().flatMap(List::stream).toList();
        if (!all.isEmpty()) {
            List<Change> changes = bare.entrySet().stream().<Change>map(one -> new Change.SetIndexes(one.getKey(), Stream.concat(of.design().entities().get(one.getKey()).indexes().stream(),
                    one.getValue().stream().map(reference -> new Index("", false, List.of(new IndexPart(new InheritedPart(reference.id()), false))))).toList())).toList();
            found.accept(new Finding(INFO.id(), INFO.level(), all.stream().map(of::about).toList(), Words.counted(all.size(), "reference") + (all.size() == 1 ? " has" : " have")
                    + " no index; " + of.dialect().target().title() + " makes none by itself.", bare.entrySet().stream().map(one -> of.table(one.getKey()).name() + ": "
                    + one.getValue().stream().map(reference -> of.columns(reference).stream().map(Column::name).collect(Collectors.joining(", "))).collect(Collectors.joining("; "))).toList(),
                    List.of(new Remedy(all.size() == 1 ? "Index it" : "Index them all", new Change.Several(changes)))));
        }
    }

    /** Whether some key or index begins with the columns, in whatever order. */
    private static boolean served(Table table, List<String> columns) {
        List<List<String>> orders = new ArrayList<>(List.of(table.keyColumns()));
        table.uniqueKeys().forEach(key -> orders.add(key.columns()));
        table.indexes().forEach(index -> orders.add(index.columns().stream().map(TableIndex.IndexColumn::name).toList()));
        return orders.stream().anyMatch(order -> order.size() >= columns.size() && Set.copyOf(order.subList(0, columns.size())).equals(Set.copyOf(columns)));
    }
}
