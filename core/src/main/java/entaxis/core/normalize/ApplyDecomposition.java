package entaxis.core.normalize;

import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome;
import entaxis.core.change.Patch;
import entaxis.core.change.Problem;
import entaxis.core.dependency.AttributeSet;
import entaxis.core.dependency.Dependency.Functional;
import entaxis.core.dependency.Evidence;
import entaxis.core.dependency.Join;
import entaxis.core.dependency.MinimalCover;
import entaxis.core.design.AlternateKey;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Cardinality;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.End;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Exclusion;
import entaxis.core.design.Fresh;
import entaxis.core.design.Index;
import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.KeyPart.OwnPart;
import entaxis.core.design.KeyPart;
import entaxis.core.design.Member;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Side;
import entaxis.core.design.StatedDependencies;
import entaxis.core.normalize.Remedy.Piece;
import entaxis.core.schema.Identity;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Carries a remedy out on the design, as one edit: new entities get what their pieces hold, the entity keeps the rest
 * and refers to them, its relationships go where their columns go, sample rows are split, and everything that named a
 * column finds it at its new place. Refused, with the reason, where rows or other elements forbid it.
 */
public final class ApplyDecomposition {
    /** A change, or why there is none. */
    public sealed interface Result {
        /**
         * The edit, the design after it, and the entities that it makes.
         *
         * @param remarks what the new entities cannot say of each other, in sentences
         */
        record Ready(Design after, Change change, List<EntityId> made, List<String> remarks) implements Result {
            /** Without anything left to say. */
            public Ready(Design after, Change change, List<EntityId> made) {
                this(after, change, made, List.of());
            }
        }

        /** Nothing can be done, for this reason. */
        record Refused(Problem problem) implements Result { }
    }

    /** A reference from one piece to another. */
    private record Reference(int from, int to, RelationshipId id) { }

    /** A column of a piece that stands in another piece too, with no reference between them. */
    private record Shared(int piece, int column) { }

    static final class Impossible extends RuntimeException {
        private static final long serialVersionUID = 1;

        Impossible(String message) {
            super(message, null, false, false);
        }
    }

    private final Design design;
    private final Remedy remedy;
    private final EntityRelation about;
    private final List<Piece> pieces;
    private final Fresh fresh;
    private final List<EntityId> ids = new ArrayList<>();
    private final List<Reference> references = new ArrayList<>();
    private final List<String> remarks = new ArrayList<>();
    private final Map<Shared, AttributeId> copies = new HashMap<>();
    private final Map<RelationshipId, Integer> movedTo = new HashMap<>();

    private ApplyDecomposition(Design design, Remedy remedy, Fresh fresh) {
        this.design = design;
        this.remedy = remedy;
        this.about = remedy.about();
        this.pieces = remedy.pieces();
        this.fresh = fresh;
    }

    /** The edit that carries a remedy out. Linear in the design and in its rows. */
    public static Result of(Design design, Remedy remedy, Fresh fresh) {
        ApplyDecomposition run = new ApplyDecomposition(design, remedy, fresh);
        try {
            run.checkRows();
            Design next = run.next();
            Optional<Problem> fault = run.names(next);
            return fault.<Result>map(Result.Refused::new)
                    .orElseGet(() -> new Result.Ready(next, Patch.between(design, next),
                    run.ids.stream().filter(id -> !id.equals(run.about.entity().id())).toList(), run.remarks));
        } catch (Impossible e) {
            return new Result.Refused(new Problem("", e.getMessage()));
        }
    }

    private void checkRows() {
        if (pieces.size() < 2) {
            throw new Impossible("There is nothing to take apart.");
        }
        for (Piece piece : pieces) {
            Functional byKey = new Functional(piece.key(), piece.attributes().minus(piece.key()));
            Evidence evidence = Evidence.of(about.rows(), byKey);
            if (!evidence.agrees()) {
                Evidence.Contradiction rows = evidence.breaking().getFirst();
                throw new Impossible("Rows " + (rows.usual() + 1) + " and " + (rows.other() + 1) + " contradict "
                        + about.relation().text(byKey)
                        + ": one of the two facts would be lost. Correct the rows, or the dependency, first.");
            }
        }
        if (!remedy.decomposition().lossless()
                || !Join.restores(about.rows(), pieces.stream().map(Piece::attributes).toList())) {
            throw new Impossible("The pieces do not join back to the same rows, so nothing was changed.");
        }
    }

    /** The rules for names, asked of each new entity by renaming it to what it is called. */
    private Optional<Problem> names(Design next) {
        for (int i = 0; i < pieces.size(); i++) {
            if (i != remedy.keeper() && Editor.apply(next,
                    new Change.RenameEntity(ids.get(i), pieces.get(i).name())) instanceof Outcome.Refused refused) {
                return Optional.of(new Problem("name-" + i, refused.problems().getFirst().message()));
            }
        }
        return Optional.empty();
    }

    private Design next() {
        Entity old = about.entity();
        for (int i = 0; i < pieces.size(); i++) {
            ids.add(i == remedy.keeper() ? old.id() : new EntityId(fresh.id('e')));
        }
        Piece kept = pieces.get(remedy.keeper());
        boolean referredTo = design.relationships().stream()
                .anyMatch(relationship -> relationship.manyToMany() ? relationship.touches(old.id())
                : relationship.parentEntity().equals(Optional.of(old.id())));
        if (referredTo && !kept.key().equals(about.key())) {
            throw new Impossible("Other entities refer to " + old.name() + " by {" + about.relation().text(about.key())
                    + "}, which would no longer be its key. Give it a key that stays"
                    + " together, or a surrogate key, first.");
        }
        relationshipsFindPlaces();
        refer();
        copyShared();
        Design next = design;
        Map<Integer, Entity> entities = new LinkedHashMap<>();
        for (int i = 0; i < pieces.size(); i++) {
            entities.put(i, entity(i));
        }
        next = next.with(entities.get(remedy.keeper()));
        for (int i = 0; i < pieces.size(); i++) {
            next = i == remedy.keeper() ? next : next.withEntities(next.entities().with(entities.get(i)));
        }
        next = rewired(next);
        next = new DecomposedRows(remedy, ids, this::path, fresh).put(next);
        next = new ColumnMoves(remedy, design, this::path, references.stream().map(Reference::id).toList())
                .follow(next);
        next = restated(next);
        return Beside.lay(next, old.id(), ids.stream().filter(id -> !id.equals(old.id())).toList());
    }

    // where each column goes

    /** The piece in which a column is stated by itself; in others that hold it, it arrives by reference. */
    private int home(AttributeSet columns) {
        int at = pieces.get(remedy.keeper()).attributes().containsAll(columns) ? remedy.keeper() : -1;
        for (int i = 0; at < 0 && i < pieces.size(); i++) {
            at = pieces.get(i).attributes().containsAll(columns) ? i : at;
        }
        if (at < 0) {
            throw new Impossible("The columns of a relationship, " + about.relation().text(columns)
                    + ", would be torn apart. Accept the fault, or give the parent a key of one column.");
        }
        Set<Integer> seen = new HashSet<>();
        boolean deeper = true;
        while (deeper && seen.add(at)) {
            deeper = false;
            for (int i = 0; i < pieces.size() && !deeper; i++) {
                if (i != at && pieces.get(i).key().containsAll(columns)
                        && pieces.get(at).attributes().containsAll(pieces.get(i).key()) && !seen.contains(i)) {
                    at = i;
                    deeper = true;
                }
            }
        }
        return at;
    }

    private Optional<RelationshipId> broughtBy(int column) {
        return about.paths().get(column).hops().stream().findFirst().map(ColumnPath.Hop::relationship);
    }

    private void relationshipsFindPlaces() {
        Map<RelationshipId, AttributeSet> columns = new LinkedHashMap<>();
        for (int i = 0; i < about.paths().size(); i++) {
            int column = i;
            broughtBy(i).ifPresent(id -> columns.merge(id, AttributeSet.of(column), AttributeSet::union));
        }
        columns.forEach((id, set) -> {
            int home = home(set);
            movedTo.put(id, home);
            if (home != remedy.keeper()) {
                boolean bound = design.categoryOf(id).isPresent() || design.exclusions().stream()
                        .map(Exclusion::alternatives).anyMatch(alternatives -> alternatives.contains(id));
                Relationship relationship = design.relationships().get(id);
                if (bound || relationship.recursive()) {
                    throw new Impossible("The relationship that brings " + about.relation().text(set) + " is "
                            + (relationship.recursive() ? "one of the entity with itself"
                                    : "part of a category or of alternatives")
                            + " and cannot go to another entity. Take it out of there first.");
                }
            }
        });
    }

    /** References from piece to piece: by the largest keys that fit, those reached by way of others left out. */
    private void refer() {
        for (int from = 0; from < pieces.size(); from++) {
            Piece piece = pieces.get(from);
            List<Integer> parents = new ArrayList<>();
            for (int to = 0; to < pieces.size(); to++) {
                AttributeSet key = pieces.get(to).key();
                if (to != from && piece.attributes().containsAll(key) && !key.isEmpty()
                        && !(key.equals(piece.key()) && to > from)) {
                    parents.add(to);
                }
            }
            parents.sort((a, b) -> pieces.get(b).key().compareTo(pieces.get(a).key()));
            AttributeSet covered = AttributeSet.none();
            for (int to : parents) {
                AttributeSet key = pieces.get(to).key();
                if (covered.containsAll(key)) {
                    continue;
                }
                Optional<String> hindrance = covered.meets(key)
                        ? Optional.of(about.relation().text(covered.intersection(key))
                                + " would have to refer to two entities at once")
                        : piece.key().meets(key) && !piece.key().containsAll(key) ? Optional
                                .of("{" + about.relation().text(key) + "} lies half inside the key of " + piece.name())
                        : Optional.empty();
                if (hindrance.isPresent()) {
                    unreferenced(piece, pieces.get(to), key.minus(covered), hindrance.get());
                    continue;
                }
                covered = covered.union(key);
                references.add(new Reference(from, to, new RelationshipId(fresh.id('r'))));
            }
        }
    }

    /** A reference that a foreign key cannot say is left out: the values stand on both sides, and it is said. */
    private void unreferenced(Piece child, Piece parent, AttributeSet columns, String hindrance) {
        if (columns.members().stream().anyMatch(column -> about.paths().get(column).migrated())) {
            throw new Impossible(hindrance + ", which is not supported yet.");
        }
        remarks.add(child.name() + " gets no foreign key to " + parent.name() + ": " + hindrance
                + ". See to it by hand that {" + about.relation().text(parent.key()) + "} is there.");
    }

    /**
     * A column that stands by itself in several pieces is the same attribute in one of them only, in that which stays
     * if it can.
     */
    private void copyShared() {
        List<Integer> order = new ArrayList<>(List.of(remedy.keeper()));
        for (int i = 0; i < pieces.size(); i++) {
            if (i != remedy.keeper()) {
                order.add(i);
            }
        }
        for (int column = 0; column < about.paths().size(); column++) {
            int shared = column;
            if (!about.paths().get(column).migrated()) {
                order.stream()
                        .filter(piece -> pieces.get(piece).attributes().contains(shared)
                                && reference(piece, shared).isEmpty())
                        .skip(1)
                        .forEach(piece -> copies.put(new Shared(piece, shared), new AttributeId(fresh.id('a'))));
            }
        }
    }

    private ColumnPath own(int piece, int column) {
        return Optional.ofNullable(copies.get(new Shared(piece, column))).map(ColumnPath::own)
                .orElseGet(() -> about.paths().get(column));
    }

    private Optional<Reference> reference(int piece, int column) {
        return references.stream()
                .filter(reference -> reference.from() == piece && pieces.get(reference.to()).key().contains(column))
                .findFirst();
    }

    /** Where a column of a piece comes from in the new design. */
    private ColumnPath path(int piece, int column) {
        Optional<Reference> reference = reference(piece, column);
        return reference.map(found -> path(found.to(), column).over(found.id(), Side.FIRST))
                .orElseGet(() -> own(piece, column));
    }

    private KeyPart part(int piece, int column) {
        return reference(piece, column).<KeyPart>map(found -> new InheritedPart(found.id()))
                .orElseGet(() -> broughtBy(column).<KeyPart>map(InheritedPart::new)
                        .orElseGet(() -> new OwnPart(own(piece, column).attribute())));
    }

    private List<KeyPart> parts(int piece, AttributeSet columns) {
        Set<KeyPart> parts = new LinkedHashSet<>();
        columns.forEach(column -> parts.add(part(piece, column)));
        return List.copyOf(parts);
    }

    // the entities

    private Entity entity(int at) {
        Piece piece = pieces.get(at);
        Entity old = about.entity();
        Map<AttributeId, AttributeId> own = new HashMap<>();
        for (int column : piece.attributes().places()) {
            if (!about.paths().get(column).migrated() && reference(at, column).isEmpty()) {
                own.put(about.paths().get(column).attribute(), own(at, column).attribute());
            }
        }
        List<Member> members = old.members().stream()
                .filter(member -> member instanceof Attribute attribute ? own.containsKey(attribute.id())
                        : at == remedy.keeper())
                .<Member>map(member -> member instanceof Attribute attribute
                        && !own.get(attribute.id()).equals(attribute.id())
                                ? attribute.as(own.get(attribute.id())).numbered(Identity.NONE,
                                        Optional.empty())
                                : member)
                .toList();
        Map<KeyPart, AttributeSet> columnsOf = columnsOf();
        if (at != remedy.keeper()) {
            Piece keeper = pieces.get(remedy.keeper());
            List<Index> indexes = indexes(at,
                    old.indexes().stream().filter(index -> !stays(keeper, parts(index), columnsOf)).toList(),
                    columnsOf);
            Entity made = Entity.named(ids.get(at), piece.name()).in(old.area()).withMembers(members)
                    .withPrimaryKey(parts(at, piece.key())).withIndexes(indexes).withChecks(new CheckPlaces(remedy)
                            .of(at));
            List<AlternateKey> others = new ArrayList<>();
            piece.keys().stream().filter(key -> !key.equals(piece.key()))
                    .forEach(key -> others.add(new AlternateKey(others.size() + 1, parts(at, key))));
            return made.withAlternateKeys(others);
        }
        List<AlternateKey> alternates = old.alternateKeys().stream().filter(key -> stays(piece, key.parts(), columnsOf))
                .map(key -> new AlternateKey(key.number(), inPiece(at, key.parts(), columnsOf))).toList();
        List<Index> indexes = indexes(at, old.indexes(), columnsOf);
        List<List<KeyPart>> torn = new ArrayList<>(old.alternateKeys().stream().map(AlternateKey::parts).toList());
        old.indexes().forEach(index -> torn.add(parts(index)));
        torn.removeIf(parts -> pieces.stream().anyMatch(one -> stays(one, parts, columnsOf)));
        if (!torn.isEmpty()) {
            throw new Impossible("An alternate key or index of " + old.name() + " over "
                    + about.relation().text(torn.getFirst().stream()
                            .map(part -> columnsOf.getOrDefault(part, AttributeSet.none()))
                            .reduce(AttributeSet.none(), AttributeSet::union))
                    + " would be torn apart. Take it out first.");
        }
        List<KeyPart> primary = kept(at, piece, columnsOf);
        return old.withMembers(members).withPrimaryKey(primary).withAlternateKeys(alternates).withIndexes(indexes)
                .withChecks(new CheckPlaces(remedy).of(at));
    }

    /**
     * The conditions on whole rows that go with a piece: each goes where all of its columns are, with the entity that
     * stays if it can.
     */
    private static List<KeyPart> parts(Index index) {
        return index.parts().stream().map(Index.IndexPart::part).toList();
    }

    /** The indexes whose columns are all in a piece. */
    private List<Index> indexes(int at, List<Index> some, Map<KeyPart, AttributeSet> columnsOf) {
        return some.stream().filter(index -> stays(pieces.get(at), parts(index), columnsOf))
                .map(index -> new Index(index.name(), index.unique(),
                        index.parts().stream()
                                .map(part -> new Index.IndexPart(
                                        inPiece(at, List.of(part.part()), columnsOf).getFirst(),
                                        part.descending()))
                                .distinct().toList()))
                .toList();
    }

    /** The columns that each part of a key can stand for, as they were. */
    private Map<KeyPart, AttributeSet> columnsOf() {
        Map<KeyPart, AttributeSet> columnsOf = new HashMap<>();
        for (int column = 0; column < about.paths().size(); column++) {
            int place = column;
            KeyPart before = broughtBy(column).<KeyPart>map(InheritedPart::new)
                    .orElseGet(() -> new OwnPart(about.paths().get(place).attribute()));
            columnsOf.merge(before, AttributeSet.of(column), AttributeSet::union);
        }
        return columnsOf;
    }

    /** The primary key in the order that it had, where it stays. */
    private List<KeyPart> kept(int at, Piece piece, Map<KeyPart, AttributeSet> columnsOf) {
        return piece.key().equals(about.key()) ? inPiece(at, about.entity().primaryKey(), columnsOf)
                : parts(at, piece.key());
    }

    private static boolean stays(Piece piece, List<KeyPart> parts, Map<KeyPart, AttributeSet> columnsOf) {
        return parts.stream()
                .allMatch(part -> piece.attributes().containsAll(columnsOf.getOrDefault(part, AttributeSet.none())));
    }

    private List<KeyPart> inPiece(int at, List<KeyPart> parts, Map<KeyPart, AttributeSet> columnsOf) {
        Set<KeyPart> next = new LinkedHashSet<>();
        parts.forEach(part -> next.addAll(parts(at, columnsOf.getOrDefault(part, AttributeSet.none()))));
        return List.copyOf(next);
    }

    // relationships

    private Design rewired(Design from) {
        Design next = from;
        for (Map.Entry<RelationshipId, Integer> moved : movedTo.entrySet()) {
            Relationship relationship = next.relationships().get(moved.getKey());
            Side child = relationship.child().orElseThrow();
            next = next.with(relationship.with(child, relationship.end(child).at(ids.get(moved.getValue()))));
        }
        for (Reference reference : references) {
            Piece parent = pieces.get(reference.to());
            Piece child = pieces.get(reference.from());
            boolean identifying = child.key().containsAll(parent.key());
            boolean one = identifying && child.key().equals(parent.key());
            boolean required = identifying || parent.key().members().stream().allMatch(this::required);
            Map<ColumnPath, String> names = new HashMap<>();
            parent.key().forEach(
                    column -> names.put(path(reference.to(), column), about.relation().attributes().get(column)));
            End first = new End(ids.get(reference.to()), required ? Cardinality.EXACTLY_ONE : Cardinality.ZERO_OR_ONE,
                    End.HAS, "", names, "");
            End second = End.of(ids.get(reference.from()), one ? Cardinality.ZERO_OR_ONE : Cardinality.ZERO_OR_MORE,
                    End.BELONGS_TO);
            next = next
                    .withRelationships(next.relationships().with(Relationship.between(reference.id(), first, second)));
        }
        return next;
    }

    private boolean required(int column) {
        Optional<RelationshipId> by = broughtBy(column);
        return by.map(id -> design.relationships().get(id))
                .map(relationship -> !relationship.end(relationship.parent().orElseThrow()).cardinality().optional())
                .orElseGet(() -> about.entity().attribute(about.paths().get(column).attribute())
                        .map(Attribute::required).orElse(false));
    }

    // what is stated of the pieces

    /** What the keys of the pieces do not say is stated of them again. */
    private Design restated(Design from) {
        Design next = from.withDependencies(from.dependencies().without(about.entity().id()));
        for (int i = 0; i < pieces.size(); i++) {
            int piece = i;
            List<StatedDependencies.Stated> left = MinimalCover
                    .joined(remedy.decomposition().parts().get(i).dependencies()).stream()
                    .filter(dependency -> pieces.get(piece).keys().stream()
                            .noneMatch(dependency.determinant()::containsAll))
                    .map(dependency -> new StatedDependencies.Stated(false, paths(piece, dependency.determinant()),
                            paths(piece, dependency.dependent())))
                    .toList();
            if (!left.isEmpty()) {
                next = next
                        .withDependencies(next.dependencies().with(StatedDependencies.none(ids.get(i)).stated(left)));
            }
        }
        return next;
    }

    private List<ColumnPath> paths(int piece, AttributeSet columns) {
        return columns.members().stream().map(column -> path(piece, column)).toList();
    }
}
