package entaxis.core.review;

import entaxis.core.derive.DerivedTable;
import entaxis.core.design.Design;
import entaxis.core.design.Elements;
import entaxis.core.design.EntityId;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.SampleRow;
import entaxis.core.design.Side;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** Which entities are to be judged again after an edit: what changed, and what is joined to it. */
final class Touched {
    private final Reviewed before;
    private final Reviewed now;
    private final Set<EntityId> changed = new HashSet<>();

    private Touched(Reviewed before, Reviewed now) {
        this.before = before;
        this.now = now;
    }

    /**
     * The entities whose own facts or surroundings are no longer the very same. Linear in the design; elements are
     * compared by identity.
     */
    static Set<EntityId> between(Reviewed before, Reviewed now) {
        Design design = now.design();
        if (before.design().types() != design.types() || before.dialect().target() != now.dialect().target()) {
            return design.entities().stream().map(entity -> entity.id()).collect(Collectors.toSet());
        }
        Touched touched = new Touched(before, now);
        touched.entities();
        touched.relationships();
        touched.rows();
        touched.dependencies();
        return touched.withNeighbours();
    }

    private void entities() {
        now.design().entities().changedSince(before.design().entities()).forEach(one -> changed.add(one.id()));
        Map<OwnerId, DerivedTable> tables = before.derivation().stated().tables();
        now.derivation().stated().tables().forEach((owner, table) -> {
            if (owner instanceof EntityId entity && tables.get(owner) != table) {
                changed.add(entity);
            }
        });
    }

    private void relationships() {
        Elements<RelationshipId, Relationship> old = before.design().relationships();
        now.design().relationships().changedSince(old).forEach(this::ends);
        old.changedSince(now.design().relationships()).forEach(this::ends);
    }

    private void ends(Relationship relationship) {
        for (Side side : Side.values()) {
            changed.add(relationship.end(side).entity());
        }
    }

    private void rows() {
        if (before.design().rows() == now.design().rows()) {
            return;
        }
        now.design().entities().forEach(entity -> {
            if (!same(before.rows(entity.id()), now.rows(entity.id()))) {
                changed.add(entity.id());
            }
        });
    }

    private static boolean same(List<SampleRow> some, List<SampleRow> others) {
        if (some.size() != others.size()) {
            return false;
        }
        for (int i = 0; i < some.size(); i++) {
            if (some.get(i) != others.get(i)) {
                return false;
            }
        }
        return true;
    }

    private void dependencies() {
        if (before.design().dependencies() != now.design().dependencies()) {
            now.design().entities().forEach(entity -> {
                if (!before.design().dependencies().find(entity.id())
                        .equals(now.design().dependencies().find(entity.id()))) {
                    changed.add(entity.id());
                }
            });
        }
    }

    private Set<EntityId> withNeighbours() {
        Set<EntityId> all = new HashSet<>(changed);
        changed.forEach(id -> now.relationships(id).forEach(relationship -> {
            for (Side side : Side.values()) {
                all.add(relationship.end(side).entity());
            }
        }));
        return all;
    }
}
