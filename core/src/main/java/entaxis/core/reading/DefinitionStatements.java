package entaxis.core.reading;

import entaxis.core.design.ProgramKind;
import entaxis.core.reading.SchemaBuilder.QName;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;

/** Tells CREATE, ALTER, DROP and RENAME apart by what they are about. */
final class DefinitionStatements {
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
    private final StatementReader reader;
    private final TokenCursor tokens;
    private final SchemaBuilder builder;
    private final DefinitionParsers definitions;
    private final ReadingLog notes;
    private final TableStatements tables;
    private final AlterTableStatements alter;
    private final IndexStatements indexes;
    private final SequenceStatements sequences;
    private final TypeStatements typeStatements;
    private final ProgramStatements programs;

    DefinitionStatements(StatementReader reader, TokenCursor tokens, SchemaBuilder builder,
            DefinitionParsers definitions, ReadingLog notes, TableStatements tables, AlterTableStatements alter,
            IndexStatements indexes, SequenceStatements sequences, TypeStatements typeStatements,
            ProgramStatements programs) {
        this.reader = reader;
        this.tokens = tokens;
        this.builder = builder;
        this.definitions = definitions;
        this.notes = notes;
        this.tables = tables;
        this.alter = alter;
        this.indexes = indexes;
        this.sequences = sequences;
        this.typeStatements = typeStatements;
        this.programs = programs;
    }

    /** Transact-SQL Reference, ALTER SCHEMA: what is named goes over into the schema. */
    private void alterSchema(int from) {
        String into = tokens.isName(tokens.at + 1) ? tokens.nameAt(tokens.at + 1) : "";
        if (!tokens.reads(tokens.at + 2, "TRANSFER")) {
            reader.pass(from, "schema");
            return;
        }
        tokens.at += 3;
        if (tokens.reads(tokens.at, "OBJECT") || tokens.is(Keyword.OBJECT)) {
            tokens.at += 3;
        }
        SchemaBuilder.QName name = definitions.names().qualified();
        builder.table(name).ifPresentOrElse(
                table -> builder.rename(table, name, new SchemaBuilder.QName(into, table.name)),
                () -> reader.pass(from, "change of what is not kept"));
    }

    /** What stands between CREATE and what is created. */
    private static final class Modifiers {
        private boolean temporary;
        private boolean unique;
        private boolean materialized;
        private boolean replace;
        private String method = "";
    }

    /** Reads CREATE, whatever is created. */
    void create(int from) {
        tokens.at = from + 1;
        Modifiers modifiers = new Modifiers();
        while (!tokens.atEnd() && (modifier(modifiers) || otherModifier())) {
            tokens.at++;
        }
        if (tokens.atEnd()) {
            throw tokens.unreadable("the statement ends before it says what it creates");
        }
        created(from, modifiers);
    }

    /** Takes a modifier, up to its last word; false where none stands. */
    private boolean modifier(Modifiers modifiers) {
        switch (tokens.word()) {
            case OR, AND -> {
                tokens.at++;
                modifiers.replace |= tokens.is(Keyword.REPLACE);
            }
            case TEMP, TEMPORARY -> modifiers.temporary = true;
            case UNIQUE -> {
                modifiers.unique = true;
                // H2 manual, CREATE INDEX: UNIQUE NULLS DISTINCT
                tokens.at += !tokens.is(Keyword.UNIQUE, Keyword.NULLS) ? 0
                        : tokens.word(tokens.at + 2) == Keyword.NOT ? 3 : 2;
            }
            case FOREIGN -> {
                return tokens.word(tokens.at + 1) == Keyword.TABLE;
            }
            case GLOBAL, LOCAL, UNLOGGED, EDITIONABLE, NONEDITIONABLE, FORCE, NO, CACHED, MEMORY, CLUSTERED,
                    NONCLUSTERED, RECURSIVE, NOT, ALTER, CONSTRAINT -> { }
            case MATERIALIZED -> modifiers.materialized = true;
            case FULLTEXT, SPATIAL, BIT ->
                    modifiers.method = tokens.text(tokens.at, tokens.at + 1).toLowerCase(Locale.ROOT);
            case ALGORITHM -> tokens.at += 2;
            case DEFINER -> definer();
            default -> {
                return sqlSecurity();
            }
        }
        return true;
    }

    /** MySQL manual, CREATE VIEW: SQL SECURITY stands in any order with ALGORITHM and DEFINER. */
    private boolean sqlSecurity() {
        boolean said = tokens.reads(tokens.at, "SQL") && tokens.reads(tokens.at + 1, "SECURITY");
        tokens.at += said ? 2 : 0;
        return said;
    }

    private boolean otherModifier() {
        if (!builder.takes(SyntaxRule.CREATE_MODIFIERS)) {
            return false;
        }
        if (tokens.reads(tokens.at, "BITMAP")) {
            notes.steppedOver(tokens.offset(tokens.at), "bitmap form of an index");
            return true;
        }
        return Stream.of("BLOCKCHAIN", "IMMUTABLE", "PRIVATE", "SHARDED", "DUPLICATED")
                .anyMatch(word -> tokens.reads(tokens.at, word));
    }

    private void created(int from, Modifiers modifiers) {
        switch (tokens.word()) {
            case TABLE -> {
                boolean shared = tokens.word(tokens.at - 1) == Keyword.TEMPORARY
                        && tokens.word(tokens.at - 2) == Keyword.GLOBAL
                        && builder.takes(SyntaxRule.GLOBAL_TEMPORARY_STAYS);
                tokens.at++;
                tables.create(from, modifiers.temporary && !shared);
            }
            case INDEX -> {
                tokens.at++;
                indexes.createIndex(modifiers.unique, modifiers.replace, modifiers.method);
            }
            case VIEW -> {
                boolean log = tokens.reads(tokens.at + 1, "LOG") && tokens.word(tokens.at + 2) == Keyword.ON;
                if (modifiers.materialized && log) {
                    reader.pass(from, "log of changes");
                } else {
                    programs.program(from, ProgramKind.VIEW, modifiers.materialized);
                }
            }
            case FUNCTION -> programs.program(from, ProgramKind.FUNCTION, false);
            case PROCEDURE, PROC -> programs.program(from, ProgramKind.PROCEDURE, false);
            case TRIGGER -> programs.program(from, ProgramKind.TRIGGER, false);
            case EVENT -> programs.eventOrTrigger(from);
            case PACKAGE -> programs.program(from, ProgramKind.PACKAGE, false);
            case RULE -> programs.program(from, ProgramKind.RULE, false);
            case SEQUENCE -> {
                tokens.at++;
                sequences.createSequence(modifiers.temporary);
            }
            case DOMAIN -> {
                tokens.at++;
                typeStatements.createDomain();
            }
            case TYPE -> typeStatements.createType(from);
            case SCHEMA -> schema(from);
            case FOREIGN -> reader.pass(from, "foreign data");
            case EXTENSION -> extension(from);
            default -> passObject(from);
        }
    }

    /** PostgreSQL manual, CREATE EXTENSION: what it brings is not known here, but that it is needed. */
    private void extension(int from) {
        if (!builder.takes(SyntaxRule.EXTENSIONS)) {
            passObject(from);
            return;
        }
        tokens.at++;
        tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        builder.extensions.add(tokens.name());
        reader.pass(from, "extension");
    }

    private void definer() {
        tokens.at++;
        tokens.acceptSign('=');
        while (!tokens.atEnd()) {
            switch (tokens.word(tokens.at + 1)) {
                case TRIGGER, VIEW, FUNCTION, PROCEDURE, EVENT, PACKAGE -> {
                    return;
                }
                default -> tokens.at++;
            }
            if (tokens.reads(tokens.at + 1, "SQL") || tokens.reads(tokens.at + 1, "AGGREGATE")) {
                tokens.at += tokens.reads(tokens.at + 1, "SQL") ? 3 : 1;
                return;
            }
        }
    }

    /** A schema may be created with its tables in it (ISO/IEC 9075-2, 11.1). */
    private void schema(int from) {
        if (builder.takes(SyntaxRule.SCHEMA_IS_DATABASE)) {
            reader.pass(from, "database");
            return;
        }
        notes.steppedOver(tokens.offset(from), "schema");
        int at = tokens.at + 1;
        while (at < tokens.limit && tokens.word(at) != Keyword.CREATE) {
            at++;
        }
        if (at >= tokens.limit || builder.takes(SyntaxRule.RUN_ON_STATEMENTS)) {
            reader.toNext(from);
            return;
        }
        tokens.at = from + 2;
        tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        boolean named = tokens.word() != Keyword.AUTHORIZATION && tokens.isName(tokens.at);
        int limit = tokens.limit;
        if (named) {
            builder.use(tokens.nameAt(tokens.at));
        }
        while (at < limit) {
            int next = at + 1;
            while (next < limit && tokens.word(next) != Keyword.CREATE && tokens.word(next) != Keyword.GRANT) {
                next++;
            }
            tokens.limit = next;
            tokens.at = at;
            reader.one(at);
            at = next;
            tokens.limit = limit;
        }
        if (named) {
            builder.use("");
        }
        tokens.at = limit;
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

    private void passObject(int from) {
        String what = tokens.kind(tokens.at) == TokenizedStatement.WORD
                ? tokens.text(tokens.at, tokens.at + 1).toUpperCase(Locale.ROOT) : "";
        String kind =
                what.equals("XML") && tokens.word(tokens.at + 1) == Keyword.INDEX ? "XML index" : OBJECTS.get(what);
        if (kind == null) {
            throw tokens.unreadable(
                    "“" + tokens.excerpt(tokens.at) + "” is nothing known that could be created, changed or dropped");
        }
        if (what.equals("VIRTUAL")) {
            tokens.at += 2;
            tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
            QName name = definitions.names().qualified();
            builder.passing.add(builder.key(name));
            builder.virtual(name.name());
        }
        reader.pass(from, kind);
    }

    void alterStatement(int from) {
        tokens.at = from + 1;
        tokens.accept(Keyword.IGNORE);
        foreignTable();
        switch (tokens.word()) {
            case TABLE -> {
                tokens.at++;
                alter.alter(from);
            }
            case INDEX -> indexes.alterIndex(from);
            case SEQUENCE -> sequences.alterSequence(from);
            case TYPE -> typeStatements.alterType(from);
            case DOMAIN -> typeStatements.alterDomain(from);
            case VIEW, MATERIALIZED, FUNCTION, PROCEDURE, PROC, TRIGGER, PACKAGE, EVENT, RULE ->
                    programs.alterProgram(from);
            case SCHEMA -> alterSchema(from);
            default -> passObject(from);
        }
    }

    /** A foreign table is changed and dropped as a table is. */
    private void foreignTable() {
        if (tokens.word(tokens.at + 1) == Keyword.TABLE) {
            tokens.accept(Keyword.FOREIGN);
        }
    }

    void drop(int from) {
        tokens.at = from + 1;
        boolean temporary = tokens.accept(Keyword.TEMPORARY) || tokens.accept(Keyword.TEMP);
        foreignTable();
        switch (tokens.word()) {
            case TABLE -> {
                tokens.at++;
                tables.drop(from, temporary);
            }
            case INDEX -> indexes.dropIndex(from);
            case SEQUENCE -> sequences.dropSequence(from);
            case TYPE, DOMAIN -> typeStatements.dropType(from);
            case VIEW, MATERIALIZED, FUNCTION, PROCEDURE, PROC, TRIGGER, PACKAGE, EVENT, RULE ->
                    programs.dropProgram(from);
            case SCHEMA -> reader.pass(from, "schema");
            default -> passObject(from);
        }
        if (!tokens.atEnd() && !builder.takes(SyntaxRule.RUN_ON_STATEMENTS)) {
            boolean tail = tokens.accept(Keyword.CASCADE) || tokens.accept(Keyword.RESTRICT);
            if (tail) {
                tokens.accept(Keyword.CONSTRAINT);
            }
        }
    }

    /** MySQL manual, RENAME TABLE; Oracle Database SQL Language Reference, RENAME. */
    void renameTables(int from) {
        tokens.at = from + 1;
        if (!tokens.accept(Keyword.TABLE)) {
            tokens.accept(Keyword.TABLES);
        }
        tokens.accept(Keyword.IF, Keyword.EXISTS);
        do {
            int at = tokens.at;
            QName before = definitions.names().qualified();
            tokens.expect(Keyword.TO);
            QName now = definitions.names().qualified();
            builder.table(before).ifPresentOrElse(table -> builder.rename(table, before, now), () -> {
                if (!builder.passing.contains(builder.key(before))) {
                    throw StatementException.conflict(at, "no table " + before.name() + " is known here");
                }
            });
        } while (tokens.acceptSign(','));
    }
}
