package entaxis.core.syntax;

import entaxis.core.statement.CallProcedure.Argument;
import entaxis.core.statement.CallProcedure;
import entaxis.core.statement.Statement;
import entaxis.core.token.Keyword;
import entaxis.core.token.Token.Kind;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Reads calls of procedures. */
final class ProcedureCallParser {
    private final StatementCursor tokens;
    private final ScriptSyntax syntax;
    private final NameParser names;
    private final StatementEnd statementEnd;

    ProcedureCallParser(StatementCursor tokens, ScriptSyntax syntax, NameParser names, StatementEnd statementEnd) {
        this.tokens = tokens;
        this.syntax = syntax;
        this.names = names;
        this.statementEnd = statementEnd;
    }

    /** Reads EXECUTE from that word on (Transact-SQL Reference). */
    Statement call(int from) {
        tokens.advance();
        if (tokens.sign('(') && tokens.kind(tokens.at() + 1) == Kind.STRING
                && tokens.sign(tokens.at() + 2, ')')) {
            return statementEnd.skip(from, "statement in a text");
        }
        if (!syntax.takes(SyntaxRule.SYSTEM_PROCEDURES) || !tokens.isName(tokens.at())) {
            return statementEnd.skip(from, "call of a procedure");
        }
        String procedure = names.qualified().name().toLowerCase(Locale.ROOT);
        List<Argument> arguments = new ArrayList<>();
        while (!tokens.atEnd() && !tokens.startsStatement()) {
            argument(arguments);
            tokens.advance();
        }
        return new CallProcedure(procedure, arguments);
    }

    private void argument(List<Argument> into) {
        int at = tokens.at();
        boolean labelled = tokens.sign(at - 1, '=');
        if (tokens.kind(at) == Kind.STRING) {
            into.add(new Argument(labelled ? label() : "", tokens.stringAt(at)));
        } else if (labelled && tokens.isName(at)) {
            into.add(new Argument(label(), tokens.nameAt(at)));
        } else if (tokens.isName(at) && !tokens.sign(at + 1, '=')) {
            into.add(new Argument("", tokens.is(Keyword.NULL) ? "" : tokens.nameAt(at)));
        }
    }

    /** The name before an equals sign; none where something else stands there. */
    private String label() {
        int name = tokens.at() - 2;
        return tokens.isName(name) ? tokens.nameAt(name).toLowerCase(Locale.ROOT) : "";
    }
}
