package entaxis.core.change;

import entaxis.core.design.Attribute;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.Naming;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Relationship;
import entaxis.core.design.Side;
import entaxis.core.design.SqlName;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Names that exist already and do not follow the naming policy, and the edit that makes them follow it. */
public final class Renaming {
    private Renaming() { }

    /**
     * One name that would change.
     *
     * @param of what it is the name of
     */
    public record Proposal(String of, String was, String becomes, Change change) { }

    /**
     * What the design's policy would change of the names that were typed; names that would then be taken twice are left
     * out.
     */
    public static List<Proposal> proposals(Design design) {
        Naming naming = design.facts().names();
        List<Proposal> proposals = new ArrayList<>();
        Set<String> taken = new HashSet<>();
        design.entities().forEach(entity -> taken.add(SqlName.of(entity.name())));
        for (Entity entity : design.entities()) {
            String becomes = naming.entities().of(entity.name());
            if (!becomes.equals(entity.name()) && taken.add(SqlName.of(becomes))) {
                proposals.add(
                        new Proposal("entity", entity.name(), becomes, new Change.RenameEntity(entity.id(), becomes)));
            }
            attributes(naming, entity.id(), entity.name(), entity.attributes(), proposals);
        }
        for (Relationship relationship : design.relationships()) {
            attributes(naming, relationship.id(), relationship.name(), relationship.attributes(), proposals);
            for (Side side : Side.values()) {
                relationship.end(side).columnNames().forEach((path, name) -> {
                    if (!naming.written(name).equals(name)) {
                        proposals.add(new Proposal("foreign-key column", name, naming.written(name),
                                new Change.AlterRelationship(relationship.id(),
                                        new RelationshipAspect.ColumnName(side, path, naming.written(name)))));
                    }
                });
            }
        }
        return proposals;
    }

    private static void attributes(Naming naming, OwnerId owner, String of, List<Attribute> attributes,
            List<Proposal> proposals) {
        Set<String> taken = new HashSet<>();
        attributes.forEach(attribute -> taken.add(SqlName.of(attribute.name())));
        for (Attribute attribute : attributes) {
            String becomes = naming.column(attribute.name());
            boolean free = SqlName.of(becomes).equals(SqlName.of(attribute.name())) || taken.add(SqlName.of(becomes));
            if (!becomes.equals(attribute.name()) && free) {
                proposals.add(new Proposal("attribute of " + of, attribute.name(), becomes,
                        new Change.AlterAttribute(owner, attribute.id(), new AttributeAspect.Name(becomes))));
            }
        }
    }
}
