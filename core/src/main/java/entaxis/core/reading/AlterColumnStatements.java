package entaxis.core.reading;

import entaxis.core.design.Attribute.Identity;
import entaxis.core.design.Attribute.Numbering;
import entaxis.core.schema.Deferral;
import entaxis.core.schema.ForeignKey;
import java.util.Optional;

/** Reads ALTER COLUMN and ALTER CONSTRAINT of ALTER TABLE. */
final class AlterColumnStatements {
    private final TokenCursor tokens;
    private final SchemaBuilder builder;
    private final DefinitionParsers definitions;
    private final TypeParser types;
    private final StepOver pass;

    AlterColumnStatements(TokenCursor tokens, SchemaBuilder builder, DefinitionParsers definitions, TypeParser types,
            StepOver pass) {
        this.tokens = tokens;
        this.builder = builder;
        this.definitions = definitions;
        this.types = types;
        this.pass = pass;
    }

    /** PostgreSQL manual, ALTER TABLE ... ALTER CONSTRAINT: when a reference is checked. */
    private void alterConstraint(TableBuilder table) {
        int at = tokens.at;
        String name = tokens.name();
        if (table.foreignKeys.stream().noneMatch(key -> table.same(key.name(), name))) {
            throw StatementException.conflict(at, "the table " + table.name + " has no foreign key " + name);
        }
        Optional<Deferral> deferral = definitions.clauseEnds().deferral();
        definitions.clauseEnds().constraintEnd();
        deferral.ifPresent(when -> table.foreignKeys.replaceAll(key -> !table.same(key.name(), name) ? key
                : new ForeignKey(key.origin(), key.name(), key.columns(), key.referencedNamespace(),
                key.referencedTable(), key.referencedColumns(), key.onDelete(), key.onUpdate(), when)));
    }

    // ALTER COLUMN

    boolean alterColumn(TableBuilder table, int from) {
        if (builder.takes(SyntaxRule.ALTERS_DEFERRAL) && tokens.accept(Keyword.CONSTRAINT)) {
            alterConstraint(table);
            return false;
        }
        if (tokens.is(Keyword.CONSTRAINT) || (tokens.is(Keyword.INDEX) || tokens.is(Keyword.CHECK))
                && builder.takes(SyntaxRule.SWITCHES_PARTS)) {
            boolean moreBehind = storageSetting();
            if (!moreBehind) {
                pass.over(from, "switching on and off");
            }
            return !moreBehind;
        }
        tokens.accept(Keyword.COLUMN);
        boolean ifThere = tokens.accept(Keyword.IF, Keyword.EXISTS);
        int at = tokens.at;
        if (ifThere && tokens.isName(at) && !table.has(tokens.nameAt(at))) {
            pass.over(from, "change of what is not there");
            return true;
        }
        ColumnBuilder column = definitions.lookup().existing(table, at);
        tokens.at++;
        switch (tokens.word()) {
            case TYPE -> {
                tokens.at++;
                retype(table, column);
            }
            case SET -> {
                tokens.at++;
                return set(table, column, from);
            }
            case DROP -> {
                tokens.at++;
                unset(table, column);
            }
            case ADD -> {
                tokens.at++;
                if (builder.takes(SyntaxRule.COLUMN_PROPERTIES)) {
                    property(column);
                } else {
                    definitions.columns().clauses(table, column);
                }
            }
            case RENAME -> {
                tokens.at++;
                tokens.expect(Keyword.TO);
                builder.rename(table, column, tokens.name());
            }
            case RESTART -> tokens.at = tokens.limit;
            case DEFAULT -> definitions.columns().clauses(table, column);
            default -> redefine(table, column);
        }
        return false;
    }

    private void redefine(TableBuilder table, ColumnBuilder column) {
        column.type = types.read().type();
        column.required = false;
        if (builder.takes(SyntaxRule.ALTERED_COLUMN_SAYS_NULL)) {
            boolean inKey = table.primaryKey.filter(key -> key.columns().contains(column.name)).isPresent();
            clausesOfAltered(table, column);
            column.required |= inKey;
        } else {
            column.numbering = tokens.is(Keyword.GENERATED) ? Numbering.DEFAULT : column.numbering;
            definitions.columns().clauses(table, column);
        }
    }

    private void clausesOfAltered(TableBuilder table, ColumnBuilder column) {
        boolean more = true;
        while (more) {
            if (tokens.accept(Keyword.COLLATE)) {
                column.collation = tokens.name();
            } else if (tokens.accept(Keyword.NOT, Keyword.NULL)) {
                column.required = true;
            } else if (!tokens.accept(Keyword.NULL)) {
                more = tokens.is(Keyword.WITH) && tokens.sign(tokens.at + 1, '(');
                if (more) {
                    tokens.at++;
                    tokens.skipRound();
                }
            }
        }
    }

    private void retype(TableBuilder table, ColumnBuilder column) {
        TypeParser.Read type = types.read();
        column.type = type.type();
        boolean more = true;
        while (more) {
            if (tokens.accept(Keyword.COLLATE)) {
                column.collation = definitions.names().qualified().name();
            } else if (tokens.accept(Keyword.USING)) {
                definitions.expressions().expression();
            } else {
                more = false;
            }
        }
        table.heirs.forEach(heir -> heir.column(column.name).ifPresent(inherited -> inherited.type = column.type));
    }

    private boolean set(TableBuilder table, ColumnBuilder column, int from) {
        switch (tokens.word()) {
            case DATA -> {
                tokens.at++;
                tokens.expect(Keyword.TYPE);
                retype(table, column);
            }
            case DEFAULT -> {
                tokens.at++;
                String expression = definitions.expressions().expression();
                definitions.defaults().setDefault(column, expression);
                table.heirs.forEach(heir -> heir.column(column.name)
                        .ifPresent(inherited -> inherited.defaultValue = column.defaultValue));
            }
            case NOT -> {
                tokens.at++;
                tokens.expect(Keyword.NULL);
                require(table, column);
            }
            case NULL -> {
                tokens.at++;
                column.required = false;
            }
            case GENERATED, INCREMENT, START, RESTART, CACHE, CYCLE, NO, MAXVALUE, MINVALUE -> {
                if (!numbering(column)) {
                    pass.over(from, "numbering");
                    return true;
                }
            }
            default -> {
                if (tokens.acceptReading("EXPRESSION")) {
                    tokens.accept(Keyword.AS);
                    expression(table, column, tokens.inRound());
                    return false;
                }
                if (builder.takes(SyntaxRule.KNOWN_OPTIONS_ONLY) && !tokens.sign('(') && !tokens.is(Keyword.STATISTICS)
                        && !tokens.is(Keyword.STORAGE) && !tokens.is(Keyword.COMPRESSION)) {
                    throw tokens.unreadable("this change of a column is not known here");
                }
                boolean moreBehind = storageSetting();
                if (!moreBehind) {
                    pass.over(from, "storage options");
                }
                return !moreBehind;
            }
        }
        return false;
    }

    /**
     * ISO/IEC 9075-2, 11.20: what an identity becomes, each part behind its own SET; false if none of them says
     * anything that is kept.
     */
    private boolean numbering(ColumnBuilder column) {
        boolean kept = false;
        boolean more = true;
        while (more) {
            kept |= tokens.is(Keyword.GENERATED) || tokens.is(Keyword.START) || tokens.is(Keyword.INCREMENT);
            Numbering before = column.numbering;
            int start = tokens.at;
            if (tokens.accept(Keyword.GENERATED)) {
                column.identity = tokens.accept(Keyword.ALWAYS) ? Identity.ALWAYS : Identity.BY_DEFAULT;
                if (column.identity == Identity.BY_DEFAULT) {
                    tokens.accept(Keyword.BY);
                    tokens.accept(Keyword.DEFAULT);
                }
            } else if (tokens.accept(Keyword.START)) {
                tokens.accept(Keyword.WITH);
                column.numbering = new Numbering(definitions.numbers().wholeNumber(), before.step());
            } else if (tokens.accept(Keyword.INCREMENT)) {
                tokens.accept(Keyword.BY);
                column.numbering = new Numbering(before.start(), definitions.numbers().wholeNumber());
            } else {
                while (!tokens.atEnd() && !tokens.sign(',') && !tokens.is(Keyword.SET)
                        && !(tokens.at > start && tokens.is(Keyword.RESTART))) {
                    tokens.at++;
                }
            }
            more = tokens.accept(Keyword.SET) || tokens.is(Keyword.RESTART);
        }
        return kept;
    }

    /** Passes SET STORAGE, SET STATISTICS and the like; true if another change follows. */
    private boolean storageSetting() {
        int depth = 0;
        for (int i = tokens.at; i < tokens.limit; i++) {
            depth += tokens.sign(i, '(') ? 1 : tokens.sign(i, ')') ? -1 : 0;
            if (depth == 0 && tokens.sign(i, ',')) {
                tokens.at = i;
                return true;
            }
        }
        return false;
    }

    /** PostgreSQL manual, ALTER TABLE: SET EXPRESSION AS. */
    private static void expression(TableBuilder table, ColumnBuilder column, String now) {
        column.generated = now;
        table.heirs.forEach(heir -> heir.column(column.name).ifPresent(inherited -> expression(heir, inherited, now)));
    }

    private void require(TableBuilder table, ColumnBuilder column) {
        column.required = true;
        table.heirs.forEach(heir -> heir.column(column.name).ifPresent(inherited -> require(heir, inherited)));
    }

    private void unset(TableBuilder table, ColumnBuilder column) {
        if (tokens.accept(Keyword.DEFAULT)) {
            column.defaultValue = "";
            if (column.identity == Identity.BY_DEFAULT && builder.takes(SyntaxRule.COUNTING_DEFAULTS)) {
                column.identity = Identity.NONE;
            }
            table.heirs.forEach(heir -> heir.column(column.name).ifPresent(inherited -> inherited.defaultValue = ""));
        } else if (tokens.accept(Keyword.NOT, Keyword.NULL)) {
            column.required = false;
            table.heirs.forEach(heir -> heir.column(column.name).ifPresent(inherited -> inherited.required = false));
        } else if (tokens.accept(Keyword.IDENTITY)) {
            tokens.accept(Keyword.IF, Keyword.EXISTS);
            column.identity = Identity.NONE;
        } else if (tokens.acceptReading("EXPRESSION")) {
            tokens.accept(Keyword.IF, Keyword.EXISTS);
            column.generated = "";
        } else if (builder.takes(SyntaxRule.COLUMN_PROPERTIES)) {
            property(column);
        } else {
            throw tokens.unreadable("DEFAULT, NOT NULL, IDENTITY or EXPRESSION is expected here");
        }
    }

    /**
     * Transact-SQL Reference, ALTER TABLE ... ALTER COLUMN ... ADD | DROP: what a column has beside its type; only
     * whether a computed one is kept says something here.
     */
    private void property(ColumnBuilder column) {
        boolean kept = tokens.is(Keyword.PERSISTED);
        column.virtual = kept ? !column.virtual : column.virtual;
        tokens.at += tokens.is(Keyword.NOT) ? 3 : 1;
        if (tokens.accept(Keyword.WITH)) {
            tokens.skipRound();
        }
    }
}
