package entaxis.core.token;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.token.Token.Kind;
import org.junit.jupiter.api.Test;

class TokenCursorTest {

    @Test
    void wordsAreAcceptedTogetherOrNotAtAll() {
        TokenCursor cursor = TokenCursor.withComments("NOT null default 1");
        assertThat(cursor.accept("not", "default")).isFalse();
        assertThat(cursor.at()).isZero();
        assertThat(cursor.accept("not", "null")).isTrue();
        assertThat(cursor.accept("default")).isTrue();
        assertThat(cursor.next().text()).isEqualTo("1");
        assertThat(cursor.atEnd()).isTrue();
    }

    @Test
    void quotedNamesAreNoWords() {
        TokenCursor cursor = TokenCursor.withComments("\"not\" 'not' not");
        assertThat(cursor.is("not")).isFalse();
        assertThat(cursor.isAhead(1, "not")).isFalse();
        assertThat(cursor.isAhead(2, "not")).isTrue();
        assertThat(cursor.peek().name()).isEqualTo("not");
    }

    @Test
    void commentsAreTokensAndWhiteSpaceIsNot() {
        TokenCursor cursor = TokenCursor.withComments(" a -- why\n b");
        assertThat(cursor.next()).isEqualTo(new Token(Kind.WORD, "a", 1));
        assertThat(cursor.next()).isEqualTo(new Token(Kind.COMMENT, "-- why", 3));
        assertThat(cursor.rest()).isEqualTo("b");
        assertThat(cursor.next()).isEqualTo(new Token(Kind.WORD, "b", 11));
        assertThat(cursor.rest()).isEmpty();
    }

    @Test
    void behindTheLastTokenThereIsAnEnd() {
        TokenCursor cursor = TokenCursor.withComments("");
        assertThat(cursor.peek()).isEqualTo(new Token(Kind.END, "", 0));
        assertThat(cursor.peek(7).kind()).isEqualTo(Kind.END);
        assertThat(cursor.accept("a")).isFalse();
        assertThat(cursor.acceptSign(';')).isFalse();
    }

    @Test
    void tokensCanBeCutOff() {
        TokenCursor cursor = TokenCursor.withComments("a b c");
        cursor.limitTo(2);
        cursor.advance(2);
        assertThat(cursor.atEnd()).isTrue();
        assertThat(cursor.kind()).isEqualTo(Kind.END);
        cursor.goTo(1);
        assertThat(cursor.next().text()).isEqualTo("b");
    }

    @Test
    void aTextSaysWhatStandsInItsQuotes() {
        TokenCursor cursor = TokenCursor.withComments("'it''s' N'a' x'00'");
        assertThat(cursor.peek().string()).isEqualTo("it's");
        assertThat(cursor.next().mark()).isEmpty();
        assertThat(cursor.peek().string()).isEqualTo("a");
        assertThat(cursor.next().mark()).isEqualTo("n");
        assertThat(cursor.next().mark()).isEqualTo("x");
    }
}
