package entaxis.core.review.agreement;

import entaxis.core.design.Entity;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.GatheringRule;
import entaxis.core.review.Level;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.word.Words;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Entities and attributes without a meaning. */
public final class MeaningMissing implements GatheringRule<MeaningMissing.Undescribed> {
    private static final RuleInfo INFO =
            new RuleInfo("meaning-missing", Family.AGREEMENT, Level.HINT, Basis.PRACTICE, "meaning missing",
            "Who builds the tables, or comes after, has nothing but the name.",
            "common practice: a data dictionary says what each attribute means");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    /** What is missing of an entity. */
    record Undescribed(boolean itself, long attributes) { }

    @Override
    public Optional<Undescribed> gather(Entity entity, Reviewed of) {
        long attributes = entity.attributes().stream().filter(own -> own.meaning().isBlank()).count();
        boolean itself = entity.meaning().isBlank();
        return itself || attributes > 0 ? Optional.of(new Undescribed(itself, attributes)) : Optional.empty();
    }

    @Override
    public void conclude(Stream<Undescribed> gathered, Reviewed of, Consumer<Finding> found) {
        List<Undescribed> all = gathered.toList();
        long entities = all.stream().filter(Undescribed::itself).count();
        long attributes = all.stream().mapToLong(Undescribed::attributes).sum();
        if (entities + attributes > 0) {
            String what = Stream
                    .of(entities > 0 ? Words.counted(entities, "entity") : "",
                            attributes > 0 ? Words.counted(attributes, "attribute") : "")
                    .filter(text -> !text.isEmpty()).collect(Collectors.joining(" and "));
            found.accept(INFO.found(List.of(),
                    what + (entities + attributes == 1 ? " has" : " have") + " no meaning written down.", List.of(),
                    List.of()));
        }
    }
}
