package entaxis.engines.sandbox;

import java.time.Duration;

/**
 * How much one sandbox may take.
 *
 * @param statementTime the longest that one statement may run
 * @param heapMegabytes the memory of the process for tables and statements together
 * @param rows          the most rows that a question shows
 * @param answerBytes   the most bytes that the answer to a question takes
 */
public record SandboxLimits(Duration statementTime, int heapMegabytes, int rows, int answerBytes) {
    /** Enough for examples, too little to do harm. */
    public static final SandboxLimits DEFAULT = new SandboxLimits(Duration.ofSeconds(5), 128, 500, 1 << 20);
    /** For migrations that are rehearsed. */
    public static final SandboxLimits REHEARSAL = new SandboxLimits(Duration.ofSeconds(20), 192, 500, 1 << 20);

    String tooLong() {
        return "Stopped: it took longer than the " + words(statementTime) + " that a statement may take here.";
    }

    String tooMuchMemory() {
        return "Stopped: it needed more than the " + heapMegabytes + " MB of memory that a trial may take.";
    }

    private static String words(Duration time) {
        long millis = time.toMillis();
        return millis % 1000 != 0 ? millis + " milliseconds" : millis == 1000 ? "one second"
                : millis / 1000 + " seconds";
    }
}
