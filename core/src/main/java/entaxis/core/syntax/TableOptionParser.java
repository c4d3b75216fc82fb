package entaxis.core.syntax;

import entaxis.core.schema.Partitioning;
import entaxis.core.statement.TableOptions;
import entaxis.core.token.Keyword;
import entaxis.core.token.Token.Kind;
import java.util.List;
import java.util.OptionalInt;
import java.util.OptionalLong;
import java.util.Optional;
import java.util.function.Consumer;

/** Reads what stands behind the bracket of CREATE TABLE: where and how rows are stored, and the comment. */
final class TableOptionParser {
    /** Storage engines that keep no references (MySQL manual, “FOREIGN KEY Constraint Differences”). */
    private static final List<String> WITHOUT_REFERENCES =
            List.of("MYISAM", "MEMORY", "HEAP", "ARCHIVE", "CSV", "ARIA", "MERGE", "BLACKHOLE");
    private final StatementCursor tokens;
    private final ScriptSyntax syntax;
    private final NumberParser numbers;
    private final PartitionParser partitions;
    private Optional<Partitioning> partitioning = Optional.empty();
    private Optional<String> comment = Optional.empty();
    private OptionalLong first = OptionalLong.empty();
    private OptionalInt withoutReferences = OptionalInt.empty();

    TableOptionParser(StatementCursor tokens, ScriptSyntax syntax, NumberParser numbers, PartitionParser partitions) {
        this.tokens = tokens;
        this.syntax = syntax;
        this.numbers = numbers;
        this.partitions = partitions;
    }

    /**
     * Reads what follows the brackets; what was understood of it is given even where the rest is not.
     *
     * @param earlier the comment that stands in front of the brackets
     */
    void read(Consumer<TableOptions> into, Optional<String> earlier) {
        comment = earlier;
        first = OptionalLong.empty();
        withoutReferences = OptionalInt.empty();
        partitioning = Optional.empty();
        boolean storage = false;
        boolean whole = false;
        try {
            while (!tokens.atEnd() && !(syntax.takes(SyntaxRule.RUN_ON_STATEMENTS) && beginsNext())) {
                storage |= option();
            }
            whole = true;
        } finally {
            into.accept(new TableOptions(comment, first, withoutReferences, storage && whole, partitioning));
        }
    }

    /** Passes an option; true if it is about storage. */
    private boolean option() {
        Keyword word = tokens.word();
        // Oracle Database SQL Language Reference, LOB_storage_clause: LOB (c) STORE AS SECUREFILE (...)
        if (tokens.is("STORE") && tokens.ahead(1) == Keyword.AS) {
            tokens.advance(2);
            return true;
        }
        // Oracle Database SQL Language Reference, blockchain_drop_table_clause and blockchain_row_retention_clause:
        // NO DROP UNTIL 16 DAYS IDLE
        Keyword second = tokens.ahead(1);
        if (word == Keyword.NO && (second == Keyword.DROP || second == Keyword.DELETE)
                || word == Keyword.AFTER && second == Keyword.INSERT) {
            tokens.advance(2);
            return true;
        }
        switch (word) {
            case COMMENT -> {
                tokens.advance();
                tokens.acceptSign('=');
                comment = Optional.of(tokens.string());
                return false;
            }
            case AUTO_INCREMENT -> {
                tokens.advance();
                tokens.acceptSign('=');
                first = OptionalLong.of(numbers.wholeNumber());
                return false;
            }
            case PARTITION -> {
                if (syntax.takes(SyntaxRule.TABLE_HIERARCHIES)) {
                    tokens.advance();
                    tokens.expect(Keyword.BY);
                    partitioning = Optional.of(partitions.partitioning());
                    return false;
                }
            }
            case ENGINE, TYPE -> storageEngine();
            case AS, SELECT -> throw tokens.unreadable("further columns of the table come from a query");
            case REPLACE, IGNORE -> {
                if (second == Keyword.SELECT || second == Keyword.AS) {
                    throw tokens.unreadable("further columns of the table come from a query");
                }
            }
            case CREATE, INSERT, DROP, ALTER -> throw tokens.unreadable("a semicolon is missing before this");
            default -> { }
        }
        if (strict() && !known(word)) {
            throw tokens.unreadable("this is not understood behind a table");
        }
        pass(word);
        return true;
    }

    /** Looks at the name behind ENGINE, without passing it. */
    private void storageEngine() {
        int name = tokens.at() + (tokens.sign(tokens.at() + 1, '=') ? 2 : 1);
        if (WITHOUT_REFERENCES.stream().anyMatch(engine -> tokens.is(name, engine))) {
            withoutReferences = OptionalInt.of(tokens.place());
        }
    }

    private boolean strict() {
        return syntax.takes(SyntaxRule.KNOWN_OPTIONS_ONLY);
    }

    private boolean known(Keyword word) {
        return switch (word) {
            case PARTITION, WITH, WITHOUT, TABLESPACE, ON, USING, FOR, DEFAULT, SERVER, OPTIONS, NOT, ORDER, PERIOD,
                    OWNER -> true;
            default -> tokens.is("STRICT") || tokens.sign(',') || tokens.is("DISTRIBUTED");
        };
    }

    private void pass(Keyword word) {
        if (word == Keyword.PARTITION && strict()) {
            tokens.advance();
            tokens.accept(Keyword.BY);
            tokens.name();
            tokens.skipRound();
        } else if (word == Keyword.FOR || word == Keyword.SERVER || word == Keyword.ORDER) {
            while (!tokens.atEnd() && !endsOption()) {
                tokens.skipToken();
            }
        } else if (strict() && (word == Keyword.TABLESPACE || word == Keyword.USING || word == Keyword.WITHOUT
                || word == Keyword.NOT || word == Keyword.OWNER)) {
            tokens.advance();
            tokens.accept(Keyword.TO);
            tokens.name();
        } else if ((word == Keyword.WITH || word == Keyword.OPTIONS) && tokens.sign(tokens.at() + 1, '(')) {
            tokens.advance();
            tokens.skipRound();
        } else if (strict() && word == Keyword.ON) {
            tokens.advance();
            tokens.expect(Keyword.COMMIT);
            while (tokens.kind() == Kind.WORD && !known(tokens.word())) {
                tokens.advance();
            }
        } else {
            tokens.skipToken();
        }
    }

    /** Whether the server of a foreign table ends here. */
    private boolean endsOption() {
        return switch (tokens.word()) {
            case PARTITION, OPTIONS, TABLESPACE -> true;
            case WITH -> tokens.sign(tokens.at() + 1, '(') && tokens.ahead(2) != Keyword.NONE
                    && tokens.ahead(-1) != Keyword.VALUES;
            default -> false;
        };
    }

    private boolean beginsNext() {
        return switch (tokens.word()) {
            case CREATE, ALTER, DROP, INSERT, EXEC, EXECUTE, IF, SET, USE, PRINT, DECLARE, GRANT, COMMIT, BEGIN, END,
                    SELECT, UPDATE, DELETE, TRUNCATE, ELSE -> true;
            default -> false;
        };
    }
}
