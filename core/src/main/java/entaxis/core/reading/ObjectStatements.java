package entaxis.core.reading;

import entaxis.core.design.Attribute.Identity;
import entaxis.core.design.Attribute.Numbering;
import entaxis.core.design.ProgramKind;
import entaxis.core.design.Target;
import entaxis.core.reading.SchemaBuilder.QName;
import entaxis.core.reading.SchemaBuilder.SequenceDraft;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.Program;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.schema.TypeDefinition.FieldDefinition;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.schema.UniqueKey;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;

/** Reads statements on what stands beside tables: indexes, sequences, types, views and routines, comments. */
final class ObjectStatements {
    private final TokenCursor tokens;
    private final SchemaBuilder drafts;
    private final DefinitionParser definitions;
    private final TypeParser types;
    private final ImpliedNames implied;
    private final StepOver pass;

    ObjectStatements(TokenCursor tokens, SchemaBuilder drafts, DefinitionParser definitions, TypeParser types,
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

    // indexes

    /** Reads CREATE INDEX from behind that word. */
    void createIndex(boolean unique, boolean replace, String given) {
        int from = 0;
        tokens.accept(Keyword.CONCURRENTLY);
        boolean ifAbsent = tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        QName name = tokens.is(Keyword.ON) && tokens.word(tokens.at + 1) != Keyword.ON ? new QName("", "")
                : definitions.qualified();
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
        QName tableName = definitions.qualified();
        Optional<TableBuilder> found = drafts.table(tableName);
        if (found.isEmpty()) {
            if (drafts.passing.contains(drafts.key(tableName)) || drafts.programs.containsKey(drafts.key(tableName))) {
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
        List<IndexColumn> columns = definitions.indexColumns();
        Optional<String> predicate = Optional.empty();
        while (!tokens.atEnd() && !(is(Target.SQLSERVER) && startsNext())) {
            if (tokens.accept(Keyword.WHERE)) {
                int begin = tokens.at;
                while (!tokens.atEnd() && !(is(Target.SQLSERVER)
                        && (startsNext() || tokens.is(Keyword.WITH) || tokens.is(Keyword.ON)))) {
                    tokens.at++;
                }
                predicate = Optional.of(definitions.bare(begin, tokens.at));
            } else if (tokens.accept(Keyword.USING)) {
                method = method(tokens.name());
            } else if (tokens.sign('(')) {
                tokens.skipRound();
            } else if (option()) {
                tokens.at++;
            } else {
                throw tokens.unreadable("this is not understood behind an index");
            }
        }
        String named = name.name().isEmpty() ? implied.index(table, DefinitionParser.nameParts(columns))
                : implied.given(table, name.name());
        List<IndexColumn> held = new ArrayList<>(columns.size());
        for (IndexColumn column : columns) {
            held.add(column.expression() ? column : column.named(table.spelled(column.name())
                    .orElseThrow(() -> StatementException.conflict(at,
                            "the table " + table.name + " has no column " + column.name()))));
        }
        definitions.addIndex(table, new TableIndex(named, unique, held, method, predicate));
        if (!only && !table.heirs.isEmpty()) {
            partitionsGet(table, table.indexes.getLast());
        }
    }

    private boolean isThere(TableBuilder table, String name) {
        return mySql()
                ? table.indexes.stream().anyMatch(index -> index.name().equalsIgnoreCase(name))
                        || table.uniqueKeys.stream().anyMatch(key -> key.name().equalsIgnoreCase(name))
                : drafts.tableOfIndex(name).isPresent();
    }

    /** PostgreSQL manual, CREATE INDEX: each partition gets one like it. */
    private void partitionsGet(TableBuilder whole, TableIndex index) {
        whole.heirs.stream().filter(heir -> heir.partition).forEach(part -> {
            definitions.copyIndex(part, index);
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

    private boolean startsNext() {
        return switch (tokens.word()) {
            case CREATE, ALTER, DROP, INSERT, EXEC, EXECUTE, IF, SET, USE, PRINT, DECLARE, GRANT, COMMIT, END, SELECT,
                    UPDATE, DELETE, BEGIN -> true;
            default -> false;
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
            QName name = definitions.qualified();
            Optional<TableBuilder> table = tokens.accept(Keyword.ON) ? drafts.table(definitions.qualified())
                    : is(Target.SQLSERVER) && !name.namespace().isEmpty()
                            ? drafts.table(new QName("", name.namespace()))
                    : drafts.tableOfIndex(name.name());
            boolean gone = table
                    .map(owner -> owner.indexes.removeIf(index -> index.name().equalsIgnoreCase(name.name()))
                            | (mySql() && owner.uniqueKeys.removeIf(key -> key.name().equalsIgnoreCase(name.name()))))
                    .orElse(false);
            drafts.forgetIndex(name.name());
            if (!gone && !ifThere) {
                throw StatementException.conflict(at, "no index " + name.name() + " is known here");
            }
        } while (tokens.acceptSign(','));
        if (mySql() || is(Target.SQLSERVER)) {
            while (!tokens.atEnd() && !(is(Target.SQLSERVER) && startsNext())) {
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
        QName name = definitions.qualified();
        if (!tokens.accept(Keyword.RENAME)) {
            pass.over(from, tokens.is(Keyword.ATTACH) ? "partitioning" : "storage options");
            return;
        }
        tokens.expect(Keyword.TO);
        String now = tokens.name();
        Optional<TableBuilder> table = drafts.tableOfIndex(name.name());
        for (TableBuilder owner : drafts.tables()) {
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
                    ? new TableIndex(now, index.unique(), index.columns(), index.method(), index.predicate()) : index);
            owner.uniqueKeys
                    .replaceAll(key -> key.name().equals(name.name()) ? new UniqueKey(now, key.columns()) : key);
            owner.primaryKey = owner.primaryKey
                    .map(key -> key.name().equals(name.name()) ? new PrimaryKey(now, key.columns()) : key);
            drafts.forgetIndex(name.name());
            drafts.index(implied.given(owner, now), owner);
        });
    }

    // sequences

    void createSequence(boolean temporary) {
        boolean ifAbsent = tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        int at = tokens.at;
        QName name = definitions.qualified();
        if (tokens.accept(Keyword.AS)) {
            types.read();
        }
        int begin = tokens.at;
        int end = begin;
        while (end < tokens.limit && !(is(Target.SQLSERVER) && starts(end))) {
            end++;
        }
        Numbering numbers = definitions.sequenceOptions(end);
        if (temporary || ifAbsent && drafts.sequence(name).isPresent()) {
            return;
        }
        if (drafts.sequence(name).isPresent()) {
            throw StatementException.conflict(at, "a sequence " + name.name() + " is there already");
        }
        QName placed = new QName(drafts.placed(name), name.name());
        drafts.sequences.put(drafts.key(name),
                new SequenceDraft(placed, numbers.start(), numbers.step(), Optional.empty(), Optional.empty()));
        owned(name, begin, end);
        tokens.at = end;
    }

    private boolean starts(int token) {
        int at = tokens.at;
        tokens.at = token;
        boolean starts = startsNext();
        tokens.at = at;
        return starts;
    }

    /** PostgreSQL manual, CREATE SEQUENCE: OWNED BY. */
    private void owned(QName name, int begin, int end) {
        for (int i = begin; i + 2 < end; i++) {
            if (tokens.word(i) == Keyword.OWNED && tokens.word(i + 1) == Keyword.BY) {
                tokens.at = i + 2;
                if (tokens.is(Keyword.NO) || tokens.reads(tokens.at, "NONE")) {
                    return;
                }
                List<String> parts = new ArrayList<>();
                do {
                    parts.add(tokens.name());
                } while (tokens.acceptSign('.'));
                if (parts.size() < 2) {
                    return;
                }
                QName tableName =
                        new QName(parts.size() > 2 ? parts.get(parts.size() - 3) : "", parts.get(parts.size() - 2));
                drafts.table(tableName).ifPresent(
                        table -> table.column(parts.getLast()).ifPresent(column -> own(name, table, column)));
                return;
            }
        }
    }

    private void own(QName name, TableBuilder table, ColumnBuilder column) {
        SequenceDraft sequence = drafts.sequence(name).map(found -> found.ownedBy(table, column))
                .orElse(new SequenceDraft(name, 1, 1, Optional.of(table), Optional.of(column)));
        drafts.sequences.put(drafts.key(name), sequence);
        if (column.defaultValue.toLowerCase(Locale.ROOT).startsWith("nextval")
                || column.defaultValue.toLowerCase(Locale.ROOT).startsWith("pg_catalog.nextval")) {
            definitions.setDefault(column, column.defaultValue);
        }
    }

    void alterSequence(int from) {
        tokens.at++;
        tokens.accept(Keyword.IF, Keyword.EXISTS);
        QName name = definitions.qualified();
        owned(name, tokens.at, tokens.limit);
        for (int i = from; i + 1 < tokens.limit; i++) {
            if (tokens.word(i) == Keyword.RENAME && tokens.word(i + 1) == Keyword.TO && tokens.isName(i + 2)) {
                String now = tokens.nameAt(i + 2);
                drafts.sequence(name).ifPresent(sequence -> {
                    drafts.sequences.remove(drafts.key(name));
                    QName renamed = new QName(name.namespace(), now);
                    drafts.sequences.put(drafts.key(renamed), sequence.named(renamed));
                });
                tokens.at = tokens.limit;
                return;
            }
        }
        pass.over(from, "numbering");
    }

    void dropSequence(int from) {
        tokens.at++;
        tokens.accept(Keyword.IF, Keyword.EXISTS);
        do {
            QName name = definitions.qualified();
            drafts.sequence(name).flatMap(SequenceDraft::column).ifPresent(column -> column.identity = Identity.NONE);
            drafts.sequences.remove(drafts.key(name));
        } while (tokens.acceptSign(','));
        if (!tokens.accept(Keyword.CASCADE)) {
            tokens.accept(Keyword.RESTRICT);
        }
    }

    // types

    void createDomain() {
        boolean ifAbsent = tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        int at = tokens.at;
        QName name = definitions.qualified();
        if (drafts.types.containsKey(drafts.key(name))) {
            if (ifAbsent) {
                pass.over(at, "type that is there already");
                return;
            }
            throw StatementException.conflict(at, "a type " + name.name() + " is there already");
        }
        tokens.accept(Keyword.AS);
        if (tokens.is(Keyword.ROW) && tokens.sign(tokens.at + 1, '(')) {
            tokens.at++;
            define(name, new StructureDefinition(name.name(), fields(), ""));
            return;
        }
        SqlType base = types.read().type();
        if (base instanceof SqlType.EnumType(List<String> values)) {
            define(name, new EnumDefinition(name.name(), values, ""));
            if (tokens.is(Keyword.DEFAULT)) {
                pass.over(tokens.at, "default of an enumeration");
            }
            return;
        }
        Optional<String> defaultValue = Optional.empty();
        String key = drafts.key(name);
        drafts.domainRules.begin(key);
        String constraint = "";
        boolean required = false;
        boolean more = true;
        while (more) {
            if (tokens.accept(Keyword.DEFAULT)) {
                defaultValue = Optional.of(definitions.expression());
            } else if (tokens.accept(Keyword.CONSTRAINT)) {
                constraint = tokens.name();
            } else if (tokens.accept(Keyword.CHECK)) {
                String condition = tokens.inRound();
                String checkName = constraint.isEmpty() && is(Target.POSTGRESQL) ? name.name() + "_check" : constraint;
                drafts.domainRules.add(key, new CheckRule(checkName, condition));
                constraint = "";
                definitions.constraintEnd();
            } else if (tokens.accept(Keyword.COLLATE)) {
                definitions.qualified();
            } else if (tokens.accept(Keyword.NOT, Keyword.NULL)) {
                required = true;
            } else {
                more = tokens.accept(Keyword.NULL);
            }
        }
        define(name, new DomainDefinition(name.name(), base, defaultValue, drafts.domainRules.all(key), "")
                .withRequired(required));
    }

    private void define(QName name, TypeDefinition type) {
        drafts.types.put(drafts.key(name), type);
    }

    void createType(int from) {
        tokens.at++;
        if (tokens.is(Keyword.BODY)) {
            pass.over(from, "type body");
            return;
        }
        tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        int at = tokens.at;
        QName name = definitions.qualified();
        if (drafts.types.containsKey(drafts.key(name))) {
            throw StatementException.conflict(at, "a type " + name.name() + " is there already");
        }
        if (tokens.accept(Keyword.FROM)) {
            SqlType base = types.read().type();
            define(name, new DomainDefinition(name.name(), base, Optional.empty(), Optional.empty(), ""));
            if (tokens.accept(Keyword.NOT, Keyword.NULL)) {
                drafts.requiredTypes.add(drafts.key(name));
            } else {
                tokens.accept(Keyword.NULL);
            }
            return;
        }
        if (tokens.atEnd()) {
            return;
        }
        if (!tokens.accept(Keyword.AS) && !tokens.accept(Keyword.IS)) {
            pass.over(from, "type of the engine's own making");
            return;
        }
        if (tokens.accept(Keyword.ENUM)) {
            define(name, new EnumDefinition(name.name(), strings(), ""));
            return;
        }
        if (tokens.is(Keyword.TABLE) || tokens.is(Keyword.VARYING) || tokens.is(Keyword.RANGE)
                || tokens.reads(tokens.at, "VARRAY") || tokens.is(Keyword.VARCHAR)) {
            pass.over(from, "type of the engine's own making");
            return;
        }
        tokens.accept(Keyword.OBJECT);
        if (!tokens.sign('(')) {
            pass.over(from, "type of the engine's own making");
            return;
        }
        List<FieldDefinition> fields = fields();
        while (!tokens.atEnd() && is(Target.ORACLE) && tokens.kind(tokens.at) == TokenizedStatement.WORD) {
            tokens.at++;
        }
        define(name, new StructureDefinition(name.name(), fields, ""));
    }

    private List<FieldDefinition> fields() {
        tokens.expectSign('(');
        List<FieldDefinition> fields = new ArrayList<>();
        while (!tokens.acceptSign(')')) {
            boolean method = tokens.reads(tokens.at, "MEMBER") || tokens.reads(tokens.at, "STATIC")
                    || tokens.reads(tokens.at, "CONSTRUCTOR");
            if (method) {
                while (!tokens.atEnd() && !tokens.sign(',') && !tokens.sign(')')) {
                    if (tokens.sign('(')) {
                        tokens.skipRound();
                    } else {
                        tokens.at++;
                    }
                }
            } else {
                String field = tokens.name();
                fields.add(new FieldDefinition(field, types.read().type()));
                if (tokens.accept(Keyword.COLLATE)) {
                    definitions.qualified();
                }
            }
            if (!tokens.acceptSign(',') && !tokens.sign(')')) {
                throw tokens.unreadable("a comma or a bracket is expected here");
            }
        }
        return fields;
    }

    private List<String> strings() {
        tokens.expectSign('(');
        List<String> values = new ArrayList<>();
        while (!tokens.acceptSign(')')) {
            values.add(tokens.string());
            if (!tokens.sign(')')) {
                tokens.expectSign(',');
            }
        }
        return values;
    }

    void alterType(int from) {
        tokens.at++;
        int at = tokens.at;
        QName name = definitions.qualified();
        String key = drafts.key(name);
        TypeDefinition type = drafts.types.get(key);
        if (tokens.is(Keyword.OWNER) || tokens.is(Keyword.SET)) {
            pass.over(from, "owner");
            return;
        }
        if (type == null) {
            throw StatementException.conflict(at, "no type " + name.name() + " is known here");
        }
        if (tokens.accept(Keyword.ADD, Keyword.VALUE) && type instanceof EnumDefinition enumeration) {
            addValue(key, enumeration);
        } else if (tokens.accept(Keyword.RENAME, Keyword.VALUE) && type instanceof EnumDefinition enumeration) {
            String before = tokens.string();
            tokens.expect(Keyword.TO);
            String now = tokens.string();
            drafts.types.put(key,
                    new EnumDefinition(enumeration.name(),
                            enumeration.values().stream().map(value -> value.equals(before) ? now : value).toList(),
                            enumeration.comment()));
        } else if (tokens.accept(Keyword.RENAME, Keyword.TO)) {
            rename(key, type, new QName(name.namespace(), tokens.name()));
        } else if (type instanceof StructureDefinition structure && tokens.reads(tokens.at + 1, "ATTRIBUTE")) {
            drafts.types.put(key, new StructureDefinition(structure.name(), fields(structure), structure.comment()));
        } else {
            pass.over(from, "change of a type");
        }
    }

    /** PostgreSQL manual, ALTER TYPE: the fields of a structured type come, go, change and are renamed. */
    private List<FieldDefinition> fields(StructureDefinition structure) {
        List<FieldDefinition> fields = new ArrayList<>(structure.fields());
        do {
            Keyword verb = tokens.word();
            tokens.at += 2;
            boolean ifThere = tokens.accept(Keyword.IF, Keyword.EXISTS);
            int at = tokens.at;
            String field = tokens.name();
            int place = IntStream.range(0, fields.size()).filter(i -> fields.get(i).name().equals(field)).findFirst()
                    .orElse(-1);
            if (verb != Keyword.ADD && place < 0 && !ifThere) {
                throw StatementException.conflict(at, "the type " + structure.name() + " has no field " + field);
            }
            switch (verb) {
                case ADD -> fields.add(new FieldDefinition(field, types.read().type()));
                case DROP -> fields.removeIf(own -> own.name().equals(field));
                case RENAME -> {
                    tokens.expect(Keyword.TO);
                    fields.set(place, new FieldDefinition(tokens.name(), fields.get(place).type()));
                }
                case ALTER -> {
                    tokens.accept(Keyword.SET, Keyword.DATA);
                    tokens.expect(Keyword.TYPE);
                    fields.set(place, new FieldDefinition(field, types.read().type()));
                }
                default -> throw tokens.unreadable("ADD, DROP, ALTER or RENAME is expected here");
            }
            while (!tokens.atEnd() && !tokens.sign(',')) {
                tokens.at++;
            }
        } while (tokens.acceptSign(','));
        return fields;
    }

    private void addValue(String key, EnumDefinition enumeration) {
        boolean ifAbsent = tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        String value = tokens.string();
        List<String> values = new ArrayList<>(enumeration.values());
        boolean before = tokens.is(Keyword.BEFORE);
        int place = values.size();
        if (before || tokens.is(Keyword.AFTER)) {
            tokens.at++;
            int neighbour = values.indexOf(tokens.string());
            place = neighbour < 0 ? place : neighbour + (before ? 0 : 1);
        }
        if (!(ifAbsent && values.contains(value))) {
            values.add(place, value);
        }
        drafts.types.put(key, new EnumDefinition(enumeration.name(), values, enumeration.comment()));
    }

    private void rename(String key, TypeDefinition type, QName now) {
        drafts.types.remove(key);
        drafts.domainRules.move(key, drafts.key(now));
        if (drafts.requiredTypes.remove(key)) {
            drafts.requiredTypes.add(drafts.key(now));
        }
        define(now, switch (type) {
            case DomainDefinition domain -> new DomainDefinition(now.name(), domain.base(), domain.defaultValue(),
                    domain.check(), domain.comment());
            case EnumDefinition enumeration ->
                    new EnumDefinition(now.name(), enumeration.values(), enumeration.comment());
            case StructureDefinition structure ->
                    new StructureDefinition(now.name(), structure.fields(), structure.comment());
        });
        drafts.tables()
                .forEach(table -> table.columns.stream()
                        .filter(column -> column.type.equals(new SqlType.UserType(type.name())))
                .forEach(column -> column.type = new SqlType.UserType(now.name())));
    }

    void alterDomain(int from) {
        tokens.at++;
        QName name = definitions.qualified();
        String key = drafts.key(name);
        Optional<TypeDefinition> type = Optional.ofNullable(drafts.types.get(key));
        if (type.isPresent() && tokens.accept(Keyword.RENAME, Keyword.TO)) {
            rename(key, type.get(), new QName(name.namespace(), tokens.name()));
            return;
        }
        if (!(drafts.types.get(key) instanceof DomainDefinition domain)) {
            pass.over(from, "change of a type");
            return;
        }
        if (tokens.accept(Keyword.RENAME, Keyword.CONSTRAINT)) {
            String before = tokens.name();
            tokens.expect(Keyword.TO);
            drafts.domainRules.rename(key, before, tokens.name());
            drafts.types.put(key, domain.withRule(drafts.domainRules.all(key)));
        } else if (tokens.accept(Keyword.SET, Keyword.DEFAULT)) {
            drafts.types.put(key, domain.withDefault(Optional.of(definitions.expression())));
        } else if (tokens.accept(Keyword.DROP, Keyword.DEFAULT)) {
            drafts.types.put(key, domain.withDefault(Optional.empty()));
        } else if (tokens.accept(Keyword.SET, Keyword.NOT, Keyword.NULL)
                || tokens.accept(Keyword.ADD, Keyword.NOT, Keyword.NULL)) {
            drafts.types.put(key, domain.withRequired(true));
        } else if (tokens.accept(Keyword.DROP, Keyword.NOT, Keyword.NULL)) {
            drafts.types.put(key, domain.withRequired(false));
        } else if (tokens.accept(Keyword.ADD)) {
            String named =
                    tokens.accept(Keyword.CONSTRAINT) ? definitions.qualified().name() : domain.name() + "_check";
            tokens.expect(Keyword.CHECK);
            CheckRule check = new CheckRule(named, tokens.inRound());
            definitions.constraintEnd();
            drafts.domainRules.add(key, check);
            drafts.types.put(key, domain.withRule(drafts.domainRules.all(key)));
        } else if (tokens.accept(Keyword.DROP, Keyword.CONSTRAINT)) {
            tokens.accept(Keyword.IF, Keyword.EXISTS);
            drafts.domainRules.drop(key, tokens.name());
            if (!tokens.accept(Keyword.CASCADE)) {
                tokens.accept(Keyword.RESTRICT);
            }
            drafts.types.put(key, domain.withRule(drafts.domainRules.all(key)));
        } else {
            pass.over(from, "change of a type");
        }
    }

    void dropType(int from) {
        tokens.at++;
        tokens.accept(Keyword.IF, Keyword.EXISTS);
        List<String> gone = new ArrayList<>();
        do {
            Optional.ofNullable(drafts.types.remove(drafts.key(definitions.qualified())))
                    .ifPresent(type -> gone.add(type.name()));
        } while (tokens.acceptSign(','));
        tokens.accept(Keyword.IF, Keyword.EXISTS);
        if (tokens.accept(Keyword.CASCADE)) {
            gone.forEach(this::withoutColumnsOf);
        } else {
            tokens.accept(Keyword.RESTRICT);
        }
        tokens.accept(Keyword.FORCE);
    }

    /** PostgreSQL manual, DROP TYPE: columns of the type go with it. */
    private void withoutColumnsOf(String type) {
        if (is(Target.POSTGRESQL)) {
            drafts.tables().forEach(table -> table.columns.stream()
                    .filter(column -> column.type.equals(new SqlType.UserType(type))).toList().forEach(column -> {
                drafts.dropReferences(table, List.of(column.name));
                table.drop(column, false);
            }));
        }
    }

    // what is carried as text

    /** Carries a view, routine or trigger as its text. */
    void program(int from, ProgramKind kind, boolean materialized) {
        tokens.at++;
        String body = tokens.accept(Keyword.BODY) ? "\u0000body" : "";
        tokens.accept(Keyword.CONCURRENTLY);
        tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        QName name = definitions.qualified();
        String overload = kind == ProgramKind.FUNCTION && tokens.sign('(') ? "\u0000" + kind
                : "\u0000" + (kind == ProgramKind.VIEW ? "" : kind);
        String key = kind == ProgramKind.VIEW ? drafts.key(name) : drafts.key(name) + overload + body
                + (kind == ProgramKind.FUNCTION && tokens.sign('(') ? signature() : "");
        drafts.programs.put(key, new Program(kind, drafts.placed(name), name.name(), drafts.engine,
                tokens.verbatim(from, tokens.limit)));
        tokens.at = tokens.limit;
    }

    private String signature() {
        int at = tokens.at;
        String text = tokens.inRound();
        tokens.at = at;
        return text;
    }

    /**
     * CREATE EVENT TRIGGER of PostgreSQL, or an event of MySQL: both act by themselves and say nothing about tables.
     */
    void eventOrTrigger(int from) {
        pass.over(from, "event");
    }

    void alterProgram(int from) {
        boolean view = tokens.is(Keyword.VIEW);
        if (is(Target.SQLSERVER) || mySql() && view) {
            ProgramKind kind = view ? ProgramKind.VIEW : tokens.is(Keyword.TRIGGER) ? ProgramKind.TRIGGER
                    : tokens.is(Keyword.FUNCTION) ? ProgramKind.FUNCTION : ProgramKind.PROCEDURE;
            if (is(Target.SQLSERVER)) {
                program(from, kind, false);
                return;
            }
        }
        if (tokens.accept(Keyword.MATERIALIZED) || view) {
            tokens.accept(Keyword.VIEW);
            tokens.accept(Keyword.IF, Keyword.EXISTS);
            QName name = definitions.qualified();
            if (tokens.accept(Keyword.RENAME, Keyword.TO)) {
                String now = tokens.name();
                Optional.ofNullable(drafts.programs.remove(drafts.key(name))).ifPresent(program -> drafts.programs.put(
                        drafts.key(new QName(name.namespace(), now)),
                        new Program(program.kind(), program.namespace(), now, program.target(), program.text())));
                return;
            }
        }
        pass.over(from, "change of a view or routine");
    }

    void dropProgram(int from) {
        Keyword kind = tokens.word();
        tokens.at++;
        tokens.accept(Keyword.VIEW);
        tokens.accept(Keyword.BODY);
        if (kind == Keyword.EVENT || !tokens.isName(tokens.at)) {
            pass.over(from, "event");
            return;
        }
        tokens.accept(Keyword.IF, Keyword.EXISTS);
        boolean any = false;
        do {
            QName name = definitions.qualified();
            String key = drafts.key(name);
            any |= drafts.programs.remove(key) != null;
            any |= drafts.programs.keySet().removeIf(other -> other.startsWith(key + "\u0000"));
            if (tokens.sign('(')) {
                tokens.skipRound();
            }
        } while (tokens.acceptSign(','));
        if (tokens.accept(Keyword.ON)) {
            definitions.qualified();
        }
        if (!tokens.accept(Keyword.CASCADE)) {
            tokens.accept(Keyword.RESTRICT);
        }
        if (is(Target.ORACLE) && tokens.accept(Keyword.CASCADE)) {
            tokens.acceptReading("CONSTRAINTS");
        }
        if (!any) {
            pass.over(from, "drop of what is not there");
        }
    }

    // comments

    /** ISO has none; PostgreSQL manual, COMMENT; Oracle Database SQL Language Reference, COMMENT. */
    void comment() {
        int from = tokens.at;
        tokens.at++;
        if (!tokens.accept(Keyword.ON)) {
            throw tokens.unreadable("ON is expected behind COMMENT");
        }
        Keyword kind = tokens.word();
        tokens.at++;
        switch (kind) {
            case TABLE -> {
                int at = tokens.at;
                QName name = definitions.qualified();
                String text = commentText();
                drafts.table(name).ifPresentOrElse(table -> table.comment = text, () -> absent(name, at));
            }
            case COLUMN -> {
                int at = tokens.at;
                List<String> parts = new ArrayList<>();
                do {
                    parts.add(tokens.name());
                } while (tokens.acceptSign('.'));
                String text = commentText();
                if (parts.size() < 2) {
                    throw new StatementException(at, "a table and its column are expected here");
                }
                QName name =
                        new QName(parts.size() > 2 ? parts.get(parts.size() - 3) : "", parts.get(parts.size() - 2));
                Optional<TableBuilder> table = drafts.table(name);
                if (table.isEmpty()) {
                    absent(name, at);
                } else {
                    table.get().column(parts.getLast()).orElseThrow(() -> StatementException.conflict(at,
                            "the table " + name.name() + " has no column " + parts.getLast())).comment = text;
                }
            }
            case DOMAIN, TYPE -> {
                QName name = definitions.qualified();
                String text = commentText();
                drafts.types.computeIfPresent(drafts.key(name), (key, type) -> switch (type) {
                    case DomainDefinition domain -> new DomainDefinition(domain.name(), domain.base(),
                            domain.defaultValue(), domain.check(), text);
                    case EnumDefinition enumeration ->
                            new EnumDefinition(enumeration.name(), enumeration.values(), text);
                    case StructureDefinition structure ->
                            new StructureDefinition(structure.name(), structure.fields(), text);
                });
            }
            default -> pass.over(from, "comment on something else");
        }
    }

    private void absent(QName name, int at) {
        boolean carried = drafts.programs.containsKey(drafts.key(name)) || drafts.passing.contains(drafts.key(name))
                || drafts.types.containsKey(drafts.key(name));
        if (!carried) {
            throw StatementException.conflict(at, "no table " + name.name() + " is known here");
        }
    }

    private String commentText() {
        tokens.expect(Keyword.IS);
        return tokens.accept(Keyword.NULL) ? "" : tokens.string();
    }

    // procedures of the engine

    /** The name before an equals sign; none where something else stands there. */
    private String label() {
        return tokens.isName(tokens.at - 2) ? tokens.nameAt(tokens.at - 2).toLowerCase(Locale.ROOT) : "";
    }

    /** SQL Server documentation: sp_rename, sp_addextendedproperty; a text that is run is read. */
    void procedureCall(int from) {
        tokens.at++;
        if (tokens.sign('(') && tokens.kind(tokens.at + 1) == TokenizedStatement.STRING
                && tokens.sign(tokens.at + 2, ')')) {
            pass.over(from, "statement in a text");
            return;
        }
        if (!is(Target.SQLSERVER) || !tokens.isName(tokens.at)) {
            pass.over(from, "call of a procedure");
            return;
        }
        String procedure = definitions.qualified().name().toLowerCase(Locale.ROOT);
        List<String> given = new ArrayList<>();
        List<String> labels = new ArrayList<>();
        while (!tokens.atEnd() && !startsNext()) {
            if (tokens.kind(tokens.at) == TokenizedStatement.STRING) {
                labels.add(tokens.sign(tokens.at - 1, '=') ? label() : "");
                given.add(tokens.stringAt(tokens.at));
            } else if ((tokens.isName(tokens.at) || tokens.is(Keyword.NULL)) && !tokens.sign(tokens.at + 1, '=')
                    && !tokens.sign(tokens.at - 1, '=')) {
                labels.add("");
                given.add(tokens.is(Keyword.NULL) ? "" : tokens.nameAt(tokens.at));
            } else if (tokens.sign(tokens.at - 1, '=') && tokens.isName(tokens.at)) {
                labels.add(label());
                given.add(tokens.nameAt(tokens.at));
            }
            tokens.at++;
        }
        int end = tokens.at;
        boolean understood = switch (procedure) {
            case "sp_rename" -> renamed(given);
            case "sp_addextendedproperty", "sp_updateextendedproperty" -> described(given, labels);
            default -> false;
        };
        if (!understood) {
            pass.over(from, procedure.startsWith("sp_") || procedure.startsWith("xp_") ? "procedure of the engine"
                    : "call of a procedure");
        }
        tokens.at = end;
    }

    private boolean renamed(List<String> given) {
        if (given.size() < 2) {
            return false;
        }
        List<String> path = List.of(given.getFirst().replace("[", "").replace("]", "").split("\\."));
        boolean column = given.size() > 2 && given.get(2).equalsIgnoreCase("column");
        String now = given.get(1);
        if (column && path.size() >= 2) {
            Optional<TableBuilder> table = drafts
                    .table(new QName(path.size() > 2 ? path.get(path.size() - 3) : "", path.get(path.size() - 2)));
            table.flatMap(owner -> owner.column(path.getLast())).ifPresent(own -> drafts.rename(table.get(), own, now));
            return table.isPresent();
        }
        if (given.size() > 2 && given.get(2).equalsIgnoreCase("index") && path.size() >= 2) {
            Optional<TableBuilder> table = drafts
                    .table(new QName(path.size() > 2 ? path.get(path.size() - 3) : "", path.get(path.size() - 2)));
            table.ifPresent(owner -> owner.indexes.replaceAll(index -> owner.same(index.name(), path.getLast())
                    ? new TableIndex(now, index.unique(), index.columns(), index.method(), index.predicate()) : index));
            table.ifPresent(owner -> drafts.index(now, owner));
            return table.isPresent();
        }
        QName name = new QName(path.size() > 1 ? path.get(path.size() - 2) : "", path.getLast());
        if (given.size() > 2 && given.get(2).equalsIgnoreCase("userdatatype")) {
            Optional<TypeDefinition> type = Optional.ofNullable(drafts.types.get(drafts.key(name)));
            type.ifPresent(known -> rename(drafts.key(name), known, new QName(name.namespace(), now)));
            return type.isPresent();
        }
        Optional<TableBuilder> table = drafts.table(name);
        if (table.isEmpty() && given.size() > 2 && given.get(2).equalsIgnoreCase("object")) {
            return renamedConstraint(path.getLast(), now);
        }
        table.ifPresent(owner -> drafts.rename(owner, name, new QName("", now)));
        return table.isPresent();
    }

    private boolean renamedConstraint(String before, String now) {
        boolean found = false;
        for (TableBuilder table : drafts.tables()) {
            boolean own = table.primaryKey.filter(key -> table.same(key.name(), before)).isPresent()
                    || table.uniqueKeys.stream().anyMatch(key -> table.same(key.name(), before))
                    || table.foreignKeys.stream().anyMatch(key -> table.same(key.name(), before))
                    || table.checks.stream().anyMatch(check -> table.same(check.name(), before));
            found |= own;
            if (own) {
                table.primaryKey = table.primaryKey
                        .map(key -> table.same(key.name(), before) ? new PrimaryKey(now, key.columns()) : key);
                table.uniqueKeys
                        .replaceAll(key -> table.same(key.name(), before) ? new UniqueKey(now, key.columns()) : key);
                table.foreignKeys.replaceAll(key -> table.same(key.name(), before) ? key.named(now) : key);
                table.checks.replaceAll(
                        check -> table.same(check.name(), before) ? new CheckRule(now, check.condition()) : check);
            }
        }
        return found;
    }

    private boolean described(List<String> given, List<String> labels) {
        String property = argument(given, labels, "@name", 0);
        String value = argument(given, labels, "@value", 1);
        String table = argument(given, labels, "@level1name", 5);
        String column = argument(given, labels, "@level2name", 7);
        String schema = argument(given, labels, "@level0name", 3);
        boolean ofTable = argument(given, labels, "@level1type", 4).equalsIgnoreCase("table");
        if (!property.equalsIgnoreCase("MS_Description") || !ofTable) {
            return false;
        }
        Optional<TableBuilder> found = drafts.table(new QName(schema, table));
        found.ifPresent(owner -> {
            if (column.isEmpty()) {
                owner.comment = value;
            } else {
                owner.column(column).ifPresent(own -> own.comment = value);
            }
        });
        return found.isPresent();
    }

    private static String argument(List<String> given, List<String> labels, String label, int place) {
        int at = labels.indexOf(label);
        boolean anyLabel = labels.stream().anyMatch(other -> !other.isEmpty());
        return at >= 0 ? given.get(at) : !anyLabel && place < given.size() ? given.get(place) : "";
    }
}
