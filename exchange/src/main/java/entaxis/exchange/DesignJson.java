package entaxis.exchange;

import entaxis.core.change.Change;
import entaxis.core.change.Patch;
import entaxis.core.design.AreaId;
import entaxis.core.design.AssumptionId;
import entaxis.core.design.AttributeId;
import entaxis.core.design.CategoryId;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.DecisionId;
import entaxis.core.design.Design;
import entaxis.core.design.Elements;
import entaxis.core.design.EntityId;
import entaxis.core.design.ExclusionId;
import entaxis.core.design.NoteId;
import entaxis.core.design.OpaqueId;
import entaxis.core.design.OwnerId;
import entaxis.core.design.PictureId;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.RowId;
import entaxis.core.design.SheetId;
import entaxis.core.design.TypeId;
import entaxis.core.expression.Expression;
import entaxis.core.type.SqlType.DesignType;
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeReader;
import entaxis.core.type.TypeReading.Known;
import entaxis.core.type.TypeReading.Unknown;
import java.util.Optional;
import java.util.stream.Collectors;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Designs and changes as JSON. Identities, column paths and types are plain strings, a type in its ISO spelling; where
 * several kinds of thing can stand, a property {@code is} says which.
 */
public final class DesignJson {
    private static final JsonMapper MAPPER = JsonMapper.builder(JsonFactory.builder()
                    .streamReadConstraints(StreamReadConstraints.builder().maxNestingDepth(50).build()).build())
            .annotationIntrospector(new ModelIntrospector())
            .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .addModule(new TextValues()
                    .add(EntityId.class, EntityId::value, EntityId::new)
                    .add(RelationshipId.class, RelationshipId::value, RelationshipId::new)
                    .add(OwnerId.class, OwnerId::value, OwnerId::of)
                    .add(AttributeId.class, AttributeId::value, AttributeId::new)
                    .add(AreaId.class, AreaId::value, AreaId::new)
                    .add(SheetId.class, SheetId::value, SheetId::new)
                    .add(TypeId.class, TypeId::value, TypeId::new)
                    .add(CategoryId.class, CategoryId::value, CategoryId::new)
                    .add(ExclusionId.class, ExclusionId::value, ExclusionId::new)
                    .add(AssumptionId.class, AssumptionId::value, AssumptionId::new)
                    .add(NoteId.class, NoteId::value, NoteId::new)
                    .add(PictureId.class, PictureId::value, PictureId::new)
                    .add(RowId.class, RowId::value, RowId::new)
                    .add(OpaqueId.class, OpaqueId::value, OpaqueId::new)
                    .add(DecisionId.class, DecisionId::value, DecisionId::new)
                    .add(ColumnPath.class, ColumnPath::toString, ColumnPath::of)
                    .add(Expression.class, Expression::text, Expression::of)
                    .add(SqlType.class, SqlType::text, DesignJson::type)
                    .addSerializer(Elements.class, new ElementsJson.Writer())
                    .addDeserializer(Elements.class, new ElementsJson.Reader()))
            .build();

    private DesignJson() { }

    /** A design as JSON text. */
    public static String write(Design design) {
        return MAPPER.writeValueAsString(design);
    }

    /**
     * Reads a design.
     *
     * @throws UnreadableJson if the text is not one
     */
    public static Design readDesign(String json) {
        return read(json, Design.class);
    }

    /** A change as JSON text. */
    public static String write(Change change) {
        return MAPPER.writerFor(Change.class).writeValueAsString(change);
    }

    /** A change as a tree of JSON. */
    static JsonNode tree(Change change) {
        return MAPPER.readTree(write(change));
    }

    /**
     * Reads a change.
     *
     * @throws UnreadableJson if the text is not one
     */
    public static Change readChange(String json) {
        return read(json, Change.class);
    }

    /**
     * Reads a change that is known to be a patch.
     *
     * @throws UnreadableJson if the text is not one
     */
    public static Patch readPatch(String json) {
        return (Patch) readChange(json);
    }

    private static <T> T read(String json, Class<T> type) {
        try {
            T value = MAPPER.readValue(json, type);
            Optional<String> missing = type == Design.class ? MissingValues.path(value, "") : Optional.empty();
            if (missing.isPresent()) {
                throw new UnreadableJson(
                        "This is not a readable design at " + missing.get() + ": a value is missing there.",
                        new IllegalArgumentException(missing.get()));
            }
            return value;
        } catch (JacksonException e) {
            String place = e instanceof DatabindException bind && !bind.getPath().isEmpty() ? " at " + path(bind) : "";
            String line = e.getLocation() != null && e.getLocation().getLineNr() > 0
                    ? " (line " + e.getLocation().getLineNr() + ", column " + e.getLocation().getColumnNr() + ")" : "";
            throw new UnreadableJson("This is not a readable " + type.getSimpleName().toLowerCase(java.util.Locale.ROOT)
                    + place + line + ": " + reason(e, e.getOriginalMessage()), e);
        } catch (IllegalArgumentException | NullPointerException | IndexOutOfBoundsException | StackOverflowError e) {
            throw new UnreadableJson("This is not a readable " + type.getSimpleName().toLowerCase(java.util.Locale.ROOT)
                    + ": " + reason(e, e.getMessage()), e);
        }
    }

    /** What went wrong, for people: a value that is nothing is said to be missing, not what Java calls that. */
    private static String reason(Throwable failure, String message) {
        for (Throwable cause = failure; cause != null; cause = cause.getCause()) {
            if (cause instanceof NullPointerException) {
                return "a value is missing there.";
            }
        }
        return message;
    }

    private static String path(DatabindException e) {
        return e.getPath().stream()
                .map(step -> step.getPropertyName() == null ? "[" + step.getIndex() + "]" : step.getPropertyName())
                .collect(Collectors.joining("."));
    }

    private static SqlType type(String text) {
        if (text.startsWith("@")) {
            return new DesignType(new TypeId(text.substring(1)).value());
        }
        return switch (TypeReader.read(text)) {
            case Known(SqlType type) -> type;
            case Unknown(String message) -> throw new IllegalArgumentException(message);
        };
    }
}
