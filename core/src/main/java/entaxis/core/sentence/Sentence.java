package entaxis.core.sentence;

import entaxis.core.design.Cardinality;
import entaxis.core.design.Design;
import entaxis.core.design.Relationship;
import entaxis.core.design.Side;
import entaxis.core.word.Words;

/**
 * A relationship read from one end: “Each accession is kept in exactly one slot.”
 *
 * @param subject what “each” goes with
 * @param verb    the verb phrase
 * @param number  the cardinality in words
 * @param object  the other entity, in the plural where there may be many
 */
public record Sentence(String subject, String verb, String number, String object) {

    /** The sentence from the entity at a side. */
    public static Sentence of(Design design, Relationship relationship, Side side) {
        Cardinality cardinality = relationship.end(side.other()).cardinality();
        String subject = Words.inSentence(design.entities().get(relationship.end(side).entity()).name());
        String object = Words.inSentence(design.entities().get(relationship.end(side.other()).entity()).name());
        return new Sentence(subject, relationship.end(side).verb(), words(cardinality),
                cardinality.many() ? Words.plural(object) : object);
    }

    /** A cardinality in words. */
    public static String words(Cardinality cardinality) {
        if (cardinality.max() == 1) {
            return cardinality.optional() ? "zero or one" : "exactly one";
        }
        if (cardinality.max() == Cardinality.MANY) {
            return cardinality.min() == 0 ? "zero or more" : cardinality.min() == 1 ? "one or more"
                    : cardinality.min() + " or more";
        }
        return cardinality.min() == cardinality.max() ? "exactly " + cardinality.min()
                : cardinality.min() + " to " + cardinality.max();
    }

    /** The whole sentence. */
    public String text() {
        return "Each " + subject + " " + verb + " " + number + " " + object + ".";
    }
}
