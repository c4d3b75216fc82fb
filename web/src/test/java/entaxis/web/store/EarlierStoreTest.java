package entaxis.web.store;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.design.Design;
import entaxis.core.random.RandomChanges;
import entaxis.core.random.RandomDesigns;
import entaxis.exchange.DesignFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.WebApplicationType;
import org.springframework.context.ConfigurableApplicationContext;

/**
 * A data folder and saved designs that an earlier version wrote: they open with their whole history. The files stand in
 * {@code src/test/resources/store-0.1}; later versions add folders and change none.
 */
class EarlierStoreTest {
    private static final Path KEPT = Path.of("src/test/resources/store-0.1");
    private static final String STORE = "entaxis.mv.db";
    private static final int EDITS = 120;

    private static ConfigurableApplicationContext store(Path data) {
        SpringApplication application = new SpringApplication(StoreWriter.StoreOnly.class);
        application.setWebApplicationType(WebApplicationType.NONE);
        return application.run("--entaxis.data=" + data);
    }

    private static Design saved(String name) throws IOException {
        return DesignFile.read(Files.readString(KEPT.resolve(name))).design();
    }

    @Test
    void theHistoryGoesBackToTheBeginningAndForthAgain(@TempDir Path data) throws IOException {
        Files.copy(KEPT.resolve(STORE), data.resolve(STORE));
        try (ConfigurableApplicationContext context = store(data)) {
            DesignStore store = context.getBean(DesignStore.class);
            String id = store.list().getFirst().id();
            assertThat(store.open(id).damage()).isEmpty();
            assertThat(store.open(id).design()).isEqualTo(saved("end.json"));
            int steps = 0;
            while (store.undo(id) instanceof EditResult.Kept) {
                steps++;
            }
            assertThat(steps).as("steps that can be undone").isGreaterThan(EDITS / 2);
            assertThat(store.open(id).design()).isEqualTo(saved("beginning.json"));
            while (store.redo(id) instanceof EditResult.Kept) {
                steps--;
            }
            assertThat(steps).as("steps that cannot be redone").isZero();
            assertThat(store.open(id).design()).isEqualTo(saved("end.json"));
        }
    }

    /** Writes the files; for a new version, into a new folder. */
    @Test
    @EnabledIfSystemProperty(named = "entaxis.write-store", matches = ".+")
    void write(@TempDir Path data) throws IOException {
        Path folder = Path.of(System.getProperty("entaxis.write-store"));
        Files.createDirectories(folder);
        try (ConfigurableApplicationContext context = store(data)) {
            DesignStore store = context.getBean(DesignStore.class);
            String id = store.create(RandomDesigns.design(11, 12));
            write(folder.resolve("beginning.json"), store.open(id).design());
            Random random = new Random(11);
            for (int i = 0; i < EDITS; i++) {
                store.edit(id, RandomChanges.change(store.open(id).design(), random, "e" + i));
            }
            write(folder.resolve("end.json"), store.open(id).design());
        }
        Files.copy(data.resolve(STORE), folder.resolve(STORE));
    }

    private static void write(Path file, Design design) throws IOException {
        Files.writeString(file, DesignFile.write(design, picture -> Optional.empty()));
    }
}
