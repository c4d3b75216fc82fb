package entaxis.web.cli;

import entaxis.core.review.Level;
import entaxis.core.targets.Target;
import java.io.PrintStream;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.OptionalInt;
import java.util.function.BiFunction;
import picocli.CommandLine;
import picocli.CommandLine.Help;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.TypeConversionException;
import picocli.CommandLine.UnmatchedArgumentException;

/**
 * Carries out the commands that need no server. Exit 0; 1 where something was not understood or found; 2 with what is
 * wrong, and where, on bad input.
 */
public final class Commands {
    private static final int WIDTH = 118;
    private static final Map<String, BiFunction<PrintStream, PrintStream, Subcommand>> ALL = new LinkedHashMap<>();

    static {
        ALL.put("normalize", NormalizeCommand::new);
        ALL.put("discover", DiscoverCommand::new);
        ALL.put("read", ReadCommand::new);
        ALL.put("sql", SqlCommand::new);
        ALL.put("draw", DrawCommand::new);
        ALL.put("dictionary", DictionaryCommand::new);
        ALL.put("import", ImportCommand::new);
        ALL.put("check", CheckCommand::new);
        ALL.put("reconcile", ReconcileCommand::new);
        ALL.put("verify", VerifyCommand::new);
        ALL.put("backup", BackupCommand::new);
        ALL.put("restore", RestoreCommand::new);
        ALL.put("completion", CompletionCommand::new);
    }

    private final PrintStream out;
    private final PrintStream err;

    /** Writes to these. */
    public Commands(PrintStream out, PrintStream err) {
        this.out = out;
        this.err = err;
    }

    /** Carries out a command and gives the exit code; none if the arguments are those of the server. */
    public OptionalInt run(String... arguments) {
        if (arguments.length == 0 || !ALL.containsKey(arguments[0])) {
            return OptionalInt.empty();
        }
        return OptionalInt.of(line(arguments[0]).execute(Arrays.copyOfRange(arguments, 1, arguments.length)));
    }

    /** All commands, for what speaks of them. */
    Map<String, CommandLine> lines() {
        Map<String, CommandLine> lines = new LinkedHashMap<>();
        ALL.keySet().forEach(name -> lines.put(name, line(name)));
        return lines;
    }

    private CommandLine line(String name) {
        CommandLine line = new CommandLine(ALL.get(name).apply(out, err));
        line.setOut(new PrintWriter(out, true, StandardCharsets.UTF_8));
        line.setErr(new PrintWriter(err, true, StandardCharsets.UTF_8));
        line.setExpandAtFiles(false);
        line.setCaseInsensitiveEnumValuesAllowed(true);
        line.setColorScheme(Help.defaultColorScheme(Help.Ansi.OFF));
        line.setUsageHelpWidth(WIDTH);
        line.registerConverter(Target.class, new EngineWords());
        line.registerConverter(Level.class, word -> Level.of(word).orElseThrow(() -> new TypeConversionException(
                "expected fault, caution or hint, not “" + word + "”")));
        line.setParameterExceptionHandler(this::wrong);
        return line;
    }

    private int wrong(ParameterException fault, String[] words) {
        CommandLine line = fault.getCommandLine();
        err.println(fault.getMessage());
        UnmatchedArgumentException.printSuggestions(fault, line.getErr());
        err.println("Usage: " + String.join("", line.getCommandSpec().usageMessage().customSynopsis()));
        err.println("Add --help to see what each of these is.");
        return Subcommand.WRONG;
    }
}
