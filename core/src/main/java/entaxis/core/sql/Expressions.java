package entaxis.core.sql;

import entaxis.core.token.Lexer;
import entaxis.core.token.Token.Kind;
import entaxis.core.token.Token;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** Turns the words of an expression that differ from engine to engine. */
final class Expressions {
    private static final Set<String> TYPED = Set.of("date", "time", "timestamp");

    /** A type that engines call otherwise, if they call any type otherwise. */
    private static final String OTHER_TYPE = "text";

    private Expressions() { }

    /**
     * The expression with those words exchanged, and names in double quotes put into the engine's own; names that are
     * in those already stay. Linear.
     */
    static String spelled(String sql, Dialect dialect) {
        boolean spelledSo = dialect.castType(OTHER_TYPE).equals(OTHER_TYPE);
        if (dialect.quoted("").charAt(0) == '"' && dialect.typedLiterals() && dialect.exchangedWords().isEmpty()
                && spelledSo) {
            return sql;
        }
        char open = dialect.quoted("").charAt(0);
        char close = dialect.quoted("").charAt(1);
        StringBuilder whole = new StringBuilder(sql.length());
        int done = 0;
        boolean text = false;
        for (int i = 0; i < sql.length() && open != '"'; i++) {
            char c = sql.charAt(i);
            text ^= c == '\'';
            if (!text && c == open) {
                int end = sql.indexOf(close, i + 1);
                while (end > 0 && end + 1 < sql.length() && sql.charAt(end + 1) == close) {
                    end = sql.indexOf(close, end + 2);
                }
                if (end > 0) {
                    whole.append(pieces(sql.substring(done, i), dialect)).append(sql, i, end + 1);
                    done = end + 1;
                    i = end;
                }
            }
        }
        return whole.append(pieces(sql.substring(done), dialect)).toString();
    }

    private static String pieces(String sql, Dialect dialect) {
        Map<String, String> words = dialect.exchangedWords();
        StringBuilder text = new StringBuilder(sql.length());
        List<Token> tokens = Lexer.pieces(sql);
        for (int i = 0; i < tokens.size(); i++) {
            Token token = tokens.get(i);
            if (!dialect.typedLiterals() && typed(tokens, i)) {
                i++;
            } else if (token.is("as") && castEnd(tokens, i) > 0) {
                int end = castEnd(tokens, i);
                text.append(token.text()).append(' ').append(dialect.castType(tokens.subList(i + 1, end).stream()
                        .map(Token::text).collect(Collectors.joining()).strip()));
                i = end - 1;
            } else if (token.kind() == Kind.WORD) {
                text.append(words.getOrDefault(token.text().toLowerCase(Locale.ROOT), token.text()));
            } else {
                text.append(token.kind() == Kind.QUOTED_NAME ? dialect.name(token.name()) : token.text());
            }
        }
        return text.toString();
    }

    /** Where the type ends that stands behind AS in CAST; 0 if the word stands elsewhere. */
    private static int castEnd(List<Token> tokens, int as) {
        int depth = 0;
        for (int at = as - 1; at > 0; at--) {
            depth += tokens.get(at).is(")") ? 1 : tokens.get(at).is("(") ? -1 : 0;
            if (depth < 0) {
                return tokens.get(at - 1).is("cast") ? closing(tokens, as + 1) : 0;
            }
        }
        return 0;
    }

    private static int closing(List<Token> tokens, int from) {
        int depth = 0;
        for (int at = from; at < tokens.size(); at++) {
            depth += tokens.get(at).is("(") ? 1 : tokens.get(at).is(")") ? -1 : 0;
            if (depth < 0) {
                return at;
            }
        }
        return 0;
    }

    /**
     * Whether a word and a space stand before a text to say that it is a date, a time or a moment (ISO/IEC 9075-2,
     * 5.3).
     */
    private static boolean typed(List<Token> tokens, int at) {
        return at + 2 < tokens.size() && TYPED.contains(tokens.get(at).text().toLowerCase(Locale.ROOT))
                && tokens.get(at + 1).kind() == Kind.SPACE
                && tokens.get(at + 2).kind() == Kind.STRING;
    }
}
