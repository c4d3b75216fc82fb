package entaxis.core.syntax;

import entaxis.core.statement.Block;
import entaxis.core.statement.ChangeDefaultPrivileges;
import entaxis.core.statement.PlacedName;
import entaxis.core.statement.ScriptStatement;
import entaxis.core.statement.Skipped;
import entaxis.core.statement.Statement;
import entaxis.core.token.Keyword;
import entaxis.core.token.Token.Kind;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Tells statements apart and gives each to who reads its kind. What says nothing about tables is stepped over by name.
 */
final class StatementParser {
    private static final int MAX_DEPTH = 3;
    private final StatementCursor tokens;
    private final ScriptSyntax syntax;
    private final NameParser names;
    private final StatementEnd statementEnd;
    private final TableParser tables;
    private final CommentParser comments;
    private final PrivilegeParser privileges;
    private final ProcedureCallParser calls;
    private final DefinitionParser definitions;
    private final SettingParser settings;
    private final OtherStatements others;
    private final RowParser rows;
    private final BlockParser blocks;
    private TokenizedStatement cut = new TokenizedStatement();
    private List<ScriptStatement> statements = new ArrayList<>();
    private int depth;
    /** Whether all that is read stands under a condition. */
    private boolean conditional;

    StatementParser(StatementSplitter splitter, StatementCursor tokens, ScriptSyntax syntax) {
        this.tokens = tokens;
        this.syntax = syntax;
        ElementParsers parsers = ElementParsers.of(tokens, syntax);
        this.names = parsers.names();
        this.statementEnd = new StatementEnd(tokens, syntax);
        this.tables = new TableParser(tokens, syntax, parsers);
        ProgramParser programs = new ProgramParser(tokens, syntax, names, statementEnd);
        this.comments = new CommentParser(tokens, names, programs, statementEnd);
        this.privileges = new PrivilegeParser(tokens, syntax, names, programs, statementEnd);
        this.calls = new ProcedureCallParser(tokens, syntax, names, statementEnd);
        this.definitions = new DefinitionParser(this, tokens, syntax, parsers, statementEnd, tables, programs,
                privileges);
        this.rows = new RowParser(splitter, tokens, names, statementEnd);
        this.settings = new SettingParser(splitter, tokens, syntax, statementEnd, rows);
        this.others = new OtherStatements(tokens, statementEnd);
        this.blocks = new BlockParser(tokens, this, syntax, statementEnd);
    }

    /** Reads a statement, or the several that SQL Server allows without a sign between them. */
    List<ScriptStatement> read(TokenizedStatement statement) {
        statements.clear();
        append(statement);
        return statements;
    }

    private void append(TokenizedStatement statement) {
        cut = statement;
        if (cut.isClientCommand()) {
            statements.add(new ScriptStatement(new Skipped("client command"), cut.start(), cut.start(), false,
                    Optional.empty()));
            return;
        }
        tokens.read(cut);
        if (cut.hasOpenQuote()) {
            emit(tokens.unclosed(), tokens.unreadable(tokens.unclosed(),
                    "a quote or comment that opens here is not closed").error());
        } else {
            all();
        }
    }

    /** Reads what the cursor stands at, up to its limit. */
    private void all() {
        do {
            int from = tokens.at();
            one(from);
            if (tokens.at() == from) {
                tokens.advance();
            }
        } while (syntax.takes(SyntaxRule.RUN_ON_STATEMENTS) && !tokens.atEnd());
    }

    /** Takes a statement that begins at a token. */
    void emit(int from, Statement statement) {
        emit(from, new ParsedStatement(statement, Optional.empty()));
    }

    private void emit(int from, ParsedStatement parsed) {
        statements.add(new ScriptStatement(parsed.statement(), tokens.offset(from), tokens.offset(tokens.limit()),
                conditional || blocks.conditional(), parsed.error().map(SyntaxException::error)));
    }

    /** Reads one statement, which goes into a list of its own. */
    void into(List<ScriptStatement> list, int from) {
        List<ScriptStatement> before = statements;
        statements = list;
        one(from);
        statements = before;
    }

    /** Reads one statement that begins at a token. */
    void one(int from) {
        try {
            switch (tokens.word()) {
                case IF, BEGIN, DECLARE, WHILE, END, ELSE -> {
                    if (isCompound()) {
                        emit(from, compound(from));
                    } else {
                        blocks.block(from);
                    }
                    trailing().ifPresent(error -> emit(error.token(), error.error()));
                }
                case DO -> blocks.anonymous(from);
                default -> {
                    ParsedStatement parsed = statement(from);
                    ParsedStatement whole = parsed.error().isPresent() ? parsed
                            : new ParsedStatement(parsed.statement(), trailing());
                    emit(from, whole);
                    whole.error().ifPresent(error -> statementEnd.pass(error.token()));
                }
            }
        } catch (SyntaxException reason) {
            emit(from, reason.error());
            statementEnd.pass(reason.token());
        }
    }

    /** What stands behind a statement that should have ended. */
    private Optional<SyntaxException> trailing() {
        return tokens.atEnd() || syntax.takes(SyntaxRule.RUN_ON_STATEMENTS) ? Optional.empty()
                : Optional.of(tokens.unreadable(starts(tokens.word()) ? "a semicolon is missing before this"
                        : "this is not understood here"));
    }

    static boolean starts(Keyword word) {
        return switch (word) {
            case CREATE, ALTER, DROP, INSERT, SELECT, UPDATE, DELETE, GRANT, COMMENT, SET -> true;
            default -> false;
        };
    }

    private boolean isCompound() {
        return syntax.takes(SyntaxRule.COMPOUND_STATEMENTS) && StatementBody.compound(tokens.word());
    }

    private Skipped compound(int from) {
        if (cut.hasOpenBody()) {
            throw tokens.unreadable(from, "the block that begins here is not ended; nothing behind it could be read");
        }
        return statementEnd.skip(from, "anonymous block");
    }

    private ParsedStatement statement(int from) {
        if (isCompound()) {
            return ParsedStatement.whole(compound(from));
        }
        return switch (tokens.word()) {
            case CREATE -> definitions.create(from);
            case ALTER -> tokens.word(from + 1) == Keyword.DEFAULT && tokens.is(from + 2, "PRIVILEGES")
                    ? ParsedStatement.whole(defaultPrivileges(from)) : definitions.alter(from);
            case INSERT, REPLACE -> rows.insert(from);
            case SELECT, VALUES, WITH -> select(from);
            default -> ParsedStatement.whole(other(from));
        };
    }

    private Statement other(int from) {
        return switch (tokens.word()) {
            case DROP -> definitions.drop(from);
            case RENAME -> tables.rename();
            case COMMENT -> comments.comment(from);
            case COPY -> rows.copy(from);
            case EXEC, EXECUTE -> calls.call(from);
            case SET -> settings.set(from);
            case USE -> settings.use(from);
            case GRANT, REVOKE -> privileges.permission(from);
            default -> others.skip(from);
        };
    }

    private Statement defaultPrivileges(int from) {
        statementEnd.pass(from);
        return new ChangeDefaultPrivileges();
    }

    private ParsedStatement select(int from) {
        int depth = 0;
        for (int i = from; syntax.takes(SyntaxRule.SELECT_INTO) && i < tokens.limit(); i++) {
            depth += tokens.sign(i, '(') ? 1 : tokens.sign(i, ')') ? -1 : 0;
            if (depth == 0 && i > from && starts(tokens.word(i)) && tokens.word(i) != Keyword.SELECT) {
                break;
            }
            if (depth == 0 && makesTable(from, i)) {
                tokens.goTo(i + 1);
                PlacedName table = names.placed();
                return tables.ofQuery(table, false, false, false, from);
            }
        }
        return ParsedStatement.whole(settings.query(from));
    }

    /** Whether a query puts its rows into a new table that stays, named behind a token. */
    private boolean makesTable(int from, int into) {
        Keyword next = tokens.word(into + 1);
        return tokens.word(into) == Keyword.INTO && tokens.word(from) == Keyword.SELECT && tokens.isName(into + 1)
                && next != Keyword.TEMP && next != Keyword.TEMPORARY && next != Keyword.UNLOGGED
                && !tokens.nameAt(into + 1).startsWith("#") && !tokens.nameAt(into + 1).startsWith("@");
    }

    // texts with statements in them

    private StatementParser inner(String text, StatementSplitter splitter) {
        StatementParser inner = new StatementParser(splitter, new StatementCursor(splitter, text, syntax), syntax);
        inner.depth = depth + 1;
        return inner;
    }

    /** Reads the statements in the text at a token, all of them under a condition; nothing where texts nest deep. */
    Optional<Block.Part> nested(int token) {
        if (depth >= MAX_DEPTH) {
            return Optional.empty();
        }
        String text = tokens.stringAt(token);
        StatementSplitter splitter = new StatementSplitter(text, syntax);
        StatementParser inner = inner(text, splitter);
        inner.conditional = true;
        TokenizedStatement statement = new TokenizedStatement();
        while (splitter.next(statement)) {
            inner.append(statement);
        }
        return Optional.of(new Block.Part(text, tokens.offset(token) + 1, inner.statements));
    }

    /**
     * Reads the body of an anonymous block (PostgreSQL manual, chapter “PL/pgSQL”).
     *
     * @return whether everything that it does is now known
     */
    boolean procedural(String text, List<ScriptStatement> into) {
        if (depth >= MAX_DEPTH) {
            return false;
        }
        StatementSplitter splitter = new StatementSplitter(text, syntax);
        StatementParser inner = inner(text, splitter);
        inner.statements = into;
        boolean guarded = text.toUpperCase(Locale.ROOT).contains("EXCEPTION");
        TokenizedStatement statement = new TokenizedStatement();
        boolean whole = true;
        int conditions = 0;
        while (splitter.next(statement)) {
            if (statement.isClientCommand()) {
                whole = false;
                continue;
            }
            inner.cut = statement;
            inner.tokens.read(statement);
            conditions = inner.control(guarded, conditions);
            whole &= inner.tokens.atEnd() || inner.done();
        }
        return whole;
    }

    /** Passes words that only say when a statement of a block is run; gives how many conditions are open behind it. */
    private int control(boolean guarded, int open) {
        int conditions = open;
        conditional = guarded || conditions > 0;
        while (!tokens.atEnd()) {
            switch (tokens.word()) {
                case BEGIN, ELSE, EXCEPTION -> tokens.advance();
                case IF, WHEN -> {
                    conditions += tokens.is(Keyword.IF) ? 1 : 0;
                    conditional = true;
                    toThen();
                }
                case END -> {
                    conditions -= tokens.ahead(1) == Keyword.IF ? 1 : 0;
                    tokens.toEnd();
                }
                default -> {
                    if (!tokens.is("ELSIF")) {
                        return conditions;
                    }
                    toThen();
                }
            }
        }
        return conditions;
    }

    private void toThen() {
        while (!tokens.atEnd() && !tokens.is(Keyword.THEN)) {
            tokens.advance();
        }
        tokens.advance();
    }

    /** Reads a statement of a block; false if it does something that is not known before it runs. */
    private boolean done() {
        switch (tokens.word()) {
            case CREATE, ALTER, DROP, COMMENT -> {
                all();
                return true;
            }
            case EXECUTE -> {
                int text = tokens.at() + 1;
                boolean plain = tokens.kind(text) == Kind.STRING && text + 1 >= tokens.limit();
                if (plain) {
                    nested(text).ifPresent(part -> emit(text - 1, new Block(List.of(part), Optional.empty())));
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
                return tokens.is("RAISE") || tokens.is("PERFORM")
                        || tokens.sign(tokens.at() + 1, ':') || tokens.sign(tokens.at() + 1, '=');
            }
        }
    }
}
