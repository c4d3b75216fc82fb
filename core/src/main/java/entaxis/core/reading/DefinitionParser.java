package entaxis.core.reading;

import entaxis.core.design.Attribute.Identity;
import entaxis.core.design.Attribute.Numbering;
import entaxis.core.design.ReferentialAction;
import entaxis.core.design.Target;
import entaxis.core.reading.SchemaBuilder.QName;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Deferral;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.UniqueKey;
import entaxis.core.token.Lexer;
import entaxis.core.token.Token;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Reads what stands in the brackets of CREATE TABLE and behind ADD of ALTER TABLE: columns with their clauses, and
 * constraints (ISO/IEC 9075-2, 11.3 to 11.9; the engines' manuals).
 */
final class DefinitionParser {
    private static final Set<String> SEQUENCE_WORDS = Set.of("START", "WITH", "INCREMENT", "BY", "MINVALUE", "MAXVALUE",
            "NOMINVALUE", "NOMAXVALUE", "CYCLE", "NOCYCLE", "CACHE", "NOCACHE", "ORDER",
            "NOORDER", "KEEP", "NOKEEP", "SCALE", "NOSCALE", "LIMIT", "VALUE");

    private static final int MAX_BRACKETS = 3;
    private final TokenCursor tokens;
    private final SchemaBuilder drafts;
    private final TypeParser types;
    private final ImpliedNames implied;
    /** Whether a column's clauses are being read: a comment among them is the column's. */
    private boolean inColumn;
    /** Texts of checks, so that equal ones share one string. */
    private final Map<String, String> texts = new HashMap<>();

    DefinitionParser(TokenCursor tokens, SchemaBuilder drafts, TypeParser types, ImpliedNames implied) {
        this.tokens = tokens;
        this.drafts = drafts;
        this.types = types;
        this.implied = implied;
    }

    private boolean mySql() {
        return drafts.engine == Target.MYSQL || drafts.engine == Target.MARIADB;
    }

    /**
     * A name with the schema before it; a variable of psql (PostgreSQL manual, “SQL Interpolation”) stands for itself.
     */
    QName qualified() {
        if (drafts.engine == Target.POSTGRESQL && tokens.sign(':') && tokens.isName(tokens.at + 1)) {
            tokens.at++;
        }
        String name = tokens.name();
        String namespace = "";
        while (tokens.acceptSign('.')) {
            namespace = name;
            name = tokens.sign('.') ? "" : tokens.name();
        }
        return new QName(namespace, name);
    }

    /** The name that a constraint is given, which may say its schema too. */
    private String newName() {
        return tokens.isName(tokens.at) && !tokens.sign(tokens.at + 1, '.') ? tokens.newNameAt(tokens.at++)
                : qualified().name();
    }

    /** Whether a constraint of the table, rather than a column, begins here. */
    boolean atConstraint() {
        Keyword next = tokens.word(tokens.at + 1);
        return switch (tokens.word()) {
            case CONSTRAINT, PRIMARY, UNIQUE, FOREIGN, CHECK -> true;
            case EXCLUDE ->
                    drafts.engine == Target.POSTGRESQL && (next == Keyword.USING || tokens.sign(tokens.at + 1, '('));
            case KEY, INDEX -> mySql() || drafts.engine == Target.SQLSERVER && tokens.is(Keyword.INDEX);
            case FULLTEXT, SPATIAL -> mySql() && (next == Keyword.KEY || next == Keyword.INDEX || next == Keyword.NONE);
            case PERIOD -> next == Keyword.FOR;
            default -> supplementalLog();
        };
    }

    /**
     * Oracle Database SQL Language Reference, supplemental_logging_props: it stands among the columns and says nothing
     * of them.
     */
    private boolean supplementalLog() {
        return drafts.engine == Target.ORACLE && tokens.reads(tokens.at, "SUPPLEMENTAL")
                && tokens.reads(tokens.at + 1, "LOG");
    }

    /** Reads a column with its clauses into a table. */
    ColumnBuilder column(TableBuilder table) {
        int start = tokens.at;
        boolean serial = mySql() && tokens.word(start + 1) == Keyword.SERIAL;
        ColumnBuilder column = bare();
        refuseTwice(table, column, start);
        if (column.identity != Identity.NONE && drafts.engine == Target.POSTGRESQL) {
            column.counted = "nextval('" + implied.sequence(table, column.name) + "'::regclass)";
        }
        column.required |= column.type instanceof SqlType.UserType(String type)
                && drafts.requiredTypes.contains(drafts.key(new QName("", type)));
        table.add(column);
        clauses(table, column);
        if (serial) {
            addUnique(table, "", List.of(column.name));
        }
        return column;
    }

    private static void refuseTwice(TableBuilder table, ColumnBuilder column, int start) {
        if (table.has(column.name)) {
            throw StatementException.conflict(start,
                    "the table " + table.name + " already has a column " + column.name);
        }
    }

    /** Reads a column's name and type. */
    ColumnBuilder bare() {
        String name = tokens.name();
        if (!types.begins()) {
            boolean computed = tokens.is(Keyword.AS) || tokens.is(Keyword.GENERATED);
            if (drafts.engine != Target.SQLITE && !computed) {
                throw tokens.unreadable("the column " + name + " has no type");
            }
            return new ColumnBuilder(name, new SqlType.NativeType(""));
        }
        boolean serial = mySql() && tokens.is(Keyword.SERIAL);
        TypeParser.Read type = types.read();
        ColumnBuilder column = new ColumnBuilder(name, type.type());
        if (type.counting() || serial) {
            column.identity = Identity.BY_DEFAULT;
            column.required = true;
        }
        return column;
    }

    /** Reads the clauses behind a column's type up to what ends the definition. */
    void clauses(TableBuilder table, ColumnBuilder column) {
        inColumn = true;
        try {
            eachClause(table, column);
        } finally {
            inColumn = false;
        }
    }

    private void eachClause(TableBuilder table, ColumnBuilder column) {
        String name = "";
        while (!tokens.atEnd() && !tokens.sign(',') && !tokens.sign(')')) {
            int before = tokens.at;
            Keyword word = tokens.word();
            if (word == Keyword.CONSTRAINT) {
                tokens.at++;
                name = implied.given(table, qualified().name());
                continue;
            }
            if (!clause(table, column, word, name)) {
                tokens.at = before;
                return;
            }
            name = "";
        }
    }

    private boolean clause(TableBuilder table, ColumnBuilder column, Keyword word, String name) {
        switch (word) {
            case NOT -> notClause(column);
            case NULL -> {
                tokens.at++;
                column.required = false;
            }
            case DEFAULT -> defaultClause(column);
            case PRIMARY, KEY -> {
                tokens.at++;
                if (word == Keyword.PRIMARY) {
                    tokens.expect(Keyword.KEY);
                }
                clustering();
                if (tokens.accept(Keyword.ASC) || tokens.accept(Keyword.DESC)) {
                    clustering();
                }
                setPrimaryKey(table, name, commaLeftOut() ? keyColumns() : List.of(column.name));
                constraintEnd();
            }
            case UNIQUE -> {
                tokens.at++;
                if (!tokens.accept(Keyword.KEY)) {
                    tokens.accept(Keyword.INDEX);
                }
                clustering();
                nullsDistinct();
                addUnique(table, name, commaLeftOut() ? keyColumns() : List.of(column.name));
                constraintEnd();
            }
            case CHECK -> {
                tokens.at++;
                notForReplication();
                String condition = tokens.inRound();
                if (isDocument(column, condition)) {
                    column.type = new SqlType.JsonType();
                } else {
                    addCheck(table, name, condition, column.name);
                }
                constraintEnd();
            }
            case FOREIGN -> {
                tokens.at++;
                tokens.expect(Keyword.KEY);
            }
            case REFERENCES -> {
                tokens.at++;
                addForeignKey(table, name, List.of(column.name));
            }
            case GENERATED -> generated(column);
            case AS -> {
                tokens.at++;
                if (tokens.is(Keyword.IDENTITY)) {
                    identity(column, Identity.ALWAYS);
                } else {
                    computed(column);
                }
            }
            case AUTO_INCREMENT, AUTOINCREMENT -> {
                tokens.at++;
                column.identity = Identity.BY_DEFAULT;
                if (drafts.engine == Target.H2 && tokens.sign('(')) {
                    numbers(column);
                }
            }
            case IDENTITY ->
                    identity(column, drafts.engine == Target.SQLSERVER ? Identity.ALWAYS : Identity.BY_DEFAULT);
            case COMMENT -> {
                tokens.at++;
                column.comment = tokens.string();
            }
            case COLLATE -> {
                tokens.at++;
                tokens.acceptSign('=');
                column.collation = qualified().name();
            }
            case CHARACTER, CHARSET -> {
                tokens.at++;
                if (word == Keyword.CHARACTER) {
                    tokens.expect(Keyword.SET);
                }
                tokens.acceptSign('=');
                column.type = mySql() && tokens.is(Keyword.BINARY) ? inBytes(column.type) : column.type;
                tokens.at++;
            }
            case ON -> {
                if (!tokens.accept(Keyword.ON, Keyword.UPDATE)) {
                    return onConflict() || drafts.engine == Target.SQLSERVER && storagePlace();
                }
                column.onUpdate = expression();
            }
            case DEFERRABLE, INITIALLY, ENABLE, DISABLE, VALIDATE, NOVALIDATE, RELY, NORELY, ENFORCED ->
                    constraintEnd();
            case BINARY, ROWGUIDCOL, SPARSE, VISIBLE, INVISIBLE -> tokens.at++;
            case STORAGE, COMPRESSION, COLUMN_FORMAT, SRID, SELECTIVITY -> tokens.at += 2;
            case USING -> usingIndex();
            case WITH -> {
                return withClause();
            }
            case WITHOUT -> tokens.at += 3;
            case OPTIONS -> {
                tokens.at++;
                tokens.skipRound();
            }
            case INDEX -> {
                if (drafts.engine != Target.SQLSERVER) {
                    return false;
                }
                tokens.at++;
                indexOf(table, column);
            }
            case STORED, PERSISTENT, PERSISTED, VIRTUAL -> {
                tokens.at++;
                column.virtual = word == Keyword.VIRTUAL;
            }
            default -> {
                return rareClause(column);
            }
        }
        return true;
    }

    /** MariaDB manual, “JSON Data Type”: a document is a long text with a check, and is dumped so. */
    private boolean isDocument(ColumnBuilder column, String condition) {
        return drafts.engine == Target.MARIADB && column.type.equals(SqlType.largeText())
                && condition.replace("`", "").equalsIgnoreCase("json_valid(" + column.name + ")");
    }

    /** SQL Server takes a constraint of the table behind a column without the comma between them. */
    private boolean commaLeftOut() {
        return drafts.engine == Target.SQLSERVER && tokens.sign('(');
    }

    /**
     * MySQL manual, “The Binary Collation” and “Character Set Specification”: text in the character set binary is held
     * in the type of bytes as long.
     */
    private static SqlType inBytes(SqlType type) {
        return switch (type) {
            case SqlType.CharacterType text -> new SqlType.BinaryType(text.form(), text.length());
            case SqlType.NativeType(String spelling) when spelling.endsWith("text") ->
                    new SqlType.NativeType(spelling.replace("text", "blob"));
            default -> type;
        };
    }

    private boolean rareClause(ColumnBuilder column) {
        if (mySql() && tokens.acceptReading("BYTE")) {
            column.type = inBytes(column.type);
            return true;
        }
        if (mySql() && tokens.acceptReading("COMPRESSED")) {
            if (tokens.acceptSign('=')) {
                tokens.at++;
            }
            return true;
        }
        if (tokens.acceptReading("ASCII") || tokens.acceptReading("UNICODE") || tokens.acceptReading("FILESTREAM")
                || tokens.acceptReading("HIDDEN") || tokens.acceptReading("SORT")
                || tokens.acceptReading("ENCRYPT") || tokens.acceptReading("NOSORT")) {
            return true;
        }
        if (tokens.reads(tokens.at, "MASKED") || tokens.reads(tokens.at, "ENCRYPTED")
                || tokens.reads(tokens.at, "ENGINE_ATTRIBUTE") || tokens.reads(tokens.at, "SECONDARY_ENGINE_ATTRIBUTE")
                || tokens.reads(tokens.at, "REF_SYSTEM_ID")) {
            while (!tokens.atEnd() && !tokens.sign(',') && !tokens.sign(')')) {
                if (tokens.sign('(')) {
                    tokens.skipRound();
                    break;
                }
                tokens.at++;
            }
            return true;
        }
        return false;
    }

    private boolean onConflict() {
        if (!tokens.accept(Keyword.ON, Keyword.CONFLICT)) {
            return false;
        }
        tokens.at++;
        return true;
    }

    private boolean storagePlace() {
        tokens.at += 2;
        if (tokens.sign('(')) {
            tokens.skipRound();
        }
        return true;
    }

    private boolean withClause() {
        tokens.at++;
        if (tokens.sign('(')) {
            tokens.skipRound();
            return true;
        }
        if (tokens.accept(Keyword.VALUES)) {
            return true;
        }
        if (tokens.acceptReading("SYSTEM") || tokens.acceptReading("PARSER")) {
            tokens.at++;
            return true;
        }
        return false;
    }

    private void notClause(ColumnBuilder column) {
        tokens.at++;
        if (tokens.accept(Keyword.NULL)) {
            column.required = true;
            constraintEnd();
        } else if (tokens.accept(Keyword.FOR)) {
            tokens.at++;
        } else if (tokens.is(Keyword.DEFERRABLE) || tokens.is(Keyword.VALID) || tokens.is(Keyword.ENFORCED)) {
            tokens.at++;
            constraintEnd();
        } else {
            throw tokens.unreadable("NULL is expected behind NOT");
        }
    }

    private void defaultClause(ColumnBuilder column) {
        tokens.at++;
        if (tokens.accept(Keyword.ON, Keyword.NULL)) {
            if (tokens.accept(Keyword.FOR, Keyword.INSERT)) {
                boolean longer = tokens.accept(Keyword.AND) || tokens.is(Keyword.ONLY);
                tokens.at += longer ? 1 : 0;
            }
            column.required |= drafts.engine == Target.ORACLE;
        } else if (mySql() && tokens.accept(Keyword.ON, Keyword.UPDATE)) {
            column.onUpdate = expression();
            return;
        }
        setDefault(column, expression());
    }

    /** Takes a default; one that draws from a sequence of the column's own is an identity. */
    void setDefault(ColumnBuilder column, String expression) {
        column.defaultValue = expression.equalsIgnoreCase("null") ? "" : shared(expression);
        int call = expression.indexOf('(');
        if (call < 0 || expression.length() < 9 || !expression.regionMatches(true, 0, "nextval", 0, 7)
                && !expression.regionMatches(true, 0, "pg_catalog.nextval", 0, 18)) {
            return;
        }
        int quote = expression.indexOf('\'', call);
        int close = quote < 0 ? -1 : expression.indexOf('\'', quote + 1);
        if (close < 0) {
            return;
        }
        sequenceNamed(expression.substring(quote + 1, close))
                .filter(sequence -> sequence.column().filter(owner -> owner == column).isPresent())
                .ifPresent(sequence -> counts(column, sequence));
    }

    /** The sequence that a text names, with or without its schema. */
    Optional<SchemaBuilder.SequenceDraft> sequenceNamed(String text) {
        int point = text.lastIndexOf('.');
        QName name = new QName(point < 0 ? "" : text.substring(0, point).replace("\"", ""),
                text.substring(point + 1).replace("\"", ""));
        return drafts.sequence(name);
    }

    /** Makes a column count by itself with a sequence that it owns. */
    void counts(ColumnBuilder column, SchemaBuilder.SequenceDraft sequence) {
        column.counted = column.defaultValue;
        column.defaultValue = "";
        column.identity = Identity.BY_DEFAULT;
        column.numbering = new Numbering(sequence.start(), sequence.step());
    }

    private void generated(ColumnBuilder column) {
        tokens.at++;
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
            identity(column, kind);
        } else if (tokens.accept(Keyword.ROW)) {
            tokens.at++;
            tokens.acceptReading("HIDDEN");
            column.required = true;
        } else {
            computed(column);
        }
    }

    private void computed(ColumnBuilder column) {
        int open = tokens.at;
        column.generated = drafts.engine == Target.SQLSERVER ? unbracketed() : tokens.inRound();
        int inner = tokens.sign(open, '(') && closes(open) == tokens.at ? 1 : 0;
        if (drafts.engine == Target.SQLSERVER && tokens.reads(open + inner, "CAST")) {
            column.type = castTo(open + inner + 1, tokens.at - 1 - inner);
        }
        column.virtual =
                drafts.engine != Target.POSTGRESQL && drafts.engine != Target.H2 && drafts.engine != Target.ISO;
        if (tokens.accept(Keyword.STORED) || tokens.accept(Keyword.PERSISTED) || tokens.accept(Keyword.PERSISTENT)) {
            column.virtual = false;
        } else if (tokens.accept(Keyword.VIRTUAL)) {
            column.virtual = true;
        }
    }

    /**
     * SQL Server documentation, CREATE TABLE, computed_column_definition: the expression needs no brackets around it
     * and ends where a clause begins.
     */
    private String unbracketed() {
        int from = tokens.at;
        while (!tokens.atEnd() && !tokens.sign(',') && !tokens.sign(')') && !endsComputed()) {
            if (tokens.sign('(')) {
                tokens.skipRound();
            } else {
                tokens.at++;
            }
        }
        if (tokens.at == from) {
            throw tokens.unreadable("an expression is expected here");
        }
        boolean whole = tokens.sign(from, '(') && closes(from) == tokens.at;
        return whole ? tokens.text(from + 1, tokens.at - 1) : tokens.text(from, tokens.at);
    }

    private boolean endsComputed() {
        return switch (tokens.word()) {
            case PERSISTED, CONSTRAINT, PRIMARY, UNIQUE, CHECK, FOREIGN, REFERENCES -> true;
            case NOT -> tokens.word(tokens.at + 1) == Keyword.NULL;
            default -> false;
        };
    }

    /** Where the bracket that opens at a place has been closed. */
    private int closes(int open) {
        int here = tokens.at;
        tokens.at = open;
        tokens.skipRound();
        int behind = tokens.at;
        tokens.at = here;
        return behind;
    }

    /** The type that a cast gives: the engine takes the type of a computed column from its expression. */
    private SqlType castTo(int open, int last) {
        int end = tokens.at;
        tokens.at = open;
        tokens.skipRound();
        int close = tokens.at - 1;
        SqlType type = new SqlType.NativeType("");
        int depth = 0;
        for (int i = close; i > open && type.equals(new SqlType.NativeType("")); i--) {
            depth += tokens.sign(i, ')') ? 1 : tokens.sign(i, '(') ? -1 : 0;
            if (depth == 1 && tokens.word(i) == Keyword.AS) {
                tokens.at = i + 1;
                type = close == last ? types.read().type() : type;
                break;
            }
        }
        tokens.at = end;
        return type;
    }

    private void identity(ColumnBuilder column, Identity kind) {
        tokens.at++;
        column.identity = kind;
        column.required = true;
        column.defaultValue = "";
        if (tokens.sign('(')) {
            numbers(column);
        } else if (drafts.engine == Target.ORACLE) {
            bareNumbers(column);
        }
    }

    /**
     * Oracle's DBMS_METADATA writes the options of an identity without brackets (Oracle Database SQL Language
     * Reference, identity_options).
     */
    private void bareNumbers(ColumnBuilder column) {
        int from = tokens.at;
        while (tokens.kind(tokens.at) == TokenizedStatement.NUMBER || tokens.sign('-')
                || SEQUENCE_WORDS.contains(tokens.text(tokens.at, tokens.at + 1).toUpperCase(Locale.ROOT))) {
            tokens.at++;
        }
        int end = tokens.at;
        if (end > from) {
            tokens.at = from;
            column.numbering = sequenceOptions(end);
            tokens.at = end;
        }
    }

    private void numbers(ColumnBuilder column) {
        int open = tokens.at;
        if (tokens.kind(open + 1) == TokenizedStatement.NUMBER || tokens.sign(open + 1, '-')) {
            tokens.at++;
            long start = wholeNumber();
            long step = tokens.acceptSign(',') ? wholeNumber() : 1;
            tokens.expectSign(')');
            column.numbering = new Numbering(start, step == 0 ? 1 : step);
            return;
        }
        tokens.skipRound();
        int end = tokens.at;
        tokens.at = open + 1;
        column.numbering = sequenceOptions(end - 1);
        tokens.at = end;
    }

    /** Reads the numbers of a sequence up to a token. */
    Numbering sequenceOptions(int end) {
        long start = 1;
        long step = 1;
        while (tokens.at < end) {
            if (tokens.accept(Keyword.START)) {
                tokens.accept(Keyword.WITH);
                tokens.acceptSign('=');
                start = number(start);
            } else if (tokens.accept(Keyword.INCREMENT)) {
                tokens.accept(Keyword.BY);
                tokens.acceptSign('=');
                step = number(step);
            } else {
                tokens.at++;
            }
        }
        return new Numbering(start, step == 0 ? 1 : step);
    }

    private long number(long otherwise) {
        return tokens.kind(tokens.at) == TokenizedStatement.NUMBER || tokens.sign('-') || tokens.sign('+')
                ? wholeNumber() : otherwise;
    }

    long wholeNumber() {
        boolean negative = tokens.acceptSign('-');
        tokens.acceptSign('+');
        if (tokens.kind(tokens.at) != TokenizedStatement.NUMBER) {
            throw tokens.unreadable("a number is expected here");
        }
        try {
            long number = Long.parseLong(tokens.text(tokens.at, tokens.at + 1));
            tokens.at++;
            return negative ? -number : number;
        } catch (NumberFormatException tooLarge) {
            throw tokens.unreadable("the number is too large or no whole number");
        }
    }

    /** Reads an expression up to the clause, comma or bracket that ends it. */
    String expression() {
        int from = tokens.at;
        while (!tokens.atEnd() && !tokens.sign(',') && !tokens.sign(')')) {
            if (tokens.sign('(')) {
                tokens.skipRound();
            } else if (tokens.sign('[') && drafts.engine == Target.POSTGRESQL) {
                tokens.skipSquare();
            } else if (tokens.at > from && ends(tokens.word(), from)) {
                break;
            } else {
                tokens.at++;
            }
        }
        if (tokens.at == from) {
            throw tokens.unreadable("an expression is expected here");
        }
        return tokens.text(from, tokens.at);
    }

    private boolean ends(Keyword word, int from) {
        Keyword next = tokens.word(tokens.at + 1);
        Keyword before = tokens.word(tokens.at - 1);
        return switch (word) {
            case NONE -> false;
            case NOT -> next == Keyword.NULL || next == Keyword.DEFERRABLE || next == Keyword.FOR
                    || next == Keyword.ENFORCED || next == Keyword.VALID;
            case NULL -> tokens.kind(tokens.at - 1) != TokenizedStatement.SYMBOL || tokens.sign(tokens.at - 1, ')')
                    || tokens.sign(tokens.at - 1, ']')
                            ? before != Keyword.IS && before != Keyword.NOT && before != Keyword.THEN
                                    && before != Keyword.ELSE
                            : false;
            case WITH -> next != Keyword.TIME;
            case WITHOUT -> next != Keyword.TIME;
            case FOR -> before != Keyword.VALUE;
            case ON, CONSTRAINT, PRIMARY, UNIQUE, CHECK, REFERENCES, COLLATE, GENERATED, COMMENT, AUTO_INCREMENT,
                    AUTOINCREMENT, DEFERRABLE, INITIALLY, IDENTITY, ENABLE, DISABLE, STORED,
                    VIRTUAL, PERSISTED, VISIBLE, INVISIBLE, FIRST, AFTER, BEFORE, COLUMN_FORMAT, STORAGE, SPARSE,
                    ROWGUIDCOL, USING, SELECTIVITY, DEFAULT, RENAME, ADD, MODIFY -> true;
            case KEY -> tokens.at > from;
            default -> false;
        };
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
        String name = "";
        if (tokens.accept(Keyword.CONSTRAINT)) {
            boolean named = switch (tokens.word()) {
                case PRIMARY, UNIQUE, FOREIGN, CHECK ->
                        !tokens.isName(tokens.at + 1) && !tokens.sign(tokens.at + 1, '(');
                default -> true;
            };
            if (tokens.is(Keyword.FOREIGN, Keyword.KEY) || tokens.is(Keyword.PRIMARY, Keyword.KEY)) {
                named = false;
            }
            name = named ? implied.given(table, newName()) : "";
        }
        switch (tokens.word()) {
            case PRIMARY -> primaryKey(table, name);
            case UNIQUE -> unique(table, name);
            case FOREIGN -> {
                tokens.at++;
                tokens.expect(Keyword.KEY);
                if (mySql()) {
                    tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
                }
                String own = tokens.sign('(') ? "" : tokens.name();
                List<String> columns = tokens.names();
                tokens.expect(Keyword.REFERENCES);
                // MySQL manual, “FOREIGN KEY Constraints”: the name of the index is none of the reference; MariaDB
                // takes it for both
                addForeignKey(table, !name.isEmpty() || drafts.engine == Target.MYSQL ? name : own, columns);
            }
            case CHECK -> {
                tokens.at++;
                notForReplication();
                String condition = tokens.inRound();
                addCheck(table, name, condition, "");
                constraintEnd();
            }
            case KEY, INDEX -> {
                tokens.at++;
                index(table, false, "");
            }
            case FULLTEXT, SPATIAL -> {
                String method = tokens.text(tokens.at, tokens.at + 1).toLowerCase(Locale.ROOT);
                tokens.at++;
                if (!tokens.accept(Keyword.KEY)) {
                    tokens.accept(Keyword.INDEX);
                }
                index(table, false, method);
            }
            case EXCLUDE -> exclude(table, name);
            case PERIOD -> period(table);
            case NOT -> {
                tokens.at++;
                tokens.expect(Keyword.NULL);
                table.require(tokens.name());
                constraintEnd();
            }
            case DEFAULT -> {
                tokens.at++;
                String expression = expression();
                tokens.expect(Keyword.FOR);
                ColumnBuilder column = existing(table, tokens.at);
                tokens.at++;
                setDefault(column, expression);
                tokens.accept(Keyword.WITH, Keyword.VALUES);
            }
            default -> throw tokens.unreadable("a constraint is expected here");
        }
    }

    ColumnBuilder existing(TableBuilder table, int token) {
        String name = tokens.isName(token) ? tokens.nameAt(token) : "";
        return table.column(name).orElseThrow(
                () -> StatementException.conflict(token, "the table " + table.name + " has no column " + name));
    }

    private void primaryKey(TableBuilder table, String name) {
        tokens.at++;
        tokens.expect(Keyword.KEY);
        clustering();
        if (tokens.is(Keyword.USING, Keyword.INDEX)) {
            useIndex(table, name, true);
            return;
        }
        indexMethod();
        if (!tokens.sign('(') && mySql()) {
            tokens.name();
            indexMethod();
        }
        List<String> columns = keyColumns();
        setPrimaryKey(table, name, columns);
        constraintEnd();
    }

    private void unique(TableBuilder table, String given) {
        tokens.at++;
        if (!tokens.accept(Keyword.KEY)) {
            tokens.accept(Keyword.INDEX);
        }
        if (mySql()) {
            tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        }
        clustering();
        nullsDistinct();
        if (tokens.is(Keyword.USING, Keyword.INDEX)) {
            useIndex(table, given, false);
            return;
        }
        String name = given;
        if (!tokens.sign('(') && !tokens.is(Keyword.USING)) {
            String own = tokens.name();
            name = mySql() || given.isEmpty() ? own : given;
        }
        indexMethod();
        if (mySql() && tokens.sign('(')) {
            List<IndexColumn> columns = indexColumns();
            constraintEnd();
            if (columns.stream()
                    .anyMatch(column -> column.expression() || column.descending() || column.prefix().isPresent())) {
                String indexName = name.isEmpty() ? implied.index(table, List.of(columns.getFirst().name())) : name;
                addIndex(table, new TableIndex(indexName, true, columns));
            } else {
                addUnique(table, name, columns.stream().map(IndexColumn::name).toList());
            }
            return;
        }
        List<String> columns = keyColumns();
        addUnique(table, name, columns);
        constraintEnd();
    }

    /** PostgreSQL manual, ALTER TABLE: ADD table_constraint_using_index. */
    private void useIndex(TableBuilder table, String given, boolean primary) {
        tokens.at += 2;
        int at = tokens.at;
        if (drafts.engine != Target.POSTGRESQL) {
            tokens.at = at - 2;
            constraintEnd();
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
        constraintEnd();
    }

    /** The columns of a key; order, length and collation of each say nothing about what it keeps apart. */
    private List<String> keyColumns() {
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

    /** MariaDB manual, “Application-Time Periods”: both ends need a value, and the first comes before the second. */
    private void period(TableBuilder table) {
        tokens.at += 2;
        String name = tokens.name();
        if (drafts.engine != Target.MARIADB || name.equalsIgnoreCase("system_time")) {
            tokens.skipRound();
            return;
        }
        List<String> ends = heldColumns(table, tokens.names());
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
        constraintEnd();
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
        List<String> held = heldColumns(table, columns);
        String named = mySql() ? implied.primaryKey(table) : name.isEmpty() ? implied.primaryKey(table) : name;
        table.primaryKey = Optional.of(new PrimaryKey(named, held));
        if (drafts.engine != Target.SQLITE) {
            held.forEach(table::require);
        }
    }

    void addUnique(TableBuilder table, String name, List<String> columns) {
        List<String> held = heldColumns(table, columns);
        table.uniqueKeys.add(new UniqueKey(name.isEmpty() ? implied.unique(table, held) : name, held));
    }

    void addCheck(TableBuilder table, String name, String condition, String column) {
        String spoken = name.isEmpty() && drafts.engine == Target.POSTGRESQL ? onlyColumn(table, condition) : column;
        table.checks.add(new CheckRule(name.isEmpty() ? implied.check(table, spoken) : name, shared(condition)));
    }

    /** The column that a condition speaks of, if it is one only: PostgreSQL names the constraint after it. */
    private static String onlyColumn(TableBuilder table, String condition) {
        List<String> spoken = Lexer.tokens(condition).stream().filter(Token::isName)
                .flatMap(token -> table.spelled(token.text().startsWith("\"") ? token.name()
                : token.name().toLowerCase(Locale.ROOT)).stream()).distinct().limit(2).toList();
        return spoken.size() == 1 ? spoken.getFirst() : "";
    }

    /**
     * What an index is named after: its columns, for an expression the function that it calls (PostgreSQL, as its
     * source makes names).
     */
    static List<String> nameParts(List<IndexColumn> columns) {
        return columns.stream().map(column -> {
            int call = column.expression() ? column.name().indexOf('(') : -1;
            String function = call > 0 ? column.name().substring(0, call) : "";
            return !column.expression() ? column.name() : function.matches("\\w+") ? function.toLowerCase(Locale.ROOT)
                    : "expr";
        }).toList();
    }

    private String shared(String text) {
        String known = texts.putIfAbsent(text, text);
        return known == null ? text : known;
    }

    /** The names of columns as the table itself spells them. */
    List<String> heldColumns(TableBuilder table, List<String> names) {
        if (allHeld(table, names)) {
            return names;
        }
        List<String> held = new ArrayList<>(names.size());
        for (String name : names) {
            held.add(table.spelled(name).orElseThrow(() -> StatementException.conflict(tokens.constraint(),
                    "the table " + table.name + " has no column " + name)));
        }
        return held;
    }

    static boolean allHeld(TableBuilder table, List<String> names) {
        for (int i = 0; i < names.size(); i++) {
            if (!table.spells(names.get(i))) {
                return false;
            }
        }
        return true;
    }

    private static List<String> asSpelled(TableBuilder table, List<String> names) {
        List<String> spelled = new ArrayList<>(names.size());
        for (String name : names) {
            spelled.add(table.spelled(name).orElse(name));
        }
        return spelled;
    }

    /** Reads a reference from the name of its table on. */
    void addForeignKey(TableBuilder table, String name, List<String> columns) {
        List<String> held = heldColumns(table, columns);
        QName parent = qualified();
        List<String> referenced = tokens.sign('(') ? tokens.names() : List.of();
        ReferentialAction onDelete = ReferentialAction.NO_ACTION;
        ReferentialAction onUpdate = ReferentialAction.NO_ACTION;
        Deferral deferral = Deferral.NOT_DEFERRABLE;
        boolean more = true;
        while (more) {
            if (tokens.accept(Keyword.ON, Keyword.DELETE)) {
                onDelete = action();
            } else if (tokens.accept(Keyword.ON, Keyword.UPDATE)) {
                onUpdate = action();
            } else if (tokens.accept(Keyword.MATCH)) {
                tokens.at++;
            } else if (tokens.accept(Keyword.NOT, Keyword.DEFERRABLE)) {
                tokens.accept(Keyword.INITIALLY, Keyword.IMMEDIATE);
            } else if (tokens.accept(Keyword.DEFERRABLE)) {
                deferral = deferral == Deferral.INITIALLY_DEFERRED ? deferral : Deferral.INITIALLY_IMMEDIATE;
            } else if (tokens.accept(Keyword.INITIALLY)) {
                deferral = tokens.is(Keyword.DEFERRED) ? Deferral.INITIALLY_DEFERRED : deferral;
                tokens.at++;
            } else {
                more = otherEnd();
            }
        }
        addReference(table, new ForeignKey(Optional.empty(), name, held, parent.namespace(), parent.name(), referenced,
                onDelete, onUpdate, deferral));
    }

    /** Adds a reference as it is said; the other table may be one that comes later. */
    void addReference(TableBuilder table, ForeignKey said) {
        if (!table.keepsReferences) {
            table.passedReferences = true;
            ownIndex(table, said.name(), said.columns());
            return;
        }
        ForeignKey named = said.name().isEmpty() ? said.named(implied.foreignKey(table, said.columns())) : said;
        table.foreignKeys.add(drafts.table(new QName(said.referencedNamespace(), said.referencedTable()))
                .map(other -> spelled(named, other)).orElse(named));
    }

    private static ForeignKey spelled(ForeignKey key, TableBuilder other) {
        return other.name.equals(key.referencedTable()) && allHeld(other, key.referencedColumns()) ? key
                : new ForeignKey(key.origin(), key.name(), key.columns(), key.referencedNamespace(),
                other.name, asSpelled(other, key.referencedColumns()), key.onDelete(), key.onUpdate(), key.deferral());
    }

    /**
     * MySQL manual, “FOREIGN KEY Constraint Differences”: where references are not kept, the index that they ask for
     * is.
     */
    private void ownIndex(TableBuilder table, String name, List<String> columns) {
        boolean covered = table.primaryKey.filter(key -> starts(key.columns(), columns)).isPresent()
                || table.uniqueKeys.stream().anyMatch(key -> starts(key.columns(), columns))
                || table.indexes.stream().anyMatch(index -> starts(nameParts(index.columns()), columns));
        if (!covered) {
            addIndex(table, new TableIndex(name.isEmpty() ? implied.index(table, columns) : name, false,
                    columns.stream().map(column -> new IndexColumn(column, false)).toList(), "", Optional.empty()));
        }
    }

    private static boolean starts(List<String> columns, List<String> wanted) {
        return columns.size() >= wanted.size() && columns.subList(0, wanted.size()).equals(wanted);
    }

    /** When a constraint is checked, if that is said here. */
    Optional<Deferral> deferral() {
        Optional<Deferral> said = Optional.empty();
        boolean more = true;
        while (more) {
            if (tokens.accept(Keyword.NOT, Keyword.DEFERRABLE)) {
                said = Optional.of(Deferral.NOT_DEFERRABLE);
            } else if (tokens.accept(Keyword.DEFERRABLE)) {
                said = said.or(() -> Optional.of(Deferral.INITIALLY_IMMEDIATE));
            } else if (tokens.accept(Keyword.INITIALLY, Keyword.DEFERRED)) {
                said = Optional.of(Deferral.INITIALLY_DEFERRED);
            } else if (tokens.accept(Keyword.INITIALLY, Keyword.IMMEDIATE)) {
                said = said.or(() -> Optional.of(Deferral.INITIALLY_IMMEDIATE));
            } else {
                more = false;
            }
        }
        return said;
    }

    private ReferentialAction action() {
        if (tokens.accept(Keyword.CASCADE)) {
            return ReferentialAction.CASCADE;
        }
        if (tokens.accept(Keyword.RESTRICT)) {
            return ReferentialAction.RESTRICT;
        }
        if (tokens.accept(Keyword.NO)) {
            if (!tokens.acceptReading("ACTION")) {
                throw tokens.unreadable("ACTION is expected behind NO");
            }
            return ReferentialAction.NO_ACTION;
        }
        if (tokens.accept(Keyword.SET)) {
            boolean toNull = tokens.accept(Keyword.NULL);
            if (!toNull) {
                tokens.expect(Keyword.DEFAULT);
            }
            if (tokens.sign('(')) {
                tokens.skipRound();
            }
            return toNull ? ReferentialAction.SET_NULL : ReferentialAction.SET_DEFAULT;
        }
        throw tokens.unreadable("CASCADE, RESTRICT, SET NULL, SET DEFAULT or NO ACTION is expected here");
    }

    // what may follow a constraint

    void constraintEnd() {
        boolean more = true;
        while (more) {
            more = tokens.accept(Keyword.NOT, Keyword.DEFERRABLE) || tokens.accept(Keyword.DEFERRABLE) || initially()
                    || otherEnd();
        }
    }

    private boolean initially() {
        return tokens.accept(Keyword.INITIALLY, Keyword.DEFERRED)
                || tokens.accept(Keyword.INITIALLY, Keyword.IMMEDIATE);
    }

    private boolean otherEnd() {
        if (tokens.accept(Keyword.NOT, Keyword.VALID) || tokens.accept(Keyword.NOT, Keyword.ENFORCED)
                || tokens.accept(Keyword.ENFORCED) || tokens.accept(Keyword.ENABLE) || tokens.accept(Keyword.DISABLE)
                || tokens.accept(Keyword.VALIDATE) || tokens.accept(Keyword.NOVALIDATE) || tokens.accept(Keyword.RELY)
                || tokens.accept(Keyword.NORELY) || tokens.accept(Keyword.NO, Keyword.INHERIT)
                || tokens.accept(Keyword.VISIBLE) || tokens.accept(Keyword.INVISIBLE)
                || drafts.engine == Target.H2 && tokens.accept(Keyword.NOCHECK)) {
            return true;
        }
        if (mySql() && (tokens.acceptReading("IGNORED")
                || tokens.is(Keyword.NOT) && tokens.reads(tokens.at + 1, "IGNORED"))) {
            tokens.at += tokens.is(Keyword.NOT) ? 2 : 0;
            return true;
        }
        if (tokens.is(Keyword.NOT, Keyword.FOR)) {
            tokens.at += 3;
            return true;
        }
        if (tokens.is(Keyword.EXCEPTION) || tokens.reads(tokens.at, "EXCEPTIONS")) {
            tokens.at += 2;
            qualified();
            return true;
        }
        if (tokens.is(Keyword.USING)) {
            return usingIndex();
        }
        if (tokens.is(Keyword.ON, Keyword.CONFLICT)) {
            return onConflict();
        }
        if (drafts.engine == Target.SQLSERVER && tokens.is(Keyword.ON) && tokens.word(tokens.at + 1) != Keyword.DELETE
                && tokens.word(tokens.at + 1) != Keyword.UPDATE && tokens.isName(tokens.at + 1)) {
            return storagePlace();
        }
        if (tokens.is(Keyword.WITH) && tokens.sign(tokens.at + 1, '(')) {
            tokens.at++;
            tokens.skipRound();
            return true;
        }
        if (tokens.accept(Keyword.WITH)) {
            tokens.at += drafts.engine == Target.SQLSERVER ? 3 : 2;
            return true;
        }
        if (tokens.accept(Keyword.INCLUDE)) {
            tokens.skipRound();
            return true;
        }
        if (mySql() && !inColumn && tokens.is(Keyword.COMMENT)) {
            tokens.at += tokens.sign(tokens.at + 1, '=') ? 3 : 2;
            return true;
        }
        if (mySql() && tokens.reads(tokens.at, "KEY_BLOCK_SIZE")) {
            tokens.at += tokens.sign(tokens.at + 1, '=') ? 3 : 2;
            return true;
        }
        return false;
    }

    private boolean usingIndex() {
        tokens.at++;
        if (!tokens.accept(Keyword.INDEX)) {
            tokens.at++;
            return true;
        }
        if (tokens.sign('(')) {
            tokens.skipRound();
            return true;
        }
        if (drafts.engine == Target.ORACLE && tokens.kind(tokens.at) == TokenizedStatement.WORD
                && tokens.word() == Keyword.NONE && !indexProperty()) {
            qualified();
        }
        boolean more = true;
        while (more) {
            if (tokens.accept(Keyword.TABLESPACE)) {
                tokens.name();
            } else if (tokens.is(Keyword.STORAGE)) {
                tokens.at++;
                tokens.skipRound();
            } else if (tokens.reads(tokens.at, "PCTFREE") || tokens.reads(tokens.at, "INITRANS")
                    || tokens.reads(tokens.at, "MAXTRANS")) {
                tokens.at += 2;
            } else {
                more = tokens.accept(Keyword.LOGGING) || tokens.accept(Keyword.NOLOGGING)
                        || tokens.accept(Keyword.LOCAL) || tokens.acceptReading("NOPARALLEL")
                        || tokens.acceptReading("REVERSE");
            }
        }
        return true;
    }

    /**
     * Whether one of the properties of an index stands here, rather than its name (Oracle Database SQL Language
     * Reference, using_index_clause).
     */
    private boolean indexProperty() {
        return Stream.of("PCTFREE", "INITRANS", "MAXTRANS", "NOPARALLEL", "PARALLEL", "REVERSE", "COMPUTE", "SORT",
                "NOSORT", "ONLINE", "EXCEPTIONS").anyMatch(word -> tokens.reads(tokens.at, word));
    }

    private void clustering() {
        if (!tokens.accept(Keyword.CLUSTERED)) {
            tokens.accept(Keyword.NONCLUSTERED);
        }
        if (tokens.is(Keyword.HASH) && drafts.engine != Target.MYSQL) {
            tokens.at++;
        }
    }

    private void nullsDistinct() {
        if (tokens.accept(Keyword.NULLS)) {
            tokens.accept(Keyword.NOT);
            tokens.at++;
        }
    }

    private void notForReplication() {
        if (tokens.is(Keyword.NOT, Keyword.FOR)) {
            tokens.at += 3;
        }
    }

    private void indexMethod() {
        if (mySql() && tokens.accept(Keyword.USING)) {
            tokens.at++;
        }
    }

    // indexes

    /** Reads an index from its name on, where it stands among the columns of its table. */
    void index(TableBuilder table, boolean unique, String method) {
        String name = "";
        if (!tokens.sign('(') && !tokens.is(Keyword.USING)) {
            tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
            name = tokens.name();
        }
        boolean isUnique = unique || drafts.engine == Target.SQLSERVER && tokens.accept(Keyword.UNIQUE);
        clustering();
        if (drafts.engine == Target.SQLSERVER && tokens.acceptReading("COLUMNSTORE")) {
            columnStore();
            return;
        }
        indexMethod();
        List<IndexColumn> columns = indexColumns();
        Optional<String> predicate = Optional.empty();
        if (drafts.engine == Target.SQLSERVER) {
            if (tokens.accept(Keyword.INCLUDE)) {
                tokens.skipRound();
            }
            predicate = tokens.accept(Keyword.WHERE) ? Optional.of(expression()) : predicate;
        }
        constraintEnd();
        String named = name.isEmpty() ? implied.index(table, List.of(columns.getFirst().name())) : name;
        addIndex(table, new TableIndex(named, isUnique, columns, method, predicate));
    }

    /** Transact-SQL Reference, CREATE TABLE, table_index: a column store keeps rows, it orders nothing. */
    private void columnStore() {
        if (tokens.sign('(')) {
            tokens.skipRound();
        }
        if (tokens.reads(tokens.at, "ORDER") || tokens.is(Keyword.ORDER)) {
            tokens.at++;
            tokens.skipRound();
        }
        constraintEnd();
    }

    /** Reads an index behind a column (Transact-SQL Reference, CREATE TABLE, column_index). */
    private void indexOf(TableBuilder table, ColumnBuilder column) {
        String name = tokens.name();
        boolean unique = tokens.accept(Keyword.UNIQUE);
        clustering();
        Optional<String> predicate = tokens.accept(Keyword.WHERE) ? Optional.of(expression()) : Optional.empty();
        constraintEnd();
        addIndex(table, new TableIndex(name, unique, List.of(new IndexColumn(column.name, false)), "", predicate));
    }

    /** Gives a table an index like one of another. */
    void copyIndex(TableBuilder table, TableIndex index) {
        addIndex(table, new TableIndex(implied.index(table, nameParts(index.columns())), index.unique(),
                index.columns(), index.method(), index.predicate()));
    }

    void addIndex(TableBuilder table, TableIndex given) {
        boolean prefixes = mySql() && given.columns().stream().anyMatch(column -> column.prefix().isPresent());
        TableIndex index = prefixes ? new TableIndex(given.name(), given.unique(),
                given.columns().stream().map(column -> whole(table, column)).toList(), given.method(),
                given.predicate()) : given;
        table.indexes.add(index);
        drafts.index(index.name(), table);
    }

    /** A prefix as long as the column is no prefix. */
    private static IndexColumn whole(TableBuilder table, IndexColumn column) {
        boolean all = table.column(column.name()).filter(own -> own.type instanceof SqlType.CharacterType text
                && text.length().isPresent() && text.length().equals(column.prefix())).isPresent();
        return all ? new IndexColumn(column.name(), column.descending()) : column;
    }

    /** Reads the columns and expressions that an index is ordered by. */
    List<IndexColumn> indexColumns() {
        tokens.expectSign('(');
        List<IndexColumn> columns = new ArrayList<>(2);
        do {
            columns.add(indexColumn());
        } while (tokens.acceptSign(','));
        tokens.expectSign(')');
        return columns;
    }

    private IndexColumn indexColumn() {
        int from = tokens.at;
        boolean plain = tokens.isName(from) && !tokens.sign(from + 1, '.')
                && !(tokens.sign(from + 1, '(') && !prefixAt(from + 1)) && (columnEnds(from + 1) || prefixAt(from + 1));
        OptionalInt prefix = OptionalInt.empty();
        String name;
        if (plain) {
            name = tokens.name();
            if (tokens.sign('(')) {
                tokens.at++;
                prefix = OptionalInt.of((int) Math.min(Integer.MAX_VALUE, wholeNumber()));
                tokens.expectSign(')');
            }
        } else {
            boolean called = false;
            while (!tokens.atEnd() && !tokens.sign(',') && !tokens.sign(')') && !called
                    && !(tokens.at > from && orderWord(tokens.at))) {
                called = drafts.engine == Target.POSTGRESQL && tokens.sign('(');
                if (tokens.sign('(')) {
                    tokens.skipRound();
                } else {
                    tokens.at++;
                }
            }
            name = bare(from, tokens.at);
            if (name.isEmpty()) {
                throw tokens.unreadable("a column is expected here");
            }
        }
        boolean falling = false;
        while (!tokens.atEnd() && !tokens.sign(',') && !tokens.sign(')')) {
            if (tokens.accept(Keyword.DESC)) {
                falling = true;
            } else if (tokens.sign('(')) {
                tokens.skipRound();
            } else {
                tokens.at++;
            }
        }
        return new IndexColumn(name, falling, !plain, prefix);
    }

    /** An expression without the brackets around the whole of it, of which there may be a few. */
    String bare(int begin, int end) {
        int from = begin;
        int to = end;
        for (int pairs = 0; pairs < MAX_BRACKETS && wrapped(from, to); pairs++) {
            from++;
            to--;
        }
        return tokens.text(from, to);
    }

    private boolean wrapped(int from, int to) {
        int depth = 0;
        boolean wrapped = to - from > 2 && tokens.sign(from, '(') && tokens.sign(to - 1, ')');
        for (int i = from; wrapped && i < to - 1; i++) {
            depth += tokens.sign(i, '(') ? 1 : tokens.sign(i, ')') ? -1 : 0;
            wrapped = depth > 0;
        }
        return wrapped;
    }

    private boolean prefixAt(int token) {
        return mySql() && tokens.sign(token, '(') && tokens.kind(token + 1) == TokenizedStatement.NUMBER
                && tokens.sign(token + 2, ')');
    }

    private boolean columnEnds(int token) {
        return token >= tokens.limit || tokens.sign(token, ',') || tokens.sign(token, ')') || orderWord(token)
                || tokens.kind(token) == TokenizedStatement.WORD;
    }

    private boolean orderWord(int token) {
        Keyword word = tokens.word(token);
        return word == Keyword.ASC || word == Keyword.DESC || word == Keyword.NULLS || word == Keyword.COLLATE;
    }
}
