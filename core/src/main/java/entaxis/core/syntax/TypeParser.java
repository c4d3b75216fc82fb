package entaxis.core.syntax;

import entaxis.core.statement.TypeName;
import entaxis.core.token.Keyword;
import entaxis.core.token.Token.Kind;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;

/** Reads the names of types. Each spelling that occurs is taken apart once. */
final class TypeParser {
    private static final Set<String> FIELDS = Set.of("YEAR", "MONTH", "DAY", "HOUR", "MINUTE", "SECOND");
    /** A script with more spellings than these has its types taken apart again. */
    private static final int MAX_KEPT = 1 << 12;

    private final StatementCursor tokens;
    private final ScriptSyntax syntax;
    private final Map<String, TypeName> known = new HashMap<>();

    TypeParser(StatementCursor tokens, ScriptSyntax syntax) {
        this.tokens = tokens;
        this.syntax = syntax;
    }

    /** Whether a type can begin where the cursor stands. */
    boolean begins() {
        if (!tokens.isName(tokens.at())) {
            return false;
        }
        return switch (tokens.word()) {
            case CONSTRAINT, PRIMARY, NOT, NULL, UNIQUE, CHECK, DEFAULT, REFERENCES, COLLATE, AS, GENERATED, COMMENT,
                    AUTO_INCREMENT, AUTOINCREMENT -> false;
            case IDENTITY -> syntax.takes(SyntaxRule.IDENTITY_TYPE);
            default -> true;
        };
    }

    /** Reads a type and passes it. */
    TypeName type() {
        int from = tokens.at();
        if (!tokens.isName(from)) {
            throw tokens.unreadable("a type is expected here");
        }
        words(from);
        if (syntax.takes(SyntaxRule.TYPES_OF_ANY_WORDS)) {
            while (tokens.kind() == Kind.WORD && !endsAnyWords(tokens.word())) {
                tokens.advance();
            }
        }
        if (tokens.sign('(')) {
            tokens.skipRound();
        }
        if (tokens.is(Keyword.WITH, Keyword.TIME) || tokens.is(Keyword.WITHOUT, Keyword.TIME)) {
            tokens.advance(2);
            tokens.expect(Keyword.ZONE);
        } else if (tokens.is(Keyword.WITH, Keyword.LOCAL)) {
            tokens.advance(3);
            tokens.expect(Keyword.ZONE);
        } else if (tokens.word(from) == Keyword.INTERVAL) {
            interval();
        }
        while (tokens.is(Keyword.UNSIGNED) || tokens.is(Keyword.SIGNED) || tokens.is(Keyword.ZEROFILL)) {
            tokens.advance();
        }
        int end = tokens.at();
        int dimensions = dimensions();
        TypeName type = named(from, end);
        return dimensions == 0 ? type : type.array(dimensions);
    }

    private TypeName named(int from, int end) {
        String spelling = tokens.text(from, end);
        TypeName type = known.get(spelling);
        if (type == null) {
            boolean qualified = tokens.sign(from + 1, '.');
            int name = qualified ? from + 2 : from;
            type = new TypeName(qualified ? tokens.nameAt(from) : "", tokens.nameAt(name), spelling,
                    qualified ? tokens.text(name, end) : spelling,
                    tokens.nameAt(name) + tokens.text(name + 1, end), tokens.quoted(from), 0);
            if (known.size() < MAX_KEPT) {
                known.put(spelling, type);
            }
        }
        return type;
    }

    private static boolean endsAnyWords(Keyword word) {
        return switch (word) {
            case CONSTRAINT, PRIMARY, NOT, NULL, UNIQUE, CHECK, DEFAULT, REFERENCES, COLLATE, AS, GENERATED -> true;
            default -> false;
        };
    }

    private void words(int from) {
        tokens.advance();
        switch (tokens.word(from)) {
            case DOUBLE -> tokens.accept(Keyword.PRECISION);
            case NATIONAL -> {
                if (!tokens.accept(Keyword.CHARACTER) && !tokens.accept(Keyword.CHAR)) {
                    tokens.accept(Keyword.VARCHAR);
                }
                large();
            }
            case CHARACTER, CHAR, BINARY, BIT -> large();
            case LONG -> {
                if (!tokens.accept(Keyword.RAW) && !tokens.accept(Keyword.VARCHAR) && !tokens.accept(Keyword.VARBINARY)
                        && tokens.accept(Keyword.CHAR)) {
                    tokens.accept(Keyword.VARYING);
                }
            }
            case INTERVAL -> {
                qualified();
                interval();
            }
            default -> qualified();
        }
    }

    private void qualified() {
        while (tokens.acceptSign('.')) {
            tokens.name();
        }
    }

    private void large() {
        if (!tokens.accept(Keyword.VARYING)) {
            tokens.accept(Keyword.LARGE, Keyword.OBJECT);
        }
    }

    private void interval() {
        boolean more = true;
        while (more && FIELDS.contains(tokens.capitals(tokens.at()))) {
            tokens.advance();
            if (tokens.sign('(')) {
                tokens.skipRound();
            }
            more = tokens.accept(Keyword.TO);
        }
    }

    private int dimensions() {
        int dimensions = 0;
        if (tokens.accept(Keyword.ARRAY)) {
            if (tokens.acceptSign('[')) {
                tokens.advance();
                tokens.expectSign(']');
            }
            return 1;
        }
        // PostgreSQL manual, 8.15.1: how many dimensions are declared says nothing
        while (tokens.sign('[')) {
            dimensions = syntax.takes(SyntaxRule.ARRAYS_OF_ANY_DIMENSION) ? 1 : dimensions + 1;
            tokens.advance();
            if (!tokens.acceptSign(']')) {
                tokens.advance();
                tokens.expectSign(']');
            }
        }
        return dimensions;
    }
}
