package entaxis.web.cli;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.Target;
import entaxis.core.review.About;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.Policy;
import entaxis.core.review.Remedy;
import entaxis.core.review.Review;
import entaxis.core.review.Reviewed;
import entaxis.core.word.Words;
import entaxis.exchange.UnreadableJson;
import entaxis.exchange.findings.FindingsJson;
import entaxis.exchange.findings.PolicyFile;
import entaxis.exchange.findings.SarifLog;
import entaxis.web.review.ScriptPlaces;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Function;

/** The command {@code check}: what the rules find in a design. */
final class CheckCommand {
    private static final String USAGE =
            "./entaxis check SOURCE [--engine E] [--policy FILE] [--level fault|caution|hint] [--json|--sarif] [--data "
                    + "FOLDER]";
    private final PrintStream out;
    private final PrintStream err;

    CheckCommand(PrintStream out, PrintStream err) {
        this.out = out;
        this.err = err;
    }

    /**
     * Exit 0: nothing at the level or above (caution, if none is given); 1: something; 2: wrong input, with what is
     * wrong.
     */
    int run(List<String> words) {
        Arguments arguments =
                Arguments.of(words, Set.of("--engine", "--policy", "--level", "--data"), Set.of("--json", "--sarif"));
        Optional<String> wrong = wrong(arguments);
        if (wrong.isPresent()) {
            err.println(wrong.get());
            err.println("Usage: " + USAGE);
            return SqlCommands.WRONG;
        }
        Optional<Policy> policy = policy(arguments.value("--policy"));
        Optional<Target> engine = arguments.value("--engine").flatMap(Target::of);
        Optional<DesignSource.Taken> taken = policy.isEmpty() ? Optional.empty()
                : new DesignSource(err).withoutLayout().take(arguments.files(), engine, arguments.value("--data"));
        if (taken.isEmpty()) {
            return SqlCommands.WRONG;
        }
        Design design = engine.map(target -> taken.get().design().with(taken.get().design().facts().on(target)))
                .orElse(taken.get().design());
        List<Finding> findings = Review.of(Reviewed.of(design, Derivation.of(design)), policy.get()).findings();
        Level level = arguments.value("--level").flatMap(Level::of).orElse(Level.CAUTION);
        taken.get().missed().forEach(missed -> err.println(SqlCommands.place(missed)));
        List<Finding> told = findings.stream().filter(finding -> finding.level().atLeast(level)).toList();
        tell(arguments, told, findings);
        return told.isEmpty() ? 0 : SqlCommands.INCOMPLETE;
    }

    private static Optional<String> wrong(Arguments arguments) {
        if (arguments.wrong().isPresent()) {
            return arguments.wrong();
        }
        if (arguments.files().isEmpty()) {
            return Optional
                    .of("A source is needed: a saved design, a script with its engine, or a configured database.");
        }
        if (arguments.value("--engine").filter(name -> Target.of(name).isEmpty()).isPresent()) {
            return Optional.of("There is no engine “" + arguments.value("--engine").get() + "” here.");
        }
        if (arguments.value("--level").filter(word -> Level.of(word).isEmpty()).isPresent()) {
            return Optional
                    .of("--level is one of fault, caution, hint; not “" + arguments.value("--level").get() + "”.");
        }
        return arguments.has("--json") && arguments.has("--sarif") ? Optional.of("Either --json or --sarif, not both.")
                : Optional.empty();
    }

    private Optional<Policy> policy(Optional<String> file) {
        if (file.isEmpty()) {
            return Optional.of(Policy.DEFAULT);
        }
        try {
            return Optional.of(PolicyFile.read(Files.readString(Path.of(file.get()))));
        } catch (UnreadableJson e) {
            err.println(file.get() + ": " + e.getMessage());
        } catch (IOException | InvalidPathException e) {
            err.println(file.get() + ": the file cannot be read: "
                    + (e instanceof NoSuchFileException ? "there is no such file" : e.getMessage()));
        }
        return Optional.empty();
    }

    private void tell(Arguments arguments, List<Finding> told, List<Finding> all) {
        if (arguments.has("--json")) {
            out.println(FindingsJson.of(told));
            return;
        }
        if (arguments.has("--sarif")) {
            out.println(SarifLog.of(told, arguments.files().getFirst(), lines(arguments.files().getFirst())));
            return;
        }
        for (Finding finding : told) {
            out.println(finding.level().word() + "  " + finding.rule()
                    + (finding.about().isEmpty() ? "" : "  " + finding.about().getFirst().name()));
            out.println("    " + finding.sentence());
            finding.evidence().forEach(line -> out.println("      " + line));
            finding.remedies().stream().map(Remedy::words).forEach(remedy -> out.println("    -> " + remedy));
        }
        out.println(counted(all));
    }

    private static String counted(List<Finding> findings) {
        StringBuilder text = new StringBuilder();
        for (Level level : Level.values()) {
            text.append(text.isEmpty() ? "" : ", ").append(
                    Words.counted(findings.stream().filter(finding -> finding.level() == level).count(), level.word()));
        }
        return text.toString();
    }

    /** Where things stand in a script; nowhere in a saved design or a database. */
    private static Function<About, OptionalInt> lines(String source) {
        try {
            if (!source.endsWith(".json") && Files.isRegularFile(Path.of(source))) {
                return new ScriptPlaces(new String(Files.readAllBytes(Path.of(source)), StandardCharsets.UTF_8))::line;
            }
        } catch (IOException | InvalidPathException e) {
            return any -> OptionalInt.empty();
        }
        return any -> OptionalInt.empty();
    }
}
