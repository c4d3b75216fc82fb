package entaxis.core.reading;

import entaxis.core.schema.PrimaryKey;
import java.util.Optional;

/** Reads MODIFY and CHANGE of ALTER TABLE, which define a column anew. */
final class ColumnRedefinitions {
    private final TokenCursor tokens;
    private final SchemaBuilder builder;
    private final DefinitionParsers definitions;
    private final TypeParser types;

    ColumnRedefinitions(TokenCursor tokens, SchemaBuilder builder, DefinitionParsers definitions, TypeParser types) {
        this.tokens = tokens;
        this.builder = builder;
        this.definitions = definitions;
        this.types = types;
    }

    /** MySQL manual, ALTER TABLE: FIRST and AFTER; H2 manual: BEFORE. */
    void place(TableBuilder table, ColumnBuilder column) {
        if (tokens.accept(Keyword.FIRST)) {
            table.columns.remove(column);
            table.columns.addFirst(column);
        } else if (tokens.is(Keyword.AFTER) || tokens.is(Keyword.BEFORE)) {
            int behind = tokens.is(Keyword.AFTER) ? 1 : 0;
            tokens.at++;
            ColumnBuilder neighbour =
                    table.columns.size() == 1 ? column : definitions.lookup().existing(table, tokens.at);
            tokens.at++;
            table.columns.remove(column);
            table.columns.add(Math.min(table.columns.size(), table.columns.indexOf(neighbour) + behind), column);
        }
    }

    // MODIFY and CHANGE

    void modify(TableBuilder table) {
        tokens.accept(Keyword.COLUMN);
        tokens.accept(Keyword.IF, Keyword.EXISTS);
        if (builder.takes(SyntaxRule.MODIFY_KEEPS_THE_REST)
                && (tokens.is(Keyword.CONSTRAINT) || tokens.is(Keyword.PRIMARY, Keyword.KEY)
                || tokens.is(Keyword.UNIQUE) && tokens.sign(tokens.at + 1, '('))) {
            tokens.at += tokens.is(Keyword.UNIQUE) ? 1 : 2;
            if (tokens.sign('(')) {
                tokens.skipRound();
            }
            definitions.clauseEnds().constraintEnd();
            return;
        }
        boolean round = tokens.acceptSign('(');
        do {
            ColumnBuilder column = definitions.lookup().existing(table, tokens.at);
            if (builder.takes(SyntaxRule.MODIFY_KEEPS_THE_REST)) {
                tokens.at++;
                if (types.begins() && !tokens.sign(',') && !tokens.sign(')') && !tokens.atEnd()
                        && !tokens.is(Keyword.ENABLE) && !tokens.is(Keyword.DISABLE)) {
                    column.type = types.read().type();
                }
                definitions.columns().clauses(table, column);
            } else {
                redefine(table, column);
            }
        } while (round && tokens.acceptSign(','));
        if (round) {
            tokens.expectSign(')');
        }
    }

    /**
     * Gives a column the definition that follows: everything that it does not say again is gone (MySQL manual, ALTER
     * TABLE).
     */
    void redefine(TableBuilder table, ColumnBuilder column) {
        ColumnBuilder now = definitions.columns().nameAndType();
        boolean inKey = table.primaryKey
                .filter(key -> key.columns().stream().anyMatch(name -> table.same(name, column.name))).isPresent();
        if (!table.same(column.name, now.name) && table.has(now.name)) {
            throw tokens.conflict("the table " + table.name + " already has a column " + now.name);
        }
        if (!column.name.equals(now.name)) {
            builder.rename(table, column, now.name);
        }
        Optional<PrimaryKey> before = table.primaryKey;
        table.columns.set(table.columns.indexOf(column), now);
        table.touched();
        definitions.columns().clauses(table, now);
        now.required |= inKey
                || before.isEmpty() && table.primaryKey.filter(key -> key.columns().contains(now.name)).isPresent();
        place(table, now);
    }
}
