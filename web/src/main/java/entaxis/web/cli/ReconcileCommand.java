package entaxis.web.cli;

import entaxis.core.expression.SingleExpression;
import entaxis.core.migration.Fills;
import entaxis.core.migration.Migration;
import entaxis.core.migration.Step;
import entaxis.core.migration.TwoWays;
import entaxis.core.reading.Reading;
import entaxis.core.reconcile.AgreedPrograms;
import entaxis.core.reconcile.ComparedCounts;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.Difference;
import entaxis.core.reconcile.DifferenceWords;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.MatchSuggestion;
import entaxis.core.reconcile.MergedTable;
import entaxis.core.reconcile.Reconciliation;
import entaxis.core.reconcile.Risk;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import entaxis.core.word.Words;
import entaxis.exchange.ReconcileJson;
import entaxis.web.reading.Connections;
import java.io.BufferedReader;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/**
 * The command {@code reconcile}: what two sides have apart, and the script from one to the other. Exit 0 if nothing is
 * apart, 1 if something is, 2 for wrong input, and where part of a script was not understood.
 */
@Command(name = "reconcile", customSynopsis = "./entaxis reconcile FROM TO --engine E [--json] [--check]"
        + " [--renames ask|none|likely] [--allow-loss] [--fill COLUMN=VALUE] [--reverse] [--out FILE.sql]"
        + " [--undo FILE.sql] [--from-engine E1] [--to-engine E2] [--data FOLDER]",
        description = "Write the script that takes one side to the other. A side is a script, a saved design (.json) "
                + "or a configured database.")
final class ReconcileCommand extends Subcommand {
    /** Each is planned by itself over both schemas, so that many take long. */
    private static final int MAX_TOLD_ALONE = 300;

    /** What becomes of what may have another name. */
    private enum Renames { ASK, NONE, LIKELY }

    /** What {@code --renames} takes. */
    static final class Answers extends SmallWords {
        Answers() {
            super(Renames.values());
        }
    }

    @Parameters(index = "0", paramLabel = "FROM", description = "What is there.")
    private String from;

    @Parameters(index = "1", paramLabel = "TO", description = "What is wanted.")
    private String to;

    @Option(names = "--engine", required = true, paramLabel = "E", completionCandidates = EngineWords.class,
            description = "The engine of the script: ${COMPLETION-CANDIDATES}.")
    private Target engine;

    @Option(names = "--json", description = "Tell the differences as JSON, each with its statements.")
    private boolean json;

    @Option(names = "--check", description = "Tell the differences as sentences.")
    private boolean check;

    @Option(names = "--renames", paramLabel = "ANSWER", defaultValue = "ask", completionCandidates = Answers.class,
            description = "Whether what may have another name is taken for the same: ${COMPLETION-CANDIDATES}; "
                    + "${DEFAULT-VALUE} by default.")
    private Renames renames;

    @Option(names = "--allow-loss", description = "Take in what loses data.")
    private boolean allowLoss;

    @Option(names = "--fill", paramLabel = "COLUMN=VALUE",
            description = "What rows get in a new required column: TABLE.COLUMN=EXPRESSION; may be repeated.")
    private final List<String> fill = new ArrayList<>();

    @Option(names = "--reverse", description = "Write the way back instead.")
    private boolean reverse;

    @Option(names = "--out", paramLabel = "FILE.sql", description = "Write the script into a file.")
    private Optional<String> script;

    @Option(names = "--undo", paramLabel = "FILE.sql", description = "Write the way back into a file, too.")
    private Optional<String> undo;

    @Option(names = "--from-engine", paramLabel = "E1", completionCandidates = EngineWords.class,
            description = "The engine of the first script, where it is another.")
    private Optional<Target> fromEngine;

    @Option(names = "--to-engine", paramLabel = "E2", completionCandidates = EngineWords.class,
            description = "The engine of the second script, where it is another.")
    private Optional<Target> toEngine;

    @Mixin
    private DataFolder data;

    ReconcileCommand(PrintStream out, PrintStream err) {
        super(out, err);
    }

    /** One side of the comparison; a live database words views and routines in its own way. */
    private record Side(Schema schema, boolean live, boolean whole, List<String> unread) {
        Reconciliation.Side reconciled() {
            return new Reconciliation.Side(schema, live, unread);
        }
    }

    @Override
    public Integer call() {
        Fills fills = fills();
        Dialect dialect = Dialect.of(engine);
        ByteArrayOutputStream told = new ByteArrayOutputStream();
        PrintStream beside = new PrintStream(told, true, StandardCharsets.UTF_8);
        CompletableFuture<Optional<Side>> reading =
                CompletableFuture.supplyAsync(() -> side(to, toEngine, dialect, beside));
        Optional<Side> first = side(from, fromEngine, dialect, err);
        Optional<Side> second = first.isEmpty() ? Optional.empty() : reading.join();
        err.print(first.isEmpty() ? "" : told.toString(StandardCharsets.UTF_8));
        if (second.isEmpty()) {
            return WRONG;
        }
        Reconciliation sides = Reconciliation.of(first.get().reconciled(), second.get().reconciled(), dialect,
                AgreedPrograms.NONE, offered -> renames != Renames.NONE && taken(offered));
        Comparison comparison = sides.comparison();
        try {
            if (!answer(sides, fills)) {
                return WRONG;
            }
        } catch (IOException | InvalidPathException e) {
            err.println("The file cannot be written: " + e.getMessage());
            return WRONG;
        }
        err.println(
                "Compared: " + ComparedCounts.of(sides.have(), sides.want()) + ": " + (comparison.alike() ? "all alike."
                : Words.counted(comparison.differences().size(), "difference") + "."));
        comparison.remarks().forEach(err::println);
        sides.unread().forEach(sentence -> err.println("Not compared. " + sentence));
        if (!first.get().whole() || !second.get().whole()) {
            err.println("What was not understood could not be compared.");
            return WRONG;
        }
        return comparison.alike() ? 0 : 1;
    }

    /** Prints what is asked for: the differences, as sentences or JSON, or the script; false if there can be none. */
    private boolean answer(Reconciliation sides, Fills fills) throws IOException {
        Comparison comparison = sides.comparison();
        if (json) {
            boolean each = comparison.differences().size() <= MAX_TOLD_ALONE;
            if (!each) {
                err.println("More than " + MAX_TOLD_ALONE + " differences: the statements of each are left out; the "
                        + "script without --json has them all.");
            }
            out.println(ReconcileJson.of(comparison.differences(),
                    difference -> each ? alone(difference, sides) : List.of()));
        } else if (check) {
            DifferenceWords sentences = new DifferenceWords(from, to);
            comparison.differences().forEach(difference -> out.println(sentences.sentence(difference)
                    + (difference.risk() == Risk.SAFE ? "" : " [" + difference.risk().word() + "]")));
        } else {
            return script(sides, joined(sides, fills));
        }
        return true;
    }

    /** What takes one difference over by itself; nothing if it cannot stand without another. */
    private static List<String> alone(Difference difference, Reconciliation sides) {
        return TwoWays.of(sides, difference::equals, Fills.NONE).forth().steps().stream()
                .flatMap(step -> step.statements().stream()).toList();
    }

    /** Writes a script where it is asked for: into a file, or out. */
    private void write(Optional<String> file, String script) throws IOException {
        if (file.isEmpty()) {
            out.print(script);
        } else {
            Files.writeString(Path.of(file.get()), script);
            err.println("Wrote " + file.get() + ".");
        }
    }

    private boolean script(Reconciliation sides, Fills fills) throws IOException {
        DifferenceWords sentences = new DifferenceWords(from, to);
        TwoWays ways = TwoWays.of(sides, difference -> allowLoss || difference.risk() != Risk.LOSES_DATA, fills);
        ways.merge().left().forEach(err::println);
        sides.comparison().differences().stream()
                .filter(difference -> !allowLoss && difference.risk() == Risk.LOSES_DATA)
                .forEach(difference -> err.println("Left out, because it loses data (--allow-loss takes it in): "
                        + sentences.sentence(difference)));
        Migration forth = ways.forth();
        Optional<String> stop = ways.stop(sides);
        if (stop.isPresent()) {
            err.println("No script is written, because it would stop half-way at " + stop.get());
            return false;
        }
        if (reverse || undo.isPresent()) {
            forth.withoutWayBack().forEach(step -> err.println("No way back: " + step.what()));
            write(reverse ? script : undo, ways.back().get().text("Back from " + to + " to " + from));
        }
        if (reverse) {
            return true;
        }
        forth.steps().stream().filter(step -> step.risk() == Risk.MAY_FAIL).map(Step::what).distinct()
                .forEach(what -> err.println("May fail: " + what));
        write(script, forth.text("From " + from + " to " + to));
        return true;
    }

    private Fills fills() {
        Map<String, String> expressions = new HashMap<>();
        for (String one : fill) {
            int equals = one.indexOf('=');
            if (equals < 1 || !one.substring(0, equals).contains(".")) {
                throw wrong("--fill is followed by TABLE.COLUMN=EXPRESSION, not “" + one + "”.");
            }
            SingleExpression.fault(one.substring(equals + 1)).ifPresent(fault -> {
                throw wrong("--fill " + one.substring(0, equals) + ": the value is no single expression. " + fault);
            });
            expressions.put(one.substring(0, equals).strip(), one.substring(equals + 1).strip());
        }
        return new Fills(expressions);
    }

    private Optional<Side> side(String name, Optional<Target> own, Dialect dialect, PrintStream faults) {
        if (name.endsWith(".json")) {
            return new DesignFiles(faults).schema(name)
                    .map(schema -> new Side(EngineSchema.ofDesign(schema, dialect), false, true, List.of()));
        }
        if (!ScriptFiles.exists(name)) {
            Connections connections = Connections.of(data.path());
            if (connections.list().stream().anyMatch(configured -> configured.name().equals(name))) {
                return connected(name, connections, dialect, faults);
            }
            faults.println(name + ": there is no such file, and no database of this name in connections.properties");
            return Optional.empty();
        }
        Target spoken = own.orElse(dialect.target());
        return new ScriptFiles(faults).reading(List.of(name), spoken).map(reading -> {
            reading.notUnderstood().forEach(missed -> faults.println(name + ": " + ScriptFiles.place(missed)));
            if (reading.schema().tables().isEmpty() && reading.statements() == 0) {
                faults.println(name + ": there is no statement in it");
            }
            return new Side(EngineSchema.of(reading.schema(), spoken, dialect), false, reading.complete(),
                    Reconciliation.Side.unread(reading));
        });
    }

    private static Optional<Side> connected(String name, Connections connections, Dialect dialect,
            PrintStream faults) {
        try {
            Reading reading = connections.read(name);
            return Optional.of(new Side(EngineSchema.of(reading.schema(), reading.engine(), dialect), true, true,
                    List.of()));
        } catch (Connections.Unreachable e) {
            faults.println(e.getMessage());
            return Optional.empty();
        }
    }

    /** The values that rows get, those of columns that come back from another table among them. */
    private Fills joined(Reconciliation sides, Fills said) {
        if (renames == Renames.NONE) {
            return said;
        }
        Map<String, String> fills = new HashMap<>();
        sides.offers().stream().filter(offered -> offered instanceof MergedTable).map(MergedTable.class::cast)
                .filter(this::taken)
                .forEach(joined -> fills.putAll(joined.fills(sides.dialect())));
        fills.putAll(said.expressions());
        return new Fills(fills);
    }

    private boolean taken(MatchSuggestion offered) {
        String offer = offered.was() + " " + offered.became() + " " + offered.now() + " ("
                + String.join(", ", offered.reasons()) + ")";
        if (renames == Renames.ASK && Boolean.getBoolean("entaxis.terminal")) {
            return answered("Is it so that " + offer + "? [y/n] ");
        }
        boolean taken = renames == Renames.LIKELY && offered.likely();
        if (!taken) {
            err.println("Perhaps, but taken as two things: " + offer
                    + (renames == Renames.ASK ? "; --renames likely takes what is likely as one" : ""));
        }
        return taken;
    }

    /** Asks on the stream that the script does not go to. */
    private boolean answered(String question) {
        err.print(question);
        err.flush();
        try {
            String answer = new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8)).readLine();
            return answer != null && answer.strip().toLowerCase(Locale.ROOT).startsWith("y");
        } catch (IOException e) {
            return false;
        }
    }
}
