package entaxis.core.reading;

import entaxis.core.syntax.ScriptParser;
import entaxis.core.syntax.ScriptSyntax;
import entaxis.core.targets.Target;
import java.util.concurrent.CancellationException;

/**
 * Reads scripts and dumps of an engine. Several texts are read as one script in their order. Runs in time linear in
 * their length; what cannot be read is reported and reading goes on behind it.
 */
public final class ScriptReader {
    private static final int PROGRESS_INTERVAL = 64;
    private final ReadingLog log = new ReadingLog();
    private final SchemaBuilder builder;
    private final SampleRows rows;
    private final StatementApplier applier;
    private final ScriptSyntax syntax;
    private final ReadingProgress progress;
    private long before;
    private int statements;

    /** A reader for one engine, with nothing read yet. */
    public ScriptReader(Target engine) {
        this(engine, ReadingProgress.NONE);
    }

    /** A reader that tells how far it has come. */
    public ScriptReader(Target engine, ReadingProgress progress) {
        this.progress = progress;
        this.syntax = ScriptSyntax.of(engine);
        this.builder = new SchemaBuilder(syntax);
        this.rows = new SampleRows(builder, log);
        this.applier = new StatementApplier(builder, log, rows);
    }

    /** What one script of an engine makes. */
    public static Reading read(String script, Target engine) {
        ScriptReader reader = new ScriptReader(engine);
        reader.add("", script);
        return reader.done();
    }

    /**
     * Reads a text as the next part of the script.
     *
     * @param file what to call it where something in it is reported
     * @throws java.util.concurrent.CancellationException if who hears of the progress wants no more
     */
    public void add(String file, String script) {
        ScriptParser parser = new ScriptParser(script, syntax);
        log.begin(file, script);
        while (parser.next()) {
            if (statements++ % PROGRESS_INTERVAL == 0 && !progress.at(before + parser.position(), statements)) {
                throw new CancellationException("reading was stopped");
            }
            parser.statements().forEach(applier::apply);
        }
        before += script.length();
    }

    /** What has been read. */
    public Reading done() {
        return new Reading(syntax.engine(), builder.done(), rows.rows(), log.steppedOver(), log.notUnderstood(),
                statements);
    }
}
