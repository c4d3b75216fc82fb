package entaxis.web.cli;

import entaxis.core.dependency.Relation;
import entaxis.core.dependency.RelationReader;
import entaxis.exchange.NormalizeJson;
import java.io.PrintStream;
import picocli.CommandLine.Command;

/** The command {@code normalize}: keys, normal form and remedy of relations in textbook notation. */
@Command(name = "normalize", customSynopsis = "./entaxis normalize FILE [--json]",
        description = "Tell the keys, the normal form and the remedy of relations: a line Name(a, b, c), then lines "
                + "such as a, b -> c.")
final class NormalizeCommand extends TextCommand {
    NormalizeCommand(PrintStream out, PrintStream err) {
        super(out, err);
    }

    @Override
    int run(String text) {
        RelationReader.Result result = RelationReader.read(text);
        if (result.fault().isPresent()) {
            return wrong(result.fault().get().line(), result.fault().get().message());
        }
        if (json()) {
            out.println(NormalizeJson.relations(result.relations()));
        } else {
            for (Relation relation : result.relations()) {
                NormalizeText.lines(relation).forEach(out::println);
            }
        }
        return 0;
    }
}
