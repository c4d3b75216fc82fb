package entaxis.exchange;

import entaxis.core.change.Patch;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/**
 * The fields that a patch changes, each under its path: the element, then the names of properties and the identities
 * of parts.
 */
public final class ChangedFields {
    private static final int MAX_LENGTH = 60;

    private ChangedFields() { }

    /** What a field becomes. */
    public record Value(Optional<JsonNode> node) {
        /** The value in a few words. */
        public String words() {
            String text = node.map(value -> value.isString() ? value.asString() : value.toString()).orElse("");
            return text.isEmpty() ? "empty"
                    : "“" + (text.length() > MAX_LENGTH ? text.substring(0, MAX_LENGTH) + "…" : text) + "”";
        }
    }

    /** The changed fields of elements that are there before and after; linear in the size of the changed elements. */
    public static Map<String, Value> of(Patch patch) {
        Map<String, Value> fields = new LinkedHashMap<>();
        for (JsonNode swap : DesignJson.tree(patch).path("swaps")) {
            JsonNode was = swap.path("was");
            JsonNode becomes = swap.path("becomes");
            String element = swap.path("is").asString("") + " " + swap.path("sheet").asString("") + " "
                    + swap.path("card").asString("") + swap.path("line").asString("") + was.path("id").asString("");
            if (!missing(was) && !missing(becomes)) {
                compare(element, was, becomes, fields);
            }
        }
        return fields;
    }

    private static boolean missing(JsonNode node) {
        return node.isMissingNode() || node.isNull();
    }

    private static void compare(String path, JsonNode was, JsonNode becomes, Map<String, Value> fields) {
        if (was.equals(becomes)) {
            return;
        }
        if (was.isObject() && becomes.isObject()) {
            Map<String, JsonNode> before = members(was);
            Map<String, JsonNode> after = members(becomes);
            compare(path, before, after, fields);
        } else if (identified(was) && identified(becomes)) {
            Map<String, JsonNode> before = new LinkedHashMap<>();
            Map<String, JsonNode> after = new LinkedHashMap<>();
            was.forEach(part -> before.put(part.path("id").asString(""), part));
            becomes.forEach(part -> after.put(part.path("id").asString(""), part));
            // a part that one of the two lacks was made or taken away, which is no field
            before.keySet().retainAll(after.keySet());
            after.keySet().retainAll(before.keySet());
            compare(path, before, after, fields);
        } else {
            fields.put(path, new Value(missing(becomes) ? Optional.empty() : Optional.of(becomes)));
        }
    }

    private static void compare(String path, Map<String, JsonNode> before, Map<String, JsonNode> after,
            Map<String, Value> fields) {
        before.forEach((name, value) -> {
            if (after.containsKey(name)) {
                compare(path + "/" + name, value, after.get(name), fields);
            } else {
                fields.put(path + "/" + name, new Value(Optional.empty()));
            }
        });
        after.forEach((name, value) -> {
            if (!before.containsKey(name)) {
                fields.put(path + "/" + name, new Value(Optional.of(value)));
            }
        });
    }

    private static Map<String, JsonNode> members(JsonNode object) {
        Map<String, JsonNode> members = new LinkedHashMap<>();
        object.properties().forEach(member -> members.put(member.getKey(), member.getValue()));
        return members;
    }

    private static boolean identified(JsonNode list) {
        return list.isArray() && !list.isEmpty() && list.valueStream().allMatch(part -> part.path("id").isString());
    }
}
