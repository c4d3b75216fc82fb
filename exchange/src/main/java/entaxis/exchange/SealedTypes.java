package entaxis.exchange;

import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.cfg.MapperConfig;
import tools.jackson.databind.introspect.Annotated;
import tools.jackson.databind.introspect.AnnotatedClass;
import tools.jackson.databind.introspect.JacksonAnnotationIntrospector;
import tools.jackson.databind.jsontype.NamedType;

/** Tells the kinds of a sealed type of the model apart by a property {@code is} that holds the kind's simple name, so that the model needs no annotations. */
final class SealedTypes extends JacksonAnnotationIntrospector {
    private static final long serialVersionUID = 1;

    @Override
    public JsonTypeInfo.Value findPolymorphicTypeInfo(MapperConfig<?> config, Annotated annotated) {
        return annotated instanceof AnnotatedClass type && kind(type.getRawType())
                ? JsonTypeInfo.Value.construct(JsonTypeInfo.Id.NAME, JsonTypeInfo.As.PROPERTY, "is", null, false, true)
                : super.findPolymorphicTypeInfo(config, annotated);
    }

    @Override
    public List<NamedType> findSubtypes(MapperConfig<?> config, Annotated annotated) {
        if (!(annotated instanceof AnnotatedClass type) || !ours(type.getRawType()) || !type.getRawType().isSealed()) {
            return super.findSubtypes(config, annotated);
        }
        List<NamedType> kinds = new ArrayList<>();
        for (Class<?> kind : type.getRawType().getPermittedSubclasses()) {
            kinds.add(new NamedType(kind, kind.getSimpleName()));
        }
        return kinds;
    }

    private static boolean kind(Class<?> type) {
        return ours(type) && (type.isSealed() || type.isRecord() && List.of(type.getInterfaces()).stream().anyMatch(Class::isSealed));
    }

    private static boolean ours(Class<?> type) {
        return type.getName().startsWith("entaxis.core.");
    }
}
