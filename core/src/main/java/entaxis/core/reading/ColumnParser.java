package entaxis.core.reading;

import entaxis.core.design.Attribute.Identity;
import entaxis.core.reading.SchemaBuilder.QName;
import entaxis.core.sql.Dialect;
import entaxis.core.type.SqlType;
import java.util.List;

/** Reads columns with their types and clauses (ISO/IEC 9075-2, 11.4; the engines' manuals). */
final class ColumnParser {
    private final TokenCursor tokens;
    private final SchemaBuilder builder;
    private final TypeParser types;
    private final ImpliedNames implied;
    private final NameParser names;
    private final NumberParser numbers;
    private final ExpressionParser expressions;
    private final ClauseEnds clauseEnds;
    private final ColumnDefaults defaults;
    private final IndexParser indexes;
    private final ReferenceParser references;
    private final ConstraintParser constraints;

    ColumnParser(TokenCursor tokens, SchemaBuilder builder, TypeParser types, ImpliedNames implied, NameParser names,
            NumberParser numbers, ExpressionParser expressions, ClauseEnds clauseEnds, ColumnDefaults defaults,
            IndexParser indexes, ReferenceParser references, ConstraintParser constraints) {
        this.tokens = tokens;
        this.builder = builder;
        this.types = types;
        this.implied = implied;
        this.names = names;
        this.numbers = numbers;
        this.expressions = expressions;
        this.clauseEnds = clauseEnds;
        this.defaults = defaults;
        this.indexes = indexes;
        this.references = references;
        this.constraints = constraints;
    }

    /** Reads a column with its clauses into a table. */
    ColumnBuilder column(TableBuilder table) {
        int start = tokens.at;
        boolean serial = builder.takes(SyntaxRule.UNIQUE_SERIAL) && tokens.word(start + 1) == Keyword.SERIAL;
        ColumnBuilder column = nameAndType();
        refuseTwice(table, column, start);
        if (column.identity != Identity.NONE && builder.takes(SyntaxRule.COUNTING_DEFAULTS)) {
            column.counted = "nextval('" + implied.sequence(table, column.name) + "'::regclass)";
        }
        column.required |= column.type instanceof SqlType.UserType(String type)
                && builder.requiredTypes.contains(builder.key(new QName("", type)));
        table.add(column);
        clauses(table, column);
        if (serial) {
            constraints.addUnique(table, "", List.of(column.name));
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
    ColumnBuilder nameAndType() {
        String name = tokens.name();
        if (!types.begins()) {
            boolean computed = tokens.is(Keyword.AS) || tokens.is(Keyword.GENERATED);
            if (!builder.dialect.columnsWithoutType() && !computed) {
                throw tokens.unreadable("the column " + name + " has no type");
            }
            return new ColumnBuilder(name, new SqlType.NativeType(""));
        }
        boolean serial = builder.takes(SyntaxRule.UNIQUE_SERIAL) && tokens.is(Keyword.SERIAL);
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
        clauseEnds.inColumn(true);
        try {
            eachClause(table, column);
        } finally {
            clauseEnds.inColumn(false);
        }
    }

    private void eachClause(TableBuilder table, ColumnBuilder column) {
        String name = "";
        while (!tokens.atEnd() && !tokens.sign(',') && !tokens.sign(')')) {
            int before = tokens.at;
            Keyword word = tokens.word();
            if (word == Keyword.CONSTRAINT) {
                tokens.at++;
                name = implied.given(table, names.qualified().name());
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
            case PRIMARY, KEY -> primaryKey(table, column, word, name);
            case UNIQUE -> {
                tokens.at++;
                if (!tokens.accept(Keyword.KEY)) {
                    tokens.accept(Keyword.INDEX);
                }
                clauseEnds.clustering();
                clauseEnds.nullsDistinct();
                constraints.addUnique(table, name, commaLeftOut() ? constraints.keyColumns() : List.of(column.name));
                clauseEnds.constraintEnd();
            }
            case CHECK -> check(table, column, name);
            case FOREIGN -> {
                tokens.at++;
                tokens.expect(Keyword.KEY);
            }
            case REFERENCES -> {
                tokens.at++;
                references.addForeignKey(table, name, List.of(column.name));
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
                if (tokens.sign('(')) {
                    numbers.numbers(column);
                }
            }
            case IDENTITY ->
                    identity(column, builder.dialect.identity(Identity.BY_DEFAULT));
            default -> {
                return detail(table, column, word);
            }
        }
        return true;
    }

    /** Reads a clause that is no constraint. */
    private boolean detail(TableBuilder table, ColumnBuilder column, Keyword word) {
        switch (word) {
            case COMMENT -> {
                tokens.at++;
                column.comment = tokens.string();
            }
            case COLLATE -> {
                tokens.at++;
                tokens.acceptSign('=');
                column.collation = names.qualified().name();
            }
            case CHARACTER, CHARSET -> {
                tokens.at++;
                if (word == Keyword.CHARACTER) {
                    tokens.expect(Keyword.SET);
                }
                tokens.acceptSign('=');
                column.type = builder.takes(SyntaxRule.BINARY_CHARACTER_SET) && tokens.is(Keyword.BINARY)
                        ? inBytes(column.type) : column.type;
                tokens.at++;
            }
            case ON -> {
                if (!tokens.accept(Keyword.ON, Keyword.UPDATE)) {
                    return clauseEnds.onConflict()
                            || builder.takes(SyntaxRule.STORAGE_PLACES) && clauseEnds.storagePlace();
                }
                column.onUpdate = expressions.expression();
            }
            case DEFERRABLE, INITIALLY, ENABLE, DISABLE, VALIDATE, NOVALIDATE, RELY, NORELY, ENFORCED ->
                    clauseEnds.constraintEnd();
            case BINARY, ROWGUIDCOL, SPARSE, VISIBLE, INVISIBLE -> tokens.at++;
            case STORAGE, COMPRESSION, COLUMN_FORMAT, SRID, SELECTIVITY -> tokens.at += 2;
            case USING -> clauseEnds.usingIndex();
            case WITH -> {
                return withClause();
            }
            case WITHOUT -> tokens.at += 3;
            case OPTIONS -> {
                tokens.at++;
                tokens.skipRound();
            }
            case INDEX -> {
                if (!builder.takes(SyntaxRule.INLINE_INDEXES)) {
                    return false;
                }
                tokens.at++;
                indexes.indexOf(table, column);
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

    private void primaryKey(TableBuilder table, ColumnBuilder column, Keyword word, String name) {
        tokens.at++;
        if (word == Keyword.PRIMARY) {
            tokens.expect(Keyword.KEY);
        }
        clauseEnds.clustering();
        if (tokens.accept(Keyword.ASC) || tokens.accept(Keyword.DESC)) {
            clauseEnds.clustering();
        }
        constraints.setPrimaryKey(table, name, commaLeftOut() ? constraints.keyColumns() : List.of(column.name));
        clauseEnds.constraintEnd();
    }

    private void check(TableBuilder table, ColumnBuilder column, String name) {
        tokens.at++;
        clauseEnds.notForReplication();
        String condition = tokens.inRound();
        if (isDocument(column, condition)) {
            column.type = new SqlType.JsonType();
        } else {
            constraints.addCheck(table, name, condition, column.name);
        }
        clauseEnds.constraintEnd();
    }

    /** MariaDB manual, “JSON Data Type”: a document is a long text with a check, and is dumped so. */
    private boolean isDocument(ColumnBuilder column, String condition) {
        return builder.takes(SyntaxRule.CHECKED_DOCUMENTS) && column.type.equals(SqlType.largeText())
                && condition.replace("`", "").equalsIgnoreCase("json_valid(" + column.name + ")");
    }

    /** SQL Server takes a constraint of the table behind a column without the comma between them. */
    private boolean commaLeftOut() {
        return builder.takes(SyntaxRule.COMMA_LEFT_OUT) && tokens.sign('(');
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
        if (builder.takes(SyntaxRule.BINARY_CHARACTER_SET) && tokens.acceptReading("BYTE")) {
            column.type = inBytes(column.type);
            return true;
        }
        if (tokens.acceptReading("COMPRESSED")) {
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
            clauseEnds.constraintEnd();
        } else if (tokens.accept(Keyword.FOR)) {
            tokens.at++;
        } else if (tokens.is(Keyword.DEFERRABLE) || tokens.is(Keyword.VALID) || tokens.is(Keyword.ENFORCED)) {
            tokens.at++;
            clauseEnds.constraintEnd();
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
            column.required = true;
        } else if (tokens.accept(Keyword.ON, Keyword.UPDATE)) {
            column.onUpdate = expressions.expression();
            return;
        }
        int from = tokens.at;
        String expression = expressions.expression();
        boolean text = tokens.at == from + 1 && tokens.quoted(from) && builder.takes(SyntaxRule.QUOTED_DEFAULTS);
        defaults.setDefault(column, text ? Dialect.quotedText(tokens.nameAt(from)) : expression);
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
        column.generated = builder.dialect.typesComputedColumns() ? tokens.inRound() : expressions.unbracketed();
        int inner = tokens.sign(open, '(') && expressions.closes(open) == tokens.at ? 1 : 0;
        if (!builder.dialect.typesComputedColumns() && tokens.reads(open + inner, "CAST")) {
            column.type = castTo(open + inner + 1, tokens.at - 1 - inner);
        }
        column.virtual = builder.dialect.computedVirtual();
        if (tokens.accept(Keyword.STORED) || tokens.accept(Keyword.PERSISTED) || tokens.accept(Keyword.PERSISTENT)) {
            column.virtual = false;
        } else if (tokens.accept(Keyword.VIRTUAL)) {
            column.virtual = true;
        }
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
            numbers.numbers(column);
        } else if (builder.takes(SyntaxRule.BARE_NUMBERING)) {
            numbers.bareNumbers(column);
        }
    }
}
