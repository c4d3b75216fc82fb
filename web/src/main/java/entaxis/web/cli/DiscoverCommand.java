package entaxis.web.cli;

import entaxis.core.dependency.Discovery;
import entaxis.core.dependency.Relation;
import entaxis.core.dependency.Rows;
import entaxis.core.word.Words;
import entaxis.exchange.CsvRows;
import entaxis.exchange.NormalizeJson;
import java.io.PrintStream;
import java.util.List;
import picocli.CommandLine.Command;

/** The command {@code discover}: the dependencies and keys that rows satisfy. */
@Command(name = "discover", customSynopsis = "./entaxis discover FILE.csv [--json]",
        description = "Tell the dependencies and keys that the rows of a CSV file satisfy.")
final class DiscoverCommand extends TextCommand {
    private static final int MAX_ROWS = 2_000_000;

    DiscoverCommand(PrintStream out, PrintStream err) {
        super(out, err);
    }

    @Override
    int run(String text) {
        CsvRows.Result result = CsvRows.read(text, MAX_ROWS);
        if (result.fault().isPresent()) {
            return wrong(result.fault().get().line(), result.fault().get().message());
        }
        Rows rows = result.rows();
        Discovery discovery = Discovery.of(rows, json() ? Discovery.Watch.NONE : this::progress);
        if (json()) {
            out.println(NormalizeJson.discovery(rows, discovery));
            return 0;
        }
        Relation relation = new Relation(file(), rows.columns(), List.of(), List.of());
        out.println(Words.counted(rows.size(), "row")
                + ". Rows can refute a dependency, never prove one; these refute none of the following.");
        discovery.keys().forEach(key -> out.println("key  " + relation.text(key)));
        discovery.dependencies().forEach(dependency -> out.println("     " + relation.text(dependency)));
        return 0;
    }

    private boolean progress(int size, int done, int all) {
        if (done == 0 && size > 1) {
            err.println("looking at " + all + " sets of " + size + " columns");
        }
        return true;
    }
}
