package entaxis.core.review;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.change.Outcome;
import entaxis.core.change.SheetAspect;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.random.RandomChanges;
import entaxis.core.random.RandomDesigns;
import entaxis.core.random.Rounds;
import entaxis.core.small.Small;
import entaxis.core.sql.Dialect;
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeReader;
import entaxis.core.type.TypeReading;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ReviewTest {
    private static Reviewed reviewed(Design design, Derivation derivation) {
        return new Reviewed(design, derivation, Dialect.of(design.facts().target()));
    }

    /** What is judged again after an edit comes to the same as judging everything. */
    @Test
    void afterAnEditNothingIsMissed() {
        for (int seed = 0; seed < Rounds.of(10); seed++) {
            Random random = new Random(seed);
            Design design = RandomDesigns.design(seed, 10);
            Derivation derivation = Derivation.of(design);
            Review review = Review.of(reviewed(design, derivation), Policy.DEFAULT);
            for (int step = 0; step < 20; step++) {
                Outcome outcome = Editor.apply(design, RandomChanges.change(design, random, "q" + seed + "x" + step));
                if (outcome instanceof Applied applied) {
                    derivation = Derivation.after(derivation, applied.design());
                    design = applied.design();
                    review = Review.after(review, reviewed(design, derivation), Policy.DEFAULT);
                    assertThat(review.findings()).as("seed %d, step %d", seed, step)
                            .isEqualTo(Review.of(reviewed(design, Derivation.of(design)), Policy.DEFAULT).findings());
                }
            }
        }
    }

    /**
     * On whatever design, a remedy can be carried out, ends its finding, adds no fault, and carrying out remedies comes
     * to an end.
     */
    @Test
    void remediesNeverMakeAnythingWorse() {
        for (int seed = 0; seed < Rounds.of(12); seed++) {
            Design design = RandomDesigns.design(seed, 8);
            for (int step = 0; step < 200; step++) {
                Review before = Review.of(reviewed(design, Derivation.of(design)), Policy.DEFAULT);
                Optional<Finding> next =
                        before.findings().stream().filter(finding -> !finding.remedies().isEmpty()).findFirst();
                if (next.isEmpty()) {
                    break;
                }
                assertThat(step).as("seed %d: remedies end", seed).isLessThan(199);
                Outcome outcome = Editor.apply(design, next.get().remedies().getFirst().change());
                if (!(outcome instanceof Applied applied)) {
                    break;
                }
                Review after = Review.of(reviewed(applied.design(), Derivation.of(applied.design())), Policy.DEFAULT);
                assertThat(after.count(Level.FAULT)).as("seed %d, %s", seed, next.get().sentence())
                        .isLessThanOrEqualTo(before.count(Level.FAULT));
                design = applied.design();
            }
        }
    }

    @Test
    void aPolicySwitchesOffAndWeighsOtherwise() {
        Design design = RandomDesigns.design(3, 8);
        Review usual = Review.of(reviewed(design, Derivation.of(design)), Policy.DEFAULT);
        assertThat(usual.findings()).extracting(Finding::rule).contains("not-agreed", "meaning-missing");
        Review other = Review.of(reviewed(design, Derivation.of(design)),
                new Policy(Map.of("not-agreed", Optional.empty(), "meaning-missing", Optional.of(Level.FAULT))));
        assertThat(other.findings()).extracting(Finding::rule).doesNotContain("not-agreed");
        assertThat(other.findings()).filteredOn(finding -> finding.rule().equals("meaning-missing"))
                .extracting(Finding::level).containsExactly(Level.FAULT);
    }

    /**
     * Values and types as ISO/IEC 9075-2 has them (4.2 to 4.6); spaces at the end may be cut, digits behind the point
     * may be.
     */
    @ParameterizedTest
    @CsvSource(nullValues = "-", value = {"varchar(3),abc,true", "varchar(3),abcd,false", "varchar(3),'abc   ',true",
            "char(2),a,true", "text,anything,true", "smallint,32767,true",
            "smallint,32768,false", "smallint,-32768,true", "integer,2147483648,false",
            "bigint,9223372036854775807,true", "integer,1e3,true", "integer,abc,false",
            "'numeric(4,2)',99.99,true", "'numeric(4,2)',100,false", "'numeric(4,2)',0.001,true",
            "date,2032-02-29,true", "date,2031-02-29,false",
            "boolean,true,true", "boolean,perhaps,false", "double precision,1.5e300,true", "double precision,x,false"})
    void valuesFitTypes(String type, String value, boolean fits) {
        Design design = RandomDesigns.design(1, 2);
        SqlType read = ((TypeReading.Known) TypeReader.read(type)).type();
        assertThat(Values.unfit(reviewed(design, Derivation.of(design)), read, value).isEmpty()).isEqualTo(fits);
    }

    /** An entity that was taken off its only sheet is told of, and its remedy puts it back. */
    @Test
    void whatIsOnNoSheetIsFound() {
        Small small = new Small().entity("Jar", "jar_no integer primary key")
                .entity("Lid", "lid_no integer primary key");
        assertThat(absent(small.design())).isEmpty();
        SheetAspect off = new SheetAspect.TakenOff(Set.of(small.id("Lid")));
        small.done(new Change.AlterSheet(small.design().sheet().id(), off));
        List<Finding> found = absent(small.design());
        assertThat(found).singleElement()
                .satisfies(finding -> assertThat(finding.sentence()).isEqualTo("1 entity is on no sheet."));
        small.done(found.getFirst().remedies().getFirst().change());
        assertThat(absent(small.design())).isEmpty();
        assertThat(small.design().sheet().places()).containsKey(small.id("Lid"));
    }

    private static List<Finding> absent(Design design) {
        return Review.of(reviewed(design, Derivation.of(design)), Policy.DEFAULT).findings().stream()
                .filter(finding -> finding.rule().equals("on-no-sheet")).toList();
    }
}
