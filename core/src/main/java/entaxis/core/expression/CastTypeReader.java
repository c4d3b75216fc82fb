package entaxis.core.expression;

import entaxis.core.token.Token;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** Reads the name of a type behind CAST or a cast operator (ISO/IEC 9075-2, 6.1 and 6.13). */
final class CastTypeReader {
    private static final Map<String,
            Set<String>> LONG_TYPES = Map.of("double", Set.of("precision"), "character",
                    Set.of("varying", "large", "object", "set"), "char", Set.of("varying", "charset", "character"),
                    "binary", Set.of("varying", "large", "object"), "bit", Set.of("varying"), "national",
                    Set.of("character", "char", "varying"), "timestamp", Set.of("with", "without", "time", "zone"),
                    "time", Set.of("with", "without", "time", "zone"), "interval",
                    Set.of("year", "month", "day", "hour", "minute", "second", "to"), "signed", Set.of("integer"));

    private final ExpressionCursor tokens;

    CastTypeReader(ExpressionCursor tokens) {
        this.tokens = tokens;
    }

    /** Whether a word says what an interval is measured in. */
    static boolean measures(String word) {
        return LONG_TYPES.get("interval").contains(word);
    }

    /** The type that begins here, in small letters, without its length. */
    String type() {
        StringBuilder type = new StringBuilder(tokens.name().toLowerCase(Locale.ROOT));
        while (tokens.accept(".")) {
            type.setLength(0);
            type.append(tokens.name().toLowerCase(Locale.ROOT));
        }
        Set<String> more = LONG_TYPES.getOrDefault(type.toString(), Set.of());
        boolean going = true;
        while (going) {
            going = false;
            if (!tokens.atEnd() && tokens.peek().kind() == Token.Kind.WORD
                    && more.contains(tokens.peek().text().toLowerCase(Locale.ROOT))) {
                String word = tokens.lower();
                if (word.equals("charset") || word.equals("set")) {
                    tokens.advance();
                } else {
                    type.append(' ').append(word);
                }
                going = true;
            } else if (tokens.is("(")) {
                int open = tokens.at();
                while (!tokens.atEnd() && !tokens.is(")")) {
                    tokens.advance();
                }
                tokens.expect(")");
                going = tokens.at() > open;
            } else if (tokens.is("[") && tokens.peek(1).is("]")) {
                tokens.advance(2);
                type.append("[]");
                going = true;
            }
        }
        return type.toString();
    }
}
