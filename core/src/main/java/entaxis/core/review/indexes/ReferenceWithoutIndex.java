package entaxis.core.review.indexes;

import entaxis.core.change.Change;
import entaxis.core.derive.DerivedColumn;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Index.IndexPart;
import entaxis.core.design.Index;
import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.review.About;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.GatheringRule;
import entaxis.core.review.Level;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.schema.Table;
import entaxis.core.word.Words;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** References that no key or index serves, on an engine that makes none by itself. */
public final class ReferenceWithoutIndex implements GatheringRule<ReferenceWithoutIndex.Bare> {
    private static final RuleInfo INFO = new RuleInfo("reference-without-index", Family.INDEXES, Level.HINT,
            Basis.MANUAL, "reference without an index",
            "Without an index each deletion of a parent looks through the whole child table, and so does each join.",
            "PostgreSQL manual, 5.5.5: declaring a foreign key does not create an index on the referencing columns");

    /** References of an entity that nothing serves. */
    record Bare(EntityId entity, List<Index> indexes, List<RelationshipId> references, List<About> about,
            String columns) { }

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public Optional<Bare> gather(Entity entity, Reviewed of) {
        Table table = of.table(entity.id());
        if (table.foreignKeys().isEmpty() || of.dialect().indexesReferences()) {
            return Optional.empty();
        }
        List<List<String>> orders = ServedColumns.orders(table);
        List<Relationship> bare = table.foreignKeys().stream().filter(
                key -> orders.stream().noneMatch(order -> order.containsAll(key.columns())))
                .flatMap(key -> of.reference(entity.id(), key).stream()).toList();
        return bare
                .isEmpty()
                        ? Optional.empty()
                        : Optional.of(
                                new Bare(entity.id(), entity.indexes(), bare.stream().map(Relationship::id).toList(),
                                        bare.stream().map(of::about).toList(),
                                        table.name() + ": " + bare.stream().map(reference -> of.columns(reference)
                                                .stream().map(DerivedColumn::name)
                .collect(Collectors.joining(", "))).collect(Collectors.joining("; "))));
    }

    @Override
    public void conclude(Stream<Bare> gathered, Reviewed of, Consumer<Finding> found) {
        List<Bare> bare = gathered.toList();
        List<About> all = bare.stream().flatMap(one -> one.about().stream()).toList();
        if (!all.isEmpty()) {
            List<Change> changes =
                    bare.stream()
                            .<Change>map(
                                    one -> new Change.SetIndexes(one.entity(), Stream
                                            .concat(one.indexes().stream(), one.references().stream()
                                                    .map(reference -> new Index("", false, List
                                                            .of(new IndexPart(new InheritedPart(reference), false)))))
                                            .toList()))
                            .toList();
            found.accept(INFO.found(all,
                    Words.counted(all.size(), "reference") + (all.size() == 1 ? " has" : " have") + " no index; "
                            + of.dialect().target().title() + " makes none by itself.",
                    bare.stream().map(Bare::columns).toList(),
                    List.of(new SuggestedChange(all.size() == 1 ? "Index it" : "Index them all",
                            new Change.Several(changes)))));
        }
    }
}
