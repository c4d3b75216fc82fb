package entaxis.core.reconcile;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.migration.Fills;
import entaxis.core.migration.Migration;
import entaxis.core.reading.ScriptReader;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class SplitFinderTest {
    private static final String FLAT =
            "create table sowing (tray integer not null, pos integer not null, taxon varchar(3) not null, family "
                    + "varchar(40), sown date, primary key (tray, pos));";
    private static final String APART = "create table taxon (taxon varchar(3) primary key, family varchar(40));"
            + "create table sowing (tray integer not null, pos integer not null, taxon varchar(3) not null references "
            + "taxon (taxon), sown date, primary key (tray, pos));";

    private static Schema read(String script, Target engine) {
        return EngineSchema.of(ScriptReader.read(script, engine).schema(), engine, Dialect.of(engine));
    }

    private static List<Split> splits(String from, String to) {
        return SplitFinder.find(read(from, Target.POSTGRESQL), read(to, Target.POSTGRESQL),
                Dialect.of(Target.POSTGRESQL));
    }

    @Test
    void aFactThatMovesToWhatItIsAboutIsFound() {
        Split split = splits(FLAT, APART).getFirst();
        assertThat(split.was()).isEqualTo("sowing: family");
        assertThat(split.now()).isEqualTo("taxon");
        assertThat(split.columns()).containsOnly(java.util.Map.entry("family", "family"),
                java.util.Map.entry("taxon", "taxon"));
        assertThat(split.once()).containsExactly("taxon");
        assertThat(split.reasons()).contains("sowing refers to taxon");
    }

    @Test
    void aTableMayBeTiedByWayOfAnotherThatCameOut() {
        List<Split> splits = splits(FLAT, "create table taxon (taxon varchar(3) primary key, family varchar(40));"
                + "create table tray (tray integer primary key, taxon varchar(3) not null references taxon (taxon), "
                + "sown date);"
                + "create table sowing (tray integer not null references tray (tray), pos integer not null, primary "
                + "key (tray, pos));");
        assertThat(splits).extracting(Split::was).containsExactlyInAnyOrder("sowing: taxon, sown",
                "sowing: taxon, family");
        assertThat(splits).filteredOn(split -> split.now().equals("taxon")).singleElement().extracting(Split::once)
                .isEqualTo(List.of("taxon"));
    }

    /**
     * A table that is not tied to the old one, asks for what was not there, or holds other types is no place to move
     * to.
     */
    @Test
    void whatCannotBeFilledIsNotOffered() {
        assertThat(splits(FLAT, APART.replace("references taxon (taxon)", ""))).isEmpty();
        assertThat(splits(FLAT, APART.replace("family varchar(40));", "family varchar(40), since date not null);")))
                .isEmpty();
        assertThat(splits(FLAT, APART.replace("family varchar(40));", "family integer);"))).isEmpty();
        assertThat(splits(FLAT, APART.replace("family varchar(40));",
                "family varchar(40), since date not null default current_date);"))).hasSize(1);
        assertThat(splits(APART, APART)).isEmpty();
    }

    /** While the new table is not taken over, the columns that would move stay: nothing is lost unseen. */
    @Test
    void withoutTheNewTableTheColumnsStay() {
        Dialect dialect = Dialect.of(Target.POSTGRESQL);
        Schema from = read(FLAT, Target.POSTGRESQL);
        Schema to = read(APART, Target.POSTGRESQL);
        RenameMap pairing = splits(FLAT, APART).getFirst().into(RenameMap.NONE);
        Merge merge = Merge.of(from, to, dialect, pairing, difference -> difference.part() != SchemaPart.TABLE);
        assertThat(merge.schema().table("sowing").orElseThrow().column("family")).isPresent();
        assertThat(merge.left()).anyMatch(text -> text.contains("sowing.family stays"));
        assertThat(merge.pairing().splits()).isEmpty();
        assertThat(Migration.of(from, merge.schema(), dialect, merge.pairing(), Fills.NONE).statements())
                .noneMatch(sql -> sql.contains("family"));
    }

    /**
     * For each engine the values are carried over between making the table and dropping the column, and carrying the
     * script out arrives at what was wanted.
     */
    @ParameterizedTest
    @EnumSource(Target.class)
    void theScriptCarriesTheValuesOver(Target engine) {
        Dialect dialect = Dialect.of(engine);
        Schema from = read(FLAT, engine);
        Schema to = read(APART.replace(" references taxon (taxon)", "").replace("primary key (tray, pos)",
                "primary key (tray, pos), constraint fk foreign key (taxon) references taxon (taxon)"), engine);
        RenameMap pairing = SplitFinder.find(from, to, dialect).getFirst().into(RenameMap.NONE);
        Migration migration = Migration.of(from, to, dialect, pairing, Fills.NONE);
        String script = migration.text("apart");
        int made = script.toLowerCase(java.util.Locale.ROOT).indexOf("create table");
        int carried = script.indexOf("SELECT DISTINCT");
        assertThat(made).isNotNegative().isLessThan(carried);
        assertThat(script.substring(carried)).containsPattern("(?i)drop");
        assertThat(migration.steps()).noneMatch(step -> step.risk() == Risk.LOSES_DATA);
    }
}
