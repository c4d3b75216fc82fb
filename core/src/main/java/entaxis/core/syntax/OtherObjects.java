package entaxis.core.syntax;

import entaxis.core.statement.Skipped;
import entaxis.core.token.Keyword;
import java.util.HashMap;
import java.util.Map;

/** Passes statements that create, change or drop what says nothing about tables. */
final class OtherObjects {
    /** What else can be created, changed or dropped: for each kind the words that name it. */
    private static final Map<String, String> OBJECTS = kinds("""
            database: DATABASE PLUGGABLE
            extension: EXTENSION
            full-text storage: CATALOG STOPLIST
            user: USER LOGIN PROFILE CERTIFICATE SYMMETRIC ASYMMETRIC CREDENTIAL
            role: ROLE GROUP APPLICATION
            storage: TABLESPACE DIRECTORY CLUSTER UNDO BIGFILE LOGFILE FLASHBACK RESTORE DISKGROUP
            synonym: SYNONYM PUBLIC
            row security: POLICY SECURITY
            function: AGGREGATE ALIAS
            operator: OPERATOR
            cast: CAST TRANSFORM
            collation: COLLATION CONVERSION CHARACTER TRANSLATION
            language: LANGUAGE TRUSTED PROCEDURAL
            foreign data: SERVER FOREIGN LINKED
            statistics: STATISTICS DIMENSION
            replication: PUBLICATION SUBSCRIPTION
            text search: TEXT FULLTEXT
            access method: ACCESS
            large object: LARGE
            setting: CONTEXT SYSTEM SESSION INSTANCE MASTER SPFILE ENDPOINT OUTLINE EDITION RESOURCE PREPARE
            library: LIBRARY JAVA ASSEMBLY
            partitioning: PARTITION
            constant: CONSTANT
            default: DEFAULT
            rule: RULE
            XML schema: XML
            XML index: PRIMARY
            column store: COLUMNSTORE
            permission: AUTHORIZATION OWNED
            virtual table: VIRTUAL
            messaging: SERVICE QUEUE MESSAGE CONTRACT
            event: EVENT
            view log: MATERIALIZED
            index type: INDEXTYPE
            assertion: ASSERTION
            reference system: SPATIAL REFERENCE
            """);
    private final StatementCursor tokens;
    private final StatementEnd statementEnd;

    OtherObjects(StatementCursor tokens, StatementEnd statementEnd) {
        this.tokens = tokens;
        this.statementEnd = statementEnd;
    }

    private static Map<String, String> kinds(String lines) {
        Map<String, String> kinds = new HashMap<>();
        lines.lines().map(line -> line.split(": ")).forEach(line -> {
            for (String word : line[1].split(" ")) {
                kinds.put(word, line[0]);
            }
        });
        return Map.copyOf(kinds);
    }

    /** Passes the statement, where the cursor stands at the word for what it is about. */
    Skipped skip(int from) {
        String what = tokens.capitals(tokens.at());
        String kind = what.equals("XML") && tokens.ahead(1) == Keyword.INDEX ? "XML index" : OBJECTS.get(what);
        if (kind == null) {
            throw tokens.unreadable(
                    "“" + tokens.excerpt(tokens.at()) + "” is nothing known that could be created, changed or dropped");
        }
        return statementEnd.skip(from, kind);
    }
}
