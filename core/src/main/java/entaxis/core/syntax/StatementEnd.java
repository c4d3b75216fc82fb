package entaxis.core.syntax;

import entaxis.core.statement.Skipped;
import entaxis.core.token.Keyword;

/** Finds where statements end that are not read to their end. */
final class StatementEnd {
    private final StatementCursor tokens;
    private final ScriptSyntax syntax;

    StatementEnd(StatementCursor tokens, ScriptSyntax syntax) {
        this.tokens = tokens;
        this.syntax = syntax;
    }

    /** Passes the statement that begins at a token, which says nothing about what tables are. */
    Skipped skip(int from, String kind) {
        pass(from);
        return new Skipped(kind);
    }

    /** Goes behind the statement: to its end, or to where the next one begins if no sign has to stand between them. */
    void pass(int from) {
        tokens.goTo(Math.max(tokens.at(), from));
        if (!syntax.takes(SyntaxRule.RUN_ON_STATEMENTS)) {
            tokens.toEnd();
            return;
        }
        int depth = 0;
        int cases = 0;
        // the first SET of an UPDATE is its own
        boolean ownSet = tokens.word(from) == Keyword.UPDATE;
        for (tokens.advance(); !tokens.atEnd(); tokens.advance()) {
            depth += tokens.sign('(') ? 1 : tokens.sign(')') ? -1 : 0;
            boolean endsBlock = tokens.is(Keyword.END) && cases == 0;
            cases += tokens.is(Keyword.CASE) ? 1 : tokens.is(Keyword.END) && cases > 0 ? -1 : 0;
            boolean own = ownSet && tokens.is(Keyword.SET);
            ownSet &= !own;
            if (depth <= 0 && (endsBlock || !own && beginsBatchStatement(tokens.word(), tokens.ahead(-1)))) {
                return;
            }
        }
    }

    private static boolean beginsBatchStatement(Keyword word, Keyword before) {
        return switch (word) {
            case CREATE, ALTER, DROP, INSERT, EXEC, EXECUTE, IF, USE, PRINT, DECLARE, GRANT, COMMIT, TRUNCATE, WHILE ->
                    before != Keyword.FOR && before != Keyword.AND && before != Keyword.GRANT;
            case SET -> before == Keyword.NONE || before == Keyword.END;
            default -> false;
        };
    }
}
