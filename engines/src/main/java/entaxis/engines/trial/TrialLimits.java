package entaxis.engines.trial;

import java.time.Duration;

/**
 * How much one trial may take.
 *
 * @param statementTime the longest that one statement may run
 * @param rows          the most rows that a query shows
 * @param allocation    the most bytes that one statement may allocate
 */
public record TrialLimits(Duration statementTime, int rows, long allocation) {
    /** Enough for examples, too little to do harm. */
    public static final TrialLimits USUAL = new TrialLimits(Duration.ofSeconds(5), 500, 256L << 20);
}
