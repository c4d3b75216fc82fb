package entaxis.bench;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.Paper;
import entaxis.core.dictionary.Dictionary;
import entaxis.core.dictionary.reading.DictionaryReader;
import entaxis.core.random.RandomDesigns;
import entaxis.drawing.file.FileOptions;
import entaxis.drawing.file.Format;
import entaxis.drawing.file.SheetFiles;
import entaxis.drawing.file.SheetPicture;
import entaxis.drawing.file.SheetPictures;
import entaxis.drawing.layout.FirstSheet;
import entaxis.drawing.paint.PictureSource;
import entaxis.drawing.pdf.TitleBlock;
import entaxis.drawing.scene.Lens;
import entaxis.drawing.text.TextMeasure;
import entaxis.exchange.dictionary.CsvDictionary;
import entaxis.exchange.dictionary.DictionaryTables;
import entaxis.exchange.dictionary.HtmlDictionary;
import entaxis.exchange.dictionary.WritingProgress;
import entaxis.exchange.dictionary.XlsxDictionary;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;

/**
 * How long pictures, paper and dictionaries take: the first time in a process that has just started, and the median of
 * five more.
 */
public final class HandOverSpeed {
    private static final TextMeasure MEASURE = new TextMeasure();
    private static final SheetFiles FILES = new SheetFiles(MEASURE, PictureSource.NONE);
    private static final TitleBlock TITLE = new TitleBlock("Bench", List.of());
    private static final int TIMES = 5;

    private HandOverSpeed() { }

    /** Prints the table. */
    public static void main(String[] arguments) throws Exception {
        System.out.println("| what | aim | first | median of " + TIMES + " | size |");
        System.out.println("|---|---|---|---|---|");
        SheetPicture hundred = picture(100);
        SheetPicture threeHundred = picture(300);
        Design thousandDesign = FirstSheet.arranged(RandomDesigns.design(1, 1000), MEASURE);
        SheetPicture thousand = picture(thousandDesign);
        measure("PDF of 300 entities, one page", 1500, () -> pdf(threeHundred, false));
        measure("PDF of 1000 entities in true size on A3", 5000, () -> pdf(thousand, true));
        measure("PNG at 2x of 100 entities", 1000, () -> FILES.picture(hundred, FileOptions.as(Format.PNG).scaled(2)));
        Dictionary dictionary = Dictionary.of(thousandDesign, Derivation.of(thousandDesign));
        measure("dictionary of 1000 entities as HTML", 2000, () -> HtmlDictionary
                .write(dictionary, List.of(), "bench", WritingProgress.UNWATCHED).getBytes(StandardCharsets.UTF_8));
        measure("dictionary of 1000 entities as XLSX", 2000,
                () -> XlsxDictionary.write(dictionary, WritingProgress.UNWATCHED));
        Design many = RandomDesigns.design(2, 250);
        byte[] csv = CsvDictionary.write(Dictionary.of(many, Derivation.of(many)));
        byte[] xlsx = XlsxDictionary.write(Dictionary.of(many, Derivation.of(many)), WritingProgress.UNWATCHED);
        long rows = new String(csv, StandardCharsets.UTF_8).lines().count();
        measure("dictionary of " + rows + " rows read, CSV", 1000, () -> read("d.csv", csv));
        measure("dictionary of " + rows + " rows read, XLSX", 1000, () -> read("d.xlsx", xlsx));
    }

    private static byte[] read(String name, byte[] bytes) throws DictionaryTables.Unreadable {
        if (DictionaryReader.read(DictionaryTables.read(name, bytes)).entities().isEmpty()) {
            throw new IllegalStateException("nothing was read");
        }
        return bytes;
    }

    private static SheetPicture picture(int entities) {
        return picture(FirstSheet.arranged(RandomDesigns.design(1, entities), MEASURE));
    }

    private static SheetPicture picture(Design design) {
        return SheetPictures.of(design, Derivation.of(design), design.sheet(), Lens.TABLES, Optional.empty(), Set.of(),
                MEASURE);
    }

    private static byte[] pdf(SheetPicture picture, boolean tiled) {
        return FILES.pdf(List.of(picture),
                FileOptions.as(Format.PDF).tiled(tiled).on(Optional.of(new Paper(Paper.Size.A3, true))), TITLE, "",
                (done, all) -> {});
    }

    private static void measure(String what, long aim, Callable<byte[]> work) throws Exception {
        long[] times = new long[TIMES];
        long begin = System.nanoTime();
        int size = work.call().length;
        long first = (System.nanoTime() - begin) / 1_000_000;
        for (int i = 0; i < TIMES; i++) {
            begin = System.nanoTime();
            work.call();
            times[i] = (System.nanoTime() - begin) / 1_000_000;
        }
        Arrays.sort(times);
        System.out.printf(Locale.ROOT, "| %s | %d ms | %d ms | %d ms | %d kB |%n", what, aim, first, times[TIMES / 2],
                size / 1000);
    }
}
