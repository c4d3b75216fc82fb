package entaxis.core.derive;

import entaxis.core.design.AlternateKey;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Attribute;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Category;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.Elements;
import entaxis.core.design.EntityId;
import entaxis.core.design.Entity;
import entaxis.core.design.ExclusionId;
import entaxis.core.design.Exclusion;
import entaxis.core.design.Index;
import entaxis.core.design.KeyPaths;
import entaxis.core.design.Member;
import entaxis.core.design.NamedCheck;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Relationship;
import entaxis.core.design.SampleRow;
import entaxis.core.design.Side;
import entaxis.core.design.SqlName;
import entaxis.core.expression.Expression;
import entaxis.core.type.SqlType.BooleanType;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/** One table for an entity and all of its kinds. */
final class SingleTableMapping {
    private final Design design;
    private final Category category;
    private final Entity general;
    private final List<Member> members;
    private final List<AlternateKey> alternates;
    private final List<NamedCheck> checks;
    private final List<Index> indexes;
    private final Map<String, String> kinds = new LinkedHashMap<>();

    SingleTableMapping(Design design, Category category) {
        this.design = design;
        this.category = category;
        this.general = design.entities().get(category.general());
        this.members = new ArrayList<>(general.members());
        this.alternates = new ArrayList<>(general.alternateKeys());
        this.checks = new ArrayList<>(general.checks());
        this.indexes = new ArrayList<>(general.indexes());
    }

    Design fold() {
        List<Attribute> telling = new ArrayList<>();
        String discriminator = free(category.discriminator().isEmpty() ? "kind" : category.discriminator());
        AttributeId discriminatorId = new AttributeId("ak" + category.id().value().substring(1));
        Design next = design.withCategories(design.categories().without(category.id()));
        Map<EntityId, RelationshipId> folded = new LinkedHashMap<>();
        for (RelationshipId kindOf : category.kinds()) {
            Entity kind = design.entities().get(design.relationships().get(kindOf).second().entity());
            String value = SqlName.of(kind.name());
            String flag = free("is " + value);
            kinds.put(kind.id().value(),
                    category.disjoint() ? SqlName.of(discriminator) + " = '" + value.replace("'", "''") + "'"
                            : SqlName.quoted(SqlName.of(flag)));
            if (!category.disjoint()) {
                telling.add(
                        Attribute.of(new AttributeId("af" + kind.id().value().substring(1)), flag, new BooleanType())
                                .required(true).withDefault(Optional.of("false"))
                        .meaning("whether it is a " + kind.name()));
            }
            folded.put(kind.id(), kindOf);
        }
        if (category.disjoint()) {
            String values = folded.keySet().stream()
                    .map(kind -> "'" + SqlName.of(design.entities().get(kind).name()).replace("'", "''") + "'")
                    .collect(Collectors.joining(", "));
            int longest = folded.keySet().stream()
                    .mapToInt(kind -> SqlName.of(design.entities().get(kind).name()).length()).max().orElse(1);
            telling.add(
                    Attribute.of(discriminatorId, discriminator, SqlType.varchar(longest)).required(category.complete())
                            .withCheck(Optional.of(SqlName.quoted(SqlName.of(discriminator)) + " in (" + values + ")"))
                            .meaning("which kind it is"));
        } else if (category.complete()) {
            checks.add(new NamedCheck("", String.join(" or ", kinds.values())));
        }
        members.addAll(telling);
        folded.keySet().forEach(kind -> take(design.entities().get(kind)));
        for (Map.Entry<EntityId, RelationshipId> kind : folded.entrySet()) {
            next = next.withRelationships(next.relationships().without(kind.getValue()));
        }
        next = next.with(
                general.withMembers(members).withAlternateKeys(alternates).withChecks(checks).withIndexes(indexes));
        next = redirected(next, folded.keySet());
        for (EntityId kind : folded.keySet()) {
            next = next.withEntities(next.entities().without(kind));
        }
        return merged(next, folded, discriminatorId);
    }

    /** Takes over what a kind has; a value is required only of things of that kind. */
    private void take(Entity kind) {
        String is = kinds.get(kind.id().value());
        Map<String, String> renamed = new HashMap<>();
        for (Member member : kind.members()) {
            if (member instanceof Attribute own) {
                String name = free(own.name(), kind.name());
                if (!name.equals(own.name())) {
                    renamed.put(SqlName.of(own.name()), SqlName.quoted(SqlName.of(name)));
                }
                members.add(own.named(name).required(false).withDefault(Optional.empty()));
                if (own.required()) {
                    checks.add(new NamedCheck("",
                            "not (" + is + ") or " + SqlName.quoted(SqlName.of(name)) + " is not null"));
                }
            } else {
                members.add(member);
            }
        }
        UnaryOperator<String> renaming = words -> Expression.of(words).renamed(renamed).text();
        members.replaceAll(member -> member instanceof Attribute own && kind.attribute(own.id()).isPresent()
                ? own.withCheck(own.check().map(renaming), own.checkName()).computed(own.generated().map(renaming))
                : member);
        kind.checks().forEach(
                check -> checks.add(new NamedCheck(check.name(), renaming.apply(check.condition()))));
        for (AlternateKey key : kind.alternateKeys()) {
            alternates.add(new AlternateKey(alternates.stream().mapToInt(AlternateKey::number).max().orElse(0) + 1,
                    key.parts()));
        }
        indexes.addAll(kind.indexes());
    }

    /**
     * The design with all that was related to a kind related to the general entity; what a kind must refer to, others
     * need not.
     */
    private Design redirected(Design from, Set<EntityId> folded) {
        Design next = from;
        List<Relationship> all = new ArrayList<>(from.relationships().size());
        for (Relationship relationship : from.relationships()) {
            Relationship now = relationship;
            for (Side side : Side.values()) {
                if (folded.contains(relationship.end(side).entity())) {
                    boolean child = relationship.child().equals(Optional.of(side));
                    now = now.with(side, now.end(side).at(general.id()));
                    Cardinality parent = now.end(side.other()).cardinality();
                    if (child && !parent.optional() && !parent.many()) {
                        now = now.with(side.other(), now.end(side.other()).with(Cardinality.ZERO_OR_ONE));
                    }
                }
            }
            all.add(now);
        }
        next = next.withRelationships(Elements.of(all));
        Elements<ExclusionId, Exclusion> exclusions = next.exclusions();
        for (Exclusion exclusion : next.exclusions()) {
            if (folded.contains(exclusion.child())) {
                exclusions = exclusions.with(
                        new Exclusion(exclusion.id(), exclusion.name(), general.id(), exclusion.alternatives(), false));
            }
        }
        return next.withExclusions(exclusions);
    }

    /** The sample rows of the kinds put into the general rows of the same key. */
    private Design merged(Design next, Map<EntityId, RelationshipId> folded, AttributeId discriminator) {
        List<ColumnPath> key = KeyPaths.of(design, general.id());
        Map<List<String>, SampleRow> byKey = new LinkedHashMap<>();
        List<SampleRow> others = new ArrayList<>();
        for (SampleRow row : next.rows()) {
            if (row.table().equals(general.id())) {
                byKey.put(key.stream().map(path -> row.values().getOrDefault(path, "")).toList(), row);
            } else if (!(row.table() instanceof EntityId table && folded.containsKey(table))) {
                others.add(row);
            }
        }
        for (SampleRow row : next.rows()) {
            if (row.table() instanceof EntityId table && folded.containsKey(table)) {
                RelationshipId kindOf = folded.get(table);
                List<String> values =
                        key.stream().map(path -> row.values().getOrDefault(path.over(kindOf, Side.FIRST), "")).toList();
                SampleRow whole = byKey.getOrDefault(values, new SampleRow(row.id(), general.id(), Map.of()));
                Map<ColumnPath, String> all = new HashMap<>(whole.values());
                row.values().forEach((path, value) -> {
                    boolean ofKey = path.migrated() && path.hops().getFirst().relationship().equals(kindOf);
                    all.put(ofKey ? path.inParent() : path,
                            value);
                });
                all.put(ColumnPath
                        .own(category.disjoint() ? discriminator : new AttributeId("af" + table.value().substring(1))),
                        category.disjoint() ? SqlName.of(design.entities().get(table).name()) : "true");
                byKey.put(values, new SampleRow(whole.id(), general.id(), all));
            }
        }
        others.addAll(byKey.values());
        return next.withRows(Elements.of(others));
    }

    private String free(String name) {
        return free(name, "");
    }

    /** The name if it is still free, else with the kind before it. */
    private String free(String name, String kind) {
        boolean taken = members.stream()
                .anyMatch(member -> member instanceof Attribute own && SqlName.of(own.name()).equals(SqlName.of(name)));
        return !taken ? name : kind.isEmpty() ? name + " 2" : kind + " " + name;
    }
}
