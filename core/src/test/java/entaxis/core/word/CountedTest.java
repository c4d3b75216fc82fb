package entaxis.core.word;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class CountedTest {
    @Test
    void countsAgreeWithTheirNoun() {
        assertThat(Words.counted(1, "relationship")).isEqualTo("1 relationship");
        assertThat(Words.counted(0, "entity")).isEqualTo("0 entities");
        assertThat(Words.counted(2, "index")).isEqualTo("2 indexes");
    }
}
