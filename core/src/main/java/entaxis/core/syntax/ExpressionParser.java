package entaxis.core.syntax;

import entaxis.core.expression.Expression;
import entaxis.core.token.Keyword;
import entaxis.core.token.Token.Kind;

/** Finds where expressions end, which are kept as texts. */
final class ExpressionParser {
    private static final int MAX_BRACKETS = 3;
    private final StatementCursor tokens;

    ExpressionParser(StatementCursor tokens) {
        this.tokens = tokens;
    }

    /**
     * SQL Server documentation, CREATE TABLE, computed_column_definition: the expression needs no brackets around it
     * and ends where a clause begins.
     */
    Expression unbracketed() {
        int from = tokens.at();
        while (!tokens.atEnd() && !tokens.sign(',') && !tokens.sign(')') && !endsComputed()) {
            tokens.skipToken();
        }
        if (tokens.at() == from) {
            throw tokens.unreadable("an expression is expected here");
        }
        boolean whole = tokens.sign(from, '(') && closes(from) == tokens.at();
        return Expression.of(whole ? tokens.text(from + 1, tokens.at() - 1) : tokens.text(from, tokens.at()));
    }

    private boolean endsComputed() {
        return switch (tokens.word()) {
            case PERSISTED, CONSTRAINT, PRIMARY, UNIQUE, CHECK, FOREIGN, REFERENCES -> true;
            case NOT -> tokens.ahead(1) == Keyword.NULL;
            default -> false;
        };
    }

    /** Where the bracket that opens at a place has been closed. */
    int closes(int open) {
        int here = tokens.at();
        tokens.goTo(open);
        tokens.skipRound();
        int behind = tokens.at();
        tokens.goTo(here);
        return behind;
    }

    /** Reads an expression up to the clause, comma or bracket that ends it. */
    Expression expression() {
        int from = tokens.at();
        while (!tokens.atEnd() && !tokens.sign(',') && !tokens.sign(')')) {
            if (tokens.sign('(')) {
                tokens.skipRound();
            } else if (tokens.sign('[')) {
                tokens.skipSquare();
            } else if (tokens.at() > from && ends(tokens.word(), from)) {
                break;
            } else {
                tokens.advance();
            }
        }
        if (tokens.at() == from) {
            throw tokens.unreadable("an expression is expected here");
        }
        return Expression.of(tokens.text(from, tokens.at()));
    }

    /** Reads a condition or expression in round brackets. */
    Expression inRound() {
        return Expression.of(tokens.inRound());
    }

    private boolean ends(Keyword word, int from) {
        Keyword next = tokens.ahead(1);
        Keyword before = tokens.word(tokens.at() - 1);
        return switch (word) {
            case NONE -> false;
            case NOT -> next == Keyword.NULL || next == Keyword.DEFERRABLE || next == Keyword.FOR
                    || next == Keyword.ENFORCED || next == Keyword.VALID;
            case NULL -> tokens.kind(tokens.at() - 1) != Kind.SYMBOL || tokens.sign(tokens.at() - 1, ')')
                    || tokens.sign(tokens.at() - 1, ']')
                            ? before != Keyword.IS && before != Keyword.NOT && before != Keyword.THEN
                                    && before != Keyword.ELSE
                            : false;
            case WITH -> next != Keyword.TIME;
            case WITHOUT -> next != Keyword.TIME;
            case FOR -> before != Keyword.VALUE;
            case ON, CONSTRAINT, PRIMARY, UNIQUE, CHECK, REFERENCES, COLLATE, GENERATED, COMMENT, AUTO_INCREMENT,
                    AUTOINCREMENT, DEFERRABLE, INITIALLY, IDENTITY, ENABLE, DISABLE, STORED,
                    VIRTUAL, PERSISTED, VISIBLE, INVISIBLE, FIRST, AFTER, BEFORE, COLUMN_FORMAT, STORAGE, SPARSE,
                    ROWGUIDCOL, USING, SELECTIVITY, DEFAULT, RENAME, ADD, MODIFY -> true;
            case KEY -> tokens.at() > from;
            default -> false;
        };
    }

    /** An expression without the brackets around the whole of it, of which there may be a few. */
    Expression withoutBrackets(int begin, int end) {
        int from = begin;
        int to = end;
        for (int pairs = 0; pairs < MAX_BRACKETS && wrapped(from, to); pairs++) {
            from++;
            to--;
        }
        return Expression.of(tokens.text(from, to));
    }

    private boolean wrapped(int from, int to) {
        int depth = 0;
        boolean wrapped = to - from > 2 && tokens.sign(from, '(') && tokens.sign(to - 1, ')');
        for (int i = from; wrapped && i < to - 1; i++) {
            depth += tokens.sign(i, '(') ? 1 : tokens.sign(i, ')') ? -1 : 0;
            wrapped = depth > 0;
        }
        return wrapped;
    }
}
