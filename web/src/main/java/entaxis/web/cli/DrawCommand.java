package entaxis.web.cli;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.Notation;
import entaxis.core.design.Paper;
import entaxis.core.design.Sheet;
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
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/**
 * The command {@code draw}: sheets as SVG, PNG, JPEG or PDF. Exit 0; 1 if something of a script was not understood; 2
 * for wrong input, with what is wrong.
 */
@Command(name = "draw", customSynopsis = "./entaxis draw SOURCE OUT.{svg,png,jpg,pdf} [--engine E] [--sheet NAME]"
        + " [--lens concept|tables] [--notation crowsfoot|idef1x|chen|uml|minmax]"
        + " [--paper A4|A3|A2|A1|A0|Letter|Legal] [--upright] [--tiles] [--scale 1|2|3] [--transparent] [--legend]"
        + " [--title-block] [--data FOLDER]",
        description = "Draw the diagram of a design into a file.")
final class DrawCommand extends Subcommand {
    private static final Map<String, Notation> NOTATIONS = Map.of("crowsfoot", Notation.CROWS_FOOT, "idef1x",
            Notation.IDEF1X, "chen", Notation.CHEN, "uml", Notation.UML, "minmax", Notation.MIN_MAX);

    @Parameters(paramLabel = "SOURCE... OUT", arity = "0..*",
            description = "A saved design (.json), scripts of one engine, or a configured database; then the file to "
                    + "write, which ends in .svg, .png, .jpg or .pdf.")
    private List<String> files = List.of();

    @Mixin
    private SourceOptions source;

    @Option(names = "--sheet", paramLabel = "NAME",
            description = "The sheet to draw; by default the first one, or all of them in a PDF.")
    private Optional<String> sheet;

    /** What {@code --lens} takes. */
    static final class Lenses extends SmallWords {
        Lenses() {
            super(Lens.values());
        }
    }

    @Option(names = "--lens", paramLabel = "LENS", completionCandidates = Lenses.class, description =
            "What to show: ${COMPLETION-CANDIDATES}; tables by default.")
    private Optional<Lens> lens;

    @Option(names = "--concept", hidden = true)
    private boolean concept;

    @Option(names = "--notation", paramLabel = "NOTATION",
            description = "How to draw it: crowsfoot, idef1x, chen, uml or minmax.")
    private Optional<String> notation;

    @Option(names = "--paper", paramLabel = "SIZE", description = "The paper: ${COMPLETION-CANDIDATES}.")
    private Optional<Paper.Size> paper;

    @Option(names = "--upright", description = "Stand the paper upright.")
    private boolean upright;

    @Option(names = "--tiles", description = "Spread a large sheet over several pages.")
    private boolean tiles;

    @Option(names = "--scale", paramLabel = "N", defaultValue = "1",
            description = "How many times as large a picture is, 1 to 9.")
    private int scale;

    @Option(names = "--transparent", description = "Leave the background of a picture away.")
    private boolean transparent;

    @Option(names = "--legend", description = "Add a legend.")
    private boolean legend;

    @Option(names = "--title-block", description = "Add a title block.")
    private boolean titleBlock;

    DrawCommand(PrintStream out, PrintStream err) {
        super(out, err);
    }

    @Override
    public Integer call() {
        Format format = checked();
        String to = files.getLast();
        Optional<DesignSource.Taken> taken =
                new DesignSource(err).take(files.subList(0, files.size() - 1), source);
        if (taken.isEmpty()) {
            return WRONG;
        }
        Design design = taken.get().design();
        List<Sheet> sheets = sheets(design, sheet, to);
        if (sheets.isEmpty()) {
            err.println(files.getFirst() + ": there is no sheet “" + sheet.orElse("") + "”. Its sheets: "
                    + String.join(", ", design.sheets().stream().map(Sheet::name).toList()));
            return WRONG;
        }
        try {
            Files.write(Path.of(to), bytes(taken.get(), sheets, format));
        } catch (IOException | InvalidPathException e) {
            err.println(to + ": the file cannot be written: " + e.getMessage());
            return WRONG;
        }
        return new ScriptFiles(err).missed(taken.get().missed());
    }

    private Format checked() {
        if (files.size() < 2) {
            throw wrong("A source and a file to write are needed.");
        }
        if (notation.isPresent() && !NOTATIONS.containsKey(notation.get())) {
            throw wrong("There is no notation “" + notation.get() + "” here.");
        }
        if (scale < 1 || scale > 9) {
            throw wrong("--scale is followed by a number from 1 to 9, not “" + scale + "”.");
        }
        return Format.ofFile(files.getLast())
                .orElseThrow(() -> wrong(files.getLast() + ": the file is to end in .svg, .png, .jpg or .pdf"));
    }

    /** All sheets go into one document; a picture shows one. */
    private static List<Sheet> sheets(Design design, Optional<String> name, String out) {
        List<Sheet> all = design.sheets().list();
        if (name.isPresent()) {
            return all.stream().filter(sheet -> sheet.name().equalsIgnoreCase(name.get())).limit(1).toList();
        }
        return out.toLowerCase(Locale.ROOT).endsWith(".pdf") ? all : List.of(design.sheet());
    }

    private byte[] bytes(DesignSource.Taken taken, List<Sheet> sheets, Format format) {
        Design design = taken.design();
        TextMeasure measure = new TextMeasure();
        Lens shown = concept ? Lens.CONCEPT : lens.orElse(Lens.TABLES);
        Derivation derivation = Derivation.of(design);
        List<SheetPicture> pictures = sheets.stream().map(one -> SheetPictures.of(design, derivation, one, shown,
                notation.map(NOTATIONS::get), Set.of(), measure)).toList();
        FileOptions options = new FileOptions(format, scale, transparent, legend, titleBlock, tiles,
                paper.map(size -> new Paper(size, !upright)));
        SheetFiles writer = new SheetFiles(measure, taken.pictures());
        if (format != Format.PDF) {
            return writer.picture(pictures.getFirst(), options);
        }
        TitleBlock title = TitleBlock.of(design.facts(), LocalDate.now(), Optional.empty());
        return writer.pdf(pictures, options, title, design.facts().author(), (done, all) -> { });
    }
}
