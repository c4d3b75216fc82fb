package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.expression.Expression;
import entaxis.core.reading.Reading;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.AgreedPrograms;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.Difference;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.schema.Column;
import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Sequence;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import java.io.IOException;
import java.io.InputStream;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Proxy;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.shardingsphere.sql.parser.api.CacheOption;
import org.apache.shardingsphere.sql.parser.api.SQLParserEngine;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * No server of SQL Server, Oracle or MySQL runs here. Their catalog views are laid out in an engine that does, with the
 * columns that their manuals name and the rows that they keep for a few definitions (SQL Server documentation, “System
 * catalog views”; Oracle Database Reference, “Static Data Dictionary Views”; MySQL manual, “INFORMATION_SCHEMA
 * Tables”): the very queries run on them and find what the definitions say.
 */
class RecordedCatalogsTest {
    private static String text(String resource) throws IOException {
        try (InputStream stream = RecordedCatalogsTest.class.getResourceAsStream("/catalogs/" + resource)) {
            return new String(stream.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    private static Connection recorded(Target engine, String... changes) throws SQLException {
        Connection connection = DriverManager.getConnection("jdbc:h2:mem:;NON_KEYWORDS=VALUE");
        try (Statement statement = connection.createStatement()) {
            statement.execute("RUNSCRIPT FROM 'classpath:/catalogs/" + engine.name().toLowerCase(java.util.Locale.ROOT)
                    + "-catalog.sql'");
            if (engine == Target.SQLSERVER) {
                statement.execute(
                        "UPDATE sys.databases SET name = '" + connection.getCatalog() + "' WHERE name = 'RECORDED'");
            }
            for (String change : changes) {
                statement.execute(change);
            }
        }
        return connection;
    }

    private static Schema live(Target engine, String owner, String... changes) throws SQLException {
        try (Connection connection = recorded(engine, changes)) {
            return LiveCatalog.read(listening(connection, new ArrayList<>()), engine, Optional.of(owner));
        }
    }

    /**
     * Hears the queries; those to the information schema go to the recorded one, as the engine here has one of its own.
     */
    private static Connection listening(Connection connection, List<String> queries) {
        return (Connection) Proxy.newProxyInstance(RecordedCatalogsTest.class.getClassLoader(),
                new Class<?>[] {Connection.class}, (proxy, method, arguments) -> {
            if (method.getName().equals("prepareStatement")) {
                queries.add((String) arguments[0]);
                arguments[0] = ((String) arguments[0]).replace("information_schema.", "recorded.");
            }
            try {
                return method.invoke(connection, arguments);
            } catch (InvocationTargetException e) {
                throw e.getCause();
            }
        });
    }

    private static Comparison compared(Schema live, Target engine) throws IOException {
        Reading reading =
                ScriptReader.read(text(engine.name().toLowerCase(java.util.Locale.ROOT) + "-definitions.sql"), engine);
        assertThat(reading.notUnderstood()).isEmpty();
        Dialect dialect = Dialect.of(engine);
        Schema have = EngineSchema.of(live, engine, dialect);
        return Comparison.of(have, EngineSchema.against(EngineSchema.of(reading.schema(), engine, dialect), have,
                dialect, AgreedPrograms.NONE), dialect, RenameMap.NONE);
    }

    @ParameterizedTest
    @CsvSource({"SQLSERVER, dbo", "ORACLE, fenmoor", "MYSQL, fenmoor"})
    void theCatalogSaysWhatTheDefinitionsSaid(Target engine, String owner) throws SQLException, IOException {
        Schema live = live(engine, owner);
        assertThat(live.tables()).extracting(Table::name).containsExactly("vault_room", "rack", "tray");
        Comparison compared = compared(live, engine);
        assertThat(compared.differences()).isEmpty();
        assertThat(compared.remarks()).isEmpty();
    }

    @Test
    void whatSqlServerKeepsInItsOwnWayIsReadAsItWasMeant() throws SQLException {
        Schema live = live(Target.SQLSERVER, "dbo");
        Table rack = live.tables().get(1);
        assertThat(rack.columns()).extracting(Column::name).hasSize(17).startsWith("room_no", "rack_no", "code");
        assertThat(rack.column("note").orElseThrow().details().collation()).contains("Latin1_General_100_BIN2");
        assertThat(live.tables().getFirst().column("label").orElseThrow().details().collation())
                .as("the collation of the database goes without saying").isEmpty();
        assertThat(rack.column("capacity").orElseThrow().defaultValue()).contains(Expression.of("0"));
        assertThat(rack.checks()).extracting("name").as("a name that the server made up is none").containsExactly("",
                "ck_used");
        assertThat(rack.indexes()).extracting("name").as("no index of a key, none that is only imagined")
                .containsExactly("ix_rack_note");
        assertThat(rack.indexes().getFirst().columns()).as("included columns are no part of the key").hasSize(2);
        assertThat(live.programs()).extracting(Program::kind).containsExactly(ProgramKind.VIEW, ProgramKind.PROCEDURE);
    }

    @Test
    void whatOracleKeepsInItsOwnWayIsReadAsItWasMeant() throws SQLException {
        Schema live = live(Target.ORACLE, "FENMOOR");
        Table room = live.tables().getFirst();
        assertThat(room.columns()).extracting(Column::name).as("no column that an index hides")
                .containsExactly("room_no", "label", "code", "target_temp", "opened", "Keeper");
        assertThat(room.checks()).as("NOT NULL is no check").isEmpty();
        assertThat(room.columns().getFirst().defaultValue()).as("the sequence of an identity is not its default")
                .isEmpty();
        assertThat(live.tables().get(1).indexes()).extracting("name").containsExactly("ix_rack_used");
        assertThat(live.sequences()).extracting("name").containsExactly("tray_numbers");
        assertThat(live.programs()).extracting(Program::name).containsExactly("full_racks", "rack_sums", "empty_rack");
        assertThat(live.programs().getLast().text()).startsWith("CREATE PROCEDURE empty_rack").endsWith("END;");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            SQLSERVER | dbo     | UPDATE sys.columns SET max_length = 240 WHERE name = 'label'                        \
                      | vault_room.label
            SQLSERVER | dbo     | UPDATE sys.default_constraints SET definition = '((1))' WHERE object_id = 277576027 \
                        | rack.capacity
            SQLSERVER | dbo     | UPDATE sys.foreign_keys SET delete_referential_action_desc = 'NO_ACTION' WHERE name \
            = 'fk_rack_room' | rack.fk_rack_room
            SQLSERVER | dbo     | UPDATE sys.computed_columns SET definition = '([capacity]/(3))' WHERE column_id = 7 \
                        | rack.half
            ORACLE    | FENMOOR | UPDATE all_tab_cols SET data_precision = 12 WHERE column_name = 'CAPACITY'          \
                       | rack.capacity
            ORACLE    | FENMOOR | UPDATE all_constraints SET search_condition_vc = 'used < capacity' WHERE \
            constraint_name = 'CK_USED' | rack.ck_used
            ORACLE    | FENMOOR | UPDATE all_ind_columns SET descend = 'ASC' WHERE column_name = 'SYS_NC00016$'       \
                        | rack.ix_rack_used
            MYSQL     | fenmoor | UPDATE recorded.check_constraints SET check_clause = '(`used` < `capacity`)' WHERE \
            constraint_schema = 'fenmoor' | rack.ck_used
            MYSQL     | fenmoor | UPDATE recorded.statistics SET expression = 'upper(`label`)' WHERE index_name = \
            'ix_label'  | vault_room.ix_label
            MYSQL     | fenmoor | UPDATE recorded.columns SET generation_expression = '(`used` * 3)' WHERE \
            column_name = 'twice' | rack.twice
            ORACLE    | FENMOOR | UPDATE all_col_comments SET comments = 'Trays' WHERE column_name = 'CAPACITY'       \
                        | rack.capacity
            """)
    void aCatalogThatDriftedTellsWhere(Target engine, String owner, String change, String where)
            throws SQLException, IOException {
        List<Difference> differences = new ArrayList<>(compared(live(engine, owner, change), engine).differences());
        differences.removeIf(difference -> difference.name().isEmpty());
        assertThat(differences).isNotEmpty()
                .allMatch(difference -> (difference.table() + "." + difference.name()).equals(where), where);
    }

    /** A MySQL that is too old to have checks and expressions in indexes is read without them. */
    @Test
    void anOlderMySqlIsReadToo() throws SQLException {
        Schema live =
                live(Target.MYSQL, "fenmoor", "DELETE FROM recorded.columns WHERE table_schema = 'information_schema'",
                        "DROP TABLE recorded.check_constraints",
                        "DELETE FROM recorded.statistics WHERE expression IS NOT NULL",
                        "ALTER TABLE recorded.statistics DROP COLUMN expression");
        assertThat(live.tables()).hasSize(3).allMatch(table -> table.checks().isEmpty());
    }

    /** Oracle keeps no beginning of a sequence, so none is missed. */
    @Test
    void whereASequenceOfOracleBeganIsNoDifference() throws SQLException {
        Dialect oracle = Dialect.of(Target.ORACLE);
        Schema live = live(Target.ORACLE, "FENMOOR");
        Schema wanted = EngineSchema.of(new Schema(live.types(), List.of(new Sequence("", "tray_numbers", 500, 2)),
                live.tables(), live.programs()), Target.ORACLE, oracle);
        assertThat(Comparison
                .of(live, EngineSchema.against(wanted, live, oracle, AgreedPrograms.NONE), oracle, RenameMap.NONE)
                .differences()).isEmpty();
        Schema other = EngineSchema.of(new Schema(live.types(), List.of(new Sequence("", "tray_numbers", 500, 3)),
                live.tables(), live.programs()), Target.ORACLE, oracle);
        assertThat(Comparison
                .of(live, EngineSchema.against(other, live, oracle, AgreedPrograms.NONE), oracle, RenameMap.NONE)
                .differences()).hasSize(1);
    }

    /** The grammars of the engines, from a library of the registry, take every query that is sent. */
    @ParameterizedTest
    @CsvSource({"SQLSERVER, dbo, SQLServer", "ORACLE, FENMOOR, Oracle", "MYSQL, fenmoor, MySQL"})
    void theQueriesAreOfTheEngine(Target engine, String owner, String grammar) throws SQLException {
        List<String> queries = new ArrayList<>();
        try (Connection connection = recorded(engine)) {
            LiveCatalog.read(listening(connection, queries), engine, Optional.of(owner));
        }
        assertThat(queries).hasSizeGreaterThan(8);
        SQLParserEngine parser = new SQLParserEngine(grammar, new CacheOption(16, 16L));
        assertThat(queries).allSatisfy(query -> assertThat(parser.parse(query, false)).isNotNull());
    }
}
