package entaxis.core.reverse;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Groups of nodes with many links among themselves and few to others: greedy modularity, a node at a time and then
 * whole groups as nodes (Blondel, Guillaume, Lambiotte, Lefebvre, “Fast unfolding of communities in large networks”,
 * 2008). Deterministic. Close to linear in the links.
 */
final class Communities {
    private static final int PASSES = 20;
    private static final double GAIN = 1e-9;
    private final List<Map<Integer, Double>> links = new ArrayList<>();

    /** A graph of so many nodes without links. */
    Communities(int nodes) {
        for (int i = 0; i < nodes; i++) {
            links.add(new LinkedHashMap<>());
        }
    }

    /** Links two nodes, or makes their link heavier. */
    void link(int one, int other, double weight) {
        links.get(one).merge(other, weight, Double::sum);
        if (one != other) {
            links.get(other).merge(one, weight, Double::sum);
        }
    }

    /** How heavy all links of a node are together. */
    double weight(int node) {
        return links.get(node).values().stream().mapToDouble(Double::doubleValue).sum();
    }

    /** How heavy the link of two nodes is. */
    double weight(int one, int other) {
        return links.get(one).getOrDefault(other, 0.0);
    }

    /** The nodes that are linked with one, with the weights. */
    Map<Integer, Double> neighbours(int node) {
        return links.get(node);
    }

    /** The graph of some of the nodes, in their order. */
    Communities among(List<Integer> nodes) {
        Map<Integer, Integer> places = new HashMap<>();
        nodes.forEach(node -> places.put(node, places.size()));
        Communities part = new Communities(nodes.size());
        nodes.forEach(node -> links.get(node).forEach((other, weight) -> {
            if (places.containsKey(other) && places.get(node) <= places.get(other)) {
                part.link(places.get(node), places.get(other), weight);
            }
        }));
        return part;
    }

    /** The number of each node's group; groups are numbered by their first node. */
    int[] groups() {
        int[] group = converged();
        int count = (int) Arrays.stream(group).distinct().count();
        if (count == links.size()) {
            return group;
        }
        Communities coarse = new Communities(count);
        for (int node = 0; node < links.size(); node++) {
            int from = node;
            links.get(node).forEach((other, weight) -> {
                if (from <= other) {
                    coarse.link(group[from], group[other], weight);
                }
            });
        }
        int[] above = coarse.groups();
        return numbered(Arrays.stream(group).map(own -> above[own]).toArray());
    }

    /** Moves node after node to the group that gains most by it, until none moves. */
    private int[] converged() {
        int nodes = links.size();
        double[] weights = new double[nodes];
        double[] totals = new double[nodes];
        int[] group = new int[nodes];
        double all = 0;
        for (int node = 0; node < nodes; node++) {
            weights[node] = weight(node) + links.get(node).getOrDefault(node, 0.0);
            totals[node] = weights[node];
            group[node] = node;
            all += weights[node];
        }
        boolean moved = all > 0;
        for (int pass = 0; moved && pass < PASSES; pass++) {
            moved = false;
            for (int node = 0; node < nodes; node++) {
                int best = best(node, group, weights, totals, all);
                if (best != group[node]) {
                    totals[group[node]] -= weights[node];
                    totals[best] += weights[node];
                    group[node] = best;
                    moved = true;
                }
            }
        }
        return numbered(group);
    }

    private int best(int node, int[] group, double[] weights, double[] totals, double all) {
        Map<Integer, Double> towards = new LinkedHashMap<>();
        towards.put(group[node], 0.0);
        links.get(node).forEach((other, weight) -> {
            if (other != node) {
                towards.merge(group[other], weight, Double::sum);
            }
        });
        int best = group[node];
        double most = Double.NEGATIVE_INFINITY;
        for (Map.Entry<Integer, Double> choice : towards.entrySet()) {
            double total = totals[choice.getKey()] - (choice.getKey() == group[node] ? weights[node] : 0);
            double gain = choice.getValue() - total * weights[node] / all;
            if (gain > most + GAIN) {
                most = gain;
                best = choice.getKey();
            }
        }
        return best;
    }

    private static int[] numbered(int[] group) {
        Map<Integer, Integer> numbers = new HashMap<>();
        int[] numbered = new int[group.length];
        for (int i = 0; i < group.length; i++) {
            numbered[i] = numbers.computeIfAbsent(group[i], any -> numbers.size());
        }
        return numbered;
    }
}
