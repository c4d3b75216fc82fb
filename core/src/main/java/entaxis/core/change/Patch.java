package entaxis.core.change;

import entaxis.core.design.Area;
import entaxis.core.design.AreaId;
import entaxis.core.design.Assumption;
import entaxis.core.design.AssumptionId;
import entaxis.core.design.Category;
import entaxis.core.design.CategoryId;
import entaxis.core.design.Decision;
import entaxis.core.design.DecisionId;
import entaxis.core.design.Design;
import entaxis.core.design.DesignProperties;
import entaxis.core.design.Elements;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Exclusion;
import entaxis.core.design.ExclusionId;
import entaxis.core.design.LineShape;
import entaxis.core.design.NamedType;
import entaxis.core.design.Note;
import entaxis.core.design.OpaqueId;
import entaxis.core.design.OpaqueObject;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Picture;
import entaxis.core.design.Place;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.RowId;
import entaxis.core.design.SampleRow;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.design.StatedDependencies;
import entaxis.core.design.TypeId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Elements exchanged for others: the difference between two designs, as undo and redo apply it. Refused where an
 * element is no longer what it was.
 */
public record Patch(List<Swap> swaps) implements Change {

    /** Copies the swaps. */
    public Patch {
        swaps = List.copyOf(swaps);
    }

    /** One element as it was and as it becomes; an index tells where a new one stands among its kind. */
    public sealed interface Swap { }

    public record FactsSwap(DesignProperties was, DesignProperties becomes) implements Swap { }

    public record AreaSwap(Optional<Area> was, Optional<Area> becomes, int index) implements Swap { }

    public record TypeSwap(Optional<NamedType> was, Optional<NamedType> becomes, int index) implements Swap { }

    public record CategorySwap(Optional<Category> was, Optional<Category> becomes, int index) implements Swap { }

    public record ExclusionSwap(Optional<Exclusion> was, Optional<Exclusion> becomes, int index) implements Swap { }

    public record AssumptionSwap(Optional<Assumption> was, Optional<Assumption> becomes, int index) implements Swap { }

    public record EntitySwap(Optional<Entity> was, Optional<Entity> becomes, int index) implements Swap { }

    public record RelationshipSwap(Optional<Relationship> was, Optional<Relationship> becomes, int index)
            implements Swap {}

    /**
     * A sheet without its places, lines, notes and pictures, which are swapped one by one. (Journals of before have the
     * lines, notes and pictures here.)
     */
    public record SheetSwap(Optional<Sheet> was, Optional<Sheet> becomes, int index) implements Swap { }

    public record LineSwap(SheetId sheet, String line, Optional<LineShape> was, Optional<LineShape> becomes)
            implements Swap {}

    public record NoteSwap(SheetId sheet, Optional<Note> was, Optional<Note> becomes, int index) implements Swap { }

    public record PictureSwap(SheetId sheet, Optional<Picture> was, Optional<Picture> becomes, int index)
            implements Swap {}

    public record PlaceSwap(SheetId sheet, OwnerId card, Optional<Place> was, Optional<Place> becomes)
            implements Swap {}

    public record RowSwap(Optional<SampleRow> was, Optional<SampleRow> becomes, int index) implements Swap { }

    public record DependenciesSwap(Optional<StatedDependencies> was, Optional<StatedDependencies> becomes, int index)
            implements Swap {}

    public record CarriedSwap(Optional<OpaqueObject> was, Optional<OpaqueObject> becomes, int index) implements Swap { }

    public record DecisionSwap(Optional<Decision> was, Optional<Decision> becomes, int index) implements Swap { }

    /**
     * The patch that makes {@code to} of {@code from}. Linear in the number of elements; unchanged ones are told by
     * identity.
     */
    public static Patch between(Design from, Design to) {
        List<Swap> swaps = new ArrayList<>();
        if (!from.facts().equals(to.facts())) {
            swaps.add(new FactsSwap(from.facts(), to.facts()));
        }
        differ(from.areas(), to.areas(), AreaSwap::new, swaps);
        differ(from.types(), to.types(), TypeSwap::new, swaps);
        differ(from.entities(), to.entities(), EntitySwap::new, swaps);
        differ(from.relationships(), to.relationships(), RelationshipSwap::new, swaps);
        differ(from.categories(), to.categories(), CategorySwap::new, swaps);
        differ(from.exclusions(), to.exclusions(), ExclusionSwap::new, swaps);
        differ(from.assumptions(), to.assumptions(), AssumptionSwap::new, swaps);
        if (from.sheets() != to.sheets()) {
            differ(bare(from), bare(to), SheetSwap::new, swaps);
            SheetSwaps.between(from, to, swaps);
        }
        differ(from.rows(), to.rows(), RowSwap::new, swaps);
        differ(from.dependencies(), to.dependencies(), DependenciesSwap::new, swaps);
        differ(from.carried(), to.carried(), CarriedSwap::new, swaps);
        differ(from.decisions(), to.decisions(), DecisionSwap::new, swaps);
        return new Patch(swaps);
    }

    interface SwapOf<V> {
        Swap swap(Optional<V> was, Optional<V> becomes, int index);
    }

    static <K, V extends Elements.Element<K>> void differ(Elements<K, V> from, Elements<K, V> to, SwapOf<V> swap,
            List<Swap> swaps) {
        if (from == to) {
            return;
        }
        for (V old : from) {
            if (!to.contains(old.id())) {
                swaps.add(swap.swap(Optional.of(old), Optional.empty(), from.indexOf(old.id())));
            }
        }
        int index = 0;
        for (V now : to) {
            Optional<V> was = from.find(now.id());
            if (was.isEmpty() || was.get() != now && !was.get().equals(now)) {
                swaps.add(swap.swap(was, Optional.of(now), index));
            }
            index++;
        }
    }

    private static Elements<SheetId, Sheet> bare(Design design) {
        return Elements.of(design.sheets().stream().map(SheetSwaps::bare).toList());
    }

    EditStep applyTo(Design design) {
        EditStep step = EditStep.done(design);
        List<RowSwap> rows = new ArrayList<>();
        for (Swap swap : swaps) {
            if (swap instanceof RowSwap row) {
                rows.add(row);
            } else {
                step = step.ok() ? apply(step.design(), swap) : step;
            }
        }
        return step.ok() && !rows.isEmpty() ? rows(step.design(), rows) : step;
    }

    /** All rows at once: there may be thousands, and exchanging them one by one would copy all of them each time. */
    private static EditStep rows(Design design, List<RowSwap> swaps) {
        Map<RowId, SampleRow> left = new LinkedHashMap<>();
        design.rows().forEach(row -> left.put(row.id(), row));
        for (RowSwap swap : swaps) {
            RowId id = swap.was().or(swap::becomes).orElseThrow().id();
            if (!Optional.ofNullable(left.get(id)).equals(swap.was())) {
                return changed(design, "a sample row");
            }
            swap.was().ifPresent(
                    was -> swap.becomes().ifPresentOrElse(becomes -> left.put(id, becomes), () -> left.remove(id)));
        }
        List<SampleRow> next = new ArrayList<>(left.values());
        swaps.stream().filter(swap -> swap.was().isEmpty())
                .forEach(swap -> next.add(Math.clamp(swap.index(), 0, next.size()), swap.becomes().orElseThrow()));
        return EditStep.done(design.withRows(Elements.of(next)));
    }

    private static EditStep apply(Design design, Swap swap) {
        return switch (swap) {
            case FactsSwap(DesignProperties was, DesignProperties becomes) -> design.facts().equals(was)
                    ? EditStep.done(design.with(becomes)) : changed(design, "the design's name or target");
            case AreaSwap(Optional<Area> was, Optional<Area> becomes, int index) -> {
                AreaId id = was.or(() -> becomes).orElseThrow().id();
                yield design.areas().find(id).equals(was)
                        ? EditStep.done(design.withAreas(exchange(design.areas(), id, becomes, index)))
                        : changed(design, "the area " + name(was.map(Area::name)));
            }
            case TypeSwap(Optional<NamedType> was, Optional<NamedType> becomes, int index) -> {
                TypeId id = was.or(() -> becomes).orElseThrow().id();
                yield design.types().find(id).equals(was)
                        ? EditStep.done(design.withTypes(exchange(design.types(), id, becomes, index)))
                        : changed(design, "the type " + name(was.map(NamedType::name)));
            }
            case CategorySwap(Optional<Category> was, Optional<Category> becomes, int index) -> {
                CategoryId id = was.or(() -> becomes).orElseThrow().id();
                yield design.categories().find(id).equals(was)
                        ? EditStep.done(design.withCategories(exchange(design.categories(), id, becomes, index)))
                        : changed(design, "a category");
            }
            case ExclusionSwap(Optional<Exclusion> was, Optional<Exclusion> becomes, int index) -> {
                ExclusionId id = was.or(() -> becomes).orElseThrow().id();
                yield design.exclusions().find(id).equals(was)
                        ? EditStep.done(design.withExclusions(exchange(design.exclusions(), id, becomes, index)))
                        : changed(design, "an exclusion");
            }
            case AssumptionSwap(Optional<Assumption> was, Optional<Assumption> becomes, int index) -> {
                AssumptionId id = was.or(() -> becomes).orElseThrow().id();
                yield design.assumptions().find(id).equals(was)
                        ? EditStep.done(design.withAssumptions(exchange(design.assumptions(), id, becomes, index)))
                        : changed(design, "an assumption");
            }
            case EntitySwap(Optional<Entity> was, Optional<Entity> becomes, int index) -> {
                EntityId id = was.or(() -> becomes).orElseThrow().id();
                yield design.entities().find(id).equals(was)
                        ? EditStep.done(design.withEntities(exchange(design.entities(), id, becomes, index)))
                        : changed(design, "the entity " + name(was.map(Entity::name)));
            }
            case RelationshipSwap(Optional<Relationship> was, Optional<Relationship> becomes, int index) -> {
                RelationshipId id = was.or(() -> becomes).orElseThrow().id();
                yield design.relationships().find(id).equals(was)
                        ? EditStep.done(design.withRelationships(exchange(design.relationships(), id, becomes, index)))
                        : changed(design,
                                "a relationship " + name(was.map(relationship -> relationship.first().verb())));
            }
            case SheetSwap sheet -> SheetSwaps.apply(design, sheet);
            case PlaceSwap place -> SheetSwaps.apply(design, place);
            case LineSwap line -> SheetSwaps.apply(design, line);
            case NoteSwap note -> SheetSwaps.apply(design, note);
            case PictureSwap picture -> SheetSwaps.apply(design, picture);
            case DependenciesSwap(Optional<StatedDependencies> was, Optional<
                    StatedDependencies> becomes, int index) -> {
                EntityId id = was.or(() -> becomes).orElseThrow().id();
                yield design.dependencies().find(id).equals(was)
                        ? EditStep.done(design.withDependencies(exchange(design.dependencies(), id, becomes, index)))
                        : changed(design, "the dependencies of an entity");
            }
            case CarriedSwap(Optional<OpaqueObject> was, Optional<OpaqueObject> becomes, int index) -> {
                OpaqueId id = was.or(() -> becomes).orElseThrow().id();
                yield design.carried().find(id).equals(was)
                        ? EditStep.done(design.withCarried(exchange(design.carried(), id, becomes, index)))
                        : changed(design, "what is carried as " + name(was.map(OpaqueObject::name)));
            }
            case DecisionSwap(Optional<Decision> was, Optional<Decision> becomes, int index) -> {
                DecisionId id = was.or(() -> becomes).orElseThrow().id();
                yield design.decisions().find(id).equals(was)
                        ? EditStep.done(design.withDecisions(exchange(design.decisions(), id, becomes, index)))
                        : changed(design, "a decision about a finding");
            }
            case RowSwap row -> rows(design, List.of(row));
        };
    }

    static <K, V extends Elements.Element<K>> Elements<K, V> exchange(Elements<K, V> elements, K id,
            Optional<V> becomes, int index) {
        return becomes.map(value -> elements.with(value, index)).orElseGet(() -> elements.without(id));
    }

    static String name(Optional<String> name) {
        return name.map(text -> "“" + text + "”").orElse("that it would add");
    }

    static EditStep changed(Design design, String what) {
        return EditStep.refused(design, "",
                "This cannot be taken back: " + what + " has been changed since. Change it by hand.");
    }
}
