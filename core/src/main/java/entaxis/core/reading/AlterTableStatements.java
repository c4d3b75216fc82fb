package entaxis.core.reading;

import entaxis.core.design.Attribute.Identity;
import entaxis.core.design.Attribute.Numbering;
import entaxis.core.design.Target;
import entaxis.core.reading.SchemaBuilder.QName;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Deferral;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.UniqueKey;
import java.util.List;
import java.util.Optional;

/** Reads ALTER TABLE: ISO/IEC 9075-2, 11.10 to 11.30, and what each engine's manual has beside. */
final class AlterTableStatements {
    /** Whether the statement leaves heirs alone. */
    private boolean only;
    private final TokenCursor tokens;
    private final SchemaBuilder drafts;
    private final DefinitionParser definitions;
    private final TypeParser types;
    private final ImpliedNames implied;
    private final StepOver pass;

    AlterTableStatements(TokenCursor tokens, SchemaBuilder drafts, DefinitionParser definitions, TypeParser types,
            ImpliedNames implied, StepOver pass) {
        this.tokens = tokens;
        this.drafts = drafts;
        this.definitions = definitions;
        this.types = types;
        this.implied = implied;
        this.pass = pass;
    }

    private boolean is(Target engine) {
        return drafts.engine == engine;
    }

    private boolean mySql() {
        return is(Target.MYSQL) || is(Target.MARIADB);
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
        QName name = definitions.qualified();
        tokens.acceptSign('*');
        Optional<TableBuilder> found = drafts.table(name);
        if (found.isEmpty()) {
            if (ifThere || name.name().startsWith("#") || drafts.passing.contains(drafts.key(name))) {
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
            boolean repeated = verb == Keyword.ADD && is(Target.SQLSERVER) && !isVerb(tokens.word())
                    || verb == Keyword.DROP && is(Target.SQLSERVER)
                            && (tokens.is(Keyword.CONSTRAINT) || tokens.is(Keyword.COLUMN));
            if (!repeated) {
                verb = tokens.word();
            }
            boolean passed = action(table, new QName(table.namespace, table.name), verb, repeated, from);
            if (passed) {
                return;
            }
            verb = verb == Keyword.WITH ? Keyword.ADD : verb;
            more = tokens.acceptSign(',') || is(Target.ORACLE) && !tokens.atEnd() && isVerb(tokens.word());
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
        int start = tokens.at;
        switch (verb) {
            case ADD -> {
                if (!repeated) {
                    tokens.at++;
                }
                return add(table, from);
            }
            case DROP -> {
                if (!repeated) {
                    tokens.at++;
                }
                if (is(Target.ORACLE) && tokens.reads(tokens.at, "UNUSED")) {
                    pass.over(from, "storage options");
                    return true;
                }
                return drop(table, from);
            }
            case ALTER -> {
                tokens.at++;
                return alterColumn(table, from);
            }
            case MODIFY -> {
                tokens.at++;
                modify(table);
            }
            case CHANGE -> {
                tokens.at++;
                tokens.accept(Keyword.COLUMN);
                tokens.accept(Keyword.IF, Keyword.EXISTS);
                ColumnBuilder column = definitions.existing(table, tokens.at);
                tokens.at++;
                redefine(table, column);
            }
            case RENAME -> {
                tokens.at++;
                rename(table, name);
            }
            case WITH -> {
                tokens.at++;
                if (!tokens.accept(Keyword.CHECK) && !tokens.accept(Keyword.NOCHECK)) {
                    pass.over(from, "storage options");
                    return true;
                }
                if (tokens.is(Keyword.ADD)) {
                    tokens.at++;
                    return add(table, from);
                }
                pass.over(from, "checking of a constraint");
                return true;
            }
            case CHECK, NOCHECK -> {
                pass.over(from, "checking of a constraint");
                return true;
            }
            case OWNER -> {
                pass.over(from, "owner");
                return true;
            }
            case INHERIT -> {
                tokens.at++;
                drafts.table(definitions.qualified()).ifPresent(parent -> parent.heirs.add(table));
            }
            case NO -> {
                tokens.at += 2;
                drafts.table(definitions.qualified()).ifPresent(parent -> parent.heirs.remove(table));
            }
            case ATTACH -> attach(table);
            case DETACH -> {
                tokens.at += 2;
                drafts.table(definitions.qualified()).ifPresent(part -> {
                    table.heirs.remove(part);
                    part.partition = false;
                });
                tokens.accept(Keyword.CONCURRENTLY);
                tokens.accept(Keyword.FINALLY);
            }
            case ENABLE, DISABLE, REPLICA, CLUSTER, VALIDATE, FORCE, LOCK, ALGORITHM, ENGINE, CONVERT, ORDER, PARTITION,
                    SWITCH, STORAGE, ROW, TABLESPACE, DEFAULT, CHARACTER, CHARSET, COLLATE,
                    TRUNCATE, READ, CACHE, NOCACHE, LOGGING, NOLOGGING, ANALYZE, OPTIONS, WITHOUT, COMPRESSION, NOT -> {
                return other(table, verb, from);
            }
            case SET -> {
                tokens.at++;
                if (is(Target.ORACLE) && tokens.acceptReading("UNUSED")) {
                    dropColumns(table);
                    return false;
                }
                if (tokens.accept(Keyword.SCHEMA)) {
                    drafts.rename(table, name, new QName(tokens.name(), table.name));
                    return false;
                }
                pass.over(from, "storage options");
                return true;
            }
            case COMMENT -> {
                tokens.at++;
                tokens.acceptSign('=');
                table.comment = tokens.string();
            }
            case AUTO_INCREMENT -> {
                tokens.at++;
                tokens.acceptSign('=');
                long first = definitions.wholeNumber();
                table.numberFrom(first);
            }
            default -> {
                if (tokens.sign(start + 1, '=') || is(Target.ORACLE) && tokens.kind(start) == TokenizedStatement.WORD
                        || mySql() && tokens.kind(start) == TokenizedStatement.WORD
                        || tokens.reads(start, "REBUILD") || tokens.reads(start, "RESET")) {
                    pass.over(from, "storage options");
                    return true;
                }
                throw tokens.unreadable("this change of a table is not known here");
            }
        }
        return false;
    }

    private boolean other(TableBuilder table, Keyword verb, int from) {
        if (verb == Keyword.ENABLE || verb == Keyword.DISABLE) {
            pass.over(from, tokens.word(tokens.at + 1) == Keyword.ROW ? "row security" : "switching on and off");
            return true;
        }
        if (mySql()) {
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
                || tokens.is(Keyword.PERIOD) && is(Target.SQLSERVER) || tokens.reads(tokens.at, "SYSTEM")) {
            pass.over(from, tokens.is(Keyword.PARTITION) ? "partitioning" : "storage options");
            return true;
        }
        if (definitions.atConstraint()) {
            constraint(table);
            return false;
        }
        if (tokens.sign('(')) {
            tokens.at++;
            inRound(table);
            return false;
        }
        if (tokens.is(Keyword.DEFAULT) && is(Target.SQLSERVER)) {
            definitions.constraint(table);
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
            definitions.constraint(table);
            return;
        }
        int before = table.checks.size();
        int references = table.foreignKeys.size();
        definitions.constraint(table);
        if (is(Target.POSTGRESQL) && table.checks.size() > before) {
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
            if (definitions.atConstraint()) {
                definitions.constraint(table);
            } else {
                addColumn(table, false);
            }
        } while (tokens.acceptSign(','));
        tokens.expectSign(')');
    }

    private void addColumn(TableBuilder table, boolean ifAbsent) {
        if (ifAbsent && tokens.isName(tokens.at) && table.has(tokens.nameAt(tokens.at))) {
            TableBuilder scratch = new TableBuilder("", table.name, drafts.exact);
            definitions.column(scratch);
            place(scratch, scratch.columns.getFirst());
            return;
        }
        ColumnBuilder column = definitions.column(table);
        place(table, column);
        table.heirs.forEach(heir -> heirGets(heir, column));
    }

    private static void heirGets(TableBuilder heir, ColumnBuilder column) {
        if (!heir.has(column.name)) {
            heir.add(column.copy());
        }
        heir.heirs.forEach(next -> heirGets(next, column));
    }

    /** MySQL manual, ALTER TABLE: FIRST and AFTER; H2 manual: BEFORE. */
    private void place(TableBuilder table, ColumnBuilder column) {
        if (tokens.accept(Keyword.FIRST)) {
            table.columns.remove(column);
            table.columns.addFirst(column);
        } else if (tokens.is(Keyword.AFTER) || tokens.is(Keyword.BEFORE)) {
            int behind = tokens.is(Keyword.AFTER) ? 1 : 0;
            tokens.at++;
            ColumnBuilder neighbour = table.columns.size() == 1 ? column : definitions.existing(table, tokens.at);
            tokens.at++;
            table.columns.remove(column);
            table.columns.add(Math.min(table.columns.size(), table.columns.indexOf(neighbour) + behind), column);
        }
    }

    // DROP

    private boolean drop(TableBuilder table, int from) {
        if (mySql() && tokens.reads(tokens.at, "SYSTEM") && tokens.reads(tokens.at + 1, "VERSIONING")) {
            tokens.at += 2;
            return false;
        }
        Keyword what = tokens.word();
        switch (what) {
            case CONSTRAINT -> {
                tokens.at++;
                boolean ifThere = tokens.accept(Keyword.IF, Keyword.EXISTS);
                do {
                    int at = tokens.at;
                    dropConstraint(table, tokens.name(), ifThere, at);
                    if (is(Target.SQLSERVER) && tokens.sign(',') && tokens.word(tokens.at + 1) == Keyword.COLUMN) {
                        return false;
                    }
                } while (is(Target.SQLSERVER) && tokens.acceptSign(','));
                tail();
            }
            case PRIMARY -> {
                tokens.at++;
                tokens.expect(Keyword.KEY);
                table.primaryKey = Optional.empty();
                tail();
            }
            case UNIQUE -> {
                tokens.at++;
                List<String> columns = tokens.names();
                table.uniqueKeys.removeIf(key -> key.columns().size() == columns.size() && columns.stream()
                        .allMatch(name -> key.columns().stream().anyMatch(own -> table.same(own, name))));
                tail();
            }
            case INDEX, KEY -> {
                if (!mySql()) {
                    dropColumns(table);
                    return false;
                }
                tokens.at++;
                boolean ifThere = tokens.accept(Keyword.IF, Keyword.EXISTS);
                int at = tokens.at;
                dropIndex(table, tokens.name(), ifThere, at);
            }
            case FOREIGN -> {
                tokens.at++;
                tokens.expect(Keyword.KEY);
                boolean ifThere = tokens.accept(Keyword.IF, Keyword.EXISTS);
                int at = tokens.at;
                String name = tokens.name();
                boolean gone = table.foreignKeys.removeIf(key -> key.name().equalsIgnoreCase(name));
                if (!gone && !ifThere) {
                    throw StatementException.conflict(at, "the table " + table.name + " has no foreign key " + name);
                }
                table.leaveBehind(name);
            }
            case CHECK -> {
                tokens.at++;
                int at = tokens.at;
                dropConstraint(table, tokens.name(), false, at);
            }
            case PERIOD -> {
                tokens.at += 2;
                String name = tokens.name();
                table.checks.removeIf(check -> table.same(check.name(), name));
            }
            case PARTITION -> {
                pass.over(from, "partitioning");
                return true;
            }
            default -> dropColumns(table);
        }
        return false;
    }

    private void tail() {
        if (tokens.accept(Keyword.CASCADE)) {
            tokens.acceptReading("CONSTRAINTS");
        } else {
            tokens.accept(Keyword.RESTRICT);
        }
        if (is(Target.ORACLE) && (tokens.accept(Keyword.KEEP) || tokens.accept(Keyword.DROP))) {
            tokens.accept(Keyword.INDEX);
        }
        if (is(Target.SQLSERVER) && tokens.is(Keyword.WITH)) {
            tokens.at++;
            tokens.skipRound();
        }
    }

    private void dropColumns(TableBuilder table) {
        tokens.accept(Keyword.COLUMN);
        boolean ifThere = tokens.accept(Keyword.IF, Keyword.EXISTS);
        boolean round = tokens.acceptSign('(');
        do {
            int at = tokens.at;
            if (is(Target.SQLSERVER) && at > 0 && tokens.sign(at - 1, ',')
                    && (tokens.is(Keyword.CONSTRAINT) || tokens.is(Keyword.COLUMN))) {
                tokens.at--;
                break;
            }
            String name = tokens.name();
            Optional<ColumnBuilder> column = table.column(name);
            if (column.isEmpty() && is(Target.SQLSERVER)) {
                dropConstraint(table, name, ifThere, at);
            } else if (column.isEmpty() && !ifThere) {
                throw StatementException.conflict(at, "the table " + table.name + " has no column " + name);
            }
            column.ifPresent(own -> dropColumn(table, own));
        } while ((round || is(Target.SQLSERVER)) && tokens.acceptSign(','));
        if (round) {
            tokens.expectSign(')');
        }
        tail();
    }

    private void dropColumn(TableBuilder table, ColumnBuilder column) {
        drafts.dropReferences(table, List.of(column.name));
        table.drop(column, mySql());
        table.heirs.forEach(heir -> heir.column(column.name).ifPresent(inherited -> dropColumn(heir, inherited)));
    }

    private void dropConstraint(TableBuilder table, String name, boolean ifThere, int at) {
        boolean cascade = tokens.is(Keyword.CASCADE);
        if (table.primaryKey.filter(key -> table.same(key.name(), name)).isPresent()) {
            if (cascade) {
                drafts.dropReferencesTo(table, table.primaryKey.get().columns());
            }
            table.primaryKey = Optional.empty();
            return;
        }
        if (cascade) {
            table.uniqueKeys.stream().filter(key -> table.same(key.name(), name))
                    .forEach(key -> drafts.dropReferencesTo(table, key.columns()));
        }
        boolean gone = table.uniqueKeys.removeIf(key -> table.same(key.name(), name))
                | table.foreignKeys.removeIf(key -> table.same(key.name(), name))
                | table.checks.removeIf(check -> table.same(check.name(), name))
                | table.indexes.removeIf(index -> index.method().equals("exclude") && table.same(index.name(), name));
        if (gone) {
            table.heirs.forEach(heir -> heir.checks.removeIf(check -> heir.same(check.name(), name)));
            return;
        }
        boolean namesDefault = is(Target.SQLSERVER) || is(Target.ORACLE) || name.endsWith("_not_null");
        if (!ifThere && !namesDefault) {
            throw StatementException.conflict(at, "the table " + table.name + " has no constraint " + name);
        }
    }

    private void dropIndex(TableBuilder table, String name, boolean ifThere, int at) {
        if (name.equalsIgnoreCase("primary")) {
            table.primaryKey = Optional.empty();
            return;
        }
        boolean gone = table.indexes.removeIf(index -> index.name().equalsIgnoreCase(name))
                | table.uniqueKeys.removeIf(key -> key.name().equalsIgnoreCase(name));
        boolean ofReference = table.foreignKeys.stream()
                .anyMatch(key -> key.name().equalsIgnoreCase(name) || key.columns().getFirst().equalsIgnoreCase(name));
        if (!gone && !ifThere && !ofReference && !table.takeLeftBehind(name)) {
            throw StatementException.conflict(at, "the table " + table.name + " has no index " + name);
        }
    }

    /** PostgreSQL manual, ALTER TABLE ... ALTER CONSTRAINT: when a reference is checked. */
    private void alterConstraint(TableBuilder table) {
        int at = tokens.at;
        String name = tokens.name();
        if (table.foreignKeys.stream().noneMatch(key -> table.same(key.name(), name))) {
            throw StatementException.conflict(at, "the table " + table.name + " has no foreign key " + name);
        }
        Optional<Deferral> deferral = definitions.deferral();
        definitions.constraintEnd();
        deferral.ifPresent(when -> table.foreignKeys.replaceAll(key -> !table.same(key.name(), name) ? key
                : new ForeignKey(key.origin(), key.name(), key.columns(), key.referencedNamespace(),
                key.referencedTable(), key.referencedColumns(), key.onDelete(), key.onUpdate(), when)));
    }

    // ALTER COLUMN

    private boolean alterColumn(TableBuilder table, int from) {
        if (is(Target.POSTGRESQL) && tokens.accept(Keyword.CONSTRAINT)) {
            alterConstraint(table);
            return false;
        }
        if (tokens.is(Keyword.INDEX) && mySql() || tokens.is(Keyword.CONSTRAINT)
                || tokens.is(Keyword.CHECK) && mySql()) {
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
        ColumnBuilder column = definitions.existing(table, at);
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
                if (is(Target.SQLSERVER)) {
                    property(column);
                } else {
                    definitions.clauses(table, column);
                }
            }
            case RENAME -> {
                tokens.at++;
                tokens.expect(Keyword.TO);
                drafts.rename(table, column, tokens.name());
            }
            case RESTART -> tokens.at = tokens.limit;
            case DEFAULT -> definitions.clauses(table, column);
            default -> {
                column.type = types.read().type();
                column.required = false;
                if (is(Target.SQLSERVER)) {
                    boolean inKey = table.primaryKey.filter(key -> key.columns().contains(column.name)).isPresent();
                    clausesOfAltered(table, column);
                    column.required |= inKey;
                } else {
                    column.numbering = tokens.is(Keyword.GENERATED) ? Numbering.DEFAULT : column.numbering;
                    definitions.clauses(table, column);
                }
            }
        }
        return false;
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
                column.collation = definitions.qualified().name();
            } else if (tokens.accept(Keyword.USING)) {
                definitions.expression();
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
                String expression = definitions.expression();
                definitions.setDefault(column, expression);
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
                if (is(Target.POSTGRESQL) && !tokens.sign('(') && !tokens.is(Keyword.STATISTICS)
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
                column.numbering = new Numbering(definitions.wholeNumber(), before.step());
            } else if (tokens.accept(Keyword.INCREMENT)) {
                tokens.accept(Keyword.BY);
                column.numbering = new Numbering(before.start(), definitions.wholeNumber());
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
            if (column.identity == Identity.BY_DEFAULT && is(Target.POSTGRESQL)) {
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
        } else if (is(Target.SQLSERVER)) {
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

    // MODIFY and CHANGE

    private void modify(TableBuilder table) {
        tokens.accept(Keyword.COLUMN);
        tokens.accept(Keyword.IF, Keyword.EXISTS);
        if (is(Target.ORACLE) && (tokens.is(Keyword.CONSTRAINT) || tokens.is(Keyword.PRIMARY, Keyword.KEY)
                || tokens.is(Keyword.UNIQUE) && tokens.sign(tokens.at + 1, '('))) {
            tokens.at += tokens.is(Keyword.UNIQUE) ? 1 : 2;
            if (tokens.sign('(')) {
                tokens.skipRound();
            }
            definitions.constraintEnd();
            return;
        }
        boolean round = tokens.acceptSign('(');
        do {
            ColumnBuilder column = definitions.existing(table, tokens.at);
            if (is(Target.ORACLE)) {
                tokens.at++;
                if (types.begins() && !tokens.sign(',') && !tokens.sign(')') && !tokens.atEnd()
                        && !tokens.is(Keyword.ENABLE) && !tokens.is(Keyword.DISABLE)) {
                    column.type = types.read().type();
                }
                definitions.clauses(table, column);
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
    private void redefine(TableBuilder table, ColumnBuilder column) {
        ColumnBuilder now = definitions.bare();
        boolean inKey = table.primaryKey
                .filter(key -> key.columns().stream().anyMatch(name -> table.same(name, column.name))).isPresent();
        if (!table.same(column.name, now.name) && table.has(now.name)) {
            throw tokens.conflict("the table " + table.name + " already has a column " + now.name);
        }
        if (!column.name.equals(now.name)) {
            drafts.rename(table, column, now.name);
        }
        Optional<PrimaryKey> before = table.primaryKey;
        table.columns.set(table.columns.indexOf(column), now);
        table.touched();
        definitions.clauses(table, now);
        now.required |= inKey
                || before.isEmpty() && table.primaryKey.filter(key -> key.columns().contains(now.name)).isPresent();
        place(table, now);
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
        if (mySql() && (tokens.accept(Keyword.INDEX) || tokens.accept(Keyword.KEY))) {
            String before = tokens.name();
            tokens.expect(Keyword.TO);
            String now = tokens.name();
            table.indexes.replaceAll(index -> index.name().equalsIgnoreCase(before)
                    ? new TableIndex(now, index.unique(), index.columns(), index.method(), index.predicate()) : index);
            table.uniqueKeys
                    .replaceAll(key -> key.name().equalsIgnoreCase(before) ? new UniqueKey(now, key.columns()) : key);
            table.indexRenames++;
            drafts.index(now, table);
            return;
        }
        boolean column = tokens.accept(Keyword.COLUMN) || !tokens.is(Keyword.TO) && !tokens.is(Keyword.AS)
                && tokens.isName(tokens.at) && tokens.word(tokens.at + 1) == Keyword.TO;
        if (column) {
            tokens.accept(Keyword.IF, Keyword.EXISTS);
            ColumnBuilder renamed = definitions.existing(table, tokens.at);
            tokens.at++;
            tokens.expect(Keyword.TO);
            drafts.rename(table, renamed, tokens.name());
            return;
        }
        if (!tokens.accept(Keyword.TO)) {
            tokens.accept(Keyword.AS);
        }
        drafts.rename(table, name, definitions.qualified());
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
        table.primaryKey = table.primaryKey.map(key -> primary ? new PrimaryKey(now, key.columns()) : key);
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
        QName name = definitions.qualified();
        TableBuilder part = drafts.table(name)
                .orElseThrow(() -> StatementException.conflict(at, "no table " + name.name() + " is known here"));
        whole.heirs.add(part);
        part.partition = true;
        whole.primaryKey.ifPresent(key -> {
            if (part.primaryKey.isEmpty()) {
                definitions.setPrimaryKey(part, "", key.columns());
            }
        });
        whole.uniqueKeys.stream()
                .filter(key -> part.uniqueKeys.stream().noneMatch(own -> own.columns().equals(key.columns())))
                .toList().forEach(key -> definitions.addUnique(part, "", key.columns()));
        for (ForeignKey key : whole.foreignKeys) {
            if (part.foreignKeys.stream().noneMatch(own -> own.columns().equals(key.columns())
                    && own.referencedTable().equals(key.referencedTable()))) {
                part.foreignKeys.add(key);
            }
        }
        whole.indexes.stream()
                .filter(index -> part.indexes.stream().noneMatch(own -> own.columns().equals(index.columns()))).toList()
                .forEach(index -> definitions.copyIndex(part, index));
        tokens.at = tokens.limit;
    }
}
