package entaxis.core.token;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** SQL text by its tokens: words are found where they stand as words, and what is not exchanged stays as written. */
class SqlTextTest {

    @Test
    void wordsAreFoundWhereTheyStandAsWords() {
        SqlText text = SqlText.of("CREATE /* for each row */ TRIGGER \"for each row\" ON lot FOR  each\nROW "
                + "'for each row'");
        int each = text.find(0, "for", "each", "row");
        assertThat(text.from(each)).startsWith("FOR  each");
        assertThat(text.before(each)).endsWith("ON lot ");
        assertThat(text.find(each + 1, "for", "each")).isNegative();
    }

    @Test
    void blanksAndCommentsAreNoTokens() {
        SqlText text = SqlText.of(" a -- one\n + /* two */ b ");
        assertThat(text.size()).isEqualTo(3);
        assertThat(text.is(0, "A", "+", "b")).isTrue();
        assertThat(text.between(0, 3)).isEqualTo("a -- one\n + /* two */ b");
        assertThat(text.at(3).kind()).isEqualTo(Token.Kind.END);
        assertThat(text.at(-1).kind()).isEqualTo(Token.Kind.END);
    }

    @Test
    void ofABeginningOnlyThatIsLookedAt() {
        SqlText text = SqlText.beginning("create or replace view v as select 'never closed", 3);
        assertThat(text.size()).isEqualTo(3);
        assertThat(text.is(0, "create", "or", "replace")).isTrue();
        assertThat(text.is(0, "create", "or", "replace", "view")).isFalse();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', value = {"f(a, (b), c) d | 1 | ) d", "( ( ) | 0 | ~~",
        "x (y) | 1 | )"})
    void bracketsAreClosed(String sql, int open, String rest) {
        SqlText text = SqlText.of(sql);
        assertThat(text.from(text.closing(open))).isEqualTo(rest);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"vault.lot x | 3", "\"my vault\".\"lot\" | 3", "lot (a) | 1", "a.b.c | 5",
        "a. (b) | 1", "(a) | 0"})
    void namesWithWhatQualifiesThem(String sql, int behind) {
        assertThat(SqlText.of(sql).behindName(0)).isEqualTo(behind);
    }

    @Test
    void whatIsNotExchangedStaysAsWritten() {
        SqlText text = SqlText.of("a  =  /* why */ 'b' AND c");
        assertThat(text.edit().replace(0, 1, "x").replace(2, 3, "y").text()).isEqualTo("x  =  /* why */ y AND c");
        assertThat(text.edit().text()).isEqualTo("a  =  /* why */ 'b' AND c");
        assertThat(text.edit().replace(0, 5, "").text()).isEmpty();
    }
}
