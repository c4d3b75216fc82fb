package entaxis.core.change;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.design.Cardinality;
import entaxis.core.design.Exclusion;
import entaxis.core.design.ExclusionId;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Side;
import entaxis.core.small.Small;
import java.util.List;
import org.junit.jupiter.api.Test;

class ExclusionTest {
    private static Small lots() {
        return new Small().entity("Trip", "trip_no integer primary key")
                .entity("Donation", "donor varchar(30) primary key", "year integer primary key")
                .entity("Lot", "lot_no integer primary key")
                .relate("Trip", "brings", Cardinality.EXACTLY_ONE, "Lot", "comes from", Cardinality.ZERO_OR_MORE, false)
                .relate("Donation", "brings", Cardinality.ZERO_OR_ONE, "Lot", "is given in", Cardinality.ZERO_OR_MORE,
                        false);
    }

    private static Change either(Small small, boolean mandatory) {
        return new Change.PutExclusion(new Exclusion(new ExclusionId("x1"), "", small.id("Lot"),
                List.of(new RelationshipId("r1"), new RelationshipId("r2")), mandatory));
    }

    @Test
    void eitherATripOrADonation() {
        Small small = lots();
        small.done(either(small, true));
        assertThat(small.columns("lot")).isEqualTo("*lot_no integer, trip_no integer, donor varchar(30), year integer");
        assertThat(small.table("lot").checks()).extracting(check -> check.condition().text())
                .containsExactly(
                        "case when trip_no is null then 0 else 1 end + case when donor is null then 0 else 1 end = 1");
        small.done(either(small, false));
        assertThat(small.table("lot").checks()).extracting(check -> check.condition().text())
                .first().asString().endsWith("<= 1");
    }

    @Test
    void alternativesEndWhenOneOfThemNoLongerFits() {
        Small small = lots();
        small.done(either(small, true));
        small.done(new Change.AlterRelationship(new RelationshipId("r1"),
                new RelationshipAspect.HowMany(Side.FIRST, Cardinality.EXACTLY_ONE)));
        assertThat(small.design().exclusions()).isEmpty();
    }

    @Test
    void whatIsAlwaysThereExcludesNothing() {
        Small small = lots();
        small.done(new Change.AlterRelationship(new RelationshipId("r1"), new RelationshipAspect.Identifying(true)));
        assertThat(small.refusal(either(small, true))).contains("is part of the key");
    }
}
