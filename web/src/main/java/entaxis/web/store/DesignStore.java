package entaxis.web.store;

import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.ExpressionRules;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.change.Outcome.Refused;
import entaxis.core.change.Problem;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.DesignProperties;
import entaxis.exchange.DesignJson;
import entaxis.web.store.JournalRow.Kind;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.concurrent.locks.ReentrantLock;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.TransactionException;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Keeps designs. An edit is in the journal, committed, before it is acknowledged; the designs in memory are only a
 * cache.
 */
@Service
public class DesignStore {
    /** After so many edits a snapshot saves replaying them. */
    private static final int SNAPSHOT_EVERY = 200;
    private static final int MAX_OPEN = 40;
    private static final int MAX_LETTERS = 120;
    private static final String AUTHOR = "designer";

    /** One design's place in the cache; whoever edits it holds the lock. */
    private static final class Slot {
        private final ReentrantLock lock = new ReentrantLock();
        private volatile Optional<OpenDesign> open = Optional.empty();
        /** What was shown when the store failed, to be read on as long as it does. */
        private volatile Optional<OpenDesign> lastGood = Optional.empty();
        private final RecentStates recent = new RecentStates();
    }

    private final DesignMapper mapper;
    private final TransactionTemplate transaction;
    private final ApplicationEventPublisher events;
    private final Map<String, Slot> slots = new LinkedHashMap<>(16, 0.75f, true);

    DesignStore(DesignMapper mapper, TransactionTemplate transaction, ApplicationEventPublisher events) {
        this.mapper = mapper;
        this.events = events;
        this.transaction = transaction;
    }

    /** All designs, the last changed first. */
    public List<DesignRow> list() {
        return mapper.designs();
    }

    /** Keeps a new design and returns its identity. */
    public String create(Design design) {
        String id = NewId.of('d');
        OffsetDateTime now = now();
        transaction.executeWithoutResult(status -> {
            mapper.insertDesign(row(id, design, 0, now, now));
            mapper.insertSnapshot(id, 0, DesignJson.write(design));
        });
        return id;
    }

    /**
     * A design as it is now.
     *
     * @throws NoSuchDesign if it is not there
     */
    public OpenDesign open(String id) {
        Slot slot = slot(id);
        Optional<OpenDesign> open = slot.open;
        return open.orElseGet(() -> locked(slot, () -> current(slot, id)));
    }

    /** A design as it was at one of its last revisions, if it is still at hand. */
    public Optional<Design> recent(String id, long revision) {
        Slot slot = slot(id);
        return locked(slot, () -> slot.recent.at(revision));
    }

    /** Applies an edit to the newest revision, if it still can be. */
    public EditResult edit(String id, Change change) {
        return edit(id, change, EditOrigin.NONE);
    }

    /**
     * Applies an edit to the newest revision, if it still can be, and if it does not undo without a word what another
     * window has just made of the same field.
     */
    public EditResult edit(String id, Change change, EditOrigin origin) {
        Slot slot = slot(id);
        return locked(slot, () -> {
            OpenDesign now = current(slot, id);
            Optional<Problem> fault = ExpressionRules.fault(change);
            if (fault.isPresent()) {
                return new EditResult.Refused(List.of(fault.get()), now);
            }
            Optional<String> overlap =
                    slot.recent.seenBeforeOthers(origin).flatMap(seen -> Overlap.of(seen, now.design(), change));
            return overlap.<EditResult>map(words -> new EditResult.Refused(List.of(new Problem("value", words)), now))
                    .orElseGet(() -> apply(slot, now, Kind.EDIT, change, origin.window()));
        });
    }

    /** Takes the last edit back. */
    public EditResult undo(String id) {
        return step(id, Kind.UNDO, "There is nothing to undo.");
    }

    /** Does again what was taken back last. */
    public EditResult redo(String id) {
        return step(id, Kind.REDO, "There is nothing to redo.");
    }

    /** Keeps a copy of a design under another name and returns its identity. */
    public String duplicate(String id) {
        Design design = open(id).design();
        DesignProperties facts = design.facts();
        String name = "Copy of " + facts.name();
        return create(design.with(facts.named(name.substring(0, Math.min(name.length(), 120)))));
    }

    /**
     * Puts a design away; {@link #restore} brings it back.
     *
     * @throws NoSuchDesign if it is not there
     */
    public void delete(String id) {
        Slot slot = slot(id);
        locked(slot, () -> {
            if (transaction.execute(status -> mapper.delete(id, now())) == 0) {
                throw new NoSuchDesign(id);
            }
            slot.open = Optional.empty();
            return id;
        });
    }

    /**
     * Brings a deleted design back.
     *
     * @throws NoSuchDesign if it is not there or was not deleted
     */
    public void restore(String id) {
        if (transaction.execute(status -> mapper.restore(id)) == 0) {
            throw new NoSuchDesign(id);
        }
    }

    /**
     * A design as it was at a revision.
     *
     * @throws NoSuchDesign if it is not there or has had no such revision
     */
    public Design at(String id, long revision) {
        if (revision > open(id).revision()) {
            throw new NoSuchDesign(id);
        }
        Replay replay = Replay.of(mapper, id, revision);
        if (replay.revision() != revision) {
            throw new DamagedDesign(
                    "Revision " + revision + " of design " + id + " cannot be read. " + replay.damage().orElse(""));
        }
        return replay.design();
    }

    /** The named versions of a design, the newest first. */
    public List<Version> versions(String id) {
        return mapper.versions(id);
    }

    /** Gives the present state of a design a name; says why not, if it cannot. */
    public Optional<Problem> nameVersion(String id, String name) {
        String words = name.strip();
        if (words.isEmpty() || words.length() > MAX_LETTERS) {
            return Optional
                    .of(new Problem("version", "Give the version a name of 1 to " + MAX_LETTERS + " characters."));
        }
        Slot slot = slot(id);
        return locked(slot, () -> {
            Optional<Version> other =
                    mapper.versions(id).stream().filter(version -> version.name().equalsIgnoreCase(words)).findFirst();
            if (other.isPresent()) {
                return Optional.of(new Problem("version", "Revision " + other.get().revision() + " is already called “"
                        + other.get().name() + "”. Choose another name."));
            }
            long revision = current(slot, id).revision();
            transaction.executeWithoutResult(status -> mapper.insertVersion(id, new Version(words, revision, now())));
            return Optional.empty();
        });
    }

    private EditResult step(String id, Kind kind, String nothing) {
        Slot slot = slot(id);
        return locked(slot, () -> {
            OpenDesign now = current(slot, id);
            OptionalLong revision = now.history().next(kind);
            if (revision.isEmpty()) {
                return new EditResult.Refused(List.of(new Problem("", nothing)), now);
            }
            String inverse = mapper.inverse(id, revision.getAsLong()).orElseThrow();
            return apply(slot, now, kind, DesignJson.readPatch(inverse), "");
        });
    }

    private EditResult apply(Slot slot, OpenDesign now, Kind kind, Change change, String window) {
        if (now.damage().isPresent()) {
            return new EditResult.Refused(
                    List.of(new Problem("", now.damage().get() + " This design can be read and copied, not edited.")),
                    now);
        }
        return switch (Editor.apply(now.design(), change)) {
            case Refused(List<Problem> problems) -> new EditResult.Refused(problems, now);
            case Applied(Design design, var inverse) -> {
                long revision = now.revision() + 1;
                JournalRow entry = new JournalRow(now.id(), revision, kind.name(), DesignJson.write(change),
                        DesignJson.write(inverse), AUTHOR, now());
                slot.open = Optional.empty();
                try {
                    transaction.executeWithoutResult(status -> keep(entry, design, now));
                } catch (StoreUnavailable full) {
                    slot.open = Optional.of(now);
                    throw full;
                } catch (RuntimeException failed) {
                    slot.lastGood = Optional.of(now);
                    throw failed;
                }
                OpenDesign after = new OpenDesign(now.id(), revision, design,
                        Derivation.after(now.derivation(), design), now.history().after(revision, kind));
                slot.open = Optional.of(after);
                slot.recent.add(revision, design, window);
                events.publishEvent(new Kept(now.id(), revision));
                yield new EditResult.Kept(now, after);
            }
        };
    }

    private void keep(JournalRow entry, Design design, OpenDesign before) {
        mapper.insertJournal(entry);
        if (mapper.updateDesign(row(entry.designId(), design, entry.revision(), entry.madeAt(), entry.madeAt()),
                before.revision()) == 0) {
            throw new NoSuchDesign(entry.designId());
        }
        if (entry.revision() % SNAPSHOT_EVERY == 0) {
            mapper.insertSnapshot(entry.designId(), entry.revision(), DesignJson.write(design));
        }
    }

    private OpenDesign current(Slot slot, String id) {
        if (slot.open.isEmpty()) {
            OpenDesign loaded;
            try {
                loaded = load(id);
            } catch (DataAccessException | TransactionException failed) {
                return slot.lastGood.orElseThrow(() -> new StoreUnavailable(
                        "The store does not answer at this moment, so this design cannot be shown. It is tried again "
                                + "when you reload the page."));
            }
            slot.lastGood = Optional.empty();
            slot.open = Optional.of(loaded);
            slot.recent.add(loaded.revision(), loaded.design(), "");
        }
        return slot.open.get();
    }

    private OpenDesign load(String id) {
        DesignRow row = mapper.design(id).orElseThrow(() -> new NoSuchDesign(id));
        Replay replay = Replay.of(mapper, id, row.revision());
        Optional<String> damage = replay.damage().map(words -> words + " Shown is revision " + replay.revision()
                + ", the last good one of " + row.revision() + ".");
        return new OpenDesign(id, replay.revision(), replay.design(), Derivation.of(replay.design()),
                UndoHistory.of(mapper.history(id, replay.revision())), damage);
    }

    private Slot slot(String id) {
        synchronized (slots) {
            Slot slot = slots.computeIfAbsent(id, any -> new Slot());
            slots.entrySet().removeIf(
                    entry -> slots.size() > MAX_OPEN && entry.getValue() != slot && !entry.getValue().lock.isLocked());
            return slot;
        }
    }

    private static <T> T locked(Slot slot, java.util.function.Supplier<T> work) {
        slot.lock.lock();
        try {
            return work.get();
        } finally {
            slot.lock.unlock();
        }
    }

    private static DesignRow row(String id, Design design, long revision, OffsetDateTime created,
            OffsetDateTime changed) {
        return new DesignRow(id, design.facts().name(), design.facts().target().name(), revision,
                design.entities().size(), design.relationships().size(), created, changed);
    }

    private static OffsetDateTime now() {
        return OffsetDateTime.now(ZoneOffset.UTC);
    }
}
