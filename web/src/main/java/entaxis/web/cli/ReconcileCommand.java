package entaxis.web.cli;

import entaxis.core.design.Target;
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
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;

/** The command {@code reconcile}: what two sides have apart, and the script from one to the other. */
final class ReconcileCommand {
    private static final String USAGE =
            "./entaxis reconcile FROM TO --engine E [--json] [--check] [--renames ask|none|likely] [--allow-loss] "
                    + "[--fill TABLE.COLUMN=EXPRESSION] [--reverse] [--out FILE.sql] [--undo FILE.sql]"
                    + " [--from-engine E1] [--to-engine E2] [--data FOLDER]";
    /** Each is planned by itself over both schemas, so that many take long. */
    private static final int MAX_TOLD_ALONE = 300;
    private final PrintStream out;
    private final PrintStream err;

    ReconcileCommand(PrintStream out, PrintStream err) {
        this.out = out;
        this.err = err;
    }

    /** One side of the comparison; a live database words views and routines in its own way. */
    private record Side(Schema schema, boolean live, boolean whole, List<String> unread) {
        Reconciliation.Side reconciled() {
            return new Reconciliation.Side(schema, live, unread);
        }
    }

    /**
     * Exit 0 if nothing is apart, 1 if something is, 2 for wrong input, and where part of a script was not understood.
     */
    int run(List<String> words) {
        Arguments arguments =
                Arguments.of(words, Set.of("--engine", "--renames", "--fill", "--from-engine", "--to-engine", "--data",
                        "--out", "--undo"),
                        Set.of("--json", "--allow-loss", "--check", "--reverse"));
        Optional<Target> engine = arguments.value("--engine").flatMap(Target::of);
        String renames = arguments.value("--renames").orElse("ask");
        if (arguments.wrong().isPresent() || arguments.files().size() != 2 || engine.isEmpty()
                || !List.of("ask", "none", "likely").contains(renames)) {
            return usage(arguments);
        }
        Optional<Fills> fills = fills(arguments);
        if (fills.isEmpty()) {
            return usage(arguments);
        }
        Dialect dialect = Dialect.of(engine.get());
        ByteArrayOutputStream told = new ByteArrayOutputStream();
        ReconcileCommand beside = new ReconcileCommand(out, new PrintStream(told, true, StandardCharsets.UTF_8));
        CompletableFuture<Optional<Side>> reading = CompletableFuture
                .supplyAsync(() -> beside.side(arguments.files().get(1), arguments, "--to-engine", dialect));
        Optional<Side> first = side(arguments.files().get(0), arguments, "--from-engine", dialect);
        Optional<Side> second = first.isEmpty() ? Optional.empty() : reading.join();
        err.print(first.isEmpty() ? "" : told.toString(StandardCharsets.UTF_8));
        if (second.isEmpty()) {
            return SqlCommands.WRONG;
        }
        boolean asks = renames.equals("ask") && Boolean.getBoolean("entaxis.terminal");
        Reconciliation sides = Reconciliation.of(first.get().reconciled(), second.get().reconciled(), dialect,
                AgreedPrograms.NONE, offered -> !renames.equals("none") && taken(offered, renames, asks));
        Comparison comparison = sides.comparison();
        try {
            if (!answer(arguments, sides, fills.get())) {
                return SqlCommands.WRONG;
            }
        } catch (IOException | InvalidPathException e) {
            err.println("The file cannot be written: " + e.getMessage());
            return SqlCommands.WRONG;
        }
        err.println(
                "Compared: " + ComparedCounts.of(sides.have(), sides.want()) + ": " + (comparison.alike() ? "all alike."
                : Words.counted(comparison.differences().size(), "difference") + "."));
        comparison.remarks().forEach(err::println);
        sides.unread().forEach(sentence -> err.println("Not compared. " + sentence));
        if (!first.get().whole() || !second.get().whole()) {
            err.println("What was not understood could not be compared.");
            return SqlCommands.WRONG;
        }
        return comparison.alike() ? 0 : 1;
    }

    /** Prints what is asked for: the differences, as sentences or JSON, or the script; false if there can be none. */
    private boolean answer(Arguments arguments, Reconciliation sides, Fills fills) throws IOException {
        Comparison comparison = sides.comparison();
        if (arguments.has("--json")) {
            boolean each = comparison.differences().size() <= MAX_TOLD_ALONE;
            if (!each) {
                err.println("More than " + MAX_TOLD_ALONE + " differences: the statements of each are left out; the "
                        + "script without --json has them all.");
            }
            out.println(ReconcileJson.of(comparison.differences(),
                    difference -> each ? alone(difference, sides) : List.of()));
        } else if (arguments.has("--check")) {
            DifferenceWords sentences = new DifferenceWords(arguments.files().get(0), arguments.files().get(1));
            comparison.differences().forEach(difference -> out.println(sentences.sentence(difference)
                    + (difference.risk() == Risk.SAFE ? "" : " [" + difference.risk().word() + "]")));
        } else {
            String renames = arguments.value("--renames").orElse("ask");
            return script(arguments, sides, joined(sides, renames, fills));
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

    private boolean script(Arguments arguments, Reconciliation sides, Fills fills) throws IOException {
        boolean loss = arguments.has("--allow-loss");
        DifferenceWords sentences = new DifferenceWords(arguments.files().get(0), arguments.files().get(1));
        TwoWays ways = TwoWays.of(sides, difference -> loss || difference.risk() != Risk.LOSES_DATA, fills);
        ways.merge().left().forEach(err::println);
        sides.comparison().differences().stream()
                .filter(difference -> !loss && difference.risk() == Risk.LOSES_DATA)
                .forEach(difference -> err.println("Left out, because it loses data (--allow-loss takes it in): "
                        + sentences.sentence(difference)));
        Migration forth = ways.forth();
        Optional<String> stop = ways.stop(sides);
        if (stop.isPresent()) {
            err.println("No script is written, because it would stop half-way at " + stop.get());
            return false;
        }
        Optional<String> undo = arguments.value("--undo");
        if (arguments.has("--reverse") || undo.isPresent()) {
            forth.withoutWayBack().forEach(step -> err.println("No way back: " + step.what()));
            write(arguments.has("--reverse") ? arguments.value("--out") : undo, ways.back().get()
                    .text("Back from " + arguments.files().get(1) + " to " + arguments.files().get(0)));
        }
        if (arguments.has("--reverse")) {
            return true;
        }
        forth.steps().stream().filter(step -> step.risk() == Risk.MAY_FAIL).map(Step::what).distinct()
                .forEach(what -> err.println("May fail: " + what));
        write(arguments.value("--out"),
                forth.text("From " + arguments.files().get(0) + " to " + arguments.files().get(1)));
        return true;
    }

    private Optional<Fills> fills(Arguments arguments) {
        Map<String, String> expressions = new HashMap<>();
        for (String fill : arguments.value("--fill").map(text -> text.split("\n")).orElse(new String[0])) {
            int equals = fill.indexOf('=');
            if (equals < 1 || !fill.substring(0, equals).contains(".")) {
                err.println("--fill is followed by TABLE.COLUMN=EXPRESSION, not “" + fill + "”.");
                return Optional.empty();
            }
            Optional<String> fault = SingleExpression.fault(fill.substring(equals + 1));
            if (fault.isPresent()) {
                err.println(
                        "--fill " + fill.substring(0, equals) + ": the value is no single expression. " + fault.get());
                return Optional.empty();
            }
            expressions.put(fill.substring(0, equals).strip(), fill.substring(equals + 1).strip());
        }
        return Optional.of(new Fills(expressions));
    }

    private Optional<Side> side(String name, Arguments arguments, String option, Dialect dialect) {
        if (name.endsWith(".json")) {
            return new DesignFiles(err).schema(name)
                    .map(schema -> new Side(EngineSchema.ofDesign(schema, dialect), false, true, List.of()));
        }
        Optional<String> word = arguments.value(option);
        Optional<Target> spoken = word.isEmpty() ? Optional.of(dialect.target()) : word.flatMap(Target::of);
        if (spoken.isEmpty()) {
            err.println("There is no engine “" + word.orElse("") + "” here.");
            return Optional.empty();
        }
        if (!SqlCommands.exists(name)) {
            Connections connections = Connections
                    .of(Path.of(arguments.value("--data").orElse(System.getProperty("user.home") + "/.entaxis")));
            if (connections.list().stream().anyMatch(configured -> configured.name().equals(name))) {
                return connected(name, connections, dialect);
            }
            err.println(name + ": there is no such file, and no database of this name in connections.properties");
            return Optional.empty();
        }
        return new SqlCommands(out, err).reading(List.of(name), spoken.get()).flatMap(reading -> {
            reading.notUnderstood().forEach(missed -> err.println(name + ": " + SqlCommands.place(missed)));
            if (reading.schema().tables().isEmpty() && reading.statements() == 0) {
                err.println(name + ": there is no statement in it");
            }
            return Optional
                    .of(new Side(EngineSchema.of(reading.schema(), spoken.get(), dialect), false, reading.complete(),
                            Reconciliation.Side.unread(reading)));
        });
    }

    private Optional<Side> connected(String name, Connections connections, Dialect dialect) {
        try {
            Reading reading = connections.read(name);
            return Optional.of(new Side(EngineSchema.of(reading.schema(), reading.engine(), dialect), true, true,
                    List.of()));
        } catch (Connections.Unreachable e) {
            err.println(e.getMessage());
            return Optional.empty();
        }
    }

    /** The values that rows get, those of columns that come back from another table among them. */
    private Fills joined(Reconciliation sides, String how, Fills said) {
        if (how.equals("none")) {
            return said;
        }
        boolean asks = how.equals("ask") && Boolean.getBoolean("entaxis.terminal");
        Map<String, String> fills = new HashMap<>();
        sides.offers().stream().filter(offered -> offered instanceof MergedTable).map(MergedTable.class::cast)
                .filter(joined -> taken(joined, how, asks))
                .forEach(joined -> fills.putAll(joined.fills(sides.dialect())));
        fills.putAll(said.expressions());
        return new Fills(fills);
    }

    private boolean taken(MatchSuggestion offered, String how, boolean asks) {
        String offer = offered.was() + " " + offered.became() + " " + offered.now() + " ("
                + String.join(", ", offered.reasons()) + ")";
        if (asks) {
            return answered("Is it so that " + offer + "? [y/n] ");
        }
        boolean taken = how.equals("likely") && offered.likely();
        if (!taken) {
            err.println("Perhaps, but taken as two things: " + offer
                    + (how.equals("ask") ? "; --renames likely takes what is likely as one" : ""));
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

    private int usage(Arguments arguments) {
        arguments.wrong().ifPresent(err::println);
        arguments.value("--engine").filter(word -> Target.of(word).isEmpty())
                .ifPresent(word -> err.println("There is no engine “" + word + "” here."));
        err.println("Usage: " + USAGE);
        err.println("Engines: " + Arrays.stream(Target.values()).map(Target::word).collect(Collectors.joining(" ")));
        return SqlCommands.WRONG;
    }
}
