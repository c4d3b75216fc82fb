package entaxis.core.expression;

import entaxis.core.expression.SqlValue.Flag;
import entaxis.core.expression.SqlValue.Missing;
import entaxis.core.expression.SqlValue.Numeric;
import entaxis.core.expression.SqlValue.Text;
import entaxis.core.expression.SqlValue.Unclear;
import entaxis.core.expression.Term.Kind;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * A condition of a constraint, evaluated by three-valued logic (ISO/IEC 9075-2, 8 and 6.39) as far as that can be done
 * without an engine. Whatever engines may see differently is {@linkplain Truth#UNCLEAR unclear}. Linear in the
 * condition.
 */
public final class Condition {
    private static final Set<String> COMPARISONS = Set.of("=", "<>", "<", ">", "<=", ">=");
    private static final Set<String> TEXT_TYPES =
            Set.of("text", "varchar", "character varying", "char", "character", "bpchar", "date");
    private static final Map<String, BiFunction<BigDecimal, BigDecimal, BigDecimal>> ARITHMETIC =
            Map.of("+", BigDecimal::add, "-", BigDecimal::subtract, "*", BigDecimal::multiply);
    private static final Term SOMETHING = Term.of(Kind.WORD, "something");

    private final Term term;

    private Condition(Term term) {
        this.term = term;
    }

    /** Reads a condition; nothing if it is not understood. */
    public static Optional<Condition> read(String sql) {
        return ExpressionReader.read(sql).map(Condition::new);
    }

    /** The names of columns in it, in small letters; {@code value} where a domain speaks of its values. */
    public Set<String> names() {
        Set<String> names = new LinkedHashSet<>();
        names(term, names);
        return names;
    }

    private static void names(Term term, Set<String> names) {
        if (term.kind() == Kind.NAME || term.kind() == Kind.WORD && term.word().equals("value")) {
            names.add(term.word());
            return;
        }
        term.parts().forEach(part -> names(part, names));
    }

    /** What it comes to where columns have these values. */
    public Truth truth(Function<String, SqlValue> values) {
        return truth(term, values);
    }

    /**
     * What it says of one column beside constants; every other part is unclear. What is left comes to the same for all
     * values between two neighbouring {@link #constants}.
     */
    public Condition about(String name) {
        return new Condition(about(term, name));
    }

    private static Term about(Term term, String name) {
        if (term.isOperator("and") || term.isOperator("or") || term.isOperator("not")) {
            return term.with(term.parts().stream().map(part -> about(part, name)).toList());
        }
        boolean compares =
                term.kind() == Kind.OPERATOR && (COMPARISONS.contains(term.word()) && term.parts().size() == 2
                || Set.of("in", "between", "is").contains(term.word()));
        if (compares) {
            List<Term> plain = term.parts().stream()
                    .flatMap(part -> part.kind() == Kind.LIST ? part.parts().stream() : Stream.of(part)).toList();
            long columns = plain.stream().filter(part -> column(part, name)).count();
            boolean rest = plain.stream().allMatch(part -> column(part, name) || constant(part));
            return columns <= 1 && rest ? term : SOMETHING;
        }
        return column(term, name) || constant(term) ? term : SOMETHING;
    }

    private static boolean column(Term term, String name) {
        boolean named = (term.kind() == Kind.NAME || term.kind() == Kind.WORD) && term.word().equals(name);
        return named || term.kind() == Kind.CAST && TEXT_TYPES.contains(term.word()) && !term.word().equals("date")
                && column(term.parts().getFirst(), name);
    }

    private static boolean constant(Term term) {
        return term.constant() || (term.isOperator("-") && term.parts().size() == 1 || term.kind() == Kind.CAST)
                && constant(term.parts().getFirst());
    }

    /** The constants in it, in the order in which they stand. */
    public List<SqlValue> constants() {
        List<SqlValue> constants = new ArrayList<>();
        constants(term, constants);
        return constants;
    }

    private static void constants(Term term, List<SqlValue> constants) {
        if (constant(term)) {
            constants.add(value(term, name -> SqlValue.UNCLEAR));
        } else {
            term.parts().forEach(part -> constants(part, constants));
        }
    }

    private static Truth truth(Term term, Function<String, SqlValue> values) {
        if (term.kind() == Kind.OPERATOR) {
            switch (term.word()) {
                case "and" -> {
                    return Truth.and(term.parts().stream().map(part -> truth(part, values)).toList());
                }
                case "or" -> {
                    return Truth.or(term.parts().stream().map(part -> truth(part, values)).toList());
                }
                case "not" -> {
                    return truth(term.parts().getFirst(), values).not();
                }
                case "in" -> {
                    return in(term, values);
                }
                case "between" -> {
                    return Truth.and(List.of(compared(term.parts().get(0), ">=", term.parts().get(1), values),
                            compared(term.parts().get(0), "<=", term.parts().get(2), values)));
                }
                case "is" -> {
                    return is(value(term.parts().getFirst(), values), term.parts().get(1).word());
                }
                case "like" -> {
                    return like(value(term.parts().get(0), values), value(term.parts().get(1), values));
                }
                default -> {
                    if (COMPARISONS.contains(term.word()) && term.parts().size() == 2) {
                        return compared(term.parts().get(0), term.word(), term.parts().get(1), values);
                    }
                }
            }
        }
        return switch (value(term, values)) {
            case Flag(boolean value) -> Truth.of(value);
            case Missing missing -> Truth.UNKNOWN;
            default -> Truth.UNCLEAR;
        };
    }

    private static Truth in(Term term, Function<String, SqlValue> values) {
        Term list = term.parts().get(1);
        return list.kind() != Kind.LIST || list.parts().stream().anyMatch(Term::query) ? Truth.UNCLEAR
                : Truth.or(
                        list.parts().stream().map(one -> compared(term.parts().getFirst(), "=", one, values)).toList());
    }

    private static Truth is(SqlValue value, String word) {
        if (value instanceof Unclear) {
            return Truth.UNCLEAR;
        }
        return switch (word) {
            case "null", "unknown" -> Truth.of(value instanceof Missing);
            case "true" -> value instanceof Flag(boolean flag) ? Truth.of(flag) : value instanceof Missing ? Truth.FALSE
                    : Truth.UNCLEAR;
            case "false" -> value instanceof Flag(boolean flag) ? Truth.of(!flag)
                    : value instanceof Missing ? Truth.FALSE : Truth.UNCLEAR;
            default -> Truth.UNCLEAR;
        };
    }

    private static Truth compared(Term left, String operator, Term right, Function<String, SqlValue> values) {
        SqlValue one = value(left, values);
        SqlValue other = value(right, values);
        if (one instanceof Missing || other instanceof Missing) {
            return Truth.UNKNOWN;
        }
        Optional<Boolean> holds = switch (operator) {
            case "=" -> SqlValue.equal(one, other);
            case "<>" -> SqlValue.equal(one, other).map(equal -> !equal);
            case "<" -> SqlValue.compare(one, other).map(order -> order < 0);
            case ">" -> SqlValue.compare(one, other).map(order -> order > 0);
            case "<=" -> SqlValue.compare(one, other).map(order -> order <= 0);
            default -> SqlValue.compare(one, other).map(order -> order >= 0);
        };
        return holds.map(Truth::of).orElse(Truth.UNCLEAR);
    }

    /** A pattern with {@code %} and {@code _}; unclear where only case, accents or blanks at the end decide. */
    private static Truth like(SqlValue value, SqlValue pattern) {
        if (value instanceof Missing || pattern instanceof Missing) {
            return Truth.UNKNOWN;
        }
        if (!(value instanceof Text(String text)) || !(pattern instanceof Text(String signs)) || signs.contains("\\")
                || signs.contains("[")) {
            return Truth.UNCLEAR;
        }
        boolean exactly = matches(text, signs);
        boolean folded = matches(SqlValue.Texts.folded(text), SqlValue.Texts.folded(signs));
        return exactly == folded ? Truth.of(exactly) : Truth.UNCLEAR;
    }

    /** Greedy matching with one place to come back to; at most the product of both lengths. */
    private static boolean matches(String value, String pattern) {
        int[] text = value.codePoints().toArray();
        int[] signs = pattern.codePoints().toArray();
        int at = 0;
        int sign = 0;
        int star = -1;
        int back = 0;
        while (at < text.length) {
            if (sign < signs.length && signs[sign] == '%') {
                star = sign++;
                back = at;
            } else if (sign < signs.length && (signs[sign] == '_' || signs[sign] == text[at])) {
                sign++;
                at++;
            } else if (star >= 0) {
                sign = star + 1;
                at = ++back;
            } else {
                return false;
            }
        }
        while (sign < signs.length && signs[sign] == '%') {
            sign++;
        }
        return sign == signs.length;
    }

    private static SqlValue value(Term term, Function<String, SqlValue> values) {
        return switch (term.kind()) {
            case NAME -> values.apply(term.word());
            // one engine takes an empty text for none
            case TEXT -> term.word().isEmpty() ? SqlValue.UNCLEAR : new Text(term.word());
            case NUMBER -> SqlValue.number(term.word());
            case WORD -> switch (term.word()) {
                case "null", "unknown" -> SqlValue.MISSING;
                case "true" -> new Flag(true);
                case "false" -> new Flag(false);
                case "value" -> values.apply("value");
                default -> SqlValue.UNCLEAR;
            };
            case OPERATOR -> operator(term, values);
            case CALL -> call(term, values);
            case CAST -> cast(term.word(), value(term.parts().getFirst(), values));
            case LIST -> SqlValue.UNCLEAR;
        };
    }

    private static SqlValue cast(String type, SqlValue value) {
        boolean kept = value instanceof Missing || value instanceof Text && TEXT_TYPES.contains(type)
                || value instanceof Numeric(BigDecimal number) && (type.equals("numeric") || type.equals("decimal")
                || type.matches("(small|big)?int(eger)?") && number.stripTrailingZeros().scale() <= 0);
        return kept ? value : SqlValue.UNCLEAR;
    }

    private static SqlValue operator(Term term, Function<String, SqlValue> values) {
        List<SqlValue> parts = term.parts().stream().map(part -> value(part, values)).toList();
        if (ARITHMETIC.containsKey(term.word())
                && parts.stream().allMatch(part -> part instanceof Numeric || part instanceof Missing)) {
            if (parts.contains(SqlValue.MISSING)) {
                return SqlValue.MISSING;
            }
            List<BigDecimal> numbers = parts.stream().map(part -> ((Numeric) part).number()).toList();
            return new Numeric(numbers.size() == 1 ? numbers.getFirst().negate()
                    : ARITHMETIC.get(term.word()).apply(numbers.get(0), numbers.get(1)));
        }
        boolean logical = Set.of("and", "or", "not", "in", "between", "is", "like").contains(term.word())
                || COMPARISONS.contains(term.word());
        return !logical ? SqlValue.UNCLEAR : switch (truth(term, values)) {
            case TRUE -> new Flag(true);
            case FALSE -> new Flag(false);
            case UNKNOWN -> SqlValue.MISSING;
            case UNCLEAR -> SqlValue.UNCLEAR;
        };
    }

    private static SqlValue call(Term term, Function<String, SqlValue> values) {
        List<SqlValue> parts = term.parts().stream().map(part -> value(part, values)).toList();
        if (term.word().equals("coalesce")) {
            return parts.stream().filter(part -> !(part instanceof Missing)).findFirst().orElse(SqlValue.MISSING);
        }
        if (parts.size() != 1) {
            return SqlValue.UNCLEAR;
        }
        return switch (parts.getFirst()) {
            case Missing missing when Set.of("char_length", "character_length", "length", "upper", "lower", "abs")
                    .contains(term.word()) -> missing;
            case Text(String text) -> switch (term.word()) {
                case "char_length", "character_length", "length" ->
                        text.equals(text.stripTrailing()) && text.chars().allMatch(sign -> sign < 128)
                        ? new Numeric(BigDecimal.valueOf(text.length())) : SqlValue.UNCLEAR;
                case "upper" -> new Text(text.toUpperCase(Locale.ROOT));
                case "lower" -> new Text(text.toLowerCase(Locale.ROOT));
                default -> SqlValue.UNCLEAR;
            };
            case Numeric(BigDecimal number) when term.word().equals("abs") -> new Numeric(number.abs());
            default -> SqlValue.UNCLEAR;
        };
    }

    @Override
    public String toString() {
        return term.written();
    }
}
