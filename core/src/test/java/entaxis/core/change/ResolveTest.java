package entaxis.core.change;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Cardinality;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.EntityId;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.RowId;
import entaxis.core.design.SampleRow;
import entaxis.core.design.Side;
import entaxis.core.schema.UniqueKey;
import entaxis.core.sentence.HiddenManyToMany;
import entaxis.core.sentence.Sentence;
import entaxis.core.small.Small;
import entaxis.core.type.SqlType;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class ResolveTest {
    private static final RelationshipId MANY = new RelationshipId("r1");

    private static Small trips() {
        Small small = new Small().entity("Collector", "collector_no integer primary key")
                .entity("Trip", "trip_no char(7) primary key")
                .relate("Collector", "takes part in", Cardinality.ONE_OR_MORE, "Trip", "is made by",
                        Cardinality.ZERO_OR_MORE, false);
        small.done(new Change.AddAttributes(MANY,
                List.of(new Change.NewAttribute(Attribute.of(new AttributeId("atask"), "task", SqlType.varchar(30)),
                        false, false))));
        small.done(new Change.AddRow(new SampleRow(new RowId("w1"), MANY,
                Map.of(ColumnPath.own(small.attribute("Collector", "collector_no")).over(MANY, Side.FIRST), "7",
                        ColumnPath.own(small.attribute("Trip", "trip_no")).over(MANY, Side.SECOND), "T-1",
                        ColumnPath.own(new AttributeId("atask")), "driving"))));
        return small;
    }

    private static Change.Resolve into(Change.AssociativeKey key) {
        return new Change.Resolve(MANY, new EntityId("enew"), "Participation", new RelationshipId("ra"),
                new RelationshipId("rb"), key, new AttributeId("akey"), List.of());
    }

    /**
     * Common practice: the associative table's key is made of both parents' keys; two one-to-many; the outer ends keep
     * the minima of the many-to-many.
     */
    @Test
    void bothParentsIdentifyItAndTheMinimaStay() {
        Small small = trips();
        String bridge = small.columns("collector_trip");
        small.done(into(Change.AssociativeKey.PARENTS));
        assertThat(small.columns("participation")).isEqualTo(bridge);
        Design design = small.design();
        assertThat(Sentence.of(design, design.relationships().get(new RelationshipId("ra")), Side.FIRST).text())
                .isEqualTo("Each collector takes part in zero or more participations.");
        assertThat(Sentence.of(design, design.relationships().get(new RelationshipId("rb")), Side.FIRST).text())
                .isEqualTo("Each trip is made by one or more participations.");
        assertThat(Sentence.of(design, design.relationships().get(new RelationshipId("ra")), Side.SECOND).text())
                .isEqualTo("Each participation belongs to exactly one collector.");
        assertThat(HiddenManyToMany.questions(design, new EntityId("enew")))
                .extracting(HiddenManyToMany.Question::question)
                .containsExactly(
                        "Could one participation ever need two collectors? Then this is the next many-to-many.",
                        "Could one participation ever need two trips? Then this is the next many-to-many.");
    }

    @Test
    void itsRowsGoAlong() {
        Small small = trips();
        small.done(into(Change.AssociativeKey.PARENTS));
        SampleRow row = small.design().rows().get(new RowId("w1"));
        assertThat(row.table()).isEqualTo(new EntityId("enew"));
        assertThat(row.values())
                .containsEntry(ColumnPath.own(small.attribute("Collector", "collector_no"))
                        .over(new RelationshipId("ra"), Side.FIRST), "7")
                .containsEntry(
                        ColumnPath.own(small.attribute("Trip", "trip_no")).over(new RelationshipId("rb"), Side.FIRST),
                        "T-1");
    }

    @Test
    void aKeyOfItsOwnLeavesBothParentsUnique() {
        Small small = trips().done(into(Change.AssociativeKey.OWN));
        assertThat(small.columns("participation"))
                .isEqualTo("*id integer, task varchar(30), !collector_no integer, !trip_no char(7)");
        assertThat(small.table("participation").uniqueKeys()).extracting(UniqueKey::columns)
                .containsExactly(List.of("collector_no", "trip_no"));
    }

    @Test
    void aLineNumberCountsWithinTheFirstParent() {
        Small small = trips().done(into(Change.AssociativeKey.LINE_NUMBER));
        assertThat(small.columns("participation"))
                .isEqualTo("*collector_no integer, *line_no integer, task varchar(30), !trip_no char(7)");
        assertThat(small.design().rows().get(new RowId("w1")).values())
                .containsEntry(ColumnPath.own(new AttributeId("akey")), "1");
    }

    @Test
    void dissolvingTakesItBackWhereNothingOfItsOwnIsLost() {
        Small small = trips().done(into(Change.AssociativeKey.PARENTS));
        assertThat(small.refusal(new Change.Dissolve(new EntityId("enew"), new RelationshipId("rc"))))
                .contains("has attributes of its own (task)");
        small.done(new Change.RemoveAttribute(new EntityId("enew"), new AttributeId("atask")));
        small.done(new Change.Dissolve(new EntityId("enew"), new RelationshipId("rc")));
        var back = small.design().relationships().get(new RelationshipId("rc"));
        assertThat(back.manyToMany()).isTrue();
        assertThat(back.first().cardinality()).isEqualTo(Cardinality.ONE_OR_MORE);
        assertThat(back.second().cardinality()).isEqualTo(Cardinality.ZERO_OR_MORE);
        assertThat(small.columns("participation")).isEqualTo("*collector_no integer, *trip_no char(7)");
        assertThat(small.design().rows().get(new RowId("w1")).table()).isEqualTo(new RelationshipId("rc"));
    }
}
