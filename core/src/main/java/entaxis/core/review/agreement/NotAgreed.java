package entaxis.core.review.agreement;

import entaxis.core.design.Entity;
import entaxis.core.design.Side;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.GatheringRule;
import entaxis.core.review.Level;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.sentence.Sentence;
import entaxis.core.word.Words;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Stream;

/** Sentences that were not agreed yet. */
public final class NotAgreed implements GatheringRule<Long> {
    private static final RuleInfo INFO =
            new RuleInfo("not-agreed", Family.AGREEMENT, Level.HINT, Basis.PRACTICE, "not agreed yet",
            "A sentence that nobody agreed to is a guess.",
            "common practice: relationships are read aloud to those who know");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public Optional<Long> gather(Entity entity, Reviewed of) {
        long open = of.begun(entity.id()).stream()
                .flatMap(one -> Stream.of(Side.values()).filter(side -> one.end(side).agreed().isEmpty()
                        || !Sentence.of(of.design(), one, side).text().equals(one.end(side).agreed()))).count();
        return open == 0 ? Optional.empty() : Optional.of(open);
    }

    @Override
    public void conclude(Stream<Long> gathered, Reviewed of, Consumer<Finding> found) {
        long open = gathered.mapToLong(Long::longValue).sum();
        if (open > 0) {
            found.accept(INFO.found(List.of(),
                    Words.counted(open, "sentence") + (open == 1 ? " is" : " are")
                            + " not agreed yet: read them aloud.",
                    List.of(), List.of()));
        }
    }
}
