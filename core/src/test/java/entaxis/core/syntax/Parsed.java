package entaxis.core.syntax;

import entaxis.core.statement.AlterTable;
import entaxis.core.statement.CreateTable;
import entaxis.core.statement.ScriptStatement;
import entaxis.core.statement.Statement;
import entaxis.core.statement.AlterTableAction;
import entaxis.core.statement.TableElement;
import entaxis.core.targets.Target;
import java.util.ArrayList;
import java.util.List;

/** Scripts read as statements. */
final class Parsed {
    private Parsed() { }

    /** All statements of a script, where they stand. */
    static List<ScriptStatement> script(Target engine, String script) {
        ScriptParser parser = new ScriptParser(script, ScriptSyntax.of(engine));
        List<ScriptStatement> all = new ArrayList<>();
        while (parser.next()) {
            all.addAll(parser.statements());
        }
        return all;
    }

    /** What the statements of a script say. */
    static List<Statement> statements(Target engine, String script) {
        return script(engine, script).stream().map(ScriptStatement::statement).toList();
    }

    /** What one statement says. */
    static Statement statement(Target engine, String script) {
        List<Statement> all = statements(engine, script);
        if (all.size() != 1) {
            throw new AssertionError("one statement was expected: " + all);
        }
        return all.getFirst();
    }

    /** What stands in the brackets of a CREATE TABLE that is called lot. */
    static List<TableElement> elements(Target engine, String inside) {
        CreateTable created = (CreateTable) statement(engine, "CREATE TABLE lot (" + inside + ")");
        return ((CreateTable.Elements) created.source()).elements();
    }

    /** The changes of an ALTER TABLE of lot. */
    static List<AlterTableAction> changes(Target engine, String what) {
        return ((AlterTable) statement(engine, "ALTER TABLE lot " + what)).actions();
    }
}
