package entaxis.core.review;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.expression.Condition;
import entaxis.core.expression.SqlValue;
import entaxis.core.expression.SqlValue.Numeric;
import entaxis.core.expression.Truth;
import entaxis.core.random.Rounds;
import entaxis.core.small.Small;
import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Verdicts on conditions against brute force: every value of a small type is tried. */
class ColumnConditionsTest {
    private static final int DESIGNS = Rounds.of(1000);

    @Test
    void neverAndAlwaysAreWhatTryingEveryValueSays() {
        Random random = new Random(7);
        int never = 0;
        int always = 0;
        for (int i = 0; i < DESIGNS; i++) {
            boolean required = random.nextBoolean();
            boolean tenths = random.nextInt(3) == 0;
            String check = Stream.generate(() -> comparison(random)).limit(1 + random.nextInt(4))
                    .reduce((a, b) -> "(" + a + (random.nextBoolean() ? " and " : " or ") + b + ")").orElseThrow();
            Design design =
                    new Small().entity("Jar", "jar_no integer primary key", "x " + (tenths ? "numeric(2,1)" : "tinyint")
                            + (required ? " not null" : "") + " check (" + check + ")").design();
            Reviewed of = Reviewed.of(design, Derivation.of(design));
            Entity jar = design.entities().list().getFirst();
            Attribute own = jar.attribute(new AttributeId("a2")).orElseThrow();
            List<Truth> all =
                    values(tenths).map(value -> Condition.read(check).orElseThrow().truth(any -> value)).toList();

            boolean refusesAll = all.stream().allMatch(Truth.FALSE::equals);
            assertThat(ColumnConditions.of(of, jar, own).neverMet()).as(check).isEqualTo(refusesAll);
            boolean nullPasses =
                    required || Condition.read(check).orElseThrow().truth(any -> SqlValue.MISSING) != Truth.FALSE;
            boolean passesAll = nullPasses && all.stream().noneMatch(Truth.FALSE::equals);
            assertThat(ColumnConditions.alwaysMet(of, jar, own, check)).as(check).isEqualTo(passesAll);
            never += refusesAll ? 1 : 0;
            always += passesAll ? 1 : 0;
        }
        assertThat(never).isGreaterThan(DESIGNS / 50);
        assertThat(always).isGreaterThan(DESIGNS / 50);
    }

    private static Stream<SqlValue> values(boolean tenths) {
        return tenths ? IntStream.rangeClosed(-99, 99).mapToObj(tenth -> new Numeric(BigDecimal.valueOf(tenth, 1)))
                : IntStream.rangeClosed(Byte.MIN_VALUE, Byte.MAX_VALUE)
                        .mapToObj(value -> new Numeric(BigDecimal.valueOf(value)));
    }

    private static String comparison(Random random) {
        String constant =
                List.of("-200", "-128", "-10", "-9.9", "0", "0.05", "1", "1.5", "2", "9.9", "10", "127", "128")
                        .get(random.nextInt(13));
        return switch (random.nextInt(6)) {
            case 0 -> "x is " + (random.nextBoolean() ? "not " : "") + "null";
            case 1 -> "x in (" + constant + ", 3)";
            case 2 -> "not x between " + constant + " and 5";
            default -> "x " + List.of("=", "<>", "<", ">", "<=", ">=").get(random.nextInt(6)) + " " + constant;
        };
    }

    /** What engines may see differently decides nothing. */
    @Test
    void whatIsNotUnderstoodNeverDecides() {
        for (String check : List.of("x > 5 and some_function(x) < 3", "length(x) < 0", "x < 'a' and x > 'b'",
                "x = 'a' and x = 'A'", "x like 'a%' and x like 'b%'",
                "x = y and x <> y")) {
            Design design = new Small()
                    .entity("Jar", "jar_no integer primary key", "y varchar(9)", "x varchar(9) check (" + check + ")")
                    .design();
            Reviewed of = Reviewed.of(design, Derivation.of(design));
            Entity jar = design.entities().list().getFirst();
            Optional<Attribute> own = jar.attribute(new AttributeId("a3"));
            assertThat(ColumnConditions.of(of, jar, own.orElseThrow()).neverMet()).as(check).isFalse();
            assertThat(ColumnConditions.alwaysMet(of, jar, own.orElseThrow(), check)).as(check).isFalse();
        }
    }
}
