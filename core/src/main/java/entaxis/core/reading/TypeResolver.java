package entaxis.core.reading;

import entaxis.core.schema.TypeDefinition;
import entaxis.core.sql.SpelledTypes;
import entaxis.core.schema.QualifiedName;
import entaxis.core.statement.TypeName;
import entaxis.core.syntax.SyntaxRule;
import entaxis.core.type.SqlType;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.TypeSpelling;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;

/** Finds what the names of types mean. What a spelling means is worked out once for each that occurs. */
final class TypeResolver {
    private static final Set<String> COUNTING = Set.of("serial", "bigserial", "smallserial", "serial2", "serial4",
            "serial8", "pg_catalog.serial", "pg_catalog.bigserial");

    /**
     * A type and what its spelling says beside it.
     *
     * @param counting whether it also asks for automatic numbers
     */
    record Resolved(SqlType type, boolean counting) { }

    private final SchemaBuilder builder;
    private final Map<String, Resolved> known = new HashMap<>();

    TypeResolver(SchemaBuilder builder) {
        this.builder = builder;
    }

    /** What a name of a type means at present. */
    SqlType type(TypeName name) {
        return resolve(name).type();
    }

    /** The same, with what the spelling says beside it. */
    Resolved resolve(TypeName name) {
        Resolved resolved = known.get(name.spelling());
        if (resolved == null) {
            resolved = meant(name);
            if (isContextFree(resolved.type())) {
                known.put(name.spelling(), resolved);
            }
        }
        return name.dimensions() == 0 ? resolved
                : new Resolved(SpelledTypes.array(resolved.type(), name.dimensions()), false);
    }

    /**
     * Whether a spelling means the same wherever it stands; others may be those of types that the script makes, changes
     * and drops.
     */
    private static boolean isContextFree(SqlType type) {
        return switch (type) {
            case UserType user -> false;
            case SqlType.NativeType other -> false;
            case SqlType.ArrayType array -> isContextFree(array.element());
            default -> true;
        };
    }

    private Resolved meant(TypeName name) {
        TypeDefinition own = builder.types.isEmpty() ? null
                : builder.types.get(builder.key(new QualifiedName(name.namespace(), name.name())));
        if (own != null) {
            return new Resolved(own.type(), false);
        }
        TypeSpelling spelling = SpelledTypes.cut(builtIn(name));
        boolean counts = builder.takes(SyntaxRule.SERIAL_TYPES);
        return new Resolved(builder.dialect.read(spelling), counts && COUNTING.contains(spelling.name()));
    }

    /**
     * How a type that is not one of the script's own is spelled for the engine. A type name in square brackets means
     * the same as without (SQL Server documentation, “Database identifiers”). Neither the schema of the system's types
     * nor that which extensions are put into (PostgreSQL manual, CREATE EXTENSION) says anything.
     */
    private String builtIn(TypeName name) {
        boolean ofSystem = builder.takes(SyntaxRule.QUALIFIED_SYSTEM_TYPES) && name.qualified();
        if (ofSystem && name.namespace().equals(builder.syntax.defaultSchema())) {
            return name.unqualified();
        }
        boolean plain = ofSystem && name.quoted() && name.namespace().equals("pg_catalog")
                && !name.name().equals("char");
        return plain || name.quoted() && builder.takes(SyntaxRule.QUOTED_TYPES) ? name.unquoted() : name.spelling();
    }
}
