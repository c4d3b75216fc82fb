package entaxis.core.schema;

import entaxis.core.expression.Conjunction;
import entaxis.core.expression.Expression;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.SqlType;
import java.util.List;
import java.util.Optional;

/** A type that is created in the schema, before the tables that use it. */
public sealed interface TypeDefinition {
    /** Its name with its schema. */
    QualifiedName qualifiedName();

    /** Its name within its schema. */
    default String name() {
        return qualifiedName().name();
    }

    /** Its name as people are told it: with its schema, unless that is the default one. */
    default String label() {
        return qualifiedName().label();
    }

    /** The type of a column that is of it. */
    default UserType type() {
        return new UserType(qualifiedName().namespace(), qualifiedName().name());
    }

    /** What it is for; may be empty. */
    String comment();

    /** Who may use it, without its owner, in order; empty where that is not told. */
    Optional<List<Grant>> grants();

    /** The same under another name. */
    TypeDefinition named(QualifiedName newName);

    /** The same in another schema. */
    default TypeDefinition in(String newNamespace) {
        return named(qualifiedName().in(newNamespace));
    }

    /** The same with another comment. */
    TypeDefinition withComment(String newComment);

    /** The same for others to use. */
    TypeDefinition withGrants(Optional<List<Grant>> newGrants);

    /**
     * A domain (ISO/IEC 9075-2, 11.34).
     *
     * @param required whether it refuses null, which some engines can only say by a rule
     * @param check    a rule in which {@code VALUE} stands for the value
     */
    record DomainDefinition(QualifiedName qualifiedName, SqlType base, Optional<Expression> defaultValue,
            boolean required, Optional<CheckRule> check, String comment, Optional<List<Grant>> grants)
            implements TypeDefinition {
        private static final Expression REFUSES_NULL = Expression.of("VALUE IS NOT NULL");

        /** A domain that takes every value of a type. */
        public static DomainDefinition of(QualifiedName name, SqlType base) {
            return new DomainDefinition(name, base, Optional.empty(), false, Optional.empty(), "", Optional.empty());
        }

        /** A domain of the default schema that takes every value of a type. */
        public static DomainDefinition of(String name, SqlType base) {
            return of(QualifiedName.of(name), base);
        }

        /**
         * This domain with a rule as it is said somewhere: the part of it that refuses null becomes {@link #required}.
         */
        public DomainDefinition ruled(Optional<CheckRule> rule) {
            List<Expression> parts = rule.map(said -> Conjunction.parts(said.condition())).orElse(List.of());
            List<Expression> others = parts.stream()
                    .filter(part -> !part.canonical().equals(REFUSES_NULL.canonical())).toList();
            if (others.size() == parts.size()) {
                return withCheck(rule);
            }
            return withRequired(true).withCheck(others.isEmpty() ? Optional.empty()
                    : rule.map(said -> new CheckRule(said.name(), Conjunction.of(others))));
        }

        /** Its rule together with the one that refuses null, for engines that have no other words for that. */
        public Optional<CheckRule> checkOfAll() {
            return !required ? check : Optional.of(check
                    .map(rule -> new CheckRule(rule.name(), Conjunction.of(List.of(rule.condition(), REFUSES_NULL))))
                    .orElse(new CheckRule("", REFUSES_NULL)));
        }

        /** This domain over another type. */
        public DomainDefinition over(SqlType newBase) {
            return new DomainDefinition(qualifiedName, newBase, defaultValue, required, check, comment, grants);
        }

        /** This domain, refusing null or not. */
        public DomainDefinition withRequired(boolean newRequired) {
            return new DomainDefinition(qualifiedName, base, defaultValue, newRequired, check, comment, grants);
        }

        /** This domain with another default. */
        public DomainDefinition withDefault(Optional<Expression> newDefault) {
            return new DomainDefinition(qualifiedName, base, newDefault, required, check, comment, grants);
        }

        /** This domain with another rule. */
        public DomainDefinition withCheck(Optional<CheckRule> newCheck) {
            return new DomainDefinition(qualifiedName, base, defaultValue, required, newCheck, comment, grants);
        }

        @Override
        public DomainDefinition named(QualifiedName newName) {
            return new DomainDefinition(newName, base, defaultValue, required, check, comment, grants);
        }

        @Override
        public DomainDefinition withComment(String newComment) {
            return new DomainDefinition(qualifiedName, base, defaultValue, required, check, newComment, grants);
        }

        @Override
        public DomainDefinition withGrants(Optional<List<Grant>> newGrants) {
            return new DomainDefinition(qualifiedName, base, defaultValue, required, check, comment, newGrants);
        }
    }

    /** A type with listed values. */
    record EnumDefinition(QualifiedName qualifiedName, List<String> values, String comment,
            Optional<List<Grant>> grants) implements TypeDefinition {
        /** Copies the values. */
        public EnumDefinition {
            values = List.copyOf(values);
        }

        /** A type of which is not told who may use it. */
        public EnumDefinition(QualifiedName name, List<String> values, String comment) {
            this(name, values, comment, Optional.empty());
        }

        @Override
        public EnumDefinition named(QualifiedName newName) {
            return new EnumDefinition(newName, values, comment, grants);
        }

        @Override
        public EnumDefinition withComment(String newComment) {
            return new EnumDefinition(qualifiedName, values, newComment, grants);
        }

        @Override
        public EnumDefinition withGrants(Optional<List<Grant>> newGrants) {
            return new EnumDefinition(qualifiedName, values, comment, newGrants);
        }

        /** The same with other values. */
        public EnumDefinition with(List<String> newValues) {
            return new EnumDefinition(qualifiedName, newValues, comment, grants);
        }
    }

    /** A type with named fields. */
    record StructureDefinition(QualifiedName qualifiedName, List<FieldDefinition> fields, String comment,
            Optional<List<Grant>> grants) implements TypeDefinition {
        /** Copies the fields. */
        public StructureDefinition {
            fields = List.copyOf(fields);
        }

        /** A type of which is not told who may use it. */
        public StructureDefinition(QualifiedName name, List<FieldDefinition> fields, String comment) {
            this(name, fields, comment, Optional.empty());
        }

        @Override
        public StructureDefinition named(QualifiedName newName) {
            return new StructureDefinition(newName, fields, comment, grants);
        }

        @Override
        public StructureDefinition withComment(String newComment) {
            return new StructureDefinition(qualifiedName, fields, newComment, grants);
        }

        @Override
        public StructureDefinition withGrants(Optional<List<Grant>> newGrants) {
            return new StructureDefinition(qualifiedName, fields, comment, newGrants);
        }

        /** The same with other fields. */
        public StructureDefinition with(List<FieldDefinition> newFields) {
            return new StructureDefinition(qualifiedName, newFields, comment, grants);
        }
    }

    /** One field of a structured type. */
    record FieldDefinition(String name, SqlType type) { }
}
