package entaxis.core.review;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import entaxis.core.change.AttributeAspect;
import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.derive.Derivation;
import entaxis.core.design.AcceptedFinding;
import entaxis.core.design.AttributeId;
import entaxis.core.design.DecisionId;
import entaxis.core.design.Design;
import entaxis.core.design.EntityId;
import entaxis.core.design.RuleLevel;
import entaxis.core.random.RandomDesigns;
import entaxis.core.small.Small;
import entaxis.core.type.TypeReader;
import entaxis.core.type.TypeReading.Known;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Remedies of whole groups, and what designers decide about findings. */
class GroupRemedyTest {
    private static Review review(Design design) {
        return Review.of(Reviewed.of(design, Derivation.of(design)), Policy.DEFAULT);
    }

    private static Design done(Design design, Change change) {
        return ((Applied) Editor.apply(design, change)).design();
    }

    @Test
    void groupsEndAndMakeNothingWorse() {
        int resolved = 0;
        for (int seed = 0; seed < 12; seed++) {
            Design design = RandomDesigns.design(seed, 8);
            Review before = review(design);
            for (String rule : before.findings().stream().map(Finding::rule).distinct().toList()) {
                Optional<GroupRemedy> group = GroupRemedy.of(design, rule, Policy.DEFAULT);
                if (group.isPresent()) {
                    Applied applied = (Applied) Editor.apply(design, group.get().change());
                    assertThat(review(applied.design()).count(Level.FAULT)).as("%s, seed %d", rule, seed)
                            .isLessThanOrEqualTo(before.count(Level.FAULT));
                    assertThat(((Applied) Editor.apply(applied.design(), applied.inverse())).design())
                            .isEqualTo(design);
                    resolved += (int) group.get().resolved();
                }
            }
        }
        assertThat(resolved).isGreaterThan(20);
    }

    @Test
    void aFindingThatIsLivedWithComesBackWhenItsEvidenceChanges() {
        Design design = new Small().entity("Jar", "jar_no integer primary key", "phone bigint").design();
        Finding found = review(design).findings().stream().filter(finding -> finding.rule().equals("number-for-code"))
                .findFirst().orElseThrow();
        Design lived = done(design, new Change.Decide(
                new AcceptedFinding(found.decision(), found.sentence(), found.evidenceMark(), "old switchboard")));

        assertThat(review(lived).findings()).extracting(Finding::rule).doesNotContain("number-for-code");
        assertThat(review(lived).accepted()).extracting(Review.Accepted::reason).containsExactly("old switchboard");

        Design changed = done(lived, new Change.AlterAttribute(new EntityId("e1"), new AttributeId("a2"),
                new AttributeAspect.Type(((Known) TypeReader.read("integer")).type())));
        Finding back = review(changed).findings().stream().filter(finding -> finding.rule().equals("number-for-code"))
                .findFirst().orElseThrow();
        assertThat(back.evidence().getFirst()).contains("old switchboard").contains("changed since");
        assertThat(review(done(lived, new Change.Withdraw(found.decision()))).findings()).contains(found);
    }

    @Test
    void aDesignHasLevelsOfItsOwnAndAPolicyGoesFirst() {
        Design design = new Small().entity("Jar", "jar_no integer primary key", "phone bigint").design();
        Design graver = done(design, new Change.Decide(new RuleLevel(DecisionId.rule("number-for-code"), "fault")));
        assertThat(review(graver).count(Level.FAULT)).isEqualTo(1);
        Design off = done(design, new Change.Decide(new RuleLevel(DecisionId.rule("number-for-code"), "")));
        assertThat(review(off).findings()).extracting(Finding::rule).doesNotContain("number-for-code");
        Policy team = new Policy(Map.of("number-for-code", Optional.of(Level.HINT)));
        assertThat(Review.of(Reviewed.of(graver, Derivation.of(graver)), team).findings().stream()
                .filter(finding -> finding.rule().equals("number-for-code")))
                .extracting(Finding::level).isEqualTo(List.of(Level.HINT));
    }

    /** A file that somebody wrote by hand cannot bring a decision about something else in. */
    @Test
    void aDecisionIsAboutWhatItSays() {
        assertThatThrownBy(() -> new RuleLevel(DecisionId.finding("number-for-code", "x"), "fault"))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new RuleLevel(DecisionId.rule("number-for-code"), "grave"))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new AcceptedFinding(DecisionId.rule("number-for-code"), "", "", ""))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
