package entaxis.exchange.findings;

import entaxis.core.review.About;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Rule;
import entaxis.core.review.RuleInfo;
import entaxis.core.review.Rules;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.function.Function;
import java.util.stream.Collectors;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Findings in the Static Analysis Results Interchange Format (SARIF 2.1.0, OASIS Standard, 2020). */
public final class SarifLog {
    private static final JsonMapper MAPPER = JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();
    private static final String VERSION = "2.1.0";

    private SarifLog() { }

    /**
     * The text of a log with one run.
     *
     * @param source the file, or name of the database, that was checked
     * @param line   where something stands in that file, from 1; none where it has no lines
     */
    public static String of(List<Finding> findings, String source, Function<About, OptionalInt> line) {
        Map<String, Object> driver = new LinkedHashMap<>();
        driver.put("name", "entaxis");
        driver.put("rules", Rules.ALL.stream().map(Rule::info).map(SarifLog::rule).toList());
        Map<String, Object> run = new LinkedHashMap<>();
        run.put("tool", Map.of("driver", driver));
        run.put("columnKind", "unicodeCodePoints");
        run.put("results", findings.stream().map(finding -> result(finding, source, line)).toList());
        Map<String, Object> log = new LinkedHashMap<>();
        log.put("version", VERSION);
        log.put("runs", List.of(run));
        return MAPPER.writeValueAsString(log);
    }

    private static Map<String, Object> rule(RuleInfo info) {
        Map<String, Object> rule = new LinkedHashMap<>();
        rule.put("id", info.id());
        rule.put("shortDescription", Map.of("text", info.title()));
        rule.put("fullDescription", Map.of("text", info.why()));
        rule.put("help", Map.of("text", info.basis().words() + ": " + info.source()));
        rule.put("defaultConfiguration", Map.of("level", level(info.level())));
        return rule;
    }

    /** SARIF 2.1.0, 3.27.10: error, warning, note. */
    private static String level(Level level) {
        return switch (level) {
            case FAULT -> "error";
            case CAUTION -> "warning";
            case HINT -> "note";
        };
    }

    private static Map<String, Object> result(Finding finding, String source, Function<About, OptionalInt> line) {
        Map<String, Object> result = new LinkedHashMap<>();
        result.put("ruleId", finding.rule());
        result.put("ruleIndex", Rules.ALL.stream().map(rule -> rule.info().id()).toList().indexOf(finding.rule()));
        result.put("level", level(finding.level()));
        String remedies = finding.remedies().stream().map(SuggestedChange::words).collect(Collectors.joining("; "));
        result.put("message",
                Map.of("text",
                        finding.sentence()
                                + (finding.evidence().isEmpty() ? "" : " " + String.join("; ", finding.evidence()))
                + (remedies.isEmpty() ? "" : " Remedies: " + remedies)));
        Map<String, Object> place = new LinkedHashMap<>();
        place.put("artifactLocation", Map.of("uri", uri(source)));
        OptionalInt at = finding.about().isEmpty() ? OptionalInt.empty() : line.apply(finding.about().getFirst());
        at.ifPresent(number -> place.put("region", Map.of("startLine", number)));
        Map<String, Object> location = new LinkedHashMap<>();
        location.put("physicalLocation", place);
        location.put("logicalLocations", finding.about().stream()
                .map(about -> Map.of("fullyQualifiedName", about.name(), "kind", kind(about.kind()))).toList());
        result.put("locations", List.of(location));
        result.put("partialFingerprints", Map.of("finding/v1",
                Integer.toHexString((finding.rule() + finding.about().stream().map(About::name).toList()).hashCode())));
        return result;
    }

    /** Kinds of logical locations that SARIF names are those of programs; others may be used (3.33.7). */
    private static String kind(About.Kind kind) {
        return switch (kind) {
            case ENTITY -> "table";
            case ATTRIBUTE -> "column";
            default -> kind.name().toLowerCase(java.util.Locale.ROOT);
        };
    }

    private static String uri(String source) {
        return source.replace("%", "%25").replace(" ", "%20").replace("\\", "/");
    }
}
