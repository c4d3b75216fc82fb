package entaxis.core.derive;

import entaxis.core.design.Design;
import entaxis.core.design.OwnerId;
import entaxis.core.design.RelationshipId;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;

/** The schema that follows from a design, and which table follows from what. */
public final class Derivation {
    private final Design source;
    private final CategoryMapper folding;
    private final Schema schema;
    private final SequencedMap<OwnerId, DerivedTable> tables = new LinkedHashMap<>();
    private final Map<QualifiedName, DerivedTable> byName;
    private final Optional<Derivation> asStated;
    private final PreviousTables made;

    private Derivation(Design source, CategoryMapper folding, PreviousTables made, Schema schema,
            Collection<DerivedTable> tables, Optional<Derivation> asStated) {
        this.made = made;
        this.source = source;
        this.folding = folding;
        this.schema = schema;
        this.asStated = asStated;
        tables.forEach(table -> this.tables.put(table.element(), table));
        this.byName = HashMap.newHashMap(tables.size());
        tables.forEach(table -> byName.put(table.table().qualifiedName(), table));
    }

    /** Derives the schema. A pure function of the design; runs in time linear in the columns that result. */
    public static Derivation of(Design design) {
        return make(design, Optional.empty());
    }

    /**
     * Derives the schema after an edit. Tables that came out the same are the very same objects as before, so that what
     * was made of them can be kept.
     */
    public static Derivation after(Derivation before, Design design) {
        return before.source.tablesAsIn(design)
                ? new Derivation(design, before.folding.over(design), before.made, before.schema,
                        before.tables.values(), before.asStated)
                : make(design, Optional.of(before));
    }

    private static Derivation make(Design design, Optional<Derivation> before) {
        CategoryMapper folding = CategoryMapper.of(design);
        Optional<Derivation> asStated = folding.design() == design ? Optional.empty()
                : Optional.of(
                        derived(design, CategoryMapper.none(design), before.map(Derivation::stated), Optional.empty()));
        return derived(design, folding, before, asStated);
    }

    private static Derivation derived(Design source, CategoryMapper folding, Optional<Derivation> before,
            Optional<Derivation> asStated) {
        Deriver deriver = new Deriver(folding.design(), before.map(earlier -> earlier.made.over(folding.design()))
                .orElseGet(() -> PreviousTables.none(folding.design())));
        List<DerivedTable> tables = new ArrayList<>();
        for (DerivedTable table : deriver.tables()) {
            Optional<DerivedTable> old =
                    before.flatMap(earlier -> earlier.derived(table.element())).filter(table::equals);
            tables.add(old.orElse(table));
        }
        return new Derivation(source, folding, deriver.made(),
                deriver.schema(tables), tables, asStated);
    }

    /** All types and tables, those of entities first. */
    public Schema schema() {
        return schema;
    }

    /** The design as it becomes tables: the same, unless kinds of an entity share a table with it or take its place. */
    public Design design() {
        return folding.design();
    }

    /** The relationship as stated that a relationship of {@link #design()} stands for. */
    public RelationshipId stated(RelationshipId relationship) {
        return folding.stated(relationship);
    }

    /**
     * What would follow if every entity had a table of its own: the design as the designer states it, with the columns
     * that relationships make.
     */
    public Derivation stated() {
        return asStated.orElse(this);
    }

    /**
     * The table of an entity or many-to-many; none for other relationships, and for entities whose facts stand in other
     * tables.
     */
    public Optional<Table> table(OwnerId owner) {
        return derived(owner).map(DerivedTable::table);
    }

    /** The table of an entity or many-to-many, with what its parts come from. */
    public Optional<DerivedTable> derived(OwnerId owner) {
        return Optional.ofNullable(tables.get(owner));
    }

    /** The table of a name, with what it and its parts come from; nothing if there is none. */
    public Optional<DerivedTable> derived(QualifiedName table) {
        return Optional.ofNullable(byName.get(table));
    }

    /** The tables by what they come from, those of entities first. */
    public SequencedMap<OwnerId, DerivedTable> tables() {
        return Collections.unmodifiableSequencedMap(tables);
    }
}
