package entaxis.drawing.text;

import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.font.FontRenderContext;
import java.awt.font.TextAttribute;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.EnumMap;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * Measures text in the bundled fonts; agrees with what a browser draws in the same fonts. Safe for use by many threads.
 */
public final class TextMeasure {
    private static final int MAX_CACHED = 50_000;
    private static final FontRenderContext CONTEXT = new FontRenderContext(null, true, true);

    private final Map<TextStyle, Font> fonts = Loaded.FONTS;
    private final Map<TextStyle, Map<String, Double>> widths = new EnumMap<>(TextStyle.class);

    /** The bundled fonts, loaded once for all: Java copies each to the disk when it is loaded. */
    private static final class Loaded {
        private static final Map<TextStyle, Font> FONTS = new EnumMap<>(TextStyle.class);

        static {
            for (TextStyle style : TextStyle.values()) {
                FONTS.put(style, load(style));
            }
        }
    }

    /**
     * Loads the bundled fonts, if that was not done before; they come with the application, so that one that cannot be
     * read is a fault of the package.
     */
    public TextMeasure() {
        for (TextStyle style : TextStyle.values()) {
            widths.put(style, new ConcurrentHashMap<>());
        }
    }

    /** Width of a text on one line, in sheet units. */
    public double width(String text, TextStyle style) {
        Map<String, Double> cache = widths.get(style);
        if (cache.size() > MAX_CACHED) {
            cache.clear();
        }
        return cache.computeIfAbsent(text, any -> measure(text, style));
    }

    /** The bundled font of a style, at its size. */
    public Font font(TextStyle style) {
        return fonts.get(style);
    }

    /**
     * Whether the bundled font has every character. Where it has not, the browser borrows another font, and the writer
     * pins the width.
     */
    public boolean covers(String text, TextStyle style) {
        return fonts.get(style).canDisplayUpTo(text) < 0;
    }

    private double measure(String text, TextStyle style) {
        Font font = fonts.get(style);
        if (covers(text, style)) {
            return font.getStringBounds(text, CONTEXT).getWidth();
        }
        return text.codePoints().mapToDouble(point -> font.canDisplay(point)
                ? font.getStringBounds(Character.toString(point), CONTEXT).getWidth() : borrowed(point) * style.size())
                .sum();
    }

    /** Width in em of a character that another font will draw: ideographs and emoji are square, marks take no room. */
    private static double borrowed(int point) {
        return switch (Character.getType(point)) {
            case Character.NON_SPACING_MARK, Character.ENCLOSING_MARK, Character.FORMAT, Character.CONTROL -> 0;
            default -> wide(point) ? 1 : 0.6;
        };
    }

    private static boolean wide(int point) {
        return Character.isIdeographic(point) || point >= 0x1100 && point <= 0x115F
                || point >= 0x2E80 && point <= 0xA4CF
                || point >= 0xAC00 && point <= 0xD7A3 || point >= 0xF900 && point <= 0xFAFF
                || point >= 0xFE30 && point <= 0xFE6F
                || point >= 0xFF00 && point <= 0xFF60 || point >= 0x1F300;
    }

    private static Font load(TextStyle style) {
        try (InputStream file = style.open()) {
            return Font.createFont(Font.TRUETYPE_FONT, file).deriveFont((float) style.size())
                    .deriveFont(Map.of(TextAttribute.KERNING, TextAttribute.KERNING_ON, TextAttribute.LIGATURES,
                            TextAttribute.LIGATURES_ON));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (FontFormatException e) {
            throw new IllegalStateException("The font " + style.file() + " cannot be read", e);
        }
    }
}
