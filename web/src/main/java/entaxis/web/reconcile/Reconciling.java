package entaxis.web.reconcile;

import entaxis.core.change.Change;
import entaxis.core.change.Patch;
import entaxis.core.design.Design;
import entaxis.core.expression.SingleExpression;
import entaxis.core.migration.Fills;
import entaxis.core.migration.TwoWays;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.AgreedPrograms;
import entaxis.core.reconcile.Answer;
import entaxis.core.reconcile.ComparedCounts;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.Decisions;
import entaxis.core.reconcile.Dependents;
import entaxis.core.reconcile.Difference;
import entaxis.core.reconcile.DifferenceWords;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.MatchSuggestion;
import entaxis.core.reconcile.Merge;
import entaxis.core.reconcile.MergedTable;
import entaxis.core.reconcile.ProgramKeys;
import entaxis.core.reconcile.Reconciliation;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.reconcile.SchemaPart;
import entaxis.core.reconcile.SchemaRenaming;
import entaxis.core.reconcile.ThreeWay;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.InsertStatements;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import entaxis.core.update.DesignUpdate;
import entaxis.core.update.Updated;
import entaxis.engines.migration.Execution;
import entaxis.engines.migration.Rehearsal;
import entaxis.engines.sandbox.Sandbox;
import entaxis.engines.sandbox.SandboxFailure;
import entaxis.engines.sandbox.Sandboxes;
import entaxis.web.reading.Connections;
import entaxis.web.reading.SiteDatabase;
import entaxis.web.reconcile.ReconcileView.Group;
import entaxis.web.reconcile.ReconcileView.Offer;
import entaxis.web.reconcile.ReconcileView.Row;
import entaxis.web.store.NewId;
import entaxis.web.store.OpenDesign;
import entaxis.web.store.Recent;
import entaxis.web.work.Job;
import java.sql.SQLException;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Compares a design with another side, keeps what is decided, and works out what follows. */
@Service
public class Reconciling {
    private final Sides sides;
    private final ReconcileNoteMapper mapper;
    private final Connections connections;
    private final Recent<Compared> recent = new Recent<>();
    private final Recent<TakenOver> updates = new Recent<>();
    private final Recent<OnPaper> onPaper = new Recent<>();
    private final Recent<Agreed> lastAgreed = new Recent<>();
    private final Agreements agreements;
    private final Sandboxes sandboxes;
    private final Map<String, RunningScript> running = new ConcurrentHashMap<>();

    Reconciling(Sides sides, ReconcileNoteMapper mapper, Connections connections, Agreements agreements,
            Sandboxes sandboxes) {
        this.sandboxes = sandboxes;
        this.agreements = agreements;
        this.sides = sides;
        this.mapper = mapper;
        this.connections = connections;
    }

    /** All sides that a design can be compared with. */
    public List<Sides.Choice> sides(OpenDesign open) {
        return sides.choices(open);
    }

    /** Both sides, with what was noted about them. */
    private record Work(OtherSide side, Reconciliation sides, Map<ReconcileNote.Kind, Map<String, String>> notes,
            Optional<Schema> agreed, AgreedPrograms programs) {
        Dialect dialect() {
            return sides.dialect();
        }

        Schema have() {
            return sides.have();
        }

        Schema want() {
            return sides.want();
        }

        List<MatchSuggestion> offers() {
            return sides.offers();
        }

        RenameMap pairing() {
            return sides.pairing();
        }

        Comparison comparison() {
            return sides.comparison();
        }

        String note(ReconcileNote.Kind kind, String about) {
            return notes.getOrDefault(kind, Map.of()).getOrDefault(about, "");
        }
    }

    /** What follows for a design if these differences are taken over. */
    private record TakenOver(Design design, Schema have, RenameMap pairing, List<MergedTable> joins,
            List<Difference> taken, Updated updated) { }

    /** What two schemas have apart; it holds as long as neither is another one and the same is taken for renamed. */
    private record Compared(Schema derived, Map<String, String> worded, Optional<Agreed> agreed,
            Reconciliation sides) { }

    /** A script, and where it would stop half-way on a schema. */
    private record OnPaper(Schema have, List<String> statements, Optional<String> stop) { }

    /** What both sides last agreed on, as it was written down and as it was read. */
    private record Agreed(String script, Schema schema) { }

    private Work work(OpenDesign open, String key, boolean again) throws Connections.Unreachable {
        OtherSide side = sides.side(open, key, again);
        Dialect dialect = Dialect.of(side.engine());
        Map<ReconcileNote.Kind, Map<String, String>> notes = mapper.notes(open.id(), key).stream()
                .collect(Collectors.groupingBy(ReconcileNote::kind,
                        Collectors.toMap(ReconcileNote::about, ReconcileNote::answer)));
        Map<String, String> same = notes.getOrDefault(ReconcileNote.Kind.RENAME, Map.of());
        String name = open.id() + " " + key;
        Map<String, String> worded = notes.getOrDefault(ReconcileNote.Kind.WORDED, Map.of());
        Optional<Agreed> agreed = Optional.of(notes.getOrDefault(ReconcileNote.Kind.AGREED, Map.of())
                .getOrDefault("", ""))
                .filter(script -> !script.isEmpty()).map(script -> agreed(name, script, side, dialect));
        Compared compared = recent
                .get(name,
                        before -> before.sides().have() == side.schema()
                                && before.derived() == open.derivation().schema()
                                && before.agreed().equals(agreed) && before.worded().equals(worded)
                                && before.sides().pairing().equals(pairing(before.sides().offers(), same)))
                .orElseGet(() -> recent.keep(name,
                        compared(side, open.derivation().schema(), dialect, same, agreed, worded)));
        return new Work(side, compared.sides(), notes, agreed.map(Agreed::schema), programs(agreed, worded));
    }

    private Agreed agreed(String name, String script, OtherSide side, Dialect dialect) {
        return lastAgreed.get(name, before -> before.script().equals(script))
                .orElseGet(() -> lastAgreed.keep(name, new Agreed(script,
                        EngineSchema.of(ScriptReader.read(script, side.engine()).schema(), side.engine(), dialect))));
    }

    private static AgreedPrograms programs(Optional<Agreed> agreed, Map<String, String> worded) {
        return agreed.map(before -> new AgreedPrograms(before.schema().programs(), worded)).orElse(AgreedPrograms.NONE);
    }

    private static Compared compared(OtherSide side, Schema derived, Dialect dialect, Map<String, String> same,
            Optional<Agreed> agreed, Map<String, String> worded) {
        Reconciliation sides = Reconciliation.of(new Reconciliation.Side(side.schema(), side.live(), side.unread()),
                new Reconciliation.Side(EngineSchema.ofDesign(derived, dialect), false), dialect,
                programs(agreed, worded), offered -> isSame(offered, same));
        return new Compared(derived, worded, agreed, sides);
    }

    private static boolean isSame(MatchSuggestion offered, Map<String, String> same) {
        return same.getOrDefault(offered.key(), "").equals("same");
    }

    private static Schema wanted(OtherSide side, Schema derived, Dialect dialect, AgreedPrograms agreed) {
        return Reconciliation.worded(new Reconciliation.Side(EngineSchema.ofDesign(derived, dialect), false),
                new Reconciliation.Side(side.schema(), side.live()), dialect, agreed);
    }

    private static RenameMap pairing(List<MatchSuggestion> offers, Map<String, String> same) {
        RenameMap pairing = RenameMap.NONE;
        for (MatchSuggestion offered : offers) {
            pairing = isSame(offered, same) ? offered.into(pairing) : pairing;
        }
        return pairing;
    }

    /**
     * Reads the database that a side is as a job, if it is one; {@code page} says where to go then, given the token of
     * the job.
     */
    public Optional<Job> reading(String key, UnaryOperator<String> page) {
        return Sides.database(key).map(name -> sides.reading(key, page));
    }

    /** What the desk shows. */
    public ReconcileView view(OpenDesign open, String key, boolean again) throws Connections.Unreachable {
        return view(open, work(open, key, again));
    }

    private ReconcileView view(OpenDesign open, Work work) {
        Optional<Schema> agreed = agreed(open, work);
        ThreeWay threeWay = ThreeWay.of(agreed, work.have(), work.want(), work.dialect(), work.pairing());
        Map<String, Answer> said = new HashMap<>();
        work.notes().getOrDefault(ReconcileNote.Kind.SIDE, Map.of())
                .forEach((key, answer) -> said.put(key, Answer.valueOf(answer)));
        Decisions decisions =
                new Decisions(said, work.notes().getOrDefault(ReconcileNote.Kind.LOSS, Map.of()).keySet(), threeWay);
        Schema renamed = SchemaRenaming.apply(work.have(), work.pairing(), work.dialect());
        DifferenceWords words = new DifferenceWords(work.side().called(), "the design");
        Dependents here = Dependents.in(renamed, work.dialect());
        Dependents there = Dependents.in(work.want(), work.dialect());
        Map<String, List<Row>> byTable = new LinkedHashMap<>();
        for (Difference difference : work.comparison().differences()) {
            byTable.computeIfAbsent(difference.table().isEmpty() ? difference.part().word() + "s" : difference.table(),
                    any -> new ArrayList<>())
                    .add(row(difference, work, difference.added() ? there : here, decisions, words));
        }
        Comparator<Row> worst = Comparator.comparing((Row row) -> row.difference().risk()).reversed();
        List<Group> groups = byTable.entrySet().stream()
                .map(group -> new Group(group.getKey(), group.getValue().stream().sorted(worst).toList()))
                .sorted(Comparator.comparing((Group group) -> group.rows().getFirst().difference().risk()).reversed())
                .toList();
        TwoWays ways = TwoWays.of(work.sides(), decisions::takesWanted, fills(work));
        List<Difference> toDesign = work.comparison().differences().stream().filter(decisions::takesHave).toList();
        Updated update = toDesign.isEmpty() ? new Updated(open.design(), List.of())
                : update(open, work, renamed, toDesign, words);
        List<Offer> offers = work.offers().stream()
                .map(offered -> new Offer(offered,
                        work.note(ReconcileNote.Kind.RENAME, offered.key()).equals("same"))).toList();
        return new ReconcileView(work.side(), groups, offers, ways.merge(), ways.forth(), stop(open, work, ways),
                ways.back(), update,
                toDesign.stream().map(words::sentence).toList(), work.comparison().remarks(), agreed.isPresent(),
                ComparedCounts.of(work.have(), work.want()), work.sides().unread());
    }

    /** Where the script would stop half-way; worked out again only where it is another one. */
    private Optional<String> stop(OpenDesign open, Work work, TwoWays ways) {
        String name = open.id() + " " + work.side().key();
        List<String> statements = ways.forth().statements();
        return onPaper.get(name, before -> before.have() == work.have() && before.statements().equals(statements))
                .orElseGet(() -> onPaper.keep(name, new OnPaper(work.have(), statements, ways.stop(work.sides()))))
                .stop();
    }

    /** The design with the other side's differences taken over; worked out again only where others are taken. */
    private Updated update(OpenDesign open, Work work, Schema renamed, List<Difference> taken, DifferenceWords words) {
        String name = open.id() + " " + work.side().key();
        return updates
                .get(name,
                        before -> before.design() == open.design() && before.have() == work.have()
                                && before.pairing().equals(work.pairing()) && before.joins().equals(joins(work))
                                && before.taken().equals(taken))
                .orElseGet(
                        () -> updates
                                .keep(name,
                                        new TakenOver(open.design(), work.have(), work.pairing(), joins(work), taken,
                                                DesignUpdate.of(open.design(), open.derivation(), renamed,
                                                        work.dialect(), taken, words, NewId::of, joins(work)))))
                .updated();
    }

    private static Row row(Difference difference, Work work, Dependents standing, Decisions decisions,
            DifferenceWords words) {
        String column = difference.part() == SchemaPart.COLUMN ? difference.name() : "";
        List<String> touches = difference.part() == SchemaPart.COLUMN || difference.part() == SchemaPart.TABLE
                ? standing.of(difference.table(), column) : List.of();
        return new Row(difference, words.sentence(difference), decisions.answer(difference),
                decisions.answers().containsKey(difference.key()),
                work.note(ReconcileNote.Kind.REASON, difference.key()),
                decisions.threeWay().origin(difference).words(),
                work.note(ReconcileNote.Kind.FILL, difference.table() + "." + difference.name()),
                decisions.lossMeant().contains(difference.key()), touches);
    }

    private static Fills fills(Work work) {
        Map<String, String> fills = new HashMap<>();
        joins(work).forEach(joined -> fills.putAll(joined.fills(work.dialect())));
        work.notes().getOrDefault(ReconcileNote.Kind.FILL, Map.of()).forEach((place, value) -> fills.merge(place, value,
                (found, said) -> said.isBlank() ? found : "coalesce(" + found + ", " + said + ")"));
        return new Fills(fills);
    }

    /** What is taken for split on the other side. */
    private static List<MergedTable> joins(Work work) {
        return work.offers().stream()
                .filter(offered -> work.note(ReconcileNote.Kind.RENAME, offered.key()).equals("same"))
                .filter(MergedTable.class::isInstance).map(MergedTable.class::cast).toList();
    }

    private static Optional<Schema> agreed(OpenDesign open, Work work) {
        return work.agreed()
                .map(agreed -> work.side().live()
                        ? work.programs().told(agreed, work.have(),
                                EngineSchema.ofDesign(open.derivation().schema(), work.dialect()), work.dialect())
                        : agreed)
                .or(() -> Sides.site(work.side().key()) && SiteDatabase.madeOf(open.design().facts().name())
                        ? Optional
                                .of(wanted(work.side(), SiteDatabase.handedOver(), work.dialect(), AgreedPrograms.NONE))
                        : Optional.empty());
    }

    // what is said

    /** Notes whose side is right; for a whole table or kind of risk, if the key is empty. */
    @Transactional
    public void decide(OpenDesign open, String key, Set<String> differences, Answer answer, String reason) {
        for (String difference : differences) {
            put(open, key, new ReconcileNote(ReconcileNote.Kind.SIDE, difference, answer.name()));
            if (answer == Answer.KEEP && !reason.isBlank()) {
                put(open, key, new ReconcileNote(ReconcileNote.Kind.REASON, difference, reason.strip()));
            }
        }
    }

    /** Takes a decision back. */
    @Transactional
    public void reopen(OpenDesign open, String key, String difference) {
        mapper.remove(open.id(), key, ReconcileNote.Kind.SIDE, difference);
        mapper.remove(open.id(), key, ReconcileNote.Kind.REASON, difference);
        mapper.remove(open.id(), key, ReconcileNote.Kind.LOSS, difference);
    }

    /** Notes whether two names are one thing. */
    @Transactional
    public void rename(OpenDesign open, String key, String rename, boolean same) {
        put(open, key, new ReconcileNote(ReconcileNote.Kind.RENAME, rename, same ? "same" : "two"));
    }

    /** Notes the value for rows that have none; says why not, if it is no single expression. */
    @Transactional
    public Optional<String> fill(OpenDesign open, String key, String place, String expression) {
        Optional<String> fault = expression.isBlank() ? Optional.empty() : SingleExpression.fault(expression);
        if (fault.isPresent()) {
            return Optional.of("The value for rows that are there is no single expression. " + fault.get());
        }
        put(open, key, new ReconcileNote(ReconcileNote.Kind.FILL, place, expression.strip()));
        return Optional.empty();
    }

    /** Notes that values may be lost. */
    @Transactional
    public void confirm(OpenDesign open, String key, String difference, boolean meant) {
        if (meant) {
            put(open, key, new ReconcileNote(ReconcileNote.Kind.LOSS, difference, "meant"));
        } else {
            mapper.remove(open.id(), key, ReconcileNote.Kind.LOSS, difference);
        }
    }

    /** Keeps a script as a side, and gives its key. */
    @Transactional
    public String script(OpenDesign open, String name, Target engine, String text) {
        String key = Sides.script(name);
        put(open, key, new ReconcileNote(ReconcileNote.Kind.SCRIPT, "", engine.name() + "\n" + text));
        return key;
    }

    private void put(OpenDesign open, String key, ReconcileNote note) {
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
        Merge merge = view(open, work).merge();
        List<String> rows =
                InsertStatements.of(open.derivation().tables(), open.design().rows(), Dialect.of(Target.BUILT_IN))
                .stream().map(Script.Statement::text).toList();
        Sandbox sandbox = sandboxes.take().orElseThrow(() -> new Connections.Unreachable(
                "All trial databases are at work at the moment. Rehearse again in a few seconds."));
        try {
            return Rehearsal.of(sandbox, work.have(), merge.schema(), work.side().engine(), merge.pairing(),
                    fills(work), rows);
        } catch (SandboxFailure e) {
            throw new Connections.Unreachable("The rehearsal was not finished. " + e.getMessage());
        } finally {
            sandboxes.giveBack(sandbox);
        }
    }

    /**
     * Runs the script on the database that the side is, and reads it again.
     *
     * @param shown the fingerprint of the script that was looked at: no other one is run
     * @throws Connections.Unreachable if the database cannot be had, or the script is another one by now
     */
    public Execution run(OpenDesign open, String key, int shown) throws Connections.Unreachable {
        String name = Sides.database(key)
                .orElseThrow(() -> new Connections.Unreachable("Scripts are run on configured databases only."));
        ReconcileView view = view(open, key, true);
        if (view.fingerprint() != shown) {
            throw new Connections.Unreachable(
                    "The database or the design has changed since this script was shown. Look at the new one; nothing "
                            + "was run.");
        }
        if (view.stop().isPresent()) {
            throw new Connections.Unreachable(
                    "Nothing was run: the script would stop half-way at " + view.stop().get());
        }
        List<String> statements = view.migration().statements();
        RunningScript course = new RunningScript(statements);
        running.put(open.id() + " " + key, course);
        Execution execution;
        try {
            Duration statementTime = connections.statementTime(name);
            execution = connections.run(name, () -> false,
                    connection -> Execution.of(connection, view.migration(), statementTime, course));
        } finally {
            running.remove(open.id() + " " + key);
        }
        Work work = work(open, key, true);
        Set<String> written = view.groups().stream().flatMap(group -> group.rows().stream())
                .filter(row -> row.difference().part() == SchemaPart.PROGRAM && row.chose(Answer.WANTED))
                .map(row -> ProgramKeys.nameIn(row.difference().name())).collect(Collectors.toSet());
        AgreedPrograms programs = work.programs().without(written, work.dialect());
        Schema want = wanted(work.side(), open.derivation().schema(), work.dialect(), programs);
        if (execution.whole() && Comparison.of(work.have(), want, work.dialect(), work.pairing()).alike()) {
            agree(open, key, work, programs);
        }
        return execution;
    }

    /** How far the script has come that runs on a side at this moment. */
    public Optional<Progress> progress(String design, String key) {
        return Optional.ofNullable(running.get(design + " " + key)).flatMap(RunningScript::progress);
    }

    /** Stops the script that runs on a side: the statement that runs is cancelled, and none is begun after it. */
    public void stop(String design, String key) {
        Optional.ofNullable(running.get(design + " " + key)).ifPresent(RunningScript::stop);
    }

    /** Remembers the other side as it is now as what both agree on. */
    public void agree(OpenDesign open, String key) throws Connections.Unreachable {
        Work work = work(open, key, true);
        agree(open, key, work, work.programs());
    }

    private void agree(OpenDesign open, String key, Work work, AgreedPrograms before) {
        OtherSide side = work.side();
        List<ReconcileNote> notes = new ArrayList<>();
        notes.add(new ReconcileNote(ReconcileNote.Kind.AGREED, "",
                new ScriptWriter(Dialect.of(side.engine()), ScriptOptions.DEFAULT)
                .writeAgain(side.schema(), "agreed with " + side.title()).text()));
        if (side.live()) {
            AgreedPrograms
                    .remembered(EngineSchema.ofDesign(open.derivation().schema(), work.dialect()), side.schema(),
                            work.dialect(), before)
                    .forEach((program, text) -> notes.add(new ReconcileNote(ReconcileNote.Kind.WORDED, program, text)));
        }
        agreements.keep(open.id(), key, notes);
    }
}
