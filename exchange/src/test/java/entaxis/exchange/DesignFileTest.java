package entaxis.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import entaxis.core.design.Design;
import entaxis.core.random.RandomDesigns;
import java.io.IOException;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class DesignFileTest {
    private static final Path SCHEMA = Path.of("../docs/design.schema.json");

    private static String saved(Design design) {
        return DesignFile.write(design, content -> Optional.empty());
    }

    @Test
    void savingWhatWasOpenedGivesTheSameBytes() {
        for (int seed = 0; seed < 200; seed++) {
            String text = saved(RandomDesigns.design(seed, 1 + seed % 20));
            DesignFile.Opened opened = DesignFile.read(text);
            assertThat(saved(opened.design())).as("seed %d", seed).isEqualTo(text);
        }
    }

    /** What has no order in the model has one in the file, whichever process writes it. */
    @Test
    void whatHasNoOrderIsSorted() {
        Map<Class<?>, Set<String>> unordered = Map.of(Map.class, new HashSet<>(), Set.class, new HashSet<>());
        collect(Design.class, unordered, new HashSet<>());
        assertThat(DesignFile.MAPS).isEqualTo(unordered.get(Map.class));
        assertThat(DesignFile.SETS).isEqualTo(unordered.get(Set.class));
    }

    /** Names of components of the model that are maps or sets. */
    private static void collect(Type type, Map<Class<?>, Set<String>> found, Set<Type> seen) {
        if (type instanceof ParameterizedType generic) {
            Stream.of(generic.getActualTypeArguments()).forEach(argument -> collect(argument, found, seen));
        }
        if (!(type instanceof Class<?> model) || !model.getName().startsWith("entaxis.") || !seen.add(type)) {
            return;
        }
        if (model.isSealed()) {
            Stream.of(model.getPermittedSubclasses()).forEach(kind -> collect(kind, found, seen));
        }
        for (RecordComponent component : model.isRecord() ? model.getRecordComponents() : new RecordComponent[0]) {
            if (found.containsKey(component.getType())) {
                found.get(component.getType()).add(component.getName());
            }
            collect(component.getType(), found, seen);
            collect(component.getGenericType(), found, seen);
        }
    }

    /** One entity renamed is one line changed. */
    @Test
    void aSmallChangeIsASmallDifference() {
        Design design = RandomDesigns.design(4, 20);
        Design renamed = design.with(design.entities().list().get(7).renamed("Something else"));
        List<String> before = saved(design).lines().toList();
        List<String> after = saved(renamed).lines().toList();
        assertThat(after).hasSameSizeAs(before);
        assertThat(after.stream().filter(line -> !before.contains(line))).hasSize(1);
    }

    /**
     * The published schema is that of the model, and a validator that knows nothing of us finds designs valid against
     * it, and broken ones not.
     */
    @Test
    void theSchemaInDocsHolds() throws IOException {
        if (Boolean.getBoolean("entaxis.schema")) {
            Files.writeString(SCHEMA, DesignSchema.text());
        }
        assertThat(Files.readString(SCHEMA)).as("docs/design.schema.json; -Dentaxis.schema=true writes it")
                .isEqualTo(DesignSchema.text());
        Schema schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(Files.readString(SCHEMA), InputFormat.JSON);
        for (int seed = 0; seed < 40; seed++) {
            assertThat(schema.validate(saved(RandomDesigns.design(seed, 12)), InputFormat.JSON)).as("seed %d", seed)
                    .isEmpty();
        }
        assertThat(
                schema.validate(saved(RandomDesigns.design(1, 3)).replace("\"name\":", "\"nome\":"), InputFormat.JSON))
                .isNotEmpty();
    }

    @Test
    void olderFilesOpenAndBrokenOnesSayWhere() {
        Design design = RandomDesigns.design(3, 4);
        assertThat(DesignFile.read(DesignJson.write(design)).design()).isEqualTo(design);
        assertThatThrownBy(() -> DesignFile.read("[]")).isInstanceOf(UnreadableJson.class)
                .hasMessageContaining("object");
        assertThatThrownBy(() -> DesignFile.read("{\"format\": \"other\"}")).isInstanceOf(UnreadableJson.class)
                .hasMessageContaining("format");
        assertThatThrownBy(() -> DesignFile.read("{\"version\": 99}")).isInstanceOf(UnreadableJson.class)
                .hasMessageContaining("newer");
        assertThatThrownBy(() -> DesignFile.read("{\n\"entities\": [ { ]")).isInstanceOf(UnreadableJson.class)
                .hasMessageContaining("line 2");
        assertThatThrownBy(() -> DesignFile
                .read(saved(design).replaceFirst("\"required\":(true|false)", "\"required\":\"perhaps\"")))
                .isInstanceOf(UnreadableJson.class)
                .hasMessageContaining("entities").hasMessageContaining("required");
        assertThatThrownBy(
                () -> DesignFile.read(saved(design).replace("\"pictures\": []", "\"pictures\": [{\"base64\": \"?\"}]")))
                .isInstanceOf(UnreadableJson.class).hasMessageContaining("pictures[0]");
    }
}
