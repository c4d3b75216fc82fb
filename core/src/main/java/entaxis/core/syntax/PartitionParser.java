package entaxis.core.syntax;

import entaxis.core.expression.Expression;
import entaxis.core.schema.PartitionBound;
import entaxis.core.schema.Partitioning.Method;
import entaxis.core.schema.Partitioning;
import entaxis.core.token.Keyword;
import java.util.ArrayList;
import java.util.List;

/** Reads by what a table is split into partitions, and which rows a partition holds (PostgreSQL manual, 5.12). */
final class PartitionParser {
    private final StatementCursor tokens;
    private final IndexParser indexes;
    private final ExpressionParser expressions;
    private final NumberParser numbers;

    PartitionParser(StatementCursor tokens, IndexParser indexes, ExpressionParser expressions, NumberParser numbers) {
        this.tokens = tokens;
        this.indexes = indexes;
        this.expressions = expressions;
        this.numbers = numbers;
    }

    /** Reads what stands behind PARTITION BY. */
    Partitioning partitioning() {
        Method method;
        if (tokens.accept("RANGE")) {
            method = Method.RANGE;
        } else if (tokens.accept("LIST")) {
            method = Method.LIST;
        } else if (tokens.accept("HASH")) {
            method = Method.HASH;
        } else {
            throw tokens.unreadable("RANGE, LIST or HASH is expected here");
        }
        return new Partitioning(method, indexes.columns());
    }

    /** Reads FOR VALUES with what follows it, or DEFAULT. */
    PartitionBound bound() {
        if (tokens.accept(Keyword.DEFAULT)) {
            return new PartitionBound.Default();
        }
        tokens.expect(Keyword.FOR);
        tokens.expect(Keyword.VALUES);
        if (tokens.accept(Keyword.IN)) {
            return new PartitionBound.Values(values());
        }
        if (tokens.accept(Keyword.FROM)) {
            List<Expression> from = values();
            tokens.expect(Keyword.TO);
            return new PartitionBound.Range(from, values());
        }
        tokens.expect(Keyword.WITH);
        return remainder();
    }

    private PartitionBound remainder() {
        long modulus = 0;
        long remainder = 0;
        tokens.expectSign('(');
        do {
            if (tokens.accept("MODULUS")) {
                modulus = numbers.wholeNumber();
            } else if (tokens.accept("REMAINDER")) {
                remainder = numbers.wholeNumber();
            } else {
                throw tokens.unreadable("MODULUS or REMAINDER is expected here");
            }
        } while (tokens.acceptSign(','));
        tokens.expectSign(')');
        return new PartitionBound.Remainder(modulus, remainder);
    }

    private List<Expression> values() {
        List<Expression> values = new ArrayList<>(2);
        tokens.expectSign('(');
        do {
            values.add(expressions.expression());
        } while (tokens.acceptSign(','));
        tokens.expectSign(')');
        return values;
    }
}
