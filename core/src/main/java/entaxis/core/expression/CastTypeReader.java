package entaxis.core.expression;

import entaxis.core.token.Token;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** Reads the name of a type behind CAST or a cast operator (ISO/IEC 9075-2, 6.1 and 6.13). */
final class CastTypeReader extends TokenReader {
    private static final Map<String,
            Set<String>> LONG_TYPES = Map.of("double", Set.of("precision"), "character",
                    Set.of("varying", "large", "object", "set"), "char", Set.of("varying", "charset", "character"),
                    "binary", Set.of("varying", "large", "object"), "bit", Set.of("varying"), "national",
                    Set.of("character", "char", "varying"), "timestamp", Set.of("with", "without", "time", "zone"),
                    "time", Set.of("with", "without", "time", "zone"), "interval",
                    Set.of("year", "month", "day", "hour", "minute", "second", "to"), "signed", Set.of("integer"));

    CastTypeReader(List<Token> tokens, int at, int depth) {
        super(tokens, at, depth);
    }

    /** Whether a word says what an interval is measured in. */
    static boolean measures(String word) {
        return LONG_TYPES.get("interval").contains(word);
    }

    /** The type that begins here, in small letters, without its length. */
    String type() {
        StringBuilder type = new StringBuilder(name().toLowerCase(Locale.ROOT));
        while (accept(".")) {
            type.setLength(0);
            type.append(name().toLowerCase(Locale.ROOT));
        }
        Set<String> more = LONG_TYPES.getOrDefault(type.toString(), Set.of());
        boolean going = true;
        while (going) {
            going = false;
            if (at < tokens.size() && tokens.get(at).kind() == Token.Kind.WORD
                    && more.contains(tokens.get(at).text().toLowerCase(Locale.ROOT))) {
                String word = tokens.get(at++).text().toLowerCase(Locale.ROOT);
                if (word.equals("charset") || word.equals("set")) {
                    at++;
                } else {
                    type.append(' ').append(word);
                }
                going = true;
            } else if (is("(")) {
                int open = at;
                while (at < tokens.size() && !is(")")) {
                    at++;
                }
                expect(")");
                going = at > open;
            } else if (is("[") && at + 1 < tokens.size() && tokens.get(at + 1).is("]")) {
                at += 2;
                type.append("[]");
                going = true;
            }
        }
        return type.toString();
    }
}
