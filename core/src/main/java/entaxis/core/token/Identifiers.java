package entaxis.core.token;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Names inside SQL expressions. */
public final class Identifiers {
    private Identifiers() { }

    /**
     * An expression with some of its names exchanged: words and quoted names that stand for columns, not for functions and not behind a dot. Everything else stays as
     * it was typed. Linear.
     *
     * @param names the new name as SQL, by the old one in lower case
     */
    public static String exchanged(String expression, Map<String, String> names) {
        if (names.isEmpty()) {
            return expression;
        }
        StringBuilder text = new StringBuilder(expression.length());
        List<Token> tokens = Lexer.tokens(expression);
        for (int i = 0; i < tokens.size(); i++) {
            Token token = tokens.get(i);
            boolean column = token.isName() && !(i > 0 && tokens.get(i - 1).is(".")) && !(i + 1 < tokens.size() && tokens.get(i + 1).is("("));
            Optional<String> other = column ? Optional.ofNullable(names.get(token.name().toLowerCase(Locale.ROOT))) : Optional.empty();
            text.append(other.orElse(token.text()));
        }
        return text.toString();
    }
}
