package entaxis.drawing.pdf;

import de.rototor.pdfbox.graphics2d.PdfBoxGraphics2D;
import entaxis.core.design.Paper;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.paint.GraphicsSurface;
import entaxis.drawing.paint.Ink;
import entaxis.drawing.paint.Look;
import entaxis.drawing.paint.PictureSource;
import entaxis.drawing.paint.Surface;
import entaxis.drawing.text.TextMeasure;
import java.awt.geom.AffineTransform;
import java.awt.geom.Line2D;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Calendar;
import java.util.GregorianCalendar;
import java.util.List;
import java.util.function.Consumer;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageFitDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDDocumentOutline;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.pdmodel.interactive.viewerpreferences.PDViewerPreferences;
import org.apache.pdfbox.util.Matrix;

/**
 * Writes sheets as one PDF document, each with a bookmark. A drawing is written once, however many pages show a part of
 * it.
 */
public final class PdfWriter {
    private static final double POINTS_A_UNIT = 0.75;
    private static final double POINTS_A_MILLIMETRE = 72 / 25.4;
    private static final double MARGIN = 10 * POINTS_A_MILLIMETRE;
    private static final double OVERLAP = 10 * POINTS_A_MILLIMETRE;
    /** A drawing that is much smaller than its page is not blown up further than this. */
    private static final double MAX_ENLARGED = 1.5;

    /** Told of each page before it is written; may end the work by throwing. */
    @FunctionalInterface
    public interface Progress {
        /** Pages that are written, of all. */
        void page(int done, int all);
    }

    private final TextMeasure measure;
    private final PictureSource pictures;

    /** A writer that uses the bundled fonts. */
    public PdfWriter(TextMeasure measure, PictureSource pictures) {
        this.measure = measure;
        this.pictures = pictures;
    }

    /** The sheets in order, as the bytes of a file with this title and author. */
    public byte[] write(String title, String author, List<PrintedSheet> sheets, Progress progress) {
        try (PDDocument document = new PDDocument()) {
            describe(document, title, author);
            EmbeddedFonts fonts = new EmbeddedFonts(document, measure);
            PDDocumentOutline outline = new PDDocumentOutline();
            document.getDocumentCatalog().setDocumentOutline(outline);
            List<Tiling> tilings = sheets.stream().map(PdfWriter::tiling).toList();
            int all = tilings.stream().mapToInt(tiling -> tiling.windows().size()).sum();
            for (int i = 0; i < sheets.size(); i++) {
                new Pages(document, fonts, sheets.get(i), tilings.get(i), all, progress).write(outline);
            }
            ByteArrayOutputStream file = new ByteArrayOutputStream();
            document.save(file);
            return file.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void describe(PDDocument document, String title, String author) {
        PDDocumentInformation about = document.getDocumentInformation();
        Calendar now = GregorianCalendar.getInstance();
        about.setTitle(title);
        if (!author.isBlank()) {
            about.setAuthor(author);
        }
        about.setCreator("Entaxis");
        about.setCreationDate(now);
        about.setModificationDate(now);
        document.getDocumentCatalog().setLanguage("en");
        PDViewerPreferences preferences = new PDViewerPreferences(document.getDocumentCatalog().getCOSObject());
        preferences.setDisplayDocTitle(true);
        document.getDocumentCatalog().setViewerPreferences(preferences);
    }

    private static double width(Paper paper) {
        return paper.width() * POINTS_A_MILLIMETRE;
    }

    private static double height(Paper paper) {
        return paper.height() * POINTS_A_MILLIMETRE;
    }

    /** How much of a page drawings may take, in points. */
    private static Box room(PrintedSheet sheet) {
        double foot = sheet.tiled() || sheet.title().isPresent() ? (PageFoot.HEIGHT + 8) * POINTS_A_UNIT : 0;
        return new Box(MARGIN, MARGIN, width(sheet.paper()) - 2 * MARGIN, height(sheet.paper()) - 2 * MARGIN - foot);
    }

    private static Tiling tiling(PrintedSheet sheet) {
        Box room = room(sheet);
        Box box = sheet.drawing().box();
        if (sheet.tiled()) {
            return Tiling.of(box, room.width() / POINTS_A_UNIT, room.height() / POINTS_A_UNIT, OVERLAP / POINTS_A_UNIT);
        }
        return new Tiling(1, 1, List.of(box));
    }

    /** The pages of one sheet. */
    private final class Pages {
        private final PDDocument document;
        private final EmbeddedFonts fonts;
        private final PrintedSheet sheet;
        private final Tiling tiling;
        private final int all;
        private final Progress progress;

        Pages(PDDocument document, EmbeddedFonts fonts, PrintedSheet sheet, Tiling tiling, int all, Progress progress) {
            this.document = document;
            this.fonts = fonts;
            this.sheet = sheet;
            this.tiling = tiling;
            this.all = all;
            this.progress = progress;
        }

        void write(PDDocumentOutline outline) throws IOException {
            progress.page(document.getNumberOfPages(), all);
            PDFormXObject drawing = form(sheet.drawing().box(), sheet.drawing().paint());
            for (int number = 0; number < tiling.windows().size(); number++) {
                progress.page(document.getNumberOfPages(), all);
                PDPage page = new PDPage(new PDRectangle((float) width(sheet.paper()), (float) height(sheet.paper())));
                document.addPage(page);
                if (number == 0) {
                    bookmark(outline, page);
                }
                try (PDPageContentStream on = new PDPageContentStream(document, page)) {
                    window(on, drawing, tiling.windows().get(number));
                    furniture(on, number);
                }
            }
        }

        private void bookmark(PDDocumentOutline outline, PDPage page) {
            PDPageFitDestination there = new PDPageFitDestination();
            there.setPage(page);
            PDOutlineItem item = new PDOutlineItem();
            item.setTitle(sheet.name());
            item.setDestination(there);
            outline.addLast(item);
        }

        /** What is painted within a box, as a form that pages can show; its origin is the box's lower left corner. */
        private PDFormXObject form(Box box, Consumer<Surface> paint) throws IOException {
            PdfBoxGraphics2D graphics = new PdfBoxGraphics2D(document, (float) box.width(), (float) box.height());
            graphics.setFontTextDrawer(fonts);
            graphics.translate(-box.x(), -box.y());
            paint.accept(new GraphicsSurface(graphics, measure, pictures));
            graphics.dispose();
            return graphics.getXFormObject();
        }

        private void window(PDPageContentStream on, PDFormXObject drawing, Box window) throws IOException {
            Box room = room(sheet);
            Box box = sheet.drawing().box();
            double scale = sheet.tiled() ? POINTS_A_UNIT
                    : Math.min(POINTS_A_UNIT * MAX_ENLARGED,
                            Math.min(room.width() / box.width(), room.height() / box.height()));
            double left = sheet.tiled() ? room.x() : room.x() + (room.width() - window.width() * scale) / 2;
            double top = height(sheet.paper())
                    - (sheet.tiled() ? room.y() : room.y() + (room.height() - window.height() * scale) / 2);
            on.saveGraphicsState();
            on.addRect((float) left, (float) (top - window.height() * scale), (float) (window.width() * scale),
                    (float) (window.height() * scale));
            on.clip();
            double below = box.bottom() - window.y();
            on.transform(new Matrix(new AffineTransform(scale, 0, 0, scale, left - (window.x() - box.x()) * scale,
                    top - below * scale)));
            on.drawForm(drawing);
            on.restoreGraphicsState();
        }

        /** Foot and, where the sheet goes on at the right or below, where the next page is glued. */
        private void furniture(PDPageContentStream on, int number) throws IOException {
            boolean several = tiling.windows().size() > 1;
            if (!several && sheet.title().isEmpty()) {
                return;
            }
            Box page = new Box(0, 0, width(sheet.paper()) / POINTS_A_UNIT, height(sheet.paper()) / POINTS_A_UNIT);
            double margin = MARGIN / POINTS_A_UNIT;
            Box foot = new Box(margin, page.height() - margin - PageFoot.HEIGHT, page.width() - 2 * margin,
                    PageFoot.HEIGHT);
            Box room = room(sheet);
            String text = document.getNumberOfPages() + " of " + all;
            PDFormXObject drawn = form(page, surface -> {
                new PageFoot(measure).paint(surface, foot, sheet.title(), text, tiling, number);
                if (several) {
                    seams(surface, new Box(room.x() / POINTS_A_UNIT, room.y() / POINTS_A_UNIT,
                            room.width() / POINTS_A_UNIT, room.height() / POINTS_A_UNIT), number);
                }
            });
            on.saveGraphicsState();
            on.transform(new Matrix(new AffineTransform(POINTS_A_UNIT, 0, 0, POINTS_A_UNIT, 0, 0)));
            on.drawForm(drawn);
            on.restoreGraphicsState();
        }

        private void seams(Surface on, Box room, int number) {
            Look seam = Look.stroked(Ink.RULE, 0.8).dashed(List.of(4, 4));
            double overlap = OVERLAP / POINTS_A_UNIT;
            if (number % tiling.columns() < tiling.columns() - 1) {
                on.draw(new Line2D.Double(room.right() - overlap, room.y(), room.right() - overlap, room.bottom()),
                        seam);
            }
            if (number / tiling.columns() < tiling.rows() - 1) {
                on.draw(new Line2D.Double(room.x(), room.bottom() - overlap, room.right(), room.bottom() - overlap),
                        seam);
            }
        }
    }

    /** How many pages sheets take. */
    public static int pages(List<PrintedSheet> sheets) {
        return sheets.stream().mapToInt(sheet -> tiling(sheet).windows().size()).sum();
    }
}
