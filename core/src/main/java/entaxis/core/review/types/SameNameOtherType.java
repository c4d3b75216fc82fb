package entaxis.core.review.types;

import entaxis.core.change.AttributeAspect;
import entaxis.core.change.Change;
import entaxis.core.design.Attribute;
import entaxis.core.design.Entity;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.Remedy;
import entaxis.core.review.Reviewed;
import entaxis.core.review.Rule;
import entaxis.core.review.RuleInfo;
import entaxis.core.review.Values;
import entaxis.core.schema.Column;
import entaxis.core.type.SqlType;
import entaxis.core.word.Words;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/** Attributes of one name and different types. */
public final class SameNameOtherType implements Rule {
    private static final RuleInfo INFO = new RuleInfo("same-name-other-type", Family.TYPES, Level.HINT, Basis.PRACTICE, "same name, other type",
            "What is called the same is taken for the same; with other types it cannot be compared or joined without converting.",
            "common practice");
    private static final Set<String> COMMON = Set.of("name", "title", "description", "remark", "note", "comment", "status", "type", "code", "number", "date", "value", "amount", "label", "text", "id");

    private static final int MOST = 8;

    private record Owned(Entity entity, Attribute own) { }

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Reviewed of, Consumer<Finding> found) {
        Map<String, List<Owned>> byName = new LinkedHashMap<>();
        for (Entity entity : of.design().entities()) {
            for (Column column : of.table(entity.id()).columns()) {
                column.origin().filter(path -> !path.migrated()).flatMap(path -> entity.attribute(path.attribute()))
                        .ifPresent(own -> byName.computeIfAbsent(column.name(), any -> new ArrayList<>()).add(new Owned(entity, own)));
            }
        }
        byName.forEach((name, all) -> {
            boolean differ = all.stream().anyMatch(one -> !one.own().type().equals(all.getFirst().own().type()));
            if (differ && !COMMON.contains(name)) {
                Map<SqlType, List<Owned>> byType = new LinkedHashMap<>();
                all.forEach(one -> byType.computeIfAbsent(one.own().type(), any -> new ArrayList<>()).add(one));
                found.accept(finding(of, name, all, byType));
            }
        });
    }

    private static Finding finding(Reviewed of, String name, List<Owned> all, Map<SqlType, List<Owned>> byType) {
        List<String> evidence = byType.entrySet().stream().map(type -> of.design().text(type.getKey()) + ": " + type.getValue().stream().map(one -> one.entity().name())
                .limit(MOST).collect(Collectors.joining(", "))).toList();
        List<Remedy> remedies = byType.entrySet().stream().sorted(Comparator.comparing(type -> -type.getValue().size())).limit(MOST)
                .filter(type -> all.stream().allMatch(one -> Values.allFit(of, one.entity(), one.own(), type.getKey())))
                .map(type -> new Remedy("Make all of them " + of.design().text(type.getKey()), new Change.Several(all.stream()
                        .filter(one -> !one.own().type().equals(type.getKey())).<Change>map(one -> new Change.AlterAttribute(one.entity().id(), one.own().id(),
                        new AttributeAspect.Type(type.getKey()))).toList()))).toList();
        return new Finding(INFO.id(), INFO.level(), all.stream().map(one -> of.about(one.entity(), one.own())).toList(), "“" + name + "” has "
                + Words.counted(byType.size(), "different type") + " in " + Words.counted(all.size(), "entity") + ".", evidence, remedies);
    }
}
