package entaxis.web.work;

import java.time.Duration;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Work on its way, in a thread of its own. */
public final class Job {
    private static final Logger LOG = LoggerFactory.getLogger(Job.class);
    /** So many may work at once; each may take all of a processor and much memory. */
    private static final Semaphore AT_ONCE = new Semaphore(3, true);
    private final String token;
    private final String title;
    private final CountDownLatch ended = new CountDownLatch(1);
    private volatile Step step = new Step("It begins.", Optional.empty());
    private volatile boolean stopped;
    private volatile End end = new End.Open();

    /**
     * How far it is.
     *
     * @param words what it does now, in a few words
     * @param part  how much of the whole is done, from 0 to 1, where that is known
     */
    public record Step(String words, Optional<Double> part) { }

    /** How it ended. */
    private sealed interface End {
        /** Not yet. */
        record Open() implements End { }

        /** Well; the page to go to. */
        record Well(String page) implements End { }

        /** Not well; the reason, for people. */
        record Ill(String reason) implements End { }
    }

    /** What is done. */
    public interface Work {
        /**
         * Does it, telling the job how far it is and asking it whether to go on.
         *
         * @return the page to go to
         * @throws Failed if it cannot be done
         */
        String on(Job job) throws Failed;
    }

    /** Says for people why work could not be done. */
    public static final class Failed extends Exception {
        private static final long serialVersionUID = 1;

        /** With what happened and what to do. */
        public Failed(String message) {
            super(message);
        }
    }

    private Job(String token, String title) {
        this.token = token;
        this.title = title;
    }

    static Job start(String token, String title, Work work) {
        Job job = new Job(token, title);
        Thread.ofPlatform().daemon().name("job " + token).start(() -> job.runInTurn(work));
        return job;
    }

    /** Waits until few enough others are at work. */
    private void runInTurn(Work work) {
        if (!AT_ONCE.tryAcquire()) {
            step = new Step("It waits for other work to end.", Optional.empty());
            AT_ONCE.acquireUninterruptibly();
        }
        try {
            run(work);
        } finally {
            AT_ONCE.release();
        }
    }

    private void run(Work work) {
        try {
            if (stopped) {
                throw new Failed("It was stopped before it began.");
            }
            end = new End.Well(work.on(this));
        } catch (Failed e) {
            end = new End.Ill(e.getMessage());
        } catch (RuntimeException e) {
            LOG.error("{} failed", title, e);
            end = new End.Ill("Something went wrong on the server; nothing was changed. Its log says more.");
        } catch (OutOfMemoryError e) {
            LOG.error("{} needed more memory than there is", title);
            end = new End.Ill(
                    "This needed more memory than Entaxis has; nothing was changed. Take a part of it, or give Entaxis "
                            + "more memory (docs/performance.md).");
        } finally {
            ended.countDown();
        }
    }

    /** The name that it is found by. */
    public String token() {
        return token;
    }

    /** What it is, for people. */
    public String title() {
        return title;
    }

    /** How far it is. */
    public Step step() {
        return step;
    }

    /** Tells how far it is. */
    public void tell(String words, double part) {
        step = new Step(words, Optional.of(Math.clamp(part, 0.0, 1.0)));
    }

    /** Tells how far it is where the whole is not known. */
    public void tell(String words) {
        step = new Step(words, Optional.empty());
    }

    /** Whether nobody wants it any more. */
    public boolean stopped() {
        return stopped;
    }

    /** Asks it to end soon. */
    public void stop() {
        stopped = true;
    }

    /** Waits for its end, but not for longer than this; whether it has ended. */
    public boolean within(Duration wait) {
        try {
            return ended.await(wait.toMillis(), TimeUnit.MILLISECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return ended.getCount() == 0;
        }
    }

    /** The page to go to, once it has ended well. */
    public Optional<String> page() {
        return end instanceof End.Well(String page) ? Optional.of(page) : Optional.empty();
    }

    /** Why it did not end well. */
    public Optional<String> fault() {
        return end instanceof End.Ill(String reason) ? Optional.of(reason) : Optional.empty();
    }
}
