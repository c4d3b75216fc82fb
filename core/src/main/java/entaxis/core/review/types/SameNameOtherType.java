package entaxis.core.review.types;

import entaxis.core.change.AttributeAspect;
import entaxis.core.change.Change;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.SampleRow;
import entaxis.core.review.About;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.GatheringRule;
import entaxis.core.review.Level;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.review.Values;
import entaxis.core.type.SqlType;
import entaxis.core.word.Words;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Attributes of one name and different types. */
public final class SameNameOtherType implements GatheringRule<List<SameNameOtherType.Owned>> {
    private static final RuleInfo INFO = new RuleInfo("same-name-other-type", Family.TYPES, Level.HINT, Basis.PRACTICE,
            "same name, other type",
            "What is called the same is taken for the same; with other types it cannot be compared or joined without "
                    + "converting.",
            "common practice");
    private static final Set<String> COMMON = Set.of("name", "title", "description", "remark", "note", "comment",
            "status", "type", "code", "number", "date", "value", "amount", "label", "text", "id");

    private static final int MAX_COUNT = 8;
    private static final int REMEDIES = 2;
    private static final int TOGETHER = 100;

    /** An attribute with the names of its table and column, and the rows that may have a value of it. */
    record Owned(String table, String column, EntityId entity, AttributeId own, SqlType type,
            Optional<String> defaultValue, List<SampleRow> rows) {
        About about() {
            return new About(About.Kind.ATTRIBUTE, entity.value(), table + "." + column);
        }

        boolean wouldFit(Reviewed of, SqlType other) {
            return Values.stored(own, defaultValue, rows).stream()
                    .allMatch(value -> Values.unfit(of, other, value).isEmpty());
        }
    }

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public Optional<List<Owned>> gather(Entity entity, Reviewed of) {
        DerivedTable table = of.derived(entity.id());
        return Optional.of(table.columns().stream().filter(column -> !COMMON.contains(column.name()))
                .flatMap(column -> Optional.of(column.path())
                        .filter(path -> !path.migrated()).flatMap(path -> entity.attribute(path.attribute()))
                        .map(own -> new Owned(table.name(), column.name(), entity.id(), own.id(), own.type(),
                                own.defaultValue(), of.rows(entity.id())))
                        .stream())
                .toList());
    }

    @Override
    public void conclude(Stream<List<Owned>> gathered, Reviewed of, Consumer<Finding> found) {
        Map<String, Owned> first = new HashMap<>();
        Map<String, List<Owned>> differing = new LinkedHashMap<>();
        List<Owned> all = gathered.flatMap(List::stream).toList();
        for (Owned one : all) {
            Owned before = first.putIfAbsent(one.column(), one);
            if (before != null && !before.type().equals(one.type())) {
                differing.put(one.column(), new ArrayList<>());
            }
        }
        if (differing.isEmpty()) {
            return;
        }
        all.stream().filter(one -> differing.containsKey(one.column()))
                .forEach(one -> differing.get(one.column()).add(one));
        differing.forEach((name, some) -> {
            Map<SqlType, List<Owned>> byType = new LinkedHashMap<>();
            some.forEach(one -> byType.computeIfAbsent(one.type(), any -> new ArrayList<>()).add(one));
            found.accept(finding(of, name, some, byType));
        });
    }

    private static Finding finding(Reviewed of, String name, List<Owned> all, Map<SqlType, List<Owned>> byType) {
        List<String> evidence = byType.entrySet().stream()
                .map(type -> of.design().text(type.getKey()) + ": "
                        + type.getValue().stream().map(one -> of.name(one.entity()))
                .limit(MAX_COUNT).collect(Collectors.joining(", "))).toList();
        List<SuggestedChange> remedies =
                byType.entrySet().stream().sorted(Comparator.comparing(type -> -type.getValue().size())).limit(REMEDIES)
                        .filter(type -> all.size() <= TOGETHER && all.stream()
                                .allMatch(one -> one.wouldFit(of, type.getKey())))
                        .map(type -> new SuggestedChange("Make all of them " + of.design().text(type.getKey()),
                                new Change.Several(all.stream()
                                        .filter(one -> !one.type().equals(type.getKey()))
                                        .<Change>map(one -> new Change.AlterAttribute(one.entity(), one.own(),
                        new AttributeAspect.Type(type.getKey()))).toList()))).toList();
        return new Finding(INFO.id(), INFO.level(), all.stream().map(Owned::about).toList(), "“" + name + "” has "
                + Words.counted(byType.size(), "different type") + " in " + Words.counted(all.size(), "entity") + ".",
                evidence, remedies);
    }
}
