package entaxis.core.change;

import entaxis.core.design.Area;
import entaxis.core.design.Assumption;
import entaxis.core.design.Category;
import entaxis.core.design.Decision;
import entaxis.core.design.Design;
import entaxis.core.design.DesignProperties;
import entaxis.core.design.Elements;
import entaxis.core.design.Entity;
import entaxis.core.design.Exclusion;
import entaxis.core.design.LineShape;
import entaxis.core.design.NamedType;
import entaxis.core.design.Note;
import entaxis.core.design.OpaqueObject;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Picture;
import entaxis.core.design.Place;
import entaxis.core.design.Relationship;
import entaxis.core.design.RowId;
import entaxis.core.design.SampleRow;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.design.StatedDependencies;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

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

    /** The name, target, title, author and naming of the design. */
    public record FactsSwap(DesignProperties was, DesignProperties becomes) implements Swap { }

    /** An area. */
    public record AreaSwap(Optional<Area> was, Optional<Area> becomes, int index) implements Swap { }

    /** A domain, enumeration or structured type. */
    public record TypeSwap(Optional<NamedType> was, Optional<NamedType> becomes, int index) implements Swap { }

    /** A category. */
    public record CategorySwap(Optional<Category> was, Optional<Category> becomes, int index) implements Swap { }

    /** An exclusion. */
    public record ExclusionSwap(Optional<Exclusion> was, Optional<Exclusion> becomes, int index) implements Swap { }

    /** An assumption. */
    public record AssumptionSwap(Optional<Assumption> was, Optional<Assumption> becomes, int index) implements Swap { }

    /** An entity. */
    public record EntitySwap(Optional<Entity> was, Optional<Entity> becomes, int index) implements Swap { }

    /** A relationship. */
    public record RelationshipSwap(Optional<Relationship> was, Optional<Relationship> becomes, int index)
            implements Swap { }

    /**
     * A sheet without its places, lines, notes and pictures, which are swapped one by one. (Journals of before have the
     * lines, notes and pictures here.)
     */
    public record SheetSwap(Optional<Sheet> was, Optional<Sheet> becomes, int index) implements Swap { }

    /** The way of a line on a sheet. */
    public record LineSwap(SheetId sheet, String line, Optional<LineShape> was, Optional<LineShape> becomes)
            implements Swap { }

    /** A note on a sheet. */
    public record NoteSwap(SheetId sheet, Optional<Note> was, Optional<Note> becomes, int index) implements Swap { }

    /** A picture on a sheet. */
    public record PictureSwap(SheetId sheet, Optional<Picture> was, Optional<Picture> becomes, int index)
            implements Swap { }

    /** Where a card stands on a sheet. */
    public record PlaceSwap(SheetId sheet, OwnerId card, Optional<Place> was, Optional<Place> becomes)
            implements Swap { }

    /** A sample row. */
    public record RowSwap(Optional<SampleRow> was, Optional<SampleRow> becomes, int index) implements Swap { }

    /** What is stated of the dependencies of an entity. */
    public record DependenciesSwap(Optional<StatedDependencies> was, Optional<StatedDependencies> becomes, int index)
            implements Swap { }

    /** A view, routine, trigger or sequence that is kept as it is. */
    public record CarriedSwap(Optional<OpaqueObject> was, Optional<OpaqueObject> becomes, int index) implements Swap { }

    /** A decision about a rule or a finding. */
    public record DecisionSwap(Optional<Decision> was, Optional<Decision> becomes, int index) implements Swap { }

    /**
     * The patch that makes {@code to} of {@code from}. Linear in the number of elements; unchanged ones are
     * recognised by identity.
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
            case FactsSwap(var was, var becomes) -> design.facts().equals(was)
                    ? EditStep.done(design.with(becomes)) : changed(design, "the design's name or target");
            case AreaSwap(var was, var becomes, int index) -> swapped(design, design.areas(), was, becomes, index,
                    design::withAreas, "the area " + name(was.map(Area::name)));
            case TypeSwap(var was, var becomes, int index) -> swapped(design, design.types(), was, becomes, index,
                    design::withTypes, "the type " + name(was.map(NamedType::name)));
            case CategorySwap(var was, var becomes, int index) ->
                    swapped(design, design.categories(), was, becomes, index, design::withCategories, "a category");
            case ExclusionSwap(var was, var becomes, int index) -> swapped(design, design.exclusions(), was, becomes,
                    index, design::withExclusions, "an exclusion");
            case AssumptionSwap(var was, var becomes, int index) -> swapped(design, design.assumptions(), was, becomes,
                    index, design::withAssumptions, "an assumption");
            case EntitySwap(var was, var becomes, int index) -> swapped(design, design.entities(), was, becomes, index,
                    design::withEntities, "the entity " + name(was.map(Entity::name)));
            case RelationshipSwap(var was, var becomes, int index) ->
                    swapped(design, design.relationships(), was, becomes, index, design::withRelationships,
                            "a relationship " + name(was.map(relationship -> relationship.first().verb())));
            case SheetSwap sheet -> SheetSwaps.apply(design, sheet);
            case PlaceSwap place -> SheetSwaps.apply(design, place);
            case LineSwap line -> SheetSwaps.apply(design, line);
            case NoteSwap note -> SheetSwaps.apply(design, note);
            case PictureSwap picture -> SheetSwaps.apply(design, picture);
            case DependenciesSwap(var was, var becomes, int index) -> swapped(design, design.dependencies(), was,
                    becomes, index, design::withDependencies, "the dependencies of an entity");
            case CarriedSwap(var was, var becomes, int index) -> swapped(design, design.carried(), was, becomes, index,
                    design::withCarried, "what is carried as " + name(was.map(OpaqueObject::name)));
            case DecisionSwap(var was, var becomes, int index) -> swapped(design, design.decisions(), was, becomes,
                    index, design::withDecisions, "a decision about a finding");
            case RowSwap row -> rows(design, List.of(row));
        };
    }

    /** Exchanges one element, if it is still as it was. */
    private static <K, V extends Elements.Element<K>> EditStep swapped(Design design, Elements<K, V> elements,
            Optional<V> was, Optional<V> becomes, int index, Function<Elements<K, V>, Design> with, String what) {
        K id = was.or(() -> becomes).orElseThrow().id();
        return elements.find(id).equals(was) ? EditStep.done(with.apply(exchange(elements, id, becomes, index)))
                : changed(design, what);
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
