package entaxis.core.reading;

import entaxis.core.design.Target;
import java.util.ArrayList;
import java.util.List;

/**
 * Reads scripts and dumps of an engine. Several texts are read as one script in their order. Runs in time linear in their length; what cannot be read is reported and reading goes
 * on behind it.
 */
public final class ScriptReader {
    private final Notes notes = new Notes();
    private final Drafts drafts;
    private final ImpliedNames implied;
    private final List<ReadRow> rows = new ArrayList<>();
    private final Lexis lexis;
    private int statements;

    /** A reader for one engine, with nothing read yet. */
    public ScriptReader(Target engine) {
        this.drafts = new Drafts(engine);
        this.implied = new ImpliedNames(engine);
        this.lexis = Lexis.of(engine);
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
     */
    public void add(String file, String script) {
        char[] text = script.toCharArray();
        Scanner scanner = new Scanner(text, lexis);
        notes.begin(file, text);
        Statements reader = new Statements(scanner, new Tokens(scanner, text, lexis), lexis, drafts, implied, notes, rows);
        while (scanner.next()) {
            statements++;
            reader.read();
        }
    }

    /** What has been read. */
    public Reading done() {
        return new Reading(drafts.engine, drafts.done(), rows, notes.steppedOver(), notes.notUnderstood(), statements);
    }
}
