package entaxis.core.normalize;

import entaxis.core.dependency.AttributeSet;
import entaxis.core.dependency.Dependency;
import entaxis.core.dependency.Dependency.Functional;
import entaxis.core.dependency.Dependency.Multivalued;
import entaxis.core.dependency.Relation;
import entaxis.core.dependency.Rows;
import entaxis.core.derive.Derivation;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.SampleRow;
import entaxis.core.design.StatedDependencies;
import entaxis.core.design.StatedDependencies.Stated;
import entaxis.core.schema.Column;
import entaxis.core.schema.Table;
import entaxis.core.schema.UniqueKey;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * An entity's table as a relation: its columns, those that relationships bring included, and what is known of them.
 *
 * @param relation columns with the dependencies that the keys are, and those that are stated
 * @param paths    where each column comes from
 * @param key      the primary key; empty while none is chosen
 * @param byKeys   how many of the relation's functional dependencies, the first ones, come from keys
 * @param samples  the sample rows in order; a value left out is an empty text among the {@code rows}
 */
public record EntityRelation(Entity entity, Relation relation, List<ColumnPath> paths, AttributeSet key, int byKeys,
        Rows rows, List<SampleRow> samples) {
    /** The relation of an entity, as stated in the design. */
    public static EntityRelation of(Design design, Derivation derivation, EntityId id) {
        DerivedTable derived = derivation.stated().derived(id).orElseThrow();
        Table table = derived.table();
        List<String> names = table.columns().stream().map(Column::name).toList();
        List<ColumnPath> paths = derived.paths();
        AttributeSet all = AttributeSet.first(names.size());
        List<Functional> functional = new ArrayList<>();
        AttributeSet key = table.primaryKey().map(primary -> set(names, primary.columns())).orElse(AttributeSet.none());
        if (!key.isEmpty()) {
            functional.add(new Functional(key, all.minus(key)));
        }
        for (UniqueKey unique : table.uniqueKeys()) {
            AttributeSet set = set(names, unique.columns());
            // a key whose parts may be null identifies nothing where they are
            if (table.columns().stream().filter(column -> unique.columns().contains(column.name()))
                    .allMatch(Column::required)) {
                functional.add(new Functional(set, all.minus(set)));
            }
        }
        List<SampleRow> samples = design.rows().stream().filter(row -> row.table().equals(id)).toList();
        Rows rows = Rows.of(names, samples.stream()
                .map(row -> paths.stream().map(path -> row.values().getOrDefault(path, "")).toList()).toList());
        Entity entity = design.entities().get(id);
        EntityRelation byItsKeys = new EntityRelation(entity, new Relation(entity.name(), names, functional, List.of()),
                paths, key, functional.size(), rows, samples);
        return byItsKeys.stating(design.dependencies().find(id).map(StatedDependencies::stated).orElse(List.of()));
    }

    /** The same table and rows with other dependencies stated. */
    public EntityRelation stating(List<Stated> stated) {
        List<Functional> functional = new ArrayList<>(relation.functional().subList(0, byKeys));
        List<Multivalued> multivalued = new ArrayList<>();
        stated.forEach(one -> of(one).ifPresent(dependency -> add(dependency, functional, multivalued)));
        return new EntityRelation(entity, new Relation(relation.name(), relation.attributes(), functional, multivalued),
                paths, key, byKeys, rows, samples);
    }

    private static void add(Dependency dependency, List<Functional> functional, List<Multivalued> multivalued) {
        switch (dependency) {
            case Functional plain -> functional.add(plain);
            case Multivalued many -> multivalued.add(many);
        }
    }

    private static AttributeSet set(List<String> names, List<String> columns) {
        return AttributeSet.of(columns.stream().mapToInt(names::indexOf).toArray());
    }

    private static Optional<Dependency> dependency(List<ColumnPath> paths, Stated stated) {
        int[] left = stated.determinant().stream().mapToInt(paths::indexOf).toArray();
        int[] right = stated.dependent().stream().mapToInt(paths::indexOf).toArray();
        for (int place : left) {
            if (place < 0) {
                return Optional.empty();
            }
        }
        for (int place : right) {
            if (place < 0) {
                return Optional.empty();
            }
        }
        return Optional.of(stated.many() ? new Multivalued(AttributeSet.of(left), AttributeSet.of(right))
                : new Functional(AttributeSet.of(left), AttributeSet.of(right)));
    }

    /** What a statement of the design says of these columns, if they are all there. */
    public Optional<Dependency> of(Stated stated) {
        return dependency(paths, stated);
    }

    /** A dependency as the design holds it. */
    public Stated stated(Dependency dependency) {
        return new Stated(dependency instanceof Multivalued, paths(dependency.determinant()),
                paths(dependency.dependent()));
    }

    private List<ColumnPath> paths(AttributeSet set) {
        return set.members().stream().map(paths::get).toList();
    }

    /** The stated dependencies in textbook notation, one a line. */
    public List<String> lines() {
        List<String> lines = new ArrayList<>();
        relation.functional().stream().skip(byKeys).map(relation::text).forEach(lines::add);
        relation.multivalued().stream().map(relation::text).forEach(lines::add);
        return lines;
    }
}
