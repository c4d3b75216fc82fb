package entaxis.web.ledger;

import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Sheet;
import java.util.List;
import java.util.stream.Collectors;

/**
 * Several cards at once.
 *
 * @param ids   their identities, joined by commas
 * @param names of the first of them
 */
public record SelectionLedger(String ids, int count, List<String> names, int entities, boolean pinned) {
    private static final int NAMED = 12;

    /** What is selected on a sheet. */
    public static SelectionLedger of(Design design, Sheet sheet, List<OwnerId> cards) {
        List<String> names = cards.stream().limit(NAMED).map(card -> switch (card) {
            case EntityId id -> design.entities().find(id).map(Entity::name).orElse("");
            case RelationshipId id -> design.relationships().find(id).map(Relationship::name).orElse("");
        }).filter(name -> !name.isEmpty()).toList();
        return new SelectionLedger(cards.stream().map(OwnerId::value).collect(Collectors.joining(",")), cards.size(),
                names,
                (int) cards.stream().filter(EntityId.class::isInstance).count(), sheet.pinned().containsAll(cards));
    }
}
