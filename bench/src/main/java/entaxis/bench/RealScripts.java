package entaxis.bench;

import com.alibaba.druid.DbType;
import com.alibaba.druid.sql.SQLUtils;
import entaxis.core.reading.ScriptReader;
import entaxis.core.targets.Target;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import net.sf.jsqlparser.parser.CCJSqlParserUtil;

/**
 * How fast scripts of real applications are read, side by side with general-purpose parsers: each with those scripts
 * that the other one reads to the end. A parser only makes trees; Entaxis carries the statements out on a schema too.
 */
final class RealScripts {
    private static final Map<String, DbType> KINDS = Map.of("postgresql", DbType.postgresql, "mysql", DbType.mysql,
            "sqlite", DbType.sqlite, "oracle", DbType.oracle);

    private RealScripts() { }

    /** A script with the engine that it is written for. */
    private record Real(String text, Target engine, DbType kind) { }

    /** A parser that may refuse a script. */
    private interface Parser {
        Object parse(Real script) throws Exception;
    }

    /** Prints the figures for the scripts in a folder, each below a folder that is called as its engine. */
    static void measure(Path folder) throws Exception {
        List<Real> scripts = scripts(folder);
        System.out.printf("%d real scripts, %.1f MB%n", scripts.size(), megabytes(scripts));
        sideBySide("druid", scripts, script -> SQLUtils.parseStatements(script.text(), script.kind()));
        sideBySide("jsqlparser", scripts, script -> CCJSqlParserUtil.parseStatements(script.text()));
        double all = Median.of(() -> read(scripts));
        System.out.printf("  all of them: %.1f ms%n", all);
    }

    private static void sideBySide(String name, List<Real> scripts, Parser parser) throws Exception {
        List<Real> taken = new ArrayList<>();
        for (Real script : scripts) {
            if (takes(parser, script)) {
                taken.add(script);
            }
        }
        Callable<Object> other = () -> {
            Object last = null;
            for (Real script : taken) {
                last = parser.parse(script);
            }
            return last;
        };
        double[] medians = Median.sideBySide(List.of(() -> read(taken), () -> parsed(taken), other));
        System.out.printf("  %d that %s reads (%.1f MB): entaxis %.1f ms, of them %.1f ms without the schema; "
                + "%s %.1f ms (%.2f and %.2f times)%n", taken.size(), name, megabytes(taken), medians[0], medians[1],
                name, medians[2], medians[2] / medians[0], medians[2] / medians[1]);
    }

    private static boolean takes(Parser parser, Real script) {
        try {
            parser.parse(script);
            return true;
        } catch (Exception | StackOverflowError e) {
            return false;
        }
    }

    private static Object read(List<Real> scripts) {
        Object last = null;
        for (Real script : scripts) {
            last = ScriptReader.read(script.text(), script.engine());
        }
        return last;
    }

    /** Cut and parsed only, as the others do. */
    private static Object parsed(List<Real> scripts) {
        Object last = null;
        for (Real script : scripts) {
            last = ReadingSpeed.parsed(script.text(), script.engine());
        }
        return last;
    }

    private static double megabytes(List<Real> scripts) {
        return scripts.stream().mapToInt(script -> script.text().length()).sum() / 1e6;
    }

    private static List<Real> scripts(Path folder) throws IOException {
        try (Stream<Path> files = Files.walk(folder)) {
            return files.filter(file -> file.toString().endsWith(".sql")
                    && KINDS.containsKey(file.getParent().getFileName().toString())).sorted()
                    .map(RealScripts::script).toList();
        }
    }

    private static Real script(Path file) {
        String engine = file.getParent().getFileName().toString();
        try {
            return new Real(Files.readString(file, StandardCharsets.ISO_8859_1),
                    Target.valueOf(engine.toUpperCase(Locale.ROOT)), KINDS.get(engine));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
