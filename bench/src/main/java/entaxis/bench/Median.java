package entaxis.bench;

import java.util.Arrays;
import java.util.List;
import java.util.concurrent.Callable;

/** The median time of warm runs. */
final class Median {
    private static final int WARM = 12;
    private static final long WARM_NANOS = 5_000_000_000L;
    private static final int RUNS = 21;

    private Median() { }

    /**
     * In milliseconds, of several works that take turns, so that what else the machine does meets all of them alike.
     */
    static double[] sideBySide(List<Callable<?>> works) throws Exception {
        double[][] times = new double[works.size()][RUNS];
        for (Callable<?> work : works) {
            warm(work);
        }
        for (int run = 0; run < RUNS; run++) {
            for (int i = 0; i < works.size(); i++) {
                times[i][run] = timed(works.get(i));
            }
        }
        double[] medians = new double[works.size()];
        for (int i = 0; i < medians.length; i++) {
            Arrays.sort(times[i]);
            medians[i] = times[i][RUNS / 2];
        }
        return medians;
    }

    private static void warm(Callable<?> work) throws Exception {
        long warm = System.nanoTime() + WARM_NANOS;
        for (int run = 0; run < WARM || System.nanoTime() < warm; run++) {
            work.call();
        }
    }

    private static double timed(Callable<?> work) throws Exception {
        long begin = System.nanoTime();
        work.call();
        return (System.nanoTime() - begin) / 1e6;
    }

    /** In milliseconds. */
    static double of(Callable<?> work) throws Exception {
        double[] times = new double[RUNS];
        warm(work);
        for (int run = 0; run < RUNS; run++) {
            times[run] = timed(work);
        }
        Arrays.sort(times);
        return times[RUNS / 2];
    }
}
