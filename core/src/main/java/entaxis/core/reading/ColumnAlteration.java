package entaxis.core.reading;

import entaxis.core.expression.Expression;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Numbering;
import entaxis.core.statement.AlterColumnAction;
import entaxis.core.statement.ColumnClause;
import entaxis.core.statement.TypeName;
import entaxis.core.syntax.SyntaxRule;
import entaxis.core.type.SqlType;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/** Carries out ALTER COLUMN of ALTER TABLE. */
final class ColumnAlteration {
    private final SchemaBuilder builder;
    private final TypeResolver types;
    private final Columns columns;
    private final ColumnDefaults defaults;

    ColumnAlteration(SchemaBuilder builder, TypeResolver types, Columns columns, ColumnDefaults defaults) {
        this.builder = builder;
        this.types = types;
        this.columns = columns;
        this.defaults = defaults;
    }

    /**
     * Changes a column of a table.
     *
     * @param heirs the tables that inherit it, as far as they change with it
     */
    void alter(TableBuilder table, List<TableBuilder> heirs, ColumnBuilder column, AlterColumnAction change) {
        switch (change) {
            case AlterColumnAction.Retype(TypeName name, Optional<String> collation) -> {
                SqlType type = types.type(name);
                column.type = type;
                column.collation = collation.orElse(column.collation);
                heirs(heirs, column, inherited -> inherited.type = type);
            }
            case AlterColumnAction.SetDefault(Expression expression) -> {
                defaults.setDefault(column, expression);
                heirs(heirs, column, inherited -> inherited.defaultValue = column.defaultValue);
            }
            case AlterColumnAction.DropDefault() -> {
                column.defaultValue = Optional.empty();
                if (column.identity == Identity.BY_DEFAULT && builder.takes(SyntaxRule.COUNTING_DEFAULTS)) {
                    column.identity = Identity.NONE;
                }
                heirs(heirs, column, inherited -> inherited.defaultValue = Optional.empty());
            }
            case AlterColumnAction.SetNotNull() -> {
                column.required = true;
                heirs(heirs, column, inherited -> inherited.required = true);
            }
            case AlterColumnAction.SetNull() -> column.required = false;
            case AlterColumnAction.DropNotNull() -> {
                column.required = false;
                heirs(heirs, column, inherited -> inherited.required = false);
            }
            case AlterColumnAction.SetNumbering numbering -> renumber(column, numbering);
            case AlterColumnAction.DropIdentity() -> column.identity = Identity.NONE;
            case AlterColumnAction.SetExpression(Expression expression) -> {
                column.generated = Optional.of(expression);
                heirs(heirs, column, inherited -> inherited.generated = column.generated);
            }
            case AlterColumnAction.DropExpression() -> column.generated = Optional.empty();
            case AlterColumnAction.RenameTo(String name) -> builder.rename(table, column, name);
            case AlterColumnAction.AddClauses(List<ColumnClause> clauses) -> columns.clauses(table, column, clauses);
            case AlterColumnAction.Redefine redefined -> redefine(table, column, redefined);
            case AlterColumnAction.TogglePersisted() -> column.virtual = !column.virtual;
            case AlterColumnAction.None() -> { }
        }
    }

    /** Changes of a column only what is said of it. */
    void modify(TableBuilder table, ColumnBuilder column, Optional<TypeName> type, List<ColumnClause> clauses) {
        column.type = type.map(types::type).orElse(column.type);
        columns.clauses(table, column, clauses);
    }

    private static void heirs(List<TableBuilder> heirs, ColumnBuilder column, Consumer<ColumnBuilder> change) {
        heirs.forEach(heir -> heir.column(column.name).ifPresent(change));
    }

    private void redefine(TableBuilder table, ColumnBuilder column, AlterColumnAction.Redefine redefined) {
        column.type = types.type(redefined.type());
        column.required = false;
        boolean inKey = builder.takes(SyntaxRule.ALTERED_COLUMN_SAYS_NULL)
                && table.primaryKey.filter(key -> key.columns().contains(column.name)).isPresent();
        column.numbering = redefined.keepsNumbering() ? column.numbering : Numbering.DEFAULT;
        columns.clauses(table, column, redefined.clauses());
        column.required |= inKey;
    }

    private static void renumber(ColumnBuilder column, AlterColumnAction.SetNumbering numbering) {
        column.identity = numbering.kind().orElse(column.identity);
        column.numbering = new Numbering(numbering.start().orElse(column.numbering.start()),
                numbering.step().orElse(column.numbering.step()));
    }
}
