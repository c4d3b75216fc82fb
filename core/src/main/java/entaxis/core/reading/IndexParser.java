package entaxis.core.reading;

import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.schema.TableIndex;
import entaxis.core.sql.IndexOrdering;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;

/** Reads indexes: their columns and expressions, and the rows that they cover. */
final class IndexParser {
    private final TokenCursor tokens;
    private final SchemaBuilder builder;
    private final ImpliedNames implied;
    private final NumberParser numbers;
    private final ExpressionParser expressions;
    private final ClauseEnds clauseEnds;

    IndexParser(TokenCursor tokens, SchemaBuilder builder, ImpliedNames implied, NumberParser numbers,
            ExpressionParser expressions, ClauseEnds clauseEnds) {
        this.tokens = tokens;
        this.builder = builder;
        this.implied = implied;
        this.numbers = numbers;
        this.expressions = expressions;
        this.clauseEnds = clauseEnds;
    }

    /**
     * What an index is named after: its columns, for an expression the function that it calls (PostgreSQL, as its
     * source makes names).
     */
    static List<String> nameParts(List<IndexColumn> columns) {
        return columns.stream().map(column -> {
            int call = column.expression() ? column.name().indexOf('(') : -1;
            String function = call > 0 ? column.name().substring(0, call) : "";
            return !column.expression() ? column.name() : function.matches("\\w+") ? function.toLowerCase(Locale.ROOT)
                    : "expr";
        }).toList();
    }

    // indexes

    /** Reads an index from its name on, where it stands among the columns of its table. */
    void index(TableBuilder table, boolean unique, String method) {
        String name = "";
        if (!tokens.sign('(') && !tokens.is(Keyword.USING)) {
            tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
            name = tokens.name();
        }
        boolean isUnique = unique || builder.takes(SyntaxRule.INLINE_INDEXES) && tokens.accept(Keyword.UNIQUE);
        clauseEnds.clustering();
        if (builder.takes(SyntaxRule.INLINE_INDEXES) && tokens.acceptReading("COLUMNSTORE")) {
            columnStore();
            return;
        }
        clauseEnds.indexMethod();
        List<IndexColumn> columns = indexColumns();
        Optional<String> predicate = Optional.empty();
        if (builder.takes(SyntaxRule.INLINE_INDEXES)) {
            if (tokens.accept(Keyword.INCLUDE)) {
                tokens.skipRound();
            }
            predicate = tokens.accept(Keyword.WHERE) ? Optional.of(expressions.expression()) : predicate;
        }
        clauseEnds.constraintEnd();
        String named = name.isEmpty() ? implied.index(table, List.of(columns.getFirst().name())) : name;
        addIndex(table, new TableIndex(named, isUnique, columns, method, predicate));
    }

    /** Transact-SQL Reference, CREATE TABLE, table_index: a column store keeps rows, it orders nothing. */
    private void columnStore() {
        if (tokens.sign('(')) {
            tokens.skipRound();
        }
        if (tokens.reads(tokens.at, "ORDER") || tokens.is(Keyword.ORDER)) {
            tokens.at++;
            tokens.skipRound();
        }
        clauseEnds.constraintEnd();
    }

    /** Reads an index behind a column (Transact-SQL Reference, CREATE TABLE, column_index). */
    void indexOf(TableBuilder table, ColumnBuilder column) {
        String name = tokens.name();
        boolean unique = tokens.accept(Keyword.UNIQUE);
        clauseEnds.clustering();
        Optional<String> predicate =
                tokens.accept(Keyword.WHERE) ? Optional.of(expressions.expression()) : Optional.empty();
        clauseEnds.constraintEnd();
        addIndex(table, new TableIndex(name, unique, List.of(new IndexColumn(column.name, false)), "", predicate));
    }

    /** Gives a table an index like one of another. */
    void copyIndex(TableBuilder table, TableIndex index) {
        addIndex(table, index.named(implied.index(table, nameParts(index.columns()))));
    }

    void addIndex(TableBuilder table, TableIndex given) {
        boolean prefixes = builder.dialect.prefixIndexes()
                && given.columns().stream().anyMatch(column -> column.prefix().isPresent());
        TableIndex index = prefixes
                ? given.over(given.columns().stream().map(column -> whole(table, column)).toList()) : given;
        table.indexes.add(index);
        builder.index(index.name(), table);
    }

    /** A prefix as long as the column is no prefix. */
    static IndexColumn whole(TableBuilder table, IndexColumn column) {
        boolean all = table.column(column.name()).filter(own -> own.type instanceof SqlType.CharacterType text
                && text.length().isPresent() && text.length().equals(column.prefix())).isPresent();
        return all ? new IndexColumn(column.name(), column.descending()) : column;
    }

    /** Reads the columns and expressions that an index is ordered by. */
    List<IndexColumn> indexColumns() {
        tokens.expectSign('(');
        List<IndexColumn> columns = new ArrayList<>(2);
        do {
            columns.add(indexColumn());
        } while (tokens.acceptSign(','));
        tokens.expectSign(')');
        return columns;
    }

    private IndexColumn indexColumn() {
        int from = tokens.at;
        boolean plain = tokens.isName(from) && !tokens.sign(from + 1, '.')
                && !(tokens.sign(from + 1, '(') && !prefixAt(from + 1)) && (columnEnds(from + 1) || prefixAt(from + 1));
        OptionalInt prefix = OptionalInt.empty();
        String name;
        if (plain) {
            name = tokens.name();
            if (tokens.sign('(')) {
                tokens.at++;
                prefix = OptionalInt.of((int) Math.min(Integer.MAX_VALUE, numbers.wholeNumber()));
                tokens.expectSign(')');
            }
        } else {
            boolean called = false;
            while (!tokens.atEnd() && !tokens.sign(',') && !tokens.sign(')') && !called
                    && !(tokens.at > from && orderWord(tokens.at))) {
                called = builder.takes(SyntaxRule.OPERATOR_CLASSES) && tokens.sign('(');
                if (tokens.sign('(')) {
                    tokens.skipRound();
                } else {
                    tokens.at++;
                }
            }
            name = expressions.withoutBrackets(from, tokens.at);
            if (name.isEmpty()) {
                throw tokens.unreadable("a column is expected here");
            }
        }
        boolean falling = false;
        int behind = tokens.at;
        while (!tokens.atEnd() && !tokens.sign(',') && !tokens.sign(')')) {
            if (tokens.accept(Keyword.DESC)) {
                falling = true;
            } else if (tokens.sign('(')) {
                tokens.skipRound();
            } else {
                tokens.at++;
            }
        }
        String ordering = builder.takes(SyntaxRule.OPERATOR_CLASSES)
                ? IndexOrdering.canonical(tokens.text(behind, tokens.at), falling) : "";
        return new IndexColumn(name, falling, !plain, prefix, ordering);
    }

    private boolean prefixAt(int token) {
        return builder.dialect.prefixIndexes() && tokens.sign(token, '(')
                && tokens.kind(token + 1) == TokenizedStatement.NUMBER
                && tokens.sign(token + 2, ')');
    }

    private boolean columnEnds(int token) {
        return token >= tokens.limit || tokens.sign(token, ',') || tokens.sign(token, ')') || orderWord(token)
                || tokens.kind(token) == TokenizedStatement.WORD;
    }

    private boolean orderWord(int token) {
        Keyword word = tokens.word(token);
        return word == Keyword.ASC || word == Keyword.DESC || word == Keyword.NULLS || word == Keyword.COLLATE;
    }
}
