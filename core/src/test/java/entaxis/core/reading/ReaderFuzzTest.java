package entaxis.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.derive.Derivation;
import entaxis.core.random.RandomDesigns;
import entaxis.core.random.Rounds;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

/**
 * Whatever it is given, the reader ends, and each statement leaves a trace: a table, something passed, or something
 * reported.
 */
class ReaderFuzzTest {
    /** How many inputs; a longer run sets {@code -Dfuzz.inputs=1000000}. */
    private static final int INPUTS = Integer.getInteger("fuzz.inputs", Rounds.of(10_000));
    private static final long SEED = Long.getLong("fuzz.seed", 11);
    private static final List<String> PIECES = List.of("CREATE TABLE ", "ALTER TABLE ", "DROP ", "t", "\"x\"", "`y`",
            "[z]", "(", ")", ",", ";", "'", "$$", "--", "/*", "*/", "/*!40101 ", "GO\n", "\n/\n", "int ",
            "varchar(20) ", "NOT NULL ", "PRIMARY KEY ", "REFERENCES t ", "CHECK (", "DEFAULT ", "nextval('s')",
            "CONSTRAINT c ", "UNIQUE ", "FOREIGN KEY (a) ", "ON DELETE SET NULL ", "ADD COLUMN ",
            "RENAME TO ", "PARTITION OF ", "INHERITS (", "LIKE ", "AS SELECT 1", "BEGIN ", "END ", "IF ",
            "DELIMITER //\n", "COPY t FROM stdin;\n1\t2\n\\.\n", "INSERT INTO t VALUES (1, 'a')", "COMMENT ON ",
            "EXEC sp_rename 't', 'u'", "DO $$ BEGIN ", "ENUM('a','b')", "CREATE INDEX ", "CREATE TYPE m AS ", "\\d\n",
            "1.5e3", "::text", "a", "b", "\u0000", "é", "\uD83C\uDF31");

    @Test
    void randomPiecesOfEveryGrammar() {
        Random random = new Random(SEED);
        for (int i = 0; i < INPUTS / 2; i++) {
            StringBuilder script = new StringBuilder();
            for (int piece = random.nextInt(60); piece >= 0; piece--) {
                script.append(PIECES.get(random.nextInt(PIECES.size()))).append(random.nextInt(4) == 0 ? " " : "");
            }
            reads(script.toString(), Target.values()[i % Target.values().length]);
        }
    }

    @Test
    void mutatedScripts() {
        Random random = new Random(SEED + 1);
        Map<Target, List<String>> scripts = new LinkedHashMap<>();
        for (Target engine : Target.values()) {
            List<String> made = new ArrayList<>();
            for (int seed = 0; seed < 6; seed++) {
                made.add(new ScriptWriter(Dialect.of(engine), ScriptOptions.DEFAULT)
                        .write(Derivation.of(RandomDesigns.design(seed, 4)).schema(), "fuzz").text());
            }
            scripts.put(engine, made);
        }
        for (int i = 0; i < INPUTS / 2; i++) {
            Target engine = Target.values()[i % Target.values().length];
            StringBuilder script = new StringBuilder(scripts.get(engine).get(random.nextInt(6)));
            for (int edit = random.nextInt(6); edit >= 0; edit--) {
                int at = random.nextInt(script.length());
                switch (random.nextInt(4)) {
                    case 0 -> script.delete(at, Math.min(script.length(), at + 1 + random.nextInt(30)));
                    case 1 -> script.insert(at, PIECES.get(random.nextInt(PIECES.size())));
                    case 2 -> script.setCharAt(at, (char) (32 + random.nextInt(95)));
                    default ->
                            script.insert(at, script.substring(at, Math.min(script.length(), at + random.nextInt(50))));
                }
            }
            reads(script.toString(), engine);
        }
    }

    private static void reads(String script, Target engine) {
        Reading reading;
        try {
            reading = ScriptReader.read(script, engine);
        } catch (RuntimeException | StackOverflowError e) {
            throw new AssertionError(engine + " breaks on: " + script, e);
        }
        for (NotUnderstood missed : reading.notUnderstood()) {
            assertThat(missed.line()).isPositive();
            assertThat(missed.column()).isPositive();
            assertThat(missed.offset()).isBetween(0, script.length());
            assertThat(missed.reason()).isNotBlank();
        }
        boolean silent = reading.statements() > 0 && reading.schema().tables().isEmpty()
                && reading.schema().types().isEmpty() && reading.schema().sequences().isEmpty()
                && reading.schema().programs().isEmpty() && reading.steppedOver().isEmpty()
                && reading.notUnderstood().isEmpty();
        assertThat(silent && !script.toLowerCase(java.util.Locale.ROOT).contains("drop")
                && !script.toLowerCase(java.util.Locale.ROOT).contains("begin")).as("%s: %s", engine, script).isFalse();
    }

    /** Inputs made to be slow; each grows tenfold and must not take a hundred times as long. */
    @Test
    void hostileInputEndsSoon() {
        Map<String, String> hostile = new LinkedHashMap<>();
        int size = 200_000;
        hostile.put("deep brackets",
                "CREATE TABLE a (x int CHECK (" + "(".repeat(size) + "1" + ")".repeat(size) + "));");
        hostile.put("brackets that stay open", "CREATE TABLE a (x int CHECK (" + "(".repeat(size));
        hostile.put("a quote that stays open", "CREATE TABLE a (x int DEFAULT '" + "x".repeat(10 * size));
        hostile.put("dollars", "SELECT " + "$a".repeat(size));
        hostile.put("comments in comments", "/*".repeat(size));
        hostile.put("a long statement",
                "CREATE TABLE a (x int); INSERT INTO a VALUES " + "(1),".repeat(5 * size) + "(2);");
        hostile.put("many columns", "CREATE TABLE a (" + "c int,".repeat(size / 4) + "d int);");
        hostile.put("blocks", "CREATE FUNCTION f() BEGIN " + "BEGIN ;".repeat(size));
        hostile.put("conditions", "IF ".repeat(size));
        hostile.put("index expressions",
                "CREATE TABLE a (x int); CREATE INDEX i ON a (" + "f(".repeat(size) + ")".repeat(size) + ");");
        hostile.put("garbage", "\u0001\u0002\u0000\u00ff".repeat(size));
        for (Map.Entry<String, String> input : hostile.entrySet()) {
            for (Target engine : Target.values()) {
                org.junit.jupiter.api.Assertions.assertTimeoutPreemptively(Duration.ofSeconds(20),
                        () -> ScriptReader.read(input.getValue(), engine), input.getKey() + " on " + engine);
            }
        }
    }
}
