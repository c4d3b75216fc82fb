package entaxis.core.schema;

import entaxis.core.type.SqlType;
import java.util.List;
import java.util.Optional;

/** A type that is created in the schema, before the tables that use it. */
public sealed interface TypeDefinition {
    /** Its name. */
    String name();

    /** What it is for; may be empty. */
    String comment();

    /** Who may use it, without its owner, in order; empty where that is not told. */
    Optional<List<Grant>> grants();

    /** The same under another name. */
    TypeDefinition named(String newName);

    /** The same with another comment. */
    TypeDefinition withComment(String newComment);

    /** The same for others to use. */
    TypeDefinition withGrants(Optional<List<Grant>> newGrants);

    /**
     * A domain (ISO/IEC 9075-2, 11.34).
     *
     * @param check a rule in which {@code VALUE} stands for the value
     */
    record DomainDefinition(String name, SqlType base, Optional<String> defaultValue, Optional<CheckRule> check,
            String comment, Optional<List<Grant>> grants) implements TypeDefinition {
        private static final String REFUSES_NULL = "VALUE IS NOT NULL";
        private static final String AND_REFUSES_NULL = ") AND (" + REFUSES_NULL + ")";

        /** A domain of which is not told who may use it. */
        public DomainDefinition(String name, SqlType base, Optional<String> defaultValue, Optional<CheckRule> check,
                String comment) {
            this(name, base, defaultValue, check, comment, Optional.empty());
        }

        /**
         * Whether its rule is, or ends with, that no value may be null: what engines also write as NOT NULL of the
         * domain.
         */
        public boolean required() {
            return check.filter(
                    rule -> rule.condition().equals(REFUSES_NULL) || rule.condition().endsWith(AND_REFUSES_NULL))
                    .isPresent();
        }

        /** Its rule apart from {@link #required}. */
        public Optional<CheckRule> rule() {
            return !required() ? check : check.filter(all -> !all.condition().equals(REFUSES_NULL))
                    .map(all -> new CheckRule(all.name(),
                            all.condition().substring(1, all.condition().length() - AND_REFUSES_NULL.length())));
        }

        /** This domain, refusing null or not. */
        public DomainDefinition withRequired(boolean refuses) {
            Optional<CheckRule> rule = rule();
            return new DomainDefinition(name, base, defaultValue, !refuses ? rule
                    : Optional.of(rule.map(own -> new CheckRule(own.name(), "(" + own.condition() + AND_REFUSES_NULL))
                            .orElse(new CheckRule("", REFUSES_NULL))),
                    comment, grants);
        }

        /** This domain with another default. */
        public DomainDefinition withDefault(Optional<String> newDefault) {
            return new DomainDefinition(name, base, newDefault, check, comment, grants);
        }

        /** This domain with another rule apart from {@link #required}. */
        public DomainDefinition withRule(Optional<CheckRule> newRule) {
            return new DomainDefinition(name, base, defaultValue, newRule, comment, grants).withRequired(required());
        }

        @Override
        public DomainDefinition named(String newName) {
            return new DomainDefinition(newName, base, defaultValue, check, comment, grants);
        }

        @Override
        public DomainDefinition withComment(String newComment) {
            return new DomainDefinition(name, base, defaultValue, check, newComment, grants);
        }

        @Override
        public DomainDefinition withGrants(Optional<List<Grant>> newGrants) {
            return new DomainDefinition(name, base, defaultValue, check, comment, newGrants);
        }
    }

    /** A type with listed values. */
    record EnumDefinition(String name, List<String> values, String comment, Optional<List<Grant>> grants)
            implements TypeDefinition {
        /** Copies the values. */
        public EnumDefinition {
            values = List.copyOf(values);
        }

        /** A type of which is not told who may use it. */
        public EnumDefinition(String name, List<String> values, String comment) {
            this(name, values, comment, Optional.empty());
        }

        @Override
        public EnumDefinition named(String newName) {
            return new EnumDefinition(newName, values, comment, grants);
        }

        @Override
        public EnumDefinition withComment(String newComment) {
            return new EnumDefinition(name, values, newComment, grants);
        }

        @Override
        public EnumDefinition withGrants(Optional<List<Grant>> newGrants) {
            return new EnumDefinition(name, values, comment, newGrants);
        }

        /** The same with other values. */
        public EnumDefinition with(List<String> newValues) {
            return new EnumDefinition(name, newValues, comment, grants);
        }
    }

    /** A type with named fields. */
    record StructureDefinition(String name, List<FieldDefinition> fields, String comment, Optional<List<Grant>> grants)
            implements TypeDefinition {
        /** Copies the fields. */
        public StructureDefinition {
            fields = List.copyOf(fields);
        }

        /** A type of which is not told who may use it. */
        public StructureDefinition(String name, List<FieldDefinition> fields, String comment) {
            this(name, fields, comment, Optional.empty());
        }

        @Override
        public StructureDefinition named(String newName) {
            return new StructureDefinition(newName, fields, comment, grants);
        }

        @Override
        public StructureDefinition withComment(String newComment) {
            return new StructureDefinition(name, fields, newComment, grants);
        }

        @Override
        public StructureDefinition withGrants(Optional<List<Grant>> newGrants) {
            return new StructureDefinition(name, fields, comment, newGrants);
        }

        /** The same with other fields. */
        public StructureDefinition with(List<FieldDefinition> newFields) {
            return new StructureDefinition(name, newFields, comment, grants);
        }
    }

    /** One field of a structured type. */
    record FieldDefinition(String name, SqlType type) { }
}
