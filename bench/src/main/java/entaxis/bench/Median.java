package entaxis.bench;

import java.util.Arrays;
import java.util.concurrent.Callable;

/** The median time of warm runs. */
final class Median {
    private static final int WARM = 12;
    private static final long WARM_NANOS = 5_000_000_000L;
    private static final int RUNS = 9;

    private Median() { }

    /** In milliseconds. */
    static double of(Callable<?> work) throws Exception {
        double[] times = new double[RUNS];
        long warm = System.nanoTime() + WARM_NANOS;
        for (int run = 0; run < WARM || System.nanoTime() < warm; run++) {
            work.call();
        }
        for (int run = 0; run < RUNS; run++) {
            long begin = System.nanoTime();
            work.call();
            times[run] = (System.nanoTime() - begin) / 1e6;
        }
        Arrays.sort(times);
        return times[RUNS / 2];
    }
}
