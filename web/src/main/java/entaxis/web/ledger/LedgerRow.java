package entaxis.web.ledger;

import entaxis.core.design.Attribute;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Side;
import entaxis.core.schema.Column;
import entaxis.core.sql.AttributeLineWriter;

/**
 * One attribute or foreign-key column as a row of the ledger.
 *
 * @param part    identity of the key part that it is: the attribute, or the relationship that made the column
 * @param foreign whether a relationship made it
 * @param side    for a foreign column, the end of the relationship that is the parent
 * @param path    for a foreign column, the parent's key column that it follows
 * @param key     rank in the primary key and alternate keys, as the key cell shows and takes it
 * @param follows for a foreign column, the entity whose key it follows
 * @param verb    for a foreign column, the parent's verb phrase
 */
public record LedgerRow(String id, String part, boolean foreign, String side, String path, String key, String name,
        String type, boolean required,
        String defaultValue, String check, String meaning, String follows, String verb) {

    /** The row of an own attribute. */
    static LedgerRow own(Design design, Attribute attribute, boolean required, String key) {
        String defaultText = AttributeLineWriter.generated(attribute).or(attribute::defaultValue).orElse("");
        String check = attribute.checkName().isEmpty() ? attribute.check().orElse("")
                : attribute.check()
                        .map(condition -> "constraint " + attribute.checkName() + " check (" + condition + ")")
                        .orElse("");
        return new LedgerRow(attribute.id().value(), attribute.id().value(), false, "", "", key.strip(),
                attribute.name(), design.text(attribute.type()), required,
                defaultText, check, attribute.meaning(), "", "");
    }

    /** The row of a column that a relationship made. */
    static LedgerRow foreign(RelationshipId relationship, Side parent, ColumnPath keyColumn, Column column,
            String follows, String verb, String key) {
        return new LedgerRow((relationship + "-" + parent + "-" + keyColumn).replace('.', '_').replace("+", "p"),
                relationship.value(), true, parent.name(), keyColumn.toString(),
                key.strip(), column.name(), column.type().text(), column.required(), "", "", "", follows, verb);
    }
}
