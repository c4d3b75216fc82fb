package entaxis.core.syntax;

import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.QualifiedName;
import entaxis.core.statement.AddExtension;
import entaxis.core.statement.CreateSchema;
import entaxis.core.statement.CreateVirtualTable;
import entaxis.core.statement.MoveToSchema;
import entaxis.core.statement.ScriptStatement;
import entaxis.core.statement.Skipped;
import entaxis.core.statement.Statement;
import entaxis.core.token.Keyword;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/** Tells CREATE, ALTER and DROP apart by what they are about. */
final class DefinitionParser {
    private final StatementParser statements;
    private final StatementCursor tokens;
    private final ScriptSyntax syntax;
    private final NameParser names;
    private final StatementEnd statementEnd;
    private final OtherObjects others;
    private final TableParser tables;
    private final AlterTableParser alterTable;
    private final IndexStatementParser indexes;
    private final SequenceParser sequences;
    private final TypeStatementParser types;
    private final ProgramParser programs;
    private final PrivilegeParser privileges;

    DefinitionParser(StatementParser statements, StatementCursor tokens, ScriptSyntax syntax, ElementParsers parsers,
            StatementEnd statementEnd, TableParser tables, ProgramParser programs, PrivilegeParser privileges) {
        this.statements = statements;
        this.tokens = tokens;
        this.syntax = syntax;
        this.names = parsers.names();
        this.statementEnd = statementEnd;
        this.others = new OtherObjects(tokens, statementEnd);
        this.tables = tables;
        this.alterTable = new AlterTableParser(tokens, syntax, parsers, statementEnd);
        this.indexes = new IndexStatementParser(tokens, syntax, parsers, statementEnd);
        this.sequences = new SequenceParser(tokens, syntax, parsers, statementEnd);
        this.types = new TypeStatementParser(tokens, parsers, statementEnd);
        this.programs = programs;
        this.privileges = privileges;
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
    ParsedStatement create(int from) {
        tokens.goTo(from + 1);
        Modifiers modifiers = new Modifiers();
        while (!tokens.atEnd() && (modifier(modifiers) || otherModifier())) {
            tokens.advance();
        }
        return switch (tokens.word()) {
            case TABLE -> {
                boolean shared = tokens.ahead(-1) == Keyword.TEMPORARY && tokens.ahead(-2) == Keyword.GLOBAL
                        && syntax.takes(SyntaxRule.GLOBAL_TEMPORARY_STAYS);
                tokens.advance();
                yield tables.create(from, modifiers.replace, modifiers.temporary && !shared);
            }
            case INDEX -> {
                tokens.advance();
                yield indexes.create(from, modifiers.unique, modifiers.replace, modifiers.method);
            }
            default -> ParsedStatement.whole(created(from, modifiers));
        };
    }

    /** Takes a modifier, up to its last word; false where none stands. */
    private boolean modifier(Modifiers modifiers) {
        switch (tokens.word()) {
            case OR, AND -> {
                tokens.advance();
                modifiers.replace |= tokens.is(Keyword.REPLACE);
            }
            case TEMP, TEMPORARY -> modifiers.temporary = true;
            case UNIQUE -> {
                modifiers.unique = true;
                // H2 manual, CREATE INDEX: UNIQUE NULLS DISTINCT
                tokens.advance(!tokens.is(Keyword.UNIQUE, Keyword.NULLS) ? 0
                        : tokens.ahead(2) == Keyword.NOT ? 3 : 2);
            }
            case FOREIGN -> {
                return tokens.ahead(1) == Keyword.TABLE;
            }
            case GLOBAL, LOCAL, UNLOGGED, EDITIONABLE, NONEDITIONABLE, FORCE, NO, CACHED, MEMORY, CLUSTERED,
                    NONCLUSTERED, RECURSIVE, NOT, ALTER, CONSTRAINT -> { }
            case MATERIALIZED -> modifiers.materialized = true;
            case FULLTEXT, SPATIAL, BIT ->
                    modifiers.method = tokens.capitals(tokens.at()).toLowerCase(Locale.ROOT);
            case ALGORITHM -> tokens.advance(2);
            case DEFINER -> definer();
            default -> {
                return sqlSecurity();
            }
        }
        return true;
    }

    /** MySQL manual, CREATE VIEW: SQL SECURITY stands in any order with ALGORITHM and DEFINER. */
    private boolean sqlSecurity() {
        boolean said = tokens.is("SQL") && tokens.is(tokens.at() + 1, "SECURITY");
        tokens.advance(said ? 2 : 0);
        return said;
    }

    private boolean otherModifier() {
        if (!syntax.takes(SyntaxRule.CREATE_MODIFIERS)) {
            return false;
        }
        if (tokens.is("BITMAP")) {
            statements.emit(tokens.at(), new Skipped("bitmap form of an index"));
            return true;
        }
        return Stream.of("BLOCKCHAIN", "IMMUTABLE", "PRIVATE", "SHARDED", "DUPLICATED")
                .anyMatch(word -> tokens.is(word));
    }

    private void definer() {
        tokens.advance();
        tokens.acceptSign('=');
        while (!tokens.atEnd()) {
            switch (tokens.ahead(1)) {
                case TRIGGER, VIEW, FUNCTION, PROCEDURE, EVENT, PACKAGE -> {
                    return;
                }
                default -> tokens.advance();
            }
            boolean security = tokens.is(tokens.at() + 1, "SQL");
            if (security || tokens.is(tokens.at() + 1, "AGGREGATE")) {
                tokens.advance(security ? 3 : 1);
                return;
            }
        }
    }

    private Statement created(int from, Modifiers modifiers) {
        return switch (tokens.word()) {
            case VIEW -> {
                boolean log = tokens.is(tokens.at() + 1, "LOG") && tokens.ahead(2) == Keyword.ON;
                yield modifiers.materialized && log ? statementEnd.skip(from, "log of changes")
                        : programs.create(from, ProgramKind.VIEW);
            }
            case FUNCTION -> programs.create(from, ProgramKind.FUNCTION);
            case PROCEDURE, PROC -> programs.create(from, ProgramKind.PROCEDURE);
            case TRIGGER -> programs.create(from, ProgramKind.TRIGGER);
            // an event trigger of PostgreSQL and an event of MySQL act by themselves and say nothing about tables
            case EVENT -> statementEnd.skip(from, "event");
            case PACKAGE -> programs.create(from, ProgramKind.PACKAGE);
            case RULE -> programs.create(from, ProgramKind.RULE);
            case SEQUENCE -> {
                tokens.advance();
                yield sequences.create(modifiers.temporary);
            }
            case DOMAIN -> {
                tokens.advance();
                yield types.createDomain();
            }
            case TYPE -> types.createType(from);
            case SCHEMA -> schema(from);
            case FOREIGN -> statementEnd.skip(from, "foreign data");
            case EXTENSION -> extension(from);
            default -> {
                if (tokens.atEnd()) {
                    throw tokens.unreadable("the statement ends before it says what it creates");
                }
                yield tokens.is("VIRTUAL") ? virtualTable(from)
                        : tokens.is("MACRO") ? statementEnd.skip(from, "macro") : others.skip(from);
            }
        };
    }

    /** PostgreSQL manual, CREATE EXTENSION: what it brings is not known here, but that it is needed. */
    private Statement extension(int from) {
        if (!syntax.takes(SyntaxRule.EXTENSIONS)) {
            return others.skip(from);
        }
        tokens.advance();
        tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        String name = tokens.name();
        statementEnd.pass(from);
        return new AddExtension(name);
    }

    private Statement virtualTable(int from) {
        tokens.advance(2);
        tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        QualifiedName name = names.qualified();
        statementEnd.pass(from);
        return new CreateVirtualTable(name, "virtual table");
    }

    /** A schema may be created with its tables in it (ISO/IEC 9075-2, 11.1). */
    private Statement schema(int from) {
        if (syntax.takes(SyntaxRule.SCHEMA_IS_DATABASE)) {
            return statementEnd.skip(from, "database");
        }
        int at = tokens.at() + 1;
        while (at < tokens.limit() && tokens.word(at) != Keyword.CREATE) {
            at++;
        }
        if (at >= tokens.limit() || syntax.takes(SyntaxRule.RUN_ON_STATEMENTS)) {
            return statementEnd.skip(from, "schema");
        }
        tokens.goTo(from + 2);
        tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        Optional<String> name = tokens.word() != Keyword.AUTHORIZATION && tokens.isName(tokens.at())
                ? Optional.of(tokens.nameAt(tokens.at())) : Optional.empty();
        int limit = tokens.limit();
        List<ScriptStatement> inside = new ArrayList<>();
        while (at < limit) {
            int next = at + 1;
            while (next < limit && tokens.word(next) != Keyword.CREATE && tokens.word(next) != Keyword.GRANT) {
                next++;
            }
            tokens.limitTo(next);
            tokens.goTo(at);
            statements.into(inside, at);
            at = next;
            tokens.limitTo(limit);
        }
        tokens.toEnd();
        return new CreateSchema(name, inside);
    }

    /** Reads ALTER, whatever is altered. */
    ParsedStatement alter(int from) {
        tokens.goTo(from + 1);
        tokens.accept(Keyword.IGNORE);
        foreignTable();
        if (tokens.accept(Keyword.TABLE)) {
            return alterTable.alter(from);
        }
        return ParsedStatement.whole(switch (tokens.word()) {
            case INDEX -> indexes.alter(from);
            case SEQUENCE -> privileges.owner(from, "numbering").orElseGet(() -> sequences.alter(from));
            case TYPE -> privileges.owner(from, "owner").orElseGet(() -> types.alterType(from));
            case DOMAIN -> privileges.owner(from, "change of a type").orElseGet(() -> types.alterDomain(from));
            case VIEW, MATERIALIZED, FUNCTION, PROCEDURE, PROC, TRIGGER, PACKAGE, EVENT, RULE ->
                    privileges.owner(from, "change of a view or routine").orElseGet(() -> programs.alter(from));
            case SCHEMA -> alterSchema(from);
            default -> others.skip(from);
        });
    }

    /** Transact-SQL Reference, ALTER SCHEMA: what is named goes over into the schema. */
    private Statement alterSchema(int from) {
        String into = tokens.isName(tokens.at() + 1) ? tokens.nameAt(tokens.at() + 1) : "";
        if (!tokens.is(tokens.at() + 2, "TRANSFER")) {
            return statementEnd.skip(from, "schema");
        }
        tokens.advance(3);
        if (tokens.is(Keyword.OBJECT)) {
            tokens.advance(3);
        }
        return new MoveToSchema(names.qualified(), into);
    }

    /** A foreign table is changed and dropped as a table is. */
    private void foreignTable() {
        if (tokens.ahead(1) == Keyword.TABLE) {
            tokens.accept(Keyword.FOREIGN);
        }
    }

    /** Reads DROP, whatever is dropped. */
    Statement drop(int from) {
        tokens.goTo(from + 1);
        boolean temporary = tokens.accept(Keyword.TEMPORARY) || tokens.accept(Keyword.TEMP);
        foreignTable();
        Statement dropped = switch (tokens.word()) {
            case TABLE -> {
                tokens.advance();
                yield tables.drop(temporary);
            }
            case INDEX -> indexes.drop();
            case SEQUENCE -> sequences.drop();
            case TYPE, DOMAIN -> types.drop();
            case VIEW, MATERIALIZED, FUNCTION, PROCEDURE, PROC, TRIGGER, PACKAGE, EVENT, RULE -> programs.drop(from);
            case SCHEMA -> statementEnd.skip(from, "schema");
            default -> others.skip(from);
        };
        if (!syntax.takes(SyntaxRule.RUN_ON_STATEMENTS)
                && (tokens.accept(Keyword.CASCADE) || tokens.accept(Keyword.RESTRICT))) {
            tokens.accept(Keyword.CONSTRAINT);
        }
        return dropped;
    }
}
