package entaxis.core.sql;

import entaxis.core.expression.Expression;
import entaxis.core.expression.Term.Kind;
import entaxis.core.expression.Term;
import entaxis.core.schema.Table;
import entaxis.core.type.SqlType.DecimalType;
import entaxis.core.type.SqlType.FloatType;
import entaxis.core.type.SqlType.IntegerSize;
import entaxis.core.type.SqlType.IntegerType;
import entaxis.core.type.SqlType;
import java.util.List;
import java.util.OptionalInt;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * The type of a computed column that was given none, as far as its expression shows it: arithmetic over numbers is a
 * number (ISO/IEC 9075-2, 6.27, result types of numeric value expressions), a single column keeps its type; anything
 * else is taken for text.
 */
final class ComputedType {
    private static final Set<String> ARITHMETIC = Set.of("+", "-", "*", "/", "%");

    private final Table table;
    private final UnaryOperator<SqlType> known;

    private ComputedType(Table table, UnaryOperator<SqlType> known) {
        this.table = table;
        this.known = known;
    }

    /** The type of an expression over a table's columns. Linear in the expression. */
    static SqlType of(Expression expression, Table table, UnaryOperator<SqlType> known) {
        ComputedType types = new ComputedType(table, known);
        boolean column = expression.tree().filter(term -> term.kind() == Kind.NAME).isPresent();
        return expression.tree().filter(term -> !expression.columns().isEmpty()).flatMap(types::of)
                .filter(type -> column || isNumber(type)).orElse(SqlType.largeText());
    }

    private Optional<SqlType> of(Term term) {
        return switch (term.kind()) {
            case NAME -> table.columns().stream().filter(
                    column -> column.name().equalsIgnoreCase(term.word()) && !column.type().text().isEmpty())
                    .map(column -> known.apply(column.type())).findFirst();
            case NUMBER -> Optional.of(term.word().chars().allMatch(Character::isDigit) ? whole() : exact());
            case OPERATOR -> ARITHMETIC.contains(term.word()) ? operation(term) : Optional.empty();
            default -> Optional.empty();
        };
    }

    /** Numbers with a sign between; a quotient is no whole number in every engine. */
    private Optional<SqlType> operation(Term term) {
        List<Optional<SqlType>> operands = term.parts().stream().map(this::of).toList();
        if (!operands.stream().allMatch(type -> type.filter(ComputedType::isNumber).isPresent())) {
            return Optional.empty();
        }
        List<SqlType> types = operands.stream().flatMap(Optional::stream).toList();
        boolean inexact = types.stream().anyMatch(type -> type instanceof FloatType);
        boolean whole = types.stream().allMatch(type -> type instanceof IntegerType) && !term.word().equals("/");
        return Optional.of(whole ? whole() : inexact ? new FloatType(true) : exact());
    }

    private static boolean isNumber(SqlType type) {
        return type instanceof IntegerType || type instanceof DecimalType || type instanceof FloatType;
    }

    private static SqlType whole() {
        return new IntegerType(IntegerSize.BIGINT, false);
    }

    private static SqlType exact() {
        return new DecimalType(OptionalInt.empty(), OptionalInt.empty());
    }
}
