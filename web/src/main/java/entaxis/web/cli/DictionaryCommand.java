package entaxis.web.cli;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
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
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;

/**
 * The command {@code dictionary}: the data dictionary of a design as a file. Exit 0; 1 if something of a script was not
 * understood; 2 for wrong input, with what is wrong.
 */
@Command(name = "dictionary",
        customSynopsis = "./entaxis dictionary SOURCE OUT.{html,pdf,docx,xlsx,md,csv} [--engine E] [--data FOLDER]",
        description = "Write the data dictionary of a design into a file.")
final class DictionaryCommand extends Subcommand {
    @Parameters(paramLabel = "SOURCE... OUT", arity = "0..*",
            description = "A saved design (.json), scripts of one engine, or a configured database; then the file to "
                    + "write, which ends in .html, .pdf, .docx, .xlsx, .md or .csv.")
    private List<String> files = List.of();

    @Mixin
    private SourceOptions source;

    DictionaryCommand(PrintStream out, PrintStream err) {
        super(out, err);
    }

    @Override
    public Integer call() {
        if (files.size() < 2) {
            throw wrong("A source and a file to write are needed.");
        }
        String to = files.getLast();
        DictionaryFormat format = DictionaryFormat.ofFile(to)
                .orElseThrow(() -> wrong(to + ": the file is to end in .html, .pdf, .docx, .xlsx, .md or .csv"));
        Optional<DesignSource.Taken> taken = new DesignSource(err).take(files.subList(0, files.size() - 1), source);
        if (taken.isEmpty()) {
            return WRONG;
        }
        Design design = taken.get().design();
        try {
            Files.write(Path.of(to), new DictionaryFiles(design, Derivation.of(design), taken.get().pictures())
                    .write(format, LocalDate.now().toString(), WritingProgress.UNWATCHED));
        } catch (IOException | InvalidPathException e) {
            err.println(to + ": the file cannot be written: " + e.getMessage());
            return WRONG;
        }
        return new ScriptFiles(err).missed(taken.get().missed());
    }
}
