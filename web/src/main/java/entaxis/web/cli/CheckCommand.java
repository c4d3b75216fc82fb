package entaxis.web.cli;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.review.About;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.Policy;
import entaxis.core.review.SuggestedChange;
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
import java.util.function.Function;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/**
 * The command {@code check}: what the rules find in a design. Exit 0: nothing at the level or above; 1: something; 2:
 * wrong input, with what is wrong.
 */
@Command(name = "check", customSynopsis = "./entaxis check SOURCE [--engine E] [--policy FILE]"
        + " [--level fault|caution|hint] [--json|--sarif] [--data FOLDER]",
        description = "Tell what the rules find in a design: faults, cautions and hints.")
final class CheckCommand extends Subcommand {
    /** What {@code --level} takes. */
    static final class Levels extends SmallWords {
        Levels() {
            super(Level.values());
        }
    }

    @Parameters(paramLabel = "SOURCE", arity = "1..*",
            description = "A saved design (.json), scripts of one engine, or a configured database.")
    private List<String> files;

    @Mixin
    private SourceOptions source;

    @Option(names = "--policy", paramLabel = "FILE", description = "A JSON file that gives rules other levels.")
    private Optional<String> policy;

    @Option(names = "--level", paramLabel = "LEVEL", defaultValue = "caution", completionCandidates = Levels.class,
            description = "The lowest level to tell: ${COMPLETION-CANDIDATES}; ${DEFAULT-VALUE} by default.")
    private Level level;

    @Option(names = "--json", description = "Write JSON.")
    private boolean json;

    @Option(names = "--sarif", description = "Write SARIF 2.1.0.")
    private boolean sarif;

    CheckCommand(PrintStream out, PrintStream err) {
        super(out, err);
    }

    @Override
    public Integer call() {
        if (json && sarif) {
            throw wrong("Either --json or --sarif, not both.");
        }
        Optional<Policy> rules = policy(policy);
        Optional<DesignSource.Taken> taken = rules.isEmpty() ? Optional.empty()
                : new DesignSource(err).withoutLayout().take(files, source);
        if (taken.isEmpty()) {
            return WRONG;
        }
        Design design =
                source.engine().map(target -> taken.get().design().with(taken.get().design().facts().on(target)))
                        .orElse(taken.get().design());
        List<Finding> findings = Review.of(Reviewed.of(design, Derivation.of(design)), rules.get()).findings();
        new ScriptFiles(err).missed(taken.get().missed());
        List<Finding> told = findings.stream().filter(finding -> finding.level().atLeast(level)).toList();
        tell(told, findings);
        return told.isEmpty() ? 0 : INCOMPLETE;
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

    private void tell(List<Finding> told, List<Finding> all) {
        if (json) {
            out.println(FindingsJson.of(told));
            return;
        }
        if (sarif) {
            out.println(SarifLog.of(told, files.getFirst(), lines(files.getFirst())));
            return;
        }
        for (Finding finding : told) {
            out.println(finding.level().word() + "  " + finding.rule()
                    + (finding.about().isEmpty() ? "" : "  " + finding.about().getFirst().name()));
            out.println("    " + finding.sentence());
            finding.evidence().forEach(line -> out.println("      " + line));
            finding.remedies().stream().map(SuggestedChange::words).forEach(remedy -> out.println("    -> " + remedy));
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
