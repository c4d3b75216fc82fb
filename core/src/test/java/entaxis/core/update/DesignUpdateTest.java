package entaxis.core.update;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.change.Patch;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Attribute;
import entaxis.core.design.Design;
import entaxis.core.design.DesignProperties;
import entaxis.core.design.Entity;
import entaxis.core.design.OpaqueObject;
import entaxis.core.design.Paper;
import entaxis.core.design.Relationship;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.random.RandomDesigns;
import entaxis.core.random.RandomEdits;
import entaxis.core.random.Rounds;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.Aspect;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.Difference;
import entaxis.core.reconcile.DifferenceWords;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.MergedTable;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.reconcile.SchemaPart;
import entaxis.core.reconcile.SchemaRenaming;
import entaxis.core.reconcile.SplitFinder;
import entaxis.core.reverse.ReverseEngineering;
import entaxis.core.schema.Program;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.targets.Target;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

class DesignUpdateTest {
    private static final Dialect POSTGRESQL = Dialect.of(Target.POSTGRESQL);
    private static final DifferenceWords WORDS = new DifferenceWords("the database", "the design");
    private int next;

    private String id(char kind) {
        return kind + "z" + Integer.toString(++next, 36);
    }

    private static Schema read(String script) {
        return EngineSchema.of(ScriptReader.read(script, Target.POSTGRESQL).schema(), Target.POSTGRESQL, POSTGRESQL);
    }

    private Design reversed(String script) {
        return ReverseEngineering.reverse(IsoNormalizer.of(read(script), POSTGRESQL),
                new DesignProperties("Vault", Target.POSTGRESQL, "", ""),
                new Sheet(new SheetId("p1"), "Sheet", Paper.DEFAULT, Map.of()), Set.of(), this::id).design();
    }

    private Updated updated(Design design, Schema database, RenameMap pairing) {
        Schema want = EngineSchema.ofDesign(Derivation.of(design).schema(), POSTGRESQL);
        List<Difference> differences = Comparison.of(database, want, POSTGRESQL, pairing).differences();
        return DesignUpdate.of(design, Derivation.of(design), SchemaRenaming.apply(database, pairing, POSTGRESQL),
                POSTGRESQL, differences, WORDS, this::id);
    }

    private List<Difference> left(Design design, Schema database) {
        return Comparison.of(database, EngineSchema.ofDesign(Derivation.of(design).schema(), POSTGRESQL), POSTGRESQL,
                RenameMap.NONE).differences();
    }

    @Test
    void columnsKeysAndReferencesAreTakenOver() {
        Design design = reversed(
                "create table taxon (id int primary key, name varchar(40) not null); create table accession (id int "
                        + "primary key, taxon_id int not null references taxon, note text);");
        Schema database = read(
                "create table taxon (id bigint primary key, name varchar(80), rank varchar(10) default 'species', "
                        + "constraint uq_taxon_1 unique (name));"
                        + "create table accession (id int primary key, taxon_id bigint references taxon, weight "
                        + "numeric(9,2) check (weight > 0));"
                        + "create table germination (accession_id int references accession, no int, day date not null, "
                        + "primary key (accession_id, no)); create index ix_day on germination (day);");
        Updated updated = updated(design, database, RenameMap.NONE);
        List<Difference> rest = left(updated.design(), database).stream()
                .filter(difference -> difference.aspect() != Aspect.NAME).toList();
        assertThat(rest).as("%s", updated.left()).isEmpty();
        Entity germination = updated.design().entities().stream().filter(entity -> entity.name().equals("Germination"))
                .findFirst().orElseThrow();
        assertThat(germination.dependent()).as("the reference is part of its key").isTrue();
        Relationship relationship = updated.design().relationshipsOf(germination.id()).findFirst().orElseThrow();
        assertThat(updated.design().identifying(relationship)).isTrue();
    }

    @Test
    void whatStaysKeepsItsWordsAndPlace() {
        Design design = reversed(
                "create table taxon (id int primary key, name varchar(40)); create table accession (id int primary key,"
                        + " taxon_id int references taxon);");
        Relationship before = design.relationships().stream().findFirst().orElseThrow();
        Entity taxon =
                design.entities().stream().filter(entity -> entity.name().equals("Taxon")).findFirst().orElseThrow();
        Design worded = ((Applied) Editor.apply(design,
                new Change.AlterRelationship(before.id(),
                        new entaxis.core.change.RelationshipAspect.Verb(entaxis.core.design.Side.FIRST, "names"))))
                .design();
        Schema database = read(
                "create table taxon (id int primary key, full_name varchar(90)); create table accession (id int "
                        + "primary key, taxon_id int not null references taxon);");
        Updated updated = updated(worded, database, RenameMap.NONE.withColumn("taxon", "full_name", "name"));
        Entity now = updated.design().entities().find(taxon.id()).orElseThrow();
        assertThat(now.attributes().get(1).name()).isEqualTo("full_name");
        assertThat(now.attributes().get(1).id()).isEqualTo(taxon.attributes().get(1).id());
        assertThat(updated.design().relationships().find(before.id()).orElseThrow().first().verb()).isEqualTo("names");
        assertThat(left(updated.design(), database).stream()
                .filter(difference -> difference.part() != SchemaPart.FOREIGN_KEY
                        && difference.part() != SchemaPart.PRIMARY_KEY))
                .isEmpty();
        Change once = Patch.between(worded, updated.design());
        Applied applied = (Applied) Editor.apply(worded, once);
        assertThat(applied.design()).isEqualTo(updated.design());
        assertThat(((Applied) Editor.apply(applied.design(), applied.inverse())).design()).as("one undo takes all back")
                .isEqualTo(worded);
    }

    /** A point in a name is no schema before it. */
    @Test
    void namesWithAPoint() {
        Design design = reversed("create table \"lot v1.2\" (id int primary key, note text);");
        Entity lot = design.entities().iterator().next();
        assertThat(lot.name()).isEqualTo("lot v1.2");
        Schema database = read("create table \"lot v1.3\" (id int primary key, note varchar(9) not null, more int);");
        Updated updated = updated(design, database,
                RenameMap.NONE.withTable("\"lot v1.3\"", "\"lot v1.2\""));
        Entity now = updated.design().entities().get(lot.id());
        assertThat(updated.left()).isEmpty();
        assertThat(now.name()).isEqualTo("lot v1.3");
        assertThat(now.attributes()).extracting(Attribute::name).containsExactly("id", "note", "more");
        assertThat(now.attributes().get(1).required()).isTrue();
    }

    @Test
    void columnsThatTheDatabasePutIntoATableOfTheirOwnKeepTheirMeanings() {
        Design design = reversed(
                "create table accession (accession_no int primary key, dried_on date, moisture numeric(4,1)); comment "
                        + "on column accession.moisture is 'percent of the weight';");
        Schema database = read("create table accession (accession_no int primary key);"
                + "create table drying (accession_no int primary key references accession, dried_on date, moisture "
                + "numeric(4,1));");
        Schema want = EngineSchema.ofDesign(Derivation.of(design).schema(), POSTGRESQL);
        List<MergedTable> split = SplitFinder.joined(database, want, POSTGRESQL);
        assertThat(split).extracting(MergedTable::was).containsExactly("drying: dried_on, moisture");
        List<Difference> all = Comparison.of(database, want, POSTGRESQL, RenameMap.NONE).differences();
        Updated updated =
                DesignUpdate.of(design, Derivation.of(design), database, POSTGRESQL, all, WORDS, this::id, split);
        Entity drying = updated.design().entities().stream().filter(entity -> entity.name().equals("Drying"))
                .findFirst().orElseThrow();
        assertThat(drying.attributes()).filteredOn(attribute -> attribute.name().equals("moisture"))
                .extracting(entaxis.core.design.Attribute::meaning).containsExactly("percent of the weight");
        Updated unsplit = DesignUpdate.of(design, Derivation.of(design), database, POSTGRESQL, all, WORDS, this::id);
        assertThat(unsplit.design().entities().stream().flatMap(entity -> entity.attributes().stream()))
                .allMatch(attribute -> attribute.meaning().isEmpty());
    }

    /** A table that has several rows for one of the other was not split off. */
    @Test
    void severalRowsForOneAreNoSplit() {
        Schema database = read(
                "create table accession (accession_no int primary key); create table drying (drying_no int primary key,"
                        + " accession_no int references accession, moisture numeric(4,1));");
        Schema flat = read("create table accession (accession_no int primary key, moisture numeric(4,1));");
        assertThat(SplitFinder.joined(database, flat, POSTGRESQL)).isEmpty();
        Schema once = read(
                "create table accession (accession_no int primary key); create table drying (drying_no int primary key,"
                        + " accession_no int unique references accession, moisture numeric(4,1));");
        assertThat(SplitFinder.joined(once, flat, POSTGRESQL)).hasSize(1);
        Schema elsewhere = read(
                "create schema cold; create table accession (accession_no int primary key); create table cold.drying "
                        + "(drying_no int primary key, accession_no int unique references accession, moisture "
                        + "numeric(4,1));");
        assertThat(SplitFinder.joined(elsewhere, flat, POSTGRESQL)).as("a table of another schema").isEmpty();
    }

    @Test
    void whatGoesIsTakenAwayAndWhatIsBesideTheTablesIsCarriedAlong() {
        Design design = reversed(
                "create table taxon (id int primary key, name varchar(40)); create table note (id int primary key, "
                        + "taxon_id int references taxon);");
        Schema database = read(
                "create table taxon (id int primary key); create view v as select id from taxon; create sequence s;");
        Updated updated = updated(design, database, RenameMap.NONE);
        assertThat(updated.design().entities()).hasSize(1);
        assertThat(updated.design().entities().stream().findFirst().orElseThrow().attributes()).hasSize(1);
        assertThat(updated.design().relationships()).isEmpty();
        assertThat(updated.left()).isEmpty();
        assertThat(Derivation.of(updated.design()).schema().programs()).extracting(Program::text)
                .containsExactly("create view v as select id from taxon");
        assertThat(left(updated.design(), database)).isEmpty();
        Schema later = read(
                "create table taxon (id int primary key); create view v as select max(id) as last from taxon; create "
                        + "sequence s start with 3;");
        Design changed = updated(updated.design(), later, RenameMap.NONE).design();
        assertThat(left(changed, later)).isEmpty();
        assertThat(changed.carried().stream().map(OpaqueObject::id)).containsExactlyInAnyOrderElementsOf(
                updated.design().carried().stream().map(OpaqueObject::id).toList());
        assertThat(
                updated(changed, read("create table taxon (id int primary key);"), RenameMap.NONE).design().carried())
                .isEmpty();
    }

    /** Those of some names of a database that a design did not take over, with the design's. */
    private static RenameMap notTaken(RenameMap names, Schema design) {
        RenameMap left = RenameMap.NONE;
        for (Map.Entry<String, String> table : names.tables().entrySet()) {
            left = design.table(table.getKey()).isPresent() ? left : left.withTable(table.getKey(), table.getValue());
        }
        for (Map.Entry<String, Map<String, String>> table : names.columns().entrySet()) {
            String now = names.reversed().table(table.getKey());
            Optional<Table> there = design.table(now).or(() -> design.table(table.getKey()));
            String label = there.map(Table::label).orElse(table.getKey());
            for (Map.Entry<String, String> column : table.getValue().entrySet()) {
                boolean taken = there.flatMap(own -> own.column(column.getKey())).isPresent();
                left = taken ? left : left.withColumn(label, column.getKey(), column.getValue());
            }
        }
        return left;
    }

    /** Of random changes to random designs, nearly all are taken over; what is not is told. */
    @Test
    void randomChangesAreTakenOverOrTold() {
        int differences = 0;
        long rest = 0;
        for (int seed = 0; seed < Rounds.of(50); seed++) {
            Design design = RandomDesigns.design(seed, 3 + seed % 9);
            Schema derived = Derivation.of(design).schema();
            Schema plain = new Schema(derived.types(),
                    derived.tables().stream().filter(table -> !table.columns().isEmpty()).toList());
            Schema database = EngineSchema.ofDesign(RandomEdits.of(plain, seed, 6).schema(), POSTGRESQL);
            RenameMap pairing = RandomEdits.of(plain, seed, 6).pairing(POSTGRESQL).reversed();
            Schema want = EngineSchema.ofDesign(derived, POSTGRESQL);
            List<Difference> all = Comparison.of(database, want, POSTGRESQL, pairing).differences();
            Updated updated = DesignUpdate.of(design, Derivation.of(design),
                    SchemaRenaming.apply(database, pairing, POSTGRESQL), POSTGRESQL, all, WORDS, this::id);
            Schema now = EngineSchema.ofDesign(Derivation.of(updated.design()).schema(), POSTGRESQL);
            for (Difference difference : left(updated.design(),
                    SchemaRenaming.apply(database, notTaken(pairing, now), POSTGRESQL))) {
                assertThat(updated.left()).as("seed %d: what stays apart is told: %s", seed, difference)
                        .anyMatch(text -> text
                                .contains(difference.name().isEmpty() ? difference.table() : difference.name())
                                || text.contains(difference.table() + "."));
            }
            long apart = left(updated.design(), database).stream()
                    .filter(difference -> difference.aspect() != Aspect.NAME).count();
            differences += all.size();
            rest += apart;
            assertThat(Editor.apply(design, Patch.between(design, updated.design()))).isInstanceOf(Applied.class);
        }
        System.out.println("DesignUpdate: " + differences + " differences, " + rest + " left");
        assertThat(rest).isLessThan(differences / 3);
    }
}
