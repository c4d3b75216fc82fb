package entaxis.exchange.findings;

import entaxis.core.review.About;
import entaxis.core.review.Finding;
import entaxis.core.review.SuggestedChange;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Findings as a JSON array. */
public final class FindingsJson {
    private static final JsonMapper MAPPER = JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    private FindingsJson() { }

    /** The text. */
    public static String of(List<Finding> findings) {
        return MAPPER.writeValueAsString(findings.stream().map(FindingsJson::one).toList());
    }

    private static Map<String, Object> one(Finding finding) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("rule", finding.rule());
        one.put("level", finding.level().word());
        one.put("about", finding.about().stream().map(FindingsJson::about).toList());
        one.put("sentence", finding.sentence());
        one.put("evidence", finding.evidence());
        one.put("remedies", finding.remedies().stream().map(SuggestedChange::words).toList());
        return one;
    }

    private static Map<String, Object> about(About about) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("kind", about.kind().name().toLowerCase(Locale.ROOT));
        one.put("name", about.name());
        return one;
    }
}
