package entaxis.core.change;

import static entaxis.core.design.Cardinality.EXACTLY_ONE;
import static entaxis.core.design.Cardinality.ONE_OR_MORE;
import static entaxis.core.design.Cardinality.ZERO_OR_MORE;
import static entaxis.core.design.Cardinality.ZERO_OR_ONE;
import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.change.Outcome.Applied;
import entaxis.core.change.Outcome.Refused;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.KeyPart;
import entaxis.core.design.Place;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.SheetId;
import entaxis.core.design.Side;
import entaxis.core.random.RandomChanges;
import entaxis.core.random.RandomDesigns;
import entaxis.core.schema.Identity;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.small.Small;
import entaxis.core.type.SqlType;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

class EditorTest {
    private static final RelationshipId R1 = new RelationshipId("r1");

    private static Small two() {
        return new Small().entity("Site", "site_code char(6) primary key", "name text")
                .entity("Visit", "visit_no integer primary key", "note text")
                .relate("Site", "sees", EXACTLY_ONE, "Visit", "goes to", ZERO_OR_MORE, false);
    }

    /**
     * Whatever the edit: its inverse makes the old design of the new one, and the inverse's inverse the new one again.
     */
    @Test
    void everyChangeIsTakenBackExactly() {
        int applied = 0;
        for (int seed = 0; seed < 60; seed++) {
            Design design = RandomDesigns.design(seed, 10);
            Random random = new Random(seed);
            for (int i = 0; i < 60; i++) {
                Change change = RandomChanges.change(design, random, "n" + i);
                if (Editor.apply(design, change) instanceof Applied(Design next, Patch inverse)) {
                    applied++;
                    Outcome undone = Editor.apply(next, inverse);
                    assertThat(undone).as("%s", change).isInstanceOf(Applied.class);
                    Applied back = (Applied) undone;
                    assertThat(back.design()).as("%s", change).isEqualTo(design);
                    assertThat(((Applied) Editor.apply(back.design(), back.inverse())).design()).as("%s", change)
                            .isEqualTo(next);
                    design = next;
                }
            }
        }
        assertThat(applied).isGreaterThan(2000);
    }

    @Test
    void namesThatAreEmptyTakenOrTooLong() {
        Small small = two();
        assertThat(small.refusal(new Change.RenameEntity(small.id("Site"), "  ")))
                .startsWith("name: The name of the entity is empty");
        assertThat(small.refusal(new Change.RenameEntity(small.id("Site"), "VISIT")))
                .contains("There is an entity “Visit” already");
        assertThat(small.refusal(new Change.RenameEntity(small.id("Site"), "x".repeat(121))))
                .contains("121 characters; 120 is the most");
        assertThat(small.refusal(new Change.RenameEntity(small.id("Site"), "a\nb"))).contains("line break");
        assertThat(small.refusal(new Change.AlterAttribute(small.id("Site"), small.attribute("Site", "name"),
                new AttributeAspect.Name("Site-Code")))).contains("There is an attribute “site_code” here already");
        small.done(new Change.RenameEntity(small.id("Site"), "SITE"));
    }

    @Test
    void whatIsGoneCannotBeEdited() {
        Small small = two();
        EntityId gone = new EntityId("e99");
        assertThat(small.refusal(new Change.RenameEntity(gone, "x"))).contains("no longer there");
        assertThat(
                small.refusal(
                        new Change.AddAttributes(gone,
                                List.of(new Change.NewAttribute(
                                        Attribute.of(new AttributeId("a99"), "x", SqlType.integer()), false, false)))))
                .contains("no longer there");
        assertThat(small.refusal(new Change.RemoveRelationship(new RelationshipId("r99")))).contains("no longer there");
        assertThat(small.refusal(new Change.PlaceCards(new SheetId("p1"), Map.of(gone, new Place(0, 0)))))
                .contains("no longer there");
        assertThat(small.refusal(
                new Change.AddEntity(Entity.named(small.id("Site"), "Again"), new SheetId("p1"), new Place(0, 0))))
                .contains("added already");
    }

    @Test
    void aCycleOfIdentifyingRelationshipsIsRefusedWithItsName() {
        Small small = new Small().entity("A", "a integer primary key").entity("B", "b integer").entity("C", "c integer")
                .relate("A", "has", EXACTLY_ONE, "B", "of", ZERO_OR_MORE, true)
                .relate("B", "has", EXACTLY_ONE, "C", "of", ZERO_OR_MORE, true)
                .relate("C", "has", EXACTLY_ONE, "A", "of", ZERO_OR_MORE, false);
        assertThat(small.refusal(
                new Change.AlterRelationship(new RelationshipId("r3"), new RelationshipAspect.Identifying(true))))
                .contains("A → B → C → A");
        assertThat(small.refusal(new Change.SetKeys(small.id("A"), new KeyPart.InheritedPart(new RelationshipId("r3")),
                OptionalInt.of(1), Set.of()))).contains("A → B → C → A");
        small.done(new Change.AlterRelationship(R1, new RelationshipAspect.Identifying(false)));
        small.done(new Change.AlterRelationship(new RelationshipId("r3"), new RelationshipAspect.Identifying(true)));
        assertThat(small.refusal(new Change.AlterRelationship(R1, new RelationshipAspect.Identifying(true))))
                .startsWith("identifying: ");
    }

    @Test
    void onlyAParentThatIsAlwaysThereIdentifies() {
        Small small = two();
        small.done(new Change.AlterRelationship(R1, new RelationshipAspect.Identifying(true)));
        small.done(new Change.AlterRelationship(R1, new RelationshipAspect.HowMany(Side.FIRST, ZERO_OR_ONE)));
        assertThat(small.design().identifying(small.design().relationships().get(R1))).isFalse();
        assertThat(small.refusal(new Change.AlterRelationship(R1, new RelationshipAspect.Identifying(true))))
                .contains("let each “Visit” have exactly one “Site”");
        Small recursive = new Small().entity("Taxon", "taxon_id integer primary key").relate("Taxon", "contains",
                EXACTLY_ONE, "Taxon", "is in", ZERO_OR_MORE, false);
        assertThat(recursive.refusal(new Change.AlterRelationship(R1, new RelationshipAspect.Identifying(true))))
                .contains("recursive");
    }

    @Test
    void turningRoundExchangesTheEntitiesInOneGo() {
        Small small = two();
        small.done(new Change.AlterRelationship(R1, new RelationshipAspect.Identifying(true)));
        small.done(new Change.SwapEnds(R1));
        assertThat(small.columns("site")).isEqualTo("*visit_no integer, *site_code char(6), name text");
        assertThat(small.columns("visit")).isEqualTo("*visit_no integer, note text");
        small.done(new Change.SwapEnds(R1));
        assertThat(small.columns("visit")).isEqualTo("*site_code char(6), *visit_no integer, note text");
    }

    @Test
    void setToNoValueNeedsAReferenceThatMayBeEmpty() {
        Small small = two();
        assertThat(small
                .refusal(new Change.AlterRelationship(R1, new RelationshipAspect.OnDelete(ReferentialAction.SET_NULL))))
                .contains("must have a value");
        small.done(new Change.AlterRelationship(R1, new RelationshipAspect.HowMany(Side.FIRST, ZERO_OR_ONE)));
        small.done(new Change.AlterRelationship(R1, new RelationshipAspect.OnDelete(ReferentialAction.SET_NULL)));
        small.done(new Change.AlterRelationship(R1, new RelationshipAspect.HowMany(Side.FIRST, EXACTLY_ONE)));
        assertThat(small.design().relationships().get(R1).onDelete()).isEqualTo(ReferentialAction.NO_ACTION);
    }

    @Test
    void aManyToManyWithAttributesDoesNotLoseThemByCountingOtherwise() {
        Small small = two();
        assertThat(
                small.refusal(
                        new Change.AddAttributes(R1,
                                List.of(new Change.NewAttribute(
                                        Attribute.of(new AttributeId("a9"), "x", SqlType.integer()), false, false)))))
                .contains("Only a many-to-many");
        small.done(new Change.AlterRelationship(R1, new RelationshipAspect.HowMany(Side.FIRST, ONE_OR_MORE)));
        small.done(new Change.AddAttributes(R1, List.of(
                new Change.NewAttribute(Attribute.of(new AttributeId("a9"), "x", SqlType.integer()), false, false))));
        assertThat(small.columns("site_visit")).isEqualTo("*site_code char(6), *visit_no integer, x integer");
        assertThat(small
                .refusal(new Change.AlterRelationship(R1, new RelationshipAspect.HowMany(Side.FIRST, EXACTLY_ONE))))
                .contains("which would have no place");
    }

    @Test
    void attributesMoveWithinTheKeyOrAmongTheOthers() {
        Small small =
                new Small().entity("E", "a integer primary key", "b integer primary key", "c text", "d text", "e text");
        small.done(new Change.MoveMember(small.id("E"), new KeyPart.OwnPart(small.attribute("E", "e")), -2));
        assertThat(small.columns("e")).isEqualTo("*a integer, *b integer, e text, c text, d text");
        small.done(new Change.MoveMember(small.id("E"), new KeyPart.OwnPart(small.attribute("E", "a")), 1));
        assertThat(small.table("e").keyColumns()).containsExactly("b", "a");
        small.done(new Change.MoveMember(small.id("E"), new KeyPart.OwnPart(small.attribute("E", "d")), 99));
        assertThat(small.columns("e")).isEqualTo("*b integer, *a integer, e text, c text, d text");
        Small with = two();
        with.done(new Change.MoveMember(with.id("Visit"), new KeyPart.InheritedPart(R1), -1));
        assertThat(with.columns("visit")).isEqualTo("*visit_no integer, !site_code char(6), note text");
    }

    @Test
    void anAttributeThatTheEngineNumbersIsAWholeNumberWithoutDefault() {
        Small small = two();
        EntityId site = small.id("Site");
        assertThat(small.refusal(new Change.AlterAttribute(site, small.attribute("Site", "name"),
                new AttributeAspect.Numbered(Identity.ALWAYS)))).contains("whole number");
        EntityId visit = small.id("Visit");
        small.done(new Change.AlterAttribute(visit, small.attribute("Visit", "visit_no"),
                new AttributeAspect.Numbered(Identity.ALWAYS)));
        assertThat(small.refusal(new Change.AlterAttribute(visit, small.attribute("Visit", "visit_no"),
                new AttributeAspect.Default(java.util.Optional.of("1"))))).contains("no default");
    }

    @Test
    void anOlderEditIsNotTakenBackOverANewerOne() {
        Small small = two();
        Applied renamed = (Applied) Editor.apply(small.design(), new Change.RenameEntity(small.id("Site"), "Spot"));
        Applied again = (Applied) Editor.apply(renamed.design(), new Change.RenameEntity(small.id("Site"), "Place"));
        assertThat(Editor.apply(again.design(), renamed.inverse())).isInstanceOfSatisfying(Refused.class,
                refused -> assertThat(refused.problems().getFirst().message()).contains("has been changed since"));
    }

    @Test
    void aColumnOfARelationshipDoesNotTakeTheNameOfAnAttribute() {
        Small small = two();
        ColumnPath key = ColumnPath.own(small.attribute("Site", "site_code"));
        assertThat(small
                .refusal(new Change.AlterRelationship(R1, new RelationshipAspect.ColumnName(Side.FIRST, key, "NOTE"))))
                .startsWith("column: There is an attribute “note”");
        small.done(new Change.AlterRelationship(R1, new RelationshipAspect.ColumnName(Side.FIRST, key, "place")));
        assertThat(small.columns("visit")).endsWith("!place char(6)");
        small.done(new Change.AlterRelationship(R1, new RelationshipAspect.ColumnName(Side.FIRST, key, "")));
        assertThat(small.columns("visit")).endsWith("!site_code char(6)");
    }

    @Test
    void severalChangesAreOneStepOrNone() {
        Small small = two();
        Change rename = new Change.RenameEntity(small.id("Site"), "Spot");
        assertThat(small.refusal(new Change.Several(List.of(rename, new Change.RenameEntity(small.id("Visit"), "")))))
                .contains("is empty");
        assertThat(small.find("Site").name()).isEqualTo("Site");
    }
}
