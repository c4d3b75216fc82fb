package entaxis.core.token;

import java.util.ArrayDeque;
import java.util.BitSet;
import java.util.Deque;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;

/** Names inside SQL texts that are carried word for word, because they cannot be read or are bodies of routines. */
public final class Identifiers {
    private Identifiers() { }

    /**
     * An expression with some of its names exchanged: words and quoted names that stand for columns, not for functions
     * or types of casts, and not behind a dot. Everything else stays as it was typed. Linear.
     *
     * @param names the new name as SQL, by the old one in lower case
     */
    public static String exchanged(String expression, Map<String, String> names) {
        if (names.isEmpty()) {
            return expression;
        }
        StringBuilder text = new StringBuilder(expression.length());
        List<Token> tokens = Lexer.pieces(expression);
        BitSet types = castTypes(tokens);
        for (int i = 0; i < tokens.size(); i++) {
            Token token = tokens.get(i);
            Optional<String> other = !types.get(i) && column(tokens, i)
                    ? Optional.ofNullable(names.get(token.name().toLowerCase(Locale.ROOT))) : Optional.empty();
            text.append(other.orElse(token.text()));
        }
        return text.toString();
    }

    /** The names in an expression that stand for columns, in lower case. Linear. */
    public static Set<String> columns(String expression) {
        List<Token> tokens = Lexer.tokens(expression);
        Set<String> columns = new LinkedHashSet<>();
        BitSet types = castTypes(tokens);
        for (int i = 0; i < tokens.size(); i++) {
            if (!types.get(i) && column(tokens, i)) {
                columns.add(tokens.get(i).name().toLowerCase(Locale.ROOT));
            }
        }
        return columns;
    }

    /** The names in a text that brackets stand behind, in lower case, in their order: what it calls. Linear. */
    public static List<String> called(String text) {
        List<Token> tokens = Lexer.tokens(text);
        return IntStream.range(0, tokens.size() - 1)
                .filter(i -> tokens.get(i).isName() && tokens.get(i + 1).is("("))
                .mapToObj(i -> tokens.get(i).name().toLowerCase(Locale.ROOT)).toList();
    }

    /** Where types stand behind AS in CAST (ISO/IEC 9075-2, 6.13). */
    private static BitSet castTypes(List<Token> tokens) {
        BitSet types = new BitSet();
        Deque<Boolean> casts = new ArrayDeque<>();
        boolean type = false;
        for (int i = 0; i < tokens.size(); i++) {
            Token token = tokens.get(i);
            if (token.is("(")) {
                casts.push(i > 0 && tokens.get(i - 1).is("cast"));
            } else if (token.is(")") && !casts.isEmpty()) {
                casts.pop();
                type = false;
            } else if (token.is("as")) {
                type = !casts.isEmpty() && casts.peek();
                types.set(i, type);
            }
            types.set(i, types.get(i) || type);
        }
        return types;
    }

    private static boolean column(List<Token> tokens, int i) {
        return tokens.get(i).isName() && !(i > 0 && tokens.get(i - 1).is("."))
                && !(i > 1 && tokens.get(i - 1).is(":") && tokens.get(i - 2).is(":"))
                && !(i + 1 < tokens.size() && tokens.get(i + 1).is("("));
    }
}
