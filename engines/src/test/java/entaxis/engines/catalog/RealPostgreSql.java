package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.reading.SameSchema;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.DialectAdapter;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import entaxis.engines.postgresql.PostgreSqlCatalog;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Optional;

/** Runs generated scripts on a real PostgreSQL and holds its catalog against the schema that they were made of. */
public final class RealPostgreSql {
    private static final Dialect DIALECT = Dialect.of(Target.POSTGRESQL);

    private RealPostgreSql() { }

    /** Runs the script of a design in a schema of its own and compares what the catalog then says. */
    public static void arrivesWhole(Connection connection, Design design, String name) throws SQLException {
        Schema derived = Derivation.of(design).schema();
        Schema schema = new Schema(derived.types(),
                derived.tables().stream().filter(table -> !table.columns().isEmpty()).toList());
        Script script =
                new ScriptWriter(DIALECT, new ScriptOptions(false, true, Optional.of(name))).write(schema, name);
        try (Statement statement = connection.createStatement()) {
            statement.execute(script.text());
        }
        assertThat(SameSchema.asTheCatalogSays(DialectAdapter.fit(schema, DIALECT).schema(),
                PostgreSqlCatalog.read(Catalog.of(connection), name), Target.POSTGRESQL)).as(name).isEmpty();
    }
}
