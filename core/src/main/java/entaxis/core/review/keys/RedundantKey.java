package entaxis.core.review.keys;

import entaxis.core.change.Change;
import entaxis.core.design.AlternateKey;
import entaxis.core.design.Entity;
import entaxis.core.design.KeyPart;
import entaxis.core.review.Basis;
import entaxis.core.review.EntityRule;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/** An alternate key that contains another key of the same entity. */
public final class RedundantKey implements EntityRule {
    private static final RuleInfo INFO =
            new RuleInfo("redundant-key", Family.KEYS, Level.HINT, Basis.THEORY, "key that contains another",
            "A key has no attribute to spare; one that contains another key checks nothing more.",
            "C. J. Date and textbooks: a candidate key is irreducible");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        for (AlternateKey key : entity.alternateKeys()) {
            Set<KeyPart> parts = Set.copyOf(key.parts());
            Optional<String> inside = !entity.primaryKey().isEmpty() && parts.containsAll(entity.primaryKey())
                    ? Optional.of("the primary key")
                    : entity.alternateKeys().stream()
                            .filter(other -> other.number() != key.number() && parts.containsAll(other.parts())
                                    && (parts.size() > other.parts().size() || other.number() < key.number()))
                            .findFirst().map(other -> "alternate key " + other.number());
            inside.ifPresent(other -> found.accept(new Finding(INFO.id(), INFO.level(), List.of(of.about(entity)),
                    "Alternate key " + key.number() + " of “" + entity.name()
                            + "” contains " + other + ", which is unique by itself.",
                    List.of(), List.of(new SuggestedChange("Remove alternate key " + key.number(), without(entity,
                            key))))));
        }
    }

    private static Change without(Entity entity, AlternateKey key) {
        return new Change.Several(key.parts().stream().<Change>map(part -> {
            int rank = entity.primaryKey().indexOf(part) + 1;
            Set<Integer> others = entity.alternateKeys().stream()
                    .filter(other -> other.number() != key.number() && other.parts().contains(part))
                    .map(AlternateKey::number).collect(Collectors.toSet());
            return new Change.SetKeys(entity.id(), part, rank > 0 ? OptionalInt.of(rank) : OptionalInt.empty(), others);
        }).toList());
    }
}
