package entaxis.core.reading;

import entaxis.core.design.Attribute.Identity;
import entaxis.core.design.Attribute.Numbering;
import entaxis.core.design.Target;
import entaxis.core.reading.Drafts.QName;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Deferral;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.UniqueKey;
import java.util.List;
import java.util.Optional;

/** Reads ALTER TABLE: ISO/IEC 9075-2, 11.10 to 11.30, and what each engine's manual has beside. */
final class AlterTable {
    /** Whether the statement leaves heirs alone. */
    private boolean only;
    private final Tokens tokens;
    private final Drafts drafts;
    private final Definitions definitions;
    private final Types types;
    private final ImpliedNames implied;
    private final Pass pass;

    AlterTable(Tokens tokens, Drafts drafts, Definitions definitions, Types types, ImpliedNames implied, Pass pass) {
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
        if (tokens.is(Word.ALL)) {
            pass.over(from, "storage options");
            return;
        }
        boolean ifThere = tokens.accept(Word.IF, Word.EXISTS);
        only = tokens.accept(Word.ONLY);
        int at = tokens.at;
        QName name = definitions.qualified();
        tokens.acceptSign('*');
        Optional<TableDraft> found = drafts.table(name);
        if (found.isEmpty()) {
            if (ifThere || name.name().startsWith("#") || drafts.passing.contains(drafts.key(name))) {
                pass.over(from, "change of a table that is not kept");
                return;
            }
            if (tokens.is(Word.OWNER, Word.TO)) {
                pass.over(from, "owner");
                return;
            }
            throw Unreadable.amiss(at, "no table " + name.name() + " is known here");
        }
        TableDraft table = found.get();
        if (tokens.atEnd()) {
            throw tokens.unreadable("the statement ends before it says what to change");
        }
        Word verb = Word.NONE;
        boolean more = true;
        while (more) {
            boolean repeated = verb == Word.ADD && is(Target.SQLSERVER) && !isVerb(tokens.word())
                    || verb == Word.DROP && is(Target.SQLSERVER) && (tokens.is(Word.CONSTRAINT) || tokens.is(Word.COLUMN));
            if (!repeated) {
                verb = tokens.word();
            }
            boolean passed = action(table, new QName(table.namespace, table.name), verb, repeated, from);
            if (passed) {
                return;
            }
            verb = verb == Word.WITH ? Word.ADD : verb;
            more = tokens.acceptSign(',') || is(Target.ORACLE) && !tokens.atEnd() && isVerb(tokens.word());
        }
    }

    /** Whether a word begins a change of a table. */
    static boolean isVerb(Word word) {
        return switch (word) {
            case ADD, DROP, ALTER, MODIFY, CHANGE, RENAME, ENABLE, DISABLE -> true;
            default -> false;
        };
    }

    /** Reads one change; true if the rest of the statement was passed with it. */
    private boolean action(TableDraft table, QName name, Word verb, boolean repeated, int from) {
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
                tokens.accept(Word.COLUMN);
                tokens.accept(Word.IF, Word.EXISTS);
                ColumnDraft column = definitions.existing(table, tokens.at);
                tokens.at++;
                redefine(table, column);
            }
            case RENAME -> {
                tokens.at++;
                rename(table, name);
            }
            case WITH -> {
                tokens.at++;
                if (!tokens.accept(Word.CHECK) && !tokens.accept(Word.NOCHECK)) {
                    pass.over(from, "storage options");
                    return true;
                }
                if (tokens.is(Word.ADD)) {
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
                tokens.accept(Word.CONCURRENTLY);
                tokens.accept(Word.FINALLY);
            }
            case ENABLE, DISABLE, REPLICA, CLUSTER, VALIDATE, FORCE, LOCK, ALGORITHM, ENGINE, CONVERT, ORDER, PARTITION, SWITCH, STORAGE, ROW, TABLESPACE, DEFAULT, CHARACTER, CHARSET, COLLATE,
                    TRUNCATE, READ, CACHE, NOCACHE, LOGGING, NOLOGGING, ANALYZE, OPTIONS, WITHOUT, COMPRESSION, NOT -> {
                return other(table, verb, from);
            }
            case SET -> {
                tokens.at++;
                if (is(Target.ORACLE) && tokens.acceptReading("UNUSED")) {
                    dropColumns(table);
                    return false;
                }
                if (tokens.accept(Word.SCHEMA)) {
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
                if (tokens.sign(start + 1, '=') || is(Target.ORACLE) && tokens.kind(start) == CutStatement.WORD || mySql() && tokens.kind(start) == CutStatement.WORD
                        || tokens.reads(start, "REBUILD") || tokens.reads(start, "RESET")) {
                    pass.over(from, "storage options");
                    return true;
                }
                throw tokens.unreadable("this change of a table is not known here");
            }
        }
        return false;
    }

    private boolean other(TableDraft table, Word verb, int from) {
        if (verb == Word.ENABLE || verb == Word.DISABLE) {
            pass.over(from, tokens.word(tokens.at + 1) == Word.ROW ? "row security" : "switching on and off");
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
        pass.over(from, verb == Word.VALIDATE ? "checking of a constraint" : verb == Word.CLUSTER ? "maintenance" : verb == Word.REPLICA ? "replication" : "storage options");
        return true;
    }

    // ADD

    private boolean add(TableDraft table, int from) {
        if (tokens.accept(Word.COLUMN)) {
            boolean ifAbsent = tokens.accept(Word.IF, Word.NOT, Word.EXISTS);
            if (tokens.acceptSign('(')) {
                inRound(table);
            } else {
                addColumn(table, ifAbsent);
            }
            return false;
        }
        if (tokens.is(Word.PARTITION) || tokens.reads(tokens.at, "SUPPLEMENTAL") || tokens.is(Word.PERIOD) && is(Target.SQLSERVER) || tokens.reads(tokens.at, "SYSTEM")) {
            pass.over(from, tokens.is(Word.PARTITION) ? "partitioning" : "storage options");
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
        if (tokens.is(Word.DEFAULT) && is(Target.SQLSERVER)) {
            definitions.constraint(table);
            return false;
        }
        boolean ifAbsent = tokens.accept(Word.IF, Word.NOT, Word.EXISTS);
        addColumn(table, ifAbsent);
        return false;
    }

    private void constraint(TableDraft table) {
        if (tokens.is(Word.CONSTRAINT) && tokens.word(tokens.at + 1) == Word.IF) {
            tokens.at += 4;
            String name = tokens.name();
            boolean there = table.uniqueKeys.stream().anyMatch(key -> table.same(key.name(), name)) || table.foreignKeys.stream().anyMatch(key -> table.same(key.name(), name))
                    || table.checks.stream().anyMatch(check -> table.same(check.name(), name)) || table.primaryKey.filter(key -> table.same(key.name(), name)).isPresent();
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
    private static void partitionsGet(TableDraft whole, ForeignKey key) {
        whole.heirs.stream().filter(heir -> heir.partition).forEach(part -> {
            if (part.foreignKeys.stream().noneMatch(own -> own.columns().equals(key.columns()) && own.referencedTable().equals(key.referencedTable()))) {
                part.foreignKeys.add(key);
            }
            partitionsGet(part, key);
        });
    }

    private void inRound(TableDraft table) {
        do {
            if (definitions.atConstraint()) {
                definitions.constraint(table);
            } else {
                addColumn(table, false);
            }
        } while (tokens.acceptSign(','));
        tokens.expectSign(')');
    }

    private void addColumn(TableDraft table, boolean ifAbsent) {
        if (ifAbsent && tokens.isName(tokens.at) && table.has(tokens.nameAt(tokens.at))) {
            TableDraft scratch = new TableDraft("", table.name, drafts.exact);
            definitions.column(scratch);
            place(scratch, scratch.columns.getFirst());
            return;
        }
        ColumnDraft column = definitions.column(table);
        place(table, column);
        table.heirs.forEach(heir -> heirGets(heir, column));
    }

    private static void heirGets(TableDraft heir, ColumnDraft column) {
        if (!heir.has(column.name)) {
            heir.add(column.copy());
        }
        heir.heirs.forEach(next -> heirGets(next, column));
    }

    /** MySQL manual, ALTER TABLE: FIRST and AFTER; H2 manual: BEFORE. */
    private void place(TableDraft table, ColumnDraft column) {
        if (tokens.accept(Word.FIRST)) {
            table.columns.remove(column);
            table.columns.addFirst(column);
        } else if (tokens.is(Word.AFTER) || tokens.is(Word.BEFORE)) {
            int behind = tokens.is(Word.AFTER) ? 1 : 0;
            tokens.at++;
            ColumnDraft neighbour = table.columns.size() == 1 ? column : definitions.existing(table, tokens.at);
            tokens.at++;
            table.columns.remove(column);
            table.columns.add(Math.min(table.columns.size(), table.columns.indexOf(neighbour) + behind), column);
        }
    }

    // DROP

    private boolean drop(TableDraft table, int from) {
        if (mySql() && tokens.reads(tokens.at, "SYSTEM") && tokens.reads(tokens.at + 1, "VERSIONING")) {
            tokens.at += 2;
            return false;
        }
        Word what = tokens.word();
        switch (what) {
            case CONSTRAINT -> {
                tokens.at++;
                boolean ifThere = tokens.accept(Word.IF, Word.EXISTS);
                do {
                    int at = tokens.at;
                    dropConstraint(table, tokens.name(), ifThere, at);
                    if (is(Target.SQLSERVER) && tokens.sign(',') && tokens.word(tokens.at + 1) == Word.COLUMN) {
                        return false;
                    }
                } while (is(Target.SQLSERVER) && tokens.acceptSign(','));
                tail();
            }
            case PRIMARY -> {
                tokens.at++;
                tokens.expect(Word.KEY);
                table.primaryKey = Optional.empty();
                tail();
            }
            case UNIQUE -> {
                tokens.at++;
                List<String> columns = tokens.names();
                table.uniqueKeys.removeIf(key -> key.columns().size() == columns.size() && columns.stream().allMatch(name -> key.columns().stream().anyMatch(own -> table.same(own, name))));
                tail();
            }
            case INDEX, KEY -> {
                if (!mySql()) {
                    dropColumns(table);
                    return false;
                }
                tokens.at++;
                boolean ifThere = tokens.accept(Word.IF, Word.EXISTS);
                int at = tokens.at;
                dropIndex(table, tokens.name(), ifThere, at);
            }
            case FOREIGN -> {
                tokens.at++;
                tokens.expect(Word.KEY);
                boolean ifThere = tokens.accept(Word.IF, Word.EXISTS);
                int at = tokens.at;
                String name = tokens.name();
                boolean gone = table.foreignKeys.removeIf(key -> key.name().equalsIgnoreCase(name));
                if (!gone && !ifThere) {
                    throw Unreadable.amiss(at, "the table " + table.name + " has no foreign key " + name);
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
        if (tokens.accept(Word.CASCADE)) {
            tokens.acceptReading("CONSTRAINTS");
        } else {
            tokens.accept(Word.RESTRICT);
        }
        if (is(Target.ORACLE) && (tokens.accept(Word.KEEP) || tokens.accept(Word.DROP))) {
            tokens.accept(Word.INDEX);
        }
        if (is(Target.SQLSERVER) && tokens.is(Word.WITH)) {
            tokens.at++;
            tokens.skipRound();
        }
    }

    private void dropColumns(TableDraft table) {
        tokens.accept(Word.COLUMN);
        boolean ifThere = tokens.accept(Word.IF, Word.EXISTS);
        boolean round = tokens.acceptSign('(');
        do {
            int at = tokens.at;
            if (is(Target.SQLSERVER) && at > 0 && tokens.sign(at - 1, ',') && (tokens.is(Word.CONSTRAINT) || tokens.is(Word.COLUMN))) {
                tokens.at--;
                break;
            }
            String name = tokens.name();
            Optional<ColumnDraft> column = table.column(name);
            if (column.isEmpty() && is(Target.SQLSERVER)) {
                dropConstraint(table, name, ifThere, at);
            } else if (column.isEmpty() && !ifThere) {
                throw Unreadable.amiss(at, "the table " + table.name + " has no column " + name);
            }
            column.ifPresent(own -> dropColumn(table, own));
        } while ((round || is(Target.SQLSERVER)) && tokens.acceptSign(','));
        if (round) {
            tokens.expectSign(')');
        }
        tail();
    }

    private void dropColumn(TableDraft table, ColumnDraft column) {
        drafts.dropReferences(table, List.of(column.name));
        table.drop(column, mySql());
        table.heirs.forEach(heir -> heir.column(column.name).ifPresent(inherited -> dropColumn(heir, inherited)));
    }

    private void dropConstraint(TableDraft table, String name, boolean ifThere, int at) {
        boolean cascade = tokens.is(Word.CASCADE);
        if (table.primaryKey.filter(key -> table.same(key.name(), name)).isPresent()) {
            if (cascade) {
                drafts.dropReferencesTo(table, table.primaryKey.get().columns());
            }
            table.primaryKey = Optional.empty();
            return;
        }
        if (cascade) {
            table.uniqueKeys.stream().filter(key -> table.same(key.name(), name)).forEach(key -> drafts.dropReferencesTo(table, key.columns()));
        }
        boolean gone = table.uniqueKeys.removeIf(key -> table.same(key.name(), name)) | table.foreignKeys.removeIf(key -> table.same(key.name(), name))
                | table.checks.removeIf(check -> table.same(check.name(), name)) | table.indexes.removeIf(index -> index.method().equals("exclude") && table.same(index.name(), name));
        if (gone) {
            table.heirs.forEach(heir -> heir.checks.removeIf(check -> heir.same(check.name(), name)));
            return;
        }
        boolean namesDefault = is(Target.SQLSERVER) || is(Target.ORACLE) || name.endsWith("_not_null");
        if (!ifThere && !namesDefault) {
            throw Unreadable.amiss(at, "the table " + table.name + " has no constraint " + name);
        }
    }

    private void dropIndex(TableDraft table, String name, boolean ifThere, int at) {
        if (name.equalsIgnoreCase("primary")) {
            table.primaryKey = Optional.empty();
            return;
        }
        boolean gone = table.indexes.removeIf(index -> index.name().equalsIgnoreCase(name)) | table.uniqueKeys.removeIf(key -> key.name().equalsIgnoreCase(name));
        boolean ofReference = table.foreignKeys.stream().anyMatch(key -> key.name().equalsIgnoreCase(name) || key.columns().getFirst().equalsIgnoreCase(name));
        if (!gone && !ifThere && !ofReference && !table.takeLeftBehind(name)) {
            throw Unreadable.amiss(at, "the table " + table.name + " has no index " + name);
        }
    }

    /** PostgreSQL manual, ALTER TABLE ... ALTER CONSTRAINT: when a reference is checked. */
    private void alterConstraint(TableDraft table) {
        int at = tokens.at;
        String name = tokens.name();
        if (table.foreignKeys.stream().noneMatch(key -> table.same(key.name(), name))) {
            throw Unreadable.amiss(at, "the table " + table.name + " has no foreign key " + name);
        }
        Optional<Deferral> deferral = definitions.deferral();
        definitions.constraintEnd();
        deferral.ifPresent(when -> table.foreignKeys.replaceAll(key -> !table.same(key.name(), name) ? key : new ForeignKey(key.origin(), key.name(), key.columns(), key.referencedNamespace(),
                key.referencedTable(), key.referencedColumns(), key.onDelete(), key.onUpdate(), when)));
    }

    // ALTER COLUMN

    private boolean alterColumn(TableDraft table, int from) {
        if (is(Target.POSTGRESQL) && tokens.accept(Word.CONSTRAINT)) {
            alterConstraint(table);
            return false;
        }
        if (tokens.is(Word.INDEX) && mySql() || tokens.is(Word.CONSTRAINT) || tokens.is(Word.CHECK) && mySql()) {
            boolean moreBehind = storageSetting();
            if (!moreBehind) {
                pass.over(from, "switching on and off");
            }
            return !moreBehind;
        }
        tokens.accept(Word.COLUMN);
        boolean ifThere = tokens.accept(Word.IF, Word.EXISTS);
        int at = tokens.at;
        if (ifThere && tokens.isName(at) && !table.has(tokens.nameAt(at))) {
            pass.over(from, "change of what is not there");
            return true;
        }
        ColumnDraft column = definitions.existing(table, at);
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
                tokens.expect(Word.TO);
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
                    column.numbering = tokens.is(Word.GENERATED) ? Numbering.USUAL : column.numbering;
                    definitions.clauses(table, column);
                }
            }
        }
        return false;
    }

    private void clausesOfAltered(TableDraft table, ColumnDraft column) {
        boolean more = true;
        while (more) {
            if (tokens.accept(Word.COLLATE)) {
                column.collation = tokens.name();
            } else if (tokens.accept(Word.NOT, Word.NULL)) {
                column.required = true;
            } else if (!tokens.accept(Word.NULL)) {
                more = tokens.is(Word.WITH) && tokens.sign(tokens.at + 1, '(');
                if (more) {
                    tokens.at++;
                    tokens.skipRound();
                }
            }
        }
    }

    private void retype(TableDraft table, ColumnDraft column) {
        Types.Read type = types.read();
        column.type = type.type();
        boolean more = true;
        while (more) {
            if (tokens.accept(Word.COLLATE)) {
                column.collation = definitions.qualified().name();
            } else if (tokens.accept(Word.USING)) {
                definitions.expression();
            } else {
                more = false;
            }
        }
        table.heirs.forEach(heir -> heir.column(column.name).ifPresent(inherited -> inherited.type = column.type));
    }

    private boolean set(TableDraft table, ColumnDraft column, int from) {
        switch (tokens.word()) {
            case DATA -> {
                tokens.at++;
                tokens.expect(Word.TYPE);
                retype(table, column);
            }
            case DEFAULT -> {
                tokens.at++;
                String expression = definitions.expression();
                definitions.setDefault(column, expression);
                table.heirs.forEach(heir -> heir.column(column.name).ifPresent(inherited -> inherited.defaultValue = column.defaultValue));
            }
            case NOT -> {
                tokens.at++;
                tokens.expect(Word.NULL);
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
                    tokens.accept(Word.AS);
                    expression(table, column, tokens.inRound());
                    return false;
                }
                if (is(Target.POSTGRESQL) && !tokens.sign('(') && !tokens.is(Word.STATISTICS) && !tokens.is(Word.STORAGE) && !tokens.is(Word.COMPRESSION)) {
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

    /** ISO/IEC 9075-2, 11.20: what an identity becomes, each part behind its own SET; false if none of them says anything that is kept. */
    private boolean numbering(ColumnDraft column) {
        boolean kept = false;
        boolean more = true;
        while (more) {
            kept |= tokens.is(Word.GENERATED) || tokens.is(Word.START) || tokens.is(Word.INCREMENT);
            Numbering before = column.numbering;
            int start = tokens.at;
            if (tokens.accept(Word.GENERATED)) {
                column.identity = tokens.accept(Word.ALWAYS) ? Identity.ALWAYS : Identity.BY_DEFAULT;
                if (column.identity == Identity.BY_DEFAULT) {
                    tokens.accept(Word.BY);
                    tokens.accept(Word.DEFAULT);
                }
            } else if (tokens.accept(Word.START)) {
                tokens.accept(Word.WITH);
                column.numbering = new Numbering(definitions.wholeNumber(), before.step());
            } else if (tokens.accept(Word.INCREMENT)) {
                tokens.accept(Word.BY);
                column.numbering = new Numbering(before.start(), definitions.wholeNumber());
            } else {
                while (!tokens.atEnd() && !tokens.sign(',') && !tokens.is(Word.SET) && !(tokens.at > start && tokens.is(Word.RESTART))) {
                    tokens.at++;
                }
            }
            more = tokens.accept(Word.SET) || tokens.is(Word.RESTART);
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
    private static void expression(TableDraft table, ColumnDraft column, String now) {
        column.generated = now;
        table.heirs.forEach(heir -> heir.column(column.name).ifPresent(inherited -> expression(heir, inherited, now)));
    }

    private void require(TableDraft table, ColumnDraft column) {
        column.required = true;
        table.heirs.forEach(heir -> heir.column(column.name).ifPresent(inherited -> require(heir, inherited)));
    }

    private void unset(TableDraft table, ColumnDraft column) {
        if (tokens.accept(Word.DEFAULT)) {
            column.defaultValue = "";
            if (column.identity == Identity.BY_DEFAULT && is(Target.POSTGRESQL)) {
                column.identity = Identity.NONE;
            }
            table.heirs.forEach(heir -> heir.column(column.name).ifPresent(inherited -> inherited.defaultValue = ""));
        } else if (tokens.accept(Word.NOT, Word.NULL)) {
            column.required = false;
            table.heirs.forEach(heir -> heir.column(column.name).ifPresent(inherited -> inherited.required = false));
        } else if (tokens.accept(Word.IDENTITY)) {
            tokens.accept(Word.IF, Word.EXISTS);
            column.identity = Identity.NONE;
        } else if (tokens.acceptReading("EXPRESSION")) {
            tokens.accept(Word.IF, Word.EXISTS);
            column.generated = "";
        } else if (is(Target.SQLSERVER)) {
            property(column);
        } else {
            throw tokens.unreadable("DEFAULT, NOT NULL, IDENTITY or EXPRESSION is expected here");
        }
    }

    /** Transact-SQL Reference, ALTER TABLE ... ALTER COLUMN ... ADD | DROP: what a column has beside its type; only whether a computed one is kept says something here. */
    private void property(ColumnDraft column) {
        boolean kept = tokens.is(Word.PERSISTED);
        column.virtual = kept ? !column.virtual : column.virtual;
        tokens.at += tokens.is(Word.NOT) ? 3 : 1;
        if (tokens.accept(Word.WITH)) {
            tokens.skipRound();
        }
    }

    // MODIFY and CHANGE

    private void modify(TableDraft table) {
        tokens.accept(Word.COLUMN);
        tokens.accept(Word.IF, Word.EXISTS);
        if (is(Target.ORACLE) && (tokens.is(Word.CONSTRAINT) || tokens.is(Word.PRIMARY, Word.KEY) || tokens.is(Word.UNIQUE) && tokens.sign(tokens.at + 1, '('))) {
            tokens.at += tokens.is(Word.UNIQUE) ? 1 : 2;
            if (tokens.sign('(')) {
                tokens.skipRound();
            }
            definitions.constraintEnd();
            return;
        }
        boolean round = tokens.acceptSign('(');
        do {
            ColumnDraft column = definitions.existing(table, tokens.at);
            if (is(Target.ORACLE)) {
                tokens.at++;
                if (types.begins() && !tokens.sign(',') && !tokens.sign(')') && !tokens.atEnd() && !tokens.is(Word.ENABLE) && !tokens.is(Word.DISABLE)) {
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

    /** Gives a column the definition that follows: everything that it does not say again is gone (MySQL manual, ALTER TABLE). */
    private void redefine(TableDraft table, ColumnDraft column) {
        ColumnDraft now = definitions.bare();
        boolean inKey = table.primaryKey.filter(key -> key.columns().stream().anyMatch(name -> table.same(name, column.name))).isPresent();
        if (!table.same(column.name, now.name) && table.has(now.name)) {
            throw tokens.amiss("the table " + table.name + " already has a column " + now.name);
        }
        if (!column.name.equals(now.name)) {
            drafts.rename(table, column, now.name);
        }
        Optional<PrimaryKey> before = table.primaryKey;
        table.columns.set(table.columns.indexOf(column), now);
        table.touched();
        definitions.clauses(table, now);
        now.required |= inKey || before.isEmpty() && table.primaryKey.filter(key -> key.columns().contains(now.name)).isPresent();
        place(table, now);
    }

    // RENAME and others

    private void rename(TableDraft table, QName name) {
        if (tokens.accept(Word.CONSTRAINT)) {
            int at = tokens.at;
            String before = tokens.name();
            tokens.expect(Word.TO);
            renameConstraint(table, before, tokens.name(), at);
            return;
        }
        if (mySql() && (tokens.accept(Word.INDEX) || tokens.accept(Word.KEY))) {
            String before = tokens.name();
            tokens.expect(Word.TO);
            String now = tokens.name();
            table.indexes.replaceAll(index -> index.name().equalsIgnoreCase(before) ? new TableIndex(now, index.unique(), index.columns(), index.method(), index.predicate()) : index);
            table.uniqueKeys.replaceAll(key -> key.name().equalsIgnoreCase(before) ? new UniqueKey(now, key.columns()) : key);
            table.indexRenames++;
            drafts.index(now, table);
            return;
        }
        boolean column = tokens.accept(Word.COLUMN) || !tokens.is(Word.TO) && !tokens.is(Word.AS) && tokens.isName(tokens.at) && tokens.word(tokens.at + 1) == Word.TO;
        if (column) {
            tokens.accept(Word.IF, Word.EXISTS);
            ColumnDraft renamed = definitions.existing(table, tokens.at);
            tokens.at++;
            tokens.expect(Word.TO);
            drafts.rename(table, renamed, tokens.name());
            return;
        }
        if (!tokens.accept(Word.TO)) {
            tokens.accept(Word.AS);
        }
        drafts.rename(table, name, definitions.qualified());
    }

    void renameConstraint(TableDraft table, String before, String now, int at) {
        boolean primary = table.primaryKey.filter(key -> table.same(key.name(), before)).isPresent();
        boolean known = primary || table.uniqueKeys.stream().anyMatch(key -> table.same(key.name(), before)) || table.foreignKeys.stream().anyMatch(key -> table.same(key.name(), before))
                || table.checks.stream().anyMatch(check -> table.same(check.name(), before));
        if (!known && !before.endsWith("_not_null")) {
            throw Unreadable.amiss(at, "the table " + table.name + " has no constraint " + before);
        }
        implied.given(table, now);
        table.primaryKey = table.primaryKey.map(key -> primary ? new PrimaryKey(now, key.columns()) : key);
        table.uniqueKeys.replaceAll(key -> table.same(key.name(), before) ? new UniqueKey(now, key.columns()) : key);
        table.foreignKeys.replaceAll(key -> table.same(key.name(), before) ? key.named(now) : key);
        table.checks.replaceAll(check -> table.same(check.name(), before) ? new CheckRule(now, check.condition()) : check);
    }

    /** PostgreSQL manual, ALTER TABLE ... ATTACH PARTITION: the partition gets the keys of the whole that it does not have. */
    private void attach(TableDraft whole) {
        tokens.at++;
        tokens.expect(Word.PARTITION);
        int at = tokens.at;
        QName name = definitions.qualified();
        TableDraft part = drafts.table(name).orElseThrow(() -> Unreadable.amiss(at, "no table " + name.name() + " is known here"));
        whole.heirs.add(part);
        part.partition = true;
        whole.primaryKey.ifPresent(key -> {
            if (part.primaryKey.isEmpty()) {
                definitions.setPrimaryKey(part, "", key.columns());
            }
        });
        whole.uniqueKeys.stream().filter(key -> part.uniqueKeys.stream().noneMatch(own -> own.columns().equals(key.columns())))
                .toList().forEach(key -> definitions.addUnique(part, "", key.columns()));
        for (ForeignKey key : whole.foreignKeys) {
            if (part.foreignKeys.stream().noneMatch(own -> own.columns().equals(key.columns()) && own.referencedTable().equals(key.referencedTable()))) {
                part.foreignKeys.add(key);
            }
        }
        whole.indexes.stream().filter(index -> part.indexes.stream().noneMatch(own -> own.columns().equals(index.columns()))).toList()
                .forEach(index -> definitions.copyIndex(part, index));
        tokens.at = tokens.limit;
    }
}
