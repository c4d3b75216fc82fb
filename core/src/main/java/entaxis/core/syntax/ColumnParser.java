package entaxis.core.syntax;

import entaxis.core.expression.Expression;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Numbering;
import entaxis.core.sql.Dialect;
import entaxis.core.statement.ColumnClause;
import entaxis.core.statement.ColumnDefinition;
import entaxis.core.statement.TypeName;
import entaxis.core.token.Keyword;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/** Reads columns with their types and clauses (ISO/IEC 9075-2, 11.4; the engines' manuals). */
final class ColumnParser {
    private final StatementCursor tokens;
    private final ScriptSyntax syntax;
    private final Dialect dialect;
    private final TypeParser types;
    private final NameParser names;
    private final NumberParser numbers;
    private final ExpressionParser expressions;
    private final ClauseEnds clauseEnds;
    private final IndexParser indexes;
    private final ReferenceParser references;
    private final ConstraintParser constraints;
    private final ColumnOptionParser options;

    ColumnParser(StatementCursor tokens, ScriptSyntax syntax, TypeParser types, NameParser names, NumberParser numbers,
            ExpressionParser expressions, ClauseEnds clauseEnds, IndexParser indexes, ReferenceParser references,
            ConstraintParser constraints) {
        this.tokens = tokens;
        this.syntax = syntax;
        this.dialect = Dialect.of(syntax.engine());
        this.types = types;
        this.names = names;
        this.numbers = numbers;
        this.expressions = expressions;
        this.clauseEnds = clauseEnds;
        this.indexes = indexes;
        this.references = references;
        this.constraints = constraints;
        this.options = new ColumnOptionParser(tokens, clauseEnds);
    }

    /** Reads a column with its clauses; what was understood of it is given even where a clause is not. */
    void column(Consumer<ColumnDefinition> into) {
        int place = tokens.place();
        String name = tokens.name();
        Optional<TypeName> type = Optional.empty();
        boolean serial = syntax.takes(SyntaxRule.UNIQUE_SERIAL) && tokens.is(Keyword.SERIAL);
        if (types.begins()) {
            type = Optional.of(types.type());
        } else if (!dialect.columnsWithoutType() && !tokens.is(Keyword.AS) && !tokens.is(Keyword.GENERATED)) {
            throw tokens.unreadable("the column " + name + " has no type");
        }
        List<ColumnClause> clauses = new ArrayList<>(2);
        try {
            clauses(clauses);
        } finally {
            into.accept(new ColumnDefinition(name, place, type, serial, clauses));
        }
    }

    /** Reads the clauses behind a column's type up to what ends the definition. */
    void clauses(List<ColumnClause> into) {
        clauseEnds.inColumn(true);
        try {
            eachClause(into);
        } finally {
            clauseEnds.inColumn(false);
        }
    }

    private void eachClause(List<ColumnClause> into) {
        String name = "";
        while (!tokens.atEnd() && !tokens.sign(',') && !tokens.sign(')')) {
            int before = tokens.at();
            if (tokens.accept(Keyword.CONSTRAINT)) {
                name = names.qualified().name();
                continue;
            }
            if (!clause(into, name)) {
                tokens.goTo(before);
                return;
            }
            name = "";
        }
    }

    private boolean clause(List<ColumnClause> into, String name) {
        int place = tokens.place();
        switch (tokens.word()) {
            case NOT -> notClause(into, name);
            case NULL -> {
                tokens.advance();
                into.add(new ColumnClause.Nullable());
            }
            case DEFAULT -> defaultClause(into);
            case PRIMARY, KEY -> into.add(primaryKey(name, place));
            case UNIQUE -> into.add(unique(name, place));
            case CHECK -> {
                tokens.advance();
                clauseEnds.notForReplication();
                into.add(new ColumnClause.Check(name, expressions.inRound()));
                clauseEnds.constraintEnd();
            }
            case FOREIGN -> {
                tokens.advance();
                tokens.expect(Keyword.KEY);
            }
            case REFERENCES -> {
                tokens.advance();
                into.add(new ColumnClause.References(name, references.reference(), place));
            }
            case GENERATED -> generated(into);
            case AS -> {
                tokens.advance();
                into.add(tokens.is(Keyword.IDENTITY) ? identity(Identity.ALWAYS) : computed());
            }
            case AUTO_INCREMENT, AUTOINCREMENT -> {
                tokens.advance();
                into.add(new ColumnClause.AutoIncrement(
                        tokens.sign('(') ? Optional.of(numbers.inRound()) : Optional.empty()));
            }
            case IDENTITY -> into.add(identity(dialect.identity(Identity.BY_DEFAULT)));
            default -> {
                return property(into);
            }
        }
        return true;
    }

    /** Reads a clause that is no constraint. */
    private boolean property(List<ColumnClause> into) {
        switch (tokens.word()) {
            case COMMENT -> {
                tokens.advance();
                into.add(new ColumnClause.Comment(tokens.string()));
            }
            case COLLATE -> {
                tokens.advance();
                tokens.acceptSign('=');
                into.add(new ColumnClause.Collation(names.qualified().name()));
            }
            case CHARACTER, CHARSET -> characterSet(into);
            case ON -> {
                if (!tokens.accept(Keyword.ON, Keyword.UPDATE)) {
                    return clauseEnds.onConflict()
                            || syntax.takes(SyntaxRule.STORAGE_PLACES) && clauseEnds.storagePlace();
                }
                into.add(new ColumnClause.OnUpdate(expressions.expression()));
            }
            case INDEX -> {
                if (!syntax.takes(SyntaxRule.INLINE_INDEXES)) {
                    return false;
                }
                tokens.advance();
                into.add(indexes.ofColumn());
            }
            case STORED, PERSISTENT, PERSISTED, VIRTUAL -> {
                into.add(new ColumnClause.Stored(tokens.is(Keyword.VIRTUAL)));
                tokens.advance();
            }
            default -> {
                if (syntax.takes(SyntaxRule.BINARY_CHARACTER_SET) && tokens.accept("BYTE")) {
                    into.add(new ColumnClause.InBytes());
                    return true;
                }
                return options.passed();
            }
        }
        return true;
    }

    private void characterSet(List<ColumnClause> into) {
        if (tokens.accept(Keyword.CHARACTER)) {
            tokens.expect(Keyword.SET);
        } else {
            tokens.advance();
        }
        tokens.acceptSign('=');
        if (syntax.takes(SyntaxRule.BINARY_CHARACTER_SET) && tokens.is(Keyword.BINARY)) {
            into.add(new ColumnClause.InBytes());
        }
        tokens.advance();
    }

    private ColumnClause primaryKey(String name, int place) {
        if (tokens.accept(Keyword.PRIMARY)) {
            tokens.expect(Keyword.KEY);
        } else {
            tokens.advance();
        }
        clauseEnds.clustering();
        if (tokens.accept(Keyword.ASC) || tokens.accept(Keyword.DESC)) {
            clauseEnds.clustering();
        }
        return key(true, name, place);
    }

    private ColumnClause unique(String name, int place) {
        tokens.advance();
        if (!tokens.accept(Keyword.KEY)) {
            tokens.accept(Keyword.INDEX);
        }
        clauseEnds.clustering();
        clauseEnds.nullsDistinct();
        return key(false, name, place);
    }

    /** SQL Server takes a constraint of the table behind a column without the comma between them. */
    private ColumnClause key(boolean primary, String name, int place) {
        boolean commaLeftOut = syntax.takes(SyntaxRule.COMMA_LEFT_OUT) && tokens.sign('(');
        List<String> columns = commaLeftOut ? constraints.keyColumns() : List.of();
        clauseEnds.constraintEnd();
        return new ColumnClause.Key(primary, name, columns, place);
    }

    private void notClause(List<ColumnClause> into, String name) {
        tokens.advance();
        if (tokens.accept(Keyword.NULL)) {
            into.add(name.isEmpty() ? ColumnClause.NotNull.UNNAMED : new ColumnClause.NotNull(name));
            clauseEnds.constraintEnd();
        } else if (tokens.accept(Keyword.FOR)) {
            tokens.advance();
        } else if (tokens.is(Keyword.DEFERRABLE) || tokens.is(Keyword.VALID) || tokens.is(Keyword.ENFORCED)) {
            tokens.advance();
            clauseEnds.constraintEnd();
        } else {
            throw tokens.unreadable("NULL is expected behind NOT");
        }
    }

    private void defaultClause(List<ColumnClause> into) {
        tokens.advance();
        if (tokens.accept(Keyword.ON, Keyword.NULL)) {
            if (tokens.accept(Keyword.FOR, Keyword.INSERT) && (tokens.is(Keyword.AND) || tokens.is(Keyword.ONLY))) {
                tokens.advance(tokens.is(Keyword.AND) ? 2 : 1);
            }
            into.add(ColumnClause.NotNull.UNNAMED);
        } else if (tokens.accept(Keyword.ON, Keyword.UPDATE)) {
            into.add(new ColumnClause.OnUpdate(expressions.expression()));
            return;
        }
        int from = tokens.at();
        Expression expression = expressions.expression();
        boolean text = tokens.at() == from + 1 && tokens.quoted(from) && syntax.takes(SyntaxRule.QUOTED_DEFAULTS);
        into.add(new ColumnClause.Default(text ? Expression.of(Dialect.quotedText(tokens.nameAt(from)))
                : expression));
    }

    private void generated(List<ColumnClause> into) {
        tokens.advance();
        Identity kind = Identity.ALWAYS;
        if (tokens.accept(Keyword.BY)) {
            tokens.expect(Keyword.DEFAULT);
            tokens.accept(Keyword.ON, Keyword.NULL);
            kind = Identity.BY_DEFAULT;
        } else {
            tokens.accept(Keyword.ALWAYS);
        }
        tokens.expect(Keyword.AS);
        if (tokens.is(Keyword.IDENTITY)) {
            into.add(identity(kind));
        } else if (tokens.accept(Keyword.ROW)) {
            tokens.advance();
            tokens.accept("HIDDEN");
            into.add(ColumnClause.NotNull.UNNAMED);
        } else {
            into.add(computed());
        }
    }

    private ColumnClause computed() {
        int open = tokens.at();
        boolean typed = dialect.typesComputedColumns();
        Expression expression = typed ? expressions.inRound() : expressions.unbracketed();
        int inner = tokens.sign(open, '(') && expressions.closes(open) == tokens.at() ? 1 : 0;
        Optional<TypeName> cast = !typed && tokens.is(open + inner, "CAST")
                ? castTo(open + inner + 1, tokens.at() - 1 - inner) : Optional.empty();
        boolean virtual = dialect.computedVirtual();
        if (tokens.accept(Keyword.STORED) || tokens.accept(Keyword.PERSISTED) || tokens.accept(Keyword.PERSISTENT)) {
            virtual = false;
        } else if (tokens.accept(Keyword.VIRTUAL)) {
            virtual = true;
        }
        return new ColumnClause.Computed(expression, virtual, cast);
    }

    /** The type that a cast gives: the engine takes the type of a computed column from its expression. */
    private Optional<TypeName> castTo(int open, int last) {
        int end = tokens.at();
        tokens.goTo(open);
        tokens.skipRound();
        int close = tokens.at() - 1;
        Optional<TypeName> type = Optional.empty();
        int depth = 0;
        for (int i = close; i > open && close == last; i--) {
            depth += tokens.sign(i, ')') ? 1 : tokens.sign(i, '(') ? -1 : 0;
            if (depth == 1 && tokens.word(i) == Keyword.AS) {
                tokens.goTo(i + 1);
                type = Optional.of(types.type());
                break;
            }
        }
        tokens.goTo(end);
        return type;
    }

    private ColumnClause identity(Identity kind) {
        tokens.advance();
        Optional<Numbering> numbering = tokens.sign('(') ? Optional.of(numbers.inRound())
                : syntax.takes(SyntaxRule.BARE_NUMBERING) ? numbers.bareNumbers() : Optional.empty();
        return new ColumnClause.Numbered(kind, numbering);
    }
}
