package entaxis.web.reconcile;

import entaxis.core.change.Change;
import entaxis.core.change.Patch;
import entaxis.core.design.Target;
import entaxis.core.migration.Fills;
import entaxis.core.migration.Migration;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.Aspect;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.Difference;
import entaxis.core.reconcile.DifferenceWords;
import entaxis.core.reconcile.Held;
import entaxis.core.reconcile.Merge;
import entaxis.core.reconcile.Pairing;
import entaxis.core.reconcile.Part;
import entaxis.core.reconcile.Rename;
import entaxis.core.reconcile.RenameFinder;
import entaxis.core.reconcile.Renaming;
import entaxis.core.reconcile.Risk;
import entaxis.core.reconcile.ThreeWay;
import entaxis.core.reconcile.Touches;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.InsertStatements;
import entaxis.core.sql.Neutral;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.update.DesignUpdate;
import entaxis.core.update.Updated;
import entaxis.engines.migration.Execution;
import entaxis.engines.migration.Rehearsal;
import entaxis.web.reading.Connections;
import entaxis.web.reading.SiteDatabase;
import entaxis.web.reconcile.ReconcileView.Choice;
import entaxis.web.reconcile.ReconcileView.Group;
import entaxis.web.reconcile.ReconcileView.Offer;
import entaxis.web.reconcile.ReconcileView.Row;
import entaxis.web.store.NewId;
import entaxis.web.store.OpenDesign;
import java.sql.SQLException;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Compares a design with another side, keeps what is decided, and works out what follows. */
@Service
public class Reconciling {
    private final Sides sides;
    private final NoteMapper mapper;
    private final Connections connections;

    Reconciling(Sides sides, NoteMapper mapper, Connections connections) {
        this.sides = sides;
        this.mapper = mapper;
        this.connections = connections;
    }

    /** A side that can be chosen. */
    public record SideChoice(String key, String title) { }

    /** All sides that a design can be compared with. */
    public List<SideChoice> sides(OpenDesign open) {
        return sides.choices(open).stream().map(choice -> new SideChoice(choice.key(), choice.title())).toList();
    }

    /** Both sides, with what was noted about them. */
    private record Work(Side side, Dialect dialect, Schema have, Schema want, Map<Note.Kind, Map<String, String>> notes, List<Rename> renames, Pairing pairing, Comparison comparison) {
        String note(Note.Kind kind, String about) {
            return notes.getOrDefault(kind, Map.of()).getOrDefault(about, "");
        }
    }

    private Work work(OpenDesign open, String key, boolean again) throws Connections.Unreachable {
        Side side = sides.side(open, key, again);
        Dialect dialect = Dialect.of(side.engine());
        Schema want = Held.completed(Held.ofDesign(open.derivation().schema(), dialect), side.schema());
        Map<Note.Kind, Map<String, String>> notes = mapper.notes(open.id(), key).stream().collect(Collectors.groupingBy(Note::kind, Collectors.toMap(Note::about, Note::answer)));
        List<Rename> renames = RenameFinder.find(side.schema(), want, dialect);
        Pairing pairing = Pairing.NONE;
        for (Rename rename : renames) {
            boolean same = notes.getOrDefault(Note.Kind.RENAME, Map.of()).getOrDefault(rename.key(), "").equals("same");
            pairing = same ? rename.into(pairing) : pairing;
        }
        return new Work(side, dialect, side.schema(), want, notes, renames, pairing, Comparison.of(side.schema(), want, dialect, pairing));
    }

    /** What the desk shows. */
    public ReconcileView view(OpenDesign open, String key, boolean again) throws Connections.Unreachable {
        return view(open, work(open, key, again));
    }

    private ReconcileView view(OpenDesign open, Work work) {
        Optional<Schema> agreed = agreed(open, work);
        ThreeWay threeWay = ThreeWay.of(agreed, work.have(), work.want(), work.dialect(), work.pairing());
        DifferenceWords words = new DifferenceWords(work.side().live() ? "the database" : "the other side", "the design");
        Map<String, List<Row>> byTable = new LinkedHashMap<>();
        for (Difference difference : work.comparison().differences()) {
            byTable.computeIfAbsent(difference.table().isEmpty() ? difference.part().word() + "s" : difference.table(), any -> new ArrayList<>()).add(row(difference, work, threeWay, words));
        }
        Comparator<Row> worst = Comparator.comparing((Row row) -> row.difference().risk()).reversed();
        List<Group> groups = byTable.entrySet().stream().map(group -> new Group(group.getKey(), group.getValue().stream().sorted(worst).toList()))
                .sorted(Comparator.comparing((Group group) -> group.rows().getFirst().difference().risk()).reversed()).toList();
        Map<String, Row> rows = new HashMap<>();
        groups.forEach(group -> group.rows().forEach(row -> rows.put(row.difference().key(), row)));
        Predicate<Difference> toDatabase = difference -> rows.get(difference.key()).chose(Choice.DESIGN) && (difference.risk() != Risk.LOSES_DATA || rows.get(difference.key()).confirmed());
        Merge merge = Merge.of(work.have(), work.want(), work.dialect(), work.pairing(), toDatabase);
        Migration forth = Migration.of(work.have(), merge.schema(), work.dialect(), merge.pairing(), fills(work));
        Migration back = Migration.of(merge.schema(), work.have(), work.dialect(), merge.pairing().reversed(), Fills.NONE);
        List<Difference> toDesign = work.comparison().differences().stream().filter(difference -> rows.get(difference.key()).chose(Choice.SIDE)).toList();
        Schema neutral = Neutral.of(Renaming.apply(work.have(), work.pairing(), work.dialect()), work.dialect());
        Updated update = toDesign.isEmpty() ? new Updated(open.design(), List.of()) : DesignUpdate.of(open.design(), neutral, toDesign, NewId::of);
        List<Offer> offers = work.renames().stream().map(rename -> new Offer(rename, work.note(Note.Kind.RENAME, rename.key()).equals("same"))).toList();
        return new ReconcileView(work.side(), groups, offers, forth, back, update, toDesign.stream().map(words::sentence).toList(), merge.left(), work.comparison().remarks(), agreed.isPresent());
    }

    private static Row row(Difference difference, Work work, ThreeWay threeWay, DifferenceWords words) {
        ThreeWay.Origin origin = threeWay.origin(difference);
        String said = work.note(Note.Kind.SIDE, difference.key());
        Optional<Choice> choice = !said.isEmpty() ? Optional.of(Choice.valueOf(said)) : switch (origin) {
            case WANTED -> Optional.of(Choice.DESIGN);
            case HAVE -> Optional.of(Choice.SIDE);
            case BOTH, UNKNOWN -> Optional.empty();
        };
        boolean asks = difference.part() == Part.COLUMN && (difference.added() && difference.risk() == Risk.MAY_FAIL || difference.aspect() == Aspect.REQUIRED && difference.to().equals("not null"));
        String column = difference.part() == Part.COLUMN ? difference.name() : "";
        Schema touched = difference.added() ? work.want() : Renaming.apply(work.have(), work.pairing(), work.dialect());
        List<String> touches = difference.part() == Part.COLUMN || difference.part() == Part.TABLE ? Touches.of(touched, difference.table(), column, work.dialect()) : List.of();
        return new Row(difference, words.sentence(difference), choice, !said.isEmpty(), work.note(Note.Kind.REASON, difference.key()), origin.words(), asks,
                work.note(Note.Kind.FILL, difference.table() + "." + difference.name()), !work.note(Note.Kind.LOSS, difference.key()).isEmpty(), touches);
    }

    private static Fills fills(Work work) {
        return new Fills(work.notes().getOrDefault(Note.Kind.FILL, Map.of()));
    }

    private Optional<Schema> agreed(OpenDesign open, Work work) {
        String script = work.note(Note.Kind.AGREED, "");
        if (!script.isEmpty()) {
            return Optional.of(Held.of(ScriptReader.read(script, work.side().engine()).schema(), work.side().engine(), work.dialect()));
        }
        return Sides.site(work.side().key()) && SiteDatabase.madeOf(open.design().facts().name()) ? Optional.of(Held.completed(Held.ofDesign(SiteDatabase.handedOver(), work.dialect()), work.have())) : Optional.empty();
    }

    // what is said

    /** Notes whose side is right; for a whole table or kind of risk, if the key is empty. */
    @Transactional
    public void decide(OpenDesign open, String key, Set<String> differences, Choice choice, String reason) {
        for (String difference : differences) {
            put(open, key, new Note(Note.Kind.SIDE, difference, choice.name()));
            if (choice == Choice.KEEP && !reason.isBlank()) {
                put(open, key, new Note(Note.Kind.REASON, difference, reason.strip()));
            }
        }
    }

    /** Takes a decision back. */
    @Transactional
    public void reopen(OpenDesign open, String key, String difference) {
        mapper.remove(open.id(), key, Note.Kind.SIDE, difference);
        mapper.remove(open.id(), key, Note.Kind.REASON, difference);
        mapper.remove(open.id(), key, Note.Kind.LOSS, difference);
    }

    /** Notes whether two names are one thing. */
    @Transactional
    public void rename(OpenDesign open, String key, String rename, boolean same) {
        put(open, key, new Note(Note.Kind.RENAME, rename, same ? "same" : "two"));
    }

    /** Notes the value for rows that have none. */
    @Transactional
    public void fill(OpenDesign open, String key, String place, String expression) {
        put(open, key, new Note(Note.Kind.FILL, place, expression.strip()));
    }

    /** Notes that values may be lost. */
    @Transactional
    public void confirm(OpenDesign open, String key, String difference, boolean meant) {
        if (meant) {
            put(open, key, new Note(Note.Kind.LOSS, difference, "meant"));
        } else {
            mapper.remove(open.id(), key, Note.Kind.LOSS, difference);
        }
    }

    /** Keeps a script as a side, and gives its key. */
    @Transactional
    public String script(OpenDesign open, String name, Target engine, String text) {
        String key = Sides.script(name);
        put(open, key, new Note(Note.Kind.SCRIPT, "", engine.name() + "\n" + text));
        return key;
    }

    private void put(OpenDesign open, String key, Note note) {
        mapper.put(open.id(), key, note, OffsetDateTime.now());
    }

    // what follows

    /** The edit that brings the design up to date, as one step that can be undone. */
    public Change update(OpenDesign open, String key) throws Connections.Unreachable {
        return Patch.between(open.design(), view(open, key, false).update().design());
    }

    /** The script, run in the built-in engine with the design's sample rows. */
    public Rehearsal rehearse(OpenDesign open, String key) throws Connections.Unreachable, SQLException {
        Work work = work(open, key, false);
        ReconcileView view = view(open, work);
        Merge merge = merged(work, view);
        List<String> rows = InsertStatements.of(open.derivation().tables(), open.design().rows(), Dialect.of(Target.H2)).stream().map(Script.Statement::text).toList();
        return Rehearsal.of(work.have(), merge.schema(), work.side().engine(), merge.pairing(), fills(work), rows);
    }

    private static Merge merged(Work work, ReconcileView view) {
        Map<String, Row> rows = new HashMap<>();
        view.groups().forEach(group -> group.rows().forEach(row -> rows.put(row.difference().key(), row)));
        return Merge.of(work.have(), work.want(), work.dialect(), work.pairing(), difference -> rows.get(difference.key()).chose(Choice.DESIGN)
                && (difference.risk() != Risk.LOSES_DATA || rows.get(difference.key()).confirmed()));
    }

    /** Runs the script on the database that the side is, and reads it again. */
    public Execution run(OpenDesign open, String key) throws Connections.Unreachable {
        ReconcileView view = view(open, key, false);
        String name = Sides.database(key).orElseThrow(() -> new Connections.Unreachable("Scripts are run on configured databases only."));
        Execution execution = connections.run(name, connection -> Execution.of(connection, view.migration()));
        Work work = work(open, key, true);
        if (execution.whole() && Comparison.of(work.have(), work.want(), work.dialect(), work.pairing()).alike()) {
            agree(open, key);
        }
        return execution;
    }

    /** Remembers the other side as it is now as what both agree on. */
    @Transactional
    public void agree(OpenDesign open, String key) throws Connections.Unreachable {
        Side side = sides.side(open, key, true);
        put(open, key, new Note(Note.Kind.AGREED, "", new ScriptWriter(Dialect.of(side.engine()), ScriptOptions.USUAL).write(side.schema(), "agreed with " + side.title()).text()));
    }
}
