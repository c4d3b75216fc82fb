package entaxis.drawing.file;

import entaxis.drawing.paint.Drawing;
import entaxis.drawing.paint.Legend;
import entaxis.drawing.paint.PictureSource;
import entaxis.drawing.pdf.PdfWriter;
import entaxis.drawing.pdf.PrintedSheet;
import entaxis.drawing.pdf.TitleBlock;
import entaxis.drawing.picture.Pixels;
import entaxis.drawing.svg.SvgWriter;
import entaxis.drawing.text.TextMeasure;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Writes sheets into files. All formats are painted by the same painter. */
public final class SheetFiles {
    private final TextMeasure measure;
    private final PictureSource pictures;

    /** A writer that uses the bundled fonts. */
    public SheetFiles(TextMeasure measure, PictureSource pictures) {
        this.measure = measure;
        this.pictures = pictures;
    }

    /** Sheets as one PDF document, with what each page's title block says. */
    public byte[] pdf(List<SheetPicture> sheets, FileOptions options, TitleBlock title, String author,
            PdfWriter.Progress progress) {
        List<PrintedSheet> printed = sheets.stream().map(sheet -> new PrintedSheet(sheet.name(),
                drawing(sheet, options), options.paper().orElse(sheet.paper()), options.tiled(),
                options.titleBlock() ? Optional.of(withSheet(title, sheet, sheets.size() > 1)) : Optional.empty()))
                .toList();
        return new PdfWriter(measure, pictures).write(title.title(), author, printed, progress);
    }

    private static TitleBlock withSheet(TitleBlock title, SheetPicture sheet, boolean several) {
        return several ? new TitleBlock(title.title() + ", " + sheet.name(), title.facts()) : title;
    }

    /** One sheet as a picture: SVG, PNG or JPEG. */
    public byte[] picture(SheetPicture sheet, FileOptions options) {
        Drawing drawing = drawing(sheet, options);
        return switch (options.format()) {
            case SVG -> new SvgWriter(measure).file(drawing, options.transparent(), pictures)
                    .getBytes(StandardCharsets.UTF_8);
            case PNG -> new Pixels(measure, pictures).png(drawing, options.scale(), options.transparent());
            case JPEG -> new Pixels(measure, pictures).jpeg(drawing, options.scale());
            case PDF -> throw new IllegalArgumentException("a document is no picture");
        };
    }

    /** Several sheets as pictures, in one ZIP archive, each under its name. */
    public byte[] archive(List<SheetPicture> sheets, FileOptions options, PdfWriter.Progress progress) {
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        Set<String> taken = new HashSet<>();
        List<String> names = new ArrayList<>();
        sheets.forEach(sheet -> names.add(free(sheet.name(), taken)));
        try (ZipOutputStream zip = new ZipOutputStream(file)) {
            for (int i = 0; i < sheets.size(); i++) {
                progress.page(i, sheets.size());
                zip.putNextEntry(new ZipEntry(names.get(i) + "." + options.format().extension()));
                zip.write(picture(sheets.get(i), options));
                zip.closeEntry();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return file.toByteArray();
    }

    /** A plain file name that no other sheet has. */
    private static String free(String name, Set<String> taken) {
        String plain = name.replaceAll("[^\\p{L}\\p{N} _-]+", "").strip();
        String base = plain.isEmpty() ? "sheet" : plain;
        String free = base;
        for (int i = 2; !taken.add(free); i++) {
            free = base + " " + i;
        }
        return free;
    }

    private Drawing drawing(SheetPicture sheet, FileOptions options) {
        Drawing bare =
                Drawing.of(options.format() == Format.PDF ? sheet.scene().withoutFrame() : sheet.scene(), measure);
        return options.legend()
                ? bare.above(new Legend(measure).of(sheet.scene().notation(), sheet.areas(), bare.box().width()))
                : bare;
    }
}
