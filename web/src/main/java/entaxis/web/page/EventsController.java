package entaxis.web.page;

import entaxis.web.edit.EditForm;
import entaxis.web.store.DesignStore;
import entaxis.web.store.Kept;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
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

    private final DesignStore store;
    private final Answers answers;
    private final Map<String, Set<SseEmitter>> windows = new ConcurrentHashMap<>();
    private final ExecutorService sender = Executors.newSingleThreadExecutor(Thread.ofPlatform().name("events").daemon().factory());

    EventsController(DesignStore store, Answers answers) {
        this.store = store;
        this.answers = answers;
    }

    @GetMapping(value = "/designs/{id}/events", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter events(@PathVariable String id) {
        long revision = store.open(id).revision();
        SseEmitter window = new SseEmitter(HALF_AN_HOUR);
        if (windows.values().stream().mapToInt(Set::size).sum() >= MAX_WINDOWS) {
            window.complete();
            return window;
        }
        Set<SseEmitter> open = windows.computeIfAbsent(id, any -> ConcurrentHashMap.newKeySet());
        open.add(window);
        Runnable gone = () -> open.remove(window);
        window.onCompletion(gone);
        window.onTimeout(gone);
        window.onError(error -> gone.run());
        sender.execute(() -> send(open, window, revision));
        return window;
    }

    @EventListener
    void kept(Kept kept) {
        Set<SseEmitter> open = windows.getOrDefault(kept.design(), Set.of());
        if (!open.isEmpty()) {
            sender.execute(() -> List.copyOf(open).forEach(window -> send(open, window, kept.revision())));
        }
    }

    private static void send(Set<SseEmitter> open, SseEmitter window, long revision) {
        try {
            window.send(SseEmitter.event().name("revision").data(Long.toString(revision)));
        } catch (IOException | IllegalStateException e) {
            open.remove(window);
        }
    }

    /** What another window changed since the revision that a page shows. */
    @PostMapping("/designs/{id}/since")
    String since(@PathVariable String id, @RequestParam Map<String, String> fields, Model model) {
        return answers.changed(store.open(id), new EditForm(fields), Optional.empty(), false, model);
    }

    /** Before the server waits for its last requests to end: these would not. */
    @EventListener(ContextClosedEvent.class)
    void close() {
        windows.values().forEach(open -> open.forEach(SseEmitter::complete));
        sender.shutdownNow();
    }
}
