package entaxis.core.reading;

import entaxis.core.expression.Expression;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Numbering;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.statement.ColumnClause;
import entaxis.core.statement.ColumnDefinition;
import entaxis.core.schema.QualifiedName;
import entaxis.core.syntax.SyntaxRule;
import entaxis.core.type.SqlType;
import java.util.List;
import java.util.Optional;

/** Gives tables the columns that statements define. */
final class Columns {
    private final SchemaBuilder builder;
    private final TypeResolver types;
    private final ImpliedNames implied;
    private final ColumnDefaults defaults;
    private final Constraints constraints;
    private final Indexes indexes;

    Columns(SchemaBuilder builder, TypeResolver types, ImpliedNames implied, ColumnDefaults defaults,
            Constraints constraints, Indexes indexes) {
        this.builder = builder;
        this.types = types;
        this.implied = implied;
        this.defaults = defaults;
        this.constraints = constraints;
        this.indexes = indexes;
    }

    /**
     * Adds a column to a table.
     *
     * @throws ConflictException if the table has a column of the name
     */
    ColumnBuilder add(TableBuilder table, ColumnDefinition definition) {
        ColumnBuilder column = typed(definition);
        if (table.has(column.name)) {
            throw new ConflictException(definition.place(),
                    "the table " + table.name + " already has a column " + column.name);
        }
        if (column.identity != Identity.NONE && builder.takes(SyntaxRule.COUNTING_DEFAULTS)) {
            column.counted = Optional.of(Expression.of(
                    "nextval('" + implied.sequence(table, column.name) + "'::regclass)"));
        }
        column.required |= column.type instanceof SqlType.UserType type
                && builder.requiredTypes.contains(builder.key(new QualifiedName(type.namespace(), type.name())));
        table.add(column);
        clauses(table, column, definition.clauses());
        if (definition.serial()) {
            constraints.addUnique(table, "", List.of(column.name), definition.place());
        }
        return column;
    }

    /** A column with its name and type only. */
    ColumnBuilder typed(ColumnDefinition definition) {
        Optional<TypeResolver.Resolved> type = definition.type().map(types::resolve);
        ColumnBuilder column = new ColumnBuilder(definition.name(),
                type.map(TypeResolver.Resolved::type).orElse(new SqlType.NativeType("")));
        if (definition.serial() || type.filter(TypeResolver.Resolved::counting).isPresent()) {
            column.identity = Identity.BY_DEFAULT;
            column.required = true;
        }
        return column;
    }

    /** Carries out clauses on a column of a table. */
    void clauses(TableBuilder table, ColumnBuilder column, List<ColumnClause> clauses) {
        for (int i = 0; i < clauses.size(); i++) {
            clause(table, column, clauses.get(i));
        }
    }

    private void clause(TableBuilder table, ColumnBuilder column, ColumnClause clause) {
        switch (clause) {
            case ColumnClause.NotNull(String name) -> {
                implied.given(table, name);
                column.required = true;
            }
            case ColumnClause.Nullable() -> column.required = false;
            case ColumnClause.Default(Expression expression) -> defaults.setDefault(column, expression);
            case ColumnClause.Key key -> key(table, column, key);
            case ColumnClause.Check(String name, Expression condition) -> {
                if (isDocument(column, condition)) {
                    column.type = new SqlType.JsonType();
                } else {
                    constraints.addCheck(table, implied.given(table, name), condition, column.name);
                }
            }
            case ColumnClause.References(String name, var reference, int place) ->
                    constraints.addReference(table, implied.given(table, name), List.of(column.name), reference, place);
            case ColumnClause.Numbered(Identity kind, Optional<Numbering> numbering) -> {
                column.identity = kind;
                column.required = true;
                column.defaultValue = Optional.empty();
                column.numbering = numbering.orElse(column.numbering);
            }
            case ColumnClause.AutoIncrement(Optional<Numbering> numbering) -> {
                column.identity = Identity.BY_DEFAULT;
                column.numbering = numbering.orElse(column.numbering);
            }
            case ColumnClause.Computed(Expression expression, boolean virtual, var cast) -> {
                column.generated = Optional.of(expression);
                column.type = cast.map(types::type).orElse(column.type);
                column.virtual = virtual;
            }
            case ColumnClause.Stored(boolean virtual) -> column.virtual = virtual;
            case ColumnClause.Comment(String text) -> column.comment = text;
            case ColumnClause.Collation(String name) -> column.collation = name;
            case ColumnClause.InBytes() -> column.type = inBytes(column.type);
            case ColumnClause.OnUpdate(Expression expression) -> column.onUpdate = Optional.of(expression);
            case ColumnClause.Index(String name, boolean unique, Optional<Expression> predicate) -> indexes.add(table,
                    new TableIndex(name, unique, List.of(new IndexColumn(column.name, false)), "", predicate));
        }
    }

    private void key(TableBuilder table, ColumnBuilder column, ColumnClause.Key key) {
        List<String> columns = key.columns().isEmpty() ? List.of(column.name) : key.columns();
        String name = implied.given(table, key.name());
        if (key.primary()) {
            constraints.setPrimaryKey(table, name, columns, key.place());
        } else {
            constraints.addUnique(table, name, columns, key.place());
        }
    }

    /** MariaDB manual, “JSON Data Type”: a document is a long text with a check, and is dumped so. */
    private boolean isDocument(ColumnBuilder column, Expression condition) {
        return builder.takes(SyntaxRule.CHECKED_DOCUMENTS) && column.type.equals(SqlType.largeText())
                && condition.text().replace("`", "").equalsIgnoreCase("json_valid(" + column.name + ")");
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
}
