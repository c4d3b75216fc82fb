package entaxis.web.review;

import entaxis.core.design.Design;
import entaxis.core.design.EntityId;
import entaxis.core.design.Place;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Sheet;
import entaxis.core.review.About;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Review;
import entaxis.core.review.RuleInfo;
import entaxis.core.review.Rules;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A finding as the margin shows it.
 *
 * @param id       tells it from others, the same while the finding is
 * @param title    what its rule finds, in a few words
 * @param attribute the attribute that it is about, if it is a single one; may be empty
 * @param sign     a sign for its level
 * @param about    what it is about, in a word or two; may be empty
 * @param select   the element that is selected to look at it; may be empty
 * @param leaf     the part of the ledger that shows it
 * @param remedies what its buttons say
 * @param height   where on the sheet it belongs
 */
public record MarginNote(String id, String rule, String title, Level level, String sign, String about, String select,
        String attribute, String leaf, String sentence, List<String> evidence, List<String> remedies,
        int height) {
    private static final int MAX_EVIDENCE = 6;

    /** The note of a finding, for one sheet. */
    public static MarginNote of(Finding finding, Design design, Sheet sheet) {
        Optional<About> first = finding.about().stream()
                .filter(about -> about.id().startsWith("e") || about.id().startsWith("r")).findFirst();
        String about = first.map(one -> words(one, finding, design)).orElse("The design");
        List<String> evidence = finding.evidence().size() <= MAX_EVIDENCE ? finding.evidence()
                : Stream.concat(finding.evidence().stream().limit(MAX_EVIDENCE), Stream.of("…")).toList();
        return new MarginNote(id(finding), finding.rule(),
                Rules.info(finding.rule()).map(RuleInfo::title).orElse(finding.rule()), finding.level(),
                sign(finding.level()), about, finding.about().size() > 2 ? "" : first.map(About::id).orElse(""),
                attribute(finding, design), leaf(finding),
                finding.sentence(), evidence, finding.remedies().stream().map(SuggestedChange::words).toList(),
                first.map(one -> height(one, design, sheet)).orElse(Integer.MAX_VALUE));
    }

    /** A finding by its id; nothing if it is no longer there. */
    public static Optional<Finding> finding(Review review, String id) {
        return review.findings().stream().filter(finding -> id(finding).equals(id)).findFirst();
    }

    /** A remedy of a finding by its number; nothing if the finding is no longer there. */
    public static Optional<SuggestedChange> remedy(Review review, String id, int number) {
        return finding(review, id).filter(finding -> number >= 0 && number < finding.remedies().size())
                .map(finding -> finding.remedies().get(number));
    }

    /** Tells a finding from others. */
    public static String id(Finding finding) {
        return finding.decision().value().replaceFirst("^.* ", "");
    }

    private static String attribute(Finding finding, Design design) {
        About about = finding.about().isEmpty() ? null : finding.about().getFirst();
        if (about == null || about.kind() != About.Kind.ATTRIBUTE || !about.id().startsWith("e")) {
            return "";
        }
        String column = about.name().substring(about.name().indexOf('.') + 1);
        return design.entities().find(new EntityId(about.id())).flatMap(entity -> entity.attributes().stream()
                .filter(own -> design.facts().names().column(own.name()).equals(column)).findFirst())
                .map(own -> own.id().value()).orElse("");
    }

    private static String words(About about, Finding finding, Design design) {
        if (finding.about().size() > 2) {
            return finding.about().size() + " places";
        }
        return about.id().startsWith("e") ? design.entities().find(new EntityId(about.id())).map(entity -> entity.name()
                + (about.kind() == About.Kind.ATTRIBUTE ? about.name().substring(about.name().indexOf('.')) : ""))
                .orElse(about.name()) : about.name();
    }

    private static String sign(Level level) {
        return switch (level) {
            case FAULT -> "▲";
            case CAUTION -> "●";
            case HINT -> "○";
        };
    }

    private static String leaf(Finding finding) {
        return Rules.info(finding.rule())
                .filter(info -> info.family() == Family.KEYS || info.family() == Family.INDEXES).map(info -> "keys")
                .orElse("");
    }

    private static int height(About about, Design design, Sheet sheet) {
        Optional<EntityId> entity = about.id().startsWith("e") ? Optional.of(new EntityId(about.id()))
                : design.relationships().find(new RelationshipId(about.id()))
                        .map(relationship -> relationship.first().entity());
        return entity.flatMap(sheet::place).map(Place::y).orElse(Integer.MAX_VALUE - 1);
    }
}
