package entaxis.core.review;

import entaxis.core.expression.SqlValue.Flag;
import entaxis.core.expression.SqlValue.Moment;
import entaxis.core.expression.SqlValue.Numeric;
import entaxis.core.expression.SqlValue.Text;
import entaxis.core.expression.SqlValue;
import entaxis.core.type.SqlType.BooleanType;
import entaxis.core.type.SqlType.CharacterType;
import entaxis.core.type.SqlType.DateType;
import entaxis.core.type.SqlType.DecimalType;
import entaxis.core.type.SqlType.EnumType;
import entaxis.core.type.SqlType.FloatType;
import entaxis.core.type.SqlType.IntegerType;
import entaxis.core.type.SqlType.TimestampType;
import entaxis.core.type.SqlType;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.TreeSet;
import java.util.function.Function;

/** One value of each range into which constants cut the values of a type: what is true of these is true of all. */
final class SampleValues {
    private static final BigDecimal DAY = BigDecimal.valueOf(86_400);
    private static final int MAX_COUNT = 2000;
    /** A text that no condition names. */
    private static final String OTHER = "\u0001";

    private SampleValues() { }

    /**
     * The values.
     *
     * @param holdsTypes whether the engine refuses what is beyond the bounds of the type
     * @return nothing where the type is not one that can be cut, or a constant is not one of it
     */
    static Optional<List<SqlValue>> of(SqlType type, boolean holdsTypes, List<SqlValue> constants) {
        if (constants.size() > MAX_COUNT) {
            return Optional.empty();
        }
        return switch (type) {
            case IntegerType integer -> {
                int bits = integer.size().bytes() * 8;
                BigDecimal most = BigDecimal.TWO.pow(integer.unsigned() ? bits : bits - 1).subtract(BigDecimal.ONE);
                BigDecimal least = integer.unsigned() ? BigDecimal.ZERO : most.negate().subtract(BigDecimal.ONE);
                yield numbers(constants)
                        .map(all -> stepped(all, BigDecimal.ONE,
                                holdsTypes ? Optional.of(new Bounds(least, most)) : Optional.empty()))
                        .map(all -> values(all, Numeric::new));
            }
            case DecimalType(OptionalInt precision, OptionalInt scale) when precision.isPresent() && holdsTypes -> {
                BigDecimal step = BigDecimal.ONE.movePointLeft(scale.orElse(0));
                BigDecimal most = BigDecimal.ONE.movePointRight(precision.getAsInt() - scale.orElse(0)).subtract(step);
                yield numbers(constants).map(all -> stepped(all, step, Optional.of(new Bounds(most.negate(), most))))
                        .map(all -> values(all, Numeric::new));
            }
            case DecimalType any -> numbers(constants).map(all -> values(between(all), Numeric::new));
            case FloatType any -> numbers(constants).map(all -> values(between(all), Numeric::new));
            case DateType any -> moments(constants)
                    .map(all -> values(holdsTypes ? stepped(all, DAY, Optional.empty()) : between(all), Moment::new));
            case TimestampType any -> moments(constants).map(all -> values(between(all), Moment::new));
            case BooleanType any ->
                    constants.stream().allMatch(one -> one instanceof Flag || one.equals(SqlValue.MISSING))
                    ? Optional.of(List.of(new Flag(true), new Flag(false))) : Optional.empty();
            case EnumType(List<String> listed) -> Optional.of(listed.stream().<SqlValue>map(Text::new).toList());
            case CharacterType any -> texts(constants);
            default -> Optional.empty();
        };
    }

    private record Bounds(BigDecimal least, BigDecimal most) {
        boolean hold(BigDecimal value) {
            return value.compareTo(least) >= 0 && value.compareTo(most) <= 0;
        }
    }

    private static List<SqlValue> values(Iterable<BigDecimal> all, Function<BigDecimal, SqlValue> made) {
        List<SqlValue> values = new ArrayList<>();
        all.forEach(one -> values.add(made.apply(one)));
        return values;
    }

    private static Optional<TreeSet<BigDecimal>> numbers(List<SqlValue> constants) {
        TreeSet<BigDecimal> all = new TreeSet<>();
        for (SqlValue constant : constants) {
            switch (constant) {
                case Numeric(BigDecimal number) -> all.add(number);
                case SqlValue.Missing none -> { }
                default -> {
                    return Optional.empty();
                }
            }
        }
        return Optional.of(all);
    }

    private static Optional<TreeSet<BigDecimal>> moments(List<SqlValue> constants) {
        TreeSet<BigDecimal> all = new TreeSet<>();
        for (SqlValue constant : constants) {
            switch (constant) {
                case Text(String text) when SqlValue.moment(text) instanceof Moment(BigDecimal seconds) ->
                        all.add(seconds);
                case SqlValue.Missing none -> { }
                default -> {
                    return Optional.empty();
                }
            }
        }
        return Optional.of(all);
    }

    /** Values of a fixed step: each constant, or those of the step next to it, and their neighbours on both sides. */
    private static TreeSet<BigDecimal> stepped(TreeSet<BigDecimal> constants, BigDecimal step,
            Optional<Bounds> bounds) {
        TreeSet<BigDecimal> all = new TreeSet<>(List.of(BigDecimal.ZERO));
        bounds.ifPresent(both -> all.addAll(List.of(both.least(), both.most())));
        for (BigDecimal constant : constants) {
            BigDecimal below = constant.divide(step, 0, RoundingMode.FLOOR).multiply(step);
            BigDecimal above = constant.divide(step, 0, RoundingMode.CEILING).multiply(step);
            all.addAll(List.of(below.subtract(step), below, above, above.add(step)));
        }
        all.removeIf(value -> bounds.isPresent() && !bounds.get().hold(value));
        return all;
    }

    /**
     * Values that are as dense as may be: each constant, one between each two neighbours, one below and one above all.
     */
    private static TreeSet<BigDecimal> between(TreeSet<BigDecimal> constants) {
        TreeSet<BigDecimal> all = new TreeSet<>(constants);
        if (constants.isEmpty()) {
            return new TreeSet<>(List.of(BigDecimal.ZERO));
        }
        all.add(constants.first().subtract(DAY));
        all.add(constants.last().add(DAY));
        BigDecimal before = constants.first();
        for (BigDecimal constant : constants) {
            all.add(before.add(constant).divide(BigDecimal.TWO));
            before = constant;
        }
        return all;
    }

    private static Optional<List<SqlValue>> texts(List<SqlValue> constants) {
        boolean plain = constants.stream().allMatch(one -> one instanceof Text || one.equals(SqlValue.MISSING));
        List<SqlValue> all = new ArrayList<>(constants.stream().filter(Text.class::isInstance).toList());
        all.add(new Text(OTHER));
        return plain ? Optional.of(all) : Optional.empty();
    }
}
