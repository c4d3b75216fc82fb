package entaxis.core.reading;

import entaxis.core.schema.CheckRule;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.UniqueKey;
import entaxis.core.token.Lexer;
import entaxis.core.token.Token;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;

/** Reads constraints of a table (ISO/IEC 9075-2, 11.6 to 11.9; the engines’ manuals). */
final class ConstraintParser {
    private final TokenCursor tokens;
    private final SchemaBuilder builder;
    private final ImpliedNames implied;
    private final NameParser names;
    private final ExpressionParser expressions;
    private final ClauseEnds clauseEnds;
    private final ColumnDefaults defaults;
    private final ColumnLookup lookup;
    private final IndexParser indexes;
    private final ReferenceParser references;

    ConstraintParser(TokenCursor tokens, SchemaBuilder builder, ImpliedNames implied, NameParser names,
            ExpressionParser expressions, ClauseEnds clauseEnds, ColumnDefaults defaults, ColumnLookup lookup,
            IndexParser indexes, ReferenceParser references) {
        this.tokens = tokens;
        this.builder = builder;
        this.implied = implied;
        this.names = names;
        this.expressions = expressions;
        this.clauseEnds = clauseEnds;
        this.defaults = defaults;
        this.lookup = lookup;
        this.indexes = indexes;
        this.references = references;
    }

    /** Whether a constraint of the table, rather than a column, begins here. */
    boolean atConstraint() {
        Keyword next = tokens.word(tokens.at + 1);
        return switch (tokens.word()) {
            case CONSTRAINT, PRIMARY, UNIQUE, FOREIGN, CHECK -> true;
            case EXCLUDE -> next == Keyword.USING || tokens.sign(tokens.at + 1, '(');
            case KEY, INDEX -> builder.takes(SyntaxRule.INLINE_KEYS)
                    || builder.takes(SyntaxRule.INLINE_INDEXES) && tokens.is(Keyword.INDEX);
            case FULLTEXT, SPATIAL -> builder.takes(SyntaxRule.INLINE_KEYS)
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
        return tokens.reads(tokens.at, "SUPPLEMENTAL") && tokens.reads(tokens.at + 1, "LOG");
    }

    // constraints of a table

    /** Reads a constraint or, where they stand among the columns, an index. */
    void constraint(TableBuilder table) {
        if (supplementalLog()) {
            while (!tokens.atEnd() && !tokens.sign(',') && !tokens.sign(')')) {
                if (tokens.sign('(')) {
                    tokens.skipRound();
                } else {
                    tokens.at++;
                }
            }
            return;
        }
        String name = tokens.accept(Keyword.CONSTRAINT) ? given(table) : "";
        switch (tokens.word()) {
            case PRIMARY -> primaryKey(table, name);
            case UNIQUE -> unique(table, name);
            case FOREIGN -> foreignKey(table, name);
            case CHECK -> {
                tokens.at++;
                clauseEnds.notForReplication();
                String condition = tokens.inRound();
                addCheck(table, name, condition, "");
                clauseEnds.constraintEnd();
            }
            case KEY, INDEX -> {
                tokens.at++;
                indexes.index(table, false, "");
            }
            case FULLTEXT, SPATIAL -> {
                String method = tokens.text(tokens.at, tokens.at + 1).toLowerCase(Locale.ROOT);
                tokens.at++;
                if (!tokens.accept(Keyword.KEY)) {
                    tokens.accept(Keyword.INDEX);
                }
                indexes.index(table, false, method);
            }
            case EXCLUDE -> exclude(table, name);
            case PERIOD -> period(table);
            case NOT -> {
                tokens.at++;
                tokens.expect(Keyword.NULL);
                table.require(tokens.name());
                clauseEnds.constraintEnd();
            }
            case DEFAULT -> {
                tokens.at++;
                String expression = expressions.expression();
                tokens.expect(Keyword.FOR);
                ColumnBuilder column = lookup.existing(table, tokens.at);
                tokens.at++;
                defaults.setDefault(column, expression);
                tokens.accept(Keyword.WITH, Keyword.VALUES);
            }
            default -> throw tokens.unreadable("a constraint is expected here");
        }
    }

    /** The name behind CONSTRAINT, where one is given. */
    private String given(TableBuilder table) {
        boolean named = switch (tokens.word()) {
            case PRIMARY, UNIQUE, FOREIGN, CHECK -> !tokens.isName(tokens.at + 1) && !tokens.sign(tokens.at + 1, '(');
            default -> true;
        };
        boolean key = tokens.is(Keyword.FOREIGN, Keyword.KEY) || tokens.is(Keyword.PRIMARY, Keyword.KEY);
        return named && !key ? implied.given(table, names.newName()) : "";
    }

    private void foreignKey(TableBuilder table, String name) {
        tokens.at++;
        tokens.expect(Keyword.KEY);
        tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        String own = tokens.sign('(') ? "" : tokens.name();
        List<String> columns = tokens.names();
        tokens.expect(Keyword.REFERENCES);
        // MySQL manual, “FOREIGN KEY Constraints”: the name of the index is none of the reference; MariaDB
        // takes it for both
        references.addForeignKey(table, !name.isEmpty() || builder.takes(SyntaxRule.REFERENCE_NAMED_APART) ? name : own,
                columns);
    }

    private void primaryKey(TableBuilder table, String name) {
        tokens.at++;
        tokens.expect(Keyword.KEY);
        clauseEnds.clustering();
        if (tokens.is(Keyword.USING, Keyword.INDEX)) {
            useIndex(table, name, true);
            return;
        }
        clauseEnds.indexMethod();
        if (!tokens.sign('(') && builder.takes(SyntaxRule.INLINE_KEYS)) {
            tokens.name();
            clauseEnds.indexMethod();
        }
        int at = tokens.at;
        List<String> columns = keyColumns();
        setPrimaryKey(table, name, columns);
        if (builder.dialect.prefixIndexes()) {
            table.primaryKey =
                    table.primaryKey.map(key -> new PrimaryKey(key.name(), key.columns(), prefixes(table, at)));
        }
        clauseEnds.constraintEnd();
    }

    private void unique(TableBuilder table, String given) {
        tokens.at++;
        if (!tokens.accept(Keyword.KEY)) {
            tokens.accept(Keyword.INDEX);
        }
        tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        clauseEnds.clustering();
        clauseEnds.nullsDistinct();
        if (tokens.is(Keyword.USING, Keyword.INDEX)) {
            useIndex(table, given, false);
            return;
        }
        String name = given;
        if (!tokens.sign('(') && !tokens.is(Keyword.USING)) {
            String own = tokens.name();
            name = builder.takes(SyntaxRule.INLINE_KEYS) || given.isEmpty() ? own : given;
        }
        clauseEnds.indexMethod();
        if (builder.takes(SyntaxRule.INLINE_KEYS) && tokens.sign('(')) {
            List<IndexColumn> columns = indexes.indexColumns();
            clauseEnds.constraintEnd();
            if (columns.stream()
                    .anyMatch(column -> column.expression() || column.descending() || column.prefix().isPresent())) {
                String indexName = name.isEmpty() ? implied.index(table, List.of(columns.getFirst().name())) : name;
                indexes.addIndex(table, new TableIndex(indexName, true, columns));
            } else {
                addUnique(table, name, columns.stream().map(IndexColumn::name).toList());
            }
            return;
        }
        List<String> columns = keyColumns();
        addUnique(table, name, columns);
        clauseEnds.constraintEnd();
    }

    /** PostgreSQL manual, ALTER TABLE: ADD table_constraint_using_index. */
    private void useIndex(TableBuilder table, String given, boolean primary) {
        tokens.at += 2;
        int at = tokens.at;
        if (!builder.takes(SyntaxRule.KEYS_FROM_INDEXES)) {
            tokens.at = at - 2;
            clauseEnds.constraintEnd();
            throw tokens.unreadable("the columns of the key are expected here");
        }
        String name = tokens.name();
        TableIndex index = table.indexes.stream().filter(own -> own.name().equals(name)).findFirst()
                .orElseThrow(
                        () -> StatementException.conflict(at, "the table " + table.name + " has no index " + name));
        table.indexes.remove(index);
        List<String> columns = index.columns().stream().map(IndexColumn::name).toList();
        String named = given.isEmpty() ? name : given;
        if (primary) {
            setPrimaryKey(table, named, columns);
        } else {
            table.uniqueKeys.add(new UniqueKey(named, columns));
        }
        clauseEnds.constraintEnd();
    }

    /** The columns of a key; order, length and collation of each say nothing about what it keeps apart. */
    List<String> keyColumns() {
        tokens.expectSign('(');
        List<String> names = new ArrayList<>(2);
        do {
            names.add(tokens.name());
            while (!tokens.sign(',') && !tokens.sign(')') && !tokens.atEnd()) {
                if (tokens.sign('(')) {
                    tokens.skipRound();
                } else if (tokens.is(Keyword.ASC) || tokens.is(Keyword.DESC) || tokens.is(Keyword.COLLATE)
                        || tokens.is(Keyword.WITHOUT)) {
                    tokens.at += tokens.is(Keyword.COLLATE) || tokens.is(Keyword.WITHOUT) ? 2 : 1;
                } else {
                    throw tokens.unreadable("a comma or a bracket is expected here");
                }
            }
        } while (tokens.acceptSign(','));
        tokens.expectSign(')');
        return names;
    }

    /** The lengths behind columns in the brackets that open at a token, without those that are the whole column. */
    private Map<String, Integer> prefixes(TableBuilder table, int open) {
        Map<String, Integer> prefixes = new HashMap<>();
        int behind = tokens.at;
        tokens.at = open;
        for (IndexColumn column : indexes.indexColumns()) {
            IndexColumn part = indexes.whole(table, column);
            part.prefix().ifPresent(length -> prefixes
                    .put(table.column(part.name()).map(own -> own.name).orElse(part.name()), length));
        }
        tokens.at = behind;
        return prefixes;
    }

    /** MariaDB manual, “Application-Time Periods”: both ends need a value, and the first comes before the second. */
    private void period(TableBuilder table) {
        tokens.at += 2;
        String name = tokens.name();
        if (!builder.takes(SyntaxRule.APPLICATION_PERIODS) || name.equalsIgnoreCase("system_time")) {
            tokens.skipRound();
            return;
        }
        List<String> ends = lookup.heldColumns(table, tokens.names());
        ends.forEach(table::require);
        table.checks.add(new CheckRule(name, "`" + ends.getFirst() + "` < `" + ends.getLast() + "`"));
    }

    private void exclude(TableBuilder table, String name) {
        int from = tokens.at;
        tokens.at++;
        boolean method = tokens.accept(Keyword.USING);
        if (method) {
            tokens.name();
        }
        List<String> excluded = excluded();
        if (tokens.accept(Keyword.WHERE)) {
            tokens.skipRound();
        }
        String text = method ? tokens.text(from, tokens.at) : "EXCLUDE USING btree " + tokens.text(from + 1, tokens.at);
        table.indexes.add(new TableIndex(name.isEmpty() ? implied.exclusion(table, excluded) : name, false,
                List.of(new IndexColumn(text, false, true, OptionalInt.empty())),
                "exclude", Optional.empty()));
        clauseEnds.constraintEnd();
    }

    /**
     * The columns that an exclusion is about, for its name; an expression has none (PostgreSQL source,
     * ChooseIndexColumnNames).
     */
    private List<String> excluded() {
        int open = tokens.at;
        tokens.skipRound();
        int close = tokens.at;
        List<String> names = new ArrayList<>();
        int depth = 0;
        for (int i = open; i < close; i++) {
            boolean first = depth == 1 && (tokens.sign(i - 1, ',') || i == open + 1);
            if (first) {
                boolean plain = tokens.isName(i) && !tokens.sign(i + 1, '(') && !tokens.sign(i + 1, '.');
                names.add(plain ? tokens.nameAt(i) : tokens.isName(i) && tokens.sign(i + 1, '(') ? tokens.nameAt(i)
                        : "expr");
            }
            depth += tokens.sign(i, '(') ? 1 : tokens.sign(i, ')') ? -1 : 0;
        }
        return names;
    }

    void setPrimaryKey(TableBuilder table, String name, List<String> columns) {
        if (table.primaryKey.isPresent()) {
            throw StatementException.conflict(tokens.constraint(),
                    "the table " + table.name + " already has a primary key");
        }
        List<String> held = lookup.heldColumns(table, columns);
        String named =
                name.isEmpty() || builder.dialect.primaryKeyName().isPresent() ? implied.primaryKey(table) : name;
        table.primaryKey = Optional.of(new PrimaryKey(named, held));
        if (!builder.takes(SyntaxRule.KEYS_TAKE_NULL)) {
            held.forEach(table::require);
        }
    }

    /**
     * Leaves out unique keys over the columns of the primary key, or of another unique key, of one CREATE TABLE; a name
     * that was given goes to the one that stays (PostgreSQL source, transformIndexConstraints).
     */
    void mergeEqualKeys(TableBuilder table) {
        if (!builder.takes(SyntaxRule.MERGES_EQUAL_KEYS) || table.uniqueKeys.isEmpty()) {
            return;
        }
        List<UniqueKey> kept = new ArrayList<>();
        for (UniqueKey key : table.uniqueKeys) {
            boolean primary = table.primaryKey.filter(own -> own.columns().equals(key.columns())).isPresent();
            int before = 0;
            while (before < kept.size() && !kept.get(before).columns().equals(key.columns())) {
                before++;
            }
            if (primary) {
                table.primaryKey = table.primaryKey
                        .map(own -> own.named(oneName(table, own.name(), key.name())));
            } else if (before < kept.size()) {
                kept.set(before, new UniqueKey(oneName(table, kept.get(before).name(), key.name()), key.columns()));
            } else {
                kept.add(key);
            }
        }
        table.uniqueKeys.clear();
        table.uniqueKeys.addAll(kept);
    }

    private String oneName(TableBuilder table, String first, String second) {
        return implied.isMadeUp(table, first) && !implied.isMadeUp(table, second) ? second : first;
    }

    void addUnique(TableBuilder table, String name, List<String> columns) {
        List<String> held = lookup.heldColumns(table, columns);
        table.uniqueKeys.add(new UniqueKey(name.isEmpty() ? implied.unique(table, held) : name, held));
    }

    void addCheck(TableBuilder table, String name, String condition, String column) {
        String spoken = name.isEmpty() && implied.namesChecksByCondition() ? onlyColumn(table, condition) : column;
        table.checks.add(new CheckRule(name.isEmpty() ? implied.check(table, spoken) : name, condition));
    }

    /** The column that a condition speaks of, if it is one only: PostgreSQL names the constraint after it. */
    private static String onlyColumn(TableBuilder table, String condition) {
        List<String> spoken = Lexer.tokens(condition).stream().filter(Token::isName)
                .flatMap(token -> table.spelled(token.text().startsWith("\"") ? token.name()
                : token.name().toLowerCase(Locale.ROOT)).stream()).distinct().limit(2).toList();
        return spoken.size() == 1 ? spoken.getFirst() : "";
    }
}
