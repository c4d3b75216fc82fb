package entaxis.core.syntax;

import entaxis.core.schema.Deferral;
import entaxis.core.schema.Identity;
import entaxis.core.statement.AlterColumnAction;
import entaxis.core.statement.AlterTableAction;
import entaxis.core.statement.ColumnClause;
import entaxis.core.statement.TypeName;
import entaxis.core.token.Keyword;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalLong;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;

/** Reads ALTER COLUMN and ALTER CONSTRAINT of ALTER TABLE. */
final class AlterColumnParser {
    private final StatementCursor tokens;
    private final ScriptSyntax syntax;
    private final ElementParsers parsers;

    AlterColumnParser(StatementCursor tokens, ScriptSyntax syntax, ElementParsers parsers) {
        this.tokens = tokens;
        this.syntax = syntax;
        this.parsers = parsers;
    }

    /** Reads what stands behind ALTER; gives what the rest of the statement is where nothing of it is kept. */
    Optional<String> change(List<AlterTableAction> into) {
        if (syntax.takes(SyntaxRule.ALTERS_DEFERRAL) && tokens.accept(Keyword.CONSTRAINT)) {
            into.add(constraint());
            return Optional.empty();
        }
        if (tokens.is(Keyword.CONSTRAINT) || (tokens.is(Keyword.INDEX) || tokens.is(Keyword.CHECK))
                && syntax.takes(SyntaxRule.SWITCHES_PARTS)) {
            return passedSetting() ? Optional.empty() : Optional.of("switching on and off");
        }
        tokens.accept(Keyword.COLUMN);
        boolean ifExists = tokens.accept(Keyword.IF, Keyword.EXISTS);
        int place = tokens.place();
        String name = tokens.name();
        Function<AlterColumnAction, AlterTableAction> altered =
                change -> new AlterTableAction.AlterColumn(name, place, ifExists, change);
        switch (tokens.word()) {
            case TYPE -> {
                tokens.advance();
                into.add(altered.apply(type()));
            }
            case SET -> {
                tokens.advance();
                return set(into, altered);
            }
            case DROP -> {
                tokens.advance();
                into.add(altered.apply(drop()));
            }
            case ADD -> {
                tokens.advance();
                if (syntax.takes(SyntaxRule.COLUMN_PROPERTIES)) {
                    into.add(altered.apply(property()));
                } else {
                    clauses(clauses -> into.add(altered.apply(new AlterColumnAction.AddClauses(clauses))));
                }
            }
            case RENAME -> {
                tokens.advance();
                tokens.expect(Keyword.TO);
                into.add(altered.apply(new AlterColumnAction.RenameTo(tokens.name())));
            }
            case RESTART -> {
                tokens.toEnd();
                into.add(altered.apply(new AlterColumnAction.None()));
            }
            case DEFAULT -> clauses(clauses -> into.add(altered.apply(new AlterColumnAction.AddClauses(clauses))));
            default -> redefine(change -> into.add(altered.apply(change)));
        }
        return Optional.empty();
    }

    /** Reads clauses; those that were understood are given even where a later one is not. */
    private void clauses(Consumer<List<ColumnClause>> into) {
        List<ColumnClause> clauses = new ArrayList<>(2);
        try {
            parsers.columns().clauses(clauses);
        } finally {
            into.accept(clauses);
        }
    }

    /** PostgreSQL manual, ALTER TABLE ... ALTER CONSTRAINT: when a reference is checked. */
    private AlterTableAction constraint() {
        int place = tokens.place();
        String name = tokens.name();
        Optional<Deferral> deferral = parsers.clauseEnds().deferral();
        parsers.clauseEnds().constraintEnd();
        return new AlterTableAction.AlterConstraint(name, place, deferral);
    }

    private void redefine(Consumer<AlterColumnAction> into) {
        TypeName type = parsers.types().type();
        if (syntax.takes(SyntaxRule.ALTERED_COLUMN_SAYS_NULL)) {
            into.accept(new AlterColumnAction.Redefine(type, true, clausesOfAltered()));
        } else {
            boolean keepsNumbering = !tokens.is(Keyword.GENERATED);
            clauses(clauses -> into.accept(new AlterColumnAction.Redefine(type, keepsNumbering, clauses)));
        }
    }

    private List<ColumnClause> clausesOfAltered() {
        List<ColumnClause> clauses = new ArrayList<>(2);
        boolean more = true;
        while (more) {
            if (tokens.accept(Keyword.COLLATE)) {
                clauses.add(new ColumnClause.Collation(tokens.name()));
            } else if (tokens.accept(Keyword.NOT, Keyword.NULL)) {
                clauses.add(ColumnClause.NotNull.UNNAMED);
            } else if (!tokens.accept(Keyword.NULL)) {
                more = tokens.is(Keyword.WITH) && tokens.sign(tokens.at() + 1, '(');
                if (more) {
                    tokens.advance();
                    tokens.skipRound();
                }
            }
        }
        return clauses;
    }

    private AlterColumnAction type() {
        TypeName type = parsers.types().type();
        Optional<String> collation = Optional.empty();
        boolean more = true;
        while (more) {
            if (tokens.accept(Keyword.COLLATE)) {
                collation = Optional.of(parsers.names().qualified().name());
            } else if (tokens.accept(Keyword.USING)) {
                parsers.expressions().expression();
            } else {
                more = false;
            }
        }
        return new AlterColumnAction.Retype(type, collation);
    }

    private Optional<String> set(List<AlterTableAction> into, Function<AlterColumnAction, AlterTableAction> altered) {
        switch (tokens.word()) {
            case DATA -> {
                tokens.advance();
                tokens.expect(Keyword.TYPE);
                into.add(altered.apply(type()));
            }
            case DEFAULT -> {
                tokens.advance();
                into.add(altered.apply(new AlterColumnAction.SetDefault(parsers.expressions().expression())));
            }
            case NOT -> {
                tokens.advance();
                tokens.expect(Keyword.NULL);
                into.add(altered.apply(new AlterColumnAction.SetNotNull()));
            }
            case NULL -> {
                tokens.advance();
                into.add(altered.apply(new AlterColumnAction.SetNull()));
            }
            case GENERATED, INCREMENT, START, RESTART, CACHE, CYCLE, NO, MAXVALUE, MINVALUE -> {
                AlterColumnAction change = numbering();
                into.add(altered.apply(change));
                return change instanceof AlterColumnAction.None ? Optional.of("numbering") : Optional.empty();
            }
            default -> {
                return otherSetting(into, altered);
            }
        }
        return Optional.empty();
    }

    private Optional<String> otherSetting(List<AlterTableAction> into,
            Function<AlterColumnAction, AlterTableAction> altered) {
        if (tokens.accept("EXPRESSION")) {
            tokens.accept(Keyword.AS);
            into.add(altered.apply(new AlterColumnAction.SetExpression(parsers.expressions().inRound())));
            return Optional.empty();
        }
        if (syntax.takes(SyntaxRule.KNOWN_OPTIONS_ONLY) && !tokens.sign('(') && !tokens.is(Keyword.STATISTICS)
                && !tokens.is(Keyword.STORAGE) && !tokens.is(Keyword.COMPRESSION)) {
            throw tokens.unreadable("this change of a column is not known here");
        }
        into.add(altered.apply(new AlterColumnAction.None()));
        return passedSetting() ? Optional.empty() : Optional.of("storage options");
    }

    /** ISO/IEC 9075-2, 11.20: what an identity becomes, each part behind its own SET. */
    private AlterColumnAction numbering() {
        Optional<Identity> kind = Optional.empty();
        OptionalLong first = OptionalLong.empty();
        OptionalLong step = OptionalLong.empty();
        boolean more = true;
        while (more) {
            int begin = tokens.at();
            if (tokens.accept(Keyword.GENERATED)) {
                boolean always = tokens.accept(Keyword.ALWAYS);
                if (!always) {
                    tokens.accept(Keyword.BY);
                    tokens.accept(Keyword.DEFAULT);
                }
                kind = Optional.of(always ? Identity.ALWAYS : Identity.BY_DEFAULT);
            } else if (tokens.accept(Keyword.START)) {
                tokens.accept(Keyword.WITH);
                first = OptionalLong.of(parsers.numbers().wholeNumber());
            } else if (tokens.accept(Keyword.INCREMENT)) {
                tokens.accept(Keyword.BY);
                step = OptionalLong.of(parsers.numbers().wholeNumber());
            } else {
                while (!tokens.atEnd() && !tokens.sign(',') && !tokens.is(Keyword.SET)
                        && !(tokens.at() > begin && tokens.is(Keyword.RESTART))) {
                    tokens.advance();
                }
            }
            more = tokens.accept(Keyword.SET) || tokens.is(Keyword.RESTART);
        }
        boolean kept = kind.isPresent() || first.isPresent() || step.isPresent();
        return kept ? new AlterColumnAction.SetNumbering(kind, first, step) : new AlterColumnAction.None();
    }

    /** Passes SET STORAGE, SET STATISTICS and the like; true if another change follows. */
    private boolean passedSetting() {
        int depth = 0;
        for (int i = tokens.at(); i < tokens.limit(); i++) {
            depth += tokens.sign(i, '(') ? 1 : tokens.sign(i, ')') ? -1 : 0;
            if (depth == 0 && tokens.sign(i, ',')) {
                tokens.goTo(i);
                return true;
            }
        }
        return false;
    }

    private AlterColumnAction drop() {
        if (tokens.accept(Keyword.DEFAULT)) {
            return new AlterColumnAction.DropDefault();
        }
        if (tokens.accept(Keyword.NOT, Keyword.NULL)) {
            return new AlterColumnAction.DropNotNull();
        }
        if (tokens.accept(Keyword.IDENTITY)) {
            tokens.accept(Keyword.IF, Keyword.EXISTS);
            return new AlterColumnAction.DropIdentity();
        }
        if (tokens.accept("EXPRESSION")) {
            tokens.accept(Keyword.IF, Keyword.EXISTS);
            return new AlterColumnAction.DropExpression();
        }
        if (syntax.takes(SyntaxRule.COLUMN_PROPERTIES)) {
            return property();
        }
        throw tokens.unreadable("DEFAULT, NOT NULL, IDENTITY or EXPRESSION is expected here");
    }

    /**
     * Transact-SQL Reference, ALTER TABLE ... ALTER COLUMN ... ADD | DROP: what a column has beside its type; only
     * whether a computed one is kept says something here.
     */
    private AlterColumnAction property() {
        boolean persisted = tokens.is(Keyword.PERSISTED);
        tokens.advance(tokens.is(Keyword.NOT) ? 3 : 1);
        if (tokens.accept(Keyword.WITH)) {
            tokens.skipRound();
        }
        return persisted ? new AlterColumnAction.TogglePersisted() : new AlterColumnAction.None();
    }
}
