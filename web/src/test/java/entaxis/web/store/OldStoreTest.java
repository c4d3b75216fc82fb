package entaxis.web.store;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.design.Design;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.GZIPInputStream;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/**
 * A data folder of before: 226 edits of the seed vault, with notes made, changed and removed, undo and redo, written
 * when patches carried whole sheets.
 */
@SpringBootTest
class OldStoreTest {
    @Autowired
    private DesignStore store;
    @Autowired
    private JdbcClient sql;

    @DynamicPropertySource
    static void dataFolder(DynamicPropertyRegistry registry) throws IOException {
        Path folder = Files.createTempDirectory(Files.createDirectories(Path.of("target/it")), "old").toAbsolutePath();
        registry.add("entaxis.data", () -> unpacked(folder).toString());
    }

    private static Path unpacked(Path folder) {
        Path file = folder.resolve(StoreFiles.DATABASE);
        if (Files.notExists(file)) {
            try (InputStream in =
                    new GZIPInputStream(OldStoreTest.class.getResourceAsStream("/store/data-of-version-4.mv.db.gz"))) {
                Files.copy(in, file);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        return folder;
    }

    @Test
    void itOpensWithItsHistoryAndEveryEditCanBeTakenBack() {
        DesignRow vault =
                store.list().stream().filter(row -> row.name().startsWith("Fenmoor") && !row.id().startsWith("dbroken"))
                        .findFirst().orElseThrow();
        OpenDesign open = store.open(vault.id());
        assertThat(open.damage()).isEmpty();
        assertThat(open.revision()).isEqualTo(vault.revision()).isGreaterThan(215);
        Design first = store.at(vault.id(), 0);
        List<Design> back = new ArrayList<>(List.of(open.design()));
        while (store.undo(vault.id()) instanceof EditResult.Kept(OpenDesign before, OpenDesign after)) {
            back.addFirst(after.design());
        }
        assertThat(back.getFirst()).isEqualTo(first);
        for (int i = 1; i < back.size(); i++) {
            assertThat(store.redo(vault.id())).isInstanceOf(EditResult.Kept.class);
            assertThat(store.open(vault.id()).design()).isEqualTo(back.get(i));
        }
        assertThat(store.redo(vault.id())).isInstanceOf(EditResult.Refused.class);
    }

    /**
     * One design whose journal is damaged can still be read as it was before the damage; it cannot be edited, and the
     * others are not touched by it.
     */
    @Test
    void aDamagedJournalOpensAtTheLastGoodRevision() {
        DesignRow vault =
                store.list().stream().filter(row -> row.name().startsWith("Fenmoor") && !row.id().startsWith("dbroken"))
                        .findFirst().orElseThrow();
        String copied = damaged(vault.id(), "dbroken00001",
                "update journal set change_json = '{\"is\":\"Renamed' where design_id = ? and revision = 213");
        OpenDesign broken = store.open(copied);
        assertThat(broken.revision()).isEqualTo(212);
        assertThat(broken.damage()).hasValueSatisfying(words -> assertThat(words).contains("Edit 213 cannot be read")
                .contains("revision 212, the last good one"));
        assertThat(broken.design()).isEqualTo(store.at(vault.id(), 212));
        assertThat(store.undo(copied)).isInstanceOfSatisfying(EditResult.Refused.class,
                refused -> assertThat(refused.problems().getFirst().message())
                        .contains("can be read and copied, not edited"));
        assertThat(store.open(store.duplicate(copied)).design().entities()).isEqualTo(broken.design().entities());

        assertThat(store
                .open(damaged(vault.id(), "dbroken00002", "delete from journal where design_id = ? and revision = 207"))
                .damage().orElseThrow()).contains("Edit 207 is missing");
        sql.sql("insert into edit_kind values ('ODD')").update();
        assertThat(store
                .open(damaged(vault.id(), "dbroken00003",
                        "update journal set kind = 'ODD' where design_id = ? and revision = 209"))
                .damage().orElseThrow()).contains("“ODD”");
        assertThat(store.open(damaged(vault.id(), "dbroken00004",
                "update snapshot set design_json = 'x' where design_id = ? and revision = 200")).damage())
                .as("an older snapshot serves").isEmpty();
        String lost = damaged(vault.id(), "dbroken00005", "update snapshot set design_json = 'x' where design_id = ?");
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> store.open(lost)).isInstanceOf(DamagedDesign.class)
                .hasMessageContaining("cannot be read");
        assertThat(store.open(vault.id()).damage()).isEmpty();
        sql.sql("update design set target = 'UNHEARD_OF' where id = 'dbroken00001'").update();
        assertThat(store.list()).hasSizeGreaterThan(5);
    }

    private String damaged(String id, String copy, String damage) {
        sql.sql("insert into design select '" + copy
                + "', name, target, revision, entities, relationships, created_at, changed_at, deleted_at from design "
                + "where id = ?")
                .param(id).update();
        sql.sql("insert into journal (design_id, revision, kind, change_json, inverse_json, author, made_at) select '"
                + copy
                + "', revision, kind, change_json, inverse_json, author, made_at from journal where design_id = ?")
                .param(id).update();
        sql.sql("insert into snapshot select '" + copy + "', revision, design_json from snapshot where design_id = ?")
                .param(id).update();
        sql.sql(damage).param(copy).update();
        return copy;
    }
}
