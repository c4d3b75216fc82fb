package entaxis.engines.catalog;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Changes of a database from a file: a line {@code -- what it is}, then its statements, a blank line behind each. */
final class Drifts {
    private Drifts() { }

    static Map<String, List<String>> read(String resource) {
        try (InputStream file = Drifts.class.getClassLoader().getResourceAsStream(resource)) {
            Map<String, List<String>> changes = new LinkedHashMap<>();
            List<String> current = new ArrayList<>();
            for (String block : new String(file.readAllBytes(), StandardCharsets.UTF_8).split("\n\\s*\n")) {
                String text = block.strip();
                if (text.startsWith("-- ")) {
                    int end = text.indexOf('\n');
                    current = new ArrayList<>();
                    changes.put(text.substring(3, end).strip(), current);
                    text = text.substring(end).strip();
                }
                current.add(text);
            }
            return changes;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
