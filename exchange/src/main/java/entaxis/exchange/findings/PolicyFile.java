package entaxis.exchange.findings;

import entaxis.core.review.Level;
import entaxis.core.review.Policy;
import entaxis.core.review.Rule;
import entaxis.core.review.Rules;
import entaxis.exchange.UnreadableJson;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A policy as a team keeps it: {@code {"rules": {"unconnected": "off", "surrogate-alone": "fault"}}}. */
public final class PolicyFile {
    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    private PolicyFile() { }

    /** Reads a policy; a rule or level that is not known is refused, with its place and what there is. */
    public static Policy read(String json) {
        JsonNode root;
        try {
            root = MAPPER.readTree(json);
        } catch (JacksonException e) {
            throw new UnreadableJson("this is no JSON: " + e.getOriginalMessage(), e);
        }
        if (!root.isObject() || !root.path("rules").isObject() || root.size() != 1) {
            throw new UnreadableJson("expected {\"rules\": {\"rule\": \"fault\", \"caution\", \"hint\" or \"off\"}}",
                    null);
        }
        Map<String, Optional<Level>> levels = new LinkedHashMap<>();
        root.path("rules").properties()
                .forEach(entry -> levels.put(known(entry.getKey()), level(entry.getKey(), entry.getValue())));
        return new Policy(levels);
    }

    private static String known(String rule) {
        if (Rules.info(rule).isEmpty()) {
            throw new UnreadableJson("rules." + rule + ": there is no such rule. There are: "
                    + Rules.ALL.stream().map(Rule::info).map(info -> info.id()).sorted()
                            .collect(Collectors.joining(", ")),
                    null);
        }
        return rule;
    }

    private static Optional<Level> level(String rule, JsonNode value) {
        String word = value.isString() ? value.asString() : "";
        if (word.equals("off")) {
            return Optional.empty();
        }
        return Optional.of(Level.of(word)
                .orElseThrow(() -> new UnreadableJson(
                        "rules." + rule + ": expected \"fault\", \"caution\", \"hint\" or \"off\", found "
                + value, null)));
    }
}
