package entaxis.core.review.agreement;

import entaxis.core.change.Change;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Category;
import entaxis.core.design.EntityId;
import entaxis.core.design.Relationship;
import entaxis.core.design.Side;
import entaxis.core.review.About;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Reviewed;
import entaxis.core.review.Rule;
import entaxis.core.review.RuleInfo;
import entaxis.core.sentence.Sentence;
import entaxis.core.word.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;

/** What categories and relationships state and their tables do not hold. */
public final class LensDiffers implements Rule {
    private static final RuleInfo INFO = new RuleInfo("lens-differs", Family.AGREEMENT, Level.HINT, Basis.PRACTICE,
            "stated, and not held by a table",
            "What only the Concept lens shows must be kept by the programs, and nobody who reads the tables knows of "
                    + "it.",
            "FIPS PUB 184, 3.6: categorization relationships; common practice on their mapping to tables; ISO/IEC "
                    + "9075-2, 11.8: a referential constraint restricts the referencing table only");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Reviewed of, Consumer<Finding> found) {
        of.design().categories().forEach(category -> {
            if (category.mapping() == Category.Mapping.ONE_FOR_ALL) {
                oneTable(category, of, found);
            } else {
                severalTables(category, of, found);
            }
        });
        of.design().relationships().forEach(relationship -> counted(relationship, of, found));
    }

    private static void severalTables(Category category, Reviewed of, Consumer<Finding> found) {
        String general = Words.inSentence(of.name(category.general()));
        List<String> lines = new ArrayList<>();
        if (category.complete() && category.mapping() == Category.Mapping.ONE_PER_KIND) {
            lines.add("each " + general + " is one of its kinds: a row of the general table needs none in the others");
        }
        if (category.disjoint()) {
            lines.add("no " + general + " is of two kinds: each table of a kind takes the same key");
        }
        ofKinds(category, lines, List.of(new SuggestedChange("Make it one table for all", new Change.PutCategory(
                new Category(category.id(), category.general(), category.kinds(), category.complete(),
                        category.disjoint(), Category.Mapping.ONE_FOR_ALL, category.discriminator())))), of, found);
    }

    /** What one kind must refer to, the rows of the others need not: the columns are shared, and may be empty. */
    private static void oneTable(Category category, Reviewed of, Consumer<Finding> found) {
        List<String> lines = new ArrayList<>();
        List<EntityId> kinds = category.kinds().stream()
                .flatMap(kind -> Category.kind(of.design(), kind).stream()).distinct().toList();
        for (EntityId kind : kinds) {
            String name = Words.inSentence(of.name(kind));
            of.references(kind).stream().filter(reference -> !category.kinds().contains(reference.id()))
                    .filter(LensDiffers::required)
                    .forEach(reference -> lines.add("each " + name + " has one "
                            + Words.inSentence(of.name(reference.parentEntity().orElseThrow()))
                            + ": the one table lets it be empty"));
            of.design().exclusions().stream().filter(one -> one.child().equals(kind) && one.mandatory())
                    .forEach(one -> lines.add("each " + name + " refers by exactly one of "
                            + Words.counted(one.alternatives().size(), "relationship")
                            + ": the one table lets all be empty"));
        }
        ofKinds(category, lines, List.of(), of, found);
    }

    private static boolean required(Relationship reference) {
        return reference.parent().filter(side -> !reference.end(side).cardinality().optional()).isPresent();
    }

    private static void ofKinds(Category category, List<String> lines, List<SuggestedChange> remedies, Reviewed of,
            Consumer<Finding> found) {
        if (!lines.isEmpty()) {
            found.accept(INFO.found(List.of(of.about(of.design().entities().get(category.general()))),
                    "The tables of “" + of.name(category.general()) + "” do not hold what is stated of its kinds.",
                    lines, remedies));
        }
    }

    /** A number of things other than one or any: a foreign key lets one parent have as many children as there are. */
    private static void counted(Relationship relationship, Reviewed of, Consumer<Finding> found) {
        List<String> lines = new ArrayList<>();
        for (Side side : Side.values()) {
            Cardinality cardinality = relationship.end(side).cardinality();
            if (cardinality.many() && (cardinality.max() != Cardinality.MANY || cardinality.min() > 1)) {
                lines.add(Sentence.of(of.design(), relationship, side.other()).text());
            }
        }
        if (!lines.isEmpty()) {
            About about = of.about(relationship);
            found.accept(INFO.found(List.of(about), "How many there may be of “" + about.name()
                    + "” is stated, and no table counts them: a trigger or the application must.", lines, List.of()));
        }
    }
}
