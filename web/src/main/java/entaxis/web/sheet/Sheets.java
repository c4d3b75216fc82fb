package entaxis.web.sheet;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.Notation;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.sql.Dialect;
import entaxis.drawing.file.SheetFiles;
import entaxis.drawing.file.SheetPicture;
import entaxis.drawing.file.SheetPictures;
import entaxis.drawing.paint.Mark;
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
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/**
 * Renders sheets, keeping what an edit did not touch, and remembers the last renderings so that a page gets only what
 * changed since the one it shows.
 */
@Component
public class Sheets {
    private static final int MAX_TRACKS = 24;
    private static final int REMEMBERED = 16;

    private record Key(String design, Lens lens, SheetId sheet) { }

    private record Drawn<T>(T part, String svg) { }

    /** One sheet under one lens as it goes from revision to revision. */
    private static final class Track {
        private final SceneMaker maker;
        private final Map<String, Drawn<Object>> cards = new HashMap<>();
        private final Map<String, Drawn<Line>> lines = new HashMap<>();
        private final Deque<Rendering> past = new ArrayDeque<>();
        private Notation notation = Notation.CROWS_FOOT;

        Track(SceneMaker maker) {
            this.maker = maker;
        }
    }

    private final TextMeasure measure = new TextMeasure();
    private final SvgWriter writer = new SvgWriter(measure);
    private final Cache<Key, Track> tracks =
            Caffeine.newBuilder().maximumSize(MAX_TRACKS).executor(Runnable::run).build();
    private final PictureStore pictures;

    Sheets(PictureStore pictures) {
        this.pictures = pictures;
    }

    /** A sheet as it is now. */
    public Rendering render(OpenDesign design, Lens lens, Sheet sheet) {
        Track track = track(new Key(design.id(), lens, sheet.id()));
        synchronized (track) {
            return track.past.stream().filter(rendering -> rendering.revision() == design.revision()).findFirst()
                    .orElseGet(() -> render(track, design, sheet));
        }
    }

    /** What changed on a sheet since a revision that a page shows; everything if that is too long ago. */
    public SheetPatch patch(OpenDesign design, Lens lens, Sheet sheet, long seen) {
        Track track = track(new Key(design.id(), lens, sheet.id()));
        synchronized (track) {
            Optional<Rendering> old = track.past.stream().filter(rendering -> rendering.revision() == seen).findFirst();
            Rendering now = render(design, lens, sheet);
            return old.map(rendering -> SheetPatch.between(rendering, now)).orElseGet(() -> SheetPatch.whole(now));
        }
    }

    /** Everything on a sheet. */
    public SheetPatch whole(OpenDesign design, Lens lens, Sheet sheet) {
        return SheetPatch.whole(render(design, lens, sheet));
    }

    /** Some cards and lines in full, by their identities. */
    public String parts(OpenDesign design, Lens lens, Sheet sheet, Set<String> ids) {
        Rendering now = render(design, lens, sheet);
        return "<svg><g>" + ids.stream().map(id -> now.lines().getOrDefault(id, "")).collect(Collectors.joining())
                + "</g><g>"
                + ids.stream().map(id -> now.cards().getOrDefault(id, "")).collect(Collectors.joining()) + "</g></svg>";
    }

    /** A scene that is not shown, such as one to lay out. */
    public Scene scene(Design design, Lens lens, Sheet sheet) {
        return new SceneMaker(lens, measure).make(design, Derivation.of(design), sheet,
                Dialect.of(design.facts().target()));
    }

    /** A sheet as a picture of its own, with some of its cards marked. */
    public String marked(OpenDesign design, Lens lens, Sheet sheet, Map<OwnerId, Mark> marks) {
        return writer.marked(render(design, lens, sheet).scene(), pictures::inline, marks);
    }

    /** A sheet as a document of its own, its pictures in it. */
    public String document(OpenDesign design, Lens lens, Sheet sheet) {
        return writer.document(render(design, lens, sheet).scene(), pictures::inline);
    }

    /** A sheet on its way into a file: all of it, or only some of its cards, notes and pictures. */
    public SheetPicture picture(OpenDesign design, Lens lens, Sheet sheet, Optional<Notation> notation,
            Set<String> some) {
        return SheetPictures.of(design.design(), design.derivation(), sheet, lens, notation, some, measure);
    }

    /** What writes sheets into files. */
    public SheetFiles files() {
        return new SheetFiles(measure, pictures);
    }

    /** A small picture of the first sheet. */
    public String miniature(OpenDesign design) {
        return writer.miniature(render(design, Lens.CONCEPT, design.design().sheet()).scene());
    }

    private Rendering render(Track track, OpenDesign design, Sheet sheet) {
        Scene scene = track.maker.make(design.design(), design.derivation(), sheet,
                Dialect.of(design.design().facts().target()));
        Map<String, String> lines = new LinkedHashMap<>();
        if (track.notation != scene.notation()) {
            track.lines.clear();
            track.notation = scene.notation();
        }
        scene.lines().forEach(line -> lines.put(line.id(), track.lines.compute(line.id(), (id, old) ->
        old != null && old.part().equals(line) ? old : new Drawn<>(line, writer.line(line, scene.notation()))).svg()));
        Map<String, String> cards = new LinkedHashMap<>();
        scene.pictures().forEach(picture -> draw(track, cards, picture.id().value(), picture,
                () -> writer.picture(picture, PictureStore::address)));
        scene.notes().forEach(note -> draw(track, cards, note.id().value(), note, () -> writer.note(note)));
        scene.cards().forEach(card -> draw(track, cards, card.owner().value(), card, () -> writer.card(card)));
        track.lines.keySet().retainAll(lines.keySet());
        track.cards.keySet().retainAll(cards.keySet());
        Rendering rendering =
                new Rendering(design.revision(), scene, lines, cards, writer.paper(scene.frame()), writer.areas(scene));
        track.past.addFirst(rendering);
        if (track.past.size() > REMEMBERED) {
            track.past.removeLast();
        }
        return rendering;
    }

    private static void draw(Track track, Map<String, String> cards, String id, Object part, Supplier<String> svg) {
        cards.put(id,
                track.cards.compute(id,
                        (any, old) -> old != null && old.part().equals(part) ? old : new Drawn<>(part, svg.get()))
                        .svg());
    }

    private Track track(Key key) {
        return tracks.get(key, any -> new Track(new SceneMaker(key.lens(), measure)));
    }
}
