package entaxis.web.cli;

import entaxis.core.reading.NotUnderstood;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions.Letters;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import java.io.PrintStream;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/**
 * The command {@code sql}: the script of one engine as that of another; what is lost goes to the other stream. Exit 1
 * if something was not understood.
 */
@Command(name = "sql", customSynopsis = "./entaxis sql FILE... --from E1 --to E2 [--drop] [--if-absent] [--no-comments]"
        + " [--foreign-keys-inside] [--quote] [--letters small|capital] [--schema NAME] [--tables A,B]",
        description = "Write a script, or a saved design (.json), as the script of another engine.")
final class SqlCommand extends Subcommand {
    /** What {@code --letters} takes. */
    static final class Cases extends SmallWords {
        Cases() {
            super(Letters.SMALL, Letters.CAPITAL);
        }
    }

    @Parameters(paramLabel = "FILE", arity = "1..*", description = "Scripts of one engine, or a saved design.")
    private List<String> files;

    @Option(names = "--from", paramLabel = "E1", completionCandidates = EngineWords.class,
            description = "The engine of the script: ${COMPLETION-CANDIDATES}. A saved design needs none.")
    private Optional<Target> from;

    @Option(names = "--to", required = true, paramLabel = "E2", completionCandidates = EngineWords.class,
            description = "The engine to write for.")
    private Target to;

    @Option(names = "--drop", description = "Drop what is created first, where it is there.")
    private boolean drop;

    @Option(names = "--if-absent", description = "Keep tables that exist.")
    private boolean ifAbsent;

    @Option(names = "--no-comments", description = "Leave comments on tables and columns out.")
    private boolean noComments;

    @Option(names = "--foreign-keys-inside", description = "Put foreign keys into the table definitions.")
    private boolean foreignKeysInside;

    @Option(names = "--quote", description = "Quote all names.")
    private boolean quote;

    @Option(names = "--letters", paramLabel = "CASE", completionCandidates = Cases.class,
            description = "Write names in one case: ${COMPLETION-CANDIDATES}.")
    private Optional<Letters> letters;

    @Option(names = "--schema", paramLabel = "NAME", description = "Put the tables into this schema.")
    private Optional<String> schema;

    @Option(names = "--tables", paramLabel = "A,B", split = ",", description = "Write only these tables.")
    private final Set<String> tables = new HashSet<>();

    SqlCommand(PrintStream out, PrintStream err) {
        super(out, err);
    }

    /** What a script is written of. */
    private record Source(Schema schema, List<NotUnderstood> missed) { }

    @Override
    public Integer call() {
        Optional<Source> source = source();
        if (source.isEmpty()) {
            return WRONG;
        }
        ScriptOptions options = new ScriptOptions(drop, ifAbsent, !noComments, foreignKeysInside, quote,
                letters.orElse(Letters.AS_NAMED), schema, tables.isEmpty() ? Optional.empty()
                        : Optional.of(tables.stream().map(String::strip).collect(Collectors.toSet())));
        ScriptWriter writer = new ScriptWriter(Dialect.of(to), options);
        String title =
                String.join(", ", files.stream().map(file -> Path.of(file).getFileName().toString()).toList());
        Script script = from.equals(Optional.of(to)) ? writer.writeAgain(source.get().schema(), title)
                : writer.write(source.get().schema(), title);
        out.print(script.text());
        script.findings().forEach(note -> err.println(note.kind().title() + ": " + note.sentence()));
        return new ScriptFiles(err).missed(source.get().missed());
    }

    private Optional<Source> source() {
        if (files.size() == 1 && files.getFirst().endsWith(".json")) {
            return new DesignFiles(err).schema(files.getFirst()).map(design -> new Source(design, List.of()));
        }
        Target spoken = from.orElseThrow(() -> wrong("A script needs --from, its engine; a saved design does not."));
        return new ScriptFiles(err).reading(files, spoken)
                .map(reading -> new Source(spoken == to ? reading.schema()
                        : IsoNormalizer.of(reading.schema(), Dialect.of(spoken)), reading.notUnderstood()));
    }
}
