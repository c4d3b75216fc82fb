package entaxis.core.migration;

import java.util.Map;
import java.util.Optional;

/**
 * The values that rows get which are there already, where a column begins to require one.
 *
 * @param expressions SQL expressions by table and column, as {@code table.column}; names are those of the wanted schema
 */
public record Fills(Map<String, String> expressions) {
    /** No values. */
    public static final Fills NONE = new Fills(Map.of());

    /** Copies the map. */
    public Fills {
        expressions = Map.copyOf(expressions);
    }

    /** The expression for a column. */
    public Optional<String> of(String table, String column) {
        return Optional.ofNullable(expressions.get(table + "." + column)).filter(text -> !text.isBlank());
    }
}
