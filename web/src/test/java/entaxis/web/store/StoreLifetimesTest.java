package entaxis.web.store;

import static org.assertj.core.api.Assertions.assertThat;

import com.zaxxer.hikari.HikariDataSource;
import entaxis.core.change.Change;
import entaxis.core.change.SheetAspect;
import entaxis.core.design.Design;
import entaxis.core.design.Note;
import entaxis.core.design.NoteId;
import entaxis.core.design.Place;
import entaxis.core.random.RandomChanges;
import entaxis.core.random.RandomDesigns;
import entaxis.web.sheet.PictureStore;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * The store in a file, through many lifetimes of its connections: all of them are retired again and again, as the pool
 * does after half an hour.
 */
@SpringBootTest
class StoreLifetimesTest {
    private static final Path DATA = folder();
    @Autowired
    private DesignStore store;
    @Autowired
    private DesignMapper mapper;
    @Autowired
    private TransactionTemplate transaction;
    @Autowired
    private PictureStore pictures;
    @Autowired
    private HikariDataSource pool;

    @DynamicPropertySource
    static void dataFolder(DynamicPropertyRegistry registry) {
        registry.add("entaxis.data", DATA::toString);
    }

    private static Path folder() {
        try {
            return Files.createTempDirectory(Files.createDirectories(Path.of("target/it")), "lasting").toAbsolutePath();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private void retireConnections() {
        pool.getHikariPoolMXBean().softEvictConnections();
    }

    @Test
    void everyKindOfWriteGoesOnWhenConnectionsAreRetired() throws IOException {
        Random random = new Random(3);
        String id = store.create(RandomDesigns.design(3, 12));
        int kept = 0;
        List<String> keptPictures = new ArrayList<>();
        for (int round = 0; round < 45; round++) {
            for (int i = 0; i < 6; i++) {
                Design design = store.open(id).design();
                kept += store.edit(id,
                        RandomChanges.change(design, random, "z" + round + "i" + i)) instanceof EditResult.Kept ? 1 : 0;
            }
            kept += store.undo(id) instanceof EditResult.Kept ? 1 : 0;
            kept += store.redo(id) instanceof EditResult.Kept ? 1 : 0;
            assertThat(store.nameVersion(id, "Version " + round)).isEmpty();
            keptPictures.add(pictures.keep(picture(round)).content());
            String other = store.duplicate(id);
            store.delete(other);
            store.restore(other);
            retireConnections();
        }
        assertThat(kept).isGreaterThan(200);
        OpenDesign again = new DesignStore(mapper, transaction, event -> { }).open(id);
        assertThat(again.revision()).isEqualTo(kept);
        assertThat(again.design()).isEqualTo(store.open(id).design());
        assertThat(again.damage()).isEmpty();
        assertThat(store.versions(id)).hasSize(45);
        assertThat(keptPictures).allSatisfy(content -> assertThat(pictures.find(content)).isPresent());
    }

    private static byte[] picture(int seed) throws IOException {
        BufferedImage image = new BufferedImage(9, 9, BufferedImage.TYPE_INT_RGB);
        image.setRGB(seed % 9, seed / 9, 0xFFFFFF);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return out.toByteArray();
    }

    /** No rule of the store may hold constants that the engine ties to one connection. */
    @Test
    void noCheckHasASetOfConstants() throws SQLException {
        try (var connection = pool.getConnection(); var checks = connection.createStatement()
                .executeQuery("select check_clause from information_schema.check_constraints")) {
            assertThat(checks.next()).isFalse();
        }
    }

    @Test
    void notesAreJournalledAsWhatTheyChange() {
        String id = store.create(RandomDesigns.design(8, 12));
        var sheet = store.open(id).design().sheet().id();
        for (int i = 0; i < 90; i++) {
            NoteId note = new NoteId("n" + String.format("%010d", i));
            store.edit(id, new Change.AlterSheet(sheet,
                    new SheetAspect.PutNote(new Note(note, "A long note. ".repeat(270), new Place(i, i), 200))));
        }
        long revision = store.open(id).revision();
        JournalRow last = mapper.journalBetween(id, revision - 1, revision).getFirst();
        assertThat(last.changeJson().length() + last.inverseJson().length()).isLessThan(8_500);
        Design before = store.open(id).design();
        assertThat(store.undo(id)).isInstanceOf(EditResult.Kept.class);
        assertThat(store.open(id).design().sheet().notes().list()).hasSize(89);
        assertThat(store.redo(id)).isInstanceOf(EditResult.Kept.class);
        assertThat(store.open(id).design()).isEqualTo(before);
        assertThat(new DesignStore(mapper, transaction, event -> { }).open(id).design()).isEqualTo(before);
    }

    @Test
    void theFileStaysSmallAndItsOwnersAlone() throws IOException {
        String id = store.create(RandomDesigns.design(4, 12));
        var first = store.open(id).design().entities().list().getFirst().id();
        for (int i = 0; i < 1_500; i++) {
            store.edit(id, new Change.RenameEntity(first, "Name " + i));
        }
        assertThat(Files.size(DATA.resolve(StoreFiles.DATABASE))).isLessThan(20_000_000);
        StoreFiles.own(DATA);
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(DATA))).isEqualTo("rwx------");
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(DATA.resolve(StoreFiles.DATABASE))))
                .isEqualTo("rw-------");
    }
}
