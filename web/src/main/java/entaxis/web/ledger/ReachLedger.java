package entaxis.web.ledger;

import entaxis.core.derive.Derivation;
import entaxis.core.derive.DerivedColumn;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.impact.Impact;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * What an entity or one of its columns touches.
 *
 * @param columns what can be asked about: the whole table, then its columns
 * @param reach   of the chosen one; nothing where the entity has no table of its own
 */
public record ReachLedger(List<Choice> columns, Optional<Impact> reach) {
    /** The name by which this part of the ledger is asked for; a colon and the place of a column may follow. */
    public static final String LEAF = "reach";

    /** Something that can be asked about. */
    public record Choice(String leaf, String name, boolean chosen) { }

    /** Whether a part of the ledger is this one. */
    public static boolean asked(String leaf) {
        return leaf.equals(LEAF) || leaf.matches(LEAF + ":\\d{1,5}");
    }

    /** The ledger of an entity for a chosen column, or the whole table. */
    public static ReachLedger of(Design design, Derivation derivation, Entity entity, String leaf) {
        OptionalInt chosen = leaf.equals(LEAF) ? OptionalInt.empty()
                : OptionalInt.of(Integer.parseInt(leaf.substring(LEAF.length() + 1)));
        List<DerivedColumn> columns = derivation.derived(entity.id()).map(DerivedTable::columns).orElse(List.of());
        List<Choice> choices = new ArrayList<>(List.of(new Choice(LEAF, "the whole table", chosen.isEmpty())));
        for (int i = 0; i < columns.size(); i++) {
            choices.add(
                    new Choice(LEAF + ":" + i, columns.get(i).name(), chosen.isPresent() && chosen.getAsInt() == i));
        }
        boolean column = chosen.isPresent() && chosen.getAsInt() < columns.size();
        return new ReachLedger(choices,
                column ? Impact.of(design, derivation, entity.id(), columns.get(chosen.getAsInt()).path())
                : Impact.of(design, derivation, entity.id()));
    }
}
