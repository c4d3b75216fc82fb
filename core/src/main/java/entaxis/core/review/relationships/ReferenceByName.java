package entaxis.core.review.relationships;

import entaxis.core.change.Change;
import entaxis.core.change.RelationshipAspect;
import entaxis.core.derive.DerivedColumn;
import entaxis.core.derive.ForeignNames;
import entaxis.core.design.Attribute;
import entaxis.core.design.Cardinality;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.End;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.SampleRow;
import entaxis.core.design.Side;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.GatheringRule;
import entaxis.core.review.Level;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.schema.Column;
import entaxis.core.schema.Identity;
import entaxis.core.word.Words;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Stream;

/** An attribute that is called and typed like the key of another entity, without a relationship between the two. */
public final class ReferenceByName implements GatheringRule<ReferenceByName.Names> {
    private static final RuleInfo INFO = new RuleInfo("reference-by-name", Family.RELATIONSHIPS, Level.CAUTION,
            Basis.PRACTICE, "reference that nobody drew",
            "An attribute that repeats another entity’s key without a relationship lets values in that refer to "
                    + "nothing.",
            "common practice");

    /**
     * How others would call a reference to an entity, and its own attributes by the names of their columns.
     *
     * @param called  empty if nothing can refer to it by one column
     * @param related the entities that it has a relationship with
     */
    record Names(Entity entity, Set<String> called, Map<String, Attribute> own, Optional<Column> key,
            Set<EntityId> related, List<SampleRow> rows) { }

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public Optional<Names> gather(Entity entity, Reviewed of) {
        Map<String, Attribute> own = new LinkedHashMap<>();
        for (DerivedColumn column : of.derived(entity.id()).columns()) {
            Optional.of(column.path()).filter(path -> !path.migrated())
                    .flatMap(path -> entity.attribute(path.attribute()))
                    .filter(one -> one.identity() == Identity.NONE && one.generated().isEmpty())
                    .ifPresent(one -> own.put(column.name(), one));
        }
        Set<EntityId> related = new HashSet<>();
        of.relationships(entity.id())
                .forEach(one -> related.addAll(List.of(one.first().entity(), one.second().entity())));
        Optional<Column> key = key(of, entity).map(DerivedColumn::column);
        return Optional.of(new Names(entity, key.map(column -> called(of, entity, column)).orElse(Set.of()), own, key,
                related, of.rows(entity.id())));
    }

    @Override
    public void conclude(Stream<Names> gathered, Reviewed of, Consumer<Finding> found) {
        List<Names> all = gathered.toList();
        Map<String, Entity> keys = new HashMap<>();
        Set<String> twice = new HashSet<>();
        all.forEach(one -> one.called().forEach(name -> {
            if (keys.putIfAbsent(name, one.entity()) != null) {
                twice.add(name);
            }
        }));
        keys.keySet().removeAll(twice);
        for (Names one : all) {
            one.own().forEach((name, attribute) -> {
                Entity parent = keys.get(name);
                if (parent != null && refers(of, one.entity(), attribute, parent)) {
                    found.accept(finding(of, one.entity(), attribute, parent));
                }
            });
        }
    }

    /** The only column of an entity's key, if it is the entity's own. */
    private static Optional<DerivedColumn> key(Reviewed of, Entity entity) {
        List<DerivedColumn> key = of.derived(entity.id()).key();
        return key.size() == 1 ? Optional.of(key.getFirst()).filter(column -> !column.migrated())
                : Optional.empty();
    }

    /** How others would call a reference to an entity. */
    private static Set<String> called(Reviewed of, Entity entity, Column key) {
        String table = Words.singular(of.table(entity.id()).name());
        Set<String> names = new LinkedHashSet<>(List.of(table + "_" + key.name()));
        if (ForeignNames.tells(key.name(), table)) {
            names.add(key.name());
        }
        return names;
    }

    private static boolean refers(Reviewed of, Entity entity, Attribute own, Entity parent) {
        Optional<Column> key = key(of, parent).map(DerivedColumn::column);
        boolean joined =
                of.relationships(entity.id()).stream().anyMatch(relationship -> relationship.touches(parent.id()));
        return !entity.equals(parent) && !joined
                && key.filter(column -> column.type().equals(of.column(entity.id(), own).type())).isPresent();
    }

    private static Finding finding(Reviewed of, Entity entity, Attribute own, Entity parent) {
        return new Finding(INFO.id(), INFO.level(), List.of(of.about(entity, own), of.about(parent)),
                "“" + own.name() + "” of “" + entity.name()
                        + "” is called and typed like the key of “" + parent.name()
                        + "”, but there is no relationship between the two.",
                List.of("key of " + parent.name() + ": " + key(of, parent).orElseThrow().name()),
                List.of(new SuggestedChange("Make it a relationship to " + parent.name(), drawn(of, entity, own,
                        parent))));
    }

    /** The attribute gives way to the column of a relationship, under its name and with its values. */
    private static Change drawn(Reviewed of, Entity entity, Attribute own, Entity parent) {
        RelationshipId id = new RelationshipId(of.unused('r', own.id().value()));
        ColumnPath key = key(of, parent).map(DerivedColumn::path).orElseThrow();
        ColumnPath migrated = key.over(id, Side.FIRST);
        List<Change> changes = new ArrayList<>();
        List<SampleRow> moved = of.rows(entity.id()).stream()
                .filter(row -> row.values().containsKey(ColumnPath.own(own.id()))).toList();
        moved.forEach(row -> changes.add(new Change.RemoveRow(row.id())));
        changes.add(new Change.RemoveAttribute(entity.id(), own.id()));
        changes.add(new Change.AddRelationship(Relationship.between(id,
                End.of(parent.id(), own.required() ? Cardinality.EXACTLY_ONE : Cardinality.ZERO_OR_ONE, End.HAS),
                End.of(entity.id(), Cardinality.ZERO_OR_MORE, End.BELONGS_TO)), entity.inKey(own.id())));
        changes.add(new Change.AlterRelationship(id, new RelationshipAspect.ColumnName(Side.FIRST, key, own.name())));
        moved.forEach(row -> {
            Map<ColumnPath, String> values = new HashMap<>(row.values());
            values.put(migrated, values.remove(ColumnPath.own(own.id())));
            changes.add(new Change.AddRow(new SampleRow(row.id(), row.table(), values)));
        });
        return new Change.Several(changes);
    }
}
