package entaxis.core.reading;

import entaxis.core.design.Target;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.SpelledTypes;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeSpelling;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;

/** Reads the type of a column. What a spelling means is worked out once for each that occurs. */
final class Types {
    private static final Set<String> COUNTING = Set.of("serial", "bigserial", "smallserial", "serial2", "serial4", "serial8", "pg_catalog.serial", "pg_catalog.bigserial");
    private static final Set<String> FIELDS = Set.of("YEAR", "MONTH", "DAY", "HOUR", "MINUTE", "SECOND");

    /**
     * A type as read.
     *
     * @param counting whether the spelling also asks for automatic numbers
     */
    record Read(SqlType type, boolean counting) { }

    private final Tokens tokens;
    private final Drafts drafts;
    private final Dialect dialect;
    private final Map<String, Read> known = new HashMap<>();

    Types(Tokens tokens, Drafts drafts) {
        this.tokens = tokens;
        this.drafts = drafts;
        this.dialect = Dialect.of(drafts.engine);
    }

    /** Whether a type can begin where the cursor stands. */
    boolean begins() {
        if (!tokens.isName(tokens.at)) {
            return false;
        }
        return switch (tokens.word()) {
            case CONSTRAINT, PRIMARY, NOT, NULL, UNIQUE, CHECK, DEFAULT, REFERENCES, COLLATE, AS, GENERATED, COMMENT, AUTO_INCREMENT, AUTOINCREMENT -> false;
            case IDENTITY -> drafts.engine == Target.H2;
            default -> true;
        };
    }

    /** Reads a type and passes it. */
    Read read() {
        int from = tokens.at;
        if (!tokens.isName(from)) {
            throw tokens.unreadable("a type is expected here");
        }
        if (tokens.word() == Word.NONE) {
            tokens.at++;
            while (tokens.acceptSign('.')) {
                tokens.name();
            }
        } else {
            words();
        }
        if (drafts.engine == Target.SQLITE) {
            while (tokens.kind(tokens.at) == CutStatement.WORD && !endsSqlite(tokens.word())) {
                tokens.at++;
            }
        }
        if (tokens.sign('(')) {
            tokens.skipRound();
        }
        if (tokens.is(Word.WITH, Word.TIME) || tokens.is(Word.WITHOUT, Word.TIME)) {
            tokens.at += 2;
            tokens.expect(Word.ZONE);
        } else if (tokens.is(Word.WITH, Word.LOCAL)) {
            tokens.at += 3;
            tokens.expect(Word.ZONE);
        } else if (tokens.word(from) == Word.INTERVAL) {
            interval();
        }
        while (tokens.is(Word.UNSIGNED) || tokens.is(Word.SIGNED) || tokens.is(Word.ZEROFILL)) {
            tokens.at++;
        }
        int end = tokens.at;
        int dimensions = arrays();
        String spelled = tokens.text(from, end);
        Read read = known.get(spelled);
        if (read == null) {
            read = meant(spelled, from, end);
            if (settled(read.type())) {
                known.put(spelled, read);
            }
        }
        return dimensions == 0 ? read : new Read(SpelledTypes.array(read.type(), dimensions), false);
    }

    /** Whether a spelling means the same wherever it stands; others may be those of types that the script makes, changes and drops. */
    static boolean settled(SqlType type) {
        return switch (type) {
            case UserType user -> false;
            case SqlType.NativeType other -> false;
            case SqlType.ArrayType array -> settled(array.element());
            default -> true;
        };
    }

    private static boolean endsSqlite(Word word) {
        return switch (word) {
            case CONSTRAINT, PRIMARY, NOT, NULL, UNIQUE, CHECK, DEFAULT, REFERENCES, COLLATE, AS, GENERATED -> true;
            default -> false;
        };
    }

    private void words() {
        Word first = tokens.word();
        tokens.at++;
        switch (first) {
            case DOUBLE -> tokens.accept(Word.PRECISION);
            case NATIONAL -> {
                if (!tokens.accept(Word.CHARACTER) && !tokens.accept(Word.CHAR)) {
                    tokens.accept(Word.VARCHAR);
                }
                large();
            }
            case CHARACTER, CHAR, BINARY, BIT -> large();
            case LONG -> {
                if (!tokens.accept(Word.RAW) && !tokens.accept(Word.VARCHAR) && !tokens.accept(Word.VARBINARY) && tokens.accept(Word.CHAR)) {
                    tokens.accept(Word.VARYING);
                }
            }
            default -> {
                while (tokens.acceptSign('.')) {
                    tokens.name();
                }
            }
        }
        if (first == Word.INTERVAL) {
            interval();
        }
    }

    private void large() {
        if (!tokens.accept(Word.VARYING)) {
            tokens.accept(Word.LARGE, Word.OBJECT);
        }
    }

    private void interval() {
        boolean more = true;
        while (more && FIELDS.contains(fieldHere())) {
            tokens.at++;
            if (tokens.sign('(')) {
                tokens.skipRound();
            }
            more = tokens.accept(Word.TO);
        }
    }

    private String fieldHere() {
        return tokens.kind(tokens.at) == CutStatement.WORD ? tokens.text(tokens.at, tokens.at + 1).toUpperCase(java.util.Locale.ROOT) : "";
    }

    private int arrays() {
        int dimensions = 0;
        if (tokens.accept(Word.ARRAY)) {
            dimensions = 1;
            if (tokens.acceptSign('[')) {
                tokens.at++;
                tokens.expectSign(']');
            }
            return dimensions;
        }
        // PostgreSQL manual, 8.15.1: how many dimensions are declared says nothing
        while (tokens.sign('[')) {
            dimensions = drafts.engine == Target.POSTGRESQL ? 1 : dimensions + 1;
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
        Drafts.QName asked = new Drafts.QName(qualified ? tokens.nameAt(from) : "", name);
        if (!drafts.types.isEmpty() && drafts.types.containsKey(drafts.key(asked))) {
            return new Read(new UserType(drafts.types.get(drafts.key(asked)).name()), false);
        }
        boolean square = tokens.quoted(from);
        boolean system = drafts.engine == Target.POSTGRESQL && qualified && square && asked.namespace().equals("pg_catalog") && !name.equals("char");
        TypeSpelling spelling = SpelledTypes.cut(system || square && drafts.engine == Target.SQLSERVER ? unquoted(from, end) : spelled);
        boolean counts = drafts.engine == Target.POSTGRESQL || drafts.engine == Target.H2;
        return new Read(dialect.read(spelling), counts && COUNTING.contains(spelling.name()));
    }

    /** A type name in square brackets means the same as without (SQL Server documentation, “Database identifiers”); the schema of the system's types says nothing. */
    private String unquoted(int from, int end) {
        boolean system = tokens.sign(from + 1, '.') && tokens.nameAt(from).equalsIgnoreCase("sys");
        int at = system ? from + 2 : from;
        int name = tokens.sign(at + 1, '.') ? at + 2 : at;
        return tokens.nameAt(name) + tokens.text(name + 1, end);
    }
}
