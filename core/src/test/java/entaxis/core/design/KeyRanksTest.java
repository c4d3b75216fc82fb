package entaxis.core.design;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.change.Change;
import entaxis.core.derive.Derivation;
import entaxis.core.small.Small;
import java.util.OptionalInt;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** The rank that is typed for a part of a key is that of its first column, as it is shown. */
class KeyRanksTest {
    private static Small store() {
        return new Small().entity("Vault", "vault char(2) primary key").entity("Shelf", "shelf smallint primary key")
                .entity("Slot", "slot_no smallint primary key", "side char(1)")
                .relate("Vault", "holds", Cardinality.EXACTLY_ONE, "Shelf", "stands in", Cardinality.ZERO_OR_MORE, true)
                .relate("Shelf", "has room in", Cardinality.EXACTLY_ONE, "Slot", "is part of", Cardinality.ZERO_OR_MORE,
                        true);
    }

    private static String keyWith(Small small, int rank) {
        KeyPart side = new KeyPart.OwnPart(small.attribute("Slot", "side"));
        int part = new KeyRanks(small.design()).partRank(small.find("Slot"), side, rank);
        small.done(new Change.SetKeys(small.id("Slot"), side, OptionalInt.of(part), Set.of()));
        return String.join(" ", Derivation.of(small.design()).table(small.id("Slot")).orElseThrow().keyColumns());
    }

    @Test
    void aRankIsThatOfTheColumn() {
        assertThat(keyWith(store(), 1)).isEqualTo("side vault shelf slot_no");
        assertThat(keyWith(store(), 3)).isEqualTo("vault shelf side slot_no");
        assertThat(keyWith(store(), 4)).isEqualTo("vault shelf slot_no side");
    }

    /** Between the columns that one relationship brings there is no place: the part goes before them. */
    @Test
    void aRankInsideAReferenceIsThePlaceBeforeIt() {
        assertThat(keyWith(store(), 2)).isEqualTo("side vault shelf slot_no");
    }

    @Test
    void aRankPastTheEndIsTheLast() {
        assertThat(keyWith(store(), 9)).isEqualTo("vault shelf slot_no side");
    }
}
