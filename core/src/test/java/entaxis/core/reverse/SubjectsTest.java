package entaxis.core.reverse;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.design.Area;
import entaxis.core.design.Design;
import entaxis.core.design.DesignProperties;
import entaxis.core.design.EntityId;
import entaxis.core.design.Fresh;
import entaxis.core.design.Paper;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.random.RandomDesigns;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reverse.Subjects.Subject;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.targets.Target;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

class SubjectsTest {
    private static final String VAULT = """
            CREATE TABLE room (room_no int PRIMARY KEY);
            CREATE TABLE rack (room_no int REFERENCES room, rack_no int, PRIMARY KEY (room_no, rack_no));
            CREATE TABLE tray (tray_no int PRIMARY KEY, room_no int REFERENCES room);
            CREATE TABLE reading (room_no int REFERENCES room, at timestamp, PRIMARY KEY (room_no, at));
            CREATE TABLE alarm (alarm_no int PRIMARY KEY, room_no int REFERENCES room);
            CREATE TABLE taxon (taxon_no int PRIMARY KEY, parent int REFERENCES taxon);
            CREATE TABLE accession (accession_no int PRIMARY KEY, taxon_no int REFERENCES taxon, tray_no int \
            REFERENCES tray);
            CREATE TABLE synonym (taxon_no int REFERENCES taxon, name varchar(60), PRIMARY KEY (taxon_no, name));
            CREATE TABLE picture (picture_no int PRIMARY KEY, taxon_no int REFERENCES taxon);
            CREATE TABLE germination (accession_no int REFERENCES accession, run int, PRIMARY KEY (accession_no, run));
            CREATE TABLE setting (name varchar(60) PRIMARY KEY);
            CREATE TABLE audit_line (line_no int PRIMARY KEY);
            """;

    private static Design reversed(String script) {
        AtomicInteger count = new AtomicInteger();
        Fresh fresh = kind -> kind + Integer.toString(count.incrementAndGet(), 36);
        return ReverseEngineering.reverse(
                IsoNormalizer.of(ScriptReader.read(script, Target.POSTGRESQL).schema(), Dialect.of(Target.POSTGRESQL)),
                new DesignProperties("Vault", Target.POSTGRESQL, "Vault", ""),
                new Sheet(new SheetId("p1"), "Sheet", Paper.DEFAULT, Map.of()), Set.of(), fresh).design();
    }

    private static List<String> names(Design design, Subject subject) {
        return subject.entities().stream().map(
                entity -> design.entities().get(entity).name().toLowerCase(java.util.Locale.ROOT).replace(' ', '_'))
                .toList();
    }

    @Test
    void aSubjectIsWhatRefersToEachOtherAndIsNamedAfterItsHub() {
        Design design = reversed(VAULT);
        List<Subject> subjects = Subjects.of(design);
        assertThat(subjects).extracting(subject -> subject.name().toLowerCase(java.util.Locale.ROOT))
                .containsExactly("room", "accession", "taxon", "without references");
        assertThat(subjects)
                .anySatisfy(subject -> assertThat(names(design, subject)).contains("room", "rack", "reading", "alarm"));
        assertThat(subjects).anySatisfy(
                subject -> assertThat(names(design, subject)).containsExactly("taxon", "synonym", "picture"));
        assertThat(subjects).anySatisfy(
                subject -> assertThat(names(design, subject)).containsExactly("tray", "accession", "germination"));
        assertThat(names(design, subjects.getLast())).containsExactly("audit_line", "setting");
    }

    @Test
    void areasAreAssignedOnceAndOnlyWhereThereIsSomethingToSeparate() {
        Design design = reversed(VAULT);
        AtomicInteger count = new AtomicInteger(1000);
        Design assigned = Subjects.assigned(design, kind -> kind + Integer.toString(count.incrementAndGet(), 36));
        assertThat(assigned.areas().stream().map(Area::name)).hasSize(4);
        assertThat(assigned.entities().stream()).allMatch(entity -> entity.area().isPresent());
        assertThat(Subjects.assigned(assigned, kind -> "never")).isEqualTo(assigned);
        Design small = reversed("CREATE TABLE a (id int PRIMARY KEY); CREATE TABLE b (id int PRIMARY KEY);");
        assertThat(Subjects.assigned(small, kind -> "never")).isEqualTo(small);
    }

    @Test
    void everyEntityOfARandomDesignIsInExactlyOneSubjectOfASizeThatCanBeOverlooked() {
        for (int seed = 0; seed < 40; seed++) {
            Design design = RandomDesigns.design(seed, 5 + seed * 5);
            List<EntityId> all = Subjects.of(design).stream().flatMap(subject -> subject.entities().stream()).toList();
            assertThat(all).doesNotHaveDuplicates().containsExactlyInAnyOrderElementsOf(
                    design.entities().stream().map(entity -> entity.id()).toList());
        }
    }
}
