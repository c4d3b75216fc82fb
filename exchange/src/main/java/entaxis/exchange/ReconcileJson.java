package entaxis.exchange;

import entaxis.core.reconcile.Difference;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Differences between two schemas, as JSON. */
public final class ReconcileJson {
    private static final JsonMapper MAPPER = JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    private ReconcileJson() { }

    /**
     * An array with {@code object}, {@code name}, {@code what}, {@code from}, {@code to} and {@code risk} per
     * difference; a side that has nothing there is {@code null}.
     */
    public static String of(List<Difference> differences) {
        return MAPPER.writeValueAsString(differences.stream().map(difference -> {
            Map<String, Object> one = new LinkedHashMap<>();
            one.put("object", difference.part().word());
            one.put("name", difference.place());
            one.put("what", difference.aspect().word());
            one.put("from", difference.from().isEmpty() ? null : difference.from());
            one.put("to", difference.to().isEmpty() ? null : difference.to());
            one.put("risk", difference.risk().word());
            return one;
        }).toList());
    }
}
