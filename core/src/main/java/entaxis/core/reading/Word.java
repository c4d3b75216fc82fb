package entaxis.core.reading;

/** Words that mean something to the reader. Which of them an engine reserves does not matter here: any of them can name something where a name is expected. */
enum Word {
    NONE, ADD, AFTER, ALGORITHM, ALL, ALTER, ALWAYS, ANALYZE, AND, ARRAY, AS, ASC, ATOMIC, ATTACH, AUTHORIZATION, AUTO_INCREMENT, AUTOINCREMENT, BEFORE, BEGIN, BINARY, BIT, BODY, BY,
    CACHED, CALL, CASCADE, CASE, CHANGE, CHAR, CHARACTER, CHARSET, CHECK, CLUSTER, CLUSTERED, COLLATE, COLLATION, COLUMN, COLUMNS, COLUMN_FORMAT, COMMENT, COMMIT, COMPRESSION, CONCURRENTLY,
    CONFLICT, CONNECT, CONSTRAINT, CONVERT, COPY, CREATE, CROSS, CURRENT_TIMESTAMP, CYCLE, DATA, DATABASE, DEC, DECLARE, DEFAULT, DEFERRABLE, DEFERRED, DEFINER, DELETE, DELIMITER, DESC,
    DETACH, DISABLE, DO, DOMAIN, DOUBLE, DROP, EACH, EDITIONABLE, ELSE, ENABLE, END, ENFORCED, ENGINE, ENUM, EVENT, EXCEPTION, EXCLUDE, EXEC, EXECUTE, EXISTS, EXTENSION, FALSE, FINALLY,
    FIRST, FOR, FORCE, FOREIGN, FROM, FULLTEXT, FUNCTION, GENERATED, GLOBAL, GO, GRANT, HASH, IDENTITY, IF, IGNORE, IMMEDIATE, IN, INCLUDE, INCLUDING, INCREMENT, INDEX, INHERIT, INHERITS,
    INITIALLY, INSERT, INTERVAL, INTO, INVISIBLE, IS, JAVA, KEY, LARGE, LIKE, LOCAL, LOCALTIMESTAMP, LOCK, LONG, LOOP, MATCH, MATERIALIZED, MAXVALUE, MINVALUE, MEMORY, MODIFY, NAME, NATIONAL,
    NEXT, NO, NOCACHE, NOCHECK, NOCYCLE, NOMAXVALUE, NOMINVALUE, NOORDER, NONCLUSTERED, NONEDITIONABLE, NOT, NOVALIDATE, NOW, NULL, NULLS, OBJECT, OF, ON, ONLY, OPERATOR, OPTION, OPTIONS,
    OR, ORDER, OWNED, OWNER, PACKAGE, PARTITION, PARTITIONS, PERIOD, PERSISTED, PERSISTENT, POLICY, PRAGMA, PRECISION, PRIMARY, PRINT, PROC, PROCEDURE, PUBLICATION, RANGE, RAW, READ,
    RECURSIVE, REFERENCES, RELEASE, RELY, RENAME, REPEAT, REPLACE, REPLICA, RESTART, RESTRICT, RETURN, REVOKE, ROLE, ROLLBACK, ROW, ROWGUIDCOL, ROWS, RULE, SAVEPOINT, SCHEMA, SEARCH_PATH,
    SELECT, SELECTIVITY, SEQUENCE, SERIAL, SERVER, SET, SIGNED, SIMPLE, SPARSE, SPATIAL, SRID, START, STATISTICS, STDIN, STORAGE, STORED, SWITCH, SYNONYM, TABLE, TABLES, TABLESPACE, TEMP,
    TEMPORARY, THEN, TIME, TIMESTAMP, TO, TRAN, TRANSACTION, TRIGGER, TRUE, TRUNCATE, TYPE, UNIQUE, UNLOCK, UNLOGGED, UNSIGNED, UPDATE, USE, USER, USING, VALIDATE, VALID, VALUE, VALUES,
    VARBINARY, VARCHAR, VARYING, VACUUM, VIEW, VIRTUAL, VISIBLE, WHEN, WHERE, WHILE, WITH, WITHOUT, WORK, ZEROFILL, ZONE, NOCOMPRESS, LOGGING, NOLOGGING, NORELY, KEEP, CACHE, CURRENT;

    private static final int SIZE = 2048;
    private static final Word[] BY_HASH = new Word[SIZE];
    private static final int LONGEST = 18;

    static {
        for (Word word : values()) {
            if (word != NONE) {
                int place = hash(word.name());
                while (BY_HASH[place] != null) {
                    place = place + 1 & SIZE - 1;
                }
                BY_HASH[place] = word;
            }
        }
    }

    private static int hash(String name) {
        int hash = 0;
        for (int i = 0; i < name.length(); i++) {
            hash = hash * 31 + (name.charAt(i) & ~0x20);
        }
        return spread(hash);
    }

    private static int spread(int hash) {
        return (hash ^ hash >>> 11) & SIZE - 1;
    }

    /** The word that stands in a text from one place to another, in any case of letters, given the sum of its signs; {@link #NONE} if it is no word of these. */
    static Word at(char[] text, int start, int end, int sum) {
        if (end - start > LONGEST || end - start < 2) {
            return NONE;
        }
        int place = spread(sum);
        for (Word word = BY_HASH[place]; word != null; word = BY_HASH[place]) {
            if (word.spelledAs(text, start, end)) {
                return word;
            }
            place = place + 1 & SIZE - 1;
        }
        return NONE;
    }

    private boolean spelledAs(char[] text, int start, int end) {
        String name = name();
        if (name.length() != end - start) {
            return false;
        }
        for (int i = 0; i < name.length(); i++) {
            char wanted = name.charAt(i);
            char found = text[start + i];
            if (found != wanted && (found & ~0x20) != wanted) {
                return false;
            }
        }
        return true;
    }
}
