package entaxis.exchange;

import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.annotation.Nulls;
import entaxis.core.change.Change;
import entaxis.core.design.Elements;
import entaxis.core.design.OpaqueProgram;
import entaxis.core.design.OpaqueSequence;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.cfg.MapperConfig;
import tools.jackson.databind.introspect.Annotated;
import tools.jackson.databind.introspect.AnnotatedClass;
import tools.jackson.databind.introspect.JacksonAnnotationIntrospector;
import tools.jackson.databind.jsontype.NamedType;

/**
 * How the records of the model are read and written, so that the model needs no annotations: the kinds of a sealed type
 * are told apart by a property {@code is} that holds the kind's name, and what an earlier version did not know yet, and
 * so did not write, is empty.
 */
final class ModelIntrospector extends JacksonAnnotationIntrospector {
    private static final long serialVersionUID = 1;
    /** What files and histories call kinds whose types have another name now. */
    private static final Map<Class<?>, String> FIRST_NAMES =
            Map.of(Change.SwapEnds.class, "TurnRound", Change.AddSurrogateKey.class, "GiveSurrogate",
                    Change.PutOpaque.class, "PutCarried", Change.RemoveOpaque.class, "RemoveCarried",
                    OpaqueProgram.class, "CarriedProgram", OpaqueSequence.class, "CarriedSequence");

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
            kinds.add(new NamedType(kind, name(kind)));
        }
        return kinds;
    }

    @Override
    public String findTypeName(MapperConfig<?> config, AnnotatedClass type) {
        String first = FIRST_NAMES.get(type.getRawType());
        return first == null ? super.findTypeName(config, type) : first;
    }

    @Override
    public JsonSetter.Value findSetterInfo(MapperConfig<?> config, Annotated annotated) {
        Class<?> type = annotated.getRawType();
        boolean mayBeMissing = Collection.class.isAssignableFrom(type) || Map.class.isAssignableFrom(type)
                || type == Optional.class || type == Elements.class
                || type == String.class;
        return mayBeMissing ? JsonSetter.Value.forValueNulls(Nulls.AS_EMPTY) : super.findSetterInfo(config, annotated);
    }

    /** How a kind is called in files: by its simple name, or by the one that it had when it was first written. */
    static String name(Class<?> kind) {
        return FIRST_NAMES.getOrDefault(kind, kind.getSimpleName());
    }

    private static boolean kind(Class<?> type) {
        return ours(type) && (type.isSealed()
                || type.isRecord() && List.of(type.getInterfaces()).stream().anyMatch(Class::isSealed));
    }

    private static boolean ours(Class<?> type) {
        return type.getName().startsWith("entaxis.core.");
    }
}
