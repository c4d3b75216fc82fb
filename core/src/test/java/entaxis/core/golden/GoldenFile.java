package entaxis.core.golden;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.Stream;

/**
 * A case with its expected outcome: a line {@code # title}, then sections, each after a line {@code == name}. With
 * {@code -Dentaxis.rewrite=true} tests replace the expected outcomes by the actual ones; read the difference before you
 * commit it.
 */
public final class GoldenFile {
    private static final boolean REWRITES = Boolean.getBoolean("entaxis.rewrite");

    private final Path path;
    private final String title;
    private final Map<String, String> sections;

    private GoldenFile(Path path, String title, Map<String, String> sections) {
        this.path = path;
        this.title = title;
        this.sections = sections;
    }

    /** The cases of a folder, in the order of their names. */
    public static Stream<GoldenFile> in(Path folder) {
        try (Stream<Path> files = Files.list(folder)) {
            return files.sorted().map(GoldenFile::read).toList().stream();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static GoldenFile read(Path path) {
        try {
            String[] parts = Files.readString(path).split("(?m)^== ");
            Map<String, String> sections = new LinkedHashMap<>();
            for (int i = 1; i < parts.length; i++) {
                int end = parts[i].indexOf('\n');
                sections.put(parts[i].substring(0, end), parts[i].substring(end + 1));
            }
            return new GoldenFile(path, parts[0].substring(2).strip(), sections);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** What it is, in a few words. */
    public String title() {
        return title;
    }

    /** A section; empty if there is none of the name. */
    public String section(String name) {
        return sections.getOrDefault(name, "");
    }

    /** The expected outcome in a section; the actual one replaces it first if the tests rewrite their files. */
    public String expected(String name, String outcome) {
        if (REWRITES && !outcome.equals(section(name))) {
            sections.put(name, outcome);
            GoldenFile now = read(path);
            now.sections.put(name, outcome);
            now.write();
        }
        return section(name);
    }

    private void write() {
        StringBuilder text = new StringBuilder("# " + title + "\n");
        sections.forEach((name, section) -> text.append("== ").append(name).append('\n').append(section));
        try {
            Files.writeString(path, text);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    public String toString() {
        return path.getFileName().toString().replace(".txt", "");
    }
}
