package entaxis.core.schema;

import entaxis.core.expression.Expression;

/** A check constraint (ISO/IEC 9075-2, 11.9). */
public record CheckRule(String name, Expression condition) implements TablePart {
    /** A check of the words of a condition. */
    public CheckRule(String name, String condition) {
        this(name, Expression.of(condition));
    }

    /** The same under another name. */
    public CheckRule named(String newName) {
        return new CheckRule(newName, condition);
    }

    /** The same with another condition. */
    public CheckRule with(Expression newCondition) {
        return new CheckRule(name, newCondition);
    }
}
