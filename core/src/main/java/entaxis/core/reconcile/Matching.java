package entaxis.core.reconcile;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;

/**
 * What belongs together of two lists: first what is alike in structure and name, then in structure, then in name.
 * Linear.
 *
 * @param pairs the pairs, in the order of the wanted list
 * @param gone  what only the first list has
 * @param fresh what only the wanted list has
 */
public record Matching<T>(List<Pair<T>> pairs, List<T> gone, List<T> fresh) {

    /** Two that belong together. */
    public record Pair<T>(T from, T to) { }

    private enum Round { STRUCTURE_AND_NAME, STRUCTURE, NAME }

    /** What the items of a list are told by, worked out once. */
    private record Keys(List<String> structures, List<String> names) {
        static <T> Keys of(List<T> items, Function<T, String> structure, Function<T, String> name) {
            return new Keys(items.stream().map(structure).toList(), items.stream().map(name).toList());
        }

        String of(Round round, int item) {
            return switch (round) {
                case STRUCTURE_AND_NAME -> structures.get(item) + "\n" + names.get(item);
                case STRUCTURE -> structures.get(item);
                case NAME -> names.get(item);
            };
        }
    }

    /** This with what of the rest belongs together after all. */
    Matching<T> with(Matching<T> rest) {
        List<Pair<T>> all = new ArrayList<>(pairs);
        all.addAll(rest.pairs());
        return new Matching<>(all, rest.gone(), rest.fresh());
    }

    /** Pairs by structure and name, then by structure, then by name; an empty structure or name pairs nothing. */
    public static <T> Matching<T> of(List<T> from, List<T> to, Function<T, String> structure,
            Function<T, String> name) {
        if (from.isEmpty() || to.isEmpty()) {
            return new Matching<>(List.of(), from, to);
        }
        Keys ones = Keys.of(from, structure, name);
        Keys others = Keys.of(to, structure, name);
        Set<Integer> used = new HashSet<>();
        Map<Integer, Integer> matched = new HashMap<>();
        for (Round round : Round.values()) {
            if (used.size() == from.size() || matched.size() == to.size()) {
                break;
            }
            Map<String, Deque<Integer>> open = new HashMap<>();
            for (int i = 0; i < from.size(); i++) {
                String own = used.contains(i) ? "" : ones.of(round, i);
                if (!own.isEmpty()) {
                    open.computeIfAbsent(own, any -> new ArrayDeque<>()).add(i);
                }
            }
            for (int i = 0; i < to.size(); i++) {
                String own = matched.containsKey(i) ? "" : others.of(round, i);
                Deque<Integer> candidates = own.isEmpty() ? null : open.get(own);
                if (candidates != null && !candidates.isEmpty()) {
                    int partner = candidates.poll();
                    used.add(partner);
                    matched.put(i, partner);
                }
            }
        }
        List<Pair<T>> pairs = new ArrayList<>();
        List<T> gone = new ArrayList<>();
        List<T> fresh = new ArrayList<>();
        for (int i = 0; i < to.size(); i++) {
            if (matched.containsKey(i)) {
                pairs.add(new Pair<>(from.get(matched.get(i)), to.get(i)));
            } else {
                fresh.add(to.get(i));
            }
        }
        for (int i = 0; i < from.size(); i++) {
            if (!used.contains(i)) {
                gone.add(from.get(i));
            }
        }
        return new Matching<>(pairs, gone, fresh);
    }
}
