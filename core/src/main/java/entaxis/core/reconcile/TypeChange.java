package entaxis.core.reconcile;

import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.type.SqlType.ArrayType;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.SqlType;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * What it takes to change a defined type: some changes an engine makes in place, for others the type is made again, and
 * with it every type that has it inside.
 */
public final class TypeChange {
    private TypeChange() { }

    /**
     * Whether the engine changes a type where it is: the rules of a domain, and on some the values of an
     * enumeration that keep their order.
     */
    public static boolean inPlace(TypeDefinition from, TypeDefinition to, EngineWordingRules words) {
        boolean rules = from instanceof DomainDefinition one && to instanceof DomainDefinition other
                && words.type(one.base()).equals(words.type(other.base()));
        return rules || words.dialect().extendsEnumerations() && from instanceof EnumDefinition one
                && to instanceof EnumDefinition other
                && other.values().stream().filter(one.values()::contains).toList().equals(one.values());
    }

    /** The defined types that a type has inside. */
    public static Stream<UserType> parts(TypeDefinition type) {
        return switch (type) {
            case DomainDefinition domain -> named(domain.base()).stream();
            case EnumDefinition enumeration -> Stream.empty();
            case StructureDefinition structure ->
                    structure.fields().stream().flatMap(field -> named(field.type()).stream());
        };
    }

    private static Optional<UserType> named(SqlType type) {
        return switch (type) {
            case UserType user -> Optional.of(user);
            case ArrayType(SqlType element) -> named(element);
            default -> Optional.empty();
        };
    }

    /**
     * Whether a structured type has another type inside, at whatever depth: no engine turns a value of the old one into
     * one of the new.
     */
    static boolean inStructure(UserType wanted, List<TypeDefinition> types) {
        Set<UserType> holders = new HashSet<>(Set.of(wanted));
        boolean more = true;
        while (more) {
            more = false;
            for (TypeDefinition type : types) {
                if (parts(type).anyMatch(holders::contains)) {
                    if (type instanceof StructureDefinition) {
                        return true;
                    }
                    more |= holders.add(type.type());
                }
            }
        }
        return false;
    }
}
