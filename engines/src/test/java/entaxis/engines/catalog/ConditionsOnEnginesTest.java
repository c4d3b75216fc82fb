package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.expression.Expression;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.DialectAdapter;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeReader;
import entaxis.core.type.TypeReading.Known;
import entaxis.engines.duckdb.DuckDbCatalog;
import entaxis.engines.h2.H2Catalog;
import entaxis.engines.mariadb.MariaDbCatalog;
import entaxis.engines.postgresql.PostgreSqlCatalog;
import entaxis.engines.sqlite.SqliteCatalog;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.File;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/**
 * What engines rewrite when they keep a condition or a default is no difference: the engines themselves are the
 * referee.
 */
class ConditionsOnEnginesTest {
    private static final List<String> CONDITIONS = List.of("n > 0", "0 < n", "n between 1 and 900",
            "n >= 1 and n <= 900", "n in (1, 2, 3)", "n not in (7, 8)", "n in (5)", "s in ('dry', 'cold')",
            "s in ('dry')", "s = 'dry' or s = 'it''s cold'", "s is not null", "not (n > 5)", "not (s is null)",
            "n + 1 > m", "n * 2 <= m - 1", "(n + m) * 2 > 10", "n > 0 and (m > 0 or s = 'x')",
            "n <> m", "s like 'a%'", "s not like 'a%'", "char_length(s) > 3", "lower(s) = s", "upper(s) <> 'X'",
            "coalesce(m, 0) >= 0", "abs(n) < 100", "case when n > 0 then m else 0 end >= 0",
            "p >= 0.50", "p between 0.5 and 99.90", "-n < 5", "n > -5", "d >= '2020-01-01'",
            "d > '2020-01-01' and d < '2030-12-31'", "mod(n, 2) = 0", "1 < 2", "n = 1 or n = 2 or n = 3",
            "(n > 0) and (m > 0) and (p > 0)", "n is null or m is not null", "not (n = 1 and m = 2)", "trim(s) <> ''",
            "substring(s, 1, 2) = 'ab'", "nullif(n, 0) is not null", "n / 2 > 1",
            "greatest(n, m) < 500", "round(p, 1) = p", "n between m and 900");
    private static final List<String> DEFAULTS = List.of("integer|7", "integer|-7", "integer|0", "varchar(20)|'dry'",
            "varchar(20)|'it''s'", "varchar(20)|''", "numeric(9,2)|0.50", "boolean|true",
            "boolean|false", "date|current_date", "timestamp(6)|current_timestamp", "integer|1 + 2", "char(2)|'ab'",
            "bigint|42", "double precision|1.5", "varchar(20)|null");

    private static SqlType type(String spelled) {
        return ((Known) TypeReader.read(spelled)).type();
    }

    private static Column column(String name, String type) {
        return Column.of(name, type(type));
    }

    private static Schema schema(String condition) {
        List<Column> columns = new ArrayList<>(List.of(column("id", "integer").withRequired(true),
                column("n", "integer"), column("m", "integer"), column("p", "numeric(9,2)"), column("s", "varchar(20)"),
                column("d", "date")));
        for (int i = 0; i < DEFAULTS.size(); i++) {
            String[] parts = DEFAULTS.get(i).split("\\|", 2);
            columns.add(column("c" + i, parts[0]).withDefault(Optional.of(Expression.of(parts[1]))));
        }
        return new Schema(
                List.of(Table.of("t").withColumns(columns)
                        .withPrimaryKey(Optional.of(new PrimaryKey("pk_t", List.of("id"))))
                        .withChecks(List.of(new CheckRule("ck_t", condition)))));
    }

    private interface Read {
        Schema from(Connection connection) throws SQLException;
    }

    /** Engines whose functions of a name differ or lack are asked for the others only. */
    private static void noDifference(Target engine, Connection connection, String before, Read read, int least)
            throws SQLException {
        Dialect dialect = Dialect.of(engine);
        int accepted = 0;
        for (String condition : CONDITIONS) {
            try (Statement statement = connection.createStatement()) {
                statement.execute(before);
                Schema wanted = DialectAdapter.fit(schema(condition), dialect).schema();
                String script = new ScriptWriter(dialect, ScriptOptions.DEFAULT).write(wanted, "t").statements()
                        .getFirst().text();
                try {
                    statement.execute(script);
                } catch (SQLException lacks) {
                    continue;
                }
                accepted++;
                assertThat(Comparison.of(read.from(connection), wanted, dialect, RenameMap.NONE).differences())
                        .as("%s: %s", engine, condition).isEmpty();
            }
        }
        assertThat(accepted).as("conditions that %s takes", engine).isGreaterThanOrEqualTo(least);
    }

    @Test
    void postgreSql() throws Exception {
        try (EmbeddedPostgres server =
                EmbeddedPostgres.builder().setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile()).start();
                Connection connection = server.getPostgresDatabase().getConnection()) {
            noDifference(Target.POSTGRESQL, connection, "drop table if exists t",
                    own -> PostgreSqlCatalog.read(Catalog.of(own), "public"), CONDITIONS.size());
        }
    }

    @Test
    void mariaDb() throws Exception {
        try (RealMariaDb server = new RealMariaDb("maria-conditions"); Connection connection = server.fresh("c")) {
            noDifference(Target.MARIADB, connection, "drop table if exists t",
                    own -> MariaDbCatalog.read(Catalog.of(own), "c"), 44);
        }
    }

    @Test
    void sqlite() throws SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite::memory:")) {
            noDifference(Target.SQLITE, connection, "drop table if exists t",
                    own -> SqliteCatalog.read(Catalog.of(own)), 38);
        }
    }

    @Test
    void h2() throws SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:h2:mem:")) {
            noDifference(Target.H2, connection, "drop table if exists t",
                    own -> H2Catalog.read(Catalog.of(own), "PUBLIC"), 44);
        }
    }

    @Test
    void duckDb() throws SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:duckdb:")) {
            noDifference(Target.DUCKDB, connection, "drop table if exists t",
                    own -> DuckDbCatalog.read(Catalog.of(own), "main"), 44);
        }
    }
}
