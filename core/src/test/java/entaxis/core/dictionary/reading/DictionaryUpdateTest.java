package entaxis.core.dictionary.reading;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.change.Change;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Area;
import entaxis.core.design.AreaId;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.dictionary.Dictionary;
import entaxis.core.dictionary.reading.DictionaryUpdate.Difference;
import entaxis.core.small.Small;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

/** A dictionary that was filled in by others comes back; each case is a list as they would send it. */
class DictionaryUpdateTest {
    private final AtomicInteger next = new AtomicInteger(900);
    private Small small = new Small().entity("Vault", "vault char(2) primary key", "temperature numeric(4,1) not null")
            .entity("Shelf", "shelf smallint primary key", "label varchar(20)")
            .entity("Jar", "jar_no char(6) primary key", "weight integer", "keeper varchar(40)")
            .relate("Vault", "holds", Cardinality.EXACTLY_ONE, "Shelf", "stands in", Cardinality.ZERO_OR_MORE, true)
            .relate("Vault", "keeps", Cardinality.ZERO_OR_ONE, "Jar", "is kept in", Cardinality.ZERO_OR_MORE, false);

    private List<Difference> differences(String... lines) {
        List<List<String>> rows = Arrays.stream(lines)
                .map(line -> Arrays.stream(line.split(";", -1)).map(String::strip).toList()).toList();
        Design design = small.design();
        return DictionaryUpdate.of(design, Dictionary.of(design, Derivation.of(design)),
                DictionaryReader.read(List.of(new SheetTable("list", rows))),
                kind -> kind + "" + next.incrementAndGet());
    }

    private static List<String> told(List<Difference> differences) {
        return differences.stream().map(difference -> difference.about() + ": " + difference.words()).toList();
    }

    private Design taken(List<Difference> differences) {
        return small.done(DictionaryUpdate.taking(differences)).design();
    }

    @Test
    void whatIsNotSpokenOfStays() {
        Design before = small.design();
        assertThat(differences("Entity;Attribute;Meaning", "Jar;weight;", "Jar;jar_no;", "Vault;;")).isEmpty();
        assertThat(small.design()).isEqualTo(before);
    }

    @Test
    void anAreaThatIsNewIsMadeOnceForAllThatBelongToIt() {
        small.done(new Change.AddArea(new Area(new AreaId("s1"), "Store", 3)));
        List<Difference> found = differences("Entity;Attribute;Area", "Jar;weight;Glass", "Shelf;label;glass",
                "Vault;temperature;store");
        assertThat(told(found)).containsExactly("Jar: it belongs to “Glass”", "Shelf: it belongs to “glass”",
                "Vault: it belongs to “store”");
        assertThat(taken(found.subList(1, 3)).areas().stream().map(Area::name)).containsExactly("Store", "glass");
        small = new Small().entity("Jar", "jar_no integer primary key").entity("Shelf", "shelf integer primary key");
        List<Difference> both = differences("Entity;Attribute;Area", "Jar;jar_no;Glass", "Shelf;shelf;Glass");
        assertThat(taken(both).areas()).hasSize(1);
        assertThat(small.design().entities().stream().map(Entity::area)).doesNotContain(Optional.empty());
    }

    @Test
    void thePrimaryKeyIsTakenWhereTheFileMarksOne() {
        List<Difference> found = differences("Entity;Attribute;Key", "Jar;jar_no;PK 2", "Jar;weight;PK 1");
        assertThat(told(found)).containsExactly("Jar: its primary key is (weight, jar_no), before “jar_no”");
        taken(found);
        assertThat(small.table("jar").keyColumns()).containsExactly("weight", "jar_no");
        assertThat(differences("Entity;Attribute;Key", "Jar;jar_no;PK 2", "Jar;weight;PK 1")).isEmpty();
    }

    @Test
    void whatIsNoLongerMarkedLeavesTheKeyAndColumnsOfRelationshipsStay() {
        List<Difference> found = differences("Entity;Attribute;Key", "Shelf;shelf;", "Shelf;label;PK");
        assertThat(told(found)).containsExactly("Shelf: its primary key is (vault, label), before “vault, shelf”");
        taken(found);
        assertThat(small.table("shelf").keyColumns()).containsExactly("vault", "label");
        assertThat(small.columns("shelf")).contains("shelf smallint");
    }

    @Test
    void anAttributeBecomesUnique() {
        List<Difference> found = differences("Entity;Attribute;Unique", "Jar;keeper;yes", "Jar;jar_no;yes");
        assertThat(told(found)).containsExactly("Jar.keeper: it is part of alternate key 1");
        taken(found);
        assertThat(small.table("jar").uniqueKeys()).extracting(key -> key.columns().toString())
                .containsExactly("[keeper]");
    }

    @Test
    void aReferenceIsRequiredUniqueAndReadOtherwise() {
        List<Difference> found = differences("Entity;Attribute;References;Relationship;Mandatory;Unique",
                "Jar;vault;Vault;stores;yes;yes", "Vault;vault;;;;");
        assertThat(told(found))
                .containsExactly("Jar.vault: it is required, no two refer to the same, it reads “Vault stores Jar”");
        taken(found);
        assertThat(small.columns("jar")).contains("!vault char(2)");
        assertThat(small.table("jar").uniqueKeys()).hasSize(1);
        assertThat(small.design().relationships().list().getLast().first().verb()).isEqualTo("stores");
    }

    @Test
    void anAttributeThatRefersBecomesARelationshipUnderItsName() {
        List<Difference> found = differences("Entity;Attribute;Type;Key;References;Mandatory",
                "Jar;keeper;char(2);;Vault;yes", "Vault;vault;;PK;;",
                "Label;label_no;integer;PK;;", "Label;jar;char(6);;Jar;", "Jar;jar_no;;PK;;");
        assertThat(told(found)).containsExactly("Label: it is a new entity with 1 attribute",
                "Jar.keeper: it refers to Vault: a new relationship",
                "Label.jar: it refers to Jar: a new relationship");
        // the last one needs the new entity and brings it along
        List<Difference> some = new ArrayList<>(found);
        some.removeFirst();
        taken(some);
        assertThat(small.columns("jar")).isEqualTo("*jar_no char(6), weight integer, vault char(2), !keeper char(2)");
        assertThat(small.columns("label")).isEqualTo("*label_no integer, jar char(6)");
    }
}
