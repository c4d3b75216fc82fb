package entaxis.core.token;

import java.util.Locale;

/**
 * Words that mean something to the reader. Which of them an engine reserves does not matter here: any of them can name
 * something where a name is expected.
 */
public enum Keyword {
    NONE, ADD, AFTER, ALGORITHM, ALL, ALTER, ALWAYS, ANALYZE, AND, ARRAY, AS, ASC, ATOMIC, ATTACH, AUTHORIZATION,
    AUTO_INCREMENT, AUTOINCREMENT, BEFORE, BEGIN, BINARY, BIT, BODY, BY,
    CACHED, CALL, CASCADE, CASE, CHANGE, CHAR, CHARACTER, CHARSET, CHECK, CLUSTER, CLUSTERED, COLLATE, COLLATION,
    COLUMN, COLUMNS, COLUMN_FORMAT, COMMENT, COMMIT, COMPRESSION, CONCURRENTLY,
    CONFLICT, CONNECT, CONSTRAINT, CONVERT, COPY, CREATE, CROSS, CURRENT_TIMESTAMP, CYCLE, DATA, DATABASE, DEC, DECLARE,
    DEFAULT, DEFERRABLE, DEFERRED, DEFINER, DELETE, DELIMITER, DESC,
    DETACH, DISABLE, DO, DOMAIN, DOUBLE, DROP, EACH, EDITIONABLE, ELSE, ENABLE, END, ENFORCED, ENGINE, ENUM, EVENT,
    EXCEPTION, EXCLUDE, EXEC, EXECUTE, EXISTS, EXTENSION, FALSE, FINALLY,
    FIRST, FOR, FORCE, FOREIGN, FROM, FULLTEXT, FUNCTION, GENERATED, GLOBAL, GO, GRANT, HASH, IDENTITY, IF, IGNORE,
    IMMEDIATE, IN, INCLUDE, INCLUDING, INCREMENT, INDEX, INHERIT, INHERITS,
    INITIALLY, INSERT, INTERVAL, INTO, INVISIBLE, IS, JAVA, KEY, LARGE, LIKE, LOCAL, LOCALTIMESTAMP, LOCK, LONG, LOOP,
    MATCH, MATERIALIZED, MAXVALUE, MINVALUE, MEMORY, MODIFY, NAME, NATIONAL,
    NEXT, NO, NOCACHE, NOCHECK, NOCYCLE, NOMAXVALUE, NOMINVALUE, NOORDER, NONCLUSTERED, NONEDITIONABLE, NOT, NOVALIDATE,
    NOW, NULL, NULLS, OBJECT, OF, ON, ONLY, OPERATOR, OPTION, OPTIONS,
    OR, ORDER, OWNED, OWNER, PACKAGE, PARTITION, PARTITIONS, PERIOD, PERSISTED, PERSISTENT, POLICY, PRAGMA, PRECISION,
    PRIMARY, PRINT, PROC, PROCEDURE, PUBLICATION, RANGE, RAW, READ,
    RECURSIVE, REFERENCES, RELEASE, RELY, RENAME, REPEAT, REPLACE, REPLICA, RESTART, RESTRICT, RETURN, REVOKE, ROLE,
    ROLLBACK, ROW, ROWGUIDCOL, ROWS, RULE, SAVEPOINT, SCHEMA, SEARCH_PATH,
    SELECT, SELECTIVITY, SEQUENCE, SERIAL, SERVER, SET, SIGNED, SIMPLE, SPARSE, SPATIAL, SRID, START, STATISTICS, STDIN,
    STORAGE, STORED, SWITCH, SYNONYM, TABLE, TABLES, TABLESPACE, TEMP,
    TEMPORARY, THEN, TIME, TIMESTAMP, TO, TRAN, TRANSACTION, TRIGGER, TRUE, TRUNCATE, TYPE, UNIQUE, UNLOCK, UNLOGGED,
    UNSIGNED, UPDATE, USE, USER, USING, VALIDATE, VALID, VALUE, VALUES,
    VARBINARY, VARCHAR, VARYING, VACUUM, VIEW, VIRTUAL, VISIBLE, WHEN, WHERE, WHILE, WITH, WITHOUT, WORK, ZEROFILL,
    ZONE, NOCOMPRESS, LOGGING, NOLOGGING, NORELY, KEEP, CACHE, CURRENT;

    private static final int SIZE = 2048;
    private static final Keyword[] BY_SUM = new Keyword[SIZE];
    private static final int MAX_LENGTH = 18;

    static {
        for (Keyword word : values()) {
            if (word != NONE) {
                int place = place(word.sum);
                while (BY_SUM[place] != null) {
                    place = place + 1 & SIZE - 1;
                }
                BY_SUM[place] = word;
            }
        }
    }

    private final String upper = name();
    private final String lower = name().toLowerCase(Locale.ROOT);
    private final int sum = sum(name());

    private static int sum(String name) {
        int sum = 0;
        for (int i = 0; i < name.length(); i++) {
            sum = added(sum, name.charAt(i));
        }
        return sum;
    }

    /** A sum with one more sign, which is the same for a letter in either case. */
    public static int added(int sum, char sign) {
        return sum * 31 + (sign & ~0x20);
    }

    /** For this word in capital letters, what {@link Tokens#sum} holds. */
    public int sumInCapitals() {
        return sum << 1 | 1;
    }

    private static int place(int sum) {
        return (sum ^ sum >>> 11) & SIZE - 1;
    }

    /**
     * The word that stands in a text from one place to another, in any case of letters, given the sum of its signs;
     * {@link #NONE} if it is no word of these.
     */
    static Keyword at(String text, int start, int end, int sum) {
        int length = end - start;
        if (length > MAX_LENGTH || length < 2) {
            return NONE;
        }
        int place = place(sum);
        for (Keyword word = BY_SUM[place]; word != null; word = BY_SUM[place]) {
            if (word.sum == sum && word.upper.length() == length && word.spelledAs(text, start, length)) {
                return word;
            }
            place = place + 1 & SIZE - 1;
        }
        return NONE;
    }

    private boolean spelledAs(String text, int start, int length) {
        return text.regionMatches(start, upper, 0, length) || text.regionMatches(start, lower, 0, length)
                || mixed(text, start);
    }

    private boolean mixed(String text, int start) {
        for (int i = 0; i < upper.length(); i++) {
            char found = text.charAt(start + i);
            if (found != upper.charAt(i) && found != lower.charAt(i)) {
                return false;
            }
        }
        return true;
    }
}
