package entaxis.web.cli;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.Notation;
import entaxis.core.design.Paper;
import entaxis.core.design.Sheet;
import entaxis.core.design.Target;
import entaxis.drawing.file.FileOptions;
import entaxis.drawing.file.Format;
import entaxis.drawing.file.SheetFiles;
import entaxis.drawing.file.SheetPicture;
import entaxis.drawing.file.SheetPictures;
import entaxis.drawing.pdf.TitleBlock;
import entaxis.drawing.scene.Lens;
import entaxis.drawing.text.TextMeasure;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The command {@code draw}: sheets as SVG, PNG, JPEG or PDF. */
final class DrawCommand {
    private static final String USAGE =
            "./entaxis draw SOURCE OUT.{svg,png,jpg,pdf} [--engine E] [--sheet NAME] [--lens concept|tables]"
                    + " [--notation crowsfoot|idef1x|chen|uml|minmax] [--paper A4|A3|A2|A1|A0|Letter|Legal] "
                    + "[--upright] [--tiles] [--scale 1|2|3] [--transparent] [--legend] [--title-block]"
            + " [--data FOLDER]";
    private static final Map<String,
            Notation> NOTATIONS = Map.of("crowsfoot", Notation.CROWS_FOOT, "idef1x", Notation.IDEF1X, "chen",
                    Notation.CHEN, "uml", Notation.UML,
            "minmax", Notation.MIN_MAX);
    private final PrintStream err;

    DrawCommand(PrintStream err) {
        this.err = err;
    }

    /** Exit 0; 1 if something of a script was not understood; 2 for wrong input, with what is wrong. */
    int run(List<String> words) {
        Arguments arguments = Arguments.of(words,
                Set.of("--engine", "--sheet", "--lens", "--notation", "--paper", "--scale", "--data"),
                Set.of("--concept", "--tiles", "--upright", "--transparent", "--legend", "--title-block"));
        int files = arguments.files().size();
        Optional<String> wrong = wrong(arguments);
        if (wrong.isPresent()) {
            err.println(wrong.get());
            err.println("Usage: " + USAGE);
            return SqlCommands.WRONG;
        }
        String out = arguments.files().getLast();
        Optional<DesignSource.Taken> taken = new DesignSource(err).take(arguments.files().subList(0, files - 1),
                arguments.value("--engine").flatMap(Target::of), arguments.value("--data"));
        if (taken.isEmpty()) {
            return SqlCommands.WRONG;
        }
        Design design = taken.get().design();
        List<Sheet> sheets = sheets(design, arguments.value("--sheet"), out);
        if (sheets.isEmpty()) {
            err.println(arguments.files().getFirst() + ": there is no sheet “" + arguments.value("--sheet").orElse("")
                    + "”. Its sheets: "
                    + String.join(", ", design.sheets().stream().map(Sheet::name).toList()));
            return SqlCommands.WRONG;
        }
        try {
            Files.write(Path.of(out), bytes(taken.get(), sheets, arguments, Format.ofFile(out).orElseThrow()));
        } catch (IOException | InvalidPathException e) {
            err.println(out + ": the file cannot be written: " + e.getMessage());
            return SqlCommands.WRONG;
        }
        taken.get().missed().forEach(missed -> err.println(SqlCommands.place(missed)));
        return taken.get().missed().isEmpty() ? 0 : SqlCommands.INCOMPLETE;
    }

    private static Optional<String> wrong(Arguments arguments) {
        if (arguments.wrong().isPresent()) {
            return arguments.wrong();
        }
        if (arguments.files().size() < 2) {
            return Optional.of("A source and a file to write are needed.");
        }
        if (Format.ofFile(arguments.files().getLast()).isEmpty()) {
            return Optional.of(arguments.files().getLast() + ": the file is to end in .svg, .png, .jpg or .pdf");
        }
        return arguments.value("--engine").filter(word -> Target.of(word).isEmpty())
                .map(word -> "There is no engine “" + word + "” here.")
                .or(() -> arguments.value("--lens").filter(word -> !List.of("concept", "tables").contains(word))
                        .map(word -> "--lens is followed by concept or tables, not “" + word + "”."))
                .or(() -> arguments.value("--notation").filter(word -> !NOTATIONS.containsKey(word))
                        .map(word -> "There is no notation “" + word + "” here."))
                .or(() -> arguments.value("--paper").filter(word -> size(word).isEmpty())
                        .map(word -> "There is no paper “" + word + "” here."))
                .or(() -> arguments.value("--scale").filter(word -> !word.matches("[1-9]"))
                        .map(word -> "--scale is followed by a number from 1 to 9, not “" + word + "”."));
    }

    private static Optional<Paper.Size> size(String word) {
        return Arrays.stream(Paper.Size.values()).filter(size -> size.name().equalsIgnoreCase(word)).findFirst();
    }

    /** All sheets go into one document; a picture shows one. */
    private static List<Sheet> sheets(Design design, Optional<String> name, String out) {
        List<Sheet> all = design.sheets().list();
        if (name.isPresent()) {
            return all.stream().filter(sheet -> sheet.name().equalsIgnoreCase(name.get())).limit(1).toList();
        }
        return out.toLowerCase(Locale.ROOT).endsWith(".pdf") ? all : List.of(design.sheet());
    }

    private static byte[] bytes(DesignSource.Taken taken, List<Sheet> sheets, Arguments arguments, Format format) {
        Design design = taken.design();
        TextMeasure measure = new TextMeasure();
        Lens lens = arguments.has("--concept") || arguments.value("--lens").equals(Optional.of("concept"))
                ? Lens.CONCEPT : Lens.TABLES;
        Optional<Notation> notation = arguments.value("--notation").map(NOTATIONS::get);
        Derivation derivation = Derivation.of(design);
        List<SheetPicture> pictures = sheets.stream()
                .map(sheet -> SheetPictures.of(design, derivation, sheet, lens, notation, Set.of(), measure)).toList();
        FileOptions options = new FileOptions(format, arguments.value("--scale").map(Double::parseDouble).orElse(1.0),
                arguments.has("--transparent"), arguments.has("--legend"),
                arguments.has("--title-block"), arguments.has("--tiles"),
                arguments.value("--paper").flatMap(DrawCommand::size)
                        .map(size -> new Paper(size, !arguments.has("--upright"))));
        SheetFiles files = new SheetFiles(measure, taken.pictures());
        if (format != Format.PDF) {
            return files.picture(pictures.getFirst(), options);
        }
        TitleBlock title = TitleBlock.of(design.facts(), LocalDate.now(), Optional.empty());
        return files.pdf(pictures, options, title, design.facts().author(), (done, all) -> { });
    }
}
