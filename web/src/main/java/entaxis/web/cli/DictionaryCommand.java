package entaxis.web.cli;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.Target;
import entaxis.exchange.dictionary.DictionaryFormat;
import entaxis.exchange.dictionary.WritingProgress;
import entaxis.web.dictionary.DictionaryFiles;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** The command {@code dictionary}: the data dictionary of a design as a file. */
final class DictionaryCommand {
    private static final String USAGE =
            "./entaxis dictionary SOURCE OUT.{html,pdf,docx,xlsx,md,csv} [--engine E] [--data FOLDER]";
    private final PrintStream err;

    DictionaryCommand(PrintStream err) {
        this.err = err;
    }

    /** Exit 0; 1 if something of a script was not understood; 2 for wrong input, with what is wrong. */
    int run(List<String> words) {
        Arguments arguments = Arguments.of(words, Set.of("--engine", "--data"), Set.of());
        Optional<DictionaryFormat> format =
                arguments.files().size() < 2 ? Optional.empty() : DictionaryFormat.ofFile(arguments.files().getLast());
        Optional<String> engine = arguments.value("--engine");
        if (arguments.wrong().isPresent() || format.isEmpty()
                || engine.isPresent() && Target.of(engine.get()).isEmpty()) {
            err.println(arguments.wrong()
                    .orElse(arguments.files().size() < 2 ? "A source and a file to write are needed."
                            : format.isEmpty() ? arguments.files().getLast()
                                    + ": the file is to end in .html, .pdf, .docx, .xlsx, .md or .csv"
                            : "There is no engine “" + engine.get() + "” here."));
            err.println("Usage: " + USAGE);
            return SqlCommands.WRONG;
        }
        String out = arguments.files().getLast();
        Optional<DesignSource.Taken> taken =
                new DesignSource(err).take(arguments.files().subList(0, arguments.files().size() - 1),
                        engine.flatMap(Target::of), arguments.value("--data"));
        if (taken.isEmpty()) {
            return SqlCommands.WRONG;
        }
        Design design = taken.get().design();
        try {
            Files.write(Path.of(out),
                    new DictionaryFiles(design, Derivation.of(design), taken.get().pictures()).write(format.get(),
                            LocalDate.now().toString(),
                    WritingProgress.UNWATCHED));
        } catch (IOException | InvalidPathException e) {
            err.println(out + ": the file cannot be written: " + e.getMessage());
            return SqlCommands.WRONG;
        }
        taken.get().missed().forEach(missed -> err.println(SqlCommands.place(missed)));
        return taken.get().missed().isEmpty() ? 0 : SqlCommands.INCOMPLETE;
    }
}
