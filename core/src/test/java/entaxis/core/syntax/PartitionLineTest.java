package entaxis.core.syntax;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.expression.Expression;
import entaxis.core.schema.PartitionBound;
import entaxis.core.schema.Partitioning.Method;
import entaxis.core.schema.Partitioning;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.syntax.PartitionLine.NotRead;
import entaxis.core.syntax.PartitionLine.Read;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PartitionLineTest {
    private static PartitionLine line(String text) {
        assertThat(PartitionLine.read(text)).isInstanceOf(Read.class);
        return ((Read<PartitionLine>) PartitionLine.read(text)).value();
    }

    private static Partitioning split(String text) {
        assertThat(PartitionLine.readSplit(text)).isInstanceOf(Read.class);
        return ((Read<Partitioning>) PartitionLine.readSplit(text)).value();
    }

    @Test
    void aLineNamesAPartitionAndItsRows() {
        PartitionLine line = line("lot_2030 for values from ('2030-01-01', MINVALUE) to ('2031-01-01', 0)");
        assertThat(line.name()).isEqualTo("lot_2030");
        assertThat(line.of()).isEmpty();
        assertThat(line.bound()).isEqualTo(new PartitionBound.Range(
                List.of(Expression.of("'2030-01-01'"), Expression.of("MINVALUE")),
                List.of(Expression.of("'2031-01-01'"), Expression.of("0"))));
        assertThat(line.split()).isEmpty();
    }

    @Test
    void aPartitionMayBePartOfAnotherAndSplitItself() {
        PartitionLine line =
                line("  \"Lot north\" OF \"lots of it\" FOR VALUES IN ('a', NULL) partition by hash (id) ");
        assertThat(line.name()).isEqualTo("Lot north");
        assertThat(line.of()).isEqualTo("lots of it");
        assertThat(line.bound())
                .isEqualTo(new PartitionBound.Values(List.of(Expression.of("'a'"), Expression.of("NULL"))));
        assertThat(line.split()).map(Partitioning::method).contains(Method.HASH);
    }

    @Test
    void whatIsLeftAndWhatIsHashed() {
        assertThat(line("rest default").bound()).isEqualTo(new PartitionBound.Default());
        assertThat(line("h for values with (remainder 2, modulus 5)").bound())
                .isEqualTo(new PartitionBound.Remainder(5, 2));
    }

    @ParameterizedTest
    @ValueSource(strings = {"range (day)", "RANGE (day)", "partition by range (day)"})
    void rowsAreSplitByColumns(String text) {
        assertThat(split(text)).isEqualTo(new Partitioning(Method.RANGE, List.of(new IndexColumn("day", false))));
    }

    @Test
    void rowsAreSplitByExpressions() {
        assertThat(split("list (lower(region), (id % 4))").key()).extracting(IndexColumn::name)
                .containsExactly("lower(region)", "id % 4");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', value = {
        "`` | A partition begins with its name",
        "`'x'` | A partition begins with its name",
        "lot_1 | Of lot_1: ",
        "lot_1 of | After “of” stands the name of the partition",
        "lot_1 for values between 1 and 2 | Of lot_1: ",
        "lot_1 for values in () | Of lot_1: ",
        "lot_1 default; drop table lot | Of lot_1: this is more than one line says",
        "lot_1 (note default 'x') default | A partition has what the whole has"})
    void whatIsNoneSaysWhy(String text, String message) {
        assertThat(PartitionLine.read(text)).isInstanceOf(NotRead.class);
        assertThat(((NotRead<PartitionLine>) PartitionLine.read(text)).message()).startsWith(message);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "day", "weekly (day)", "range", "range (", "range ()", "range (day); drop table lot"})
    void whatRowsCannotBeSplitBySaysWhy(String text) {
        assertThat(PartitionLine.readSplit(text)).isInstanceOf(NotRead.class);
        assertThat(((NotRead<Partitioning>) PartitionLine.readSplit(text)).message())
                .startsWith("Say by what the rows are split, as in: range (received_on)");
    }
}
