package entaxis.core.derive;

import entaxis.core.design.Design;
import entaxis.core.design.Domain;
import entaxis.core.design.Enumeration;
import entaxis.core.design.NamedType;
import entaxis.core.design.Naming;
import entaxis.core.design.Naming.Template;
import entaxis.core.design.SqlName;
import entaxis.core.design.Structure;
import entaxis.core.expression.Expression;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.schema.TypeDefinition.FieldDefinition;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import entaxis.core.type.SqlType;
import entaxis.core.type.SqlType.UserType;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/** The types of a design as the schema defines them: enumerations and domains before the structures that use them. */
final class TypeDefinitions {
    private final Design design;
    private final ConstraintNames constraints;

    TypeDefinitions(Design design, ConstraintNames constraints) {
        this.design = design;
        this.constraints = constraints;
    }

    List<TypeDefinition> all() {
        return Stream
                .concat(design.types().stream().filter(type -> !(type instanceof Structure)),
                        design.types().stream().filter(Structure.class::isInstance))
                .map(this::defined).toList();
    }

    private TypeDefinition defined(NamedType type) {
        return switch (type) {
            case Domain domain -> DomainDefinition.of(domain.name(), domain.base())
                    .withDefault(domain.defaultValue().map(Expression::of))
                    .ruled(domain.check().map(check -> new CheckRule(
                            constraints.free(Naming.filled(design.facts().names().template(Template.CHECK),
                                    Map.of("table", domain.name(), "part", "value"))),
                            check)))
                    .withComment(domain.meaning());
            case Enumeration enumeration -> new EnumDefinition(QualifiedName.of(enumeration.name()),
                    enumeration.values(), enumeration.meaning());
            case Structure structure -> new StructureDefinition(QualifiedName.of(structure.name()),
                    structure.fields().stream()
                            .map(field -> new FieldDefinition(SqlName.of(field.name()), used(field.type()))).toList(),
                    structure.meaning());
        };
    }

    private SqlType used(SqlType type) {
        return design.definition(type).<SqlType>map(definition -> UserType.of(definition.name())).orElse(type);
    }
}
