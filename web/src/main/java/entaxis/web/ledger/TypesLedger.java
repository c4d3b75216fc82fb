package entaxis.web.ledger;

import entaxis.core.design.Design;
import entaxis.core.sql.TypeLineReader;
import entaxis.core.type.SqlType;
import entaxis.core.type.SqlType.DesignType;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The types that a design defines. */
public record TypesLedger(List<TypeRow> types) {
    /**
     * One type.
     *
     * @param definition as text that can be edited
     * @param uses       how many attributes have it
     */
    public record TypeRow(String id, String name, String definition, String meaning, int uses) { }

    /** The types of a design. */
    public static TypesLedger of(Design design) {
        Map<SqlType, Integer> uses = new HashMap<>();
        design.entities().forEach(
                entity -> entity.attributes().forEach(attribute -> uses.merge(attribute.type(), 1, Integer::sum)));
        design.relationships().forEach(relationship -> relationship.attributes()
                .forEach(attribute -> uses.merge(attribute.type(), 1, Integer::sum)));
        return new TypesLedger(design.types().stream()
                .map(type -> new TypeRow(type.id().value(), type.name(), TypeLineReader.text(design, type),
                        type.meaning(),
                uses.getOrDefault(new DesignType(type.id().value()), 0))).toList());
    }
}
