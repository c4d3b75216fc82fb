package entaxis.web.sheet;

import entaxis.core.sql.Dialect;
import entaxis.drawing.scene.Card;
import entaxis.drawing.scene.Lens;
import entaxis.drawing.scene.Line;
import entaxis.drawing.scene.Scene;
import entaxis.drawing.scene.SceneMaker;
import entaxis.drawing.svg.SvgWriter;
import entaxis.drawing.text.TextMeasure;
import entaxis.web.store.OpenDesign;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Renders sheets, keeping what an edit did not touch, and remembers the last renderings so that a page gets only what changed since the one it shows. */
@Component
public class Sheets {
    private static final int MAX_TRACKS = 24;
    private static final int REMEMBERED = 16;

    private record Key(String design, Lens lens) { }

    private record Drawn<T>(T part, String svg) { }

    /** One sheet under one lens as it goes from revision to revision. */
    private static final class Track {
        private final SceneMaker maker;
        private final Map<String, Drawn<Card>> cards = new HashMap<>();
        private final Map<String, Drawn<Line>> lines = new HashMap<>();
        private final Deque<Rendering> past = new ArrayDeque<>();

        Track(SceneMaker maker) {
            this.maker = maker;
        }
    }

    private final TextMeasure measure = new TextMeasure();
    private final SvgWriter writer = new SvgWriter(measure);
    private final Map<Key, Track> tracks = new LinkedHashMap<>(16, 0.75f, true);

    /** The sheet as it is now. */
    public Rendering render(OpenDesign design, Lens lens) {
        Track track = track(new Key(design.id(), lens));
        synchronized (track) {
            return track.past.stream().filter(rendering -> rendering.revision() == design.revision()).findFirst().orElseGet(() -> render(track, design));
        }
    }

    /** What a page that shows one revision needs to show the present one. */
    public SheetPatch patch(OpenDesign design, Lens lens, long seen) {
        Rendering now = render(design, lens);
        Track track = track(new Key(design.id(), lens));
        synchronized (track) {
            Optional<Rendering> then = track.past.stream().filter(rendering -> rendering.revision() == seen).findFirst();
            return then.map(rendering -> SheetPatch.between(rendering, now)).orElseGet(() -> SheetPatch.whole(now));
        }
    }

    /** Everything on the sheet. */
    public SheetPatch whole(OpenDesign design, Lens lens) {
        return SheetPatch.whole(render(design, lens));
    }

    /** The sheet as a document of its own. */
    public String document(OpenDesign design, Lens lens) {
        return writer.document(render(design, lens).scene());
    }

    /** A small picture of the sheet. */
    public String miniature(OpenDesign design) {
        return writer.miniature(render(design, Lens.CONCEPT).scene());
    }

    private Rendering render(Track track, OpenDesign design) {
        Scene scene = track.maker.make(design.design(), design.derivation(), design.design().sheet(), Dialect.of(design.design().facts().target()));
        Map<String, String> lines = new LinkedHashMap<>();
        scene.lines().forEach(line -> lines.put(line.id(), track.lines.compute(line.id(), (id, old) ->
                old != null && old.part().equals(line) ? old : new Drawn<>(line, writer.line(line))).svg()));
        Map<String, String> cards = new LinkedHashMap<>();
        scene.cards().forEach(card -> cards.put(card.owner().value(), track.cards.compute(card.owner().value(), (id, old) ->
                old != null && old.part().equals(card) ? old : new Drawn<>(card, writer.card(card))).svg()));
        track.lines.keySet().retainAll(lines.keySet());
        track.cards.keySet().retainAll(cards.keySet());
        Rendering rendering = new Rendering(design.revision(), scene, lines, cards);
        track.past.addFirst(rendering);
        if (track.past.size() > REMEMBERED) {
            track.past.removeLast();
        }
        return rendering;
    }

    private Track track(Key key) {
        synchronized (tracks) {
            Track track = tracks.computeIfAbsent(key, any -> new Track(new SceneMaker(key.lens(), measure)));
            if (tracks.size() > MAX_TRACKS) {
                tracks.remove(tracks.keySet().iterator().next());
            }
            return track;
        }
    }
}
