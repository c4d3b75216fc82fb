package entaxis.web.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import entaxis.core.change.AttributeAspect;
import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.change.RelationshipAspect;
import entaxis.core.change.SheetAspect;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Design;
import entaxis.core.design.EntityId;
import entaxis.core.design.Place;
import entaxis.core.design.Relationship;
import entaxis.core.design.Side;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Numbering;
import entaxis.core.small.Small;
import entaxis.web.edit.EditReading.Faulty;
import entaxis.web.edit.EditReading.Read;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class EditReaderTest {
    private final Small small = new Small().entity("Site", "site_no integer primary key", "name text default 'x'")
            .entity("Visit", "visit_no integer primary key");

    private EditReading read(String... fields) {
        Map<String, String> form = new HashMap<>();
        for (int i = 0; i < fields.length; i += 2) {
            form.put(fields[i], fields[i + 1]);
        }
        return EditReader.read(small.design(), new EditForm(form));
    }

    private Change change(String... fields) {
        return ((Read) read(fields)).change();
    }

    private Design after(String... fields) {
        return ((Applied) Editor.apply(small.design(), change(fields))).design();
    }

    @Test
    void anEntityIsAddedWhereItWasNamedAndSelected() {
        assertThat(read("kind", "entity.add", "value", "Collector", "x", "12.6", "y", "-3"))
                .isInstanceOfSatisfying(Read.class, reading -> {
            Change.AddEntity add = (Change.AddEntity) reading.change();
            assertThat(add.entity().name()).isEqualTo("Collector");
            assertThat(add.place()).isEqualTo(new Place(13, -3));
            assertThat(reading.select()).contains(add.entity().id().value());
        });
    }

    @Test
    void aKeyCellHoldsRankAndAlternateKeys() {
        String part = small.attribute("Site", "name").value();
        assertThat(change("kind", "attribute.key", "entity", "e1", "part", part, "value", "2 AK1, ak3"))
                .isEqualTo(new Change.SetKeys(new EntityId("e1"),
                        new entaxis.core.design.KeyPart.OwnPart(small.attribute("Site", "name")), OptionalInt.of(2),
                        Set.of(1, 3)));
        assertThat(change("kind", "attribute.key", "entity", "e1", "part", part, "value", ""))
                .isEqualTo(new Change.SetKeys(new EntityId("e1"),
                        new entaxis.core.design.KeyPart.OwnPart(small.attribute("Site", "name")), OptionalInt.empty(),
                        Set.of()));
    }

    @ParameterizedTest
    @CsvSource({"attribute.key,first,is no place in a key", "attribute.key,AK,is no place in a key",
            "attribute.type,varchr,did you mean varchar", "attribute.default,(1,bracket is opened",
            "attribute.check,a > ';,quote or comment", "attribute.add,'',Type an attribute",
            "relationship.add,'',Type the name"})
    void whatCannotBeUnderstoodIsSaid(String kind, String value, String message) {
        String attribute = small.attribute("Site", "name").value();
        assertThat(read("kind", kind, "entity", "e1", "owner", "e1", "first", "e1", "attribute", attribute, "part",
                attribute, "value", value, "second", value))
                .isInstanceOfSatisfying(Faulty.class,
                        faulty -> assertThat(faulty.problems().getFirst().message()).contains(message));
    }

    @Test
    void theDefaultFieldAlsoTakesTheWordsForNumbering() {
        String attribute = small.attribute("Site", "site_no").value();
        Design numbered = after("kind", "attribute.default", "owner", "e1", "attribute", attribute, "value",
                "GENERATED  by default AS identity");
        assertThat(numbered.entities().get(new EntityId("e1")).attributes().getFirst().identity())
                .isEqualTo(Identity.BY_DEFAULT);
        Small next = small.done(change("kind", "attribute.default", "owner", "e1", "attribute", attribute, "value",
                "generated always as identity"));
        assertThat(next.find("Site").attributes().getFirst().identity()).isEqualTo(Identity.ALWAYS);
        Design plain = after("kind", "attribute.default", "owner", "e1", "attribute", attribute, "value", "7");
        assertThat(plain.entities().get(new EntityId("e1")).attributes().getFirst()).satisfies(own -> {
            assertThat(own.identity()).isEqualTo(Identity.NONE);
            assertThat(own.defaultValue()).contains("7");
        });
    }

    @Test
    void anAreaThatIsNotThereIsMadeInTheSameStep() {
        Design made = after("kind", "entity.area", "entity", "e1", "value", " Field work ");
        assertThat(made.areas()).singleElement().satisfies(area -> assertThat(area.name()).isEqualTo("Field work"));
        small.done(change("kind", "entity.area", "entity", "e1", "value", "Field work"));
        assertThat(after("kind", "entity.area", "entity", "e2", "value", "field WORK").areas().size()).isEqualTo(1);
        assertThat(after("kind", "entity.area", "entity", "e1", "value", "").entities().get(new EntityId("e1")).area())
                .isEmpty();
    }

    @Test
    void aNewRelationshipIsOneToManyAndARecursiveOneHasARole() {
        Relationship plain =
                ((Change.AddRelationship) change("kind", "relationship.add", "first", "e1", "second", "VISIT"))
                        .relationship();
        assertThat(plain.first().cardinality()).isEqualTo(Cardinality.EXACTLY_ONE);
        assertThat(plain.second().cardinality()).isEqualTo(Cardinality.ZERO_OR_MORE);
        Relationship recursive =
                ((Change.AddRelationship) change("kind", "relationship.add", "first", "e1", "second", "e1"))
                        .relationship();
        assertThat(recursive.first().role()).isEqualTo("parent");
        assertThat(recursive.first().cardinality()).isEqualTo(Cardinality.ZERO_OR_ONE);
    }

    @Test
    void cardinalitiesComeAsPeopleSayThem() {
        assertThat(read("kind", "relationship.many", "relationship", "r1", "side", "SECOND", "value", "lots"))
                .isInstanceOf(EditReading.Faulty.class);
        assertThat(change("kind", "relationship.many", "relationship", "r1", "side", "SECOND", "value", "one or more"))
                .isEqualTo(new Change.AlterRelationship(
                        new entaxis.core.design.RelationshipId("r1"),
                        new RelationshipAspect.HowMany(Side.SECOND, Cardinality.ONE_OR_MORE)));
    }

    @ParameterizedTest
    @CsvSource({"cards.place,e1:1", "cards.place,'e1:1,2;x'", "cards.place,'e1:99999999999,2'", "facts.target,Oracle",
            "sheet.paper,B5", "line.way,1;2", "entity.unknown,x", "relationship.delete,EXPLODE"})
    void whatNoPageSendsIsAnErrorOfTheRequest(String kind, String value) {
        assertThatThrownBy(() -> read("kind", kind, "relationship", "r1", "side", "FIRST", "value", value))
                .isInstanceOf(WrongRequest.class);
    }

    @Test
    void theDefaultFieldTakesNumbersAndFormulas() {
        assertThat(change("kind", "attribute.default", "owner", "e1", "attribute", "a1", "value",
                "generated always as identity (start with 5 increment by 5)"))
                .isEqualTo(new Change.Several(List.of(
                        new Change.AlterAttribute(new EntityId("e1"), new AttributeId("a1"),
                                new AttributeAspect.Default(Optional.empty())),
                        new Change.AlterAttribute(new EntityId("e1"), new AttributeId("a1"),
                                new AttributeAspect.Numbers(Identity.ALWAYS,
                                        Optional.of(new Numbering(5, 5)))))));
        assertThat(
                read("kind", "attribute.default", "owner", "e1", "attribute", "a1", "value", "generated always as 3"))
                .isInstanceOf(EditReading.Faulty.class);
    }

    @Test
    void aCheckMayBringItsName() {
        assertThat(change("kind", "attribute.check", "owner", "e1", "attribute", "a1", "value",
                "constraint positive check (x > 0)"))
                .isEqualTo(new Change.AlterAttribute(new EntityId("e1"), new AttributeId("a1"),
                        new AttributeAspect.CheckAs("positive", Optional.of("x > 0"))));
    }

    @Test
    void sentencesWithAFaultMakeNothing() {
        assertThat(((EditReading.Faulty) read("kind", "sentences.add", "value",
                "Each site has one or more pots. Pots are blue.")).problems().getFirst().message())
                .contains("character 33").contains("Nothing was made yet");
    }

    @Test
    void cornersOfALineComeWithItsSides() {
        assertThat(change("kind", "line.way", "line", "r1", "from", "RIGHT", "to", "LEFT", "value", "10,20;10,80"))
                .isInstanceOfSatisfying(Change.AlterSheet.class, edit ->
                assertThat(((SheetAspect.Way) edit.aspect()).shape().bends()).containsExactly(new Place(10, 20),
                        new Place(10, 80)));
    }
}
