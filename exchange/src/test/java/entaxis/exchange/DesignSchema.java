package entaxis.exchange;

import entaxis.core.design.Design;
import entaxis.core.design.Elements;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * The JSON Schema (draft 2020-12) of saved designs, made from the model itself, so that what ships in docs cannot fall
 * behind it.
 */
final class DesignSchema {
    private final Map<String, Object> definitions = new LinkedHashMap<>();

    private DesignSchema() { }

    static String text() {
        DesignSchema schema = new DesignSchema();
        Map<String, Object> root = new LinkedHashMap<>();
        root.put("$schema", "https://json-schema.org/draft/2020-12/schema");
        root.put("title", "A design saved by Entaxis");
        root.put("type", "object");
        Map<String, Object> properties = new LinkedHashMap<>();
        properties.put("format", Map.of("const", "entaxis design"));
        properties.put("version", Map.of("type", "integer", "minimum", 1));
        properties.putAll(schema.properties(Design.class));
        properties.put("pictures", Map.of("type", "array", "items", picture()));
        root.put("properties", properties);
        root.put("required", List.of("facts", "entities", "relationships", "sheets"));
        root.put("additionalProperties", false);
        root.put("$defs", schema.definitions);
        return JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT)
                .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS).build().writeValueAsString(root) + "\n";
    }

    private static Map<String, Object> picture() {
        return Map.of("type", "object", "required", List.of("base64", "content", "type"), "properties",
                Map.of("content", Map.of("type", "string"), "type", Map.of("type", "string"), "base64",
                        Map.of("type", "string", "contentEncoding", "base64")));
    }

    private Map<String, Object> properties(Class<?> record) {
        Map<String, Object> properties = new LinkedHashMap<>();
        for (RecordComponent component : record.getRecordComponents()) {
            properties.put(component.getName(), of(component.getGenericType()));
        }
        return properties;
    }

    private Object of(Type type) {
        if (type instanceof ParameterizedType generic) {
            Class<?> raw = (Class<?>) generic.getRawType();
            Type last = generic.getActualTypeArguments()[generic.getActualTypeArguments().length - 1];
            if (raw == Optional.class) {
                return Map.of("anyOf", List.of(of(last), Map.of("type", "null")));
            }
            if (Map.class.isAssignableFrom(raw)) {
                return Map.of("type", "object", "additionalProperties", of(last));
            }
            if (Collection.class.isAssignableFrom(raw) || raw == Elements.class) {
                return Map.of("type", "array", "items", of(last));
            }
        }
        return ofClass((Class<?>) type);
    }

    private Object ofClass(Class<?> type) {
        if (type == String.class || type.getSimpleName().endsWith("Id") || type.getSimpleName().equals("ColumnPath")
                || type.getSimpleName().equals("SqlType") || type.getSimpleName().equals("Expression")) {
            return Map.of("type", "string");
        }
        if (type == int.class || type == long.class || type == Integer.class || type == Long.class) {
            return Map.of("type", "integer");
        }
        if (type == boolean.class || type == Boolean.class) {
            return Map.of("type", "boolean");
        }
        if (type.isEnum()) {
            return Map.of("enum", Arrays.stream(type.getEnumConstants()).map(Object::toString).toList());
        }
        String name = type.getName().replaceFirst("^.*\\.", "").replace('$', '.');
        if (!definitions.containsKey(name)) {
            definitions.put(name, Map.of());
            definitions.put(name, type.isSealed() ? kinds(type) : record(type));
        }
        return Map.of("$ref", "#/$defs/" + name);
    }

    private Object kinds(Class<?> type) {
        return Map.of("anyOf", Arrays.stream(type.getPermittedSubclasses()).map(this::ofClass).toList());
    }

    private Object record(Class<?> type) {
        Map<String, Object> properties = properties(type);
        if (Arrays.stream(type.getInterfaces()).anyMatch(Class::isSealed)) {
            properties.put("is", Map.of("const", ModelIntrospector.name(type)));
        }
        return Map.of("type", "object", "properties", properties, "additionalProperties", false);
    }
}
