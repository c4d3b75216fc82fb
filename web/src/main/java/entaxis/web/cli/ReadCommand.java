package entaxis.web.cli;

import entaxis.core.reading.Reading;
import entaxis.core.targets.Target;
import entaxis.exchange.ReadingJson;
import java.io.PrintStream;
import java.util.List;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** The command {@code read}: what a script defines. Exit 1 if something was not understood. */
@Command(name = "read", customSynopsis = "./entaxis read FILE... --engine E [--json]",
        description = "Tell what a script defines: tables, keys, and what was not understood.")
final class ReadCommand extends Subcommand {
    @Parameters(paramLabel = "FILE", arity = "1..*", description = "Scripts, read one after the other.")
    private List<String> files;

    @Option(names = "--engine", required = true, paramLabel = "E", completionCandidates = EngineWords.class,
            description = "The engine of the script: ${COMPLETION-CANDIDATES}.")
    private Target engine;

    @Option(names = "--json", description = "Write JSON.")
    private boolean json;

    ReadCommand(PrintStream out, PrintStream err) {
        super(out, err);
    }

    @Override
    public Integer call() {
        Optional<Reading> read = new ScriptFiles(err).reading(files, engine);
        if (read.isEmpty()) {
            return WRONG;
        }
        Reading reading = read.get();
        if (json) {
            out.println(ReadingJson.of(reading));
        } else {
            ReadingText.lines(reading).forEach(out::println);
        }
        return reading.complete() ? 0 : INCOMPLETE;
    }
}
