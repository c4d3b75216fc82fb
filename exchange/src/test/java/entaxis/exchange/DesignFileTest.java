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
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
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
