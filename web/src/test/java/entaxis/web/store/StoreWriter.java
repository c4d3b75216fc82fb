package entaxis.web.store;

import entaxis.core.random.RandomChanges;
import entaxis.core.random.RandomDesigns;
import entaxis.exchange.DesignFile;
import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.Random;
import org.mybatis.spring.annotation.MapperScan;
import org.mybatis.spring.boot.autoconfigure.MybatisAutoConfiguration;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.autoconfigure.ImportAutoConfiguration;
import org.springframework.boot.flyway.autoconfigure.FlywayAutoConfiguration;
import org.springframework.boot.jdbc.autoconfigure.DataSourceAutoConfiguration;
import org.springframework.boot.transaction.autoconfigure.TransactionAutoConfiguration;
import org.springframework.context.annotation.Import;

/**
 * A process that writes to a store until it is killed: the store as the application makes it, and nothing else of the
 * application. It says what it finds ({@code found REVISION DAMAGED}), and the revision of each write that was
 * acknowledged ({@code kept REVISION}); the design as it then was is in a file named after either.
 */
final class StoreWriter {
    private static final long MAX_EDITS = 100_000;

    /** What of the application it takes; no component, so that the application under test does not find it. */
    @ImportAutoConfiguration({DataSourceAutoConfiguration.class, FlywayAutoConfiguration.class,
        MybatisAutoConfiguration.class, TransactionAutoConfiguration.class})
    @MapperScan(basePackageClasses = DesignMapper.class,
            annotationClass = org.apache.ibatis.annotations.Mapper.class)
    @Import({DesignStore.class, StoreTransactions.class, StoreHealth.class, StoreUpkeep.class, StoreVersion.class})
    static class StoreOnly { }

    private StoreWriter() { }

    /** Writes; the arguments are the data folder and a seed. */
    public static void main(String[] arguments) throws IOException {
        Path data = Path.of(arguments[0]);
        PrintStream out = new PrintStream(new FileOutputStream(FileDescriptor.out), true, StandardCharsets.UTF_8);
        SpringApplication application = new SpringApplication(StoreOnly.class);
        application.setWebApplicationType(WebApplicationType.NONE);
        DesignStore store =
                application.run("--entaxis.data=" + data, "--entaxis.store.tidy-after=5")
                        .getBean(DesignStore.class);
        String id = store.list().stream().findFirst().map(DesignRow::id)
                .orElseGet(() -> store.create(RandomDesigns.design(4, 20)));
        OpenDesign found = store.open(id);
        write(data, "found", found);
        out.println("found " + found.revision() + " " + !found.damage().isEmpty());
        Random random = new Random(Long.parseLong(arguments[1]));
        for (int i = 0; i < MAX_EDITS; i++) {
            EditResult result = switch (random.nextInt(8)) {
                case 0 -> store.undo(id);
                case 1 -> store.redo(id);
                default -> store.edit(id, RandomChanges.change(store.open(id).design(), random,
                        "k" + arguments[1] + "i" + i));
            };
            if (result instanceof EditResult.Kept) {
                OpenDesign now = store.open(id);
                write(data, "kept", now);
                out.println("kept " + now.revision());
            }
        }
    }

    private static void write(Path data, String word, OpenDesign open) throws IOException {
        Files.writeString(data.resolve(word + "-" + open.revision() + ".json"),
                DesignFile.write(open.design(), picture -> Optional.empty()));
    }
}
