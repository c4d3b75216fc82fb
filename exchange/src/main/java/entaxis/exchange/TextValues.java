package entaxis.exchange;

import java.util.function.Function;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.KeyDeserializer;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.jsontype.TypeDeserializer;
import tools.jackson.databind.jsontype.TypeSerializer;
import tools.jackson.databind.module.SimpleModule;

/** Values that are plain strings in JSON, as properties and as names of properties. */
final class TextValues extends SimpleModule {
    private static final long serialVersionUID = 1;

    <T> TextValues add(Class<T> type, Function<T, String> write, Function<String, T> read) {
        addSerializer(type, new Writer<>(write, false));
        addKeySerializer(type, new Writer<>(write, true));
        addDeserializer(type, new Reader<>(read));
        addKeyDeserializer(type, new KeyDeserializer() {
            @Override
            public Object deserializeKey(String key, DeserializationContext context) {
                return readOrReport(read, key, type, context);
            }
        });
        return this;
    }

    @Override
    public <T> TextValues addSerializer(Class<? extends T> type, ValueSerializer<T> serializer) {
        super.addSerializer(type, serializer);
        return this;
    }

    @Override
    public <T> TextValues addDeserializer(Class<T> type, ValueDeserializer<? extends T> deserializer) {
        super.addDeserializer(type, deserializer);
        return this;
    }

    private static <T> Object readOrReport(Function<String, T> read, String text, Class<?> type,
            DeserializationContext context) {
        try {
            return read.apply(text);
        } catch (IllegalArgumentException e) {
            return context.handleWeirdKey(type, text, "%s", e.getMessage());
        }
    }

    private static final class Writer<T> extends ValueSerializer<T> {
        private final Function<T, String> text;
        private final boolean asName;

        Writer(Function<T, String> text, boolean asName) {
            this.text = text;
            this.asName = asName;
        }

        @Override
        public void serialize(T value, JsonGenerator json, SerializationContext context) {
            if (asName) {
                json.writeName(text.apply(value));
            } else {
                json.writeString(text.apply(value));
            }
        }

        @Override
        public void serializeWithType(T value, JsonGenerator json, SerializationContext context, TypeSerializer type) {
            serialize(value, json, context);
        }
    }

    private static final class Reader<T> extends ValueDeserializer<T> {
        private final Function<String, T> value;

        Reader(Function<String, T> value) {
            this.value = value;
        }

        @Override
        public T deserialize(JsonParser json, DeserializationContext context) {
            String text = json.getValueAsString();
            try {
                return value.apply(text == null ? "" : text);
            } catch (IllegalArgumentException e) {
                return context.reportInputMismatch(this, "%s", e.getMessage());
            }
        }

        @Override
        public Object deserializeWithType(JsonParser json, DeserializationContext context, TypeDeserializer type) {
            return deserialize(json, context);
        }
    }
}
