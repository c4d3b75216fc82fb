package entaxis.exchange;

import entaxis.core.design.Elements;
import java.util.ArrayList;
import java.util.List;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.databind.BeanProperty;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.JavaType;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;

/** {@link Elements} as JSON arrays. */
final class ElementsJson {
    private ElementsJson() { }

    @SuppressWarnings("rawtypes")
    static final class Writer extends ValueSerializer<Elements> {
        @Override
        public void serialize(Elements elements, JsonGenerator json, SerializationContext context) {
            json.writeStartArray();
            for (Object element : elements.list()) {
                context.findTypedValueSerializer(element.getClass(), true).serialize(element, json, context);
            }
            json.writeEndArray();
        }
    }

    @SuppressWarnings({"rawtypes", "unchecked"})
    static final class Reader extends ValueDeserializer<Elements> {
        private final JavaType element;

        Reader() {
            this.element = null;
        }

        private Reader(JavaType element) {
            this.element = element;
        }

        @Override
        public ValueDeserializer<?> createContextual(DeserializationContext context, BeanProperty property) {
            return new Reader(context.getContextualType().containedType(1));
        }

        @Override
        public Object getEmptyValue(DeserializationContext context) {
            return Elements.none();
        }

        @Override
        public Elements deserialize(JsonParser json, DeserializationContext context) {
            List values = new ArrayList();
            if (!json.isExpectedStartArrayToken()) {
                return (Elements) context.handleUnexpectedToken(Elements.class, json);
            }
            while (json.nextToken() != JsonToken.END_ARRAY) {
                values.add(context.readValue(json, element));
            }
            return Elements.of(values);
        }
    }
}
