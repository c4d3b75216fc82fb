package entaxis.core.statement;

import entaxis.core.expression.Expression;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.QualifiedName;
import java.util.List;
import java.util.Optional;

/** Statements on types and domains (ISO/IEC 9075-2, 11.34 to 11.51). */
public sealed interface TypeStatement extends Statement {
    /** One field of a type. */
    record Field(String name, TypeName type) { }

    /** CREATE TYPE ... AS ENUM. */
    record CreateEnumeration(PlacedName name, List<String> values) implements TypeStatement {
        /** Copies the values. */
        public CreateEnumeration {
            values = List.copyOf(values);
        }
    }

    /** CREATE TYPE with fields. */
    record CreateStructure(PlacedName name, boolean onlyIfAbsent, List<Field> fields) implements TypeStatement {
        /** Copies the fields. */
        public CreateStructure {
            fields = List.copyOf(fields);
        }
    }

    /**
     * CREATE DOMAIN.
     *
     * @param rules in order; names are empty where none is given
     */
    record CreateDomain(PlacedName name, boolean onlyIfAbsent, TypeName base, Optional<Expression> defaultValue,
            List<CheckRule> rules, boolean required) implements TypeStatement {
        /** Copies the rules. */
        public CreateDomain {
            rules = List.copyOf(rules);
        }
    }

    /**
     * CREATE TYPE ... FROM (Transact-SQL Reference).
     *
     * @param required whether columns of the type refuse null where nothing else is said
     */
    record CreateAlias(PlacedName name, TypeName base, boolean required) implements TypeStatement { }

    /** CREATE TYPE that says no more than a name. */
    record DeclareType(PlacedName name) implements TypeStatement { }

    /** ALTER TYPE. */
    record AlterType(PlacedName name, Change change) implements TypeStatement { }

    /** ALTER DOMAIN. */
    record AlterDomain(QualifiedName name, Change change) implements TypeStatement { }

    /** DROP TYPE and DROP DOMAIN. */
    record DropTypes(List<QualifiedName> names, boolean cascade) implements TypeStatement {
        /** Copies the names. */
        public DropTypes {
            names = List.copyOf(names);
        }
    }

    /** What becomes of a type. */
    sealed interface Change { }

    /** RENAME TO. */
    record RenameTo(String name) implements Change { }

    /**
     * ADD VALUE.
     *
     * @param neighbour the value beside which it comes; at the end, if left out
     */
    record AddValue(String value, boolean onlyIfAbsent, Optional<String> neighbour, boolean before)
            implements Change { }

    /** RENAME VALUE. */
    record RenameValue(String before, String now) implements Change { }

    /** Fields that come, go, change and are renamed. */
    record ChangeFields(List<FieldChange> changes) implements Change {
        /** Copies the changes. */
        public ChangeFields {
            changes = List.copyOf(changes);
        }
    }

    /** What becomes of one field. */
    sealed interface FieldChange {
        /** ADD ATTRIBUTE. */
        record Add(String name, TypeName type) implements FieldChange { }

        /** DROP ATTRIBUTE. */
        record Drop(String name, int place, boolean ifExists) implements FieldChange { }

        /** RENAME ATTRIBUTE. */
        record Rename(String name, int place, String now) implements FieldChange { }

        /** ALTER ATTRIBUTE. */
        record Retype(String name, int place, TypeName type) implements FieldChange { }
    }

    /** RENAME CONSTRAINT. */
    record RenameRule(String before, String now) implements Change { }

    /** SET DEFAULT and DROP DEFAULT. */
    record SetDefault(Optional<Expression> expression) implements Change { }

    /** SET NOT NULL and DROP NOT NULL. */
    record SetRequired(boolean required) implements Change { }

    /** ADD CHECK; the name is empty where none is given. */
    record AddRule(String name, Expression condition) implements Change { }

    /** DROP CONSTRAINT. */
    record DropRule(String name) implements Change { }

    /** Another change, which says nothing that is kept. */
    record OtherChange() implements Change { }
}
