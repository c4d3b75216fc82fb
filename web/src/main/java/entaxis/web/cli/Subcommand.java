package entaxis.web.cli;

import java.io.PrintStream;
import java.util.concurrent.Callable;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Spec;

/** What the commands have in common: where they write, and what they say of wrong input. */
abstract class Subcommand implements Callable<Integer> {
    /** The exit code where something was not understood, or something was found. */
    static final int INCOMPLETE = 1;
    /** The exit code for wrong input. */
    static final int WRONG = 2;

    protected final PrintStream out;
    protected final PrintStream err;

    @Spec
    private CommandSpec spec;

    @Option(names = "--help", usageHelp = true, description = "Show this text.")
    private boolean help;

    Subcommand(PrintStream out, PrintStream err) {
        this.out = out;
        this.err = err;
    }

    /** Wrong words behind the command: the message is shown with how the command is used. */
    protected final ParameterException wrong(String message) {
        return new ParameterException(spec.commandLine(), message);
    }
}
