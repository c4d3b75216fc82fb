package entaxis.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.targets.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/**
 * Dumps of many tables, laid out as the engines' own tools lay them out (common practice): keys, references and indexes
 * come behind the tables, in the same words for each. All tables but the first refer to the one before.
 */
class DumpsTest {
    private static final int TABLES = 60;

    private static String statements(String form) {
        return IntStream.range(0, TABLES)
                .mapToObj(
                        i -> form.replace("#-", Integer.toString(Math.max(0, i - 1))).replace("#", Integer.toString(i)))
                .collect(Collectors.joining("\n"));
    }

    private static String said(Table table) {
        List<String> parts = new ArrayList<>();
        parts.add(table.namespace() + "." + table.name());
        table.columns().forEach(column -> parts.add(column.name() + (column.required() ? "!" : "")));
        table.primaryKey().ifPresent(key -> parts.add("pk " + key.name() + key.columns()));
        table.uniqueKeys().forEach(key -> parts.add("uq " + key.name() + key.columns()));
        table.foreignKeys().forEach(key -> parts.add(said(key)));
        table.indexes().forEach(index -> parts.add(said(index)));
        return String.join(" | ", parts);
    }

    private static String said(ForeignKey key) {
        return "fk " + key.name() + key.columns() + " " + key.referenced().namespace() + "." + key.referencedTable()
                + key.referencedColumns() + " " + key.onDelete() + " " + key.onUpdate() + " "
                + key.deferral();
    }

    private static String said(TableIndex index) {
        return (index.unique() ? "unique index " : "index ") + index.name() + " " + index.method()
                + index.columns().stream().map(column -> column.name() + (column.descending() ? " desc" : "")).toList();
    }

    private static List<String> read(String script, Target engine) {
        Reading reading = ScriptReader.read(script, engine);
        assertThat(reading.notUnderstood()).isEmpty();
        return reading.schema().tables().stream().map(DumpsTest::said).toList();
    }

    @Test
    void postgreSql() {
        String script = "SET search_path = '';\n" + statements(
                "CREATE TABLE vault.lot_# (\n    id bigint NOT NULL,\n    up bigint,\n    code text\n);\n\nALTER TABLE "
                        + "vault.lot_# OWNER TO keeper;\n")
                + statements("ALTER TABLE ONLY vault.lot_#\n    ADD CONSTRAINT lot_#_pkey PRIMARY KEY (id);\n")
                + statements("ALTER TABLE ONLY vault.lot_#\n    ADD CONSTRAINT lot_#_key UNIQUE (code, up);\n")
                + statements("CREATE UNIQUE INDEX lot_#_once ON vault.lot_# USING btree (up DESC, code);\n")
                + statements("CREATE INDEX lot_#_words ON vault.lot_# USING gin (code);\n")
                + statements(
                        "ALTER TABLE ONLY vault.lot_#\n    ADD CONSTRAINT lot_#_fkey FOREIGN KEY (up) REFERENCES "
                                + "vault.lot_#-(id) ON UPDATE CASCADE ON DELETE SET NULL DEFERRABLE INITIALLY DEFERRED;"
                                + "\n");
        List<String> tables = read(script, Target.POSTGRESQL);
        assertThat(tables).hasSize(TABLES)
                .startsWith(("vault.lot_0 | id! | up | code | pk lot_0_pkey[id] | uq lot_0_key[code, up]"
                        + " | fk lot_0_fkey[up] vault.lot_0[id] SET_NULL CASCADE INITIALLY_DEFERRED | unique index "
                        + "lot_0_once [up desc, code] | index lot_0_words gin[code]"));
        assertThat(tables.getLast())
                .contains("fk lot_59_fkey[up] vault.lot_58[id] SET_NULL CASCADE INITIALLY_DEFERRED");
    }

    @ParameterizedTest
    @EnumSource(names = {"MYSQL", "MARIADB"})
    void mySql(Target engine) {
        String script = statements(
                "CREATE TABLE `lot_#` (\n  `id` int NOT NULL,\n  `up` int DEFAULT NULL,\n  `the code` varchar(9) "
                        + "DEFAULT NULL\n) ENGINE=InnoDB;\n")
                + statements("ALTER TABLE `lot_#` ADD CONSTRAINT `key_#` UNIQUE (`the code`);\n")
                + statements("CREATE INDEX `by up #` ON `lot_#` (`up`, `id`);\n")
                + statements("ALTER TABLE `lot_#` ADD CONSTRAINT `pk_#` PRIMARY KEY (`id`);\n")
                + statements(
                        "ALTER TABLE `lot_#` ADD CONSTRAINT `fk_#` FOREIGN KEY (`up`) REFERENCES `lot_#-` (`id`) ON "
                                + "DELETE CASCADE;\n");
        List<String> tables = read(script, engine);
        assertThat(tables).hasSize(TABLES);
        assertThat(tables.get(7)).isEqualTo(
                ".lot_7 | id! | up | the code | pk PRIMARY[id] | uq key_7[the code] | fk fk_7[up] .lot_6[id] CASCADE "
                        + "NO_ACTION NOT_DEFERRABLE | index by up 7 [up, id]");
    }

    @Test
    void oracle() {
        String script = statements("CREATE TABLE \"LOT_#\" (\"ID\" NUMBER(9) NOT NULL, \"UP\" NUMBER(9));\n")
                + statements("ALTER TABLE \"LOT_#\" ADD CONSTRAINT \"LOT_#_PK\" PRIMARY KEY (\"ID\");\n")
                + statements("CREATE INDEX \"LOT_#_IX\" ON \"LOT_#\" (\"UP\" DESC);\n")
                + statements(
                        "ALTER TABLE \"LOT_#\" ADD CONSTRAINT \"LOT_#_FK\" FOREIGN KEY (\"UP\") REFERENCES \"LOT_#-\" "
                                + "(\"ID\") ON DELETE SET NULL;\n");
        assertThat(read(script, Target.ORACLE)).hasSize(TABLES).last()
                .isEqualTo(
                        ".LOT_59 | ID! | UP | pk LOT_59_PK[ID] | fk LOT_59_FK[UP] .LOT_58[ID] SET_NULL NO_ACTION "
                                + "NOT_DEFERRABLE | index LOT_59_IX [UP desc]");
    }

    @Test
    void sqlServer() {
        String script = statements(
                "CREATE TABLE [dbo].[Lot#] (\n\t[Id] [int] NOT NULL,\n\t[Up] [int] NULL\n) ON [PRIMARY]\nGO\n")
                + statements("ALTER TABLE [dbo].[Lot#] ADD CONSTRAINT [PK_#] PRIMARY KEY CLUSTERED ([Id] ASC)\nGO\n")
                + statements("CREATE NONCLUSTERED INDEX [IX_#] ON [dbo].[Lot#] ([Up] ASC)\nGO\n")
                + statements(
                        "ALTER TABLE [dbo].[Lot#] WITH CHECK ADD CONSTRAINT [FK_#] FOREIGN KEY([Up])\nREFERENCES "
                                + "[dbo].[Lot#-] ([Id])\nGO\n");
        assertThat(read(script, Target.SQLSERVER)).hasSize(TABLES).last().asString()
                .contains("pk PK_59[Id]", "fk FK_59[Up] dbo.Lot58[Id] NO_ACTION NO_ACTION NOT_DEFERRABLE",
                        "index IX_59 [Up]");
    }

    /** A change in the middle of a row of statements that are alike counts for those behind it. */
    @ParameterizedTest
    @EnumSource(names = {"POSTGRESQL", "H2", "ORACLE", "MARIADB"})
    void changesInTheMiddle(Target engine) {
        StringBuilder script =
                new StringBuilder(statements("CREATE TABLE lot_# (id int PRIMARY KEY, up int, code varchar(9));\n"));
        for (int i = 0; i < TABLES; i++) {
            script.append(switch (i) {
                case 20 -> "ALTER TABLE lot_20 RENAME COLUMN up TO above;\n";
                case 30 -> "DROP TABLE lot_30;\n";
                case 40 -> "ALTER TABLE lot_40 RENAME TO batch;\n";
                default -> "";
            });
            script.append("CREATE INDEX ix_").append(i).append(" ON lot_").append(i).append(" (up, code);\n");
        }
        Reading reading = ScriptReader.read(script.toString(), engine);
        assertThat(reading.notUnderstood().stream().map(NotUnderstood::reason).toList())
                .containsExactly("the table lot_20 has no column up", "no table lot_30 is known here",
                        "no table lot_40 is known here");
        assertThat(reading.schema().tables()).hasSize(TABLES - 1);
        assertThat(reading.schema().tables().stream().filter(table -> table.indexes().size() == 1).count())
                .isEqualTo(TABLES - 3);
    }

    /** MariaDB manual, mariadb-dump: each part of a trigger stands in a comment that the server runs. */
    @Test
    void whatStandsInVersionCommentsIsPlain() {
        Reading reading = ScriptReader.read("""
                CREATE TABLE inbox (at datetime);
                DELIMITER ;;
                /*!50003 CREATE*/ /*!50017 DEFINER=`root`@`localhost`*/ /*!50003 TRIGGER inbox_moment
                BEFORE INSERT ON inbox FOR EACH ROW BEGIN
                    /* kept */ SET NEW.at = now(); -- so is this */
                    /*!50706 SET NEW.at = NULL; */
                END */;;
                DELIMITER ;
                /*!50001 CREATE ALGORITHM=UNDEFINED */
                /*!50013 DEFINER=`root`@`localhost` SQL SECURITY DEFINER */
                /*!50001 VIEW `moments` AS select `inbox`.`at` AS `at` from `inbox` */;
                """, Target.MARIADB);
        assertThat(reading.notUnderstood()).isEmpty();
        assertThat(reading.schema().programs()).extracting(program -> program.text().replaceAll("\\s+", " ").strip())
                .containsExactly("CREATE DEFINER=`root`@`localhost` TRIGGER inbox_moment BEFORE INSERT ON inbox "
                        + "FOR EACH ROW BEGIN /* kept */ SET NEW.at = now(); -- so is this */ "
                        + "/*!50706 SET NEW.at = NULL; */ END",
                        "CREATE ALGORITHM=UNDEFINED DEFINER=`root`@`localhost` SQL SECURITY DEFINER "
                        + "VIEW `moments` AS select `inbox`.`at` AS `at` from `inbox`");
    }

    /** SQLite documentation, “FTS5”, 9: the tables behind a virtual one are the engine's own. */
    @Test
    void tablesBehindVirtualOnesAreLeftOut() {
        String typed = "CREATE TABLE note (id integer PRIMARY KEY); CREATE TABLE note_data (a); "
                + "CREATE VIRTUAL TABLE words USING fts5(text);";
        String dumped = "PRAGMA writable_schema=ON;\nCREATE TABLE note (id integer PRIMARY KEY);\n"
                + "CREATE TABLE note_data (a);\nINSERT INTO sqlite_schema(type,name,tbl_name,rootpage,sql)"
                + "VALUES('table','words','words',0,'CREATE VIRTUAL TABLE words USING fts5(text)');\n"
                + "CREATE TABLE IF NOT EXISTS 'words_data'(id INTEGER PRIMARY KEY, block BLOB);\n"
                + "CREATE TABLE IF NOT EXISTS 'words_idx'(segid, term, pgno, PRIMARY KEY(segid, term)) WITHOUT ROWID;";
        for (String script : List.of(typed, dumped)) {
            assertThat(ScriptReader.read(script, Target.SQLITE).schema().tables()).extracting(Table::name)
                    .containsExactly("note", "note_data");
        }
    }
}
