package entaxis.core.derive;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.change.Change;
import entaxis.core.change.Renaming;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Naming;
import entaxis.core.schema.ForeignKey;
import entaxis.core.small.Small;
import entaxis.core.word.Words;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class NamingTest {
    private static Small with(Naming naming) {
        Small small = new Small()
                .entity("Plant Species", "code char(5) primary key", "\"Common Name\" varchar(40) not null",
                        "height_cm integer check (height_cm > 0)")
                .entity("Seed Lots", "lot_no integer primary key")
                .relate("Plant Species", "yields", Cardinality.EXACTLY_ONE, "mother", "Seed Lots", "stems from",
                        Cardinality.ZERO_OR_MORE, false);
        return small.done(new Change.SetFacts(small.design().facts().naming(naming)));
    }

    @Test
    void pluralTablesWithAPrefixAndTemplates() {
        Naming naming = new Naming(Naming.Grammar.SINGULAR, Naming.Grammar.PLURAL, Naming.Letters.LOWER, "_", "sv_",
                Map.of(Naming.Template.FOREIGN_COLUMN, "{parent}_{key}", Naming.Template.PRIMARY_KEY, "{table}_pk",
                        Naming.Template.FOREIGN_KEY, "{table}_{parent}_fk"));
        Small small = with(naming);
        assertThat(small.columns("sv_plant_species")).startsWith("*code char(5)");
        assertThat(small.columns("sv_seed_lots")).isEqualTo("*lot_no integer, !mother_code char(5)");
        assertThat(small.table("sv_seed_lots").primaryKey().orElseThrow().name()).isEqualTo("sv_seed_lots_pk");
        assertThat(small.table("sv_seed_lots").foreignKeys()).extracting(ForeignKey::name)
                .containsExactly("sv_seed_lots_mother_fk");
        assertThat(Renaming.proposals(small.design())).extracting(Renaming.Proposal::becomes)
                .containsExactly("common_name", "Seed Lot");
    }

    @Test
    void otherLettersAreFollowedByConditions() {
        Small small = with(Naming.DEFAULT.with(Naming.Grammar.AS_TYPED, Naming.Grammar.AS_TYPED, Naming.Letters.CAMEL));
        assertThat(small.table("plantSpecies").checks()).extracting(check -> check.condition().text())
                .containsExactly("\"heightCm\" > 0");
        assertThat(small.columns("seedLots")).isEqualTo("*lotNo integer, !motherCode char(5)");
        List<Renaming.Proposal> proposals = Renaming.proposals(small.design());
        assertThat(proposals).extracting(Renaming.Proposal::becomes).containsExactly("commonName", "heightCm", "lotNo");
        small.done(new Change.Several(proposals.stream().map(Renaming.Proposal::change).toList()));
        assertThat(Renaming.proposals(small.design())).isEmpty();
    }

    @Test
    void theUsualPolicyNamesAsBefore() {
        Small small = with(Naming.DEFAULT);
        assertThat(small.table("seed_lots").foreignKeys()).extracting(ForeignKey::name)
                .containsExactly("fk_seed_lots_mother");
        assertThat(Renaming.proposals(with(Naming.DEFAULT).design())).extracting(Renaming.Proposal::was)
                .containsExactly("Common Name");
    }

    private static Small begun() {
        Small small = new Small();
        return small.done(new Change.SetFacts(small.design().facts().naming(Naming.BEGUN)));
    }

    /**
     * A key that does not speak of its table takes the table's name along; one that does, or abbreviates it, stays
     * (common practice).
     */
    @ParameterizedTest
    @CsvSource({"Frame,serial,frame_serial", "Job,job_no,job_no", "Department,dept_no,dept_no",
            "Seed lots,lot_code,lot_code", "Book,isbn,book_isbn",
            "Country,code,country_code", "Vault,vault,vault", "Person,person_id,person_id",
            "Purchase order,number,purchase_order_number",
            "Warden,badge_no,warden_badge_no"})
    void aDesignThatIsBegunNowTellsWhoseKeyAColumnIs(String parent, String key, String column) {
        Small small = begun().entity(parent, key + " integer primary key")
                .entity("Other", "other_id integer primary key")
                .relate(parent, "has", Cardinality.EXACTLY_ONE, "Other", "belongs to", Cardinality.ZERO_OR_MORE, false);
        assertThat(small.columns("other")).isEqualTo("*other_id integer, !" + column + " integer");
    }

    @Test
    void aKeyThatTravelsFurtherIsNotNamedAgain() {
        Small small = begun().entity("Frame", "serial integer primary key")
                .entity("Wheel", "position smallint primary key")
                .entity("Spoke", "spoke_no smallint primary key")
                .relate("Frame", "runs on", Cardinality.EXACTLY_ONE, "Wheel", "belongs to", Cardinality.ZERO_OR_MORE,
                        true)
                .relate("Wheel", "has", Cardinality.EXACTLY_ONE, "Spoke", "belongs to", Cardinality.ZERO_OR_MORE, true);
        assertThat(small.columns("spoke"))
                .isEqualTo("*frame_serial integer, *wheel_position smallint, *spoke_no smallint");
    }

    @Test
    void theVerbPhraseTellsTwoReferencesApart() {
        Small small = begun().entity("Collector", "collector_no integer primary key")
                .entity("Trip", "trip_no integer primary key")
                .relate("Collector", "leads", Cardinality.EXACTLY_ONE, "Trip", "is led by", Cardinality.ZERO_OR_MORE,
                        false)
                .relate("Collector", "writes", Cardinality.EXACTLY_ONE, "Trip", "is recorded by",
                        Cardinality.ZERO_OR_MORE, false)
                .relate("Collector", "owns", Cardinality.EXACTLY_ONE, "keeper", "Trip", "belongs to",
                        Cardinality.ZERO_OR_MORE, false);
        assertThat(small.columns("trip"))
                .isEqualTo(
                        "*trip_no integer, !collector_no integer, !recorded_by_collector_no integer, "
                                + "!keeper_collector_no integer");
    }

    @Test
    void whereNobodyWroteAVerbTheyAreNumbered() {
        Small small = begun().entity("Collector", "collector_no integer primary key")
                .entity("Trip", "trip_no integer primary key")
                .relate("Collector", "has", Cardinality.EXACTLY_ONE, "Trip", "belongs to", Cardinality.ZERO_OR_MORE,
                        false)
                .relate("Collector", "has", Cardinality.EXACTLY_ONE, "Trip", "belongs to", Cardinality.ZERO_OR_MORE,
                        false);
        assertThat(small.columns("trip")).isEqualTo("*trip_no integer, !collector_no integer, !collector_no_2 integer");
    }

    /** A design that states no policy is one of before, and keeps its names. */
    @Test
    void anEarlierDesignKeepsItsNames() {
        Small small = new Small().entity("Frame", "serial integer primary key")
                .entity("Wheel", "wheel_no integer primary key")
                .relate("Frame", "runs on", Cardinality.EXACTLY_ONE, "Wheel", "carries", Cardinality.ZERO_OR_MORE,
                        false)
                .relate("Frame", "spares", Cardinality.EXACTLY_ONE, "Wheel", "is kept for", Cardinality.ZERO_OR_MORE,
                        false);
        assertThat(small.columns("wheel")).isEqualTo("*wheel_no integer, !serial integer, !serial_2 integer");
    }

    /** English plurals as dictionaries give them, from memory. */
    @ParameterizedTest
    @CsvSource({"Taxa,Taxon", "Boxes,Box", "Families,Family", "Species,Species", "seed_lots,seed_lot",
            "Addresses,Address", "Bus,Bus", "Class,Class", "Shelves,Shelf", "Data,Datum"})
    void singulars(String many, String one) {
        assertThat(Words.singular(many)).isEqualTo(one);
        assertThat(Words.singular(one)).isEqualTo(one);
    }
}
