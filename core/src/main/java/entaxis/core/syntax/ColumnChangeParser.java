package entaxis.core.syntax;

import entaxis.core.statement.AlterTableAction;
import entaxis.core.statement.ColumnClause;
import entaxis.core.statement.TypeName;
import entaxis.core.token.Keyword;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reads MODIFY and CHANGE of ALTER TABLE, which redefine a column. */
final class ColumnChangeParser {
    private final StatementCursor tokens;
    private final ScriptSyntax syntax;
    private final ElementParsers parsers;

    ColumnChangeParser(StatementCursor tokens, ScriptSyntax syntax, ElementParsers parsers) {
        this.tokens = tokens;
        this.syntax = syntax;
        this.parsers = parsers;
    }

    /** MySQL manual, ALTER TABLE: FIRST and AFTER; H2 manual: BEFORE. */
    Optional<AlterTableAction.Position> position() {
        if (tokens.accept(Keyword.FIRST)) {
            return Optional.of(new AlterTableAction.Position.First());
        }
        boolean behind = tokens.is(Keyword.AFTER);
        if (!behind && !tokens.is(Keyword.BEFORE)) {
            return Optional.empty();
        }
        tokens.advance();
        int place = tokens.place();
        return Optional.of(new AlterTableAction.Position.Beside(tokens.name(), place, behind));
    }

    /** Reads MODIFY from behind that word. */
    void modify(List<AlterTableAction> into) {
        tokens.accept(Keyword.COLUMN);
        tokens.accept(Keyword.IF, Keyword.EXISTS);
        boolean keepsTheRest = syntax.takes(SyntaxRule.MODIFY_KEEPS_THE_REST);
        if (keepsTheRest && passedConstraint()) {
            return;
        }
        boolean round = tokens.acceptSign('(');
        do {
            int place = tokens.place();
            if (keepsTheRest) {
                keeping(into, place);
            } else {
                redefine(into, Optional.empty(), place);
            }
        } while (round && tokens.acceptSign(','));
        if (round) {
            tokens.expectSign(')');
        }
    }

    /** Oracle Database SQL Language Reference, ALTER TABLE: MODIFY CONSTRAINT switches a constraint on and off. */
    private boolean passedConstraint() {
        boolean unique = tokens.is(Keyword.UNIQUE) && tokens.sign(tokens.at() + 1, '(');
        if (!unique && !tokens.is(Keyword.CONSTRAINT) && !tokens.is(Keyword.PRIMARY, Keyword.KEY)) {
            return false;
        }
        tokens.advance(unique ? 1 : 2);
        if (tokens.sign('(')) {
            tokens.skipRound();
        }
        parsers.clauseEnds().constraintEnd();
        return true;
    }

    private void keeping(List<AlterTableAction> into, int place) {
        String name = tokens.name();
        boolean typed = parsers.types().begins() && !tokens.is(Keyword.ENABLE) && !tokens.is(Keyword.DISABLE);
        Optional<TypeName> type = typed ? Optional.of(parsers.types().type()) : Optional.empty();
        List<ColumnClause> clauses = new ArrayList<>(2);
        try {
            parsers.columns().clauses(clauses);
        } finally {
            into.add(new AlterTableAction.ModifyColumn(name, place, type, clauses));
        }
    }

    /** Reads CHANGE from behind that word. */
    void change(List<AlterTableAction> into) {
        tokens.accept(Keyword.COLUMN);
        tokens.accept(Keyword.IF, Keyword.EXISTS);
        int place = tokens.place();
        redefine(into, Optional.of(tokens.name()), place);
    }

    private void redefine(List<AlterTableAction> into, Optional<String> before, int place) {
        int change = into.size();
        parsers.columns().column(column -> into.add(
                new AlterTableAction.ChangeColumn(before.orElse(column.name()), place, column, Optional.empty())));
        position().ifPresent(
                position -> into.set(change, ((AlterTableAction.ChangeColumn) into.get(change)).at(position)));
    }
}
