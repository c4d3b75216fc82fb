package entaxis.web.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Which attributes of an SVG stay, and with which values: those that shape, place and paint, with values that are
 * numbers, words, colours and references inside of the picture.
 * What is not known to be harmless goes: other functions than those listed, whatever CSS invents, and escapes, behind
 * which any of them could stand (SVG 2, W3C; CSS Syntax
 * Module Level 3, 4.3.7).
 */
final class SafeSvgValues {
    private static final Set<String> PROPERTIES = Set.of("fill", "fill-opacity", "fill-rule", "stroke", "stroke-width",
            "stroke-opacity", "stroke-linecap", "stroke-linejoin", "stroke-miterlimit",
            "stroke-dasharray", "stroke-dashoffset", "opacity", "color", "display", "visibility", "clip-path",
            "clip-rule", "mask", "marker-start", "marker-mid", "marker-end", "stop-color",
            "stop-opacity", "font-family", "font-size", "font-weight", "font-style", "font-variant", "font-stretch",
            "text-anchor", "text-decoration", "dominant-baseline", "alignment-baseline",
            "baseline-shift", "letter-spacing", "word-spacing", "writing-mode", "direction", "paint-order",
            "vector-effect", "shape-rendering", "text-rendering", "color-interpolation", "white-space");
    private static final Set<String> ATTRIBUTES = Set.of("id", "version", "viewbox", "preserveaspectratio", "width",
            "height", "x", "y", "x1", "y1", "x2", "y2", "dx", "dy", "cx", "cy", "r", "rx", "ry",
            "fx", "fy", "fr", "d", "points", "pathlength", "transform", "rotate", "textlength", "lengthadjust",
            "offset", "gradientunits", "gradienttransform", "spreadmethod", "patternunits",
            "patterncontentunits", "patterntransform", "clippathunits", "maskunits", "maskcontentunits", "markerunits",
            "markerwidth", "markerheight", "refx", "refy", "orient", "xml:space", "xml:lang",
            "xmlns", "xmlns:xlink", "xmlns:svg");
    private static final Set<String> FUNCTIONS = Set.of("rgb", "rgba", "hsl", "hsla", "matrix", "translate",
            "translatex", "translatey", "scale", "scalex", "scaley", "rotate", "skewx", "skewy");
    private static final Pattern CALL = Pattern.compile("([a-zA-Z_-][a-zA-Z0-9_-]*)\\s*\\(");
    private static final Pattern INNER =
            Pattern.compile("url\\(\\s*['\"]?#[\\w.:-]+['\"]?\\s*\\)", Pattern.CASE_INSENSITIVE);
    private static final Pattern REFERENCE = Pattern.compile("#[\\w.:-]+");
    private static final Set<String> NAMESPACES = Set.of("http://www.w3.org/2000/svg", "http://www.w3.org/1999/xlink");

    private SafeSvgValues() { }

    /** The value that an attribute keeps; none if it goes. */
    static Optional<String> value(String name, String value) {
        String plain = name.toLowerCase(Locale.ROOT);
        if (plain.equals("style")) {
            return Optional.of(declarations(value)).filter(style -> !style.isEmpty());
        }
        if (plain.equals("href") || plain.equals("xlink:href")) {
            return Optional.of(value.strip()).filter(reference -> REFERENCE.matcher(reference).matches());
        }
        if (plain.startsWith("xmlns")) {
            return ATTRIBUTES.contains(plain) && NAMESPACES.contains(value) ? Optional.of(value) : Optional.empty();
        }
        return (ATTRIBUTES.contains(plain) || PROPERTIES.contains(plain)) && harmless(value) ? Optional.of(value)
                : Optional.empty();
    }

    private static String declarations(String style) {
        List<String> kept = new ArrayList<>();
        for (String declaration : style.split(";")) {
            int colon = declaration.indexOf(':');
            String property = colon < 0 ? "" : declaration.substring(0, colon).strip().toLowerCase(Locale.ROOT);
            if (PROPERTIES.contains(property) && harmless(declaration.substring(colon + 1))) {
                kept.add(property + ":" + declaration.substring(colon + 1).strip());
            }
        }
        return String.join(";", kept);
    }

    private static boolean harmless(String value) {
        String rest = INNER.matcher(value).replaceAll(" ");
        if (rest.indexOf('\\') >= 0 || rest.indexOf('@') >= 0 || rest.indexOf('<') >= 0 || rest.indexOf('{') >= 0
                || rest.contains("/*") || rest.contains("//")
                || rest.chars().anyMatch(c -> Character.isISOControl(c) && !Character.isWhitespace(c))) {
            return false;
        }
        Matcher call = CALL.matcher(rest);
        while (call.find()) {
            if (!FUNCTIONS.contains(call.group(1).toLowerCase(Locale.ROOT))) {
                return false;
            }
        }
        return true;
    }
}
