package entaxis.core.reconcile;

import entaxis.core.schema.Program;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Sequence;
import entaxis.core.schema.Table;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.schema.TypeDefinition.FieldDefinition;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.type.SqlType.ArrayType;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.SqlType;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/**
 * Decides which schemas two sides mean. Scripts often leave the schema out and dumps always name it, so a side that has
 * all its tables in one schema is compared with a side that has them in the default schema.
 */
final class Namespaces {
    private Namespaces() { }

    /** The one schema that all tables stand in; nothing if they stand in several, or there are none. */
    static Optional<String> only(Schema schema) {
        Set<String> all = schema.tables().stream().map(table -> said(table.namespace())).collect(Collectors.toSet());
        return all.size() == 1 ? all.stream().findFirst() : Optional.empty();
    }

    /** The usual schema of an engine goes without saying. */
    private static String said(String namespace) {
        return QualifiedName.isDefaultSchema(namespace) ? "" : namespace;
    }

    /** A side put into the schema of the other, where each of them has only one; linear. */
    static Schema like(Schema schema, Schema other) {
        return differ(schema, other) ? moved(schema, only(schema).orElseThrow(), only(other).orElseThrow()) : schema;
    }

    /** Whether each side has one schema only, and they are not called the same. */
    static boolean differ(Schema one, Schema other) {
        Optional<String> own = only(one);
        Optional<String> wanted = only(other);
        return own.isPresent() && wanted.isPresent() && !own.equals(wanted);
    }

    private static Schema moved(Schema schema, String from, String to) {
        UnaryOperator<QualifiedName> name = own -> said(own.namespace()).equals(from) ? own.in(to) : own;
        List<TypeDefinition> types = schema.types().stream().map(own -> moved(own, name)).toList();
        List<Sequence> sequences = schema.sequences().stream()
                .map(own -> own.in(name.apply(own.qualifiedName()).namespace())).toList();
        List<Table> tables = schema.tables().stream().map(table -> table.named(name.apply(table.qualifiedName()))
                .withColumns(table.columns().stream().map(column -> column.withType(moved(column.type(), name)))
                        .toList())
                .referring(table.foreignKeys().stream().map(key -> key.to(name.apply(key.referenced()))).toList()))
                .toList();
        List<Program> programs = schema.programs().stream()
                .map(own -> own.in(name.apply(own.qualifiedName()).namespace())).toList();
        return new Schema(types, sequences, tables, programs, schema.extensions());
    }

    private static TypeDefinition moved(TypeDefinition type, UnaryOperator<QualifiedName> name) {
        return switch (type.named(name.apply(type.qualifiedName()))) {
            case DomainDefinition domain -> domain.over(moved(domain.base(), name));
            case EnumDefinition enumeration -> enumeration;
            case StructureDefinition structure -> structure.with(structure.fields().stream()
                    .map(field -> new FieldDefinition(field.name(), moved(field.type(), name))).toList());
        };
    }

    private static SqlType moved(SqlType type, UnaryOperator<QualifiedName> name) {
        return switch (type) {
            case UserType user -> new UserType(name.apply(new QualifiedName(user.namespace(), user.name())).namespace(),
                    user.name());
            case ArrayType(SqlType element) -> new ArrayType(moved(element, name));
            default -> type;
        };
    }
}
