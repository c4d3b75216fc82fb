package entaxis.core.review.relationships;

import entaxis.core.change.Change;
import entaxis.core.change.RelationshipAspect;
import entaxis.core.derive.DerivedColumn;
import entaxis.core.derive.ForeignNames;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Relationship;
import entaxis.core.design.Side;
import entaxis.core.review.About;
import entaxis.core.review.Basis;
import entaxis.core.review.EntityRule;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.regex.Pattern;

/** Several relationships between one pair of entities whose columns nothing tells apart. */
public final class RolesMissing implements EntityRule {
    private static final RuleInfo INFO =
            new RuleInfo("roles-missing", Family.RELATIONSHIPS, Level.CAUTION, Basis.MANUAL, "roles missing",
            "Two references to one entity that differ by a number only are mixed up sooner or later.",
            "FIPS PUB 184 (IDEF1X), role names");
    private static final Pattern NUMBERED = Pattern.compile(".*_\\d+");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        Map<EntityId, List<Relationship>> byParent = new LinkedHashMap<>();
        for (Relationship relationship : of.references(entity.id())) {
            EntityId parent = relationship.parentEntity().orElseThrow();
            boolean numbered = of.columns(relationship).stream()
                    .anyMatch(column -> Character.isDigit(column.name().charAt(column.name().length() - 1))
                            && NUMBERED.matcher(column.name()).matches()
                    && of.table(entity.id()).column(column.name().replaceFirst("_\\d+$", "")).isPresent());
            if (numbered && relationship.end(relationship.parent().orElseThrow()).role().isBlank()) {
                byParent.computeIfAbsent(parent, any -> new ArrayList<>()).add(relationship);
            }
        }
        byParent.forEach((parent, relationships) -> {
            List<SuggestedChange> remedies =
                    relationships.stream().flatMap(relationship -> named(relationship).stream()).toList();
            List<About> about = new ArrayList<>(relationships.stream().map(of::about).toList());
            about.add(of.about(entity));
            found.accept(new Finding(INFO.id(), INFO.level(), about,
                    "Several relationships lead from “" + entity.name() + "” to “" + of.name(parent)
                            + "”, and only a number tells their columns apart.",
                    relationships.stream().flatMap(one -> of.columns(one).stream()).map(DerivedColumn::name).toList(),
                    remedies));
        });
    }

    private static Optional<SuggestedChange> named(Relationship relationship) {
        Side parent = relationship.parent().orElseThrow();
        String word = ForeignNames.verb(relationship, parent);
        return word.isEmpty() ? Optional.empty()
                : Optional.of(new SuggestedChange("Call the role “" + word + "”",
                        new Change.AlterRelationship(relationship.id(), new RelationshipAspect.Role(parent, word))));
    }
}
