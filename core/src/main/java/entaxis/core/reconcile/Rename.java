package entaxis.core.reconcile;

import java.util.List;

/**
 * Something that may be the same under two names. It is offered, never assumed.
 *
 * @param part    a table or a column
 * @param table   the wanted name of the table that a column belongs to; empty for a table
 * @param from    the old name
 * @param to      the wanted name
 * @param score   how much speaks for it, up to 1
 * @param reasons what speaks for it, in words
 */
public record Rename(SchemaPart part, String table, String from, String to, double score, List<String> reasons)
        implements MatchSuggestion {
    /** From this score on, more speaks for it than against it. */
    public static final double LIKELY = 0.6;

    /** Copies the reasons. */
    public Rename {
        reasons = List.copyOf(reasons);
    }

    @Override
    public String key() {
        return part + "|" + table + "|" + from + "|" + to;
    }

    @Override
    public String was() {
        return (table.isEmpty() ? "" : table + ".") + from;
    }

    @Override
    public String became() {
        return "is now";
    }

    @Override
    public String now() {
        return to;
    }

    @Override
    public boolean likely() {
        return score >= LIKELY;
    }

    @Override
    public RenameMap into(RenameMap pairing) {
        return part == SchemaPart.TABLE ? pairing.withTable(from, to) : pairing.withColumn(table, from, to);
    }
}
