package entaxis.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Table;
import entaxis.core.schema.UniqueKey;
import entaxis.core.targets.Target;
import java.util.stream.IntStream;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Many constraints without a name on one table, which used to take the square of their number. */
class ManyUnnamedTest {
    private static final int MANY = 20_000;

    @ParameterizedTest
    @EnumSource(Target.class)
    @Timeout(20)
    void areReadInLinearTimeAndHaveDifferentNames(Target engine) {
        String checks =
                IntStream.range(0, MANY).mapToObj(i -> "CHECK (a <> " + i + ")").collect(Collectors.joining(",\n"));
        String uniques = IntStream.range(0, MANY).mapToObj(i -> "UNIQUE (a, b)").collect(Collectors.joining(",\n"));
        Table table =
                ScriptReader.read("CREATE TABLE t (a integer, b integer,\n" + checks + ",\n" + uniques + ");", engine)
                        .schema().tables().getFirst();
        assertThat(table.checks()).hasSize(MANY);
        assertThat(table.checks().stream().map(CheckRule::name)
                .filter(name -> !name.isEmpty() && engine != Target.MARIADB)).doesNotHaveDuplicates();
        assertThat(table.uniqueKeys().stream().map(UniqueKey::name).filter(name -> !name.isEmpty()))
                .doesNotHaveDuplicates();
    }

    /**
     * MySQL manual, CREATE TABLE: a key without a name takes that of its first column, with a number from 2 where that
     * is taken; one that was dropped or renamed frees its own.
     */
    @Test
    void namesThatWereFreedAreTakenAgain() {
        Table table = ScriptReader.read("""
                CREATE TABLE t (a int, b int, UNIQUE (a), UNIQUE (a, b), KEY (b));
                ALTER TABLE t DROP INDEX a_2;
                ALTER TABLE t ADD UNIQUE (a, b);
                ALTER TABLE t RENAME INDEX a TO first_one;
                ALTER TABLE t ADD INDEX (a);
                ALTER TABLE t ADD INDEX (a), ADD INDEX a_9 (b), ADD INDEX (b);
                """, Target.MYSQL).schema().tables().getFirst();
        assertThat(table.uniqueKeys()).extracting(UniqueKey::name).containsExactly("first_one", "a_2");
        assertThat(table.indexes()).extracting(index -> index.name()).containsExactly("b", "a", "a_3", "a_9", "b_2");
    }
}
