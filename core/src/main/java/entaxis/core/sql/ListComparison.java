package entaxis.core.sql;

import entaxis.core.token.Lexer;
import entaxis.core.token.Token;
import java.util.List;
import java.util.stream.Collectors;

/**
 * Turns {@code value = ANY (ARRAY[...])} and {@code value <> ALL (ARRAY[...])}, as PostgreSQL keeps IN and NOT IN
 * (PostgreSQL manual, 9.24 and 9.25), into these again (ISO/IEC 9075-2, 8.4). Linear.
 */
final class ListComparison {
    private final List<Token> tokens;
    private int at;

    private ListComparison(String expression) {
        this.tokens = Lexer.tokens(expression);
    }

    /** The expression with IN and NOT IN. */
    static String asIso(String expression) {
        ListComparison comparison = new ListComparison(expression);
        StringBuilder text = new StringBuilder(expression.length());
        while (comparison.at < comparison.tokens.size()) {
            text.append(comparison.next());
        }
        return text.toString();
    }

    private String next() {
        int from = at;
        boolean equal = is(at, "=");
        boolean unequal = is(at, "<") && is(at + 1, ">");
        int word = blanks(at + (unequal ? 2 : 1));
        int open = blanks(word + 1);
        if ((equal && is(word, "any") || unequal && is(word, "all")) && is(open, "(")) {
            int inner = blanks(open + 1);
            boolean doubled = is(inner, "(");
            int array = doubled ? blanks(inner + 1) : inner;
            int end = is(array, "array") && is(array + 1, "[") ? closing(array + 1) : -1;
            int behind = end < 0 ? -1 : blanks(end + 1);
            int last = behind < 0 || !is(behind, ")") ? -1 : doubled ? blanks(behind + 1) : behind;
            if (last >= 0 && is(last, ")")) {
                at = last + 1;
                return (equal ? "IN (" : "NOT IN (") + tokens.subList(array + 2, end).stream().map(Token::text)
                        .collect(Collectors.joining()) + ")";
            }
        }
        at++;
        return tokens.get(from).text();
    }

    private boolean is(int token, String text) {
        return token >= 0 && token < tokens.size() && tokens.get(token).is(text);
    }

    private int blanks(int from) {
        int token = from;
        while (token < tokens.size() && tokens.get(token).kind() == Token.Kind.SPACE) {
            token++;
        }
        return token;
    }

    private int closing(int open) {
        int depth = 0;
        for (int token = open; token < tokens.size(); token++) {
            depth += is(token, "[") ? 1 : is(token, "]") ? -1 : 0;
            if (depth == 0) {
                return token;
            }
        }
        return -1;
    }
}
