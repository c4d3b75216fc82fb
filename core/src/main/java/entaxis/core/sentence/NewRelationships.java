package entaxis.core.sentence;

import entaxis.core.change.Change;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Design;
import entaxis.core.design.End;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Fresh;
import entaxis.core.design.Place;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Sheet;
import entaxis.core.design.SqlName;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** What a new relationship starts with: what was said, and for the rest what is usual. */
public final class NewRelationships {
    private NewRelationships() { }

    /**
     * The usual one: one to many from the first entity to the second (common practice); with itself, from an optional
     * parent to its children.
     */
    public static Relationship between(RelationshipId id, EntityId first, EntityId second) {
        boolean recursive = first.equals(second);
        return Relationship.between(id,
                End.of(first, recursive ? Cardinality.ZERO_OR_ONE : Cardinality.EXACTLY_ONE, End.HAS)
                        .role(recursive ? "parent" : ""),
                End.of(second, Cardinality.ZERO_OR_MORE, End.BELONGS_TO));
    }

    /**
     * All that sentences say as one edit: entities that are not there yet are added in free places, and relationships.
     * A direction that was not said is zero or more where the other is one, and else exactly one, to be corrected.
     */
    public static Change of(Design design, List<SentenceReader.Pair> pairs, Sheet sheet, Fresh fresh) {
        List<Change> changes = new ArrayList<>();
        Map<String, EntityId> known = new HashMap<>();
        design.entities().forEach(entity -> known.put(SqlName.of(entity.name()), entity.id()));
        int bottom = sheet.places().values().stream().mapToInt(Place::y).max().orElse(-160) + 200;
        for (SentenceReader.Pair pair : pairs) {
            for (String name : List.of(pair.there().subject(), pair.there().object())) {
                if (!known.containsKey(SqlName.of(name))) {
                    EntityId id = new EntityId(fresh.id('e'));
                    long added = changes.stream().filter(Change.AddEntity.class::isInstance).count();
                    changes.add(new Change.AddEntity(Entity.named(id, capital(name)), sheet.id(),
                            new Place((int) (60 + added % 4 * 280), (int) (bottom + added / 4 * 180))));
                    known.put(SqlName.of(name), id);
                }
            }
            EntityId subject = known.get(SqlName.of(pair.there().subject()));
            EntityId object = known.get(SqlName.of(pair.there().object()));
            Cardinality there = pair.there().cardinality();
            Cardinality back = pair.back().map(SentenceReader.ReadSentence::cardinality)
                    .orElse(there.many() ? Cardinality.EXACTLY_ONE : Cardinality.ZERO_OR_MORE);
            String backVerb =
                    pair.back().map(SentenceReader.ReadSentence::verb).orElse(there.many() ? End.BELONGS_TO : End.HAS);
            changes.add(new Change.AddRelationship(Relationship.between(new RelationshipId(fresh.id('r')),
                    End.of(subject, back, pair.there().verb()).role(
                            subject.equals(object) && !back.many() ? "parent" : ""),
                    End.of(object, there, backVerb)), false));
        }
        return new Change.Several(changes);
    }

    private static String capital(String name) {
        return name.substring(0, 1).toUpperCase(Locale.ROOT) + name.substring(1);
    }
}
