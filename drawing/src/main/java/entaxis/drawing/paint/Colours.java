package entaxis.drawing.paint;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;

/** The colours of pages and drawings by name, out of the style sheet that pages use too. */
final class Colours {
    private static final String FILE = "/static/css/colours.css";
    private static final Map<String, String> LIGHT = read();

    private Colours() { }

    /**
     * A colour on light ground, as #RRGGBB.
     *
     * @throws IllegalArgumentException if none has the name
     */
    static String light(String name) {
        String colour = LIGHT.get(name);
        if (colour == null) {
            throw new IllegalArgumentException("no colour is called " + name);
        }
        return colour;
    }

    private static Map<String, String> read() {
        Map<String, String> colours = new HashMap<>();
        try (InputStream file = Colours.class.getResourceAsStream(FILE)) {
            String text = new String(file.readAllBytes(), StandardCharsets.UTF_8);
            String light = text.substring(text.indexOf('{') + 1, text.indexOf('}'));
            light.lines().map(String::strip).filter(line -> line.startsWith("--")).forEach(line -> {
                int colon = line.indexOf(':');
                colours.put(line.substring(2, colon), line.substring(colon + 1, line.indexOf(';')).strip());
            });
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
        return Map.copyOf(colours);
    }
}
