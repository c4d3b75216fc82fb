package entaxis.core.syntax;

import entaxis.core.statement.AlterTableAction;
import entaxis.core.statement.AlterTable;
import entaxis.core.statement.PlacedName;
import entaxis.core.statement.TableConstraint;
import entaxis.core.token.Keyword;
import entaxis.core.token.Token.Kind;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reads ALTER TABLE: ISO/IEC 9075-2, 11.10 to 11.30, and what each engine's manual has beside. */
final class AlterTableParser {
    private final StatementCursor tokens;
    private final ScriptSyntax syntax;
    private final ElementParsers parsers;
    private final StatementEnd statementEnd;
    private final AlterColumnParser columns;
    private final DropClauseParser drops;
    private final ColumnChangeParser columnChanges;
    /** The changes of the statement that is being read. */
    private List<AlterTableAction> changes = new ArrayList<>();
    private int begin;

    AlterTableParser(StatementCursor tokens, ScriptSyntax syntax, ElementParsers parsers, StatementEnd statementEnd) {
        this.tokens = tokens;
        this.syntax = syntax;
        this.parsers = parsers;
        this.statementEnd = statementEnd;
        this.columns = new AlterColumnParser(tokens, syntax, parsers);
        this.drops = new DropClauseParser(tokens, syntax);
        this.columnChanges = new ColumnChangeParser(tokens, syntax, parsers);
    }

    /** Reads ALTER TABLE from behind those words. */
    ParsedStatement alter(int from) {
        begin = from;
        if (tokens.is(Keyword.ALL)) {
            return ParsedStatement.whole(statementEnd.skip(from, "storage options"));
        }
        boolean ifExists = tokens.accept(Keyword.IF, Keyword.EXISTS);
        boolean only = tokens.accept(Keyword.ONLY);
        PlacedName name = parsers.names().placed();
        tokens.acceptSign('*');
        changes = new ArrayList<>(1);
        Optional<SyntaxException> error = Optional.empty();
        try {
            all();
        } catch (SyntaxException reason) {
            error = Optional.of(reason);
        }
        return new ParsedStatement(new AlterTable(name, ifExists, only, changes), error);
    }

    private void all() {
        if (tokens.atEnd()) {
            throw tokens.unreadable("the statement ends before it says what to change");
        }
        Keyword verb = Keyword.NONE;
        boolean more = true;
        while (more) {
            boolean repeated = syntax.takes(SyntaxRule.ALTER_LISTS)
                    && (verb == Keyword.ADD && !isVerb(tokens.word()) || verb == Keyword.DROP
                            && (tokens.is(Keyword.CONSTRAINT) || tokens.is(Keyword.COLUMN)));
            if (!repeated) {
                verb = tokens.word();
            }
            boolean passed = change(verb, repeated);
            if (passed) {
                return;
            }
            verb = verb == Keyword.WITH ? Keyword.ADD : verb;
            more = tokens.acceptSign(',') || syntax.takes(SyntaxRule.ACTIONS_WITHOUT_COMMA) && !tokens.atEnd()
                    && isVerb(tokens.word());
        }
    }

    /** Whether a word begins a change of a table. */
    private static boolean isVerb(Keyword word) {
        return switch (word) {
            case ADD, DROP, ALTER, MODIFY, CHANGE, RENAME, ENABLE, DISABLE -> true;
            default -> false;
        };
    }

    /** Passes the rest of the statement, which says nothing that is kept. */
    private boolean skip(String kind) {
        statementEnd.pass(begin);
        changes.add(new AlterTableAction.Skip(kind));
        return true;
    }

    /** Reads one change; true if the rest of the statement was passed with it. */
    private boolean change(Keyword verb, boolean repeated) {
        if (!repeated && (verb == Keyword.ADD || verb == Keyword.DROP)) {
            tokens.advance();
        }
        switch (verb) {
            case ADD -> {
                return add();
            }
            case DROP -> {
                return drop();
            }
            case ALTER -> {
                tokens.advance();
                return columns.change(changes).map(this::skip).orElse(false);
            }
            case MODIFY -> {
                tokens.advance();
                columnChanges.modify(changes);
            }
            case CHANGE -> {
                tokens.advance();
                columnChanges.change(changes);
            }
            case RENAME -> {
                tokens.advance();
                changes.add(rename());
            }
            case WITH -> {
                return withCheck();
            }
            case INHERIT, NO, ATTACH, DETACH -> changes.add(inheritance(verb));
            default -> {
                return setting(verb);
            }
        }
        return false;
    }

    private boolean drop() {
        if (syntax.takes(SyntaxRule.UNUSED_COLUMNS) && tokens.is("UNUSED")) {
            return skip("storage options");
        }
        if (tokens.is(Keyword.PARTITION)) {
            return skip("partitioning");
        }
        drops.drop(changes);
        return false;
    }

    /** Transact-SQL Reference, ALTER TABLE: WITH CHECK and WITH NOCHECK before ADD. */
    private boolean withCheck() {
        tokens.advance();
        if (!tokens.accept(Keyword.CHECK) && !tokens.accept(Keyword.NOCHECK)) {
            return skip("storage options");
        }
        return tokens.accept(Keyword.ADD) ? add() : skip("checking of a constraint");
    }

    /** PostgreSQL manual, ALTER TABLE: what a table inherits from, and its partitions. */
    private AlterTableAction inheritance(Keyword verb) {
        tokens.advance();
        return switch (verb) {
            case INHERIT -> new AlterTableAction.Inherit(parsers.names().qualified());
            case NO -> {
                tokens.advance();
                yield new AlterTableAction.NoInherit(parsers.names().qualified());
            }
            case ATTACH -> {
                tokens.expect(Keyword.PARTITION);
                PlacedName part = parsers.names().placed();
                yield new AlterTableAction.AttachPartition(part, parsers.partitions().bound());
            }
            default -> {
                tokens.advance();
                AlterTableAction detached = new AlterTableAction.DetachPartition(parsers.names().qualified());
                tokens.accept(Keyword.CONCURRENTLY);
                tokens.accept(Keyword.FINALLY);
                yield detached;
            }
        };
    }

    private boolean setting(Keyword verb) {
        switch (verb) {
            case CHECK, NOCHECK -> {
                return skip("checking of a constraint");
            }
            case OWNER -> {
                return owner();
            }
            case ENABLE, DISABLE -> {
                return skip(tokens.ahead(1) == Keyword.ROW ? "row security" : "switching on and off");
            }
            case REPLICA, CLUSTER, VALIDATE, FORCE, LOCK, ALGORITHM, ENGINE, CONVERT, ORDER, PARTITION, SWITCH, STORAGE,
                    ROW, TABLESPACE, DEFAULT, CHARACTER, CHARSET, COLLATE, TRUNCATE, READ, CACHE, NOCACHE, LOGGING,
                    NOLOGGING, ANALYZE, OPTIONS, WITHOUT, COMPRESSION, NOT -> {
                return other(verb);
            }
            case SET -> {
                return set();
            }
            case COMMENT -> {
                tokens.advance();
                tokens.acceptSign('=');
                changes.add(new AlterTableAction.SetComment(tokens.string()));
            }
            case AUTO_INCREMENT -> {
                tokens.advance();
                tokens.acceptSign('=');
                changes.add(new AlterTableAction.SetFirstNumber(parsers.numbers().wholeNumber()));
            }
            default -> {
                boolean word = tokens.kind() == Kind.WORD;
                if (tokens.sign(tokens.at() + 1, '=') || word && syntax.takes(SyntaxRule.STORAGE_WORDS)
                        || tokens.is("REBUILD") || tokens.is("RESET")) {
                    return skip("storage options");
                }
                throw tokens.unreadable("this change of a table is not known here");
            }
        }
        return false;
    }

    private boolean owner() {
        if (tokens.ahead(1) == Keyword.TO && tokens.isName(tokens.at() + 2)) {
            changes.add(new AlterTableAction.OwnerTo(tokens.nameAt(tokens.at() + 2)));
        }
        return skip("owner");
    }

    private boolean set() {
        tokens.advance();
        if (syntax.takes(SyntaxRule.UNUSED_COLUMNS) && tokens.accept("UNUSED")) {
            drops.columns(changes);
            return false;
        }
        if (tokens.accept(Keyword.SCHEMA)) {
            changes.add(new AlterTableAction.SetSchema(tokens.name()));
            return false;
        }
        return skip("storage options");
    }

    private boolean other(Keyword verb) {
        int depth = 0;
        for (int i = tokens.at(); i < tokens.limit() && syntax.takes(SyntaxRule.ACTIONS_PASSED_SINGLY); i++) {
            depth += tokens.sign(i, '(') ? 1 : tokens.sign(i, ')') ? -1 : 0;
            if (depth == 0 && tokens.sign(i, ',') && isVerb(tokens.word(i + 1))) {
                tokens.goTo(i);
                return false;
            }
        }
        return skip(switch (verb) {
            case VALIDATE -> "checking of a constraint";
            case CLUSTER -> "maintenance";
            case REPLICA -> "replication";
            default -> "storage options";
        });
    }

    // ADD

    private boolean add() {
        if (tokens.accept(Keyword.COLUMN)) {
            boolean ifAbsent = tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
            if (tokens.acceptSign('(')) {
                inRound();
            } else {
                column(ifAbsent);
            }
            return false;
        }
        if (tokens.is(Keyword.PARTITION) || tokens.is("SUPPLEMENTAL") || tokens.is("SYSTEM")
                || tokens.is(Keyword.PERIOD) && syntax.takes(SyntaxRule.SYSTEM_PERIODS)) {
            return skip(tokens.is(Keyword.PARTITION) ? "partitioning" : "storage options");
        }
        if (parsers.constraints().begins()
                || tokens.is(Keyword.DEFAULT) && syntax.takes(SyntaxRule.DEFAULT_CONSTRAINTS)) {
            constraint();
        } else if (tokens.acceptSign('(')) {
            inRound();
        } else {
            column(tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS));
        }
        return false;
    }

    private void constraint() {
        boolean ifAbsent = tokens.is(Keyword.CONSTRAINT, Keyword.IF);
        String name = "";
        Optional<TableConstraint> constraint;
        if (ifAbsent) {
            tokens.advance(4);
            name = tokens.name();
            constraint = parsers.constraints().named(name);
        } else {
            constraint = parsers.constraints().constraint();
        }
        String named = name;
        constraint.ifPresent(own -> changes.add(new AlterTableAction.AddConstraint(own, named, ifAbsent)));
    }

    private void inRound() {
        do {
            if (parsers.constraints().begins()) {
                constraint();
            } else {
                column(false);
            }
        } while (tokens.acceptSign(','));
        tokens.expectSign(')');
    }

    private void column(boolean ifAbsent) {
        int before = changes.size();
        parsers.columns()
                .column(column -> changes.add(new AlterTableAction.AddColumn(column, Optional.empty(), ifAbsent)));
        columnChanges.position().ifPresent(position -> changes.set(before,
                ((AlterTableAction.AddColumn) changes.get(before)).at(position)));
    }

    // RENAME

    private AlterTableAction rename() {
        if (tokens.accept(Keyword.CONSTRAINT)) {
            int place = tokens.place();
            String before = tokens.name();
            tokens.expect(Keyword.TO);
            return new AlterTableAction.RenameConstraint(before, place, tokens.name());
        }
        if (syntax.takes(SyntaxRule.INDEXES_ALTERED_WITH_TABLE)
                && (tokens.accept(Keyword.INDEX) || tokens.accept(Keyword.KEY))) {
            String before = tokens.name();
            tokens.expect(Keyword.TO);
            return new AlterTableAction.RenameIndex(before, tokens.name());
        }
        boolean column = tokens.accept(Keyword.COLUMN) || !tokens.is(Keyword.TO) && !tokens.is(Keyword.AS)
                && tokens.isName(tokens.at()) && tokens.ahead(1) == Keyword.TO;
        if (column) {
            tokens.accept(Keyword.IF, Keyword.EXISTS);
            int place = tokens.place();
            String before = tokens.name();
            tokens.expect(Keyword.TO);
            return new AlterTableAction.RenameColumn(before, place, tokens.name());
        }
        if (!tokens.accept(Keyword.TO)) {
            tokens.accept(Keyword.AS);
        }
        return new AlterTableAction.RenameTo(parsers.names().qualified());
    }
}
