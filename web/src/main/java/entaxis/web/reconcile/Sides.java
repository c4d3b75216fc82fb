package entaxis.web.reconcile;

import entaxis.core.derive.Derivation;
import entaxis.core.reading.Reading;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.Reconciliation;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import entaxis.web.reading.Connections;
import entaxis.web.reading.SiteDatabase;
import entaxis.web.store.DesignRow;
import entaxis.web.store.DesignStore;
import entaxis.web.store.NoSuchDesign;
import entaxis.web.store.OpenDesign;
import entaxis.web.store.Recent;
import entaxis.web.store.Version;
import entaxis.web.work.Job;
import entaxis.web.work.Jobs;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Component;

/** What a design can be compared with: configured databases, scripts that were given, other designs. */
@Component
public class Sides {
    /** What a script without a file is called. */
    public static final String PASTED = "pasted script";
    private static final String DATABASE = "database:";
    static final String SCRIPT = "script:";
    private static final String DESIGN = "design:";
    static final String VERSION = "version:";
    private final Connections connections;
    private final DesignStore store;
    private final ReconcileNoteMapper notes;
    private final Jobs jobs;
    private final Map<String, OtherSide> read = new ConcurrentHashMap<>();
    private final Recent<Given> given = new Recent<>();
    private final Recent<OtherSide> versions = new Recent<>();

    /** A script that was given, and the side that it is. */
    private record Given(String text, OtherSide side) { }

    Sides(Connections connections, DesignStore store, ReconcileNoteMapper notes, Jobs jobs) {
        this.connections = connections;
        this.jobs = jobs;
        this.store = store;
        this.notes = notes;
    }

    /** One that can be chosen. */
    public record Choice(String key, String title) { }

    /** All that can be chosen, databases first. */
    List<Choice> choices(OpenDesign open) {
        List<Choice> all = new ArrayList<>();
        connections.list().forEach(configured -> all.add(new Choice(DATABASE + configured.name(),
                "the database " + configured.name() + " (" + configured.engine().title() + ")")));
        notes.scripts(open.id())
                .forEach(side -> all.add(new Choice(side, scriptTitle(side.substring(SCRIPT.length())))));
        store.versions(open.id())
                .forEach(version -> all.add(new Choice(VERSION + version.revision() + ":" + version.name(),
                        "its version " + version.name() + " (revision " + version.revision() + ")")));
        for (DesignRow row : store.list()) {
            if (!row.id().equals(open.id())) {
                all.add(new Choice(DESIGN + row.id(), "the design " + row.name()));
            }
        }
        return all;
    }

    private static String scriptTitle(String name) {
        return name.equals(PASTED) ? "the " + PASTED : "the script " + name;
    }

    /**
     * A side, read now or a moment ago.
     *
     * @param again whether a database is read again
     * @throws Connections.Unreachable if it cannot be had, with what to do
     */
    OtherSide side(OpenDesign open, String key, boolean again) throws Connections.Unreachable {
        if (key.startsWith(DATABASE)) {
            String name = key.substring(DATABASE.length());
            OtherSide kept = again ? null : read.get(key);
            if (kept != null) {
                return kept;
            }
            return keep(key, name, connections.read(name));
        }
        if (key.startsWith(SCRIPT)) {
            String text = notes.notes(open.id(), key).stream().filter(note -> note.kind() == ReconcileNote.Kind.SCRIPT)
                    .map(ReconcileNote::answer).findFirst()
                    .orElseThrow(() -> new Connections.Unreachable("This script is no longer kept; give it again."));
            String name = open.id() + " " + key;
            return given.get(name, before -> before.text().equals(text))
                    .orElseGet(() -> given.keep(name, new Given(text, script(key, text)))).side();
        }
        if (key.startsWith(VERSION)) {
            Version version = store.versions(open.id()).stream()
                    .filter(one -> key.equals(VERSION + one.revision() + ":" + one.name())).findFirst()
                    .orElseThrow(() -> new Connections.Unreachable("There is no such version; choose another side."));
            Target engine = open.design().facts().target();
            String name = open.id() + " " + key;
            return versions.get(name, before -> before.engine() == engine)
                    .orElseGet(() -> versions.keep(name, version(open.id(), key, version, engine)));
        }
        try {
            OpenDesign other = store.open(key.replaceFirst("^" + DESIGN, ""));
            Target engine = open.design().facts().target();
            return new OtherSide(key, other.design().facts().name(), engine,
                    EngineSchema.ofDesign(other.derivation().schema(), Dialect.of(engine)), false, true, Instant.now());
        } catch (NoSuchDesign gone) {
            throw new Connections.Unreachable("This design is no longer there; choose another side.");
        }
    }

    private OtherSide keep(String key, String name, Reading reading) {
        OtherSide fresh = new OtherSide(key, name, reading.engine(),
                EngineSchema.of(reading.schema(), reading.engine(), Dialect.of(reading.engine())), true, false,
                Instant.now());
        read.put(key, fresh);
        return fresh;
    }

    /**
     * Reads the database that a side is, as a job.
     *
     * @param page where to go when it is read, given the token of the job
     */
    Job reading(String key, UnaryOperator<String> page) {
        String name = database(key).orElseThrow();
        return jobs.start("Reading the catalog of " + name, token -> own -> {
            keep(key, name, connections.read(name, own));
            return page.apply(token);
        });
    }

    /** A version is the same for ever; only the engine in whose words it is compared may change. */
    private OtherSide version(String design, String key, Version version, Target engine) {
        return new OtherSide(key, version.name(), engine,
                EngineSchema.ofDesign(Derivation.of(store.at(design, version.revision())).schema(), Dialect.of(engine)),
                false, true, version.namedAt().toInstant());
    }

    private static OtherSide script(String key, String text) {
        int line = text.indexOf('\n');
        Target engine = Target.valueOf(text.substring(0, line));
        Reading reading = ScriptReader.read(text.substring(line + 1), engine);
        return new OtherSide(key, key.substring(SCRIPT.length()), engine,
                EngineSchema.of(reading.schema(), engine, Dialect.of(engine)), false, false, Instant.now(),
                Reconciliation.Side.unread(reading));
    }

    /** The key of a side that is a script of this name. */
    static String script(String name) {
        return SCRIPT + name;
    }

    /** The database that a side is; none if it is something else. */
    static Optional<String> database(String key) {
        return key.startsWith(DATABASE) ? Optional.of(key.substring(DATABASE.length())) : Optional.empty();
    }

    /** Whether a side is the database of the demo. */
    static boolean site(String key) {
        return key.equals(DATABASE + SiteDatabase.NAME);
    }
}
