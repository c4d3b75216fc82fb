package entaxis.web.demo;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.KeyPart;
import entaxis.core.design.Relationship;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import entaxis.engines.catalog.RealPostgreSql;
import entaxis.engines.sandbox.Sandbox;
import entaxis.engines.sandbox.SandboxLimits;
import entaxis.engines.trial.StatementOutcome;
import entaxis.web.trial.Trials;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.File;
import java.io.IOException;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class DemoTest {
    private final Design design = SeedVault.design();

    @Test
    void itHasEveryKindOfRelationship() {
        assertThat(design.entities().size()).isGreaterThanOrEqualTo(14);
        assertThat(design.relationships()).anyMatch(Relationship::recursive);
        assertThat(design.relationships()).anyMatch(Relationship::oneToOne);
        assertThat(design.relationships().stream().filter(Relationship::manyToMany)).hasSize(2)
                .filteredOn(bridge -> !bridge.attributes().isEmpty()).hasSize(1);
        Map<Object, Long> pairs = design.relationships().stream().filter(relationship -> !relationship.manyToMany())
                .collect(Collectors.groupingBy(
                        relationship -> java.util.Set.of(relationship.first().entity(),
                                relationship.recursive() ? "itself" : relationship.second().entity()),
                        Collectors.counting()));
        assertThat(pairs.values()).contains(2L);
        assertThat(design.entities()).anyMatch(
                entity -> entity.primaryKey().stream().filter(KeyPart.InheritedPart.class::isInstance).count() == 1
                && Derivation.of(design).table(entity.id()).orElseThrow().keyColumns().size() == 3);
    }

    @Test
    void itsScriptArrivesWholeInARealPostgreSql() throws IOException, SQLException {
        try (EmbeddedPostgres server =
                EmbeddedPostgres.builder().setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile()).start();
                Connection connection = server.getPostgresDatabase().getConnection()) {
            RealPostgreSql.arrivesWhole(connection, design, "seed_vault");
        }
    }

    @Test
    void itsScriptAndSampleRowsAreTakenByTheBuiltInEngine() {
        Derivation derivation = Derivation.of(design);
        Script script =
                new ScriptWriter(Dialect.of(Target.H2), ScriptOptions.DEFAULT).write(derivation.schema(), "demo");
        try (Sandbox trial = Sandbox.start(SandboxLimits.DEFAULT, Path.of("target/sandbox/work"))) {
            assertThat(trial.run(script.statements().stream().map(Script.Statement::text).toList()))
                    .allMatch(StatementOutcome::accepted);
            assertThat(design.rows()).isNotEmpty()
                    .allSatisfy(row -> assertThat(
                            trial.run(Trials.insert(derivation.derived(row.table()).orElseThrow(), row)).accepted())
                            .isTrue());
        }
    }
}
