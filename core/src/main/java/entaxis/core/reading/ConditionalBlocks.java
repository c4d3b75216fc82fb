package entaxis.core.reading;

import java.util.ArrayDeque;
import java.util.Deque;

/**
 * Reads what is run under a condition: IF of SQL Server's batches, anonymous blocks of PostgreSQL and Oracle.
 * Conditions are not worked out. They ask, nearly always, whether something is there already; so what they guard is
 * carried out where it can be, and passed where it cannot.
 */
final class ConditionalBlocks {
    private final TokenCursor tokens;
    private final StatementReader statements;
    private final ScriptSyntax syntax;
    private final StepOver pass;
    private final Deque<Boolean> open = new ArrayDeque<>();
    private static final int MAX_DEPTH = 60;
    private boolean next;
    private int depth;

    ConditionalBlocks(TokenCursor tokens, StatementReader statements, ScriptSyntax syntax, StepOver pass) {
        this.tokens = tokens;
        this.statements = statements;
        this.syntax = syntax;
        this.pass = pass;
    }

    /** Whether what is read stands under a condition. */
    boolean conditional() {
        return next || open.contains(true);
    }

    /** Reads a statement that begins with IF, BEGIN, DECLARE, WHILE, END or ELSE. */
    void block(int from) {
        if (syntax.takes(SyntaxRule.CONTROL_OF_FLOW)) {
            batch(from);
        } else if (syntax.takes(SyntaxRule.BLOCKS) && (tokens.is(Keyword.DECLARE) || tokens.is(Keyword.BEGIN))
                || tokens.is(Keyword.BEGIN, Keyword.NOT)) {
            oracle(from);
        } else {
            switch (tokens.word()) {
                case BEGIN, END -> pass.over(from, "transaction");
                case DECLARE -> pass.over(from, "procedural statement");
                default -> throw new StatementException(from, "no statement begins so");
            }
        }
    }

    private void batch(int from) {
        switch (tokens.word()) {
            case BEGIN -> {
                Keyword after = tokens.word(tokens.at + 1);
                if (after == Keyword.TRAN || after == Keyword.TRANSACTION) {
                    pass.over(from, "transaction");
                } else {
                    tokens.at++;
                    tokens.acceptReading("TRY");
                    tokens.acceptReading("CATCH");
                    open.push(next);
                    next = false;
                }
            }
            case END -> {
                if (open.isEmpty()) {
                    pass.over(from, "end of a block");
                    return;
                }
                open.pop();
                tokens.at++;
                tokens.acceptReading("TRY");
                tokens.acceptReading("CATCH");
            }
            case ELSE -> {
                tokens.at++;
                guarded();
            }
            case IF, WHILE -> {
                tokens.at++;
                int brackets = 0;
                while (!tokens.atEnd() && !(brackets == 0 && begins(tokens.word()))) {
                    brackets += tokens.sign('(') ? 1 : tokens.sign(')') ? -1 : 0;
                    tokens.at++;
                }
                if (tokens.atEnd()) {
                    throw new StatementException(from, "nothing stands behind the condition");
                }
                guarded();
            }
            default -> pass.over(from, "procedural statement");
        }
    }

    private void guarded() {
        if (tokens.atEnd()) {
            return;
        }
        next = true;
        int from = tokens.at;
        if (depth >= MAX_DEPTH) {
            pass.over(from, "procedural statement");
        } else if (tokens.is(Keyword.BEGIN) || tokens.is(Keyword.IF)) {
            depth++;
            batch(from);
            depth--;
        } else {
            statements.guarded(from);
        }
        next = false;
    }

    private static boolean begins(Keyword word) {
        return switch (word) {
            case CREATE, ALTER, DROP, INSERT, EXEC, EXECUTE, BEGIN, SET, PRINT, UPDATE, DELETE, TRUNCATE, RETURN, USE,
                    SELECT, IF, GRANT, DECLARE -> true;
            default -> false;
        };
    }

    /**
     * Oracle Database PL/SQL Language Reference, EXECUTE IMMEDIATE: statements that stand in one text are read; others
     * are not known before they run.
     */
    private void oracle(int from) {
        boolean computed = false;
        boolean any = false;
        for (int i = from; i + 1 < tokens.limit; i++) {
            if (tokens.word(i) != Keyword.EXECUTE || tokens.word(i + 1) != Keyword.IMMEDIATE) {
                continue;
            }
            if (tokens.kind(i + 2) == TokenizedStatement.STRING && (tokens.sign(i + 3, ';') || i + 3 >= tokens.limit)) {
                statements.nested(tokens.stringAt(i + 2), tokens.offset(i + 2) + 1);
                any = true;
            } else {
                computed = true;
            }
        }
        if (computed || !any) {
            pass.over(from, computed ? "block that makes up its statements" : "anonymous block");
        } else {
            tokens.at = tokens.limit;
        }
    }

    /** PostgreSQL manual, DO. */
    void anonymous(int from) {
        int body = from + 1;
        while (body < tokens.limit && tokens.kind(body) != TokenizedStatement.STRING) {
            body++;
        }
        boolean isBlock = syntax.takes(SyntaxRule.BLOCKS_IN_TEXTS);
        if (body >= tokens.limit || !isBlock) {
            pass.over(from, isBlock ? "anonymous block" : "call of a function");
            return;
        }
        String text = tokens.stringAt(body);
        int base = tokens.offset(body) + (tokens.verbatim(body, body + 1).length() - text.length()) / 2;
        boolean all = statements.procedural(text, base);
        if (all) {
            tokens.at = tokens.limit;
        } else {
            pass.over(from, "part of an anonymous block");
        }
    }
}
