package entaxis.core.syntax;

import entaxis.core.statement.ScriptStatement;
import java.util.List;

/**
 * Reads a script as statements, one after the other, so that a long one is never held as a whole. Runs in time linear
 * in its length; what cannot be read is given as a statement that says so, and reading goes on behind it.
 */
public final class ScriptParser {
    private final StatementSplitter splitter;
    private final StatementParser statements;
    private final TokenizedStatement tokenized = new TokenizedStatement();

    /** A parser at the beginning of a script of an engine. */
    public ScriptParser(String script, ScriptSyntax syntax) {
        this.splitter = new StatementSplitter(script, syntax);
        this.statements = new StatementParser(splitter, new StatementCursor(splitter, script, syntax), syntax);
    }

    /** Goes to the next statement; false at the end of the script. */
    public boolean next() {
        return splitter.next(tokenized);
    }

    /** How far it has come, in characters. */
    public int position() {
        return splitter.position();
    }

    /**
     * What the statement says that {@link #next} went to: one, or several where none needs a sign between. It is valid
     * until the next call.
     */
    public List<ScriptStatement> statements() {
        return statements.read(tokenized);
    }
}
