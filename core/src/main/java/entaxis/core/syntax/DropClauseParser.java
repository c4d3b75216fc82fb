package entaxis.core.syntax;

import entaxis.core.statement.AlterTableAction;
import entaxis.core.token.Keyword;
import java.util.List;

/** Reads DROP of ALTER TABLE. */
final class DropClauseParser {
    private final StatementCursor tokens;
    private final ScriptSyntax syntax;

    DropClauseParser(StatementCursor tokens, ScriptSyntax syntax) {
        this.tokens = tokens;
        this.syntax = syntax;
    }

    /** Reads what is dropped, from behind DROP. */
    void drop(List<AlterTableAction> into) {
        if (tokens.is("SYSTEM") && tokens.is(tokens.at() + 1, "VERSIONING")) {
            tokens.advance(2);
            return;
        }
        switch (tokens.word()) {
            case CONSTRAINT -> constraints(into);
            case PRIMARY -> {
                tokens.advance();
                tokens.expect(Keyword.KEY);
                into.add(new AlterTableAction.DropPrimaryKey());
                tail();
            }
            case UNIQUE -> {
                tokens.advance();
                into.add(new AlterTableAction.DropUnique(tokens.names()));
                tail();
            }
            case INDEX, KEY -> {
                if (!syntax.takes(SyntaxRule.INDEXES_ALTERED_WITH_TABLE)) {
                    columns(into);
                    return;
                }
                tokens.advance();
                boolean ifExists = tokens.accept(Keyword.IF, Keyword.EXISTS);
                int place = tokens.place();
                into.add(new AlterTableAction.DropIndex(tokens.name(), place, ifExists));
            }
            case FOREIGN -> {
                tokens.advance();
                tokens.expect(Keyword.KEY);
                boolean ifExists = tokens.accept(Keyword.IF, Keyword.EXISTS);
                int place = tokens.place();
                into.add(new AlterTableAction.DropForeignKey(tokens.name(), place, ifExists));
            }
            case CHECK -> {
                tokens.advance();
                into.add(constraint(false));
            }
            case PERIOD -> {
                tokens.advance(2);
                into.add(new AlterTableAction.DropPeriod(tokens.name()));
            }
            default -> columns(into);
        }
    }

    private AlterTableAction constraint(boolean ifExists) {
        int place = tokens.place();
        String name = tokens.name();
        return new AlterTableAction.DropConstraint(name, place, ifExists, tokens.is(Keyword.CASCADE));
    }

    private void constraints(List<AlterTableAction> into) {
        tokens.advance();
        boolean ifExists = tokens.accept(Keyword.IF, Keyword.EXISTS);
        boolean lists = syntax.takes(SyntaxRule.ALTER_LISTS);
        do {
            into.add(constraint(ifExists));
            if (lists && tokens.sign(',') && tokens.ahead(1) == Keyword.COLUMN) {
                return;
            }
        } while (lists && tokens.acceptSign(','));
        tail();
    }

    private void tail() {
        if (tokens.accept(Keyword.CASCADE)) {
            tokens.accept("CONSTRAINTS");
        } else {
            tokens.accept(Keyword.RESTRICT);
        }
        if (syntax.takes(SyntaxRule.INDEX_BEHIND_DROPPED_CONSTRAINT)
                && (tokens.accept(Keyword.KEEP) || tokens.accept(Keyword.DROP))) {
            tokens.accept(Keyword.INDEX);
        }
        if (tokens.is(Keyword.WITH) && tokens.sign(tokens.at() + 1, '(')) {
            tokens.advance();
            tokens.skipRound();
        }
    }

    /** Reads columns that are dropped. */
    void columns(List<AlterTableAction> into) {
        tokens.accept(Keyword.COLUMN);
        boolean ifExists = tokens.accept(Keyword.IF, Keyword.EXISTS);
        boolean round = tokens.acceptSign('(');
        boolean lists = syntax.takes(SyntaxRule.ALTER_LISTS);
        do {
            boolean next = lists && tokens.sign(tokens.at() - 1, ',')
                    && (tokens.is(Keyword.CONSTRAINT) || tokens.is(Keyword.COLUMN));
            if (next) {
                tokens.advance(-1);
                break;
            }
            int place = tokens.place();
            String name = tokens.name();
            into.add(new AlterTableAction.DropColumn(name, place, ifExists, lists, tokens.is(Keyword.CASCADE)));
        } while ((round || lists) && tokens.acceptSign(','));
        if (round) {
            tokens.expectSign(')');
        }
        tail();
    }
}
