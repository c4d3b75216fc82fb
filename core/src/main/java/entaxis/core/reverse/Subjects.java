package entaxis.core.reverse;

import entaxis.core.design.Area;
import entaxis.core.design.AreaId;
import entaxis.core.design.Design;
import entaxis.core.design.Elements;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Fresh;
import entaxis.core.design.KeyPart;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/**
 * What a design is about: entities that refer to each other more than to others belong to one subject, which is named
 * after the one that most of the rest refers to. Identifying relationships bind twice as much. Close to linear in the
 * relationships.
 */
public final class Subjects {
    private static final int MAX_COUNT = 48;
    private static final int FEWEST = 3;
    private static final int WORTH_IT = 12;
    private static final String LOOSE = "without references";

    /** Entities that belong together. */
    public record Subject(String name, List<EntityId> entities) {
        /** Copies the list. */
        public Subject {
            entities = List.copyOf(entities);
        }
    }

    private final List<Entity> entities;
    private final Communities graph;

    private Subjects(Design design) {
        this.entities = design.entities().list();
        this.graph = new Communities(entities.size());
        Map<EntityId, Integer> places = new HashMap<>();
        Set<RelationshipId> identifying = new HashSet<>();
        for (Entity entity : entities) {
            places.put(entity.id(), places.size());
            entity.primaryKey().forEach(part -> {
                if (part instanceof KeyPart.InheritedPart inherited) {
                    identifying.add(inherited.relationship());
                }
            });
        }
        for (Relationship relationship : design.relationships()) {
            int first = places.get(relationship.first().entity());
            int second = places.get(relationship.second().entity());
            if (first != second) {
                graph.link(first, second, identifying.contains(relationship.id()) ? 2 : 1);
            }
        }
    }

    /** The subjects of a design, the largest first; entities without any relationship come last, as one. */
    public static List<Subject> of(Design design) {
        return new Subjects(design).found();
    }

    /**
     * The design with a subject area for each subject, where it is large enough to need them and has none of its own.
     */
    public static Design assigned(Design design, Fresh fresh) {
        List<Subject> subjects =
                design.entities().size() < WORTH_IT || !design.areas().list().isEmpty() ? List.of() : of(design);
        if (subjects.size() < 2) {
            return design;
        }
        List<Area> areas = new ArrayList<>();
        Map<EntityId, AreaId> chosen = new HashMap<>();
        Set<String> taken = new HashSet<>();
        for (Subject subject : subjects) {
            Area area = new Area(new AreaId(fresh.id('s')), unused(subject.name(), taken), areas.size() % Area.HUES);
            areas.add(area);
            subject.entities().forEach(entity -> chosen.put(entity, area.id()));
        }
        return design.withAreas(Elements.of(areas)).withEntities(Elements.of(
                design.entities().stream().map(entity -> entity.in(Optional.of(chosen.get(entity.id())))).toList()));
    }

    private static String unused(String name, Set<String> taken) {
        String free = name;
        for (int number = 2; !taken.add(free.toLowerCase(java.util.Locale.ROOT)); number++) {
            free = name + " " + number;
        }
        return free;
    }

    private List<Subject> found() {
        List<List<Integer>> groups = new ArrayList<>();
        List<Integer> loose = new ArrayList<>();
        List<Integer> linked = new ArrayList<>();
        for (int node = 0; node < entities.size(); node++) {
            (graph.neighbours(node).isEmpty() ? loose : linked).add(node);
        }
        cut(linked, groups);
        List<List<Integer>> joined = joined(groups);
        joined.sort(
                Comparator.comparing((List<Integer> group) -> -group.size()).thenComparing(group -> group.getFirst()));
        List<Subject> subjects = new ArrayList<>();
        joined.forEach(group -> subjects.add(new Subject(entities.get(hub(group)).name(),
                group.stream().map(node -> entities.get(node).id()).toList())));
        if (!loose.isEmpty()) {
            subjects.add(new Subject(subjects.isEmpty() ? "entities" : LOOSE,
                    loose.stream().sorted(Comparator.comparing(node -> entities.get(node).name()))
                            .map(node -> entities.get(node).id()).toList()));
        }
        return subjects;
    }

    /** Cuts nodes into groups, and groups that are too large to overlook once more. */
    private void cut(List<Integer> nodes, List<List<Integer>> groups) {
        if (nodes.isEmpty()) {
            return;
        }
        int[] numbers = graph.among(nodes).groups();
        Map<Integer, List<Integer>> parts = new TreeMap<>();
        for (int i = 0; i < numbers.length; i++) {
            parts.computeIfAbsent(numbers[i], any -> new ArrayList<>()).add(nodes.get(i));
        }
        for (List<Integer> part : parts.values()) {
            if (part.size() > MAX_COUNT && parts.size() > 1) {
                cut(part, groups);
            } else {
                groups.add(part);
            }
        }
    }

    /** Groups of one or two go to the group that they have most to do with, if that does not grow too large by it. */
    private List<List<Integer>> joined(List<List<Integer>> groups) {
        int[] home = new int[entities.size()];
        for (int i = 0; i < groups.size(); i++) {
            for (int node : groups.get(i)) {
                home[node] = i;
            }
        }
        List<List<Integer>> joined = new ArrayList<>();
        groups.forEach(group -> joined.add(new ArrayList<>(group)));
        for (int i = 0; i < joined.size(); i++) {
            List<Integer> small = joined.get(i);
            if (small.isEmpty() || small.size() >= FEWEST) {
                continue;
            }
            Map<Integer, Double> towards = new TreeMap<>();
            for (int node : small) {
                graph.neighbours(node).forEach((other, weight) -> towards.merge(home[other], weight, Double::sum));
            }
            int own = i;
            Optional<Integer> best = towards.entrySet().stream().filter(
                    choice -> choice.getKey() != own && joined.get(choice.getKey()).size() + small.size() <= MAX_COUNT)
                    .max(Map.Entry.comparingByValue()).map(Map.Entry::getKey);
            if (best.isPresent()) {
                small.forEach(node -> home[node] = best.get());
                joined.get(best.get()).addAll(small);
                small.clear();
            }
        }
        joined.removeIf(List::isEmpty);
        joined.forEach(Collections::sort);
        return joined;
    }

    private int hub(List<Integer> group) {
        Communities inside = graph.among(group);
        int best = 0;
        for (int i = 1; i < group.size(); i++) {
            best = inside.weight(i) > inside.weight(best) ? i : best;
        }
        return group.get(best);
    }
}
