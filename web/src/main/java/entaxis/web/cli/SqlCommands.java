package entaxis.web.cli;

import entaxis.core.design.Target;
import entaxis.core.reading.NotUnderstood;
import entaxis.core.reading.Reading;
import entaxis.core.reading.ScriptReader;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.exchange.ReadingJson;
import entaxis.exchange.ScriptText;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** The commands on scripts: {@code read} and {@code sql}. */
final class SqlCommands {
    static final int WRONG = 2;
    static final int INCOMPLETE = 1;
    private final PrintStream out;
    private final PrintStream err;

    SqlCommands(PrintStream out, PrintStream err) {
        this.out = out;
        this.err = err;
    }

    /**
     * {@code read FILE... --engine E [--json]}: exit 0; 1 if something was not understood; 2 for no file or no such
     * engine.
     */
    int read(List<String> words) {
        Arguments arguments = Arguments.of(words, Set.of("--engine"), Set.of("--json"));
        Optional<Target> engine = engine(arguments, "--engine");
        if (arguments.wrong().isPresent() || arguments.files().isEmpty() || engine.isEmpty()) {
            return usage(arguments, "./entaxis read FILE... --engine E [--json]");
        }
        Optional<Reading> read = reading(arguments.files(), engine.get());
        if (read.isEmpty()) {
            return WRONG;
        }
        Reading reading = read.get();
        if (arguments.has("--json")) {
            out.println(ReadingJson.of(reading));
        } else {
            ReadingText.lines(reading).forEach(out::println);
        }
        return reading.complete() ? 0 : INCOMPLETE;
    }

    /**
     * {@code sql FILE --from E1 --to E2}: the script of one engine as that of another; what is lost goes to the other
     * stream.
     */
    int sql(List<String> words) {
        Arguments arguments = Arguments.of(words, Set.of("--from", "--to", "--schema", "--tables", "--letters"),
                Set.of("--drop", "--if-absent", "--no-comments", "--foreign-keys-inside", "--quote"));
        Optional<Target> to = engine(arguments, "--to");
        if (arguments.wrong().isPresent() || arguments.files().isEmpty() || to.isEmpty()) {
            return usage(arguments,
                    "./entaxis sql FILE... --from E1 --to E2 [--drop] [--if-absent] [--no-comments] "
                            + "[--foreign-keys-inside] [--quote] [--letters small|capital]"
                    + " [--schema NAME] [--tables A,B]");
        }
        Optional<ScriptOptions.Letters> letters = letters(arguments);
        if (letters.isEmpty()) {
            return usage(arguments, "--letters is followed by small or capital");
        }
        Dialect dialect = Dialect.of(to.get());
        Optional<Source> source = source(arguments, to.get());
        if (source.isEmpty()) {
            return WRONG;
        }
        ScriptOptions options = new ScriptOptions(arguments.has("--drop"), arguments.has("--if-absent"),
                !arguments.has("--no-comments"), arguments.has("--foreign-keys-inside"),
                arguments.has("--quote"), letters.get(), arguments.value("--schema"),
                arguments.value("--tables").map(names -> Arrays.stream(names.split(",")).map(String::strip)
                        .collect(Collectors.toSet())));
        boolean again = engine(arguments, "--from").equals(to);
        ScriptWriter writer = new ScriptWriter(dialect, options);
        String title = String.join(", ",
                arguments.files().stream().map(file -> Path.of(file).getFileName().toString()).toList());
        Script script = again ? writer.writeAgain(source.get().schema(), title)
                : writer.write(source.get().schema(), title);
        out.print(script.text());
        script.findings().forEach(note -> err.println(note.kind().title() + ": " + note.sentence()));
        source.get().missed().forEach(missed -> err.println(place(missed)));
        return source.get().missed().isEmpty() ? 0 : INCOMPLETE;
    }

    /** What a script is written of. */
    record Source(Schema schema, List<NotUnderstood> missed) { }

    private Optional<Source> source(Arguments arguments, Target to) {
        if (arguments.files().size() == 1 && arguments.files().getFirst().endsWith(".json")) {
            return new DesignFiles(err).schema(arguments.files().getFirst())
                    .map(schema -> new Source(schema, List.of()));
        }
        Optional<Target> from = engine(arguments, "--from");
        if (from.isEmpty()) {
            usage(arguments, "./entaxis sql FILE --from E1 --to E2; a saved design (.json) needs no --from");
            return Optional.empty();
        }
        return reading(arguments.files(), from.get()).map(reading -> {
            boolean same = from.get() == to;
            return new Source(same ? reading.schema() : IsoNormalizer.of(reading.schema(), Dialect.of(from.get())),
                    reading.notUnderstood());
        });
    }

    private Optional<ScriptOptions.Letters> letters(Arguments arguments) {
        return arguments.value("--letters")
                .map(word -> Arrays.stream(ScriptOptions.Letters.values())
                        .filter(letters -> letters.name().equalsIgnoreCase(word)).findFirst())
                .orElse(Optional.of(ScriptOptions.Letters.AS_NAMED));
    }

    /** Reads files as one script; none if one of them cannot be had, which is said. */
    Optional<Reading> reading(List<String> files, Target engine) {
        ScriptReader reader = new ScriptReader(engine);
        for (String file : files) {
            try {
                reader.add(files.size() == 1 ? "" : file, ScriptText.of(Files.readAllBytes(Path.of(file))));
            } catch (IOException | InvalidPathException e) {
                err.println(file + ": the file cannot be read: "
                        + (exists(file) ? e.getMessage() : "there is no such file"));
                return Optional.empty();
            }
        }
        return Optional.of(reader.done());
    }

    /** Whether there is a file of this name; a name that no file can have is none. */
    static boolean exists(String file) {
        try {
            return Files.exists(Path.of(file));
        } catch (InvalidPathException e) {
            return false;
        }
    }

    static String place(NotUnderstood missed) {
        return (missed.file().isEmpty() ? "line " : missed.file() + ":") + missed.line() + ":" + missed.column()
                + ": not understood: " + missed.text() + " (" + missed.reason() + ")";
    }

    Optional<Target> engine(Arguments arguments, String option) {
        return arguments.value(option).flatMap(Target::of);
    }

    int usage(Arguments arguments, String usage) {
        arguments.wrong().ifPresent(err::println);
        arguments.value("--engine").filter(word -> Target.of(word).isEmpty())
                .ifPresent(word -> err.println("There is no engine “" + word + "” here."));
        err.println("Usage: " + usage);
        err.println("Engines: " + Arrays.stream(Target.values()).map(Target::word).collect(Collectors.joining(" ")));
        return WRONG;
    }
}
