package entaxis.core.sentence;

import entaxis.core.design.Design;
import entaxis.core.design.EntityId;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Side;
import entaxis.core.word.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Questions to ask after a many-to-many was resolved: whether the new entity hides the next one. */
public final class HiddenManyToMany {
    private HiddenManyToMany() { }

    /**
     * A sentence to read aloud, and what it would mean if it were wrong.
     *
     * @param relationship the relationship that it reads
     * @param side         the end that it is read from
     */
    public record Question(RelationshipId relationship, Side side, String sentence, String question) { }

    /**
     * For each relationship by which an entity belongs to exactly one parent, unless its sentence was agreed: could it
     * be several after all?
     */
    public static List<Question> questions(Design design, EntityId associative) {
        List<Question> questions = new ArrayList<>();
        for (Relationship relationship : design.relationshipsOf(associative).toList()) {
            Optional<Side> child =
                    relationship.child().filter(side -> relationship.end(side).entity().equals(associative)
                    && !relationship.end(side).agreed().equals(Sentence.of(design, relationship, side).text()));
            child.ifPresent(side -> {
                String own = Words.inSentence(design.entities().get(associative).name());
                String parent = Words.inSentence(design.entities().get(relationship.end(side.other()).entity()).name());
                questions.add(new Question(relationship.id(), side, Sentence.of(design, relationship, side).text(),
                        "Could one " + own + " ever need two " + Words.plural(parent)
                                + "? Then this is the next many-to-many."));
            });
        }
        return questions;
    }
}
