package entaxis.web.cli;

import java.io.PrintStream;
import picocli.AutoComplete;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Model.OptionSpec;

/** The command {@code completion}: what a shell needs to complete the words of a command. */
@Command(name = "completion", customSynopsis = "./entaxis completion",
        description = "Write what bash and zsh need to complete commands: source <(./entaxis completion)")
final class CompletionCommand extends Subcommand {
    CompletionCommand(PrintStream out, PrintStream err) {
        super(out, err);
    }

    @Override
    public Integer call() {
        CommandLine all = new CommandLine(CommandSpec.create().name("entaxis"));
        for (String server : new String[] {"demo", "start"}) {
            all.addSubcommand(server, CommandSpec.create().addOption(word("--port")).addOption(word("--data")));
        }
        for (String plain : new String[] {"build", "test", "help"}) {
            all.addSubcommand(plain, CommandSpec.create());
        }
        new Commands(out, err).lines().forEach(all::addSubcommand);
        out.print(AutoComplete.bash("entaxis", all));
        return 0;
    }

    private static OptionSpec word(String name) {
        return OptionSpec.builder(name).arity("1").type(String.class).build();
    }
}
