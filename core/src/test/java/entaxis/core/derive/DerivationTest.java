package entaxis.core.derive;

import static entaxis.core.design.Cardinality.EXACTLY_ONE;
import static entaxis.core.design.Cardinality.ONE_OR_MORE;
import static entaxis.core.design.Cardinality.ZERO_OR_MORE;
import static entaxis.core.design.Cardinality.ZERO_OR_ONE;
import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.change.AttributeAspect;
import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.change.RelationshipAspect;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.KeyPart;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Side;
import entaxis.core.random.RandomChanges;
import entaxis.core.random.RandomDesigns;
import entaxis.core.random.Rounds;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.UniqueKey;
import entaxis.core.small.Small;
import entaxis.core.type.SqlType;
import java.util.HashSet;
import java.util.List;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

class DerivationTest {

    private static Small parentAndChild(boolean identifying) {
        return new Small().entity("Vault", "vault char(2) primary key")
                .entity("Shelf", "shelf smallint primary key", "height integer")
                .relate("Vault", "holds", EXACTLY_ONE, "Shelf", "stands in", ZERO_OR_MORE, identifying);
    }

    /**
     * The key migrates to the many side, below the key; an identifying one into the key, before the own part (FIPS PUB
     * 184, from memory).
     */
    @Test
    void aForeignKeyStandsOnTheManySide() {
        assertThat(parentAndChild(false).columns("shelf")).isEqualTo("*shelf smallint, height integer, !vault char(2)");
        assertThat(parentAndChild(false).columns("vault")).isEqualTo("*vault char(2)");
        assertThat(parentAndChild(true).columns("shelf")).isEqualTo("*vault char(2), *shelf smallint, height integer");
    }

    @Test
    void anOptionalParentLetsTheColumnBeEmpty() {
        Small small = parentAndChild(false).done(new Change.AlterRelationship(new RelationshipId("r1"),
                new RelationshipAspect.HowMany(Side.FIRST, ZERO_OR_ONE)));
        assertThat(small.columns("shelf")).endsWith("height integer, vault char(2)");
    }

    /** Same data type as the referenced key; identity is not part of the type: common practice. */
    @Test
    void theColumnHasTheKeysTypeWithoutItsNumbering() {
        Small small = new Small().entity("Taxon", "taxon_id bigint unsigned generated always as identity primary key")
                .entity("Accession", "no integer primary key")
                .relate("Taxon", "yields", EXACTLY_ONE, "Accession", "is of", ZERO_OR_MORE, false);
        Column column = small.table("accession").column("taxon_id").orElseThrow();
        assertThat(column.type()).isEqualTo(small.table("taxon").column("taxon_id").orElseThrow().type());
        assertThat(column.identity()).isEqualTo(Identity.NONE);
    }

    @Test
    void aKeyThatChangesIsFollowedThroughThreeGenerations() {
        Small small = parentAndChild(true).entity("Slot", "slot smallint primary key")
                .relate("Shelf", "has", EXACTLY_ONE, "Slot", "is part of", ONE_OR_MORE, true)
                .entity("Jar", "jar integer primary key")
                .relate("Slot", "keeps", ZERO_OR_ONE, "Jar", "is in", ZERO_OR_ONE, false);
        assertThat(small.columns("slot")).isEqualTo("*vault char(2), *shelf smallint, *slot smallint");
        assertThat(small.columns("jar")).isEqualTo("*jar integer, vault char(2), shelf smallint, slot smallint");
        small.done(new Change.AlterAttribute(small.id("Vault"), small.attribute("Vault", "vault"),
                new AttributeAspect.Type(SqlType.varchar(8))));
        small.done(new Change.AlterAttribute(small.id("Vault"), small.attribute("Vault", "vault"),
                new AttributeAspect.Name("vault code")));
        assertThat(small.columns("slot")).isEqualTo("*vault_code varchar(8), *shelf smallint, *slot smallint");
        assertThat(small.columns("jar"))
                .isEqualTo("*jar integer, vault_code varchar(8), shelf smallint, slot smallint");
        small.done(new Change.SetKeys(small.id("Shelf"), new KeyPart.OwnPart(small.attribute("Shelf", "height")),
                OptionalInt.of(2), Set.of()));
        assertThat(small.columns("slot"))
                .isEqualTo("*vault_code varchar(8), *height integer, *shelf smallint, *slot smallint");
        small.done(new Change.RemoveRelationship(new RelationshipId("r1")));
        assertThat(small.columns("jar")).isEqualTo("*jar integer, height integer, shelf smallint, slot smallint");
    }

    /** One associative table, its key both parents' keys, two one-to-many: common practice. */
    @Test
    void aManyToManyBecomesABridgeTable() {
        Small small = new Small().entity("Collector", "collector_no integer primary key")
                .entity("Trip", "trip_no integer primary key")
                .relate("Collector", "takes part in", ONE_OR_MORE, "Trip", "is made by", ZERO_OR_MORE, false);
        assertThat(small.columns("collector_trip")).isEqualTo("*collector_no integer, *trip_no integer");
        assertThat(small.table("collector_trip").foreignKeys()).extracting(ForeignKey::referencedTable)
                .containsExactly("collector", "trip");
        assertThat(small.columns("collector")).isEqualTo("*collector_no integer");
    }

    @Test
    void aManyToManyOfAnEntityWithItselfHasTwoNames() {
        Small small = new Small().entity("Taxon", "taxon_id integer primary key").relate("Taxon", "crosses with",
                ZERO_OR_MORE, "Taxon", "is crossed with", ZERO_OR_MORE, false);
        assertThat(small.columns("taxon_taxon")).isEqualTo("*taxon_id integer, *other_taxon_id integer");
    }

    /** A hierarchy is a foreign key to the own primary key, nullable at the root: common practice. */
    @Test
    void aRecursiveRelationshipTakesARole() {
        Small small = new Small().entity("Taxon", "taxon_id integer primary key").relate("Taxon", "contains",
                ZERO_OR_ONE, "parent", "Taxon", "belongs under", ZERO_OR_MORE, false);
        assertThat(small.columns("taxon")).isEqualTo("*taxon_id integer, parent_taxon_id integer");
        assertThat(small.table("taxon").foreignKeys()).singleElement()
                .satisfies(key -> assertThat(key.referencedTable()).isEqualTo("taxon"));
    }

    @Test
    void twoRolesBetweenOnePair() {
        Small small =
                new Small().entity("Collector", "no integer primary key").entity("Trip", "trip_no integer primary key")
                .relate("Collector", "leads", EXACTLY_ONE, "leader", "Trip", "is led by", ZERO_OR_MORE, false)
                .relate("Collector", "records", ZERO_OR_ONE, "recorder", "Trip", "is recorded by", ZERO_OR_MORE, false)
                .relate("Collector", "funds", ZERO_OR_ONE, "Trip", "is funded by", ZERO_OR_MORE, false);
        assertThat(small.columns("trip"))
                .isEqualTo("*trip_no integer, !leader_no integer, recorder_no integer, collector_no integer");
    }

    @Test
    void aOneToOneIsUniqueOnTheSideThatWasChosen() {
        Small small =
                new Small().entity("Slot", "slot integer primary key").entity("Accession", "no integer primary key")
                .relate("Slot", "keeps", ZERO_OR_ONE, "Accession", "is kept in", ZERO_OR_ONE, false);
        assertThat(small.table("accession").uniqueKeys()).extracting(UniqueKey::columns)
                .containsExactly(List.of("slot"));
        small.done(new Change.AlterRelationship(new RelationshipId("r1"), new RelationshipAspect.Child(Side.FIRST)));
        assertThat(small.columns("accession")).isEqualTo("*no integer");
        assertThat(small.columns("slot")).isEqualTo("*slot integer, accession_no integer");
    }

    @Test
    void anIdentifyingOneToOneNeedsNoFurtherRule() {
        Small small = new Small().entity("Person", "person_no integer primary key").entity("Passport", "issued date")
                .relate("Person", "holds", EXACTLY_ONE, "Passport", "is of", ZERO_OR_ONE, true);
        assertThat(small.columns("passport")).isEqualTo("*person_no integer, issued date");
        assertThat(small.table("passport").uniqueKeys()).isEmpty();
    }

    @Test
    void namesThatCollideAreToldApartAndNamesGivenByHandStay() {
        Small small = new Small().entity("Site", "code char(3) primary key")
                .entity("Visit", "visit integer primary key", "site_code text")
                .relate("Site", "sees", EXACTLY_ONE, "Visit", "goes to", ZERO_OR_MORE, false);
        assertThat(small.columns("visit")).isEqualTo("*visit integer, site_code text, !site_code_2 char(3)");
        small.done(new Change.AlterRelationship(new RelationshipId("r1"),
                new RelationshipAspect.ColumnName(Side.FIRST, ColumnPath.own(small.attribute("Site", "code")),
                        "Place code")));
        assertThat(small.columns("visit")).endsWith("!place_code char(3)");
        small.done(new Change.RenameEntity(small.id("Site"), "Spot"));
        assertThat(small.columns("visit")).endsWith("!place_code char(3)");
    }

    @Test
    void anAlternateKeyMayUseColumnsOfARelationship() {
        Small small = parentAndChild(false);
        small.done(new Change.SetKeys(small.id("Shelf"), new KeyPart.OwnPart(small.attribute("Shelf", "height")),
                OptionalInt.empty(), Set.of(1)));
        small.done(new Change.SetKeys(small.id("Shelf"), new KeyPart.InheritedPart(new RelationshipId("r1")),
                OptionalInt.empty(), Set.of(1)));
        assertThat(small.table("shelf").uniqueKeys()).extracting(UniqueKey::columns)
                .containsExactly(List.of("height", "vault"));
    }

    @Test
    void aParentWithoutAKeyGivesNoColumns() {
        Small small = new Small().entity("Site", "name text").entity("Visit", "visit integer primary key")
                .relate("Site", "sees", EXACTLY_ONE, "Visit", "goes to", ZERO_OR_MORE, false);
        assertThat(small.columns("visit")).isEqualTo("*visit integer");
        assertThat(small.table("visit").foreignKeys()).isEmpty();
    }

    @Test
    void aChainOfAThousandGenerationsIsDerived() {
        Small small = new Small();
        for (int i = 0; i < 1000; i++) {
            small.entity("E" + i, i == 0 ? "k integer primary key" : "own" + i + " integer");
            if (i > 0) {
                small.relate("E" + (i - 1), "has", EXACTLY_ONE, "E" + i, "is of", ZERO_OR_MORE, true);
            }
        }
        assertThat(small.columns("e999")).isEqualTo("*k integer, own999 integer");
    }

    @Test
    void rulesThatHoldForEveryDesign() {
        for (int seed = 0; seed < Rounds.of(120); seed++) {
            Design design = RandomDesigns.design(seed, 14);
            Schema schema = Derivation.of(design).schema();
            assertThat(Derivation.of(design).schema()).isEqualTo(schema);
            Set<String> constraints = new HashSet<>();
            Set<String> tables = new HashSet<>();
            for (Table table : schema.tables()) {
                assertThat(tables.add(table.name())).isTrue();
                assertThat(table.columns()).extracting(Column::name).doesNotHaveDuplicates();
                table.primaryKey().ifPresent(key -> assertThat(constraints.add(key.name())).isTrue());
                table.uniqueKeys().forEach(key -> assertThat(constraints.add(key.name())).isTrue());
                assertThat(table.keyColumns()).allMatch(name -> table.column(name).orElseThrow().required());
                for (ForeignKey key : table.foreignKeys()) {
                    assertThat(constraints.add(key.name())).isTrue();
                    Table parent = schema.table(key.referenced().label()).orElseThrow();
                    assertThat(key.referencedColumns()).isEqualTo(parent.keyColumns());
                    for (int i = 0; i < key.columns().size(); i++) {
                        assertThat(table.column(key.columns().get(i)).orElseThrow().type())
                                .isEqualTo(parent.column(key.referencedColumns().get(i)).orElseThrow().type());
                    }
                }
            }
        }
    }

    @Test
    void afterAnEditOnlyWhatItTouchesIsANewObject() {
        Small small = parentAndChild(false).entity("Other", "x integer primary key");
        Derivation before = Derivation.of(small.design());
        small.done(new Change.RenameEntity(small.id("Other"), "Another"));
        Derivation after = Derivation.after(before, small.design());
        assertThat(after.table(small.id("Vault")).orElseThrow())
                .isSameAs(before.table(small.id("Vault")).orElseThrow());
        assertThat(after.table(small.id("Another")).orElseThrow().name()).isEqualTo("another");
        assertThat(after.schema()).isEqualTo(Derivation.of(small.design()).schema());
    }

    @Test
    void whatIsTakenOverFromBeforeAnEditIsWhatADerivationFromNothingMakes() {
        int edits = 0;
        for (int seed = 0; seed < Rounds.of(40); seed++) {
            Random random = new Random(seed);
            Design design = RandomDesigns.design(seed, 12);
            Derivation derivation = Derivation.of(design);
            for (int i = 0; i < 60; i++) {
                if (Editor.apply(design,
                        RandomChanges.change(design, random, "n" + i)) instanceof Applied(Design next, var inverse)) {
                    design = next;
                    derivation = Derivation.after(derivation, design);
                    assertThat(derivation.schema()).as("seed %d, edit %d", seed, i)
                            .isEqualTo(Derivation.of(design).schema());
                    edits++;
                }
            }
        }
        assertThat(edits).isGreaterThan(1000);
    }
}
