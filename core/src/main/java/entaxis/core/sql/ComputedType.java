package entaxis.core.sql;

import entaxis.core.expression.Expression;
import entaxis.core.schema.Table;
import entaxis.core.token.Lexer;
import entaxis.core.token.Token;
import entaxis.core.type.SqlType.DecimalType;
import entaxis.core.type.SqlType.FloatType;
import entaxis.core.type.SqlType.IntegerSize;
import entaxis.core.type.SqlType.IntegerType;
import entaxis.core.type.SqlType;
import java.util.List;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * The type of a computed column that was given none, as far as its expression shows it: arithmetic over numbers is a
 * number (ISO/IEC 9075-2, 6.27, result types of numeric value expressions), a single column keeps its type; anything
 * else is taken for text.
 */
final class ComputedType {
    private static final Set<String> ARITHMETIC = Set.of("+", "-", "*", "/", "%", "(", ")");

    private ComputedType() { }

    /** The type of an expression over a table's columns. Linear in the expression. */
    static SqlType of(Expression expression, Table table, UnaryOperator<SqlType> known) {
        List<Token> tokens = Lexer.tokens(expression.text());
        List<SqlType> operands = expression.columns().stream()
                .flatMap(name -> table.columns().stream()
                        .filter(column -> column.name().equalsIgnoreCase(name) && !column.type().text().isEmpty())
                        .map(column -> known.apply(column.type())))
                .toList();
        boolean named = operands.size() == expression.columns().size();
        boolean plain = tokens.stream().allMatch(
                token -> token.isName() || token.kind() == Token.Kind.NUMBER || ARITHMETIC.contains(token.text()));
        if (!named || !plain || operands.isEmpty()) {
            return SqlType.largeText();
        }
        if (tokens.stream().filter(Token::isName).count() == 1
                && tokens.stream().noneMatch(token -> token.kind() == Token.Kind.NUMBER)) {
            return operands.getFirst();
        }
        boolean whole = operands.stream().allMatch(type -> type instanceof IntegerType)
                && tokens.stream().noneMatch(token -> token.text().contains(".") || token.text().equals("/"));
        boolean inexact = operands.stream().anyMatch(type -> type instanceof FloatType);
        boolean numbers = operands.stream().allMatch(
                type -> type instanceof IntegerType || type instanceof DecimalType || type instanceof FloatType);
        if (!numbers) {
            return SqlType.largeText();
        }
        return whole ? new IntegerType(IntegerSize.BIGINT, false) : inexact ? new FloatType(true)
                : new DecimalType(OptionalInt.empty(), OptionalInt.empty());
    }
}
