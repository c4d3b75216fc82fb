package entaxis.core.reading;

import entaxis.core.reading.SchemaBuilder.QName;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.UniqueKey;
import java.util.Optional;

/** Reads ALTER TABLE: ISO/IEC 9075-2, 11.10 to 11.30, and what each engine's manual has beside. */
final class AlterTableStatements {
    /** Whether the statement leaves heirs alone. */
    private boolean only;
    private final TokenCursor tokens;
    private final SchemaBuilder builder;
    private final DefinitionParsers definitions;
    private final AlterColumnStatements columns;
    private final DropClauses drops;
    private final ColumnRedefinitions redefinitions;
    private final ImpliedNames implied;
    private final StepOver pass;

    AlterTableStatements(TokenCursor tokens, SchemaBuilder builder, DefinitionParsers definitions, TypeParser types,
            ImpliedNames implied, StepOver pass) {
        this.tokens = tokens;
        this.builder = builder;
        this.definitions = definitions;
        this.redefinitions = new ColumnRedefinitions(tokens, builder, definitions, types);
        this.columns = new AlterColumnStatements(tokens, builder, definitions, types, pass);
        this.drops = new DropClauses(tokens, builder, pass);
        this.implied = implied;
        this.pass = pass;
    }

    /** Reads ALTER TABLE from behind those words. */
    void alter(int from) {
        if (tokens.is(Keyword.ALL)) {
            pass.over(from, "storage options");
            return;
        }
        boolean ifThere = tokens.accept(Keyword.IF, Keyword.EXISTS);
        only = tokens.accept(Keyword.ONLY);
        int at = tokens.at;
        QName name = definitions.names().qualified();
        tokens.acceptSign('*');
        Optional<TableBuilder> found = builder.table(name);
        if (found.isEmpty()) {
            if (ifThere || name.name().startsWith("#") || builder.passing.contains(builder.key(name))) {
                pass.over(from, "change of a table that is not kept");
                return;
            }
            if (tokens.is(Keyword.OWNER, Keyword.TO)) {
                pass.over(from, "owner");
                return;
            }
            throw StatementException.conflict(at, "no table " + name.name() + " is known here");
        }
        TableBuilder table = found.get();
        if (tokens.atEnd()) {
            throw tokens.unreadable("the statement ends before it says what to change");
        }
        Keyword verb = Keyword.NONE;
        boolean more = true;
        while (more) {
            boolean repeated = builder.takes(SyntaxRule.ALTER_LISTS)
                    && (verb == Keyword.ADD && !isVerb(tokens.word()) || verb == Keyword.DROP
                            && (tokens.is(Keyword.CONSTRAINT) || tokens.is(Keyword.COLUMN)));
            if (!repeated) {
                verb = tokens.word();
            }
            boolean passed = action(table, new QName(table.namespace, table.name), verb, repeated, from);
            if (passed) {
                return;
            }
            verb = verb == Keyword.WITH ? Keyword.ADD : verb;
            more = tokens.acceptSign(',') || builder.takes(SyntaxRule.ACTIONS_WITHOUT_COMMA) && !tokens.atEnd()
                    && isVerb(tokens.word());
        }
    }

    /** Whether a word begins a change of a table. */
    static boolean isVerb(Keyword word) {
        return switch (word) {
            case ADD, DROP, ALTER, MODIFY, CHANGE, RENAME, ENABLE, DISABLE -> true;
            default -> false;
        };
    }

    /** Reads one change; true if the rest of the statement was passed with it. */
    private boolean action(TableBuilder table, QName name, Keyword verb, boolean repeated, int from) {
        if (!repeated && (verb == Keyword.ADD || verb == Keyword.DROP)) {
            tokens.at++;
        }
        switch (verb) {
            case ADD -> {
                return add(table, from);
            }
            case DROP -> {
                return drop(table, from);
            }
            case ALTER -> {
                tokens.at++;
                return columns.alterColumn(table, from);
            }
            case MODIFY -> {
                tokens.at++;
                redefinitions.modify(table);
            }
            case CHANGE -> {
                tokens.at++;
                tokens.accept(Keyword.COLUMN);
                tokens.accept(Keyword.IF, Keyword.EXISTS);
                ColumnBuilder column = definitions.lookup().existing(table, tokens.at);
                tokens.at++;
                redefinitions.redefine(table, column);
            }
            case RENAME -> {
                tokens.at++;
                rename(table, name);
            }
            case WITH -> {
                return withCheck(table, from);
            }
            case INHERIT, NO, ATTACH, DETACH -> belonging(table, verb);
            default -> {
                return setting(table, name, verb, from);
            }
        }
        return false;
    }

    private boolean drop(TableBuilder table, int from) {
        if (builder.takes(SyntaxRule.UNUSED_COLUMNS) && tokens.reads(tokens.at, "UNUSED")) {
            pass.over(from, "storage options");
            return true;
        }
        return drops.drop(table, from);
    }

    /** Transact-SQL Reference, ALTER TABLE: WITH CHECK and WITH NOCHECK before ADD. */
    private boolean withCheck(TableBuilder table, int from) {
        tokens.at++;
        if (!tokens.accept(Keyword.CHECK) && !tokens.accept(Keyword.NOCHECK)) {
            pass.over(from, "storage options");
            return true;
        }
        if (tokens.accept(Keyword.ADD)) {
            return add(table, from);
        }
        pass.over(from, "checking of a constraint");
        return true;
    }

    /** PostgreSQL manual, ALTER TABLE: what a table inherits from, and its partitions. */
    private void belonging(TableBuilder table, Keyword verb) {
        switch (verb) {
            case INHERIT -> {
                tokens.at++;
                builder.table(definitions.names().qualified()).ifPresent(parent -> parent.heirs.add(table));
            }
            case NO -> {
                tokens.at += 2;
                builder.table(definitions.names().qualified()).ifPresent(parent -> parent.heirs.remove(table));
            }
            case ATTACH -> attach(table);
            default -> {
                tokens.at += 2;
                builder.table(definitions.names().qualified()).ifPresent(part -> {
                    table.heirs.remove(part);
                    part.partition = false;
                });
                tokens.accept(Keyword.CONCURRENTLY);
                tokens.accept(Keyword.FINALLY);
            }
        }
    }

    private boolean setting(TableBuilder table, QName name, Keyword verb, int from) {
        int start = tokens.at;
        switch (verb) {
            case CHECK, NOCHECK -> {
                pass.over(from, "checking of a constraint");
                return true;
            }
            case OWNER -> {
                pass.over(from, "owner");
                return true;
            }
            case ENABLE, DISABLE, REPLICA, CLUSTER, VALIDATE, FORCE, LOCK, ALGORITHM, ENGINE, CONVERT, ORDER, PARTITION,
                    SWITCH, STORAGE, ROW, TABLESPACE, DEFAULT, CHARACTER, CHARSET, COLLATE,
                    TRUNCATE, READ, CACHE, NOCACHE, LOGGING, NOLOGGING, ANALYZE, OPTIONS, WITHOUT, COMPRESSION, NOT -> {
                return other(table, verb, from);
            }
            case SET -> {
                return set(table, name, from);
            }
            case COMMENT -> {
                tokens.at++;
                tokens.acceptSign('=');
                table.comment = tokens.string();
            }
            case AUTO_INCREMENT -> {
                tokens.at++;
                tokens.acceptSign('=');
                table.numberFrom(definitions.numbers().wholeNumber());
            }
            default -> {
                boolean word = tokens.kind(start) == TokenizedStatement.WORD;
                if (tokens.sign(start + 1, '=') || word && builder.takes(SyntaxRule.STORAGE_WORDS)
                        || tokens.reads(start, "REBUILD") || tokens.reads(start, "RESET")) {
                    pass.over(from, "storage options");
                    return true;
                }
                throw tokens.unreadable("this change of a table is not known here");
            }
        }
        return false;
    }

    private boolean set(TableBuilder table, QName name, int from) {
        tokens.at++;
        if (builder.takes(SyntaxRule.UNUSED_COLUMNS) && tokens.acceptReading("UNUSED")) {
            drops.dropColumns(table);
            return false;
        }
        if (tokens.accept(Keyword.SCHEMA)) {
            builder.rename(table, name, new QName(tokens.name(), table.name));
            return false;
        }
        pass.over(from, "storage options");
        return true;
    }

    private boolean other(TableBuilder table, Keyword verb, int from) {
        if (verb == Keyword.ENABLE || verb == Keyword.DISABLE) {
            pass.over(from, tokens.word(tokens.at + 1) == Keyword.ROW ? "row security" : "switching on and off");
            return true;
        }
        if (builder.takes(SyntaxRule.ACTIONS_PASSED_SINGLY)) {
            boolean moreBehind = false;
            int depth = 0;
            for (int i = tokens.at; i < tokens.limit && !moreBehind; i++) {
                depth += tokens.sign(i, '(') ? 1 : tokens.sign(i, ')') ? -1 : 0;
                moreBehind = depth == 0 && tokens.sign(i, ',') && isVerb(tokens.word(i + 1));
                if (moreBehind) {
                    tokens.at = i;
                    return false;
                }
            }
        }
        pass.over(from, verb == Keyword.VALIDATE ? "checking of a constraint" : verb == Keyword.CLUSTER ? "maintenance"
                : verb == Keyword.REPLICA ? "replication" : "storage options");
        return true;
    }

    // ADD

    private boolean add(TableBuilder table, int from) {
        if (tokens.accept(Keyword.COLUMN)) {
            boolean ifAbsent = tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
            if (tokens.acceptSign('(')) {
                inRound(table);
            } else {
                addColumn(table, ifAbsent);
            }
            return false;
        }
        if (tokens.is(Keyword.PARTITION) || tokens.reads(tokens.at, "SUPPLEMENTAL")
                || tokens.is(Keyword.PERIOD) && builder.takes(SyntaxRule.SYSTEM_PERIODS)
                || tokens.reads(tokens.at, "SYSTEM")) {
            pass.over(from, tokens.is(Keyword.PARTITION) ? "partitioning" : "storage options");
            return true;
        }
        if (definitions.constraints().atConstraint()) {
            constraint(table);
            return false;
        }
        if (tokens.sign('(')) {
            tokens.at++;
            inRound(table);
            return false;
        }
        if (tokens.is(Keyword.DEFAULT) && builder.takes(SyntaxRule.DEFAULT_CONSTRAINTS)) {
            definitions.constraints().constraint(table);
            return false;
        }
        boolean ifAbsent = tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        addColumn(table, ifAbsent);
        return false;
    }

    private void constraint(TableBuilder table) {
        if (tokens.is(Keyword.CONSTRAINT) && tokens.word(tokens.at + 1) == Keyword.IF) {
            tokens.at += 4;
            String name = tokens.name();
            boolean there = table.uniqueKeys.stream().anyMatch(key -> table.same(key.name(), name))
                    || table.foreignKeys.stream().anyMatch(key -> table.same(key.name(), name))
                    || table.checks.stream().anyMatch(check -> table.same(check.name(), name))
                    || table.primaryKey.filter(key -> table.same(key.name(), name)).isPresent();
            if (there) {
                tokens.at = tokens.limit;
                return;
            }
            definitions.constraints().constraint(table);
            return;
        }
        int before = table.checks.size();
        int references = table.foreignKeys.size();
        definitions.constraints().constraint(table);
        if (table.checks.size() > before) {
            table.heirs.forEach(heir -> heir.checks.add(table.checks.getLast()));
        }
        if (!only && !table.heirs.isEmpty() && table.foreignKeys.size() > references) {
            partitionsGet(table, table.foreignKeys.getLast());
        }
    }

    /** PostgreSQL manual, 5.12: a reference of the whole is one of each partition. */
    private static void partitionsGet(TableBuilder whole, ForeignKey key) {
        whole.heirs.stream().filter(heir -> heir.partition).forEach(part -> {
            if (part.foreignKeys.stream().noneMatch(own -> own.columns().equals(key.columns())
                    && own.referencedTable().equals(key.referencedTable()))) {
                part.foreignKeys.add(key);
            }
            partitionsGet(part, key);
        });
    }

    private void inRound(TableBuilder table) {
        do {
            if (definitions.constraints().atConstraint()) {
                definitions.constraints().constraint(table);
            } else {
                addColumn(table, false);
            }
        } while (tokens.acceptSign(','));
        tokens.expectSign(')');
    }

    private void addColumn(TableBuilder table, boolean ifAbsent) {
        if (ifAbsent && tokens.isName(tokens.at) && table.has(tokens.nameAt(tokens.at))) {
            TableBuilder scratch = new TableBuilder("", table.name, builder.exact);
            definitions.columns().column(scratch);
            redefinitions.place(scratch, scratch.columns.getFirst());
            return;
        }
        ColumnBuilder column = definitions.columns().column(table);
        redefinitions.place(table, column);
        table.heirs.forEach(heir -> heirGets(heir, column));
    }

    private static void heirGets(TableBuilder heir, ColumnBuilder column) {
        if (!heir.has(column.name)) {
            heir.add(column.copy());
        }
        heir.heirs.forEach(next -> heirGets(next, column));
    }

    // RENAME and others

    private void rename(TableBuilder table, QName name) {
        if (tokens.accept(Keyword.CONSTRAINT)) {
            int at = tokens.at;
            String before = tokens.name();
            tokens.expect(Keyword.TO);
            renameConstraint(table, before, tokens.name(), at);
            return;
        }
        if (builder.takes(SyntaxRule.INDEXES_ALTERED_WITH_TABLE)
                && (tokens.accept(Keyword.INDEX) || tokens.accept(Keyword.KEY))) {
            String before = tokens.name();
            tokens.expect(Keyword.TO);
            String now = tokens.name();
            table.indexes.replaceAll(index -> index.name().equalsIgnoreCase(before)
                    ? index.named(now) : index);
            table.uniqueKeys
                    .replaceAll(key -> key.name().equalsIgnoreCase(before) ? new UniqueKey(now, key.columns()) : key);
            table.indexRenames++;
            builder.index(now, table);
            return;
        }
        boolean column = tokens.accept(Keyword.COLUMN) || !tokens.is(Keyword.TO) && !tokens.is(Keyword.AS)
                && tokens.isName(tokens.at) && tokens.word(tokens.at + 1) == Keyword.TO;
        if (column) {
            tokens.accept(Keyword.IF, Keyword.EXISTS);
            ColumnBuilder renamed = definitions.lookup().existing(table, tokens.at);
            tokens.at++;
            tokens.expect(Keyword.TO);
            builder.rename(table, renamed, tokens.name());
            return;
        }
        if (!tokens.accept(Keyword.TO)) {
            tokens.accept(Keyword.AS);
        }
        builder.rename(table, name, definitions.names().qualified());
    }

    void renameConstraint(TableBuilder table, String before, String now, int at) {
        boolean primary = table.primaryKey.filter(key -> table.same(key.name(), before)).isPresent();
        boolean known = primary || table.uniqueKeys.stream().anyMatch(key -> table.same(key.name(), before))
                || table.foreignKeys.stream().anyMatch(key -> table.same(key.name(), before))
                || table.checks.stream().anyMatch(check -> table.same(check.name(), before));
        if (!known && !before.endsWith("_not_null")) {
            throw StatementException.conflict(at, "the table " + table.name + " has no constraint " + before);
        }
        implied.given(table, now);
        table.primaryKey = table.primaryKey.map(key -> primary ? key.named(now) : key);
        table.uniqueKeys.replaceAll(key -> table.same(key.name(), before) ? new UniqueKey(now, key.columns()) : key);
        table.foreignKeys.replaceAll(key -> table.same(key.name(), before) ? key.named(now) : key);
        table.checks
                .replaceAll(check -> table.same(check.name(), before) ? new CheckRule(now, check.condition()) : check);
    }

    /**
     * PostgreSQL manual, ALTER TABLE ... ATTACH PARTITION: the partition gets the keys of the whole that it does not
     * have.
     */
    private void attach(TableBuilder whole) {
        tokens.at++;
        tokens.expect(Keyword.PARTITION);
        int at = tokens.at;
        QName name = definitions.names().qualified();
        TableBuilder part = builder.table(name)
                .orElseThrow(() -> StatementException.conflict(at, "no table " + name.name() + " is known here"));
        whole.heirs.add(part);
        part.partition = true;
        whole.primaryKey.ifPresent(key -> {
            if (part.primaryKey.isEmpty()) {
                definitions.constraints().setPrimaryKey(part, "", key.columns());
            }
        });
        whole.uniqueKeys.stream()
                .filter(key -> part.uniqueKeys.stream().noneMatch(own -> own.columns().equals(key.columns())))
                .toList().forEach(key -> definitions.constraints().addUnique(part, "", key.columns()));
        for (ForeignKey key : whole.foreignKeys) {
            if (part.foreignKeys.stream().noneMatch(own -> own.columns().equals(key.columns())
                    && own.referencedTable().equals(key.referencedTable()))) {
                part.foreignKeys.add(key);
            }
        }
        whole.indexes.stream()
                .filter(index -> part.indexes.stream().noneMatch(own -> own.columns().equals(index.columns()))).toList()
                .forEach(index -> definitions.indexes().copyIndex(part, index));
        tokens.at = tokens.limit;
    }
}
