package entaxis.core.change;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.change.Outcome.Applied;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Place;
import entaxis.core.random.RandomDesigns;
import entaxis.core.small.Small;
import entaxis.core.type.SqlType.DesignType;
import java.util.List;
import org.junit.jupiter.api.Test;

class CopyingTest {
    private int next;

    private String fresh(char kind) {
        return kind + "copy" + ++next;
    }

    @Test
    void aCopyWithItsRelationshipsMakesTheSameTableUnderAnotherName() {
        for (int seed = 0; seed < 30; seed++) {
            Design design = RandomDesigns.design(seed, 8);
            Entity entity = design.entities().list().get(seed % 8);
            boolean kind = design.categories().stream().anyMatch(category -> category.general().equals(entity.id()));
            Design after = ((Applied) Editor.apply(design,
                    Copying.duplicate(design, entity.id(), true, design.sheet().id(), this::fresh))).design();
            Entity copy = after.entities().list().getLast();
            Derivation derivation = Derivation.of(after);
            if (!kind) {
                assertThat(derivation.stated().table(copy.id()).orElseThrow().columns())
                        .hasSameSizeAs(derivation.stated().table(entity.id()).orElseThrow().columns());
            }
            assertThat(copy.alternateKeys()).hasSameSizeAs(entity.alternateKeys());
        }
    }

    @Test
    void aCopyAloneHasOnlyItsOwnAttributes() {
        Small small = new Small().entity("Site", "site_code char(4) primary key")
                .entity("Visit", "visit_no integer primary key")
                .relate("Site", "gets", Cardinality.EXACTLY_ONE, "Visit", "is at", Cardinality.ZERO_OR_MORE, true);
        small.done(
                Copying.duplicate(small.design(), small.id("Visit"), false, small.design().sheet().id(), this::fresh));
        assertThat(small.columns("visit_2")).isEqualTo("*visit_no integer");
    }

    @Test
    void entitiesGoIntoAnotherDesignWithWhatTheyNeed() {
        Design source = RandomDesigns.design(4, 10);
        List<EntityId> some = source.entities().stream().map(Entity::id).limit(6).toList();
        Small target = new Small().entity(source.entities().list().getFirst().name(), "x integer primary key");
        target.done(Copying.into(target.design(), source, some, target.design().sheet().id(), new Place(100, 100),
                this::fresh));
        Design after = target.design();
        assertThat(after.entities()).hasSize(7);
        assertThat(after.entities()).extracting(Entity::name).doesNotHaveDuplicates();
        assertThat(after.entities().stream().flatMap(entity -> entity.attributes().stream())
                .filter(attribute -> attribute.type() instanceof DesignType))
                .allSatisfy(attribute -> assertThat(after.definition(attribute.type())).isPresent());
        long among = source.relationships().stream().filter(relationship -> some.contains(relationship.first().entity())
                && some.contains(relationship.second().entity())).count();
        assertThat(after.relationships()).hasSize((int) among);
        assertThat(Derivation.of(after).schema().tables()).isNotEmpty();
    }

    @Test
    void attributesMoveOutOfKeysAndIntoTheOtherEntity() {
        Small small = new Small().entity("Visit", "visit_no integer primary key", "site_name varchar(40) unique")
                .entity("Site", "site_code char(4) primary key");
        small.done(new Change.MoveAttributes(small.id("Visit"), small.id("Site"),
                List.of(small.attribute("Visit", "site_name"))));
        assertThat(small.columns("site")).isEqualTo("*site_code char(4), site_name varchar(40)");
        assertThat(small.find("Visit").alternateKeys()).isEmpty();
        small.entity("Other", "site_code char(4)");
        assertThat(small.refusal(new Change.MoveAttributes(small.id("Other"), small.id("Site"),
                List.of(small.attribute("Other", "site_code"))))).contains("already");
    }
}
