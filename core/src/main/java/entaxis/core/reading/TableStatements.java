package entaxis.core.reading;

import entaxis.core.design.Attribute.Identity;
import entaxis.core.reading.SchemaBuilder.QName;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/** Reads CREATE TABLE and DROP TABLE. */
final class TableStatements {
    private static final Set<String> LIKENESS =
            Set.of("COMMENTS", "CONSTRAINTS", "DEFAULTS", "GENERATED", "IDENTITY", "INDEXES");
    private final TokenCursor tokens;
    private final SchemaBuilder builder;
    private final DefinitionParsers definitions;
    private final ReadingLog notes;
    private final StepOver pass;
    private final TableOptions tableOptions;

    TableStatements(TokenCursor tokens, SchemaBuilder builder, DefinitionParsers definitions, ReadingLog notes,
            StepOver pass) {
        this.tokens = tokens;
        this.builder = builder;
        this.definitions = definitions;
        this.notes = notes;
        this.pass = pass;
        this.tableOptions = new TableOptions(tokens, builder, definitions, notes, pass);
    }

    /** Reads CREATE TABLE from behind that word. */
    void create(int from, boolean temporary) {
        boolean onlyIfAbsent = tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        int at = tokens.at;
        QName name = definitions.names().qualified();
        if (temporary || name.name().startsWith("#") || name.namespace().equalsIgnoreCase("temp")
                || name.namespace().equalsIgnoreCase("tempdb")) {
            builder.passing.add(builder.key(name));
            pass.over(from, "temporary table");
            return;
        }
        boolean taken = builder.table(name).isPresent();
        if (taken || builder.programs.containsKey(builder.key(name))) {
            if (onlyIfAbsent) {
                pass.over(from, "table that is there already");
                return;
            }
            throw StatementException.conflict(at,
                    "a " + (taken ? "table " : "view ") + name.name() + " is there already");
        }
        if (tokens.is(Keyword.LIKE) || tokens.sign('(') && tokens.word(tokens.at + 1) == Keyword.LIKE
                && !builder.takes(SyntaxRule.LIKE_AMONG_ELEMENTS)) {
            likeMySql(name);
            return;
        }
        if (tokens.is(Keyword.AS) || tokens.is(Keyword.SELECT) || tokens.sign('(')
                && (tokens.word(tokens.at + 1) == Keyword.SELECT || tokens.word(tokens.at + 1) == Keyword.WITH)) {
            builder.passing.add(builder.key(name));
            throw new StatementException(from, "the columns of the table come from a query");
        }
        if (tokens.accept(Keyword.PARTITION)) {
            partition(name);
            return;
        }
        if (tokens.accept(Keyword.OF)) {
            ofType(name);
            return;
        }
        TableBuilder table = builder.create(name);
        if (tokens.accept(Keyword.COMMENT)) {
            table.comment = tokens.string();
        }
        List<Integer> constraints = new ArrayList<>(4);
        try {
            elements(table, constraints);
        } catch (StatementException reason) {
            if (table.columns.isEmpty()) {
                builder.remove(name, false);
                builder.passing.add(builder.key(name));
            }
            throw reason;
        }
        if (tokens.is(Keyword.INHERITS)) {
            inherited(table);
        }
        tableOptions.options(table);
        constraints(table, constraints);
        definitions.constraints().mergeEqualKeys(table);
    }

    /**
     * Reads the constraints, which may speak of columns that stand behind them or are inherited; leaves the cursor
     * where it is.
     */
    private void constraints(TableBuilder table, List<Integer> starts) {
        int end = tokens.at;
        for (int start : starts) {
            tokens.at = start;
            try {
                definitions.constraints().constraint(table);
                if (!tokens.sign(',') && !tokens.sign(')')
                        && !(builder.takes(SyntaxRule.CONSTRAINTS_WITHOUT_COMMA)
                                && definitions.constraints().atConstraint())) {
                    throw tokens.unreadable(tokens.atEnd() ? "the bracket of the table is not closed"
                            : "this clause is not understood here");
                }
            } catch (StatementException reason) {
                notes.notUnderstood(tokens.offset(reason.token()), tokens.excerpt(reason.token()), reason.getMessage(),
                        reason.isConflict());
            }
        }
        if (table.passedReferences) {
            notes.steppedOver(tokens.offset(0), "references that the storage engine does not keep");
            table.passedReferences = false;
        }
        tokens.at = end;
    }

    private void elements(TableBuilder table, List<Integer> constraints) {
        tokens.expectSign('(');
        if (tokens.acceptSign(')')) {
            return;
        }
        boolean more;
        do {
            int start = tokens.at;
            try {
                element(table, constraints);
                if (!tokens.sign(',') && !tokens.sign(')')) {
                    throw tokens.unreadable(tokens.atEnd() ? "the bracket of the table is not closed"
                            : "this clause is not understood here");
                }
            } catch (StatementException reason) {
                notes.notUnderstood(tokens.offset(reason.token()), tokens.excerpt(reason.token()), reason.getMessage(),
                        reason.isConflict());
                toNextElement(start);
            }
            more = tokens.acceptSign(',') && !(commaMayTrail() && tokens.sign(')'));
        } while (more);
        if (tokens.atEnd()) {
            return;
        }
        tokens.expectSign(')');
    }

    /** SQL Server takes a comma behind the last element; scripts in use have it, the reference says nothing of it. */
    private boolean commaMayTrail() {
        return builder.takes(SyntaxRule.TRAILING_COMMA);
    }

    /** Goes to the comma or bracket that ends the element which began at a token. */
    private void toNextElement(int start) {
        tokens.at = start;
        int depth = 0;
        while (!tokens.atEnd()) {
            if (depth == 0 && (tokens.sign(',') || tokens.sign(')'))) {
                return;
            }
            depth += tokens.sign('(') ? 1 : tokens.sign(')') ? -1 : 0;
            tokens.at++;
        }
    }

    private void element(TableBuilder table, List<Integer> constraints) {
        if (tokens.is(Keyword.LIKE)) {
            tokens.at++;
            int at = tokens.at;
            QName model = definitions.names().qualified();
            TableBuilder source = builder.table(model)
                    .orElseThrow(() -> StatementException.conflict(at, "no table " + model.name() + " is known here"));
            Set<String> taken = new HashSet<>();
            while (!tokens.sign(',') && !tokens.sign(')') && !tokens.atEnd()) {
                boolean including = tokens.accept(Keyword.INCLUDING);
                if (!including) {
                    tokens.at++;
                }
                String what = tokens.text(tokens.at, tokens.at + 1).toUpperCase(Locale.ROOT);
                Set<String> meant = what.equals("ALL") ? LIKENESS : Set.of(what);
                if (including) {
                    taken.addAll(meant);
                } else {
                    taken.removeAll(meant);
                }
                tokens.at++;
            }
            copyColumns(source, table, taken);
            if (taken.contains("CONSTRAINTS")) {
                table.checks.addAll(source.checks);
            }
            if (taken.contains("INDEXES")) {
                copyKeys(source, table);
            }
        } else if (definitions.constraints().atConstraint()) {
            constraints.add(tokens.at);
            toNextElement(tokens.at);
        } else {
            definitions.columns().column(table);
        }
    }

    /** PostgreSQL manual, CREATE TABLE ... LIKE: what may be taken along beside the columns. */
    private static void copyColumns(TableBuilder source, TableBuilder table, Set<String> taken) {
        for (ColumnBuilder column : source.columns) {
            ColumnBuilder copy = column.copy();
            copy.defaultValue = taken.contains("DEFAULTS") ? copy.defaultValue : "";
            copy.generated = taken.contains("GENERATED") ? copy.generated : "";
            copy.identity = taken.contains("IDENTITY") ? copy.identity : Identity.NONE;
            copy.comment = taken.contains("COMMENTS") ? copy.comment : "";
            table.add(copy);
        }
    }

    private void copyKeys(TableBuilder source, TableBuilder table) {
        source.primaryKey.ifPresent(key -> {
            if (table.primaryKey.isEmpty()) {
                definitions.constraints().setPrimaryKey(table, "", key.columns());
            }
        });
        source.uniqueKeys.forEach(key -> definitions.constraints().addUnique(table, "", key.columns()));
        source.indexes.forEach(index -> definitions.indexes().copyIndex(table, index));
    }

    /** MySQL manual, CREATE TABLE ... LIKE: columns, keys and indexes, but no foreign keys. */
    private void likeMySql(QName name) {
        boolean round = tokens.acceptSign('(');
        tokens.expect(Keyword.LIKE);
        int at = tokens.at;
        QName model = definitions.names().qualified();
        TableBuilder source = builder.table(model)
                .orElseThrow(() -> StatementException.conflict(at, "no table " + model.name() + " is known here"));
        if (round) {
            tokens.expectSign(')');
        }
        TableBuilder table = builder.create(name);
        copyColumns(source, table, LIKENESS);
        table.primaryKey = source.primaryKey;
        table.uniqueKeys.addAll(source.uniqueKeys);
        table.checks.addAll(source.checks);
        table.indexes.addAll(source.indexes);
        table.comment = source.comment;
    }

    /** PostgreSQL manual, CREATE TABLE ... PARTITION OF: a partition has what the whole has. */
    private void partition(QName name) {
        tokens.expect(Keyword.OF);
        int at = tokens.at;
        QName whole = definitions.names().qualified();
        TableBuilder parent = builder.table(whole)
                .orElseThrow(() -> StatementException.conflict(at, "no table " + whole.name() + " is known here"));
        TableBuilder table = builder.create(name);
        copyColumns(parent, table, Set.of("DEFAULTS", "GENERATED", "IDENTITY"));
        if (tokens.sign('(')) {
            partitionElements(table);
        }
        table.partition = true;
        inheritKeys(parent, table);
        parent.heirs.add(table);
        tableOptions.options(table);
    }

    /**
     * PostgreSQL manual, CREATE TABLE ... OF; Oracle Database SQL Language Reference, object tables: the columns are
     * the fields of a type.
     */
    private void ofType(QName name) {
        int at = tokens.at;
        QName type = definitions.names().qualified();
        if (!(builder.types.get(builder.key(type)) instanceof StructureDefinition structure)) {
            builder.passing.add(builder.key(name));
            throw StatementException.conflict(at, "no type " + type.name() + " with fields is known here");
        }
        TableBuilder table = builder.create(name);
        structure.fields().forEach(field -> table.add(new ColumnBuilder(field.name(), field.type())));
        if (tokens.sign('(')) {
            partitionElements(table);
        }
        tableOptions.options(table);
    }

    private void partitionElements(TableBuilder table) {
        tokens.expectSign('(');
        do {
            if (definitions.constraints().atConstraint()) {
                definitions.constraints().constraint(table);
            } else {
                ColumnBuilder column = definitions.lookup().existing(table, tokens.at);
                tokens.at++;
                tokens.accept(Keyword.WITH, Keyword.OPTIONS);
                definitions.columns().clauses(table, column);
            }
        } while (tokens.acceptSign(','));
        tokens.expectSign(')');
    }

    /** Gives a partition the keys of the whole. */
    void inheritKeys(TableBuilder parent, TableBuilder table) {
        table.checks.addAll(parent.checks);
        copyKeys(parent, table);
        for (ForeignKey key : parent.foreignKeys) {
            table.foreignKeys.add(key);
        }
    }

    /**
     * Gives a table the columns and conditions of one that it inherits (PostgreSQL manual, 5.11): its own columns come
     * behind, same ones become one.
     */
    private void inherit(TableBuilder parent, TableBuilder table) {
        parent.heirs.add(table);
        int place = 0;
        for (ColumnBuilder column : parent.columns) {
            int own = indexOf(table, column.name);
            if (own < 0) {
                ColumnBuilder copy = column.copy();
                copy.identity = Identity.NONE;
                copy.comment = "";
                table.columns.add(place++, copy);
            } else {
                ColumnBuilder both = table.column(column.name).orElseThrow();
                table.columns.remove(own);
                both.required |= column.required;
                both.defaultValue = both.defaultValue.isEmpty() ? column.defaultValue : both.defaultValue;
                table.columns.add(own < place ? own : place, both);
                place = own < place ? place : place + 1;
            }
        }
        table.touched();
        for (CheckRule check : parent.checks) {
            if (table.checks.stream().noneMatch(other -> other.name().equals(check.name()))) {
                table.checks.add(check);
            }
        }
    }

    private static int indexOf(TableBuilder table, String name) {
        for (int i = 0; i < table.columns.size(); i++) {
            if (table.same(table.columns.get(i).name, name)) {
                return i;
            }
        }
        return -1;
    }

    /** Reads INHERITS with its tables. */
    private void inherited(TableBuilder table) {
        tokens.at++;
        tokens.expectSign('(');
        List<TableBuilder> parents = new ArrayList<>();
        do {
            int at = tokens.at;
            QName name = definitions.names().qualified();
            parents.add(builder.table(name)
                    .orElseThrow(() -> StatementException.conflict(at, "no table " + name.name() + " is known here")));
        } while (tokens.acceptSign(','));
        tokens.expectSign(')');
        parents.reversed().forEach(parent -> inherit(parent, table));
    }

    /** Reads DROP TABLE from behind that word. */
    void drop(int from, boolean temporary) {
        boolean ifThere = tokens.accept(Keyword.IF, Keyword.EXISTS);
        boolean any = false;
        List<QName> names = new ArrayList<>();
        do {
            names.add(definitions.names().qualified());
        } while (tokens.acceptSign(','));
        ifThere |= tokens.accept(Keyword.IF, Keyword.EXISTS);
        boolean cascade = tokens.accept(Keyword.CASCADE);
        if (cascade) {
            tokens.acceptReading("CONSTRAINTS");
            tokens.accept(Keyword.CONSTRAINT);
        } else {
            tokens.accept(Keyword.RESTRICT);
        }
        tokens.acceptReading("PURGE");
        for (QName name : names) {
            any |= builder.table(name).isPresent();
            builder.remove(name, cascade);
            builder.passing.remove(builder.key(name));
        }
        if (!any || temporary) {
            notes.steppedOver(tokens.offset(from), "drop of what is not there");
        }
    }
}
