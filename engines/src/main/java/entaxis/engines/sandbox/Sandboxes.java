package entaxis.engines.sandbox;

import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;

/**
 * Sandboxes to be had: a bounded number at a time, with one started ahead so that nobody waits for a process to come
 * up. Safe for use by several threads.
 */
public final class Sandboxes implements AutoCloseable {
    private final SandboxLimits limits;
    private final Path folder;
    private final int most;
    private final ArrayDeque<Sandbox> ahead = new ArrayDeque<>();
    private final Set<Sandbox> given = new HashSet<>();
    private final ScheduledExecutorService starter =
            Executors.newSingleThreadScheduledExecutor(Thread.ofPlatform().daemon().name("sandbox-starter").factory());
    private boolean closed;

    /**
     * With none yet; the first is started at once.
     *
     * @param folder where their processes stand; nothing is put into it
     * @param most   how many there may be at a time, without the one that is started ahead
     */
    public Sandboxes(SandboxLimits limits, Path folder, int most) {
        this.limits = limits;
        this.folder = folder;
        this.most = most;
        starter.execute(this::startAhead);
    }

    /** What they may take. */
    public SandboxLimits limits() {
        return limits;
    }

    /**
     * A fresh one for who asks, until it is given back; none if all are taken.
     *
     * @throws SandboxFailure if its process cannot be started
     */
    public synchronized Optional<Sandbox> take() {
        if (closed) {
            throw new SandboxFailure("Entaxis is stopping.");
        }
        given.removeIf(sandbox -> !sandbox.alive());
        if (given.size() >= most) {
            return Optional.empty();
        }
        Sandbox sandbox =
                Optional.ofNullable(ahead.poll()).filter(Sandbox::alive).orElseGet(() -> Sandbox.start(limits, folder));
        given.add(sandbox);
        starter.execute(this::startAhead);
        return Optional.of(sandbox);
    }

    /** Ends one that was taken. */
    public synchronized void giveBack(Sandbox sandbox) {
        given.remove(sandbox);
        sandbox.close();
    }

    /** How many are taken. */
    public synchronized int taken() {
        given.removeIf(sandbox -> !sandbox.alive());
        return given.size();
    }

    /** Ends the one that stands ready where none was taken for a while; the next is started when one is asked for. */
    public synchronized void rest() {
        if (given.isEmpty()) {
            ahead.forEach(Sandbox::close);
            ahead.clear();
        }
    }

    private synchronized void startAhead() {
        ahead.removeIf(sandbox -> !sandbox.alive());
        if (!closed && ahead.isEmpty()) {
            ahead.add(Sandbox.start(limits, folder));
        }
    }

    @Override
    public synchronized void close() {
        closed = true;
        starter.shutdownNow();
        ahead.forEach(Sandbox::close);
        given.forEach(Sandbox::close);
        ahead.clear();
        given.clear();
    }
}
