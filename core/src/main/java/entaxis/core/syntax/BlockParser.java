package entaxis.core.syntax;

import entaxis.core.statement.Block;
import entaxis.core.statement.ScriptStatement;
import entaxis.core.token.Keyword;
import entaxis.core.token.Token.Kind;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;

/**
 * Reads what is run under a condition: IF of SQL Server's batches, anonymous blocks of PostgreSQL and Oracle.
 * Conditions are not worked out. They ask, nearly always, whether something is there already; so what they guard is
 * carried out where it can be, and passed where it cannot.
 */
final class BlockParser {
    private static final int MAX_DEPTH = 60;
    private final StatementCursor tokens;
    private final StatementParser statements;
    private final ScriptSyntax syntax;
    private final StatementEnd statementEnd;
    private final Deque<Boolean> open = new ArrayDeque<>();
    private boolean next;
    private int depth;

    BlockParser(StatementCursor tokens, StatementParser statements, ScriptSyntax syntax, StatementEnd statementEnd) {
        this.tokens = tokens;
        this.statements = statements;
        this.syntax = syntax;
        this.statementEnd = statementEnd;
    }

    /** Whether what is read stands under a condition. */
    boolean conditional() {
        return next || open.contains(true);
    }

    private void skip(int from, String kind) {
        statements.emit(from, statementEnd.skip(from, kind));
    }

    /** Reads a statement that begins with IF, BEGIN, DECLARE, WHILE, END or ELSE. */
    void block(int from) {
        if (syntax.takes(SyntaxRule.CONTROL_OF_FLOW)) {
            batch(from);
        } else if (syntax.takes(SyntaxRule.BLOCKS) && (tokens.is(Keyword.DECLARE) || tokens.is(Keyword.BEGIN))
                || tokens.is(Keyword.BEGIN, Keyword.NOT)) {
            immediate(from);
        } else {
            switch (tokens.word()) {
                case BEGIN, END -> skip(from, "transaction");
                case DECLARE -> skip(from, "procedural statement");
                default -> throw tokens.unreadable(from, "no statement begins so");
            }
        }
    }

    private void batch(int from) {
        switch (tokens.word()) {
            case BEGIN -> {
                if (tokens.ahead(1) == Keyword.TRAN || tokens.ahead(1) == Keyword.TRANSACTION) {
                    skip(from, "transaction");
                } else {
                    open.push(next);
                    next = false;
                    bracket();
                }
            }
            case END -> {
                if (open.isEmpty()) {
                    skip(from, "end of a block");
                } else {
                    open.pop();
                    bracket();
                }
            }
            case ELSE -> {
                tokens.advance();
                guarded();
            }
            case IF, WHILE -> {
                tokens.advance();
                int brackets = 0;
                while (!tokens.atEnd() && !(brackets == 0 && begins(tokens.word()))) {
                    brackets += tokens.sign('(') ? 1 : tokens.sign(')') ? -1 : 0;
                    tokens.advance();
                }
                if (tokens.atEnd()) {
                    throw tokens.unreadable(from, "nothing stands behind the condition");
                }
                guarded();
            }
            default -> skip(from, "procedural statement");
        }
    }

    /** Passes BEGIN or END, of TRY and CATCH too. */
    private void bracket() {
        tokens.advance();
        tokens.accept("TRY");
        tokens.accept("CATCH");
    }

    private void guarded() {
        if (tokens.atEnd()) {
            return;
        }
        next = true;
        int from = tokens.at();
        if (depth >= MAX_DEPTH) {
            skip(from, "procedural statement");
        } else if (tokens.is(Keyword.BEGIN) || tokens.is(Keyword.IF)) {
            depth++;
            batch(from);
            depth--;
        } else {
            statements.one(from);
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
    private void immediate(int from) {
        boolean computed = false;
        List<Block.Part> parts = new ArrayList<>();
        boolean any = false;
        for (int i = from; i + 1 < tokens.limit(); i++) {
            if (tokens.word(i) != Keyword.EXECUTE || tokens.word(i + 1) != Keyword.IMMEDIATE) {
                continue;
            }
            boolean plain = tokens.kind(i + 2) == Kind.STRING
                    && (tokens.sign(i + 3, ';') || i + 3 >= tokens.limit());
            if (plain) {
                statements.nested(i + 2).ifPresent(parts::add);
            }
            any |= plain;
            computed |= !plain;
        }
        tokens.toEnd();
        statements.emit(from, new Block(parts, !computed && any ? Optional.empty()
                : Optional.of(computed ? "block that makes up its statements" : "anonymous block")));
    }

    /** PostgreSQL manual, DO. */
    void anonymous(int from) {
        int body = from + 1;
        while (body < tokens.limit() && tokens.kind(body) != Kind.STRING) {
            body++;
        }
        boolean isBlock = syntax.takes(SyntaxRule.BLOCKS_IN_TEXTS);
        if (body >= tokens.limit() || !isBlock) {
            skip(from, isBlock ? "anonymous block" : "call of a function");
            return;
        }
        String text = tokens.stringAt(body);
        int place = tokens.offset(body) + (tokens.verbatim(body, body + 1).length() - text.length()) / 2;
        List<ScriptStatement> done = new ArrayList<>();
        boolean whole = statements.procedural(text, done);
        tokens.toEnd();
        statements.emit(from, new Block(List.of(new Block.Part(text, place, done)),
                whole ? Optional.empty() : Optional.of("part of an anonymous block")));
    }
}
