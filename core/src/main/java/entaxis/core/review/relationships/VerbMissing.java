package entaxis.core.review.relationships;

import entaxis.core.design.Entity;
import entaxis.core.design.Side;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.GatheringRule;
import entaxis.core.review.Level;
import entaxis.core.review.EvidenceLine;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.sentence.Sentence;
import entaxis.core.word.Words;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Stream;

/** Relationships whose verb phrases are still those that were proposed. */
public final class VerbMissing implements GatheringRule<List<EvidenceLine>> {
    private static final RuleInfo INFO =
            new RuleInfo("verb-missing", Family.RELATIONSHIPS, Level.HINT, Basis.PRACTICE, "verb phrase missing",
            "Only a sentence that somebody read aloud tells whether the relationship is right.",
            "R. Barker and common practice: each relationship is read from both ends");
    private static final int MAX_COUNT = 5;

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public Optional<List<EvidenceLine>> gather(Entity entity, Reviewed of) {
        List<EvidenceLine> unread =
                of.begun(entity.id()).stream().filter(one -> one.first().proposed() && one.second().proposed())
                .map(one -> new EvidenceLine(of.about(one), Sentence.of(of.design(), one, Side.FIRST).text())).toList();
        return unread.isEmpty() ? Optional.empty() : Optional.of(unread);
    }

    @Override
    public void conclude(Stream<List<EvidenceLine>> gathered, Reviewed of, Consumer<Finding> found) {
        List<EvidenceLine> all = gathered.flatMap(List::stream).toList();
        if (!all.isEmpty()) {
            found.accept(INFO.found(all.stream().map(EvidenceLine::about).toList(),
                    Words.counted(all.size(), "relationship") + (all.size() == 1
                            ? " still reads as proposed: nobody has said yet what it means."
                            : " still read as proposed: nobody has said yet what they mean."),
                    all.stream().limit(MAX_COUNT).map(EvidenceLine::text).toList(), List.of()));
        }
    }
}
