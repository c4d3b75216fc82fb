package entaxis.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CsvRowsTest {
    @Test
    void quotesSeparatorsAndLineEnds() {
        CsvRows.Result result = CsvRows
                .read("\uFEFFtray,\"taxon, full\"\r\nT1,\"Briza \"\"ostra\"\"\"\r\n\r\nT2,\"two\nlines\"\r\n", 10);
        assertThat(result.fault()).isEmpty();
        assertThat(result.rows().columns()).containsExactly("tray", "taxon, full");
        assertThat(result.rows().values()).containsExactly(List.of("T1", "Briza \"ostra\""),
                List.of("T2", "two\nlines"));
        assertThat(CsvRows.read("a;b\n1,5;2\n", 10).rows().values()).containsExactly(List.of("1,5", "2"));
        assertThat(CsvRows.read("a\tb\n1\t2\n", 10).rows().columns()).containsExactly("a", "b");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '!', value = {
        "a,b~1,2~3         ! 3 ! there are 1 values for 2 columns",
        "a,a~1,2           ! 1 ! two columns are called a",
        "a,~1,2            ! 1 ! column 2 has no name",
        "''                ! 1 ! there is nothing",
        "a,b~1,\"2         ! 2 ! a quoted value does not end",
        "a~1~2~3~4         ! 5 ! more than 3 rows are not read"})
    void faultsNameTheLine(String text, long line, String message) {
        CsvRows.Result result = CsvRows.read(text == null ? "" : text.strip().replace('~', '\n'), 3);
        assertThat(result.fault()).get().satisfies(fault -> {
            assertThat(fault.message()).startsWith(message);
            assertThat(fault.line()).isEqualTo(line);
        });
    }
}
