package entaxis.web.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import entaxis.core.change.Change;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Place;
import entaxis.core.random.RandomDesigns;
import java.util.List;
import java.util.Random;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.ArrayList;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.transaction.support.TransactionTemplate;

@SpringBootTest(properties = "spring.datasource.url=jdbc:h2:mem:store;DB_CLOSE_DELAY=-1")
class DesignStoreTest {
    @Autowired
    private DesignStore store;
    @Autowired
    private DesignMapper mapper;
    @Autowired
    private TransactionTemplate transaction;

    /** What another process would find in the database: nothing is taken from memory. */
    private OpenDesign reopened(String id) {
        return new DesignStore(mapper, transaction, event -> { }).open(id);
    }

    private String stored(int seed) {
        return store.create(RandomDesigns.design(seed, 12));
    }

    private static Change rename(Design design, int which, String name) {
        return new Change.RenameEntity(design.entities().list().get(which).id(), name);
    }

    @Test
    void editsAreFoundAgainInAnotherProcess() {
        String id = stored(1);
        for (int i = 0; i < 25; i++) {
            assertThat(store.edit(id, rename(store.open(id).design(), i % 12, "Name " + i)))
                    .isInstanceOf(EditResult.Kept.class);
        }
        OpenDesign again = reopened(id);
        assertThat(again.revision()).isEqualTo(25);
        assertThat(again.design()).isEqualTo(store.open(id).design());
        assertThat(again.derivation().schema()).isEqualTo(store.open(id).derivation().schema());
    }

    @Test
    void snapshotsDoNotChangeWhatIsFound() {
        String id = stored(2);
        for (int i = 0; i < 430; i++) {
            store.edit(id, new Change.PlaceCards(store.open(id).design().sheet().id(),
                    java.util.Map.of(store.open(id).design().entities().list().getFirst().id(), new Place(i, -i))));
        }
        assertThat(mapper.lastSnapshot(id))
                .hasValueSatisfying(snapshot -> assertThat(snapshot.revision()).isEqualTo(400));
        assertThat(reopened(id).design()).isEqualTo(store.open(id).design());
    }

    @Test
    void aNamedVersionIsTheDesignAsItWasThen() {
        String id = stored(4);
        List<Design> states = new ArrayList<>(List.of(store.open(id).design()));
        for (int i = 0; i < 230; i++) {
            store.edit(id, rename(states.getLast(), i % 12, "State " + i));
            states.add(store.open(id).design());
            if (i == 100 || i == 214) {
                assertThat(store.nameVersion(id, "handed over " + i)).isEmpty();
            }
        }
        store.undo(id);
        assertThat(store.versions(id)).extracting(Version::name).containsExactly("handed over 214", "handed over 100");
        for (Version version : store.versions(id)) {
            assertThat(store.at(id, version.revision())).isEqualTo(states.get((int) version.revision()));
        }
        assertThat(store.at(id, 0)).isEqualTo(states.getFirst());
        assertThat(store.nameVersion(id, " Handed over 100 ")).hasValueSatisfying(
                problem -> assertThat(problem.message()).contains("Revision 101 is already called"));
        assertThat(store.nameVersion(id, " ")).isPresent();
    }

    @Test
    void undoAndRedoGoOnAcrossProcesses() {
        String id = stored(3);
        List<Design> states = new ArrayList<>(List.of(store.open(id).design()));
        for (int i = 0; i < 6; i++) {
            store.edit(id, rename(states.getLast(), i, "Changed " + i));
            states.add(store.open(id).design());
        }
        for (int i = 5; i >= 3; i--) {
            store.undo(id);
            assertThat(store.open(id).design()).isEqualTo(states.get(i));
        }
        DesignStore other = new DesignStore(mapper, transaction, event -> { });
        for (int i = 2; i >= 0; i--) {
            assertThat(other.undo(id)).isInstanceOf(EditResult.Kept.class);
            assertThat(other.open(id).design()).isEqualTo(states.get(i));
        }
        assertThat(other.undo(id)).isInstanceOf(EditResult.Refused.class);
        DesignStore third = new DesignStore(mapper, transaction, event -> { });
        for (int i = 1; i <= 6; i++) {
            assertThat(third.redo(id)).isInstanceOf(EditResult.Kept.class);
            assertThat(third.open(id).design()).isEqualTo(states.get(i));
        }
        assertThat(third.redo(id)).isInstanceOf(EditResult.Refused.class);
        assertThat(third.open(id).revision()).isEqualTo(18);
    }

    /** Any walk through edits, undo and redo behaves like two stacks of states. */
    @Test
    void randomWalksThroughTheHistoryEndWhereTwoStacksEnd() {
        for (int seed = 0; seed < 10; seed++) {
            Random random = new Random(seed);
            String id = stored(seed);
            List<Design> done = new ArrayList<>(List.of(store.open(id).design()));
            List<Design> undone = new ArrayList<>();
            for (int i = 0; i < 60; i++) {
                switch (random.nextInt(4)) {
                    case 0, 1 -> {
                        Change change = random.nextInt(5) == 0 && done.getLast().entities().size() > 6
                                ? new Change.RemoveEntity(done.getLast().entities().list().get(random.nextInt(6)).id())
                                : rename(done.getLast(), random.nextInt(6), "S" + seed + " " + i);
                        assertThat(store.edit(id, change)).isInstanceOf(EditResult.Kept.class);
                        done.add(store.open(id).design());
                        undone.clear();
                    }
                    case 2 -> {
                        if (store.undo(id) instanceof EditResult.Kept) {
                            undone.add(done.removeLast());
                        }
                    }
                    default -> {
                        if (store.redo(id) instanceof EditResult.Kept) {
                            done.add(undone.removeLast());
                        }
                    }
                }
                assertThat(store.open(id).design()).isEqualTo(done.getLast());
            }
            assertThat(reopened(id).design()).isEqualTo(done.getLast());
        }
    }

    @Test
    void editsFromManyThreadsAreAllKept() throws Exception {
        String id = stored(4);
        int before = store.open(id).design().entities().size();
        try (ExecutorService threads = Executors.newFixedThreadPool(8)) {
            List<Future<EditResult>> results = new ArrayList<>();
            for (int i = 0; i < 80; i++) {
                EntityId entity = new EntityId("enew" + i);
                results.add(
                        threads.submit(() -> store.edit(id, new Change.AddEntity(Entity.named(entity, "New " + entity),
                                store.open(id).design().sheet().id(), new Place(0, 0)))));
            }
            for (Future<EditResult> result : results) {
                assertThat(result.get()).isInstanceOf(EditResult.Kept.class);
            }
        }
        assertThat(reopened(id).revision()).isEqualTo(80);
        assertThat(reopened(id).design().entities().size()).isEqualTo(before + 80);
    }

    @Test
    void aRefusedEditLeavesNoTrace() {
        String id = stored(5);
        EditResult result = store.edit(id, rename(store.open(id).design(), 0, " "));
        assertThat(result).isInstanceOfSatisfying(EditResult.Refused.class,
                refused -> assertThat(refused.problems()).hasSize(1));
        assertThat(reopened(id).revision()).isZero();
    }

    @Test
    void aDeletedDesignIsGoneUntilItIsBroughtBack() {
        String id = stored(6);
        Design design = store.open(id).design();
        store.delete(id);
        assertThat(store.list()).noneMatch(row -> row.id().equals(id));
        assertThatThrownBy(() -> store.open(id)).isInstanceOf(NoSuchDesign.class);
        assertThatThrownBy(() -> store.edit(id, rename(design, 0, "x"))).isInstanceOf(NoSuchDesign.class);
        store.restore(id);
        assertThat(store.open(id).design()).isEqualTo(design);
        assertThatThrownBy(() -> store.restore("dnothing")).isInstanceOf(NoSuchDesign.class);
    }

    @Test
    void aCopyGoesItsOwnWay() {
        String id = stored(7);
        String copy = store.duplicate(id);
        store.edit(copy, rename(store.open(copy).design(), 0, "Only in the copy"));
        assertThat(store.open(id).revision()).isZero();
        assertThat(store.open(copy).design().facts().name()).startsWith("Copy of ");
    }
}
