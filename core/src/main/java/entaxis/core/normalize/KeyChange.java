package entaxis.core.normalize;

import entaxis.core.change.Patch;
import entaxis.core.change.Problem;
import entaxis.core.dependency.AttributeSet;
import entaxis.core.design.AlternateKey;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.KeyPart.OwnPart;
import entaxis.core.design.KeyPart;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Another candidate key becomes the primary key; the one that was stays unique. */
public final class KeyChange {
    private KeyChange() { }

    /** The edit, or why other elements forbid it. */
    public static ApplyDecomposition.Result of(Design design, EntityRelation about, AttributeSet columns) {
        Entity entity = about.entity();
        boolean referredTo = !entity.primaryKey().isEmpty() && design.relationships().stream()
                .anyMatch(relationship -> relationship.manyToMany() ? relationship.touches(entity.id())
                : relationship.parentEntity().equals(Optional.of(entity.id())));
        if (referredTo) {
            return new ApplyDecomposition.Result.Refused(new Problem("",
                    "Other entities refer to " + entity.name()
                            + " by its key. Make this an alternate key in the ledger, then take it there: "
                    + "they follow in the same step."));
        }
        Set<KeyPart> parts = new LinkedHashSet<>();
        columns.forEach(column -> parts.add(about.paths().get(column).hops().stream().findFirst()
                .<KeyPart>map(hop -> new InheritedPart(hop.relationship()))
                .orElseGet(() -> new OwnPart(about.paths().get(column).attribute()))));
        boolean half =
                parts.stream().filter(InheritedPart.class::isInstance).map(InheritedPart.class::cast).anyMatch(part -> {
                    long all =
                            about.paths().stream()
                                    .filter(path -> path.hops().stream().findFirst()
                                            .filter(hop -> hop.relationship().equals(part.relationship())).isPresent())
                                    .count();
                    long here =
                            columns.members().stream().map(about.paths()::get)
                                    .filter(path -> path.hops().stream().findFirst()
                                            .filter(hop -> hop.relationship().equals(part.relationship())).isPresent())
                                    .count();
            return all != here || !design.relationships().get(part.relationship()).mayIdentify();
        });
        if (columns.isEmpty() || half) {
            return new ApplyDecomposition.Result.Refused(new Problem("",
                    "This key needs a foreign key that may be empty, or only a part of one, so it cannot be the "
                            + "primary key."));
        }
        List<AlternateKey> alternates = new ArrayList<>(
                entity.alternateKeys().stream().filter(key -> !Set.copyOf(key.parts()).equals(parts)).toList());
        if (!entity.primaryKey().isEmpty()) {
            int free = 1;
            while (numbered(alternates, free)) {
                free++;
            }
            alternates.add(new AlternateKey(free, entity.primaryKey()));
        }
        Design after = design.with(entity.withPrimaryKey(List.copyOf(parts)).withAlternateKeys(alternates));
        return new ApplyDecomposition.Result.Ready(after, Patch.between(design, after), List.of());
    }

    private static boolean numbered(List<AlternateKey> keys, int number) {
        return keys.stream().anyMatch(key -> key.number() == number);
    }
}
