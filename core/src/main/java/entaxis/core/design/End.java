package entaxis.core.design;

import java.util.Map;

/**
 * One end of a relationship.
 *
 * @param cardinality how many of this end's entity go with one of the other's
 * @param verb        the verb phrase read from this end: “Each <this> <verb> ... <other>”
 * @param role        the role this end's entity plays for the other, which names the columns that its key becomes there
 *                    (FIPS PUB 184); may be empty
 * @param columnNames names given to columns that this end's key becomes in the other's table, by the key column's path
 *                    here
 * @param agreed      the sentence read from this end as it was agreed; empty while it was not
 */
public record End(EntityId entity, Cardinality cardinality, String verb, String role,
        Map<ColumnPath, String> columnNames, String agreed) {
    /** The verb phrase that is proposed at the end of a parent. */
    public static final String HAS = "has";
    /** The verb phrase that is proposed at the end of a child. */
    public static final String BELONGS_TO = "belongs to";

    /** Copies the names. */
    public End {
        columnNames = Map.copyOf(columnNames);
    }

    /** An end without role. */
    public static End of(EntityId entity, Cardinality cardinality, String verb) {
        return new End(entity, cardinality, verb, "", Map.of(), "");
    }

    /** The same at another entity. */
    public End at(EntityId other) {
        return new End(other, cardinality, verb, role, columnNames, agreed);
    }

    /** The same with another cardinality. */
    public End with(Cardinality other) {
        return new End(entity, other, verb, role, columnNames, agreed);
    }

    /** The same with another verb phrase. */
    public End verb(String phrase) {
        return new End(entity, cardinality, phrase, role, columnNames, agreed);
    }

    /** The same with another role. */
    public End role(String name) {
        return new End(entity, cardinality, verb, name, columnNames, agreed);
    }

    /** The same with other column names. */
    public End columnNames(Map<ColumnPath, String> names) {
        return new End(entity, cardinality, verb, role, names, agreed);
    }

    /** The same with the sentence that was agreed, or an empty one. */
    public End agreed(String sentence) {
        return new End(entity, cardinality, verb, role, columnNames, sentence);
    }

    /** Whether its verb phrase is the proposed one, which nobody wrote or agreed to. */
    public boolean proposed() {
        return agreed.isEmpty() && (verb.equals(HAS) || verb.equals(BELONGS_TO));
    }
}
