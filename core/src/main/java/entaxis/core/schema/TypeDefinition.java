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

    /**
     * A domain (ISO/IEC 9075-2, 11.34).
     *
     * @param check a rule in which {@code VALUE} stands for the value
     */
    record DomainDefinition(String name, SqlType base, Optional<String> defaultValue, Optional<CheckRule> check,
            String comment) implements TypeDefinition {
        private static final String REFUSES_NULL = "VALUE IS NOT NULL";
        private static final String AND_REFUSES_NULL = ") AND (" + REFUSES_NULL + ")";

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
                    comment);
        }

        /** This domain with another default. */
        public DomainDefinition withDefault(Optional<String> newDefault) {
            return new DomainDefinition(name, base, newDefault, check, comment);
        }

        /** This domain with another rule apart from {@link #required}. */
        public DomainDefinition withRule(Optional<CheckRule> newRule) {
            return new DomainDefinition(name, base, defaultValue, newRule, comment).withRequired(required());
        }
    }

    /** A type with listed values. */
    record EnumDefinition(String name, List<String> values, String comment) implements TypeDefinition {
        /** Copies the values. */
        public EnumDefinition {
            values = List.copyOf(values);
        }
    }

    /** A type with named fields. */
    record StructureDefinition(String name, List<FieldDefinition> fields, String comment) implements TypeDefinition {
        /** Copies the fields. */
        public StructureDefinition {
            fields = List.copyOf(fields);
        }
    }

    /** One field of a structured type. */
    record FieldDefinition(String name, SqlType type) { }
}
