package entaxis.exchange.dictionary;

import entaxis.core.dictionary.reading.ReadDictionary;
import entaxis.core.dictionary.reading.ReadDictionary.ReadAttribute;
import java.util.LinkedHashMap;
import java.util.Map;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** What was understood of a dictionary, as JSON. */
public final class DictionaryJson {
    private static final JsonMapper MAPPER = JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    private DictionaryJson() { }

    /** The text. */
    public static String of(ReadDictionary read) {
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("entities", read.entities().stream().map(entity -> {
            Map<String, Object> one = new LinkedHashMap<>();
            one.put("name", entity.name());
            one.put("meaning", entity.meaning());
            one.put("attributes", entity.attributes().stream().map(DictionaryJson::attribute).toList());
            return one;
        }).toList());
        all.put("relationships", read.relationships().stream().map(relationship -> {
            Map<String, Object> one = new LinkedHashMap<>();
            one.put("from", relationship.from());
            one.put("to", relationship.to());
            one.put("required", relationship.required());
            return one;
        }).toList());
        all.put("notUnderstood", read.missed().stream().map(missed -> {
            Map<String, Object> one = new LinkedHashMap<>();
            one.put("sheet", missed.sheet());
            one.put("row", missed.row());
            one.put("column", missed.column());
            one.put("text", missed.text());
            one.put("reason", missed.reason());
            return one;
        }).toList());
        return MAPPER.writeValueAsString(all);
    }

    private static Map<String, Object> attribute(ReadAttribute attribute) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("name", attribute.name());
        one.put("type", attribute.type().map(type -> type.text()).orElse(attribute.named()));
        one.put("required", attribute.required().orElse(false));
        one.put("default", attribute.defaultValue());
        one.put("meaning", attribute.meaning());
        one.put("key", attribute.rank() > 0 ? "primary" : attribute.unique() != 0 ? "unique" : null);
        return one;
    }
}
