package entaxis.core.dictionary.reading;

import entaxis.core.type.SqlType;
import java.util.List;
import java.util.Optional;

/**
 * What a dictionary says.
 *
 * @param missed what is not understood, with its place
 */
public record ReadDictionary(List<ReadEntity> entities, List<ReadRelationship> relationships, List<ReadType> types,
        List<Missed> missed) {
    /** Copies the lists. */
    public ReadDictionary {
        entities = List.copyOf(entities);
        relationships = List.copyOf(relationships);
        types = List.copyOf(types);
        missed = List.copyOf(missed);
    }

    /** An entity; what is not said of it is empty. */
    public record ReadEntity(String name, String meaning, String area, List<ReadAttribute> attributes) {
        /** Copies the attributes. */
        public ReadEntity {
            attributes = List.copyOf(attributes);
        }
    }

    /**
     * An attribute.
     *
     * @param type     as SQL knows it; none if it was not said or not understood
     * @param named    the name of a type that is defined elsewhere in the dictionary, or the text that was not
     *                 understood
     * @param required whether it must have a value; none if it is not said
     * @param rank     rank in the primary key; 0 for none
     * @param unique   whether it is an alternate key, or the number of the one that it is part of; 0 for no
     */
    public record ReadAttribute(String name, Optional<SqlType> type, String named, boolean numbered,
            Optional<Boolean> required, String defaultValue, String meaning, String example,
            int rank, int unique) { }

    /**
     * A reference from the columns of one entity to another entity.
     *
     * @param from     the entity whose columns refer
     * @param columns  these columns
     * @param verb     the verb phrase that is read from the other entity; may be empty
     * @param required whether there must be one
     * @param rank     rank of the first column in the primary key; 0 if they are not part of it
     * @param unique    whether no two refer to the same
     * @param alternate number of the alternate key that the columns are a part of; 0 for none
     */
    public record ReadRelationship(String from, String to, List<ReadAttribute> columns, String verb, boolean required,
            int rank, boolean unique,
            int alternate) {
        /** Copies the columns. */
        public ReadRelationship {
            columns = List.copyOf(columns);
        }
    }

    /** A type that the dictionary defines. */
    public record ReadType(String name, String kind, String definition, String meaning) { }

    /**
     * What is not understood.
     *
     * @param row    from 1
     * @param column letters, as spreadsheets name it
     */
    public record Missed(String sheet, int row, String column, String text, String reason) { }
}
