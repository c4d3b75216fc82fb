package entaxis.bench;

import java.util.Arrays;
import java.util.concurrent.Callable;

/** The median time of warm runs. */
final class Median {
    private static final int WARM = 12;
    private static final int RUNS = 9;

    private Median() { }

    /** In milliseconds. */
    static double of(Callable<?> work) throws Exception {
        double[] times = new double[RUNS];
        for (int run = -WARM; run < RUNS; run++) {
            long begin = System.nanoTime();
            work.call();
            if (run >= 0) {
                times[run] = (System.nanoTime() - begin) / 1e6;
            }
        }
        Arrays.sort(times);
        return times[RUNS / 2];
    }
}
