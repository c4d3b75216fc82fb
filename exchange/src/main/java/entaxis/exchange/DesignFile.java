package entaxis.exchange;

import entaxis.core.design.Design;
import java.util.ArrayList;
import java.util.Base64;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A design as one file, its pictures in it ({@code docs/design.schema.json}). Each element stands on a line of its own
 * and maps are in the order of their keys, so that a version control system shows a small change as a small one, and
 * saving what was opened gives the same bytes.
 */
public final class DesignFile {
    /** The version that is written; older ones are read, newer ones are not. */
    public static final int VERSION = 1;
    private static final String FORMAT = "entaxis design";
    private static final JsonMapper MAPPER = JsonMapper.builder().build();
    /** Properties that are maps or sets, which have no order of their own. */
    /** Properties whose own properties, or elements, have no order in a design: in a file they are sorted. */
    static final Set<String> MAPS = Set.of("places", "lines", "values", "columnNames", "templates");
    static final Set<String> SETS = Set.of("hidden", "pinned");

    /** A picture on one of its sheets. */
    public record PictureBytes(String type, byte[] bytes) { }

    /** What a file holds. */
    public record Opened(Design design, Map<String, PictureBytes> pictures) { }

    private DesignFile() { }

    /** The text of the file. Pictures are asked for by their keys; those that are missing are left out. */
    public static String write(Design design, Function<String, Optional<PictureBytes>> pictures) {
        StringBuilder text =
                new StringBuilder("{\n\"format\": \"").append(FORMAT).append("\",\n\"version\": ").append(VERSION);
        JsonNode tree = MAPPER.readTree(DesignJson.write(design));
        for (Map.Entry<String, JsonNode> property : tree.properties()) {
            text.append(",\n\"").append(property.getKey()).append("\": ");
            JsonNode value = ordered(property.getKey(), property.getValue());
            if (value.isArray() && !value.isEmpty()) {
                lines(text, value);
            } else {
                text.append(MAPPER.writeValueAsString(value));
            }
        }
        Map<String, PictureBytes> used = new TreeMap<>();
        design.sheets().forEach(sheet -> sheet.pictures().forEach(
                picture -> pictures.apply(picture.content()).ifPresent(bytes -> used.put(picture.content(), bytes))));
        ArrayNode kept = MAPPER.createArrayNode();
        used.forEach((content, picture) -> kept.addObject().put("content", content).put("type", picture.type())
                .put("base64", Base64.getEncoder().encodeToString(picture.bytes())));
        text.append(",\n\"pictures\": ");
        if (kept.isEmpty()) {
            text.append("[]");
        } else {
            lines(text, kept);
        }
        return text.append("\n}\n").toString();
    }

    private static void lines(StringBuilder text, JsonNode array) {
        text.append("[\n");
        Iterator<JsonNode> elements = array.iterator();
        while (elements.hasNext()) {
            text.append(MAPPER.writeValueAsString(elements.next())).append(elements.hasNext() ? ",\n" : "\n]");
        }
    }

    private static JsonNode ordered(String name, JsonNode node) {
        if (node.isObject()) {
            Map<String, JsonNode> properties = MAPS.contains(name) ? new TreeMap<>() : new LinkedHashMap<>();
            node.properties().forEach(
                    property -> properties.put(property.getKey(), ordered(property.getKey(), property.getValue())));
            ObjectNode object = MAPPER.createObjectNode();
            properties.forEach(object::set);
            return object;
        }
        if (node.isArray()) {
            List<JsonNode> elements = new ArrayList<>();
            node.forEach(element -> elements.add(ordered("", element)));
            if (SETS.contains(name)) {
                elements.sort((one, other) -> one.asString().compareTo(other.asString()));
            }
            ArrayNode array = MAPPER.createArrayNode();
            elements.forEach(array::add);
            return array;
        }
        return node;
    }

    /**
     * Opens a file; one of an older version too, such as a design without the head and pictures.
     *
     * @throws UnreadableJson if it is none, with the path and what was expected there
     */
    public static Opened read(String text) {
        JsonNode tree;
        try {
            tree = MAPPER.readTree(text);
        } catch (JacksonException e) {
            throw new UnreadableJson("This is not a saved design: line "
                    + (e.getLocation() == null ? 1 : e.getLocation().getLineNr()) + " is no JSON.", e);
        }
        if (!(tree instanceof ObjectNode object)) {
            throw new UnreadableJson("This is not a saved design: an object { ... } is expected at the beginning.",
                    new IllegalArgumentException("no object"));
        }
        JsonNode version = object.remove("version");
        JsonNode format = object.remove("format");
        if (format != null && !format.asString("").equals(FORMAT)) {
            throw new UnreadableJson("This is not a saved design: \"format\" is to be \"" + FORMAT + "\".",
                    new IllegalArgumentException("format"));
        }
        if (version != null && version.asInt(0) > VERSION) {
            throw new UnreadableJson(
                    "This design was saved by a newer Entaxis (version " + version
                            + " of the file; this one reads up to " + VERSION + "). Bring Entaxis up to date.",
                    new IllegalArgumentException("version"));
        }
        Map<String, PictureBytes> pictures = pictures(object.remove("pictures"));
        return new Opened(DesignJson.readDesign(MAPPER.writeValueAsString(object)), pictures);
    }

    private static Map<String, PictureBytes> pictures(JsonNode kept) {
        Map<String, PictureBytes> pictures = new TreeMap<>();
        int at = 0;
        for (JsonNode picture : kept == null ? MAPPER.createArrayNode() : kept) {
            try {
                pictures.put(picture.path("content").asString(), new PictureBytes(picture.path("type").asString(),
                        Base64.getDecoder().decode(picture.path("base64").asString())));
            } catch (IllegalArgumentException | JacksonException e) {
                throw new UnreadableJson(
                        "This is not a saved design: pictures[" + at + "] is to have content, type and base64.", e);
            }
            at++;
        }
        return pictures;
    }
}
