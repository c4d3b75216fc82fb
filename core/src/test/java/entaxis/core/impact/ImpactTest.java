package entaxis.core.impact;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Attribute;
import entaxis.core.design.Cardinality;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.OpaqueId;
import entaxis.core.design.OpaqueProgram;
import entaxis.core.random.RandomDesigns;
import entaxis.core.random.Rounds;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.Risk;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.small.Small;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class ImpactTest {
    private final Small vault = new Small()
            .entity("Vault", "code char(2) primary key", "city varchar(40) not null",
                    "cold boolean check (cold or city = 'Fen')")
            .entity("Shelf", "no integer primary key", "width integer")
            .relate("Vault", "holds", Cardinality.EXACTLY_ONE, "Shelf", "stands in", Cardinality.ZERO_OR_MORE, true);

    private Impact column(String entity, String attribute) {
        return Impact.of(vault.design(), Derivation.of(vault.design()), vault.id(entity),
                ColumnPath.own(vault.attribute(entity, attribute))).orElseThrow();
    }

    private static ImpactPreview change(Impact reach, String words) {
        return reach.changes().stream().filter(one -> one.words().equals(words)).findFirst().orElseThrow();
    }

    @Test
    void aKeyReachesWhateverInheritedIt() {
        Impact code = column("Vault", "code");
        assertThat(code.touched()).contains("the primary key (code)", "referred to by shelf (vault_code)");
        assertThat(code.sheets()).containsExactly(vault.design().sheet().name());
        ImpactPreview longer = change(code, "make it varchar(400)");
        assertThat(longer.statements())
                .anyMatch(sql -> sql.contains("shelf") && sql.contains("vault_code") && sql.contains("varchar(400)"));
        assertThat(change(code, "give it another name").statements())
                .anyMatch(sql -> sql.contains("RENAME COLUMN code TO code_new"));
    }

    /** A point in a name is no schema: the table is renamed, not made again. */
    @Test
    void aTableWithAPointInItsName() {
        Small lots = new Small().entity("Lot v1.2", "no integer primary key", "note varchar(20)");
        Impact lot = Impact.of(lots.design(), Derivation.of(lots.design()), lots.id("Lot v1.2")).orElseThrow();
        assertThat(change(lot, "give it another name").statements()).anyMatch(sql -> sql.contains("RENAME TO"))
                .noneMatch(sql -> sql.contains("CREATE TABLE") || sql.contains("DROP TABLE"));
        Impact note = Impact.of(lots.design(), Derivation.of(lots.design()), lots.id("Lot v1.2"),
                ColumnPath.own(lots.attribute("Lot v1.2", "note"))).orElseThrow();
        assertThat(change(note, "give it another name").statements())
                .anyMatch(sql -> sql.contains("RENAME COLUMN note TO note_new"));
    }

    /** A view on another table may have a column of the same name, and count with a star. */
    @Test
    void viewsAreTouchedByWhatTheyRead() {
        for (String view : new String[] {"by_city SELECT city FROM vault", "cities SELECT v.city FROM vault v",
            "widths SELECT width AS city FROM shelf", "many SELECT v.code, count(*) FROM vault v GROUP BY v.code",
            "towns SELECT s.city FROM vault v JOIN (SELECT no AS city FROM shelf) s ON s.city > 1"}) {
            String name = view.substring(0, view.indexOf(' '));
            vault.done(new Change.PutOpaque(new OpaqueProgram(new OpaqueId("v" + name.substring(0, 2)),
                    ProgramKind.VIEW, "", name, Target.POSTGRESQL,
                    "CREATE VIEW " + name + " AS " + view.substring(view.indexOf(' ') + 1))));
        }
        assertThat(column("Vault", "city").touched()).filteredOn(words -> words.startsWith("the view"))
                .containsExactly("the view by_city", "the view cities");
        assertThat(column("Shelf", "width").touched()).filteredOn(words -> words.startsWith("the view"))
                .containsExactly("the view widths");
        assertThat(Impact.of(vault.design(), Derivation.of(vault.design()), vault.id("Vault")).orElseThrow().touched())
                .filteredOn(words -> words.startsWith("the view"))
                .containsExactly("the view by_city", "the view cities", "the view many", "the view towns");
    }

    @Test
    void whatIsLostIsSaidBefore() {
        ImpactPreview gone = change(column("Vault", "city"), "delete it");
        assertThat(gone.risk()).isEqualTo(Risk.LOSES_DATA);
        assertThat(column("Vault", "city").touched()).contains("the check ck_vault_cold");
        assertThat(change(column("Shelf", "width"), "require a value").risk()).isEqualTo(Risk.MAY_FAIL);
        assertThat(Impact.of(vault.design(), Derivation.of(vault.design()), vault.id("Vault")).orElseThrow().touched())
                .contains("referred to by shelf (vault_code)");
    }

    /**
     * The statements that are told bring a database of the design to what the design is after the change: run by the
     * script reader, on tables.
     */
    @Test
    void theStatementsLeadToTheDesignAfterTheChange() {
        Dialect dialect = Dialect.of(RandomDesigns.design(0, 6).facts().target());
        int tried = 0;
        for (int seed = 0; seed < Rounds.of(12); seed++) {
            Design design = RandomDesigns.design(seed, 6);
            Derivation derivation = Derivation.of(design);
            for (Entity entity : design.entities()) {
                for (Attribute attribute : entity.attributes().stream().limit(2).toList()) {
                    Impact reach =
                            Impact.of(design, derivation, entity.id(), ColumnPath.own(attribute.id())).orElse(null);
                    Change renamed = new Change.AlterAttribute(entity.id(), attribute.id(),
                            new entaxis.core.change.AttributeAspect.Name(attribute.name() + " new"));
                    if (reach == null || reach.changes().isEmpty() || !reach.changes().getFirst().refusal().isEmpty()
                            || !(Editor.apply(design, renamed) instanceof Applied applied)) {
                        continue;
                    }
                    String script =
                            new ScriptWriter(dialect, ScriptOptions.DEFAULT).write(derivation.schema(), "before").text()
                                    + ";\n" + String.join(";\n", reach.changes().getFirst().statements()) + ";\n";
                    Schema wanted = EngineSchema.ofDesign(Derivation.of(applied.design()).schema(), dialect);
                    assertThat(columns(ScriptReader.read(script, dialect.target()).schema()))
                            .as("seed %d: %s", seed, attribute.name()).isEqualTo(columns(wanted));
                    tried++;
                }
            }
        }
        assertThat(tried).isGreaterThan(100);
    }

    private static Map<String, String> columns(Schema schema) {
        Map<String, String> columns = new TreeMap<>();
        for (Table table : schema.tables()) {
            columns.put(table.name(), table.columns().stream().map(column -> column.name() + " " + column.required())
                    .sorted().collect(Collectors.joining(", ")));
        }
        return columns;
    }
}
