package entaxis.web.dictionary;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.Sheet;
import entaxis.core.dictionary.Dictionary;
import entaxis.drawing.file.SheetPictures;
import entaxis.drawing.paint.Drawing;
import entaxis.drawing.paint.PictureSource;
import entaxis.drawing.pdf.PageDocument;
import entaxis.drawing.picture.Pixels;
import entaxis.drawing.scene.Lens;
import entaxis.drawing.svg.SvgWriter;
import entaxis.drawing.text.TextMeasure;
import entaxis.exchange.dictionary.Addresses;
import entaxis.exchange.dictionary.CsvDictionary;
import entaxis.exchange.dictionary.DictionaryFormat;
import entaxis.exchange.dictionary.DocxDictionary;
import entaxis.exchange.dictionary.HtmlDictionary;
import entaxis.exchange.dictionary.MarkdownDictionary;
import entaxis.exchange.dictionary.SheetImage;
import entaxis.exchange.dictionary.SheetPng;
import entaxis.exchange.dictionary.WritingProgress;
import entaxis.exchange.dictionary.XlsxDictionary;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Writes the dictionary of a design with its sheets. */
public final class DictionaryFiles {
    private static final TextMeasure MEASURE = new TextMeasure();
    private static final String CARD = "c-";
    private static final double WIDEST = 3200;

    private final Design design;
    private final Derivation derivation;
    private final PictureSource pictures;
    private final Dictionary dictionary;

    /** The dictionary of a design. */
    public DictionaryFiles(Design design, Derivation derivation, PictureSource pictures) {
        this.design = design;
        this.derivation = derivation;
        this.pictures = pictures;
        this.dictionary = Dictionary.of(design, derivation);
    }

    /**
     * The bytes of the file.
     *
     * @param edition  says from when it is, such as its revision and date
     * @param progress is told how far the writing is, and may end it by throwing
     */
    public byte[] write(DictionaryFormat format, String edition, WritingProgress progress) {
        return switch (format) {
            case HTML -> HtmlDictionary.write(dictionary, images(), edition, progress).getBytes(StandardCharsets.UTF_8);
            case PDF -> new PageDocument(MEASURE, pictures).pdf(
                    HtmlDictionary.forPaper(dictionary, design.sheets().stream().map(Sheet::name).toList(), edition,
                    progress), drawings(), page -> progress.at(0, 0));
            case DOCX -> DocxDictionary.write(dictionary, pixels(), edition, progress);
            case XLSX -> XlsxDictionary.write(dictionary, progress);
            case MARKDOWN -> MarkdownDictionary.write(dictionary).getBytes(StandardCharsets.UTF_8);
            case CSV -> CsvDictionary.write(dictionary);
        };
    }

    /** The sheets in pixels, as many as a printed page can show. */
    private List<SheetPng> pixels() {
        List<SheetPng> made = new ArrayList<>();
        List<Drawing> drawings = drawings();
        for (int i = 0; i < drawings.size(); i++) {
            Drawing drawing = drawings.get(i);
            double scale = Math.min(2, WIDEST / Math.max(drawing.box().width(), drawing.box().height()));
            made.add(new SheetPng(design.sheets().list().get(i).name(),
                    new Pixels(MEASURE, pictures).png(drawing, scale, false),
                    (int) Math.ceil(drawing.box().width() * scale), (int) Math.ceil(drawing.box().height() * scale)));
        }
        return made;
    }

    private List<Drawing> drawings() {
        return design.sheets().stream()
                .map(sheet -> Drawing.of(
                        SheetPictures.of(design, derivation, sheet, Lens.CONCEPT, Optional.empty(), Set.of(), MEASURE)
                                .scene().withoutFrame(),
                        MEASURE))
                .toList();
    }

    private List<SheetImage> images() {
        Addresses addresses = new Addresses(dictionary);
        List<Drawing> drawings = drawings();
        List<SheetImage> images = new ArrayList<>();
        for (int i = 0; i < drawings.size(); i++) {
            images.add(new SheetImage(design.sheets().list().get(i).name(),
                    new SvgWriter(MEASURE).file(drawings.get(i), false, pictures,
                    group -> group.startsWith(CARD) ? addresses.link(group.substring(CARD.length())) : "")));
        }
        return images;
    }
}
