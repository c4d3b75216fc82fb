package entaxis.core.reading;

import java.util.List;
import java.util.Locale;

/**
 * Tells statements apart and gives each to who reads its kind. What says nothing about tables is stepped over by name.
 */
final class StatementReader {
    private final ScriptLexer lexer;
    private TokenizedStatement cut = new TokenizedStatement(new TokenArray());
    private final TokenCursor tokens;
    private final ScriptSyntax syntax;
    private final SchemaBuilder builder;
    private final ReadingLog notes;
    private final DefinitionParsers definitions;
    private final TableStatements tables;
    private final CommentStatements comments;
    private final GrantStatements grants;
    private final ProcedureCalls calls;
    private final DefinitionStatements definitionStatements;
    private final RowStatements rows;
    private final ConditionalBlocks blocks;
    private final ImpliedNames implied;
    private final List<ReadRow> rowsRead;
    private static final int MAX_DEPTH = 3;
    private int depth;
    private int conditions;
    private boolean lenient;

    StatementReader(ScriptLexer lexer, TokenCursor tokens, ScriptSyntax syntax, SchemaBuilder builder,
            ImpliedNames implied, ReadingLog notes, List<ReadRow> rows) {
        this.lexer = lexer;
        this.tokens = tokens;
        this.syntax = syntax;
        this.builder = builder;
        this.notes = notes;
        this.implied = implied;
        this.rowsRead = rows;
        TypeParser types = new TypeParser(tokens, builder);
        this.definitions = DefinitionParsers.of(tokens, builder, types, implied);
        this.tables = new TableStatements(tokens, builder, definitions, notes, this::pass);
        AlterTableStatements alter =
                new AlterTableStatements(tokens, builder, definitions, types, implied, this::pass);
        TypeStatements ofTypes = new TypeStatements(tokens, builder, definitions, types, implied, this::pass);
        ProgramStatements programs = new ProgramStatements(tokens, builder, definitions, this::pass);
        this.comments = new CommentStatements(tokens, builder, definitions, programs, this::pass);
        this.grants = new GrantStatements(tokens, builder, definitions, programs, this::pass);
        this.calls = new ProcedureCalls(tokens, builder, definitions, ofTypes, this::pass);
        this.definitionStatements = new DefinitionStatements(this, tokens, builder, definitions, notes, tables,
                alter, new IndexStatements(tokens, builder, definitions, implied, this::pass),
                new SequenceStatements(tokens, builder, definitions, types, this::pass), ofTypes,
                programs);
        this.rows = new RowStatements(lexer, tokens, builder, definitions, rows, this::pass);
        this.blocks = new ConditionalBlocks(tokens, this, syntax, this::pass);
    }

    /** Reads a statement, or the several that SQL Server allows without a sign between them. */
    void read(TokenizedStatement statement) {
        cut = statement;
        if (cut.client) {
            notes.steppedOver(cut.start, "client command");
            return;
        }
        tokens.read(cut);
        if (cut.broken) {
            notes.notUnderstood(tokens.offset(tokens.broken()), tokens.excerpt(tokens.broken()),
                    "a quote or comment that opens here is not closed");
        } else {
            readAll();
        }
    }

    /** Reads what the cursor stands at, up to its limit. */
    void readAll() {
        do {
            int from = tokens.at;
            one(from);
            if (tokens.at == from) {
                tokens.at++;
            }
        } while (syntax.takes(SyntaxRule.RUN_ON_STATEMENTS) && !tokens.atEnd());
    }

    /** Reads one statement that stands under a condition. */
    void guarded(int from) {
        one(from);
    }

    /** Reads statements that stand in a text of their own, all of them under a condition. */
    void nested(String text, int base) {
        if (depth >= MAX_DEPTH) {
            return;
        }
        ScriptLexer inner = new ScriptLexer(text, syntax);
        StatementReader reader =
                new StatementReader(inner, new TokenCursor(inner, text, syntax), syntax, builder, implied,
                notes, rowsRead);
        reader.depth = depth + 1;
        reader.lenient = true;
        notes.within(base, () -> {
            TokenizedStatement statement = new TokenizedStatement(new TokenArray());
            while (inner.next(statement)) {
                reader.read(statement);
            }
        });
    }

    /**
     * Reads the body of an anonymous block (PostgreSQL manual, chapter “PL/pgSQL”).
     *
     * @return whether everything that it does is now done
     */
    boolean procedural(String text, int base) {
        if (depth >= MAX_DEPTH) {
            return false;
        }
        ScriptLexer inner = new ScriptLexer(text, syntax);
        StatementReader reader =
                new StatementReader(inner, new TokenCursor(inner, text, syntax), syntax, builder, implied,
                notes, rowsRead);
        reader.depth = depth + 1;
        boolean guarded = text.toUpperCase(Locale.ROOT).contains("EXCEPTION");
        boolean[] all = {true};
        notes.within(base, () -> {
            TokenizedStatement statement = new TokenizedStatement(new TokenArray());
            while (inner.next(statement)) {
                all[0] &= reader.inBlock(statement, guarded);
            }
        });
        return all[0];
    }

    /** Reads one statement of a block; false if it does something that is not known before it runs. */
    private boolean inBlock(TokenizedStatement statement, boolean guarded) {
        cut = statement;
        if (cut.client) {
            return false;
        }
        tokens.read(cut);
        boolean more = true;
        lenient = guarded || conditions > 0;
        while (more && !tokens.atEnd()) {
            switch (tokens.word()) {
                case BEGIN, ELSE -> tokens.at++;
                case IF, WHEN -> {
                    conditions += tokens.is(Keyword.IF) ? 1 : 0;
                    lenient = true;
                    while (!tokens.atEnd() && !tokens.is(Keyword.THEN)) {
                        tokens.at++;
                    }
                    tokens.at++;
                }
                case EXCEPTION -> tokens.at++;
                case END -> {
                    conditions -= tokens.word(tokens.at + 1) == Keyword.IF ? 1 : 0;
                    return true;
                }
                default -> {
                    if (!tokens.reads(tokens.at, "ELSIF")) {
                        more = false;
                    } else {
                        while (!tokens.atEnd() && !tokens.is(Keyword.THEN)) {
                            tokens.at++;
                        }
                        tokens.at++;
                    }
                }
            }
        }
        return tokens.atEnd() || doneInBlock();
    }

    private boolean doneInBlock() {
        switch (tokens.word()) {
            case CREATE, ALTER, DROP, COMMENT -> {
                readAll();
                return true;
            }
            case EXECUTE -> {
                boolean plain =
                        tokens.kind(tokens.at + 1) == TokenizedStatement.STRING && tokens.at + 2 >= tokens.limit;
                if (plain) {
                    nested(tokens.stringAt(tokens.at + 1), tokens.offset(tokens.at + 1) + 1);
                }
                return plain;
            }
            case NULL, SELECT, INSERT, UPDATE, DELETE, GRANT, REVOKE, SET, DECLARE, RETURN -> {
                return true;
            }
            case FOR, WHILE, LOOP -> {
                return false;
            }
            default -> {
                return tokens.reads(tokens.at, "RAISE") || tokens.reads(tokens.at, "PERFORM")
                        || tokens.sign(tokens.at + 1, ':') || tokens.sign(tokens.at + 1, '=');
            }
        }
    }

    void one(int from) {
        try {
            statement(from);
            if (!tokens.atEnd() && !syntax.takes(SyntaxRule.RUN_ON_STATEMENTS)) {
                throw tokens.unreadable(
                        starts(tokens.word()) ? "a semicolon is missing before this" : "this is not understood here");
            }
        } catch (StatementException reason) {
            if ((lenient || blocks.conditional()) && reason.isConflict()) {
                pass(from, "what its condition rules out");
                return;
            }
            notes.notUnderstood(tokens.offset(reason.token()), tokens.excerpt(reason.token()), reason.getMessage(),
                    reason.isConflict());
            toNext(reason.token());
        }
    }

    private static boolean starts(Keyword word) {
        return switch (word) {
            case CREATE, ALTER, DROP, INSERT, SELECT, UPDATE, DELETE, GRANT, COMMENT, SET -> true;
            default -> false;
        };
    }

    /** Goes behind the statement: to its end, or to where the next one begins if no sign has to stand between them. */
    void toNext(int from) {
        tokens.at = Math.max(tokens.at, from);
        if (!syntax.takes(SyntaxRule.RUN_ON_STATEMENTS)) {
            tokens.at = tokens.limit;
            return;
        }
        int depth = 0;
        for (tokens.at = Math.max(tokens.at, from) + 1; !tokens.atEnd(); tokens.at++) {
            depth += tokens.sign('(') ? 1 : tokens.sign(')') ? -1 : 0;
            if (depth <= 0 && beginsBatchStatement(tokens.word(), tokens.word(tokens.at - 1))) {
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

    void pass(int from, String kind) {
        notes.steppedOver(tokens.offset(from), kind);
        toNext(from);
    }

    /** Reads one statement from where the cursor stands. */
    void statement(int from) {
        if (syntax.takes(SyntaxRule.COMPOUND_STATEMENTS) && StatementBody.compound(tokens.word())) {
            if (cut.unclosed) {
                throw new StatementException(from,
                        "the block that begins here is not ended; nothing behind it could be read");
            }
            pass(from, "anonymous block");
            return;
        }
        switch (tokens.word()) {
            case CREATE -> definitionStatements.create(from);
            case ALTER -> alter(from);
            case DROP -> definitionStatements.drop(from);
            case RENAME -> definitionStatements.renameTables(from);
            case COMMENT -> comments.comment();
            case INSERT, REPLACE -> rows.insert(from);
            case COPY -> rows.copy(from);
            case IF, BEGIN, DECLARE, WHILE, END, ELSE -> blocks.block(from);
            case DO -> blocks.anonymous(from);
            case EXEC, EXECUTE -> calls.procedureCall(from);
            case SET -> set(from);
            case USE -> {
                tokens.at++;
                builder.use(tokens.name());
                pass(from, "change of database");
            }
            case CALL -> pass(from, "call of a procedure");
            case COMMIT, ROLLBACK, START, SAVEPOINT, RELEASE, TRANSACTION -> pass(from, "transaction");
            case GRANT, REVOKE -> grants.permission(from);
            case SELECT, VALUES, WITH -> select(from);
            case UPDATE, DELETE, TRUNCATE ->
                    pass(from, tokens.is(Keyword.UPDATE, Keyword.STATISTICS) ? "maintenance" : "change of rows");
            case PRAGMA -> pass(from, "setting");
            case LOCK, UNLOCK -> pass(from, "lock");
            case ANALYZE, VACUUM, CLUSTER -> pass(from, "maintenance");
            case PRINT -> pass(from, "message");
            default -> other(from);
        }
    }

    private void alter(int from) {
        if (tokens.word(from + 1) == Keyword.DEFAULT && tokens.reads(from + 2, "PRIVILEGES")) {
            grants.defaults(from);
        } else {
            grants.owner(from);
            definitionStatements.alterStatement(from);
        }
    }

    private void other(int from) {
        String first = tokens.kind(from) == TokenizedStatement.WORD
                ? tokens.text(from, from + 1).toUpperCase(Locale.ROOT) : "";
        String both = first + " " + (tokens.kind(from + 1) == TokenizedStatement.WORD
                ? tokens.text(from + 1, from + 2).toUpperCase(Locale.ROOT) : "");
        switch (both) {
            case "CHECK TABLE", "CHECKSUM TABLE", "REFRESH MATERIALIZED" -> pass(from, "maintenance");
            case "CHANGE REPLICATION", "CHANGE MASTER", "STOP REPLICA", "STOP SLAVE" -> pass(from, "replication");
            default -> other(from, first);
        }
    }

    private void other(int from, String first) {
        switch (first) {
            case "XA" -> pass(from, "transaction");
            case "BINLOG" -> pass(from, "replication");
            case "TABLE" -> pass(from, "query");
            case "MOVE" -> pass(from, "procedural statement");
            case "KILL", "RESTART", "CLONE" -> pass(from, "setting");
            case "MERGE" -> merge(from);
            case "UPSERT", "HANDLER", "LOAD" -> pass(from, "change of rows");
            case "BULK" -> pass(from + 1, "rows");
            case "REINDEX", "OPTIMIZE", "REPAIR", "CHECKPOINT", "DISCARD", "FLUSH", "PURGE", "DBCC", "RECONFIGURE",
                    "SHUTDOWN", "FLASHBACK" -> pass(from, "maintenance");
            case "EXPLAIN", "SHOW", "DESCRIBE", "HELP" -> pass(from, "query");
            case "LISTEN", "NOTIFY", "UNLISTEN", "RESET", "PREPARE", "DEALLOCATE", "SIGNAL" -> pass(from, "setting");
            case "SECURITY" -> pass(from, "permission");
            case "DENY", "REASSIGN" -> pass(from, "permission");
            case "ABORT" -> pass(from, "transaction");
            case "INSTALL", "UNINSTALL", "IMPORT" -> pass(from, "extension");
            case "RAISERROR", "THROW", "WAITFOR", "OPEN", "CLOSE", "FETCH", "LABEL", "GOTO", "BREAK" ->
                    pass(from, "procedural statement");
            case "AUDIT", "NOAUDIT", "ASSOCIATE", "DISASSOCIATE" -> pass(from, "setting");
            default -> throw new StatementException(from, first.isEmpty() ? "no statement begins so"
                    : "“" + tokens.text(from, from + 1) + "” begins no statement that is known here");
        }
    }

    /** Transact-SQL Reference, MERGE: it goes on to its semicolon, whatever statements seem to begin inside. */
    private void merge(int from) {
        pass(from, "change of rows");
        tokens.at = tokens.limit;
    }

    private void select(int from) {
        boolean path = false;
        for (int i = from; i < tokens.limit && !path; i++) {
            path = tokens.reads(i, "SET_CONFIG") && tokens.kind(i + 2) == TokenizedStatement.STRING
                    && tokens.stringAt(i + 2).equals("search_path");
            if (path && tokens.kind(i + 4) == TokenizedStatement.STRING) {
                builder.use(firstOf(tokens.stringAt(i + 4)));
            }
        }
        boolean into = syntax.takes(SyntaxRule.SELECT_INTO);
        int depth = 0;
        for (int i = from; into && i < tokens.limit; i++) {
            depth += tokens.sign(i, '(') ? 1 : tokens.sign(i, ')') ? -1 : 0;
            if (depth == 0 && i > from && starts(tokens.word(i)) && tokens.word(i) != Keyword.SELECT) {
                break;
            }
            if (depth == 0 && tokens.word(i) == Keyword.INTO && tokens.word(from) == Keyword.SELECT
                    && tokens.isName(i + 1) && tokens.word(i + 1) != Keyword.TEMP
                    && tokens.word(i + 1) != Keyword.TEMPORARY
                    && !tokens.nameAt(i + 1).startsWith("#") && !tokens.nameAt(i + 1).startsWith("@")
                    && tokens.word(i + 1) != Keyword.UNLOGGED) {
                tokens.at = i + 1;
                builder.passing.add(builder.key(definitions.names().qualified()));
                throw new StatementException(from, "the columns of the table come from a query");
            }
        }
        pass(from, path ? "setting" : "query");
    }

    private static String firstOf(String searchPath) {
        String first = searchPath.split(",", -1)[0].strip().replace("\"", "").replace("'", "");
        return first.equals("$user") ? "" : first;
    }

    private void set(int from) {
        if (tokens.word(from + 1) == Keyword.SCHEMA) {
            tokens.at = from + 2;
            if (tokens.isName(tokens.at) || tokens.kind(tokens.at) == TokenizedStatement.STRING) {
                builder.use(tokens.kind(tokens.at) == TokenizedStatement.STRING ? tokens.stringAt(tokens.at)
                        : tokens.nameAt(tokens.at));
            }
        }
        int at = tokens.reads(from + 1, "SESSION") || tokens.word(from + 1) == Keyword.LOCAL ? from + 2 : from + 1;
        if (tokens.word(at) == Keyword.SEARCH_PATH) {
            int value = at + 2;
            String first = tokens.isName(value) ? tokens.nameAt(value)
                    : tokens.kind(value) == TokenizedStatement.STRING ? firstOf(tokens.stringAt(value)) : "";
            builder.use(
                    tokens.word(value) == Keyword.DEFAULT || first.equals("$user") || first.equals("pg_catalog") ? ""
                    : first);
        } else if (tokens.reads(at, "STANDARD_CONFORMING_STRINGS")) {
            lexer.backslashEscapes(tokens.reads(at + 2, "OFF") || tokens.word(at + 2) == Keyword.FALSE
                    || tokens.text(at + 2, at + 3).equals("'off'"));
        } else if (syntax.takes(SyntaxRule.SQL_MODES)) {
            for (int i = from; i < tokens.limit; i++) {
                if (tokens.kind(i) == TokenizedStatement.STRING
                        && tokens.stringAt(i).toUpperCase(Locale.ROOT).contains("ANSI")) {
                    lexer.doubleQuotesName();
                }
                if (tokens.kind(i) == TokenizedStatement.STRING
                        && tokens.stringAt(i).toUpperCase(Locale.ROOT).contains("NO_BACKSLASH_ESCAPES")) {
                    // a mode that takes the word out of those that are set: MySQL manual, “Server SQL Modes”
                    lexer.backslashEscapes(tokens.text(from, i).toUpperCase(Locale.ROOT).contains("REPLACE"));
                }
            }
        }
        pass(from, "setting");
    }
}
