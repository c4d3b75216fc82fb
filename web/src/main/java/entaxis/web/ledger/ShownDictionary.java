package entaxis.web.ledger;

import entaxis.core.dictionary.Dictionary;
import entaxis.core.dictionary.Dictionary.AttributeEntry;
import entaxis.core.dictionary.Dictionary.EntityEntry;
import entaxis.core.dictionary.Dictionary.Part;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;

/**
 * What of a dictionary is shown.
 *
 * @param words       shown is what has these words in a name or a meaning; all if empty
 * @param area        name of the only part that is shown; all if empty
 * @param undescribed whether only attributes without a meaning are shown, and their entities
 */
public record ShownDictionary(String words, String area, boolean undescribed) {
    /** The parts with what is left of them. */
    public List<Part> parts(Dictionary dictionary) {
        return dictionary.parts().stream().filter(part -> area.isEmpty() || part.name().equals(area))
                .map(part -> new Part(part.name(), part.hue(), part.entities().stream().flatMap(this::entity).toList()))
                .filter(part -> !part.entities().isEmpty()).toList();
    }

    private Stream<EntityEntry> entity(EntityEntry entity) {
        boolean itself = words.isBlank() || has(entity.name()) || has(entity.meaning()) || has(entity.table());
        List<AttributeEntry> attributes = entity.attributes().stream()
                .filter(attribute -> itself || has(attribute.name()) || has(attribute.meaning()))
                .filter(attribute -> !undescribed || attribute.undescribed()).toList();
        boolean shown =
                !attributes.isEmpty() || itself && !undescribed || undescribed && itself && entity.meaning().isBlank();
        return shown ? Stream.of(new EntityEntry(entity.owner(), entity.name(), entity.table(), entity.meaning(),
                attributes, entity.keys(), entity.readings(), entity.rules(),
                entity.indexes(), entity.accepted())) : Stream.empty();
    }

    private boolean has(String text) {
        return text.toLowerCase(Locale.ROOT).contains(words.strip().toLowerCase(Locale.ROOT));
    }
}
