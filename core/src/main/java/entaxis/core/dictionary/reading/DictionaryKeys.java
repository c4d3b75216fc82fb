package entaxis.core.dictionary.reading;

import entaxis.core.change.Change;
import entaxis.core.design.AlternateKey;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.KeyPart;
import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.KeyPart.OwnPart;
import entaxis.core.design.SqlName;
import entaxis.core.dictionary.Dictionary.AttributeEntry;
import entaxis.core.dictionary.Dictionary.EntityEntry;
import entaxis.core.dictionary.reading.DictionaryUpdate.Difference;
import entaxis.core.dictionary.reading.ReadDictionary.ReadAttribute;
import entaxis.core.dictionary.reading.ReadDictionary.ReadEntity;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.SequencedSet;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/**
 * What a dictionary that comes back says otherwise of an entity's keys. A file that marks no attribute as part of the
 * primary key does not speak of it; one that does states all of it, save the parts from relationships whose columns it
 * does not list.
 */
final class DictionaryKeys {
    private final Design design;
    private final Entity entity;
    private final EntityEntry entry;
    private final Map<String, KeyPart> parts = new HashMap<>();

    DictionaryKeys(Design design, Entity entity, EntityEntry entry) {
        this.design = design;
        this.entity = entity;
        this.entry = entry;
        entry.attributes()
                .forEach(attribute -> part(attribute).ifPresent(part -> parts.put(SqlName.of(attribute.name()), part)));
    }

    private static Optional<KeyPart> part(AttributeEntry attribute) {
        return attribute.own().<KeyPart>map(OwnPart::new)
                .or(() -> attribute.source().map(source -> new InheritedPart(source.relationship())));
    }

    List<Difference> of(ReadEntity read) {
        List<Difference> found = new ArrayList<>();
        primary(read).ifPresent(found::add);
        read.attributes().stream().filter(attribute -> attribute.unique() != 0)
                .forEach(attribute -> unique(attribute).ifPresent(found::add));
        return found;
    }

    private Optional<Difference> primary(ReadEntity read) {
        List<ReadAttribute> marked = read.attributes().stream()
                .filter(attribute -> attribute.rank() > 0 && parts.containsKey(SqlName.of(attribute.name())))
                .sorted(Comparator.comparingInt(ReadAttribute::rank)).toList();
        if (marked.isEmpty()) {
            return Optional.empty();
        }
        Set<KeyPart> listed = read.attributes().stream().map(attribute -> parts.get(SqlName.of(attribute.name())))
                .filter(part -> part != null).collect(Collectors.toSet());
        SequencedSet<KeyPart> wanted = new LinkedHashSet<>();
        entity.primaryKey().stream().filter(part -> !listed.contains(part)).forEach(wanted::add);
        marked.forEach(attribute -> wanted.add(parts.get(SqlName.of(attribute.name()))));
        // where the columns of relationships stand among the others is not said by a file that leaves them out
        List<KeyPart> spoken = entity.primaryKey().stream().filter(listed::contains).toList();
        if (spoken.equals(wanted.stream().filter(listed::contains).toList())) {
            return Optional.empty();
        }
        List<Change> changes = new ArrayList<>();
        entity.primaryKey().stream().filter(part -> !wanted.contains(part))
                .forEach(part -> changes.add(ranked(part, OptionalInt.empty())));
        int rank = 0;
        for (KeyPart part : wanted) {
            changes.add(ranked(part, OptionalInt.of(++rank)));
        }
        return Optional.of(new Difference(entry.name(), "its primary key is (" + words(List.copyOf(wanted)) + ")"
                + DictionaryUpdate.before(words(entity.primaryKey())), changes));
    }

    private Change ranked(KeyPart part, OptionalInt rank) {
        return new Change.SetKeys(entity.id(), part, rank, alternates(part));
    }

    private Set<Integer> alternates(KeyPart part) {
        return entity.alternateKeys().stream().filter(key -> key.parts().contains(part)).map(AlternateKey::number)
                .collect(Collectors.toCollection(TreeSet::new));
    }

    private String words(List<KeyPart> key) {
        return key.stream()
                .flatMap(part -> entry.attributes().stream()
                        .filter(attribute -> part(attribute).equals(Optional.of(part))).map(AttributeEntry::name))
                .collect(Collectors.joining(", "));
    }

    private Optional<Difference> unique(ReadAttribute read) {
        if (!(parts.get(SqlName.of(read.name())) instanceof OwnPart part)
                || entity.primaryKey().equals(List.of(part))) {
            return Optional.empty();
        }
        Set<Integer> now = alternates(part);
        int next = entity.alternateKeys().stream().mapToInt(AlternateKey::number).max().orElse(0) + 1;
        if (read.unique() < 0 ? !now.isEmpty() : now.contains(read.unique())) {
            return Optional.empty();
        }
        int number = read.unique() < 0 ? next : read.unique();
        Set<Integer> wanted = new TreeSet<>(now);
        wanted.add(number);
        int rank = entity.primaryKey().indexOf(part) + 1;
        return Optional.of(new Difference(
                entry.name() + "." + design.attribute(entity.id(), part.attribute()).orElseThrow().name(),
                "it is part of alternate key " + number,
                List.of(new Change.SetKeys(entity.id(), part, rank > 0 ? OptionalInt.of(rank) : OptionalInt.empty(),
                        wanted))));
    }
}
