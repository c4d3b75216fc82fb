package entaxis.drawing.svg;

import entaxis.drawing.text.TextStyle;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TTFSubsetter;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;

/** The letters that a drawing uses, in the bundled fonts, so that a file of its own can carry them along. */
final class FontFaces {
    /**
     * What is left of a font: outlines, widths and codes; tables that count all glyphs of the whole font would be
     * wrong.
     */
    private static final List<String> TABLES = List.of("head", "hhea", "loca", "maxp", "cvt ", "prep", "glyf", "hmtx",
            "fpgm", "gasp", "cmap", "OS/2", "name", "post");

    private final Map<TextStyle, Set<Integer>> used = new LinkedHashMap<>();

    /** Counts a text in. */
    void use(String text, TextStyle style) {
        TextStyle face =
                used.keySet().stream().filter(known -> known.file().equals(style.file())).findFirst().orElse(style);
        Set<Integer> letters = used.computeIfAbsent(face, any -> new TreeSet<>());
        text.codePoints().forEach(letters::add);
    }

    /** A style sheet that holds the fonts; empty if nothing was written. */
    String styleSheet() {
        if (used.isEmpty()) {
            return "";
        }
        StringBuilder css = new StringBuilder("<style>");
        used.forEach((style, letters) -> css.append("@font-face{font-family:\"").append(style.family())
                .append("\";font-weight:").append(style.weight()).append(";font-style:")
                .append(style.italic() ? "italic" : "normal").append(";src:url(data:font/ttf;base64,")
                .append(Base64.getEncoder().encodeToString(subset(style, letters))).append(")}"));
        return css.append("</style>").toString();
    }

    private static byte[] subset(TextStyle style, Set<Integer> letters) {
        try (InputStream file = style.open();
                TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(file))) {
            TTFSubsetter subsetter = new TTFSubsetter(font, TABLES);
            subsetter.addAll(letters);
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            subsetter.writeToStream(bytes);
            return bytes.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
