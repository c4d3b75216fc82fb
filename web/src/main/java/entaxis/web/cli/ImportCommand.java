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
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** The command {@code import}: a design from a data dictionary in a spreadsheet. */
final class ImportCommand {
    private static final String USAGE = "./entaxis import DICTIONARY.{csv,xlsx,ods} OUT.json [--json]";
    private final PrintStream out;
    private final PrintStream err;

    ImportCommand(PrintStream out, PrintStream err) {
        this.out = out;
        this.err = err;
    }

    /** Exit 0; 1 if something was not understood, which is said; 2 for wrong input, with what is wrong. */
    int run(List<String> words) {
        Arguments arguments = Arguments.of(words, Set.of(), Set.of("--json"));
        if (arguments.wrong().isPresent() || arguments.files().size() != 2) {
            arguments.wrong().ifPresent(err::println);
            err.println("Usage: " + USAGE);
            return SqlCommands.WRONG;
        }
        String from = arguments.files().get(0);
        String to = arguments.files().get(1);
        try {
            ReadDictionary read = DictionaryReader.read(DictionaryTables.read(from, Files.readAllBytes(Path.of(from))));
            if (read.entities().isEmpty()) {
                read.missed().forEach(this::say);
                err.println(from + ": there is no entity in it");
                return SqlCommands.WRONG;
            }
            DictionaryDesign.Made made =
                    ReadDictionaries.design(read, Path.of(from).getFileName().toString().replaceFirst("\\.[^.]*$", ""));
            try {
                Files.writeString(Path.of(to), DesignFile.write(made.design(), content -> Optional.empty()));
            } catch (IOException | InvalidPathException e) {
                err.println(to + ": the file cannot be written: " + e.getMessage());
                return SqlCommands.WRONG;
            }
            if (arguments.has("--json")) {
                out.println(DictionaryJson.of(read));
            }
            read.missed().forEach(this::say);
            made.problems().forEach(err::println);
            return read.missed().isEmpty() && made.problems().isEmpty() ? 0 : SqlCommands.INCOMPLETE;
        } catch (IOException | InvalidPathException e) {
            err.println(from + ": the file cannot be read: "
                    + (e instanceof java.nio.file.NoSuchFileException ? "there is no such file" : e.getMessage()));
        } catch (DictionaryTables.Unreadable e) {
            err.println(from + ": " + e.getMessage());
        }
        return SqlCommands.WRONG;
    }

    private void say(ReadDictionary.Missed missed) {
        err.println(missed.sheet() + ", row " + missed.row() + ", column " + missed.column() + ": not understood: "
                + missed.text() + " (" + missed.reason() + ")");
    }
}
