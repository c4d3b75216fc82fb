package entaxis.core.review.relationships;

import entaxis.core.design.Entity;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.GatheringRule;
import entaxis.core.review.Level;
import entaxis.core.review.EvidenceLine;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.word.Words;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Stream;

/** An entity without any relationship. */
public final class Unconnected implements GatheringRule<EvidenceLine> {
    private static final RuleInfo INFO =
            new RuleInfo("unconnected", Family.RELATIONSHIPS, Level.HINT, Basis.PRACTICE, "connected to nothing",
            "What nothing refers to and what refers to nothing is often forgotten, or its relationship is.",
            "common practice");

    private static final int APART = 5;

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public Optional<EvidenceLine> gather(Entity entity, Reviewed of) {
        return of.relationships(entity.id()).isEmpty() ? Optional.of(new EvidenceLine(of.about(entity), entity.name()))
                : Optional.empty();
    }

    /** A finding each for a few; where many stand alone, as in a database without foreign keys, one for all of them. */
    @Override
    public void conclude(Stream<EvidenceLine> gathered, Reviewed of, Consumer<Finding> found) {
        List<EvidenceLine> alone = of.design().entities().size() > 1 ? gathered.toList() : List.of();
        if (alone.size() <= APART) {
            alone.forEach(one -> found.accept(INFO.found(List.of(one.about()),
                    "“" + one.text() + "” is connected to no other entity.", List.of(), List.of())));
        } else {
            found.accept(INFO.found(alone.stream().map(EvidenceLine::about).toList(),
                    Words.counted(alone.size(), "entity") + " are connected to no other entity.",
                    alone.stream().map(EvidenceLine::text).toList(), List.of()));
        }
    }

    @Override
    public boolean fromGatheredAlone() {
        return false;   // one entity alone is no finding
    }
}
