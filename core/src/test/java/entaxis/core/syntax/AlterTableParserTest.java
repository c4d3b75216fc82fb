package entaxis.core.syntax;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.expression.Expression;
import entaxis.core.schema.Deferral;
import entaxis.core.schema.Identity;
import entaxis.core.statement.AlterTable;
import entaxis.core.statement.AlterColumnAction;
import entaxis.core.statement.ColumnClause;
import entaxis.core.schema.QualifiedName;
import entaxis.core.statement.ScriptStatement;
import entaxis.core.statement.AlterTableAction;
import entaxis.core.targets.Target;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import org.junit.jupiter.api.Test;

/** ALTER TABLE as records (ISO/IEC 9075-2, 11.10 to 11.30, and the engines' manuals). */
class AlterTableParserTest {
    private static final int BEGIN = "ALTER TABLE lot ".length();

    private static List<AlterTableAction> changes(Target engine, String what) {
        return Parsed.changes(engine, what);
    }

    private static AlterColumnAction change(Target engine, String what) {
        return ((AlterTableAction.AlterColumn) changes(engine, "ALTER COLUMN a " + what).getFirst()).action();
    }

    @Test
    void whichTableIsMeant() {
        AlterTable altered = (AlterTable) Parsed.statement(Target.POSTGRESQL,
                "ALTER TABLE IF EXISTS ONLY vault.lot DROP COLUMN a");
        assertThat(altered.name().name()).isEqualTo(new QualifiedName("vault", "lot"));
        assertThat(altered.name().place()).isEqualTo("ALTER TABLE IF EXISTS ONLY ".length());
        assertThat(altered.ifExists()).isTrue();
        assertThat(altered.only()).isTrue();
    }

    @Test
    void severalChangesInTheirOrder() {
        assertThat(changes(Target.POSTGRESQL, "DROP COLUMN IF EXISTS a CASCADE, DROP CONSTRAINT b, RENAME TO shelf"))
                .containsExactly(new AlterTableAction.DropColumn("a", BEGIN + "DROP COLUMN IF EXISTS ".length(), true,
                        false, true), new AlterTableAction.DropConstraint("b",
                                BEGIN + "DROP COLUMN IF EXISTS a CASCADE, DROP CONSTRAINT ".length(), false, false),
                        new AlterTableAction.RenameTo(new QualifiedName("", "shelf")));
    }

    /** Transact-SQL Reference, ALTER TABLE: one DROP takes several columns and constraints. */
    @Test
    void listsOfSqlServer() {
        assertThat(changes(Target.SQLSERVER, "DROP CONSTRAINT a, b, COLUMN c"))
                .extracting(change -> change.getClass().getSimpleName())
                .containsExactly("DropConstraint", "DropConstraint", "DropColumn");
        assertThat(changes(Target.SQLSERVER, "WITH NOCHECK ADD a int, CONSTRAINT c CHECK (a > 0)"))
                .extracting(change -> change.getClass().getSimpleName())
                .containsExactly("AddColumn", "AddConstraint");
    }

    @Test
    void whereAColumnComesToStand() {
        assertThat(positions("ADD a int FIRST")).contains(new AlterTableAction.Position.First());
        assertThat(positions("ADD COLUMN a int AFTER b")).contains(
                new AlterTableAction.Position.Beside("b", BEGIN + "ADD COLUMN a int AFTER ".length(), true));
        assertThat(positions("ADD a int")).isEmpty();
    }

    private static Optional<AlterTableAction.Position> positions(String what) {
        return ((AlterTableAction.AddColumn) changes(Target.MYSQL, what).getFirst()).position();
    }

    @Test
    void whatBecomesOfAColumn() {
        assertThat(change(Target.POSTGRESQL, "SET DEFAULT now()"))
                .isEqualTo(new AlterColumnAction.SetDefault(Expression.of("now()")));
        assertThat(change(Target.POSTGRESQL, "DROP NOT NULL")).isEqualTo(new AlterColumnAction.DropNotNull());
        assertThat(change(Target.POSTGRESQL, "SET GENERATED ALWAYS SET START WITH 9")).isEqualTo(
                new AlterColumnAction.SetNumbering(Optional.of(Identity.ALWAYS), OptionalLong.of(9),
                        OptionalLong.empty()));
        AlterColumnAction.Retype retyped =
                (AlterColumnAction.Retype) change(Target.POSTGRESQL, "TYPE text COLLATE \"C\" USING lower(a)");
        assertThat(retyped.type().spelling()).isEqualTo("text");
        assertThat(retyped.collation()).contains("C");
        AlterColumnAction.Redefine redefined = (AlterColumnAction.Redefine) change(Target.SQLSERVER, "bigint NOT NULL");
        assertThat(redefined.clauses()).containsExactly(ColumnClause.NotNull.UNNAMED);
    }

    @Test
    void columnsRedefined() {
        AlterTableAction.ChangeColumn changed =
                (AlterTableAction.ChangeColumn) changes(Target.MYSQL, "CHANGE a b bigint NOT NULL FIRST").getFirst();
        assertThat(changed.name()).isEqualTo("a");
        assertThat(changed.definition().name()).isEqualTo("b");
        assertThat(changed.position()).contains(new AlterTableAction.Position.First());
        assertThat(((AlterTableAction.ChangeColumn) changes(Target.MYSQL, "MODIFY a bigint").getFirst()).name())
                .isEqualTo("a");
        assertThat(changes(Target.ORACLE, "MODIFY (a NOT NULL, b varchar2(9))"))
                .allSatisfy(change -> assertThat(change).isInstanceOf(AlterTableAction.ModifyColumn.class)).hasSize(2);
    }

    /** MariaDB manual, ALTER TABLE: the name behind IF NOT EXISTS is that of the constraint. */
    @Test
    void aConstraintOnlyIfItIsAbsent() {
        AlterTableAction.AddConstraint added = (AlterTableAction.AddConstraint) changes(Target.MARIADB,
                "ADD CONSTRAINT IF NOT EXISTS few CHECK (a < 9)").getFirst();
        assertThat(added.onlyIfAbsent()).isTrue();
        assertThat(added.name()).isEqualTo("few");
        assertThat(added.constraint()).hasToString("Check[name=few, condition=a < 9]");
    }

    @Test
    void whenAReferenceIsChecked() {
        assertThat(changes(Target.POSTGRESQL, "ALTER CONSTRAINT r DEFERRABLE INITIALLY DEFERRED")).containsExactly(
                new AlterTableAction.AlterConstraint("r", BEGIN + "ALTER CONSTRAINT ".length(),
                        Optional.of(Deferral.INITIALLY_DEFERRED)));
    }

    /** From what says nothing about tables on, the rest of the statement is passed. */
    @Test
    void whatIsSteppedOver() {
        assertThat(changes(Target.POSTGRESQL, "OWNER TO keeper"))
                .containsExactly(new AlterTableAction.OwnerTo("keeper"), new AlterTableAction.Skip("owner"));
        assertThat(changes(Target.POSTGRESQL, "ADD a int, ENABLE ROW LEVEL SECURITY"))
                .extracting(change -> change.getClass().getSimpleName()).containsExactly("AddColumn", "Skip");
    }

    /** The changes before an error stand. */
    @Test
    void anErrorComesBehindWhatWasUnderstood() {
        ScriptStatement statement = Parsed.script(Target.POSTGRESQL,
                "ALTER TABLE lot DROP COLUMN a, FLY AWAY, DROP COLUMN b; DROP TABLE c;").getFirst();
        assertThat(((AlterTable) statement.statement()).actions()).hasSize(1);
        assertThat(statement.error()).hasValueSatisfying(error -> {
            assertThat(error.excerpt()).startsWith("FLY AWAY");
            assertThat(error.reason()).isEqualTo("this change of a table is not known here");
        });
    }
}
