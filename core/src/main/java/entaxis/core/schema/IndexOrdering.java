package entaxis.core.schema;

import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * How a part of an index is ordered where that is not usual (PostgreSQL manual, CREATE INDEX).
 *
 * @param collation     by which collation; empty for that of the column
 * @param operatorClass by which operator class, with its options in brackets; empty for that of the type
 * @param nulls         where what is null stands; nothing for the usual place, which is last in rising order
 */
public record IndexOrdering(String collation, String operatorClass, Optional<NullPlace> nulls) {
    /** By the defaults of the engine in everything. */
    public static final IndexOrdering DEFAULT = new IndexOrdering("", "", Optional.empty());

    /** Where rows stand that have no value. */
    public enum NullPlace { FIRST, LAST }

    /** Whether nothing of it differs from the defaults. */
    public boolean isDefault() {
        return equals(DEFAULT);
    }

    /** What stands before the direction: the collation and the operator class. */
    public String before() {
        String collated = collation.isEmpty() ? "" : "COLLATE \"" + collation.replace("\"", "\"\"") + "\"";
        return joined(collated, operatorClass);
    }

    /** What stands behind the direction: the place of what is null. */
    public String behind() {
        return nulls.map(place -> "NULLS " + place).orElse("");
    }

    /** All of it, without the direction. */
    public String text() {
        return joined(before(), behind());
    }

    private static String joined(String... words) {
        return Stream.of(words).filter(some -> !some.isEmpty()).collect(Collectors.joining(" "));
    }
}
