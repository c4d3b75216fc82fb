package entaxis.web.cli;

import entaxis.core.dependency.Discovery;
import entaxis.core.dependency.Relation;
import entaxis.core.dependency.RelationReader;
import entaxis.core.dependency.Rows;
import entaxis.core.word.Words;
import entaxis.exchange.CsvRows;
import entaxis.exchange.NormalizeJson;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;

/**
 * Carries out commands: {@code normalize}, {@code discover}, {@code read}, {@code sql}, {@code draw},
 * {@code dictionary}, {@code import}, {@code check}, {@code reconcile}, {@code verify}, {@code backup} and
 * {@code restore}. Exit 0; 2 with what is wrong, and where, on bad input.
 */
public final class CommandLine {
    private static final int BAD_INPUT = 2;
    private static final int MAX_ROWS = 2_000_000;
    private static final long MAX_BYTES = 400_000_000;

    private final PrintStream out;
    private final PrintStream err;

    /** Writes to these. */
    public CommandLine(PrintStream out, PrintStream err) {
        this.out = out;
        this.err = err;
    }

    /** Carries out a command and gives the exit code; none if the arguments are those of the server. */
    public OptionalInt run(String... arguments) {
        if (arguments.length > 0 && List.of("read", "sql").contains(arguments[0])) {
            List<String> words = List.of(arguments).subList(1, arguments.length);
            SqlCommands commands = new SqlCommands(out, err);
            return OptionalInt.of(arguments[0].equals("read") ? commands.read(words) : commands.sql(words));
        }
        if (arguments.length > 0 && arguments[0].equals("draw")) {
            return OptionalInt.of(new DrawCommand(err).run(List.of(arguments).subList(1, arguments.length)));
        }
        if (arguments.length > 0 && arguments[0].equals("import")) {
            return OptionalInt.of(new ImportCommand(out, err).run(List.of(arguments).subList(1, arguments.length)));
        }
        if (arguments.length > 0 && arguments[0].equals("dictionary")) {
            return OptionalInt.of(new DictionaryCommand(err).run(List.of(arguments).subList(1, arguments.length)));
        }
        if (arguments.length > 0 && arguments[0].equals("check")) {
            return OptionalInt.of(new CheckCommand(out, err).run(List.of(arguments).subList(1, arguments.length)));
        }
        if (arguments.length > 0 && List.of("verify", "backup", "restore").contains(arguments[0])) {
            return OptionalInt
                    .of(new StoreCommands(out, err).run(arguments[0], List.of(arguments).subList(1, arguments.length)));
        }
        if (arguments.length > 0 && arguments[0].equals("reconcile")) {
            return OptionalInt.of(new ReconcileCommand(out, err).run(List.of(arguments).subList(1, arguments.length)));
        }
        if (arguments.length == 0 || !List.of("normalize", "discover").contains(arguments[0])) {
            return OptionalInt.empty();
        }
        List<String> rest = new ArrayList<>(List.of(arguments).subList(1, arguments.length));
        boolean json = rest.remove("--json");
        if (rest.size() != 1 || rest.getFirst().startsWith("--")) {
            err.println("Usage: ./entaxis " + arguments[0] + (arguments[0].equals("discover") ? " FILE.csv" : " FILE")
                    + " [--json]");
            return OptionalInt.of(BAD_INPUT);
        }
        String file = rest.getFirst();
        try {
            if (Files.isRegularFile(Path.of(file)) && Files.size(Path.of(file)) > MAX_BYTES) {
                return wrong(file, 1, "the file is larger than " + MAX_BYTES / 1_000_000 + " MB; take a part of it");
            }
            String text = Files.readString(Path.of(file), StandardCharsets.UTF_8);
            return arguments[0].equals("normalize") ? normalize(file, text, json) : discover(file, text, json);
        } catch (CharacterCodingException e) {
            return wrong(file, 1, "the file is not text in UTF-8; save it so");
        } catch (IOException | java.nio.file.InvalidPathException e) {
            return wrong(file, 1, "the file cannot be read: "
                    + (Files.exists(Path.of(file)) ? e.getMessage() : "there is no such file"));
        }
    }

    private OptionalInt wrong(String file, long line, String message) {
        err.println(file + ":" + line + ": " + message);
        return OptionalInt.of(BAD_INPUT);
    }

    private OptionalInt normalize(String file, String text, boolean json) {
        RelationReader.Result result = RelationReader.read(text);
        if (result.fault().isPresent()) {
            return wrong(file, result.fault().get().line(), result.fault().get().message());
        }
        if (json) {
            out.println(NormalizeJson.relations(result.relations()));
        } else {
            for (Relation relation : result.relations()) {
                NormalizeText.lines(relation).forEach(out::println);
            }
        }
        return OptionalInt.of(0);
    }

    private OptionalInt discover(String file, String text, boolean json) {
        CsvRows.Result result = CsvRows.read(text, MAX_ROWS);
        if (result.fault().isPresent()) {
            return wrong(file, result.fault().get().line(), result.fault().get().message());
        }
        Rows rows = result.rows();
        Discovery discovery = Discovery.of(rows, json ? Discovery.Watch.NONE : this::progress);
        if (json) {
            out.println(NormalizeJson.discovery(rows, discovery));
            return OptionalInt.of(0);
        }
        Relation relation = new Relation(file, rows.columns(), List.of(), List.of());
        out.println(Words.counted(rows.size(), "row")
                + ". Rows can refute a dependency, never prove one; these refute none of the following.");
        discovery.keys().forEach(key -> out.println("key  " + relation.text(key)));
        discovery.dependencies().forEach(dependency -> out.println("     " + relation.text(dependency)));
        return OptionalInt.of(0);
    }

    private boolean progress(int size, int done, int all) {
        if (done == 0 && size > 1) {
            err.println("looking at " + all + " sets of " + size + " columns");
        }
        return true;
    }
}
