package entaxis.core.reconcile;

import entaxis.core.reading.Reading;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;

/**
 * Two sides held against each other: worded alike, with what may be one thing under two names, and what they have
 * apart. The script from one to the other is the affair of {@code migration.TwoWays}.
 *
 * @param have       the side that would be changed
 * @param want       the side that is wanted, in the words of the other where both say the same
 * @param offers     what may have a new name, moved into another table, or come back from one
 * @param pairing    what of it was taken so
 * @param comparison what is apart, with remarks on what could not be told or put right
 * @param unread     what was not compared, with the reason, as sentences
 */
public record Reconciliation(Schema have, Schema want, Dialect dialect, List<MatchSuggestion> offers, RenameMap pairing,
        Comparison comparison, List<String> unread) {
    /**
     * One of the sides, as the engine holds it.
     *
     * @param live   whether it is a live database, which words views and routines in its own way
     * @param unread what a script has that is not read, by kind
     */
    public record Side(Schema schema, boolean live, List<String> unread) {
        /** Copies the kinds. */
        public Side {
            unread = List.copyOf(unread);
        }

        Side with(Schema newSchema) {
            return newSchema == schema ? this : new Side(newSchema, live, unread);
        }

        /** A side that was read as a whole. */
        public Side(Schema schema, boolean live) {
            this(schema, live, List.of());
        }

        /** What a script has that is not read, by kind, with how often. */
        public static List<String> unread(Reading reading) {
            return NotCompared.unread(reading);
        }
    }

    /** Copies the lists. */
    public Reconciliation {
        offers = List.copyOf(offers);
        unread = List.copyOf(unread);
    }

    /**
     * Compares two sides. Linear in the size of both, but for what may have a new name.
     *
     * @param agreed how both worded their views and routines when they last agreed
     * @param same   whether what is offered is one thing; asked in an order in which later offers follow from earlier
     *               ones
     */
    public static Reconciliation of(Side have, Side want, Dialect dialect, AgreedPrograms agreed,
            Predicate<MatchSuggestion> same) {
        boolean onlyHave = have.live() && !want.live();
        boolean onlyWant = want.live() && !have.live();
        Side wanting = want.with(Namespaces.like(want.schema(), have.schema()));
        Schema from = onlyWant ? worded(have, wanting, dialect, agreed) : have.schema();
        Schema to = onlyWant ? wanting.schema() : worded(wanting, have, dialect, agreed);
        List<MatchSuggestion> offers = new ArrayList<>(RenameFinder.find(from, to, dialect));
        RenameMap pairing = taken(RenameMap.NONE, offers, same);
        Schema renamed = SchemaRenaming.apply(from, pairing, dialect);
        List<Split> moved = SplitFinder.find(renamed, to, dialect);
        pairing = taken(pairing, moved, same);
        offers.addAll(moved);
        offers.addAll(SplitFinder.joined(renamed, to, dialect));
        Comparison comparison = Comparison.of(from, to, dialect, pairing);
        Optional<String> vague = onlyHave ? agreed.vague(want.schema(), have.schema(), dialect)
                : onlyWant ? agreed.vague(have.schema(), want.schema(), dialect) : Optional.empty();
        return new Reconciliation(from, to, dialect, offers, pairing, new Comparison(comparison.differences(),
                Stream.concat(comparison.remarks().stream(), vague.stream()).toList()),
                NotCompared.of(have, want, dialect));
    }

    /** A side that is no live database, in the words of another one where both say the same. */
    public static Schema worded(Side side, Side like, Dialect dialect, AgreedPrograms agreed) {
        return like.live() && !side.live() ? EngineSchema.against(side.schema(), like.schema(), dialect, agreed)
                : EngineSchema.aligned(side.schema(), like.schema(), dialect);
    }

    /** Two sides of which it is known what has a new name. */
    public static Reconciliation of(Schema have, Schema want, Dialect dialect, RenameMap pairing) {
        return new Reconciliation(have, want, dialect, List.of(), pairing,
                Comparison.of(have, want, dialect, pairing), List.of());
    }

    /** What follows if some of the differences are taken over. */
    public Merge merge(Predicate<Difference> taken) {
        return Merge.of(have, want, dialect, pairing, comparison, taken);
    }

    private static RenameMap taken(RenameMap before, List<? extends MatchSuggestion> offers,
            Predicate<MatchSuggestion> same) {
        RenameMap pairing = before;
        for (MatchSuggestion offered : offers) {
            pairing = same.test(offered) ? offered.into(pairing) : pairing;
        }
        return pairing;
    }
}
