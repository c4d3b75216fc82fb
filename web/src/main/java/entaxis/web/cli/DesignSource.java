package entaxis.web.cli;

import entaxis.core.design.Design;
import entaxis.core.reading.NotUnderstood;
import entaxis.core.reading.Reading;
import entaxis.core.reverse.ReversedDesign;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.targets.Target;
import entaxis.drawing.paint.PictureSource;
import entaxis.exchange.DesignFile;
import entaxis.web.reading.Connections;
import entaxis.web.reading.DesignFromReading;
import java.io.PrintStream;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Where commands take a design from: a saved design, scripts of an engine, or a configured database. */
final class DesignSource {
    private final PrintStream err;
    private final boolean layOut;

    DesignSource(PrintStream err) {
        this(err, true);
    }

    private DesignSource(PrintStream err, boolean layOut) {
        this.err = err;
        this.layOut = layOut;
    }

    /** A design, the pictures on its sheets, and what of its source was not understood. */
    record Taken(Design design, PictureSource pictures, List<NotUnderstood> missed) { }

    /** The same for what does not look at the sheet: it is not laid out, which takes the most time. */
    DesignSource withoutLayout() {
        return new DesignSource(err, false);
    }

    /** The design of a source; none if it cannot be had, which is said. */
    Optional<Taken> take(List<String> names, SourceOptions options) {
        String first = names.getFirst();
        if (names.size() == 1 && first.endsWith(".json")) {
            return new DesignFiles(err).opened(first)
                    .map(opened -> new Taken(opened.design(), pictures(opened), List.of()));
        }
        if (names.size() == 1 && !ScriptFiles.exists(first)) {
            Connections connections = Connections.of(options.data().path());
            if (connections.list().stream().noneMatch(configured -> configured.name().equals(first))) {
                err.println(first + ": there is no such file, and no database of this name in connections.properties");
                return Optional.empty();
            }
            try {
                return Optional.of(reversed(connections.read(first), first));
            } catch (Connections.Unreachable e) {
                err.println(first + ": " + e.getMessage());
                return Optional.empty();
            }
        }
        Optional<Target> engine = options.engine();
        if (engine.isEmpty()) {
            err.println(first + ": a script needs --engine, one of: " + String.join(" ", new EngineWords()));
            return Optional.empty();
        }
        return new ScriptFiles(err).reading(names, engine.get())
                .map(reading -> reversed(reading, Path.of(first).getFileName().toString()));
    }

    private static PictureSource pictures(DesignFile.Opened opened) {
        return content -> Optional.ofNullable(opened.pictures().get(content))
                .map(picture -> new PictureSource.Bytes(picture.type(), picture.bytes()));
    }

    private Taken reversed(Reading reading, String name) {
        Set<String> tables = new HashSet<>();
        reading.schema().tables().stream().map(Table::label).forEach(tables::add);
        Schema neutral = IsoNormalizer.of(reading.schema(), Dialect.of(reading.engine()));
        neutral.tables().forEach(table -> tables.add(table.label()));
        ReversedDesign reversed = layOut ? DesignFromReading.design(reading, name, tables, Set.of(), Set.of())
                : DesignFromReading.unarranged(reading, name, tables);
        reversed.remarks().forEach(err::println);
        return new Taken(reversed.design(), PictureSource.NONE, reading.notUnderstood());
    }
}
