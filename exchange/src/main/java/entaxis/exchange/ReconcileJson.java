package entaxis.exchange;

import entaxis.core.reconcile.Difference;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Differences between two schemas, as JSON. */
public final class ReconcileJson {
    private static final JsonMapper MAPPER = JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    private ReconcileJson() { }

    /**
     * An array with {@code id}, {@code object}, {@code name}, {@code what}, {@code from}, {@code to}, {@code risk} and
     * {@code statements} per difference; a side that has nothing there is {@code null}. The id finds a difference again
     * in the next comparison.
     *
     * @param statements what takes one difference over by itself
     */
    public static String of(List<Difference> differences, Function<Difference, List<String>> statements) {
        return MAPPER.writeValueAsString(differences.stream().map(difference -> {
            Map<String, Object> one = new LinkedHashMap<>();
            one.put("id", difference.key());
            one.put("object", difference.part().word());
            one.put("name", difference.place());
            one.put("what", difference.aspect().word());
            one.put("from", difference.from().isEmpty() ? null : difference.from());
            one.put("to", difference.to().isEmpty() ? null : difference.to());
            one.put("risk", difference.risk().word());
            one.put("statements", statements.apply(difference));
            return one;
        }).toList());
    }
}
