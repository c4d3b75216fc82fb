package entaxis.core.review.agreement;

import entaxis.core.change.Change;
import entaxis.core.design.Category;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.Remedy;
import entaxis.core.review.Reviewed;
import entaxis.core.review.Rule;
import entaxis.core.review.RuleInfo;
import entaxis.core.word.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;

/** What a category states and its tables do not hold. */
public final class LensDiffers implements Rule {
    private static final RuleInfo INFO = new RuleInfo("lens-differs", Family.AGREEMENT, Level.HINT, Basis.PRACTICE,
            "stated, and not held by a table",
            "What only the Concept lens shows must be kept by the programs, and nobody who reads the tables knows of "
                    + "it.",
            "FIPS PUB 184, 3.6: categorization relationships; common practice on their mapping to tables");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Reviewed of, Consumer<Finding> found) {
        for (Category category : of.design().categories()) {
            boolean apart = category.mapping() == Category.Mapping.ONE_PER_KIND;
            boolean disjoint = category.disjoint() && category.mapping() != Category.Mapping.ONE_FOR_ALL;
            if (category.complete() && apart || disjoint) {
                String general = of.name(category.general());
                List<String> lines = new ArrayList<>();
                if (category.complete() && apart) {
                    lines.add("each " + Words.inSentence(general)
                            + " is one of its kinds: a row of the general table needs none in the others");
                }
                if (disjoint) {
                    lines.add("no " + Words.inSentence(general)
                            + " is of two kinds: each table of a kind takes the same key");
                }
                found.accept(INFO.found(List.of(of.about(of.design().entities().get(category.general()))),
                        "What is stated of the kinds of “" + general
                                + "” is not held by its tables.",
                        lines,
                        List.of(new Remedy("Make it one table for all",
                                new Change.PutCategory(new Category(category.id(),
                                        category.general(), category.kinds(), category.complete(), category.disjoint(),
                                        Category.Mapping.ONE_FOR_ALL, category.discriminator()))))));
            }
        }
    }
}
