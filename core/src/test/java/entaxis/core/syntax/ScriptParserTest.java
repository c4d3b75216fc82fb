package entaxis.core.syntax;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.expression.Expression;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Numbering;
import entaxis.core.schema.ProgramHead;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.SecuredObject;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.statement.AddExtension;
import entaxis.core.statement.Block;
import entaxis.core.statement.CallProcedure;
import entaxis.core.statement.ChangeOwner;
import entaxis.core.statement.ChangePrivileges;
import entaxis.core.statement.CommentOn;
import entaxis.core.statement.CreateIndex;
import entaxis.core.statement.CreateSchema;
import entaxis.core.statement.DropIndexes;
import entaxis.core.statement.DropTables;
import entaxis.core.statement.IndexDefinition;
import entaxis.core.statement.InsertRows;
import entaxis.core.statement.PlacedName;
import entaxis.core.statement.ProgramName;
import entaxis.core.statement.ProgramStatement;
import entaxis.core.schema.QualifiedName;
import entaxis.core.statement.ScriptStatement;
import entaxis.core.statement.SecuredObjects;
import entaxis.core.statement.SequenceStatement;
import entaxis.core.statement.Skipped;
import entaxis.core.statement.Statement;
import entaxis.core.statement.SyntaxError;
import entaxis.core.statement.TypeStatement;
import entaxis.core.statement.UseSchema;
import entaxis.core.targets.Target;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Statements beside those on tables as records, by the manuals of the engines, and what stands around them. */
class ScriptParserTest {
    private static final QualifiedName LOT = new QualifiedName("", "lot");

    private static Statement one(Target engine, String script) {
        return Parsed.statement(engine, script);
    }

    private static PlacedName placed(String name, String before) {
        return new PlacedName(new QualifiedName("", name), before.length());
    }

    @Test
    void indexes() {
        assertThat(one(Target.POSTGRESQL, "CREATE UNIQUE INDEX i ON lot USING gin (a DESC, lower(b)) INCLUDE (c) "
                + "WHERE (a > 0)")).isEqualTo(new CreateIndex(new QualifiedName("", "i"),
                        placed("lot", "CREATE UNIQUE INDEX i ON "), false, false, false,
                        Optional.of(new IndexDefinition("i", true, List.of(new IndexColumn("a", true),
                                IndexColumn.of(Expression.of("lower(b)"))), "gin",
                                Optional.of(Expression.of("a > 0")), List.of("c")))));
        assertThat(one(Target.MYSQL, "DROP INDEX i ON lot")).isEqualTo(new DropIndexes(
                List.of(new DropIndexes.Dropped(placed("i", "DROP INDEX "), Optional.of(LOT))), false));
    }

    /** Of an index whose definition is not understood, its table is known: it may be one that is not kept. */
    @Test
    void anIndexThatIsNotUnderstood() {
        ScriptStatement statement =
                Parsed.script(Target.POSTGRESQL, "CREATE INDEX i ON lot (a) DROP ALL OF IT").getFirst();
        CreateIndex created = (CreateIndex) statement.statement();
        assertThat(created.table().name()).isEqualTo(LOT);
        assertThat(created.definition()).isEmpty();
        assertThat(statement.error()).isPresent();
    }

    @Test
    void types() {
        assertThat(one(Target.POSTGRESQL, "CREATE TYPE level AS ENUM ('low', 'it''s')")).isEqualTo(
                new TypeStatement.CreateEnumeration(placed("level", "CREATE TYPE "), List.of("low", "it's")));
        TypeStatement.CreateDomain domain = (TypeStatement.CreateDomain) one(Target.POSTGRESQL,
                "CREATE DOMAIN weight AS numeric(9,2) DEFAULT 1 NOT NULL CONSTRAINT some CHECK (VALUE > 0)");
        assertThat(domain.base().spelling()).isEqualTo("numeric(9,2)");
        assertThat(domain.defaultValue()).contains(Expression.of("1"));
        assertThat(domain.required()).isTrue();
        assertThat(domain.rules()).containsExactly(new CheckRule("some", "VALUE > 0"));
        assertThat(one(Target.POSTGRESQL, "ALTER TYPE level ADD VALUE IF NOT EXISTS 'mid' BEFORE 'low'")).isEqualTo(
                new TypeStatement.AlterType(placed("level", "ALTER TYPE "),
                        new TypeStatement.AddValue("mid", true, Optional.of("low"), true)));
        assertThat(((TypeStatement.AlterType) one(Target.POSTGRESQL,
                "ALTER TYPE pair ADD ATTRIBUTE c int, DROP ATTRIBUTE IF EXISTS a, RENAME ATTRIBUTE b TO d")).change())
                .isInstanceOfSatisfying(TypeStatement.ChangeFields.class,
                        fields -> assertThat(fields.changes()).hasSize(3));
        assertThat(one(Target.POSTGRESQL, "DROP DOMAIN IF EXISTS a, b CASCADE")).isEqualTo(new TypeStatement.DropTypes(
                List.of(new QualifiedName("", "a"), new QualifiedName("", "b")), true));
    }

    @Test
    void sequences() {
        assertThat(one(Target.POSTGRESQL,
                "CREATE SEQUENCE s AS bigint START WITH 5 INCREMENT BY -1 OWNED BY vault.lot.id")).isEqualTo(
                        new SequenceStatement.CreateSequence(placed("s", "CREATE SEQUENCE "), false, false,
                                new Numbering(5, -1), Optional.of(new SequenceStatement.OwningColumn(
                                        new QualifiedName("vault", "lot"), "id"))));
        assertThat(one(Target.POSTGRESQL, "ALTER SEQUENCE s RENAME TO t")).isEqualTo(
                new SequenceStatement.AlterSequence(new QualifiedName("", "s"), Optional.empty(), Optional.of("t")));
    }

    @Test
    void viewsRoutinesAndTriggers() {
        String view = "CREATE OR REPLACE VIEW seen AS SELECT a -- all\n FROM lot";
        assertThat(one(Target.POSTGRESQL, view + ";")).isEqualTo(new ProgramStatement.CreateProgram(ProgramKind.VIEW,
                false, new QualifiedName("", "seen"), new ProgramHead.Named(),
                "CREATE OR REPLACE VIEW ".length(), false, view));
        assertThat(((ProgramStatement.CreateProgram) one(Target.POSTGRESQL,
                "CREATE TRIGGER t AFTER INSERT ON vault.lot EXECUTE FUNCTION f()")).head().belongsTo())
                .contains(new QualifiedName("vault", "lot"));
        assertThat(one(Target.POSTGRESQL, "DROP FUNCTION f(int, text), g() CASCADE")).isEqualTo(
                new ProgramStatement.DropPrograms(ProgramKind.FUNCTION,
                        List.of(new ProgramName(new QualifiedName("", "f"), Optional.of("int, text"), Optional.empty()),
                                new ProgramName(new QualifiedName("", "g"), Optional.of(""), Optional.empty())),
                        true));
    }

    @Test
    void comments() {
        assertThat(one(Target.POSTGRESQL, "COMMENT ON COLUMN vault.lot.a IS 'it''s'")).isEqualTo(new CommentOn(
                new CommentOn.OnColumn(new PlacedName(new QualifiedName("vault", "lot"), "COMMENT ON COLUMN ".length()),
                        "a"), "it's"));
        assertThat(((CommentOn) one(Target.POSTGRESQL, "COMMENT ON DOMAIN d IS NULL")).text()).isEmpty();
    }

    /** PostgreSQL manual, GRANT and REVOKE. */
    @Test
    void privileges() {
        assertThat(one(Target.POSTGRESQL, "GRANT SELECT, INSERT ON lot TO keeper, PUBLIC WITH GRANT OPTION"))
                .isEqualTo(new ChangePrivileges(false, List.of("SELECT", "INSERT"),
                        new SecuredObjects.Named(SecuredObject.TABLE, List.of(LOT)), List.of("keeper", "PUBLIC"),
                        true));
        assertThat(one(Target.POSTGRESQL, "REVOKE ALL ON ALL TABLES IN SCHEMA vault FROM keeper")).isEqualTo(
                new ChangePrivileges(true, List.of("ALL"),
                        new SecuredObjects.AllIn(SecuredObject.TABLE, List.of("vault")), List.of("keeper"), false));
        assertThat(one(Target.POSTGRESQL, "ALTER SEQUENCE s OWNER TO keeper")).isEqualTo(new ChangeOwner(
                new SecuredObjects.Named(SecuredObject.SEQUENCE, List.of(new QualifiedName("", "s"))), "keeper",
                "numbering"));
        assertThat(one(Target.POSTGRESQL, "GRANT SELECT (a) ON lot TO keeper")).isEqualTo(new Skipped("permission"));
    }

    @Test
    void rows() {
        assertThat(one(Target.POSTGRESQL, "INSERT INTO lot (a, b) VALUES (1, 'x, y'), (now(), NULL)")).isEqualTo(
                new InsertRows(LOT, List.of("a", "b"), List.of(List.of("1", "'x, y'"), List.of("now()", "NULL"))));
        assertThat(Parsed.statements(Target.POSTGRESQL, "COPY lot (a, b) FROM stdin;\n1\t\\N\nit's\tx\\ty\n\\.\n"
                + "DROP TABLE lot;")).containsExactly(
                        new InsertRows(LOT, List.of("a", "b"),
                                List.of(List.of("'1'", "NULL"), List.of("'it''s'", "'x\ty'"))),
                        new DropTables(List.of(LOT), false, false));
    }

    /** Of the rows of a table the first are read; those behind them would only take time. */
    @Test
    void onlyTheFirstRows() {
        String script = "INSERT INTO lot VALUES (1);\n".repeat(30);
        assertThat(Parsed.statements(Target.SQLITE, script).stream()
                .mapToInt(statement -> ((InsertRows) statement).rows().size()).sum()).isEqualTo(20);
    }

    @Test
    void whatSaysWhereNamesBelong() {
        assertThat(one(Target.POSTGRESQL, "SET search_path = vault, public")).isEqualTo(
                new UseSchema("vault", "setting"));
        assertThat(one(Target.POSTGRESQL, "SELECT pg_catalog.set_config('search_path', '', false)")).isEqualTo(
                new UseSchema("", "setting"));
        assertThat(one(Target.MYSQL, "USE vault")).isEqualTo(new UseSchema("vault", "change of database"));
        CreateSchema created = (CreateSchema) one(Target.POSTGRESQL,
                "CREATE SCHEMA vault CREATE TABLE lot (a int) CREATE INDEX ON lot (a)");
        assertThat(created.name()).contains("vault");
        assertThat(created.statements()).hasSize(2);
        assertThat(one(Target.POSTGRESQL, "CREATE EXTENSION IF NOT EXISTS citext")).isEqualTo(
                new AddExtension("citext"));
    }

    /** Transact-SQL Reference, EXECUTE: arguments by place and by name. */
    @Test
    void proceduresOfTheEngine() {
        assertThat(one(Target.SQLSERVER, "EXEC sys.sp_rename N'dbo.Lot.A', @newname = N'B'")).isEqualTo(
                new CallProcedure("sp_rename", List.of(new CallProcedure.Argument("", "dbo.Lot.A"),
                        new CallProcedure.Argument("@newname", "B"))));
    }

    /** Transact-SQL Reference: what stands under a condition is read as if it held. */
    @Test
    void statementsUnderACondition() {
        List<ScriptStatement> all = Parsed.script(Target.SQLSERVER,
                "IF OBJECT_ID('lot') IS NOT NULL DROP TABLE lot DROP TABLE other\nGO\n");
        assertThat(all).extracting(ScriptStatement::conditional).containsExactly(true, false);
        assertThat(all).extracting(ScriptStatement::statement).containsExactly(
                new DropTables(List.of(LOT), false, false),
                new DropTables(List.of(new QualifiedName("", "other")), false, false));
    }

    /** Transact-SQL Reference, BEGIN ... END: what stands behind the block is under no condition any more. */
    @Test
    void statementsBehindABlock() {
        List<ScriptStatement> all = Parsed.script(Target.SQLSERVER, "IF 1 = 0 BEGIN UPDATE lot SET a = CASE WHEN b = 1 "
                + "THEN 2 ELSE 3 END PRINT 'none' END DROP TABLE lot\nGO\n");
        assertThat(all).extracting(ScriptStatement::statement).containsExactly(new Skipped("change of rows"),
                new Skipped("message"), new DropTables(List.of(LOT), false, false));
        assertThat(all).extracting(ScriptStatement::conditional).containsExactly(true, true, false);
    }

    /** PostgreSQL manual, DO: places of the statements inside are counted from where the text begins. */
    @Test
    void anonymousBlocks() {
        String script = "DO $$ BEGIN IF a THEN ALTER TABLE lot DROP COLUMN b; END IF; RAISE NOTICE 'x'; END $$;";
        Block block = (Block) one(Target.POSTGRESQL, script);
        assertThat(block.remark()).isEmpty();
        Block.Part part = block.parts().getFirst();
        assertThat(part.place()).isEqualTo(script.indexOf("$$") + 2);
        ScriptStatement inside = part.statements().getFirst();
        assertThat(inside.conditional()).isTrue();
        assertThat(script.substring(part.place() + inside.start())).startsWith("ALTER TABLE lot");
        assertThat(((Block) one(Target.POSTGRESQL, "DO $$ BEGIN FOR i IN 1..9 LOOP EXECUTE x; END LOOP; END $$"))
                .remark()).contains("part of an anonymous block");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"POSTGRESQL | VACUUM lot | maintenance", "MYSQL | LOCK TABLES lot READ | lock",
        "POSTGRESQL | BEGIN | transaction", "ORACLE | CREATE SYNONYM s FOR lot | synonym",
        "SQLSERVER | PRINT 'x' | message", "SQLITE | PRAGMA foreign_keys = on | setting",
        "POSTGRESQL | CREATE POLICY p ON lot | row security", "MYSQL | CREATE EVENT e ON SCHEDULE AT x DO y | event",
        "POSTGRESQL | SELECT 1 | query", "MYSQL | CALL p(1) | call of a procedure"})
    void whatIsSteppedOver(Target engine, String script, String kind) {
        assertThat(one(engine, script)).isEqualTo(new Skipped(kind));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', value = {
        "FLY AWAY | 0 | “FLY” begins no statement that is known here",
        "CREATE | 6 | the statement ends before it says what it creates",
        "CREATE CAKE c | 7 | “CAKE c” is nothing known that could be created, changed or dropped",
        "DROP TABLE | 10 | a name is expected, but the statement ends",
        "SELECT 'open | 7 | a quote or comment that opens here is not closed"})
    void whatIsNotUnderstood(String script, int place, String reason) {
        SyntaxError error = (SyntaxError) one(Target.POSTGRESQL, script);
        assertThat(error.place()).isEqualTo(place);
        assertThat(error.reason()).isEqualTo(reason);
    }

    @Test
    void whatStandsBehindAStatementThatShouldHaveEnded() {
        ScriptStatement statement = Parsed.script(Target.POSTGRESQL, "DROP TABLE lot\nDROP TABLE other;").getFirst();
        assertThat(statement.statement()).isEqualTo(new DropTables(List.of(LOT), false, false));
        assertThat(statement.error()).hasValueSatisfying(
                error -> assertThat(error.reason()).isEqualTo("a semicolon is missing before this"));
    }
}
