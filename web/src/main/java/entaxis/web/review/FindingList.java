package entaxis.web.review;

import entaxis.core.design.Decision;
import entaxis.core.design.DecisionId;
import entaxis.core.design.Design;
import entaxis.core.design.RuleLevel;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.Review;
import entaxis.core.review.RuleInfo;
import entaxis.core.review.Rules;
import entaxis.core.word.Words;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * All findings of a design, in groups.
 *
 * @param accepted what the designers live with
 * @param quiet    rules that are switched off in this design
 */
public record FindingList(List<Group> groups, List<Lived> accepted, List<Quiet> quiet, int more) {
    private static final int MAX_COUNT = 400;

    /** How findings are grouped. */
    public enum By {
        LEVEL("level"), RULE("rule"), ENTITY("entity");

        private final String word;

        By(String word) {
            this.word = word;
        }

        /** What it is called. */
        public String word() {
            return word;
        }

        /** The one of a word; by level for any other. */
        public static By of(String word) {
            return Stream.of(values()).filter(one -> one.word.equals(word)).findFirst().orElse(LEVEL);
        }
    }

    /**
     * Findings that belong together.
     *
     * @param rule  the rule, where the group is that of one; empty otherwise
     * @param level the level at which the rule speaks, as the design states it; empty for its own
     * @param why   why the rule matters; empty where the group is no rule's
     * @param settles how many of them have a remedy, if a rule's whole group can be set right at once
     */
    public record Group(String title, String rule, String level, String why, long settles, List<MarginNote> notes) { }

    /** A finding that is lived with. */
    public record Lived(String decision, String sentence, String reason) { }

    /** A rule that is switched off. */
    public record Quiet(String rule, String title, String decision) { }

    /** The list of a review; only what contains all of some words, if there are any. */
    public static FindingList of(Review review, Design design, By by, String words) {
        List<String> wanted = Stream.of(words.toLowerCase(Locale.ROOT).strip().split("\\s+"))
                .filter(word -> !word.isEmpty()).toList();
        List<Finding> all = review.findings().stream()
                .filter(finding -> wanted.stream().allMatch(text(finding)::contains)).toList();
        Map<String, List<Finding>> groups = new LinkedHashMap<>();
        all.stream().limit(MAX_COUNT).forEach(
                finding -> groups.computeIfAbsent(key(finding, design, by), any -> new ArrayList<>()).add(finding));
        List<Group> shown =
                groups.entrySet().stream().map(group -> group(group.getKey(), group.getValue(), design, by)).toList();
        List<Lived> lived = review.accepted().stream()
                .map(one -> new Lived(one.finding().decision().value(), one.finding().sentence(), one.reason()))
                .toList();
        List<Quiet> quiet = new ArrayList<>();
        for (Decision decision : design.decisions()) {
            if (decision instanceof RuleLevel(DecisionId id, String level) && level.isEmpty()) {
                String rule = id.value().replaceFirst("^rule ", "");
                quiet.add(new Quiet(rule, Rules.info(rule).map(RuleInfo::title).orElse(rule), id.value()));
            }
        }
        return new FindingList(shown, lived, quiet, Math.max(0, all.size() - MAX_COUNT));
    }

    private static String text(Finding finding) {
        return (finding.rule() + " " + finding.level().word() + " " + finding.sentence() + " "
                + finding.about().stream().limit(50).map(about -> about.name())
                .collect(Collectors.joining(" "))).toLowerCase(Locale.ROOT);
    }

    private static String key(Finding finding, Design design, By by) {
        return switch (by) {
            case LEVEL -> finding.level().word();
            case RULE -> finding.rule();
            case ENTITY -> MarginNote.of(finding, design, design.sheet()).about().replaceFirst("\\..*$", "");
        };
    }

    private static Group group(String key, List<Finding> findings, Design design, By by) {
        List<MarginNote> notes =
                findings.stream().map(finding -> MarginNote.of(finding, design, design.sheet())).toList();
        return switch (by) {
            case LEVEL -> new Group(Words.counted(findings.size(), key), "", "", "", 0, notes);
            case ENTITY -> new Group(key, "", "", "", 0, notes);
            case RULE -> {
                Optional<RuleInfo> info = Rules.info(key);
                String stated =
                        design.decisions().find(DecisionId.rule(key)).map(one -> ((RuleLevel) one).level()).orElse("");
                long remedied = findings.stream().filter(finding -> !finding.remedies().isEmpty()).count();
                yield new Group(info.map(RuleInfo::title).orElse(key), key, stated, info.map(RuleInfo::why).orElse(""),
                        findings.size() > 1 ? remedied : 0, notes);
            }
        };
    }

    /** The level of a rule as it is by itself. */
    public static String usual(String rule) {
        return Rules.info(rule).map(RuleInfo::level).map(Level::word).orElse("");
    }
}
