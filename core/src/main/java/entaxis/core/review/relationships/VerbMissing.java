package entaxis.core.review.relationships;

import entaxis.core.design.Relationship;
import entaxis.core.design.Side;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.Reviewed;
import entaxis.core.review.Rule;
import entaxis.core.review.RuleInfo;
import entaxis.core.sentence.Sentence;
import entaxis.core.word.Words;
import java.util.List;
import java.util.function.Consumer;

/** Relationships whose verb phrases are still those that were proposed. */
public final class VerbMissing implements Rule {
    private static final RuleInfo INFO = new RuleInfo("verb-missing", Family.RELATIONSHIPS, Level.HINT, Basis.PRACTICE, "verb phrase missing",
            "Only a sentence that somebody read aloud tells whether the relationship is right.",
            "R. Barker and common practice: each relationship is read from both ends");
    private static final int MOST = 5;

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Reviewed of, Consumer<Finding> found) {
        List<Relationship> unread = of.design().relationships().stream().filter(one -> one.first().proposed() && one.second().proposed()).toList();
        if (!unread.isEmpty()) {
            String what = unread.size() == 1 ? " still reads as proposed: nobody has said yet what it means." : " still read as proposed: nobody has said yet what they mean.";
            found.accept(new Finding(INFO.id(), INFO.level(), unread.stream().map(of::about).toList(), Words.counted(unread.size(), "relationship") + what,
                    unread.stream().map(one -> Sentence.of(of.design(), one, Side.FIRST).text()).limit(MOST).toList(), List.of()));
        }
    }
}
