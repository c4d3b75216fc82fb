package entaxis.web.cli;

import entaxis.core.dictionary.reading.DictionaryDesign;
import entaxis.core.dictionary.reading.DictionaryReader;
import entaxis.core.dictionary.reading.ReadDictionary;
import entaxis.exchange.DesignFile;
import entaxis.exchange.dictionary.DictionaryJson;
import entaxis.exchange.dictionary.DictionaryTables;
import entaxis.web.dictionary.ReadDictionaries;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/**
 * The command {@code import}: a design from a data dictionary in a spreadsheet. Exit 0; 1 if something was not
 * understood, which is said; 2 for wrong input, with what is wrong.
 */
@Command(name = "import", customSynopsis = "./entaxis import DICTIONARY.{csv,xlsx,ods} OUT.json [--json]",
        description = "Make a saved design of a data dictionary.")
final class ImportCommand extends Subcommand {
    @Parameters(index = "0", paramLabel = "DICTIONARY", description = "A spreadsheet: .csv, .xlsx or .ods.")
    private String from;

    @Parameters(index = "1", paramLabel = "OUT", description = "The saved design to write (.json).")
    private String to;

    @Option(names = "--json", description = "Write what was read as JSON.")
    private boolean json;

    ImportCommand(PrintStream out, PrintStream err) {
        super(out, err);
    }

    @Override
    public Integer call() {
        try {
            ReadDictionary read = DictionaryReader.read(DictionaryTables.read(from, Files.readAllBytes(Path.of(from))));
            if (read.entities().isEmpty()) {
                read.missed().forEach(this::say);
                err.println(from + ": there is no entity in it");
                return WRONG;
            }
            DictionaryDesign.Made made =
                    ReadDictionaries.design(read, Path.of(from).getFileName().toString().replaceFirst("\\.[^.]*$", ""));
            try {
                Files.writeString(Path.of(to), DesignFile.write(made.design(), content -> Optional.empty()));
            } catch (IOException | InvalidPathException e) {
                err.println(to + ": the file cannot be written: " + e.getMessage());
                return WRONG;
            }
            if (json) {
                out.println(DictionaryJson.of(read));
            }
            read.missed().forEach(this::say);
            made.problems().forEach(err::println);
            return read.missed().isEmpty() && made.problems().isEmpty() ? 0 : INCOMPLETE;
        } catch (IOException | InvalidPathException e) {
            err.println(from + ": the file cannot be read: "
                    + (e instanceof java.nio.file.NoSuchFileException ? "there is no such file" : e.getMessage()));
        } catch (DictionaryTables.Unreadable e) {
            err.println(from + ": " + e.getMessage());
        }
        return WRONG;
    }

    private void say(ReadDictionary.Missed missed) {
        err.println(missed.sheet() + ", row " + missed.row() + ", column " + missed.column() + ": not understood: "
                + missed.text() + " (" + missed.reason() + ")");
    }
}
