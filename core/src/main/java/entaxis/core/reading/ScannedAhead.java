package entaxis.core.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CancellationException;

/**
 * The statements of a script, one after the other. In long scripts another thread cuts them while those before are read, as long as no statement comes that may change how the
 * rest is cut: such a one ends it, so that whoever reads has the scanner for himself again.
 */
final class ScannedAhead implements AutoCloseable {
    /** How many statements in a row have to leave the scanner as it is, and how much of the script has to be left, before it pays to start a thread. */
    private static final int CALM = 8;
    private static final int LONG = 1 << 20;
    private static final int BATCHES = 4;

    private final Scanner scanner;
    private final int length;
    private final boolean alone = Runtime.getRuntime().availableProcessors() < 2;
    private final TokenRow row = new TokenRow();
    private final CutStatement single = new CutStatement(row);
    private int calm;
    private Optional<Run> run = Optional.empty();
    private CutStatement statement = single;

    ScannedAhead(Scanner scanner, int length) {
        this.scanner = scanner;
        this.length = length;
    }

    /** Goes to the next statement; false at the end of the script. */
    boolean next() {
        if (run.isEmpty() && calm >= CALM && !alone && length - scanner.position() > LONG) {
            run = Optional.of(new Run(scanner));
        }
        if (run.isPresent()) {
            Run ahead = run.get();
            if (ahead.next()) {
                statement = ahead.statement();
                return true;
            }
            run = Optional.empty();
            calm = 0;
            if (ahead.atEnd()) {
                return false;
            }
        }
        statement = single;
        row.clear();
        boolean more = scanner.next(single);
        calm = more && !single.turning() ? calm + 1 : 0;
        return more;
    }

    /** The statement that was gone to. */
    CutStatement statement() {
        return statement;
    }

    /** Ends the other thread, if there is one. */
    @Override
    public void close() {
        run.ifPresent(Run::stop);
    }

    /** Some statements that are handed over together. */
    private static final class Batch {
        private static final int MOST = 48;
        private static final int TOKENS = 4096;
        private final TokenRow row = new TokenRow();
        private final List<CutStatement> statements = new ArrayList<>(MOST);
        private int count;
        private boolean last;
        private boolean atEnd;
        private Optional<Throwable> failure = Optional.empty();

        /** Cuts the next statements; the batch is the last one if the scanner has to stop behind it. */
        void fill(Scanner scanner) {
            count = 0;
            row.clear();
            while (count < MOST && row.count < TOKENS && !last) {
                if (count == statements.size()) {
                    statements.add(new CutStatement(row));
                }
                CutStatement next = statements.get(count);
                atEnd = !scanner.next(next);
                count += atEnd ? 0 : 1;
                last = atEnd || next.turning();
            }
        }
    }

    /** One thread's work, from where the scanner stands to where it has to stop. */
    private static final class Run {
        private static final int LOOKS = 400;
        private final BlockingQueue<Batch> empty = new ArrayBlockingQueue<>(BATCHES);
        private final BlockingQueue<Batch> full = new ArrayBlockingQueue<>(BATCHES);
        private final Thread thread;
        private Batch batch = new Batch();
        private int at = -1;

        Run(Scanner scanner) {
            for (int i = 0; i < BATCHES - 1; i++) {
                empty.add(new Batch());
            }
            thread = Thread.ofPlatform().daemon().name("scanner").start(() -> cut(scanner));
        }

        private void cut(Scanner scanner) {
            try {
                boolean last = false;
                while (!last) {
                    Batch next = soon(empty);
                    try {
                        next.fill(scanner);
                    } catch (RuntimeException | Error failed) {
                        next.failure = Optional.of(failed);
                        next.last = true;
                    }
                    last = next.last;
                    full.put(next);
                }
            } catch (InterruptedException stopped) {
                Thread.currentThread().interrupt();
            }
        }

        /** The next of a queue; a short wait is passed awake, because falling asleep and being woken takes longer than a batch. */
        private static Batch soon(BlockingQueue<Batch> queue) throws InterruptedException {
            for (int look = 0; look < LOOKS; look++) {
                Batch next = queue.poll();
                if (next != null) {
                    return next;
                }
                Thread.onSpinWait();
            }
            return queue.take();
        }

        boolean next() {
            at++;
            while (at >= batch.count) {
                batch.failure.ifPresent(failed -> {
                    throw new IllegalStateException("the script could not be cut into statements", failed);
                });
                if (batch.last) {
                    return false;
                }
                try {
                    empty.put(batch);
                    batch = soon(full);
                } catch (InterruptedException stopped) {
                    Thread.currentThread().interrupt();
                    throw new CancellationException("reading was stopped");
                }
                at = 0;
            }
            return true;
        }

        CutStatement statement() {
            return batch.statements.get(at);
        }

        boolean atEnd() {
            return batch.atEnd;
        }

        void stop() {
            thread.interrupt();
        }
    }
}
