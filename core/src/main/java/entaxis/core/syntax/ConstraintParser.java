package entaxis.core.syntax;

import entaxis.core.expression.Expression;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.sql.Dialect;
import entaxis.core.statement.IndexDefinition;
import entaxis.core.statement.TableConstraint;
import entaxis.core.token.Keyword;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Reads constraints of a table (ISO/IEC 9075-2, 11.6 to 11.9; the engines’ manuals). */
final class ConstraintParser {
    private final StatementCursor tokens;
    private final ScriptSyntax syntax;
    private final Dialect dialect;
    private final NameParser names;
    private final ExpressionParser expressions;
    private final ClauseEnds clauseEnds;
    private final IndexParser indexes;
    private final ReferenceParser references;

    ConstraintParser(StatementCursor tokens, ScriptSyntax syntax, NameParser names, ExpressionParser expressions,
            ClauseEnds clauseEnds, IndexParser indexes, ReferenceParser references) {
        this.tokens = tokens;
        this.syntax = syntax;
        this.dialect = Dialect.of(syntax.engine());
        this.names = names;
        this.expressions = expressions;
        this.clauseEnds = clauseEnds;
        this.indexes = indexes;
        this.references = references;
    }

    /** Whether a constraint of the table, rather than a column, begins here. */
    boolean begins() {
        Keyword next = tokens.ahead(1);
        return switch (tokens.word()) {
            case CONSTRAINT, PRIMARY, UNIQUE, FOREIGN, CHECK -> true;
            case EXCLUDE -> next == Keyword.USING || tokens.sign(tokens.at() + 1, '(');
            case KEY, INDEX -> syntax.takes(SyntaxRule.INLINE_KEYS)
                    || syntax.takes(SyntaxRule.INLINE_INDEXES) && tokens.is(Keyword.INDEX);
            case FULLTEXT, SPATIAL -> syntax.takes(SyntaxRule.INLINE_KEYS)
                    && (next == Keyword.KEY || next == Keyword.INDEX || next == Keyword.NONE);
            case PERIOD -> next == Keyword.FOR;
            default -> supplementalLog();
        };
    }

    /**
     * Oracle Database SQL Language Reference, supplemental_logging_props: it stands among the columns and says nothing
     * of them.
     */
    private boolean supplementalLog() {
        return tokens.is("SUPPLEMENTAL") && tokens.is(tokens.at() + 1, "LOG");
    }

    /**
     * Reads a constraint or, where they stand among the columns, an index; nothing where what stands here says nothing
     * about the table.
     */
    Optional<TableConstraint> constraint() {
        if (supplementalLog()) {
            tokens.skipElement();
            return Optional.empty();
        }
        return named(tokens.accept(Keyword.CONSTRAINT) ? given() : "");
    }

    /** Reads a constraint from behind its name. */
    Optional<TableConstraint> named(String name) {
        int place = tokens.place();
        return switch (tokens.word()) {
            case PRIMARY -> Optional.of(primaryKey(name, place));
            case UNIQUE -> Optional.of(unique(name, place));
            case FOREIGN -> Optional.of(foreignKey(name, place));
            case CHECK -> Optional.of(check(name));
            case KEY, INDEX -> {
                tokens.advance();
                yield indexes.amongColumns("").map(TableConstraint.Index::new);
            }
            case FULLTEXT, SPATIAL -> {
                String method = tokens.capitals(tokens.at()).toLowerCase(Locale.ROOT);
                tokens.advance();
                keyOrIndex();
                yield indexes.amongColumns(method).map(TableConstraint.Index::new);
            }
            case EXCLUDE -> Optional.of(exclusion(name));
            case PERIOD -> period(place);
            case NOT -> {
                tokens.advance();
                tokens.expect(Keyword.NULL);
                String column = tokens.name();
                clauseEnds.constraintEnd();
                yield Optional.of(new TableConstraint.NotNull(column));
            }
            case DEFAULT -> Optional.of(defaultOf());
            default -> throw tokens.unreadable("a constraint is expected here");
        };
    }

    /** The name behind CONSTRAINT, where one is given. */
    private String given() {
        boolean named = switch (tokens.word()) {
            case PRIMARY, UNIQUE, FOREIGN, CHECK ->
                    !tokens.isName(tokens.at() + 1) && !tokens.sign(tokens.at() + 1, '(');
            default -> true;
        };
        boolean key = tokens.is(Keyword.FOREIGN, Keyword.KEY) || tokens.is(Keyword.PRIMARY, Keyword.KEY);
        return named && !key ? names.newName() : "";
    }

    private void keyOrIndex() {
        if (!tokens.accept(Keyword.KEY)) {
            tokens.accept(Keyword.INDEX);
        }
    }

    private TableConstraint check(String name) {
        tokens.advance();
        clauseEnds.notForReplication();
        Expression condition = expressions.inRound();
        clauseEnds.constraintEnd();
        return new TableConstraint.Check(name, condition);
    }

    private TableConstraint defaultOf() {
        tokens.advance();
        Expression expression = expressions.expression();
        tokens.expect(Keyword.FOR);
        int place = tokens.place();
        String column = tokens.name();
        tokens.accept(Keyword.WITH, Keyword.VALUES);
        return new TableConstraint.Default(column, place, expression);
    }

    private TableConstraint foreignKey(String name, int place) {
        tokens.advance();
        tokens.expect(Keyword.KEY);
        tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        String own = tokens.sign('(') ? "" : tokens.name();
        List<String> columns = tokens.names();
        tokens.expect(Keyword.REFERENCES);
        // MySQL manual, “FOREIGN KEY Constraints”: the name of the index is none of the reference; MariaDB
        // takes it for both
        boolean apart = syntax.takes(SyntaxRule.REFERENCE_NAMED_APART);
        return new TableConstraint.ForeignKey(!name.isEmpty() || apart ? name : own, columns, references.reference(),
                place);
    }

    private TableConstraint primaryKey(String name, int place) {
        tokens.advance();
        tokens.expect(Keyword.KEY);
        clauseEnds.clustering();
        if (tokens.is(Keyword.USING, Keyword.INDEX)) {
            return fromIndex(true, name);
        }
        clauseEnds.indexMethod();
        if (!tokens.sign('(') && syntax.takes(SyntaxRule.INLINE_KEYS)) {
            tokens.name();
            clauseEnds.indexMethod();
        }
        int open = tokens.at();
        List<String> columns = keyColumns();
        List<IndexColumn> parts = dialect.prefixIndexes() ? partsFrom(open) : List.of();
        clauseEnds.constraintEnd();
        return new TableConstraint.PrimaryKey(name, columns, parts, place);
    }

    /** The same brackets with the lengths behind the columns. */
    private List<IndexColumn> partsFrom(int open) {
        tokens.goTo(open);
        return indexes.columns();
    }

    private TableConstraint unique(String given, int place) {
        tokens.advance();
        keyOrIndex();
        tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        clauseEnds.clustering();
        clauseEnds.nullsDistinct();
        if (tokens.is(Keyword.USING, Keyword.INDEX)) {
            return fromIndex(false, given);
        }
        boolean inline = syntax.takes(SyntaxRule.INLINE_KEYS);
        String name = given;
        if (!tokens.sign('(') && !tokens.is(Keyword.USING)) {
            String own = tokens.name();
            name = inline || given.isEmpty() ? own : given;
        }
        clauseEnds.indexMethod();
        if (inline && tokens.sign('(')) {
            List<IndexColumn> parts = indexes.columns();
            clauseEnds.constraintEnd();
            return new TableConstraint.Unique(name, parts.stream().map(IndexColumn::name).toList(), parts, place);
        }
        List<String> columns = keyColumns();
        clauseEnds.constraintEnd();
        return new TableConstraint.Unique(name, columns, List.of(), place);
    }

    private TableConstraint fromIndex(boolean primary, String given) {
        if (!syntax.takes(SyntaxRule.KEYS_FROM_INDEXES)) {
            clauseEnds.constraintEnd();
            throw tokens.unreadable("the columns of the key are expected here");
        }
        tokens.advance(2);
        int place = tokens.place();
        String index = tokens.name();
        clauseEnds.constraintEnd();
        return new TableConstraint.KeyFromIndex(primary, given, index, place);
    }

    /** The columns of a key; order, length and collation of each say nothing about what it keeps apart. */
    List<String> keyColumns() {
        tokens.expectSign('(');
        List<String> columns = new ArrayList<>(2);
        do {
            columns.add(tokens.name());
            while (!tokens.sign(',') && !tokens.sign(')') && !tokens.atEnd()) {
                if (tokens.sign('(')) {
                    tokens.skipRound();
                } else if (tokens.is(Keyword.COLLATE) || tokens.is(Keyword.WITHOUT)) {
                    tokens.advance(2);
                } else if (!tokens.accept(Keyword.ASC) && !tokens.accept(Keyword.DESC)) {
                    throw tokens.unreadable("a comma or a bracket is expected here");
                }
            }
        } while (tokens.acceptSign(','));
        tokens.expectSign(')');
        return columns;
    }

    /** MariaDB manual, “Application-Time Periods”; those of the system say nothing here. */
    private Optional<TableConstraint> period(int place) {
        tokens.advance(2);
        String name = tokens.name();
        if (!syntax.takes(SyntaxRule.APPLICATION_PERIODS) || name.equalsIgnoreCase("system_time")) {
            tokens.skipRound();
            return Optional.empty();
        }
        return Optional.of(new TableConstraint.Period(name, tokens.names(), place));
    }

    /** PostgreSQL manual, CREATE TABLE, EXCLUDE. */
    private TableConstraint exclusion(String name) {
        tokens.advance();
        String method = tokens.accept(Keyword.USING) ? tokens.name() : "";
        List<IndexColumn> columns = indexes.excludedColumns();
        List<String> included = tokens.accept(Keyword.INCLUDE) ? tokens.names() : List.of();
        if (tokens.accept(Keyword.WITH)) {
            tokens.skipRound();
        }
        Optional<Expression> predicate =
                tokens.accept(Keyword.WHERE) ? Optional.of(expressions.inRound()) : Optional.empty();
        clauseEnds.constraintEnd();
        return new TableConstraint.Exclusion(new IndexDefinition(name, false, columns,
                method.equals("btree") ? "" : method, predicate, included));
    }
}
