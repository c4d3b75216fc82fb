package entaxis.core.normalize;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.dependency.Armstrong;
import entaxis.core.dependency.AttributeSet;
import entaxis.core.dependency.Brute;
import entaxis.core.dependency.CandidateKeys;
import entaxis.core.dependency.Dependency.Functional;
import entaxis.core.dependency.NormalForm;
import entaxis.core.dependency.Verdict;
import entaxis.core.derive.Derivation;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Cardinality;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.EntityId;
import entaxis.core.design.Index;
import entaxis.core.design.KeyPart;
import entaxis.core.design.NamedCheck;
import entaxis.core.design.OwnerId;
import entaxis.core.design.RowId;
import entaxis.core.design.SampleRow;
import entaxis.core.design.StatedDependencies;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Table;
import entaxis.core.small.Small;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

class ApplyDecompositionTest {
    private int next = 100;

    private Design with(Design design, EntityId entity, List<List<String>> rows, String... lines) {
        EntityRelation about = EntityRelation.of(design, Derivation.of(design), entity);
        DependencyLines read = DependencyLines.read(about, String.join("\n", lines));
        assertThat(read.understood()).as("%s", read.remarks()).isTrue();
        Design stated = applied(design,
                new Change.StateDependencies(StatedDependencies.none(entity).stated(read.dependencies())));
        for (List<String> row : rows) {
            Map<ColumnPath, String> values = new HashMap<>();
            for (int i = 0; i < row.size(); i++) {
                values.put(about.paths().get(i), row.get(i));
            }
            stated = applied(stated, new Change.AddRow(new SampleRow(new RowId("w" + next++), entity, values)));
        }
        return stated;
    }

    private static Design applied(Design design, Change change) {
        assertThat(Editor.apply(design, change)).isInstanceOf(Applied.class);
        return ((Applied) Editor.apply(design, change)).design();
    }

    private ApplyDecomposition.Result carryOut(Design design, EntityId entity, NormalForm form) {
        EntityRelation about = EntityRelation.of(design, Derivation.of(design), entity);
        return ApplyDecomposition.of(design, Remedy.of(about, form), kind -> kind + String.valueOf(next++));
    }

    private Design done(Design design, EntityId entity, NormalForm form) {
        ApplyDecomposition.Result result = carryOut(design, entity, form);
        assertThat(result).isInstanceOf(ApplyDecomposition.Result.Ready.class);
        Applied applied = (Applied) Editor.apply(design, ((ApplyDecomposition.Result.Ready) result).change());
        assertThat(((Applied) Editor.apply(applied.design(), applied.inverse())).design()).isEqualTo(design);
        return applied.design();
    }

    private static Map<String, List<String>> tables(Design design) {
        Map<String, List<String>> tables = new TreeMap<>();
        Derivation.of(design).schema().tables()
                .forEach(table -> tables.put(table.name(), table.columns().stream().map(Column::name).toList()));
        return tables;
    }

    /** The rows of a table by the names of its columns. */
    private static Set<Map<String, String>> rows(Design design, OwnerId owner) {
        DerivedTable table = Derivation.of(design).derived(owner).orElseThrow();
        Set<Map<String, String>> rows = new HashSet<>();
        design.rows().stream().filter(row -> row.table().equals(owner)).forEach(row -> {
            Map<String, String> values = new HashMap<>();
            table.columns().forEach(
                    column -> values.put(column.name(), row.values().getOrDefault(column.path(), "")));
            assertThat(table.paths()).containsAll(row.values().keySet());
            rows.add(values);
        });
        return rows;
    }

    private static Set<Map<String, String>> joined(Set<Map<String, String>> left, Set<Map<String, String>> right) {
        Set<Map<String, String>> joined = new HashSet<>();
        for (Map<String, String> a : left) {
            for (Map<String, String> b : right) {
                if (a.entrySet().stream().allMatch(
                        entry -> !b.containsKey(entry.getKey()) || b.get(entry.getKey()).equals(entry.getValue()))) {
                    Map<String, String> row = new HashMap<>(a);
                    row.putAll(b);
                    joined.add(row);
                }
            }
        }
        return joined;
    }

    private static final List<List<String>> SOWN = List.of(List.of("T1", "1", "2026-03-01", "BRI", "Poaceae", "yes"),
            List.of("T1", "2", "2026-03-01", "BRI", "Poaceae", "no"),
            List.of("T2", "1", "2026-03-04", "LIN", "Linaceae", "yes"),
            List.of("T3", "1", "2026-03-04", "BRI", "Poaceae", "no"));

    private static Small sowing() {
        return new Small().entity("Cell", "tray_no varchar(8) primary key", "position integer primary key",
                "sown_on date not null", "taxon_code char(3) not null",
                "family varchar(40)", "germinated varchar(3)");
    }

    @Test
    void aSheetFallsIntoItsThreeTablesWithAllItsRows() {
        Small small = sowing();
        Design design =
                with(small.design(), small.id("Cell"), SOWN, "tray_no -> sown_on, taxon_code", "taxon_code -> family");
        Design after = done(design, small.id("Cell"), NormalForm.THIRD);
        assertThat(tables(after)).containsOnlyKeys("cell", "tray", "taxon")
                .containsEntry("cell", List.of("tray_no", "position", "germinated"))
                .containsEntry("tray", List.of("tray_no", "sown_on", "taxon_code"))
                .containsEntry("taxon", List.of("taxon_code", "family"));
        Derivation derivation = Derivation.of(after);
        assertThat(derivation.schema().tables()).flatExtracting(Table::foreignKeys)
                .extracting(ForeignKey::referencedTable).containsExactlyInAnyOrder("tray", "taxon");
        assertThat(derivation.table(small.id("Cell")).orElseThrow().primaryKey().orElseThrow().columns())
                .containsExactly("tray_no", "position");
        assertThat(rows(after, small.id("Cell"))).hasSize(4);
        after.entities().forEach(
                entity -> assertThat(Verdict.of(EntityRelation.of(after, derivation, entity.id()).relation()).form())
                        .isEqualTo(NormalForm.BOYCE_CODD));
    }

    @Test
    void whatRefersToTheEntityStillDoesAndItsRowsStayRight() {
        Small small = sowing().entity("Note", "line integer primary key", "words varchar(80)")
                .relate("Cell", "has", Cardinality.EXACTLY_ONE, "Note", "is about", Cardinality.ZERO_OR_MORE, true);
        Design design = with(small.design(), small.id("Cell"), SOWN, "tray_no -> sown_on, taxon_code");
        design = with(design, small.id("Note"),
                List.of(List.of("1", "T1", "2", "dry"), List.of("1", "T2", "1", "wet")));
        Set<Map<String, String>> notes = rows(design, small.id("Note"));
        Design after = done(design, small.id("Cell"), NormalForm.THIRD);
        assertThat(tables(after).get("note")).isEqualTo(tables(design).get("note"));
        assertThat(rows(after, small.id("Note"))).isEqualTo(notes);
    }

    @Test
    void aForeignKeyGoesWhereItsColumnGoes() {
        Small small = new Small().entity("Taxon", "taxon_code char(3) primary key", "latin varchar(60)")
                .entity("Cell", "tray_no varchar(8) primary key", "position integer primary key",
                        "sown_on date")
                .relate("Taxon", "is sown in", Cardinality.EXACTLY_ONE, "Cell", "holds", Cardinality.ZERO_OR_MORE,
                        false);
        Design design = with(small.design(), small.id("Cell"),
                List.of(List.of("T1", "1", "2026-03-01", "BRI"), List.of("T1", "2", "2026-03-01", "BRI")),
                "tray_no -> sown_on, taxon_code");
        Design after = done(design, small.id("Cell"), NormalForm.THIRD);
        assertThat(tables(after)).containsEntry("cell", List.of("tray_no", "position")).containsEntry("tray",
                List.of("tray_no", "sown_on", "taxon_code"));
        assertThat(Derivation.of(after).schema().tables()).flatExtracting(Table::foreignKeys)
                .extracting(ForeignKey::referencedTable).containsExactlyInAnyOrder("tray", "taxon");
    }

    @Test
    void rowsThatContradictAreNamedAndNothingChanges() {
        Small small = sowing();
        List<List<String>> wrong = new ArrayList<>(SOWN);
        wrong.add(List.of("T3", "2", "2026-03-04", "BRI", "Rosaceae", "no"));
        Design design =
                with(small.design(), small.id("Cell"), wrong, "tray_no -> sown_on, taxon_code", "taxon_code -> family");
        assertThat(carryOut(design, small.id("Cell"), NormalForm.THIRD)).isInstanceOfSatisfying(
                ApplyDecomposition.Result.Refused.class,
                refused -> assertThat(refused.problem().message())
                        .contains("Rows 1 and 5 contradict taxon_code -> family"));
    }

    @Test
    void anIndexThatWouldBeTornApartIsNotDroppedUnseen() {
        Small small = sowing();
        small.done(new Change.SetIndexes(small.id("Cell"),
                List.of(new Index("by_family", false, List.of(
                        new Index.IndexPart(new KeyPart.OwnPart(small.attribute("Cell", "family")), false),
                new Index.IndexPart(new KeyPart.OwnPart(small.attribute("Cell", "germinated")), false))))));
        Design design = with(small.design(), small.id("Cell"), SOWN, "taxon_code -> family");
        assertThat(carryOut(design, small.id("Cell"), NormalForm.THIRD)).isInstanceOfSatisfying(
                ApplyDecomposition.Result.Refused.class,
                refused -> assertThat(refused.problem().message())
                        .contains("over family, germinated would be torn apart"));
    }

    @Test
    void conditionsOnRowsGoWhereAllTheirColumnsGo() {
        Small small = sowing();
        small.done(new Change.SetChecks(small.id("Cell"),
                List.of(new NamedCheck("sown_lately", "sown_on > date '2000-01-01' or taxon_code = 'OLD'"),
                        new NamedCheck("", "position > 0 and germinated in ('yes', 'no')"),
                        new NamedCheck("", "family <> ''"))));
        Design design =
                with(small.design(), small.id("Cell"), SOWN, "tray_no -> sown_on, taxon_code", "taxon_code -> family");
        Design after = done(design, small.id("Cell"), NormalForm.THIRD);
        Map<String, List<String>> checks = new TreeMap<>();
        Derivation.of(after).schema().tables()
                .forEach(table -> checks.put(table.name(),
                        table.checks().stream().map(check -> check.condition().text()).toList()));
        assertThat(checks).containsEntry("cell", List.of("position > 0 and germinated in ('yes', 'no')"))
                .containsEntry("tray", List.of("sown_on > date '2000-01-01' or taxon_code = 'OLD'"))
                .containsEntry("taxon", List.of("family <> ''"));
    }

    /**
     * Courses, teachers, hours, rooms, students, grades: Ullman, “Principles of Database Systems” (from memory); its
     * synthesis has overlapping keys.
     */
    @Test
    void whatOverlappingKeysCannotReferToIsSaidAndNoAttributeStandsInTwoEntities() {
        Small small = new Small().entity("Lecture", "hour varchar(9) primary key", "student varchar(9) primary key",
                "course varchar(9)", "teacher varchar(9)", "room varchar(9)", "grade varchar(9)");
        Design design = with(small.design(), small.id("Lecture"),
                List.of(List.of("Mon 9", "Ada", "Botany", "Ilse", "R1", "A"),
                        List.of("Mon 9", "Ben", "Seeds", "Olaf", "R2", "B"),
                List.of("Tue 9", "Ada", "Seeds", "Olaf", "R1", "C")),
                "course -> teacher", "hour, room -> course", "hour, teacher -> room", "course, student -> grade",
                "hour, student -> room");
        ApplyDecomposition.Result result = carryOut(design, small.id("Lecture"), NormalForm.THIRD);
        assertThat(result).isInstanceOfSatisfying(ApplyDecomposition.Result.Ready.class, ready -> {
            assertThat(ready.remarks()).isNotEmpty()
                    .allSatisfy(remark -> assertThat(remark).contains("gets no foreign key to"));
            List<AttributeId> all = ready.after().entities().stream().flatMap(entity -> entity.attributes().stream())
                    .map(Attribute::id).toList();
            assertThat(all).doesNotHaveDuplicates();
        });
        Design after = done(design, small.id("Lecture"), NormalForm.THIRD);
        Set<Map<String, String>> all = Set.of(Map.of());
        for (var entity : after.entities()) {
            all = joined(all, rows(after, entity.id()));
        }
        assertThat(all).isEqualTo(rows(design, small.id("Lecture")));
    }

    @Test
    void aConditionThatWouldBeTornApartIsNamed() {
        Small small = sowing();
        small.done(new Change.SetChecks(small.id("Cell"),
                List.of(new NamedCheck("", "germinated = 'no' or family <> ''"))));
        Design design = with(small.design(), small.id("Cell"), SOWN, "taxon_code -> family");
        assertThat(carryOut(design, small.id("Cell"), NormalForm.THIRD)).isInstanceOfSatisfying(
                ApplyDecomposition.Result.Refused.class,
                refused -> assertThat(refused.problem().message()).contains("speaks of family, germinated"));
    }

    @Test
    void aTakenNameIsRefusedAtItsField() {
        Small small = sowing().entity("Tray", "no integer primary key");
        Design design = with(small.design(), small.id("Cell"), SOWN, "tray_no -> sown_on, taxon_code");
        assertThat(carryOut(design, small.id("Cell"), NormalForm.THIRD)).isInstanceOfSatisfying(
                ApplyDecomposition.Result.Refused.class,
                refused -> assertThat(refused.problem().field()).startsWith("name-"));
    }

    /**
     * Random relations with rows that satisfy just the dependencies: the tables join back to the same rows, and the
     * edit is taken back exactly.
     */
    @Test
    void randomRelationsJoinBackToTheSameRows() {
        int ready = 0;
        for (int seed = 0; seed < 600; seed++) {
            Random random = new Random(seed);
            int attributes = 3 + random.nextInt(4);
            List<Functional> dependencies = Brute.functional(random, attributes, 5).stream()
                    .filter(dependency -> !dependency.determinant().isEmpty()).toList();
            AttributeSet key = CandidateKeys.of(attributes, dependencies, 10).keys().getFirst();
            List<String> lines = new ArrayList<>();
            List<Integer> order = new ArrayList<>();
            key.forEach(place -> order.add(place));
            AttributeSet.first(attributes).minus(key).forEach(place -> order.add(place));
            order.forEach(place -> lines
                    .add((char) ('a' + place) + " varchar(9)" + (key.contains(place) ? " primary key" : "")));
            Small small = new Small().entity("Whole", lines.toArray(String[]::new));
            List<List<String>> rows = Armstrong.rows(attributes, dependencies).stream()
                    .map(row -> order.stream().map(place -> "v" + row[place]).toList()).toList();
            String[] stated = dependencies.stream()
                    .map(dependency -> names(dependency.determinant()) + " -> " + names(dependency.dependent()))
                    .toArray(String[]::new);
            Design design = with(small.design(), small.id("Whole"), rows, stated);
            NormalForm form =
                    List.of(NormalForm.SECOND, NormalForm.THIRD, NormalForm.BOYCE_CODD).get(random.nextInt(3));
            if (carryOut(design, small.id("Whole"), form) instanceof ApplyDecomposition.Result.Refused refused) {
                assertThat(refused.problem().message()).as("seed %d", seed)
                        .isEqualTo("There is nothing to take apart.");
                continue;
            }
            ready++;
            Design after = done(design, small.id("Whole"), form);
            Set<Map<String, String>> all = Set.of(Map.of());
            for (var entity : after.entities()) {
                all = joined(all, rows(after, entity.id()));
            }
            assertThat(all).as("seed %d", seed).isEqualTo(rows(design, small.id("Whole")));
        }
        assertThat(ready).isGreaterThan(400);
    }

    private static String names(AttributeSet set) {
        return String.join(", ", set.members().stream().map(place -> String.valueOf((char) ('a' + place))).toList());
    }
}
