package entaxis.web.page;

import entaxis.web.edit.EditForm;
import entaxis.web.ledger.Contents;
import entaxis.web.store.DesignStore;
import entaxis.web.store.Kept;
import entaxis.web.store.OpenDesign;
import java.io.IOException;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Tells every window on a design, at once, that another one has changed it (server-sent events). */
@Controller
class EventsController {
    private static final long HALF_AN_HOUR = 30 * 60 * 1000L;
    private static final int MAX_WINDOWS = 500;
    private static final long HEARTBEAT_SECONDS = 10;

    private final DesignStore store;
    private final Answers answers;
    private final Map<String, Set<Window>> windows = new ConcurrentHashMap<>();
    private final ExecutorService sender = Executors.newCachedThreadPool(
            Thread.ofPlatform().daemon().name("event-sender-", 0).factory());
    private final ScheduledExecutorService clock =
            Executors.newSingleThreadScheduledExecutor(Thread.ofPlatform().daemon().name("event-clock").factory());

    EventsController(DesignStore store, Answers answers) {
        this.store = store;
        this.answers = answers;
        clock.scheduleWithFixedDelay(this::ask, HEARTBEAT_SECONDS, HEARTBEAT_SECONDS, TimeUnit.SECONDS);
    }

    /** A stream to a window; one thing is sent at a time, and of several revisions that wait only the newest. */
    private static final class Window {
        private final SseEmitter stream = new SseEmitter(HALF_AN_HOUR);
        private final AtomicLong newest = new AtomicLong(-1);
        private final AtomicBoolean sending = new AtomicBoolean();
        private volatile long sent = -1;
    }

    @GetMapping(value = "/designs/{id}/events", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter events(@PathVariable String id) {
        long revision = store.open(id).revision();
        Window window = new Window();
        if (windows.values().stream().mapToInt(Set::size).sum() >= MAX_WINDOWS) {
            ask();
            window.stream.complete();
            return window.stream;
        }
        Set<Window> open = windows.computeIfAbsent(id, any -> ConcurrentHashMap.newKeySet());
        open.add(window);
        Runnable gone = () -> open.remove(window);
        window.stream.onCompletion(gone);
        window.stream.onTimeout(gone);
        window.stream.onError(error -> gone.run());
        tell(open, window, revision);
        return window.stream;
    }

    @EventListener
    void kept(Kept kept) {
        Set<Window> open = windows.getOrDefault(kept.design(), Set.of());
        open.forEach(window -> tell(open, window, kept.revision()));
    }

    /** A window that has been closed is noticed only when something is sent to it. */
    private void ask() {
        windows.values()
                .forEach(open -> open.forEach(window -> send(open, window, SseEmitter.event().comment("here"))));
        windows.values().removeIf(Set::isEmpty);
    }

    private void tell(Set<Window> open, Window window, long revision) {
        window.newest.accumulateAndGet(revision, Math::max);
        if (window.sending.compareAndSet(false, true)) {
            sender.execute(() -> {
                do {
                    long now = window.newest.get();
                    if (now > window.sent) {
                        deliver(open, window, SseEmitter.event().name("revision").data(Long.toString(now)));
                        window.sent = now;
                    }
                    window.sending.set(false);
                } while (window.newest.get() > window.sent && open.contains(window)
                        && window.sending.compareAndSet(false, true));
            });
        }
    }

    private void send(Set<Window> open, Window window, SseEmitter.SseEventBuilder event) {
        if (window.sending.compareAndSet(false, true)) {
            sender.execute(() -> {
                deliver(open, window, event);
                window.sending.set(false);
                tell(open, window, -1);
            });
        }
    }

    private static void deliver(Set<Window> open, Window window, SseEmitter.SseEventBuilder event) {
        try {
            window.stream.send(event);
        } catch (IOException | IllegalStateException e) {
            open.remove(window);
        }
    }

    /** What another window changed since the revision that a page shows. */
    @PostMapping("/designs/{id}/since")
    String since(@PathVariable String id, @RequestParam Map<String, String> fields, Model model) {
        EditForm form = new EditForm(fields);
        OpenDesign now = store.open(id);
        boolean sameContents =
                store.recent(id, Answers.seen(form)).map(Contents::of).equals(Optional.of(Contents.of(now.design())));
        return answers.changed(now, form, Optional.empty(), sameContents, model);
    }

    /** Before the server waits for its last requests to end: these would not. */
    @EventListener(ContextClosedEvent.class)
    void close() {
        clock.shutdownNow();
        windows.values().forEach(open -> open.forEach(window -> window.stream.complete()));
        sender.shutdownNow();
    }
}
