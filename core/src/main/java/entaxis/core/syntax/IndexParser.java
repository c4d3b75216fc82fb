package entaxis.core.syntax;

import entaxis.core.expression.Expression;
import entaxis.core.schema.IndexOrdering.NullPlace;
import entaxis.core.schema.IndexOrdering;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.sql.Dialect;
import entaxis.core.statement.ColumnClause;
import entaxis.core.statement.IndexDefinition;
import entaxis.core.token.Keyword;
import entaxis.core.token.Token.Kind;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalInt;
import java.util.Optional;

/** Reads indexes: their columns and expressions, and the rows that they cover. */
final class IndexParser {
    private final StatementCursor tokens;
    private final ScriptSyntax syntax;
    private final Dialect dialect;
    private final NumberParser numbers;
    private final NameParser names;
    private final ExpressionParser expressions;
    private final ClauseEnds clauseEnds;

    IndexParser(StatementCursor tokens, ScriptSyntax syntax, NameParser names, NumberParser numbers,
            ExpressionParser expressions, ClauseEnds clauseEnds) {
        this.tokens = tokens;
        this.syntax = syntax;
        this.dialect = Dialect.of(syntax.engine());
        this.names = names;
        this.numbers = numbers;
        this.expressions = expressions;
        this.clauseEnds = clauseEnds;
    }

    /**
     * Reads an index from its name on, where it stands among the columns of its table; nothing where it is one that
     * orders nothing.
     */
    Optional<IndexDefinition> amongColumns(String method) {
        boolean inline = syntax.takes(SyntaxRule.INLINE_INDEXES);
        String name = "";
        if (!tokens.sign('(') && !tokens.is(Keyword.USING)) {
            tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
            name = tokens.name();
        }
        boolean unique = inline && tokens.accept(Keyword.UNIQUE);
        clauseEnds.clustering();
        if (inline && tokens.accept("COLUMNSTORE")) {
            columnStore();
            return Optional.empty();
        }
        clauseEnds.indexMethod();
        List<IndexColumn> columns = columns();
        Optional<Expression> predicate = Optional.empty();
        if (inline) {
            if (tokens.accept(Keyword.INCLUDE)) {
                tokens.skipRound();
            }
            predicate = predicate();
        }
        clauseEnds.constraintEnd();
        return Optional.of(new IndexDefinition(name, unique, columns, method, predicate, List.of()));
    }

    private Optional<Expression> predicate() {
        return tokens.accept(Keyword.WHERE) ? Optional.of(expressions.expression()) : Optional.empty();
    }

    /** Transact-SQL Reference, CREATE TABLE, table_index: a column store keeps rows, it orders nothing. */
    private void columnStore() {
        if (tokens.sign('(')) {
            tokens.skipRound();
        }
        if (tokens.accept(Keyword.ORDER)) {
            tokens.skipRound();
        }
        clauseEnds.constraintEnd();
    }

    /** Reads an index behind a column (Transact-SQL Reference, CREATE TABLE, column_index). */
    ColumnClause.Index ofColumn() {
        String name = tokens.name();
        boolean unique = tokens.accept(Keyword.UNIQUE);
        clauseEnds.clustering();
        Optional<Expression> predicate = predicate();
        clauseEnds.constraintEnd();
        return new ColumnClause.Index(name, unique, predicate);
    }

    /** Reads the columns and expressions that an index is ordered by. */
    List<IndexColumn> columns() {
        tokens.expectSign('(');
        List<IndexColumn> columns = new ArrayList<>(2);
        do {
            columns.add(column());
        } while (tokens.acceptSign(','));
        tokens.expectSign(')');
        return columns;
    }

    /** Reads what an exclusion constraint is about: parts of an index, each with the operator that may not hold. */
    List<IndexColumn> excludedColumns() {
        tokens.expectSign('(');
        List<IndexColumn> columns = new ArrayList<>(2);
        do {
            IndexColumn column = column();
            tokens.expect(Keyword.WITH);
            int from = tokens.at();
            tokens.skipElement();
            columns.add(column.excluding(tokens.text(from, tokens.at())));
        } while (tokens.acceptSign(','));
        tokens.expectSign(')');
        return columns;
    }

    private IndexColumn column() {
        int from = tokens.at();
        boolean plain = tokens.isName(from) && !tokens.sign(from + 1, '.')
                && !(tokens.sign(from + 1, '(') && !prefixAt(from + 1)) && (columnEnds(from + 1) || prefixAt(from + 1));
        OptionalInt prefix = OptionalInt.empty();
        IndexColumn column;
        if (plain) {
            column = new IndexColumn(tokens.name(), false);
            if (tokens.acceptSign('(')) {
                prefix = OptionalInt.of((int) Math.min(Integer.MAX_VALUE, numbers.wholeNumber()));
                tokens.expectSign(')');
            }
        } else {
            column = IndexColumn.of(expression(from));
        }
        return ordered(column.beginning(prefix));
    }

    /** How a part is ordered, as far as an engine keeps it; what goes without saying is left out. */
    private IndexColumn ordered(IndexColumn column) {
        boolean classes = syntax.takes(SyntaxRule.OPERATOR_CLASSES);
        boolean falling = false;
        String collation = "";
        String operatorClass = "";
        Optional<NullPlace> nulls = Optional.empty();
        while (!tokens.atEnd() && !tokens.sign(',') && !tokens.sign(')') && !tokens.is(Keyword.WITH)) {
            if (tokens.accept(Keyword.DESC)) {
                falling = true;
            } else if (classes && tokens.accept(Keyword.NULLS)) {
                nulls = Optional.of(tokens.is(Keyword.FIRST) ? NullPlace.FIRST : NullPlace.LAST);
                tokens.skipToken();
            } else if (classes && tokens.accept(Keyword.COLLATE)) {
                collation = names.qualified().name();
            } else if (classes && !tokens.is(Keyword.ASC) && tokens.isName(tokens.at())) {
                operatorClass = operatorClass();
            } else {
                tokens.skipToken();
            }
        }
        NullPlace usual = falling ? NullPlace.FIRST : NullPlace.LAST;
        return column.falling(falling)
                .ordered(new IndexOrdering(collation, operatorClass, nulls.filter(place -> place != usual)));
    }

    /** An operator class with its options; empty for one that goes without saying. */
    private String operatorClass() {
        String name = names.qualified().name().toLowerCase(Locale.ROOT);
        if (!tokens.sign('(')) {
            return syntax.defaultOperatorClasses().contains(name) ? "" : name;
        }
        StringBuilder options = new StringBuilder(name);
        int open = tokens.at();
        tokens.skipRound();
        for (int token = open; token < tokens.at(); token++) {
            options.append(tokens.token(token).text());
        }
        return options.toString();
    }

    private Expression expression(int from) {
        boolean called = false;
        while (!tokens.atEnd() && !tokens.sign(',') && !tokens.sign(')') && !called
                && !(tokens.at() > from && (orderWord(tokens.at()) || tokens.is(Keyword.WITH)))) {
            called = syntax.takes(SyntaxRule.OPERATOR_CLASSES) && tokens.sign('(');
            tokens.skipToken();
        }
        Expression expression = expressions.withoutBrackets(from, tokens.at());
        if (expression.text().isEmpty()) {
            throw tokens.unreadable("a column is expected here");
        }
        return expression;
    }

    private boolean prefixAt(int token) {
        return dialect.prefixIndexes() && tokens.sign(token, '(')
                && tokens.kind(token + 1) == Kind.NUMBER
                && tokens.sign(token + 2, ')');
    }

    private boolean columnEnds(int token) {
        return token >= tokens.limit() || tokens.sign(token, ',') || tokens.sign(token, ')') || orderWord(token)
                || tokens.kind(token) == Kind.WORD;
    }

    private boolean orderWord(int token) {
        Keyword word = tokens.word(token);
        return word == Keyword.ASC || word == Keyword.DESC || word == Keyword.NULLS || word == Keyword.COLLATE;
    }
}
