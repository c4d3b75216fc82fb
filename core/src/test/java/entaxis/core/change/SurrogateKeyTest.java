package entaxis.core.change;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.derive.Derivation;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Cardinality;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.RowId;
import entaxis.core.design.SampleRow;
import entaxis.core.design.Side;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Schema;
import entaxis.core.schema.UniqueKey;
import entaxis.core.small.Small;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class SurrogateKeyTest {
    private static Small chain() {
        return new Small()
                .entity("Site", "country char(2) primary key", "site_no integer primary key",
                        "name varchar(60) not null")
                .entity("Plot", "plot_no integer primary key")
                .entity("Reading", "taken_at timestamp primary key", "value numeric(6,2)")
                .relate("Site", "has", Cardinality.EXACTLY_ONE, "Plot", "lies in", Cardinality.ZERO_OR_MORE, true)
                .relate("Plot", "has", Cardinality.EXACTLY_ONE, "Reading", "is of", Cardinality.ZERO_OR_MORE, true);
    }

    /**
     * Common practice: a surrogate primary key, plus a unique constraint on the natural key; children take the new key
     * in the same step, through all generations.
     */
    @Test
    void theNaturalKeyStaysUniqueAndChildrenFollow() {
        Small small = chain();
        assertThat(small.columns("reading")).isEqualTo(
                "*country char(2), *site_no integer, *plot_no integer, *taken_at timestamp, value numeric(6,2)");
        small.done(new Change.AddSurrogateKey(small.id("Site"), new AttributeId("anew"), "id"));
        assertThat(small.columns("site"))
                .isEqualTo("*id integer, !country char(2), !site_no integer, !name varchar(60)");
        assertThat(small.table("site").uniqueKeys()).extracting(UniqueKey::columns)
                .containsExactly(List.of("country", "site_no"));
        assertThat(small.columns("plot")).isEqualTo("*site_id integer, *plot_no integer");
        assertThat(small.columns("reading"))
                .isEqualTo("*site_id integer, *plot_no integer, *taken_at timestamp, value numeric(6,2)");
        assertThat(small.table("plot").foreignKeys()).extracting(ForeignKey::referencedColumns)
                .containsExactly(List.of("id"));
    }

    @Test
    void andBackIsTheSameTablesAgain() {
        Small small = chain();
        Schema before = Derivation.of(small.design()).schema();
        small.done(new Change.AddSurrogateKey(small.id("Site"), new AttributeId("anew"), "id"));
        small.done(new Change.TakeAlternateKey(small.id("Site"), 1));
        assertThat(Derivation.of(small.design()).schema()).isEqualTo(before);
    }

    @Test
    void sampleRowsKeepReferringToTheSameRow() {
        Small small = chain();
        AttributeId country = small.attribute("Site", "country");
        AttributeId siteNo = small.attribute("Site", "site_no");
        RelationshipId has = new RelationshipId("r1");
        RelationshipId then = new RelationshipId("r2");
        for (int i = 1; i <= 2; i++) {
            small.done(new Change.AddRow(new SampleRow(new RowId("ws" + i), small.id("Site"),
                    Map.of(ColumnPath.own(country), "NL", ColumnPath.own(siteNo), "" + (40 + i)))));
        }
        ColumnPath farCountry = ColumnPath.own(country).over(has, Side.FIRST).over(then, Side.FIRST);
        ColumnPath farSite = ColumnPath.own(siteNo).over(has, Side.FIRST).over(then, Side.FIRST);
        small.done(new Change.AddRow(
                new SampleRow(new RowId("wr"), small.id("Reading"), Map.of(farCountry, "NL", farSite, "42"))));
        Design before = small.design();
        small.done(new Change.AddSurrogateKey(small.id("Site"), new AttributeId("anew"), "id"));
        ColumnPath farId = ColumnPath.own(new AttributeId("anew")).over(has, Side.FIRST).over(then, Side.FIRST);
        assertThat(small.design().rows().get(new RowId("wr")).values()).isEqualTo(Map.of(farId, "2"));
        small.done(new Change.TakeAlternateKey(small.id("Site"), 1));
        assertThat(small.design().rows().get(new RowId("wr"))).isEqualTo(before.rows().get(new RowId("wr")));
    }

    @Test
    void anEntityWithAGeneratedKeyNeedsNoOther() {
        Small small = new Small().entity("Thing", "id integer generated always as identity primary key",
                "code char(3) unique");
        assertThat(small.refusal(new Change.AddSurrogateKey(small.id("Thing"), new AttributeId("anew"), "no")))
                .contains("has a generated key already");
        small.done(new Change.TakeAlternateKey(small.id("Thing"), 1));
        assertThat(small.columns("thing")).isEqualTo("*code char(3)");
    }
}
