package entaxis.core.reading;

import java.util.List;

/** Reads what stands behind the bracket of CREATE TABLE: where and how rows are stored, and the comment. */
final class TableOptions {
    private final TokenCursor tokens;
    private final SchemaBuilder builder;
    private final DefinitionParsers definitions;
    private final ReadingLog notes;
    private final StepOver pass;

    TableOptions(TokenCursor tokens, SchemaBuilder builder, DefinitionParsers definitions, ReadingLog notes,
            StepOver pass) {
        this.tokens = tokens;
        this.builder = builder;
        this.definitions = definitions;
        this.notes = notes;
        this.pass = pass;
    }

    /** Reads what follows the brackets. How rows are stored is passed; what says something about the table is taken. */
    void options(TableBuilder table) {
        boolean storage = false;
        while (!tokens.atEnd()) {
            Keyword word = tokens.word();
            if (builder.takes(SyntaxRule.RUN_ON_STATEMENTS) && beginsNext()) {
                return;
            }
            // Oracle Database SQL Language Reference, LOB_storage_clause: LOB (c) STORE AS SECUREFILE (...)
            if (tokens.reads(tokens.at, "STORE") && tokens.word(tokens.at + 1) == Keyword.AS) {
                storage = true;
                tokens.at += 2;
                continue;
            }
            // Oracle Database SQL Language Reference, blockchain_drop_table_clause and blockchain_row_retention_clause:
            // NO DROP UNTIL 16 DAYS IDLE
            Keyword second = tokens.word(tokens.at + 1);
            if (word == Keyword.NO && (second == Keyword.DROP || second == Keyword.DELETE)
                    || word == Keyword.AFTER && second == Keyword.INSERT) {
                storage = true;
                tokens.at += 2;
                continue;
            }
            switch (word) {
                case COMMENT -> {
                    tokens.at++;
                    tokens.acceptSign('=');
                    table.comment = tokens.string();
                    continue;
                }
                case AUTO_INCREMENT -> {
                    tokens.at++;
                    tokens.acceptSign('=');
                    long first = definitions.numbers().wholeNumber();
                    table.numberFrom(first);
                    continue;
                }
                case ENGINE, TYPE -> storageEngine(table);
                case AS, SELECT, REPLACE, IGNORE -> {
                    if (word == Keyword.AS || word == Keyword.SELECT || tokens.word(tokens.at + 1) == Keyword.SELECT
                            || tokens.word(tokens.at + 1) == Keyword.AS) {
                        throw tokens.unreadable("further columns of the table come from a query");
                    }
                }
                case CREATE, INSERT, DROP, ALTER -> throw tokens.unreadable("a semicolon is missing before this");
                default -> { }
            }
            if (strict() && !known(word)) {
                throw tokens.unreadable("this is not understood behind a table");
            }
            storage = true;
            option();
        }
        if (storage) {
            notes.steppedOver(tokens.offset(0), "storage options");
        }
    }

    /** Looks at the name behind ENGINE, without passing it. */
    private void storageEngine(TableBuilder table) {
        int name = tokens.sign(tokens.at + 1, '=') ? tokens.at + 2 : tokens.at + 1;
        boolean without = List.of("MYISAM", "MEMORY", "HEAP", "ARCHIVE", "CSV", "ARIA", "MERGE", "BLACKHOLE").stream()
                .anyMatch(engine -> tokens.reads(name, engine));
        if (without) {
            table.keepsReferences = false;
            if (!table.foreignKeys.isEmpty()) {
                notes.steppedOver(tokens.offset(tokens.at), "references that the storage engine does not keep");
                table.foreignKeys.clear();
            }
        }
    }

    private boolean strict() {
        return builder.takes(SyntaxRule.KNOWN_OPTIONS_ONLY);
    }

    private boolean known(Keyword word) {
        return switch (word) {
            case PARTITION, WITH, WITHOUT, TABLESPACE, ON, USING, FOR, DEFAULT, SERVER, OPTIONS, NOT, ORDER, PERIOD,
                    OWNER -> true;
            default -> tokens.reads(tokens.at, "STRICT") || tokens.sign(',') || tokens.reads(tokens.at, "DISTRIBUTED");
        };
    }

    private void option() {
        Keyword word = tokens.word();
        if (word == Keyword.PARTITION && strict()) {
            tokens.at++;
            tokens.accept(Keyword.BY);
            tokens.name();
            tokens.skipRound();
            return;
        }
        if (word == Keyword.FOR || word == Keyword.SERVER || word == Keyword.ORDER) {
            while (!tokens.atEnd() && tokens.word() != Keyword.PARTITION && tokens.word() != Keyword.OPTIONS
                    && tokens.word() != Keyword.TABLESPACE
                    && !(tokens.is(Keyword.WITH) && tokens.sign(tokens.at + 1, '(')
                            && tokens.word(tokens.at + 2) != Keyword.NONE
                            && tokens.word(tokens.at - 1) != Keyword.VALUES)) {
                skip();
            }
            return;
        }
        if (strict() && (word == Keyword.TABLESPACE || word == Keyword.USING || word == Keyword.WITHOUT
                || word == Keyword.NOT || word == Keyword.OWNER)) {
            tokens.at++;
            tokens.accept(Keyword.TO);
            tokens.name();
            return;
        }
        if ((word == Keyword.WITH || word == Keyword.OPTIONS) && tokens.sign(tokens.at + 1, '(')) {
            tokens.at++;
            tokens.skipRound();
            return;
        }
        if (strict() && word == Keyword.ON) {
            tokens.at++;
            tokens.expect(Keyword.COMMIT);
            while (tokens.kind(tokens.at) == TokenizedStatement.WORD && !known(tokens.word())) {
                tokens.at++;
            }
            return;
        }
        skip();
    }

    private void skip() {
        if (tokens.sign('(')) {
            tokens.skipRound();
        } else {
            tokens.at++;
        }
    }

    private boolean beginsNext() {
        return switch (tokens.word()) {
            case CREATE, ALTER, DROP, INSERT, EXEC, EXECUTE, IF, SET, USE, PRINT, DECLARE, GRANT, COMMIT, BEGIN, END,
                    SELECT, UPDATE, DELETE, TRUNCATE, ELSE -> true;
            default -> false;
        };
    }
}
