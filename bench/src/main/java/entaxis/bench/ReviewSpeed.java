package entaxis.bench;

import entaxis.core.change.AttributeAspect;
import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.random.RandomDesigns;
import entaxis.core.review.Policy;
import entaxis.core.review.Review;
import entaxis.core.review.Reviewed;
import entaxis.core.sql.Dialect;
import java.util.Arrays;
import java.util.Locale;

/** How long all rules take over 1000 entities, and after one edit of them. */
public final class ReviewSpeed {
    private static final int WARM = 200;
    private static final int TIMES = 51;
    /** With the subtypes that are made beside them, these are 1000 entities. */
    private static final int FAMILIES = 750;

    private ReviewSpeed() { }

    /** Prints the table. */
    public static void main(String[] arguments) {
        Design design = RandomDesigns.design(1, FAMILIES);
        Derivation derivation = Derivation.of(design);
        double[] whole = new double[TIMES];
        for (int i = -WARM; i < TIMES; i++) {
            long begin = System.nanoTime();
            Review.of(reviewed(design, derivation), Policy.DEFAULT);
            if (i >= 0) {
                whole[i] = (System.nanoTime() - begin) / 1e6;
            }
        }
        Review review = Review.of(reviewed(design, derivation), Policy.DEFAULT);
        double[] edited = new double[TIMES];
        for (int i = -WARM; i < TIMES; i++) {
            Entity entity = design.entities().list().get(Math.floorMod(i * 37, FAMILIES));
            Change change = entity.attributes().isEmpty() ? new Change.DescribeEntity(entity.id(), "edited " + i)
                    : new Change.AlterAttribute(entity.id(), entity.attributes().getFirst().id(),
                            new AttributeAspect.Meaning("edited " + i));
            design = ((Applied) Editor.apply(design, change)).design();
            derivation = Derivation.after(derivation, design);
            long begin = System.nanoTime();
            review = Review.after(review, reviewed(design, derivation), Policy.DEFAULT);
            if (i >= 0) {
                edited[i] = (System.nanoTime() - begin) / 1e6;
            }
        }
        Arrays.sort(whole);
        Arrays.sort(edited);
        System.out.println("| what | aim | median of " + TIMES + " |");
        System.out.println("|---|---|---|");
        System.out.printf(Locale.ROOT, "| all rules over %d entities, %d findings | 100 ms | %.1f ms |%n",
                design.entities().size(), review.findings().size(), whole[TIMES / 2]);
        System.out.printf(Locale.ROOT, "| after one edit | 5 ms | %.1f ms |%n", edited[TIMES / 2]);
    }

    private static Reviewed reviewed(Design design, Derivation derivation) {
        return new Reviewed(design, derivation, Dialect.of(design.facts().target()));
    }
}
