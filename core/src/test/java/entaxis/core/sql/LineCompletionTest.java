package entaxis.core.sql;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class LineCompletionTest {
    private static List<String> options(String text) {
        return LineCompletion.of(text, List.of("seed_amount", "storage_state")).options();
    }

    @Test
    void theDesignsOwnTypesComeFirst() {
        assertThat(options("seeds ")).startsWith("seed_amount", "storage_state");
        assertThat(options("seeds s")).startsWith("seed_amount", "storage_state", "smallint");
        assertThat(options("a integer\nseeds ti")).containsExactly("time", "timestamp with time zone", "timestamp");
    }

    @Test
    void clausesComeBehindTheType() {
        assertThat(options("seeds integer n")).containsExactly("not null");
        assertThat(options("seeds integer generated")).hasSize(3);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "seeds", "seeds integer check (se", "seeds integer -- co", "seeds text default 'a",
            "seeds text default ", "(", "\n"})
    void nothingWhereAnythingMayStand(String text) {
        assertThat(options(text)).isEmpty();
    }

    @Test
    void aDomainIsMadeOfAType() {
        assertThat(options("domain seed_count as big")).containsExactly("bigint");
        assertThat(options("create domain seed_count as bigint def")).containsExactly("default ");
    }

    /** Whatever is offered behind a name is read. */
    @Test
    void everyTypeThatIsOfferedIsUnderstood() {
        for (String option : LineCompletion.of("x ", List.of()).options()) {
            assertThat(AttributeLineReader.read("x " + option)).isInstanceOf(AttributeLine.Understood.class);
        }
    }
}
