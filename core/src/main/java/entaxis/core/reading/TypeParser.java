package entaxis.core.reading;

import entaxis.core.sql.Dialect;
import entaxis.core.sql.SpelledTypes;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeSpelling;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;

/** Reads the type of a column. What a spelling means is worked out once for each that occurs. */
final class TypeParser {
    private static final Set<String> COUNTING = Set.of("serial", "bigserial", "smallserial", "serial2", "serial4",
            "serial8", "pg_catalog.serial", "pg_catalog.bigserial");
    private static final Set<String> FIELDS = Set.of("YEAR", "MONTH", "DAY", "HOUR", "MINUTE", "SECOND");

    /**
     * A type as read.
     *
     * @param counting whether the spelling also asks for automatic numbers
     */
    record Read(SqlType type, boolean counting) { }

    private final TokenCursor tokens;
    private final SchemaBuilder builder;
    private final Dialect dialect;
    private final Map<String, Read> known = new HashMap<>();

    TypeParser(TokenCursor tokens, SchemaBuilder builder) {
        this.tokens = tokens;
        this.builder = builder;
        this.dialect = builder.dialect;
    }

    /** Whether a type can begin where the cursor stands. */
    boolean begins() {
        if (!tokens.isName(tokens.at)) {
            return false;
        }
        return switch (tokens.word()) {
            case CONSTRAINT, PRIMARY, NOT, NULL, UNIQUE, CHECK, DEFAULT, REFERENCES, COLLATE, AS, GENERATED, COMMENT,
                    AUTO_INCREMENT, AUTOINCREMENT -> false;
            case IDENTITY -> builder.takes(SyntaxRule.IDENTITY_TYPE);
            default -> true;
        };
    }

    /** Reads a type and passes it. */
    Read read() {
        int from = tokens.at;
        if (!tokens.isName(from)) {
            throw tokens.unreadable("a type is expected here");
        }
        if (tokens.word() == Keyword.NONE) {
            tokens.at++;
            while (tokens.acceptSign('.')) {
                tokens.name();
            }
        } else {
            words();
        }
        if (builder.takes(SyntaxRule.TYPES_OF_ANY_WORDS)) {
            while (tokens.kind(tokens.at) == TokenizedStatement.WORD && !endsSqlite(tokens.word())) {
                tokens.at++;
            }
        }
        if (tokens.sign('(')) {
            tokens.skipRound();
        }
        if (tokens.is(Keyword.WITH, Keyword.TIME) || tokens.is(Keyword.WITHOUT, Keyword.TIME)) {
            tokens.at += 2;
            tokens.expect(Keyword.ZONE);
        } else if (tokens.is(Keyword.WITH, Keyword.LOCAL)) {
            tokens.at += 3;
            tokens.expect(Keyword.ZONE);
        } else if (tokens.word(from) == Keyword.INTERVAL) {
            interval();
        }
        while (tokens.is(Keyword.UNSIGNED) || tokens.is(Keyword.SIGNED) || tokens.is(Keyword.ZEROFILL)) {
            tokens.at++;
        }
        int end = tokens.at;
        int dimensions = arrays();
        String spelled = tokens.text(from, end);
        Read read = known.get(spelled);
        if (read == null) {
            read = meant(spelled, from, end);
            if (isContextFree(read.type())) {
                known.put(spelled, read);
            }
        }
        return dimensions == 0 ? read : new Read(SpelledTypes.array(read.type(), dimensions), false);
    }

    /**
     * Whether a spelling means the same wherever it stands; others may be those of types that the script makes, changes
     * and drops.
     */
    static boolean isContextFree(SqlType type) {
        return switch (type) {
            case UserType user -> false;
            case SqlType.NativeType other -> false;
            case SqlType.ArrayType array -> isContextFree(array.element());
            default -> true;
        };
    }

    private static boolean endsSqlite(Keyword word) {
        return switch (word) {
            case CONSTRAINT, PRIMARY, NOT, NULL, UNIQUE, CHECK, DEFAULT, REFERENCES, COLLATE, AS, GENERATED -> true;
            default -> false;
        };
    }

    private void words() {
        Keyword first = tokens.word();
        tokens.at++;
        switch (first) {
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
            default -> {
                while (tokens.acceptSign('.')) {
                    tokens.name();
                }
            }
        }
        if (first == Keyword.INTERVAL) {
            interval();
        }
    }

    private void large() {
        if (!tokens.accept(Keyword.VARYING)) {
            tokens.accept(Keyword.LARGE, Keyword.OBJECT);
        }
    }

    private void interval() {
        boolean more = true;
        while (more && FIELDS.contains(fieldHere())) {
            tokens.at++;
            if (tokens.sign('(')) {
                tokens.skipRound();
            }
            more = tokens.accept(Keyword.TO);
        }
    }

    private String fieldHere() {
        return tokens.kind(tokens.at) == TokenizedStatement.WORD
                ? tokens.text(tokens.at, tokens.at + 1).toUpperCase(java.util.Locale.ROOT) : "";
    }

    private int arrays() {
        int dimensions = 0;
        if (tokens.accept(Keyword.ARRAY)) {
            dimensions = 1;
            if (tokens.acceptSign('[')) {
                tokens.at++;
                tokens.expectSign(']');
            }
            return dimensions;
        }
        // PostgreSQL manual, 8.15.1: how many dimensions are declared says nothing
        while (tokens.sign('[')) {
            dimensions = builder.takes(SyntaxRule.ARRAYS_OF_ANY_DIMENSION) ? 1 : dimensions + 1;
            tokens.at++;
            if (!tokens.acceptSign(']')) {
                tokens.at++;
                tokens.expectSign(']');
            }
        }
        return dimensions;
    }

    private Read meant(String spelled, int from, int end) {
        boolean qualified = tokens.sign(from + 1, '.');
        String name = tokens.nameAt(qualified ? from + 2 : from);
        SchemaBuilder.QName asked = new SchemaBuilder.QName(qualified ? tokens.nameAt(from) : "", name);
        if (!builder.types.isEmpty() && builder.types.containsKey(builder.key(asked))) {
            return new Read(new UserType(builder.types.get(builder.key(asked)).name()), false);
        }
        boolean square = tokens.quoted(from);
        boolean system = builder.takes(SyntaxRule.QUALIFIED_SYSTEM_TYPES) && qualified && square
                && asked.namespace().equals("pg_catalog") && !name.equals("char");
        // the schema that extensions are put into unless another one is named (PostgreSQL manual, CREATE EXTENSION)
        boolean usual = builder.takes(SyntaxRule.QUALIFIED_SYSTEM_TYPES) && qualified
                && asked.namespace().equals(builder.syntax.defaultSchema());
        TypeSpelling spelling = SpelledTypes.cut(usual ? tokens.text(from + 2, end)
                : system || square && builder.takes(SyntaxRule.QUOTED_TYPES) ? unquoted(from, end) : spelled);
        boolean counts = builder.takes(SyntaxRule.SERIAL_TYPES);
        return new Read(dialect.read(spelling), counts && COUNTING.contains(spelling.name()));
    }

    /**
     * A type name in square brackets means the same as without (SQL Server documentation, “Database identifiers”); the
     * schema of the system's types says nothing.
     */
    private String unquoted(int from, int end) {
        boolean system = tokens.sign(from + 1, '.') && tokens.nameAt(from).equalsIgnoreCase("sys");
        int at = system ? from + 2 : from;
        int name = tokens.sign(at + 1, '.') ? at + 2 : at;
        return tokens.nameAt(name) + tokens.text(name + 1, end);
    }
}
