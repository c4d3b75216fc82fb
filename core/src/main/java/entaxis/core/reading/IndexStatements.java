package entaxis.core.reading;

import entaxis.core.reading.SchemaBuilder.QName;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.UniqueKey;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Reads CREATE, ALTER and DROP INDEX. */
final class IndexStatements {
    private final TokenCursor tokens;
    private final SchemaBuilder builder;
    private final DefinitionParsers definitions;
    private final ImpliedNames implied;
    private final StepOver pass;

    IndexStatements(TokenCursor tokens, SchemaBuilder builder, DefinitionParsers definitions, ImpliedNames implied,
            StepOver pass) {
        this.tokens = tokens;
        this.builder = builder;
        this.definitions = definitions;
        this.implied = implied;
        this.pass = pass;
    }

    // indexes

    /** Reads CREATE INDEX from behind that word. */
    void createIndex(boolean unique, boolean replace, String given) {
        int from = 0;
        tokens.accept(Keyword.CONCURRENTLY);
        boolean ifAbsent = tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        QName name = tokens.is(Keyword.ON) && tokens.word(tokens.at + 1) != Keyword.ON ? new QName("", "")
                : definitions.names().qualified();
        String method = given;
        if (tokens.accept(Keyword.USING)) {
            method = method(tokens.name());
        }
        tokens.expect(Keyword.ON);
        boolean only = tokens.accept(Keyword.ONLY);
        int at = tokens.at;
        if (tokens.accept(Keyword.CLUSTER)) {
            pass.over(from, "storage");
            return;
        }
        QName tableName = definitions.names().qualified();
        Optional<TableBuilder> found = builder.table(tableName);
        if (found.isEmpty()) {
            if (builder.passing.contains(builder.key(tableName))
                    || builder.programs.containsKey(builder.key(tableName))) {
                pass.over(from, "index of what is not kept");
                return;
            }
            throw StatementException.conflict(at, "no table " + tableName.name() + " is known here");
        }
        TableBuilder table = found.get();
        if (tokens.accept(Keyword.USING)) {
            method = method(tokens.name());
        }
        if (replace) {
            table.indexes.removeIf(index -> index.name().equalsIgnoreCase(name.name()));
            table.uniqueKeys.removeIf(key -> key.name().equalsIgnoreCase(name.name()));
        }
        if (ifAbsent && !name.name().isEmpty() && isThere(table, name.name())) {
            pass.over(from, "index that is there already");
            return;
        }
        List<IndexColumn> columns = definitions.indexes().indexColumns();
        Options options = options(method);
        String named = name.name().isEmpty() ? implied.index(table, IndexParser.nameParts(columns))
                : implied.given(table, name.name());
        List<IndexColumn> held = new ArrayList<>(columns.size());
        for (IndexColumn column : columns) {
            held.add(column.expression() ? column : column.named(table.spelled(column.name())
                    .orElseThrow(() -> StatementException.conflict(at,
                            "the table " + table.name + " has no column " + column.name()))));
        }
        definitions.indexes().addIndex(table,
                new TableIndex(named, unique, held, options.method(), options.predicate(), options.included()));
        if (!only && !table.heirs.isEmpty()) {
            partitionsGet(table, table.indexes.getLast());
        }
    }

    /** What stands behind the columns of an index. */
    private record Options(String method, Optional<String> predicate, List<String> included) { }

    private Options options(String given) {
        String method = given;
        Optional<String> predicate = Optional.empty();
        List<String> included = List.of();
        boolean batch = builder.takes(SyntaxRule.RUN_ON_STATEMENTS);
        while (!tokens.atEnd() && !(batch && tokens.startsStatement())) {
            if (tokens.accept(Keyword.WHERE)) {
                int begin = tokens.at;
                while (!tokens.atEnd() && !(batch
                        && (tokens.startsStatement() || tokens.is(Keyword.WITH) || tokens.is(Keyword.ON)))) {
                    tokens.at++;
                }
                predicate = Optional.of(definitions.expressions().withoutBrackets(begin, tokens.at));
            } else if (tokens.accept(Keyword.USING)) {
                method = method(tokens.name());
            } else if (builder.dialect.includesColumns() && tokens.accept(Keyword.INCLUDE)) {
                included = tokens.names();
            } else if (tokens.sign('(')) {
                tokens.skipRound();
            } else if (option()) {
                tokens.at++;
            } else {
                throw tokens.unreadable("this is not understood behind an index");
            }
        }
        return new Options(method, predicate, included);
    }

    private boolean isThere(TableBuilder table, String name) {
        return builder.takes(SyntaxRule.INDEXES_WITHIN_TABLE)
                ? table.indexes.stream().anyMatch(index -> index.name().equalsIgnoreCase(name))
                        || table.uniqueKeys.stream().anyMatch(key -> key.name().equalsIgnoreCase(name))
                : builder.tableOfIndex(name).isPresent();
    }

    /** PostgreSQL manual, CREATE INDEX: each partition gets one like it. */
    private void partitionsGet(TableBuilder whole, TableIndex index) {
        whole.heirs.stream().filter(heir -> heir.partition).forEach(part -> {
            definitions.indexes().copyIndex(part, index);
            partitionsGet(part, index);
        });
    }

    private boolean option() {
        byte kind = tokens.kind(tokens.at);
        return switch (tokens.word()) {
            case CREATE, INSERT, DROP, ALTER, SELECT -> false;
            default -> kind == TokenizedStatement.WORD || kind == TokenizedStatement.NAME
                    || kind == TokenizedStatement.NUMBER || kind == TokenizedStatement.STRING || tokens.sign('=')
                    || tokens.sign(',') || tokens.sign('.');
        };
    }

    private static String method(String name) {
        String lower = name.toLowerCase(Locale.ROOT);
        return lower.equals("btree") ? "" : lower;
    }

    void dropIndex(int from) {
        tokens.at++;
        tokens.accept(Keyword.CONCURRENTLY);
        boolean ifThere = tokens.accept(Keyword.IF, Keyword.EXISTS);
        do {
            int at = tokens.at;
            QName name = definitions.names().qualified();
            Optional<TableBuilder> table = tokens.accept(Keyword.ON) ? builder.table(definitions.names().qualified())
                    : builder.takes(SyntaxRule.INDEX_QUALIFIED_BY_TABLE) && !name.namespace().isEmpty()
                            ? builder.table(new QName("", name.namespace()))
                    : builder.tableOfIndex(name.name());
            boolean gone = table
                    .map(owner -> owner.indexes.removeIf(index -> index.name().equalsIgnoreCase(name.name()))
                            | (builder.dialect.uniqueIndexesAreKeys()
                                    && owner.uniqueKeys.removeIf(key -> key.name().equalsIgnoreCase(name.name()))))
                    .orElse(false);
            builder.forgetIndex(name.name());
            if (!gone && !ifThere) {
                throw StatementException.conflict(at, "no index " + name.name() + " is known here");
            }
        } while (tokens.acceptSign(','));
        if (builder.takes(SyntaxRule.OPTIONS_BEHIND_DROPPED_INDEX)) {
            while (!tokens.atEnd() && !(builder.takes(SyntaxRule.RUN_ON_STATEMENTS) && tokens.startsStatement())) {
                tokens.at++;
            }
        } else if (!tokens.accept(Keyword.CASCADE)) {
            tokens.accept(Keyword.RESTRICT);
        }
    }

    void alterIndex(int from) {
        tokens.at++;
        boolean ifThere = tokens.accept(Keyword.IF, Keyword.EXISTS);
        int at = tokens.at;
        QName name = definitions.names().qualified();
        if (!tokens.accept(Keyword.RENAME)) {
            pass.over(from, tokens.is(Keyword.ATTACH) ? "partitioning" : "storage options");
            return;
        }
        tokens.expect(Keyword.TO);
        String now = tokens.name();
        Optional<TableBuilder> table = builder.tableOfIndex(name.name());
        for (TableBuilder owner : builder.tables()) {
            if (table.isPresent()) {
                break;
            }
            boolean own = owner.primaryKey.filter(key -> key.name().equals(name.name())).isPresent()
                    || owner.uniqueKeys.stream().anyMatch(key -> key.name().equals(name.name()));
            table = own ? Optional.of(owner) : table;
        }
        if (table.isEmpty() && !ifThere) {
            throw StatementException.conflict(at, "no index " + name.name() + " is known here");
        }
        table.ifPresent(owner -> {
            owner.indexes.replaceAll(index -> index.name().equalsIgnoreCase(name.name())
                    ? index.named(now) : index);
            owner.uniqueKeys
                    .replaceAll(key -> key.name().equals(name.name()) ? new UniqueKey(now, key.columns()) : key);
            owner.primaryKey = owner.primaryKey
                    .map(key -> key.name().equals(name.name()) ? key.named(now) : key);
            builder.forgetIndex(name.name());
            builder.index(implied.given(owner, now), owner);
        });
    }
}
