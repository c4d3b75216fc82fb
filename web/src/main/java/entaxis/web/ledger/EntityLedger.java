package entaxis.web.ledger;

import entaxis.core.derive.Derivation;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.AlternateKey;
import entaxis.core.design.Area;
import entaxis.core.design.Attribute;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.KeyPart;
import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.KeyPart.OwnPart;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Side;
import entaxis.core.schema.Column;
import entaxis.core.sentence.Sentence;
import entaxis.core.sql.AttributeLineWriter;
import java.util.List;
import java.util.stream.Collectors;

/**
 * One entity as the ledger edits it.
 *
 * @param area          name of its subject area; empty for none
 * @param rows          own attributes and the columns that relationships make, in the order of the table
 * @param relationships the sentences that begin with it
 * @param lines         its attributes as lines of text, to be copied
 */
public record EntityLedger(String id, String name, String meaning, String area, List<String> areas,
        List<LedgerRow> rows, List<Reading> relationships,
        List<String> lines) {

    /** A relationship read from the entity. */
    public record Reading(String id, String sentence) { }

    /** The ledger of an entity. */
    public static EntityLedger of(Design design, Derivation derivation, Entity entity) {
        return new EntityLedger(entity.id().value(), entity.name(), entity.meaning(),
                entity.area().flatMap(design.areas()::find).map(Area::name).orElse(""),
                design.areas().stream().map(Area::name).toList(),
                rows(design, derivation.stated().derived(entity.id()).orElseThrow(), entity.id(), entity),
                design.relationshipsOf(entity.id()).map(relationship -> new Reading(relationship.id().value(),
                        Sentence.of(design, relationship,
                                relationship.first().entity().equals(entity.id()) ? Side.FIRST : Side.SECOND).text()))
                        .toList(),
                entity.attributes().stream().map(new AttributeLineWriter(design)::write).toList());
    }

    private static List<LedgerRow> rows(Design design, DerivedTable table, OwnerId owner, Entity entity) {
        return table.columns().stream().map(column -> {
            ColumnPath path = column.path();
            int rank = table.table().keyColumns().indexOf(column.name()) + 1;
            return path.migrated() ? foreign(design, entity, column.column(), path, rank)
                    : own(design, entity, column.column(), design.attribute(owner, path.attribute()).orElseThrow(),
                            rank);
        }).toList();
    }

    private static LedgerRow own(Design design, Entity entity, Column column, Attribute attribute, int rank) {
        return LedgerRow.own(design, attribute, column.required(), keys(entity, new OwnPart(attribute.id()), rank));
    }

    private static LedgerRow foreign(Design design, Entity entity, Column column, ColumnPath path, int rank) {
        RelationshipId id = path.hops().getFirst().relationship();
        Relationship relationship = design.relationships().get(id);
        Side parent = path.hops().getFirst().parent();
        ColumnPath keyColumn = path.inParent();
        return LedgerRow.foreign(id, parent, keyColumn, column,
                design.entities().get(relationship.end(parent).entity()).name(), relationship.end(parent).verb(),
                keys(entity, new InheritedPart(id), rank));
    }

    private static String keys(Entity entity, KeyPart part, int rank) {
        String alternates =
                entity.alternateKeys().stream().filter(key -> key.parts().contains(part)).map(AlternateKey::number)
                .map(number -> "AK" + number).collect(Collectors.joining(" "));
        return (rank > 0 ? rank + " " : "") + alternates;
    }
}
