package entaxis.core.syntax;

import entaxis.core.expression.Expression;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.sql.Dialect;
import entaxis.core.statement.CreateIndex;
import entaxis.core.statement.DropIndexes;
import entaxis.core.statement.IndexDefinition;
import entaxis.core.statement.PlacedName;
import entaxis.core.statement.RenameIndex;
import entaxis.core.statement.Statement;
import entaxis.core.token.Keyword;
import entaxis.core.token.Token.Kind;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Reads CREATE, ALTER and DROP INDEX. */
final class IndexStatementParser {
    private final StatementCursor tokens;
    private final ScriptSyntax syntax;
    private final Dialect dialect;
    private final ElementParsers parsers;
    private final StatementEnd statementEnd;

    IndexStatementParser(StatementCursor tokens, ScriptSyntax syntax, ElementParsers parsers,
            StatementEnd statementEnd) {
        this.tokens = tokens;
        this.syntax = syntax;
        this.dialect = Dialect.of(syntax.engine());
        this.parsers = parsers;
        this.statementEnd = statementEnd;
    }

    /** Reads CREATE INDEX from behind that word. */
    ParsedStatement create(int from, boolean unique, boolean replace, String kind) {
        tokens.accept(Keyword.CONCURRENTLY);
        boolean onlyIfAbsent = tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        QualifiedName name = tokens.is(Keyword.ON) && tokens.ahead(1) != Keyword.ON ? new QualifiedName("", "")
                : parsers.names().qualified();
        String method = method(kind);
        tokens.expect(Keyword.ON);
        boolean only = tokens.accept(Keyword.ONLY);
        if (tokens.accept(Keyword.CLUSTER)) {
            return ParsedStatement.whole(statementEnd.skip(from, "storage"));
        }
        PlacedName table = parsers.names().placed();
        Optional<IndexDefinition> definition = Optional.empty();
        Optional<SyntaxException> error = Optional.empty();
        try {
            definition = Optional.of(definition(name.name(), unique, method(method)));
        } catch (SyntaxException reason) {
            error = Optional.of(reason);
        }
        return new ParsedStatement(new CreateIndex(name, table, onlyIfAbsent, replace, only, definition), error);
    }

    private IndexDefinition definition(String name, boolean unique, String given) {
        List<IndexColumn> columns = parsers.indexes().columns();
        String method = given;
        Optional<Expression> predicate = Optional.empty();
        List<String> included = List.of();
        boolean batch = syntax.takes(SyntaxRule.RUN_ON_STATEMENTS);
        while (!tokens.atEnd() && !(batch && tokens.startsStatement())) {
            if (tokens.accept(Keyword.WHERE)) {
                predicate = Optional.of(predicate(batch));
            } else if (tokens.is(Keyword.USING)) {
                method = method(method);
            } else if (dialect.includesColumns() && tokens.accept(Keyword.INCLUDE)) {
                included = tokens.names();
            } else if (tokens.sign('(')) {
                tokens.skipRound();
            } else if (isOption()) {
                tokens.advance();
            } else {
                throw tokens.unreadable("this is not understood behind an index");
            }
        }
        return new IndexDefinition(name, unique, columns, method, predicate, included);
    }

    private Expression predicate(boolean batch) {
        int begin = tokens.at();
        while (!tokens.atEnd() && !(batch
                && (tokens.startsStatement() || tokens.is(Keyword.WITH) || tokens.is(Keyword.ON)))) {
            tokens.advance();
        }
        return parsers.expressions().withoutBrackets(begin, tokens.at());
    }

    private boolean isOption() {
        Kind kind = tokens.kind();
        return switch (tokens.word()) {
            case CREATE, INSERT, DROP, ALTER, SELECT -> false;
            default -> kind == Kind.WORD || kind == Kind.QUOTED_NAME
                    || kind == Kind.NUMBER || kind == Kind.STRING || tokens.sign('=')
                    || tokens.sign(',') || tokens.sign('.');
        };
    }

    /** The kind of index behind USING, if that stands here. */
    private String method(String otherwise) {
        if (!tokens.accept(Keyword.USING)) {
            return otherwise;
        }
        String lower = tokens.name().toLowerCase(Locale.ROOT);
        return lower.equals("btree") ? "" : lower;
    }

    /** Reads DROP INDEX from that word on. */
    Statement drop() {
        tokens.advance();
        tokens.accept(Keyword.CONCURRENTLY);
        boolean ifExists = tokens.accept(Keyword.IF, Keyword.EXISTS);
        List<DropIndexes.Dropped> indexes = new ArrayList<>(1);
        do {
            PlacedName index = parsers.names().placed();
            Optional<QualifiedName> table = tokens.accept(Keyword.ON) ? Optional.of(parsers.names().qualified())
                    : syntax.takes(SyntaxRule.INDEX_QUALIFIED_BY_TABLE) && !index.name().namespace().isEmpty()
                            ? Optional.of(new QualifiedName("", index.name().namespace()))
                    : Optional.empty();
            indexes.add(new DropIndexes.Dropped(index, table));
        } while (tokens.acceptSign(','));
        if (syntax.takes(SyntaxRule.OPTIONS_BEHIND_DROPPED_INDEX)) {
            while (!tokens.atEnd() && !(syntax.takes(SyntaxRule.RUN_ON_STATEMENTS) && tokens.startsStatement())) {
                tokens.advance();
            }
        } else if (!tokens.accept(Keyword.CASCADE)) {
            tokens.accept(Keyword.RESTRICT);
        }
        return new DropIndexes(indexes, ifExists);
    }

    /** Reads ALTER INDEX from that word on. */
    Statement alter(int from) {
        tokens.advance();
        boolean ifExists = tokens.accept(Keyword.IF, Keyword.EXISTS);
        PlacedName name = parsers.names().placed();
        if (!tokens.accept(Keyword.RENAME)) {
            return statementEnd.skip(from, tokens.is(Keyword.ATTACH) ? "partitioning" : "storage options");
        }
        tokens.expect(Keyword.TO);
        return new RenameIndex(name, ifExists, tokens.name());
    }
}
