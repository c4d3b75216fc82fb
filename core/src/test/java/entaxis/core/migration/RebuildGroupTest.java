package entaxis.core.migration;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.reconcile.Risk;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Which tables DuckDB makes again together, and in what order (DuckDB documentation, ALTER TABLE and constraints). */
class RebuildGroupTest {
    private static final Dialect DUCKDB = Dialect.of(Target.DUCKDB);
    private static final String BASE = """
            create table taxon (code varchar primary key, name varchar, parent varchar references taxon (code));
            create table site (no integer primary key);
            create table lot (no integer primary key, code varchar references taxon (code), weight integer);
            create table jar (no integer primary key, lot_no integer references lot (no));
            """;

    private static Schema schema(String script) {
        return EngineSchema.of(ScriptReader.read(script, Target.DUCKDB).schema(), Target.DUCKDB, DUCKDB);
    }

    private static Migration migration(String from, String to) {
        return Migration.of(schema(from), schema(to), DUCKDB, RenameMap.NONE, Fills.NONE);
    }

    private static List<String> firstWords(Migration migration, String verb) {
        return migration.statements().stream().filter(statement -> statement.startsWith(verb))
                .map(statement -> statement.substring(verb.length()).split("[ (\n]")[0]).toList();
    }

    @Test
    void tablesThatReferToAChangedOneAreMadeAgainWithIt() {
        Migration change = migration(BASE, BASE.replace("name varchar", "name varchar not null"));
        assertThat(firstWords(change, "DROP TABLE ")).startsWith("jar", "lot", "taxon").doesNotContain("site");
        assertThat(firstWords(change, "INSERT INTO ").stream().distinct()).containsExactly("taxon", "lot", "jar");
    }

    @Test
    void whatNothingRefersToIsMadeAgainAlone() {
        Migration change =
                migration(BASE, BASE.replace("lot_no integer references", "lot_no integer not null references"));
        assertThat(firstWords(change, "DROP TABLE ")).containsExactly("jar", "jar_old");
    }

    @Test
    void aColumnMoreNeedsNoCopy() {
        Migration change = migration(BASE, BASE.replace("references taxon (code));", "references taxon (code),"
                + " author varchar);"));
        assertThat(change.statements()).contains("ALTER TABLE taxon ADD COLUMN author varchar")
                .noneMatch(statement -> statement.startsWith("DROP"));
    }

    /** References are checked before the rows of a statement are there, so that a hierarchy goes level by level. */
    @Test
    void aHierarchyIsFilledLevelByLevel() {
        Migration change = migration(BASE, BASE.replace("name varchar", "name varchar not null"));
        Step back = change.steps().stream().filter(step -> step.what().equals("Bring the rows of taxon back"))
                .findFirst().orElseThrow();
        assertThat(back.statements()).hasSize(RowLevels.LEVELS);
        assertThat(back.statements().getFirst()).endsWith("WHERE parent IS NULL");
        assertThat(back.statements().getLast()).endsWith(
                "WHERE NOT EXISTS (SELECT 1 FROM taxon kept WHERE kept.code = taxon_old.code)");
        assertThat(back.risk()).isEqualTo(Risk.MAY_FAIL);
        assertThat(back.questions()).extracting(Question::sql)
                .anyMatch(query -> query.split(" JOIN ").length == RowLevels.LEVELS + 1);
    }

    @Test
    void aCopyTakesNoNameOfATable() {
        String base = BASE + "create table jar_old (no integer);";
        Migration change =
                migration(base, base.replace("lot_no integer references", "lot_no integer not null references"));
        assertThat(firstWords(change, "CREATE TABLE ")).contains("jar_old_2").doesNotContain("jar_old");
        assertThat(firstWords(change, "DROP TABLE ")).containsExactly("jar", "jar_old_2");
    }

    /** A row without a value in the column that is referred to cannot be found again: it is added at the end. */
    @Test
    void aRowThatCannotBeReferredToIsCopiedOnce() {
        String chain = "create table chain (code varchar unique, up varchar references CHAIN (code), label varchar);";
        Migration change = migration(chain, chain.replace("label varchar", "label varchar not null"));
        List<String> inserts = change.statements().stream().filter(text -> text.startsWith("INSERT")).toList();
        assertThat(inserts).hasSize(RowLevels.LEVELS);
        assertThat(inserts.subList(0, RowLevels.LEVELS - 1)).allMatch(text -> text.endsWith("AND code IS NOT NULL"));
        assertThat(inserts.getLast()).doesNotContain("IS NOT NULL");
    }
}
