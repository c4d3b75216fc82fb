package entaxis.core.reconcile;

import entaxis.core.schema.Column;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Which side moved since both last agreed: of each difference, whether the agreed state was that of the one side, of
 * the other, or of neither. Linear in the size of the schemas.
 */
public final class ThreeWay {
    private final Map<String, Difference> movedBefore = new HashMap<>();
    private final Map<String, Difference> movedWanted = new HashMap<>();
    private final boolean known;

    /** Who changed something. */
    public enum Origin {
        /** Only the wanted side, so taking it over is what is usually meant. */
        WANTED("changed in the design"),
        /** Only the side that would be changed. */
        HAVE("changed in the database"),
        /** Both: this needs thought. */
        BOTH("changed in both"),
        /** There is no agreed state to tell by. */
        UNKNOWN("");

        private final String words;

        Origin(String words) {
            this.words = words;
        }

        /** The same in words, the wanted side being a design. */
        public String words() {
            return words;
        }
    }

    private ThreeWay(boolean known) {
        this.known = known;
    }

    /**
     * Looks at how both sides moved from the agreed state.
     *
     * @param agreed  what both last agreed on, as the engine holds it
     * @param from    the side that would be changed
     * @param to      the side that is wanted
     * @param pairing what has a new name on the wanted side
     */
    public static ThreeWay of(Optional<Schema> agreed, Schema from, Schema to, Dialect dialect, RenameMap pairing) {
        ThreeWay threeWay = new ThreeWay(agreed.isPresent());
        agreed.ifPresent(base -> {
            Schema named = SchemaRenaming.apply(base, pairing, dialect);
            List<Difference> have = Comparison
                    .of(named, SchemaRenaming.apply(from, pairing, dialect), dialect, RenameMap.NONE).differences();
            List<Difference> wanted = Comparison.of(named, to, dialect, RenameMap.NONE).differences();
            have.forEach(difference -> threeWay.movedBefore.put(difference.key(), difference));
            wanted.forEach(difference -> threeWay.movedWanted.put(difference.key(), difference));
            threeWay.names(base, from, to, dialect, pairing);
        });
        return threeWay;
    }

    /** A new name came from the side whose name the agreed state does not have. */
    private void names(Schema base, Schema from, Schema to, Dialect dialect, RenameMap pairing) {
        Set<String> tables = base.tables().stream().map(Table::label).collect(Collectors.toSet());
        Map<String, Set<String>> columns = new HashMap<>();
        base.tables().forEach(table -> columns.put(pairing.table(table.label()),
                table.columns().stream().map(Column::name).collect(Collectors.toSet())));
        Comparison.of(from, to, dialect, pairing).differences().stream()
                .filter(difference -> difference.aspect() == Aspect.NAME).forEach(difference -> {
                    Set<String> known = difference.part() == SchemaPart.TABLE ? tables
                            : columns.getOrDefault(difference.table(), Set.of());
            if (!known.contains(difference.from())) {
                movedBefore.put(difference.key(), difference);
            }
            if (!known.contains(difference.to())) {
                movedWanted.put(difference.key(), difference);
            }
        });
    }

    /** Who changed what a difference is about. */
    public Origin origin(Difference difference) {
        if (!known) {
            return Origin.UNKNOWN;
        }
        boolean before = moved(movedBefore, difference);
        boolean wanted = moved(movedWanted, difference);
        return before && wanted ? Origin.BOTH : before ? Origin.HAVE : wanted ? Origin.WANTED : Origin.BOTH;
    }

    /** A part moved if it changed itself, or came or went as a whole with what it belongs to. */
    private static boolean moved(Map<String, Difference> moves, Difference difference) {
        return moves.containsKey(difference.key())
                || moves.containsKey(
                        difference.part() + "|" + difference.table() + "|" + difference.name() + "|" + Aspect.PRESENCE)
                || moves.containsKey(SchemaPart.TABLE + "|" + difference.table() + "||" + Aspect.PRESENCE);
    }
}
