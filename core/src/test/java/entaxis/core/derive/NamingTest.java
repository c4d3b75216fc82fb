package entaxis.core.derive;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.change.Change;
import entaxis.core.change.Renaming;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Naming;
import entaxis.core.schema.CheckRule;
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
        Small small = new Small().entity("Plant Species", "code char(5) primary key", "\"Common Name\" varchar(40) not null", "height_cm integer check (height_cm > 0)")
                .entity("Seed Lots", "lot_no integer primary key")
                .relate("Plant Species", "yields", Cardinality.EXACTLY_ONE, "mother", "Seed Lots", "stems from", Cardinality.ZERO_OR_MORE, false);
        return small.done(new Change.SetFacts(small.design().facts().naming(naming)));
    }

    @Test
    void pluralTablesWithAPrefixAndTemplates() {
        Naming naming = new Naming(Naming.Grammar.SINGULAR, Naming.Grammar.PLURAL, Naming.Letters.LOWER, "_", "sv_",
                Map.of(Naming.Template.FOREIGN_COLUMN, "{parent}_{key}", Naming.Template.PRIMARY_KEY, "{table}_pk", Naming.Template.FOREIGN_KEY, "{table}_{parent}_fk"));
        Small small = with(naming);
        assertThat(small.columns("sv_plant_species")).startsWith("*code char(5)");
        assertThat(small.columns("sv_seed_lots")).isEqualTo("*lot_no integer, !mother_code char(5)");
        assertThat(small.table("sv_seed_lots").primaryKey().orElseThrow().name()).isEqualTo("sv_seed_lots_pk");
        assertThat(small.table("sv_seed_lots").foreignKeys()).extracting(ForeignKey::name).containsExactly("sv_seed_lots_mother_fk");
        assertThat(Renaming.proposals(small.design())).extracting(Renaming.Proposal::becomes).containsExactly("common_name", "Seed Lot");
    }

    @Test
    void otherLettersAreFollowedByConditions() {
        Small small = with(Naming.USUAL.with(Naming.Grammar.AS_TYPED, Naming.Grammar.AS_TYPED, Naming.Letters.CAMEL));
        assertThat(small.table("plantSpecies").checks()).extracting(CheckRule::condition).containsExactly("\"heightCm\" > 0");
        assertThat(small.columns("seedLots")).isEqualTo("*lotNo integer, !motherCode char(5)");
        List<Renaming.Proposal> proposals = Renaming.proposals(small.design());
        assertThat(proposals).extracting(Renaming.Proposal::becomes).containsExactly("commonName", "heightCm", "lotNo");
        small.done(new Change.Several(proposals.stream().map(Renaming.Proposal::change).toList()));
        assertThat(Renaming.proposals(small.design())).isEmpty();
    }

    @Test
    void theUsualPolicyNamesAsBefore() {
        Small small = with(Naming.USUAL);
        assertThat(small.table("seed_lots").foreignKeys()).extracting(ForeignKey::name).containsExactly("fk_seed_lots_mother");
        assertThat(Renaming.proposals(with(Naming.USUAL).design())).extracting(Renaming.Proposal::was).containsExactly("Common Name");
    }

    /** English plurals as dictionaries give them, from memory. */
    @ParameterizedTest
    @CsvSource({"Taxa,Taxon", "Boxes,Box", "Families,Family", "Species,Species", "seed_lots,seed_lot", "Addresses,Address", "Bus,Bus", "Class,Class", "Shelves,Shelf", "Data,Datum"})
    void singulars(String many, String one) {
        assertThat(Words.singular(many)).isEqualTo(one);
        assertThat(Words.singular(one)).isEqualTo(one);
    }
}
