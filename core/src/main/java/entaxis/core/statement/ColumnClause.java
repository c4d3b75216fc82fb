package entaxis.core.statement;

import entaxis.core.expression.Expression;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Numbering;
import java.util.List;
import java.util.Optional;

/** One clause behind the type of a column. Names are empty where none is given. */
public sealed interface ColumnClause {
    /** NOT NULL, which may have a name as constraints have. */
    record NotNull(String name) implements ColumnClause {
        /** Without a name, as it nearly always is. */
        public static final NotNull UNNAMED = new NotNull("");
    }

    /** NULL. */
    record Nullable() implements ColumnClause { }

    /** DEFAULT. */
    record Default(Expression expression) implements ColumnClause { }

    /**
     * PRIMARY KEY or UNIQUE.
     *
     * @param columns the columns, where they are named; else it is the one that the clause is at
     */
    record Key(boolean primary, String name, List<String> columns, int place) implements ColumnClause {
        /** Copies the columns. */
        public Key {
            columns = List.copyOf(columns);
        }
    }

    /** CHECK. */
    record Check(String name, Expression condition) implements ColumnClause { }

    /** REFERENCES. */
    record References(String name, Reference reference, int place) implements ColumnClause { }

    /** GENERATED AS IDENTITY and the like: the column counts and refuses null. */
    record Numbered(Identity kind, Optional<Numbering> numbering) implements ColumnClause { }

    /** AUTO_INCREMENT: the column counts. */
    record AutoIncrement(Optional<Numbering> numbering) implements ColumnClause { }

    /**
     * An expression that the column is computed from.
     *
     * @param cast the type that the expression is cast to, where the column has none of its own
     */
    record Computed(Expression expression, boolean virtual, Optional<TypeName> cast) implements ColumnClause { }

    /** Whether a computed column is computed at each reading. */
    record Stored(boolean virtual) implements ColumnClause { }

    /** COMMENT. */
    record Comment(String text) implements ColumnClause { }

    /** COLLATE. */
    record Collation(String name) implements ColumnClause { }

    /** CHARACTER SET binary: its texts are bytes (MySQL manual, “The Binary Collation”). */
    record InBytes() implements ColumnClause { }

    /** ON UPDATE. */
    record OnUpdate(Expression expression) implements ColumnClause { }

    /** INDEX (Transact-SQL Reference, CREATE TABLE, column_index). */
    record Index(String name, boolean unique, Optional<Expression> predicate) implements ColumnClause { }
}
