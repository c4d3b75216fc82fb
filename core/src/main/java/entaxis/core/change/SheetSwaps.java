package entaxis.core.change;

import entaxis.core.change.Patch.LineSwap;
import entaxis.core.change.Patch.NoteSwap;
import entaxis.core.change.Patch.PictureSwap;
import entaxis.core.change.Patch.PlaceSwap;
import entaxis.core.change.Patch.SheetSwap;
import entaxis.core.change.Patch.Swap;
import entaxis.core.design.Design;
import entaxis.core.design.Elements;
import entaxis.core.design.NoteId;
import entaxis.core.design.PictureId;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/** What lies on sheets, exchanged piece by piece, so that a patch of one note does not carry all the others. */
final class SheetSwaps {
    private SheetSwaps() { }

    /** A sheet without what is exchanged piece by piece. */
    static Sheet bare(Sheet sheet) {
        return sheet.withPlaces(Map.of()).withLines(Map.of()).withNotes(Elements.none()).withPictures(Elements.none());
    }

    /** Adds what differs on the sheets of two designs, without the sheets themselves. */
    static void between(Design from, Design to, List<Swap> swaps) {
        Set<SheetId> sheets = new LinkedHashSet<>();
        from.sheets().forEach(sheet -> sheets.add(sheet.id()));
        to.sheets().forEach(sheet -> sheets.add(sheet.id()));
        for (SheetId id : sheets) {
            Optional<Sheet> was = from.sheets().find(id);
            Optional<Sheet> now = to.sheets().find(id);
            differ(map(was, Sheet::places), map(now, Sheet::places),
                    (card, before, after) -> new PlaceSwap(id, card, before, after), swaps);
            differ(map(was, Sheet::lines), map(now, Sheet::lines),
                    (line, before, after) -> new LineSwap(id, line, before, after), swaps);
            Patch.differ(was.map(Sheet::notes).orElse(Elements.none()), now.map(Sheet::notes).orElse(Elements.none()),
                    (before, after, index) -> new NoteSwap(id, before, after, index), swaps);
            Patch.differ(was.map(Sheet::pictures).orElse(Elements.none()),
                    now.map(Sheet::pictures).orElse(Elements.none()),
                    (before, after, index) -> new PictureSwap(id, before, after, index), swaps);
        }
    }

    private static <K, V> Map<K, V> map(Optional<Sheet> sheet, Function<Sheet, Map<K, V>> part) {
        return sheet.map(part).orElse(Map.of());
    }

    private interface SwapOf<K, V> {
        Swap swap(K key, Optional<V> was, Optional<V> becomes);
    }

    private static <K, V> void differ(Map<K, V> was, Map<K, V> now, SwapOf<K, V> swap, List<Swap> swaps) {
        Set<K> keys = new LinkedHashSet<>(was.keySet());
        keys.addAll(now.keySet());
        for (K key : keys) {
            Optional<V> before = Optional.ofNullable(was.get(key));
            Optional<V> after = Optional.ofNullable(now.get(key));
            if (!before.equals(after)) {
                swaps.add(swap.swap(key, before, after));
            }
        }
    }

    /** Exchanges a sheet and leaves what lies on it, unless the swap speaks of it, as those of old journals do. */
    static EditStep apply(Design design, SheetSwap swap) {
        SheetId id = swap.was().or(swap::becomes).orElseThrow().id();
        Optional<Sheet> present = design.sheets().find(id);
        boolean speaks =
                swap.was().filter(SheetSwaps::holds).or(() -> swap.becomes().filter(SheetSwaps::holds)).isPresent();
        boolean as = speaks ? present.map(sheet -> sheet.withPlaces(Map.of())).equals(swap.was())
                : present.map(SheetSwaps::bare).equals(swap.was());
        if (!as) {
            return Patch.changed(design, "the sheet " + Patch.name(swap.was().map(Sheet::name)));
        }
        Optional<Sheet> becomes = swap.becomes().map(sheet -> present.map(old -> {
            Sheet placed = sheet.withPlaces(old.places());
            return speaks ? placed : placed.withLines(old.lines()).withNotes(old.notes()).withPictures(old.pictures());
        }).orElse(sheet));
        return EditStep.done(design.withSheets(Patch.exchange(design.sheets(), id, becomes, swap.index())));
    }

    private static boolean holds(Sheet sheet) {
        return !sheet.lines().isEmpty() || !sheet.notes().list().isEmpty() || !sheet.pictures().list().isEmpty();
    }

    static EditStep apply(Design design, PlaceSwap swap) {
        return exchanged(design, swap.sheet(), swap.becomes().isEmpty(),
                sheet -> Optional.ofNullable(sheet.places().get(swap.card())).equals(swap.was())
                        ? Optional.of(sheet.withPlaces(exchanged(sheet.places(), swap.card(), swap.becomes())))
                        : Optional.empty(),
                "the place of a card");
    }

    static EditStep apply(Design design, LineSwap swap) {
        return exchanged(design, swap.sheet(), swap.becomes().isEmpty(),
                sheet -> Optional.ofNullable(sheet.lines().get(swap.line())).equals(swap.was())
                        ? Optional.of(sheet.withLines(exchanged(sheet.lines(), swap.line(), swap.becomes())))
                        : Optional.empty(),
                "the way of a line");
    }

    static EditStep apply(Design design, NoteSwap swap) {
        NoteId id = swap.was().or(swap::becomes).orElseThrow().id();
        return exchanged(design, swap.sheet(), swap.becomes().isEmpty(),
                sheet -> sheet.notes().find(id).equals(swap.was())
                        ? Optional.of(sheet.withNotes(Patch.exchange(sheet.notes(), id, swap.becomes(), swap.index())))
                        : Optional.empty(),
                "a note");
    }

    static EditStep apply(Design design, PictureSwap swap) {
        PictureId id = swap.was().or(swap::becomes).orElseThrow().id();
        return exchanged(design, swap.sheet(), swap.becomes().isEmpty(),
                sheet -> sheet.pictures().find(id).equals(swap.was())
                        ? Optional.of(
                                sheet.withPictures(Patch.exchange(sheet.pictures(), id, swap.becomes(), swap.index())))
                        : Optional.empty(),
                "a picture");
    }

    /** A piece of a sheet that is no longer there is gone with it. */
    private static EditStep exchanged(Design design, SheetId id, boolean removes,
            Function<Sheet, Optional<Sheet>> exchange, String what) {
        Optional<Sheet> present = design.sheets().find(id);
        if (present.isEmpty() && removes) {
            return EditStep.done(design);
        }
        return present.flatMap(exchange).map(sheet -> EditStep.done(design.with(sheet)))
                .orElseGet(() -> Patch.changed(design, what));
    }

    private static <K, V> Map<K, V> exchanged(Map<K, V> all, K key, Optional<V> becomes) {
        Map<K, V> next = new HashMap<>(all);
        becomes.ifPresentOrElse(value -> next.put(key, value), () -> next.remove(key));
        return next;
    }
}
