package entaxis.core.review.agreement;

import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.Reviewed;
import entaxis.core.review.Rule;
import entaxis.core.review.RuleInfo;
import entaxis.core.word.Words;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Entities and attributes without a meaning. */
public final class MeaningMissing implements Rule {
    private static final RuleInfo INFO = new RuleInfo("meaning-missing", Family.AGREEMENT, Level.HINT, Basis.PRACTICE, "meaning missing",
            "Who builds the tables, or comes after, has nothing but the name.",
            "common practice: a data dictionary says what each attribute means");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Reviewed of, Consumer<Finding> found) {
        long entities = of.design().entities().stream().filter(entity -> entity.meaning().isBlank()).count();
        long attributes = of.design().entities().stream().flatMap(entity -> entity.attributes().stream()).filter(own -> own.meaning().isBlank()).count();
        if (entities + attributes > 0) {
            String what = Stream.of(entities > 0 ? Words.counted(entities, "entity") : "", attributes > 0 ? Words.counted(attributes, "attribute") : "").filter(text -> !text.isEmpty())
                    .collect(Collectors.joining(" and "));
            found.accept(new Finding(INFO.id(), INFO.level(), List.of(), what + (entities + attributes == 1 ? " has" : " have") + " no meaning written down.", List.of(), List.of()));
        }
    }
}
