package entaxis.core.token;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.token.Token.Kind;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class LexerTest {

    private static String kinds(String sql) {
        return Lexer.pieces(sql).stream().filter(token -> token.kind() != Kind.SPACE)
                .map(token -> token.kind() + ":" + token.text()).collect(Collectors.joining(" "));
    }

    @Test
    void tellsTokensApart() {
        assertThat(kinds("a1 \"b \"\"c\" 'it''s' 12.5 <= -- end")).isEqualTo(
                "WORD:a1 QUOTED_NAME:\"b \"\"c\" STRING:'it''s' NUMBER:12.5 SYMBOL:< SYMBOL:= COMMENT:-- end");
        assertThat(kinds("/* a\nb */x")).isEqualTo("COMMENT:/* a\nb */ WORD:x");
        assertThat(kinds("größe 漢字")).isEqualTo("WORD:größe WORD:漢字");
    }

    @Test
    void quotedNamesAreUndoubled() {
        assertThat(Lexer.pieces("\"b \"\"c\"").getFirst().name()).isEqualTo("b \"c");
    }

    @Test
    void whatIsNotClosedIsSaidToBe() {
        for (String open : List.of("'abc", "\"abc", "/* abc", "\"\"")) {
            assertThat(Lexer.pieces(open)).extracting(Token::kind).containsExactly(Kind.UNCLOSED);
        }
    }

    @Test
    void tokensJoinedAreTheTextAgainForAnyText() {
        Random random = new Random(1);
        String alphabet = "ab1 '\"-/*\n().,;😀ñ\u0301";
        for (int i = 0; i < 5000; i++) {
            String text = random.ints(random.nextInt(30), 0, alphabet.length())
                    .mapToObj(at -> String.valueOf(alphabet.charAt(at))).collect(Collectors.joining());
            assertThat(Lexer.pieces(text).stream().map(Token::text).collect(Collectors.joining())).isEqualTo(text);
        }
    }

    @Test
    void aMillionCharactersTakeLinearTime() {
        assertThat(Lexer.pieces("'".repeat(1_000_001))).hasSize(1);
        assertThat(Lexer.pieces("(".repeat(200_000))).hasSize(200_000);
    }
}
