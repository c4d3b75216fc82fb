package entaxis.bench;

import com.alibaba.druid.DbType;
import com.alibaba.druid.sql.SQLUtils;
import entaxis.core.derive.Derivation;
import entaxis.core.design.DesignProperties;
import entaxis.core.design.Paper;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reverse.ReverseEngineering;
import entaxis.core.reverse.ReversedDesign;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.syntax.ScriptParser;
import entaxis.core.syntax.ScriptSyntax;
import entaxis.core.targets.Target;
import entaxis.drawing.layout.FirstSheet;
import entaxis.drawing.text.TextMeasure;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import net.sf.jsqlparser.parser.CCJSqlParserUtil;

/**
 * How fast scripts are read, side by side with general-purpose parsers on the same text; how fast they are written,
 * reversed and arranged. Medians of warm runs.
 */
public final class ReadingSpeed {

    private ReadingSpeed() { }

    /**
     * Prints the figures.
     *
     * @param arguments a folder with real scripts, if there is one; what it holds is measured alone then
     */
    public static void main(String[] arguments) throws Exception {
        if (arguments.length > 0) {
            RealScripts.measure(Path.of(arguments[0]));
            return;
        }
        for (int tables : new int[] {1000, 5000}) {
            String script = script(tables);
            System.out.printf("%d tables, %d statements, %.1f MB%n", tables, 3 * tables - 1, script.length() / 1e6);
            sideBySide("reading", script);
            sideBySide("reading where no two columns are alike", VariedScript.of(tables));
            Schema schema = IsoNormalizer.of(ScriptReader.read(script, Target.POSTGRESQL).schema(),
                    Dialect.of(Target.POSTGRESQL));
            for (Target engine : Target.values()) {
                System.out.printf("  writing for %s: %.1f ms%n", engine.title(),
                        Median.of(() -> new ScriptWriter(Dialect.of(engine), ScriptOptions.DEFAULT)
                                .write(schema, "speed").text()));
            }
        }
        Schema some = IsoNormalizer.of(ScriptReader.read(script(300), Target.POSTGRESQL).schema(),
                Dialect.of(Target.POSTGRESQL));
        TextMeasure measure = new TextMeasure();
        System.out.printf("reversing 300 tables: %.1f ms; reversing and arranging: %.1f ms%n",
                Median.of(() -> reverse(some)), Median.of(() -> FirstSheet.arranged(reverse(some).design(), measure)));
        System.out.printf("deriving them again: %.1f ms%n", Median.of(() -> Derivation.of(reverse(some).design())));
    }

    private static void sideBySide(String what, String script) throws Exception {
        double[] medians = Median.sideBySide(List.of(() -> ScriptReader.read(script, Target.POSTGRESQL),
                () -> parsed(script, Target.POSTGRESQL), () -> SQLUtils.parseStatements(script, DbType.postgresql),
                () -> CCJSqlParserUtil.parseStatements(script)));
        System.out.printf("  %s: entaxis %.1f ms, of them %.1f ms without the schema", what, medians[0], medians[1]);
        System.out.printf("; druid %.1f ms (%.2f and %.2f times), jsqlparser %.1f ms (%.1f and %.1f times)%n",
                medians[2], medians[2] / medians[0], medians[2] / medians[1], medians[3], medians[3] / medians[0],
                medians[3] / medians[1]);
    }

    /** A script cut and parsed only, as general-purpose parsers do; gives its last statements. */
    static Object parsed(String script, Target engine) {
        ScriptParser parser = new ScriptParser(script, ScriptSyntax.of(engine));
        Object last = null;
        while (parser.next()) {
            last = parser.statements();
        }
        return last;
    }

    private static ReversedDesign reverse(Schema schema) {
        AtomicInteger count = new AtomicInteger();
        return ReverseEngineering.reverse(schema, new DesignProperties("Speed", Target.POSTGRESQL, "Speed", ""),
                new Sheet(new SheetId("p1"), "Sheet", Paper.DEFAULT, Map.of()), Set.of(),
                kind -> kind + Integer.toString(count.incrementAndGet(), 36));
    }

    private static String script(int tables) {
        StringBuilder script = new StringBuilder();
        for (int i = 0; i < tables; i++) {
            script.append("CREATE TABLE table_").append(i).append(" (\n    id bigint NOT NULL,\n");
            for (int column = 0; column < 10; column++) {
                script.append("    column_").append(column).append(switch (column % 3) {
                    case 0 -> " varchar(60) NOT NULL";
                    case 1 -> " integer DEFAULT 0";
                    default -> " timestamp DEFAULT CURRENT_TIMESTAMP NOT NULL";
                }).append(",\n");
            }
            script.append("    parent_id bigint,\n    CONSTRAINT pk_").append(i)
                    .append(" PRIMARY KEY (id),\n    CONSTRAINT uq_").append(i)
                    .append(" UNIQUE (column_0, column_1),\n    CONSTRAINT ck_")
                    .append(i).append(" CHECK (column_1 >= 0)\n);\n\n");
        }
        for (int i = 1; i < tables; i++) {
            script.append("ALTER TABLE table_").append(i).append(" ADD CONSTRAINT fk_").append(i)
                    .append("\n    FOREIGN KEY (parent_id) REFERENCES table_").append(i / 2)
                    .append(" (id) ON DELETE CASCADE;\n");
        }
        for (int i = 0; i < tables; i++) {
            script.append("CREATE INDEX ix_").append(i).append(" ON table_").append(i)
                    .append(" (column_3, column_4);\n");
        }
        return script.toString();
    }
}
