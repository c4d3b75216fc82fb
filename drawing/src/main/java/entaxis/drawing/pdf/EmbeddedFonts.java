package entaxis.drawing.pdf;

import de.rototor.pdfbox.graphics2d.IPdfBoxGraphics2DFontTextDrawer;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.FontMetrics;
import java.awt.font.GlyphVector;
import java.awt.font.TextAttribute;
import java.awt.font.TextLayout;
import java.awt.geom.PathIterator;
import java.io.IOException;
import java.io.InputStream;
import java.text.AttributedCharacterIterator;
import java.text.Bidi;
import java.text.CharacterIterator;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.graphics.state.RenderingMode;
import org.apache.pdfbox.util.Matrix;

/**
 * Writes texts in the bundled fonts as text, each letter where it was measured, and the fonts into the document with
 * the letters that are used. Texts in other fonts are drawn as outlines, with their letters unseen below.
 */
final class EmbeddedFonts implements IPdfBoxGraphics2DFontTextDrawer {
    private static final float THOUSAND = 1000;
    private static final Map<TextAttribute, Object> LETTER_BY_LETTER = Map.of(TextAttribute.LIGATURES, 0);

    private final PDDocument document;
    private final Map<Font, TextStyle> styles = new HashMap<>();
    private final Map<String, PDFont> fonts = new HashMap<>();
    private Optional<PDFont> unseen = Optional.empty();

    EmbeddedFonts(PDDocument document, TextMeasure measure) {
        this.document = document;
        for (TextStyle style : TextStyle.values()) {
            styles.put(measure.font(style), style);
        }
    }

    @Override
    public boolean canDrawText(AttributedCharacterIterator text, IFontTextDrawerEnv environment) {
        return true;
    }

    @Override
    public void drawText(AttributedCharacterIterator iterator, IFontTextDrawerEnv environment)
            throws IOException, FontFormatException {
        Font font = (Font) iterator.getAttribute(TextAttribute.FONT);
        String text = text(iterator);
        PDPageContentStream stream = environment.getContentStream();
        environment.applyPaint(environment.getPaint(), null);
        if (!styles.containsKey(font)) {
            outlines(text, font, environment);
            return;
        }
        PDFont embedded = embedded(styles.get(font));
        stream.beginText();
        stream.setTextMatrix(new Matrix(1, 0, 0, -1, 0, 0));
        stream.setFont(embedded, font.getSize2D());
        stream.showTextWithPositioning(positioned(text, font, embedded, environment));
        stream.endText();
    }

    /** A text in a font of the machine: its outlines, and the letters themselves unseen below them. */
    private void outlines(String text, Font font, IFontTextDrawerEnv environment) throws IOException {
        PDPageContentStream stream = environment.getContentStream();
        TextLayout laid = new TextLayout(text, font, environment.getFontRenderContext());
        fill(stream, laid.getOutline(null).getPathIterator(null));
        if (unseen.isEmpty()) {
            unseen = Optional.of(UnseenFont.in(document));
        }
        String seen = new Bidi(text, Bidi.DIRECTION_DEFAULT_LEFT_TO_RIGHT).isRightToLeft()
                ? new StringBuilder(text).reverse().toString() : text;
        float scale = (float) (laid.getAdvance() / (seen.length() * font.getSize2D() * UnseenFont.ADVANCE / THOUSAND));
        stream.beginText();
        stream.setTextMatrix(new Matrix(scale, 0, 0, -1, 0, 0));
        stream.setFont(unseen.get(), font.getSize2D());
        stream.setRenderingMode(RenderingMode.NEITHER);
        stream.appendRawCommands(
                seen.chars().mapToObj("%04X"::formatted).collect(Collectors.joining("", "<", "> Tj\n")));
        stream.setRenderingMode(RenderingMode.FILL);
        stream.endText();
    }

    private static void fill(PDPageContentStream stream, PathIterator steps) throws IOException {
        float[] at = new float[6];
        float x = 0;
        float y = 0;
        boolean any = false;
        for (; !steps.isDone(); steps.next()) {
            any = true;
            int kind = steps.currentSegment(at);
            switch (kind) {
                case PathIterator.SEG_MOVETO -> stream.moveTo(at[0], at[1]);
                case PathIterator.SEG_LINETO -> stream.lineTo(at[0], at[1]);
                case PathIterator.SEG_QUADTO -> stream.curveTo(x + (at[0] - x) * 2 / 3, y + (at[1] - y) * 2 / 3,
                        at[2] + (at[0] - at[2]) * 2 / 3, at[3] + (at[1] - at[3]) * 2 / 3, at[2], at[3]);
                case PathIterator.SEG_CUBICTO -> stream.curveTo(at[0], at[1], at[2], at[3], at[4], at[5]);
                default -> stream.closePath();
            }
            int last = switch (kind) {
                case PathIterator.SEG_QUADTO -> 2;
                case PathIterator.SEG_CUBICTO -> 4;
                default -> 0;
            };
            x = kind == PathIterator.SEG_CLOSE ? x : at[last];
            y = kind == PathIterator.SEG_CLOSE ? y : at[last + 1];
        }
        if (any) {
            stream.fill();
        }
    }

    private static String text(AttributedCharacterIterator iterator) {
        StringBuilder text = new StringBuilder();
        for (char next = iterator.first(); next != CharacterIterator.DONE; next = iterator.next()) {
            text.append(next);
        }
        return text.toString();
    }

    private PDFont embedded(TextStyle style) throws IOException {
        PDFont known = fonts.get(style.file());
        if (known == null) {
            try (InputStream file = style.open()) {
                TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(file));
                // a joined letter would have no code of its own, and could not be searched
                font.setEnableGsub(false);
                known = PDType0Font.load(document, font, true);
            }
            fonts.put(style.file(), known);
        }
        return known;
    }

    /**
     * Runs of letters with what has to be added between them: PDF has the advance of each letter, the layout also knows
     * pairs.
     */
    private static Object[] positioned(String text, Font font, PDFont embedded, IFontTextDrawerEnv environment)
            throws IOException {
        char[] letters = text.toCharArray();
        GlyphVector laid = font.deriveFont(LETTER_BY_LETTER).layoutGlyphVector(environment.getFontRenderContext(),
                letters, 0, letters.length, Font.LAYOUT_LEFT_TO_RIGHT);
        if (laid.getNumGlyphs() != letters.length) {
            return new Object[] {text};
        }
        List<Object> runs = new ArrayList<>();
        StringBuilder run = new StringBuilder();
        float size = font.getSize2D();
        for (int i = 0; i < letters.length; i++) {
            run.append(letters[i]);
            double advance = laid.getGlyphPosition(i + 1).getX() - laid.getGlyphPosition(i).getX();
            float off = (float) (embedded.getStringWidth(String.valueOf(letters[i])) - advance * THOUSAND / size);
            if (Math.abs(off) > 0.5 && i + 1 < letters.length) {
                runs.add(run.toString());
                runs.add(off);
                run.setLength(0);
            }
        }
        if (!run.isEmpty()) {
            runs.add(run.toString());
        }
        return runs.toArray();
    }

    @Override
    public FontMetrics getFontMetrics(Font font, IFontTextDrawerEnv environment) {
        return environment.getCalculationGraphics().getFontMetrics(font);
    }
}
