package entaxis.core.derive;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.change.Change;
import entaxis.core.change.RelationshipAspect;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Category;
import entaxis.core.design.Category.Mapping;
import entaxis.core.design.CategoryId;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Side;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Table;
import entaxis.core.small.Small;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Elmasri and Navathe, mapping of specialisation or generalisation, options 8A to 8D (from memory). */
class CategoryTest {
    private static Small vehicles(Mapping mapping, boolean complete, boolean disjoint) {
        Small small = new Small().entity("Vehicle", "plate char(8) primary key", "bought_on date not null")
                .entity("Van", "load_kg integer not null", "bought_on date")
                .entity("Boat", "draught_m numeric(4,2)").entity("Service", "service_no integer primary key")
                .relate("Vehicle", "may be", Cardinality.EXACTLY_ONE, "Van", "is", Cardinality.ZERO_OR_ONE, true)
                .relate("Vehicle", "may be", Cardinality.EXACTLY_ONE, "Boat", "is", Cardinality.ZERO_OR_ONE, true)
                .relate("Van", "gets", Cardinality.EXACTLY_ONE, "Service", "is for", Cardinality.ZERO_OR_MORE, false);
        return small.done(new Change.PutCategory(new Category(new CategoryId("c1"), small.id("Vehicle"),
                List.of(new RelationshipId("r1"), new RelationshipId("r2")), complete,
                disjoint, mapping, "")));
    }

    /**
     * Option 8A: a relation for the superclass and one for each subclass, whose key is the superclass's and refers to
     * it; FIPS PUB 184: category entities share the generic's key.
     */
    @Test
    void aTableForEachWithTheSameKey() {
        Small small = vehicles(Mapping.ONE_PER_KIND, false, true);
        assertThat(small.columns("vehicle")).isEqualTo("*plate char(8), !bought_on date");
        assertThat(small.columns("van")).isEqualTo("*plate char(8), !load_kg integer, bought_on date");
        assertThat(small.table("van").foreignKeys()).extracting(ForeignKey::referencedTable).containsExactly("vehicle");
        assertThat(small.columns("service")).isEqualTo("*service_no integer, !plate char(8)");
    }

    /** Option 8C: one relation with a type attribute, for disjoint subclasses; what only a subclass has may be null. */
    @Test
    void oneTableWithTheKindInIt() {
        Small small = vehicles(Mapping.ONE_FOR_ALL, true, true);
        assertThat(small.columns("vehicle")).isEqualTo(
                "*plate char(8), !bought_on date, !kind varchar(4), load_kg integer, van_bought_on date, draught_m "
                        + "numeric(4,2)");
        assertThat(small.table("vehicle").checks()).extracting(check -> check.condition().text()).containsExactly(
                "kind in ('van', 'boat')",
                "not (kind = 'van') or load_kg is not null");
        assertThat(Derivation.of(small.design()).schema().tables()).extracting(Table::name).containsExactly("vehicle",
                "service");
        assertThat(small.table("service").foreignKeys()).extracting(ForeignKey::referencedTable)
                .containsExactly("vehicle");
    }

    /** Option 8D: one relation with a flag for each subclass, for overlapping ones. */
    @Test
    void oneTableWithAFlagForEachKind() {
        Small small = vehicles(Mapping.ONE_FOR_ALL, true, false);
        assertThat(small.columns("vehicle")).contains("!is_van boolean, !is_boat boolean");
        assertThat(small.table("vehicle").checks()).extracting(check -> check.condition().text())
                .containsExactly("is_van or is_boat", "not (is_van) or load_kg is not null");
    }

    /** Option 8B: a relation for each subclass with all attributes of the superclass; only for total participation. */
    @Test
    void tablesOfTheKindsOnly() {
        Small small = vehicles(Mapping.ONLY_KINDS, true, true);
        assertThat(Derivation.of(small.design()).schema().tables()).extracting(Table::name).containsExactly("van",
                "boat", "service");
        assertThat(small.columns("van"))
                .isEqualTo("*plate char(8), !bought_on date, !load_kg integer, van_bought_on date");
        assertThat(small.columns("boat")).isEqualTo("*plate char(8), !bought_on date, draught_m numeric(4,2)");
        Category partial = new Category(new CategoryId("c1"), small.id("Vehicle"), List.of(new RelationshipId("r1")),
                false, true, Mapping.ONLY_KINDS, "");
        assertThat(small.refusal(new Change.PutCategory(partial))).contains("would have no place");
    }

    @Test
    void whatIsStatedStaysAsItIs() {
        Small small = vehicles(Mapping.ONE_FOR_ALL, true, true);
        Derivation derivation = Derivation.of(small.design());
        assertThat(derivation.table(small.id("Van"))).isEmpty();
        assertThat(derivation.stated().table(small.id("Van"))).isPresent();
        assertThat(derivation.stated().stated()).isSameAs(derivation.stated());
    }

    /**
     * A mapping that an edit makes impossible gives way to tables for each, instead of a schema that refers to nothing.
     */
    @Test
    void aNewReferenceBringsTheGeneralTableBack() {
        Small small = vehicles(Mapping.ONLY_KINDS, true, true);
        small.relate("Vehicle", "has", Cardinality.EXACTLY_ONE, "Service", "is of", Cardinality.ZERO_OR_MORE, false);
        small.done(new Change.AlterRelationship(new RelationshipId("r4"),
                new RelationshipAspect.HowMany(Side.FIRST, Cardinality.ZERO_OR_ONE)));
        assertThat(small.design().categories().list().getFirst().mapping()).isEqualTo(Mapping.ONE_PER_KIND);
        assertThat(Derivation.of(small.design()).schema().table("vehicle")).isPresent();
    }

    /**
     * So does a relationship that refers to it from the start, and a kind that stops being one but still refers to it.
     */
    @Test
    void whatRefersToTheGeneralEntityNeedsItsTable() {
        Small added = vehicles(Mapping.ONLY_KINDS, true, true);
        added.relate("Vehicle", "has", Cardinality.ZERO_OR_MORE, "Service", "is of", Cardinality.ZERO_OR_MORE, false);
        assertThat(added.design().categories().list().getFirst().mapping()).isEqualTo(Mapping.ONE_PER_KIND);
        Small left = vehicles(Mapping.ONLY_KINDS, true, true);
        left.done(new Change.AlterRelationship(new RelationshipId("r1"), new RelationshipAspect.Identifying(false)));
        assertThat(left.design().categories().list().getFirst().kinds()).hasSize(1);
        assertThat(left.design().categories().list().getFirst().mapping()).isEqualTo(Mapping.ONE_PER_KIND);
        assertThat(left.table("vehicle")).isNotNull();
    }
}
