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
 * What belongs together of two lists: first what is alike in structure and name, then in structure, then in name. Linear.
 *
 * @param pairs the pairs, in the order of the wanted list
 * @param gone  what only the first list has
 * @param fresh what only the wanted list has
 */
public record Pairs<T>(List<Pair<T>> pairs, List<T> gone, List<T> fresh) {

    /** Two that belong together. */
    public record Pair<T>(T from, T to) { }

    /** Pairs by structure and name, then by structure, then by name; an empty structure or name pairs nothing. */
    public static <T> Pairs<T> of(List<T> from, List<T> to, Function<T, String> structure, Function<T, String> name) {
        if (from.isEmpty() || to.isEmpty()) {
            return new Pairs<>(List.of(), from, to);
        }
        Set<Integer> used = new HashSet<>();
        Map<Integer, Integer> matched = new HashMap<>();
        for (Function<T, String> key : List.<Function<T, String>>of(item -> structure.apply(item) + "\n" + name.apply(item), structure, name)) {
            Map<String, Deque<Integer>> open = new HashMap<>();
            for (int i = 0; i < from.size(); i++) {
                String own = key.apply(from.get(i));
                if (!used.contains(i) && !own.isEmpty()) {
                    open.computeIfAbsent(own, any -> new ArrayDeque<>()).add(i);
                }
            }
            for (int i = 0; i < to.size(); i++) {
                String own = matched.containsKey(i) ? "" : key.apply(to.get(i));
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
        return new Pairs<>(pairs, gone, fresh);
    }
}
